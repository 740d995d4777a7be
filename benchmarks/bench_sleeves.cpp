// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-sleeves [FOLDERS [SEED]]: how rightly files are put together, style by style, and how
// quickly. The baseline is what the same files give when album, album artist and folder must be the same.
#include <cstdio>

#include "benchmarks/measure.h"
#include "support/sleeve_styles.h"

using namespace moorfrost;
using matching::Sleeve;
using matching::SleeveInput;

namespace {

std::vector<Sleeve> byEqualTags(const std::vector<SleeveInput>& files) {
    std::map<std::string, Sleeve> groups;
    for (const SleeveInput& f : files) {
        const std::string& album = tags::firstValue(f.fields, "album");
        if (album.empty())
            continue;
        Sleeve& s = groups[f.path.parent_path().native() + "\n" + album + "\n" +
                           tags::firstValue(f.fields, "album_artist")];
        s.key = "x";
        s.ids.push_back(f.id);
    }
    std::vector<Sleeve> out;
    for (auto& [key, s] : groups)
        out.push_back(std::move(s));
    return out;
}

void print(const std::string& name, const test::PairsFound& p) {
    std::printf("  %-50s precision %.4f  recall %.4f  (%zu pairs)\n", name.c_str(), p.precision(), p.recall(),
                p.all);
}

} // namespace

int main(int argc, char** argv) {
    const size_t folders = argc > 1 ? std::strtoul(argv[1], nullptr, 10) : 1000;
    const uint64_t seed = argc > 2 ? std::strtoul(argv[2], nullptr, 10) : 1;
    test::StyledFiles styled = test::styledFiles(folders, seed);
    std::printf("%zu files in %zu folders of %zu styles\n", styled.files.size(), folders,
                styled.foldersOf.size());
    auto found = test::pairsFound(styled, matching::formSleeves(styled.files));
    print("all", found[""]);
    print("baseline: equal folder, album and album artist",
          test::pairsFound(styled, byEqualTags(styled.files))[""]);
    for (const auto& [style, pairs] : found)
        if (!style.empty())
            print(style, pairs);

    auto timed = [](const char* what, const std::vector<SleeveInput>& files) {
        matching::SleeveForming forming;
        size_t sleeves = 0;
        const double first = bench::milliseconds([&] {
            for (const SleeveInput& f : files)
                forming.put(f);
            sleeves = forming.sleeves().size();
        });
        double slowest = 0;
        SleeveInput late = files.back();
        for (int i = 0; i < 15; ++i)
            slowest = std::max(slowest, bench::milliseconds([&] {
                                   late.id = 1'000'000 + i;
                                   forming.put(late);
                                   forming.sleeves();
                               }));
        std::printf("%-36s %7zu files, %6zu sleeves: %7.0f ms; one more file %.0f ms\n", what, files.size(),
                    sleeves, first, slowest);
    };
    std::vector<SleeveInput> many;
    for (uint64_t s = 100; many.size() < 100000; ++s) {
        test::StyledFiles more = test::styledFiles(1000, s);
        for (SleeveInput& f : more.files) {
            f.id = static_cast<int64_t>(many.size() + 1);
            f.path = "/" + std::to_string(s) + f.path.native();
            many.push_back(std::move(f));
        }
    }
    many.resize(100000);
    timed("as people hand them in", many);
    auto changed = [&](auto&& change) {
        std::vector<SleeveInput> files = many;
        for (SleeveInput& f : files)
            change(f);
        return files;
    };
    timed("all in one folder", changed([](SleeveInput& f) {
              f.path = "/all/" + std::to_string(f.id) + " " + f.path.filename().native();
          }));
    timed("each in a folder of its own", changed([](SleeveInput& f) {
              f.path = "/all/" + std::to_string(f.id) + "/" + f.path.filename().native();
          }));
    timed("one folder, every album Unknown", changed([](SleeveInput& f) {
              f.path = "/all/" + std::to_string(f.id) + ".flac";
              f.fields["album"] = {"Unknown"};
          }));
    timed("one folder, one album", changed([](SleeveInput& f) {
              f.path = "/all/" + std::to_string(f.id) + ".flac";
              f.fields["album"] = {"Lanterns"};
          }));
    timed("own folders, one album, one artist", changed([](SleeveInput& f) {
              f.path = "/all/" + std::to_string(f.id) + "/a.flac";
              f.fields["album"] = {"Lanterns"};
              f.fields["artist"] = f.fields["album_artist"] = {"Wren-Low"};
              f.fields["track"] = {std::to_string(f.id)};
          }));
    return 0;
}
