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
#include "core/tags/packed.h"
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
    Interner texts;   // of lists; number 0 is blank
    std::string last; // what was set last: files of one album have much in common
    uint32_t lastList = 0;
    // Made by finish().
    Interner values;
    std::vector<uint32_t> listStarts, listValues, ranks;
    std::vector<uint32_t> odd, oddStarts = {0};
    std::string oddBytes;

    BuiltField() { texts.add({}); }
    // Once the lists are split:
    bool oneEach() const { return listStarts.empty(); } // list n is value n - 1
    size_t listCount() const { return oneEach() ? values.size() + 1 : texts.size(); }
    std::string textOf(size_t list) const {
        return oneEach() ? std::string(values[list - 1])
                         : text::replaceAll(texts[list], std::string_view(&between, 1), "; ");
    }
    void set(size_t row, std::string_view list) {
        if (list != last) {
            last = list;
            lastList = texts.add(list);
        }
        lists.resize(row + 1);
        lists[row] = lastList;
        filled += lastList != 0;
    }
};

/// As one text; `space`: where it is put together, if that is needed.
std::string_view joined(std::span<const std::string_view> values, std::string& space) {
    if (values.size() == 1)
        return values.front();
    space.clear();
    for (std::string_view v : values) {
        if (!space.empty())
            space += between;
        space += v;
    }
    return space;
}

