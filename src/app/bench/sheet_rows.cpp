// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/sheet_rows.h"

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

/// Whether all words stand somewhere in the cells of a file.
bool hasWords(const SheetModel& model, FileId id, const std::vector<std::string>& words) {
    std::vector<std::string> left = words;
    auto look = [&](const std::string& key) {
        if (left.empty())
            return;
        const std::string folded = text::fold(ss(model.cellText(id, key)));
        std::erase_if(left, [&](const std::string& w) { return folded.find(w) != std::string::npos; });
    };
    look(nameColumn);
    for (const std::string& key : model.columns())
        if (key != nameColumn)
            look(key);
    return left.empty();
}

struct SortKey {
    std::optional<double> number;
    std::string text; // "" sorts last
};

} // namespace

std::vector<FileId> arrangeRows(const SheetModel& model, const std::vector<FileId>& files,
                                const SheetFilter& filter, const std::vector<SheetSort>& sorting) {
    std::vector<std::string> words;
    for (const std::string& w : text::split(text::fold(ss(filter.text)), " "))
        if (!w.empty())
            words.push_back(w);
    std::vector<FileId> out;
    out.reserve(files.size());
    for (FileId id : files)
        if ((!filter.drafted || model.hasDraft(id)) && (!filter.undrafted || !model.hasDraft(id)) &&
            (!filter.differs || model.differs(id)) && (!filter.kind || model.kindOf(id) == *filter.kind) &&
            (filter.lacks.empty() || model.cellText(id, filter.lacks).isEmpty()) &&
            (words.empty() || hasWords(model, id, words)))
            out.push_back(id);
    // From the last column to the first, so that each keeps the order of those behind it.
    for (auto by = sorting.rbegin(); by != sorting.rend(); ++by) {
        std::vector<std::pair<SortKey, FileId>> keyed;
        keyed.reserve(out.size());
        for (FileId id : out) {
            SortKey key{model.sortNumber(id, by->column), {}};
            if (!key.number)
                key.text = text::sortKey(ss(model.cellText(id, by->column)));
            keyed.emplace_back(std::move(key), id);
        }
        static const std::string blank = text::sortKey("");
        std::ranges::stable_sort(keyed, [&](const auto& a, const auto& b) {
            const SortKey &x = a.first, &y = b.first;
            const bool noX = !x.number && x.text == blank, noY = !y.number && y.text == blank;
            if (noX || noY)
                return !noX && noY;
            if (x.number && y.number)
                return by->ascending ? *x.number < *y.number : *x.number > *y.number;
            if (x.number || y.number)
                return x.number.has_value();
            return by->ascending ? x.text < y.text : x.text > y.text;
        });
        for (size_t i = 0; i < keyed.size(); ++i)
            out[i] = keyed[i].second;
    }
    return out;
}

} // namespace moorfrost::app
