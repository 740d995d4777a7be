// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/loudness_levels.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include <fmt/format.h>

#include "app/shell/text_utils.h"
#include "core/audio/loudness.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"

namespace moorfrost::app {

using library::Store;

namespace {

constexpr const char* loudnessField = "loudness"; // "LUFS peak-dB" ("none" for LUFS), size, time of change

std::optional<LoudnessLevel> keptLevel(Store& store, const FilePtr& file) {
    const library::KeptValues kept = store.workedOut().find(loudnessField, {file->id});
    const auto it = kept.find(file->id);
    if (it == kept.end() || it->second.size() != 3 || it->second[1] != std::to_string(file->state.size) ||
        it->second[2] != std::to_string(file->state.modifiedNs))
        return std::nullopt;
    const std::vector<std::string> parts = text::split(it->second[0], " ");
    if (parts.size() != 2)
        return std::nullopt;
    LoudnessLevel out;
    if (parts[0] != "none")
        out.lufs = std::strtod(parts[0].c_str(), nullptr);
    out.peakDb = std::strtod(parts[1].c_str(), nullptr);
    return out;
}

} // namespace

void LoudnessLevels::known(QObject* asker, const FilePtr& file,
                           std::function<void(std::optional<LoudnessLevel>)> then) {
    library_.read(
        asker, [file](Store& store) { return keptLevel(store, file); },
        [then](const Result<std::optional<LoudnessLevel>>& level) { then(level ? *level : std::nullopt); });
}

void LoudnessLevels::read(QObject* asker, const FilePtr& file,
                          std::function<void(const Result<LoudnessLevel>&)> then) {
    known(asker, file, [this, asker, file, then](std::optional<LoudnessLevel> level) {
        if (level)
            return then(*level);
        jobs_.start(
            asker,
            {ss(tr("Measuring how loud %1 is").arg(shownName(file->path))), work::Priority::Background},
            [this, file](std::stop_token stop, work::Progress&) -> Result<LoudnessLevel> {
                constexpr int rate = 48000, channels = 2;
                audio::Loudness meter(rate, channels);
                int peak = 0;
                const Status heard = sandbox::ParserPool::shared().play(
                    file->path, rate, channels, 0, stop, [&](std::vector<int16_t> samples) {
                        meter.feed(samples);
                        for (const int16_t s : samples)
                            peak = std::max(peak, std::abs(int{s}));
                        return true;
                    });
                if (!heard)
                    return heard.error();
                LoudnessLevel out;
                out.lufs = meter.integrated();
                out.peakDb = peak > 0 ? 20 * std::log10(peak / 32768.0) : -120;
                const std::string told = fmt::format(
                    "{} {:.2f}", out.lufs ? fmt::format("{:.2f}", *out.lufs) : std::string("none"),
                    out.peakDb);
                library_.write([file, told](Store& store) {
                    store.workedOut().save(loudnessField, {{file->id,
                                                            {told, std::to_string(file->state.size),
                                                             std::to_string(file->state.modifiedNs)}}});
                });
                return out;
            },
            then);
    });
}

double LoudnessLevels::gainFor(const LoudnessLevel& level) {
    if (!level.lufs)
        return 0;
    return std::min(heardAt - *level.lufs, -0.1 - level.peakDb);
}

} // namespace moorfrost::app
