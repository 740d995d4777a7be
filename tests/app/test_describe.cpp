// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet narrowed, sorted and laid out; values chosen instead of typed; what is nearly one of them.
#include <QtTest>

#include <QHeaderView>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QScrollBar>

#include "app/bench/filter_bar.h"
#include "app/bench/sheet_columns.h"
#include "app/bench/spelling_hint.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_sets.h"
#include "app/widgets/frozen_column.h"
#include "app/widgets/value_completer.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestDescribe : public QObject, SheetDesk {
    Q_OBJECT
private slots:
    void init() {
        QSettings().clear();
        sheetBox_ = std::make_unique<test::Sandbox>();
        struct Song {
            const char *title, *artist, *genre, *track, *album;
        };
        const Song songs[] = {{"Slack Water", "The Hollow Ferry", "Folk", "10", "Night Post EP"},
                              {"Gorse", "The Hollow Ferry", "Folk", "9", "Night Post EP"},
                              {"Ebb", "The Hollow Ferry", "Folk", "2", "Night Post EP"},
                              {"Åker", "Åse-Linn Brække", "", "1", "Night Pots EP"}};
        for (int i = 0; i < 4; ++i) {
            tags::Fields fields = {{"title", {songs[i].title}},
                                   {"artist", {songs[i].artist}},
                                   {"album", {songs[i].album}},
                                   {"track", {songs[i].track}}};
            if (*songs[i].genre)
                fields["genre"] = {songs[i].genre};
            test::tag(test::makeSound(*sheetBox_ / "in/ep", "0" + std::to_string(i + 1) + ".flac",
                                      static_cast<uint32_t>(i + 1)),
                      fields);
        }
        describeFolder();
        page_ = desk_->window().bench()->describe();
        // They are one sleeve, whatever sorting says.
        desk_->controllers().batch.newSleeve(desk_->controllers().sleeves.files(), "EP");
        desk_->settle();
    }
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
    }

    void sortedByNumbersAndWords() {
        click("track");
        QCOMPARE(titles(), (QStringList{"Åker", "Ebb", "Gorse", "Slack Water"})); // 2 before 10
        click("track");
        QCOMPARE(titles(), (QStringList{"Slack Water", "Gorse", "Ebb", "Åker"}));
        // Within the artists by title; blanks last either way.
        click("genre");
        QCOMPARE(titles().back(), QString("Åker"));
        click("genre");
        QCOMPARE(titles().back(), QString("Åker"));
        click("artist");
        click("title", Qt::ShiftModifier);
        QCOMPARE(titles(), (QStringList{"Åker", "Ebb", "Gorse", "Slack Water"}));
        QCOMPARE(page_->sorting().size(), size_t{2});
        // Rows stay where they are while they are edited.
        enter(0, "title", "Zander");
        QCOMPARE(titles(), (QStringList{"Zander", "Ebb", "Gorse", "Slack Water"}));
    }

    void narrowed() {
        QTest::keyClick(&desk_->window(), Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        QLineEdit* line = page_->filterBar()->search();
        QCOMPARE(desk_->window().focusWidget(), line);
        QTest::keyClicks(line, "ase 04");
        QTRY_COMPARE(titles(), QStringList{"Åker"});
        QTest::keyClick(line, Qt::Key_Return); // the hands go on in the sheet
        QCOMPARE(desk_->window().focusWidget(), static_cast<QWidget*>(sheet_));
        enter(0, "genre", "Folk");
        line->setFocus();
        QTest::keyClick(line, Qt::Key_Escape);
        QCOMPARE(titles().size(), 4);
        auto shows = [&](const SheetFilter& f) {
            page_->filterBar()->setFilter(f);
            return titles();
        };
        QCOMPARE(shows({.text = {}, .drafted = true}), QStringList{"Åker"});
        QCOMPARE(shows({.text = {}, .undrafted = true}).size(), 3);
        QCOMPARE(shows({.text = {}, .differs = true}), QStringList{"Åker"}); // by its album
        QCOMPARE(shows({.text = {}, .lacks = "genre"}).size(), 0);
        QVERIFY(!sheet_->isVisible()); // it says what to do
        QCOMPARE(shows({.text = {}, .lacks = "date"}).size(), 4);
        QCOMPARE(shows({.text = {}, .kind = matching::ContentKind::Speech}).size(), 0);
        page_->filterBar()->clear();
        QCOMPARE(titles().size(), 4);
    }

    void whatDiffersInItsSleeveIsMarked() {
        QVERIFY(model_->index(0, column("album")).data(FileTable::OddRole).toBool());
        QVERIFY(!model_->index(1, column("album")).data(FileTable::OddRole).toBool());
        QVERIFY(model_->index(0, column("album")).data(Qt::ToolTipRole).toString().contains("Night Post EP"));
        desk_->controllers().drafts.session().propose("x", {{model_->fileAt(0), "album", {"Night Post EP"}}},
                                                      "y");
        QVERIFY(!model_->index(0, column("album")).data(FileTable::OddRole).toBool());
    }

    void valuesAreOfferedInACell() {
        QLineEdit* editor = type(0, "artist", "hol");
        QVERIFY(editor);
        ValueCompleter* values = ValueCompleter::of(editor);
        QVERIFY(values);
        QCOMPARE(values->offered(), QStringList{"The Hollow Ferry"});
        QTest::keyClick(editor, Qt::Key_Down);
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(cell(0, "artist"), QString("The Hollow Ferry"));
        // Enter without choosing takes what was typed; Escape closes the list first.
        enter(0, "artist", "hol");
        QCOMPARE(cell(0, "artist"), QString("hol"));
        editor = type(0, "artist", "hol");
        QTest::keyClick(editor, Qt::Key_Escape);
        QVERIFY(sheet_->openEditor());
        QTest::keyClick(editor, Qt::Key_Escape);
        QVERIFY(!sheet_->openEditor());
        // A title is nobody's to choose.
        QVERIFY(!ValueCompleter::of(type(0, "title", "Sl")));
    }

    void anotherValueIsOfferedInTheDrawer() {
        go(0, "artist");
        sheet_->selectRow(0);
        FieldBox* artist = box("artist");
        artist->setFocus();
        artist->end(false);
        QTest::keyClick(&desk_->window(), Qt::Key_Comma, Qt::ControlModifier);
        QTest::keyClicks(artist, "hollow");
        QCOMPARE(ValueCompleter::of(artist)->offered(), QStringList{"The Hollow Ferry"});
        QTest::keyClick(artist, Qt::Key_Down);
        QTest::keyClick(artist, Qt::Key_Return);
        QCOMPARE(cell(0, "artist"), QString("Åse-Linn Brække ¦ The Hollow Ferry"));
    }

    void nearlyAUsualValue() {
        enter(0, "genre", "Fokl");
        QVERIFY(page_->spelling()->isVisible());
        QVERIFY2(page_->spelling()->text().contains("“Folk”, which is used 3 time"),
                 qPrintable(page_->spelling()->text()));
        QTest::keyClick(&desk_->window(), Qt::Key_U, Qt::ControlModifier);
        QCOMPARE(cell(0, "genre"), QString("Folk"));
        QVERIFY(!page_->spelling()->isVisible());
        // Hands that type on do not lose it.
        enter(0, "genre", "Fokl");
        enter(1, "genre", "Jazz");
        QVERIFY(page_->spelling()->isVisible());
        QTest::keyClick(&desk_->window(), Qt::Key_U, Qt::ControlModifier);
        QCOMPARE(cell(0, "genre"), QString("Folk"));
        QCOMPARE(cell(1, "genre"), QString("Jazz"));
        // Undone, it goes by itself; left, it is not asked again.
        enter(0, "genre", "Fokl");
        QVERIFY(page_->spelling()->isVisible());
        desk_->controllers().undo.undo();
        QVERIFY(!page_->spelling()->isVisible());
        for (int times = 0; times < 2; ++times) {
            enter(0, "genre", "Fokl");
            QCOMPARE(page_->spelling()->isVisible(), times == 0);
            if (times == 0)
                page_->spelling()->findChildren<QPushButton*>().last()->click();
            desk_->controllers().undo.undo();
        }
        // In the drawer, too.
        sheet_->selectRow(0);
        FieldBox* artist = box("artist");
        artist->setFocus();
        artist->selectAll();
        QTest::keyClicks(artist, "The Holow Ferry");
        QTest::keyClick(artist, Qt::Key_Return);
        QVERIFY(page_->spelling()->isVisible());
    }

    void theFileColumnStaysInSight() {
        auto* frozen = page_->findChild<FrozenColumn*>();
        QVERIFY(frozen);
        QVERIFY(!frozen->isVisible());
        sheet_->horizontalScrollBar()->setValue(sheet_->horizontalScrollBar()->maximum());
        QVERIFY(sheet_->horizontalScrollBar()->maximum() > 0);
        QTRY_VERIFY(frozen->isVisible());
        QCOMPARE(frozen->isColumnHidden(column(nameColumn)), false);
        QCOMPARE(frozen->isColumnHidden(column("title")), true);
        QTest::mouseClick(frozen->viewport(), Qt::LeftButton, {},
                          frozen->visualRect(model_->index(2, column(nameColumn))).center());
        QCOMPARE(sheet_->chosenFiles(), std::vector<FileId>{model_->fileAt(2)});
        sheet_->horizontalScrollBar()->setValue(0);
        QVERIFY(!frozen->isVisible());
    }

    void columnsOfOnesOwn() {
        FieldSetDialog dialog("Columns", "describe/columns", page_->columns()->all(), {nameColumn, "title"},
                              columnLabel);
        dialog.show();
        QVERIFY(QTest::qWaitForWindowActive(&dialog));
        QTest::keyClicks(dialog.search(), "sample");
        QTest::keyClick(dialog.search(), Qt::Key_Space, Qt::ControlModifier);
        QCOMPARE(dialog.chosen(), (std::vector<std::string>{nameColumn, "title", rateColumn}));
        auto* shown = dialog.findChildren<QListWidget*>().last();
        shown->setFocus();
        shown->setCurrentRow(2);
        QTest::keyClick(shown, Qt::Key_Up, Qt::AltModifier);
        QCOMPARE(dialog.chosen(), (std::vector<std::string>{nameColumn, rateColumn, "title"}));
        dialog.keepAs("Sound & more");
        QCOMPARE(fieldSets("describe/columns").size(), size_t{1});
        page_->columns()->show(fieldSets("describe/columns")[0].keys);
        QCOMPARE(cell(0, rateColumn), QString("44.1 kHz"));
        // Wide columns, their order and the sets are there the next time.
        sheet_->setColumnWidth(2, 333);
        sheet_->horizontalHeader()->moveSection(2, 1);
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
        auto* again = desk_->window().bench()->describe();
        auto* model = static_cast<SheetModel*>(again->sheet()->model());
        QCOMPARE(model->columns(), (std::vector<std::string>{nameColumn, "title", rateColumn}));
        QCOMPARE(again->sheet()->columnWidth(1), 333);
        forgetFieldSet("describe/columns", "Sound & more");
        QVERIFY(fieldSets("describe/columns").empty());
    }

    void veryManyFilesAreCountedInPortions() {
        desk_.reset();
        {
            auto store = library::Store::open(*sheetBox_ / "many.db");
            std::vector<files::ScannedFile> rows(6000);
            for (size_t i = 0; i < rows.size(); ++i) {
                rows[i].path = "/archive/" + std::to_string(i) + ".flac";
                rows[i].tags.emplace();
                rows[i].tags->format = audio::Format::Flac;
                rows[i].tags->fields = {{"title", {"Title " + std::to_string(i)}}, {"genre", {"Folk"}}};
            }
            (*store)->saveFiles(rows, (*store)->batches().add("Many"));
        }
        desk_ = std::make_unique<Driver>(*sheetBox_ / "many.db");
        QTRY_COMPARE(desk_->controllers().sleeves.files().size(), size_t{6000});
        desk_->window().bench()->showStep(BenchPage::Describe);
        page_ = desk_->window().bench()->describe();
        sheet_ = page_->sheet();
        model_ = static_cast<SheetModel*>(sheet_->model());
        QTRY_COMPARE(box("title")->placeholderText(), QString("6000 values"));
        QTRY_COMPARE(box("genre")->text(), QString("Folk"));
        // An edit of all of them is counted, too; and what is typed meanwhile stays.
        select(0, "genre", 5999, "genre");
        desk_->controllers().drafts.session().propose("x", {{model_->fileAt(7), "genre", {"Choral"}}}, "y");
        QTRY_COMPARE(box("genre")->placeholderText(), QString("2 values"));
        sheet_->fillDown();
        FieldBox* title = box("title");
        title->setFocus();
        QTest::keyClicks(title, "half");
        QTRY_COMPARE(box("genre")->text(), QString("Folk"));
        QCOMPARE(title->text(), QString("half"));
        QTest::keyClick(title, Qt::Key_Escape);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
    }

    void aSeriesGoesOn() {
        select(1, "track", 3, "track"); // 2, 9, 10
        QTest::keyClick(sheet_, Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(cell(0, "track"), QString("1"));
        QCOMPARE(cell(1, "track"), QString("2"));
        QCOMPARE(cell(2, "track"), QString("3"));
        QCOMPARE(cell(3, "track"), QString("4"));
        QSignalSpy refused(model_, &FileTable::refused);
        select(0, "title", 3, "title");
        QTest::keyClick(sheet_, Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(refused.size(), 1);
        QCOMPARE(cell(1, "title"), QString("Ebb"));
    }

private:
    DescribePage* page_ = nullptr;
    /// Begins in the cell, as hands do.
    QLineEdit* type(int row, const char* key, const QString& text) {
        go(row, key);
        QTest::keyClicks(sheet_, text.left(1));
        QLineEdit* editor = sheet_->openEditor();
        QTest::keyClicks(editor, text.mid(1));
        return editor;
    }
    void enter(int row, const char* key, const QString& text) {
        QTest::keyClick(type(row, key, text), Qt::Key_Return);
    }
    QStringList titles() {
        QStringList out;
        for (int r = 0; r < model_->rowCount(); ++r)
            out << cell(r, "title");
        return out;
    }
    void click(const std::string& key, Qt::KeyboardModifiers modifiers = {}) {
        QHeaderView* header = sheet_->horizontalHeader();
        const int c = column(key);
        sheet_->scrollTo(model_->index(0, c));
        QTest::mouseClick(header->viewport(), Qt::LeftButton, modifiers,
                          {header->sectionViewportPosition(c) + 8, 12});
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestDescribe test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_describe.moc"
