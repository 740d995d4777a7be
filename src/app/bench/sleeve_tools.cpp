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

SleeveChooser::SleeveChooser(const Uses& use, std::vector<FileId> files, QWidget* parent)
    : QDialog(parent), use_(use), files_(std::move(files)) {
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
    for (const SleeveView& s : use_.sleeves.all())
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
        use_.batch.newSleeve(files_, name_->text().simplified());
    else
        use_.batch.putIntoSleeve(files_, ss(item->data(Key).toString()));
    accept();
}

SleeveTools::SleeveTools(const Uses& use, SleeveList* list, std::function<std::vector<FileId>()> files)
    : QObject(list), use_(use), list_(list), files_(std::move(files)) {
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
            if (const SleeveView* s = use_.sleeves.find(key))
                files.insert(files.end(), s->files.begin(), s->files.end());
    return files;
}

void SleeveTools::putInto() {
    if (std::vector<FileId> files = wanted(); !files.empty())
        SleeveChooser(use_, files, window()).exec();
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
        use_.batch.newSleeve(files, name);
}

void SleeveTools::toStrays() {
    use_.batch.putIntoSleeve(wanted(), {});
}

void SleeveTools::letSort() {
    use_.batch.letSort(wanted());
}

void SleeveTools::merge() {
    const std::vector<std::string> keys = list_->chosenKeys();
    use_.batch.mergeSleeves(keys);
}

void SleeveTools::rename() {
    const std::vector<std::string> keys = list_->chosenKeys();
    const SleeveView* s = keys.size() == 1 ? use_.sleeves.find(keys.front()) : nullptr;
    if (!s || s->isStrays())
        return;
    bool ok = false;
    const QString name = QInputDialog::getText(
        window(), tr("Rename the sleeve"),
        tr("Name on the bench (the files are not changed; leave it empty for their album):"),
        QLineEdit::Normal, s->title, &ok);
    if (ok)
        use_.batch.nameSleeve(keys.front(), name);
}

void SleeveTools::fillSplit(QMenu& menu) {
    const std::vector<std::string> keys = list_->chosenKeys();
    const std::pair<QString, bench::SplitBy> ways[] = {
        {tr("Folder"), bench::SplitBy::Folder}, {tr("Disc"), bench::SplitBy::Disc},
        {tr("Album"), bench::SplitBy::Album},   {tr("Artist"), bench::SplitBy::Artist},
        {tr("Date"), bench::SplitBy::Date},     {tr("Format"), bench::SplitBy::Format}};
    for (const auto& [name, by] : ways) {
        const bool one = keys.size() == 1 && !keys.front().empty();
        const size_t parts = one ? use_.batch.batch().partsOf(keys.front(), by).size() : 0;
        QAction* action =
            menu.addAction(parts > 1 ? tr("%1: into %n sleeve(s)", "", static_cast<int>(parts)).arg(name)
                                     : tr("%1: all the same").arg(name));
        action->setEnabled(parts > 1);
        connect(action, &QAction::triggered, this, [this, key = keys.front(), by = by] {
            const SleeveView* sleeve = use_.sleeves.find(key);
            use_.batch.splitSleeve(key, by, sleeve ? sleeve->title : QString());
        });
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
            if (const SleeveView* s = use_.sleeves.find(key))
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
    menu.addAction(tr("To the strays"), this, [this, files] { use_.batch.putIntoSleeve(files(), {}); })
        ->setEnabled(sleeves > 0);
    menu.addAction(tr("Let Moorfrost sort them again"), this, [this, files] { use_.batch.letSort(files()); })
        ->setEnabled(!keys.empty());
    menu.addAction(tr("Undo the last change of sleeves"), this, [this] { use_.batch.undoByHand(); })
        ->setEnabled(use_.batch.batch().canUndoByHand());
    menu.addSeparator();
    menu.addAction(tr("Remove from the batch (the files stay as they are)"), this,
                   [this, files] { use_.batch.removeFiles(files()); })
        ->setEnabled(!keys.empty());
    menu.exec(list_->viewport()->mapToGlobal(at));
}

} // namespace moorfrost::app
