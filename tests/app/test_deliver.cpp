// SPDX-License-Identifier: GPL-3.0-or-later
// One-sheets in the real window: from the library to the sheet and to a file, by mouse and by keyboard; what
// is missing leads to where it is entered.
#include <QtTest>

#include <QClipboard>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QPointer>
#include <QPushButton>
#include <QScrollArea>

#include "app/deliver/deliver_page.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/one_sheet_view.h"
#include "app/deliver/section_list.h"
#include "app/deliver/sheet_preview.h"
#include "app/deliver/sheet_songs.h"
#include "app/library/library_page.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/works_page.h"
#include "app/shell/deliver_controllers.h"
#include "app/widgets/fact_table.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;
using deliver::Section;
using library::Fraction;
using library::Side;

class TestDeliver : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const char* title : {"Lanterns", "Gorse", "Tide Table"}) {
            const Path file = test::makeSound(*box_ / "shelf", std::string(title) + ".flac", ++seed);
            test::tag(file, {{"title", {title}},
                             {"artist", {"Kestrel & Rook"}},
                             {"album", {"Lanterns"}},
                             {"track", {std::to_string(seed)}},
                             {"composer", {"Mara Kestrel"}}});
        }
        open();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void fromTheLibraryToTheFile() {
        QVERIFY(page()->told().isEmpty());
        chooseInLibrary("Lanterns");
        QTest::keyClick(&window(), Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
        rest();
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QVERIFY2(page()->told().contains("Lanterns \u00B7 Kestrel & Rook"), qPrintable(page()->told()));
        QCOMPARE(view()->preview()->count(), size_t{1});
        QCOMPARE(view()->pageText(), QString("As it will be"));
        QVERIFY2(view()->gaps()->text().contains("No ISRC"), qPrintable(view()->gaps()->text()));
        QTest::mouseClick(button("Copy as text"), Qt::LeftButton);
        QVERIFY(QGuiApplication::clipboard()->text().startsWith("Lanterns\n========\nKestrel & Rook"));
        for (const char* ending : {".pdf", ".html", ".txt", ".json"}) {
            bool saved = false;
            sheet().save(*box_ / (std::string("sheet") + ending), [&](bool done) { saved = done; });
            rest();
            QVERIFY2(saved, ending);
            QVERIFY(!test::readBytes(*box_ / (std::string("sheet") + ending)).empty());
        }
        QVERIFY(test::readBytes(*box_ / "sheet.pdf").starts_with("%PDF-1."));
        QVERIFY(test::readBytes(*box_ / "sheet.html").find("<h1>Lanterns</h1>") != std::string::npos);
        // What cannot be saved.
        bool saved = true;
        sheet().save(*box_ / "sheet.doc", [&](bool done) { saved = done; });
        QVERIFY(!saved && window().message().contains(".pdf"));
        sheet().save(*box_ / "no folder" / "sheet.pdf", [&](bool done) { saved = done; });
        rest();
        QVERIFY(!saved);
        QCOMPARE(sheet().proposedName(".pdf"), Path("Kestrel & Rook - Lanterns.pdf"));
    }

    void sectionsByKeyboard() {
        put({"Lanterns"});
        SectionList* list = view()->sections();
        list->choose(Section::Codes);
        const int row = list->currentRow();
        QVERIFY(sheet().layout().has(Section::Codes));
        QTest::keyClick(list, Qt::Key_Space);
        rest();
        QVERIFY(!sheet().layout().has(Section::Codes));
        QVERIFY(!view()->gaps()->text().contains("ISRC")); // of what is off nothing is missing
        QVERIFY(!text().contains("ISRC"));
        QTest::keyClick(list, Qt::Key_Space);
        for (int i = 0; i < 3; ++i)
            QTest::keyClick(list, Qt::Key_Down, Qt::AltModifier);
        rest();
        QCOMPARE(list->currentRow(), row + 3);
        QCOMPARE(sheet().layout().places[static_cast<size_t>(row + 3)].section, Section::Codes);
        QVERIFY2(text().indexOf("Codes") > text().indexOf("Writers"), qPrintable(text()));
        // By the mouse, on its box.
        const QRect r = list->visualItemRect(list->item(0));
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, QPoint(20, r.center().y()));
        rest();
        QVERIFY(!sheet().layout().places[0].on);
        // Kept by name, and there again at the next start.
        test::answer<QInputDialog>(this, [](QInputDialog* d) {
            d->setTextValue("For the station");
            d->accept();
        });
        QVERIFY(sheet().layouts().isChanged());
        view()->layouts()->keep();
        QVERIFY(!sheet().layouts().isChanged());
        QCOMPARE(view()->layouts()->choice()->currentText(), QString("For the station"));
        const deliver::SheetLayout kept = sheet().layout();
        driver_.reset();
        open();
        QVERIFY(sheet().layout() == kept);
        sheet().layouts().choose("Everything");
        QVERIFY(sheet().layout().has(Section::Links));
        // Handed on and taken in: nothing that is kept gives way.
        test::writeBytes(*box_ / "layout.json", deliver::layoutJson(kept));
        view()->layouts()->takeIn(*box_ / "layout.json");
        QCOMPARE(sheet().layout().name, std::string("For the station 2"));
        test::writeBytes(*box_ / "layout.json", "{}");
        view()->layouts()->takeIn(*box_ / "layout.json");
        QVERIFY(window().message().contains("no layout"));
        sheet().layouts().forget("For the station 2");
        QVERIFY(!sheet().layouts().isKept("For the station 2") &&
                sheet().layouts().isKept("For the station"));
    }

    void songsAreSearchedAndOrdered() {
        window().showWorkspace(MainWindow::Deliver);
        rest();
        SheetSongs* songs = page()->songs();
        QVERIFY(songs->searchBox()->hasFocus());
        for (const char* word : {"gors", "lanterns", "tide"}) {
            QTest::keyClicks(songs->searchBox(), word);
            QVERIFY(songs->found()->count() > 0);
            if (QString(word) == "lanterns") // of that album
                QCOMPARE(songs->found()->count(), 3);
            while (!songs->found()->currentItem()->text().startsWith(QString(word).left(1).toUpper()))
                QTest::keyClick(songs->searchBox(), Qt::Key_Down);
            QTest::keyClick(songs->searchBox(), Qt::Key_Return);
            rest();
        }
        QCOMPARE(titles(), QStringList({"Gorse", "Lanterns", "Tide Table"}));
        QVERIFY(page()->told().contains("3 tracks"));
        songs->songs()->setCurrentRow(0);
        QTest::keyClick(songs->songs(), Qt::Key_Down, Qt::AltModifier);
        rest();
        QCOMPARE(titles(), QStringList({"Lanterns", "Gorse", "Tide Table"}));
        songs->songs()->clearSelection();
        songs->songs()->item(2)->setSelected(true);
        QTest::keyClick(songs->songs(), Qt::Key_Delete);
        rest();
        QCOMPARE(titles(), QStringList({"Lanterns", "Gorse"}));
        QVERIFY(text().indexOf("Lanterns\n") < text().indexOf("Gorse\n"));
        // Every song on a page of its own.
        deliver::SheetLayout layout = sheet().layout();
        layout.ownPages = true;
        sheet().layouts().change(layout);
        rest();
        QCOMPARE(view()->preview()->count(), size_t{2});
        QVERIFY(view()->pageText().contains("page 1 of 2"));
        delivering().setOf({});
        rest();
        QCOMPARE(view()->preview()->count(), size_t{0});
        QVERIFY(!view()->pdfButton()->isEnabled());
    }

    void whatIsMissingIsEntered() {
        chooseInLibrary("Lanterns");
        driver_->controllers().people.makeWorksOf({fileOf("Lanterns")});
        rest();
        put({"Lanterns"});
        // Her name is from the tags: she becomes somebody who can have a number.
        click("Mara Kestrel is known by name only");
        QCOMPARE(window().releaseParts()->part(), PartButtons::Works);
        rest();
        window().showWorkspace(MainWindow::Deliver);
        rest();
        QVERIFY2(view()->gaps()->text().contains("Mara Kestrel has no IPI number"),
                 qPrintable(view()->gaps()->text()));
        click("Mara Kestrel has no IPI number");
        QCOMPARE(window().workspace(), MainWindow::Releases);
        QCOMPARE(window().releaseParts()->part(), PartButtons::People);
        auto* editor = window().releaseParts()->people()->facts()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText("99900001057");
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
        window().showWorkspace(MainWindow::Deliver);
        rest();
        QVERIFY(text().contains("IPI 99900001057"));
        QVERIFY(!view()->gaps()->text().contains("Mara Kestrel has no IPI"));
        // Who owns it.
        click("No owner of the master is named");
        WorksPage* works = window().releaseParts()->works();
        QCOMPARE(works->titleText(), QString("Lanterns"));
        editor = works->table(Side::Owners)->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText("Fellside Reissues");
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
        // From the work back to the sheet.
        for (QPushButton* b : works->findChildren<QPushButton*>())
            if (b->text() == "One-sheet")
                QTest::mouseClick(b, Qt::LeftButton);
        rest();
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QVERIFY(text().contains("Fellside Reissues"));
        // Of a file: typed here. It is on the sheet, though it is not written yet.
        test::answer<QInputDialog>(this, [](QInputDialog* d) {
            QVERIFY(d->labelText().contains("Lanterns"));
            d->setTextValue("ZZFSR2100031");
            d->accept();
        });
        click("No ISRC");
        QCOMPARE(driver_->controllers().drafts.session().fieldDrafts(), size_t{1});
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QVERIFY2(text().contains("ZZ-FSR-21-00031"), qPrintable(text()));
        driver_->controllers().undo.undo();
        rest();
        QVERIFY(!text().contains("ZZ-FSR-21-00031"));
    }

    /// Asked for while somebody new is not in the list yet.
    void savedWithWhoIsNew() {
        driver_->controllers().people.makeWorksOf({fileOf("Lanterns")});
        driver_->settle();
        put({"Lanterns"});
        bool asked = false;
        connect(&driver_->controllers().people, &PeopleController::changed, this, [&] {
            if (!std::exchange(asked, true))
                sheet().save(*box_ / "sheet.txt");
        });
        driver_->controllers().people.setOwners({fileOf("Lanterns")},
                                                {{0, "Fellside Reissues", {}, Fraction(1, 1)}}, "Owners");
        rest();
        QVERIFY(asked);
        const std::string saved = test::readBytes(*box_ / "sheet.txt");
        QVERIFY2(saved.find("Fellside Reissues") != std::string::npos, saved.c_str());
        disconnect(&driver_->controllers().people, nullptr, this, nullptr);
    }

    void ofARelease() {
        window().showWorkspace(MainWindow::Releases);
        rest();
        QTRY_VERIFY(driver_->controllers().releases.isTrue());
        driver_->settle();
        QTest::keyClick(&window(), Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
        rest();
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QVERIFY2(page()->told().contains("3 tracks"), qPrintable(page()->told()));
        QCOMPARE(page()->songs()->songs()->count(), 3);
        QVERIFY(text().contains("Tracks\n------"));
        QVERIFY(view()->gaps()->text().contains("The release has no barcode"));
        // Not taken out of a release by a key.
        page()->songs()->songs()->item(0)->setSelected(true);
        QTest::keyClick(page()->songs()->songs(), Qt::Key_Delete);
        rest();
        QCOMPARE(page()->songs()->songs()->count(), 3);
        // A song more, and they are songs: none of its tracks is lost.
        delivering().addSongs({fileOf("Gorse")});
        rest();
        QCOMPARE(delivering().of().songs.size(), size_t{3});
        QVERIFY(page()->told().contains("3 tracks"));
    }

    /// Asked for, and then something else was looked at.
    void savedOutOfSight() {
        put({"Lanterns"});
        delivering().setOf({{fileOf("Gorse")}, {}});
        QVERIFY(!sheet().shown()); // never of something else
        sheet().save(*box_ / "sheet.txt");
        window().showWorkspace(MainWindow::Library);
        driver_->settle();
        QTRY_VERIFY(std::filesystem::exists(*box_ / "sheet.txt"));
        driver_->settle();
        QVERIFY(test::readBytes(*box_ / "sheet.txt").starts_with("Gorse\n"));
    }

    /// What is asked by a click is still being asked when the list that was clicked is another.
    void changedWhileItIsAsked() {
        put({"Lanterns"});
        QPointer<QLabel> clicked;
        for (QLabel* l : view()->gaps()->findChildren<QLabel*>())
            if (l->text().contains("No ISRC"))
                clicked = l;
        QVERIFY(clicked);
        bool asked = false;
        test::answer<QInputDialog>(this, [&](QInputDialog* d) {
            driver_->takeUp(fileOf("Lanterns"));
            driver_->controllers().drafts.session().propose("Type", {{fileOf("Lanterns"), "tempo", {"104"}}},
                                                            "typed");
            rest();
            asked = !clicked && d->isVisible(); // it was filled anew below the dialog
            d->setTextValue("ZZFSR2100031");
            d->accept();
        });
        view()->findChild<QScrollArea*>()->ensureWidgetVisible(clicked);
        bool inClick = true, goneInClick = false;
        connect(clicked, &QObject::destroyed, this, [&] { goneInClick = goneInClick || inClick; });
        QTest::mouseClick(clicked, Qt::LeftButton, {}, QPoint(40, clicked->height() / 2));
        inClick = false;
        QTRY_VERIFY(asked);
        QVERIFY(!goneInClick);
        rest();
        QVERIFY2(text().contains("ZZ-FSR-21-00031") && text().contains("104 BPM"), qPrintable(text()));
    }

private:
    void open() {
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        if (driver_->controllers().shelves.all().empty())
            driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
    }
    MainWindow& window() { return driver_->window(); }
    DeliverPage* page() { return window().deliver(); }
    OneSheetView* view() { return page()->view<OneSheetView>(); }
    Delivering& delivering() { return driver_->controllers().out->delivering; }
    SheetController& sheet() { return driver_->controllers().out->sheet; }
    void rest() {
        driver_->settle();
        if (window().workspace() == MainWindow::Deliver) {
            QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue() && driver_->controllers().people.isTrue(), 20000);
            driver_->settle();
            QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue(), 20000);
        }
        driver_->settle();
    }
    FileId fileOf(const std::string& title) { return driver_->fileNamed(title + ".flac"); }
    void chooseInLibrary(const char* title) {
        window().showWorkspace(MainWindow::Library);
        driver_->settle();
        window().library()->showFile(fileOf(title));
        driver_->settle();
    }
    void put(const std::vector<std::string>& titles) {
        deliver::SheetOf of;
        for (const std::string& title : titles)
            of.songs.push_back(fileOf(title));
        delivering().setOf(of);
        window().showWorkspace(MainWindow::Deliver);
        rest();
    }
    /// At rest it is told at once.
    QString text() {
        QString out;
        sheet().withText([&](const QString& text) { out = text; });
        return out;
    }
    QStringList titles() {
        QStringList out;
        for (int i = 0; i < page()->songs()->songs()->count(); ++i)
            out << page()->songs()->songs()->item(i)->text();
        return out;
    }
    QPushButton* button(const QString& text) {
        for (QPushButton* b : view()->findChildren<QPushButton*>())
            if (b->text() == text)
                return b;
        return nullptr;
    }
    void click(const QString& gap) {
        for (QLabel* l : view()->gaps()->findChildren<QLabel*>())
            if (l->text().contains(gap)) {
                emit l->linkActivated("there");
                rest();
                return;
            }
        QFAIL("no such gap");
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestDeliver)
#include "test_deliver.moc"
