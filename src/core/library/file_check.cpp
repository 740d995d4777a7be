// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/file_check.h"

#include <algorithm>
#include <array>
#include <map>
#include <mutex>

#include <fmt/format.h>

#include "core/audio/essence.h"
#include "core/files/checksums.h"
#include "core/files/disk.h"
#include "core/library/fixity.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::library {

namespace fs = std::filesystem;

bool isUnder(const Path& path, const std::vector<Path>& roots) {
    for (const Path& given : roots) {
        std::string root = fs::absolute(given).lexically_normal().native();
        while (root.size() > 1 && root.ends_with('/'))
            root.pop_back();
        if (path == root || path.native().starts_with(root == "/" ? root : root + "/"))
            return true;
    }
    return false;
}

const char* name(CheckState state) {
    static constexpr std::array names = {"same",    "fine",    "new",       "changed",
                                         "damaged", "missing", "unreadable"};
    return names[static_cast<size_t>(state)];
}

bool isTrouble(CheckState state) {
    return state >= CheckState::Changed;
}

namespace {

/// Calls `check(i)` for each on several threads, and hands on what it gives until stopped.
template<class Check>
void each(size_t count, std::stop_token stop, work::Progress& progress, const Checked& found, Check&& check) {
    std::mutex mutex;
    progress.begin(count);
    work::inParallel(count, [&](size_t i) {
        if (stop.stop_requested())
            return;
        CheckedFile file = check(i);
        std::lock_guard lock(mutex);
        if (stop.stop_requested())
            return;
        progress.stepPath(file.path);
        found(file);
    });
}

bool isThere(const Path& path) {
    std::error_code error;
    return fs::exists(fs::symlink_status(path, error));
}

CheckedFile failed(const Path& path, const std::string& why) {
    return {path, isThere(path) ? CheckState::Unreadable : CheckState::Missing, why, {}};
}

} // namespace

void checkFixity(const std::vector<Path>& files, const std::vector<Fixity>& stored, bool sha256,
                 std::stop_token stop, work::Progress& progress, const Checked& found) {
    std::map<Path, const Fixity*> known;
    for (const Fixity& f : stored)
        known[f.path] = &f;
    std::vector<std::pair<Path, const Fixity*>> all;
    for (const Path& p : files) {
        auto it = known.find(p);
        all.emplace_back(p, it == known.end() ? nullptr : it->second);
        if (it != known.end())
            known.erase(it);
    }
    for (const auto& [path, fixity] : known)
        all.emplace_back(path, fixity);
    each(all.size(), stop, progress, found, [&](size_t i) {
        const auto& [path, fixity] = all[i];
        CheckedFile out{path, CheckState::Same, "The sound is the one that was stored.", {}};
        if (!fixity) {
            auto now = fixityOf(path, sha256);
            if (!now)
                return failed(path, now.error().message);
            out.state = CheckState::New;
            out.sentence = "Nothing was stored of this file before.";
            out.now = *now;
            return out;
        }
        FixityCheck check = library::checkFixity(*fixity);
        out.now = check.now;
        if (check.state == FixityState::Same)
            return out;
        if (check.state != FixityState::Changed)
            return failed(path, check.error);
        out.state = CheckState::Changed;
        out.sentence = check.error;
        return out;
    });
}

void checkDecoding(const std::vector<Path>& files, std::stop_token stop, work::Progress& progress,
                   const Checked& found) {
    each(files.size(), stop, progress, found, [&](size_t i) {
        auto check = sandbox::ParserPool::shared().checkDecoding(files[i], stop, {});
        if (!check)
            return failed(files[i], check.error().message);
        std::string trouble = check->trouble();
        if (auto source = FileSource::open(files[i]); trouble.empty() && source)
            trouble = audio::whyCutShort(**source, audio::detectFormat(**source), true);
        if (!trouble.empty())
            return CheckedFile{files[i], CheckState::Damaged, trouble, {}};
        std::string sum = check->sum == audio::SampleSum::Same ? " Its own MD5 sum agrees." : "";
        return CheckedFile{files[i],
                           CheckState::Fine,
                           fmt::format("Decoded to its end, {:.1f} seconds.{}", check->seconds, sum),
                           {}};
    });
}

