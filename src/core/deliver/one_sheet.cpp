// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/one_sheet.h"

#include <algorithm>
#include <cmath>
#include <set>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/people/lyrics.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Strings = std::vector<std::string>;

void addCell(Row& row, const std::string& text, Tone tone = Tone::Plain, bool isCode = false) {
    if (!text.empty())
        row.push_back({text, tone, isCode});
}

std::string yearOf(const std::string& date) {
    return date.substr(0, 4);
}

/// "Kestrel and Varnholt".
std::string listed(const Strings& names) {
    std::string out;
    for (size_t i = 0; i < names.size(); ++i)
        out += (i == 0 ? "" : i + 1 == names.size() ? " and " : ", ") + names[i];
    return out;
}

/// The lines below the title of a song.
Row whoLine(const SheetSubject& subject, const SheetSong& song) {
    Row out;
    addCell(out, song.artist);
    if (!subject.isRelease && !song.release.empty())
        addCell(out, song.release + (song.date.empty() ? "" : ", " + yearOf(song.date)));
    else if (!subject.isRelease)
        addCell(out, yearOf(song.date));
    return out;
}
Row factLine(const SheetSong& song) {
    Row out;
    if (song.seconds > 0)
        addCell(out, clockText(song.seconds), Tone::Quiet);
    if (!song.tempo.empty())
        addCell(out, song.tempo + " BPM", Tone::Quiet);
    for (const std::string* one : {&song.key, &song.language, &song.genre, &song.mood})
        addCell(out, *one, Tone::Quiet);
    return out;
}
void addCode(Row& row, const char* name, const std::string& code) {
    if (!code.empty()) {
        row.push_back({name, Tone::Quiet});
        row.push_back({code, Tone::Plain, true});
    }
}

/// Names of codes and codes by turns.
Row codePairs(const SheetSubject& subject, const SheetSong& song, const SheetLayout& layout) {
    Row out;
    for (const std::string& isrc : song.isrcs)
        addCode(out, "ISRC", shownIsrc(isrc));
    if (song.isrcs.empty() && layout.showsMissing)
        out.push_back({"ISRC to follow", Tone::Missing});
    for (const SheetWork& work : song.works)
        addCode(out, "ISWC", work.iswc);
    if (!subject.isRelease)
        addCode(out, song.label.empty() ? "Catalogue number" : song.label.c_str(), song.catalogueNumber);
    return out;
}

SheetPart partOf(Section section) {
    SheetPart out;
    out.section = section;
    out.heading = sectionDef(section).label;
    return out;
}

/// Rows of a name and what it says.
void addRow(SheetPart& part, const std::string& name, const std::string& says, bool isCode = false) {
    if (!says.empty())
        part.rows.push_back({{name, Tone::Quiet}, {says, Tone::Plain, isCode}});
}

SheetPart factsPart(const SheetSubject& subject, const SheetSong& song) {
    SheetPart out = partOf(Section::Facts);
    addRow(out, "Artist", song.artist);
    if (!subject.isRelease)
        addRow(out, "Release", song.release);
    addRow(out, "Date", subject.isRelease ? std::string() : song.date);
    if (song.seconds > 0)
        addRow(out, "Length", clockText(song.seconds));
    addRow(out, "Tempo", song.tempo.empty() ? "" : song.tempo + " BPM");
    addRow(out, "Key", song.key);
    addRow(out, "Language", song.language);
    addRow(out, "Genre", song.genre);
    addRow(out, "Mood", song.mood);
    return out;
}

SheetPart codesPart(const SheetSubject& subject, const SheetSong& song, const SheetLayout& layout) {
    SheetPart out = partOf(Section::Codes);
    const Row pairs = codePairs(subject, song, layout);
    for (size_t i = 0; i < pairs.size(); ++i) {
        if (pairs[i].tone == Tone::Missing) {
            out.rows.push_back({{"ISRC", Tone::Quiet}, {"to follow", Tone::Missing}});
        } else if (i + 1 < pairs.size()) {
            out.rows.push_back({pairs[i], pairs[i + 1]});
            ++i;
        }
    }
    return out;
}

