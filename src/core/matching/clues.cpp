// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/clues.h"

#include <algorithm>
#include <array>
#include <cstdlib>
#include <map>
#include <set>

#include "core/matching/file_traits.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

/// "01 - ", "1-03 ", "A2. ", "03_" in front of a name.
std::string withoutNumber(const std::string& name) {
    size_t i = 0;
    const bool side = name.size() > 1 && name[0] >= 'A' && name[0] <= 'H' &&
                      std::isdigit(static_cast<unsigned char>(name[1]));
    if (side)
        ++i;
    size_t digits = 0;
    while (i < name.size() &&
           (std::isdigit(static_cast<unsigned char>(name[i])) ||
            (digits > 0 && digits < 3 && (name[i] == '-' || name[i] == '.') && i + 1 < name.size() &&
             std::isdigit(static_cast<unsigned char>(name[i + 1]))))) {
        ++i;
        ++digits;
    }
    if (digits == 0 || digits > 5 || i >= name.size() ||
        std::string_view(" .-_)").find(name[i]) == std::string_view::npos)
        return name;
    const size_t at = name.find_first_not_of(" .-_)", i);
    return at == std::string::npos ? name : name.substr(at);
}

/// What stands in brackets and says how the files were made, not what they are.
std::string withoutRemarks(const std::string& name) {
    static constexpr std::array<std::string_view, 14> remarks{"flac",  "mp3",      "wav", "ogg",  "opus",
                                                              "m4a",   "lossless", "320", "kbps", "v0",
                                                              "vinyl", "cassette", "rip", "cd"};
    std::string out;
    for (size_t i = 0; i < name.size();) {
        const char close = name[i] == '(' ? ')' : name[i] == '[' ? ']' : '\0';
        const size_t end = close ? name.find(close, i) : std::string::npos;
        if (end == std::string::npos) {
            out += name[i++];
            continue;
        }
        const std::string inner = text::likenessForm(name.substr(i + 1, end - i - 1));
        const bool remark = std::ranges::any_of(
            remarks, [&](std::string_view r) { return inner.find(r) != std::string::npos; });
        const bool year = inner.size() == 4 && text::isDigits(inner);
        if (!remark && !year)
            out += name.substr(i, end - i + 1);
        i = end + 1;
    }
    return text::trim(out);
}

int yearIn(const std::string& name) {
    for (size_t i = 0; i + 4 <= name.size(); ++i)
        if ((i == 0 || !std::isdigit(static_cast<unsigned char>(name[i - 1]))) &&
            text::isDigits(std::string_view(name).substr(i, 4)) &&
            (i + 4 == name.size() || !std::isdigit(static_cast<unsigned char>(name[i + 4])))) {
            const int year = std::atoi(name.substr(i, 4).c_str());
            if (year >= 1900 && year <= 2100)
                return year;
        }
    return 0;
}

std::string spaced(const Path& name) {
    std::string s = text::forDisplay(name.native());
    s = text::replaceAll(s, "_-_", " - ");
    std::ranges::replace(s, '_', ' ');
    return s;
}

/// "Artist - Album" and the like; the dashes of names stay.
std::vector<std::string> dashParts(const std::string& name) {
    std::vector<std::string> out;
    for (const std::string& part : text::split(text::replaceAll(name, " \u2013 ", " - "), " - "))
        if (std::string p = text::trim(part); !p.empty())
            out.push_back(std::move(p));
    return out;
}

std::string carrierIn(const std::string& text) {
    const std::string form = " " + text::likenessForm(text) + " ";
    for (const auto& [word, carrier] :
         std::initializer_list<std::pair<const char*, const char*>>{{" vinyl ", "Vinyl"},
                                                                    {" lp ", "Vinyl"},
                                                                    {" cassette ", "Cassette"},
                                                                    {" tape ", "Cassette"},
                                                                    {" cd ", "CD"},
                                                                    {" cd1 ", "CD"},
                                                                    {" cd2 ", "CD"},
                                                                    {" web ", "File"}})
        if (form.find(word) != std::string::npos)
            return carrier;
    return {};
}

