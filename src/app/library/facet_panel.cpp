// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/facet_panel.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLocale>
#include <QMenu>
#include <QPainter>
#include <QScrollBar>
#include <QSettings>
#include <QStyledItemDelegate>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/paint.h"
#include "app/widgets/sheet.h"
#include "core/library/search/readiness_table.h"

namespace moorfrost::app {

namespace {

enum Role { FieldRole = Qt::UserRole + 1, ValueRole, ChosenRole, CountRole };
constexpr const char* moreField = "@more";
constexpr size_t few = 6, many = 60;

const QStringList defaultFacets = {"genre", "decade", "artist", "label",  "rating",
                                   "used",  "format", "unmet",  "missing"};

QString facetLabel(const std::string& key) {
    static const std::map<std::string, QString> special = {
        {"decade", FacetPanel::tr("Decade")},   {"year", FacetPanel::tr("Year")},
        {"format", FacetPanel::tr("Format")},   {"codec", FacetPanel::tr("Codec")},
        {"kind", FacetPanel::tr("Kind")},       {"missing", FacetPanel::tr("Missing")},
        {"unmet", FacetPanel::tr("Readiness")}, {"lacks", FacetPanel::tr("Rules not met")},
        {"rating", FacetPanel::tr("Rating")},   {"used", FacetPanel::tr("Used in")}};
    auto it = special.find(key);
    return it != special.end() ? it->second : fieldLabel(key);
}

QString valueLabel(const std::string& key, const std::string& value) {
    if (key == "decade")
        return FacetPanel::tr("%1s").arg(qs(value));
    if (key == "unmet")
        return value == "0" ? FacetPanel::tr("Ready")
                            : FacetPanel::tr("%n rule(s) not met", "", std::stoi(value));
    if (key == "rating")
        return starsText(value);
    if (key == "missing")
        return value == "picture"  ? FacetPanel::tr("Picture")
               : value == "rating" ? FacetPanel::tr("Rating")
               : value == "used"   ? FacetPanel::tr("Never used")
                                   : fieldLabel(value);
    if (auto kind = key == "kind" ? matching::kindByName(value) : std::nullopt)
        return kindText(*kind);
    return qs(text::forDisplay(value));
}

class FacetDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
        return {100, index.parent().isValid() ? 24 : index.row() == 0 ? 28 : 36};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const paint::Mirror side(*p, option.rect);
        const QRect r = option.rect.adjusted(14, 0, -12, 0);
        if (!index.parent().isValid()) {
            p->setFont(theme::uiFont(11, QFont::DemiBold));
            p->setPen(c.second);
            p->drawText(side(r.adjusted(0, 0, 0, -5)), Qt::AlignLeft | Qt::AlignBottom,
                        index.data().toString());
            return;
        }
        const bool chosen = index.data(ChosenRole).toBool();
        const bool more = index.data(FieldRole).toString() == moreField;
        if (option.state & (QStyle::State_MouseOver | QStyle::State_HasFocus))
            p->fillRect(option.rect, c.faint);
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(QPen(c.fjord, 1));
            p->drawRect(option.rect.adjusted(0, 0, -1, -1));
        }
        if (chosen) { // colour does not speak alone
            p->fillRect(side(QRect(option.rect.left(), option.rect.top() + 4, 3, option.rect.height() - 8)),
                        c.heather);
        }
        p->setFont(theme::uiFont(13, chosen ? QFont::DemiBold : QFont::Normal));
        QString count = index.data(CountRole).isValid()
                            ? QLocale().toString(index.data(CountRole).toULongLong())
                            : QString();
        int countWidth = p->fontMetrics().horizontalAdvance(count) + (count.isEmpty() ? 0 : 8);
        p->setPen(chosen ? c.heather : more ? c.fjord : c.ink);
        QRect text = r.adjusted(0, 0, -countWidth, 0);
        p->drawText(side(text), Qt::AlignLeft | Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, text.width()));
        p->setPen(chosen ? c.heather : c.second);
        p->drawText(side(r), Qt::AlignRight | Qt::AlignVCenter, count);
    }
};

} // namespace

FacetPanel::FacetPanel(QWidget* parent) : QTreeWidget(parent) {
    setObjectName("facets");
    setAccessibleName(tr("Narrow the result"));
    setColumnCount(1);
    header()->hide();
    setRootIsDecorated(false);
    setIndentation(0);
    setItemsExpandable(false);
    setMouseTracking(true);
    setSelectionMode(QAbstractItemView::NoSelection);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setItemDelegate(new FacetDelegate(this));
    setMinimumWidth(150);
    for (const QString& key : QSettings().value("library/facets", defaultFacets).toStringList())
        keys_.push_back(ss(key));
    connect(this, &QTreeWidget::itemClicked, this, &FacetPanel::activate);
}

