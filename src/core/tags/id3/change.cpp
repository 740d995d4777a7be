// SPDX-License-Identifier: GPL-3.0-or-later
// Making the frames of a field anew.
#include <algorithm>

#include "core/base/numbers.h"
#include "core/tags/id3/tag.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

bool isYear(std::string_view v) {
    return v.size() == 4 && text::isDigits(v);
}
bool isYearMonthDay(std::string_view v) {
    return v.size() == 10 && isYear(v.substr(0, 4)) && text::isDigits(v.substr(5, 2)) &&
           text::isDigits(v.substr(8, 2)) && v[4] == '-' && v[7] == '-';
}

bool isPeopleList(const std::string& id) {
    return id == "IPLS" || id == "TIPL" || id == "TMCL";
}

/// "Isla Varnholt (cello)" as a name and a role; the role is empty where there is none.
std::pair<std::string, std::string> nameAndRole(const std::string& value) {
    const size_t open = value.rfind(" (");
    if (open == std::string::npos || open == 0 || !value.ends_with(")") || open + 3 >= value.size())
        return {value, {}};
    return {value.substr(0, open), value.substr(open + 2, value.size() - open - 3)};
}

/// The role that stands for a field in the list of people; "" for those of its own role each.
std::string roleOf(const std::string& key) {
    return key == "producer"   ? "producer"
           : key == "engineer" ? "engineer"
           : key == "arranger" ? "arranger"
           : key == "mixer"    ? "mix"
           : key == "djmixer"  ? "DJ-mix"
                               : "";
}

} // namespace

Status Id3v2Tag::set(const std::string& key, const std::vector<std::string>& values) {
    Status put = Done{};
    if (key == "date" || key == "original_date")
        put = setDate(key, values.empty() ? std::string() : values.front());
    else if (wordsName(key))
        put = setWords(key, values);
    else if (key == "performer" || !roleOf(key).empty())
        put = setPeople(key, values);
    else if (key == "website")
        put = setWebsite(values);
    else
        put = setFrames(key, values);
    if (put)
        understand();
    return put;
}

Status Id3v2Tag::setFrames(const std::string& key, const std::vector<std::string>& values) {
    const TagItem* carrier = carrierOf(key);
    const std::string stored = carrier ? idOf(*carrier) : std::string();
    std::vector<TagItem> fresh;
    const std::string userText = version_ == 2 ? "TXX" : "TXXX";
    auto rawId = [&](const TagItem& item) { return item.bytes.substr(0, version_ == 2 ? 3 : 4); };
    if (values.empty()) {
    } else if (!stored.empty() && stored[0] == 'W' && stored != "WXXX") {
        for (const std::string& v : values) {
            auto address = text::toLatin1(v);
            if (!address)
                return Error{ErrorKind::Unsupported, {}, labelOf(key) + " can hold plain letters only."};
            fresh.push_back(frame(rawId(*carrier), *address));
        }
    } else if (stored == "WXXX") {
        auto named = namedIn(contentOf(*carrier), true);
        auto content = named && values.size() == 1
                           ? namedContent({named->description, values}, true, version_)
                           : std::nullopt;
        if (!content)
            return Error{
                ErrorKind::Unsupported, {}, labelOf(key) + " can hold one value of plain letters only."};
        fresh.push_back(frame(rawId(*carrier), *content));
    } else if (const FrameName* name = frameNameOf(key); name && (version_ == 4 || !name->since24)) {
        // Grouping has two frames; which one is there stays.
        const std::string id = stored == "GRP1" ? rawId(*carrier) : version_ == 2 ? name->id2 : name->id;
        fresh.push_back(frame(id, textContent(values, version_)));
    } else if (!stored.empty() && stored[0] != 'W' && stored != "TXXX") {
        fresh.push_back(frame(rawId(*carrier), textContent(values, version_)));
    } else if (const std::string id = stored.empty() ? textFrameOf(propertyOf(key), version_) : std::string();
               !id.empty()) {
        fresh.push_back(frame(id, textContent(values, version_)));
    } else {
        std::string description = propertyOf(key);
        if (stored == "TXXX")
            if (auto named = namedIn(contentOf(*carrier), false))
                description = freeName(key, named->description);
        fresh.push_back(frame(userText, *namedContent({description, values}, false, version_)));
    }
    replace(key, std::move(fresh));
    return Done{};
}