/// Values by how often they are said; the most often first, earlier ones before later ones.
class Votes {
public:
    void add(const std::string& value, double weight = 1) {
        if (value.empty())
            return;
        const auto [it, isNew] = votes_.try_emplace(value, 0, votes_.size());
        it->second.first += weight;
    }
    std::vector<std::string> best(size_t most) const {
        std::vector<std::pair<std::string, std::pair<double, size_t>>> all(votes_.begin(), votes_.end());
        std::ranges::sort(all, [](const auto& a, const auto& b) {
            return a.second.first != b.second.first ? a.second.first > b.second.first
                                                    : a.second.second < b.second.second;
        });
        std::vector<std::string> out;
        for (size_t i = 0; i < std::min(most, all.size()); ++i)
            out.push_back(all[i].first);
        return out;
    }
    std::string first() const {
        const auto b = best(1);
        return b.empty() ? std::string() : b[0];
    }

private:
    std::map<std::string, std::pair<double, size_t>> votes_;
};

void addForm(std::vector<text::Likened>& forms, const std::string& value) {
    text::Likened form(value);
    if (!form.empty() &&
        std::ranges::none_of(forms, [&](const text::Likened& f) { return f.form == form.form; }))
        forms.push_back(std::move(form));
}

/// Names of folders that say nothing.
bool isNameless(const std::string& form) {
    static const std::set<std::string> names{
        "incoming", "music", "downloads", "download", "audio",    "files",          "new",
        "tmp",      "home",  "albums",    "various",  "unsorted", "flac",           "mp3",
        "wav",      "media", "data",      "desktop",  "strays",   "unknown artist", "unknown album"};
    return form.size() < 2 || names.contains(form);
}

} // namespace

