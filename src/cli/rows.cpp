// SPDX-License-Identifier: GPL-3.0-or-later
// export, import: sheets of rows out, and in as drafts.
#include <ctime>
#include <iostream>
#include <set>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/meant.h"
#include "cli/named.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/delivered.h"
#include "core/deliver/rows/rows_out.h"
#include "core/deliver/rows/rows_take.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

std::vector<deliver::RowLayout> layoutsOf(library::Store& store) {
    return deliver::rowLayoutsFrom(store.settings().get(library::settings::rowLayouts));
}

/// By the name of one that is kept, or a file with one; nullopt after saying why.
std::optional<deliver::RowLayout> layoutOf(const std::vector<deliver::RowLayout>& layouts,
                                           const std::string& name) {
    return layoutMeant(layouts, name, deliver::rowLayoutNamed, deliver::rowLayoutFromJson);
}

const char* stateName(deliver::InRow::State state) {
    using enum deliver::InRow::State;
    switch (state) {
    case Changes:
        return "says otherwise";
    case Several:
        return "several tracks";
    case NoTrack:
        return "no track";
    case Contradicts:
        return "contradicts";
    case Same:
        return "agrees";
    case Again:
        return "again";
    case LeftOut:
        return "left out";
    case New:
        return "new entry";
    }
    return "";
}

Json rowJson(library::Store& store, const deliver::InRow& row) {
    Json out{{"line", row.line}, {"state", stateName(row.state)}};
    if (row.file != 0)
        if (const auto file = store.files().find(row.file))
            putPath(out, file->path);
    if (!row.told.empty())
        out["why"] = row.told;
    if (!row.trouble.empty())
        out["trouble"] = row.trouble;
    if (!row.changes.empty()) {
        out["changes"] = Json::object();
        for (const auto& [key, values] : row.changes)
            out["changes"][key] = values;
    }
    return out;
}

/// Drafts beside those that there are.
size_t saveDrafts(library::Store& store, const deliver::RowsTake& take, const std::string& origin) {
    std::vector<library::DraftChange> changes;
    std::map<library::FileId, bool> may;
    size_t refused = 0;
    for (const auto& wish : take.wishes) {
        const auto [at, isNew] = may.try_emplace(wish.file, false);
        if (isNew) {
            const auto file = store.files().find(wish.file);
            at->second = file && file->mayHaveDrafts() && file->absent == 0;
            refused += !at->second;
        }
        if (at->second)
            changes.push_back({wish.file, wish.field, std::nullopt,
                               library::Draft{wish.values, origin, std::time(nullptr)}});
    }
    store.drafts().save(changes);
    return refused;
}

} // namespace

int exportRows(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const auto layouts = layoutsOf(*store);
    if (options.step == "layouts") {
        for (const deliver::RowLayout& layout : layouts)
            std::cout << deliver::rowLayoutJson(layout) << "\n";
        return 0;
    }
    const auto layout = layoutOf(layouts, options.layout);
    if (!layout)
        return wrongly;
    const auto meant = tracksMeant(*store, options);
    if (!meant)
        return wrongly;
    if (options.to.empty() || options.dryRun) {
        auto few = meant->files;
        if (options.dryRun && few.size() > 20)
            few.resize(20);
        if (layout->file == deliver::RowFile::Workbook && !options.dryRun) {
            say("A workbook cannot be printed: say --to FILE.");
            return wrongly;
        }
        const auto text = deliver::rowsText(*store, *layout, few);
        if (!text) {
            say(text.error().message);
            return 1;
        }
        std::cout << *text;
        return 0;
    }
    work::Progress progress;
    const auto written = deliver::writeRows(*store, *layout, meant->files, options.to, {}, progress);
    if (!written) {
        say(written.error().message);
        return 1;
    }
    if (const std::string trouble = written->trouble(); !trouble.empty())
        say(trouble);
    library::Delivery delivery;
    delivery.when = std::time(nullptr);
    delivery.way = "sheet";
    delivery.title = meant->name.empty() ? layout->name : meant->name;
    delivery.forWhom = options.forWhom;
    delivery.target = std::filesystem::absolute(options.to);
    delivery.layout = deliver::rowLayoutJson(*layout);
    delivery.state = fmt::format("{} rows", written->rows);
    library::DeliveryTable(store->database()).add(delivery, deliver::itemsNow(*store, meant->files));
    Json out{{"rows", written->rows}, {"bytes", written->bytes}};
    putPath(out, options.to);
    print(out);
    return 0;
}

int importRows(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.paths.size() != 1) {
        say("One sheet is expected.");
        return wrongly;
    }
    auto layouts = layoutsOf(*store);
    std::string name;
    if (!options.layout.empty()) {
        const auto layout = layoutOf(layouts, options.layout);
        if (!layout)
            return wrongly;
        name = layout->name;
        layouts.insert(layouts.begin(), *layout);
    }
    const Path file = options.paths.front();
    const auto look = deliver::lookAtRows(file, layouts, {}, name);
    if (!look) {
        say(look.error().message);
        return 1;
    }
    work::Progress progress;
    auto rows = deliver::readRowsIn(*store, file, look->plan, {}, progress);
    if (!rows) {
        say(rows.error().message);
        return 1;
    }
    if (!options.shelf.empty() && !options.dryRun) {
        int64_t shelf = 0;
        for (const library::Shelf& one : store->shelves().all())
            if (one.name == options.shelf || one.path == options.shelf)
                shelf = one.id;
        std::vector<size_t> which;
        for (size_t i = 0; i < rows->rows.size(); ++i)
            if (rows->rows.state(i) == deliver::InRow::State::NoTrack)
                which.push_back(i);
        const auto entries = deliver::addEntries(*store, rows->plan, rows->source, rows->rows, which, shelf,
                                                 deliver::shippedRowKindRules(), std::time(nullptr));
        if (!entries) {
            say(entries.error().message);
            return wrongly;
        }
        for (size_t i = 0; i < which.size(); ++i)
            deliver::noteEntry(*rows, which[i], (*entries)[i]);
    }
    const deliver::RowsTake take = deliver::rowsTake(*rows);
    size_t refused = 0;
    if (!options.dryRun && !take.isEmpty()) {
        const std::string title = "Sheet \"" + rows->source + "\"";
        library::Transaction transaction(store->database());
        refused = saveDrafts(*store, take, title);
        transaction.commit();
        deliver::keepOfRows(*store, take, title);
    }
    for (const deliver::InRow& row : rows->rows)
        print(rowJson(*store, row));
    Json summary{{"rows", rows->all()}, {"layout", look->layout}};
    for (size_t s = 0; s < deliver::InRow::states; ++s)
        if (const auto state = static_cast<deliver::InRow::State>(s); rows->count(state) > 0)
            summary[stateName(state)] = rows->count(state);
    summary["drafts"] = options.dryRun ? 0 : take.wishes.size();
    print(summary);
    if (refused > 0)
        say(fmt::format("{} files cannot be written to and have no drafts.", refused));
    return rows->rows.anyNeedsSomebody() ? 1 : 0;
}

} // namespace moorfrost::cli
