// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/custom_fields.h"

#include <algorithm>
#include <set>

#include "app/control/messages.h"
#include "app/shell/core_sentences.h"
#include "core/library/described_fields.h"

namespace moorfrost::app {

namespace settings = library::settings;

CustomFields::CustomFields(LibrarySettings& settings, const FilesController& files,
                           const DraftsController& drafts, const LibraryIndex& index, Messages& messages)
    : settings_(settings), files_(files), drafts_(drafts), index_(index), messages_(messages) {
    connect(&settings_, &LibrarySettings::loaded, this, &CustomFields::load);
}

void CustomFields::load() {
    const std::string kept = settings_.get(settings::customFields);
    std::vector<tags::CustomField> fields;
    if (!kept.empty()) {
        if (auto read = tags::customFieldsFromJson(kept))
            fields = std::move(*read);
        else
            messages_.say(tr("The custom fields of the library could not be read: they are shown as text, "
                             "under their names in files. %1")
                              .arg(spoken(read.error().message)),
                          true);
    }
    tags::defineCustomFields(fields);
    if (std::exchange(described_, fields) != fields)
        emit changed();
}

std::vector<std::string> CustomFields::keys() const {
    std::set<std::string> found;
    if (auto searcher = index_.searcher())
        for (const std::string& key : searcher->customFields())
            found.insert(key);
    files_.known().each([&](const FilePtr& f) {
        for (const auto& [key, values] : f->tags.fields)
            if (!tags::isStandard(key))
                found.insert(key);
    });
    for (const auto& [id, fields] : drafts_.session().all())
        for (const auto& [key, draft] : fields)
            if (key != library::placeKey && !tags::isStandard(key) && !tags::isPictureKey(key))
                found.insert(key);
    return tags::withDescribed({found.begin(), found.end()});
}

const tags::CustomField* CustomFields::find(const std::string& key) const {
    const auto it = std::ranges::find(described_, key, &tags::CustomField::key);
    return it == described_.end() ? nullptr : &*it;
}

QString CustomFields::whyNot(const tags::CustomField& field, const std::string& was) const {
    std::vector<tags::CustomField> others = described_;
    std::erase_if(others, [&](const tags::CustomField& f) { return f.key() == was; });
    return spoken(tags::whyNotDescribed(field, others, library::reservedNames()));
}

void CustomFields::describe(const tags::CustomField& field, const std::string& was) {
    if (!whyNot(field, was).isEmpty())
        return;
    std::vector<tags::CustomField> next = described_;
    const auto it = std::ranges::find(next, was, &tags::CustomField::key);
    if (it != next.end())
        *it = field;
    else
        next.push_back(field);
    keep(std::move(next));
}

void CustomFields::forget(const std::string& key) {
    std::vector<tags::CustomField> next = described_;
    std::erase_if(next, [&](const tags::CustomField& f) { return f.key() == key; });
    keep(std::move(next));
}

void CustomFields::keep(std::vector<tags::CustomField> fields) {
    if (fields == described_)
        return;
    // What could not be read stays beside what takes its place.
    if (const std::string before = settings_.get(settings::customFields);
        !before.empty() && !tags::customFieldsFromJson(before))
        settings_.set(settings::unreadCustomFields, before);
    described_ = std::move(fields);
    tags::defineCustomFields(described_);
    settings_.set(settings::customFields, tags::customFieldsJson(described_));
    emit changed();
}

} // namespace moorfrost::app
