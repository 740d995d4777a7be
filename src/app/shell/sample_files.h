// SPDX-License-Identifier: GPL-3.0-or-later
// Sample files to try things with: invented music in a folder of its own, opened in a window and a library of
// its own, so that nobody's own library is touched.
#pragma once

#include <QDialog>
#include <QProcess>
#include <QProgressBar>

#include "core/base/result.h"

class QLabel;
class QLineEdit;
class QPushButton;

namespace moorfrost::app {

class SampleFilesDialog : public QDialog {
    Q_OBJECT
public:
    explicit SampleFilesDialog(QWidget* parent = nullptr);
    ~SampleFilesDialog() override;

    QLineEdit* folder() { return folder_; }
    QPushButton* makeButton() { return make_; }
    QString said() const;
    /// What the window on the sample files is started with.
    static QStringList arguments(const Path& folder);

signals:
    /// They are there.
    void made(const moorfrost::Path& folder);

public slots:
    void reject() override;

private:
    void look();
    void begin();
    void tell();
    void ended(int code, QProcess::ExitStatus status);

    QLineEdit* folder_;
    QLabel* said_;
    QProgressBar* progress_;
    QPushButton* make_;
    QProcess maker_;
    QByteArray heard_; // of the maker; the last words are why it failed
    Path making_;
};

/// Makes them, or finds them made, and starts a window on them.
void trySampleFiles(QWidget* over);

} // namespace moorfrost::app
