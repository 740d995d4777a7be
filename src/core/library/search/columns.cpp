// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/columns.h"

#include <algorithm>

#include "core/library/search/parts.h"
#include "core/tags/fields.h"

namespace moorfrost::library {

uint32_t FieldColumn::listOf(Row row) const {
    if (!isSparse())
        return lists[row];
    auto it = std::lower_bound(some.begin(), some.end(), row);
    return it != some.end() && *it == row ? lists[static_cast<size_t>(it - some.begin())] : 0;
}

std::string FieldColumn::text(uint32_t list) const {
    std::string out;
    if (list != 0)
        eachValue(list, [&](uint32_t v) { tags::appendShown(out, values[v]); });
    return out;
}

std::string FieldColumn::foldedOf(uint32_t value) const {
    auto it = std::lower_bound(odd.begin(), odd.end(), value);
    if (it != odd.end() && *it == value)
        return std::string(oddFolded[static_cast<size_t>(it - odd.begin())]);
    std::string out(values[value]);
    for (char& c : out)
        c = c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
    return out;
}

std::optional<RowSet> Columns::rowsWithLetter(char letter) const {
    int n = letterNumber(letter);
    size_t each = letters_.size() / letterCount;
    if (n < 0 || each == 0)
        return std::nullopt;
    return RowSet(size(), letters_.subspan(static_cast<size_t>(n) * each, each));
}

void Columns::addRowsOf(size_t word, RowSet& out) const {
    Row row = 0;
    for (uint32_t at = rowStarts[word]; at < rowStarts[word + 1]; ++at) {
        uint32_t distance = wordRows[at] & 0x7Fu;
        for (int shift = 7; wordRows[at] & 0x80u; shift += 7)
            distance |= (wordRows[++at] & 0x7Fu) << shift;
        row += distance;
        out.add(row);
    }
}

Columns::Columns(std::shared_ptr<const files::Arena> arena) : arena_(std::move(arena)) {
    const files::Arena& a = *arena_;
    ids = a.part<FileId>(part::ids);
    durations = a.part<float>(part::durations);
    sizes = a.part<uint64_t>(part::sizes);
    added = a.part<uint32_t>(part::added);
    rates = a.part<uint32_t>(part::rates);
    bitrates = a.part<uint32_t>(part::bitrates);
    channels = a.part<uint8_t>(part::channels);
    bits = a.part<uint8_t>(part::bits);
    flags = a.part<uint8_t>(part::flags);
    shelves = a.part<uint32_t>(part::shelves);
    baseOrder = a.part<Row>(part::baseOrder);
    words = a.part<char>(part::words);
    wordStarts = a.part<uint32_t>(part::wordStarts);
    rowStarts = a.part<uint32_t>(part::rowStarts);
    wordRows = a.part<uint8_t>(part::wordRows);
    letters_ = a.part<uint64_t>(part::letters);
    Texts keys{a.part<uint32_t>(part::keyStarts), a.part<char>(part::keys)};
    for (size_t i = 0; i < keys.size(); ++i) {
        auto n = static_cast<uint32_t>(i);
        FieldColumn f;
        f.key = keys[i];
        f.lists = a.part<uint32_t>(part::lists, n);
        f.some = a.part<uint32_t>(part::some, n);
        f.listStarts = a.part<uint32_t>(part::listStarts, n);
        f.listValues = a.part<uint32_t>(part::listValues, n);
        f.values = {a.part<uint32_t>(part::valueStarts, n), a.part<char>(part::valueBytes, n)};
        f.odd = a.part<uint32_t>(part::odd, n);
        f.oddFolded = {a.part<uint32_t>(part::oddStarts, n), a.part<char>(part::oddBytes, n)};
        f.ranks = a.part<uint32_t>(part::ranks, n);
        fields_.push_back(std::move(f));
    }
}

std::optional<Row> Columns::rowOf(FileId id) const {
    auto it = std::lower_bound(ids.begin(), ids.end(), id);
    if (it == ids.end() || *it != id)
        return std::nullopt;
    return static_cast<Row>(it - ids.begin());
}

const FieldColumn* Columns::field(std::string_view key) const {
    auto it = std::lower_bound(fields_.begin(), fields_.end(), key,
                               [](const FieldColumn& f, std::string_view k) { return f.key < k; });
    return it != fields_.end() && it->key == key ? &*it : nullptr;
}

std::vector<std::string> Columns::customFields() const {
    std::vector<std::string> out;
    for (const FieldColumn& f : fields_)
        if (f.key[0] != '@' && !tags::isStandard(f.key))
            out.push_back(f.key);
    return out;
}

std::string Columns::text(Row row, std::string_view key) const {
    const FieldColumn* f = field(key);
    return f ? f->text(f->listOf(row)) : std::string();
}

Path Columns::pathOf(Row row) const {
    return Path(text(row, folderColumn)) / text(row, fileNameColumn);
}

} // namespace moorfrost::library