SleeveClues cluesOf(const std::vector<SleeveInput>& files) {
    SleeveClues out;
    Votes artists, albums, labels, numbers, barcodes, years, carriers, references;
    std::vector<std::pair<PlayKey, FileClues>> ordered;
    // Names that begin or end all alike tell of the release, not of the track.
    std::map<std::string, size_t> partCounts;
    std::vector<std::vector<std::string>> parts;
    for (const SleeveInput& f : files) {
        parts.push_back(dashParts(withoutNumber(spaced(f.path.stem()))));
        for (const std::string& p : std::set<std::string>(parts.back().begin(), parts.back().end()))
            ++partCounts[p];
    }
    for (size_t i = 0; i < files.size(); ++i) {
        const SleeveInput& f = files[i];
        auto first = [&](const char* key) { return tags::firstValue(f.fields, key); };
        FileClues c;
        c.id = f.id;
        c.lengthMs = static_cast<int64_t>(f.seconds * 1000);
        const NameParts name = namePartsOf(f.path);
        auto number = [&](const char* key) { return std::clamp(std::atoi(first(key).c_str()), 0, 9999); };
        c.track = number("track") > 0 ? number("track") : name.track;
        c.disc = number("disc") > 0 ? number("disc")
                 : name.disc > 0    ? name.disc
                                    : discOfFolder(f.path.parent_path());
        for (const std::string& isrc :
             f.fields.contains("isrc") ? f.fields.at("isrc") : std::vector<std::string>())
            c.isrcs.push_back(reference::plainCode(isrc));
        c.titleOfTag = !first("title").empty();
        addForm(c.titles, first("title"));
        std::vector<std::string> own;
        for (const std::string& p : parts[i])
            if (partCounts[p] < std::max<size_t>(2, (files.size() + 1) / 2))
                own.push_back(withoutNumber(p));
            else if (text::likenessForm(p).size() > 2)
                (p == parts[i].front() ? artists : albums).add(p, 0.3);
        if (!own.empty()) {
            addForm(c.titles, withoutRemarks(own.back()));
            if (own.size() > 1) {
                addForm(c.titles, withoutRemarks(own.front())); // "Title - Artist" is met, too
                addForm(c.artists, own.front());
                if (files.size() <= 2)
                    artists.add(own.front(), 0.5);
            }
        } else if (!parts[i].empty()) {
            addForm(c.titles, parts[i].back());
        }
        if (parts[i].size() > 1)
            addForm(c.titles, text::join(parts[i], " "));
        addForm(c.artists, first("artist"));
        artists.add(first("album_artist"), 1.2);
        artists.add(first("artist"));
        albums.add(first("album"));
        labels.add(first("label"));
        numbers.add(first("catalogue_number"));
        barcodes.add(first("barcode"));
        references.add(first(referenceNumberField));
        carriers.add(first("carrier"));
        years.add(std::to_string(yearIn(first("date"))));
        out.compilation = out.compilation || first("compilation") == "1";
        // The folder of the release, and the one it is in.
        const Path folder = releaseFolder(f.path);
        const std::string own_ = spaced(folder.filename()), above = spaced(folder.parent_path().filename());
        carriers.add(carrierIn(own_), 0.5);
        years.add(std::to_string(yearIn(own_)), 0.4);
        const std::vector<std::string> named = dashParts(withoutRemarks(own_));
        if (!named.empty() && !isNameless(text::likenessForm(own_))) {
            albums.add(withoutRemarks(withoutNumber(named.back())), 0.6);
            if (named.size() > 1) {
                artists.add(named.front(), 0.6);
                albums.add(named.front(), 0.2);
                artists.add(named.back(), 0.1);
            }
        }
        if (!isNameless(text::likenessForm(above)))
            artists.add(above, 0.35);
        ordered.emplace_back(playKey(f), std::move(c));
    }
    std::ranges::stable_sort(ordered, {}, &std::pair<PlayKey, FileClues>::first);
    for (auto& [key, c] : ordered)
        out.files.push_back(std::move(c));
    out.artists = artists.best(4);
    out.albums = albums.best(4);
    for (const std::string& a : out.artists)
        addForm(out.artistForms, a);
    for (const std::string& a : out.albums)
        addForm(out.albumForms, a);
    out.label = labels.first();
    out.catalogueNumber = numbers.first();
    out.barcode = barcodes.first();
    out.carrier = carriers.first();
    for (const std::string& y : years.best(2))
        if (out.year == 0)
            out.year = std::atoi(y.c_str());
    out.referenceNumbers = references.best(3);
    return out;
}

reference::Question SleeveClues::byEverything() const {
    reference::Question q;
    q.artist = text::join(
        std::vector<std::string>(artists.begin(), artists.begin() + static_cast<std::ptrdiff_t>(
                                                                        std::min<size_t>(2, artists.size()))),
        " ");
    q.album = text::join(
        std::vector<std::string>(
            albums.begin(), albums.begin() + static_cast<std::ptrdiff_t>(std::min<size_t>(2, albums.size()))),
        " ");
    q.label = label;
    q.catalogueNumber = catalogueNumber;
    q.barcode = barcode;
    q.year = year;
    const reference::Question tracksOnly = byTracks();
    q.tracks = tracksOnly.tracks;
    q.lengthsMs = tracksOnly.lengthsMs;
    q.isrcs = byCodes().isrcs;
    return q;
}

reference::Question SleeveClues::byTracks() const {
    reference::Question q;
    for (const FileClues& f : files) {
        if (!f.titles.empty() && q.tracks.size() < 40)
            q.tracks.push_back(f.titles.front().form);
        if (f.lengthMs > 0 && q.lengthsMs.size() < 200)
            q.lengthsMs.push_back(f.lengthMs);
    }
    if (q.lengthsMs.size() < 2)
        q.lengthsMs.clear();
    return q;
}

reference::Question SleeveClues::byCodes() const {
    reference::Question q;
    q.barcode = barcode;
    q.catalogueNumber = catalogueNumber;
    for (const FileClues& f : files)
        for (const std::string& isrc : f.isrcs)
            if (q.isrcs.size() < 50)
                q.isrcs.push_back(isrc);
    return q;
}

} // namespace moorfrost::matching