const std::vector<std::string>& FacetPanel::missingKeys() {
    static const std::vector<std::string> keys = {"isrc",   "picture", "date",  "genre",  "label",
                                                  "artist", "title",   "album", "rating", "used"};
    return keys;
}

size_t FacetPanel::mostOf(const std::string& key) const {
    return unfolded_.contains(key) ? many : few;
}

void FacetPanel::show(const library::Query& query, const std::vector<FacetCounts>& facets) {
    const QString current = currentItem() ? currentItem()->data(0, ValueRole).toString() : QString();
    const QString currentField = currentItem() ? currentItem()->data(0, FieldRole).toString() : QString();
    const int scrolled = verticalScrollBar() ? verticalScrollBar()->value() : 0;
    clear();
    auto add = [&](QTreeWidgetItem* under, const QString& label, const std::string& field,
                   const std::string& value, std::optional<size_t> count, bool isChosen) {
        auto* item = new QTreeWidgetItem(under, {label});
        item->setData(0, FieldRole, qs(field));
        item->setData(0, ValueRole, qs(value));
        item->setData(0, ChosenRole, isChosen);
        if (count)
            item->setData(0, CountRole, static_cast<qulonglong>(*count));
        item->setToolTip(0, label);
        item->setData(0, Qt::AccessibleTextRole, isChosen ? tr("%1, chosen").arg(label) : label);
        if (!currentField.isEmpty() && currentField == qs(field) && current == qs(value))
            setCurrentItem(item);
    };
    for (const FacetCounts& f : facets) {
        auto* top = new QTreeWidgetItem(this, {facetLabel(f.key)});
        top->setFlags(Qt::ItemIsEnabled);
        std::vector<library::FacetValue> values = f.values;
        if (f.key == "rating") // as they are thought of, not by how many have them
            std::ranges::sort(values, [](const auto& a, const auto& b) { return a.value > b.value; });
        for (const library::FacetValue& v : values) {
            bool isChosen = library::isChosen(query, f.key, v.value);
            if (v.count > 0 || isChosen)
                add(top, valueLabel(f.key, v.value), f.key, v.value, v.count, isChosen);
        }
        if (f.values.size() >= few && f.key != "missing") {
            bool open = unfolded_.contains(f.key);
            add(top, open ? tr("Fewer") : tr("More \u2026"), moreField, f.key, std::nullopt, false);
        }
        if (top->childCount() == 0)
            add(top,
                library::isAboutReadiness(f.key) && !measured_ ? tr("being worked out\u2026") : tr("none"),
                "", "", std::nullopt, false);
    }
    expandAll();
    verticalScrollBar()->setValue(scrolled);
}

void FacetPanel::activate(QTreeWidgetItem* item) {
    if (!item || !item->parent())
        return;
    std::string field = ss(item->data(0, FieldRole).toString()),
                value = ss(item->data(0, ValueRole).toString());
    if (field == moreField) {
        if (!unfolded_.erase(value))
            unfolded_.insert(value);
        emit keysChanged();
    } else if (!field.empty()) {
        emit chosen(field, value);
    }
}

void FacetPanel::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space || event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        activate(currentItem());
    else
        QTreeWidget::keyPressEvent(event);
}

void FacetPanel::resizeEvent(QResizeEvent* event) {
    QTreeWidget::resizeEvent(event);
    constexpr int caption = 36; // alone it is not worth being scrolled away
    if (verticalScrollBar()->value() <= caption)
        verticalScrollBar()->setValue(0);
}

void FacetPanel::contextMenuEvent(QContextMenuEvent* event) {
    chooseFacets(event->globalPos());
}

void FacetPanel::chooseFacets(const QPoint& global) {
    QMenu menu(this);
    std::vector<std::string> all = {"decade", "year", "format", "codec", "kind",
                                    "rating", "used", "unmet",  "lacks", "missing"};
    for (const tags::FieldDef& def : tags::fieldTable())
        if (def.kind == tags::FieldKind::Text || def.kind == tags::FieldKind::Flag)
            if (def.key != "title" && !def.key.ends_with("_sort"))
                all.push_back(def.key);
    all.insert(all.end(), custom_.begin(), custom_.end());
    for (const std::string& key : all) {
        QAction* action = menu.addAction(facetLabel(key));
        action->setCheckable(true);
        action->setChecked(std::find(keys_.begin(), keys_.end(), key) != keys_.end());
        connect(action, &QAction::toggled, this, [this, key](bool on) {
            on ? keys_.push_back(key) : static_cast<void>(std::erase(keys_, key));
            QStringList stored;
            for (const std::string& k : keys_)
                stored << qs(k);
            QSettings().setValue("library/facets", stored);
            emit keysChanged();
        });
    }
    menu.exec(global);
}

} // namespace moorfrost::app