SheetPart versionsPart(const SheetSong& song) {
    SheetPart out = partOf(Section::Versions);
    const bool coded = std::ranges::any_of(
        song.versions, [](const SheetVersion& v) { return v.stem.empty() && !v.isrc.empty(); });
    Strings said, stems;
    for (const SheetVersion& v : song.versions) {
        if (!v.stem.empty()) {
            stems.push_back(v.stem);
        } else if (coded) {
            out.rows.push_back({{v.name, Tone::Plain},
                                {v.isrc.empty() ? "" : shownIsrc(v.isrc), Tone::Quiet, true},
                                {v.seconds > 0 ? clockText(v.seconds) : "", Tone::Plain}});
        } else {
            said.push_back(v.name + (v.seconds > 0 ? " " + clockText(v.seconds) : ""));
        }
    }
    out.endsInNumbers = coded;
    if (!stems.empty())
        said.push_back("Stems: " + text::join(stems, ", "));
    if (!said.empty())
        out.paragraphs.push_back({text::join(said, " \u00B7 ")});
    return out;
}

/// One side of a work, or the owners.
SheetPart sidePart(Section section, const std::string& heading, const SheetSide& side, bool hasNumbers,
                   const SheetLayout& layout) {
    SheetPart out = partOf(section);
    out.heading = heading;
    out.endsInNumbers = true;
    for (const SheetName& n : side.names) {
        Row row;
        row.push_back({n.name});
        Strings does = n.roles;
        if (!n.forWhom.empty())
            does.push_back("for " + listed(n.forWhom));
        if (!n.territory.empty())
            does.push_back("in " + n.territory);
        if (!n.from.empty())
            does.push_back("from " + n.from);
        row.push_back({text::join(does, ", "), Tone::Quiet});
        if (hasNumbers) {
            if (n.number.empty() && n.lacksNumber && layout.showsMissing)
                row.push_back({"IPI to follow", Tone::Missing});
            else
                row.push_back({n.number.empty() ? "" : "IPI " + n.number, Tone::Plain, true});
        }
        if (n.part)
            row.push_back({n.part->percent()});
        else
            row.push_back({layout.showsMissing ? "to follow" : "", Tone::Missing});
        out.rows.push_back(std::move(row));
    }
    if (!layout.showsMissing)
        return out;
    const library::Fraction all(1, 1);
    for (const library::SideSum& sum : side.sums) {
        const std::string where = sum.territory.empty() ? "" : " in " + sum.territory;
        Row row;
        if (sum.isTooMuch())
            row = {{"too much" + where, Tone::Missing}, {}, {(sum.sum - all).percent(), Tone::Missing}};
        else if (!sum.isWhole())
            row = {{"open" + where, Tone::Open}, {}, {(all - sum.sum).percent(), Tone::Open}};
        else
            continue;
        if (hasNumbers)
            row.insert(row.begin() + 2, Cell());
        out.rows.push_back(std::move(row));
    }
    return out;
}

void addPeople(const SheetSong& song, const SheetLayout& layout, std::vector<SheetPart>& out) {
    for (const SheetWork& work : song.works) {
        const std::string of = song.works.size() > 1 ? " of " + work.title : "";
        for (const auto& [name, side] :
             {std::pair("Writers", &work.writers), {"Publishers", &work.publishers}})
            if (!side->names.empty())
                out.push_back(sidePart(Section::People, name + of, *side, true, layout));
    }
    const bool anybody =
        std::ranges::any_of(song.works, [](const SheetWork& w) { return !w.writers.names.empty(); });
    if (!anybody && layout.showsMissing) {
        SheetPart part = partOf(Section::People);
        part.heading = "Writers";
        part.paragraphs.push_back({"To follow", Tone::Missing});
        out.push_back(std::move(part));
    }
}

void addOwners(const SheetSong& song, const SheetLayout& layout, std::vector<SheetPart>& out) {
    SheetPart part = sidePart(Section::Owners, sectionDef(Section::Owners).label, song.owners, false, layout);
    if (part.rows.empty() && layout.showsMissing)
        part.paragraphs.push_back({"To follow", Tone::Missing});
    out.push_back(std::move(part));
}

void addKeywords(const SheetSong& song, std::vector<SheetPart>& out) {
    Strings keywords;
    for (const SheetWork& work : song.works)
        for (const std::string& word : work.keywords)
            if (std::ranges::find(keywords, word) == keywords.end())
                keywords.push_back(word);
    if (!keywords.empty()) {
        SheetPart part = partOf(Section::Keywords);
        part.heading = "Keywords";
        part.paragraphs.push_back({text::join(keywords, ", ")});
        out.push_back(std::move(part));
    }
    SheetPart part = partOf(Section::Keywords);
    part.heading = "Description";
    for (const SheetWork& work : song.works)
        if (!work.description.empty())
            part.paragraphs.push_back({work.description});
    out.push_back(std::move(part));
}

