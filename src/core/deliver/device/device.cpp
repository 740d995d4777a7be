// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/device/device.h"

#include <algorithm>

#include <sys/statvfs.h>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/audio/encode.h"
#include "core/base/byte_source.h"
#include "core/naming/plan.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* usualPlan = "{album artist, else artist, else \"Unknown\"}/{album, else \"Single "
                                  "tracks\"}/{track: 2 digits, after \" \"}{title, else name}";

Error notUnderstood(const std::string& what) {
    return {ErrorKind::Invalid, {}, "This is no profile of a device: " + what};
}

template<class T>
void take(const Json& json, const char* key, T& out) {
    if (json.contains(key) && json[key].is_number_integer() && json[key].get<int64_t>() >= -1)
        out = static_cast<T>(json[key].get<int64_t>());
}
void take(const Json& json, const char* key, std::string& out) {
    if (json.contains(key) && json[key].is_string())
        out = json[key].get<std::string>();
}

Json jsonOf(const DeviceProfile& p) {
    return {{"device_profile", p.name},
            {"plays", p.plays},
            {"highest_rate", p.highestRate},
            {"highest_bits", p.highestBits},
            {"format", p.format},
            {"bitrate", p.bitrate},
            {"picture_side", p.pictureSide},
            {"longest_name", p.longestName},
            {"capacity", p.capacity},
            {"keep_free", p.keepFree},
            {"plan", p.plan},
            {"lists", p.lists},
            {"loudness", p.loudness}};
}

Result<DeviceProfile> profileFrom(const Json& json) {
    if (!json.is_object())
        return notUnderstood("JSON is expected.");
    DeviceProfile out;
    take(json, "device_profile", out.name);
    out.name = text::trim(out.name);
    if (out.name.empty())
        return notUnderstood("it has no name (\"device_profile\").");
    if (json.contains("plays") && json["plays"].is_array())
        for (const Json& one : json["plays"]) {
            if (!one.is_string() || !one.get<std::string>().starts_with('.'))
                return notUnderstood("what it \"plays\" are endings, such as \".mp3\".");
            out.plays.push_back(text::lower(one.get<std::string>()));
        }
    take(json, "highest_rate", out.highestRate);
    take(json, "highest_bits", out.highestBits);
    take(json, "format", out.format);
    take(json, "bitrate", out.bitrate);
    take(json, "picture_side", out.pictureSide);
    take(json, "longest_name", out.longestName);
    take(json, "capacity", out.capacity);
    take(json, "keep_free", out.keepFree);
    out.plan = usualPlan;
    take(json, "plan", out.plan);
    take(json, "lists", out.lists);
    if (json.contains("loudness") && json["loudness"].is_boolean())
        out.loudness = json["loudness"].get<bool>();
    const audio::EncodeFormat* format = audio::encodeFormat(out.format);
    if (!format)
        return notUnderstood("\"" + out.format + "\" is no format that can be made.");
    if (!format->lossless && std::ranges::find(format->bitrates, out.bitrate) == format->bitrates.end())
        out.bitrate = format->usual;
    if (out.longestName < 16 || out.longestName > 255)
        out.longestName = 255;
    const auto plan = naming::parsePlan(out.plan, {"place"});
    if (const auto* error = std::get_if<naming::PlanError>(&plan))
        return notUnderstood("its plan: " + error->message);
    return out;
}

} // namespace

const std::vector<DeviceProfile>& shippedDeviceProfiles() {
    static const std::vector<DeviceProfile> shipped = [] {
        DeviceProfile folder, player, telephone, show;
        folder.name = "A plain folder";
        folder.plan = usualPlan;
        show.name = "The tracks of a show";
        show.plan = "{place: 2 digits} {title, else name}";
        player.name = "Small player";
        player.plays = {".mp3"};
        player.highestRate = 48000;
        player.pictureSide = 300;
        player.longestName = 64;
        player.capacity = 64'000'000;
        player.plan = usualPlan;
        player.lists = "Playlists";
        telephone.name = "Telephone";
        telephone.plays = {".mp3", ".m4a", ".ogg", ".opus", ".flac"};
        telephone.highestRate = 48000;
        telephone.highestBits = 24;
        telephone.format = "opus";
        telephone.bitrate = 160000;
        telephone.pictureSide = 800;
        telephone.plan = usualPlan;
        telephone.lists = "Playlists";
        telephone.loudness = true;
        return std::vector<DeviceProfile>{folder, show, player, telephone};
    }();
    return shipped;
}

