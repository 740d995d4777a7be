// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/catalogue.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <fstream>

#include <fmt/format.h>

#include "core/reference/release_json.h"
#include "core/text/likeness.h"

namespace moorfrost::reference {

namespace {

// What answers are worth beside each other: a code says more than any name.
constexpr double byCode = 4, byNames = 1, byTracks = 1.2, byLengths = 1, byYear = 0.05;

std::string namesOf(const Credit& credit) {
    std::string out;
    for (const Credit::Name& n : credit.names) {
        out += n.name + " ";
        for (const std::string& other : n.others)
            out += other + " ";
    }
    return out;
}

} // namespace

std::string plainCode(std::string_view code) {
    std::string out = text::likenessForm(code);
    std::erase(out, ' ');
    return out;
}

Catalogue::Catalogue(std::vector<Release> releases) : releases_(std::move(releases)) {
    for (uint32_t i = 0; i < releases_.size(); ++i) {
        const Release& r = releases_[i];
        byId_.emplace(r.id, i);
        if (!r.barcode.empty())
            byBarcode_.emplace(plainCode(r.barcode), i);
        for (const Label& l : r.labels)
            if (!l.catalogueNumber.empty())
                byCatalogueNumber_.emplace(plainCode(l.catalogueNumber), i);
        for (const Medium& m : r.media)
            for (const Track& t : m.tracks)
                for (const std::string& isrc : t.isrcs)
                    byIsrc_.emplace(plainCode(isrc), i);
    }
    build(names_, [](const Release& r) {
        std::string all = namesOf(r.credit) + " " + r.title + " " + r.edition;
        for (const Label& l : r.labels)
            all += " " + l.name;
        return all;
    });
    build(tracks_, [](const Release& r) {
        std::string all;
        for (const Medium& m : r.media)
            for (const Track& t : m.tracks) {
                all += t.title + " ";
                all += namesOf(t.credit);
            }
        return all;
    });
}

Result<Catalogue> Catalogue::read(const Path& file) {
    std::ifstream in(file, std::ios::binary);
    if (!in)
        return Error{ErrorKind::NotFound, file, "The data of the reference is not there."};
    std::vector<Release> releases;
    size_t number = 0;
    for (std::string line; std::getline(in, line);) {
        ++number;
        if (line.empty())
            continue;
        auto release = releaseFromJson(line);
        if (!release)
            return Error{
                ErrorKind::Damaged, file,
                fmt::format("Line {} of the data of the reference: {}", number, release.error().message)};
        releases.push_back(std::move(*release));
    }
    return Catalogue(std::move(releases));
}

const Release* Catalogue::find(std::string_view id) const {
    const auto at = byId_.find(std::string(id));
    return at == byId_.end() ? nullptr : &releases_[at->second];
}

void Catalogue::build(Index& index, const std::function<std::string(const Release&)>& texts) {
    std::vector<std::vector<uint16_t>> groups;
    groups.reserve(releases_.size());
    index.begins.assign(text::groupCount + 1, 0);
    for (const Release& r : releases_) {
        groups.push_back(text::letterGroups(text::likenessForm(texts(r))));
        for (uint16_t g : groups.back())
            ++index.begins[g + 1u];
    }
    for (size_t g = 0; g < text::groupCount; ++g)
        index.begins[g + 1] += index.begins[g];
    index.releases.resize(index.begins.back());
    std::vector<uint32_t> at(index.begins.begin(), index.begins.end() - 1);
    index.weights.resize(text::groupCount);
    const auto all = static_cast<double>(releases_.size());
    for (size_t g = 0; g < text::groupCount; ++g) {
        const double many = index.begins[g + 1] - index.begins[g];
        index.weights[g] = static_cast<float>(std::log((all + 1) / (many + 0.5)));
    }
    for (uint32_t r = 0; r < groups.size(); ++r) {
        float total = 0;
        for (uint16_t g : groups[r]) {
            index.releases[at[g]++] = r;
            total += index.weights[g];
        }
        index.totals.push_back(total);
    }
}

void Catalogue::weigh(const Index& index, const std::string& text, double factor,
                      std::vector<float>& scores) const {
    const std::vector<uint16_t> groups = text::letterGroups(text::likenessForm(text));
    std::vector<float> common(releases_.size(), 0);
    float total = 0;
    for (uint16_t g : groups) {
        total += index.weights[g];
        for (uint32_t at = index.begins[g]; at < index.begins[g + 1u]; ++at)
            common[index.releases[at]] += index.weights[g];
    }
    if (total <= 0)
        return;
    for (size_t r = 0; r < common.size(); ++r)
        if (common[r] > 0) // what else is there in the release matters less than what was asked for
            scores[r] += static_cast<float>(factor) * common[r] / (0.8f * total + 0.2f * index.totals[r]);
}

void Catalogue::weighLengths(const std::vector<int64_t>& lengths, std::vector<float>& scores) const {
    std::vector<int64_t> there;
    for (size_t r = 0; r < releases_.size(); ++r) {
        const size_t count = releases_[r].trackCount();
        if (count + 2 < lengths.size() || count > lengths.size() + 2 || releases_[r].lengthMs() == 0)
            continue;
        there.clear();
        for (const Medium& m : releases_[r].media)
            for (const Track& t : m.tracks)
                there.push_back(t.lengthMs);
        // In order, where one that is missing on a side is passed over.
        size_t fit = 0;
        for (size_t i = 0, j = 0; i < lengths.size() && j < there.size();) {
            if (std::abs(lengths[i] - there[j]) <= 2500) {
                ++fit;
                ++i;
                ++j;
            } else if (i + 1 < lengths.size() && std::abs(lengths[i + 1] - there[j]) <= 2500) {
                ++i;
            } else if (j + 1 < there.size() && std::abs(lengths[i] - there[j + 1]) <= 2500) {
                ++j;
            } else {
                ++i;
                ++j;
            }
        }
        const double share =
            static_cast<double>(fit) / static_cast<double>(std::max(lengths.size(), there.size()));
        if (fit >= 2 && share > 0.4)
            scores[r] += static_cast<float>(byLengths * share);
    }
}

std::vector<Catalogue::Answer> Catalogue::ask(const Question& q, size_t most) const {
    std::vector<float> scores(releases_.size(), 0);
    auto byExactCode = [&](const std::unordered_multimap<std::string, uint32_t>& index,
                           const std::string& code, double factor) {
        const std::string plain = plainCode(code);
        if (plain.size() < 3)
            return;
        const auto [from, to] = index.equal_range(plain);
        for (auto at = from; at != to; ++at)
            scores[at->second] += static_cast<float>(factor);
    };
    byExactCode(byBarcode_, q.barcode, byCode);
    byExactCode(byCatalogueNumber_, q.catalogueNumber, byCode);
    for (const std::string& isrc : q.isrcs)
        byExactCode(byIsrc_, isrc, byCode / static_cast<double>(q.isrcs.size()));
    if (const std::string names = q.artist + " " + q.album + " " + q.label + " " + q.words; names.size() > 3)
        weigh(names_, names, byNames, scores);
    if (!q.tracks.empty() || !q.words.empty()) {
        std::string all = q.words;
        for (const std::string& t : q.tracks)
            all += " " + t;
        weigh(tracks_, all, byTracks, scores);
    }
    if (q.lengthsMs.size() >= 2)
        weighLengths(q.lengthsMs, scores);
    if (q.discTable.size() >= 3) {
        std::vector<int64_t> lengths;
        for (size_t i = 0; i + 1 < q.discTable.size(); ++i)
            lengths.push_back((q.discTable[i + 1] - q.discTable[i]) * 1000 / 75);
        weighLengths(lengths, scores);
    }
    std::vector<Answer> out;
    for (size_t r = 0; r < scores.size(); ++r)
        if (scores[r] > 0) {
            const bool sameYear =
                q.year > 0 && std::ranges::any_of(releases_[r].dates, [&](const ReleaseDate& d) {
                    return std::atoi(d.date.c_str()) == q.year;
                });
            out.push_back({r, scores[r] + (sameYear ? byYear : 0)});
        }
    auto better = [](const Answer& a, const Answer& b) {
        return a.score != b.score ? a.score > b.score : a.release < b.release;
    };
    const size_t kept = std::min(out.size(), most);
    std::partial_sort(out.begin(), out.begin() + static_cast<std::ptrdiff_t>(kept), out.end(), better);
    out.resize(kept);
    return out;
}

} // namespace moorfrost::reference
