// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/rows_in.h"

#include <algorithm>
#include <span>
#include <unordered_map>

#include <fmt/format.h>

#include "core/deliver/rows/row_reading.h"
#include "core/library/draft_fields.h"
#include "core/library/name_match.h"
#include "core/library/recordings.h"
#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::FileId;
using library::FileRecord;
using State = InRow::State;
using Evidence = InRow::Evidence;
using Strings = std::vector<std::string>;

constexpr size_t mostRows = 5'000'000, portion = 500;
constexpr size_t mostByName = 100'000; // rows that are looked for by name at a time
constexpr size_t mostOfOneTrack = 10;  // rows of one track that are compared with the next

/// Keys by which a track is found, and that are nothing to be changed.
bool isToFind(const std::string& key) {
    const RowFact* fact = rowFact(key);
    return fact && fact->in == RowFact::In::Finds;
}

uint64_t hashOf(const tags::Fields& says) {
    std::string all;
    for (const auto& [key, values] : says)
        all += key + '\x1f' + text::join(values, "\x1e") + '\x1d';
    return std::hash<std::string>{}(all);
}

void tell(InRow& row, const std::string& sentence) {
    row.told = sentence + (row.told.empty() ? "" : " ") + row.told;
}

bool saysFirstOnly(const RowsInPlan& plan, const std::string& key) {
    return std::ranges::any_of(plan.columns, [&](const RowColumn& c) {
        return c.several == RowColumn::Several::First && std::ranges::find(c.parts, key) != c.parts.end();
    });
}

/// What is otherwise than the library has it, drafts counted.
void compare(const RowsInPlan& plan, InRow& row, const TrackNow& track) {
    row.changes.clear();
    row.before.clear();
    for (const auto& [key, values] : row.says) {
        if (isToFind(key))
            continue;
        Strings now;
        if (const std::string kept = keptNameOf(key); !kept.empty()) {
            if (const auto it = track.kept.find(kept); it != track.kept.end())
                now = it->second;
            if (key == "@kind" && now.empty())
                now = {"music"};
        } else if (const auto it = track.fields.find(key); it != track.fields.end()) {
            now = it->second;
        }
        // A column of first values says nothing of the others.
        if (saysFirstOnly(plan, key) && !now.empty() && !values.empty() &&
            sameValues(key, {now.front()}, {values.front()}))
            continue;
        if (!sameValues(key, now, values)) {
            row.changes[key] = values;
            if (!now.empty())
                row.before[key] = std::move(now);
        }
    }
    row.state = row.changes.empty() ? State::Same : State::Changes;
}

TrackNow nowOf(library::Store& store, FileRecord&& file) {
    TrackNow out{file.id, std::move(file.tags.fields), std::move(file.kept)};
    library::putDrafts(out.fields, store.drafts().of(out.file));
    return out;
}

/// Two rows of one track: `b`, at `later`, says the same again, or one of them says otherwise. True where
/// they do.
bool meet(RowsIn& in, size_t earlier, size_t later, InRow& b) {
    InRow a = in.rows[earlier];
    if (a.saysHash == b.saysHash && a.says == b.says) {
        b.state = State::Again;
        b.other = earlier;
        b.changes.clear();
        tell(b, fmt::format("Line {} says the same of this track.", a.line));
        return true;
    }
    const bool otherwise = std::ranges::any_of(b.says, [&](const auto& said) {
        const auto it = isToFind(said.first) ? a.says.end() : a.says.find(said.first);
        return it != a.says.end() && !sameValues(said.first, it->second, said.second);
    });
    if (!otherwise)
        return false;
    b.state = State::Contradicts;
    b.other = earlier;
    tell(b, fmt::format("Line {} says otherwise of the same track.", a.line));
    if (a.state != State::Contradicts) {
        a.state = State::Contradicts;
        a.other = later;
        tell(a, fmt::format("Line {} says otherwise of the same track.", b.line));
        in.rows.put(earlier, a);
    }
    return true;
}

