// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/folder_names.h"

#include <algorithm>
#include <regex>

#include "core/naming/name_text.h"
#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

bool isDisc(const std::string& name, int& disc) {
    static const std::regex pattern(R"(^(?:cd|disc|disk|dvd|lp|vol\.?|teil|part)\s*[-.]?\s*(\d{1,2})$)",
                                    std::regex::icase | std::regex::optimize);
    std::smatch m;
    if (!std::regex_match(name, m, pattern))
        return false;
    disc = std::atoi(m[1].str().c_str());
    return true;
}

/// A year at the beginning or end of a name, taken out of it. `plan` gets its place: what stands before and
/// behind "{album}".
std::string takeYear(std::string& name, std::string& before, std::string& after) {
    std::smatch m;
    static const std::regex front(R"(^[\(\[]?((?:19|20)\d\d)[\)\]]?(\s*-\s*|\s+)(?=\S))",
                                  std::regex::optimize);
    static const std::regex back(R"(\s*([\(\[])((?:19|20)\d\d)[\)\]]$)", std::regex::optimize);
    static const std::regex bare(R"(^(.*\S)(\s+-\s+|\s+)((?:19|20)\d\d)$)", std::regex::optimize);
    if (std::regex_search(name, m, front)) {
        const std::string year = m[1];
        before = "{date: year}" + std::string(m[2].str().find('-') == std::string::npos ? " " : " - ");
        if (name.front() == '(' || name.front() == '[')
            before = name.front() + std::string("{date: year}") + (name.front() == '(' ? ")" : "]") +
                     before.substr(12);
        name = text::trim(m.suffix().str());
        return year;
    }
    if (std::regex_search(name, m, back) && m.position(0) > 0) {
        const std::string year = m[2];
        after = m[1].str() == "(" ? " ({date: year})" : " [{date: year}]";
        name = text::trim(m.prefix().str());
        return year;
    }
    if (std::regex_match(name, m, bare)) {
        const std::string year = m[3];
        after = m[2].str().find('-') == std::string::npos ? " {date: year}" : " - {date: year}";
        name = text::trim(m[1].str());
        return year;
    }
    return {};
}

bool same(const std::string& a, const std::string& b) {
    return !a.empty() && KnownNames::keyOf(a) == KnownNames::keyOf(b);
}

} // namespace

FolderSays readFolders(const std::vector<std::string>& bytes, const KnownNames& known,
                       const std::string& inNames, bool namesTellArtists) {
    std::vector<std::string> levels;
    for (const std::string& b : bytes)
        levels.push_back(readableName(b, true));
    FolderSays out;
    std::string discPlan;
    if (!levels.empty() && isDisc(levels.front(), out.disc)) {
        const std::string& name = levels.front();
        const size_t digits = name.find_first_of("0123456789");
        discPlan = "/" + name.substr(0, digits) + "{disc}";
        levels.erase(levels.begin());
    }
    if (levels.empty())
        return out;
    std::string album = levels.front(), before, after;
    out.date = takeYear(album, before, after);
    std::vector<std::string> parts = spacedParts(album);
    if (parts.size() == 1 && album.find(' ') != std::string::npos && album.find('-') != std::string::npos) {
        // "the hollow ferry-night post": a hyphen without spaces, where what stands before it is known.
        for (size_t at = album.find('-'); at != std::string::npos; at = album.find('-', at + 1)) {
            const std::string head = text::trim(album.substr(0, at));
            if (known.find(head) || same(head, inNames))
                parts = {head, text::trim(album.substr(at + 1))};
        }
    }
    auto isKnown = [&](const std::string& name) {
        return known.find(name) != nullptr || same(name, inNames);
    };
    auto spelled = [&](const std::string& name) {
        const std::string* own = known.find(name);
        return own ? *own : name;
    };
    const std::string parent = levels.size() > 1 ? levels[1] : std::string();
    std::string plan;
    if (parts.size() >= 2) {
        size_t artist = 0, first = 1, last = parts.size(); // of the album
        std::string middle;
        if (const std::string year = yearIn(parts[1]); !year.empty() && parts.size() > 2) {
            out.date = year;
            first = 2;
            middle = "{date: year} - ";
        } else if (const std::string y = yearIn(parts[0]); !y.empty() && parts.size() > 2) {
            out.date = y;
            artist = 1;
            first = 2;
            plan = "{date: year} - ";
        } else if (const std::string z = yearIn(parts.back()); !z.empty() && parts.size() > 2) {
            out.date = z;
            last -= 1;
            after = " - {date: year}" + after;
        }
        std::vector<std::string> rest(parts.begin() + static_cast<std::ptrdiff_t>(first),
                                      parts.begin() + static_cast<std::ptrdiff_t>(last));
        std::string who = parts[artist], what = text::join(rest, " - ");
        plan += "{artist} - " + middle + "{album}";
        if (rest.size() == 1 && isKnown(what) && !isKnown(who)) { // the other way round
            std::swap(who, what);
            plan = "{album} - " + middle + "{artist}";
        }
        if (isKnown(parent) && !isKnown(who)) { // a title with a dash, in the folder of its artist
            out.artist = spelled(parent);
            out.album = album;
            out.knownArtist = true;
            out.plan = "{artist}/" + before + "{album}" + after + discPlan;
            return out;
        }
        out.artist = spelled(who);
        out.album = what;
        out.knownArtist = isKnown(who);
        out.plan = before + plan + after + discPlan;
        return out;
    }
    if (isKnown(album) && parent.empty()) { // a folder of an artist
        out.artist = spelled(album);
        out.knownArtist = true;
        out.plan = before + "{artist}" + after + discPlan;
        return out;
    }
    out.album = album;
    out.plan = before + "{album}" + after + discPlan;
    if (!parent.empty()) {
        out.knownArtist = isKnown(parent);
        if (out.knownArtist || !namesTellArtists) {
            out.artist = spelled(parent);
            out.plan = "{artist}/" + out.plan;
        }
        out.sure = out.knownArtist || !namesTellArtists || !out.date.empty();
    } else {
        out.sure = !out.date.empty() || out.disc > 0;
    }
    return out;
}

} // namespace moorfrost::naming
