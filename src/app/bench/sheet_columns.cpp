// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/sheet_columns.h"

#include <QHeaderView>
#include <QMenu>
#include <QSettings>

#include "app/shell/text_utils.h"
#include "app/widgets/field_sets.h"

namespace moorfrost::app {

namespace {

const QString group = "describe/columns";
const std::vector<std::string> preset = {nameColumn, "track",        "title", "artist", "album",
                                         "date",     "album_artist", "genre", "disc",   "isrc"};

int usualWidth(const std::string& key) {
    const tags::FieldDef* def = tags::fieldByKey(key);
    return def ? def->columnWidth : key == nameColumn ? 146 : key == picturesColumn ? 190 : 90;
}

} // namespace

SheetColumns::SheetColumns(SheetModel* model, SheetView* view, const CustomFields& customFields)
    : QObject(view), model_(model), view_(view), customFields_(customFields) {
    connect(view_->horizontalHeader(), &QHeaderView::sectionMoved, this, &SheetColumns::remember);
    connect(view_->horizontalHeader(), &QHeaderView::sectionResized, this,
            [this](int section, int, int width) {
                if (!placing_ && section < model_->columnCount() && width > 0)
                    QSettings().setValue("describe/widths/" + qs(model_->keyAt(section)), width);
            });
    connect(&customFields_, &CustomFields::changed, this, [this] { show(inSight()); }); // other labels
    show(shownFields(group, preset));
}

std::vector<std::string> SheetColumns::inSight() const {
    std::vector<std::string> out;
    for (int place = 0; place < model_->columnCount(); ++place)
        out.push_back(model_->keyAt(view_->horizontalHeader()->logicalIndex(place)));
    return out;
}

void SheetColumns::remember() {
    if (!placing_)
        setShownFields(group, inSight());
}

void SheetColumns::show(const std::vector<std::string>& columns) {
    placing_ = true;
    model_->setColumns(columns);
    QHeaderView* header = view_->horizontalHeader();
    for (int c = 0; c < model_->columnCount(); ++c)
        if (const int place = header->visualIndex(c); place != c)
            header->moveSection(place, c);
    const QSettings settings;
    for (int c = 0; c < model_->columnCount(); ++c) {
        const std::string& key = model_->keyAt(c);
        const int width = settings.value("describe/widths/" + qs(key), usualWidth(key)).toInt();
        view_->setColumnWidth(c, std::clamp(width, 36, 2000));
    }
    placing_ = false;
    remember();
    emit changed();
}

std::vector<std::string> SheetColumns::all() const {
    std::vector<std::string> out = {nameColumn, lengthColumn, formatColumn, kindColumn, placeColumn};
    for (const std::string& key : model_->ownColumns())
        out.push_back(key);
    for (const tags::FieldDef& def : tags::fieldTable())
        out.push_back(def.key);
    for (const std::string& key : customFields_.keys())
        out.push_back(key);
    return out;
}

void SheetColumns::choose(QWidget* parent) {
    FieldSetDialog dialog(
        tr("Columns of the sheet"), group, all(), inSight(),
        [](const std::string& key) { return key[0] == '@' ? columnLabel(key) : fieldLabel(key); }, parent);
    if (dialog.exec() == QDialog::Accepted && !dialog.chosen().empty())
        show(dialog.chosen());
}

void SheetColumns::fillMenu(QMenu* menu, QWidget* parent) {
    menu->clear();
    for (const FieldSet& set : fieldSets(group)) {
        QAction* action = menu->addAction(QString(set.name).replace('&', "&&"), this,
                                          [this, keys = set.keys] { show(keys); });
        action->setCheckable(true);
        action->setChecked(set.keys == inSight());
    }
    menu->addSeparator();
    menu->addAction(tr("The usual columns"), this, [this] { show(preset); });
    menu->addAction(tr("Choose columns\u2026"), this, [this, parent] { choose(parent); });
}

} // namespace moorfrost::app
