// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/check_files_dialog.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QDateTime>
#include <QFileDialog>
#include <QGridLayout>
#include <QHeaderView>
#include <QProgressBar>
#include <QRadioButton>
#include <QVBoxLayout>

#include <mutex>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
enum Column { State, File, Found };

QString wordFor(library::CheckState state) {
    using enum library::CheckState;
    switch (state) {
    case Same:
        return CheckFilesDialog::tr("same");
    case Fine:
        return CheckFilesDialog::tr("fine");
    case New:
        return CheckFilesDialog::tr("new");
    case Changed:
        return CheckFilesDialog::tr("changed");
    case Damaged:
        return CheckFilesDialog::tr("damaged");
    case Missing:
        return CheckFilesDialog::tr("missing");
    case Unreadable:
        return CheckFilesDialog::tr("unreadable");
    }
    return {};
}
} // namespace

/// Between the job and the window.
struct CheckFilesDialog::Shared {
    std::mutex mutex;
    std::vector<library::CheckedFile> news;
    work::Progress::State progress;
    std::string error;
    std::stop_source stop;
};

CheckFilesDialog::CheckFilesDialog(const Uses& use, std::vector<Path> files, const QString& where,
                                   QWidget* parent)
    : QDialog(parent), use_(use), files_(std::move(files)) {
    setWindowTitle(tr("Check files"));
    resize(940, 640);
    kinds_ = new QButtonGroup(this);
    auto* choices = new QGridLayout;
    choices->setHorizontalSpacing(18);
    choices->setVerticalSpacing(6);
    choices->setContentsMargins(16, 12, 16, 12);
    choices->setColumnStretch(1, 1);
    const std::pair<QString, QString> kinds[] = {
        {tr("Sound against what was stored"),
         tr("Which of %1 no longer have the sound they had. Tags and names do not count.").arg(where)},
        {tr("Decode to the end"),
         tr("Whether %1 can be played to the end. Of FLAC the sum of the samples counts, too.").arg(where)},
        {tr("Whole files against a list"),
         tr("Checks a list of SHA-256 sums, in the form that sha256sum writes.")},
        {tr("Write a list of whole files"),
         tr("Makes such a list of everything in a folder, for other programs and for later.")}};
    for (int i = 0; i < 4; ++i) {
        auto* radio = new QRadioButton(kinds[i].first);
        kinds_->addButton(radio, i);
        auto* what = label(kinds[i].second, "quiet");
        what->setWordWrap(true);
        choices->addWidget(radio, i, 0);
        choices->addWidget(what, i, 1);
    }
    storeNew_ = new QCheckBox(tr("Store the fixity of files that are new"));
    storeNew_->setChecked(true);
    choices->addWidget(storeNew_, 4, 1);
    auto* head = new QFrame;
    head->setObjectName("head");
    head->setLayout(choices);

    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("What was found"));
    prepareTree(tree_, {tr("State"), tr("File"), tr("What was found")});
    tree_->header()->resizeSection(State, 104);
    tree_->header()->resizeSection(File, 330);

    auto* line = new QHBoxLayout;
    bar_ = new QProgressBar;
    bar_->setTextVisible(false);
    bar_->setFixedHeight(6);
    rate_ = label({}, "quiet");
    summary_ = label(tr("Nothing was checked yet."), "");
    onlyTrouble_ = new QCheckBox(tr("Only troubles"));
    line->addWidget(summary_);
    line->addWidget(rate_);
    line->addWidget(bar_, 1);
    line->addWidget(onlyTrouble_);

    auto* bottom = new QHBoxLayout;
    save_ = button(tr("Save report\u2026"));
    save_->setToolTip(tr("As a page (.html) or a table for other programs (.csv)"));
    auto* close = button(tr("Close"));
    close->setToolTip(tr("A check that runs goes on, and can be looked at again"));
    stop_ = button(tr("Stop"));
    start_ = button(tr("Check"), "accent");
    start_->setDefault(true);
    bottom->addWidget(save_);
    bottom->addStretch();
    bottom->addWidget(close);
    bottom->addWidget(stop_);
    bottom->addWidget(start_);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head);
    layout->addWidget(tree_, 1);
    layout->addWidget(bar("tools", line, 40));
    layout->addWidget(bar("bottom", bottom, 48));
    timer_.setInterval(100);
    connect(&timer_, &QTimer::timeout, this, &CheckFilesDialog::takeNews);
    connect(kinds_, &QButtonGroup::idClicked, this, [this](int id) { choose(static_cast<Kind>(id)); });
    connect(start_, &QPushButton::clicked, this, &CheckFilesDialog::startAsked);
    connect(stop_, &QPushButton::clicked, this, [this] {
        if (shared_)
            shared_->stop.request_stop();
    });
    connect(save_, &QPushButton::clicked, this, &CheckFilesDialog::askAndSave);
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    connect(onlyTrouble_, &QCheckBox::toggled, this, [this] {
        tree_->clear();
        for (const library::CheckedFile& f : found_)
            addRow(f);
    });
    choose(Fixity);
    bar_->hide();
    stop_->setEnabled(false);
    save_->setEnabled(false);
}

