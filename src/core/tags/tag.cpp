// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag.h"

#include <algorithm>
#include <iterator>

#include "core/tags/picture.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

constexpr std::string_view performerPrefix = "PERFORMER:";

void addOnce(Fields& fields, const std::string& key, const std::string& value) {
    if (value.empty())
        return;
    std::vector<std::string>& values = fields[key];
    if (std::find(values.begin(), values.end(), value) == values.end())
        values.push_back(value);
}

void splitPair(Fields& fields, const char* numberKey, const char* totalKey) {
    auto it = fields.find(numberKey);
    if (it == fields.end())
        return;
    size_t slash = it->second.front().find('/');
    if (slash == std::string::npos)
        return;
    std::string total = it->second.front().substr(slash + 1);
    it->second = {it->second.front().substr(0, slash)};
    if (it->second.front().empty())
        fields.erase(it);
    if (!total.empty() && !fields.contains(totalKey))
        fields[totalKey] = {total};
}

/// Whether two lists are the same value of a field: numbers by value.
bool isSame(const std::string& key, const std::vector<std::string>& a, const std::vector<std::string>& b) {
    if (a == b)
        return true;
    const FieldDef* def = fieldByKey(key);
    if (!def || def->kind != FieldKind::Number || a.size() != 1 || b.size() != 1)
        return false;
    auto number = [](const std::string& v) {
        size_t zeros = v.find_first_not_of('0');
        return zeros == std::string::npos ? std::string("0") : v.substr(zeros);
    };
    return text::isDigits(a[0]) && text::isDigits(b[0]) && number(a[0]) == number(b[0]);
}

const std::string* totalOf(const std::string& key) {
    static const std::string tracks = "tracks", discs = "discs";
    return key == "track" ? &tracks : key == "disc" ? &discs : nullptr;
}

} // namespace

std::string keyOfProperty(std::string_view property) {
    if (property.starts_with(performerPrefix))
        return "performer";
    const FieldDef* def = fieldByProperty(property);
    return def ? def->key : text::lower(property);
}

Fields fieldsFromProperties(const Properties& properties) {
    Fields fields;
    for (const auto& [property, values] : properties) {
        for (const std::string& value : values) {
            if (property.starts_with(performerPrefix)) {
                std::string role = text::lower(std::string_view(property).substr(performerPrefix.size()));
                addOnce(fields, "performer", role.empty() ? value : value + " (" + role + ")");
            } else if (const FieldDef* def = fieldByProperty(property)) {
                addOnce(fields, def->key, value);
            } else if (!property.starts_with('@')) { // names that fields of a file cannot have
                addOnce(fields, text::lower(property), value);
            }
        }
    }
    splitPair(fields, "track", "tracks");
    splitPair(fields, "disc", "discs");
    return fields;
}

bool carries(const TagItem& item, const std::set<std::string, std::less<>>& keys) {
    return std::any_of(item.says.begin(), item.says.end(), [&](const auto& said) {
        const std::string key = keyOfProperty(said.first);
        if (keys.contains(key))
            return true;
        const std::string* total = totalOf(key); // "3/12" says both
        return total && keys.contains(*total) &&
               std::any_of(said.second.begin(), said.second.end(),
                           [](const std::string& v) { return v.find('/') != std::string::npos; });
    });
}

TagPart Tag::part() const {
    TagPart out{name(), {}};
    for (const TagItem& item : items_) {
        for (const auto& [property, values] : item.says) {
            std::vector<std::string>& list = out.properties[property];
            list.insert(list.end(), values.begin(), values.end());
        }
        if (!item.unknown.empty())
            out.unknown.push_back(item.unknown);
    }
    return out;
}

std::vector<Picture> Tag::pictures(bool withBytes) const {
    std::vector<Picture> out;
    for (const TagItem& item : items_)
        if (auto picture = pictureOf(item, withBytes))
            out.push_back(std::move(*picture));
    return out;
}

std::optional<Picture> Tag::pictureOf(const TagItem&, bool) const {
    return std::nullopt;
}

Result<TagItem> Tag::pictureItem(const Picture&) {
    return Error{ErrorKind::Unsupported, {}, "The " + name() + " tag cannot hold pictures."};
}

bool isSamePicture(const PictureInfo& there, const PictureInfo& wanted) {
    return there.type == wanted.type && there.bytes == wanted.bytes &&
           (there.hash == wanted.hash || wanted.hash == 0) && there.description == wanted.description;
}

Result<Picture> takePicture(const PictureChanges& changes, const PictureInfo& wanted) {
    if (!changes.bytes)
        return Error{ErrorKind::NotFound, {}, "The picture is not kept any more. Add it again."};
    auto bytes = changes.bytes(wanted);
    if (!bytes)
        return bytes.error();
    return makePicture(wanted.type, *bytes, wanted.mime, wanted.description, true);
}