/// Files by the codes of the trade, and by playout numbers.
struct Codes {
    std::unordered_map<std::string, std::vector<FileId>> isrcs, playouts;
};
Codes codesOf(library::Store& store, bool isrcs, bool playouts) {
    Codes out;
    tags::PackedView view;
    store.files().eachPacked([&](const library::PackedRecord& record) {
        if (isrcs && view.read(record.content))
            for (const auto& field : view.fields)
                if (field.key == "isrc")
                    for (size_t i = 0; i < field.count; ++i)
                        out.isrcs[comparedCode(view.values[field.first + i])].push_back(record.id);
        if (playouts && !record.kept.empty()) {
            const auto kept = library::unpackKept(record.kept);
            if (const auto it = kept.find(std::string_view(library::playoutField)); it != kept.end())
                for (const std::string& value : it->second)
                    out.playouts[value].push_back(record.id);
        }
        return true;
    });
    return out;
}

class Reading {
public:
    Reading(library::Store& store, RowsIn& out, std::stop_token stop, work::Progress& progress)
        : store_(store), out_(out), stop_(std::move(stop)), progress_(progress) {
        bool isrcs = false, playouts = false;
        for (const RowColumn& column : out.plan.columns)
            for (const std::string& key : column.parts) {
                isrcs = isrcs || key == "isrc";
                playouts = playouts || key == "@playout";
            }
        if (isrcs || playouts)
            codes_ = codesOf(store, isrcs, playouts);
    }

    void add(size_t line, const exchange::CsvRow& cells) {
        RowSays said = rowSays(out_.plan, cells);
        InRow row;
        row.line = line;
        row.trouble = std::move(said.told);
        row.says = std::move(said.says);
        row.saysHash = hashOf(row.says);
        waiting_.push_back(std::move(row));
        if (waiting_.size() == portion)
            pass();
        progress_.step({});
    }

    /// What the library tells by codes and places, a portion at a time.
    void pass() {
        std::vector<Path> places;
        for (InRow& row : waiting_) {
            std::string elsewhere;
            places.push_back(placeOfRow(out_.plan, row.says, elsewhere));
            if (!elsewhere.empty())
                markElsewhere(row, elsewhere);
        }
        const std::vector<FileId> at = store_.files().idsOf(places);
        for (size_t i = 0; i < waiting_.size(); ++i) {
            InRow& row = waiting_[i];
            if (!places[i].empty() && at[i] != 0)
                take(row, at[i], Evidence::Path, "It is at this path.");
            else if (!places[i].empty() && !isHere(places[i].parent_path()))
                markElsewhere(row, places[i].native());
            if (row.file == 0)
                byCode(row, codes_.playouts, "@playout", "playout number");
            if (row.file == 0 && row.candidates.empty())
                byCode(row, codes_.isrcs, "isrc", "ISRC");
        }
        settle(waiting_.begin(), waiting_.end());
        for (const InRow& row : waiting_)
            if (!dropSame(row))
                out_.rows.add(row);
        waiting_.clear();
    }

    /// What is left, by names and by words. The library is gone through for some rows at a time: what is
    /// wanted of it is in memory.
    void end() {
        pass();
        std::vector<bool> drop(out_.rows.size());
        std::vector<size_t> left;
        auto some = [&] {
            byNames(left, drop);
            left.clear();
        };
        for (size_t i = 0; i < drop.size() && !stop_.stop_requested(); ++i) {
            if (out_.rows.file(i) == 0)
                left.push_back(i);
            if (left.size() == mostByName)
                some();
        }
        if (!left.empty())
            some();
        out_.rows.erase(drop);
    }

    /// Rows of one track.
    void together() {
        std::unordered_map<FileId, std::vector<size_t>> before;
        for (size_t i = 0; i < out_.rows.size(); ++i) {
            const FileId file = out_.rows.file(i);
            if (file == 0)
                continue;
            const auto same = same_.find(file);
            std::vector<size_t>& others = before[file];
            if (same != same_.end() || !others.empty()) {
                InRow row = out_.rows[i];
                bool isOther = same != same_.end() && std::ranges::any_of(row.changes, [&](const auto& c) {
                                   return (same->second.keys & bitOf(c.first)) != 0;
                               });
                if (isOther) {
                    row.state = State::Contradicts;
                    tell(row, fmt::format("Line {} says of the same track what the library has.",
                                          same->second.line));
                }
                for (const size_t other : others)
                    if (meet(out_, other, i, row)) {
                        isOther = true;
                        break;
                    }
                if (isOther)
                    out_.rows.put(i, row);
            }
            if (out_.rows.state(i) != State::Again && others.size() < mostOfOneTrack)
                others.push_back(i);
        }
    }

private:
    void byNames(const std::vector<size_t>& left, std::vector<bool>& drop) {
        library::NameMatch names(store_);
        for (const size_t i : left) {
            const InRow row = out_.rows[i];
            names.wantName(placeTold(row));
            names.wantTitle(tags::firstValue(row.says, "title"));
        }
        names.collect(stop_);
        std::vector<InRow> batch;
        for (size_t from = 0; from < left.size() && !stop_.stop_requested(); from += portion) {
            const std::span some = std::span(left).subspan(from, std::min(portion, left.size() - from));
            batch.clear();
            for (const size_t i : some)
                byName(batch.emplace_back(out_.rows[i]), names);
            settle(batch.begin(), batch.end());
            for (size_t i = 0; i < some.size(); ++i) {
                drop[some[i]] = dropSame(batch[i]);
                out_.rows.put(some[i], batch[i]);
            }
        }
    }

