// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/rip.h"

#include <algorithm>
#include <chrono>
#include <condition_variable>
#include <cstring>
#include <deque>
#include <mutex>
#include <optional>
#include <thread>

#include <fmt/format.h>
#include <zlib.h>

#include "core/audio/encode.h"
#include "core/audio/essence.h"
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
            const int left = sample(bytes, i), right = sample(bytes, i + 2);
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
    static int16_t sample(std::string_view bytes, size_t at) {
        return static_cast<int16_t>(static_cast<uint8_t>(bytes[at]) | static_cast<uint8_t>(bytes[at + 1])
                                                                          << 8);
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

/// Encodes on a thread of its own what is handed to it; reading waits only when it is far ahead.
class Encoding {
public:
    explicit Encoding(std::unique_ptr<audio::SoundEncoder> encoder) : encoder_(std::move(encoder)) {
        thread_ = std::jthread([this] { run(); });
    }
    ~Encoding() {
        {
            const std::lock_guard lock(mutex_);
            given_ = ended_ = true;
            waiting_.clear();
        }
        changed_.notify_all();
    }
    Status add(std::string_view bytes) {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [this] { return waiting_.size() < most || error_; });
        if (error_)
            return *error_;
        waiting_.emplace_back(bytes);
        changed_.notify_all();
        return Done{};
    }
    /// All is encoded, and the file is whole.
    Status finish() {
        {
            const std::lock_guard lock(mutex_);
            ended_ = true;
        }
        changed_.notify_all();
        thread_.join();
        if (error_)
            return *error_;
        return encoder_->finish();
    }

private:
    static constexpr size_t most = 8; // portions

    void run() {
        for (;;) {
            std::string bytes;
            {
                std::unique_lock lock(mutex_);
                changed_.wait(lock, [this] { return !waiting_.empty() || ended_; });
                if (waiting_.empty() || given_)
                    return;
                bytes = std::move(waiting_.front());
                waiting_.pop_front();
            }
            changed_.notify_all();
            std::vector<int16_t> samples(bytes.size() / 2);
            for (size_t i = 0; i < samples.size(); ++i)
                samples[i] = Measure::sample(bytes, i * 2);
            if (Status added = encoder_->add(samples); !added) {
                const std::lock_guard lock(mutex_);
                error_ = added.error();
                waiting_.clear();
                changed_.notify_all();
                return;
            }
        }
    }

    std::unique_ptr<audio::SoundEncoder> encoder_; // the thread's, until it has ended
    std::mutex mutex_;                             // guards what follows
    std::condition_variable changed_;
    std::deque<std::string> waiting_;
    bool ended_ = false, given_ = false; // nothing more comes; what is there is not wanted
    std::optional<Error> error_;
    std::jthread thread_; // last: it uses the others
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

Status ripTrack(Drive& drive, int32_t leadOut, const RipPlan& plan, const RipTrack& track,
                std::stop_token stop, const std::function<void(int32_t)>& going, TrackReport& report) {
    if (files::isThere(track.target))
        return Error{ErrorKind::Exists, track.target, "There is a file of this name already."};
    report.folders = files::missingFolders(track.target.parent_path());
    // One that becomes no file leaves no folder that was made for it.
    struct Emptied {
        TrackReport& report;
        ~Emptied() {
            if (!report.file.empty())
                return;
            for (auto folder = report.folders.rbegin(); folder != report.folders.rend(); ++folder)
                files::removeIfEmpty(*folder);
            report.folders.clear();
        }
    } const emptied{report};
    if (Status folders = files::makeFolders(track.target.parent_path()); !folders)
        return folders;
    const audio::EncodeFormat* format = audio::encodeFormat(plan.format);
    if (!format)
        return Error{ErrorKind::Invalid, {}, "\"" + plan.format + "\" is no format to rip to."};
    const Path raw = rawName(track);
    struct Removed {
        const Path& path;
        ~Removed() {
            if (files::isThere(path))
                static_cast<void>(files::removeFile(path));
        }
    } const removed{raw};
    auto encoder =
        audio::SoundEncoder::open(raw, plan.format, plan.bitrate > 0 ? plan.bitrate : format->usual);
    if (!encoder)
        return encoder.error();
    Measure measure(track.from, leadOut);
    {
        Encoding encoding(std::move(*encoder));
        int32_t done = 0;
        Status read = readSectors(
            drive, track.from, track.length, plan.reading, stop,
            [&](std::string_view bytes) -> Status {
                measure.add(bytes);
                done += static_cast<int32_t>(bytes.size() / bytesPerSector);
                if (Status added = encoding.add(bytes); !added)
                    return added;
                going(done);
                return Done{};
            },
            report.doubtful);
        if (!read)
            return read;
        if (Status finished = encoding.finish(); !finished)
            return finished;
    }
    measure.into(report);
    if (auto source = FileSource::open(raw))
        if (auto essence = audio::essenceOf(**source, audio::formatByExtension(track.target)))
            report.essence = essence->hash;
    if (Status placed = putInPlace(raw, track, plan.pictures); !placed)
        return placed;
    report.file = track.target;
    return Done{};
}

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
    size_t files = 0;
    for (size_t i = 0; i < plan.tracks.size(); ++i) {
        const RipTrack& track = plan.tracks[i];
        TrackReport report;
        report.number = track.number;
        const auto begun = std::chrono::steady_clock::now();
        auto going = [&](int32_t done) {
            const auto bad =
                std::ranges::count_if(report.doubtful, [](const Doubtful& d) { return !d.agreed; });
            progress({i, done, report.doubtful.size(), static_cast<size_t>(bad)});
        };
        going(0);
        const Status ripped = ripTrack(drive, toc->leadOut, plan, track, stop, going, report);
        report.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begun).count();
        files += ripped ? 1 : 0;
        if (!ripped)
            report.error = ripped.error().message;
        if (ended)
            ended(report);
        out.tracks.push_back(std::move(report));
        if (!ripped && endsAll(ripped.error().kind)) {
            out.ended = ripped.error().message;
            break;
        }
    }
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

std::string reportText(const RipReport& report) {
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
            out += "  File: " + t.file.filename().native() + "\n";
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
