// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/sample_files.h"

#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <QRegularExpression>
#include <QStandardPaths>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/base/helper_program.h"

namespace moorfrost::app {

namespace fs = std::filesystem;

namespace {

enum class There { Nothing, HalfMade, Made, Other };

There whatIsIn(const Path& folder) {
    std::error_code error;
    if (!fs::exists(fs::symlink_status(folder, error)) ||
        (fs::is_directory(folder, error) && fs::is_empty(folder, error) && !error))
        return There::Nothing;
    const bool whole =
        fs::exists(folder / ".complete", error) && fs::is_directory(folder / "reference", error);
    if (whole)
        return There::Made;
    // Stopped while it was made; where a library is, somebody has worked with it.
    return fs::is_directory(folder / "incoming", error) &&
                   fs::is_directory(folder / "Music archive", error) &&
                   fs::is_empty(folder / "Music archive", error) && !fs::exists(folder / "library.db", error)
               ? There::HalfMade
               : There::Other;
}

QString proposedFolder() {
    QString music = QStandardPaths::writableLocation(QStandardPaths::MusicLocation);
    if (music.isEmpty())
        music = QStandardPaths::writableLocation(QStandardPaths::HomeLocation);
    return music + "/Moorfrost samples";
}

} // namespace

SampleFilesDialog::SampleFilesDialog(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Try it with sample files"));
    resize(600, 240);
    auto* what = label(tr("Makes folders of invented music, as messy as real ones: rips, transfers, "
                          "downloads. They open in a window of their own, with a library of their own. Your "
                          "library and your files are not touched. To be rid of them, delete the folder."),
                       "quiet");
    what->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(what, 1);
    folder_ = new QLineEdit(proposedFolder());
    folder_->setAccessibleName(tr("Folder for the sample files"));
    auto* choose = button(tr("Choose\u2026"));
    auto* place = new QHBoxLayout;
    place->addWidget(label(tr("Folder"), "caption"));
    place->addWidget(folder_, 1);
    place->addWidget(choose);
    progress_ = new QProgressBar;
    progress_->setTextVisible(false);
    progress_->setAccessibleName(tr("How far it is"));
    progress_->hide();
    TakeBar foot = takeBar(this, tr("Make and open them"));
    said_ = label({}, "");
    said_->setWordWrap(true);
    said_->setMinimumHeight(2 * said_->fontMetrics().lineSpacing());
    said_->setAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    auto* told = new QHBoxLayout;
    told->addWidget(said_, 1);
    make_ = foot.take;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head));
    layout->addWidget(bar("tools", place));
    layout->addWidget(bar("panel", told), 1);
    layout->addWidget(progress_);
    layout->addWidget(foot.widget);
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getExistingDirectory(this, tr("A folder for the sample files"),
                                                                 QFileInfo(folder_->text()).path());
        if (!chosen.isEmpty())
            folder_->setText(chosen);
    });
    connect(folder_, &QLineEdit::textChanged, this, &SampleFilesDialog::look);
    connect(make_, &QPushButton::clicked, this, &SampleFilesDialog::begin);
    connect(&maker_, &QProcess::readyReadStandardError, this, &SampleFilesDialog::tell);
    connect(&maker_, &QProcess::finished, this, &SampleFilesDialog::ended);
    connect(&maker_, &QProcess::errorOccurred, this, [this](QProcess::ProcessError error) {
        if (error == QProcess::FailedToStart) {
            heard_ = tr("The program that makes them is not there. Install Moorfrost again.").toUtf8();
            ended(1, QProcess::NormalExit);
        }
    });
    look();
}

SampleFilesDialog::~SampleFilesDialog() {
    maker_.disconnect(this);
    maker_.kill();
    maker_.waitForFinished(2000);
}

QString SampleFilesDialog::said() const {
    return said_->text();
}

void SampleFilesDialog::look() {
    const Path folder(ss(folder_->text()));
    const There there = folder.is_absolute() ? whatIsIn(folder) : There::Other;
    make_->setEnabled(there != There::Other);
    make_->setText(there == There::Made ? tr("Open them") : tr("Make and open them"));
    said_->setText(!folder.is_absolute()  ? tr("Choose a folder.")
                   : there == There::Made ? tr("They are there already, as you left them.")
                   : there == There::Other
                       ? tr("Something else is in that folder. Choose a new or an empty one.")
                       : tr("Takes about a minute and 200 MB."));
}

void SampleFilesDialog::begin() {
    making_ = Path(ss(folder_->text()));
    if (whatIsIn(making_) == There::Made) { // as a person left them: nothing of it is made anew
        accept();
        emit made(making_);
        return;
    }
    heard_.clear();
    folder_->setEnabled(false);
    make_->setEnabled(false);
    progress_->setRange(0, 0);
    progress_->show();
    said_->setText(tr("Making the sample files\u2026"));
    maker_.start(qs(helperProgram("moorfrost-demo").native()), {qs(making_.native()), "--keep"});
}

/// It tells "12 of 200" again and again, and in the end why it failed, where it did.
void SampleFilesDialog::tell() {
    heard_ = (heard_ + maker_.readAllStandardError()).right(4000);
    static const QRegularExpression counted("(\\d+) of (\\d+)");
    auto all = counted.globalMatch(QString::fromUtf8(heard_));
    while (all.hasNext()) {
        const auto one = all.next();
        progress_->setRange(0, one.captured(2).toInt());
        progress_->setValue(one.captured(1).toInt());
    }
}

void SampleFilesDialog::ended(int code, QProcess::ExitStatus status) {
    folder_->setEnabled(true);
    progress_->hide();
    look();
    if (code == 0 && status == QProcess::NormalExit) {
        const Path folder = making_;
        accept();
        emit made(folder);
        return;
    }
    const QString why = QString::fromUtf8(heard_).trimmed().section('\n', -1).section("moorfrost-demo: ", -1);
    said_->setText(tr("The sample files could not be made: %1").arg(why));
}

void SampleFilesDialog::reject() {
    maker_.disconnect(this);
    maker_.kill(); // what is there is gone on with the next time
    QDialog::reject();
}

QStringList SampleFilesDialog::arguments(const Path& folder) {
    QStringList out{"--library",  qs((folder / "library.db").native()),
                    "--settings", qs((folder / "settings").native()),
                    "--shelf",    qs((folder / "Music archive").native())};
    std::error_code error;
    if (!fs::exists(folder / "library.db", error))
        out << qs((folder / "incoming").native());
    return out;
}

void trySampleFiles(QWidget* over) {
    SampleFilesDialog dialog(over);
    QObject::connect(&dialog, &SampleFilesDialog::made, over, [over](const Path& folder) {
        if (!QProcess::startDetached(QCoreApplication::applicationFilePath(),
                                     SampleFilesDialog::arguments(folder)))
            QMessageBox::warning(
                over, SampleFilesDialog::tr("Try it with sample files"),
                SampleFilesDialog::tr("They are made, but another window could not be started."));
    });
    dialog.exec();
}

} // namespace moorfrost::app