CheckFilesDialog::~CheckFilesDialog() = default;

void CheckFilesDialog::choose(Kind kind) {
    kinds_->button(kind)->setChecked(true);
    storeNew_->setVisible(kind == Fixity);
    const QString words[] = {tr("Check"), tr("Decode"), tr("Choose a list\u2026"),
                             tr("Choose a folder\u2026")};
    start_->setText(words[kind]);
    bool needsFiles = kind == Fixity || kind == Decoding;
    start_->setEnabled(!running_ && (!needsFiles || !files_.empty()));
}

void CheckFilesDialog::startAsked() {
    auto kind = static_cast<Kind>(kinds_->checkedId());
    const QString filter = tr("Lists of checksums (*.sha256 *SUMS* *.txt);;All files (*)");
    if (kind == CheckList) {
        QString list = QFileDialog::getOpenFileName(this, tr("Check a list"), {}, filter);
        if (!list.isEmpty())
            start(Path(ss(list)));
    } else if (kind == WriteList) {
        QString folder = QFileDialog::getExistingDirectory(this, tr("Write a list of everything in"));
        if (folder.isEmpty())
            return;
        QString list =
            QFileDialog::getSaveFileName(this, tr("Write the list as"), folder + "/checksums.sha256", filter);
        if (!list.isEmpty())
            start(Path(ss(list)), Path(ss(folder)));
    } else {
        start();
    }
}

void CheckFilesDialog::start(const Path& list, const Path& folder) {
    if (running_)
        return;
    auto kind = static_cast<Kind>(kinds_->checkedId());
    title_ = kinds_->checkedButton()->text();
    found_.clear();
    tree_->clear();
    shared_ = std::make_shared<Shared>();
    running_ = true;
    bar_->setRange(0, 0);
    bar_->show();
    summary_->setText(tr("Checking\u2026"));
    start_->setEnabled(false);
    stop_->setEnabled(true);
    save_->setEnabled(false);
    timer_.start();
    auto work = [shared = shared_, kind, paths = files_, list, folder, library = use_.library.file(),
                 storeNew = storeNew_->isChecked()](std::stop_token stop,
                                                    work::Progress& progress) -> Status {
        // Either the window's own Stop or that of the shelf.
        std::stop_callback either(stop, [&] { shared->stop.request_stop(); });
        std::stop_token both = shared->stop.get_token();
        std::vector<library::Fixity> fresh;
        auto found = [&](const library::CheckedFile& f) {
            if (kind == Fixity && f.state == library::CheckState::New)
                fresh.push_back(f.now);
            std::lock_guard lock(shared->mutex);
            shared->news.push_back(f);
            shared->progress = progress.state();
        };
        if (kind == CheckList)
            return library::checkAgainstList(list, both, progress, found);
        if (kind == WriteList)
            return library::writeList(folder, list, both, progress, found);
        if (kind == Decoding) {
            library::checkDecoding(paths, both, progress, found);
            return Done{};
        }
        auto store = library::Store::open(library);
        if (!store)
            return store.error();
        std::vector<library::Fixity> stored;
        for (const Path& p : paths)
            if (auto f = (*store)->fixity().find(p))
                stored.push_back(*f);
        library::checkFixity(paths, stored, false, both, progress, found);
        if (storeNew)
            for (const library::Fixity& f : fresh)
                (*store)->fixity().save(f);
        return Done{};
    };
    use_.jobs.start(this, {ss(tr("Checking files: %1").arg(title_))}, work, [this](const Status& status) {
        if (!status)
            shared_->error = status.error().message;
        ended();
    });
}

