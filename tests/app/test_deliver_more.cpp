// SPDX-License-Identifier: GPL-3.0-or-later
// Share pages, lists, devices and packages in the real window: put together, made, made again, and what comes
// back of them.
#include <fstream>
#include <set>

#include <QtTest>

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QRegularExpression>

#include "app/deliver/before_view.h"
#include "app/deliver/deliver_page.h"
#include "app/deliver/device_view.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/lists_view.h"
#include "app/deliver/one_sheet_view.h"
#include "app/deliver/package_view.h"
#include "app/deliver/page_preview.h"
#include "app/deliver/page_view.h"
#include "app/deliver/rows_in_view.h"
#include "app/shell/deliver_controllers.h"
#include "app/widgets/chip_editor.h"
#include "core/library/families/families.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestDeliverMore : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const char* title : {"Lanterns", "Lanterns (instrumental)", "Gorse"}) {
            const Path file = test::makeSound(*box_ / "shelf", std::string(title) + ".flac", ++seed);
            test::tag(file, {{"title", {title}},
                             {"artist", {"Kestrel & Rook"}},
                             {"album", {"Lanterns"}},
                             {"tempo", {"104"}}});
        }
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void aFamilyIsHandedToAListener() {
        driver_->controllers().recordings.keepFamilies(
            "Family",
            {{{fileOf("Lanterns"), "lead", ""}, {fileOf("Lanterns (instrumental)"), "instrumental", ""}}});
        driver_->settle();
        put({"Lanterns", "Gorse"}, DeliverWay::SharePage);
        auto* view = page()->view<PageView>();
        QVERIFY2(view->preview()->text().contains("Lanterns\n104 BPM\nInstrumental\nGorse"),
                 qPrintable(view->preview()->text()));
        QTest::keyClicks(view->title(), "Two songs");
        QTest::keyClicks(view->forWhom(), "Tarnholm Players");
        rest();
        QVERIFY(view->preview()->text().startsWith("Two songs\nKestrel & Rook\n2 tracks \u00B7 1 version"));
        // Made, and noted.
        Path made;
        out().pages.make(*box_ / "page", [&](const Path& page) { made = page; });
        rest();
        QCOMPARE(made, *box_ / "page" / "index.html");
        const std::string html = test::readBytes(made);
        QVERIFY(html.find("For Tarnholm Players") != std::string::npos &&
                html.find("<h1>Two songs</h1>") != std::string::npos);
        QVERIFY(std::filesystem::exists(*box_ / "page" / "sound" / "01 Lanterns (Instrumental).mp3"));
        QCOMPARE(out().deliveries.all().size(), size_t{1});
        // The comments that come back, as the page saves them.
        const std::string id = html.substr(html.find("data-page=\"") + 11, 32);
        test::writeBytes(*box_ / "notes.json",
                         "{\"share_page_notes\": 1, \"page\": \"" + id +
                             "\", \"who\": \"Producer\", \"notes\": [{\"track\": \"1.1\", \"at\": 1, "
                             "\"text\": \"the bell <b>\", \"rating\": 4}]}");
        out().pages.takeNotes(*box_ / "notes.json");
        rest();
        QVERIFY2(window().message().contains("Took in 1 comment"), qPrintable(window().message()));
        page()->show(DeliverWay::Before);
        rest();
        auto* before = page()->view<BeforeView>();
        QVERIFY(before->list()->topLevelItem(0)->text(4).contains("1 comment back"));
        QVERIFY2(before->box()->text().contains("the bell <b>") ||
                     before->box()->text().contains("the bell &lt;b&gt;"),
                 qPrintable(before->box()->text()));
        QTest::mouseClick(before->markButton(), Qt::LeftButton);
        rest();
        QCOMPARE(bookmarks("Lanterns (instrumental)"), QStringList({"1 Producer: the bell <b>"}));
        // The same file again is nothing new; another page's is refused.
        out().pages.takeNotes(*box_ / "notes.json");
        rest();
        QVERIFY(window().message().contains("here already"));
        test::writeBytes(
            *box_ / "notes.json",
            R"({"share_page_notes": 1, "page": "x", "notes": [{"track": "1", "at": 1, "text": "y"}]})");
        out().pages.takeNotes(*box_ / "notes.json");
        rest();
        QVERIFY(window().message().contains("not made from this library"));
        // Made again from there: for the same, by the same layout.
        QTest::mouseClick(before->repeatButton(), Qt::LeftButton);
        rest();
        QCOMPARE(page()->way(), DeliverWay::SharePage);
        QCOMPARE(view->forWhom()->text(), QString("Tarnholm Players"));
    }

    void layoutsOfPages() {
        put({"Lanterns"}, DeliverWay::SharePage);
        auto* view = page()->view<PageView>();
        QVERIFY(!out().pages.layouts().isChanged());
        QTest::mouseClick(view->stems(), Qt::LeftButton, {}, QPoint(6, view->stems()->height() / 2));
        QVERIFY(out().pages.layout().stems && out().pages.layouts().isChanged());
        view->takeChoice()->setCurrentIndex(0);
        emit view->takeChoice()->activated(0);
        QCOMPARE(out().pages.layout().take, std::string("nothing"));
        out().pages.layouts().keep("Ours");
        view->layouts()->handOn(*box_ / "layout.json");
        out().pages.layouts().choose("Only to listen");
        view->layouts()->takeIn(*box_ / "layout.json");
        QCOMPARE(out().pages.layouts().name(), std::string("Ours 2"));
        QVERIFY(out().pages.layout().stems);
        // Without a track nothing is made.
        out().delivering.setOf({});
        rest();
        QVERIFY(!view->makeButton()->isVisible());
    }

    void listsForPlayers() {
        put({"Gorse", "Lanterns"}, DeliverWay::Lists);
        auto* view = page()->view<ListsView>();
        QVERIFY2(view->preview()->toPlainText().startsWith("#EXTM3U"),
                 qPrintable(view->preview()->toPlainText()));
        choose(view->places(), 2);
        QTest::keyClicks(view->from(), QString::fromStdString((*box_ / "shelf").native()));
        QTest::keyClicks(view->to(), "M:\\music");
        QTest::keyClicks(view->title(), "For the ferry");
        rest();
        QVERIFY2(view->preview()->toPlainText().contains("M:\\music\\Gorse.flac"),
                 qPrintable(view->preview()->toPlainText()));
        choose(view->form(), 2);
        rest();
        QVERIFY(view->preview()->toPlainText().startsWith("TITLE \"For the ferry\"\n"));
        QVERIFY(view->preview()->toPlainText().contains(
            "FILE \"M:\\music\\Gorse.flac\" WAVE\n  TRACK 01 AUDIO\n    TITLE \"Gorse\""));
        // Kept by name, and found again.
        QVERIFY(out().lists.layouts().isChanged());
        out().lists.layouts().keep("To the ferry");
        out().lists.layouts().choose("XSPF");
        rest();
        QVERIFY(view->preview()->toPlainText().startsWith("<?xml"));
        QVERIFY(view->from()->text().isEmpty());
        choose(view->layouts()->choice(), view->layouts()->choice()->findText("To the ferry"));
        rest();
        QCOMPARE(view->form()->currentIndex(), 2);
        QCOMPARE(view->to()->text(), QString("M:\\music"));
        QCOMPARE(view->title()->text(), QString("For the ferry")); // it is of the tracks
        bool saved = false;
        out().lists.save(*box_ / "ferry.cue", [&](bool done) { saved = done; });
        rest();
        QVERIFY(saved && test::readBytes(*box_ / "ferry.cue").find("TRACK 02 AUDIO") != std::string::npos);
        QCOMPARE(out().deliveries.all().front().title, std::string("For the ferry"));
        QVERIFY(out().deliveries.all().front().layout.find("To the ferry") != std::string::npos);
        saved = false;
        out().lists.saveLibrary(*box_ / "all.jsonl", [&](bool done) { saved = done; });
        rest();
        const std::string all = test::readBytes(*box_ / "all.jsonl");
        QVERIFY(saved);
        QCOMPARE(std::ranges::count(all, '\n'), 3);
        QVERIFY(all.find("\"title\":\"Gorse\"") != std::string::npos);
    }

    void aSmallPlayerIsFilled() {
        put({"Gorse", "Lanterns"}, DeliverWay::Device);
        auto* view = page()->view<DeviceView>();
        QVERIFY(!view->steps()->isVisible());
        out().devices.addSimulated("Small player");
        rest();
        QVERIFY(view->steps()->isVisible());
        QCOMPARE(view->told(), QString("Nothing is to be on it yet."));
        QTest::mouseClick(view->wantButton(), Qt::LeftButton);
        rest();
        QCOMPARE(view->told(), QString("2 come"));
        QCOMPARE(view->steps()->topLevelItem(0)->text(1), QString("Kestrel & Rook/Lanterns/Gorse.mp3"));
        view->use()->setText("Night ferry");
        emit view->use()->editingFinished();
        rest();
        QTest::mouseClick(view->syncButton(), Qt::LeftButton);
        rest();
        rest();
        QVERIFY2(window().message().contains("came: 2"), qPrintable(window().message()));
        QVERIFY2(view->told().startsWith("In step"), qPrintable(view->told()));
        QVERIFY(!view->syncButton()->isEnabled());
        const Path folder = out().devices.chosen()->folder;
        QVERIFY(std::filesystem::exists(folder / "Kestrel & Rook/Lanterns/Gorse.mp3"));
        // Where they were used is remembered.
        QCOMPARE(kept("Gorse", "use").size(), 1);
        QVERIFY(kept("Gorse", "use").front().contains("Night ferry"));
        // Another name for them, by the plan.
        view->plan()->setText("{place: 2 digits} {title}");
        emit view->plan()->changed();
        rest();
        QCOMPARE(view->told(), QString("2 change"));
        QTest::mouseClick(view->syncButton(), Qt::LeftButton);
        rest();
        rest();
        QVERIFY(std::filesystem::exists(folder / "01 Gorse.mp3") &&
                !std::filesystem::exists(folder / "Kestrel & Rook"));
        // Its profile is handed on; what is none is refused.
        view->handOn(*box_ / "profile.json");
        test::writeBytes(*box_ / "none.json", "{}");
        view->takeIn(*box_ / "none.json");
        QVERIFY(window().message().contains("no profile"));
        view->takeIn(*box_ / "profile.json");
        rest();
        QVERIFY(view->told().startsWith("In step"));
        // It is away.
        std::filesystem::rename(folder, *box_ / "away");
        out().devices.look();
        rest();
        QVERIFY2(view->told().contains("not there"), qPrintable(view->told()));
        QVERIFY(!view->syncButton()->isEnabled());
    }

    void aPackageGoesOutAndComesIn() {
        put({"Gorse", "Lanterns"}, DeliverWay::Package);
        auto* view = page()->view<PackageView>();
        QVERIFY2(view->told().startsWith("2 files"), qPrintable(view->told()));
        QCOMPARE(view->content()->topLevelItem(0)->text(0), QString("data/sound/Gorse.flac"));
        QTest::keyClicks(view->organisation(), "Tarnholm Sound Archive");
        QTest::keyClicks(view->forWhom(), "The county archive");
        bool made = false;
        out().packages.make(*box_ / "package", ss(view->number()), [&](bool done) { made = done; });
        rest();
        QVERIFY(made);
        QVERIFY(test::readBytes(*box_ / "package" / "bag-info.txt")
                    .find("Source-Organization: Tarnholm Sound Archive\n") != std::string::npos);
        QCOMPARE(out().deliveries.all().front().forWhom, std::string("The county archive"));
        // Who hands over is said again of the next; another archive has a layout of its own.
        QVERIFY(out().packages.layouts().isKept("For any archive"));
        view->organisation()->clear();
        QTest::keyClicks(view->organisation(), "Fellside Reissues");
        out().packages.layouts().keep("Fellside");
        out().packages.layouts().choose("For any archive");
        QCOMPARE(view->organisation()->text(), QString("Tarnholm Sound Archive"));
        out().packages.verify(*box_ / "package");
        rest();
        QVERIFY2(view->verdict().contains("is whole"), qPrintable(view->verdict()));
        // One that is not whole is not taken in.
        const std::string list = test::readBytes(*box_ / "package" / "manifest-sha256.txt");
        test::writeBytes(*box_ / "package" / "data" / "more", "x");
        out().packages.verify(*box_ / "package");
        rest();
        QVERIFY(view->verdict().contains("not whole: 1 finding"));
        QCOMPARE(view->findings()->topLevelItem(0)->text(0), QString("data/more"));
        QVERIFY(!view->takeInButton()->isEnabled());
        std::filesystem::remove(*box_ / "package" / "data" / "more");
        // Whole again, it comes in: into the batch, with what it says of the files as a sheet.
        out().packages.verify(*box_ / "package");
        rest();
        QTest::mouseClick(view->takeInButton(), Qt::LeftButton);
        QTRY_COMPARE_WITH_TIMEOUT(page()->way(), DeliverWay::SheetIn, 20000);
        rest();
        rest();
        QVERIFY2(out().rowsIn.rows(), qPrintable(out().rowsIn.why()));
        QCOMPARE(out().rowsIn.rows()->all(), size_t{2});
        QCOMPARE(out().rowsIn.rows()->count(deliver::InRow::State::NoTrack), size_t{0});
        QCOMPARE(driver_->controllers().batch.batch().places().files().size(), size_t{2});
    }

    /// Every button has the room that its words need, in the smallest window, too.
    void nothingIsSqueezedInANarrowWindow() {
        put({"Lanterns", "Gorse"}, DeliverWay::OneSheet);
        std::ofstream(*box_ / "corrected.csv") << "Title;Artist;Year\nGorse;Kestrel & Rook;2021\nNobody;;\n";
        out().rowsIn.open(*box_ / "corrected.csv");
        rest();
        window().resize(900, 640);
        for (const DeliverWay way :
             {DeliverWay::OneSheet, DeliverWay::SharePage, DeliverWay::SheetOut, DeliverWay::SheetIn,
              DeliverWay::Lists, DeliverWay::Device, DeliverWay::Package, DeliverWay::Before}) {
            page()->show(way);
            rest();
            QVERIFY2(window().width() <= 900,
                     qPrintable(QString("%1: %2").arg(static_cast<int>(way)).arg(window().width())));
            for (const QPushButton* b : page()->findChildren<QPushButton*>())
                if (b->isVisible() && !b->text().isEmpty())
                    QVERIFY2(b->width() >= b->sizeHint().width(), qPrintable(b->text()));
        }
        // With room enough they stand on one line.
        window().resize(1280, 800);
        page()->show(DeliverWay::OneSheet);
        rest();
        std::set<int> lines;
        for (const QPushButton* b :
             page()->findChildren<OneSheetView*>().front()->findChildren<QPushButton*>())
            if (b->isVisible() && b->text().contains(QRegularExpression("^(Copy|Save)")))
                lines.insert(b->mapTo(&window(), QPoint()).y());
        QCOMPARE(lines.size(), size_t{1});
    }