void splitLists(BuiltField& f) {
    f.texts.forgetSlots();
    if (!f.texts.holds(between)) {
        f.values = std::move(f.texts).withoutBlank();
    } else {
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

/// `instead`: of each list, the text that it is sorted by, where that is another.
void rankLists(BuiltField& f, const std::vector<std::string>& instead) {
    // Their first bytes beside the numbers: most comparisons need no more, and are near in memory.
    struct Item {
        uint64_t first;
        uint32_t list;
    };
    std::string keys;
    std::vector<size_t> starts{0, 0};
    std::vector<Item> order;
    order.reserve(f.listCount());
    static const std::string none;
    for (size_t list = 1; list < f.listCount(); ++list) {
        std::string key = sortKeyOfList(f.key, f.textOf(list), list < instead.size() ? instead[list] : none);
        uint64_t first = 0;
        for (size_t i = 0; i < 8; ++i)
            first = first << 8 | (i < key.size() ? static_cast<unsigned char>(key[i]) : 0u);
        order.push_back({first, static_cast<uint32_t>(list)});
        keys += key;
        starts.push_back(keys.size());
    }
    auto keyOf = [&](uint32_t list) {
        return std::string_view(keys).substr(starts[list], starts[list + 1] - starts[list]);
    };
    std::sort(order.begin(), order.end(), [&](const Item& a, const Item& b) {
        return a.first != b.first ? a.first < b.first : keyOf(a.list) < keyOf(b.list);
    });
    f.ranks.assign(f.listCount(), 0);
    uint32_t rank = 0;
    for (size_t i = 0; i < order.size(); ++i) {
        rank += i == 0 || keyOf(order[i].list) != keyOf(order[i - 1].list);
        f.ranks[order[i].list] = rank;
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
    tags::PackedView view; // of the record that is added; kept for its memory
    std::string list;      // likewise

    void set(std::string_view key, std::string_view list) {
        auto it = fields.find(key);
        if (it == fields.end()) {
            it = fields.emplace(std::string(key), BuiltField()).first;
            it->second.key = key;
        }
        it->second.set(ids.size() - 1, list);
    }
    void workOut(ArenaWriter& out);
    void rank(BuiltField& field);
    std::vector<Row> baseOrder();
    void addWords(ArenaWriter& out);
};

ColumnsBuilder::ColumnsBuilder() : impl_(std::make_unique<Impl>()) {}
ColumnsBuilder::~ColumnsBuilder() = default;

size_t ColumnsBuilder::size() const {
    return impl_->ids.size();
}

void ColumnsBuilder::add(const FileRecord& file) {
    const std::string content = tags::packed(file.tags);
    add(PackedRecord{file.id, file.path.native(), file.state.size, file.readable(), file.shelf, file.added,
                     content, file.kind});
}

void ColumnsBuilder::add(const PackedRecord& file) {
    Impl& m = *impl_;
    tags::PackedView& v = m.view;
    v.read(file.content);
    m.ids.push_back(file.id);
    m.durations.push_back(static_cast<float>(v.duration));
    m.sizes.push_back(file.size);
    m.added.push_back(static_cast<uint32_t>(file.added));
    m.rates.push_back(static_cast<uint32_t>(v.sampleRate));
    m.bitrates.push_back(static_cast<uint32_t>(v.bitrate));
    m.shelves.push_back(static_cast<uint32_t>(file.shelf));
    m.channels.push_back(static_cast<uint8_t>(std::clamp(v.channels, 0, 255)));
    m.bits.push_back(static_cast<uint8_t>(std::clamp(v.bitDepth, 0, 255)));
    m.flags.push_back(
        static_cast<uint8_t>((v.damaged ? Damaged : 0) | (file.readable ? 0 : Unreadable) |
                             (file.readable && v.readOnly ? ReadOnly : 0) |
                             (v.rateKind == tags::RateKind::Variable && v.bitDepth == 0 ? Variable : 0) |
                             (v.pictures == 0 ? 0 : HasPicture)));
    for (const tags::PackedView::Field& f : v.fields)
        m.set(f.key, joined({v.values.data() + f.first, f.count}, m.list));
    // Of the path only the bytes are taken apart: making paths of them is slow.
    const size_t slash = file.path.rfind('/');
    const bool bare = slash == std::string_view::npos;
    m.set(fileNameColumn, file.path.substr(bare ? 0 : slash + 1));
    m.set(folderColumn, bare ? std::string_view() : file.path.substr(0, std::max<size_t>(slash, 1)));
    if (file.readable) {
        m.set(formatNameColumn, v.format);
        if (!v.codec.empty())
            m.set(codecColumn, v.codec);
    }
    m.set(kindColumn, file.kind.empty() ? "music" : file.kind);
    if (!v.differing.empty()) {
        std::vector<std::string_view> keys;
        for (std::string_view key : v.differing)
            if (std::find(keys.begin(), keys.end(), key) == keys.end())
                keys.push_back(key);
        m.set(differsColumn, joined(keys, m.list));
    }
}

void ColumnsBuilder::Impl::rank(BuiltField& f) {
    // An artist is sorted by the sort form that one of its tracks tells.
    std::vector<std::string> instead;
    auto form = fields.find(f.key + "_sort");
    if (form != fields.end()) {
        instead.resize(f.listCount());
        for (size_t row = 0; row < f.lists.size(); ++row)
            if (uint32_t s = form->second.lists[row]; s != 0 && instead[f.lists[row]].empty())
                instead[f.lists[row]] = form->second.textOf(s);
    }
    rankLists(f, instead);
}

void ColumnsBuilder::Impl::workOut(ArenaWriter& out) {
    std::vector<BuiltField*> all;
    for (auto& [key, f] : fields) {
        f.lists.resize(ids.size());
        all.push_back(&f);
    }
    // The longest first, so that no processor is left with it at the end.
    std::sort(all.begin(), all.end(), [](auto* a, auto* b) { return a->texts.size() > b->texts.size(); });
    work::inParallel(all.size(), [&](size_t i) { splitLists(*all[i]); });
    work::inParallel(all.size() + 1, [&](size_t i) {
        if (i == 0)
            addWords(out);
        else
            rank(*all[i - 1]);
    });
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
        if (isAskedByNameOnly(key))
            continue;
        std::vector<uint32_t> valueStarts{0}, valueWords;
        eachFolded(f, [&](std::string_view folded) {
            text::eachWord(folded, [&](std::string_view word) { valueWords.push_back(words.add(word)); });
            valueStarts.push_back(static_cast<uint32_t>(valueWords.size()));
        });
        if (f.oneEach()) {
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
    // Single letters are in most rows: their sets are made beforehand.
    std::vector<uint64_t> lettersOf(words.size(), 0);
    for (size_t w = 0; w < words.size(); ++w)
        for (char c : words[w])
            if (int n = letterNumber(c); n >= 0)
                lettersOf[place[w]] |= uint64_t{1} << n;
    const size_t each = (ids.size() + 63) / 64;
    std::vector<uint64_t> letters(each * letterCount, 0);
    before.assign(words.size(), 0);
    Row current = UINT32_MAX;
    uint64_t inRow = 0;
    auto endRow = [&] {
        for (; inRow != 0; inRow &= inRow - 1)
            letters[static_cast<size_t>(std::countr_zero(inRow)) * each + (current >> 6)] |=
                uint64_t{1} << (current & 63);
    };
    eachRowWord([&](uint32_t w, Row row) {
        eachByte(w, row, [&](uint8_t b) { rows[next[w]++] = b; });
        if (row != current) {
            endRow();
            current = row;
        }
        inRow |= lettersOf[w];
    });
    endRow();
    out.add(part::letters, 0, std::move(letters));
    out.add(part::words, 0, std::move(bytes));
    out.add(part::wordStarts, 0, std::move(wordStarts));
    out.add(part::rowStarts, 0, std::move(rowStarts));
    out.add(part::wordRows, 0, std::move(rows));
}

std::shared_ptr<const Columns> ColumnsBuilder::finish() {
    return std::make_shared<Columns>(parts().finish());
}

std::shared_ptr<const Columns> ColumnsBuilder::finish(const Path& snapshot, const std::string& stamp) {
    ArenaWriter all = parts();
    auto mapped = all.save(snapshot, stamp) ? Arena::map(snapshot, stamp) : nullptr;
    return std::make_shared<Columns>(mapped ? mapped : all.finish());
}

ArenaWriter ColumnsBuilder::parts() {
    std::unique_ptr<Impl> m = std::exchange(impl_, std::make_unique<Impl>());
    ArenaWriter out;
    m->workOut(out);
    out.add(part::baseOrder, 0, m->baseOrder());
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
    return out;
}

} // namespace moorfrost::library
