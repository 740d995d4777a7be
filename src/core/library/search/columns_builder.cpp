// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <bit>
#include <map>
#include <numeric>

#include "core/library/search/columns.h"
#include "core/library/search/interner.h"
#include "core/library/search/layer.h"
#include "core/library/search/parts.h"
#include "core/tags/fields.h"
#include "core/text/text.h"
#include "core/text/words.h"
#include "core/work/parallel.h"

namespace moorfrost::library {

namespace {

constexpr char between = '\0'; // of the values of a list: tags hold no such byte

struct BuiltField {
    std::string key;
    std::vector<uint32_t> lists; // of each row so far; may be shorter than there are rows
    size_t filled = 0;
    Interner texts; // of lists; number 0 is blank
    // Made by finish().
    Interner values;
    std::vector<uint32_t> listStarts, listValues, ranks;
    std::vector<uint32_t> odd, oddStarts = {0};
    std::string oddBytes;

    BuiltField() { texts.add({}); }
    void set(size_t row, std::string_view list) {
        lists.resize(row + 1);
        lists[row] = texts.add(list);
        filled += lists[row] != 0;
    }
};

std::string joined(const std::vector<std::string>& values) {
    std::string out;
    for (const std::string& v : values) {
        if (!out.empty())
            out += between;
        out += v;
    }
    return out;
}

void splitLists(BuiltField& f) {
    f.texts.forgetSlots();
    f.listStarts = {0, 0};
    for (size_t list = 1; list < f.texts.size(); ++list) {
        std::string_view text = f.texts[list];
        for (size_t from = 0;;) {
            size_t to = text.find(between, from);
            f.listValues.push_back(f.values.add(text.substr(from, to - from)));
            if (to == std::string_view::npos)
                break;
            from = to + 1;
        }
        f.listStarts.push_back(static_cast<uint32_t>(f.listValues.size()));
    }
    f.values.forgetSlots();
    if (f.listValues.size() + 1 == f.texts.size() && f.values.size() == f.listValues.size()) { // one each
        f.listStarts = {};
        f.listValues = {};
    }
    bool bytes = f.key == fileNameColumn || f.key == folderColumn; // need not be text
    for (size_t i = 0; i < f.values.size(); ++i) {
        std::string_view v = f.values[i];
        if (std::all_of(v.begin(), v.end(), [](char c) { return c >= 0x20 && c < 0x7F; }))
            continue;
        f.odd.push_back(static_cast<uint32_t>(i));
        f.oddBytes += text::fold(bytes ? text::forDisplay(v) : std::string(v));
        f.oddStarts.push_back(static_cast<uint32_t>(f.oddBytes.size()));
    }
}

/// Folded, of the values in their order.
template<class Each>
void eachFolded(const BuiltField& f, Each&& each) {
    std::string lower;
    size_t odd = 0;
    for (size_t v = 0; v < f.values.size(); ++v) {
        if (odd < f.odd.size() && f.odd[odd] == v) {
            each(std::string_view(f.oddBytes)
                     .substr(f.oddStarts[odd], f.oddStarts[odd + 1] - f.oddStarts[odd]));
            ++odd;
            continue;
        }
        lower = f.values[v];
        for (char& c : lower)
            c = c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
        each(lower);
    }
}

std::string listText(const BuiltField& f, size_t list) {
    return text::replaceAll(f.texts[list], std::string_view(&between, 1), "; ");
}

/// `instead`: of each list, the text that it is sorted by, where that is another.
void rankLists(BuiltField& f, const std::vector<std::string>& instead) {
    std::vector<std::string> sortKeys(f.texts.size());
    std::vector<uint32_t> order(f.texts.size());
    std::iota(order.begin(), order.end(), 0u);
    static const std::string none;
    for (size_t list = 1; list < f.texts.size(); ++list)
        sortKeys[list] =
            sortKeyOfList(f.key, listText(f, list), list < instead.size() ? instead[list] : none);
    std::sort(order.begin() + 1, order.end(),
              [&](uint32_t a, uint32_t b) { return sortKeys[a] < sortKeys[b]; });
    f.ranks.assign(f.texts.size(), 0);
    uint32_t rank = 0;
    for (size_t i = 1; i < order.size(); ++i) {
        rank += i == 1 || sortKeys[order[i]] != sortKeys[order[i - 1]];
        f.ranks[order[i]] = rank;
    }
}

} // namespace

struct ColumnsBuilder::Impl {
    std::map<std::string, BuiltField, std::less<>> fields;
    std::vector<FileId> ids;
    std::vector<float> durations;
    std::vector<uint64_t> sizes;
    std::vector<uint32_t> added, rates, bitrates, shelves;
    std::vector<uint8_t> channels, bits, flags;