    void byName(InRow& row, library::NameMatch& names) {
        const double seconds = std::max(0.0, secondsFrom(tags::firstValue(row.says, "@length")));
        auto found = names.byName(placeTold(row), seconds);
        Evidence evidence = Evidence::Name;
        if (found.file == 0 && found.candidates.empty()) {
            found = names.byTitle(tags::firstValue(row.says, "title"), tags::firstValue(row.says, "artist"),
                                  seconds);
            evidence = Evidence::Words;
        }
        if (found.file != 0) {
            take(row, found.file, evidence, found.told);
        } else if (row.candidates.empty()) {
            row.candidates = std::move(found.candidates);
            row.state = row.candidates.empty() ? State::NoTrack : State::Several;
            tell(row, found.told.empty() ? "No track of the library is like it." : found.told);
        }
    }

    static std::string placeTold(const InRow& row) {
        for (const char* key : {"@path", "@name", "@stem", "@elsewhere"})
            if (const std::string& told = tags::firstValue(row.says, key); !told.empty())
                return told;
        return {};
    }

    void take(InRow& row, FileId file, Evidence evidence, const std::string& told) {
        row.file = file;
        row.evidence = evidence;
        row.candidates.clear();
        tell(row, told);
    }

    void byCode(InRow& row, const std::unordered_map<std::string, std::vector<FileId>>& files,
                const char* key, const char* name) {
        const std::string& code = tags::firstValue(row.says, key);
        const auto it = code.empty() ? files.end() : files.find(code);
        if (it == files.end())
            return;
        std::vector<FileId> all = it->second;
        if (all.size() > 1) { // those of one recording are one track
            std::map<library::RecordingId, FileId> recordings;
            for (const FileId id : all)
                recordings.try_emplace(store_.recordings().placeOf(id).recording, id);
            all.clear();
            for (const auto& [recording, id] : recordings)
                all.push_back(recording == 0 ? id : library::recordingOf(store_, id).best);
        }
        if (all.size() == 1)
            return take(row, all.front(), Evidence::Code, fmt::format("It has the same {}.", name));
        row.candidates = all;
        row.state = State::Several;
        tell(row, fmt::format("{} tracks have this {}: choose one.", all.size(), name));
    }

    /// What is otherwise, of rows whose track is known.
    template<class It>
    void settle(It begin, It end) {
        std::vector<FileId> ids;
        for (It row = begin; row != end; ++row)
            if (row->file != 0)
                ids.push_back(row->file);
        std::unordered_map<FileId, TrackNow> files;
        for (FileRecord& file : store_.files().findAll(ids)) {
            const FileId id = file.id;
            files[id] = nowOf(store_, std::move(file));
        }
        for (It row = begin; row != end; ++row) {
            if (row->file == 0)
                continue;
            const auto file = files.find(row->file);
            if (file == files.end()) {
                row->file = 0;
                row->state = State::NoTrack;
                continue;
            }
            compare(out_.plan, *row, file->second);
        }
    }

