// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/delivered.h"

#include <algorithm>

#include <xxhash.h>

#include "core/tags/packed.h"

namespace moorfrost::deliver {

namespace {

constexpr size_t portion = 500;

uint64_t saidBy(const library::FileRecord& file) {
    WireWriter out;
    tags::put(out, file.tags.fields);
    const auto& bytes = out.bytes();
    return XXH3_64bits(bytes.data(), bytes.size());
}

template<class Each>
void eachOf(library::Store& store, const std::vector<library::FileId>& files, Each each) {
    for (size_t at = 0; at < files.size(); at += portion) {
        const auto first = files.begin() + static_cast<ptrdiff_t>(at);
        for (const library::FileRecord& file : store.files().findAll(
                 {first, files.begin() + static_cast<ptrdiff_t>(std::min(files.size(), at + portion))}))
            each(file);
    }
}

} // namespace

std::vector<library::DeliveredItem> itemsNow(library::Store& store,
                                             const std::vector<library::FileId>& files) {
    std::vector<library::DeliveredItem> out;
    eachOf(store, files, [&](const library::FileRecord& file) { out.push_back({file.id, saidBy(file)}); });
    return out;
}

DeliveredSince since(library::Store& store, int64_t delivery) {
    DeliveredSince out;
    const auto items = library::DeliveryTable(store.database()).items(delivery);
    std::vector<library::FileId> files;
    for (const library::DeliveredItem& item : items)
        files.push_back(item.file);
    std::map<library::FileId, uint64_t> now;
    eachOf(store, files, [&](const library::FileRecord& file) { now[file.id] = saidBy(file); });
    for (const library::DeliveredItem& item : items) {
        const auto it = now.find(item.file);
        if (it == now.end()) {
            ++out.gone;
            continue;
        }
        out.files.push_back(item.file);
        out.changed += it->second != item.said;
    }
    return out;
}

} // namespace moorfrost::deliver
