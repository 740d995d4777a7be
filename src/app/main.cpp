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
#include "app/shell/first_start.h"
#include "app/shell/language.h"
#include "app/shell/main_window.h"
#include "app/shell/run_again.h"
#include "app/shell/single_instance.h"
#include "app/shell/start_options.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/base/log.h"
#include "core/base/version.h"

using namespace moorfrost;
using namespace moorfrost::app;

int main(int argc, char** argv) {
    if (argc == 2 && std::strcmp(argv[1], "--man") == 0) { // for the build: no window is there then
        std::fputs(startManPage().c_str(), stdout);
        return 0;
    }
    QElapsedTimer clock;
    clock.start();
    QApplication application(argc, argv);
    QApplication::setApplicationName("moorfrost");
    QApplication::setApplicationDisplayName("Moorfrost");
    QApplication::setDesktopFileName("org.moorfrost.Moorfrost");
    QApplication::setOrganizationName("moorfrost");
    QApplication::setApplicationVersion(version());
    const StartOptions options = startOptions(argc, argv);
    if (!options.settings.isEmpty()) {
        QSettings::setDefaultFormat(QSettings::IniFormat);
        QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, options.settings);
    }
    const Path logFile =
        options.settings.isEmpty() ? log::defaultFile() : Path(ss(options.settings)) / "log.txt";
    log::open(logFile).ignore(); // one can do without
    log::info(log::About::Start, "Moorfrost {}, Qt {}", ss(QApplication::applicationVersion()), qVersion());
    language::install(language::chosen());
    theme::loadFonts();
    theme::chooseColours(theme::choiceFromKey(
        options.theme.isEmpty() ? QSettings().value("theme", "system").toString() : options.theme));
    QApplication::setWindowIcon(QIcon(":/app.svg"));

    SingleInstance instance(options.library);
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
    return runUntilEnded(options.library, [&](const std::optional<Trouble>& told) {
        const std::vector<Path> toBringIn = std::exchange(folders, {}); // in the first run only
        Controllers controllers(options.library);
        MainWindow window(controllers);
        theme::applyStyleSheet();
        QObject::connect(&controllers, &Controllers::loaded, &window, [&] {
            if (!options.shelf.empty())
                controllers.shelves.add(shownName(options.shelf), options.shelf);
            controllers.bringIn.start(toBringIn, true);
            if (options.shot.isEmpty() && !options.reportStartup &&
                FirstStartDialog::isWanted(controllers.shelves)) {
                auto* first = new FirstStartDialog({controllers.shelves, controllers.standards}, &window);
                first->setAttribute(Qt::WA_DeleteOnClose);
                first->open();
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
        if (options.library == library::Store::defaultPath())
            QObject::connect(&service.emplace(), &DesktopService::wanted, &window, comeForward);
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
}
