// SPDX-License-Identifier: GPL-3.0-or-later
// What keeps a library and what lies beside it: open once, damage told and the copy offered, the snapshot of
// the search, covers on disk.
#include <QtTest>

#include <future>

#include <QBuffer>
#include <QDirIterator>
#include <QMessageBox>

#include "app/library/library_page.h"
#include "app/settings/settings_page.h"
#include "app/shell/main_window.h"
#include "app/shell/run_again.h"
#include "app/shell/single_instance.h"
#include "app/shell/text_utils.h"
#include "app/widgets/thumbnails.h"
#include "core/base/numbers.h"
#include "core/library/search/library_search.h"
#include "core/library/store/keeping.h"
#include "support/cover.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestKeeping : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    /// A page of one of its tables is filled with what means nothing.
    static void damage(const Path& file) {
        int64_t page = 0;
        {
            library::Database db(file);
            library::Statement root(db, "SELECT rootpage FROM sqlite_master WHERE name='fixity'");
            QVERIFY(root.step());
            page = root.integer(0);
        }
        std::string bytes = test::readBytes(file);
        for (size_t i = 0; i < 4096; ++i)
            bytes[static_cast<size_t>(page - 1) * 4096 + i] = static_cast<char>(i * 7 + 1);
        test::writeBytes(file, bytes);
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        makeSmallLibrary(box_->root());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
    }
    void cleanup() { d_.reset(); }

    void damageIsToldAndTheCopyOffered() {
        d_->controllers().care.check();
        d_->settle();
        const Path file = *box_ / "library.db";
        QVERIFY(library::keptCopy(file)); // a whole library: a copy was made
        d_.reset();
        damage(file);
        QString told;
        QTimer answer; // it may be told while the window comes up, where that takes a while
        connect(&answer, &QTimer::timeout, this, [&] {
            if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
                told = box->text() + " " + box->informativeText();
                for (QAbstractButton* b : box->buttons())
                    told += " [" + b->text() + "]";
                box->buttons().back()->click();
            }
        });
        answer.start(50);
        d_ = std::make_unique<Driver>(file);
        d_->controllers().care.check();
        QTRY_VERIFY_WITH_TIMEOUT(!told.isEmpty(), 20000);
        QVERIFY2(told.contains("damaged") && told.contains("whole copy") &&
                     told.contains("[Put back the copy]") && told.contains("[Make the library anew]"),
                 qPrintable(told));
        d_->settle();
        QCOMPARE(d_->window().library()->table()->model()->rowCount(), 6); // what can be read is still shown
    }

    // The window ends, the library is put back or made anew, and the window comes again and tells it.
    void whatIsChosenIsDoneAndTheWindowComesAgain_data() {
        QTest::addColumn<QString>("button");
        QTest::addColumn<QString>("told");
        QTest::newRow("put back") << "Put back the copy"
                                  << "The copy of the library was put back.";
        QTest::newRow("made anew") << "Make the library anew"
                                   << "The library was made anew.";
        QTest::newRow("goes on") << "Go on as it is"
                                 << "";
    }
    void whatIsChosenIsDoneAndTheWindowComesAgain() {
        QFETCH(QString, button);
        QFETCH(QString, told);
        d_->controllers().care.check();
        d_->settle();
        d_.reset();
        const Path file = *box_ / "library.db";
        damage(file);
        QVERIFY(!library::damageOf(file).empty());
        QStringList runs;
        const int code = runUntilEnded(file, [&](const std::optional<Trouble>& of) {
            runs << (of ? of->title : "first");
            if (of) { // it is whole, and all files are known
                Driver d(file);
                if (d.libraryFiles().size() != 6 || !library::damageOf(file).empty())
                    runs << "not whole";
                return 5;
            }
            QTimer answer;
            connect(&answer, &QTimer::timeout, this, [&] {
                if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget()))
                    for (QAbstractButton* b : box->buttons())
                        if (b->text() == button) {
                            if (told.isEmpty())
                                QTimer::singleShot(200, qApp, [] { QApplication::exit(5); });
                            b->click();
                        }
            });
            answer.start(50);
            // As the application does it, nothing waited for before the event loop runs: the damage may be
            // met and told while the window comes up.
            Controllers controllers(file);
            MainWindow window(controllers);
            window.show();
            controllers.care.check();
            return QApplication::exec();
        });
        QCOMPARE(code, 5);
        QCOMPARE(runs, told.isEmpty() ? QStringList{"first"} : QStringList({"first", told}));
    }

    void theShelvesAreReadAgain() {
        const Path shelf = d_->controllers().shelves.all().front().path;
        auto rows = [&] { return d_->window().library()->table()->model()->rowCount(); };
        QCOMPARE(rows(), 6);
        Path added = test::makeSound(shelf / "new", "late.flac");
        test::tag(added, {{"title", {"Northern Light"}}});
        Path changed = d_->libraryFiles().front().path;
        test::tag(changed, {{"title", {"Mended elsewhere"}}});
        auto buttons = d_->window().findChild<SettingsPage*>()->findChildren<QPushButton*>();
        auto read = std::find_if(buttons.begin(), buttons.end(),
                                 [](const QPushButton* b) { return b->text() == "Read again"; });
        QVERIFY(read != buttons.end());
        (*read)->click();
        d_->settle();
        QCOMPARE(rows(), 7);
        std::set<std::string> titles;
        for (const library::FileRecord& f : d_->libraryFiles())
            titles.insert(tags::firstValue(f.tags.fields, "title"));
        QVERIFY(titles.contains("Northern Light") && titles.contains("Mended elsewhere"));

        // A library made anew from one that is nothing any more, but for its shelf, reads it by itself.
        d_.reset();
        const Path file = *box_ / "library.db";
        {
            auto store = std::move(*library::Store::open(file));
            store->database().execute("DELETE FROM file");
        }
        QVERIFY(library::makeAnew(file));
        d_ = std::make_unique<Driver>(file);
        d_->settle();
        QCOMPARE(rows(), 7);
        QVERIFY(
            !d_->controllers().settings.get(library::settings::readShelves)); // not again at the next start

        // And where not even the shelves are known, it asks for them, and reads what is added.
        d_.reset();
        std::filesystem::remove(file.native() + ".copy");
        test::writeBytes(file, "This was a library once.");
        QVERIFY(library::makeAnew(file));
        d_ = std::make_unique<Driver>(file);
        d_->settle();
        QCOMPARE(rows(), 0);
        auto labels = d_->window().findChildren<QLabel*>();
        QVERIFY(std::any_of(labels.begin(), labels.end(), [](const QLabel* l) {
            return l->isVisibleTo(l->window()) && l->text().contains("Add them in Settings");
        }));
        d_->addShelf(shelf);
        d_->settle();
        QCOMPARE(rows(), 7);
    }

    void oneLibraryIsOpenOnce() {
        Path library = *box_ / "library.db";
        auto first = std::make_unique<SingleInstance>(library);
        QVERIFY(first->isFirst());
        std::vector<Path> asked;
        int times = 0;
        connect(first.get(), &SingleInstance::anotherStarted, this, [&](const std::vector<Path>& folders) {
            asked = folders;
            ++times;
        });
        // Another way of naming the same file, from another process: it waits for the answer.
        SingleInstance second(*box_ / "archive/../library.db");
        QVERIFY(!second.isFirst());
        auto handed = std::async(std::launch::async, [&] {
            SingleInstance third(library);
            return third.handOver({"/in/old \xFFname", "/in/b"});
        });
        QTRY_COMPARE(times, 1);
        QVERIFY(handed.get());
        QCOMPARE(asked, (std::vector<Path>{"/in/old \xFFname", "/in/b"}));
        SingleInstance other(*box_ / "other.db");
        QVERIFY(other.isFirst());
        // When it ends, the next one is the first.
        first.reset();
        QVERIFY(SingleInstance(library).isFirst());
        // One that was killed holds nobody up.
        test::writeBytes(Path(library.native() + ".lock"),
                         "999999\nmoorfrost\n" + ss(QSysInfo::machineHostName()) + "\n");
        QVERIFY(SingleInstance(library).isFirst());
    }

    void theSnapshotIsUsedAndKeptTrue() {
        Path snapshot = library::snapshotOf(*box_ / "library.db");
        QVERIFY(std::filesystem::exists(snapshot));
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        auto written = std::filesystem::last_write_time(snapshot);
        QCOMPARE(library::searchOf(*store).searcher->count(), size_t{6});
        QVERIFY(std::filesystem::last_write_time(snapshot) == written); // only mapped
        store->files().forget(store->files().all().front().id);
        QCOMPARE(library::searchOf(*store).searcher->count(), size_t{5});
        // Damaged: made anew.
        test::writeBytes(snapshot, "nonsense");
        QCOMPARE(library::searchOf(*store).searcher->count(), size_t{5});
        QVERIFY(std::filesystem::file_size(snapshot) > 1000);
        // A shelf that is given up takes its files out of the library.
        store->shelves().remove(store->shelves().all().front().id);
        QCOMPARE(library::searchOf(*store).searcher->count(), size_t{0});
    }

    void coversAreKeptOnDisk() {
        Path file = test::makeSound(*box_ / "archive", "cover.flac");
        test::addCover(file, QColor(30, 90, 120));
        auto state = *files::stateOf(file);
        QDir(thumbnails::folder()).removeRecursively();
        QImage first = thumbnails::of(file, state, 100);
        QCOMPARE(first.size(), QSize(100, 100));
        auto kept = [] {
            int n = 0;
            for (QDirIterator it(thumbnails::folder(), QDir::Files, QDirIterator::Subdirectories);
                 it.hasNext(); it.next())
                ++n;
            return n;
        };
        QCOMPARE(kept(), 1);
        std::filesystem::remove(file); // from the disk cache alone
        QImage again = thumbnails::of(file, state, 60);
        QCOMPARE(again.size(), QSize(60, 60));
        QVERIFY(qAbs(qBlue(again.pixel(30, 30)) - 120) < 12);
        QVERIFY(thumbnails::of(file, {state.size, state.modifiedNs + 1}, 60).isNull()); // another file
        thumbnails::prune(1 << 20);
        QCOMPARE(kept(), 1);
        thumbnails::prune(0);
        QCOMPARE(kept(), 0);
    }
};

QTEST_MAIN(TestKeeping)
#include "test_keeping.moc"
