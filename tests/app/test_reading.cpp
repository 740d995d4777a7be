// SPDX-License-Identifier: GPL-3.0-or-later
// What an archivist sees of reading: odd and hostile files, text in another encoding, checks of files.
#include <QtTest>

#include <QComboBox>
#include <QLabel>
#include <QProcess>
#include <QProgressBar>

#include <sys/stat.h>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/shell/main_window.h"
#include "app/shell/text_utils.h"
#include "app/widgets/file_details.h"
#include "core/audio/essence.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {

/// A tag that claims Latin-1 but holds Windows-1251, in front of an MP3.
std::string mojibakeTag() {
    std::string title = "\xD2\xF3\xEC\xE0\xED", artist = "\xD5\xEE\xF0 \xCC\xE0\xFF\xEA\xE0", body;
    for (const auto& [id, text] : {std::pair("TIT2", title), std::pair("TPE1", artist)})
        body += std::string(id) + std::string(3, '\0') + static_cast<char>(text.size() + 1) +
                std::string(3, '\0') + text;
    return std::string("ID3\x03\0\0\0\0\0", 9) + static_cast<char>(body.size()) + body;
}

} // namespace

class TestReading : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void fiveHundredBrokenFilesAndTheInterfaceGoesOn() {
        test::Sandbox box;
        test::copyOf(test::sharedCorpus() / "broken", box / "broken");
        ::mkfifo((box / "broken/pipe.mp3").c_str(), 0600);
        test::writeBytes(box / "broken/line\nbreak.mp3", "no sound");
        Driver d(box / "library.db");
        int turns = 0;
        QTimer heart;
        connect(&heart, &QTimer::timeout, this, [&] { ++turns; });
        d.controllers().bringIn.start({box / "broken"}, true);
        QTRY_VERIFY(!d.controllers().jobs.isIdle());
        heart.start(0);
        int whileReading = 0;
        while (!d.controllers().jobs.isIdle()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 2);
            whileReading = turns;
        }
        heart.stop();
        QVERIFY2(whileReading > 20, qPrintable(QString::number(whileReading)));
        d.settle();
        auto files = d.controllers().sleeves.files();
        QCOMPARE(files.size(), size_t{502});
        for (FileId id : files) {
            FilePtr f = d.controllers().files.file(id);
            QVERIFY2(f->readable() ? !f->tags.facts.codec.empty() || f->tags.damaged : !f->error.empty(),
                     f->path.c_str());
        }
        // Every one has its row.
        int rows = 0;
        const FolderModel* model = d.window().bench()->bringIn()->model();
        for (int f = 0; f < model->rowCount(); ++f)
            rows += model->rowCount(model->index(f, 0));
        QCOMPARE(rows, 502);
    }

    void whatIsCutOffGoesOnAfterARestart() {
        test::Sandbox box;
        std::filesystem::create_directories(box / "shelf");
        for (int i = 0; i < 300; ++i) {
            test::makeSound(box / "in", std::to_string(i) + ".ogg");
            std::filesystem::copy_file(box / ("in/" + std::to_string(i) + ".ogg"),
                                       box / ("shelf/" + std::to_string(i) + ".ogg"));
        }
        int64_t batch = 0;
        {
            Controllers first(box / "library.db"); // it ends while both are read
            QTRY_VERIFY(first.isLoaded() && first.isQuiet());
            first.shelves.add("Archive", box / "shelf");
            first.batch.create("Cut off");
            QTRY_VERIFY(!first.shelves.all().empty() && first.batch.id() != 0);
            batch = first.batch.id();
            first.bringIn.start({box / "in"}, true); // nothing of it can arrive before the end
            first.shelves.read(first.shelves.all());
        }
        {
            auto store = std::move(*library::Store::open(box / "library.db"));
            QCOMPARE(store->lasting().all().size(), size_t{2});
        }
        Driver d(box / "library.db");
        d.settle();
        QCOMPARE(d.controllers().batch.id(), batch);
        QCOMPARE(d.controllers().sleeves.files().size(), size_t{300});
        QCOMPARE(d.libraryFiles().size(), size_t{300});
        auto store = std::move(*library::Store::open(box / "library.db"));
        QVERIFY(store->lasting().all().empty());
        // For a batch that is gone there is nothing to go on with.
        store->lasting().add({17, "bring in", "4711\nyes\n\n" + text::hex((box / "in").native())});
        {
            Controllers again(box / "library.db");
            QStringList said;
            connect(&again.messages, &Messages::said, this, [&](const QString& s) { said << s; });
            QTRY_VERIFY(again.isLoaded() && again.isQuiet());
            QVERIFY2(said.isEmpty(), qPrintable(said.join("\n")));
        }
        QVERIFY(store->lasting().all().empty());
        // What a person stops is not gone on with.
        test::makeSound(box / "more", "x.ogg");
        d.controllers().bringIn.start({box / "more"}, true);
        d.controllers().jobs.stopAll();
        d.settle();
        QVERIFY(store->lasting().all().empty());
    }

    void textInAnotherEncodingBecomesADraftAndIsWritten() {
        test::Sandbox box;
        Path file = test::makeSound(box / "in", "a.mp3");
        test::writeBytes(file, mojibakeTag() + test::readBytes(file));
        test::tag(test::makeSound(box / "in", "b.flac"), {{"title", {"Åse-Linn Brække"}}});
        Driver d(box / "library.db");
        d.controllers().batch.create("b");
        d.settle();
        d.bringIn({box / "in"});
        BringInPage* page = d.window().bench()->bringIn();
        QModelIndex row = d.bringInRow("a.mp3");
        QVERIFY(row.siblingAtColumn(4).data().toString().contains("Windows-1251"));
        page->tree()->setCurrentIndex(row);
        QVERIFY2(page->details()->text().contains(QString::fromUtf8("Хор Маяка")),
                 qPrintable(page->details()->text()));
        QVERIFY(page->details()->mendButton()->isVisibleTo(page));
        MendTextDialog dialog({d.controllers().files, d.controllers().drafts},
                              d.controllers().sleeves.files());
        QCOMPARE(dialog.results()->topLevelItemCount(), 2); // title and artist of the one file
        dialog.results()->topLevelItem(0)->setCheckState(0, Qt::Checked);
        QTest::mouseClick(dialog.takeButton(), Qt::LeftButton);
        d.settle();
        FileId id = 0;
        for (FileId f : d.controllers().sleeves.files())
            if (d.controllers().files.file(f)->path == file)
                id = f;
        QCOMPARE(d.controllers().drafts.shownValues(id, "artist"), std::vector<std::string>{"Хор Маяка"});
        QVERIFY(test::readBytes(file).find("\xD2\xF3\xEC\xE0\xED") != std::string::npos); // only a draft
        d.controllers().writing.write();
        d.settle();
        QCOMPARE(test::secondReader(file)["title"], std::vector<std::string>{"Туман"});
        d.settle();
        QVERIFY(!d.bringInRow("a.mp3").siblingAtColumn(4).data().toString().contains("Windows-1251"));
    }

    void anEncodingCanBeChosen() {
        test::Sandbox box;
        test::tag(test::makeSound(box / "in", "a.flac"), {{"title", {"\xC3\x82\xC3\xA5\xC3\xB2"}}}); // "Âåò"
        Driver d(box / "library.db");
        d.controllers().batch.create("b");
        d.settle();
        d.bringIn({box / "in"});
        MendTextDialog dialog({d.controllers().files, d.controllers().drafts},
                              d.controllers().sleeves.files());
        auto* choice = dialog.findChild<QComboBox*>();
        choice->setCurrentText("Windows-1251");
        QCOMPARE(dialog.results()->topLevelItemCount(), 1);
        QCOMPARE(dialog.results()->topLevelItem(0)->text(3), QString::fromUtf8("Вет"));
        choice->setCurrentText("Shift-JIS");
        choice->setCurrentText("UTF-8");
        QCOMPARE(dialog.results()->topLevelItemCount(), 0);
        QVERIFY(!dialog.takeButton()->isEnabled());
    }

    void detailsTellWhatTheRecorderWrote() {
        test::Sandbox box;
        Path file = test::makeSound(box / "in", "pier.wav");
        std::string bext(602, '\0');
        bext.replace(0, 16, "Night Post, pier").replace(256, 14, "Tarnholm Sound");
        test::writeBytes(file, test::readBytes(file) + std::string("bext\x5A\x02\0\0", 8) + bext);
        Driver d(box / "library.db");
        d.controllers().batch.create("b");
        d.settle();
        d.bringIn({box / "in"});
        BringInPage* page = d.window().bench()->bringIn();
        page->tree()->setCurrentIndex(d.bringInRow("pier.wav"));
        QString told = page->details()->text();
        QVERIFY2(told.contains("Written by the recorder") && told.contains("Night Post, pier") &&
                     told.contains("Tarnholm Sound"),
                 qPrintable(told));
    }

    void detailsTellWhereTagsDiffer() {
        test::Sandbox box;
        Path file = test::makeSound(box / "in", "a.mp3");
        test::tag(file, {{"title", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}});
        std::string old =
            "TAG" + std::string("Salt Raod").append(21, '\0') + std::string("Isla Varnholt").append(17, '\0');
        test::writeBytes(file, test::readBytes(file) + old + std::string(128 - old.size(), '\0'));
        Driver d(box / "library.db");
        d.controllers().batch.create("b");
        d.settle();
        d.bringIn({box / "in"});
        BringInPage* page = d.window().bench()->bringIn();
        QModelIndex row = d.bringInRow("a.mp3");
        QVERIFY(row.siblingAtColumn(4).data().toString().contains("differ"));
        page->tree()->setCurrentIndex(row);
        QVERIFY2(page->details()->text().contains("ID3v1 tag: \u201CSalt Raod\u201D"),
                 qPrintable(page->details()->text()));
        QVERIFY(page->details()->text().contains("ID3v2.4, ID3v1"));
        // Writing brings them in step, and then nothing is left to tell.
        FileId id = d.controllers().sleeves.files().front();
        d.controllers().drafts.session().propose("Edit", {{id, "title", {"Salt Road, remastered"}}}, "typed");
        d.controllers().writing.write();
        d.settle();
        QVERIFY(!page->details()->text().contains("Salt Raod"));
    }

    void unchangedFilesAreNotReadAgain() {
        test::Sandbox box;
        Path a = test::makeSound(box / "in", "a.flac");
        test::tag(a, {{"title", {"One"}}});
        test::tag(test::makeSound(box / "in", "b.flac"), {{"title", {"Two"}}});
        Driver d(box / "library.db");
        d.controllers().batch.create("first");
        d.settle();
        d.bringIn({box / "in"});
        d.controllers().batch.create("second");
        d.settle();
        QVERIFY(d.controllers().sleeves.files().empty());
        test::tag(a, {{"title", {"One, changed"}}});
        QStringList said;
        connect(&d.controllers().messages, &Messages::said, this, [&](const QString& s) { said << s; });
        d.bringIn({box / "in"});
        QCOMPARE(d.controllers().sleeves.files().size(), size_t{2});
        QVERIFY2(said.join(" ").contains("1 file") && said.join(" ").contains("not read again"),
                 qPrintable(said.join(" ")));
        std::set<std::string> titles;
        for (FileId id : d.controllers().sleeves.files())
            titles.insert(tags::firstValue(d.controllers().files.file(id)->tags.fields, "title"));
        QCOMPARE(titles, (std::set<std::string>{"One, changed", "Two"}));
    }

    void checkingFiles() {
        test::Sandbox box;
        for (int i = 0; i < 6; ++i)
            test::makeSound(box / "in", std::to_string(i) + ".flac", static_cast<uint32_t>(i));
        Driver d(box / "library.db");
        d.controllers().batch.create("b");
        d.settle();
        d.bringIn({box / "in"});
        CheckFilesDialog dialog({d.controllers().messages, d.controllers().jobs, d.controllers().library},
                                d.controllers().files.pathsOf(d.controllers().sleeves.files()), "the files");
        auto check = [&](CheckFilesDialog::Kind kind, const Path& list = {}, const Path& folder = {}) {
            dialog.choose(kind);
            dialog.start(list, folder);
            d.settle();
            QTRY_VERIFY(!dialog.isRunning());
        };
        check(CheckFilesDialog::Fixity);
        QCOMPARE(dialog.summary()->text(), QString("6 new."));
        QTest::mouseClick(dialog.startButton(), Qt::LeftButton);
        QTRY_VERIFY(!dialog.isRunning());
        QCOMPARE(dialog.summary()->text(), QString("6 same."));
        check(CheckFilesDialog::Decoding);
        QCOMPARE(dialog.summary()->text(), QString("6 fine."));
        check(CheckFilesDialog::WriteList, box / "in/sums.sha256", box / "in");
        QVERIFY(std::filesystem::exists(box / "in/sums.sha256"));

        // A bit of sound is lost, and a file.
        std::string bytes = test::readBytes(box / "in/0.flac");
        bytes[bytes.size() / 2] = static_cast<char>(bytes[bytes.size() / 2] ^ 4);
        test::writeBytes(box / "in/0.flac", bytes);
        std::filesystem::remove(box / "in/1.flac");
        for (auto kind :
             {CheckFilesDialog::Fixity, CheckFilesDialog::Decoding, CheckFilesDialog::CheckList}) {
            check(kind, box / "in/sums.sha256");
            QVERIFY2(dialog.summary()->text().contains(kind == CheckFilesDialog::Decoding ? "1 damaged"
                                                                                          : "1 changed") &&
                         dialog.summary()->text().contains("1 missing"),
                     qPrintable(dialog.summary()->text()));
            QStringList top{dialog.results()->topLevelItem(0)->text(1),
                            dialog.results()->topLevelItem(1)->text(1)};
            top.sort();
            QCOMPARE(top, QStringList({"0.flac", "1.flac"})); // troubles first
        }
        for (const char* name : {"report.csv", "report.html"}) {
            dialog.saveReport(box / name);
            d.settle();
            std::string report = test::readBytes(box / name);
            QVERIFY2(report.find("0.flac") != std::string::npos &&
                         report.find("missing") != std::string::npos,
                     name);
        }
        QVERIFY(test::readBytes(box / "report.html").find("<table>") != std::string::npos);
        // Never over a recording.
        std::string before = test::readBytes(box / "in/2.flac");
        dialog.saveReport(box / "in/2.flac");
        d.settle();
        QVERIFY(test::readBytes(box / "in/2.flac") == before);
    }

    void aCheckCanBeStopped() {
        test::Sandbox box;
        test::makeSound(box / "in", "a.flac");
        // A file of holes that takes far longer to read through than a person needs for a click.
        test::writeBytes(box / "in/long.bin", "");
        std::filesystem::resize_file(box / "in/long.bin", uint64_t{200} << 30);
        Driver d(box / "library.db");
        CheckFilesDialog dialog({d.controllers().messages, d.controllers().jobs, d.controllers().library}, {},
                                "no files");
        dialog.choose(CheckFilesDialog::WriteList);
        dialog.start(box / "in/sums.sha256", box / "in");
        QTRY_VERIFY(dialog.results()->topLevelItemCount() == 1);
        QVERIFY(dialog.isRunning());
        QTest::mouseClick(dialog.stopButton(), Qt::LeftButton);
        QTRY_VERIFY(!dialog.isRunning());
        QVERIFY(dialog.summary()->text().startsWith("Stopped."));
        QVERIFY(!std::filesystem::exists(box / "in/sums.sha256"));
    }
};

QTEST_MAIN(TestReading)
#include "test_reading.moc"
