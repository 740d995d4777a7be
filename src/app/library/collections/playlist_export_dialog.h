// SPDX-License-Identifier: GPL-3.0-or-later
// How a playlist is handed on: as which kind of file, and how the places of its tracks stand in it.
#pragma once

#include <QDialog>

#include "core/exchange/playlist.h"

class QButtonGroup;
class QLabel;
class QLineEdit;
class QPushButton;

namespace moorfrost::app {

class Choice;

class PlaylistExportDialog : public QDialog {
    Q_OBJECT
public:
    /// `example`: a file of the list, to show how its place will stand there.
    PlaylistExportDialog(const QString& name, size_t count, const Path& example, QWidget* parent);

    Path file() const;
    exchange::PlaceStyle style() const;
    QLineEdit* fileLine() { return file_; }
    Choice* format() { return format_; }
    QButtonGroup* styles() { return styles_; }
    QLineEdit* fromLine() { return from_; }
    QLineEdit* toLine() { return to_; }
    QString exampleText() const;
    QPushButton* exportButton() { return export_; }

private:
    void show();

    Path example_;
    QLineEdit *file_, *from_, *to_;
    Choice* format_;
    QButtonGroup* styles_;
    QLabel *shown_, *trouble_;
    QPushButton* export_;
};

} // namespace moorfrost::app
