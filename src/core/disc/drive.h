// SPDX-License-Identifier: GPL-3.0-or-later
// A drive with a disc in it, as whoever reads the disc sees it. One thread at a time.
#pragma once

#include <deque>
#include <future>
#include <memory>
#include <string>
#include <vector>

#include "core/base/byte_source.h"
#include "core/disc/image.h"

namespace moorfrost::disc {

class Drive {
public:
    Drive() = default;
    virtual ~Drive() = default;
    Drive(const Drive&) = delete;
    Drive& operator=(const Drive&) = delete;

    virtual std::string name() const = 0; // for people
    /// An Error (NotFound) where there is no disc in it.
    virtual Result<Toc> toc() = 0;
    /// No blocks where the disc says nothing.
    virtual Result<CdText> text() = 0;
    /// Sectors of sound, 2,352 bytes each: 16 bit stereo, interleaved, the lower byte first. An Error:
    /// Damaged where one of them cannot be read, NotFound where the disc is gone.
    virtual Result<std::string> read(int32_t sector, int count) = 0;
    /// Opens it, or says why not. A simulated one has no disc in it from then on.
    virtual Status eject() = 0;
};

/// A drive gives samples some frames too late or too early, always the same number: its offset. This one asks
/// `inner` for what is `frames` (a sample of each channel) later; where that is not on the disc, silence.
class ShiftedDrive : public Drive {
public:
    /// `inner` outlives it.
    ShiftedDrive(Drive& inner, int frames) : inner_(inner), frames_(frames) {}
    std::string name() const override { return inner_.name(); }
    Result<Toc> toc() override { return inner_.toc(); }
    Result<CdText> text() override { return inner_.text(); }
    Result<std::string> read(int32_t sector, int count) override;
    Status eject() override { return inner_.eject(); }

private:
    Drive& inner_;
    int frames_;
    int32_t leadOut_ = 0; // 0: not asked yet
};

/// More than any drive has.
inline constexpr int mostOffset = 5 * framesPerSector;

/// What is wrong with a simulated disc.
struct Faults {
    struct Range {
        int32_t from = 0, to = 0; // sectors; `to` is not in it
        bool operator==(const Range&) const = default;
    };
    std::vector<Range> bad;      // cannot be read
    std::vector<Range> unsteady; // give something else now and then
    int32_t takenOutAt = -1;     // the disc is taken out when this sector is read; -1: never
    double speed = 0;            // times as fast as it plays; 0: as fast as can be
    int offset = 0;              // frames that what it reads comes later on the disc than it was asked for
    bool noText = false;         // it cannot read CD-TEXT
    bool operator==(const Faults&) const = default;
};
/// From JSON: {"bad": [[100, 103]], "unsteady": [[2000, 2040]], "taken_out_at": 5000, "speed": 8,
/// "offset": 6, "no_text": true}. An Error (Damaged) where it is none.
Result<Faults> faultsFromJson(const std::string& json);

/// A disc image in a simulated drive. Faults lie in a file beside the sheet that is named like it, with
/// ".faults.json" behind it.
class SimulatedDrive : public Drive {
public:
    static Result<std::unique_ptr<SimulatedDrive>> open(const Path& sheet);
    SimulatedDrive(DiscImage image, Faults faults);

    std::string name() const override;
    Result<Toc> toc() override;
    Result<CdText> text() override;
    Result<std::string> read(int32_t sector, int count) override;
    Status eject() override;
    const DiscImage& image() const { return image_; }

private:
    Result<std::string> readSteady(int32_t sector, int count);
    Status fill(const ImagePart& part, int32_t from, int count, std::string& out);
    /// Samples of a file of sound, as bytes; what was decoded last is kept.
    Status decoded(const Path& file, uint64_t first, uint64_t frames, std::string& out);

    DiscImage image_;
    Faults faults_;
    struct Block {
        Path file;
        uint64_t number = 0;
        std::string bytes;
    };
    /// From the reading processes, as bytes.
    static Result<std::string> blockOf(const Path& file, uint64_t number);
    Path binaryFile_; // that is open
    std::shared_ptr<FileSource> binary_;
    std::deque<Block> blocks_; // the latest first
    /// The block that comes next, where discs are read from the beginning to the end.
    struct Coming {
        Path file;
        uint64_t number = 0;
        std::future<Result<std::string>> bytes;
    };
    Coming coming_;
    bool out_ = false;
    uint32_t chance_ = 1;
};

} // namespace moorfrost::disc
