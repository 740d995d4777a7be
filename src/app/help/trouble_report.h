// SPDX-License-Identifier: GPL-3.0-or-later
// What helps whoever is asked for help: versions, the machine, settings, the log, without names and places.
// It is shown before it goes anywhere; nothing is sent.
#pragma once

#include <QDialog>

#include "core/base/result.h"

class QPlainTextEdit;
class QPushButton;

namespace moorfrost::app {

/// `log`: its file.
QString troubleReport(const Path& log);

class TroubleReportDialog : public QDialog {
    Q_OBJECT
public:
    explicit TroubleReportDialog(const QString& report, QWidget* parent = nullptr);
    QPlainTextEdit* text() { return text_; }
    /// To a file; a sentence where that fails.
    QString save(const Path& file) const;

private:
    void chooseAndSave();
    QPlainTextEdit* text_;
};

} // namespace moorfrost::app
