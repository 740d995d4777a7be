// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/library/findings/release_checks.h"
#include "core/library/picture_details.h"

namespace moorfrost::library {

namespace {

std::string size(const tags::PictureInfo& picture) {
    return fmt::format("{} × {}", picture.width, picture.height);
}

} // namespace

void checkPictureDetails(const RuleChoices& rules, const CheckedRelease& release,
                         const std::map<FileId, int>& details, const FindingSink& found) {
    const double least = rules.limit("enlarged-picture") / 100;
    // Of each picture, the files that have it.
    std::map<uint64_t, std::pair<const FileRecord*, std::vector<FileId>>> enlarged;
    for (const FileRecord& file : release.files) {
        const auto detail = details.find(file.id);
        const tags::PictureInfo* front = frontCoverOf(file);
        if (!front || detail == details.end() || detail->second <= 0 ||
            detail->second >= least * std::min(front->width, front->height))
            continue;
        auto& [first, files] = enlarged[front->hash];
        first = first ? first : &file;
        files.push_back(file.id);
    }
    for (auto& [hash, of] : enlarged) {
        const auto& [file, files] = of;
        const tags::PictureInfo& front = *frontCoverOf(*file);
        const int detail = details.at(file->id), side = std::min(front.width, front.height);
        Finding one = findingOf("enlarged-picture", release, fmt::format("{:x}", hash), files);
        one.sentence =
            fmt::format("The front cover of {} of {} files has {} pixels, and shows what {} × {} would.",
                        files.size(), release.files.size(), size(front), detail, detail);
        one.evidence = {{"Shorter side", fmt::format("{} pixels", side)},
                        {"Detail of it", fmt::format("{} pixels, {:.0f} %", detail, 100.0 * detail / side)}};
        one.sure = std::clamp(1 - 0.5 * detail / (least * side), 0.5, 0.99);
        found(std::move(one));
    }
}

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
        const tags::PictureInfo* front = frontCoverOf(file);
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
