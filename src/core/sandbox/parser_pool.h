// SPDX-License-Identifier: GPL-3.0-or-later
// Reading of files that may be hostile, and the preparing of changes to their tags, in a few processes of
// their own (sandbox/worker). The functions are those of tags/tag_io and audio/decoder; a file that brings
// its process down, or keeps it computing too long, gives an error with the reason. Safe from any thread.
#pragma once

#include <atomic>
#include <functional>
#include <mutex>
#include <optional>
#include <vector>

#include "core/audio/decode_check.h"
#include "core/audio/decoder.h"
#include "core/audio/sound_traits.h"
#include "core/measure/sound_report.h"
#include "core/measure/spectrogram.h"
#include "core/pictures/recode.h"
#include "core/sandbox/worker.h"
#include "core/sound/fingerprint.h"
#include "core/tags/tag_io.h"

namespace moorfrost::sandbox {

enum class Ask : uint8_t; // sandbox/messages

class ParserPool {
public:
    explicit ParserPool(Path program, Limits limits = {}) : program_(std::move(program)), limits_(limits) {}
    /// Those of this program: "libexec/moorfrost-reader" beside the program or in a folder above it, or what
    /// MOORFROST_READER names.
    static ParserPool& shared();

    /// A file that is asked about.
    struct Question {
        size_t number = 0;    // comes back with the answer
        std::string path;     // its bytes: a Path is far dearer to copy
        tags::Fields changes; // where it is to be changed
        tags::Damage damage = tags::Damage::Refuse;
        std::string pictures = {}; // the folder in which those are kept that are to be added
    };
    /// The next one. With `wait`, waits until there is one or none will come any more.
    using Take = std::function<std::optional<Question>(bool wait)>;
    /// Reads what `take` gives, in one process, until it gives nothing, and calls `each` for every file, from
    /// this thread. After a stop the rest is left out. Several files are asked about ahead of the answers.
    void readEach(const Take& take, std::stop_token stop,
                  const std::function<void(size_t, Result<tags::TagFile>)>& each);
    /// Prepares the changes that `take` asks for, in one process, and calls `each` for every file, from this
    /// thread; an Error where a file cannot be changed as asked. After a stop the rest is left out. The edits
    /// come from the reading process; that they leave the sound alone is shown here again.
    void editEach(const Take& take, std::stop_token stop,
                  const std::function<void(size_t, Result<tags::PreparedEdit>)>& each);
    Result<tags::TagFile> readTags(const Path& path);
    Result<std::vector<tags::Picture>> readPictures(const Path& path);
    Result<tags::PreparedEdit> prepareEdit(const Path& path, const tags::Fields& changes,
                                           tags::Damage damage = tags::Damage::Refuse,
                                           const Path& pictures = {});
    /// The front cover, else the first picture, as a square of `side` pixels.
    Result<pictures::Square> coverOf(const Path& path, int side);
    /// The picture with this checksum (tags::PictureInfo::hash) in a file of sound, or, with 0, a file that
    /// is a picture itself, as a square of `side` pixels.
    Result<pictures::Square> pictureOf(const Path& path, uint64_t hash, int side);
    /// The same picture, made to fit a rule.
    Result<pictures::Fitted> fitPicture(const Path& path, uint64_t hash, const pictures::FitRule& rule);
    /// However long it takes: what counts is that it goes on.
    Result<std::vector<float>> peaksOf(const Path& path, size_t count, std::stop_token stop,
                                       const audio::PeaksTold& going = {});
    /// Fingerprints of the first `most` seconds, one for each speed.
    Result<std::vector<sound::Fingerprint>>
    fingerprintsOf(const Path& path, const std::vector<double>& speeds, double most, std::stop_token stop);
    Result<audio::SoundTraits> soundTraitsOf(const Path& path, std::stop_token stop);

    /// All of its sound, measured. However long it takes: what counts is that it goes on.
    Result<measure::SoundReport> measureSound(const Path& path, std::stop_token stop,
                                              const std::function<void(double)>& going = {});
    /// As measure::drawSpectrogram has it; both are called on this thread.
    Status drawSpectrogram(const Path& path, const measure::SpectrogramRequest& request, std::stop_token stop,
                           const measure::SpectrogramBegun& begun, const measure::SpectrogramDrawn& drawn);

    /// However long it takes: what counts is that it goes on. `going` is told of the seconds decoded so far.
    Result<audio::DecodeCheck> checkDecoding(const Path& path, std::stop_token stop,
                                             const std::function<void(double)>& going);

    /// The sound from `from` seconds on as samples of 16 bit, interleaved. `each` gets some at a time and may
    /// take its time over them; false ends it.
    Status play(const Path& path, int sampleRate, int channels, double from, std::stop_token stop,
                const std::function<bool(std::vector<int16_t>)>& each);

    /// As audio::samplesOf has it; at most a million frames at a time.
    Result<std::vector<int16_t>> samplesOf(const Path& path, uint64_t first, size_t frames);

    /// How many processes had to be given up so far.
    uint64_t lost() const { return lost_; }

private:
    using Lease = std::unique_ptr<Worker>;
    Result<Lease> lease();
    void giveBack(Lease worker);
    /// Many files in requests of several, the next sent before the last is answered.
    using Answered = std::function<void(const Question& question, Result<std::string> answer)>;
    void askEach(Ask ask, const Take& take, std::stop_token stop, const Answered& each);
    /// What comes before an answer: false for what is the answer.
    using Before = std::function<bool(std::string_view message)>;
    /// Passes on how far it is; for the one that is told it may be empty.
    static Before toldOf(const std::function<void(double)>& going);
    /// One request with one answer.
    Result<std::string> ask(const Path& path, const std::string& request, std::stop_token stop,
                            const Before& before = {});
    Result<pictures::Square> squareFrom(const Path& path, Ask what, uint64_t hash, int side);
    /// Why there was no answer about a file.
    Error whyNone(Worker& worker, Worker::Outcome outcome, const Path& path);

    const Path program_;
    const Limits limits_;
    std::mutex mutex_;
    std::vector<Lease> idle_;
    pid_t owner_ = 0; // after a fork() the processes belong to the other copy of this program
    std::atomic<uint64_t> lost_ = 0;
};

} // namespace moorfrost::sandbox
