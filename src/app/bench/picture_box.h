// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of the chosen files together, at the head of the drawer: what they hold, in how many of them,
// what is drafted; adding from a file, by drop and by paste, and what can be done with each.
#pragma once

#include <QFrame>
#include <QTimer>

#include "app/control/pictures_controller.h"

class QLabel;
class QPushButton;
class QToolButton;
class QVBoxLayout;

namespace moorfrost::app {

class PictureBox : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        PicturesController& pictures;
    };

    explicit PictureBox(const Uses& use, QWidget* parent = nullptr);
    void setFiles(const std::vector<FileId>& files);
    /// What the rows say, for tests.
    QStringList texts() const;
    QPushButton* addButton() { return add_; }
    /// The button of a row that offers what can be done with its picture.
    QToolButton* menuButton(int row) const;
    void paste();
    /// One of the rows, large.
    void showLarge(size_t row);
    /// A folder of pictures that is offered from now on; "": none.
    static void rememberFolder(const QString& folder);

signals:
    /// The pictures of the references are to be shown.
    void referenceWanted();

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    struct Row {
        tags::PictureInfo picture;
        std::vector<FileId> having;
        bool drafted = false, removed = false;
    };
    std::vector<Row> rows() const;
    void refresh();
    void measure();
    QWidget* rowWidget(const Row& row, bool large);
    void fillMenu(QMenu* menu, const Row& row);
    void addFromFiles();
    void fillAdd(QMenu* menu);
    void offer(QMenu* menu, QAction* place, const std::vector<Path>& found);
    bool take(const QMimeData* data, const QString& from);
    QString countText(const Row& row, size_t ofType) const;

    Uses use_;
    std::vector<FileId> files_;
    QVBoxLayout* list_;
    QPushButton* add_;
    QLabel* hint_;
    std::vector<QLabel*> covers_; // beside shown_
    std::vector<Row> shown_;
    std::vector<QLabel*> details_; // beside shown_
    QTimer measuring_{this};       // when what is chosen stays
    uint64_t listing_ = 0;         // of folders: an answer to an older one is nobody's
};

} // namespace moorfrost::app
