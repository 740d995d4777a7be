// SPDX-License-Identifier: GPL-3.0-or-later
// sound, spectrogram: what files sound like, measured and drawn.
#include "cli/common.h"
#include "cli/json_out.h"
#include "cli/sets.h"
#include "core/files/disk.h"
#include "core/library/findings/sound_faults.h"
#include "core/measure/spectrogram_image.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

Json faultJson(const library::SoundFault& fault) {
    Json out{
        {"rule", fault.rule}, {"sure", fault.sure}, {"why", fault.sentence}, {"evidence", Json::array()}};
    for (const library::Evidence& one : fault.evidence) {
        Json evidence{{"what", one.what}, {"says", one.says}};
        if (!one.usual.empty())
            evidence["usually"] = one.usual;
        out["evidence"].push_back(std::move(evidence));
    }
    if (fault.place.to > fault.place.from) {
        out["from"] = fault.place.from;
        out["to"] = fault.place.to;
    }
    return out;
}

} // namespace

int sound(const Options& options) {
    bool fine = true;
    for (const files::ScannedFile& file : readAll(options, fine)) {
        const auto report = sandbox::ParserPool::shared().measureSound(file.path, {});
        if (!report) {
            printRefused(file, report.error().message);
            fine = false;
            continue;
        }
        Json line;
        putPath(line, file.path);
        line["seconds"] = report->seconds;
        line["loudness"] = report->loudness.integrated ? Json(*report->loudness.integrated) : Json(nullptr);
        line["range"] = report->loudness.range;
        line["true_peak"] = report->loudness.truePeak;
        if (report->loudness.integrated)
            line["replaygain"] = {{"gain", library::gainText(*report->loudness.integrated)},
                                  {"peak", library::peakText(report->loudness.truePeak)}};
        line["faults"] = Json::array();
        std::vector<library::SoundFault> faults = library::soundFaults(*report, {});
        if (auto end = library::brokenOff(*report, nullptr))
            faults.push_back(*std::move(end));
        for (const library::SoundFault& fault : faults)
            line["faults"].push_back(faultJson(fault));
        if (options.json)
            line["measured"] = Json::parse(report->json());
        print(line);
    }
    return fine ? 0 : 1;
}

int spectrogram(const Options& options) {
    const Path file = options.paths.front();
    measure::SpectrogramRequest request;
    request.from = options.fromSeconds;
    request.to = options.untilSeconds;
    request.highest = options.highest;
    request.columns = options.width;
    request.rows = options.height;
    if (request.from < 0 || (request.to != 0 && request.to <= request.from)) {
        say("--until must lie behind --from, and both in the sound.");
        return 2;
    }
    measure::Spectrogram drawn;
    const Status done = sandbox::ParserPool::shared().drawSpectrogram(
        file, request, {}, [&](const measure::SpectrogramFrame& frame) { drawn.begin(frame); },
        [&](measure::SpectrogramPart&& part) { drawn.add(std::move(part)); });
    if (!done) {
        say(done.error().message);
        return 1;
    }
    if (drawn.columns() == 0) {
        say("There is no sound from there on.");
        return 1;
    }
    const auto png = measure::spectrogramPng(drawn, text::forDisplay(file.filename().native()));
    const Status written = png ? files::writeWhole(options.to, *png) : Status(png.error());
    if (!written) {
        say(written.error().message);
        return 1;
    }
    Json line;
    putPath(line, file);
    line["picture"] = options.to;
    line["from"] = drawn.frame.from;
    line["to"] = drawn.frame.to;
    print(line);
    return 0;
}

} // namespace moorfrost::cli
