// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/journal/journal_page.h"

#include <QDateTime>
#include <QHeaderView>
#include <QPainter>
#include <QSplitter>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/control/content_kinds.h"
#include "app/journal/change_parts.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/paint.h"
#include "app/widgets/picture_cells.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {

enum Column { What, After, Before, State };
constexpr int numberRole = Qt::UserRole + 2;

class SetDelegate : public QStyledItemDelegate {
public:
    SetDelegate(const JournalPage::Uses& use, QObject* parent) : QStyledItemDelegate(parent), use_(use) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 58}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        auto row = static_cast<size_t>(index.row());
        if (row >= use_.journal.entries().size())
            return;
        const JournalEntry& entry = use_.journal.entries()[row];
        const auto& c = theme::colours();
        QRect r = option.rect;
        bool chosen = option.state & QStyle::State_Selected;
        p->save();
        paint::listRow(*p, r, chosen, option.state & QStyle::State_HasFocus);
        int right = r.right() - 8;
        const bool written = entry.kind == JournalEntry::Written;
        right = written ? setPills(p, entry.set, r, right) : right;
        if (!written && entry.change.takenBack)
            right -= paint::pill(*p, right, QRect(r.left(), r.top() + 6, r.width(), 22),
                                 JournalPage::tr("taken back"), paint::Tone::Neutral) +
                     6;
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        const paint::Mirror side(*p, r);
        int width = right - r.left() - 14;
        p->drawText(side(QRect(r.left() + 14, r.top() + 8, width, 18)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(spoken(entry.title()), Qt::ElideRight, width));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        QString when = QLocale().toString(QDateTime::fromSecsSinceEpoch(entry.when()), "d MMM yyyy, HH:mm");
        const QString what = written ? JournalPage::tr("%n file(s) written", "",
                                                       static_cast<int>(entry.set.done + entry.set.takenBack))
                                     : JournalPage::tr("in the library only");
        p->drawText(side(QRect(r.left() + 14, r.top() + 29, r.width() - 22, 18)),
                    Qt::AlignVCenter | Qt::AlignLeft, JournalPage::tr("%1 \u00B7 %2").arg(when, what));
        p->restore();
    }

private:
    /// Returns where there is still room.
    int setPills(QPainter* p, const library::SetSummary& s, const QRect& r, int right) const {
        if (s.takenBack > 0)
            right -=
                paint::pill(*p, right, QRect(r.left(), r.top() + 6, r.width(), 22),
                            s.done > 0 ? JournalPage::tr("partly taken back") : JournalPage::tr("taken back"),
                            paint::Tone::Neutral) +
                6;
        const auto& next = use_.journal.use().next;
        bool goes = std::any_of(next.begin(), next.end(), [&](const auto& n) { return n.id == s.id; });
        if (s.dropped || goes)
            right -= paint::pill(*p, right, QRect(r.left(), r.top() + 6, r.width(), 22),
                                 s.dropped ? JournalPage::tr("no longer kept")
                                           : JournalPage::tr("goes with the next write"),
                                 s.dropped ? paint::Tone::Neutral : paint::Tone::Attention) +
                     6;
        if (s.setAside > 0)
            right -= paint::pill(*p, right, QRect(r.left(), r.top() + 6, r.width(), 22),
                                 JournalPage::tr("%n set aside", "", static_cast<int>(s.setAside)),
                                 paint::Tone::Wrong) +
                     6;
        if (s.failed > 0)
            right -= paint::pill(*p, right, QRect(r.left(), r.top() + 6, r.width(), 22),
                                 JournalPage::tr("%n left out", "", static_cast<int>(s.failed)),
                                 paint::Tone::Attention) +
                     6;
        return right;
    }

    JournalPage::Uses use_;
};

} // namespace

