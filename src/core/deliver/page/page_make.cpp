// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_make.h"

#include <algorithm>
#include <mutex>
#include <random>
#include <set>

#include <fmt/format.h>

#include "core/audio/encode.h"
#include "core/base/helper_program.h"
#include "core/deliver/sound_copy.h"
#include "core/exchange/zip.h"
#include "core/files/copy_file.h"
#include "core/files/growing_file.h"
#include "core/files/safe_name.h"
#include "core/files/staged_folder.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::deliver {

namespace {

constexpr size_t heights = 480;
constexpr pictures::FitRule coverRule{600, 150'000, 85};

Result<std::string> resource(const char* name) {
    const Path folder = sharedFolder("page");
    const auto source = folder.empty()
                            ? Result<std::shared_ptr<FileSource>>(Error{ErrorKind::NotFound, {}, ""})
                            : FileSource::open(folder / name);
    if (!source)
        return Error{ErrorKind::NotFound, {}, "What share pages are made of did not come with this program."};
    return (*source)->bytes(0, static_cast<size_t>((*source)->size()));
}

/// Names in one folder, each once whatever the case.
class Names {
public:
    std::string free(const std::string& name, const std::string& ending) {
        std::string out = name + ending;
        for (int n = 2; !taken_.insert(files::nameKey(out, files::NameProfile::Portable)).second; ++n)
            out = fmt::format("{} ({}){}", name, n, ending);
        return out;
    }

private:
    std::set<std::string> taken_;
};

class Making {
public:
    Making(const PagePlan& plan, const Path& folder, std::stop_token stop, work::Progress& progress)
        : plan_(plan), folder_(folder), stop_(std::move(stop)), progress_(progress) {}

    Result<PageMade> run() {
        const auto style = resource("page.css"), program = resource("page.js");
        if (!style)
            return style.error();
        if (!program)
            return program.error();
        if (Status done = sounds(); !done)
            return done.error();
        picture();
        if (!plan_.oneSheet.empty()) {
            page_.oneSheet = names_.free("One-sheet", ".pdf");
            if (Status done = files::writeWhole(folder_ / page_.oneSheet, plan_.oneSheet); !done)
                return done.error();
        }
        if (Status done = all(); !done)
            return done.error();
        const std::string html = pageHtml(plan_.subject, plan_.layout, page_, plan_.id, *style, *program);
        if (Status done = files::writeWhole(folder_ / "index.html", html); !done)
            return done.error();
        made_.bytes += html.size() + plan_.oneSheet.size();
        made_.tracks = plan_.subject.tracks.size();
        made_.page = plan_.target / "index.html";
        return std::move(made_);
    }

private:
    /// What is to be made for one sound.
    struct Work {
        const PageSound* sound;
        std::string listen, take; // names of files in "sound" and "take"
    };

    std::string takeEnding(const PageSound& sound) const {
        if (plan_.layout.take == "original")
            return sound.path.extension().native();
        const audio::EncodeFormat* format = audio::encodeFormat(plan_.layout.take);
        return format ? format->ending : std::string();
    }

    SoundCopy copyOf(const PageSound& sound, const Path& target, const std::string& format,
                     int bitrate) const {
        SoundCopy out;
        out.source = sound.path;
        out.seconds = sound.seconds;
        out.target = target;
        out.format = format;
        out.bitrate = bitrate;
        // What the page tells, and nothing else.
        out.fields["title"] = {sound.name};
        if (const std::string& artist = sound.artist.empty() ? plan_.subject.artist : sound.artist;
            !artist.empty())
            out.fields["artist"] = {artist};
        return out;
    }

    Status sounds() {
        const PageLayout& layout = plan_.layout;
        const std::string ending = audio::encodeFormat(layout.listen)->ending;
        const bool takes = layout.take != "nothing", same = layout.take == "listen";
        std::vector<Work> works;
        Names listen, take;
        for (const PageSound* sound : plan_.subject.sounds()) {
            Work work{sound, listen.free(sound->fileName, ending), {}};
            if (takes && !same)
                work.take = take.free(sound->fileName, takeEnding(*sound));
            works.push_back(std::move(work));
        }
        if (Status made = files::makeFolders(folder_ / "sound"); !made)
            return made;
        if (takes && !same)
            if (Status made = files::makeFolders(folder_ / "take"); !made)
                return made;
        progress_.begin(works.size());
        std::optional<Error> failed; // that ends it all: the disk
        std::mutex mutex;            // of what follows and made_, page_
        work::inParallel(works.size(), [&](size_t i) {
            const Work& work = works[i];
            {
                std::lock_guard lock(mutex);
                if (failed || stop_.stop_requested())
                    return;
            }
            PageFiles::Sound out;
            std::string trouble;
            uint64_t bytes = 0;
            std::optional<Error> disk;
            auto fail = [&](const Error& error) {
                if (error.kind == ErrorKind::NoSpace || error.kind == ErrorKind::Permission)
                    disk = error;
                else if (trouble.empty())
                    trouble = fmt::format("\"{}\": {}", work.sound->name, error.message);
            };
            const auto heard = makeSoundCopy(
                copyOf(*work.sound, folder_ / "sound" / work.listen, layout.listen, layout.bitrate), heights,
                stop_);
            if (heard) {
                out.listen = "sound/" + work.listen;
                out.shape = heard->shape;
                out.seconds = heard->seconds;
                bytes += heard->bytes;
                if (same)
                    out.take = out.listen;
            } else {
                fail(heard.error());
            }
            if (!work.take.empty() && !disk) {
                if (layout.take == "original") {
                    const auto copied =
                        files::copyFile(work.sound->path, folder_ / "take" / work.take, stop_);
                    copied ? void(bytes += *copied) : fail(copied.error());
                    out.take = copied ? "take/" + work.take : std::string();
                } else {
                    const auto copied = makeSoundCopy(
                        copyOf(*work.sound, folder_ / "take" / work.take, layout.take, 0), 0, stop_);
                    copied ? void(bytes += copied->bytes) : fail(copied.error());
                    out.take = copied ? "take/" + work.take : std::string();
                }
            }
            std::lock_guard lock(mutex);
            if (disk && !failed)
                failed = disk;
            if (!trouble.empty() && !stop_.stop_requested())
                made_.trouble.push_back(trouble);
            made_.bytes += bytes;
            made_.sounds += !out.listen.empty();
            made_.tracksById[work.sound->id] = work.sound->file;
            page_.sounds[work.sound->id] = std::move(out);
            progress_.stepPath(work.sound->path);
        });
        if (stop_.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped: no page was made."};
        if (failed)
            return *failed;
        return Done{};
    }

    void picture() {
        if (plan_.subject.picture.empty())
            return;
        const auto fitted = sandbox::ParserPool::shared().fitPicture(plan_.subject.picture,
                                                                     plan_.subject.pictureHash, coverRule);
        if (!fitted) {
            made_.trouble.push_back("The picture: " + fitted.error().message);
            return;
        }
        if (const Status done = files::writeWhole(folder_ / "cover.jpg", fitted->jpeg); done)
            page_.picture = "cover.jpg";
        made_.bytes += fitted->jpeg.size();
    }

    /// One file with all that can be taken.
    Status all() {
        if (!plan_.layout.takeAll || plan_.layout.take == "nothing")
            return Done{};
        std::vector<exchange::ZipEntry> entries;
        for (const PageSound* sound : plan_.subject.sounds())
            if (const std::string& take = page_.sounds[sound->id].take; !take.empty())
                entries.push_back({Path(take).filename().native(), folder_ / take});
        if (entries.size() < 2)
            return Done{};
        if (!page_.oneSheet.empty())
            entries.push_back({page_.oneSheet, folder_ / page_.oneSheet});
        page_.all = names_.free(files::safeName(plan_.subject.title, files::NameProfile::Portable), ".zip");
        const auto bytes = exchange::writeZip(folder_ / page_.all, entries, stop_);
        if (!bytes)
            return bytes.error();
        made_.bytes += *bytes;
        return Done{};
    }

    const PagePlan& plan_;
    const Path& folder_;
    std::stop_token stop_;
    work::Progress& progress_;
    Names names_;
    PageFiles page_;
    PageMade made_;
};

constexpr const char* kind = "share page";

} // namespace

std::string newPageId() {
    std::random_device device;
    std::string out;
    for (int i = 0; i < 4; ++i)
        out += fmt::format("{:08x}", static_cast<uint32_t>(device()));
    return out;
}

bool isPageFolder(const Path& folder) {
    return files::StagedFolder::isOurs(folder, kind);
}

Result<PageMade> makePage(const PagePlan& plan, std::stop_token stop, work::Progress& progress) {
    if (plan.subject.tracks.empty())
        return Error{
            ErrorKind::Invalid, {}, "There is no track that could be heard: none of the files is there."};
    auto staged = files::StagedFolder::begin(plan.target, kind);
    if (!staged)
        return staged.error();
    auto made = Making(plan, staged->path(), stop, progress).run();
    if (!made)
        return made;
    if (Status done = staged->finish(); !done)
        return done.error();
    return made;
}

} // namespace moorfrost::deliver
