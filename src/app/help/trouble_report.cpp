// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/trouble_report.h"

#include <QApplication>
#include <QClipboard>
#include <QFile>
#include <QFileDialog>
#include <QLabel>
#include <QLocale>
#include <QMessageBox>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScreen>
#include <QSettings>
#include <QStyle>
#include <QSysInfo>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/stacked_parts.h"
#include "core/base/version.h"
#include "core/base/without_private.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

constexpr qint64 mostOfLog = 64 * 1024; // bytes, of its end

/// Switches, numbers and single words tell nothing of a person; all else is told by its size.
QString asTold(const QVariant& value) {
    const QString text = value.toString();
    const bool plain = value.typeId() != QMetaType::QByteArray && text.size() <= 20 && !text.contains('/') &&
                       !text.contains(' ') && !text.contains('@');
    if (plain && value.canConvert<QString>() && !text.isEmpty())
        return text;
    return text.isEmpty() ? QString("-") : QString("(%1 characters)").arg(text.size());
}

QString endOfLog(const Path& log) {
    QFile file(qs(log.native()));
    if (log.empty() || !file.open(QIODevice::ReadOnly))
        return "(none)\n";
    const qint64 from = std::max<qint64>(0, file.size() - mostOfLog);
    file.seek(from);
    QByteArray text = file.readAll();
    if (from > 0)
        text.remove(0, text.indexOf('\n') + 1);
    return qs(withoutPrivate(text.toStdString()));
}

} // namespace

QString troubleReport(const Path& log) {
    QString out = QString("Moorfrost %1, Qt %2\n").arg(version(), qVersion());
    out += QString("%1, kernel %2, %3\n")
               .arg(QSysInfo::prettyProductName(), QSysInfo::kernelVersion(),
                    QSysInfo::currentCpuArchitecture());
    out += QString("Windows: %1, style %2, desktop %3\n")
               .arg(QGuiApplication::platformName(), QApplication::style()->objectName(),
                    qEnvironmentVariable("XDG_CURRENT_DESKTOP", "-"));
    out += QString("Locale: %1\n").arg(QLocale::system().name());
    for (const QScreen* screen : QGuiApplication::screens())
        out += QString("Screen: %1 x %2 at %3\n")
                   .arg(screen->size().width())
                   .arg(screen->size().height())
                   .arg(screen->devicePixelRatio());
    out += "\nSettings\n";
    const QSettings settings;
    for (const QString& key : settings.allKeys())
        out += "  " + qs(withoutPrivate(ss(key))) + ": " + asTold(settings.value(key)) + "\n";
    out += "\nLog\n" + endOfLog(log);
    return out;
}

TroubleReportDialog::TroubleReportDialog(const QString& report, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("About this trouble"));
    setProperty("manual", "trouble#when you ask for help");
    resize(720, 560);
    auto* what =
        label(tr("This helps whoever you ask for help. Names of files, of artists and of titles are left "
                 "out; look it over, and change what you like. It is not sent anywhere: save it, or "
                 "copy it, and send it yourself."),
              "quiet");
    what->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(what, 1);
    text_ = new QPlainTextEdit(report);
    text_->setLineWrapMode(QPlainTextEdit::NoWrap);
    text_->setAccessibleName(tr("The report"));
    text_->setObjectName("mono");
    auto* copy = button(tr("Copy"));
    auto* save = button(tr("Save\u2026"), "accent");
    auto* close = button(tr("Close"));
    auto* foot = new QHBoxLayout;
    foot->addStretch(1);
    foot->addWidget(copy);
    foot->addWidget(close);
    foot->addWidget(save);
    stackParts(this, {bar("head", head), text_, bar("tools", foot)}, text_);
    connect(copy, &QPushButton::clicked, this,
            [this] { QApplication::clipboard()->setText(text_->toPlainText()); });
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    connect(save, &QPushButton::clicked, this, &TroubleReportDialog::chooseAndSave);
}

QString TroubleReportDialog::save(const Path& file) const {
    const Status saved = files::writeWhole(file, ss(text_->toPlainText() + "\n"));
    return saved ? QString() : spoken(saved.error().message);
}

void TroubleReportDialog::chooseAndSave() {
    const QString chosen =
        QFileDialog::getSaveFileName(this, tr("Save the report"), "moorfrost-report.txt", tr("Text (*.txt)"));
    if (chosen.isEmpty())
        return;
    if (const QString why = save(Path(ss(chosen))); !why.isEmpty())
        QMessageBox::warning(this, tr("Save the report"), why);
    else
        accept();
}

} // namespace moorfrost::app