Result<bool> Tag::changePictures(const PictureChanges& changes, bool mayAdd) {
    bool any = false;
    for (const auto& [type, asked] : changes.byType) {
        const std::vector<PictureInfo> wanted = mayAdd ? asked : std::vector<PictureInfo>();
        std::vector<size_t> mine;
        size_t behind = appendAt(); // of new ones: behind the last picture
        for (size_t i = 0; i < items_.size(); ++i)
            if (auto picture = pictureOf(items_[i], false)) {
                behind = i + 1;
                if (picture->info.type == type)
                    mine.push_back(i);
            }
        std::vector<TagItem> fresh;
        std::vector<size_t> kept;
        for (const PictureInfo& w : wanted) {
            const auto there = std::ranges::find_if(mine, [&](size_t i) {
                return std::ranges::find(kept, i) == kept.end() &&
                       isSamePicture(pictureOf(items_[i], false)->info, w);
            });
            if (there != mine.end()) {
                kept.push_back(*there);
                fresh.push_back(items_[*there]);
                continue;
            }
            auto picture = takePicture(changes, w);
            if (!picture)
                return picture.error();
            auto item = pictureItem(*picture);
            if (!item)
                return item.error();
            fresh.push_back(std::move(*item));
        }
        if (kept == mine && fresh.size() == mine.size())
            continue;
        any = true;
        size_t at = mine.empty() ? behind : mine.front();
        std::vector<TagItem> items;
        for (size_t i = 0; i <= items_.size(); ++i) {
            if (i == at)
                std::ranges::move(fresh, std::back_inserter(items));
            if (i < items_.size() && std::ranges::find(mine, i) == mine.end())
                items.push_back(std::move(items_[i]));
        }
        items_ = std::move(items);
    }
    return any;
}

std::vector<std::string> Tag::bytesOfOthers(const std::set<std::string, std::less<>>& keys,
                                            const std::set<std::string>& pictureTypes) const {
    auto isChangedPicture = [&](const TagItem& item) {
        if (pictureTypes.empty())
            return false;
        const auto picture = pictureOf(item, false);
        return picture && pictureTypes.contains(picture->info.type);
    };
    std::vector<std::string> out;
    for (const TagItem& item : items_) {
        const bool blank =
            !item.says.empty() && std::all_of(item.says.begin(), item.says.end(),
                                              [](const auto& said) { return said.second.empty(); });
        if (!blank && !carries(item, keys) && !isChangedPicture(item))
            out.push_back(item.bytes);
    }
    return out;
}

void Tag::replace(const std::string& key, std::vector<TagItem> fresh) {
    const std::set<std::string, std::less<>> keys = {key};
    auto first =
        std::find_if(items_.begin(), items_.end(), [&](const TagItem& i) { return carries(i, keys); });
    const auto at = first == items_.end() ? static_cast<std::ptrdiff_t>(appendAt()) : first - items_.begin();
    items_.erase(std::remove_if(first, items_.end(), [&](const TagItem& i) { return carries(i, keys); }),
                 items_.end());
    items_.insert(items_.begin() + at, std::make_move_iterator(fresh.begin()),
                  std::make_move_iterator(fresh.end()));
}

const TagItem* Tag::carrierOf(const std::string& key) const {
    auto it = std::find_if(items_.begin(), items_.end(), [&](const TagItem& i) { return carries(i, {key}); });
    return it == items_.end() ? nullptr : &*it;
}

Status Tag::setPair(const std::string& numberKey, const std::string& number, const std::string& totalKey,
                    const std::string& total) {
    auto isOther = [&](const TagItem& i) { return carries(i, {totalKey}) && !carries(i, {numberKey}); };
    // A total that stands in a part of its own, and stays, is left there.
    const auto other = std::find_if(items_.begin(), items_.end(), isOther);
    const bool apart = !total.empty() && other != items_.end() &&
                       firstValue(fieldsFromProperties(other->says), totalKey) == total;
    const std::string value = total.empty() || apart ? number : number + "/" + total;
    if (Status put =
            set(numberKey, value.empty() ? std::vector<std::string>() : std::vector<std::string>{value});
        !put)
        return put;
    if (!apart)
        items_.erase(std::remove_if(items_.begin(), items_.end(), isOther), items_.end());
    return Done{};
}

Result<bool> Tag::change(const Fields& changes, bool mayAdd) {
    const Fields own = fieldsFromProperties(part().properties);
    auto ownValues = [&](const std::string& key) {
        auto it = own.find(key);
        return it == own.end() ? std::vector<std::string>() : it->second;
    };
    auto valuesOf = [&](const std::string& key) {
        auto it = changes.find(key);
        return it == changes.end() ? ownValues(key) : it->second;
    };
    auto differs = [&](const std::string& key) {
        auto it = changes.find(key);
        return it != changes.end() && !isSame(key, ownValues(key), it->second);
    };
    bool any = false;
    for (const auto& [numberKey, totalKey] :
         {std::pair<std::string, std::string>("track", "tracks"), {"disc", "discs"}}) {
        if (!(differs(numberKey) || differs(totalKey)) ||
            (!mayAdd && !own.contains(numberKey) && !own.contains(totalKey)))
            continue;
        auto one = [&](const std::string& key) {
            const std::vector<std::string> v = valuesOf(key);
            return v.empty() ? std::string() : v.front();
        };
        if (Status put = setPair(numberKey, one(numberKey), totalKey, one(totalKey)); !put)
            return put.error();
        any = true;
    }
    for (const auto& [key, values] : changes) {
        if (key == "track" || key == "tracks" || key == "disc" || key == "discs" || !differs(key) ||
            (!mayAdd && !own.contains(key)))
            continue;
        if (Status put = set(key, values); !put)
            return put.error();
        any = true;
    }
    return any;
}

std::string propertyOf(const std::string& key) {
    const FieldDef* def = fieldByKey(key);
    return def ? def->property : text::upper(key);
}

std::string freeName(const std::string& key, const std::string& stored) {
    const std::string standard = propertyOf(key);
    return text::upper(stored) == standard ? stored : standard;
}

} // namespace moorfrost::tags
