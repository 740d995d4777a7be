// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <chrono>
#include <functional>
#include <thread>

#include <nlohmann/json.hpp>

#include "core/base/byte_source.h"
#include "core/disc/drive.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

using Json = nlohmann::json;

constexpr uint64_t blockFrames = 1000 * framesPerSector; // 13 s, 2 MB

Error gone() {
    return {ErrorKind::NotFound, {}, "There is no disc in the drive any more."};
}

bool isIn(const std::vector<Faults::Range>& ranges, int32_t sector) {
    return std::ranges::any_of(
        ranges, [sector](const Faults::Range& r) { return sector >= r.from && sector < r.to; });
}

/// What is `frames` later than these sectors, as `read` gives it; silence outside of the disc.
Result<std::string> shifted(const std::function<Result<std::string>(int32_t, int)>& read, int32_t sector,
                            int count, int frames, int32_t leadOut) {
    const int64_t first = int64_t{sector} * framesPerSector + frames,
                  end = first + int64_t{count} * framesPerSector;
    const int64_t last = int64_t{leadOut} * framesPerSector;
    const int64_t from = std::clamp<int64_t>(first, 0, last), to = std::clamp<int64_t>(end, 0, last);
    std::string out(static_cast<size_t>(from - first) * 4, '\0');
    if (from < to) {
        const auto begin = static_cast<int32_t>(from / framesPerSector);
        const auto behind = static_cast<int32_t>((to + framesPerSector - 1) / framesPerSector);
        auto bytes = read(begin, behind - begin);
        if (!bytes)
            return bytes;
        out.append(*bytes, static_cast<size_t>(from - int64_t{begin} * framesPerSector) * 4,
                   static_cast<size_t>(to - from) * 4);
    }
    out.resize(static_cast<size_t>(count) * bytesPerSector, '\0');
    return out;
}

} // namespace

Result<std::string> ShiftedDrive::read(int32_t sector, int count) {
    if (leadOut_ == 0) {
        auto toc = inner_.toc();
        if (!toc)
            return toc.error();
        leadOut_ = toc->leadOut;
    }
    return shifted([this](int32_t s, int n) { return inner_.read(s, n); }, sector, count, frames_, leadOut_);
}

Result<Faults> faultsFromJson(const std::string& json) {
    try {
        const Json all = Json::parse(json);
        Faults out;
        auto ranges = [&](const char* name, std::vector<Faults::Range>& to) {
            for (const Json& range : all.value(name, Json::array()))
                to.push_back({range.at(0).get<int32_t>(), range.at(1).get<int32_t>()});
        };
        ranges("bad", out.bad);
        ranges("unsteady", out.unsteady);
        out.takenOutAt = all.value("taken_out_at", -1);
        out.speed = all.value("speed", 0.0);
        out.offset = std::clamp(all.value("offset", 0), -mostOffset, mostOffset);
        out.noText = all.value("no_text", false);
        return out;
    } catch (const Json::exception& e) {
        return Error{ErrorKind::Damaged, {}, std::string("These are no faults of a disc: ") + e.what()};
    }
}

Result<std::unique_ptr<SimulatedDrive>> SimulatedDrive::open(const Path& sheet) {
    auto image = openImage(sheet);
    if (!image)
        return image.error();
    Faults faults;
    Path beside = sheet;
    beside += ".faults.json";
    std::error_code error;
    if (std::filesystem::exists(beside, error)) {
        auto source = FileSource::open(beside);
        if (!source)
            return source.error();
        auto read = faultsFromJson(
            (*source)->bytes(0, static_cast<size_t>(std::min<uint64_t>((*source)->size(), 1 << 20))));
        if (!read)
            return Error{read.error().kind, beside, read.error().message};
        faults = std::move(*read);
    }
    return std::make_unique<SimulatedDrive>(std::move(*image), std::move(faults));
}

SimulatedDrive::SimulatedDrive(DiscImage image, Faults faults)
    : image_(std::move(image)), faults_(std::move(faults)) {}

std::string SimulatedDrive::name() const {
    return text::forDisplay(image_.sheetFile.filename().native());
}

Result<Toc> SimulatedDrive::toc() {
    if (out_)
        return gone();
    return image_.toc;
}

Result<CdText> SimulatedDrive::text() {
    if (out_)
        return gone();
    return faults_.noText ? CdText{} : image_.text;
}

Status SimulatedDrive::eject() {
    out_ = true;
    blocks_.clear();
    return Done{};
}

Result<std::string> SimulatedDrive::blockOf(const Path& file, uint64_t number) {
    auto samples = sandbox::ParserPool::shared().samplesOf(file, number * blockFrames, blockFrames);
    if (!samples)
        return samples.error();
    std::string out(samples->size() * 2, '\0');
    for (size_t i = 0; i < samples->size(); ++i) {
        out[i * 2] = static_cast<char>((*samples)[i] & 255);
        out[i * 2 + 1] = static_cast<char>((*samples)[i] >> 8 & 255);
    }
    return out;
}

