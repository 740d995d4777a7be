// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/readiness_table.h"

#include <algorithm>
#include <map>

#include "core/library/search/find_term.h"
#include "core/library/search/searcher.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using audit::Met;

constexpr std::string_view formVersion = "1 ";

enum Part : uint32_t { Files = 1, Sleeves, SleeveMarks, AllMarks, Rules, Revision };

files::ArenaWriter written(std::vector<FileId> files, std::vector<uint32_t> sleeves,
                           std::vector<uint32_t> sleeveMarks, const std::vector<Marks>& marks,
                           const std::vector<std::string>& rules, std::string revision) {
    std::string all;
    for (const Marks& each : marks)
        for (Met met : each)
            all += static_cast<char>(met);
    files::ArenaWriter out;
    out.add(Files, 0, std::move(files));
    out.add(Sleeves, 0, std::move(sleeves));
    out.add(SleeveMarks, 0, std::move(sleeveMarks));
    out.add(AllMarks, 0, std::move(all));
    out.add(Rules, 0, text::join(rules, "\n"));
    out.add(Revision, 0, std::move(revision));
    return out;
}

std::string_view textOf(const files::Arena& arena, uint32_t part) {
    const auto bytes = arena.part<char>(part);
    return {bytes.data(), bytes.size()};
}

} // namespace

bool isAboutReadiness(std::string_view field) {
    return field == "unmet" || field == "lacks";
}

bool asksForReadiness(const Query& query) {
    const Term& t = query.term;
    if (query.kind == Query::Kind::Term &&
        (isAboutReadiness(t.field) ||
         (t.field == "is" &&
          std::any_of(t.wanted.begin(), t.wanted.end(), [](const Wanted& w) { return w.text == "ready"; }))))
        return true;
    return std::any_of(query.parts.begin(), query.parts.end(), asksForReadiness);
}

size_t unmetOf(const Marks& marks) {
    return static_cast<size_t>(std::count_if(marks.begin(), marks.end(), isUnmet));
}

std::string readinessText(const Marks& marks) {
    const auto met = std::count(marks.begin(), marks.end(), Met::Yes);
    const auto unmet = static_cast<std::ptrdiff_t>(unmetOf(marks));
    return met + unmet == 0 ? std::string() : fmt::format("{} of {}", met, met + unmet);
}

ReadinessTable::ReadinessTable(std::shared_ptr<const files::Arena> arena) : arena_(std::move(arena)) {
    files = arena_->part<FileId>(Files);
    sleeves = arena_->part<uint32_t>(Sleeves);
    sleeveMarks = arena_->part<uint32_t>(SleeveMarks);
    revision = textOf(*arena_, Revision);
    for (std::string& rule : text::split(textOf(*arena_, Rules), "\n"))
        if (!rule.empty())
            rules.push_back(std::move(rule));
    const std::string_view all = textOf(*arena_, AllMarks);
    if (rules.empty()) // nothing is asked: all have the same, none
        marks.emplace_back();
    for (size_t at = 0; at < all.size() && !rules.empty(); at += rules.size()) {
        Marks& each = marks.emplace_back();
        for (char met : all.substr(at, rules.size()))
            each.push_back(static_cast<Met>(met));
    }
}

std::optional<size_t> ReadinessTable::find(FileId file) const {
    auto it = std::lower_bound(files.begin(), files.end(), file);
    return it != files.end() && *it == file ? std::optional(static_cast<size_t>(it - files.begin()))
                                            : std::nullopt;
}

const Marks* ReadinessTable::marksOf(FileId file) const {
    auto at = find(file);
    return at ? &marks[sleeveMarks[sleeves[*at]]] : nullptr;
}

bool ReadinessTable::operator==(const ReadinessTable& o) const {
    if (rules != o.rules || files.size() != o.files.size() ||
        !std::equal(files.begin(), files.end(), o.files.begin()))
        return false;
    for (size_t i = 0; i < files.size(); ++i)
        if (marks[sleeveMarks[sleeves[i]]] != o.marks[o.sleeveMarks[o.sleeves[i]]])
            return false;
    return true;
}

uint32_t ReadinessTableWriter::addSleeve(const Marks& marks) {
    sleeveMarks_.push_back(numbers_.try_emplace(marks, static_cast<uint32_t>(numbers_.size())).first->second);
    return static_cast<uint32_t>(sleeveMarks_.size() - 1);
}

std::shared_ptr<const ReadinessTable> ReadinessTableWriter::finish() {
    constexpr uint32_t none = UINT32_MAX;
    std::vector<uint32_t> now(sleeveMarks_.size(), none), kept; // numbers of the sleeves that have files
    for (uint32_t& sleeve : sleeves_) {
        if (now[sleeve] == none) {
            now[sleeve] = static_cast<uint32_t>(kept.size());
            kept.push_back(sleeveMarks_[sleeve]);
        }
        sleeve = now[sleeve];
    }
    std::vector<Marks> marks(numbers_.size());
    for (const auto& [each, number] : numbers_)
        marks[number] = each;
    return std::make_shared<ReadinessTable>(
        written(std::move(files_), std::move(sleeves_), std::move(kept), marks, rules_, std::move(revision_))
            .finish());
}

