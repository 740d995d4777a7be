// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/row_values.h"

#include <algorithm>
#include <ctime>

#include <fmt/format.h>

#include "core/deliver/deliver_settings.h"
#include "core/exchange/playlist.h"
#include "core/library/audio_duplicates.h"
#include "core/library/draft_fields.h"
#include "core/library/families/families.h"
#include "core/library/people/card_changes.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using library::FileRecord;
using Strings = std::vector<std::string>;

constexpr size_t portion = 500; // files that are asked for at once

Strings one(std::string value) {
    return value.empty() ? Strings() : Strings{std::move(value)};
}
Strings number(int64_t value) {
    return value == 0 ? Strings() : Strings{std::to_string(value)};
}

std::string dayOf(int64_t seconds) {
    if (seconds <= 0)
        return {};
    const std::time_t when = seconds;
    std::tm day{};
    gmtime_r(&when, &day);
    return fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday);
}

/// Behind the last slash of any kind.
size_t nameIn(const std::string& place) {
    const size_t slash = place.find_last_of("/\\");
    return slash == std::string::npos ? 0 : slash + 1;
}

Strings kept(const FileRecord& file, const char* field) {
    const auto it = file.kept.find(std::string_view(field));
    return it == file.kept.end() ? Strings() : it->second;
}

bool isDate(const std::string& key) {
    if (const RowFact* fact = rowFact(key))
        return fact->kind == RowFact::Kind::Date;
    const tags::FieldDef* field = tags::fieldByKey(key);
    return field && field->kind == tags::FieldKind::Date;
}

} // namespace

RowValues::RowValues(library::Store& store, const RowLayout& layout) : store_(store), layout_(layout) {
    if (layout.drafts)
        for (auto& [file, field, draft] : store.drafts().all())
            if (!field.starts_with('@'))
                drafts_[file][field] = draft;
    for (const library::Shelf& shelf : store.shelves().all())
        shelves_[shelf.id] = shelf.name;
}

void RowValues::each(const std::vector<FileId>& files, const std::function<bool(Row&&)>& each) {
    for (size_t at = 0; at < files.size(); at += portion) {
        const auto first = files.begin() + static_cast<ptrdiff_t>(at);
        const std::vector<FileId> some(
            first, files.begin() + static_cast<ptrdiff_t>(std::min(files.size(), at + portion)));
        for (FileRecord& file : store_.files().findAll(some)) {
            ++row_;
            if (const auto drafts = drafts_.find(file.id); drafts != drafts_.end())
                library::putDrafts(file.tags.fields, drafts->second);
            Row row;
            row.file = file.id;
            for (const RowColumn& column : layout_.columns)
                for (const std::string& key : column.parts)
                    row.values.push_back(valuesOf(file, file.tags.fields, column, key));
            if (!each(std::move(row)))
                return;
        }
    }
}

Strings RowValues::valuesOf(const FileRecord& file, const tags::Fields& fields, const RowColumn& column,
                            const std::string& key) {
    Strings out;
    if (key.starts_with('@')) {
        out = factOf(file, column, key);
    } else if (const auto it = fields.find(key); it != fields.end()) {
        out = it->second;
    }
    if (layout_.dates != dateForms().front() && isDate(key))
        for (std::string& value : out)
            value = dateText(value, layout_.dates);
    return out;
}

std::string RowValues::placeOf(const FileRecord& file) const {
    if (layout_.pathFrom.empty() && layout_.pathTo.empty())
        return file.path.native();
    return exchange::placeFor(file.path, {},
                              {exchange::PlaceStyle::Kind::Rewritten, layout_.pathFrom, layout_.pathTo});
}