JournalPage::JournalPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* head = new QHBoxLayout;
    title_ = label(tr("Journal"), "title");
    note_ = label({}, "quiet");
    takeBackChosen_ = button(tr("Take back chosen files"));
    takeBack_ = button(tr("Take back the whole set"));
    head->addWidget(title_);
    head->addWidget(note_, 1);
    head->addWidget(takeBackChosen_);
    head->addWidget(takeBack_);
    list_ = new QListWidget;
    list_->setItemDelegate(new SetDelegate(use_, list_));
    list_->setUniformItemSizes(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setAccessibleName(tr("What was written or changed"));
    list_->setMinimumWidth(220);
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("File and field"), tr("After"), tr("Before"), tr("State")});
    tree_->setAccessibleName(tr("Files of the set"));
    showsPictures(tree_);
    tree_->header()->resizeSection(What, 260);
    tree_->header()->resizeSection(After, 260);
    tree_->header()->resizeSection(Before, 240);
    remember(tree_->header(), "journal 2");
    auto* splitter = new QSplitter;
    splitter->addWidget(list_);
    splitter->addWidget(tree_);
    splitter->setStretchFactor(1, 1);
    splitter->setSizes({300, 900});
    remember(splitter, "journal");
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(splitter);
    stack_->addWidget(new EmptyHint("journal", tr("Nothing has been written yet"),
                                    tr("Every write and every change of what the library keeps becomes a "
                                       "line here, with what it replaced, "
                                       "and can be taken back from here.")));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(stack_, 1);
    connect(&use_.journal, &JournalController::changed, this, &JournalPage::refill);
    connect(list_, &QListWidget::currentRowChanged, this, &JournalPage::readSteps);
    connect(takeBack_, &QPushButton::clicked, this, [this] { takeBack(false); });
    connect(takeBackChosen_, &QPushButton::clicked, this, [this] { takeBack(true); });
    connect(tree_, &QTreeWidget::itemSelectionChanged, this,
            [this] { takeBackChosen_->setEnabled(!tree_->selectedItems().isEmpty()); });
    refill();
}

void JournalPage::refill() {
    list_->blockSignals(true);
    list_->clear();
    int row = 0, at = 0;
    for (const JournalEntry& entry : use_.journal.entries()) {
        auto* item = new QListWidgetItem(list_);
        item->setData(Qt::AccessibleTextRole, spoken(entry.title()));
        if (std::pair(entry.kind, entry.id()) == shown_)
            at = row;
        ++row;
    }
    list_->blockSignals(false);
    stack_->setCurrentIndex(row == 0 ? 1 : 0);
    takeBack_->setVisible(row > 0);
    if (row == 0)
        takeBackChosen_->hide();
    if (row > 0)
        list_->setCurrentRow(at);
    note_->setText(row == 0 ? QString() : tr("%n change(s), newest first", "", row));
    readSteps();
}

const JournalEntry* JournalPage::chosen() const {
    const int row = list_->currentRow();
    const auto& all = use_.journal.entries();
    return row < 0 || row >= static_cast<int>(all.size()) ? nullptr : &all[static_cast<size_t>(row)];
}

void JournalPage::readSteps() {
    const JournalEntry* entry = chosen();
    if (!entry)
        return;
    shown_ = {entry->kind, entry->id()};
    const bool written = entry->kind == JournalEntry::Written;
    takeBack_->setText(written ? tr("Take back the whole set") : tr("Take back this change"));
    takeBackChosen_->setVisible(written);
    auto isShown = [this, wanted = shown_] { return wanted == shown_; };
    if (written)
        use_.journal.readSteps(this, entry->id(), [this, isShown](std::vector<library::SetStep> steps) {
            if (isShown())
                showSteps(std::move(steps));
        });
    else
        use_.journal.readParts(
            this, entry->id(),
            [this, isShown, change = entry->change](const std::vector<library::ChangePart>& parts) {
                if (isShown())
                    showParts(change, parts);
            });
}

void JournalPage::showParts(const library::LibraryChange& change,
                            const std::vector<library::ChangePart>& parts) {
    const auto& c = theme::colours();
    tree_->setUpdatesEnabled(false);
    tree_->clear();
    QTreeWidgetItem* item = nullptr;
    for (const library::ChangePart& part : parts) {
        const bool top = part.kind == library::ChangePart::Kind::Children && part.subject == 0;
        const QString shown = top                  ? tr("Collections")
                              : part.shown.empty() ? tr("Without a file")
                                                   : qs(part.shown);
        if (!item || item->text(What) != shown) {
            item = new QTreeWidgetItem(tree_,
                                       {shown, {}, {}, change.takenBack ? tr("taken back") : tr("changed")});
            item->setForeground(State, change.takenBack ? c.second : c.moss);
        }
        auto* line = new QTreeWidgetItem(
            item, {partName(part), partText(part, part.after), partText(part, part.before)});
        line->setForeground(What, c.second);
        line->setForeground(Before, c.second);
        line->setFlags(Qt::ItemIsEnabled);
    }
    if (parts.size() <= 400)
        tree_->expandAll();
    tree_->setUpdatesEnabled(true);
    takeBack_->setEnabled(!change.takenBack);
}

