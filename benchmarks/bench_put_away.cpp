// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-put-away FOLDER [FILES]: how long it takes to plan where so many files will be and to show
// it, as a person types a plan; and what moving them takes beside bare calls that rename, flushed as the
// journal has to be.
#include <QApplication>

#include <chrono>
#include <cstdio>
#include <map>

#include <fcntl.h>
#include <unistd.h>

#include "app/bench/places/places_tree.h"
#include "benchmarks/measure.h"
#include "core/files/io.h"
#include "core/library/writing.h"

using namespace moorfrost;

namespace {

constexpr int tracksInAlbum = 12, filesThatMove = 2000;

void emptyFile(const Path& path) {
    const int file = ::open(path.c_str(), O_CREAT | O_WRONLY, 0644);
    ::close(file);
}

std::vector<placing::PutAwayFile> makeFiles(const Path& in, int count) {
    std::vector<placing::PutAwayFile> out;
    for (int i = 0; i < count; ++i) {
        const int album = i / tracksInAlbum, track = i % tracksInAlbum + 1;
        const Path folder =
            in / ("box " + std::to_string(album / 100)) / ("transfer " + std::to_string(album));
        if (track == 1) {
            std::filesystem::create_directories(folder);
            emptyFile(folder / "cover.jpg");
        }
        placing::PutAwayFile f;
        f.id = i + 1;
        f.path = folder / (std::to_string(track) + ".flac");
        emptyFile(f.path);
        f.format = audio::Format::Flac;
        f.fields = {{"title", {"Night Post " + std::to_string(i)}},
                    {"artist", {"The Hollow Ferry " + std::to_string(album / 10)}},
                    {"album", {"Salt Road " + std::to_string(album)}},
                    {"date", {"1998"}},
                    {"track", {std::to_string(track)}},
                    {"genre", {"Folk"}},
                    {"label", {"Fallow Sound"}}};
        f.facts = placing::factsOf(f.path, {});
        f.sleeve = std::to_string(album);
        f.size = 30'000'000;
        out.push_back(std::move(f));
    }
    return out;
}

/// What the calls that change the disk take; the work goes on one thread while it listens.
class Calls : public files::io::Observer {
public:
    int before(files::io::Event&) override {
        start_ = std::chrono::steady_clock::now();
        return 0;
    }
    void after(const files::io::Event& event) override {
        spent[event.call] +=
            std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start_).count();
    }
    double flushes() const {
        double sum = 0;
        for (const auto& [call, ms] : spent)
            if (call == Call::Flush || call == Call::FlushFolder || call == Call::FlushDisk)
                sum += ms;
        return sum;
    }
    double moves() const {
        double sum = 0;
        for (const auto& [call, ms] : spent)
            if (call == Call::Rename || call == Call::MakeFolder)
                sum += ms;
        return sum;
    }

    using Call = files::io::Call;
    std::map<Call, double> spent;

private:
    std::chrono::steady_clock::time_point start_;
};

struct Bare {
    double moves = 0, flush = 0;
};
Bare bareRenames(const std::vector<std::pair<Path, Path>>& moves) {
    Bare out;
    out.moves = bench::milliseconds([&] {
        for (const auto& [from, to] : moves) {
            std::filesystem::create_directories(to.parent_path());
            std::filesystem::rename(from, to);
        }
    });
    const int folder = ::open(moves.front().second.parent_path().c_str(), O_RDONLY | O_DIRECTORY);
    out.flush = bench::milliseconds([&] { ::syncfs(folder); });
    ::close(folder);
    return out;
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2) {
        std::fprintf(stderr, "Usage: moorfrost-bench-put-away FOLDER [FILES]\n");
        return 2;
    }
    ::setenv("QT_QPA_PLATFORM", "offscreen", 0);
    QApplication application(argc, argv);
    const int count = argc > 2 ? std::atoi(argv[2]) : 100'000;
    const Path root = Path(argv[1]) / "bench-put-away";
    std::filesystem::remove_all(root);
    const auto files = makeFiles(root / "in", count);
    placing::PutAwayOptions options;
    options.plan = std::get<naming::Plan>(
        naming::parsePlan("{album artist, else artist}/{date: year} {album}/{track: 2 digits} {title}"));
    options.shelf = root / "shelf";
    options.roots = {root / "in"};
    std::filesystem::create_directories(options.shelf);
    placing::PutAwayResult result;
    std::shared_ptr<const app::PlacedFiles> placed;
    std::printf("%d files\n", count);
    std::printf("  planned:  %7.0f ms\n",
                bench::milliseconds([&] { result = placing::planPutAway(files, options); }));
    std::printf("  again:    %7.0f ms\n",
                bench::milliseconds([&] { result = placing::planPutAway(files, options); }));
    std::printf("  arranged: %7.0f ms (in the background)\n", bench::milliseconds([&] {
                    placed = std::make_shared<const app::PlacedFiles>(std::move(result),
                                                                      std::vector<std::string>());
                }));
    app::PlacesTree tree([](int64_t) { return false; });
    tree.resize(900, 600);
    tree.show();
    QApplication::processEvents();
    for (int i = 0; i < 2; ++i)
        std::printf("  shown:    %7.0f ms\n", bench::milliseconds([&] {
                        tree.setPlaced(placed, "Music archive");
                        QApplication::processEvents();
                    }));
    std::printf("  filtered: %7.0f ms\n", bench::milliseconds([&] {
                    tree.filter(app::PlacedFiles::Along);
                    QApplication::processEvents();
                }));
    for (const char* words : {"salt", "salt road 77"})
        std::printf("  searched: %7.0f ms (\"%s\")\n", bench::milliseconds([&] {
                        tree.search(words);
                        QApplication::processEvents();
                    }),
                    words);
    const std::vector<placing::PutAwayFile> few(files.begin(), files.begin() + std::min(count, 600));
    std::printf("  the part in sight (600 files) planned: %.0f ms\n",
                bench::milliseconds([&] { placing::planPutAway(few, options); }));

    // Moves: bare calls, then ours, of as many files.
    std::vector<std::pair<Path, Path>> moves;
    files::ChangeSet set;
    set.title = "Put away";
    for (size_t i = 0; i < std::min<size_t>(filesThatMove, files.size() / 2); ++i) {
        const placing::Placement& p = placed->result().files[i];
        moves.emplace_back(p.from, root / "bare" / p.to.lexically_relative(options.shelf));
        files::Step step;
        step.source = placed->result().files[files.size() / 2 + i].from;
        step.target = placed->result().files[files.size() / 2 + i].to;
        set.steps.push_back(std::move(step));
    }
    // The flush of the bare calls leaves ours nothing of theirs to wait for.
    const Bare bare = bareRenames(moves);
    auto store = std::move(*library::Store::open(root / "library.db"));
    work::Progress progress;
    library::WriteOutcome outcome;
    Calls calls;
    files::io::observe(&calls);
    const double ours =
        bench::milliseconds([&] { outcome = library::writeSet(*store, set, 0, {}, progress); });
    files::io::observe(nullptr);
    std::printf("%zu moved (%zu done)\n", moves.size(), outcome.report.done);
    std::printf("  bare:  moves %4.0f ms, one flush %.0f ms\n", bare.moves, bare.flush);
    std::printf("  ours:  moves %4.0f ms (%.2f times), flushes %.0f ms, all with checks, journal and records "
                "%.0f ms\n",
                calls.moves(), calls.moves() / bare.moves, calls.flushes(), ours);
    store.reset();
    std::filesystem::remove_all(root);
}
