// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_pictures.h"

#include <algorithm>
#include <ctime>

#include <fmt/format.h>

#include "core/library/releases/release_changes.h"
#include "core/tags/kept_pictures.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::library {

namespace {

using tags::PictureInfo;

bool isSame(const PictureInfo& a, const PictureInfo& b) {
    return a.type == b.type && a.hash == b.hash && a.bytes == b.bytes;
}

/// The pictures that were added, as `how` leaves them.
Result<ChangeOutcome> change(Store& store, ReleaseRef& ref, const std::string& title,
                             const std::function<Status(std::vector<PictureInfo>&)>& how) {
    KeptChange change(store);
    if (const Status is = keepRelease(store, change, ref); !is)
        return is.error();
    const auto kept = store.releases().fact(ref.id, picturesFact);
    std::vector<PictureInfo> pictures = kept ? picturesFrom(kept->values) : std::vector<PictureInfo>();
    if (const Status done = how(pictures); !done)
        return done.error();
    change.setFact(ref.id, picturesFact,
                   pictures.empty()
                       ? std::nullopt
                       : std::optional(Fact{picturesText(pictures), false, typedOrigin, std::time(nullptr)}));
    return change.commit(title);
}

} // namespace

std::vector<PictureInfo> picturesFrom(const std::vector<std::string>& texts) {
    std::vector<PictureInfo> out;
    for (const std::string& text : texts) {
        const size_t end = text.find(partBreak);
        if (end == std::string::npos)
            continue;
        if (auto picture = tags::pictureFromText(text.substr(0, end), text.substr(end + 1)))
            out.push_back(std::move(*picture));
    }
    return out;
}

std::vector<std::string> picturesText(const std::vector<PictureInfo>& pictures) {
    std::vector<std::string> out;
    for (const PictureInfo& p : pictures)
        out.push_back(p.type + partBreak + tags::pictureText(p));
    return out;
}

std::vector<ReleasePicture> picturesOfRelease(const std::vector<FileRecord>& files, const Fact* kept) {
    std::vector<ReleasePicture> out;
    auto add = [&](const PictureInfo& picture, FileId holder) {
        const bool known =
            std::ranges::any_of(out, [&](const ReleasePicture& p) { return isSame(p.info, picture); });
        if (!known)
            out.push_back({picture, holder});
    };
    if (kept)
        for (const PictureInfo& p : picturesFrom(kept->values))
            add(p, 0);
    for (const FileRecord& file : files)
        for (const PictureInfo& p : file.tags.pictures)
            add(p, file.id);
    // Front, back, inside: as they are numbered, but "other" and icons behind the rest.
    std::ranges::stable_sort(out, {}, [](const ReleasePicture& p) {
        const int number = tags::pictureTypeNumber(p.info.type);
        return number < 3 ? 100 + number : number;
    });
    return out;
}

const ReleasePicture* coverOf(const std::vector<ReleasePicture>& pictures) {
    for (const ReleasePicture& p : pictures)
        if (p.info.type == "front cover")
            return &p;
    return pictures.empty() ? nullptr : &pictures.front();
}

Result<ChangeOutcome> addReleasePictures(Store& store, ReleaseRef& ref,
                                         const std::vector<PictureInfo>& pictures) {
    return change(store, ref, fmt::format("{} for a release", pictures.size() == 1 ? "Picture" : "Pictures"),
                  [&](std::vector<PictureInfo>& all) -> Status {
                      for (const PictureInfo& p : pictures) {
                          if (tags::pictureTypeNumber(p.type) < 0)
                              return Error{ErrorKind::Invalid,
                                           {},
                                           fmt::format("There is no type of picture \"{}\".", p.type)};
                          if (std::ranges::none_of(all, [&](const PictureInfo& a) { return isSame(a, p); }))
                              all.push_back(p);
                      }
                      if (all.size() > mostReleasePictures)
                          return Error{ErrorKind::Invalid,
                                       {},
                                       fmt::format("A release has at most {} pictures of its own.",
                                                   mostReleasePictures)};
                      return Done{};
                  });
}

Result<ChangeOutcome> removeReleasePicture(Store& store, ReleaseRef& ref, const PictureInfo& picture) {
    return change(store, ref, "Remove a picture of a release", [&](std::vector<PictureInfo>& all) -> Status {
        if (std::erase_if(all, [&](const PictureInfo& p) { return isSame(p, picture); }) == 0)
            return Error{ErrorKind::Invalid, {}, "The release does not have this picture any more."};
        return Done{};
    });
}

Result<ChangeOutcome> setReleasePictureType(Store& store, ReleaseRef& ref, const PictureInfo& picture,
                                            const std::string& type) {
    return change(store, ref, "Type of a picture of a release", [&](std::vector<PictureInfo>& all) -> Status {
        const auto it = std::ranges::find_if(all, [&](const PictureInfo& p) { return isSame(p, picture); });
        if (it == all.end() || tags::pictureTypeNumber(type) < 0)
            return Error{ErrorKind::Invalid, {}, "The release does not have this picture any more."};
        it->type = type;
        const PictureInfo now = *it;
        // It may be there as that already.
        bool seen = false;
        std::erase_if(all, [&](const PictureInfo& p) { return isSame(p, now) && std::exchange(seen, true); });
        return Done{};
    });
}

std::set<std::string> releasePictureNames(Store& store) {
    std::set<std::string> out;
    auto add = [&](const std::vector<std::string>& texts) {
        for (const PictureInfo& p : picturesFrom(texts))
            out.insert(tags::keptName(p));
    };
    for (const auto& [id, facts] : store.releases().allFacts())
        if (const auto kept = facts.find(picturesFact); kept != facts.end())
            add(kept->second.values);
    for (const ChangePart& part : store.changes().factChanges(picturesFact)) {
        add(part.before);
        add(part.after);
    }
    return out;
}

} // namespace moorfrost::library