private:
    MainWindow& window() { return driver_->window(); }
    DeliverPage* page() { return window().deliver(); }
    DeliverControllers& out() { return *driver_->controllers().out; }
    FileId fileOf(const std::string& title) { return driver_->fileNamed(title + ".flac"); }
    void rest() {
        driver_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue(), 20000);
        driver_->settle();
    }
    void put(const std::vector<std::string>& titles, DeliverWay way) {
        deliver::SheetOf of;
        for (const std::string& title : titles)
            of.songs.push_back(fileOf(title));
        out().delivering.setOf(of);
        window().showWorkspace(MainWindow::Deliver);
        page()->show(way);
        rest();
    }
    static void choose(QComboBox* box, int at) {
        box->setCurrentIndex(at);
        emit box->activated(at);
    }
    QStringList kept(const std::string& title, const char* field) {
        QStringList out;
        driver_->controllers().library.read(
            this, [file = fileOf(title)](library::Store& store) { return store.files().find(file)->kept; },
            [&](Result<library::KeptOfRecording> all) {
                if (const auto it = all->find(std::string_view(field)); it != all->end())
                    for (const std::string& value : it->second)
                        out << QString::fromStdString(value);
            });
        driver_->settle();
        return out;
    }
    QStringList bookmarks(const std::string& title) {
        QStringList out;
        for (const QString& text : kept(title, "bookmark")) {
            const library::Bookmark mark = library::bookmarkFrom(text.toStdString());
            out << QString("%1 %2").arg(mark.seconds).arg(QString::fromStdString(mark.text));
        }
        return out;
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestDeliverMore)
#include "test_deliver_more.moc"
