// SPDX-License-Identifier: GPL-3.0-or-later
// Identify in the real window, beside the simulated reference over HTTP: look up, choose, re-seat, take,
// undo.
#include <QtTest>

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/identify_overview.h"
#include "app/bench/take_rules_dialog.h"
#include "app/settings/reference_list.h"
#include "app/settings/settings_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "core/tags/tag_io.h"
#include "support/identify_desk.h"

namespace moorfrost::app {

class TestIdentify : public QObject {
    Q_OBJECT

    MainWindow& w() { return desk_->window(); }
    Controllers& c() { return desk_->controllers(); }
    IdentifyPage* page() { return desk_->page(); }
    QString cell(int row, int column) {
        return page()->candidates()->model()->index(row, column).data().toString();
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void init() {
        desk_ = std::make_unique<IdentifyDesk>(
            std::vector{"label-drive", "donation-lindqvist", "harbour-transfers"});
    }
    void cleanup() { desk_.reset(); }

    void aSleeveIsLookedUpChosenAndTaken() {
        desk_->lookUp("Night Post EP");
        QVERIFY(page()->candidates()->isVisible());
        QCOMPARE(desk_->fact("Title", 0), QString("Night Post EP"));
        QCOMPARE(desk_->fact("Seated", 0), QString("4 of 4 tracks"));
        QVERIFY(c().drafts.session().all().empty()); // nothing is taken by itself
        // The cassette instead, by the keyboard.
        int cassette = 0;
        while (desk_->fact("Carrier", cassette) != "Cassette")
            QVERIFY(++cassette < 5);
        page()->candidates()->setFocus();
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, cassette + 1));
        QTest::keyClick(page()->candidates(), Qt::Key_Return);
        desk_->settle();
        QCOMPARE(cell(0, cassette + 1), QString("Chosen"));
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("03_untitled_v2.flac", "title"), std::string("Cold Slip"));
        QCOMPARE(desk_->drafted("04_bonus.flac", "catalogue_number"), std::string("GR 014 C"));
        QCOMPARE(desk_->drafted("04_bonus.flac", "carrier"), std::string("Cassette"));
        const library::Draft* draft =
            c().drafts.session().find(desk_->driver().fileNamed("04_bonus.flac"), "label");
        QVERIFY(draft);
        QVERIFY2(draft->origin.starts_with("Cairn: Night Post EP, Cassette, GR 014 C"),
                 draft->origin.c_str());
        // What only fetching tells was there, too.
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, 1));
        QTest::keyClick(page()->candidates(), Qt::Key_Space);
        desk_->settle();
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("01_nightpost_MASTER.flac", "producer"), std::string("Marit Osk"));
        // One step back is all of the last taking.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("04_bonus.flac", "catalogue_number"), std::string("GR 014 C"));
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
    }

    void filesAreReseated() {
        desk_->lookUp("Night Post EP");
        LineUpTable* seats = page()->lineUp();
        QCOMPARE(desk_->seat(0), QString("01_nightpost_MASTER.flac"));
        seats->setFocus();
        seats->setCurrentIndex(seats->model()->index(0, 0));
        QTest::keyClick(seats, Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(desk_->seat(0), QString("02_ferryman_MASTER.flac")); // they change places
        QCOMPARE(desk_->seat(1), QString("01_nightpost_MASTER.flac"));
        QCOMPARE(seats->currentIndex().row(), 1); // the hand stays on it
        QTest::keyClick(seats, Qt::Key_Delete);
        QCOMPARE(desk_->seat(1), QString("empty seat"));
        QCOMPARE(desk_->seat(4), QString("01_nightpost_MASTER.flac")); // without a seat, below the others
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("02_ferryman_MASTER.flac", "title"), std::string("Night Post"));
        QVERIFY(!c().drafts.session().all().contains(desk_->driver().fileNamed("01_nightpost_MASTER.flac")));
        // By drag, as the view hands it over.
        std::unique_ptr<QMimeData> data(seats->model()->mimeData({seats->model()->index(4, 0)}));
        seats->model()->dropMimeData(data.get(), Qt::MoveAction, -1, -1, seats->model()->index(1, 0));
        QTRY_COMPARE(desk_->seat(1), QString("01_nightpost_MASTER.flac"));
        c().identify.seatAnew(c().sleeves.all().front().key); // of another sleeve: nothing here
        QCOMPARE(desk_->seat(1), QString("01_nightpost_MASTER.flac"));
    }

    void wordsOfAPerson() {
        QVERIFY(desk_->driver().chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        const QList<QLineEdit*> words = page()->findChildren<QLineEdit*>();
        QLineEdit* code = nullptr;
        for (QLineEdit* line : words) {
            line->clear();
            if (line->accessibleName().startsWith("Barcode"))
                code = line;
        }
        QVERIFY(code);
        QTest::keyClicks(code, "gr 003");
        QTest::keyClick(code, Qt::Key_Return);
        desk_->settle();
        QCOMPARE(desk_->fact("Title", 0), QString("Processional"));
        QVERIFY(page()->isVisible());
    }

    void theWholeBatchAtOnce() {
        w().bench()->sleeves(); // none is chosen: the whole batch is in sight
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
        auto* tree = page()->overview()->findChild<QTreeWidget*>();
        QStringList groups;
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            groups << tree->topLevelItem(i)->text(0);
        QVERIFY2(groups.contains("Sure") && groups.contains("Likely") &&
                     !groups.contains("Not looked up yet"),
                 qPrintable(groups.join(", ")));
        const size_t sure = c().identify.sure().size(), left = c().identify.left();
        QVERIFY(sure >= 4);
        for (QPushButton* b : page()->overview()->findChildren<QPushButton*>())
            if (b->objectName() == "accent")
                b->click();
        desk_->settle();
        QCOMPARE(c().identify.left(), left - sure);
        QCOMPARE(desk_->drafted("01 浜の朝.opus", "album"), std::string("浜のうた"));
        QCOMPARE(desk_->drafted("02 Fyrlys.mp3", "isrc"), std::string("ZZGRW9900012"));
        QVERIFY(desk_->drafted("01 Whin Moor.mp3", "title").empty()); // only likely: which edition is open
        // A click on a row brings its sleeve in sight.
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            if (tree->topLevelItem(i)->text(0) == "Likely")
                emit tree->itemClicked(tree->topLevelItem(i)->child(0), 0);
        desk_->settle();
        QVERIFY(page()->candidates()->isVisible());
        // It is undone as one.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
        QCOMPARE(c().identify.left(), left);
    }

    void writtenAndStillKnown() {
        desk_->lookUp(QString::fromUtf8("浜のうた 2003"));
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        w().showWorkspace(MainWindow::Review);
        w().foot()->writeButton()->click();
        desk_->settle();
        const FileId id = desk_->driver().fileNamed("02 灯台のうた.opus");
        auto written = tags::readTags(c().files.file(id)->path);
        QVERIFY(written);
        QCOMPARE(written->fields.at("artist"), std::vector<std::string>{"灯台うた会"});
        QCOMPARE(written->fields.at("date"), std::vector<std::string>{"2003-07-20"});
        QCOMPARE(written->fields.at(matching::referenceNumberField),
                 std::vector<std::string>{"cairn:beach-songs"});
        for (const SleeveView& s : c().sleeves.all())
            if (std::ranges::find(s.files, id) != s.files.end())
                QVERIFY(c().identify.isTaken(s));
    }

    void fieldsByRule() {
        desk_->lookUp("Night Post EP");
        bench::TakeRules rules;
        rules.fields["genre"] = bench::TakeRule::Never;
        rules.fields["date"] = bench::TakeRule::WhenBlank;
        rules.genres["folk"] = "Tarn songs";
        // The genres of the library are there to choose from.
        desk_->driver().addShelf(desk_->box() / "shelf");
        std::filesystem::create_directories(desk_->box() / "shelf/one");
        std::filesystem::copy_file(
            desk_->box() / "incoming/label-drive/Night Post remaster" /
                std::filesystem::directory_iterator(desk_->box() / "incoming/label-drive/Night Post remaster")
                    ->path()
                    .filename(),
            desk_->box() / "shelf/one/a.mp3");
        test::tag(desk_->box() / "shelf/one/a.mp3", {{"genre", {"Tarn songs"}}});
        c().shelves.read(c().shelves.all());
        desk_->settle();
        {
            TakeRulesDialog dialog(c().identify, {"Folk"}, &w());
            for (QComboBox* box : dialog.findChildren<QComboBox*>())
                if (box->accessibleName() == "What Folk is called here") {
                    QCOMPARE(box->currentText(), QString("Folk"));
                    QVERIFY(box->findText("Tarn songs") > 0);
                    box->setCurrentIndex(box->findText("Tarn songs"));
                }
            for (QComboBox* box : dialog.findChildren<QComboBox*>())
                if (box->accessibleName() == "Genre")
                    box->setCurrentIndex(2);
                else if (box->accessibleName() == "Date")
                    box->setCurrentIndex(1);
            dialog.accept();
        }
        QVERIFY(c().identify.rules() == rules);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(desk_->drafted("01_nightpost_MASTER.flac", "date").empty()); // 1998 stays
        QVERIFY(desk_->drafted("04_bonus.flac", "genre").empty());
        // They are remembered with the library.
        desk_->restart();
        QVERIFY(c().identify.rules() == rules);
    }

    void onlySomeFieldsAreTaken() {
        desk_->lookUp("Night Post EP");
        page()->showChanges()->click();
        desk_->settle();
        QTreeWidget* changes = page()->changes();
        QVERIFY(changes->topLevelItemCount() > 40);
        int left = 0;
        for (int i = 0; i < changes->topLevelItemCount(); ++i)
            if (QTreeWidgetItem* item = changes->topLevelItem(i);
                item->text(1) == "Composer" || item->text(1) == "Producer") {
                QCOMPARE(item->checkState(1), Qt::Checked);
                item->setCheckState(1, Qt::Unchecked);
                ++left;
            }
        QCOMPARE(left, 8);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("01_nightpost_MASTER.flac", "engineer"), std::string("Jonas Fell"));
        QVERIFY(desk_->drafted("01_nightpost_MASTER.flac", "producer").empty());
        QVERIFY(desk_->drafted("04_bonus.flac", "composer").empty());
        QCOMPARE(changes->topLevelItemCount(), 8); // what was left can be taken still
        QCOMPARE(changes->topLevelItem(0)->checkState(1), Qt::Unchecked);
    }

    void whatStandsOnAShelfAlready() {
        desk_->driver().addShelf(desk_->box() / "shelf");
        // The remaster stands there, its EP does not.
        const Path from = desk_->box() / "incoming/label-drive/Night Post remaster";
        std::filesystem::create_directories(desk_->box() / "shelf/remaster");
        for (const auto& entry : std::filesystem::directory_iterator(from))
            if (entry.path().extension() == ".mp3")
                test::tag(std::filesystem::copy_file(entry.path(), desk_->box() / "shelf/remaster" /
                                                                       entry.path().filename())
                              ? desk_->box() / "shelf/remaster" / entry.path().filename()
                              : Path(),
                          {{"catalogue_number", {"FSR 207"}}});
        c().shelves.read(c().shelves.all());
        desk_->settle();
        desk_->lookUp("Night Post (2011 remaster)");
        const SleeveView* view = nullptr;
        for (const SleeveView& s : c().sleeves.all())
            if (s.title == "Night Post (2011 remaster)")
                view = &s;
        QVERIFY(view && c().identify.answer(view->key));
        const library::AlreadyHere& here = c().identify.answer(view->key)->here;
        QCOMPARE(here.what, library::AlreadyHere::What::Edition);
        QCOMPARE(here.files, size_t{6});
        QCOMPARE(here.quality, 0); // they are the same files
        QCOMPARE(hereText(here), QString("this edition, 6 files"));
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("On your shelves already: this edition"));
        QVERIFY(told);
        // The library is a reference of its own; what both tell stands in one column.
        QCOMPARE(desk_->fact("Reference", 0), QString("Cairn (simulated), Your library"));
        // With the other switched off, it answers alone.
        auto entries = c().references.entries();
        entries[0].on = false;
        c().references.setEntries(entries);
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(page()->candidates()->model()->columnCount(), 2);
        QCOMPARE(desk_->fact("Catalogue no.", 0), QString("FSR 207"));
        QCOMPARE(desk_->fact("Seated", 0), QString("6 of 6 tracks"));
        QCOMPARE(c().identify.answer(view->key)->here.what, library::AlreadyHere::What::Edition);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        const Path file = *std::filesystem::directory_iterator(desk_->box() / "shelf/remaster");
        const library::Draft* draft =
            c().drafts.session().find(desk_->driver().fileNamed(file.filename().c_str()), "catalogue_number");
        QVERIFY(draft && draft->origin.starts_with("Your library: Night Post"));
    }

    void whichReferencesAreAsked() {
        ReferenceList* list = w().settings()->references();
        QVERIFY(list->add("Elsewhere", "http://example.org:80").contains("only this machine"));
        QVERIFY(list->add("", "http://127.0.0.1:4711").contains("name"));
        QCOMPARE(list->add("Town library", "http://127.0.0.1:4711"), QString());
        QCOMPARE(c().references.entries().size(), size_t{3});
        QCOMPARE(c().references.entries()[2].key, std::string("town-library"));
        for (QCheckBox* box : list->findChildren<QCheckBox*>())
            if (box->text() == "Cairn")
                box->click();
        QVERIFY(!c().references.entries()[0].on);
        QCOMPARE(c().references.held().size(), size_t{2}); // it, and the library
        // Nobody answers there: it says so, and nothing is lost.
        w().showWorkspace(MainWindow::Bench);
        desk_->lookUp("Night Post EP");
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("Town library"));
        QVERIFY(told);
    }

    void theReferenceCannotBeAsked() {
        std::filesystem::remove_all(desk_->box() / "reference");
        desk_->lookUp("Night Post EP");
        QVERIFY(!page()->candidates()->isVisible());
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("moorfrost-demo"));
        QVERIFY(told);
        QVERIFY(c().drafts.session().all().empty());
    }

    void answersAboutOtherFilesAreForgotten() {
        desk_->lookUp("Night Post EP");
        const SleeveView* view = nullptr;
        for (const SleeveView& s : c().sleeves.all())
            if (s.title == "Night Post EP")
                view = &s;
        QVERIFY(view);
        const std::string key = view->key;
        QVERIFY(c().identify.answer(key));
        c().batch.putIntoSleeve({desk_->driver().fileNamed("04_bonus.flac")}, "");
        desk_->settle();
        QVERIFY(!c().identify.answer(key));
        QVERIFY(!page()->candidates()->isVisible());
    }

private:
    std::unique_ptr<IdentifyDesk> desk_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestIdentify)
#include "test_identify.moc"
