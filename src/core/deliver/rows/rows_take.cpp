// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/rows_take.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/deliver/rows/row_reading.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"
#include "core/library/recordings.h"
#include "core/matching/content_kinds.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using State = InRow::State;

/// A path on the shelf that no file has and the library knows of no file at.
Path freePlace(library::Store& store, const Path& wanted) {
    Path out = wanted;
    for (int n = 2; store.files().idOf(out) != 0 || files::isThere(out); ++n)
        out = wanted.parent_path() /
              (wanted.stem().native() + fmt::format(" ({})", n) + wanted.extension().native());
    return out;
}

/// Below the shelf, as the row tells it: within the shelf, or the last folders of a path of elsewhere.
Path placeOnShelf(const RowsInPlan& plan, const Path& shelf, const tags::Fields& says) {
    std::string elsewhere;
    const Path here = placeOfRow(plan, says, elsewhere);
    const std::string inside = shelf.native() + "/";
    if (here.native().starts_with(inside))
        return here;
    auto safe = [](const std::string& name, const std::string& ending = {}) {
        return files::safeName(name, files::NameProfile::Portable, ending);
    };
    std::string told = here.empty() ? elsewhere : here.native();
    if (told.empty())
        told = tags::firstValue(says, "@name");
    std::ranges::replace(told, '\\', '/');
    std::vector<std::string> parts;
    for (const std::string& part : text::split(told, "/"))
        if (!part.empty() && part != "." && part != ".." && !part.ends_with(':'))
            parts.push_back(part);
    if (parts.empty()) {
        std::string name = tags::firstValue(says, "artist");
        const std::string& title = tags::firstValue(says, "title");
        name += name.empty() || title.empty() ? title : " - " + title;
        return shelf / safe(name.empty() ? "Entry" : name);
    }
    const Path name = parts.back();
    Path out = shelf;
    for (size_t i = parts.size() > 3 ? parts.size() - 3 : 0; i + 1 < parts.size(); ++i)
        out /= safe(parts[i]);
    return out / safe(name.stem().native(), name.extension().native());
}

} // namespace

RowsTake rowsTake(const RowsIn& in) {
    RowsTake out;
    for (size_t i = 0; i < in.rows.size(); ++i) {
        if (in.rows.state(i) != State::Changes)
            continue;
        ++out.rows;
        const InRow row = in.rows[i];
        for (const auto& [key, values] : row.changes) {
            if (const std::string kept = keptNameOf(key); !kept.empty())
                out.kept[row.file][kept] = values;
            else
                out.wishes.push_back({row.file, key, values});
        }
    }
    return out;
}

library::ChangeOutcome keepOfRows(library::Store& store, const RowsTake& take, const std::string& title) {
    library::KeptChange change(store);
    for (const auto& [file, kept] : take.kept) {
        if (!store.files().find(file))
            continue;
        const library::RecordingId recording = store.recordings().ensure(file);
        for (const auto& [field, values] : kept)
            change.setValues(recording, field, values);
    }
    return change.commit(title);
}

const std::vector<RowKindRule>& shippedRowKindRules() {
    static const std::vector<RowKindRule> rules = {{60, true, "ident"}, {0, true, "speech"}};
    return rules;
}

std::string kindOfRow(const tags::Fields& says, const std::vector<RowKindRule>& rules) {
    const double seconds = secondsFrom(tags::firstValue(says, "@length"));
    const bool hasArtist = !tags::firstValue(says, "artist").empty();
    for (const RowKindRule& rule : rules) {
        if (rule.withoutArtist && hasArtist)
            continue;
        if (rule.shorterThan > 0 && !(seconds > 0 && seconds < rule.shorterThan))
            continue;
        return rule.kind;
    }
    return {};
}

Result<std::vector<FileId>> addEntries(library::Store& store, const RowsInPlan& plan,
                                       const std::string& source, const InRows& rows,
                                       const std::vector<size_t>& which, int64_t shelf,
                                       const std::vector<RowKindRule>& rules, int64_t now) {
    Path root;
    for (const library::Shelf& one : store.shelves().all())
        if (one.id == shelf)
            root = one.path;
    if (root.empty())
        return Error{ErrorKind::Invalid, {}, "Choose a shelf that the entries are to stand on."};
    std::vector<FileId> out;
    RowsTake take;
    for (const size_t at : which) {
        const InRow row = rows[at];
        Path place = placeOnShelf(plan, root, row.says);
        if (files::isThere(place) && store.files().idOf(place) == 0) {
            out.push_back(0);
            continue;
        }
        files::ScannedFile file;
        file.path = freePlace(store, place);
        file.tags.emplace();
        file.tags->format = audio::formatByExtension(file.path);
        file.tags->facts.duration = std::max(0.0, secondsFrom(tags::firstValue(row.says, "@length")));
        for (const auto& [key, values] : row.says)
            if (!key.starts_with('@') && !values.empty())
                file.tags->fields[key] = values;
        const FileId id = store.files().save(file, shelf);
        store.files().setAbsent({id}, now);
        store.recordings().ensure(id);
        tags::Fields& kept = take.kept[id];
        for (const auto& [key, values] : row.says)
            if (const std::string name = keptNameOf(key); !name.empty() && !values.empty())
                kept[name] = values;
        if (!kept.contains("kind"))
            if (const std::string kind = kindOfRow(row.says, rules); !kind.empty() && kind != "music")
                kept["kind"] = {kind};
        out.push_back(id);
    }
    keepOfRows(store, take, fmt::format("Entries of \"{}\"", source));
    return out;
}

void noteEntry(RowsIn& in, size_t at, FileId entry) {
    InRow row = in.rows[at];
    if (entry == 0) {
        row.told = "The file is there: bring it in, and take the sheet then.";
    } else {
        row.file = entry;
        row.state = State::New;
        row.told = "An entry without a file.";
    }
    in.rows.put(at, row);
}

} // namespace moorfrost::deliver
