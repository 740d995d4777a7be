// SPDX-License-Identifier: GPL-3.0-or-later
// The tracks of a release, medium by medium: as printed, with their recordings and files. Typed over in
// place.
#pragma once

#include <QTableView>

#include "app/control/releases_controller.h"

namespace moorfrost::app {

class ReleaseTrackModel;

class ReleaseTracks : public QTableView {
    Q_OBJECT
public:
    enum Column { Number, Title, Length, Recording, Files, ColumnCount };

    explicit ReleaseTracks(QWidget* parent = nullptr);
    /// `list`: by which editions are counted; may be nullptr.
    void show(const ShownRelease& release, ReleasesController::List list);
    QString textOf(size_t track, Column column) const; // of all media together
    /// Behind the chosen one, or at the end.
    void addTrack();
    void addMedium();
    void removeChosen();
    /// By one place, within their medium.
    void moveChosen(int by);
    /// In the order in which they stand: of each track its best file.
    std::vector<FileId> files() const;
    QSize sizeHint() const override;

signals:
    void mediaWanted(const std::vector<moorfrost::library::MediumToKeep>& media, const QString& title);
    void playRequested(moorfrost::app::FileId file);
    void libraryWanted(moorfrost::app::FileId file);
    void releaseWanted(size_t entry);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    void fit();
    void changeCredit();
    std::vector<int> chosenRows() const;

    ReleaseTrackModel* model_;
};

/// "3:41" or "3:41.5" as milliseconds; 0 for blank; -1 where it is no length.
int64_t lengthFromTyping(const QString& text);

} // namespace moorfrost::app
