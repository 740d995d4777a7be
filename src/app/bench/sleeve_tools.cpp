// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/sleeve_tools.h"

#include <QInputDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/sleeve_list.h"

namespace moorfrost::app {

namespace {
enum Role { Key = Qt::UserRole, IsNew };
}

SleeveChooser::SleeveChooser(Session& session, std::vector<FileId> files, QWidget* parent)
    : QDialog(parent), session_(session), files_(std::move(files)) {
    setWindowTitle(tr("Put %n file(s) into a sleeve", "", static_cast<int>(files_.size())));
    resize(460, 420);
    name_ = new QLineEdit;
    name_->setPlaceholderText(tr("A sleeve, or the name of a new one"));
    name_->setAccessibleName(name_->placeholderText());
    list_ = new QListWidget;
    list_->setUniformItemSizes(true);
    list_->setAccessibleName(tr("Sleeves"));
    auto* inner = new QVBoxLayout;
    inner->setContentsMargins(12, 12, 12, 12);
    inner->addWidget(name_);
    inner->addWidget(list_, 1);
    TakeBar foot = takeBar(this);
    foot.take->setText(tr("Put there"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(inner, 1);
    layout->addWidget(foot.widget);
    connect(name_, &QLineEdit::textChanged, this, &SleeveChooser::fill);
    connect(list_, &QListWidget::itemActivated, this, &SleeveChooser::take);
    connect(foot.take, &QPushButton::clicked, this, &SleeveChooser::take);
    stepThrough(name_, list_);
    fill();
}

void SleeveChooser::fill() {
    list_->clear();
    const QString typed = name_->text().simplified();
    const std::string wanted = text::fold(ss(typed));
    constexpr int most = 200;
    auto add = [this](const QString& text, const std::string& key, bool isNew) {
        auto* item = new QListWidgetItem(text, list_);
        item->setData(Key, qs(key));
        item->setData(IsNew, isNew);
    };
    for (const SleeveView& s : session_.sleeves())
        if (!s.isStrays() && list_->count() < most &&
            text::fold(ss(s.title)).find(wanted) != std::string::npos)
            add(tr("%1 \u00B7 %2").arg(s.title, s.line()), s.key, false);
    if (text::fold(ss(tr("Strays"))).starts_with(wanted))
        add(tr("Strays"), {}, false);
    if (!typed.isEmpty())
        add(tr("A new sleeve: %1").arg(typed), {}, true);
    list_->setCurrentRow(0);
}

void SleeveChooser::take() {
    const QListWidgetItem* item = list_->currentItem();
    if (!item)
        return;
    if (item->data(IsNew).toBool())
        session_.newSleeve(files_, name_->text().simplified());
    else
        session_.putIntoSleeve(files_, ss(item->data(Key).toString()));
    accept();
}

SleeveTools::SleeveTools(Session& session, SleeveList* list, std::function<std::vector<FileId>()> files)
    : QObject(list), session_(session), list_(list), files_(std::move(files)) {
    list->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(list, &QWidget::customContextMenuRequested, this, &SleeveTools::showMenu);
    connect(
        list, &SleeveList::newSleeveWanted, this, [this](const std::vector<FileId>& f) { makeNew(f); },
        Qt::QueuedConnection);
}

QWidget* SleeveTools::window() const {
    return list_->window();
}

std::vector<FileId> SleeveTools::wanted() const {
    std::vector<FileId> files = files_();
    if (files.empty())
        for (const std::string& key : list_->chosenKeys())
            if (const SleeveView* s = session_.sleeve(key))
                files.insert(files.end(), s->files.begin(), s->files.end());
    return files;
}

void SleeveTools::putInto() {
    if (std::vector<FileId> files = wanted(); !files.empty())
        SleeveChooser(session_, files, window()).exec();
}

void SleeveTools::makeNew(const std::vector<FileId>& files) {
    if (files.empty())
        return;
    bool ok = false;
    const QString name =
        QInputDialog::getText(window(), tr("A new sleeve"),
                              tr("Name of the sleeve of %n file(s):", "", static_cast<int>(files.size())),
                              QLineEdit::Normal, {}, &ok)
            .simplified();
    if (ok)
        session_.newSleeve(files, name);
}

void SleeveTools::toStrays() {
    session_.putIntoSleeve(wanted(), {});
}

void SleeveTools::letSort() {
    session_.letSort(wanted());
}

void SleeveTools::merge() {
    const std::vector<std::string> keys = list_->chosenKeys();
    session_.mergeSleeves(keys);
}

void SleeveTools::rename() {
    const std::vector<std::string> keys = list_->chosenKeys();
    const SleeveView* s = keys.size() == 1 ? session_.sleeve(keys.front()) : nullptr;
    if (!s || s->isStrays())
        return;
    bool ok = false;
    const QString name = QInputDialog::getText(
        window(), tr("Rename the sleeve"),
        tr("Name on the bench (the files are not changed; leave it empty for their album):"),
        QLineEdit::Normal, s->title, &ok);
    if (ok)
        session_.nameSleeve(keys.front(), name);
}

void SleeveTools::fillSplit(QMenu& menu) {
    const std::vector<std::string> keys = list_->chosenKeys();
    const std::pair<QString, SplitBy> ways[] = {
        {tr("Folder"), SplitBy::Folder}, {tr("Disc"), SplitBy::Disc}, {tr("Album"), SplitBy::Album},
        {tr("Artist"), SplitBy::Artist}, {tr("Date"), SplitBy::Date}, {tr("Format"), SplitBy::Format}};
    for (const auto& [name, by] : ways) {
        const bool one = keys.size() == 1 && !keys.front().empty();
        const size_t parts = one ? session_.partsOf(keys.front(), by).size() : 0;
        QAction* action =
            menu.addAction(parts > 1 ? tr("%1: into %n sleeve(s)", "", static_cast<int>(parts)).arg(name)
                                     : tr("%1: all the same").arg(name));
        action->setEnabled(parts > 1);
        connect(action, &QAction::triggered, this,
                [this, keys, by] { session_.splitSleeve(keys.front(), by); });
    }
}

void SleeveTools::split() {
    QMenu menu(tr("Split by"), window());
    fillSplit(menu);
    for (QAction* action : menu.actions()) // the first that can be done, for the keyboard
        if (action->isEnabled() && !menu.activeAction())
            menu.setActiveAction(action);
    const QRect row = list_->visualRect(list_->currentIndex());
    menu.exec(list_->viewport()->mapToGlobal(row.isValid() ? row.bottomLeft() : QPoint(8, 8)));
}

void SleeveTools::addFileActions(QMenu& menu) {
    const bool any = !files_().empty();
    menu.addAction(tr("Put into a sleeve\u2026"), this, &SleeveTools::putInto)->setEnabled(any);
    menu.addAction(tr("Make a new sleeve\u2026"), this, [this] { makeNew(files_()); })->setEnabled(any);
    menu.addAction(tr("To the strays"), this, &SleeveTools::toStrays)->setEnabled(any);
    menu.addAction(tr("Let Moorfrost sort them again"), this, &SleeveTools::letSort)->setEnabled(any);
}

void SleeveTools::showMenu(const QPoint& at) {
    const std::vector<std::string> keys = list_->chosenKeys();
    const size_t sleeves = static_cast<size_t>(
        std::count_if(keys.begin(), keys.end(), [](const std::string& key) { return !key.empty(); }));
    auto files = [this, keys] {
        std::vector<FileId> out;
        for (const std::string& key : keys)
            if (const SleeveView* s = session_.sleeve(key))
                out.insert(out.end(), s->files.begin(), s->files.end());
        return out;
    };
    QMenu menu(window());
    menu.addAction(tr("Rename\u2026"), this, &SleeveTools::rename)
        ->setEnabled(keys.size() == 1 && sleeves == 1);
    menu.addAction(tr("Merge"), this, &SleeveTools::merge)->setEnabled(keys.size() > 1 && sleeves > 0);
    QMenu* apart = menu.addMenu(tr("Split by"));
    apart->setEnabled(keys.size() == 1 && sleeves == 1);
    fillSplit(*apart);
    menu.addAction(tr("To the strays"), this, [this, files] { session_.putIntoSleeve(files(), {}); })
        ->setEnabled(sleeves > 0);
    menu.addAction(tr("Let Moorfrost sort them again"), this, [this, files] { session_.letSort(files()); })
        ->setEnabled(!keys.empty());
    menu.addAction(tr("Undo the last change of sleeves"), this, [this] { session_.undoByHand(); })
        ->setEnabled(session_.canUndoByHand());
    menu.addSeparator();
    menu.addAction(tr("Remove from the batch (the files stay as they are)"), this,
                   [this, files] { session_.removeFromBatch(files()); })
        ->setEnabled(!keys.empty());
    menu.exec(list_->viewport()->mapToGlobal(at));
}

} // namespace moorfrost::app
