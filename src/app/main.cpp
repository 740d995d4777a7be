// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QElapsedTimer>
#include <QSettings>
#include <QTimer>

#include <cstdio>
#include <cstring>
#include <utility>

#include "app/bench/bench_page.h"
#include "app/desktop/desktop_service.h"
#include "app/desktop/recent_files.h"
#include "app/settings/follow_shelf.h"
#include "app/shell/deliver_controllers.h"
#include "app/shell/display_scale.h"
#include "app/shell/first_start.h"
#include "app/shell/language.h"
#include "app/shell/library_move.h"
#include "app/shell/main_window.h"
#include "app/shell/run_again.h"
#include "app/shell/single_instance.h"
#include "app/shell/start_options.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/base/log.h"
#include "core/base/version.h"
#include "core/library/own_library.h"
#include "core/library/store/store.h"

using namespace moorfrost;
using namespace moorfrost::app;

int main(int argc, char** argv) {
    if (argc == 2 && std::strcmp(argv[1], "--man") == 0) { // for the build: no window is there then
        std::fputs(startManPage().c_str(), stdout);
        return 0;
    }
    QElapsedTimer clock;
    clock.start();
    QApplication::setApplicationName("moorfrost");
    QApplication::setApplicationDisplayName("Moorfrost");
    QApplication::setDesktopFileName("org.moorfrost.Moorfrost");
    QApplication::setOrganizationName("moorfrost");
    QApplication::setApplicationVersion(version());
    if (const QString folder = settingsFolder(argc, argv); !folder.isEmpty()) {
        QSettings::setDefaultFormat(QSettings::IniFormat);
        QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, folder);
    }
    display_scale::use();
    QApplication application(argc, argv);
    StartOptions options = startOptions(argc, argv);
    const Path logFile =
        options.settings.isEmpty() ? log::defaultFile() : Path(ss(options.settings)) / "log.txt";
    log::open(logFile).ignore(); // one can do without
    log::info(log::About::Start, "Moorfrost {}, Qt {}", ss(QApplication::applicationVersion()), qVersion());
    language::install(language::chosen());
    theme::loadFonts();
    theme::chooseColours(theme::choiceFromKey(
        options.theme.isEmpty() ? QSettings().value("theme", "system").toString() : options.theme));
    QApplication::setWindowIcon(QIcon(":/app.svg"));

    // It was moved to a disk that is not connected: nothing is begun in its stead without being asked for.
    for (Result<Path> own = library::ownLibrary(); !options.isNamed && !own; own = library::ownLibrary())
        switch (askForOwnLibrary(own.error())) {
        case OwnLibraryAnswer::Again:
            break;
        case OwnLibraryAnswer::BeginAnew:
            if (const Status begun = library::setOwnLibrary(library::Store::defaultPath()); !begun)
                return 1;
            options.library = library::Store::defaultPath();
            break;
        case OwnLibraryAnswer::Quit:
            return 1;
        }
    std::optional<SingleInstance> instanceThere(options.library);
    SingleInstance& instance = *instanceThere;
    if (!instance.isFirst()) {
        if (instance.handOver(options.folders))
            return 0;
        std::fprintf(
            stderr,
            "moorfrost: this library is open in another window, which does not answer. End it first: %s\n",
            options.library.c_str());
        return 1;
    }
    std::vector<Path> folders = options.folders;
    const int code = runUntilEnded(options.library, [&](const std::optional<Trouble>& told) {
        const std::vector<Path> toBringIn = std::exchange(folders, {}); // in the first run only
        Controllers controllers(options.library);
        MainWindow window(controllers);
        theme::applyStyleSheet();
        QObject::connect(&controllers, &Controllers::loaded, &window, [&] {
            if (!options.shelf.empty())
                controllers.shelves.add(shownName(options.shelf), options.shelf);
            controllers.bringIn.start(toBringIn, true);
            if (options.shot.isEmpty() && !options.reportStartup && options.shelf.empty() &&
                FirstStartDialog::isWanted(controllers.shelves)) {
                auto* first = new FirstStartDialog({controllers.shelves, controllers.standards}, &window);
                first->setAttribute(Qt::WA_DeleteOnClose);
                QObject::connect(first, &FirstStartDialog::bringWanted, &window, &MainWindow::moveLibrary);
                first->open();
            }
            if (const auto note = library_move::takeNote()) {
                controllers.jobs.setTrouble(Trouble{note->told, {}, {}});
                if (note->brought) {
                    auto* shelves = new ShelvesHereDialog(controllers.shelves, &window);
                    shelves->setAttribute(Qt::WA_DeleteOnClose);
                    shelves->open();
                }
            }
        });
        const auto comeForward = [&](const std::vector<Path>& more) {
            window.setWindowState((window.windowState() & ~Qt::WindowMinimized) | Qt::WindowActive);
            window.raise();
            window.activateWindow();
            if (!more.empty())
                controllers.bringIn.start(more, true);
        };
        QObject::connect(&instance, &SingleInstance::anotherStarted, &window, comeForward);
        // The name on the bus is that of the window on the person's own library.
        std::optional<DesktopService> service;
        if (!options.isNamed || options.library == library::ownLibraryPlace())
            QObject::connect(&service.emplace(), &DesktopService::wanted, &window, comeForward);
        QObject::connect(&controllers.bringIn, &BringIn::begun, &window, [](const std::vector<Path>& paths) {
            for (const Path& path : paths)
                recent_files::note(path);
        });
        QObject::connect(&controllers.out->deliveries, &Deliveries::made, &window,
                         [](const Path& target) { recent_files::note(target); });
        QTimer shotTimer;
        if (!options.shot.isEmpty()) {
            window.resize(1280, 800);
            // At rest twice in a row: read, sorted, covers drawn.
            auto quiet = std::make_shared<int>(0);
            QObject::connect(&shotTimer, &QTimer::timeout, &window, [&, quiet] {
                *quiet = controllers.isLoaded() && window.isAtRest() ? *quiet + 1 : 0;
                if (*quiet < 2)
                    return;
                if (!window.grab().save(options.shot))
                    std::fprintf(stderr, "moorfrost: %s cannot be written.\n", qPrintable(options.shot));
                QApplication::quit();
            });
            shotTimer.start(100);
        }
        window.show();
        if (options.reportStartup)
            QTimer::singleShot(0, &window, [&] {
                window.repaint();
                std::printf("%lld\n", static_cast<long long>(clock.elapsed()));
                QApplication::quit();
            });
        if (told)
            controllers.jobs.setTrouble(told);
        return QApplication::exec();
    });
    recent_files::wait();
    if (code != startAgainCode)
        return code;
    instanceThere.reset(); // the next one may be as quick as it can
    return library_move::startAgain(argc, argv, options.isNamed ? startsWith() : Path()) ? 0 : 1;
}
