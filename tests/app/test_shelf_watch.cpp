// SPDX-License-Identifier: GPL-3.0-or-later
// The library follows what others do on its shelves while it is open.
#include <QtTest>

#include <QLabel>
#include <QPushButton>

#include "app/control/shelf_watch.h"
#include "app/settings/settings_page.h"
#include "support/library_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;
namespace fs = std::filesystem;

class TestShelfWatch : public QObject, public LibraryDesk {
    Q_OBJECT

    Path shelf() { return d_->controllers().shelves.all().front().path; }
    Path pathOf(const QString& title) {
        for (const library::FileRecord& f : d_->libraryFiles())
            if (QString::fromStdString(tags::firstValue(f.tags.fields, "title")) == title)
                return f.path;
        return {};
    }
    bool comesTo(const std::function<bool()>& what) {
        return QTest::qWaitFor(
            [&] {
                d_->settle();
                return what();
            },
            15000);
    }

private slots:
    void initTestCase() {
        Driver::prepareApplication("light");
        ShelfWatch::watches = true;
        ShelfWatch::options.quiet = std::chrono::milliseconds(150);
        ShelfWatch::options.roots = std::chrono::milliseconds(300);
    }
    void init() {
        ShelfWatch::options.mostFolders = SIZE_MAX;
        open();
        QTest::qWait(300); // it watches
    }
    void cleanup() { close(); }

    void aFileThatComesAndGoes() {
        QVERIFY(d_->controllers().shelfWatch.isWatching());
        const auto before = titles().size();
        const Path from = pathOf("Gorse"), to = shelf() / "copied by others.flac";
        test::makeSound(shelf(), "copied by others.flac", 77);
        test::tag(to, {{"title", {"From elsewhere"}}});
        QVERIFY(comesTo([&] { return titles().contains("From elsewhere"); }));
        QCOMPARE(titles().size(), before + 1);
        fs::remove(from);
        QVERIFY(comesTo([&] { return d_->window().message().contains("absent"); }));
        type("is:absent");
        QCOMPARE(titles(), QStringList{"Gorse"});
        type("");
        // Retagged by others.
        test::tag(to, {{"title", {"Told otherwise"}}});
        QVERIFY(comesTo([&] { return titles().contains("Told otherwise"); }));
        QVERIFY(!titles().contains("From elsewhere"));
    }

    void aRenamedFolderKeepsWhatWasGiven() {
        const Path folder = shelf() / "one album";
        fs::create_directories(folder);
        const Path gorse = pathOf("Gorse");
        fs::rename(gorse, folder / gorse.filename()); // which is followed, too
        QVERIFY(comesTo([&] { return pathOf("Gorse").parent_path() == folder; }));
        FileId id = 0;
        for (const library::FileRecord& f : d_->libraryFiles())
            if (f.path == pathOf("Gorse"))
                id = f.id;
        d_->controllers().recordings.rate({id}, 5);
        d_->settle();
        const Path to = folder.parent_path() / "renamed by others";
        fs::rename(folder, to);
        QVERIFY(comesTo([&] { return pathOf("Gorse").parent_path() == to; }));
        QVERIFY2(d_->window().message().contains("followed"), qPrintable(d_->window().message()));
        type("rating:5");
        QCOMPARE(titles(), QStringList{"Gorse"});
    }

    void whatWasChangedWhileItWasClosed() {
        const Path gorse = pathOf("Gorse"), to = gorse.parent_path() / "elsewhere";
        close();
        std::filesystem::create_directories(to);
        fs::rename(gorse, to / gorse.filename());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QVERIFY(comesTo([&] { return pathOf("Gorse") == to / gorse.filename(); }));
    }

    void whatIsWrittenHereIsNoNews() {
        FileId id = 0;
        for (const library::FileRecord& f : d_->libraryFiles())
            if (f.path == pathOf("Gorse"))
                id = f.id;
        d_->takeUp(id);
        QSignalSpy said(&d_->controllers().messages, &Messages::said);
        d_->controllers().drafts.session().propose("Edit", {{id, "genre", {"Chamber"}}}, "typed");
        d_->controllers().writing.write();
        d_->settle();
        QTest::qWait(800);
        d_->settle();
        for (const QList<QVariant>& s : said)
            QVERIFY2(!s[0].toString().contains("others"), qPrintable(s[0].toString()));
    }

    void aDraftStaysWhereTheFileIsChanged() {
        const Path path = pathOf("Gorse");
        FileId id = 0;
        for (const library::FileRecord& f : d_->libraryFiles())
            if (f.path == path)
                id = f.id;
        d_->takeUp(id);
        d_->controllers().drafts.session().propose("Edit", {{id, "genre", {"Folk rock"}}}, "typed");
        d_->settle();
        test::tag(path, {{"genre", {"Something else"}}});
        QVERIFY(comesTo([&] {
            const FilePtr f = d_->controllers().files.file(id);
            return f && tags::firstValue(f->tags.fields, "genre") == "Something else";
        }));
        QCOMPARE(d_->controllers().drafts.session().find(id, "genre")->values,
                 std::vector<std::string>{"Folk rock"});
    }

    void aShelfThatIsUnmountedIsSaid() {
        const Path root = shelf();
        const auto count = titles().size();
        fs::rename(root, *box_ / "away");
        QVERIFY(comesTo([&] { return !d_->controllers().shelves.notThere().empty(); }));
        QVERIFY(d_->window().message().contains("mounted"));
        type("is:absent");
        QCOMPARE(titles().size(), 0);
        type("");
        d_->window().showWorkspace(MainWindow::Settings);
        bool told = false;
        for (QLabel* l : d_->window().settings()->findChildren<QLabel*>())
            told = told || l->text().contains("not there");
        QVERIFY(told);
        fs::rename(*box_ / "away", root);
        QVERIFY(comesTo([&] { return d_->controllers().shelves.notThere().empty(); }));
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
        QCOMPARE(titles().size(), count);
    }

    void theLimitIsSaidAndAllIsLookedThrough() {
        close();
        ShelfWatch::options.mostFolders = 0;
        open();
        QVERIFY(comesTo([&] { return d_->window().message().contains("every ten minutes"); }));
        QVERIFY(!d_->controllers().shelfWatch.isWatching());
    }
};

QTEST_MAIN(TestShelfWatch)
#include "test_shelf_watch.moc"