void JournalPage::showSteps(std::vector<library::SetStep> steps) {
    const auto& c = theme::colours();
    tree_->setUpdatesEnabled(false);
    tree_->clear();
    bool canTakeBack = false;
    for (const library::SetStep& step : steps) {
        const files::StepRecord& r = step.record;
        auto* item = new QTreeWidgetItem(tree_);
        item->setData(What, numberRole, static_cast<qulonglong>(step.number));
        item->setText(What, shownName(r.step.source));
        item->setFont(What, theme::monoFont());
        item->setToolTip(What, shownPath(r.step.source));
        static const char* const states[] = {QT_TR_NOOP("not begun"),  QT_TR_NOOP("begun"),
                                             QT_TR_NOOP("written"),    QT_TR_NOOP("left as before"),
                                             QT_TR_NOOP("taken back"), QT_TR_NOOP("set aside")};
        QString state = tr(states[static_cast<size_t>(r.state)]);
        if (!r.error.empty())
            state += ": " + spoken(r.error);
        item->setText(State, state);
        item->setToolTip(State, state);
        bool done = r.state == files::StepState::Done;
        canTakeBack = canTakeBack || done;
        bool wrong = r.state == files::StepState::Failed || r.state == files::StepState::SetAside;
        item->setForeground(State, done ? c.moss : wrong ? c.rowan : c.second);
        auto child = [&](const QString& what, const QString& after, const QString& before, bool mono) {
            auto* line = new QTreeWidgetItem(item, {what, after, before});
            line->setForeground(What, c.second);
            line->setForeground(Before, c.second);
            if (mono) {
                line->setFont(After, theme::monoFont());
                line->setFont(Before, theme::monoFont());
            }
            line->setToolTip(After, after);
            line->setToolTip(Before, before);
            line->setFlags(Qt::ItemIsEnabled);
        };
        if (!r.step.target.empty())
            child(r.step.made   ? tr("Made as")
                  : r.step.copy ? tr("Copied to")
                                : tr("Place"),
                  use_.shelves.placeText(r.step.target),
                  r.step.made ? tr("nothing") : use_.shelves.placeText(r.step.source), true);
        std::vector<std::string> keys;
        for (const auto& [key, values] : r.step.changes)
            keys.push_back(key);
        for (const std::string& key : inTableOrder(keys)) {
            const std::vector<std::string>& values = r.step.changes.find(key)->second;
            if (tags::isPictureKey(key)) {
                child(fieldLabel(key), {}, {}, false);
                QTreeWidgetItem* line = item->child(item->childCount() - 1);
                const Path& now = r.step.target.empty() ? r.step.source : r.step.target;
                auto cell = [&](const tags::Fields& fields) {
                    const auto it = fields.find(key);
                    return PictureCell{it == fields.end() ? std::vector<tags::PictureInfo>()
                                                          : tags::picturesIn({{key, it->second}}),
                                       use_.pictures.folder(), now};
                };
                setPictures(line, After, cell({{key, values}}));
                setPictures(line, Before, cell(r.before));
                continue;
            }
            QString after = qs(tags::shownValues(values)), before = qs(tags::shownValue(r.before, key));
            child(fieldLabel(key), after.isEmpty() ? tr("blank") : after,
                  before.isEmpty() ? tr("blank") : before, false);
        }
        for (const std::string& note : r.notes) { // what had to be done otherwise, or in spite of something
            auto* line = new QTreeWidgetItem(item, {spoken(note)});
            line->setFirstColumnSpanned(true);
            line->setForeground(What, c.second);
            line->setToolTip(What, spoken(note));
            line->setFlags(Qt::ItemIsEnabled);
        }
    }
    if (steps.size() <= 400)
        tree_->expandAll();
    tree_->setUpdatesEnabled(true);
    takeBack_->setEnabled(canTakeBack);
    takeBackChosen_->setEnabled(false);
}

void JournalPage::takeBack(bool onlyChosen) {
    if (shown_.first == JournalEntry::Kept) {
        use_.kept.takeBack(shown_.second);
        return;
    }
    std::optional<std::set<size_t>> steps;
    if (onlyChosen) {
        steps.emplace();
        for (QTreeWidgetItem* item : tree_->selectedItems())
            if (!item->parent())
                steps->insert(item->data(What, numberRole).toULongLong());
    }
    use_.writing.takeBack(shown_.second, steps);
}

} // namespace moorfrost::app
