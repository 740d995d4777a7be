// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/fixity_plan.h"

#include <algorithm>
#include <cmath>
#include <ctime>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace moorfrost::library {

namespace {

constexpr size_t portion = 64; // files that are kept together

} // namespace

bool FixityPlan::isNight(int hour) const {
    if (from == to)
        return true; // at any time
    return from < to ? hour >= from && hour < to : hour >= from || hour < to;
}

uint64_t FixityPlan::nightsFor(uint64_t bytes) const {
    return gigabytes > 0 ? static_cast<uint64_t>(std::ceil(static_cast<double>(bytes) / (gigabytes * 1e9)))
                         : 0;
}

std::string FixityPlan::json() const {
    return nlohmann::ordered_json{
        {"on", on}, {"gigabytes", gigabytes}, {"from", from}, {"to", to}, {"take_new", takeNew}}
        .dump();
}

FixityPlan FixityPlan::fromJson(std::string_view text) {
    FixityPlan out;
    const auto json = nlohmann::json::parse(text, nullptr, false);
    if (!json.is_object())
        return out;
    auto take = [&](const char* key, auto& to, auto least, auto most) {
        if (const auto at = json.find(key); at != json.end() && at->is_number())
            to = std::clamp(at->get<std::decay_t<decltype(to)>>(), least, most);
    };
    auto flag = [&](const char* key, bool& to) {
        if (const auto at = json.find(key); at != json.end() && at->is_boolean())
            to = at->get<bool>();
    };
    flag("on", out.on);
    flag("take_new", out.takeNew);
    take("gigabytes", out.gigabytes, 0.1, 100000.0);
    take("from", out.from, 0, 23);
    take("to", out.to, 0, 23);
    return out;
}

FixityRoundDone verifyOldest(Store& store, const FixityPlan& plan, uint64_t bytes, int64_t begun,
                             int64_t before, std::stop_token stop, work::Progress& progress,
                             const std::function<void(std::vector<CheckedFile>&&)>& keep) {
    FixityRoundDone out;
    out.round.began = begun;
    std::set<int64_t> absent;
    for (const Shelf& shelf : store.shelves().all()) {
        std::error_code error;
        if (std::filesystem::is_directory(shelf.path, error))
            continue;
        absent.insert(shelf.id); // a disk that is not plugged in is no loss
        out.absentShelves.push_back(shelf.path);
    }
    const std::vector<FixityDue> due =
        FixityRoundTable(store.database()).oldest(bytes, plan.takeNew, before, absent);
    progress.begin(due.size());
    for (size_t from = 0; from < due.size() && !stop.stop_requested(); from += portion) {
        const std::span some(due.begin() + static_cast<std::ptrdiff_t>(from),
                             std::min(portion, due.size() - from));
        std::vector<Path> paths;
        std::vector<Fixity> stored;
        std::map<Path, uint64_t> sizes;
        for (const FixityDue& one : some) {
            paths.push_back(one.path);
            sizes[one.path] = one.bytes;
            if (one.verified > 0)
                if (auto known = store.fixity().find(one.path))
                    stored.push_back(*std::move(known));
        }
        std::vector<CheckedFile> checked;
        work::Progress inner;
        checkFixity(paths, stored, false, stop, inner, [&](const CheckedFile& file) {
            checked.push_back(file);
            out.round.bytes += sizes[file.path];
            out.round.taken += file.state == CheckState::New;
            out.round.trouble += isTrouble(file.state);
            progress.stepPath(file.path);
        });
        out.round.files += checked.size();
        if (!checked.empty())
            keep(std::move(checked));
    }
    out.round.stopped = stop.stop_requested();
    out.round.ended = static_cast<int64_t>(std::time(nullptr));
    return out;
}

std::string dayText(int64_t when) {
    const auto seconds = static_cast<std::time_t>(when);
    std::tm day{};
    ::localtime_r(&seconds, &day);
    return fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday);
}

void keepChecked(Store& store, const std::vector<CheckedFile>& files, int64_t when) {
    FixityRoundTable table(store.database());
    for (const CheckedFile& file : files) {
        if (file.state == CheckState::New)
            store.fixity().save(file.now);
        else
            table.note(file.path, when, isTrouble(file.state) ? name(file.state) : "");
    }
}

} // namespace moorfrost::library
