// SPDX-License-Identifier: GPL-3.0-or-later
// What happens in the window when the library itself fails: a full disk, a damaged file, another program that
// changes it, one that cannot be opened. A sentence, nothing lost, nothing hangs.
#include <QMessageBox>
#include <QRegularExpression>
#include <QTreeWidget>
#include <QtTest>

#include <fstream>

#include "app/bench/bring_in_page.h"
#include "app/library/check_files_dialog.h"
#include "app/shell/library_trouble_bar.h"
#include "core/library/store/keeping.h"
#include "support/needs_root.h"
#include "support/small_batch.h"
#include "support/small_disk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestLibraryTrouble : public QObject, SmallBatch {
    Q_OBJECT

    /// Everything but the first page, in which the library says what it is, becomes senseless.
    static void damage(const Path& file) {
        std::string bytes = test::readBytes(file);
        for (size_t i = 4096; i < bytes.size(); ++i)
            bytes[i] = static_cast<char>(i * 31 + 7);
        test::writeBytes(file, bytes);
    }
    /// What is said while `f` runs and until all is at rest; a question about damage is put aside.
    QStringList saidBy(const std::function<void()>& f) {
        QStringList out;
        auto listening =
            connect(&s().messages, &Messages::said, this, [&](const QString& sentence, bool trouble) {
                if (trouble)
                    out << sentence;
            });
        QTimer answer;
        connect(&answer, &QTimer::timeout, this, [] {
            if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget()))
                box->buttons().back()->click();
        });
        answer.start(30);
        f();
        d_->settle();
        disconnect(listening);
        return out;
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { begin(); }
    void cleanup() { end(); }

    void aFullDiskKeepsWhatIsDone() {
        NEEDS_ROOT;
        test::SmallDisk disk(*box_ / "disk", "size=3m");
        QVERIFY(disk.isThere());
        test::makeSound(*box_ / "in", "a.flac");
        test::makeSound(*box_ / "in", "b.flac", 2);
        d_ = std::make_unique<Driver>(*box_ / "disk/library.db");
        QCOMPARE(w().workspace(),
                 MainWindow::Bench); // nothing was interrupted, though there is no room for a log
        d_->bringIn({*box_ / "in"});
        const FileId a = d_->fileNamed("a.flac");
        const Path filler = *box_ / "disk/filler";
        {
            std::ofstream out(filler, std::ios::binary);
            const std::string block(4096, 'x');
            while (out.write(block.data(), 4096).flush()) {
            }
        }
        QVERIFY(!w().libraryTrouble()->isVisible());
        s().drafts.session().propose("Edit", {{a, "comment", {std::string(60'000, 'c')}}}, "typed");
        s().drafts.session().propose("Edit", {{a, "title", {"Typed on a full disk"}}}, "typed");
        QTRY_VERIFY(w().libraryTrouble()->isVisible());
        d_->settle();
        QVERIFY2(w().libraryTrouble()->text().contains("full"), qPrintable(w().libraryTrouble()->text()));
        // The two drafts; what the program notes of itself (the counts of a new day) may wait with them.
        const QRegularExpression waiting("([0-9]+) changes");
        QVERIFY2(waiting.match(w().libraryTrouble()->text()).captured(1).toInt() >= 2,
                 qPrintable(w().libraryTrouble()->text()));
        // Nothing that was typed goes, whatever is looked at meanwhile.
        s().catchUp();
        d_->settle();
        s().batch.choose(s().batch.id());
        d_->settle();
        QCOMPARE(s().drafts.session().effective(a, "title"),
                 std::vector<std::string>{"Typed on a full disk"});
        // Closing the window asks.
        bool asked = false;
        QTimer::singleShot(100, this, [&] {
            auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            asked = box && waiting.match(box->text()).captured(1).toInt() >= 2;
            if (box)
                box->defaultButton()->click();
        });
        QVERIFY(!w().close());
        QVERIFY(asked);
        std::filesystem::remove(filler);
        w().libraryTrouble()->retryButton()->click();
        QTRY_VERIFY(!w().libraryTrouble()->isVisible());
        d_->settle();
        auto store = std::move(*library::Store::open(*box_ / "disk/library.db"));
        QCOMPARE(store->drafts().all().size(), size_t{2});
        d_.reset(); // before its disk
    }

    void aJobOnADamagedLibraryEndsWithASentence_data() {
        QTest::addColumn<int>("job");
        int n = 0;
        for (const char* job :
             {"reading shelves", "bringing in", "indexing", "same sound elsewhere", "writing", "taking back",
              "checking fixity", "reading again", "the peaks", "choosing a batch", "the journal"})
            QTest::newRow(job) << n++;
    }
    void aJobOnADamagedLibraryEndsWithASentence() {
        QFETCH(int, job);
        makeBatch();
        s().drafts.session().propose("Edit", {{d_->fileNamed("a1.flac"), "title", {"x"}}}, "typed");
        d_->settle();
        const std::vector<FileId> files = s().sleeves.files();
        const int64_t batch = s().batch.id();
        const FileId drafted = d_->fileNamed("a1.flac");
        damage(*box_ / "library.db");
        std::filesystem::remove(*box_ / "library.db-wal");
        std::unique_ptr<CheckFilesDialog> dialog;
        QString inDialog;
        QStringList said = saidBy([&] {
            switch (job) {
            case 0:
                s().shelves.read(s().shelves.all());
                break;
            case 1:
                s().bringIn.start({*box_ / "in"}, true);
                break;
            case 2:
                s().index.refresh();
                break;
            case 3:
                test::makeSound(*box_ / "in", "again.flac");
                s().duplicates.look();
                s().bringIn.start({*box_ / "in"}, true);
                break;
            case 4:
                s().writing.write();
                break;
            case 5:
                s().writing.takeBack(1, std::nullopt);
                break;
            case 6:
                dialog = std::make_unique<CheckFilesDialog>(
                    CheckFilesDialog::Uses{s().messages, s().jobs, s().library}, s().files.pathsOf(files),
                    "the files");
                dialog->choose(CheckFilesDialog::Fixity);
                dialog->start();
                QTRY_VERIFY(!dialog->isRunning());
                inDialog = dialog->summary()->text();
                break;
            case 7:
                s().writing.readAgain({files.front()});
                break;
            case 8:
                s().peaks.read(this, s().files.file(files.front()), [](const auto&) {});
                break;
            case 9:
                s().batch.create("Another");
                s().batch.choose(batch + 1);
                break;
            default:
                s().journal.refresh();
            }
        });
        if (w().libraryTrouble()->isVisible())
            said << w().libraryTrouble()->text();
        const QString all = said.join("\n") + inDialog;
        if (job < 8) // what else is read may be in memory still
            QVERIFY2(all.contains("amaged") || all.contains("opened") || all.contains("fails"),
                     qPrintable(all));
        // The window goes on, and what was typed is there.
        QVERIFY(s().jobs.isIdle());
        QCOMPARE(s().drafts.session().effective(drafted, "title"), std::vector<std::string>{"x"});
    }

    void aLibraryThatCannotBeOpenedIsSaid() {
        test::writeBytes(*box_ / "library.db", std::string(5000, 'q'));
        QStringList said;
        auto controllers = std::make_unique<Controllers>(*box_ / "library.db");
        connect(&controllers->messages, &Messages::said, this, [&](const QString& s) { said << s; });
        bool damaged = false;
        connect(&controllers->care, &LibraryCare::damaged, this, [&] { damaged = true; });
        QTRY_VERIFY(controllers->isQuiet() && !said.isEmpty());
        QVERIFY2(said.join("\n").contains("cannot be opened"), qPrintable(said.join("\n")));
        QTRY_VERIFY(damaged); // and what can be done is offered
        controllers.reset();  // it ends, and at once
        QCOMPARE(test::readBytes(*box_ / "library.db"), std::string(5000, 'q'));
    }

    void aLibraryOnAReadOnlyDiskIsSaid() {
        NEEDS_ROOT;
        test::SmallDisk disk(*box_ / "disk", "size=4m");
        QVERIFY(disk.isThere());
        QVERIFY(library::Store::open(*box_ / "disk/library.db"));
        QVERIFY(disk.makeReadOnly());
        QStringList said;
        Controllers controllers(*box_ / "disk/library.db");
        connect(&controllers.messages, &Messages::said, this, [&](const QString& s) { said << s; });
        QTRY_VERIFY(controllers.isLoaded() && controllers.isQuiet());
        QVERIFY2(said.join("\n").contains("cannot be opened"), qPrintable(said.join("\n")));
        // Nothing hangs: what is asked for is answered, with a sentence.
        said.clear();
        test::makeSound(*box_ / "in", "a.flac");
        controllers.bringIn.start({*box_ / "in"}, true);
        controllers.shelves.add("Archive", *box_ / "in");
        QTRY_VERIFY(controllers.isQuiet() && !said.isEmpty());
    }

    void whatAnotherProgramChangesIsTakenOver() {
        makeBatch();
        const FileId id = d_->fileNamed("a1.flac"), other = d_->fileNamed("b1.opus");
        s().drafts.session().propose("Edit", {{other, "title", {"Typed here"}}}, "typed");
        d_->settle();
        {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            test::tag(*box_ / "in/a1.flac", {{"title", {"Written elsewhere"}}});
            store->files().save(files::scanFile(*box_ / "in/a1.flac"));
            store->files().forget(d_->fileNamed("a2.mp3"));
        }
        // What is done here in between hides nothing of it.
        s().kinds.confirm({{other, matching::ContentKind::Speech}});
        d_->settle();
        QEvent activated(QEvent::WindowActivate);
        QApplication::sendEvent(&w(), &activated);
        d_->settle();
        QCOMPARE(s().drafts.session().effective(id, "title"), std::vector<std::string>{"Written elsewhere"});
        QCOMPARE(s().sleeves.files().size(), size_t{5});
        QCOMPARE(s().drafts.session().effective(other, "title"), std::vector<std::string>{"Typed here"});
    }

    /// As scripts/demo does it: each start names the shelf, which the library knows from the second on.
    void aKnownShelfAtTheStartLeavesReadinessKnown_data() {
        QTest::addColumn<bool>("shelved");
        QTest::addColumn<bool>("batch");
        QTest::newRow("an empty library") << false << false;
        QTest::newRow("a batch") << false << true;
        QTest::newRow("a batch and a shelf") << true << true;
    }
    void aKnownShelfAtTheStartLeavesReadinessKnown() {
        QFETCH(bool, shelved);
        QFETCH(bool, batch);
        const Path shelf = *box_ / "shelf";
        std::filesystem::create_directories(shelf);
        if (batch)
            test::makeSound(*box_ / "in", "a.flac");
        if (shelved)
            test::makeSound(shelf, "b.flac");
        for (int start = 0; start < 3; ++start) {
            Controllers controllers(*box_ / "library.db");
            MainWindow window(controllers);
            connect(&controllers, &Controllers::loaded, this, [&] {
                controllers.shelves.add("Archive", shelf);
                if (start == 0 && batch)
                    controllers.bringIn.start({*box_ / "in"}, true);
            });
            window.show();
            QTRY_VERIFY(controllers.isLoaded());
            QTRY_VERIFY(window.isAtRest());
            if (start == 0 && shelved)
                controllers.shelves.read(controllers.shelves.all());
            window.showWorkspace(MainWindow::Library);
            auto beingWorkedOut = [&] {
                for (auto* tree : window.findChildren<QTreeWidget*>())
                    for (int i = 0; i < tree->topLevelItemCount(); ++i)
                        for (int k = 0; k < tree->topLevelItem(i)->childCount(); ++k)
                            if (tree->topLevelItem(i)->child(k)->text(0).contains("being worked out"))
                                return true;
                return false;
            };
            QTRY_VERIFY(controllers.index.isMeasured());
            QTRY_VERIFY(window.isAtRest());
            QTRY_VERIFY2(!beingWorkedOut(), qPrintable(QString::number(start)));
        }
    }
};

QTEST_MAIN(TestLibraryTrouble)
#include "test_library_trouble.moc"
