// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/loudness_levels.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "core/library/sound_reports.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

using library::Store;

namespace {

LoudnessLevel levelOf(const measure::SoundReport& report) {
    return {report.loudness.integrated, report.levels.peak};
}

} // namespace

void LoudnessLevels::known(QObject* asker, const FilePtr& file,
                           std::function<void(std::optional<LoudnessLevel>)> then) {
    library_.read(
        asker,
        [file](Store& store) -> std::optional<LoudnessLevel> {
            const auto reports = library::reportsOf(store, {*file});
            return reports.empty() ? std::nullopt : std::optional(levelOf(reports.begin()->second));
        },
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
                const auto report = sandbox::ParserPool::shared().measureSound(file->path, stop);
                if (!report)
                    return report.error();
                library_.write([file, kept = library::keptReport(*file, &*report)](Store& store) {
                    store.workedOut().save(library::soundReportField, {{file->id, kept}});
                });
                return levelOf(*report);
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
