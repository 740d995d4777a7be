// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/sound_reports.h"

#include <mutex>
#include <utility>

#include "core/library/file_portions.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::library {

namespace {

const std::string undecodable = "-";

bool isOf(const std::vector<std::string>& kept, const FileRecord& file) {
    return kept.size() == 3 && kept[1] == std::to_string(file.state.size) &&
           kept[2] == std::to_string(file.state.modifiedNs);
}

} // namespace

std::map<FileId, measure::SoundReport> reportsOf(Store& store, const std::vector<FileRecord>& files) {
    std::vector<FileId> ids;
    for (const FileRecord& file : files)
        ids.push_back(file.id);
    const KeptValues kept = store.workedOut().find(soundReportField, ids);
    std::map<FileId, measure::SoundReport> out;
    for (const FileRecord& file : files)
        if (const auto at = kept.find(file.id); at != kept.end() && isOf(at->second, file))
            if (auto report = measure::SoundReport::fromJson(at->second.front()))
                out.emplace(file.id, std::move(*report));
    return out;
}

std::vector<FileRecord> notMeasured(Store& store, const std::vector<FileId>& files) {
    const KeptValues kept = store.workedOut().find(soundReportField, files);
    std::vector<FileRecord> out;
    for (FileRecord& file : store.files().findAll(files)) {
        if (!file.readable() || file.absent != 0)
            continue;
        const auto at = kept.find(file.id);
        const bool known =
            at != kept.end() && isOf(at->second, file) &&
            (at->second.front() == undecodable || measure::SoundReport::isCurrent(at->second.front()));
        if (!known)
            out.push_back(std::move(file));
    }
    return out;
}

std::vector<std::string> keptReport(const FileRecord& file, const measure::SoundReport* report) {
    return {report ? report->json() : undecodable, std::to_string(file.state.size),
            std::to_string(file.state.modifiedNs)};
}

Result<size_t> measureFiles(Store& store, const std::vector<FileId>& files, unsigned threads,
                            std::stop_token stop, work::Progress& progress,
                            const std::function<void(KeptValues&&)>& keep) {
    KeptValues some;
    std::mutex mutex; // of some
    FilePortions portions;
    portions.most = 16; // each takes seconds
    portions.unknown = [&](const std::vector<FileId>& ids) { return notMeasured(store, ids); };
    portions.work = [&](const FileRecord& file) {
        const auto report = sandbox::ParserPool::shared().measureSound(file.path, stop);
        if (!report && report.error().kind != ErrorKind::Unsupported &&
            report.error().kind != ErrorKind::Damaged)
            return; // stopped, or not there for the moment
        std::lock_guard lock(mutex);
        some[file.id] = keptReport(file, report ? &*report : nullptr);
    };
    portions.end = [&] {
        const size_t measured = some.size();
        if (!some.empty())
            keep(std::exchange(some, {}));
        return measured;
    };
    return workInPortions(files, portions, threads, stop, progress);
}

} // namespace moorfrost::library
