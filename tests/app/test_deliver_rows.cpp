// SPDX-License-Identifier: GPL-3.0-or-later
// Sheets of rows in the real window: columns chosen and ordered, written and made again; a corrected sheet
// taken in, its rows settled by mouse and by keyboard.
#include <QtTest>

#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QSpinBox>

#include "app/deliver/before_view.h"
#include "app/deliver/column_editor.h"
#include "app/deliver/deliver_page.h"
#include "app/deliver/entry_dialog.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/rows_in_view.h"
#include "app/deliver/rows_out_view.h"
#include "app/deliver/track_search.h"
#include "app/library/library_page.h"
#include "app/shell/deliver_controllers.h"
#include "app/widgets/field_picker.h"
#include "app/widgets/order_list.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;
using State = deliver::InRow::State;

class TestDeliverRows : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const char* title : {"Gorse", "Lanterns", "Salt Road", "Tide Table"}) {
            const Path file = test::makeSound(*box_ / "shelf", std::string(title) + ".flac", ++seed);
            test::tag(file, {{"title", {title}},
                             {"artist", {"Wren-Low", "Isla Varnholt"}},
                             {"album", {"Harbour Day"}},
                             {"track", {std::to_string(seed)}}});
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

    void fromTheLibraryToASheet() {
        window().showWorkspace(MainWindow::Library);
        driver_->settle();
        window().library()->searchBox()->setText("harbour");
        QTRY_VERIFY(window().library()->isSearched());
        driver_->settle();
        // What is chosen, then all that is shown.
        window().library()->showFile(window().library()->filesInSight().front());
        driver_->settle();
        QTest::keyClick(&window(), Qt::Key_H, Qt::ControlModifier | Qt::AltModifier);
        rest();
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QCOMPARE(driver_->controllers().out->delivering.of().songs.size(), size_t{1});
        window().showWorkspace(MainWindow::Library);
        window().deliver()->show(DeliverWay::SheetOut);
        QTest::keyClick(&window(), Qt::Key_H, Qt::ControlModifier | Qt::AltModifier | Qt::ShiftModifier);
        rest();
        QCOMPARE(window().workspace(), MainWindow::Deliver);
        QVERIFY2(page()->told().contains("Search: harbour \u00B7 4 tracks"), qPrintable(page()->told()));
        QCOMPARE(cells().size(), 4);
        QCOMPARE(headings().first(), QString("Title"));
        // A column more, with a heading of its own; the artists in columns.
        rowsOut()->columns()->setCurrentRow(1);
        rowsOut()->adder()->setChosen({"@playout"});
        emit rowsOut()->adder()->changed();
        rest();
        QCOMPARE(headings().mid(0, 4), QStringList({"Title", "Artist", "Playout number", "Album"}));
        QTest::keyClicks(rowsOut()->column()->heading(), "Number");
        rest();
        QCOMPARE(headings().at(2), QString("Number"));
        rowsOut()->columns()->setCurrentRow(1);
        choose(rowsOut()->column()->several(), 2);
        rest();
        QCOMPARE(headings().mid(0, 4), QStringList({"Title", "Artist 1", "Artist 2", "Number"}));
        QCOMPARE(cells().first().mid(1, 2), QStringList({"Wren-Low", "Isla Varnholt"}));
        // In another order, and one fewer: by keyboard.
        rowsOut()->columns()->setCurrentRow(0);
        QTest::keyClick(rowsOut()->columns(), Qt::Key_Down, Qt::AltModifier);
        rest();
        QCOMPARE(rowsOut()->columns()->currentRow(), 1);
        QCOMPARE(headings().mid(0, 3), QStringList({"Artist 1", "Artist 2", "Title"}));
        rowsOut()->columns()->setCurrentRow(rowsOut()->columns()->count() - 1);
        QTest::keyClick(rowsOut()->columns(), Qt::Key_Delete);
        rest();
        QVERIFY(!headings().contains("Path"));
        choose(rowsOut()->delimiter(), 1);
        choose(rowsOut()->charset(), rowsOut()->charset()->findText("Windows-1252"));
        rest();
        // Kept by name, and written.
        test::answer<QInputDialog>(this, [](QInputDialog* d) {
            d->setTextValue("For the harbour");
            d->accept();
        });
        rowsOut()->layouts()->keep();
        QCOMPARE(rowsOut()->layouts()->choice()->currentText(), QString("For the harbour"));
        bool saved = false;
        out().rowsOut.save(*box_ / "out.csv", "Tarnholm Harbour Radio", [&](bool done) { saved = done; });
        rest();
        QVERIFY(saved);
        const std::string text = test::readBytes(*box_ / "out.csv");
        QVERIFY2(text.starts_with("Artist 1;Artist 2;Title;Number;Album;Track;Length;"), text.c_str());
        QCOMPARE(std::ranges::count(text, '\n'), 5);
        // It is noted, and is made again from there with what it was.
        rowsOut()->layouts()->choice()->setCurrentIndex(0);
        out().rowsOut.layouts().choose("Track list");
        out().delivering.setOf({});
        page()->show(DeliverWay::Before);
        rest();
        auto* before = page()->view<BeforeView>();
        QCOMPARE(before->list()->topLevelItemCount(), 1);
        QVERIFY2(before->box()->text().contains("All of it is as it was then"),
                 qPrintable(before->box()->text()));
        QVERIFY(before->box()->text().contains("For Tarnholm Harbour Radio"));
        QTest::mouseClick(before->repeatButton(), Qt::LeftButton);
        rest();
        QCOMPARE(page()->way(), DeliverWay::SheetOut);
        QCOMPARE(cells().size(), 4);
        QCOMPARE(headings().first(), QString("Artist 1"));
        // What cannot be written.
        saved = true;
        out().rowsOut.save(*box_ / "none" / "out.csv", {}, [&](bool done) { saved = done; });
        rest();
        QVERIFY(!saved);
        QCOMPARE(out().deliveries.all().size(), size_t{1});
    }