Status checkAgainstList(const Path& list, std::stop_token stop, work::Progress& progress,
                        const Checked& found) {
    constexpr uint64_t longestList = 256u << 20;
    auto source = FileSource::open(list);
    if (!source)
        return source.error();
    if ((*source)->size() > longestList)
        return Error{ErrorKind::Unsupported, list, "The list is longer than 256 MB."};
    auto sums = files::checksumsFrom((*source)->bytes(0, static_cast<size_t>((*source)->size())));
    if (!sums)
        return Error{sums.error().kind, list, sums.error().message};
    Path folder = list.parent_path();
    each(sums->size(), stop, progress, found, [&](size_t i) {
        Path path = folder / (*sums)[i].path;
        auto sum = files::sha256Of(path, stop, [](uint64_t) {});
        if (!sum)
            return failed(path, sum.error().message);
        bool same = *sum == (*sums)[i].sum;
        return CheckedFile{path,
                           same ? CheckState::Same : CheckState::Changed,
                           same ? "The file has the sum in the list."
                                : "The file is not the one that the list was made of: its sum is another.",
                           {}};
    });
    return Done{};
}

Status writeList(const Path& folder, const Path& list, std::stop_token stop, work::Progress& progress,
                 const Checked& found) {
    std::vector<Path> paths;
    std::error_code error;
    for (fs::recursive_directory_iterator it(folder, fs::directory_options::skip_permission_denied, error),
         end;
         !error && it != end; it.increment(error)) {
        std::error_code ignored;
        if (it->is_regular_file(ignored) && !it->is_symlink(ignored) && it->path() != list)
            paths.push_back(it->path());
    }
    if (error)
        return systemError(error.value(), folder, "Reading the folder");
    std::sort(paths.begin(), paths.end());
    std::vector<files::Checksum> sums(paths.size());
    bool whole = true;
    each(paths.size(), stop, progress, found, [&](size_t i) {
        auto sum = files::sha256Of(paths[i], stop, [](uint64_t) {});
        if (!sum)
            return failed(paths[i], sum.error().message);
        sums[i] = {*sum, paths[i].lexically_relative(list.parent_path())};
        return CheckedFile{paths[i], CheckState::New, "SHA-256 " + *sum, {}};
    });
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, list, "Stopped. No list was written."};
    for (const files::Checksum& c : sums)
        whole = whole && !c.sum.empty();
    if (!whole)
        return Error{ErrorKind::Io, list, "Some files could not be read, so no list was written."};
    return files::writeWhole(list, files::checksumsText(sums));
}

std::string summaryOf(const std::vector<CheckedFile>& files) {
    std::map<CheckState, size_t> counts;
    for (const CheckedFile& f : files)
        ++counts[f.state];
    std::vector<std::string> parts;
    for (const auto& [state, n] : counts)
        parts.push_back(fmt::format("{} {}", n, name(state)));
    return parts.empty() ? "Nothing was checked." : text::join(parts, ", ") + ".";
}

exchange::Report reportOf(const std::string& title, const std::vector<CheckedFile>& files) {
    exchange::Report report{
        title, {summaryOf(files)}, {"State", "File", "Found", "Essence XXH3", "Essence SHA-256"}, {}};
    std::vector<const CheckedFile*> sorted;
    for (const CheckedFile& f : files)
        sorted.push_back(&f);
    std::stable_sort(sorted.begin(), sorted.end(), [](const CheckedFile* a, const CheckedFile* b) {
        return std::pair(!isTrouble(a->state), a->path) < std::pair(!isTrouble(b->state), b->path);
    });
    for (const CheckedFile* f : sorted)
        report.rows.push_back({name(f->state), text::escapeBytes(f->path.native()), f->sentence,
                               f->now.essence, f->now.sha256});
    return report;
}

} // namespace moorfrost::library
