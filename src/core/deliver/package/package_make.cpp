// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <mutex>
#include <set>

#include <fmt/format.h>

#include "core/base/digest.h"
#include "core/deliver/package/bag_names.h"
#include "core/deliver/package/package.h"
#include "core/files/copy_file.h"
#include "core/files/disk.h"
#include "core/files/staged_folder.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::deliver {

namespace {

struct Sums {
    std::string sha256, sha512;
};

Sums sumsOf(std::string_view bytes) {
    return {Digest::hexOf(Digest::Kind::Sha256, bytes), Digest::hexOf(Digest::Kind::Sha512, bytes)};
}

/// A line of bag-info.txt: values go on one line.
std::string infoLine(const std::string& name, const std::string& value) {
    std::string plain = value;
    for (char& c : plain)
        if (static_cast<unsigned char>(c) < 0x20)
            c = ' ';
    return name + ": " + plain + "\n";
}

class Making {
public:
    Making(const PackageSubject& subject, const Path& folder, std::stop_token stop, work::Progress& progress)
        : subject_(subject), folder_(folder), stop_(std::move(stop)), progress_(progress) {}

    Status run(const PackageInfo& info, const std::string& day) {
        if (Status done = payload(); !done)
            return done;
        for (const auto& [name, content] : subject_.metadata)
            if (Status done = write("data/" + name, content, payload_); !done)
                return done;
        std::string bagInfo = infoLine("Bagging-Date", day);
        bagInfo += infoLine("Payload-Oxum", fmt::format("{}.{}", bytes_, payload_.size()));
        bagInfo += infoLine("Bag-Software-Agent", "Moorfrost");
        for (const auto& [name, value] : info)
            if (!value.empty())
                bagInfo += infoLine(name, value);
        if (Status done =
                write("bagit.txt", "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n", tags_);
            !done)
            return done;
        if (Status done = write("bag-info.txt", bagInfo, tags_); !done)
            return done;
        // Lists of sums of the payload, and of those lists in turn.
        for (const bool wide : {false, true})
            if (Status done = write(wide ? "manifest-sha512.txt" : "manifest-sha256.txt",
                                    listOf(payload_, wide), tags_);
                !done)
                return done;
        std::map<std::string, Sums> none;
        for (const bool wide : {false, true})
            if (Status done = write(wide ? "tagmanifest-sha512.txt" : "tagmanifest-sha256.txt",
                                    listOf(tags_, wide), none);
                !done)
                return done;
        return Done{};
    }
    uint64_t bytes() const { return bytes_; }

private:
    static std::string listOf(const std::map<std::string, Sums>& sums, bool wide) {
        std::string out;
        for (const auto& [name, sum] : sums)
            out += (wide ? sum.sha512 : sum.sha256) + "  " + bagName(name) + "\n";
        return out;
    }

    Status write(const std::string& name, const std::string& content, std::map<std::string, Sums>& into) {
        const Path target = folder_ / name;
        if (Status made = files::makeFolders(target.parent_path()); !made)
            return made;
        if (Status written = files::writeWhole(target, content); !written)
            return written;
        into[name] = sumsOf(content);
        if (name.starts_with("data/"))
            bytes_ += content.size();
        return Done{};
    }

    Status payload() {
        progress_.begin(subject_.files.size());
        std::set<std::string> folders;
        for (const PackageFile& file : subject_.files)
            folders.insert(Path(file.name).parent_path().native());
        for (const std::string& folder : folders)
            if (Status made = files::makeFolders(folder_ / "data" / folder); !made)
                return made;
        std::mutex mutex; // of what follows
        std::optional<Error> failed;
        work::inParallel(subject_.files.size(), [&](size_t i) {
            {
                std::lock_guard lock(mutex);
                if (failed)
                    return;
            }
            const PackageFile& file = subject_.files[i];
            Digest sha256(Digest::Kind::Sha256), sha512(Digest::Kind::Sha512);
            const auto copied =
                files::copyFile(file.path, folder_ / "data" / file.name, stop_, [&](std::string_view some) {
                    sha256.add(some);
                    sha512.add(some);
                });
            std::lock_guard lock(mutex);
            if (!copied) {
                if (!failed)
                    failed = copied.error();
                return;
            }
            if (*copied != file.bytes && !failed)
                failed = Error{
                    ErrorKind::Changed, file.path,
                    "The file was changed since the library looked at it: let the shelf be read again."};
            payload_["data/" + file.name] = {sha256.hex(), sha512.hex()};
            bytes_ += *copied;
            progress_.stepPath(file.path);
        });
        if (stop_.stop_requested()) // whatever else was found by then
            return Error{ErrorKind::Cancelled, {}, "It was stopped: no package was made."};
        if (failed)
            return *failed;
        return Done{};
    }

    const PackageSubject& subject_;
    const Path& folder_;
    std::stop_token stop_;
    work::Progress& progress_;
    std::map<std::string, Sums> payload_, tags_;
    uint64_t bytes_ = 0;
};

} // namespace

Result<PackageMade> makePackage(const PackageSubject& subject, const PackageInfo& info, const Path& target,
                                const std::string& day, std::stop_token stop, work::Progress& progress) {
    if (subject.files.empty())
        return Error{ErrorKind::Invalid, {}, "There is no file for the package: none of them is there."};
    auto staged = files::StagedFolder::begin(target, {});
    if (!staged)
        return staged.error();
    Making making(subject, staged->path(), stop, progress);
    if (Status done = making.run(info, day); !done)
        return done.error();
    if (Status done = staged->finish(); !done)
        return done.error();
    return PackageMade{target, subject.files.size(), making.bytes()};
}

} // namespace moorfrost::deliver
