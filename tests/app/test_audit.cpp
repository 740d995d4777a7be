// SPDX-License-Identifier: GPL-3.0-or-later
// Audit in the real window: what is wrong is told with its reason, mended by drafts, left as it is, and
// looked for again when something changes.
#include <QtTest>

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QLineEdit>

#include "app/audit/audit_page.h"
#include "app/audit/take_fixes_dialog.h"
#include "app/codes/own_codes_dialog.h"
#include "app/widgets/two_lines.h"
#include "core/library/store/finding_table.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestAudit : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        for (uint32_t n = 1; n <= 6; ++n) {
            const std::string number = std::to_string(n);
            test::tag(test::makeSound(*box_ / "shelf", number + " Track.flac", n),
                      {{"title", {n == 2 ? "Gorse (feat. Wren-Low)" : "Track " + number}},
                       {"artist", {n == 5 ? "Kestrel & Rokk" : "Kestrel & Rook"}},
                       {"album", {"Lanterns"}},
                       {"album_artist", {"Kestrel & Rook"}},
                       {"track", {number}},
                       {"date", {n == 3 ? "2012" : "2021"}}});
        }
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        driver_->window().resize(1280, 800);
        driver_->window().show();
        QTest::keyClick(&driver_->window(), Qt::Key_4, Qt::ControlModifier);
        rest();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void findingsAreToldWithTheirReasons() {
        QCOMPARE(driver_->window().workspace(), MainWindow::Audit);
        QVERIFY2(page()->told().contains("finding"), qPrintable(page()->told()));
        page()->rules()->choose("disagrees");
        rest();
        QCOMPARE(page()->model()->rowCount(), 1);
        QVERIFY2(page()->box()->text().contains("The files say 2 different things of the date."),
                 qPrintable(page()->box()->text()));
        QVERIFY(page()->box()->text().contains("Date: 2021"));
        QVERIFY(page()->box()->text().contains("3 Track.flac"));
        QVERIFY(page()->ruleBox()->why().startsWith("Players show such an album as two"));
        page()->rules()->choose("near-values");
        QCOMPARE(about(0), QString("Kestrel & Rook"));
        page()->rules()->choose("elsewhere");
        QCOMPARE(about(0), QString("Gorse (feat. Wren-Low), Lanterns, Kestrel & Rook"));
        // The gravest first, narrowed by weight and by words.
        page()->rules()->choose("");
        const int all = page()->model()->rowCount();
        QTest::mouseClick(page()->weightButton(2), Qt::LeftButton);
        QVERIFY(page()->model()->rowCount() > 0 && page()->model()->rowCount() < all);
        QTest::mouseClick(page()->weightButton(0), Qt::LeftButton);
        QTest::keyClicks(page()->search(), "gorse");
        QCOMPARE(page()->model()->rowCount(), 1);
        page()->search()->clear();
        QCOMPARE(page()->model()->rowCount(), all);
        QVERIFY(page()->plot()->told().contains(QString::number(all)));
    }

    void aFixBecomesDraftsByTheKeyboard() {
        page()->rules()->choose("disagrees");
        page()->list()->setFocus();
        QTest::keyClick(page()->list(), Qt::Key_Return);
        rest();
        auto& session = driver_->controllers().drafts.session();
        const FileId three = driver_->fileNamed("3 Track.flac");
        QVERIFY(session.find(three, "date"));
        QCOMPARE(session.find(three, "date")->values, std::vector<std::string>{"2021"});
        QVERIFY(session.find(three, "date")->origin.find("audit") != std::string::npos);
        QVERIFY(second(0).startsWith("Drafts made."));
        // Undone, and done again; then it is written, and the finding goes.
        driver_->controllers().undo.undo();
        rest();
        QVERIFY(!second(0).startsWith("Drafts made."));
        QTest::mouseClick(page()->takeButton(), Qt::LeftButton);
        rest();
        driver_->controllers().writing.write();
        rest();
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 0);
    }

    void oneNameForAll() {
        page()->rules()->choose("near-values");
        QTest::mouseClick(page()->takeButton(), Qt::LeftButton);
        rest();
        const auto* draft =
            driver_->controllers().drafts.session().find(driver_->fileNamed("5 Track.flac"), "artist");
        QVERIFY(draft);
        QCOMPARE(draft->values, std::vector<std::string>{"Kestrel & Rook"});
    }

    void manyAreTakenAfterALook() {
        page()->rules()->choose("");
        int rows = 0;
        test::answer<TakeFixesDialog>(this, [&](TakeFixesDialog* fixes) {
            rows = fixes->list()->topLevelItemCount();
            for (int i = 0; i < rows; ++i)
                if (fixes->list()->topLevelItem(i)->text(1).contains("date"))
                    fixes->list()->topLevelItem(i)->setCheckState(0, Qt::Unchecked);
            // Meanwhile the findings come in another order.
            const library::AuditRule& rule = *library::auditRule("elsewhere");
            driver_->controllers().audit.setChoice(rule, {true, library::Weight::Grave, 0});
            QTest::mouseClick(fixes->takeButton(), Qt::LeftButton);
        });
        QTest::mouseClick(page()->takeAllButton(), Qt::LeftButton);
        rest();
        QVERIFY(rows >= 3);
        auto& session = driver_->controllers().drafts.session();
        QVERIFY(session.find(driver_->fileNamed("5 Track.flac"), "artist"));
        QVERIFY(session.find(driver_->fileNamed("2 Track.flac"), "title"));
        QVERIFY(!session.find(driver_->fileNamed("3 Track.flac"), "date"));
    }

    void leftAsItIsUntilTheFactsChange() {
        page()->rules()->choose("disagrees");
        const size_t open = driver_->controllers().audit.open();
        page()->leave("The third track is older.");
        rest();
        QCOMPARE(page()->model()->rowCount(), 0);
        QCOMPARE(driver_->controllers().audit.open(), open - 1);
        page()->rules()->choose("left");
        QCOMPARE(page()->model()->rowCount(), 1);
        QVERIFY2(page()->box()->text().contains("The third track is older."),
                 qPrintable(page()->box()->text()));
        // It stays so in the next run of the program.
        driver_.reset();
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->settle();
        driver_->window().show();
        driver_->window().showWorkspace(MainWindow::Audit);
        rest();
        page()->rules()->choose("left");
        QTRY_COMPARE(page()->model()->rowCount(), 1);
        // Other facts.
        test::tag(*box_ / "shelf" / "4 Track.flac", {{"date", {"2013"}}});
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 0);
        page()->rules()->choose("disagrees");
        QCOMPARE(page()->model()->rowCount(), 1);
        // And brought back by hand.
        page()->leave({});
        page()->rules()->choose("left");
        QCOMPARE(page()->model()->rowCount(), 1);
        QTest::mouseClick(page()->leaveButton(), Qt::LeftButton);
        rest();
        QCOMPARE(driver_->controllers().audit.leftAlone(), size_t{0});
    }

    void rulesAreSwitchedAndWeighed() {
        page()->rules()->choose("disagrees");
        QTest::mouseClick(page()->ruleBox()->asked(), Qt::LeftButton, {}, QPoint(8, 8));
        rest();
        QCOMPARE(page()->model()->rowCount(), 0);
        QTest::mouseClick(page()->ruleBox()->asked(), Qt::LeftButton, {}, QPoint(8, 8));
        rest();
        QTRY_COMPARE(page()->model()->rowCount(), 1);
        page()->ruleBox()->weight()->setCurrentIndex(0);
        emit page()->ruleBox()->weight()->activated(0);
        rest();
        QVERIFY(page()->box()->text().contains("grave"));
        page()->rules()->choose("");
        QVERIFY(second(0).contains("of the date"));
        page()->rules()->choose("small-picture");
        QVERIFY(page()->ruleBox()->limit()->isVisible());
        page()->ruleBox()->limit()->setValue(800);
        emit page()->ruleBox()->limit()->editingFinished();
        QCOMPARE(driver_->controllers().audit.choices().limit("small-picture"), 800.0);
    }

    void fromAFindingToItsFiles() {
        page()->rules()->choose("disagrees");
        for (QPushButton* b : page()->findChildren<QPushButton*>())
            if (b->text() == "Show in the library")
                QTest::mouseClick(b, Qt::LeftButton);
        rest();
        QCOMPARE(driver_->window().workspace(), MainWindow::Library);
    }

    void codesAreLookedUpAndTaken() {
        // The drive of the label, beside the simulated reference.
        driver_.reset();
        test::Sandbox box(true);
        test::copyOf(test::sharedReference(), box / "reference");
        test::copyOf(test::sharedDemo() / "incoming" / "label-drive", box / "shelf");
        driver_ = std::make_unique<Driver>(box / "library.db");
        driver_->addShelf(box / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        driver_->window().show();
        driver_->window().showWorkspace(MainWindow::Audit);
        QTest::keyClick(&driver_->window(), Qt::Key_K, Qt::ControlModifier | Qt::AltModifier);
        rest();
        QCOMPARE(page()->part(), AuditPage::CodesPart);
        CodesView* view = page()->codes();
        auto& codes = driver_->controllers().codes;
        QTRY_VERIFY(view->model()->rowCount() > 0);
        QVERIFY(!view->takeSureButton()->isEnabled());
        QCOMPARE(view->model()->stateOf(0), QString("not looked up yet"));
        QTest::mouseClick(view->lookUpButton(), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(!codes.isAsking(), 60000);
        rest();
        QVERIFY2(codes.sure() > 0, qPrintable(view->told()));
        for (size_t i = 0; i < codes.gaps().size(); ++i)
            QVERIFY(codes.answer(i));
        const size_t sure = codes.sure();
        QTest::mouseClick(view->takeSureButton(), Qt::LeftButton);
        rest();
        QCOMPARE(codes.sure(), size_t{0});
        size_t taken = 0;
        for (size_t i = 0; i < codes.gaps().size(); ++i)
            taken += codes.isTaken(i);
        QCOMPARE(taken, sure);
        QVERIFY(!driver_->window().message().contains("cannot"));
        // As one, with what says so.
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(codes.sure(), sure);
        // One of our own for what is chosen; the register has it from then on.
        view->list()->setCurrentIndex(view->model()->index(1));
        const FileId file = codes.gaps()[1].files.front();
        test::answer<OwnCodesDialog>(this, [&](OwnCodesDialog* dialog) {
            QVERIFY(!dialog->giveButton()->isEnabled());
            QTest::keyClicks(dialog->prefix(), "zzgrw");
            dialog->year()->setValue(2026);
            for (int i = 0; i < 3; ++i)
                driver_->settle();
            QCOMPARE(dialog->told(), QString("The next one that is free is ZZGRW2600001."));
            QTest::mouseClick(dialog->giveButton(), Qt::LeftButton);
        });
        QTest::mouseClick(view->ownButton(), Qt::LeftButton);
        rest();
        const auto* draft = driver_->controllers().drafts.session().find(file, "isrc");
        QVERIFY(draft);
        QCOMPARE(draft->values, std::vector<std::string>{"ZZGRW2600001"});
        std::string csv;
        codes.withRegister(page(), [&](std::string text) { csv = std::move(text); });
        rest();
        QVERIFY(csv.find("ZZGRW2600001") != std::string::npos);
        driver_.reset(); // before its folder
    }

private:
    AuditPage* page() { return driver_->window().audit(); }
    QString about(int row) { return page()->model()->index(row).data().toString(); }
    QString second(int row) {
        return page()->model()->index(row).data(TwoLineDelegate::SecondRole).toString();
    }
    void rest() {
        for (int i = 0; i < 3; ++i)
            driver_->settle();
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestAudit)
#include "test_audit.moc"
