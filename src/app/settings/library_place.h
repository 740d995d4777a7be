// SPDX-License-Identifier: GPL-3.0-or-later
// Where the library lies, and bringing it elsewhere.
#pragma once

#include <QDialog>
#include <QWidget>

#include "app/shell/library_move.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QRadioButton;

namespace moorfrost::app {

/// Asks where to, and whether it is to be used from there.
class MoveLibraryDialog : public QDialog {
    Q_OBJECT
public:
    explicit MoveLibraryDialog(const Path& library, QWidget* parent = nullptr);

    LibraryMove move() const;
    QRadioButton* here() { return here_; }
    QRadioButton* away() { return away_; }
    QLineEdit* folder() { return folder_; }
    QPushButton* takeButton() { return take_; }
    QString said() const;

private:
    void look();

    Path library_;
    uint64_t bytes_;
    QRadioButton *here_, *away_;
    QLineEdit* folder_;
    QLabel* said_;
    QPushButton* take_;
};

/// The part of Settings.
class LibraryPlace : public QWidget {
    Q_OBJECT
public:
    explicit LibraryPlace(const Path& library, QWidget* parent = nullptr);
    /// Asks for the folder of a library from another machine; nothing where none was chosen, or it is none,
    /// which is said.
    static std::optional<LibraryMove> askToBring(QWidget* parent);

signals:
    void wanted(const LibraryMove& move);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void ask();

    Path library_;
    QLabel* told_;
};

} // namespace moorfrost::app
