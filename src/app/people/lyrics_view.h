// SPDX-License-Identifier: GPL-3.0-or-later
// Lyrics: as they are read (verses apart, chords in a face of fixed widths above their lines), and a dialog
// in which they are typed.
#pragma once

#include <QDialog>

#include <optional>

class QLabel;
class QPlainTextEdit;

namespace moorfrost::app {

/// As rich text; "" where there are none.
QString lyricsHtml(const std::string& lyrics);

class LyricsDialog : public QDialog {
    Q_OBJECT
public:
    LyricsDialog(const QString& title, const std::string& lyrics, QWidget* parent = nullptr);
    QPlainTextEdit* text() { return text_; }
    /// As they were typed, without blank lines around them; "" where there are none.
    std::string lyrics() const;

private:
    QPlainTextEdit* text_;
    QLabel* count_;
};

} // namespace moorfrost::app
