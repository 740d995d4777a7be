// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <mutex>
#include <set>

#include <fmt/format.h>

#include "core/base/byte_source.h"
#include "core/base/digest.h"
#include "core/deliver/package/bag_names.h"
#include "core/deliver/package/package.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::deliver {

namespace {

using What = PackageFinding::What;

constexpr uint64_t mostList = 512 << 20; // bytes of a manifest
constexpr size_t portion = 1 << 20;

struct Algorithm {
    const char* name;
    Digest::Kind kind;
};
constexpr Algorithm algorithms[] = {{"sha256", Digest::Kind::Sha256}, {"sha512", Digest::Kind::Sha512}};

Result<std::string> textOf(const Path& file) {
    const auto source = FileSource::open(file);
    if (!source)
        return source.error();
    if ((*source)->size() > mostList)
        return Error{ErrorKind::Unsupported, file, "It is too large."};
    return (*source)->bytes(0, static_cast<size_t>((*source)->size()));
}

class Verifying {
public:
    Verifying(const Path& folder, std::stop_token stop, work::Progress& progress)
        : folder_(folder), stop_(std::move(stop)), progress_(progress) {}

    Result<PackageCheck> run() {
        std::error_code error;
        if (!std::filesystem::is_directory(folder_, error))
            return Error{ErrorKind::NotFound, folder_, "There is no such folder."};
        const auto declared = textOf(folder_ / "bagit.txt");
        if (!declared) {
            add(What::Form, {}, "It is no package: \"bagit.txt\" is missing.");
            return std::move(out_);
        }
        if (!declared->starts_with("BagIt-Version: "))
            add(What::Form, "bagit.txt", "It does not say which version of BagIt the package is of.");
        readInfo();
        for (const bool tags : {false, true})
            for (const Algorithm& a : algorithms)
                readManifest(a, tags);
        if (manifests_ == 0)
            add(What::Form, {}, "It has no list of sums that is understood here (SHA-256 or SHA-512).");
        if (std::filesystem::exists(folder_ / "fetch.txt", error))
            add(What::Form, "fetch.txt",
                "Parts of it are to be fetched from elsewhere, which is not done here.");
        listPayload();
        sums();
        if (stop_.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped."};
        oxum();
        std::ranges::stable_sort(out_.findings, {}, &PackageFinding::name);
        return std::move(out_);
    }

private:
    struct Wanted {
        std::map<std::string, std::string> sums; // by algorithm
    };

    void add(What what, const std::string& name, const std::string& sentence) {
        out_.findings.push_back({what, name, sentence});
    }

    void readInfo() {
        const auto text = textOf(folder_ / "bag-info.txt");
        if (!text)
            return;
        for (std::string line : text::split(text::replaceAll(*text, "\r\n", "\n"), "\n")) {
            if (line.starts_with(' ') || line.starts_with('\t')) {
                if (!out_.info.empty())
                    out_.info.back().second += " " + text::trim(line);
                continue;
            }
            const size_t colon = line.find(':');
            if (colon != std::string::npos && out_.info.size() < 1000)
                out_.info.emplace_back(text::trim(line.substr(0, colon)), text::trim(line.substr(colon + 1)));
        }
    }

    void readManifest(const Algorithm& algorithm, bool tags) {
        const std::string name = std::string(tags ? "tag" : "") + "manifest-" + algorithm.name + ".txt";
        std::error_code error;
        if (!std::filesystem::exists(folder_ / name, error))
            return;
        const auto text = textOf(folder_ / name);
        if (!text)
            return add(What::Form, name, text.error().message);
        manifests_ += !tags;
        size_t number = 0;
        std::set<std::string> seen;
        for (const std::string& line : text::split(text::replaceAll(*text, "\r\n", "\n"), "\n")) {
            ++number;
            if (line.empty())
                continue;
            const size_t space = line.find_first_of(" \t");
            const size_t from = space == std::string::npos ? space : line.find_first_not_of(" \t*", space);
            if (from == std::string::npos) {
                add(What::Form, name, fmt::format("Line {} is no sum with a name.", number));
                continue;
            }
            const std::string file = fromBagName(line.substr(from));
            if (climbsOut(file)) {
                add(What::ClimbsOut, file,
                    fmt::format("Line {} of {} names a file outside of the package.", number, name));
                continue;
            }
            if (!tags && !file.starts_with("data/"))
                add(What::Form, file,
                    fmt::format("Line {} of {} names a file that is no payload.", number, name));
            if (!seen.insert(file).second)
                add(What::Form, file, fmt::format("It stands in {} twice.", name));
            wanted_[file].sums[algorithm.name] = text::lower(line.substr(0, space));
        }
        if (!tags)
            listed_.push_back(std::move(seen));
    }

    void listPayload() {
        std::error_code error;
        std::set<std::string> there;
        if (std::filesystem::is_symlink(folder_ / "data", error))
            return add(What::ClimbsOut, "data", "It is a link, which may lead out of the package.");
        auto walk = std::filesystem::recursive_directory_iterator(folder_ / "data", error);
        if (error) {
            add(What::Form, {}, "It has no folder \"data\".");
            return;
        }
        for (; walk != std::filesystem::recursive_directory_iterator(); walk.increment(error)) {
            if (error)
                break;
            if (walk->is_symlink(error)) {
                add(What::ClimbsOut, walk->path().lexically_relative(folder_).native(),
                    "It is a link, which may lead out of the package.");
                continue;
            }
            if (!walk->is_directory(error))
                there.insert(walk->path().lexically_relative(folder_).native());
        }
        // Every list must have all of it.
        for (const std::string& name : there)
            if (std::ranges::any_of(listed_, [&](const auto& list) { return !list.contains(name); }))
                add(What::Extra, name, "It is there, but not in the lists of sums.");
    }

    void sums() {
        std::vector<std::pair<std::string, const Wanted*>> all;
        for (const auto& [name, wanted] : wanted_)
            all.emplace_back(name, &wanted);
        progress_.begin(all.size());
        std::mutex mutex; // of out_
        work::inParallel(all.size(), [&](size_t i) {
            if (stop_.stop_requested())
                return;
            const auto& [name, wanted] = all[i];
            std::error_code error;
            const bool link = std::filesystem::is_symlink(folder_ / name, error);
            const auto source =
                link ? Result<std::shared_ptr<FileSource>>(Error{ErrorKind::Invalid, {}, "It is a link."})
                     : FileSource::open(folder_ / name);
            if (!source) {
                std::lock_guard lock(mutex);
                if (!link)
                    add(What::Missing, name, "It is in the lists of sums, but not there.");
                return;
            }
            std::vector<std::pair<std::string, Digest>> digests;
            for (const Algorithm& a : algorithms)
                if (wanted->sums.contains(a.name))
                    digests.emplace_back(a.name, Digest(a.kind));
            std::string buffer(portion, '\0');
            uint64_t at = 0;
            while (at < (*source)->size() && !stop_.stop_requested()) {
                const size_t n = (*source)->read(at, buffer.data(), buffer.size());
                if (n == 0)
                    break;
                for (auto& [algorithm, digest] : digests)
                    digest.add(std::string_view(buffer).substr(0, n));
                at += n;
            }
            std::lock_guard lock(mutex);
            if (at < (*source)->size() && !stop_.stop_requested())
                add(What::Changed, name, "It cannot be read to its end.");
            for (auto& [algorithm, digest] : digests)
                if (digest.hex() != wanted->sums.at(algorithm) && !stop_.stop_requested()) {
                    add(What::Changed, name,
                        "It is not what it was when the package was made: another " + text::upper(algorithm) +
                            ".");
                    break;
                }
            if (name.starts_with("data/")) {
                ++out_.files;
                out_.bytes += at;
            }
            progress_.stepPath(folder_ / name);
        });
    }

    void oxum() {
        for (const auto& [name, value] : out_.info)
            if (text::lower(name) == "payload-oxum" && out_.findings.empty() &&
                value != fmt::format("{}.{}", out_.bytes, out_.files))
                add(What::Form, "bag-info.txt", "It says another number of files or bytes than there are.");
    }

    const Path& folder_;
    std::stop_token stop_;
    work::Progress& progress_;
    PackageCheck out_;
    std::map<std::string, Wanted> wanted_;
    std::vector<std::set<std::string>> listed_; // payload of each manifest
    size_t manifests_ = 0;
};

} // namespace

std::string bagName(const std::string& name) {
    std::string out;
    for (const char c : name)
        out += c == '%' ? "%25" : c == '\n' ? "%0A" : c == '\r' ? "%0D" : std::string(1, c);
    return out;
}

std::string fromBagName(const std::string& name) {
    std::string out = name;
    for (const auto& [escaped, c] :
         {std::pair{"%0A", "\n"}, {"%0a", "\n"}, {"%0D", "\r"}, {"%0d", "\r"}, {"%25", "%"}})
        out = text::replaceAll(out, escaped, c);
    return out;
}

bool climbsOut(const std::string& name) {
    const Path path(name);
    if (name.empty() || path.is_absolute() || name.starts_with('~') || name.find('\0') != std::string::npos)
        return true;
    return std::ranges::any_of(path, [](const Path& part) { return part == ".." || part == "."; });
}

Result<PackageCheck> verifyPackage(const Path& folder, std::stop_token stop, work::Progress& progress) {
    return Verifying(folder, std::move(stop), progress).run();
}

} // namespace moorfrost::deliver