    void aCorrectedSheetComesIn() {
        write("in.csv",
              "Title,Artist,Year,Playout "
              "number,Colour\nGorse,Wren-Low; Isla Varnholt,1974,7001,red\nLanterns,Wren-Low; Isla "
              "Varnholt,,,\nSalt Rode,Isla "
              "Varnholt,2019,,\n"
              "Nobody's Song,Wren-Low,,,\nTide Table,Wren-Low,1999,,\nTide Table,Wren-Low,2000,,\n");
        openSheet("in.csv");
        QCOMPARE(counts(),
                 QStringList({"To settle  4", "Otherwise  1", "Agree  1", "Left out  0", "All  6"}));
        QCOMPARE(rowsIn()->columns()->item(4)->text(), QString("Colour"));
        // The misspelled one: another track, found by typing.
        selectLine(4);
        QTest::keyClicks(rowsIn()->search()->box(), "salt");
        QTRY_VERIFY(rowsIn()->search()->found()->count() > 0);
        QTest::keyClick(rowsIn()->search()->box(), Qt::Key_Return);
        rest();
        QCOMPARE(row(4).state, State::Changes);
        QVERIFY2(rowsIn()->told().contains("6 rows"), qPrintable(rowsIn()->told()));
        // Nobody's Song is left out.
        selectLine(5);
        QTest::mouseClick(rowsIn()->leaveOutButton(), Qt::LeftButton);
        rest();
        QCOMPARE(row(5).state, State::LeftOut);
        // Of two that contradict each other one counts.
        selectLine(7);
        link("This row counts");
        QCOMPARE(row(7).state, State::Changes);
        QCOMPARE(row(6).state, State::LeftOut);
        QTest::mouseClick(rowsIn()->takeButton(), Qt::LeftButton);
        rest();
        rest();
        QCOMPARE(draft("Gorse", "date"), QString("1974"));
        QCOMPARE(draft("Salt Road", "title"), QString("Salt Rode"));
        QCOMPARE(draft("Tide Table", "date"), QString("2000"));
        QVERIFY(draft("Lanterns", "date").isEmpty());
        QVERIFY(
            driver_->controllers().drafts.session().find(fileOf("Gorse"), "date")->origin.find("in.csv") !=
            std::string::npos);
        QCOMPARE(kept("Gorse", "playout number"), QString("7001"));
        // It was read again: what was taken agrees.
        QCOMPARE(rowsIn()->part(RowsInModel::Part::Changes)->text(), QString("Otherwise  0"));
    }

    void columnsArePutRightByHand() {
        write("in.csv", "Gorse;blue\nLanterns;green\n");
        openSheet("in.csv");
        QCOMPARE(counts().first(), QString("To settle  2"));
        QCOMPARE(rowsIn()->columns()->item(0)->text(), QString("Column 1"));
        rowsIn()->columns()->setCurrentRow(0);
        rowsIn()->says()->setChosen({"@stem"});
        emit rowsIn()->says()->changed();
        rest();
        rowsIn()->columns()->setCurrentRow(1);
        rowsIn()->says()->setChosen({"mood"});
        emit rowsIn()->says()->changed();
        rest();
        // The same name alone is not enough; with the length it would be.
        QCOMPARE(counts().first(), QString("To settle  2"));
        write("in.csv", "Gorse;blue;0:03\nLanterns;green;0:03\n");
        openSheet("in.csv");
        rowsIn()->columns()->setCurrentRow(0);
        rowsIn()->says()->setChosen({"@stem"});
        emit rowsIn()->says()->changed();
        rest();
        rowsIn()->columns()->setCurrentRow(1);
        rowsIn()->says()->setChosen({"mood"});
        emit rowsIn()->says()->changed();
        rest();
        QCOMPARE(counts().at(1), QString("Otherwise  2"));
        QVERIFY2(rowsIn()->row()->text().contains("Mood: blue"), qPrintable(rowsIn()->row()->text()));
    }

