// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields_line.h"

#include <algorithm>

#include <QHBoxLayout>
#include <QLineEdit>
#include <QMenu>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "core/tags/fields.h"

namespace moorfrost::app {

FieldsLine::FieldsLine(std::vector<std::string> customKeys, QWidget* parent)
    : QWidget(parent), custom_(std::move(customKeys)) {
    edit_ = new QLineEdit;
    edit_->setPlaceholderText(tr("Fields, with commas between them"));
    edit_->setAccessibleName(tr("Fields"));
    auto* add = iconButton("plus", tr("Choose fields"));
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(edit_, 1);
    layout->addWidget(add);
    connect(edit_, &QLineEdit::textEdited, this, &FieldsLine::changed);
    connect(add, &QToolButton::clicked, this, &FieldsLine::showMenu);
}

void FieldsLine::setKeys(const std::vector<std::string>& keys) {
    QStringList names;
    for (const std::string& key : keys)
        names << fieldLabel(key);
    edit_->setText(names.join(", "));
}

std::vector<std::string> FieldsLine::keys() const {
    std::vector<std::string> out;
    for (const QString& part : edit_->text().split(',')) {
        const std::string name = ss(part.simplified());
        if (name.empty())
            continue;
        std::string key = tags::keyFromName(name);
        for (const tags::FieldDef& def : tags::fieldTable()) // as it is called in the user's language
            if (fieldLabel(def.key).compare(qs(name), Qt::CaseInsensitive) == 0)
                key = def.key;
        if (std::find(out.begin(), out.end(), key) == out.end())
            out.push_back(key);
    }
    return out;
}

void FieldsLine::showMenu() {
    QMenu menu(this);
    std::vector<std::string> all;
    for (const tags::FieldDef& def : tags::fieldTable())
        all.push_back(def.key);
    all.insert(all.end(), custom_.begin(), custom_.end());
    const std::vector<std::string> chosen = keys();
    for (const std::string& key : all) {
        QAction* action = menu.addAction(fieldLabel(key));
        action->setCheckable(true);
        action->setChecked(std::find(chosen.begin(), chosen.end(), key) != chosen.end());
        connect(action, &QAction::toggled, this, [this, key](bool on) {
            std::vector<std::string> next = keys();
            on ? next.push_back(key) : static_cast<void>(std::erase(next, key));
            setKeys(next);
            emit changed();
        });
    }
    menu.exec(mapToGlobal(rect().bottomLeft()));
}

} // namespace moorfrost::app
