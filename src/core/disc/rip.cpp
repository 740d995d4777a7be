// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/rip.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cstring>
#include <future>
#include <optional>

#include <fmt/format.h>
#include <zlib.h>

#include "core/audio/encode.h"
#include "core/audio/essence.h"
#include "core/disc/encoding.h"
#include "core/files/disk.h"
#include "core/files/io.h"
#include "core/tags/tag_io.h"

namespace moorfrost::disc {

namespace {

/// Checksums and the loudest sample of what goes by.
class Measure {
public:
    /// `at`: where on the disc what comes first lies; `leadOut`: where it ends.
    Measure(int32_t at, int32_t leadOut)
        : at_(int64_t{at} * bytesPerSector), end_(int64_t{leadOut - unreachable} * bytesPerSector) {}
    void add(std::string_view bytes) {
        const int64_t from = std::max(at_, int64_t{unreachable} * bytesPerSector),
                      to = std::min(at_ + static_cast<int64_t>(bytes.size()), end_);
        if (from < to)
            shared_ = summed(shared_,
                             bytes.substr(static_cast<size_t>(from - at_), static_cast<size_t>(to - from)));
        at_ += static_cast<int64_t>(bytes.size());

        crc_ = summed(crc_, bytes);
        size_t begun = 0; // of what is no silence
        for (size_t i = 0; i + 4 <= bytes.size(); i += 4) {
            const int left = sampleIn(bytes, i), right = sampleIn(bytes, i + 2);
            peak_ = std::max(peak_, std::max(std::abs(left), std::abs(right)));
            if ((left | right) != 0)
                continue;
            loud(bytes.substr(begun, i - begun));
            begun = i + 4;
        }
        loud(bytes.substr(std::min(begun, bytes.size())));
    }
    void into(TrackReport& report) {
        report.crc = static_cast<uint32_t>(crc_);
        report.crcLoud = static_cast<uint32_t>(crcLoud_);
        report.crcShared = static_cast<uint32_t>(shared_);
        report.peak = peak_;
    }

private:
    static uLong summed(uLong crc, std::string_view bytes) {
        return ::crc32(crc, reinterpret_cast<const Bytef*>(bytes.data()), static_cast<uInt>(bytes.size()));
    }
    void loud(std::string_view bytes) {
        if (!bytes.empty())
            crcLoud_ = summed(crcLoud_, bytes);
    }
    int64_t at_, end_; // in bytes
    uLong crc_ = ::crc32(0, nullptr, 0), crcLoud_ = crc_, shared_ = crc_;
    int peak_ = 0;
};

Path rawName(const RipTrack& track) {
    Path raw = files::temporaryName(track.target, false);
    raw += ".rip";
    return raw;
}

/// The encoded file with its fields, under its name, flushed.
Status putInPlace(const Path& raw, const RipTrack& track, const Path& pictures) {
    // Made by us: no stranger's file.
    auto edit = tags::prepareEdit(raw, track.fields, tags::Damage::Refuse, pictures);
    if (!edit)
        return edit.error();
    auto file = files::NewFile::create(track.target, false);
    if (!file)
        return file.error();
    if (Status filled = file->fill(*edit->original, edit->recipe); !filled)
        return filled;
    if (const int error = files::io::flush(file->descriptor()); error != 0)
        return systemError(error, track.target, "Writing the file");
    if (Status placed = file->takeFreeName(); !placed)
        return placed;
    files::io::flushFolder(track.target.parent_path());
    return Done{};
}

/// One track: read on the thread of the rip, then finished on one of its own while the next is read.
class TrackRip {
public:
    TrackRip(const RipPlan& plan, const RipTrack& track, int32_t leadOut)
        : plan_(plan), track_(track), measure_(track.from, leadOut), raw_(rawName(track)) {
        report_.number = track.number;
    }
    ~TrackRip() {
        encoding_.reset();
        if (isRaw_ && files::isThere(raw_))
            static_cast<void>(files::removeFile(raw_));
        if (!report_.file.empty())
            return;
        // One that becomes no file leaves no folder that was made for it.
        for (auto folder = report_.folders.rbegin(); folder != report_.folders.rend(); ++folder)
            files::removeIfEmpty(*folder);
    }

    TrackReport& report() { return report_; }

