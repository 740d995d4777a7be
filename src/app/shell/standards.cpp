// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/standards.h"

#include <algorithm>

#include <QStringList>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {
const std::string rulesKey = library::standardsKey, usualKey = library::usualStandardKey,
                  batchesKey = "standards of batches";
}

const std::vector<std::string>& Standards::settingKeys() {
    static const std::vector<std::string> keys = {rulesKey, usualKey, batchesKey};
    return keys;
}

Standards::Standards(Session& session) : session_(session), all_(audit::shippedStandards()) {}

QString Standards::load() {
    const QString kept = session_.setting(rulesKey);
    QString trouble;
    std::vector<audit::Standard> standards = audit::shippedStandards();
    if (!kept.isEmpty()) {
        if (auto read = audit::standardsFromJson(ss(kept)))
            standards = std::move(*read);
        else
            trouble = tr("The standards of the library could not be read, those that come with Moorfrost are "
                         "used. %1")
                          .arg(qs(read.error().message));
    }
    if (std::exchange(all_, std::move(standards)) != all_)
        emit changed();
    return trouble;
}

void Standards::setAll(std::vector<audit::Standard> standards) {
    if (standards.empty() || standards == all_)
        return;
    all_ = std::move(standards);
    session_.setSetting(rulesKey, qs(audit::toJson(all_)));
    emit changed();
}

void Standards::rename(const std::string& name, const std::string& to) {
    std::vector<audit::Standard> next = all_;
    for (audit::Standard& s : next)
        if (s.name == name)
            s.name = to;
    if (ss(session_.setting(usualKey)) == name)
        session_.setSetting(usualKey, qs(to));
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

const audit::Standard& Standards::usual() const {
    return byName(ss(session_.setting(usualKey)));
}

void Standards::setUsual(const std::string& name) {
    session_.setSetting(usualKey, qs(name));
    emit changed();
}

const audit::Standard& Standards::ofBatch() const {
    const std::map<int64_t, std::string> held = batches();
    auto it = held.find(session_.batch());
    const bool known = it != held.end() && std::any_of(all_.begin(), all_.end(),
                                                       [&](const auto& s) { return s.name == it->second; });
    return known ? byName(it->second) : usual();
}

void Standards::setOfBatch(const std::string& name) {
    std::map<int64_t, std::string> held = batches();
    held[session_.batch()] = name;
    saveBatches(held);
    emit changed();
}

void Standards::forgetBatch(int64_t batch) {
    std::map<int64_t, std::string> held = batches();
    if (held.erase(batch) > 0)
        saveBatches(held);
}

/// One a line: the number of the batch and the name of its standard.
std::map<int64_t, std::string> Standards::batches() const {
    std::map<int64_t, std::string> out;
    for (const QString& line : session_.setting(batchesKey).split('\n', Qt::SkipEmptyParts))
        out[line.section(' ', 0, 0).toLongLong()] = ss(line.section(' ', 1));
    return out;
}

void Standards::saveBatches(const std::map<int64_t, std::string>& batches) {
    QStringList lines;
    for (const auto& [batch, name] : batches)
        lines << QString("%1 %2").arg(batch).arg(qs(name));
    session_.setSetting(batchesKey, lines.join('\n'));
}

} // namespace moorfrost::app