void CheckFilesDialog::takeNews() {
    std::vector<library::CheckedFile> news;
    work::Progress::State progress;
    {
        std::lock_guard lock(shared_->mutex);
        news.swap(shared_->news);
        progress = shared_->progress;
    }
    tree_->setUpdatesEnabled(false);
    for (library::CheckedFile& f : news) {
        addRow(f);
        found_.push_back(std::move(f));
    }
    tree_->setUpdatesEnabled(true);
    if (progress.total > 0) {
        bar_->setRange(0, static_cast<int>(progress.total));
        bar_->setValue(static_cast<int>(progress.done));
    }
    if (!news.empty())
        summary_->setText(qs(library::summaryOf(found_)));
    rate_->setText(progress.perSecond > 0
                       ? tr("%L1 of %L2, %L3 files/s")
                             .arg(progress.done)
                             .arg(progress.total)
                             .arg(progress.perSecond, 0, 'f', progress.perSecond < 10 ? 1 : 0)
                       : QString());
}

void CheckFilesDialog::addRow(const library::CheckedFile& f) {
    bool trouble = library::isTrouble(f.state);
    if (onlyTrouble_->isChecked() && !trouble)
        return;
    auto* item = new QTreeWidgetItem;
    QColor ink = trouble                               ? theme::colours().rowan
                 : f.state == library::CheckState::New ? theme::colours().lichen
                                                       : theme::colours().second;
    item->setText(State, wordFor(f.state));
    if (trouble)
        item->setIcon(State, theme::icon("attention", ink));
    item->setForeground(State, ink);
    item->setText(File, shownName(f.path));
    item->setFont(File, theme::monoFont());
    item->setToolTip(File, shownPath(f.path));
    item->setText(Found, spoken(f.sentence));
    item->setToolTip(Found, spoken(f.sentence));
    if (trouble) // on top
        tree_->insertTopLevelItem(0, item);
    else
        tree_->addTopLevelItem(item);
}

void CheckFilesDialog::ended() {
    timer_.stop();
    takeNews();
    running_ = false;
    bar_->hide();
    rate_->clear();
    QString summary = qs(library::summaryOf(found_));
    if (shared_->stop.stop_requested())
        summary = tr("Stopped. %1").arg(summary);
    if (!shared_->error.empty())
        summary = qs(shared_->error);
    summary_->setText(summary);
    stop_->setEnabled(false);
    save_->setEnabled(!found_.empty());
    choose(static_cast<Kind>(kinds_->checkedId()));
    if (isVisible())
        return;
    unseen_ = true;
    const bool troubles =
        !shared_->error.empty() ||
        std::any_of(found_.begin(), found_.end(), [](const auto& f) { return library::isTrouble(f.state); });
    use_.messages.say(tr("The check of files has ended: %1 \"Check files\" shows it.").arg(summary),
                      troubles);
}

bool CheckFilesDialog::showAgain(const QPointer<CheckFilesDialog>& last) {
    if (!last || !(last->isRunning() || last->hasUnseen()))
        return false;
    last->exec();
    return true;
}

void CheckFilesDialog::showEvent(QShowEvent* event) {
    QDialog::showEvent(event);
    unseen_ = false;
}

void CheckFilesDialog::askAndSave() {
    QString chosen;
    QString file =
        QFileDialog::getSaveFileName(this, tr("Save the report"), tr("report.html"),
                                     tr("Page (*.html);;Table for other programs (*.csv)"), &chosen);
    if (file.isEmpty())
        return;
    if (!file.contains('.'))
        file += chosen.contains("csv") ? ".csv" : ".html";
    saveReport(Path(ss(file)));
}

void CheckFilesDialog::saveReport(const Path& file) {
    std::string title =
        ss(tr("%1, %2").arg(title_, QLocale().toString(QDateTime::currentDateTime(), QLocale::ShortFormat)));
    use_.jobs.start(
        &use_.messages, {ss(tr("Saving the report"))},
        [report = library::reportOf(title, found_), file](std::stop_token, work::Progress&) {
            return exchange::save(report, file);
        },
        [&messages = use_.messages, self = QPointer(this), file](const Status& saved) {
            messages.say(saved ? tr("The report was saved as %1.").arg(shownPath(file))
                               : spoken(saved.error().message),
                         !saved);
            if (self)
                self->summary_->setText(saved ? tr("Saved as %1.").arg(shownName(file))
                                              : spoken(saved.error().message));
        });
}

} // namespace moorfrost::app
