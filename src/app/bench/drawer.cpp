// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/drawer.h"

#include <QGridLayout>
#include <QMenu>
#include <QScrollArea>

#include "app/shell/parts.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/custom_field_dialog.h"
#include "app/widgets/field_box.h"
#include "app/widgets/field_sets.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {
const QString group = "drawer/fields";
const std::vector<std::string> preset = {
    "title",    "artist", "album_artist",     "album", "track",  "tracks", "disc", "date", "genre",
    "composer", "label",  "catalogue_number", "isrc",  "comment"};
} // namespace

Drawer::Drawer(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("drawer");
    setMinimumWidth(250);
    pictures_ = new PictureBox({use_.files, use_.drafts, use_.pictures});

    count_ = label({}, "caption");
    form_ = new QWidget;
    grid_ = new QGridLayout(form_);
    grid_->setContentsMargins(14, 0, 14, 0);
    grid_->setHorizontalSpacing(8);
    grid_->setVerticalSpacing(5);
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName(tr("Fields of the chosen files"));
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(form_);

    auto* add = button(tr("Add field\u2026"));
    auto* choose = button(tr("Fields \u25BE"), "flat");
    choose->setMenu(new QMenu(choose));
    choose->setAccessibleName(tr("Which fields are shown, and all of them together"));
    auto* bottom = new QHBoxLayout;
    bottom->addWidget(flowing({add, choose}, 8));
    bottom->setContentsMargins(14, 8, 14, 8);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    layout->addWidget(pictures_);
    count_->setContentsMargins(14, 2, 14, 0);
    layout->addWidget(count_);
    layout->addWidget(scroll, 1);
    layout->addLayout(bottom);

    keys_ = shownFields(group, preset);
    rebuildFields();
    connect(add, &QPushButton::clicked, this, [this, add] {
        QMenu menu(this);
        for (const tags::FieldDef& def : tags::fieldTable())
            if (std::find(keys_.begin(), keys_.end(), def.key) == keys_.end())
                menu.addAction(fieldLabel(def.key), [this, key = def.key] { addField(key); });
        menu.addSeparator();
        for (const std::string& key : use_.customFields.keys())
            if (std::ranges::find(keys_, key) == keys_.end())
                menu.addAction(fieldLabel(key), [this, key] { addField(key); });
        menu.addAction(tr("A new custom field\u2026"), [this] {
            if (const std::string key = CustomFieldDialog::ask(use_.customFields, {}, this); !key.empty())
                addField(key);
        });
        menu.exec(add->mapToGlobal(QPoint(0, add->height())));
    });
    connect(choose->menu(), &QMenu::aboutToShow, this, [this, choose] { fillLayouts(choose->menu()); });
    connect(&use_.customFields, &CustomFields::changed, this, &Drawer::rebuildFields);
    connect(pictures_, &PictureBox::referenceWanted, this, &Drawer::referencePicturesWanted);
    markAsPart(pictures_);
    markAsPart(form_);
    setFiles({});
}

void Drawer::addField(const std::string& key) {
    if (std::find(keys_.begin(), keys_.end(), key) == keys_.end())
        keys_.push_back(key);
    rebuildFields();
    for (FieldBox* box : boxes_)
        if (box->key() == key)
            box->setFocus();
}

std::vector<std::string> Drawer::allKeys() const {
    std::vector<std::string> all;
    for (const tags::FieldDef& def : tags::fieldTable())
        all.push_back(def.key);
    for (const std::string& key : use_.customFields.keys())
        all.push_back(key);
    return all;
}

void Drawer::showFields(std::vector<std::string> keys) {
    keys_ = std::move(keys);
    rebuildFields();
}

void Drawer::chooseFields() {
    FieldSetDialog dialog(tr("Fields of the drawer"), group, allKeys(), keys_, fieldLabel, this);
    if (dialog.exec() == QDialog::Accepted)
        showFields(dialog.chosen());
}

void Drawer::fillLayouts(QMenu* menu) {
    menu->clear();
    for (const FieldSet& set : fieldSets(group)) {
        QAction* action = menu->addAction(QString(set.name).replace('&', "&&"), this,
                                          [this, keys = set.keys] { showFields(keys); });
        action->setCheckable(true);
        action->setChecked(set.keys == keys_);
    }
    menu->addSeparator();
    menu->addAction(tr("The usual fields"), this, [this] { showFields(preset); });
    menu->addAction(tr("Choose fields\u2026"), this, &Drawer::chooseFields);
    menu->addSeparator();
    QAction* clear = menu->addAction(tr("Clear all tags of %n file(s)", "", static_cast<int>(files_.size())),
                                     this, &Drawer::clearAll);
    clear->setEnabled(!files_.empty() && !use_.drafts.showsDisk());
    clear->setToolTip(tr("Every field and picture becomes blank, as drafts: nothing is written yet"));
    menu->setToolTipsVisible(true);
}

void Drawer::clearAll() {
    edits::Proposals out;
    for (FileId id : files_) {
        for (const auto& [key, values] : use_.drafts.session().effective(id))
            out.push_back({id, key, {}, ss(tr("cleared"))});
        std::set<std::string> types;
        for (const tags::PictureInfo& p : use_.drafts.session().pictures(id))
            types.insert(tags::pictureKey(p.type));
        for (const std::string& key : types)
            out.push_back({id, key, {}, ss(tr("cleared"))});
    }
    use_.drafts.propose(tr("Clear all tags"), out);
}

void Drawer::rebuildFields() {
    setShownFields(group, keys_);
    for (FieldBox* box : boxes_)
        box->takeTyped();
    while (QLayoutItem* item = grid_->takeAt(0)) {
        if (item->widget())
            item->widget()->deleteLater();
        delete item;
    }
    boxes_.clear();
    int row = 0;
    for (const std::string& key : keys_) {
        auto* name = new ShortLabel(fieldLabel(key));
        name->setObjectName("quiet");
        name->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
        name->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        name->setMinimumWidth(92);
        auto* box = new FieldBox({use_.files, use_.drafts}, key);
        box->setValues(use_.values);
        connect(box, &FieldBox::typed, this, &Drawer::typed);
        name->setBuddy(box);
        box->setFiles(files_);
        connect(box, &FieldBox::refused, this, &Drawer::refused);
        grid_->addWidget(name, row, 0);
        grid_->addWidget(box, row, 1);
        boxes_.push_back(box);
        ++row;
    }
    grid_->setRowStretch(row, 1);
    grid_->setColumnStretch(1, 1);
}

void Drawer::setFiles(const std::vector<FileId>& files) {
    files_ = files;
    for (FieldBox* box : boxes_)
        box->setFiles(files_);
    auto n = static_cast<int>(files_.size());
    count_->setText(
        n == 0   ? tr("No files chosen")
        : n == 1 ? shownName(use_.files.file(files_.front()) ? use_.files.file(files_.front())->path : Path())
                 : tr("%n file(s) together", "", n));
    form_->setEnabled(n > 0);
    pictures_->setFiles(files_);
}

} // namespace moorfrost::app
