// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/track_list_text.h"

#include <algorithm>
#include <optional>
#include <set>

#include "core/exchange/track_list_line.h"
#include "core/reference/release_json.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

namespace {

using reference::Medium;
using reference::Track;
using Kind = TrackListLine::Kind;

constexpr size_t longestText = 4u << 20, mostLines = 20000;

/// Which of the lines are tracks, by what most of them look like.
struct Shape {
    bool places = false, lengths = false;
    bool dots = false; // "3.41" is a length: all have one
};

/// Whether the place of `b` follows that of `a` in a list.
bool follows(const FoundPlace& a, const FoundPlace& b) {
    if (a.medium == b.medium && a.side == b.side)
        return b.number == a.number + 1;
    return b.number <= 1; // another disc or side begins
}

/// Marks places that stand in a run: numbers that go on from line to line.
std::vector<bool> runs(const std::vector<TrackLine>& lines) {
    std::vector<bool> out(lines.size());
    size_t last = SIZE_MAX;
    std::vector<size_t> run;
    auto take = [&] {
        // Two lines in a row may be chance, unless the numbers are marked as such.
        const bool marked = std::ranges::all_of(run, [&](size_t i) { return lines[i].place->sure; });
        if (run.size() >= 3 || (run.size() >= 1 && marked))
            for (const size_t i : run)
                out[i] = true;
        run.clear();
    };
    for (size_t i = 0; i < lines.size(); ++i) {
        if (!lines[i].place || (lines[i].talk && !lines[i].place->sure))
            continue;
        const FoundPlace& place = *lines[i].place;
        const bool goesOn = last != SIZE_MAX && follows(*lines[last].place, place);
        if (goesOn && (run.empty() || place.number != 1 || !place.side.empty() || place.medium > 0)) {
            run.push_back(i);
        } else if (place.number <= 1 || run.empty()) {
            take();
            run.push_back(i);
        } else {
            continue; // "1998 Gannet Row" between 3 and 4
        }
        last = i;
    }
    take();
    return out;
}

/// Lines behind one another that begin at 0 and rise tell when tracks begin, not how long they are.
bool areStarts(const std::vector<const TrackLine*>& tracks) {
    int64_t last = -1;
    size_t zero = 0;
    for (const TrackLine* r : tracks) {
        if (!r->hasLength || r->ms <= last)
            return false;
        zero += r->ms == 0;
        last = r->ms;
    }
    return zero == 1 && tracks.size() > 1;
}

size_t distinct(const std::vector<std::string>& texts) {
    std::set<std::string> all;
    for (const std::string& t : texts)
        all.insert(text::fold(t));
    return all.size();
}

/// " - " with any dash: the parts.
std::vector<std::string> dashed(const std::string& title) {
    std::string s = title;
    for (const char* dash : {" \u2013 ", " \u2014 ", " -- "})
        s = text::replaceAll(s, dash, " - ");
    std::vector<std::string> out;
    for (std::string& part : text::split(s, " - "))
        out.push_back(cleanTitle(part));
    return out;
}

/// The text in lines, whatever ends them; `trouble`: where not all of it is taken.
std::vector<std::string> linesOf(std::string_view input, std::string& trouble) {
    if (input.size() > longestText) {
        trouble = "The text is longer than 4 MB: only its beginning was read.";
        input = input.substr(0, longestText);
    }
    std::string all;
    if (text::isUtf8(input))
        all = input;
    else
        for (const char c : input)
            all += static_cast<unsigned char>(c) < 0x80 ? std::string(1, c) : std::string("\uFFFD");
    for (const auto& [what, with] : {std::pair("\r\n", "\n"),
                                     {"\r", "\n"},
                                     {"\u2028", "\n"},
                                     {"<br>", "\n"},
                                     {"<br/>", "\n"},
                                     {"<br />", "\n"},
                                     {"</li>", "\n"},
                                     {"</tr>", "\n"},
                                     {"</p>", "\n"}})
        all = text::replaceAll(all, what, with);
    std::vector<std::string> texts = text::split(all, "\n");
    if (texts.size() > mostLines) {
        trouble = "The text has more than 20,000 lines: only the first of them were read.";
        texts.resize(mostLines);
    }
    return texts;
}

Shape shapeOf(const std::vector<TrackLine>& lines, const std::vector<bool>& inRun) {
    size_t content = 0, placed = 0, timed = 0, dotted = 0;
    for (size_t i = 0; i < lines.size(); ++i) {
        if (lines[i].heading && !inRun[i])
            continue;
        content += !lines[i].talk;
        placed += inRun[i];
        timed += lines[i].hasLength && !lines[i].talk;
        dotted += lines[i].hasLength && lines[i].dotted;
    }
    Shape shape;
    shape.places = placed >= 1 && (placed * 2 >= content || placed >= 3);
    shape.lengths = !shape.places && timed * 2 >= std::max<size_t>(content, 1);
    shape.dots = dotted * 2 >= std::max(placed, timed);
    return shape;
}

/// Lines that are tracks, and the headings between them.
struct Chosen {
    std::vector<const TrackLine*> tracks;
    std::vector<std::pair<size_t, FoundHeading>> headings; // before which track
};
Chosen choose(std::vector<TrackLine>& lines, const std::vector<bool>& inRun, const Shape& shape,
              TrackListText& out) {
    Chosen chosen;
    for (size_t i = 0; i < lines.size(); ++i) {
        TrackLine& r = lines[i];
        if (r.heading && !(inRun[i] && !shape.places)) {
            chosen.headings.emplace_back(chosen.tracks.size(), *r.heading);
            out.lines[r.line].kind = Kind::Heading;
            continue;
        }
        const bool isTrack = shape.places    ? inRun[i]
                             : shape.lengths ? r.hasLength && !r.talk
                                             : !r.talk && withoutEnds(r.whole).size() <= 300;
        if (!isTrack)
            continue;
        if (r.hasLength && r.dotted && !shape.dots) {
            const std::string s = text::trim(plainLine(out.lines[r.line].text));
            r.hasLength = false;
            r.ms = 0;
            r.rest = s.substr(r.place ? r.place->end : 0);
            r.whole = s;
        }
        if (!shape.places)
            r.rest = r.whole;
        out.lines[r.line].kind = Kind::Track;
        chosen.tracks.push_back(&r);
        if (chosen.tracks.size() > reference::maxTracks) {
            out.trouble = "There are more than 2,000 tracks in the text: only the first of them were taken.";
            chosen.tracks.pop_back();
            break;
        }
    }
    return chosen;
}

struct Names {
    std::vector<std::string> titles, artists; // of each track
};
Names namesOf(const std::vector<const TrackLine*>& reads, const Shape& shape) {
    std::vector<std::string> titles, artists(reads.size());
    std::vector<std::vector<std::string>> parts;
    for (const TrackLine* r : reads) {
        std::vector<std::string> some;
        if (r->columns.size() > 1 && shape.places == r->place.has_value())
            for (const std::string& column : r->columns)
                some.push_back(cleanTitle(column));
        else
            some = dashed(cleanTitle(text::replaceAll(r->rest, "\t", " ")));
        titles.push_back(cleanTitle(text::replaceAll(r->rest, "\t", " ")));
        parts.push_back(std::move(some));
    }
    const auto two =
        static_cast<size_t>(std::ranges::count_if(parts, [](const auto& p) { return p.size() >= 2; }));
    const bool columns =
        !reads.empty() &&
        std::ranges::count_if(reads, [](const TrackLine* r) { return r->columns.size() > 1; }) * 2 >
            static_cast<std::ptrdiff_t>(reads.size());
    if (two == reads.size() && two > 0) {
        std::vector<std::string> first, second;
        for (const auto& p : parts) {
            first.push_back(p[0]);
            second.push_back(p[1]);
        }
        const size_t a = distinct(first), b = distinct(second);
        // The artist is what comes again; where nothing does, columns have the title in front, dashes the
        // artist.
        const bool artistFirst = a != b ? a < b : !columns;
        // A dash in every one of two or three titles may be a part of them.
        if (columns || a < two || b < two || two >= 4)
            for (size_t i = 0; i < reads.size(); ++i) {
                artists[i] = artistFirst ? first[i] : second[i];
                titles[i] = artistFirst ? second[i] : first[i];
                if (artistFirst && !columns)
                    for (size_t n = 2; n < parts[i].size(); ++n)
                        titles[i] += " - " + parts[i][n];
            }
    } else if (columns) {
        for (size_t i = 0; i < reads.size(); ++i)
            if (reads[i]->columns.size() > 1)
                titles[i] = parts[i][0];
    }
    return {std::move(titles), std::move(artists)};
}

/// Two sides are one disc.
int discOf(const std::string& side) {
    return side.empty() ? 0 : (side[0] - 'A') / 2;
}

std::vector<Medium> mediaOf(const Chosen& chosen, const Names& names, const Shape& shape) {
    std::vector<Medium> media;
    const auto& reads = chosen.tracks;
    const auto& headings = chosen.headings;
    const bool starts = areStarts(reads);
    std::string side;
    size_t next = 0, onSide = 0;
    std::optional<FoundPlace> before;
    for (size_t i = 0; i < reads.size(); ++i) {
        bool headed = false;
        while (next < headings.size() && headings[next].first <= i) {
            const FoundHeading& h = headings[next++].second;
            const bool another =
                h.side.empty() || media.empty() || discOf(h.side) >= static_cast<int>(media.size());
            if (another) {
                media.emplace_back();
                media.back().title = h.title;
                media.back().carrier = h.carrier;
            }
            side = h.side;
            onSide = 0;
            headed = true;
        }
        const TrackLine& r = *reads[i];
        const FoundPlace* place = shape.places && r.place ? &*r.place : nullptr;
        if (place && before && !headed) {
            const bool restarts = place->number <= 1 && before->number >= 1 && place->side.empty() &&
                                  side.empty() && place->medium == before->medium && i > 0 &&
                                  place->number < before->number;
            if (restarts || place->medium != before->medium || discOf(place->side) != discOf(before->side))
                media.emplace_back();
        }
        if (media.empty())
            media.emplace_back();
        Track track;
        ++onSide;
        const std::string own = !place              ? std::to_string(onSide)
                                : place->number > 0 ? std::to_string(place->number)
                                                    : std::string();
        const std::string& onSideOf = place && !place->side.empty() ? place->side : side;
        track.position = onSideOf + own;
        if (!place && side.empty())
            track.position = std::to_string(media.back().tracks.size() + 1);
        track.title = text::clipBytes(names.titles[i], reference::maxText);
        if (!names.artists[i].empty())
            track.credit.names.push_back({names.artists[i]});
        if (!starts)
            track.lengthMs = r.hasLength ? r.ms : 0;
        else if (i + 1 < reads.size())
            track.lengthMs = reads[i + 1]->ms - r.ms;
        media.back().tracks.push_back(std::move(track));
        if (place)
            before = *place;
        else
            before.reset();
    }
    return media;
}

} // namespace

size_t TrackListText::tracks() const {
    size_t out = 0;
    for (const Medium& m : media)
        out += m.tracks.size();
    return out;
}

TrackListText readTrackList(std::string_view input) {
    TrackListText out;
    const std::vector<std::string> texts = linesOf(input, out.trouble);
    std::vector<TrackLine> lines;
    for (size_t i = 0; i < texts.size(); ++i) {
        out.lines.push_back({texts[i], Kind::Blank});
        if (text::trim(plainLine(texts[i])).empty())
            continue;
        out.lines.back().kind = Kind::LeftOut;
        lines.push_back(readTrackLine(texts[i], i));
    }
    const std::vector<bool> inRun = runs(lines);
    const Shape shape = shapeOf(lines, inRun);
    const Chosen chosen = choose(lines, inRun, shape, out);
    out.media = mediaOf(chosen, namesOf(chosen.tracks, shape), shape);
    return out;
}

} // namespace moorfrost::exchange