Strings RowValues::factOf(const FileRecord& file, const RowColumn& column, std::string_view key) {
    const tags::Facts& facts = file.tags.facts;
    if (key == "@row")
        return {std::to_string(row_)};
    if (key == "@path" || key == "@folder" || key == "@name" || key == "@stem") {
        const std::string place = placeOf(file);
        const size_t name = nameIn(place);
        // Bytes that are no text stand as \xHH; who reads them back knows that.
        auto shown = [](const std::string& bytes) {
            return Strings{text::isUtf8(bytes) ? bytes : text::escapeBytes(bytes)};
        };
        if (key == "@path")
            return shown(place);
        if (key == "@folder")
            return shown(place.substr(0, name > 1 ? name - 1 : name));
        const std::string full = place.substr(name);
        const size_t dot = full.find_last_of('.');
        return shown(key == "@name" || dot == std::string::npos || dot == 0 ? full : full.substr(0, dot));
    }
    if (key == "@elsewhere")
        return kept(file, library::elsewhereField);
    if (key == "@shelf") {
        const auto shelf = shelves_.find(file.shelf);
        return shelf == shelves_.end() ? Strings() : one(shelf->second);
    }
    if (key == "@length")
        return one(lengthText(facts.duration, column.form, layout_.decimal));
    if (key == "@format")
        return one(audio::formatName(file.tags.format));
    if (key == "@codec")
        return one(facts.codec);
    if (key == "@rate")
        return number(facts.sampleRate);
    if (key == "@bits")
        return number(facts.bitDepth);
    if (key == "@channels")
        return number(facts.channels);
    if (key == "@bitrate")
        return number(facts.bitrate);
    if (key == "@size")
        return number(static_cast<int64_t>(facts.size));
    if (key == "@modified")
        return one(dayOf(file.state.modifiedNs / 1'000'000'000));
    if (key == "@added")
        return one(dayOf(file.added));
    if (key == "@essence")
        return one(library::knownEssence(store_, file));
    if (key == "@kind")
        return {file.kind.empty() ? "music" : file.kind};
    if (key == "@playout")
        return kept(file, library::playoutField);
    if (key == "@rating")
        return kept(file, library::ratingField);
    if (key == "@note")
        return kept(file, library::noteField);
    if (key == "@uses" || key == "@last use") {
        Strings out;
        for (const library::Use& use : library::usesFrom(kept(file, library::useField))) {
            if (key == "@last use") {
                if (!use.date.empty())
                    return {use.date};
                continue;
            }
            out.push_back(text::join(
                [&] {
                    Strings parts;
                    for (const std::string& part : {use.date, use.what, use.where})
                        if (!part.empty())
                            parts.push_back(part);
                    return parts;
                }(),
                " "));
        }
        return out;
    }
    return worksFact(file, key);
}

const library::Facts& RowValues::card(library::CardId id) {
    const auto [at, isNew] = cards_.try_emplace(id);
    if (isNew)
        at->second = store_.cards().facts(id);
    return at->second;
}

Strings RowValues::shares(const Strings& texts) {
    Strings out;
    auto nameOf = [&](library::CardId id) { return library::nameOfCard(library::CardKind::Party, card(id)); };
    for (const library::Share& share : library::sharesThatHold(library::sharesFrom(texts), {})) {
        std::string line = library::shownParty(share, nameOf);
        if (!share.roles.empty())
            line += " (" + text::join(share.roles, ", ") + ")";
        if (share.part)
            line += " " + share.part->percent();
        out.push_back(std::move(line));
    }
    return out;
}

Strings RowValues::worksFact(const FileRecord& file, std::string_view key) {
    const library::RecordingId recording = store_.recordings().placeOf(file.id).recording;
    if (recording == 0)
        return {};
    if (key == "@owners")
        return shares(store_.recordings().values(recording, library::masterField));
    if (key == "@version") {
        return one(library::shownVersionOf(store_.recordings().values(recording, library::familyField)));
    }
    Strings out;
    for (const std::string& id : store_.recordings().values(recording, library::workField)) {
        const library::Facts& work = card(std::strtoll(id.c_str(), nullptr, 10));
        auto add = [&](Strings values) { out.insert(out.end(), values.begin(), values.end()); };
        if (key == "@work")
            add(one(library::nameOfCard(library::CardKind::Work, work)));
        else if (key == "@work iswc")
            add(one(library::firstFact(work, "iswc")));
        else if (key == "@keywords")
            add(library::factValues(work, "keywords"));
        else
            add(shares(library::factValues(
                work,
                library::sideKey(key == "@writers" ? library::Side::Writers : library::Side::Publishers))));
    }
    return out;
}

std::string RowValues::joined(const RowColumn& column, const std::vector<Strings>& parts,
                              bool firstOnly) const {
    std::string out;
    for (const Strings& values : parts) {
        const std::string said = values.empty() ? std::string()
                                 : firstOnly    ? values.front()
                                                : text::join(values, column.joint);
        if (said.empty())
            continue;
        if (!out.empty())
            out += column.between;
        out += said;
    }
    return out;
}

exchange::CsvRow RowValues::cells(const Row& row) const {
    exchange::CsvRow out;
    size_t at = 0;
    for (const RowColumn& column : layout_.columns) {
        const std::vector<Strings> parts(row.values.begin() + static_cast<ptrdiff_t>(at),
                                         row.values.begin() +
                                             static_cast<ptrdiff_t>(at + column.parts.size()));
        at += column.parts.size();
        if (column.parts.empty()) {
            out.push_back(column.text);
        } else if (column.several != RowColumn::Several::Columns) {
            out.push_back(joined(column, parts, column.several == RowColumn::Several::First));
        } else {
            Strings values;
            for (const Strings& some : parts)
                values.insert(values.end(), some.begin(), some.end());
            const auto last = static_cast<size_t>(column.columns) - 1;
            for (size_t i = 0; i < last; ++i)
                out.push_back(i < values.size() ? values[i] : std::string());
            out.push_back(values.size() <= last
                              ? std::string()
                              : text::join({values.begin() + static_cast<ptrdiff_t>(last), values.end()},
                                           column.joint));
        }
    }
    return out;
}

RowsPreview rowsPreview(library::Store& store, const RowLayout& layout, const std::vector<FileId>& files,
                        size_t most) {
    RowsPreview out;
    out.headings = headingsOf(layout);
    out.files = files.size();
    RowValues values(store, layout);
    const std::vector<FileId> first(files.begin(),
                                    files.begin() + static_cast<ptrdiff_t>(std::min(files.size(), most)));
    values.each(first, [&](RowValues::Row&& row) {
        out.rows.push_back(values.cells(row));
        return true;
    });
    return out;
}

} // namespace moorfrost::deliver
