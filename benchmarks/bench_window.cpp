// SPDX-License-Identifier: GPL-3.0-or-later
// The real window on a big library (moorfrost-bench-library leaves one): from the start to the first rows,
// keystrokes until they are painted, scrolling, jumping, selecting everything, sleeves, releases.
// moorfrost-bench-window LIBRARY
#include <QElapsedTimer>
#include <QPushButton>
#include <QScrollBar>
#include <QTimer>

#include <cstdio>

#include "app/library/library_page.h"
#include "app/library/sleeve_grid.h"
#include "app/releases/release_lines.h"
#include "app/releases/releases_page.h"
#include "app/shell/main_window.h"
#include "app/shell/theme.h"
#include "benchmarks/measure.h"
#include "benchmarks/window.h"
#include "support/invented.h"

using namespace moorfrost;

namespace {

double since(const QElapsedTimer& clock) {
    return static_cast<double>(clock.nsecsElapsed()) / 1e6;
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2)
        return 1;
    QElapsedTimer clock;
    clock.start();
    bench::WindowApplication application(argc, argv);
    app::Controllers session{Path(argv[1])};
    app::MainWindow window(session);
    app::theme::applyStyleSheet();
    window.resize(1600, 900);
    window.showWorkspace(app::MainWindow::Library);
    window.show();
    app::LibraryPage* page = window.library();
    app::SheetView* view = page->table();
    std::printf("window built and shown                     %.0f ms\n", since(clock));
    // Waits as the event loop of an application does: a loop that never sleeps takes a processor from the
    // search.
    QTimer awake;
    awake.start(5);
    auto until = [](auto&& done) {
        while (!done())
            QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents);
    };
    until([&] { return view->model()->rowCount() > 0; });
    view->viewport()->repaint();
    std::printf("start to first rows painted                %.0f ms (%d rows)\n", since(clock),
                view->model()->rowCount());
    until([&] { return page->isSearched(); });
    std::printf("start to everything searchable and counted %.0f ms\n", since(clock));
    auto settle = [&] {
        until([&] { return page->isSearched() && session.jobs.isIdle(); });
        QElapsedTimer quiet;
        quiet.start();
        until([&] { return quiet.elapsed() > 60; });
        until([&] { return session.jobs.isIdle(); });
    };
    settle();
    std::printf("memory                                     %.0f MB\n", bench::memoryInUse("VmRSS:"));

    bench::Times step, jump;
    for (int i = 0; i < 300; ++i) {
        clock.restart();
        view->verticalScrollBar()->setValue(i * 3);
        view->viewport()->repaint();
        QCoreApplication::processEvents();
        step.add(since(clock));
    }
    bench::Chance random(5);
    for (int i = 0; i < 300; ++i) {
        clock.restart();
        view->verticalScrollBar()->setValue(
            static_cast<int>(random() % static_cast<unsigned>(view->verticalScrollBar()->maximum())));
        view->viewport()->repaint();
        QCoreApplication::processEvents();
        jump.add(since(clock));
    }
    std::printf("a step of scrolling, painted               %s\n", step.shown().c_str());
    std::printf("a jump anywhere, painted                   %s\n", jump.shown().c_str());
    bench::Times all;
    for (int i = 0; i < 10; ++i) {
        clock.restart();
        view->selectAll();
        view->viewport()->repaint();
        all.add(since(clock));
        QCoreApplication::processEvents();
        view->clearSelection();
    }
    std::printf("everything selected, painted               %s\n", all.shown().c_str());
    view->selectRow(0);
    settle();

    bench::Times rows, counted;
    for (const std::string& query : bench::InventedLibrary::queries(24, random))
        for (size_t n = 1; n <= query.size(); ++n) {
            if (query[n - 1] == ' ')
                continue;
            clock.restart();
            page->searchBox()->setText(QString::fromStdString(query.substr(0, n)));
            until([&] { return page->showsAnswer(); });
            view->viewport()->repaint();
            rows.add(since(clock));
            until([&] { return page->isSearched(); });
            counted.add(since(clock));
        }
    std::printf("a keystroke, until its rows are painted    %s\n", rows.shown().c_str());
    std::printf("until all counts of it are there, too      %s\n", counted.shown().c_str());

    page->searchBox()->clear();
    settle();
    clock.restart();
    page->sleevesButton()->click();
    until([&] { return page->showsAnswer(); });
    page->grid()->viewport()->repaint();
    std::printf("all as sleeves, painted                    %.0f ms (%zu sleeves)\n", since(clock),
                page->grid()->sleeves().size());
    settle();
    bench::Times grid;
    for (int i = 0; i < 100; ++i) {
        clock.restart();
        page->grid()->verticalScrollBar()->setValue(
            static_cast<int>(random() % static_cast<unsigned>(page->grid()->verticalScrollBar()->maximum())));
        page->grid()->viewport()->repaint();
        grid.add(since(clock));
    }
    std::printf("a jump among the sleeves, painted          %s\n", grid.shown().c_str());
    settle();

    clock.restart();
    window.showWorkspace(app::MainWindow::Releases);
    app::ReleasesPage* releases = window.releases();
    until([&] { return releases->isTrue() && session.jobs.isIdle() && releases->shown(); });
    const auto list = session.releases.list();
    std::printf("all as releases, listed and proposed       %.0f ms (%zu releases)\n", since(clock),
                list->entries().size());
    auto shows = [&](const library::ReleaseRef& ref) {
        clock.restart();
        releases->showRelease(ref);
        until([&] {
            return releases->isTrue() && releases->shown() && (releases->shown()->view.ref.id == ref.id) &&
                   (ref.id != 0 || releases->shown()->view.ref.files == ref.files);
        });
        releases->repaint();
    };
    bench::Times opened;
    for (int i = 0; i < 100; ++i) {
        library::ReleaseRef ref = list->entries()[random() % list->entries().size()].ref;
        std::ranges::sort(ref.files);
        shows(ref);
        opened.add(since(clock));
    }
    std::printf("a release opened, painted                  %s\n", opened.shown().c_str());
    bench::Times found;
    for (const std::string& query : bench::InventedLibrary::queries(24, random))
        for (size_t n = 1; n <= query.size(); ++n) {
            clock.restart();
            releases->searchBox()->setText(QString::fromStdString(query.substr(0, n)));
            releases->lines()->viewport()->repaint();
            found.add(since(clock));
        }
    std::printf("a keystroke among the releases, painted    %s\n", found.shown().c_str());
    releases->searchBox()->clear();
    settle();
    library::ReleaseFilling filling;
    filling.facts["title"] = {"The long one"};
    for (int medium = 0; medium < 12; ++medium) {
        filling.media.emplace(filling.media.value_or(std::vector<library::MediumToKeep>()));
        library::MediumToKeep& m = filling.media->emplace_back();
        m.carrier = "CD";
        for (int track = 0; track < 25; ++track)
            m.tracks.emplace_back(reference::Track{std::to_string(track + 1),
                                                   "Track " + std::to_string(medium * 25 + track + 1),
                                                   {},
                                                   200000},
                                  0);
    }
    library::ReleaseId id = 0;
    session.releases.make(filling, {}, [&](library::ReleaseId made) { id = made; });
    until([&] { return id != 0; });
    settle();
    bench::Times longOne;
    for (int i = 0; i < 10; ++i) {
        shows(list->entries()[random() % list->entries().size()].ref);
        settle();
        shows({id, {}});
        longOne.add(since(clock));
    }
    std::printf("a release of 300 tracks opened, painted    %s\n", longOne.shown().c_str());
    session.releases.remove(id, "The long one");
    settle();
    std::printf("memory                                     %.0f MB, at most %.0f MB\n",
                bench::memoryInUse("VmRSS:"), bench::memoryInUse("VmHWM:"));
    return 0;
}
