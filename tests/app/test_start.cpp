// SPDX-License-Identifier: GPL-3.0-or-later
// The program itself, as it is started: what the command line asks of it.
#include <QtTest>

#include <QImage>
#include <QProcess>

#include <fstream>

#include "core/base/version.h"
#include "core/library/store/store.h"
#include "support/needs_root.h"
#include "support/places.h"
#include "support/sample_files.h"
#include "support/small_disk.h"
#include "support/virtual_display.h"

using namespace moorfrost;

class TestStart : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    static QString text(const Path& path) { return QString::fromStdString(path.native()); }
    /// Until it ends by itself; what it said.
    QString run(QStringList arguments, const QMap<QString, QString>& more = {}) {
        QProcess program;
        program.setProcessChannelMode(QProcess::MergedChannels);
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("XDG_CACHE_HOME", text(*box_ / "cache"));
        environment.insert("XDG_DATA_HOME", text(*box_ / "data"));
        environment.insert("QT_QPA_PLATFORM", "offscreen");
        for (auto it = more.begin(); it != more.end(); ++it)
            environment.insert(it.key(), it.value());
        program.setProcessEnvironment(environment);
        if (!arguments.contains("--settings"))
            arguments = QStringList{"--settings", text(*box_ / "settings")} + arguments;
        program.start(text(test::inBuild("src/app/moorfrost")), arguments);
        if (!program.waitForFinished(60000) || program.exitStatus() != QProcess::NormalExit)
            qFatal("it does not end: %s", program.readAll().constData());
        code_ = program.exitCode();
        return program.readAll();
    }
    int code_ = -1;

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(); }

    void aShelfAndFoldersAreBroughtIn() {
        test::makeSound(*box_ / "in", "a.flac");
        test::makeSound(*box_ / "in/deeper", "b.mp3");
        std::filesystem::create_directories(*box_ / "Archive");
        const QString shot = text(*box_ / "shot.png");
        const QStringList arguments = {"--library",       text(*box_ / "library.db"),
                                       "--shelf",         text(*box_ / "Archive"),
                                       "--theme",         "dark",
                                       "--shot",          shot,
                                       text(*box_ / "in")};
        const QString said = run(arguments);
        QVERIFY2(code_ == 0, qPrintable(said));
        QImage picture(shot);
        QCOMPARE(picture.size(), QSize(1280, 800));
        QVERIFY2(picture.pixelColor(1270, 400).lightness() < 90, "it is not dark");
        {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            QCOMPARE(store->shelves().all().size(), size_t{1});
            QCOMPARE(store->shelves().all().front().name, std::string("Archive"));
            QVERIFY(store->shelves().all().front().path == *box_ / "Archive");
            QCOMPARE(store->batches().all().size(), size_t{1});
            QCOMPARE(store->files().all().size(), size_t{2});
        }
        // Once more: nothing is there twice.
        run(arguments);
        QCOMPARE(code_, 0);
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QCOMPARE(store->shelves().all().size(), size_t{1});
        QCOMPARE(store->files().all().size(), size_t{2});
        // In the light.
        run({"--library", text(*box_ / "library.db"), "--theme", "light", "--shot", shot});
        QVERIFY(QImage(shot).pixelColor(1270, 400).lightness() > 160);
        // What it did is in the log, for support.
        const std::string log = test::readBytes(*box_ / "settings/log.txt");
        QVERIFY2(log.find(std::string("info [start] Moorfrost ") + version()) != std::string::npos,
                 log.c_str());
        QVERIFY2(log.find("library.db is open") != std::string::npos, log.c_str());
    }

    void strangeSurroundings_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("value");
        QTest::newRow("Turkish") << "LC_ALL"
                                 << "tr_TR.UTF-8";
        QTest::newRow("Japanese") << "LC_ALL"
                                  << "ja_JP.UTF-8";
        QTest::newRow("no locale") << "LC_ALL"
                                   << "C";
        QTest::newRow("no bus") << "DBUS_SESSION_BUS_ADDRESS"
                                << "unix:path=/proc/nowhere";
        QTest::newRow("no sound") << "PULSE_SERVER"
                                  << "unix:/proc/nowhere";
        QTest::newRow("twice the pixels") << "QT_SCALE_FACTOR"
                                          << "2";
        QTest::newRow("no fonts") << "FONTCONFIG_FILE"
                                  << "/dev/null";
        QTest::newRow("no runtime folder") << "XDG_RUNTIME_DIR"
                                           << "/proc/nowhere";
    }
    void strangeSurroundings() {
        QFETCH(QString, name);
        QFETCH(QString, value);
        test::makeSound(*box_ / "in", "\xC4\xB0stanbul i\xC5\x9F\xC4\xB1k.flac");
        std::filesystem::create_directories(*box_ / "Archive");
        const QString shot = text(*box_ / "shot.png");
        const QString said = run({"--library", text(*box_ / "library.db"), "--shelf", text(*box_ / "Archive"),
                                  "--shot", shot, text(*box_ / "in")},
                                 {{name, value}});
        QVERIFY2(code_ == 0, qPrintable(said));
        const QImage picture(shot);
        QVERIFY(!picture.isNull());
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QCOMPARE(store->files().all().size(), size_t{1});
    }

    void aBrokenSettingsFile() {
        test::writeBytes(*box_ / "settings/moorfrost/moorfrost.ini",
                         std::string("[General\nwindow=@ByteArray(\x01\xFF\0 theme==", 40) +
                             std::string(5000, '\xFE'));
        const QString shot = text(*box_ / "shot.png");
        const QString said = run({"--library", text(*box_ / "library.db"), "--shot", shot});
        QVERIFY2(code_ == 0, qPrintable(said));
        QCOMPARE(QImage(shot).size(), QSize(1280, 800));
    }

    // It opens within the display, however many pixels that has.
    void displays_data() {
        QTest::addColumn<QSize>("display");
        QTest::addColumn<QString>("scale");
        QTest::addColumn<QSize>("window");
        QTest::newRow("small") << QSize(1024, 600) << "1" << QSize(1016, 560);
        QTest::newRow("large, at scale 2") << QSize(3840, 2160) << "2" << QSize(2560, 1600);
    }
    void displays() {
        QFETCH(QSize, display);
        QFETCH(QString, scale);
        QFETCH(QSize, window);
        const test::VirtualDisplay screen(display);
        QProcess program;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("XDG_CACHE_HOME", text(*box_ / "cache"));
        environment.insert("XDG_DATA_HOME", text(*box_ / "data"));
        environment.insert("QT_QPA_PLATFORM", "xcb");
        environment.insert("QT_SCALE_FACTOR", scale);
        environment.insert("DISPLAY", screen.name());
        program.setProcessEnvironment(environment);
        program.start(text(test::inBuild("src/app/moorfrost")),
                      {"--settings", text(*box_ / "settings"), "--library", text(*box_ / "library.db")});
        QVERIFY(program.waitForStarted(5000));
        QSize seen;
        const bool isThere =
            QTest::qWaitFor([&] { return !(seen = screen.sizeOf("Moorfrost")).isEmpty(); }, 30000);
        program.kill();
        program.waitForFinished(5000);
        QVERIFY(isThere);
        QCOMPARE(seen, window);
    }

    // Everything as large as was chosen in Settings.
    void twiceAsLarge() {
        const QString shot = text(*box_ / "shot.png");
        test::writeBytes(*box_ / "settings/moorfrost/moorfrost.ini", "[General]\nscale=200\n");
        const QString said = run({"--library", text(*box_ / "library.db"), "--shot", shot});
        QVERIFY2(code_ == 0, qPrintable(said));
        QCOMPARE(QImage(shot).size(), QSize(2560, 1600));
        // What makes no sense is as usual.
        test::writeBytes(*box_ / "settings/moorfrost/moorfrost.ini", "[General]\nscale=0\n");
        run({"--library", text(*box_ / "library.db"), "--shot", shot});
        QCOMPARE(QImage(shot).size(), QSize(1280, 800));
    }

    // Settings, cache and log are on a disk that is full; then the library, too.
    void aFullHome() {
        NEEDS_ROOT;
        const test::SmallDisk disk(*box_ / "home", "size=64k");
        QVERIFY(disk.isThere());
        test::writeBytes(*box_ / "home/filler", std::string(1, 'x'));
        std::ofstream out(*box_ / "home/filler", std::ios::binary);
        const std::string block(1024, 'x');
        while (out.write(block.data(), 1024).flush()) {
        }
        QMap<QString, QString> home;
        for (const char* name :
             {"HOME", "XDG_DATA_HOME", "XDG_CACHE_HOME", "XDG_STATE_HOME", "XDG_CONFIG_HOME"})
            home[name] = text(*box_ / "home");
        const QString shot = text(*box_ / "shot.png");
        QString said =
            run({"--library", text(*box_ / "library.db"), "--settings", text(*box_ / "home"), "--shot", shot},
                home);
        QVERIFY2(code_ == 0, qPrintable(said));
        QVERIFY(!QImage(shot).isNull());
        // There is no room to begin a library, either: it starts, and says so in its window.
        std::filesystem::remove(*box_ / "shot.png");
        said = run({"--library", text(*box_ / "home/library.db"), "--settings", text(*box_ / "home"),
                    "--shot", shot},
                   home);
        QVERIFY2(code_ == 0, qPrintable(said));
        QVERIFY(!QImage(shot).isNull());
    }

    // The person's own library was moved to another disk: it is found there; where it is not there, nothing
    // else is begun.
    void aLibraryThatWasMoved() {
        const Path moved = *box_ / "other disk/library.db";
        QVERIFY(library::Store::open(moved));
        test::writeBytes(*box_ / "data/moorfrost/library-place", moved.native() + std::string(1, '\0'));
        const QString shot = text(*box_ / "shot.png");
        std::filesystem::create_directories(*box_ / "Archive");
        run({"--shelf", text(*box_ / "Archive"), "--shot", shot});
        QCOMPARE(code_, 0);
        QCOMPARE(library::Store::open(moved)->get()->shelves().all().size(), size_t{1});
        QVERIFY(!std::filesystem::exists(*box_ / "data/moorfrost/library.db"));
    }

    // Nothing can be kept of how the window is; the library is elsewhere, and works.
    void aHomeThatCannotBeWritten() {
        const QString shot = text(*box_ / "shot.png");
        const QString said =
            run({"--library", text(*box_ / "library.db"), "--settings", "/proc/settings", "--shot", shot},
                {{"HOME", "/proc"},
                 {"XDG_DATA_HOME", "/proc/data"},
                 {"XDG_CACHE_HOME", "/proc/cache"},
                 {"XDG_STATE_HOME", "/proc/state"},
                 {"XDG_CONFIG_HOME", "/proc/config"}});
        QVERIFY2(code_ == 0, qPrintable(said));
        QVERIFY(!QImage(shot).isNull());
    }

    void theThemeThatWasChosen() {
        const QString shot = text(*box_ / "shot.png");
        for (const auto& [theme, dark] : {std::pair("dark", true), std::pair("light", false)}) {
            std::filesystem::create_directories(*box_ / "settings/moorfrost");
            test::writeBytes(*box_ / "settings/moorfrost/moorfrost.ini",
                             std::string("[General]\ntheme=") + theme + "\n");
            run({"--library", text(*box_ / "library.db"), "--shot", shot});
            QCOMPARE(QImage(shot).pixelColor(1270, 400).lightness() < 90, dark);
        }
    }

    void withoutAnyOfThem() {
        const QString shot = text(*box_ / "shot.png");
        run({"--shot", shot});
        QCOMPARE(code_, 0);
        QVERIFY(!QImage(shot).isNull());
        QVERIFY(std::filesystem::exists(*box_ / "data/moorfrost/library.db"));
    }

    void whatCannotBeIsSaid() {
        const QString said = run({"--library", text(*box_ / "library.db"), "--shot", "/nowhere/at/all.png"});
        QVERIFY2(said.contains("/nowhere/at/all.png cannot be written"), qPrintable(said));
        QVERIFY(run({"--no-such-option"}).contains("no-such-option"));
        QVERIFY(code_ != 0);
        QVERIFY(run({"--version"}).contains("0.1.0"));
        QCOMPARE(code_, 0);
        for (const char* option : {"--library", "--shelf", "--settings", "--theme", "--shot"})
            QVERIFY2(run({"--help"}).contains(option), option);
    }
};

QTEST_GUILESS_MAIN(TestStart)
#include "test_start.moc"
