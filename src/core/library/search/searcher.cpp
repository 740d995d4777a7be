// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/searcher.h"

#include <algorithm>
#include <array>
#include <bit>

#include "core/library/search/find_term.h"

namespace moorfrost::library {

namespace {

constexpr size_t keptOrders = 6;

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

/// Of each row, a number that sorts as the column does; 0 for blank.
std::vector<uint32_t> sortKeys(const Columns& c, const std::string& column) {
    std::vector<uint32_t> keys(c.size(), 0);
    auto fill = [&](auto&& key) {
        for (Row r = 0; r < c.size(); ++r)
            keys[r] = key(r);
    };
    if (column == "@length")
        fill([&](Row r) { return static_cast<uint32_t>(static_cast<double>(c.durations[r]) * 100); });
    else if (column == "@added")
        fill([&](Row r) { return c.added[r]; });
    else if (column == "@size")
        fill([&](Row r) {
            return static_cast<uint32_t>(std::min<uint64_t>(c.sizes[r] >> 6, UINT32_MAX - 1));
        });
    else if (column == "@rate")
        fill([&](Row r) { return c.rates[r]; });
    else if (column == "@bitrate")
        fill([&](Row r) { return c.bitrates[r]; });
    else if (const FieldColumn* f = c.field(column))
        f->eachRow([&](Row r, uint32_t list) { keys[r] = f->ranks[list]; });
    return keys;
}

} // namespace

Searcher::Searcher(std::shared_ptr<const Columns> columns)
    : columns_(std::move(columns)), words_(std::make_unique<WordCache>()) {}
Searcher::~Searcher() = default;

const RowSet& Searcher::withField(const std::string& key) const {
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

RowSet Searcher::term(const Term& t, std::stop_token stop) const {
    if (t.field.empty())
        return rowsWithWords(*columns_, t, stop, *words_);
    if (t.field == "missing" || t.field == "has") {
        RowSet out(columns_->size());
        for (const Wanted& w : t.wanted) {
            RowSet some = withField(w.text);
            out |= t.field == "missing" ? some.flip() : some;
        }
        return out;
    }
    for (const char* fact : {"length", "added", "size", "rate", "channels", "bits", "bitrate", "is"})
        if (t.field == fact)
            return rowsByFacts(*columns_, t);
    return rowsByField(*columns_, t, stop, *words_);
}

RowSet Searcher::find(const Query& query, std::stop_token stop) const {
    switch (query.kind) {
    case Query::Kind::All:
        return RowSet(columns_->size(), true);
    case Query::Kind::Term:
        return term(query.term, stop);
    case Query::Kind::Not:
        return find(query.parts.front(), stop).flip();
    case Query::Kind::And:
    case Query::Kind::Or:
        break;
    }
    RowSet out(columns_->size(), query.kind == Query::Kind::And);
    for (const Query& part : query.parts) {
        if (stop.stop_requested())
            break;
        if (query.kind == Query::Kind::And)
            out &= find(part, stop);
        else
            out |= find(part, stop);
    }
    return out;
}

std::shared_ptr<const Searcher::Order> Searcher::order(const std::vector<SortBy>& by) const {
    std::string name;
    for (const SortBy& s : by)
        name += s.column + (s.ascending ? "+" : "-");
    std::lock_guard lock(mutex_);
    auto held = std::find_if(orders_.begin(), orders_.end(), [&](const auto& o) { return o.first == name; });
    if (held != orders_.end()) {
        std::rotate(orders_.begin(), held, held + 1);
        return orders_.front().second;
    }
    auto made = std::make_shared<Order>();
    made->rows.assign(columns_->baseOrder.begin(), columns_->baseOrder.end());
    for (auto s = by.rbegin(); s != by.rend(); ++s) {
        std::vector<uint32_t> keys = sortKeys(*columns_, s->column);
        uint32_t most = 0;
        for (uint32_t k : keys)
            most = std::max(most, k);
        for (uint32_t& k : keys) // blanks behind all
            k = k == 0 ? most : s->ascending ? k - 1 : most - k;
        sortByKeys(made->rows, keys);
    }
    made->places.resize(made->rows.size());
    for (size_t i = 0; i < made->rows.size(); ++i)
        made->places[made->rows[i]] = static_cast<uint32_t>(i);
    if (orders_.size() >= keptOrders)
        orders_.pop_back();
    orders_.insert(orders_.begin(), {name, made});
    return made;
}

std::vector<Row> Searcher::ordered(const RowSet& rows, const std::vector<SortBy>& by, size_t most) const {
    auto all = order(by);
    const size_t count = rows.count();
    std::vector<Row> out;
    out.reserve(std::min(count, most));
    if (count * 16 < rows.size()) { // few: cheaper to sort them than to walk over all
        std::vector<uint32_t> places;
        places.reserve(count);
        rows.each([&](Row r) { places.push_back(all->places[r]); });
        if (places.size() > most)
            std::nth_element(places.begin(), places.begin() + static_cast<std::ptrdiff_t>(most),
                             places.end());
        places.resize(std::min(places.size(), most));
        std::sort(places.begin(), places.end());
        for (uint32_t p : places)
            out.push_back(all->rows[p]);
        return out;
    }
    for (size_t i = 0; i < all->rows.size() && out.size() < std::min(count, most); ++i)
        if (rows.has(all->rows[i]))
            out.push_back(all->rows[i]);
    return out;
}

std::vector<FacetValue> Searcher::facet(const RowSet& rows, const std::string& key, size_t most,
                                        const std::vector<std::string>& keys) const {
    std::vector<FacetValue> out;
    if (key == "missing") {
        const size_t all = rows.count();
        for (const std::string& k : keys) {
            RowSet with = withField(k);
            out.push_back({k, all - (with &= rows).count()});
        }
        return out;
    }
    const bool year = key == "year", decade = key == "decade";
    const FieldColumn* f = columns_->field(year || decade    ? "date"
                                           : key == "format" ? formatNameColumn
                                           : key == "codec"  ? codecColumn
                                                             : std::string_view(key));
    if (!f)
        return out;
    std::vector<uint32_t> ofLists(f->listCount(), 0);
    if (f->isSparse())
        f->eachRow([&](Row r, uint32_t list) { ofLists[list] += rows.has(r); });
    else
        rows.each([&](Row r) { ++ofLists[f->lists[r]]; });
    std::vector<size_t> ofValues(f->values.size(), 0);
    for (uint32_t list = 1; list < ofLists.size(); ++list)
        if (ofLists[list])
            f->eachValue(list, [&](uint32_t v) { ofValues[v] += ofLists[list]; });
    if (year || decade) {
        std::map<int, size_t, std::greater<>> counts;
        for (size_t v = 0; v < ofValues.size(); ++v)
            if (int y = yearOf(f->values[v]); y > 0 && ofValues[v] > 0)
                counts[decade ? y / 10 * 10 : y] += ofValues[v];
        for (const auto& [y, count] : counts)
            out.push_back({std::to_string(y), count});
        out.resize(std::min(out.size(), most));
        return out;
    }
    std::vector<uint32_t> order;
    for (uint32_t v = 0; v < ofValues.size(); ++v)
        if (ofValues[v])
            order.push_back(v);
    auto before = [&](uint32_t a, uint32_t b) {
        return ofValues[a] != ofValues[b] ? ofValues[a] > ofValues[b] : f->values[a] < f->values[b];
    };
    size_t shown = std::min(most, order.size());
    std::partial_sort(order.begin(), order.begin() + static_cast<std::ptrdiff_t>(shown), order.end(), before);
    for (size_t i = 0; i < shown; ++i)
        out.push_back({std::string(f->values[order[i]]), ofValues[order[i]]});
    return out;
}

} // namespace moorfrost::library
