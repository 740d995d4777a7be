// SPDX-License-Identifier: GPL-3.0-or-later
// The tracks of a release, medium by medium: as printed, with their recordings and files. Typed over in
// place.
#pragma once

#include <QTableView>

#include <optional>

#include "app/releases/release_track_model.h"

namespace moorfrost::app {

class ReleaseTracks : public QTableView {
    Q_OBJECT
public:
    using Column = ReleaseTrackModel::Column;
    using enum ReleaseTrackModel::Column;

    explicit ReleaseTracks(QWidget* parent = nullptr);
    /// As ReleaseTrackModel::show(). While one types, when that has ended.
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

    /// An editor is open: what is typed is of what is shown.
    bool isEditing() const { return state() == EditingState; }

signals:
    /// And what was typed has been told.
    void editorClosed();
    void mediaWanted(const std::vector<moorfrost::library::MediumToKeep>& media, const QString& title);
    void playRequested(moorfrost::app::FileId file);
    void libraryWanted(moorfrost::app::FileId file);
    void releaseWanted(size_t entry);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) override;

private:
    void fit();
    void changeCredit();
    std::vector<int> chosenRows() const;
    void choose(int first, int last); // rows

    struct Pending {
        ShownRelease release;
        ReleasesController::List list;
    };
    ReleaseTrackModel* model_;
    std::optional<Pending> pending_; // to be shown when the editor is closed
};

} // namespace moorfrost::app
