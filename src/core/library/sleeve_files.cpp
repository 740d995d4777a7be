// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/sleeve_files.h"

namespace moorfrost::library {

void eachSleeve(Store& store, const Searcher& searcher, const RowsBySleeve& sleeves, std::stop_token stop,
                work::Progress& progress,
                const std::function<void(size_t, std::vector<FileRecord>&&)>& each) {
    constexpr size_t atOnce = 500; // files
    progress.begin(sleeves.rows.size());
    for (size_t i = 0; i < sleeves.size() && !stop.stop_requested();) {
        std::vector<FileId> ids;
        size_t end = i;
        for (; end < sleeves.size() && (end == i || ids.size() < atOnce); ++end)
            for (Row r : sleeves[end])
                ids.push_back(searcher.idOf(r));
        std::vector<FileRecord> records = store.files().findAll(ids); // in this order, but some may be gone
        auto next = records.begin();
        for (; i < end; ++i) {
            std::vector<FileRecord> files;
            for (Row r : sleeves[i])
                if (next != records.end() && next->id == searcher.idOf(r))
                    files.push_back(std::move(*next++));
            if (!files.empty())
                each(i, std::move(files));
        }
        progress.step({}, ids.size());
    }
}

} // namespace moorfrost::library
