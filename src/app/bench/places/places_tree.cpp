// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/places_tree.h"

#include <QApplication>
#include <QHeaderView>
#include <QPainter>
#include <QScrollBar>
#include <QSettings>
#include <QStyledItemDelegate>

#include <algorithm>
#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {

constexpr const char* widthKey = "put away/first column";

/// Lines between rows, pills at the right, the notch where a move is drafted.
class TreeDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& o, const QModelIndex& i) const override {
        return {QStyledItemDelegate::sizeHint(o, i).width(), 28};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem o = option;
        initStyleOption(&o, index);
        const QStyle* style = option.widget ? option.widget->style() : QApplication::style();
        style->drawPrimitive(QStyle::PE_PanelItemViewItem, &o, p, option.widget); // below the pills, too
        int right = option.rect.right() - 8;
        for (const QString& pill : index.data(PlacesModel::PillsRole).toStringList()) {
            // The place where it is now keeps a part of the room.
            const QString text = shortened(pill.section('|', 1), right - option.rect.left() - leastPlace);
            right -= paint::pill(*p, right, option.rect, text,
                                 static_cast<paint::Tone>(pill.section('|', 0, 0).toInt())) +
                     4;
        }
        o.rect.setRight(std::max(right - 4, o.rect.left() + 20));
        o.rect = paint::Mirror(*p, option.rect)(o.rect);
        QStyledItemDelegate::paint(p, o, index);
        if (index.column() == PlacesModel::Future && index.data(PlacesModel::DraftRole).toBool())
            paint::notch(*p, option.rect);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1),
                    theme::colours().faint);
    }

private:
    static constexpr int leastPlace = 90, leastPill = 60;

    static QString shortened(const QString& text, int room) {
        const int wide = paint::pillWidth(text);
        if (wide <= std::max(room, leastPill))
            return text;
        const QFontMetrics metrics(theme::uiFont(11, QFont::DemiBold));
        const int frame = wide - metrics.horizontalAdvance(text);
        return metrics.elidedText(text, Qt::ElideRight, std::max(room, leastPill) - frame);
    }
};

} // namespace

PlacesTree::PlacesTree(std::function<bool(int64_t)> isDrafted, QWidget* parent) : QTreeView(parent) {
    model_ = new PlacesModel(std::move(isDrafted), this);
    setModel(model_);
    prepareTree(this);
    setItemDelegate(new TreeDelegate(this));
    setAccessibleName(tr("The shelf as it will be"));
    header()->setMinimumSectionSize(80);
    wanted_ = QSettings().value(widthKey, wanted_).toInt();
    connect(header(), &QHeaderView::sectionResized, this, [this](int section, int, int width) {
        if (fitting_ || section != PlacesModel::Future)
            return;
        wanted_ = width;
        QSettings().setValue(widthKey, width);
    });
    connect(selectionModel(), &QItemSelectionModel::selectionChanged, this, &PlacesTree::chosenChanged);
}

void PlacesTree::setPlaced(std::shared_ptr<const PlacedFiles> placed, const QString& shelfName) {
    std::set<Path> were;
    for (const size_t file : chosen())
        were.insert(this->placed().at(file).from);
    const int scroll = verticalScrollBar()->value();
    shelfName_ = shelfName;
    model_->show(std::move(placed), shelfName_, shown_);
    expandAll();
    verticalScrollBar()->setValue(scroll);
    if (were.empty() || were.size() > 1000) // a whole shelf is chosen anew by whoever wants it
        return emit chosenChanged();
    QItemSelection again;
    QModelIndex first;
    for (size_t i = 0; i < this->placed().size(); ++i)
        if (were.contains(this->placed().at(i).from))
            if (const QModelIndex index = model_->indexOf(i); index.isValid()) {
                again.select(index, index);
                first = first.isValid() ? first : index;
            }
    if (first.isValid())
        selectionModel()->setCurrentIndex(first, QItemSelectionModel::NoUpdate);
    selectionModel()->select(again, QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    emit chosenChanged();
}

void PlacesTree::resizeEvent(QResizeEvent* event) {
    QTreeView::resizeEvent(event);
    fit();
}

void PlacesTree::fit() {
    fitting_ = true;
    header()->resizeSection(PlacesModel::Future,
                            std::clamp(wanted_, 80, std::max(80, viewport()->width() * 6 / 10)));
    fitting_ = false;
}

void PlacesTree::list() {
    setPlaced(model_->shared(), shelfName_);
}

std::vector<size_t> PlacesTree::inSight() const {
    std::vector<size_t> out;
    const int bottom = viewport()->height();
    for (QModelIndex at = indexAt({1, 1}); at.isValid() && visualRect(at).top() < bottom; at = indexBelow(at))
        if (const std::vector<size_t> below =
                model_->fileAt(at) ? model_->filesBelow(at) : model_->likeOf(at);
            !below.empty())
            out.push_back(below.front());
    return out;
}

void PlacesTree::preview(std::unordered_map<size_t, std::vector<std::string>> parts) {
    model_->preview(std::move(parts));
    viewport()->update();
}

void PlacesTree::filter(Kind kind) {
    if (shown_.kind == kind)
        return;
    shown_.kind = kind;
    list();
    if (kind == PlacedFiles::All)
        return;
    for (const uint32_t file : placed().order())
        if (const QModelIndex index = model_->indexOf(file); index.isValid())
            return scrollTo(index);
}

void PlacesTree::search(const QString& words) {
    std::vector<std::string> folded;
    for (const QString& word : words.split(' ', Qt::SkipEmptyParts))
        folded.push_back(text::fold(ss(word)));
    if (shown_.words == folded)
        return;
    shown_.words = std::move(folded);
    list();
}

std::vector<size_t> PlacesTree::chosen() const {
    std::set<size_t> out;
    for (const QModelIndex& index : selectionModel()->selectedRows())
        for (const size_t file : model_->filesBelow(index))
            out.insert(file);
    return {out.begin(), out.end()};
}

bool PlacesTree::choose(size_t file) {
    const QModelIndex index = model_->indexOf(file);
    if (!index.isValid())
        return false;
    setCurrentIndex(index);
    scrollTo(index);
    return true;
}

} // namespace moorfrost::app
