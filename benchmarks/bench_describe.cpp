// SPDX-License-Identifier: GPL-3.0-or-later
// Describe on a big batch: opening the sheet, editing one column of all rows, undoing it, sorting, narrowing;
// and values offered out of a million. moorfrost-bench-describe FOLDER [COUNT]
#include <QElapsedTimer>
#include <QHeaderView>
#include <QTimer>

#include <cstdio>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/filter_bar.h"
#include "app/shell/main_window.h"
#include "app/shell/theme.h"
#include "benchmarks/measure.h"
#include "benchmarks/window.h"
#include "core/library/known_values.h"
#include "support/invented.h"

using namespace moorfrost;

namespace {

void makeBatch(const Path& library, size_t count) {
    auto store = library::Store::open(library);
    if (!store)
        std::abort();
    const int64_t batch = (*store)->batches().add("Many");
    bench::InventedLibrary invented(count);
    library::FileRecord record;
    std::vector<files::ScannedFile> some;
    std::map<library::FileId, std::string> sleeves;
    size_t made = 0;
    auto save = [&] {
        for (library::FileId id : (*store)->saveFiles(some, batch))
            sleeves[id] = "sleeve " + std::to_string(made++ / 11);
        some.clear();
    };
    while (invented.next(record)) {
        some.push_back({record.path, record.state, record.tags, {}});
        if (some.size() == 5000)
            save();
    }
    save();
    (*store)->batches().setSleeves(batch, sleeves);
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2)
        return 1;
    const Path library = Path(argv[1]) / "bench-describe.db";
    const size_t count = argc > 2 ? std::strtoul(argv[2], nullptr, 10) : 100'000;
    for (const char* end : {"", "-wal", "-shm"})
        std::filesystem::remove(library.native() + end);
    makeBatch(library, count);
    bench::WindowApplication application(argc, argv);
    app::Controllers session{library};
    app::MainWindow window(session);
    app::theme::applyStyleSheet();
    window.resize(1600, 900);
    window.show();
    QTimer awake;
    awake.start(5);
    auto until = [](auto&& done) {
        while (!done())
            QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents);
    };
    auto settle = [&] {
        QElapsedTimer quiet;
        do {
            until([&] { return session.jobs.isIdle(); });
            quiet.start();
            until([&] { return quiet.elapsed() > 300; });
        } while (!session.jobs.isIdle());
    };
    until([&] { return session.sleeves.files().size() == count; });
    settle();
    app::DescribePage* page = window.bench()->describe();
    app::SheetView* view = page->sheet();
    auto* model = static_cast<app::SheetModel*>(view->model());
    auto shown = [&] {
        QCoreApplication::processEvents();
        view->viewport()->repaint();
    };
    const double opened = bench::milliseconds([&] {
        window.bench()->showStep(app::BenchPage::Describe);
        shown();
    });
    std::printf("batch of %d opens in the sheet            %.0f ms\n", model->rowCount(), opened);
    settle();
    auto column = [&](const char* key) {
        const auto& all = model->columns();
        return static_cast<int>(std::find(all.begin(), all.end(), key) - all.begin());
    };
    auto choose = [&](const char* key) {
        const int c = column(key);
        view->setCurrentIndex(model->index(0, c));
        view->selectionModel()->select(
            QItemSelection(model->index(0, c), model->index(model->rowCount() - 1, c)),
            QItemSelectionModel::ClearAndSelect);
    };
    // Until it is painted, and until nothing of it is left to do.
    auto edited = [&](const char* what, const auto& edit) {
        QElapsedTimer clock;
        clock.start();
        edit();
        const double returned = static_cast<double>(clock.nsecsElapsed()) / 1e6;
        view->viewport()->repaint();
        const double painted = static_cast<double>(clock.nsecsElapsed()) / 1e6;
        settle();
        std::printf("%s%.0f ms (%.0f to paint; all settled after %.0f)\n", what, painted, painted - returned,
                    static_cast<double>(clock.nsecsElapsed()) / 1e6);
    };
    std::printf("choosing a column                          %.0f ms\n", bench::milliseconds([&] {
                    choose("genre");
                    shown();
                }));
    edited("filling it down                            ", [&] { view->fillDown(); });
    settle();
    edited("undoing that                               ", [&] { session.undo.undo(); });
    settle();
    edited("doing it again                             ", [&] { session.undo.redo(); });
    settle();
    view->selectionModel()->clearSelection();
    auto click = [&](const char* key) {
        emit view->horizontalHeader()->sectionClicked(column(key));
        shown();
    };
    std::printf("sorting by title                           %.0f ms\n",
                bench::milliseconds([&] { click("title"); }));
    std::printf("sorting by track                           %.0f ms\n",
                bench::milliseconds([&] { click("track"); }));
    auto narrow = [&](const app::SheetFilter& f) {
        page->filterBar()->setFilter(f);
        shown();
    };
    std::printf("narrowing by a word                        %.0f ms\n",
                bench::milliseconds([&] { narrow({.text = "quartet"}); }));
    std::printf("narrowing by another                       %.0f ms\n",
                bench::milliseconds([&] { narrow({.text = "quartet br"}); }));
    std::printf("what differs within its sleeve             %.0f ms\n",
                bench::milliseconds([&] { narrow({.text = {}, .differs = true}); }));
    std::printf("memory                                     %.0f MB\n", bench::memoryInUse("VmRSS:"));

    std::vector<library::KnownValues::Value> values;
    bench::Chance random(3);
    for (size_t i = 0; i < 1'000'000; ++i) {
        std::string name;
        for (unsigned n = 2 + random() % 3; n > 0; --n) {
            for (unsigned letters = 3 + random() % 6; letters > 0; --letters)
                name += static_cast<char>('a' + random() % 26);
            name += ' ';
        }
        values.push_back({name + std::to_string(i), 1 + random() % 100});
    }
    library::KnownValues known;
    std::printf("a million values made ready                %.0f ms\n",
                bench::milliseconds([&] { known = library::KnownValues(std::move(values)); }));
    bench::Times offered, meant;
    for (int i = 0; i < 200; ++i) {
        std::string typed;
        for (int n = 1 + i % 6; n > 0; --n)
            typed += static_cast<char>('a' + random() % 26);
        offered.add(bench::milliseconds([&] { known.complete(typed); }));
        const std::string name = known.complete(typed.substr(0, 2), 1).front().text;
        meant.add(bench::milliseconds([&] { known.meant(name.substr(0, name.size() - 1)); }));
    }
    std::printf("values offered                             %s\n", offered.shown().c_str());
    std::printf("what was meant                             %s\n", meant.shown().c_str());
    session.jobs.stopAll();
    return 0;
}
