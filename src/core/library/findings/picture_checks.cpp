// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/library/findings/release_checks.h"

namespace moorfrost::library {

namespace {

const tags::PictureInfo* frontOf(const FileRecord& file) {
    const auto at = std::ranges::find(file.tags.pictures, "front cover", &tags::PictureInfo::type);
    return at == file.tags.pictures.end() ? nullptr : &*at;
}

std::string size(const tags::PictureInfo& picture) {
    return fmt::format("{} × {}", picture.width, picture.height);
}

} // namespace

void checkPictures(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found) {
    std::vector<FileId> none, small, heavy, fronts;
    std::map<uint64_t, std::pair<const tags::PictureInfo*, size_t>> different;
    std::vector<Evidence> smallEvidence, heavyEvidence;
    const double side = rules.limit("small-picture"), most = rules.limit("heavy-picture") * 1e6;
    const tags::PictureInfo* smallest = nullptr;
    uint64_t heaviest = 0;
    for (const FileRecord& file : release.files) {
        if (file.tags.pictures.empty())
            none.push_back(file.id);
        const tags::PictureInfo* front = frontOf(file);
        if (front && front->width > 0 && std::min(front->width, front->height) < side) {
            small.push_back(file.id);
            if (!smallest || front->width < smallest->width)
                smallest = front;
            if (smallEvidence.size() < 6)
                smallEvidence.emplace_back(trackName(file), size(*front));
        }
        uint64_t bytes = 0;
        for (const tags::PictureInfo& picture : file.tags.pictures)
            bytes += picture.bytes;
        if (static_cast<double>(bytes) > most) {
            heavy.push_back(file.id);
            heaviest = std::max(heaviest, bytes);
            if (heavyEvidence.size() < 6)
                heavyEvidence.emplace_back(trackName(file),
                                           fmt::format("{:.1f} MB", static_cast<double>(bytes) / 1e6));
        }
        if (front && front->hash != 0) {
            auto& [picture, count] = different[front->hash];
            picture = front;
            ++count;
            fronts.push_back(file.id);
        }
    }
    const size_t all = release.files.size();
    if (!none.empty() && rules.isOn("no-picture")) {
        Finding one = findingOf("no-picture", release, "", none);
        one.sentence = none.size() == all ? (all == 1 ? "The file has no picture." : "No file has a picture.")
                                          : fmt::format("{} of {} files have no picture.", none.size(), all);
        found(std::move(one));
    }
    if (!small.empty() && rules.isOn("small-picture")) {
        Finding one = findingOf("small-picture", release, "", small);
        one.sentence = fmt::format("The front cover of {} of {} files has {} pixels; {} are asked for.",
                                   small.size(), all, size(*smallest), side);
        one.evidence = std::move(smallEvidence);
        found(std::move(one));
    }
    if (!heavy.empty() && rules.isOn("heavy-picture")) {
        Finding one = findingOf("heavy-picture", release, "", heavy);
        one.sentence = fmt::format("The pictures of {} of {} files take up to {:.1f} MB each.", heavy.size(),
                                   all, static_cast<double>(heaviest) / 1e6);
        one.evidence = std::move(heavyEvidence);
        found(std::move(one));
    }
    if (different.size() > 1 && release.isAlbum && rules.isOn("other-picture")) {
        Finding one = findingOf("other-picture", release, "", fronts);
        one.sentence = fmt::format("There are {} different front covers.", different.size());
        for (const auto& [hash, picture] : different)
            one.evidence.emplace_back(size(*picture.first), picture.second == 1
                                                                ? "1 file"
                                                                : fmt::format("{} files", picture.second));
        found(std::move(one));
    }
}

} // namespace moorfrost::library
