// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/built_field.h"

#include <algorithm>
#include <cstring>

#include "core/library/search/layer.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

std::string BuiltField::textOf(size_t list, const Texts& values) const {
    std::string out;
    if (oneEach()) {
        tags::appendShown(out, values[list - 1]);
        return out;
    }
    for (uint32_t i = listStarts[list]; i < listStarts[list + 1]; ++i)
        tags::appendShown(out, values[listValues[i]]);
    return out;
}

void BuiltField::split(Spool& spool) {
    texts.forgetSlots();
    last_ = {};
    Interner values;
    if (!texts.holds(between)) {
        values = std::move(texts).withoutBlank();
    } else {
        listStarts = {0, 0};
        for (size_t list = 1; list < texts.size(); ++list) {
            std::string_view text = texts[list];
            for (size_t from = 0;;) {
                size_t to = text.find(between, from);
                listValues.push_back(values.add(text.substr(from, to - from)));
                if (to == std::string_view::npos)
                    break;
                from = to + 1;
            }
            listStarts.push_back(static_cast<uint32_t>(listValues.size()));
        }
    }
    texts = {};
    const bool bytes = key == fileNameColumn || key == folderColumn; // need not be text
    for (size_t i = 0; i < values.size(); ++i) {
        std::string_view v = values[i];
        if (std::all_of(v.begin(), v.end(), [](char c) { return c >= 0x20 && c < 0x7F; }))
            continue;
        odd.push_back(static_cast<uint32_t>(i));
        oddBytes += text::fold(bytes ? text::forDisplay(v) : std::string(v));
        oddStarts.push_back(static_cast<uint32_t>(oddBytes.size()));
    }
    const std::string all = values.takeBytes();
    valueBytes = spool.keep(all);
    valueStarts = values.takeStarts();
}

void BuiltField::rank(const std::vector<std::string>& instead, const Spool::View& view) {
    const Texts values = this->values(view);
    // Their first bytes beside the numbers: most comparisons need no more, and are near in memory.
    struct Item {
        uint64_t first;
        uint32_t list, start; // of the key
    };
    std::string keys;
    std::vector<Item> order;
    order.reserve(listCount());
    keys.reserve(2 * valueBytes.size + 8 * listCount()); // growing would need all of it twice
    static const std::string none;
    for (size_t list = 1; list < listCount(); ++list) {
        std::string sortKey =
            sortKeyOfList(key, textOf(list, values), list < instead.size() ? instead[list] : none);
        uint64_t first = 0;
        for (size_t i = 0; i < 8; ++i)
            first = first << 8 | (i < sortKey.size() ? static_cast<unsigned char>(sortKey[i]) : 0u);
        order.push_back({first, static_cast<uint32_t>(list), static_cast<uint32_t>(keys.size())});
        // Only what is behind them is needed besides. No key holds the byte that ends them.
        if (sortKey.size() > 8)
            keys.append(sortKey, 8);
        keys += '\0';
    }
    auto compared = [&](const Item& a, const Item& b) {
        return a.first != b.first ? (a.first < b.first ? -1 : 1)
                                  : std::strcmp(keys.c_str() + a.start, keys.c_str() + b.start);
    };
    std::sort(order.begin(), order.end(), [&](const Item& a, const Item& b) { return compared(a, b) < 0; });
    ranks.assign(listCount(), 0);
    uint32_t next = 0;
    for (size_t i = 0; i < order.size(); ++i) {
        next += i == 0 || compared(order[i], order[i - 1]) != 0;
        ranks[order[i].list] = next;
    }
}

} // namespace moorfrost::library