std::string deviceProfileJson(const DeviceProfile& profile) {
    return jsonOf(profile).dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<DeviceProfile> deviceProfileFromJson(std::string_view text) {
    const Json json = Json::parse(text, nullptr, false);
    return profileFrom(json);
}

std::string deviceContent(const Device& d) {
    return Json{{"name", d.name},     {"folder", text::hex(d.folder.native())},
                {"key", d.key},       {"profile", jsonOf(d.profile)},
                {"wanted", d.wanted}, {"wanted_name", d.wantedName},
                {"use", d.use}}
        .dump(-1, ' ', false, Json::error_handler_t::replace);
}

Device deviceFrom(int64_t id, const std::string& content) {
    Device out;
    out.id = id;
    const Json json = Json::parse(content, nullptr, false);
    if (!json.is_object())
        return out;
    take(json, "name", out.name);
    std::string folder;
    take(json, "folder", folder);
    out.folder = text::fromHex(folder);
    take(json, "key", out.key);
    take(json, "wanted_name", out.wantedName);
    take(json, "use", out.use);
    if (json.contains("profile"))
        if (auto profile = profileFrom(json["profile"]))
            out.profile = std::move(*profile);
    if (json.contains("wanted") && json["wanted"].is_array())
        for (const Json& one : json["wanted"])
            if (one.is_number_integer())
                out.wanted.push_back(one.get<int64_t>());
    return out;
}

std::string deviceMadeBy(const DeviceProfile& p) {
    std::string plays;
    for (const std::string& ending : p.plays)
        plays += ending;
    return fmt::format("{} {} {} {} {} {} {}", plays, p.highestRate, p.highestBits, p.format, p.bitrate,
                       p.pictureSide, p.loudness);
}

Path placeOfDevice(const Device& device, const std::vector<Path>& mounts) {
    std::error_code ignored;
    auto isIt = [&](const Path& folder) {
        const auto mark = FileSource::open(folder / deviceMark);
        return mark && (*mark)->size() < 200 && (*mark)->bytes(0, 200) == device.key + "\n";
    };
    if (device.key.empty())
        return std::filesystem::is_directory(device.folder, ignored) ? device.folder : Path();
    if (isIt(device.folder))
        return device.folder;
    // A disk that is mounted elsewhere: "/media/NAME", "/run/media/WHO/NAME".
    for (const Path& mount : mounts) {
        auto walk = std::filesystem::recursive_directory_iterator(
            mount, std::filesystem::directory_options::skip_permission_denied, ignored);
        if (ignored)
            continue;
        for (; walk != std::filesystem::recursive_directory_iterator(); walk.increment(ignored)) {
            if (ignored)
                break;
            if (walk.depth() >= 1)
                walk.disable_recursion_pending();
            if (walk->is_directory(ignored) && isIt(walk->path()))
                return walk->path();
        }
    }
    return {};
}

Result<uint64_t> roomOnDevice(const DeviceProfile& profile, const Path& folder) {
    struct statvfs disk {};
    if (::statvfs(folder.c_str(), &disk) != 0)
        return systemError(errno, folder, "Asking how much room there is");
    uint64_t room = static_cast<uint64_t>(disk.f_bavail) * disk.f_frsize;
    if (profile.capacity > 0) {
        uint64_t used = 0;
        std::error_code ignored;
        for (auto walk = std::filesystem::recursive_directory_iterator(folder, ignored);
             walk != std::filesystem::recursive_directory_iterator(); walk.increment(ignored)) {
            if (ignored)
                break;
            if (walk->is_regular_file(ignored))
                used += walk->file_size(ignored);
        }
        room = std::min(room, profile.capacity > used ? profile.capacity - used : 0);
    }
    return room > profile.keepFree ? room - profile.keepFree : 0;
}

} // namespace moorfrost::deliver