    /// Rows that say what the library has are counted, no more: a sheet may have very many.
    bool dropSame(const InRow& row) {
        if (row.state != State::Same)
            return false;
        const auto [at, isNew] = same_.try_emplace(row.file, SameRow{row.line});
        for (const auto& [key, values] : row.says)
            at->second.keys |= bitOf(key);
        if (!row.trouble.empty())
            return false;
        ++(isNew ? out_.same : out_.again);
        return true;
    }
    /// One for each key, as far as there are bits; the last is for all others.
    uint64_t bitOf(const std::string& key) {
        const auto [at, isNew] = bits_.try_emplace(key, std::min<size_t>(bits_.size(), 63));
        return uint64_t{1} << at->second;
    }

    void markElsewhere(InRow& row, const std::string& place) {
        row.placeIsElsewhere = true;
        row.says.try_emplace("@elsewhere", Strings{place});
    }

    bool isHere(const Path& folder) {
        const auto [at, isNew] = folders_.try_emplace(folder.native(), false);
        std::error_code ignored;
        if (isNew)
            at->second = std::filesystem::is_directory(folder, ignored);
        return at->second;
    }

    library::Store& store_;
    RowsIn& out_;
    std::stop_token stop_;
    work::Progress& progress_;
    Codes codes_;
    std::vector<InRow> waiting_;
    struct SameRow {
        size_t line = 0;   // the first that said so
        uint64_t keys = 0; // what such rows say
    };
    std::unordered_map<FileId, SameRow> same_;
    std::unordered_map<std::string, size_t> bits_;
    std::unordered_map<std::string, bool> folders_;
};

} // namespace

size_t RowsIn::count(InRow::State state) const {
    const auto counted = state == State::Same ? same : state == State::Again ? again : 0;
    return counted + rows.count(state);
}

Result<RowsIn> readRowsIn(library::Store& store, const Path& file, const RowsInPlan& plan,
                          std::stop_token stop, work::Progress& progress) {
    RowsIn out;
    out.plan = plan;
    out.source = text::forDisplay(file.filename().native());
    out.rows.layBeside(store.file());
    Reading reading(store, out, stop, progress);
    progress.begin(0);
    size_t rows = 0;
    bool headings = plan.dialect.headings;
    auto read = exchange::readDelimited(
        file, plan.dialect,
        [&](size_t line, exchange::CsvRow&& cells) {
            if (std::exchange(headings, false))
                return true;
            if (++rows > mostRows)
                return false;
            reading.add(line, cells);
            return true;
        },
        stop);
    if (!read)
        return read.error();
    if (rows > mostRows)
        return Error{ErrorKind::Unsupported, file, "It has more than five million rows."};
    out.unread = *read;
    reading.end();
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    reading.together();
    return out;
}

TrackNow trackNow(library::Store& store, FileId file) {
    auto record = store.files().find(file);
    return record ? nowOf(store, std::move(*record)) : TrackNow();
}

void settleRow(RowsIn& in, size_t at, const TrackNow& track) {
    if (track.file == 0)
        return;
    InRow row = in.rows[at];
    row.file = track.file;
    row.evidence = Evidence::Person;
    row.told = "You said so.";
    row.candidates.clear();
    compare(in.plan, row, track);
    for (size_t i = 0; i < in.rows.size(); ++i)
        if (i != at && in.rows.file(i) == track.file && in.rows.state(i) != State::LeftOut &&
            in.rows.state(i) != State::Again && meet(in, i, at, row))
            break;
    in.rows.put(at, row);
}

void preferRow(RowsIn& in, size_t at, const TrackNow& track) {
    InRow row = in.rows[at];
    if (track.file == 0 || track.file != row.file)
        return;
    for (size_t i = 0; i < in.rows.size(); ++i)
        if (i != at && in.rows.file(i) == row.file && in.rows.state(i) == State::Contradicts)
            leaveRowOut(in, i);
    compare(in.plan, row, track);
    in.rows.put(at, row);
}

void leaveRowOut(RowsIn& in, size_t at) {
    InRow row = in.rows[at];
    row.state = State::LeftOut;
    in.rows.put(at, row);
}

std::string rowName(const InRow& row) {
    std::string out = tags::firstValue(row.says, "title");
    if (const std::string& artist = tags::firstValue(row.says, "artist"); !artist.empty())
        out += (out.empty() ? "" : ", ") + artist;
    if (!out.empty())
        return out;
    for (const char* key : {"@path", "@name", "@stem", "isrc", "@playout"})
        if (const std::string& told = tags::firstValue(row.says, key); !told.empty())
            return told;
    return {};
}

} // namespace moorfrost::deliver