Status Id3v2Tag::setDate(const std::string& key, const std::string& value) {
    const bool original = key == "original_date";
    const TagItem* carrier = carrierOf(key);
    const std::string modern = original ? "TDOR" : "TDRC";
    const bool storedModern = version_ == 3 && carrier && idOf(*carrier) == modern;
    if (version_ < 4 && !value.empty() && !storedModern) {
        const bool fits =
            isYear(value) ||
            (!original && (isYearMonthDay(value) ||
                           (value.size() == 16 && isYearMonthDay(value.substr(0, 10)) && value[13] == ':' &&
                            text::isDigits(value.substr(11, 2)) && text::isDigits(value.substr(14, 2)))));
        if (!fits)
            if (Status done = upgrade(); !done)
                return done;
    }
    std::vector<TagItem> fresh;
    auto add = [&](const char* id3, const char* id2, const std::string& v) {
        fresh.push_back(frame(version_ == 2 ? id2 : id3, textContent({v}, version_)));
    };
    if (value.empty()) {
    } else if (version_ == 4 || storedModern) {
        fresh.push_back(frame(modern, textContent({value}, version_)));
    } else if (original) {
        add("TORY", "TOR", value);
    } else {
        add("TYER", "TYE", value.substr(0, 4));
        if (value.size() >= 10)
            add("TDAT", "TDA", value.substr(8, 2) + value.substr(5, 2));
        if (value.size() >= 16)
            add("TIME", "TIM", value.substr(11, 2) + value.substr(14, 2));
    }
    replace(key, std::move(fresh));
    return Done{};
}

Status Id3v2Tag::setWords(const std::string& key, const std::vector<std::string>& values) {
    const WordsName name = *wordsName(key);
    const bool plain = name.description.empty() && name.language.empty();
    if (values.size() > 1 && !plain)
        return Error{ErrorKind::Unsupported, {}, labelOf(key) + " can hold one text only."};
    std::vector<TagItem> fresh;
    if (!values.empty()) {
        WordsFrame words{name.language.empty() ? "XXX" : name.language, name.description, values.front()};
        // Of the one that is there, language and description stay.
        for (const TagItem& item : items_)
            if (const std::string id = idOf(item); carries(item, {key}) && (id == "COMM" || id == "USLT")) {
                if (auto old = wordsIn(contentOf(item))) {
                    words.language = old->language;
                    words.description = old->description;
                }
                break;
            }
        const char* id = version_ == 2 ? (name.lyrics ? "ULT" : "COM") : (name.lyrics ? "USLT" : "COMM");
        fresh.push_back(frame(id, wordsContent(words, version_)));
        // One frame of a language and a description is allowed: further values stand beside it.
        if (values.size() > 1)
            fresh.push_back(frame(version_ == 2 ? "TXX" : "TXXX",
                                  *namedContent({name.lyrics ? "LYRICS" : "COMMENT",
                                                 std::vector<std::string>(values.begin() + 1, values.end())},
                                                false, version_)));
    }
    replace(key, std::move(fresh));
    return Done{};
}

Status Id3v2Tag::setPeople(const std::string& key, const std::vector<std::string>& values) {
    struct Pair {
        std::string role, name;
    };
    const std::string fixedRole = roleOf(key);
    auto isOurs = [&](const std::string& role) { return keyOfProperty(roleProperty(role)) == key; };
    // Who has a role goes into a list of pairs, the others into a text of their own.
    std::vector<Pair> wanted;
    std::vector<std::string> without;
    for (const std::string& v : values) {
        if (!fixedRole.empty()) {
            wanted.push_back({fixedRole, v});
            continue;
        }
        auto [name, role] = nameAndRole(v);
        if (role.empty() || !isOurs(role))
            without.push_back(v);
        else
            wanted.push_back({role, name});
    }
    const std::string listId = version_ == 2       ? "IPL"
                               : version_ == 3     ? "IPLS"
                               : fixedRole.empty() ? "TMCL"
                                                   : "TIPL";
    const std::string wantedId = version_ == 4 ? listId : "IPLS";
    bool placed = wanted.empty();
    std::vector<TagItem> items;
    for (const TagItem& item : items_) {
        const std::string id = idOf(item);
        if (!isPeopleList(id)) {
            items.push_back(item);
            continue;
        }
        const std::vector<std::string> texts = textsIn(contentOf(item));
        std::vector<Pair> pairs;
        bool changed = false;
        size_t at = std::string::npos;
        for (size_t i = 0; i < texts.size(); i += 2) {
            Pair pair{texts[i], i + 1 < texts.size() ? texts[i + 1] : std::string()};
            if (!isOurs(pair.role)) {
                pairs.push_back(std::move(pair));
                continue;
            }
            changed = true;
            at = std::min(at, pairs.size());
            // A role that stays is spelled as it was.
            for (const std::string& name : namesIn(pair.name))
                for (Pair& w : wanted)
                    if (w.name == name && text::lower(w.role) == text::lower(pair.role))
                        w.role = pair.role;
        }
        if (!placed && id == wantedId) {
            pairs.insert(pairs.begin() + static_cast<std::ptrdiff_t>(std::min(at, pairs.size())),
                         wanted.begin(), wanted.end());
            placed = changed = true;
        }
        if (!changed) {
            items.push_back(item);
            continue;
        }
        std::vector<std::string> flat;
        for (const Pair& p : pairs) {
            flat.push_back(p.role);
            flat.push_back(p.name);
        }
        if (!flat.empty())
            items.push_back(frame(item.bytes.substr(0, version_ == 2 ? 3 : 4), textContent(flat, version_)));
    }
    items_ = std::move(items);
    understand();
    if (!placed) {
        std::vector<std::string> flat;
        for (const Pair& p : wanted) {
            flat.push_back(p.role);
            flat.push_back(p.name);
        }
        items_.insert(items_.begin() + static_cast<std::ptrdiff_t>(appendAt()),
                      frame(listId, textContent(flat, version_)));
    }
    // Those without a role, and texts of other programs with the same name.
    std::vector<TagItem> kept, fresh;
    for (TagItem& item : items_) {
        if (isPeopleList(idOf(item)) || !carries(item, {key})) {
            kept.push_back(std::move(item));
        } else if (!without.empty()) {
            kept.push_back(frame(version_ == 2 ? "TXX" : "TXXX",
                                 *namedContent({propertyOf(key), without}, false, version_)));
            without.clear();
        }
    }
    items_ = std::move(kept);
    if (!without.empty())
        items_.insert(items_.begin() + static_cast<std::ptrdiff_t>(appendAt()),
                      frame(version_ == 2 ? "TXX" : "TXXX",
                            *namedContent({propertyOf(key), without}, false, version_)));
    return Done{};
}

