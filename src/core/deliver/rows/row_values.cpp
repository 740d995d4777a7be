// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/row_values.h"

#include <algorithm>
#include <array>
#include <ctime>

#include <fmt/format.h>

#include "core/deliver/deliver_settings.h"
#include "core/exchange/playlist.h"
#include "core/library/audio_duplicates.h"
#include "core/library/draft_fields.h"
#include "core/library/families/families.h"
#include "core/library/people/card_changes.h"
#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using Strings = std::vector<std::string>;

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

/// Facts that are not in the record of the file.
bool onlyStoreKnows(std::string_view key) {
    static constexpr std::array<std::string_view, 8> keys = {
        "@essence", "@version", "@work", "@work iswc", "@writers", "@publishers", "@owners", "@keywords"};
    return std::ranges::find(keys, key) != keys.end();
}

bool isDate(const std::string& key) {
    if (const RowFact* fact = rowFact(key))
        return fact->kind == RowFact::Kind::Date;
    const tags::FieldDef* field = tags::fieldByKey(key);
    return field && field->kind == tags::FieldKind::Date;
}

} // namespace

/// What the record of one file says.
class RowValues::OfFile {
public:
    OfFile(const RowValues& values, const RowSource& row)
        : layout_(values.layout_), shelves_(values.shelves_), row_(row),
          kept_(library::unpackKept(row.kept)) {
        view_.read(row.content);
        if (row.drafts) {
            tags::TagFile file;
            tags::unpack(row.content, file);
            library::putDrafts(file.fields, *row.drafts);
            fields_ = std::move(file.fields);
        }
    }

    Strings said(const RowColumn& column, const std::string& key) const {
        if (key.starts_with('@'))
            return fact(column, key);
        if (row_.drafts) {
            const auto it = fields_.find(key);
            return it == fields_.end() ? Strings() : it->second;
        }
        for (const auto& field : view_.fields)
            if (field.key == key) {
                const auto first = view_.values.begin() + static_cast<ptrdiff_t>(field.first);
                return {first, first + static_cast<ptrdiff_t>(field.count)};
            }
        return {};
    }

private:
    Strings fact(const RowColumn& column, std::string_view key) const {
        if (key == "@row")
            return {std::to_string(row_.number)};
        if (key == "@path" || key == "@folder" || key == "@name" || key == "@stem")
            return ofPlace(key);
        if (key == "@elsewhere")
            return kept(library::elsewhereField);
        if (key == "@shelf") {
            const auto shelf = shelves_.find(row_.shelf);
            return shelf == shelves_.end() ? Strings() : one(shelf->second);
        }
        if (key == "@length")
            return one(lengthText(view_.duration, column.form, layout_.decimal));
        if (key == "@format")
            return one(std::string(view_.format));
        if (key == "@codec")
            return one(std::string(view_.codec));
        if (key == "@rate")
            return number(view_.sampleRate);
        if (key == "@bits")
            return number(view_.bitDepth);
        if (key == "@channels")
            return number(view_.channels);
        if (key == "@bitrate")
            return number(view_.bitrate);
        if (key == "@size")
            return number(static_cast<int64_t>(row_.size));
        if (key == "@modified")
            return one(dayOf(row_.modifiedNs / 1'000'000'000));
        if (key == "@added")
            return one(dayOf(row_.added));
        if (key == "@kind") {
            const Strings kinds = kept(library::kindField);
            return {kinds.empty() || kinds.front().empty() ? "music" : kinds.front()};
        }
        if (key == "@playout")
            return kept(library::playoutField);
        if (key == "@rating")
            return kept(library::ratingField);
        if (key == "@note")
            return kept(library::noteField);
        return uses(key);
    }

    Strings ofPlace(std::string_view key) const {
        const std::string place = layout_.pathFrom.empty() && layout_.pathTo.empty()
                                      ? row_.path
                                      : exchange::placeFor(Path(row_.path), {},
                                                           {exchange::PlaceStyle::Kind::Rewritten,
                                                            layout_.pathFrom, layout_.pathTo});
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

    Strings uses(std::string_view key) const {
        Strings out;
        for (const library::Use& use : library::usesFrom(kept(library::useField))) {
            if (key == "@last use") {
                if (!use.date.empty())
                    return {use.date};
                continue;
            }
            Strings parts;
            for (const std::string& part : {use.date, use.what, use.where})
                if (!part.empty())
                    parts.push_back(part);
            out.push_back(text::join(parts, " "));
        }
        return out;
    }

    Strings kept(const char* field) const {
        const auto it = kept_.find(std::string_view(field));
        return it == kept_.end() ? Strings() : it->second;
    }

    const RowLayout& layout_;
    const std::map<int64_t, std::string>& shelves_;
    const RowSource& row_;
    tags::PackedView view_;
    library::KeptOfRecording kept_;
    tags::Fields fields_; // where there are drafts
};

RowValues::RowValues(library::Store& store, const RowLayout& layout) : store_(store), layout_(layout) {
    if (layout.drafts)
        for (auto& [file, field, draft] : store.drafts().all())
            if (!field.starts_with('@'))
                drafts_[file][field] = draft;
    for (const library::Shelf& shelf : store.shelves().all())
        shelves_[shelf.id] = shelf.name;
    for (const RowColumn& column : layout.columns)
        std::ranges::copy_if(column.parts, std::back_inserter(asked_), onlyStoreKnows);
}

void RowValues::each(const std::vector<FileId>& files, const std::function<bool(RowSource&&)>& each) {
    store_.files().eachPackedOf(files, [&](const library::PackedRecord& file) {
        RowSource row;
        row.file = file.id;
        row.number = ++row_;
        row.path = file.path;
        row.content = file.content;
        row.kept = file.kept;
        row.size = file.size;
        row.modifiedNs = file.modifiedNs;
        row.shelf = file.shelf;
        row.added = file.added;
        if (const auto drafts = drafts_.find(file.id); drafts != drafts_.end())
            row.drafts = &drafts->second;
        for (const std::string& key : asked_)
            row.asked.push_back(askedOf(file.id, key));
        return each(std::move(row));
    });
}

RowValues::Parts RowValues::parts(const RowSource& row) const {
    const OfFile file(*this, row);
    Parts out;
    size_t asked = 0;
    for (const RowColumn& column : layout_.columns)
        for (const std::string& key : column.parts) {
            Strings& said =
                out.emplace_back(onlyStoreKnows(key) ? row.asked.at(asked++) : file.said(column, key));
            if (layout_.dates != dateForms().front() && isDate(key))
                for (std::string& value : said)
                    value = dateText(value, layout_.dates);
        }
    return out;
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

Strings RowValues::askedOf(FileId file, const std::string& key) {
    if (key == "@essence") {
        const auto record = store_.files().find(file);
        return record ? one(library::knownEssence(store_, *record)) : Strings();
    }
    const library::RecordingId recording = store_.recordings().placeOf(file).recording;
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

std::string RowValues::joined(const RowColumn& column, std::span<const Strings> parts, bool firstOnly) {
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

exchange::CsvRow RowValues::cells(const RowSource& row) const {
    const Parts all = parts(row);
    exchange::CsvRow out;
    size_t at = 0;
    for (const RowColumn& column : layout_.columns) {
        const std::span parts = std::span(all).subspan(at, column.parts.size());
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
    values.each(first, [&](RowSource&& row) {
        out.rows.push_back(values.cells(row));
        return true;
    });
    return out;
}

} // namespace moorfrost::deliver