    void set(std::string_view key, std::string_view list) {
        auto it = fields.find(key);
        if (it == fields.end()) {
            it = fields.emplace(std::string(key), BuiltField()).first;
            it->second.key = key;
        }
        it->second.set(ids.size() - 1, list);
    }
    void rankAll();
    std::vector<Row> baseOrder();
    void addWords(ArenaWriter& out);
};

ColumnsBuilder::ColumnsBuilder() : impl_(std::make_unique<Impl>()) {}
ColumnsBuilder::~ColumnsBuilder() = default;

size_t ColumnsBuilder::size() const {
    return impl_->ids.size();
}

void ColumnsBuilder::add(const FileRecord& file) {
    Impl& m = *impl_;
    const tags::Facts& facts = file.tags.facts;
    m.ids.push_back(file.id);
    m.durations.push_back(static_cast<float>(facts.duration));
    m.sizes.push_back(file.state.size);
    m.added.push_back(static_cast<uint32_t>(file.added));
    m.rates.push_back(static_cast<uint32_t>(facts.sampleRate));
    m.bitrates.push_back(static_cast<uint32_t>(facts.bitrate));
    m.shelves.push_back(static_cast<uint32_t>(file.shelf));
    m.channels.push_back(static_cast<uint8_t>(std::clamp(facts.channels, 0, 255)));
    m.bits.push_back(static_cast<uint8_t>(std::clamp(facts.bitDepth, 0, 255)));
    m.flags.push_back(static_cast<uint8_t>(
        (file.tags.damaged ? Damaged : 0) | (file.readable() ? 0 : Unreadable) |
        (file.readable() && !file.tags.readOnly.empty() ? ReadOnly : 0) |
        (facts.rateKind == tags::RateKind::Variable && facts.bitDepth == 0 ? Variable : 0) |
        (file.tags.pictures.empty() ? 0 : HasPicture)));
    for (const auto& [key, values] : file.tags.fields)
        m.set(key, values.size() == 1 ? values.front() : joined(values));
    // Of the path only the bytes are taken apart: making paths of them is slow.
    std::string_view path = file.path.native();
    size_t slash = path.rfind('/');
    m.set(fileNameColumn, path.substr(slash == std::string_view::npos ? 0 : slash + 1));
    m.set(folderColumn,
          slash == std::string_view::npos ? std::string_view() : path.substr(0, std::max<size_t>(slash, 1)));
    if (file.readable()) {
        m.set(formatNameColumn, audio::formatName(file.tags.format));
        if (!facts.codec.empty())
            m.set(codecColumn, facts.codec);
    }
    if (!file.tags.differences.empty()) {
        std::vector<std::string> keys;
        for (const tags::Difference& d : file.tags.differences)
            if (std::find(keys.begin(), keys.end(), d.key) == keys.end())
                keys.push_back(d.key);
        m.set(differsColumn, joined(keys));
    }
}

void ColumnsBuilder::Impl::rankAll() {
    std::vector<BuiltField*> all;
    for (auto& [key, f] : fields) {
        f.lists.resize(ids.size());
        all.push_back(&f);
    }
    // The longest first, so that no processor is left with it at the end.
    std::sort(all.begin(), all.end(), [](auto* a, auto* b) { return a->texts.size() > b->texts.size(); });
    work::inParallel(all.size(), [&](size_t i) {
        BuiltField& f = *all[i];
        // An artist is sorted by the sort form that one of its tracks tells.
        std::vector<std::string> instead;
        auto form = fields.find(f.key + "_sort");
        if (form != fields.end()) {
            instead.resize(f.texts.size());
            for (size_t row = 0; row < f.lists.size(); ++row)
                if (uint32_t s = form->second.lists[row]; s != 0 && instead[f.lists[row]].empty())
                    instead[f.lists[row]] = listText(form->second, s);
        }
        rankLists(f, instead);
    });
    work::inParallel(all.size(), [&](size_t i) { splitLists(*all[i]); });
}

std::vector<Row> ColumnsBuilder::Impl::baseOrder() {
    struct Key {
        uint32_t album, artist, disc, track, name;
        Row row;
        auto operator<=>(const Key&) const = default;
    };
    auto rank = [&](const char* key, size_t row) {
        auto it = fields.find(key);
        return it == fields.end() ? 0 : it->second.ranks[it->second.lists[row]];
    };
    std::vector<Key> keys(ids.size());
    for (size_t row = 0; row < ids.size(); ++row) {
        uint32_t album = rank("album", row);
        keys[row] = {album ? album : UINT32_MAX, rank("album_artist", row), rank("disc", row),
                     rank("track", row),         rank(fileNameColumn, row), static_cast<Row>(row)};
    }
    std::sort(keys.begin(), keys.end());
    std::vector<Row> order;
    order.reserve(keys.size());
    for (const Key& k : keys)
        order.push_back(k.row);
    return order;
}

void ColumnsBuilder::Impl::addWords(ArenaWriter& out) {
    Interner words;
    // The words of each list of each field, as numbers.
    struct ListWords {
        const BuiltField* field;
        std::vector<uint32_t> starts = {0}, words = {};
    };
    std::vector<ListWords> all;
    for (const auto& [key, f] : fields) {
        if (key == folderColumn || key == differsColumn)
            continue;
        std::vector<uint32_t> valueStarts{0}, valueWords;
        eachFolded(f, [&](std::string_view folded) {
            text::eachWord(folded, [&](std::string_view word) { valueWords.push_back(words.add(word)); });
            valueStarts.push_back(static_cast<uint32_t>(valueWords.size()));
        });
        if (f.listStarts.empty()) { // list n is value n - 1
            valueStarts.insert(valueStarts.begin(), 0);
            all.push_back({&f, std::move(valueStarts), std::move(valueWords)});
            continue;
        }
        ListWords l{&f};
        for (size_t list = 0; list + 1 < f.listStarts.size(); ++list) {
            for (uint32_t i = f.listStarts[list]; i < f.listStarts[list + 1]; ++i) {
                uint32_t v = f.listValues[i];
                l.words.insert(l.words.end(), valueWords.begin() + valueStarts[v],
                               valueWords.begin() + valueStarts[v + 1]);
            }
            l.starts.push_back(static_cast<uint32_t>(l.words.size()));
        }
        all.push_back(std::move(l));
    }
    words.forgetSlots();
    std::vector<uint32_t> order(words.size()), place(words.size());
    std::iota(order.begin(), order.end(), 0u);
    std::sort(order.begin(), order.end(), [&](uint32_t a, uint32_t b) { return words[a] < words[b]; });
    std::string bytes;
    std::vector<uint32_t> wordStarts;
    for (size_t i = 0; i < order.size(); ++i) {
        place[order[i]] = static_cast<uint32_t>(i);
        wordStarts.push_back(static_cast<uint32_t>(bytes.size()));
        bytes += words[order[i]];
        bytes += '\n';
    }
    // Each word once a row: twice over all rows, to count and then to fill.
    std::vector<uint32_t> rowStarts(words.size() + 1, 0);
    std::vector<Row> last;
    auto eachRowWord = [&](auto&& each) {
        last.assign(words.size(), UINT32_MAX);
        for (size_t row = 0; row < ids.size(); ++row)
            for (const ListWords& l : all) {
                uint32_t list = l.field->lists[row];
                for (uint32_t i = l.starts[list]; i < l.starts[list + 1]; ++i)
                    if (uint32_t w = place[l.words[i]]; last[w] != row) {
                        last[w] = static_cast<Row>(row);
                        each(w, static_cast<Row>(row));
                    }
            }
    };
    std::vector<Row> before(words.size(), 0);
    auto eachByte = [&](uint32_t w, Row row, auto&& each) {
        uint32_t distance = row - std::exchange(before[w], row);
        for (; distance > 0x7F; distance >>= 7)
            each(static_cast<uint8_t>(distance | 0x80));
        each(static_cast<uint8_t>(distance));
    };
    eachRowWord([&](uint32_t w, Row row) { eachByte(w, row, [&](uint8_t) { ++rowStarts[w + 1]; }); });
    std::partial_sum(rowStarts.begin(), rowStarts.end(), rowStarts.begin());
    std::vector<uint8_t> rows(rowStarts.back());
    std::vector<uint32_t> next(rowStarts.begin(), rowStarts.end() - 1);
    before.assign(words.size(), 0);
    eachRowWord([&](uint32_t w, Row row) { eachByte(w, row, [&](uint8_t b) { rows[next[w]++] = b; }); });
    // Single letters are in most rows: their sets are made beforehand.
    std::vector<uint64_t> lettersOf(words.size(), 0);
    for (size_t w = 0; w < words.size(); ++w)
        for (char c : words[w])
            if (int n = letterNumber(c); n >= 0)
                lettersOf[place[w]] |= uint64_t{1} << n;
    const size_t each = (ids.size() + 63) / 64;
    std::vector<uint64_t> letters(each * letterCount, 0);
    eachRowWord([&](uint32_t w, Row row) {
        for (uint64_t left = lettersOf[w]; left != 0; left &= left - 1)
            letters[static_cast<size_t>(std::countr_zero(left)) * each + (row >> 6)] |= uint64_t{1}
                                                                                        << (row & 63);
    });
    out.add(part::letters, 0, std::move(letters));
    out.add(part::words, 0, std::move(bytes));
    out.add(part::wordStarts, 0, std::move(wordStarts));
    out.add(part::rowStarts, 0, std::move(rowStarts));
    out.add(part::wordRows, 0, std::move(rows));
}

std::shared_ptr<const Columns> ColumnsBuilder::finish() {
    std::unique_ptr<Impl> m = std::exchange(impl_, std::make_unique<Impl>());
    ArenaWriter out;
    m->rankAll();
    out.add(part::baseOrder, 0, m->baseOrder());
    m->addWords(out);
    std::string keys;
    std::vector<uint32_t> keyStarts{0};
    uint32_t n = 0;
    for (auto& [key, f] : m->fields) {
        keys += key;
        keyStarts.push_back(static_cast<uint32_t>(keys.size()));
        if (f.filled * 8 < m->ids.size()) {
            std::vector<uint32_t> some, lists;
            for (size_t row = 0; row < f.lists.size(); ++row)
                if (f.lists[row]) {
                    some.push_back(static_cast<uint32_t>(row));
                    lists.push_back(f.lists[row]);
                }
            out.add(part::some, n, std::move(some));
            f.lists = std::move(lists);
        }
        out.add(part::lists, n, std::move(f.lists));
        out.add(part::listStarts, n, std::move(f.listStarts));
        out.add(part::listValues, n, std::move(f.listValues));
        out.add(part::valueStarts, n, f.values.takeStarts());
        out.add(part::valueBytes, n, f.values.takeBytes());
        if (!f.odd.empty()) {
            out.add(part::odd, n, std::move(f.odd));
            out.add(part::oddStarts, n, std::move(f.oddStarts));
            out.add(part::oddBytes, n, std::move(f.oddBytes));
        }
        out.add(part::ranks, n, std::move(f.ranks));
        f = {};
        ++n;
    }
    out.add(part::keys, 0, std::move(keys));
    out.add(part::keyStarts, 0, std::move(keyStarts));
    out.add(part::ids, 0, std::move(m->ids));
    out.add(part::durations, 0, std::move(m->durations));
    out.add(part::sizes, 0, std::move(m->sizes));
    out.add(part::added, 0, std::move(m->added));
    out.add(part::rates, 0, std::move(m->rates));
    out.add(part::bitrates, 0, std::move(m->bitrates));
    out.add(part::channels, 0, std::move(m->channels));
    out.add(part::bits, 0, std::move(m->bits));
    out.add(part::flags, 0, std::move(m->flags));
    out.add(part::shelves, 0, std::move(m->shelves));
    m.reset();
    return std::make_shared<Columns>(out.finish());
}

} // namespace moorfrost::library