void addContacts(const SheetSong& song, std::vector<SheetPart>& out) {
    SheetPart part = partOf(Section::Contacts);
    for (const SheetContact& c : song.contacts) {
        const std::string purpose = c.contact.purpose.empty() ? c.contact.kind : c.contact.purpose;
        part.rows.push_back({{c.name}, {purpose, Tone::Quiet}, {c.contact.value}});
    }
    out.push_back(std::move(part));
}

void addLyrics(const SheetSong& song, std::vector<SheetPart>& out) {
    bool any = false;
    auto add = [&](const std::string& heading, const std::string& lyrics) {
        SheetPart part = partOf(Section::Lyrics);
        part.heading = heading;
        const auto verses = library::versesOf(lyrics);
        const bool chords = library::hasChords(verses); // they stand above what is sung to them
        std::string all;
        for (const library::Verse& verse : verses) {
            all += all.empty() ? "" : "\n\n";
            for (size_t i = 0; i < verse.size(); ++i)
                all += (i == 0 ? "" : "\n") + verse[i].text;
        }
        part.paragraphs.push_back({std::move(all), Tone::Plain, chords});
        out.push_back(std::move(part));
        any = true;
    };
    for (const SheetWork& work : song.works)
        if (!work.lyrics.empty())
            add(song.works.size() > 1 ? "Lyrics of " + work.title : "Lyrics", work.lyrics);
    if (!any && !song.lyrics.empty())
        add("Lyrics", song.lyrics);
}

std::string pictureText(const tags::PictureInfo& picture) {
    return picture.hash == 0 || picture.description.empty() ? std::string() : picture.description;
}

void addSection(const SheetSubject& subject, const SheetSong& song, const SheetLayout& layout,
                Section section, std::vector<SheetPart>& out) {
    using enum Section;
    switch (section) {
    case Facts:
        out.push_back(factsPart(subject, song));
        break;
    case Codes:
        out.push_back(codesPart(subject, song, layout));
        break;
    case Versions:
        out.push_back(versionsPart(song));
        break;
    case People:
        addPeople(song, layout, out);
        break;
    case Owners:
        addOwners(song, layout, out);
        break;
    case Keywords:
        addKeywords(song, out);
        break;
    case Recording: {
        SheetPart part = partOf(Recording);
        for (const auto& [name, says] : song.details)
            addRow(part, name, says);
        out.push_back(std::move(part));
        break;
    }
    case Contacts:
        addContacts(song, out);
        break;
    case Lyrics:
        addLyrics(song, out);
        break;
    case Listen: {
        SheetPart part = partOf(Listen);
        for (const library::Bookmark& mark : song.marks)
            part.rows.push_back(
                {{clockText(mark.seconds), Tone::Plain, true}, {mark.text.empty() ? "here" : mark.text}});
        out.push_back(std::move(part));
        break;
    }
    case Links: {
        SheetPart part = partOf(Links);
        for (const std::string& link : song.links)
            part.paragraphs.push_back({link});
        out.push_back(std::move(part));
        break;
    }
    case Picture: {
        SheetPart part = partOf(Picture);
        if (const std::string says = pictureText(song.picture); !says.empty() && !subject.isRelease)
            part.paragraphs.push_back({says});
        out.push_back(std::move(part));
        break;
    }
    }
}

SheetItem songItem(const SheetSubject& subject, const SheetSong& song, const SheetLayout& layout) {
    SheetItem out;
    out.title = (subject.isRelease && !song.position.empty() ? song.position + "  " : "") + song.title;
    out.ownPage = layout.ownPages;
    if (const Row who = whoLine(subject, song); !who.empty())
        out.lines.push_back(who);
    // What leads the layout stands beside the picture.
    size_t first = 0;
    for (; first < layout.places.size(); ++first) {
        const auto& [section, on] = layout.places[first];
        if (!on)
            continue;
        if (section == Section::Facts) {
            if (const Row facts = factLine(song); !facts.empty())
                out.lines.push_back(facts);
        } else if (section == Section::Codes) {
            Row row;
            const Row pairs = codePairs(subject, song, layout);
            for (size_t i = 0; i < pairs.size(); ++i) {
                if (pairs[i].tone == Tone::Missing || i + 1 == pairs.size()) {
                    row.push_back(pairs[i]);
                } else {
                    row.push_back({pairs[i].text + " " + pairs[i + 1].text, Tone::Quiet, true});
                    ++i;
                }
            }
            if (!row.empty())
                out.lines.push_back(row);
        } else if (section != Section::Picture) {
            break;
        }
    }
    out.hasPicture = !subject.isRelease && layout.has(Section::Picture) && song.picture.hash != 0;
    for (size_t i = 0; i < layout.places.size(); ++i) {
        const auto& [section, on] = layout.places[i];
        const bool stands = i < first && section != Section::Picture;
        if (on && !stands)
            addSection(subject, song, layout, section, out.parts);
    }
    std::erase_if(out.parts, [](const SheetPart& p) { return p.rows.empty() && p.paragraphs.empty(); });
    return out;
}

