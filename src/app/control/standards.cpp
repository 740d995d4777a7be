// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/standards.h"

#include <algorithm>

#include "app/control/messages.h"
#include "app/shell/core_sentences.h"

namespace moorfrost::app {

namespace settings = library::settings;

Standards::Standards(LibrarySettings& settings, Messages& messages)
    : settings_(settings), messages_(messages), all_(audit::shippedStandards()) {
    connect(&settings_, &LibrarySettings::loaded, this, &Standards::load);
    connect(&settings_, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, settings::names))
            emit changed();
    });
}

void Standards::load() {
    const std::string kept = settings_.get(settings::standards);
    std::vector<audit::Standard> standards = audit::shippedStandards();
    if (!kept.empty()) {
        if (auto read = audit::standardsFromJson(kept))
            standards = std::move(*read);
        else
            messages_.say(
                tr("The standards of the library could not be read, those that come with Moorfrost are "
                   "used. %1")
                    .arg(spoken(read.error().message)),
                true);
    }
    all_ = std::move(standards);
    emit changed();
}

void Standards::setAll(std::vector<audit::Standard> standards) {
    if (standards.empty() || standards == all_)
        return;
    all_ = std::move(standards);
    settings_.set(settings::standards, audit::toJson(all_));
    emit changed();
}

void Standards::rename(const std::string& name, const std::string& to) {
    std::vector<audit::Standard> next = all_;
    for (audit::Standard& s : next)
        if (s.name == name)
            s.name = to;
    if (settings_.get(settings::defaultStandard) == name)
        settings_.set(settings::defaultStandard, to);
    std::map<int64_t, std::string> held = batches();
    for (auto& [batch, standard] : held)
        if (standard == name)
            standard = to;
    saveBatches(held);
    setAll(std::move(next));
}

const audit::Standard& Standards::byName(const std::string& name) const {
    return library::standardByName(all_, name);
}

const audit::Standard& Standards::byDefault() const {
    return byName(settings_.get(settings::defaultStandard));
}

void Standards::setDefault(const std::string& name) {
    settings_.set(settings::defaultStandard, name);
    emit changed();
}

const audit::Standard& Standards::ofBatch() const {
    const std::map<int64_t, std::string> held = batches();
    const auto it = held.find(batch_);
    const bool known =
        it != held.end() && std::ranges::any_of(all_, [&](const auto& s) { return s.name == it->second; });
    return known ? byName(it->second) : byDefault();
}

void Standards::setOfBatch(const std::string& name) {
    std::map<int64_t, std::string> held = batches();
    held[batch_] = name;
    saveBatches(held);
    emit changed();
}

void Standards::forgetBatch(int64_t batch) {
    std::map<int64_t, std::string> held = batches();
    if (held.erase(batch) > 0)
        saveBatches(held);
}

library::ShelfRules Standards::shelfRules() const {
    return {byDefault(), settings_.get(settings::names)};
}

/// One a line: the number of the batch and the name of its standard.
std::map<int64_t, std::string> Standards::batches() const {
    std::map<int64_t, std::string> out;
    for (const std::string& line : settings_.get(settings::batchStandards)) {
        const size_t space = line.find(' ');
        if (space != std::string::npos)
            out[std::atoll(line.c_str())] = line.substr(space + 1);
    }
    return out;
}

void Standards::saveBatches(const std::map<int64_t, std::string>& batches) {
    std::vector<std::string> lines;
    for (const auto& [batch, name] : batches)
        lines.push_back(std::to_string(batch) + " " + name);
    settings_.set(settings::batchStandards, lines);
}

} // namespace moorfrost::app
