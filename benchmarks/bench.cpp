// SPDX-License-Identifier: GPL-3.0-or-later
// What the issues promise, beside a stated baseline in the same run. Data: the demo folders
// (MOORFROST_BENCH_DATA).
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QScrollBar>
#include <QTemporaryDir>
#include <QThread>

#include <cstdio>
#include <cstdlib>

#include <taglib/fileref.h>
#include <taglib/tpropertymap.h>

#include "app/bench/bench_page.h"
#include "app/shell/main_window.h"
#include "app/shell/theme.h"
#include "app/widgets/sheet.h"
#include "core/files/scan.h"
#include "core/library/search.h"

using namespace moorfrost;

namespace {

const std::vector<Path>& soundFiles() {
    static const std::vector<Path> files = [] {
        files::ScanSummary summary;
        const char* data = std::getenv("MOORFROST_BENCH_DATA");
        std::vector<Path> good;
        for (const Path& p : files::findFiles({Path(data ? data : ".") / "incoming"}, true, {}, summary))
            if (p.native().find("/broken/") == std::string::npos)
                good.push_back(p);
        return good;
    }();
    return files;
}

/// The baseline: TagLib's own loop, one thread, tags and audio facts.
void plainTagLib(benchmark::State& state) {
    for (auto _ : state)
        for (const Path& p : soundFiles()) {
            TagLib::FileRef ref(p.c_str());
            if (ref.isNull())
                continue;
            TagLib::PropertyMap map = ref.file()->properties();
            benchmark::DoNotOptimize(map.size());
            benchmark::DoNotOptimize(ref.audioProperties()->lengthInMilliseconds());
        }
    state.SetItemsProcessed(static_cast<int64_t>(state.iterations() * soundFiles().size()));
}

void scanning(benchmark::State& state) {
    std::vector<Path> files = soundFiles();
    for (auto _ : state) {
        work::Progress progress;
        size_t fields = 0;
        files::scan(files, {true, static_cast<unsigned>(state.range(0))}, {}, progress,
                    [&](files::ScannedFile f) { fields += f.tags ? f.tags->fields.size() : 0; });
        benchmark::DoNotOptimize(fields);
    }
    state.SetItemsProcessed(static_cast<int64_t>(state.iterations() * files.size()));
}

BENCHMARK(plainTagLib)
    ->Name("scan/baseline: plain TagLib loop")
    ->UseRealTime()
    ->Unit(benchmark::kMillisecond)
    ->MinTime(2);
BENCHMARK(scanning)
    ->Name("scan/moorfrost threads")
    ->Arg(1)
    ->Arg(2)
    ->UseRealTime()
    ->Unit(benchmark::kMillisecond)
    ->MinTime(2);

void searching(benchmark::State& state) {
    std::vector<std::shared_ptr<const library::FileRecord>> files;
    for (int i = 0; i < state.range(0); ++i) {
        auto r = std::make_shared<library::FileRecord>();
        r->path = "/shelf/" + std::to_string(i) + ".flac";
        r->tags.fields = {{"title", {"Night Post " + std::to_string(i)}},
                          {"artist", {i % 2 ? "The Hollow Ferry" : "Åse-Linn Brække"}},
                          {"album", {"Album " + std::to_string(i / 12)}},
                          {"genre", {"Folk"}}};
        files.push_back(r);
    }
    library::SearchIndex index(files);
    const char* queries[] = {"n", "ni", "night", "brakke", "night post 77", "ferry 12", "zz"};
    size_t q = 0;
    for (auto _ : state)
        benchmark::DoNotOptimize(index.search(queries[q++ % 7]).size());
}
BENCHMARK(searching)->Name("search/tracks")->Arg(1000)->Arg(50000)->Unit(benchmark::kMillisecond);

/// The sheet with 10,000 rows: one step of scrolling, painted; and one edit, until everything that shows it
/// has followed.
void sheetScroll() {
    QTemporaryDir dir;
    Path file = Path(dir.path().toStdString()) / "library.db";
    {
        auto store = library::Store::open(file);
        std::vector<files::ScannedFile> rows;
        for (int i = 0; i < 10000; ++i) {
            files::ScannedFile f;
            f.path = "/music/" + std::to_string(i) + " Night Post.flac";
            f.tags.emplace();
            f.tags->format = audio::Format::Flac;
            f.tags->fields = {{"title", {"Night Post " + std::to_string(i)}},
                              {"artist", {"The Hollow Ferry"}},
                              {"album", {"Album " + std::to_string(i / 12)}},
                              {"date", {"1998-10-05"}},
                              {"genre", {"Folk"}},
                              {"track", {std::to_string(i % 12)}}};
            rows.push_back(std::move(f));
        }
        (*store)->saveFiles(rows, (*store)->addBatch("b"));
    }
    app::Session session(file);
    while (!session.isLoaded())
        QCoreApplication::processEvents();
    app::SheetModel model(session, true);
    model.setColumns({app::nameColumn, "track", "title", "artist", "album", "date", "album_artist", "genre",
                      "disc", "isrc"});
    std::vector<library::FileId> ids = session.batchFiles();
    if (ids.size() != 10000)
        std::abort();
    app::SheetView view(session, &model);
    view.resize(1200, 700);
    model.setFiles(ids);
    view.show();
    std::vector<double> frames;
    for (int step = 0; step < 300; ++step) {
        QElapsedTimer clock;
        clock.start();
        view.verticalScrollBar()->setValue(step * 33);
        view.repaint();
        QCoreApplication::processEvents();
        frames.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    }
    app::MainWindow window(session);
    window.bench()->showStep(app::BenchPage::Describe);
    window.show();
    for (int i = 0; i < 200; ++i)
        QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
    std::vector<double> pauses; // the longest time that the interface was busy at a stretch after an edit
    for (int edit = 0; edit < 10; ++edit) {
        double longest = 0;
        QElapsedTimer clock;
        clock.start();
        session.drafts().propose(
            "Edit", {{ids[static_cast<size_t>(edit)], "title", {"New " + std::to_string(edit)}}}, "typed");
        for (int i = 0; i < 60; ++i) {
            QElapsedTimer turn;
            turn.start();
            QCoreApplication::processEvents();
            longest = std::max(longest, static_cast<double>(turn.nsecsElapsed()) / 1e6);
            QThread::msleep(3);
        }
        pauses.push_back(longest);
    }
    std::sort(pauses.begin(), pauses.end());
    std::printf("an edit in a batch of 10,000 files: the interface is busy for %.0f ms at most in the "
                "median, %.0f ms at worst\n",
                pauses[5], pauses.back());
    std::sort(frames.begin(), frames.end());
    std::printf(
        "sheet of 10,000 rows, one scroll step painted: median %.1f ms, 95 %% under %.1f ms, worst %.1f ms\n",
        frames[150], frames[285], frames.back());
}

} // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    app::theme::loadFonts();
    app::theme::apply(app::theme::Choice::Light);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    sheetScroll();
    return 0;
}