SheetItem releaseItem(const SheetSubject& subject, const SheetLayout& layout) {
    SheetItem out;
    out.title = subject.title.empty() ? "A release without a title" : subject.title;
    Row who, what;
    addCell(who, subject.artist);
    addCell(who, subject.date);
    addCell(who, subject.country);
    if (!who.empty())
        out.lines.push_back(who);
    double seconds = 0;
    for (const SheetSong& song : subject.songs)
        seconds += song.seconds;
    addCell(what, fmt::format("{} tracks", subject.songs.size()), Tone::Quiet);
    if (seconds > 0)
        addCell(what, clockText(seconds), Tone::Quiet);
    addCell(what, subject.carrier, Tone::Quiet);
    out.lines.push_back(what);
    if (layout.has(Section::Codes)) {
        Row codes;
        if (!subject.label.empty() || !subject.catalogueNumber.empty())
            addCell(codes, text::trim(subject.label + " " + subject.catalogueNumber), Tone::Quiet, true);
        if (!subject.barcode.empty())
            addCell(codes, "Barcode " + subject.barcode, Tone::Quiet, true);
        if (!codes.empty())
            out.lines.push_back(codes);
    }
    out.hasPicture = layout.has(Section::Picture) && subject.picture.hash != 0;
    SheetPart tracks;
    tracks.heading = "Tracks";
    tracks.endsInNumbers = true;
    for (const SheetSong& song : subject.songs)
        tracks.rows.push_back({{song.position, Tone::Quiet, true},
                               {song.title},
                               {song.artist == subject.artist ? "" : song.artist, Tone::Quiet},
                               {song.seconds > 0 ? clockText(song.seconds) : ""}});
    if (!tracks.rows.empty())
        out.parts.push_back(std::move(tracks));
    if (layout.has(Section::Links) && !subject.links.empty()) {
        SheetPart links = partOf(Section::Links);
        for (const std::string& link : subject.links)
            links.paragraphs.push_back({link});
        out.parts.push_back(std::move(links));
    }
    if (layout.has(Section::Picture))
        if (const std::string says = pictureText(subject.picture); !says.empty()) {
            SheetPart part = partOf(Section::Picture);
            part.paragraphs.push_back({says});
            out.parts.push_back(std::move(part));
        }
    return out;
}

} // namespace

std::string clockText(double seconds) {
    const auto all = static_cast<int64_t>(std::llround(std::max(0.0, seconds)));
    return all >= 3600 ? fmt::format("{}:{:02}:{:02}", all / 3600, all / 60 % 60, all % 60)
                       : fmt::format("{}:{:02}", all / 60, all % 60);
}

std::string shownIsrc(const std::string& isrc) {
    const std::string plain = text::upper(reference::plainCode(isrc));
    if (plain.size() != 12 || !audit::whyNotCode("isrc", plain).empty())
        return isrc;
    return plain.substr(0, 2) + "-" + plain.substr(2, 3) + "-" + plain.substr(5, 2) + "-" + plain.substr(7);
}

SheetDocument oneSheet(const SheetSubject& subject, const SheetLayout& layout) {
    SheetDocument out;
    out.title = subject.title;
    out.subject = "One-sheet";
    out.author = subject.artist;
    std::set<std::string> artists;
    for (const SheetSong& song : subject.songs) {
        if (!song.artist.empty() && artists.insert(song.artist).second && subject.artist.empty())
            out.author += (out.author.empty() ? "" : ", ") + song.artist;
        for (const SheetWork& work : song.works)
            for (const std::string& word : work.keywords)
                if (std::ranges::find(out.keywords, word) == out.keywords.end())
                    out.keywords.push_back(word);
    }
    if (subject.isRelease)
        out.items.push_back(releaseItem(subject, layout));
    for (const SheetSong& song : subject.songs)
        out.items.push_back(songItem(subject, song, layout));
    if (!subject.isRelease && !out.items.empty())
        out.items.front().ownPage = false;
    return out;
}

} // namespace moorfrost::deliver