    void rowsWithoutAFileBecomeEntries() {
        write("in.csv", "Title,Length,File path\nHarbour ident,0:08,M:\\idents\\harbour.wav\nTalk,12:00,\n");
        openSheet("in.csv");
        rowsIn()->table()->selectAll();
        test::answer<EntryDialog>(this, [](EntryDialog* d) {
            d->findChild<QSpinBox*>()->setValue(30);
            d->accept();
        });
        QTest::mouseClick(rowsIn()->entriesButton(), Qt::LeftButton);
        rest();
        rest();
        QCOMPARE(row(2).state, State::New);
        const auto searcher = driver_->controllers().index.searcher();
        const auto found = searcher->ordered(searcher->find(library::parseQuery("kind:ident").query), {});
        QCOMPARE(found.size(), size_t{1});
        QVERIFY(searcher->has(found.front(), library::Absent));
        QCOMPARE(searcher->text(found.front(), "title"), std::string("Harbour ident"));
    }

    void whatCannotBeRead() {
        write("bad.csv", "Title,Artist\nGorse,\"Wren-Low\nTide,Isla\n");
        openSheet("bad.csv");
        QVERIFY(!out().rowsIn.rows());
        QVERIFY2(rowsIn()->told().contains("never ends"), qPrintable(rowsIn()->told()));
        // Quotes that mean nothing.
        exchange::DialectGiven given;
        given.quotes = false;
        out().rowsIn.setGiven(given);
        rest();
        QCOMPARE(out().rowsIn.rows()->all(), size_t{2});
        write("bad.csv", "PK\x03\x04 a workbook");
        out().rowsIn.open(*box_ / "bad.csv");
        rest();
        QVERIFY(out().rowsIn.why().contains("save it as CSV"));
        out().rowsIn.open(*box_ / "not there.csv");
        rest();
        QVERIFY(!out().rowsIn.why().isEmpty());
    }

private:
    MainWindow& window() { return driver_->window(); }
    DeliverPage* page() { return window().deliver(); }
    DeliverControllers& out() { return *driver_->controllers().out; }
    RowsOutView* rowsOut() { return page()->view<RowsOutView>(); }
    RowsInView* rowsIn() { return page()->view<RowsInView>(); }
    FileId fileOf(const std::string& title) { return driver_->fileNamed(title + ".flac"); }
    void rest() {
        driver_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue(), 20000);
        driver_->settle();
    }
    void write(const char* name, const std::string& text) { test::writeBytes(*box_ / name, text); }
    void openSheet(const char* name) {
        window().showWorkspace(MainWindow::Deliver);
        page()->show(DeliverWay::SheetIn);
        out().rowsIn.open(*box_ / name);
        rest();
        rest();
    }
    static void choose(QComboBox* box, int at) {
        box->setCurrentIndex(at);
        emit box->activated(at);
    }
    QStringList headings() {
        QStringList out;
        const auto* model = rowsOut()->preview()->model();
        for (int c = 0; c < model->columnCount(); ++c)
            out << model->headerData(c, Qt::Horizontal).toString();
        return out;
    }
    QList<QStringList> cells() {
        QList<QStringList> out;
        const auto* model = rowsOut()->preview()->model();
        for (int r = 0; r < model->rowCount(); ++r) {
            out << QStringList();
            for (int c = 0; c < model->columnCount(); ++c)
                out.back() << model->index(r, c).data().toString();
        }
        return out;
    }
    QStringList counts() {
        using Part = RowsInModel::Part;
        QStringList out;
        for (const Part part : {Part::Needs, Part::Changes, Part::Agree, Part::LeftOut, Part::All})
            out << rowsIn()->part(part)->text();
        return out;
    }
    deliver::InRow row(size_t line) {
        for (const deliver::InRow& one : out().rowsIn.rows()->rows)
            if (one.line == line)
                return one;
        qFatal("no such line");
    }
    void selectLine(size_t line) {
        rowsIn()->part(RowsInModel::Part::All)->click();
        for (int r = 0; r < rowsIn()->model()->rowCount(); ++r)
            if (rowsIn()->model()->index(r, RowsInModel::Line).data().toString() == QString::number(line))
                rowsIn()->table()->selectRow(r);
        driver_->settle();
    }
    void link(const QString& text) {
        for (QLabel* l : rowsIn()->row()->findChildren<QLabel*>())
            if (l->text().contains(text) && l->isVisible()) {
                QTest::mouseClick(l, Qt::LeftButton, {}, QPoint(10, l->height() / 2));
                rest();
                return;
            }
        QFAIL(qPrintable("no link: " + text));
    }
    QString draft(const std::string& title, const char* field) {
        const auto* found = driver_->controllers().drafts.session().find(fileOf(title), field);
        return found && !found->values.empty() ? QString::fromStdString(found->values.front()) : QString();
    }
    QString kept(const std::string& title, const char* field) {
        QString out;
        driver_->controllers().library.read(
            this, [file = fileOf(title)](library::Store& store) { return store.files().find(file)->kept; },
            [&](Result<library::KeptOfRecording> all) {
                if (const auto it = all->find(std::string_view(field)); it != all->end())
                    out = QString::fromStdString(it->second.front());
            });
        driver_->settle();
        return out;
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestDeliverRows)
#include "test_deliver_rows.moc"