Status Id3v2Tag::setWebsite(const std::vector<std::string>& values) {
    const TagItem* carrier = carrierOf("website");
    const std::string stored = carrier ? idOf(*carrier) : std::string();
    const bool plain = std::all_of(values.begin(), values.end(),
                                   [](const std::string& v) { return text::toLatin1(v).has_value(); });
    std::vector<TagItem> fresh;
    std::vector<std::string> rest = values;
    if (plain && stored == "WOAR") {
        for (const std::string& v : rest)
            fresh.push_back(frame(version_ == 2 ? "WAR" : "WOAR", *text::toLatin1(v)));
        rest.clear();
    } else if (plain && stored == "WXXX" && !rest.empty()) {
        fresh.push_back(
            frame(version_ == 2 ? "WXX" : "WXXX", *namedContent({{}, {rest.front()}}, true, version_)));
        rest.erase(rest.begin());
    }
    if (!rest.empty())
        fresh.push_back(
            frame(version_ == 2 ? "TXX" : "TXXX", *namedContent({"WEBSITE", rest}, false, version_)));
    replace("website", std::move(fresh));
    return Done{};
}

Status Id3v2Tag::upgrade() {
    const int from = version_;
    const Error cannot{
        ErrorKind::Unsupported,
        {},
        "This value needs ID3v2.4, and the tag of this file cannot be stored as that without loss."};
    std::vector<std::pair<std::string, std::string>> kept; // names and contents of frames
    std::string date;
    for (const TagItem& item : items_)
        if (idOf(item) == "TYER" && item.says.contains("DATE") && !item.says.at("DATE").empty())
            date = item.says.at("DATE").front();
    for (const TagItem& item : items_) {
        std::string id = idOf(item);
        if (id.empty() || (from == 3 && (item.bytes[9] & 0xE0)))
            return cannot;
        std::string content = contentOf(item);
        if (from == 2 && id == "PIC" && content.size() > 4) {
            const std::string format = text::lower(content.substr(1, 3));
            id = "APIC";
            content.replace(1, 3, (format == "jpg" ? "image/jpeg" : "image/" + format) + '\0');
        } else if (from == 2 && id.size() == 3) {
            return cannot;
        }
        if (id == "IPLS") {
            id = "TIPL";
        } else if (id == "TORY") {
            id = "TDOR";
        } else if (id == "TYER" && !date.empty()) {
            id = "TDRC";
            content = textContent({date}, 4);
        } else if ((id == "TDAT" && date.size() >= 10) || (id == "TIME" && date.size() >= 16)) {
            continue; // in the date now
        }
        kept.emplace_back(id, content);
    }
    version_ = 4;
    unsynchronised_ = false;
    extended_.clear();
    items_.clear();
    for (const auto& [id, content] : kept)
        items_.push_back(frame(id, content));
    understand();
    notes_.push_back("The tag was stored as ID3v2.4, because ID3v2." + std::to_string(from) +
                     " cannot hold all of it.");
    return Done{};
}

} // namespace moorfrost::tags