    Status read(Drive& drive, std::stop_token stop, const std::function<Status(int32_t)>& going) {
        if (files::isThere(track_.target))
            return Error{ErrorKind::Exists, track_.target, "There is a file of this name already."};
        report_.folders = files::missingFolders(track_.target.parent_path());
        if (Status folders = files::makeFolders(track_.target.parent_path()); !folders)
            return folders;
        const audio::EncodeFormat* format = audio::encodeFormat(plan_.format);
        if (!format)
            return Error{ErrorKind::Invalid, {}, "\"" + plan_.format + "\" is no format to rip to."};
        isRaw_ = true;
        auto encoder =
            audio::SoundEncoder::open(raw_, plan_.format, plan_.bitrate > 0 ? plan_.bitrate : format->usual);
        if (!encoder)
            return encoder.error();
        encoding_.emplace(std::move(*encoder));
        int32_t done = 0;
        return readSectors(
            drive, track_.from, track_.length, plan_.reading, stop,
            [&](std::string_view bytes) -> Status {
                measure_.add(bytes);
                done += static_cast<int32_t>(bytes.size() / bytesPerSector);
                if (Status added = encoding_->add(bytes); !added)
                    return added;
                return going(done);
            },
            report_.doubtful);
    }

    /// What was read becomes a file. Any thread.
    Status finish() {
        if (Status finished = encoding_->finish(); !finished)
            return finished;
        encoding_.reset();
        measure_.into(report_);
        if (auto source = FileSource::open(raw_))
            if (auto essence = audio::essenceOf(**source, audio::formatByExtension(track_.target)))
                report_.essence = essence->hash;
        if (Status placed = putInPlace(raw_, track_, plan_.pictures); !placed)
            return placed;
        report_.file = track_.target;
        return Done{};
    }

private:
    const RipPlan& plan_;
    const RipTrack& track_;
    Measure measure_;
    const Path raw_; // encoded, without fields
    bool isRaw_ = false;
    TrackReport report_;
    std::optional<Encoding> encoding_;
};

/// What concerns the disc, the disk or the person, not one track.
bool endsAll(ErrorKind kind) {
    return kind == ErrorKind::NotFound || kind == ErrorKind::NoSpace || kind == ErrorKind::Cancelled ||
           kind == ErrorKind::Invalid;
}

} // namespace

void removeUnfinished(const RipTrack& track) {
    for (const Path& path : {rawName(track), files::temporaryName(track.target, false)})
        if (files::isThere(path))
            static_cast<void>(files::removeFile(path));
}

bool TrackReport::isBad() const {
    return std::ranges::any_of(doubtful, [](const Doubtful& d) { return !d.agreed; });
}

RipReport rip(Drive& given, const RipPlan& plan, std::stop_token stop,
              const std::function<void(const RipProgress&)>& progress,
              const std::function<void(const TrackReport&)>& ended) {
    RipReport out;
    ShiftedDrive shifted(given, -plan.offset);
    Drive& drive = plan.offset == 0 ? given : shifted;
    out.offset = plan.offset;
    out.drive = drive.name();
    out.format = plan.format;
    out.verified = plan.reading.verify;
    auto toc = drive.toc();
    if (!toc) {
        out.ended = toc.error().message;
        return out;
    }
    out.toc = *toc;
    using Clock = std::chrono::steady_clock;
    struct Running {
        std::unique_ptr<TrackRip> rip;
        Clock::time_point begun;
        std::future<Status> finished;
    };
    std::atomic<bool> hopeless = false;
    std::optional<Running> last; // it is finished while the next is read
    size_t files = 0;
    auto end = [&](Running& track, const Status& ripped) {
        TrackReport& report = track.rip->report();
        report.seconds = std::chrono::duration<double>(Clock::now() - track.begun).count();
        files += ripped ? 1 : 0;
        if (!ripped) {
            report.error = ripped.error().message;
            if (endsAll(ripped.error().kind) && out.ended.empty())
                out.ended = report.error;
        }
        out.tracks.push_back(report);
        if (ended)
            ended(report);
    };
    auto endLast = [&] {
        if (!last)
            return;
        Running track = std::move(*last);
        last.reset();
        end(track, track.finished.get());
    };
    for (size_t i = 0; i < plan.tracks.size() && out.ended.empty(); ++i) {
        Running now{std::make_unique<TrackRip>(plan, plan.tracks[i], toc->leadOut), Clock::now(), {}};
        auto going = [&](int32_t done) -> Status {
            const std::vector<Doubtful>& doubtful = now.rip->report().doubtful;
            progress({i, done, doubtful.size(),
                      static_cast<size_t>(std::ranges::count(doubtful, false, &Doubtful::agreed))});
            // Told as soon as it is a file, not when the next is read: that may take minutes.
            if (last && last->finished.wait_for(std::chrono::seconds(0)) == std::future_status::ready)
                endLast();
            if (hopeless)
                return Error{ErrorKind::Cancelled, {}, "The track before could not be written."};
            return Done{};
        };
        static_cast<void>(going(0));
        const Status read = now.rip->read(drive, stop, going);
        endLast();
        if (!read) {
            if (!hopeless) // else it has not begun
                end(now, read);
            continue;
        }
        now.finished = std::async(std::launch::async, [rip = now.rip.get(), &hopeless] {
            Status finished = rip->finish();
            if (!finished && endsAll(finished.error().kind))
                hopeless = true;
            return finished;
        });
        last = std::move(now);
    }
    endLast();
    for (const TrackReport& t : out.tracks) // while it was read, its folder was in use by the next
        if (t.file.empty())
            for (auto folder = t.folders.rbegin(); folder != t.folders.rend(); ++folder)
                files::removeIfEmpty(*folder);
    out.complete = files == plan.tracks.size();
    if (out.complete && plan.eject)
        if (Status open = drive.eject(); !open)
            out.ended = open.error().message;
    return out;
}

// -- Reports

namespace {

std::string placeText(int32_t sector) {
    return fmt::format("{:02}:{:02}.{:02}", sector / (60 * sectorsPerSecond), sector / sectorsPerSecond % 60,
                       sector % sectorsPerSecond);
}

int32_t beginOf(const Toc& toc, int number) {
    for (const TocTrack& t : toc.tracks)
        if (t.number == number)
            return t.start;
    return 0;
}

} // namespace

std::string reportText(const RipReport& report, const Path& folder) {
    std::string out = "Moorfrost, report of a rip\n\n";
    out += "Disc: " + report.toc.table() + "\n";
    if (!report.toc.mediaNumber.empty())
        out += "Media number: " + report.toc.mediaNumber + "\n";
    out += "Drive: " + report.drive + "\nFormat: " + report.format + "\n";
    out += report.verified ? "Each sector was read until two readings agreed.\n"
                           : "Each sector was read once.\n";
    if (report.offset != 0)
        out += fmt::format("The offset of the drive was corrected: {:+} samples.\n", report.offset);
    if (!report.heard.empty())
        out += report.heard + "\n";
    out += report.complete ? "All tracks are files.\n" : "Not all tracks are files. " + report.ended + "\n";
    for (const TrackReport& t : report.tracks) {
        out += fmt::format("\nTrack {:02}\n", t.number);
        if (!t.file.empty())
            out += "  File: " + t.file.lexically_relative(folder).native() + "\n";
        if (!t.error.empty())
            out += "  " + t.error + "\n";
        if (t.file.empty())
            continue;
        out += fmt::format("  CRC-32: {:08X}, without silence {:08X}\n  Peak: {:.1f} %\n  Read in {:.1f} s\n",
                           t.crc, t.crcLoud, t.peak / 327.68, t.seconds);
        if (!t.essence.empty())
            out += "  XXH3 of the sound in the file: " + t.essence + "\n";
        if (t.agree >= 0)
            out += fmt::format("  Read by others: {} the same, {} something else\n", t.agree, t.others);
        const auto bad = std::ranges::count_if(t.doubtful, [](const Doubtful& d) { return !d.agreed; });
        if (t.doubtful.empty())
            out += report.verified ? "  All readings agreed at once.\n" : "";
        else
            out += fmt::format("  Sectors read again: {}, of them never the same twice: {}\n",
                               t.doubtful.size(), bad);
        for (const Doubtful& d : t.doubtful)
            out += fmt::format("    {} (sector {}): {} after {} readings\n",
                               placeText(d.sector - beginOf(report.toc, t.number)), d.sector,
                               d.agreed ? "agreed" : "not proven", d.readings);
    }
    return out;
}

} // namespace moorfrost::disc
