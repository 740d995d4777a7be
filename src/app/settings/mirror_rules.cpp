// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/mirror_rules.h"

#include <QGridLayout>
#include <QLabel>

#include "app/widgets/controls.h"
#include "app/widgets/field_picker.h"
#include "app/widgets/judging_box.h"
#include "core/library/mirror.h"
#include "core/library/records.h"
#include "core/tags/custom_fields.h"

namespace moorfrost::app {

namespace settings = library::settings;

MirrorRules::MirrorRules(LibrarySettings& use, QWidget* parent) : QWidget(parent), settings_(use) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(16);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(2, 1);
    int row = 0;
    for (const std::string& kept : library::mirrorable()) {
        auto* picker = new FieldPicker(false);
        std::vector<std::string> keys;
        for (const tags::FieldDef& def : tags::fieldTable())
            if (def.kind == tags::FieldKind::Text)
                keys.push_back(def.key);
        // As a field of its own name.
        if (std::ranges::find(keys, kept) == keys.end())
            keys.push_back(kept);
        picker->setMinimumWidth(180);
        picker->setKeys(keys);
        picker->setNothing(tr("not in tags"));
        pickers_[kept] = picker;
        grid->addWidget(label(kept == library::kindField ? tr("Kind") : keptName(kept), ""), row, 0);
        grid->addWidget(picker, row, 1);
        ++row;
        connect(picker, &FieldPicker::changed, this, &MirrorRules::keep);
    }
    connect(&settings_, &LibrarySettings::loaded, this, &MirrorRules::load);
    load();
}

void MirrorRules::load() {
    std::map<std::string, std::string> fields;
    for (const library::MirrorRule& rule : library::mirrorRulesFrom(settings_.get(settings::mirrorRules)))
        fields[rule.kept] = rule.field;
    for (const auto& [kept, picker] : pickers_) {
        const QSignalBlocker quiet(picker);
        const auto it = fields.find(kept);
        picker->setChosen(it == fields.end() ? std::vector<std::string>()
                                             : std::vector<std::string>{it->second});
    }
}

void MirrorRules::keep() {
    std::vector<library::MirrorRule> rules;
    for (const std::string& kept : library::mirrorable())
        if (const auto& chosen = pickers_[kept]->chosen(); !chosen.empty())
            rules.push_back({kept, chosen.front()});
    settings_.set(settings::mirrorRules, library::mirrorTexts(rules));
    load(); // a field that two would become is one's only
}

} // namespace moorfrost::app
