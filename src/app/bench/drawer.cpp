// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/drawer.h"

#include <QGridLayout>
#include <QInputDialog>
#include <QMenu>
#include <QScrollArea>
#include <QSettings>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/field_box.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {
const QStringList defaultFields = {"title", "artist", "album_artist", "album",    "track", "tracks",
                                   "disc",  "date",   "genre",        "composer", "label", "catalogue_number",
                                   "isrc",  "comment"};
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

    auto* bottom = new QHBoxLayout;
    auto* add = button(tr("Add field\u2026"));
    auto* choose = button(tr("Fields shown\u2026"), "flat");
    bottom->addWidget(add);
    bottom->addWidget(choose);
    bottom->addStretch();
    bottom->setContentsMargins(14, 8, 14, 8);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    layout->addWidget(pictures_);
    count_->setContentsMargins(14, 2, 14, 0);
    layout->addWidget(count_);
    layout->addWidget(scroll, 1);
    layout->addLayout(bottom);

    for (const QString& key : QSettings().value("drawer/fields", defaultFields).toStringList())
        keys_.push_back(ss(key));
    rebuildFields();
    connect(add, &QPushButton::clicked, this, [this, add] {
        QMenu menu(this);
        for (const tags::FieldDef& def : tags::fieldTable())
            if (std::find(keys_.begin(), keys_.end(), def.key) == keys_.end())
                menu.addAction(fieldLabel(def.key), [this, key = def.key] { addField(key); });
        menu.addSeparator();
        menu.addAction(tr("A field of your own\u2026"), [this] {
            QString name = QInputDialog::getText(this, tr("A field of your own"), tr("Name:"));
            if (name.trimmed().isEmpty())
                return;
            std::string key = tags::keyFromName(ss(name));
            if (std::string why = tags::whyNotValid(key, {}); !why.empty())
                emit refused(qs(why));
            else
                addField(key);
        });
        menu.exec(add->mapToGlobal(QPoint(0, add->height())));
    });
    connect(choose, &QPushButton::clicked, this, &Drawer::chooseFields);
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

void Drawer::chooseFields() {
    QMenu menu(this);
    menu.setToolTipsVisible(true);
    std::vector<std::string> all;
    for (const tags::FieldDef& def : tags::fieldTable())
        all.push_back(def.key);
    for (const std::string& key : use_.customFields.keys())
        all.push_back(key);
    for (const std::string& key : all) {
        QAction* action = menu.addAction(fieldLabel(key));
        action->setCheckable(true);
        action->setChecked(std::find(keys_.begin(), keys_.end(), key) != keys_.end());
        connect(action, &QAction::toggled, this, [this, key](bool on) {
            if (on)
                keys_.push_back(key);
            else
                std::erase(keys_, key);
            rebuildFields();
        });
    }
    menu.exec(QCursor::pos());
}

void Drawer::rebuildFields() {
    QStringList stored;
    for (const std::string& key : keys_)
        stored << qs(key);
    QSettings().setValue("drawer/fields", stored);
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
        auto* name = label(fieldLabel(key), "quiet");
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
