// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/searcher.h"

#include <algorithm>
#include <unordered_map>

#include "core/library/search/joint_field.h"
#include "core/library/search/layer.h"
#include "core/library/search/readiness_table.h"
#include "core/library/search/sort_forms.h"

namespace moorfrost::library {

namespace {

bool isByReadiness(const std::vector<SortBy>& by) {
    return std::any_of(by.begin(), by.end(), [](const SortBy& s) { return s.column == readyColumn; });
}

} // namespace

Searcher::Searcher(std::shared_ptr<const Columns> columns)
    : Searcher(std::make_shared<Layer>(columns), nullptr, RowSet(columns->size())) {}

Searcher::Searcher(std::shared_ptr<const Layer> below, std::shared_ptr<const Layer> above, const RowSet& gone)
    : below_(std::move(below)), above_(std::move(above)) {
    RowSet staying = gone;
    staying.flip();
    start_ = above_ ? (below_->columns().size() + 63) / 64 * 64 : below_->columns().size();
    alive_ = above_ ? RowSet::joint(staying, start_, RowSet(above_->columns().size(), true)) : staying;
    count_ = alive_.count();
    changed_ = above_ ? gone.count() + above_->columns().size() : 0;
}

Searcher::~Searcher() = default;

std::shared_ptr<const Searcher> Searcher::with(const std::vector<FileId>& changed,
                                               std::shared_ptr<const Columns> now) const {
    RowSet gone(below_->columns().size());
    for (FileId id : changed)
        if (auto row = below_->columns().rowOf(id))
            gone.add(*row);
    std::shared_ptr<Searcher> out(new Searcher(below_, std::make_shared<Layer>(std::move(now)), gone));
    if (ready_)
        out->ready_ = std::make_shared<ReadyRows>(*out, readiness());
    return out;
}

Searcher::Searcher(const Searcher& other, std::shared_ptr<const ReadinessTable> table)
    : below_(other.below_), above_(other.above_), start_(other.start_), alive_(other.alive_),
      count_(other.count_), changed_(other.changed_) {
    std::lock_guard lock(other.mutex_);
    fields_ = other.fields_;
    for (const auto& order : other.orders_)
        if (!isByReadiness(order.first))
            orders_.push_back(order);
    if (table)
        ready_ = std::make_shared<ReadyRows>(*this, std::move(table));
}

std::shared_ptr<const Searcher> Searcher::withReadiness(std::shared_ptr<const ReadinessTable> table) const {
    return std::shared_ptr<const Searcher>(new Searcher(*this, std::move(table)));
}

std::shared_ptr<const ReadinessTable> Searcher::readiness() const {
    return ready_ ? ready_->shared() : nullptr;
}

RowSet Searcher::layersTerm(const Term& term, std::stop_token stop) const {
    RowSet rows = below_->term(term, stop);
    return above_ ? RowSet::joint(rows, start_, above_->term(term, stop)) : rows;
}

RowSet Searcher::matching(const Query& query, std::stop_token stop) const {
    switch (query.kind) {
    case Query::Kind::All:
        return alive_;
    case Query::Kind::Term: {
        if (!asksForReadiness(query))
            return layersTerm(query.term, stop);
        RowSet rows = ready_ ? ready_->find(query.term) : RowSet(alive_.size());
        Term rest = query.term; // "is:ready,damaged"
        std::erase_if(rest.wanted, [](const Wanted& w) { return w.text == "ready"; });
        return rest.field == "is" && !rest.wanted.empty() ? rows |= layersTerm(rest, stop) : rows;
    }
    case Query::Kind::Not:
        return notMatching(query.parts.front(), stop);
    case Query::Kind::And:
    case Query::Kind::Or:
        break;
    }
    RowSet out(alive_.size(), query.kind == Query::Kind::And);
    for (const Query& part : query.parts) {
        if (stop.stop_requested())
            break;
        if (query.kind == Query::Kind::And)
            out &= matching(part, stop);
        else
            out |= matching(part, stop);
    }
    return out;
}

/// The rows that certainly do not match: what is not known of a row's readiness is neither so nor not so.
RowSet Searcher::notMatching(const Query& query, std::stop_token stop) const {
    const bool known = ready_ != nullptr;
    switch (query.kind) {
    case Query::Kind::All:
        return RowSet(alive_.size());
    case Query::Kind::Term: {
        RowSet rows = matching(query, stop).flip();
        if (asksForReadiness(query))
            rows &= known ? ready_->known() : RowSet(alive_.size());
        return rows;
    }
    case Query::Kind::Not:
        return matching(query.parts.front(), stop);
    case Query::Kind::And:
    case Query::Kind::Or:
        break;
    }
    RowSet out(alive_.size(), query.kind == Query::Kind::Or);
    for (const Query& part : query.parts) {
        if (stop.stop_requested())
            break;
        if (query.kind == Query::Kind::Or)
            out &= notMatching(part, stop);
        else
            out |= notMatching(part, stop);
    }
    return out;
}

RowSet Searcher::find(const Query& query, std::stop_token stop) const {
    RowSet out = matching(query, stop);
    if (above_)
        out &= alive_;
    return out;
}

std::shared_ptr<const Searcher::Order> Searcher::ownOrder(const std::vector<SortBy>& by) const {
    {
        std::lock_guard lock(mutex_);
        for (const auto& [name, order] : orders_)
            if (name == by)
                return order;
    }
    auto made = std::make_shared<const Order>(above_ ? jointOrder(by) : [&] {
        Layer::Order order = below_->orderWith(by, ready_.get());
        return Order{std::move(order.rows), std::move(order.places)};
    }());
    std::lock_guard lock(mutex_);
    if (orders_.size() >= 2)
        orders_.erase(orders_.begin());
    orders_.emplace_back(by, made);
    return made;
}

/// The order below with the rows above put into it.
Searcher::Order Searcher::jointOrder(const std::vector<SortBy>& by) const {
    // The order in which rows stand within the same (Columns::baseOrder) are further columns.
    struct Column {
        std::string name;
        const JointField* field;
        bool ascending, blankLast;
    };
    std::vector<Column> columns;
    for (const SortBy& s : by)
        columns.push_back({s.column,
                           isFactColumn(s.column) || s.column == readyColumn ? nullptr : &field(s.column),
                           s.ascending, true});
    for (const char* key : {"album", "album_artist", "disc", "track", fileNameColumn})
        columns.push_back({key, &field(key), true, std::string_view(key) == "album"});
    auto keyOf = [&](const Column& c, Row row) {
        uint64_t key = c.field                 ? c.field->placeOf(c.field->listOf(row))
                       : c.name == readyColumn ? (ready_ ? ready_->placeOf(row) : 0)
                       : row < start_          ? below_->factOf(row, c.name)
                                               : above_->factOf(row - start_, c.name);
        if (key == 0)
            return c.blankLast ? UINT64_MAX : 0;
        return c.ascending ? key : UINT64_MAX - 1 - key;
    };
    auto before = [&](Row a, Row b) {
        for (const Column& c : columns)
            if (uint64_t x = keyOf(c, a), y = keyOf(c, b); x != y)
                return x < y;
        return idOf(a) < idOf(b);
    };
    std::vector<Row> fresh(above_->columns().size());
    for (size_t i = 0; i < fresh.size(); ++i)
        fresh[i] = start_ + static_cast<Row>(i);
    std::sort(fresh.begin(), fresh.end(), before);

    const auto held = isByReadiness(by) ? nullptr : below_->order(by);
    const Layer::Order own = held ? Layer::Order() : below_->orderWith(by, ready_.get());
    const std::vector<Row>& old = held ? held->rows : own.rows;
    Order made;
    made.rows.reserve(count_);
    auto next = old.begin();
    auto takeUntil = [&](auto end) {
        for (; next != end; ++next)
            if (alive_.has(*next))
                made.rows.push_back(*next);
    };
    for (Row row : fresh) {
        takeUntil(std::lower_bound(next, old.end(), row, before));
        made.rows.push_back(row);
    }
    takeUntil(old.end());
    made.places.assign(alive_.size(), 0);
    for (size_t i = 0; i < made.rows.size(); ++i)
        made.places[made.rows[i]] = static_cast<uint32_t>(i);
    return made;
}

std::vector<Row> Searcher::ordered(const RowSet& rows, const std::vector<SortBy>& by, size_t most) const {
    if (above_ || isByReadiness(by)) {
        auto order = ownOrder(by);
        return orderedOf(rows, most, order->rows, order->places);
    }
    auto order = below_->order(by);
    return orderedOf(rows, most, order->rows, order->places);
}

std::vector<Row> Searcher::orderedOf(const RowSet& rows, size_t most, const std::vector<Row>& order,
                                     const std::vector<uint32_t>& placeOf) const {
    const size_t count = rows.count();
    std::vector<Row> out;
    out.reserve(std::min(count, most));
    if (count * 16 < rows.size()) { // few: cheaper to sort them than to walk over all
        std::vector<uint32_t> places;
        places.reserve(count);
        rows.each([&](Row r) { places.push_back(placeOf[r]); });
        if (places.size() > most)
            std::nth_element(places.begin(), places.begin() + static_cast<std::ptrdiff_t>(most),
                             places.end());
        places.resize(std::min(places.size(), most));
        std::sort(places.begin(), places.end());
        for (uint32_t p : places)
            out.push_back(order[p]);
        return out;
    }
    for (size_t i = 0; i < order.size() && out.size() < std::min(count, most); ++i)
        if (rows.has(order[i]))
            out.push_back(order[i]);
    return out;
}

namespace {

/// Calls `each(value, count)` for the values that rows from `from` to `to` have, moved to the columns' own.
template<class Each>
void countValues(const FieldColumn* f, const RowSet& rows, Row from, Row to, Each&& each) {
    if (!f)
        return;
    std::vector<uint32_t> ofLists(f->listCount(), 0);
    if (f->isSparse())
        f->eachRow([&](Row r, uint32_t list) { ofLists[list] += rows.has(from + r); });
    else
        rows.each([&](Row r) { ++ofLists[f->lists[r - from]]; }, from, to);
    std::vector<size_t> ofValues(f->values.size(), 0);
    for (uint32_t list = 1; list < ofLists.size(); ++list)
        if (ofLists[list])
            f->eachValue(list, [&](uint32_t v) { ofValues[v] += ofLists[list]; });
    for (size_t v = 0; v < ofValues.size(); ++v)
        each(f->values[v], ofValues[v]);
}

} // namespace

std::vector<FacetValue> Searcher::facet(const RowSet& rows, const std::string& key, size_t most,
                                        const std::vector<std::string>& keys) const {
    std::vector<FacetValue> out;
    if (key == "missing") {
        const size_t all = rows.count();
        for (const std::string& name : keys) {
            const std::string k(columnOf(name));
            RowSet with = above_ ? RowSet::joint(below_->withField(k), start_, above_->withField(k))
                                 : below_->withField(k);
            out.push_back({name, all - (with &= rows).count()});
        }
        return out;
    }
    if (isAboutReadiness(key)) {
        if (ready_)
            for (auto& [value, count] : ready_->facet(rows, key))
                out.push_back({std::move(value), count});
        out.resize(std::min(out.size(), most));
        return out;
    }
    const bool year = key == "year", decade = key == "decade";
    const std::string column(key == "format" ? formatNameColumn : columnOf(key));
    auto eachBelow = [&](auto&& each) {
        countValues(below_->columns().field(column), rows, 0, start_, each);
    };
    auto eachAbove = [&](auto&& each) {
        if (above_)
            countValues(above_->columns().field(column), rows, start_, rows.size(), each);
    };
    if (year || decade) {
        std::map<int, size_t, std::greater<>> counts;
        auto add = [&](std::string_view value, size_t count) {
            if (int y = count > 0 ? yearOf(value) : 0; y > 0)
                counts[decade ? y / 10 * 10 : y] += count;
        };
        eachBelow(add);
        eachAbove(add);
        for (const auto& [y, count] : counts)
            out.push_back({std::to_string(y), count});
        out.resize(std::min(out.size(), most));
        return out;
    }
    std::unordered_map<std::string_view, size_t> more;
    eachAbove([&](std::string_view value, size_t count) {
        if (count > 0)
            more[value] = count;
    });
    std::vector<std::pair<size_t, std::string_view>> all;
    eachBelow([&](std::string_view value, size_t count) {
        if (!more.empty())
            if (auto it = more.find(value); it != more.end()) {
                count += it->second;
                more.erase(it);
            }
        if (count > 0)
            all.emplace_back(count, value);
    });
    for (const auto& [value, count] : more)
        all.emplace_back(count, value);
    const size_t shown = std::min(most, all.size());
    std::partial_sort(all.begin(), all.begin() + static_cast<std::ptrdiff_t>(shown), all.end(),
                      [](const auto& a, const auto& b) {
                          return a.first != b.first ? a.first > b.first : a.second < b.second;
                      });
    for (size_t i = 0; i < shown; ++i)
        out.push_back({std::string(all[i].second), all[i].first});
    return out;
}

std::vector<std::string> Searcher::customFields() const {
    std::vector<std::string> out = below_->columns().customFields();
    if (above_) {
        std::vector<std::string> more = above_->columns().customFields(), both;
        std::set_union(out.begin(), out.end(), more.begin(), more.end(), std::back_inserter(both));
        return both;
    }
    return out;
}

bool Searcher::hasField(const std::string& key) const {
    return below_->columns().field(key) || (above_ && above_->columns().field(key));
}

std::pair<const Columns*, Row> Searcher::at(Row row) const {
    return row < start_ ? std::pair(&below_->columns(), row) : std::pair(&above_->columns(), row - start_);
}

bool Searcher::tellsOtherSortForms() const {
    return above_ && tellOtherSortForms(*below_, *above_, replaced());
}

void Searcher::giveBackMemory() const {
    below_->columns().arena().letGo();
}

std::optional<Row> Searcher::rowOf(FileId id) const {
    if (above_)
        if (auto row = above_->columns().rowOf(id))
            return start_ + *row;
    auto row = below_->columns().rowOf(id);
    return row && alive_.has(*row) ? row : std::nullopt;
}

FileId Searcher::idOf(Row row) const {
    auto [c, r] = at(row);
    return c->ids[r];
}

std::string Searcher::text(Row row, std::string_view key) const {
    if (key == readyColumn) {
        const Marks* marks = ready_ ? ready_->marksOf(row) : nullptr;
        return marks ? readinessText(*marks) : std::string();
    }
    auto [c, r] = at(row);
    return c->text(r, key);
}

Path Searcher::pathOf(Row row) const {
    auto [c, r] = at(row);
    return c->pathOf(r);
}

double Searcher::durationOf(Row row) const {
    auto [c, r] = at(row);
    return static_cast<double>(c->durations[r]);
}

uint64_t Searcher::sizeOf(Row row) const {
    auto [c, r] = at(row);
    return c->sizes[r];
}

uint32_t Searcher::bitrateOf(Row row) const {
    auto [c, r] = at(row);
    return c->bitrates[r];
}

bool Searcher::has(Row row, RowFlag flag) const {
    auto [c, r] = at(row);
    return c->flags[r] & flag;
}

tags::Fields Searcher::fieldsOf(Row row) const {
    auto [c, r] = at(row);
    tags::Fields out;
    for (const FieldColumn& f : c->fields())
        if (uint32_t list = f.key[0] == '@' ? 0 : f.listOf(r))
            f.eachValue(list, [&](uint32_t v) { out[f.key].emplace_back(f.values[v]); });
    return out;
}

std::vector<Row> Searcher::replaced() const {
    std::vector<Row> out;
    if (above_)
        for (FileId id : above_->columns().ids)
            out.push_back(below_->columns().rowOf(id).value_or(UINT32_MAX));
    return out;
}

const JointField& Searcher::field(const std::string& key) const {
    std::lock_guard lock(mutex_);
    auto& held = fields_[key];
    if (!held)
        held = std::make_shared<const JointField>(key, *below_, above_.get(), start_, replaced());
    return *held;
}

} // namespace moorfrost::library