Status saveReadiness(const ReadinessTable& t, const Path& file, const std::string& measuredBy) {
    return written({t.files.begin(), t.files.end()}, {t.sleeves.begin(), t.sleeves.end()},
                   {t.sleeveMarks.begin(), t.sleeveMarks.end()}, t.marks, t.rules, t.revision)
        .save(file, std::string(formVersion) + measuredBy);
}

std::shared_ptr<const ReadinessTable> loadReadiness(const Path& file, const std::string& measuredBy) {
    auto arena = files::Arena::map(file, std::string(formVersion) + measuredBy);
    return arena ? std::make_shared<ReadinessTable>(arena) : nullptr;
}

ReadyRows::ReadyRows(const Searcher& searcher, std::shared_ptr<const ReadinessTable> table)
    : table_(std::move(table)), numbers_(searcher.all().size(), 0) {
    const ReadinessTable& t = *table_;
    size_t at = 0; // rows mostly stand in the order of their files
    searcher.all().each([&](Row row) {
        const FileId id = searcher.idOf(row);
        if (at > 0 && t.files[at - 1] >= id)
            at = 0;
        if (at == 0)
            at = static_cast<size_t>(std::lower_bound(t.files.begin(), t.files.end(), id) - t.files.begin());
        while (at < t.files.size() && t.files[at] < id)
            ++at;
        if (at < t.files.size() && t.files[at] == id)
            numbers_[row] = 1 + t.sleeveMarks[t.sleeves[at++]];
    });
    // Half met rules count half; by the thousandth, so that standards of any length compare.
    places_.push_back(0);
    for (const Marks& marks : t.marks) {
        const auto met = std::count(marks.begin(), marks.end(), Met::Yes),
                   half = std::count(marks.begin(), marks.end(), Met::Partly),
                   no = std::count(marks.begin(), marks.end(), Met::No);
        const auto asked = std::max<std::ptrdiff_t>(met + half + no, 1);
        places_.push_back(
            1 + static_cast<uint32_t>(met + half + no == 0 ? 1000 : (2 * met + half) * 500 / asked));
    }
}

RowSet ReadyRows::rowsWith(const std::vector<uint8_t>& marks) const {
    RowSet out(static_cast<Row>(numbers_.size()));
    for (Row row = 0; row < numbers_.size(); ++row)
        if (numbers_[row] != 0 && marks[numbers_[row] - 1])
            out.add(row);
    return out;
}

RowSet ReadyRows::known() const {
    return rowsWith(std::vector<uint8_t>(table_->marks.size(), 1));
}

RowSet ReadyRows::find(const Term& term) const {
    const ReadinessTable& t = *table_;
    std::vector<uint8_t> fit(t.marks.size(), 0);
    for (const Wanted& w : term.wanted) {
        if (term.field == "is" && w.text != "ready")
            continue;
        std::vector<uint8_t> rules(t.rules.size(), 0);
        if (term.field == "lacks") {
            const std::string folded = text::fold(text::trim(w.text));
            for (size_t i = 0; i < rules.size(); ++i) {
                const std::string rule = text::fold(t.rules[i]);
                rules[i] = w.how == Wanted::How::Is ? rule == folded : rule.find(folded) != std::string::npos;
            }
        }
        for (size_t m = 0; m < fit.size(); ++m) {
            const Marks& marks = t.marks[m];
            if (term.field == "lacks") {
                for (size_t i = 0; i < rules.size(); ++i)
                    fit[m] |= static_cast<uint8_t>(rules[i] && isUnmet(marks[i]));
            } else {
                const size_t unmet = unmetOf(marks);
                fit[m] |= static_cast<uint8_t>(
                    term.field == "is" ? unmet == 0 : fitsNumber(w, static_cast<double>(unmet)));
            }
        }
    }
    return rowsWith(fit);
}

std::vector<std::pair<std::string, size_t>> ReadyRows::facet(const RowSet& rows, std::string_view key) const {
    const ReadinessTable& t = *table_;
    std::vector<size_t> counts(t.marks.size() + 1, 0);
    rows.each([&](Row row) { ++counts[numbers_[row]]; });
    std::vector<size_t> of(t.rules.size() + 1, 0);
    for (size_t m = 0; m < t.marks.size(); ++m)
        if (key == "unmet")
            of[unmetOf(t.marks[m])] += counts[m + 1];
        else
            for (size_t i = 0; i < t.rules.size(); ++i)
                of[i] += isUnmet(t.marks[m][i]) ? counts[m + 1] : 0;
    std::vector<std::pair<std::string, size_t>> out;
    for (size_t i = 0; i < of.size(); ++i)
        if (of[i] > 0)
            out.emplace_back(key == "unmet" ? std::to_string(i) : t.rules[i], of[i]);
    if (key == "lacks")
        std::stable_sort(out.begin(), out.end(),
                         [](const auto& a, const auto& b) { return a.second > b.second; });
    return out;
}

} // namespace moorfrost::library
