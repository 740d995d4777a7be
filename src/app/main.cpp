// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QSettings>
#include <QTimer>
#include <QTranslator>

#include <cstdio>
#include <utility>

#include "app/bench/bench_page.h"
#include "app/shell/main_window.h"
#include "app/shell/run_again.h"
#include "app/shell/single_instance.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/base/log.h"

using namespace moorfrost;
using namespace moorfrost::app;

int main(int argc, char** argv) {
    QElapsedTimer clock;
    clock.start();
    QApplication application(argc, argv);
    QApplication::setApplicationName("moorfrost");
    QApplication::setApplicationDisplayName("Moorfrost");
    QApplication::setDesktopFileName("org.moorfrost.Moorfrost");
    QApplication::setOrganizationName("moorfrost");
    QApplication::setApplicationVersion("0.1.0");
    QCommandLineParser parser;
    parser.setApplicationDescription(
        QApplication::translate("main", "Tag, name, identify and put away audio files."));
    parser.addHelpOption();
    parser.addVersionOption();
    QCommandLineOption libraryOption("library", "The library file (else the one in the XDG data folder).",
                                     "file");
    QCommandLineOption shelfOption("shelf", "Make this folder a shelf, if it is none yet.", "folder");
    QCommandLineOption settingsOption("settings", "Keep window settings in this file.", "file");
    QCommandLineOption themeOption("theme", "light, dark or system, for this run.", "theme");
    QCommandLineOption shotOption("shot", "Take a picture of the window when all is read, and end.", "file");
    QCommandLineOption startupOption("report-startup",
                                     "Print the milliseconds to the first window and end (for benchmarks).");
    for (const QCommandLineOption& o :
         {libraryOption, shelfOption, settingsOption, themeOption, shotOption, startupOption})
        parser.addOption(o);
    parser.addPositionalArgument("folder", "Folders and files to bring in.", "[folder ...]");
    parser.process(application);

    if (parser.isSet(settingsOption)) {
        QSettings::setDefaultFormat(QSettings::IniFormat);
        QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, parser.value(settingsOption));
    }
    const Path logFile = parser.isSet(settingsOption) ? Path(ss(parser.value(settingsOption))) / "log.txt"
                                                      : log::defaultFile();
    log::open(logFile).ignore(); // one can do without
    log::info(log::About::Start, "Moorfrost {}, Qt {}", ss(QApplication::applicationVersion()), qVersion());
    QTranslator plurals;
    if (plurals.load(":/i18n/moorfrost_en.qm"))
        QApplication::installTranslator(&plurals);
    theme::loadFonts();
    theme::chooseColours(theme::choiceFromKey(parser.isSet(themeOption)
                                                  ? parser.value(themeOption)
                                                  : QSettings().value("theme", "system").toString()));
    QApplication::setWindowIcon(QIcon(":/app.svg"));

    Path library = parser.isSet(libraryOption)
                       ? std::filesystem::absolute(Path(ss(parser.value(libraryOption))))
                       : library::Store::defaultPath();
    // Arguments are taken as the bytes that the system gave, which need not be UTF-8.
    std::vector<Path> folders;
    for (int i = 1; i < argc; ++i)
        if (std::error_code error; argv[i][0] != '-' && std::filesystem::exists(argv[i], error) &&
                                   parser.positionalArguments().contains(QString::fromLocal8Bit(argv[i])))
            folders.push_back(std::filesystem::absolute(argv[i]));
    SingleInstance instance(library);
    if (!instance.isFirst()) {
        if (instance.handOver(folders))
            return 0;
        std::fprintf(
            stderr,
            "moorfrost: this library is open in another window, which does not answer. End it first: %s\n",
            library.c_str());
        return 1;
    }
    return runUntilEnded(library, [&](const std::optional<Trouble>& told) {
        const std::vector<Path> toBringIn = std::exchange(folders, {}); // in the first run only
        Controllers controllers(library);
        MainWindow window(controllers);
        theme::applyStyleSheet();
        QObject::connect(&controllers, &Controllers::loaded, &window, [&] {
            if (parser.isSet(shelfOption)) {
                Path shelf = std::filesystem::absolute(Path(ss(parser.value(shelfOption))));
                controllers.shelves.add(shownName(shelf), shelf);
            }
            controllers.bringIn.start(toBringIn, true);
        });
        QObject::connect(
            &instance, &SingleInstance::anotherStarted, &window, [&](const std::vector<Path>& more) {
                window.setWindowState((window.windowState() & ~Qt::WindowMinimized) | Qt::WindowActive);
                window.raise();
                window.activateWindow();
                if (!more.empty())
                    controllers.bringIn.start(more, true);
            });
        QTimer shotTimer;
        if (parser.isSet(shotOption)) {
            window.resize(1280, 800);
            // At rest twice in a row: read, sorted, covers drawn.
            auto quiet = std::make_shared<int>(0);
            QObject::connect(&shotTimer, &QTimer::timeout, &window, [&, quiet] {
                *quiet = controllers.isLoaded() && window.isAtRest() ? *quiet + 1 : 0;
                if (*quiet < 2)
                    return;
                if (!window.grab().save(parser.value(shotOption)))
                    std::fprintf(stderr, "moorfrost: %s cannot be written.\n",
                                 qPrintable(parser.value(shotOption)));
                QApplication::quit();
            });
            shotTimer.start(100);
        }
        window.show();
        if (parser.isSet(startupOption))
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
