// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/layer.h"

#include <algorithm>
#include <array>
#include <bit>
#include <map>

#include "core/library/search/readiness_table.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

bool mayBeInFilesToo(std::string_view field) {
    return field == "rating" || field == "note" || field == "playout" || field == "used" ||
           field == "last_used" || field == "bookmark";
}

std::string_view columnOf(std::string_view field) {
    static const std::map<std::string_view, std::string_view> columns = {
        {"year", "date"},
        {"decade", "date"},
        {"codec", codecColumn},
        {"file", fileNameColumn},
        {"folder", folderColumn},
        {"differs", differsColumn},
        {"kind", kindColumn},
        {"rating", ratingColumn},
        {"note", noteColumn},
        {"playout", playoutColumn},
        {"used", usedColumn},
        {"last_used", lastUsedColumn},
        {"bookmark", bookmarkColumn},
        {"family", familyColumn},
        {"version", versionColumn},
    };
    const auto it = columns.find(field);
    return it == columns.end() ? field : it->second;
}

namespace {

constexpr size_t keptOrders = 4;

/// Sorts rows by keys of 32 bits, keeping the order within the same: by counting, 11 bits at a time.
void sortByKeys(std::vector<Row>& rows, const std::vector<uint32_t>& keys) {
    uint32_t all = 0;
    for (uint32_t k : keys)
        all |= k;
    std::vector<Row> other(rows.size());
    for (int shift = 0; shift < 33; shift += 11) {
        if (shift > 0 && (all >> shift) == 0)
            break;
        std::array<uint32_t, 2049> starts{};
        for (Row r : rows)
            ++starts[(keys[r] >> shift & 2047) + 1];
        for (size_t i = 1; i < starts.size(); ++i)
            starts[i] += starts[i - 1];
        for (Row r : rows)
            other[starts[keys[r] >> shift & 2047]++] = r;
        rows.swap(other);
    }
}

} // namespace

std::string sortKeyOfList(std::string_view field, const std::string& text, const std::string& form) {
    const tags::FieldDef* def = tags::fieldByKey(field);
    if (!tags::isNumber(def))
        return text::sortKey(text::forDisplay(form.empty() ? text : form));
    const double number = std::strtod(text.c_str(), nullptr);
    auto n = static_cast<uint64_t>(std::max(0.0, number));
    if (def->kind == tags::FieldKind::Decimal) { // doubles are in the order of their bits, but for the sign
        n = std::bit_cast<uint64_t>(number);
        n = n >> 63 ? ~n : n | uint64_t{1} << 63;
    }
    std::string key(8, '\0');
    for (size_t i = 0; i < 8; ++i)
        key[i] = static_cast<char>(n >> (56 - 8 * i));
    return key;
}

bool isFactColumn(std::string_view column) {
    for (const char* fact : {"@length", "@added", "@size", "@rate", "@bitrate"})
        if (column == fact)
            return true;
    return false;
}

uint32_t Layer::factOf(Row r, std::string_view column) const {
    const Columns& c = *columns_;
    if (column == "@length")
        return static_cast<uint32_t>(static_cast<double>(c.durations[r]) * 100);
    if (column == "@added")
        return c.added[r];
    if (column == "@size")
        return static_cast<uint32_t>(std::min<uint64_t>(c.sizes[r] >> 6, UINT32_MAX - 1));
    return column == "@rate" ? c.rates[r] : c.bitrates[r];
}

const RowSet& Layer::withField(const std::string& key) const {
    std::lock_guard lock(mutex_);
    auto& held = filled_[key];
    if (!held) {
        RowSet rows(columns_->size());
        if (key == "picture") {
            for (Row r = 0; r < columns_->size(); ++r)
                if (columns_->flags[r] & HasPicture)
                    rows.add(r);
        } else if (const FieldColumn* f = columns_->field(key)) {
            f->eachRow([&](Row r, uint32_t) { rows.add(r); });
        }
        held = std::make_unique<const RowSet>(std::move(rows));
    }
    return *held;
}