Status SimulatedDrive::decoded(const Path& file, uint64_t first, uint64_t frames, std::string& out) {
    constexpr size_t kept = 2;
    for (uint64_t at = first; at < first + frames;) {
        const uint64_t number = at / blockFrames;
        auto block = std::ranges::find_if(
            blocks_, [&](const Block& b) { return b.number == number && b.file == file; });
        if (block == blocks_.end()) {
            const bool expected = coming_.bytes.valid() && coming_.file == file && coming_.number == number;
            auto bytes = expected ? coming_.bytes.get() : blockOf(file, number);
            if (!bytes)
                return bytes.error();
            const bool whole = bytes->size() == blockFrames * 4;
            blocks_.push_front({file, number, std::move(*bytes)});
            if (blocks_.size() > kept)
                blocks_.pop_back();
            block = blocks_.begin();
            if (whole) // it is decoded while this one is looked at
                coming_ = {file, number + 1, std::async(std::launch::async, blockOf, file, number + 1)};
        }
        const uint64_t inBlock = at - number * blockFrames;
        const uint64_t n = std::min(first + frames - at, blockFrames - inBlock);
        if (inBlock * 4 < block->bytes.size()) // else the file has ended
            out.append(block->bytes, static_cast<size_t>(inBlock * 4), static_cast<size_t>(n * 4));
        at += n;
    }
    return Done{};
}

Status SimulatedDrive::fill(const ImagePart& part, int32_t from, int count, std::string& out) {
    const auto whole = static_cast<size_t>(count) * bytesPerSector;
    const size_t begin = out.size();
    if (part.file.empty()) {
        // silence
    } else if (part.kind == CueFile::Kind::Sound) {
        const uint64_t first = part.offset / 4 + static_cast<uint64_t>(from) * framesPerSector;
        if (Status read = decoded(part.file, first, static_cast<uint64_t>(count) * framesPerSector, out);
            !read)
            return read;
    } else {
        if (!binary_ || binaryFile_ != part.file) {
            auto source = FileSource::open(part.file);
            if (!source)
                return source.error();
            binary_ = *source;
            binaryFile_ = part.file;
        }
        const uint64_t at =
            part.offset + static_cast<uint64_t>(from) * static_cast<uint64_t>(part.sectorBytes);
        out.resize(begin + whole);
        out.resize(begin + binary_->read(at, out.data() + begin, whole)); // less at its end
        if (part.kind == CueFile::Kind::BigEndian)
            for (size_t i = begin; i + 1 < out.size(); i += 2)
                std::swap(out[i], out[i + 1]);
    }
    out.resize(begin + whole, '\0'); // the end of the last sector
    return Done{};
}

Result<std::string> SimulatedDrive::readSteady(int32_t sector, int count) {
    std::string out;
    out.reserve(static_cast<size_t>(count) * bytesPerSector);
    for (const ImagePart& part : image_.parts) {
        const int32_t from = std::max(sector, part.start),
                      to = std::min(sector + count, part.start + part.length);
        if (from < to)
            if (Status filled = fill(part, from - part.start, to - from, out); !filled)
                return filled.error();
    }
    return out;
}

Result<std::string> SimulatedDrive::read(int32_t sector, int count) {
    using Clock = std::chrono::steady_clock;
    const auto begun = Clock::now();
    if (out_ || (faults_.takenOutAt >= 0 && sector + count > faults_.takenOutAt)) {
        out_ = true;
        return gone();
    }
    if (sector < 0 || count < 1 || count > 1000 || sector + count > image_.toc.leadOut)
        return Error{ErrorKind::Invalid, {}, "These sectors are not on the disc."};
    for (int32_t s = sector; s < sector + count; ++s)
        if (isIn(faults_.bad, s))
            return Error{ErrorKind::Damaged, {}, "A sector cannot be read."};
    auto steady = faults_.offset == 0 ? readSteady(sector, count)
                                      : shifted([this](int32_t s, int n) { return readSteady(s, n); }, sector,
                                                count, faults_.offset, image_.toc.leadOut);
    if (!steady)
        return steady;
    std::string out = std::move(*steady);
    for (int32_t s = sector; s < sector + count; ++s)
        if (isIn(faults_.unsteady, s)) {
            chance_ = chance_ * 1664525u + 1013904223u;
            if (chance_ >> 31 != 0) { // right every other time
                const size_t at =
                    static_cast<size_t>(s - sector) * bytesPerSector + (chance_ >> 8) % bytesPerSector;
                out[at] = static_cast<char>(out[at] ^ (1 + (chance_ >> 20 & 63)));
            }
        }
    if (faults_.speed > 0)
        std::this_thread::sleep_until(
            begun + std::chrono::duration_cast<Clock::duration>(
                        std::chrono::duration<double>(count / (sectorsPerSecond * faults_.speed))));
    return out;
}

} // namespace moorfrost::disc
