// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/find_term.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstring>
#include <ctime>
#include <functional>
#include <limits>
#include <span>

#include "core/text/text.h"
#include "core/text/words.h"
#include "core/work/parallel.h"

namespace moorfrost::library {

namespace {

using How = Wanted::How;

/// The numbers of all words that hold this one.
std::vector<size_t> wordsHolding(const Columns& c, std::string_view part) {
    std::vector<size_t> out;
    const char* begin = c.words.data();
    const char* end = begin + c.words.size();
    for (const char* at = begin; at < end;) {
        const void* hit = ::memmem(at, static_cast<size_t>(end - at), part.data(), part.size());
        if (!hit)
            break;
        auto offset = static_cast<uint32_t>(static_cast<const char*>(hit) - begin);
        auto next = std::upper_bound(c.wordStarts.begin(), c.wordStarts.end(), offset);
        out.push_back(static_cast<size_t>(next - c.wordStarts.begin()) - 1);
        if (next == c.wordStarts.end())
            break;
        at = begin + *next;
    }
    return out;
}

/// The numbers of all words that begin with this one: they lie together, as words are in order.
std::vector<size_t> wordsBeginning(const Columns& c, std::string_view part) {
    auto wordAt = [&](uint32_t start) {
        const char* begin = c.words.data() + start;
        return std::string_view(
            begin, std::min(part.size(), static_cast<size_t>(c.words.data() + c.words.size() - begin)));
    };
    auto first = std::lower_bound(c.wordStarts.begin(), c.wordStarts.end(), part,
                                  [&](uint32_t start, std::string_view p) { return wordAt(start) < p; });
    std::vector<size_t> out;
    for (; first != c.wordStarts.end() && wordAt(*first) == part; ++first)
        out.push_back(static_cast<size_t>(first - c.wordStarts.begin()));
    return out;
}

/// The rows of all words that hold this one, or begin with it.
RowSet rowsOfWord(const Columns& c, std::string_view part, bool beginnings) {
    if (part.size() == 1 && !beginnings)
        if (auto rows = c.rowsWithLetter(part[0]))
            return std::move(*rows);
    std::vector<size_t> words = beginnings ? wordsBeginning(c, part) : wordsHolding(c, part);
    size_t bytes = 0;
    for (size_t w : words)
        bytes += c.rowStarts[w + 1] - c.rowStarts[w];
    const size_t parts = bytes > (1u << 19) ? work::threadsFor(0) : 1;
    std::vector<RowSet> out(parts, RowSet(c.size()));
    work::inParallel(parts, [&](size_t p) { // dealt out by turns: the frequent words lie anywhere
        for (size_t i = p; i < words.size(); i += parts)
            c.addRowsOf(words[i], out[p]);
    });
    for (size_t p = 1; p < parts; ++p)
        out[0] |= out[p];
    return std::move(out[0]);
}

/// Rows of `candidates` in which the words stand together in one value.
RowSet keepPhrase(const Columns& c, const RowSet& candidates, const std::string& phrase) {
    RowSet out(c.size());
    enum : uint8_t { Unknown, Yes, No };
    std::vector<std::vector<uint8_t>> known;
    for (const FieldColumn& f : c.fields())
        known.emplace_back(f.listCount(), Unknown);
    candidates.each([&](Row row) {
        for (size_t i = 0; i < c.fields().size(); ++i) {
            const FieldColumn& f = c.fields()[i];
            if (isAskedByNameOnly(f.key))
                continue;
            uint32_t list = f.listOf(row);
            if (list == 0)
                continue;
            uint8_t& k = known[i][list];
            if (k == Unknown) {
                k = No;
                f.eachValue(list, [&](uint32_t v) {
                    if (f.foldedOf(v).find(phrase) != std::string::npos)
                        k = Yes;
                });
            }
            if (k == Yes) {
                out.add(row);
                return;
            }
        }
    });
    return out;
}

/// The rows whose list is marked.
RowSet rowsOfLists(const FieldColumn& f, const std::vector<uint8_t>& marked, Row size) {
    RowSet out(size);
    f.eachRow([&](Row row, uint32_t list) {
        if (marked[list])
            out.add(row);
    });
    return out;
}

std::vector<uint8_t> listsOfValues(const FieldColumn& f, const std::vector<uint8_t>& values) {
    std::vector<uint8_t> lists(f.listCount(), 0);
    for (uint32_t list = 1; list < lists.size(); ++list)
        f.eachValue(list, [&](uint32_t v) { lists[list] |= values[v]; });
    return lists;
}

/// Marks of `texts` those that hold the part; `bytes` are theirs from number `first` on.
template<class Mark>
void eachHolding(std::string_view bytes, std::string_view part, std::span<const uint32_t> starts,
                 size_t first, Mark&& mark) {
    const uint32_t begin = starts[first];
    for (size_t at = 0; at < bytes.size();) {
        const void* hit = ::memmem(bytes.data() + at, bytes.size() - at, part.data(), part.size());
        if (!hit)
            return;
        auto offset = static_cast<size_t>(static_cast<const char*>(hit) - bytes.data());
        auto next = std::upper_bound(starts.begin() + static_cast<std::ptrdiff_t>(first), starts.end(),
                                     begin + offset);
        size_t end = *next - begin;
        if (offset + part.size() <= end) { // else it lies across two texts
            mark(static_cast<size_t>(next - starts.begin()) - 1);
            at = end;
        } else {
            at = offset + 1;
        }
    }
}

void markContaining(const FieldColumn& f, std::string_view folded, std::vector<uint8_t>& values) {
    if (folded.empty() || f.values.size() == 0)
        return;
    if (f.odd.size() > 0)
        eachHolding({f.oddFolded.bytes.data(), f.oddFolded.bytes.size()}, folded, f.oddFolded.starts, 0,
                    [&](size_t i) { values[f.odd[i]] = 1; });
    if (std::any_of(folded.begin(), folded.end(), [](char c) { return (c & 0x80) != 0; }))
        return; // only what is more than ASCII can hold it
    // The rest folds by case, a piece at a time.
    constexpr uint32_t piece = 1u << 16;
    std::string lower;
    for (size_t first = 0; first < f.values.size();) {
        const uint32_t from = f.values.starts[first];
        auto last = static_cast<size_t>(
            std::upper_bound(f.values.starts.begin() + static_cast<std::ptrdiff_t>(first) + 1,
                             f.values.starts.end() - 1, from + piece) -
            f.values.starts.begin());
        const uint32_t to = f.values.starts[last];
        lower.resize(to - from);
        for (uint32_t i = 0; i < to - from; ++i) {
            char c = f.values.bytes[from + i];
            lower[i] = static_cast<char>(c + (c >= 'A' && c <= 'Z' ? 32 : 0));
        }
        eachHolding(lower, folded, f.values.starts, first, [&](size_t v) { values[v] = 1; });
        first = last;
    }
}

void markText(const FieldColumn& f, const Wanted& w, std::vector<uint8_t>& values) {
    const std::string folded = text::fold(text::trim(w.text));
    if (w.how != How::Is) {
        markContaining(f, folded, values);
        return;
    }
    bool exact = false;
    for (size_t v = 0; v < f.values.size(); ++v)
        if (f.values[v] == w.text)
            values[v] = exact = true;
    if (exact)
        return;
    std::vector<uint8_t> holding(values.size(), 0);
    markContaining(f, folded, holding);
    for (uint32_t v = 0; v < holding.size(); ++v)
        values[v] |= holding[v] && f.foldedOf(v) == folded;
}

bool compares(const Wanted& w, double v, double a, double b) {
    switch (w.how) {
    case How::Contains:
    case How::Is:
        return v == a;
    case How::Below:
        return v < a;
    case How::UpTo:
        return v <= a;
    case How::Above:
        return v > a;
    case How::From:
        return v >= a;
    case How::Between:
        return v >= a && v <= b;
    }
    return false;
}

/// As far as the wanted date goes: 1998-10-05 is "1998".
bool comparesDate(const Wanted& w, std::string_view v) {
    if (yearOf(v) == 0)
        return false; // "n.d." is neither before nor after anything
    std::string_view cut = v.substr(0, w.text.size());
    switch (w.how) {
    case How::Contains:
    case How::Is:
        return v.starts_with(w.text);
    case How::Below:
        return cut < w.text;
    case How::UpTo:
        return cut <= w.text;
    case How::Above:
        return cut > w.text;
    case How::From:
        return cut >= w.text;
    case How::Between:
        return cut >= w.text && v.substr(0, w.textEnd.size()) <= w.textEnd;
    }
    return false;
}

/// The whole of it; nullopt for "A1".
std::optional<double> wholeNumber(std::string_view t) {
    double v = 0;
    const auto [end, error] = std::from_chars(t.data(), t.data() + t.size(), v);
    return error == std::errc() && end == t.data() + t.size() ? std::optional(v) : std::nullopt;
}

double number(std::string_view t) {
    double v = 0;
    std::from_chars(t.data(), t.data() + t.size(), v);
    return v;
}

/// 60, 3:41, 1:02:03
double seconds(const std::string& t) {
    double v = 0;
    for (const std::string& part : text::split(t, ":"))
        v = v * 60 + number(part);
    return v;
}

/// From, and below, in seconds. What is shown as 3:41 is 3:41; nothing that could not be read has a length.
std::pair<double, double> lengthsOf(const Wanted& w) {
    constexpr double endless = std::numeric_limits<double>::infinity();
    const double some = std::numeric_limits<double>::min();
    const double a = seconds(w.text), b = w.how == How::Between ? seconds(w.textEnd) : a;
    switch (w.how) {
    case How::Contains:
    case How::Is:
    case How::Between:
        return {std::max(some, std::ceil(a) - 0.5), std::floor(b) + 0.5};
    case How::Below:
        return {some, a};
    case How::UpTo:
        return {some, std::nextafter(a, endless)};
    case How::Above:
        return {std::max(some, std::nextafter(a, endless)), endless};
    case How::From:
        return {std::max(some, a), endless};
    }
    return {some, endless};
}

/// The beginning of the date and of what comes behind it, in the time of this place; seconds since 1970.
std::pair<double, double> timeOf(const std::string& date) {
    auto begin = [](int year, int month, int day) {
        std::tm t{};
        t.tm_year = year - 1900;
        t.tm_mon = month - 1;
        t.tm_mday = day;
        t.tm_isdst = -1;
        return static_cast<double>(std::mktime(&t));
    };
    int year = static_cast<int>(number(date.substr(0, 4)));
    int month = date.size() >= 7 ? static_cast<int>(number(date.substr(5, 2))) : 1;
    int day = date.size() == 10 ? static_cast<int>(number(date.substr(8, 2))) : 1;
    double end = date.size() == 10  ? begin(year, month, day + 1)
                 : date.size() == 7 ? begin(year, month + 1, 1)
                                    : begin(year + 1, 1, 1);
    return {begin(year, month, day), end};
}

template<class Value>
RowSet rowsWhere(const Columns& c, Value&& holds) {
    std::vector<uint64_t> words((c.size() + 63) / 64);
    for (Row row = 0; row < c.size(); ++row)
        words[row >> 6] |= static_cast<uint64_t>(holds(row)) << (row & 63);
    return RowSet(c.size(), words);
}

/// Equal as far as the number was told: 3.5 is 3.45 to 3.55.
double nearestAs(double v, const std::string& told) {
    size_t point = told.find('.');
    double scale =
        std::pow(10, point == std::string::npos ? 0 : static_cast<double>(told.size() - point - 1));
    return std::floor(v * scale + 0.5) / scale;
}

RowSet rowsByAmount(const Columns& c, const Wanted& w, double unit,
                    const std::function<double(Row)>& amount) {
    const double a = number(w.text), b = number(w.textEnd);
    bool exact = w.how == How::Contains || w.how == How::Is;
    return rowsWhere(c, [&](Row row) {
        double v = amount(row) / unit;
        return compares(w, exact ? nearestAs(v, w.text) : v, a, b);
    });
}

RowSet rowsByFact(const Columns& c, const std::string& field, const Wanted& w) {
    if (field == "length") {
        auto [from, below] = lengthsOf(w);
        return rowsWhere(c, [&, from = from, below = below](Row row) {
            const auto v = static_cast<double>(c.durations[row]);
            return (v >= from) & (v < below); // no branch: it is taken a million times
        });
    }
    if (field == "added") {
        auto [begin, end] = timeOf(w.text);
        double last = w.how == How::Between ? timeOf(w.textEnd).second : end;
        return rowsWhere(c, [&, begin = begin, end = end](Row row) {
            auto t = static_cast<double>(c.added[row]);
            switch (w.how) {
            case How::Below:
                return t < begin;
            case How::UpTo:
                return t < end;
            case How::Above:
                return t >= end;
            case How::From:
                return t >= begin;
            default:
                return t >= begin && t < last;
            }
        });
    }
    if (field == "size")
        return rowsByAmount(c, w, 1e6, [&](Row row) { return static_cast<double>(c.sizes[row]); });
    if (field == "rate") { // 44.1 and 44100 mean the same
        bool kilo = number(w.text) < 1000;
        return rowsByAmount(c, w, kilo ? 1000 : 1,
                            [&](Row row) { return static_cast<double>(c.rates[row]); });
    }
    if (field == "bitrate")
        return rowsByAmount(c, w, 1000, [&](Row row) { return static_cast<double>(c.bitrates[row]); });
    if (field == "channels")
        return rowsByAmount(c, w, 1, [&](Row row) { return static_cast<double>(c.channels[row]); });
    if (field == "bits")
        return rowsByAmount(c, w, 1, [&](Row row) { return static_cast<double>(c.bits[row]); });
    uint8_t flag = w.text == "damaged"      ? Damaged
                   : w.text == "unreadable" ? Unreadable
                   : w.text == "read-only"  ? ReadOnly
                   : w.text == "absent"     ? Absent
                                            : Variable;
    return rowsWhere(c, [&](Row row) { return (c.flags[row] & flag) != 0; });
}

} // namespace

bool fitsNumber(const Wanted& w, double value) {
    return compares(w, value, number(w.text), number(w.textEnd));
}

std::shared_ptr<const RowSet> WordCache::find(std::string_view word) {
    std::lock_guard lock(mutex_);
    auto it = std::find_if(kept_.begin(), kept_.end(), [&](const auto& k) { return k.first == word; });
    if (it == kept_.end())
        return nullptr;
    std::rotate(kept_.begin(), it, it + 1);
    return kept_.front().second;
}

std::shared_ptr<const RowSet> WordCache::keep(std::string_view word, RowSet rows) {
    auto held = std::make_shared<const RowSet>(std::move(rows));
    std::lock_guard lock(mutex_);
    if (kept_.size() >= most)
        kept_.pop_back();
    kept_.emplace(kept_.begin(), std::string(word), held);
    return held;
}

int yearOf(std::string_view date) {
    int year = 0;
    if (date.size() >= 4 && text::isDigits(date.substr(0, 4)))
        std::from_chars(date.data(), date.data() + 4, year);
    return year;
}

RowSet rowsWithWords(const Columns& c, const Term& term, std::stop_token stop, WordCache& cache) {
    RowSet out(c.size(), true);
    if (term.wanted.empty())
        return out;
    const std::string folded = text::fold(text::trim(term.wanted.front().text));
    int words = 0;
    text::eachWord(folded, [&](std::string_view word) {
        ++words;
        if (stop.stop_requested())
            return;
        const std::string name = (term.beginnings ? "^" : "") + std::string(word); // no word holds a ^
        auto some = cache.find(name);
        if (!some)
            some = cache.keep(name, rowsOfWord(c, word, term.beginnings));
        out &= *some;
    });
    return term.phrase && words > 1 && !stop.stop_requested() ? keepPhrase(c, out, folded) : out;
}

namespace {

/// Where the field has very many values and few rows have the words at all: only those are looked at. nullopt
/// where that is no shorter way.
std::optional<RowSet> rowsByWordsFirst(const Columns& c, const FieldColumn& f, const Term& term,
                                       std::stop_token stop, WordCache& cache) {
    if (f.values.size() < 20000 || f.key == folderColumn || kindOfField(term.field) != ValueKind::Text)
        return std::nullopt;
    RowSet out(c.size());
    for (const Wanted& w : term.wanted) {
        const std::string folded = text::fold(text::trim(w.text));
        Term words;
        words.wanted = {{How::Contains, w.text, {}}};
        RowSet candidates = rowsWithWords(c, words, stop, cache);
        if (candidates.count() * 8 > c.size())
            return std::nullopt;
        // As markText does it: the very value, else the same but for case and marks.
        RowSet very(c.size()), alike(c.size());
        candidates.each([&](Row row) {
            if (uint32_t list = f.listOf(row))
                f.eachValue(list, [&](uint32_t v) {
                    std::string value = f.foldedOf(v);
                    if (w.how != How::Is ? value.find(folded) != std::string::npos : value == folded)
                        alike.add(row);
                    if (w.how == How::Is && f.values[v] == w.text)
                        very.add(row);
                });
        });
        out |= very.count() > 0 ? very : alike;
    }
    return out;
}

} // namespace

RowSet rowsByField(const Columns& c, const Term& term, std::stop_token stop, WordCache& cache) {
    const bool year = term.field == "year", decade = term.field == "decade";
    std::vector<const FieldColumn*> columns;
    if (term.field == "format")
        columns = {c.field(formatNameColumn), c.field(codecColumn)};
    else
        columns = {c.field(columnOf(term.field)),
                   mayBeInFilesToo(term.field) ? c.field(term.field) : nullptr};
    RowSet out(c.size());
    const ValueKind kind = kindOfField(term.field);
    for (const FieldColumn* f : columns) {
        if (!f)
            continue;
        if (auto rows = rowsByWordsFirst(c, *f, term, stop, cache)) {
            out |= *rows;
            continue;
        }
        std::vector<uint8_t> values(f->values.size(), 0);
        for (const Wanted& w : term.wanted) {
            if (term.field == "differs") {
                markText(*f, {How::Is, w.text, {}}, values);
            } else if (kind == ValueKind::Text) {
                markText(*f, w, values);
            } else if (kind == ValueKind::Date) {
                for (size_t v = 0; v < values.size(); ++v)
                    values[v] |= comparesDate(w, f->values[v]);
            } else {
                double a = number(w.text), b = number(w.textEnd);
                for (size_t v = 0; v < values.size(); ++v) {
                    const int y = year || decade ? yearOf(f->values[v]) : 0;
                    const std::optional<double> told =
                        year || decade
                            ? (y > 0 ? std::optional<double>(year ? y : y / 10 * 10) : std::nullopt)
                            : wholeNumber(f->values[v]);
                    values[v] |= told && compares(w, *told, a, b);
                }
            }
        }
        out |= rowsOfLists(*f, listsOfValues(*f, values), c.size());
    }
    return out;
}

RowSet rowsByFacts(const Columns& c, const Term& term) {
    RowSet out(c.size());
    for (const Wanted& w : term.wanted)
        out |= rowsByFact(c, term.field, w);
    return out;
}

} // namespace moorfrost::library
