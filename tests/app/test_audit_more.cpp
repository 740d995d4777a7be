// SPDX-License-Identifier: GPL-3.0-or-later
// Audit in the real window: narrowed by shelf, release and time; spellings that are remembered; files that
// are moved by their plan; codes that a batch lacks.
#include <QtTest>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/codes/fill_codes_dialog.h"
#include "core/library/people/cards.h"
#include "core/library/people/people.h"
#include "core/library/picture_details.h"
#include "support/answer.h"
#include "support/cover.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestAuditMore : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>(true);
        // Two releases on one shelf, one on another.
        for (uint32_t n = 1; n <= 4; ++n)
            make("Archive", "Lanterns", n, n == 3 ? "Kestrel & Rokk" : "Kestrel & Rook",
                 n == 2 ? "2012" : "2021");
        for (uint32_t n = 1; n <= 3; ++n)
            make("Archive", "Gorse", n, "Kestrel & Rook", n == 2 ? "1999" : "2001");
        for (uint32_t n = 1; n <= 3; ++n)
            make("Drive", "Night Post", n, "The Hollow Ferry", n == 2 ? "1989" : "1998");
        open();
        driver_->addShelf(*box_ / "Archive");
        driver_->addShelf(*box_ / "Drive");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        goToAudit();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void narrowedByShelfReleaseAndTime() {
        QVERIFY(page()->weightButton(0)->isChecked());
        page()->rules()->choose("disagrees");
        QCOMPARE(page()->model()->rowCount(), 3);
        FacetRow* facets = page()->facets();
        QVERIFY(facets->shelves()->isVisible());
        choose(facets->shelves(), "Archive");
        QCOMPARE(page()->model()->rowCount(), 2);
        QVERIFY(facets->shelves()->itemText(1).endsWith("2") || facets->shelves()->itemText(2).endsWith("2"));
        choose(facets->releases(), "Gorse");
        QCOMPARE(page()->model()->rowCount(), 1);
        QVERIFY(page()->box()->text().contains("The files say 2 different things of the date."));
        // Another shelf has nothing of this release: it is said, and the way back is told.
        choose(facets->shelves(), "Drive");
        QCOMPARE(page()->model()->rowCount(), 0);
        facets->clear();
        QCOMPARE(page()->model()->rowCount(), 3);
        // A shelf that goes narrows nothing any more.
        choose(facets->shelves(), "Drive");
        QCOMPARE(page()->model()->rowCount(), 1);
        for (const library::Shelf& shelf : driver_->controllers().shelves.all())
            if (shelf.name == "Drive")
                driver_->controllers().shelves.remove(shelf.id);
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 2);
        // Earlier one of them was there already.
        const uint64_t old = page()->model()->keyAt(0);
        const int32_t today = static_cast<int32_t>(QDate(1970, 1, 1).daysTo(QDate::currentDate()));
        driver_.reset();
        {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            library::FindingTable table(store->database());
            QVERIFY(table.since().size() >= 2);
            for (const auto& [key, day] : table.since())
                QCOMPARE(day, today);
            table.setSince({{old, today - 40}}, {});
        }
        open();
        goToAudit();
        page()->rules()->choose("disagrees");
        QTRY_COMPARE(page()->model()->rowCount(), 2);
        choose(page()->facets()->when(), "Found today");
        QCOMPARE(page()->model()->rowCount(), 1);
        QCOMPARE(page()->model()->rowOfKey(old), -1);
        choose(page()->facets()->when(), "Earlier");
        QCOMPARE(page()->model()->rowCount(), 1);
        QCOMPARE(page()->model()->keyAt(0), old);
    }

    void fromAFindingToAllOfItsRelease() {
        page()->rules()->choose("disagrees");
        page()->list()->setCurrentIndex(page()->model()->index(0));
        const QString title = page()->model()->index(0).data().toString();
        rest();
        follow(page()->box(), "Only the findings of this release");
        page()->rules()->choose("");
        QVERIFY(page()->model()->rowCount() > 1);
        for (int row = 0; row < page()->model()->rowCount(); ++row)
            QVERIFY2(page()->model()->index(row).data().toString().contains(title),
                     qPrintable(page()->model()->index(row).data().toString()));
    }

    void aSpellingThatWasTakenIsRemembered() {
        driver_->controllers().people.make(library::CardKind::Party, {{"name", {"Kestrel & Rook"}}});
        rest();
        page()->rules()->choose("near-values");
        QCOMPARE(page()->model()->rowCount(), 1);
        QVERIFY2(page()->box()->text().contains("remembered as other spellings of the party"),
                 qPrintable(page()->box()->text()));
        QTest::mouseClick(page()->takeButton(), Qt::LeftButton);
        rest();
        QVERIFY(
            driver_->controllers().drafts.session().find(driver_->fileNamed("3 Lanterns.flac"), "artist"));
        auto spellings = [this] {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            const auto people = library::People::make(library::keptCards(*store));
            return people->parties().front().spellings;
        };
        QCOMPARE(spellings(), std::vector<std::string>{"Kestrel & Rokk"});
        follow(page()->box(), "Show the party");
        QCOMPARE(driver_->window().workspace(), MainWindow::Releases);
        // Two steps back: the draft, and what is remembered.
        driver_->controllers().undo.undo();
        driver_->controllers().undo.undo();
        rest();
        QVERIFY(spellings().empty());
    }

    void filesAreMovedByTheirPlan() {
        auto& settings = driver_->controllers().settings;
        for (const library::Shelf& shelf : driver_->controllers().shelves.all())
            settings.set(library::settings::shelfPlans,
                         library::withShelfPlan(settings.get(library::settings::shelfPlans), shelf.id,
                                                "{album}/{track: 2 digits} {title}"));
        rest();
        page()->rules()->choose("off-plan");
        QTRY_COMPARE(page()->model()->rowCount(), 3);
        QTRY_VERIFY(page()->box()->text().contains("Its place: as the plan says"));
        QVERIFY(page()->box()->text().contains("By the plan"));
        QTest::mouseClick(page()->takeButton(), Qt::LeftButton);
        rest();
        driver_->controllers().writing.write();
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 2);
        QVERIFY(std::filesystem::exists(*box_ / "Archive" / "Gorse" / "01 Track 1.flac") ||
                std::filesystem::exists(*box_ / "Archive" / "Lanterns" / "01 Track 1.flac") ||
                std::filesystem::exists(*box_ / "Drive" / "Night Post" / "01 Track 1.flac"));
    }

    // What was measured of a file holds for the file as it was.
    void aFileThatGetsAnotherCoverIsLookedAtAgain() {
        const library::AuditRule& rule = *library::auditRule("enlarged-picture");
        auto& audit = driver_->controllers().audit;
        driver_->measureSoon(true);
        test::addCover(*box_ / "Archive" / "all" / "1 Gorse.flac", test::walkPicture(600, 600));
        readAgain();
        QTRY_VERIFY_WITH_TIMEOUT(!detailOf("1 Gorse.flac").empty(), 30000);
        QCOMPARE(audit.count(rule), size_t(0));
        test::addCover(*box_ / "Archive" / "all" / "2 Gorse.flac", test::walkPicture(200, 600));
        readAgain();
        QTRY_COMPARE_WITH_TIMEOUT(audit.count(rule), size_t(1), 30000);
    }

    void sharesThatChangeAreLookedAtAgain() {
        page()->rules()->choose("party-codes");
        QCOMPARE(page()->model()->rowCount(), 0);
        driver_->controllers().people.make(library::CardKind::Party,
                                           {{"name", {"Mara Kestrel"}}, {"ipi", {"123"}}});
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 1);
        QVERIFY(page()->box()->text().contains("IPI number"));
    }

    void codesThatABatchLacks() {
        driver_.reset();
        test::copyOf(test::sharedReference(), *box_ / "reference");
        test::copyOf(test::sharedDemo() / "incoming" / "label-drive", *box_ / "in");
        open();
        driver_->bringIn({*box_ / "in"});
        BenchPage* bench = driver_->window().bench();
        bench->showStep(BenchPage::Describe);
        driver_->settle();
        auto& codes = driver_->controllers().benchCodes;
        std::set<library::FileId> inSight;
        for (int row = 0; row < bench->describe()->sheet()->model()->rowCount(); ++row)
            inSight.insert(static_cast<SheetModel*>(bench->describe()->sheet()->model())->fileAt(row));
        QVERIFY(!inSight.empty());
        size_t gaps = 0, sure = 0;
        test::answer<FillCodesDialog>(this, [&](FillCodesDialog* dialog) {
            rest();
            gaps = codes.gaps().size();
            for (const library::CodeGap& gap : codes.gaps())
                for (const library::FileId file : gap.files)
                    QVERIFY(inSight.contains(file));
            QTest::mouseClick(dialog->view()->lookUpButton(), Qt::LeftButton);
            QTRY_VERIFY_WITH_TIMEOUT(!codes.isAsking(), 240000);
            rest();
            sure = codes.sure();
            QTest::mouseClick(dialog->view()->takeSureButton(), Qt::LeftButton);
            rest();
            dialog->accept();
        });
        QTest::keyClick(&driver_->window(), Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
        rest();
        QVERIFY(gaps > 0);
        QVERIFY(sure > 0);
        size_t drafts = 0;
        for (const library::FileId file : inSight)
            drafts += driver_->controllers().drafts.session().find(file, "isrc") != nullptr;
        QVERIFY2(drafts >= sure, qPrintable(QString("%1 of %2").arg(drafts).arg(sure)));
        // The codes of the library are others: none of these files stands on a shelf.
        for (const library::CodeGap& gap : driver_->controllers().codes.gaps())
            for (const library::FileId file : gap.files)
                QVERIFY(!inSight.contains(file));
        driver_.reset(); // before its folder
    }

private:
    void make(const char* shelf, const char* album, uint32_t n, const char* artist, const char* date) {
        const std::string number = std::to_string(n);
        static uint32_t seed = 0;
        test::tag(
            test::makeSound(*box_ / shelf / "all", number + " " + album + ".flac", ++seed),
            {{"title", {"Track " + number}},
             {"artist", {artist}},
             {"album", {album}},
             {"album_artist", {album == std::string("Night Post") ? "The Hollow Ferry" : "Kestrel & Rook"}},
             {"track", {number}},
             {"date", {date}}});
    }
    void open() { driver_ = std::make_unique<Driver>(*box_ / "library.db"); }
    void goToAudit() {
        driver_->window().resize(1280, 800);
        driver_->window().show();
        driver_->window().showWorkspace(MainWindow::Audit);
        rest();
        QTRY_VERIFY(driver_->controllers().audit.hasLooked());
        rest();
    }
    void readAgain() {
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        rest();
    }
    std::vector<std::string> detailOf(const std::string& name) {
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        const FileId file = driver_->fileNamed(name);
        auto kept = store->workedOut().find(library::pictureDetailField, {file});
        return kept[file];
    }
    static void choose(QComboBox* box, const QString& name) {
        for (int i = 0; i < box->count(); ++i)
            if (box->itemText(i).startsWith(name)) {
                box->setCurrentIndex(i);
                emit box->activated(i);
                return;
            }
        QFAIL(qPrintable(name + " is no choice"));
    }
    static void follow(QWidget* in, const QString& text) {
        for (QLabel* label : in->findChildren<QLabel*>())
            if (label->isVisible() && label->text().contains(text)) {
                emit label->linkActivated("");
                QTest::qWait(0);
                return;
            }
        QFAIL(qPrintable(text + " is no link"));
    }
    AuditPage* page() { return driver_->window().audit(); }
    void rest() {
        for (int i = 0; i < 3; ++i)
            driver_->settle();
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestAuditMore)
#include "test_audit_more.moc"