RowSet Layer::term(const Term& t, std::stop_token stop) const {
    if (t.field.empty())
        return rowsWithWords(*columns_, t, stop, words_);
    if (t.field == "missing" || t.field == "has") {
        RowSet out(columns_->size());
        for (const Wanted& w : t.wanted) {
            RowSet some = withField(std::string(columnOf(w.text)));
            if (mayBeInFilesToo(w.text))
                some |= withField(w.text);
            out |= t.field == "missing" ? some.flip() : some;
        }
        return out;
    }
    for (const char* fact : {"length", "added", "size", "rate", "channels", "bits", "bitrate", "is"})
        if (t.field == fact)
            return rowsByFacts(*columns_, t);
    return rowsByField(*columns_, t, stop, words_);
}

std::shared_ptr<const Layer::Order> Layer::order(const std::vector<SortBy>& by) const {
    std::string name;
    for (const SortBy& s : by)
        name += s.column + (s.ascending ? "+" : "-");
    std::lock_guard lock(mutex_);
    auto held = std::find_if(orders_.begin(), orders_.end(), [&](const auto& o) { return o.first == name; });
    if (held != orders_.end()) {
        std::rotate(orders_.begin(), held, held + 1);
        return orders_.front().second;
    }
    auto made = std::make_shared<const Order>(orderWith(by, nullptr));
    if (orders_.size() >= keptOrders)
        orders_.pop_back();
    orders_.insert(orders_.begin(), {name, made});
    return made;
}

Layer::Order Layer::orderWith(const std::vector<SortBy>& by, const ReadyRows* ready) const {
    const Columns& c = *columns_;
    Order made;
    made.rows.assign(c.baseOrder.begin(), c.baseOrder.end());
    for (auto s = by.rbegin(); s != by.rend(); ++s) {
        std::vector<uint32_t> keys(c.size(), 0); // 0 for blank
        if (s->column == readyColumn)
            for (Row r = 0; ready && r < c.size(); ++r)
                keys[r] = ready->placeOf(r);
        else if (isFactColumn(s->column))
            for (Row r = 0; r < c.size(); ++r)
                keys[r] = factOf(r, s->column);
        else if (const FieldColumn* f = c.field(s->column))
            f->eachRow([&](Row r, uint32_t list) { keys[r] = f->ranks[list]; });
        uint32_t most = 0;
        for (uint32_t k : keys)
            most = std::max(most, k);
        for (uint32_t& k : keys) // blanks behind all
            k = k == 0 ? most : s->ascending ? k - 1 : most - k;
        sortByKeys(made.rows, keys);
    }
    made.places.resize(made.rows.size());
    for (size_t i = 0; i < made.rows.size(); ++i)
        made.places[made.rows[i]] = static_cast<uint32_t>(i);
    return made;
}

const Layer::ListOrder& Layer::listOrder(const std::string& key) const {
    std::lock_guard lock(mutex_);
    auto& held = listOrders_[key];
    if (!held) {
        ListOrder made;
        if (const FieldColumn* f = columns_->field(key)) {
            std::vector<uint32_t> starts(f->listCount() + 1, 0);
            for (size_t list = 1; list < f->listCount(); ++list)
                ++starts[f->ranks[list]];
            for (size_t i = 1; i < starts.size(); ++i)
                starts[i] += starts[i - 1];
            made.lists.resize(f->listCount() - 1);
            for (auto list = static_cast<uint32_t>(f->listCount()); list-- > 1;)
                made.lists[--starts[f->ranks[list]]] = list;
            if (const FieldColumn* form = columns_->field(key + "_sort")) {
                made.forms.assign(f->listCount(), 0);
                form->eachRow([&](Row row, uint32_t s) {
                    uint32_t& first = made.forms[f->listOf(row)];
                    first = first == 0 ? s : first;
                });
            }
        }
        held = std::make_unique<const ListOrder>(std::move(made));
    }
    return *held;
}

std::string Layer::sortKeyOf(const std::string& key, uint32_t list) const {
    const ListOrder& order = listOrder(key);
    const uint32_t form = order.forms.empty() ? 0 : order.forms[list];
    return sortKeyOfList(key, columns_->field(key)->text(list),
                         form ? columns_->field(key + "_sort")->text(form) : std::string());
}

} // namespace moorfrost::library
