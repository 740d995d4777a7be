// SPDX-License-Identifier: GPL-3.0-or-later
// People and sheets: 100,000 parties searched as one types, proposals, works of a whole library, a one-sheet
// of 20 songs. Argument: a folder for what is made.
#include <chrono>
#include <cstdio>
#include <random>

#include <fmt/format.h>

#include "core/deliver/sheet_file.h"
#include "core/library/people/works_of.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

double seconds(const std::function<void()>& work) {
    const auto from = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - from).count();
}

std::string name(std::mt19937& chance) {
    static const char* parts[] = {"mar",  "kes", "trel", "rook", "varn", "holt", "fell",
                                  "side", "bra", "ke",   "od",   "ran",  "lin",  "qvi",
                                  "st",   "gan", "net",  "isl",  "tarn", "moor"};
    std::string out;
    for (int word = 0; word < 2; ++word) {
        std::string one;
        for (int i = 0; i < 3; ++i)
            one += parts[chance() % std::size(parts)];
        one[0] = static_cast<char>(one[0] - 32);
        out += (out.empty() ? "" : " ") + one;
    }
    return out;
}

} // namespace

int main(int argc, char** argv) {
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    const Path folder = Path(argc > 1 ? argv[1] : ".") / "bench-people";
    std::filesystem::remove_all(folder);
    std::filesystem::create_directories(folder);
    auto store = std::move(*Store::open(folder / "library.db"));
    std::mt19937 chance(7);

    constexpr size_t parties = 100000;
    std::vector<CardValues> cards;
    for (size_t i = 0; i < parties; ++i)
        cards.push_back(
            {{"name", {name(chance)}}, {"kind", {"person"}}, {"ipi", {fmt::format("{:011}", i)}}});
    ChangeOutcome outcome;
    const double entered = seconds([&] { makeCards(*store, CardKind::Party, cards, outcome).ignore(); });
    std::printf("%zu parties entered in one change: %.1f s\n", parties, entered);
    std::shared_ptr<const People> people;
    std::printf("their list made: %.2f s\n", seconds([&] { people = People::make(keptCards(*store)); }));
    const std::string typed = "kestrel rookvarn";
    (void)people->findParties("x", 1); // the tables of Unicode are read once
    double most = 0, sum = 0;
    for (size_t n = 1; n <= typed.size(); ++n) {
        const double took = seconds([&] { (void)people->findParties(typed.substr(0, n), 3000); });
        most = std::max(most, took);
        sum += took;
    }
    std::printf("searched as one types %zu letters: %.1f ms on average, %.1f ms at most\n", typed.size(),
                sum / static_cast<double>(typed.size()) * 1000, most * 1000);
    std::vector<PartyProposal> proposals;
    std::printf("proposals (background): %.1f s", seconds([&] { proposals = proposeSameParties(*people); }));
    std::printf(", %zu found\n", proposals.size());

    constexpr size_t recordings = 100000;
    const int64_t shelf = store->shelves().add("Archive", folder / "shelf");
    std::vector<FileId> files;
    for (size_t from = 0; from < recordings; from += 1000) {
        std::vector<files::ScannedFile> scanned;
        for (size_t i = from; i < from + 1000; ++i) {
            files::ScannedFile f;
            f.path = folder / "shelf" / fmt::format("{}.flac", i);
            f.state = {1, 2};
            f.tags = tags::TagFile();
            f.tags->fields = {{"title", {fmt::format("Song {}", i)}},
                              {"artist", {"Kestrel & Rook"}},
                              {"composer", {name(chance)}}};
            f.tags->facts.duration = 221;
            scanned.push_back(std::move(f));
        }
        for (const FileId id : store->saveFiles(scanned, 0, shelf))
            files.push_back(id);
    }
    for (const FileId id : files)
        store->recordings().ensure(id);
    size_t made = 0;
    std::printf("works of %zu recordings in one step: %.1f s\n", recordings,
                seconds([&] { makeWorksOf(*store, files, made).ignore(); }));
    std::printf("the list with %zu works: %.2f s\n", made,
                seconds([&] { people = People::make(keptCards(*store)); }));

    deliver::SheetOf of;
    of.songs.assign(files.begin(), files.begin() + 20);
    const deliver::SheetLayout& layout = deliver::shippedLayouts().front();
    deliver::SheetSubject subject;
    std::string pdf;
    const double gathered = seconds([&] { subject = deliver::sheetSubject(*store, *people, of); });
    const double laid =
        seconds([&] { pdf = *deliver::sheetBytes(deliver::SheetFile::Pdf, subject, layout, {}, 0); });
    std::printf("a one-sheet of 20 songs as PDF: %.0f ms gathered, %.0f ms laid out and written (%zu KB)\n",
                gathered * 1000, laid * 1000, pdf.size() / 1024);
    std::filesystem::remove_all(folder);
}
