// SPDX-License-Identifier: GPL-3.0-or-later
// Bringing many files in, in the real window: how soon they are there, and for how long the window cannot
// answer meanwhile. moorfrost-bench-bring-in [FILES [FOLDER]]
#include <QElapsedTimer>
#include <QTreeView>

#include <cstdio>
#include <filesystem>

#include <fmt/format.h>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/shell/main_window.h"
#include "app/shell/theme.h"
#include "benchmarks/measure.h"
#include "benchmarks/window.h"
#include "core/base/numbers.h"
#include "support/invented.h"

using namespace moorfrost;

namespace {

/// A FLAC of one block of silence that tells no number of samples.
std::string flacOf(const tags::Fields& fields) {
    auto block = [](int type, bool last, const std::string& content) {
        return std::string(1, static_cast<char>(type | (last ? 0x80 : 0))) +
               asBigEndian(static_cast<uint32_t>(content.size()), 3) + content;
    };
    std::string info("\x10\0\x10\0\0\0\0\0\0\0\x0A\xC4\x42\xF0\0\0\0\0", 18);
    info.resize(34, '\0');
    std::string comments = asLittleEndian(0), list;
    uint32_t count = 0;
    for (const auto& [key, values] : fields)
        for (const std::string& value : values) {
            const std::string entry = tags::fieldByKey(key)->property + "=" + value;
            list += asLittleEndian(static_cast<uint32_t>(entry.size())) + entry;
            ++count;
        }
    return "fLaC" + block(0, false, info) + block(4, true, comments + asLittleEndian(count) + list) +
           std::string("\xFF\xF8\xC9\x18\0\0\0\0", 8);
}

/// Folders as one finds them, `count` files in all.
void makeFiles(const Path& root, size_t count) {
    bench::InventedLibrary invented(count);
    library::FileRecord r;
    for (size_t i = 0; invented.next(r); ++i) {
        const Path folder = root / fmt::format("{:04}", i / 500) / fmt::format("{:05}", i / 11);
        std::filesystem::create_directories(folder);
        std::erase_if(r.tags.fields, [](const auto& f) { return !tags::fieldByKey(f.first); });
        std::ofstream(folder / fmt::format("{:02} take.flac", i % 11 + 1)) << flacOf(r.tags.fields);
    }
}

} // namespace

int main(int argc, char** argv) {
    const size_t count = argc > 1 ? std::strtoul(argv[1], nullptr, 10) : 30000;
    const Path folder = Path(argc > 2 ? argv[2] : "build") / "bench-bring-in";
    std::filesystem::remove_all(folder);
    makeFiles(folder / "in", count);
    bench::WindowApplication application(argc, argv);
    app::Controllers session{folder / "library.db"};
    app::MainWindow window(session);
    app::theme::applyStyleSheet();
    window.resize(1280, 800);
    window.show();
    QElapsedTimer clock, since;
    // Turns of the event loop: while one lasts, nothing can be clicked.
    auto until = [&](auto&& done, const char* what) {
        double longest = 0, working = 0, firstRows = -1;
        size_t over = 0;
        since.restart();
        for (bool ended = false; !ended;) {
            clock.restart();
            const double before = bench::processorTime();
            QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 1);
            const double ms = static_cast<double>(clock.nsecsElapsed()) / 1e6;
            longest = std::max(longest, ms);
            working = std::max(working, bench::processorTime() - before);
            over += ms > 100;
            if (firstRows < 0 && !session.sleeves.all().empty())
                firstRows = static_cast<double>(since.elapsed());
            ended = done();
        }
        std::printf(
            "%-26s %6lld ms; first files after %.0f ms; the window was busy for %.0f ms at most (%.0f of "
            "them on a processor), %zu times over 100 ms\n",
            what, static_cast<long long>(since.elapsed()), firstRows, longest, working, over);
    };
    // No job runs, and what was posted to the library is written.
    QElapsedTimer quiet;
    bool asked = false, answered = false;
    auto settled = [&](size_t files) {
        quiet.invalidate();
        return [&, files] {
            size_t there = 0;
            for (const app::SleeveView& sleeve : session.sleeves.all())
                there += sleeve.files.size();
            if (!session.jobs.isIdle() || there < files) {
                quiet.invalidate();
            } else if (!quiet.isValid()) {
                if (!std::exchange(asked, true))
                    session.journal.readSteps(&session, -1,
                                              [&](const std::vector<library::SetStep>&) { answered = true; });
                if (!std::exchange(answered, false))
                    return false;
                asked = false;
                quiet.start();
            }
            return quiet.isValid() && quiet.elapsed() > 400;
        };
    };
    until([&] { return session.isLoaded(); }, "the window");
    std::printf("%zu files\n", count);
    session.bringIn.start({folder / "in"}, true);
    until(settled(count), "all brought in and sorted");
    std::printf("%zu sleeves, memory %.0f MB\n", session.sleeves.all().size(), bench::memoryInUse("VmRSS:"));
    since.restart(); // somebody comes back to the batch
    while (since.elapsed() < 2000)
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    std::filesystem::copy_file(folder / "in/0000/00000/01 take.flac", folder / "in/0000/00000/12 take.flac");
    session.bringIn.start({folder / "in/0000/00000"}, true);
    until(settled(count + 1), "one file more");
    return 0;
}
