// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/mirror_rules.h"

#include <QGridLayout>
#include <QLabel>

#include "app/widgets/controls.h"
#include "app/widgets/field_picker.h"
#include "app/widgets/judging_box.h"
#include "core/library/mirror.h"
#include "core/library/records.h"
#include "core/library/releases/release_tags.h"
#include "core/tags/custom_fields.h"

namespace moorfrost::app {

namespace settings = library::settings;

MirrorRules::MirrorRules(LibrarySettings& use, QWidget* parent) : QWidget(parent), settings_(use) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(16);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(2, 1);
    grid->setColumnMinimumWidth(1, 180);
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

ReleaseMirrorRules::ReleaseMirrorRules(LibrarySettings& use, QWidget* parent)
    : QWidget(parent), settings_(use) {
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(24);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(2, 1);
    std::vector<std::pair<std::string, QString>> all;
    auto fieldName = [](const char* key) {
        const tags::FieldDef* def = tags::fieldByKey(key);
        return def ? tr(def->label.c_str()) : QString(key);
    };
    for (const library::FactDef& def : library::releaseFacts())
        if (*def.field)
            all.emplace_back(def.key, tr("%1 \u2192 %2").arg(tr(def.label), fieldName(def.field)));
    all.emplace_back(library::mediaFact, tr("%1 \u2192 %2").arg(tr("Carrier"), fieldName("carrier")));
    const QString names[] = {tr("Title of the track"), tr("Artist of the track"), tr("Place of the track"),
                             tr("Code of the recording")};
    for (size_t i = 0; i < library::trackFacts().size(); ++i)
        all.emplace_back(
            library::trackFacts()[i].first,
            tr("%1 \u2192 %2").arg(names[i], fieldName(library::trackFacts()[i].second.c_str())));
    const auto rows = static_cast<int>((all.size() + 1) / 2);
    for (size_t i = 0; i < all.size(); ++i) {
        auto* box = new QCheckBox(all[i].second);
        boxes_[all[i].first] = box;
        grid->addWidget(box, static_cast<int>(i) % rows, static_cast<int>(i) / rows);
        connect(box, &QCheckBox::toggled, this, &ReleaseMirrorRules::keep);
    }
    connect(&settings_, &LibrarySettings::loaded, this, &ReleaseMirrorRules::load);
    load();
}

void ReleaseMirrorRules::load() {
    const auto leftOut = settings_.get(settings::releaseFactsLeftOut);
    for (const auto& [key, box] : boxes_) {
        const QSignalBlocker quiet(box);
        box->setChecked(std::ranges::find(leftOut, key) == leftOut.end());
    }
}

void ReleaseMirrorRules::keep() {
    std::vector<std::string> leftOut;
    for (const auto& [key, box] : boxes_)
        if (!box->isChecked())
            leftOut.push_back(key);
    settings_.set(settings::releaseFactsLeftOut, leftOut);
}

} // namespace moorfrost::app
