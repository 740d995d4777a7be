// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet and the drawer, with the keyboard.
#include <QtTest>

#include <QApplication>
#include <QClipboard>
#include <QHeaderView>
#include <QMenu>
#include <QPushButton>
#include <QTimer>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_box.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSheet : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        for (int i = 1; i <= 4; ++i)
            test::tag(
                test::makeSound(*box_ / "in", "0" + std::to_string(i) + ".flac", static_cast<uint32_t>(i)),
                {{"title", {"Title " + std::to_string(i)}},
                 {"artist", {"Wren-Low"}},
                 {"album", {"Lanterns"}},
                 {"track", {std::to_string(i)}}});
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->bringIn({*box_ / "in"});
        d_->window().bench()->showStep(BenchPage::Describe);
        d_->settle();
        sheet_ = d_->window().bench()->describe()->sheet();
        model_ = static_cast<SheetModel*>(sheet_->model());
        sheet_->setFocus();
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    int column(const std::string& key) {
        const auto& c = model_->columns();
        auto it = std::find(c.begin(), c.end(), key);
        return it == c.end() ? -1 : static_cast<int>(it - c.begin());
    }
    QString cell(int row, const char* key) {
        return model_->index(row, column(key)).data(Qt::EditRole).toString();
    }
    void select(int row1, const char* key1, int row2, const char* key2) {
        sheet_->setCurrentIndex(model_->index(row1, column(key1)));
        sheet_->selectionModel()->select(
            QItemSelection(model_->index(row1, column(key1)), model_->index(row2, column(key2))),
            QItemSelectionModel::ClearAndSelect);
    }
    FieldBox* box(const char* key) {
        for (FieldBox* b : d_->window().findChildren<FieldBox*>())
            if (b->key() == key && b->isVisible())
                return b;
        return nullptr;
    }

    void pasteOfARange() {
        QApplication::clipboard()->setText("One\tKestrel & Rook\nTwo\tIsla Varnholt\r\nThree\t\n");
        select(0, "title", 0, "title");
        QTest::keyClick(sheet_, Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(cell(0, "title"), QString("One"));
        QCOMPARE(cell(1, "artist"), QString("Isla Varnholt"));
        QCOMPARE(cell(2, "title"), QString("Three"));
        QCOMPARE(cell(2, "artist"), QString());
        QCOMPARE(cell(3, "title"), QString("Title 4"));
        QCOMPARE(d_->session().drafts().find(model_->fileAt(0), "title")->origin, std::string("pasted"));
        QTest::keyClick(&d_->window(), Qt::Key_Z, Qt::ControlModifier); // one action
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        QCOMPARE(cell(1, "artist"), QString("Wren-Low"));
        QTest::keyClick(&d_->window(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(cell(0, "title"), QString("One"));
    }

    void pasteOfOneValueFillsTheSelection() {
        QApplication::clipboard()->setText("Choral");
        select(0, "genre", 3, "genre");
        QTest::keyClick(sheet_, Qt::Key_V, Qt::ControlModifier);
        for (int r = 0; r < 4; ++r)
            QCOMPARE(cell(r, "genre"), QString("Choral"));
    }

    void copyOfARange() {
        select(1, "title", 2, "artist");
        QTest::keyClick(sheet_, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(QApplication::clipboard()->text(), QString("Title 2\tWren-Low\nTitle 3\tWren-Low"));
    }

    void deletingAndDropping() {
        select(0, "title", 1, "title");
        QTest::keyClick(sheet_, Qt::Key_Delete);
        QCOMPARE(cell(0, "title"), QString());
        QVERIFY(model_->index(0, column("title")).data(SheetModel::DraftRole).toBool());
        QTest::keyClick(sheet_, Qt::Key_Backspace, Qt::ControlModifier);
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
    }

    void valuesThatCannotBe() {
        sheet_->setCurrentIndex(model_->index(0, column("date")));
        QTest::keyClicks(sheet_, "s");
        QTest::keyClicks(QApplication::focusWidget(), "oon");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
        QCOMPARE(cell(0, "date"), QString());
        QVERIFY(d_->window().message().contains("1998-10-05")); // it says what would be right
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
    }

    void escapeLeavesTheCell() {
        sheet_->setCurrentIndex(model_->index(0, column("title")));
        QTest::keyClicks(sheet_, "x");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
        QCOMPARE(cell(0, "title"), QString("Title 1"));
    }

    void altShowsTheDisk() {
        d_->session().drafts().propose("Edit", {{model_->fileAt(0), "title", {"Draft"}}}, "typed");
        QCOMPARE(cell(0, "title"), QString("Draft"));
        QTest::keyPress(&d_->window(), Qt::Key_Alt);
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        QVERIFY(!model_->index(0, column("title")).data(SheetModel::DraftRole).toBool());
        QTest::keyRelease(&d_->window(), Qt::Key_Alt);
        QCOMPARE(cell(0, "title"), QString("Draft"));
    }

    void toolTipsSayWhereItComesFrom() {
        d_->session().drafts().propose("Edit", {{model_->fileAt(0), "title", {"Draft"}}},
                                       "read from the name");
        QString tip = model_->index(0, column("title")).data(Qt::ToolTipRole).toString();
        QVERIFY(tip.contains("read from the name"));
        QVERIFY(tip.contains("Title 1"));
    }

    void whatStandsOutIsMarked() {
        d_->session().drafts().propose("Edit", {{model_->fileAt(3), "album", {"Lantern"}}}, "typed");
        QVERIFY(model_->index(3, column("album")).data(SheetModel::OddRole).toBool());
        QVERIFY(!model_->index(0, column("album")).data(SheetModel::OddRole).toBool());
    }

    void theDrawerEditsAllTogether() {
        sheet_->clearSelection();
        d_->settle();
        FieldBox* title = box("title");
        QVERIFY(title);
        QCOMPARE(title->placeholderText(), QString("4 values"));
        QCOMPARE(box("artist")->text(), QString("Wren-Low"));
        // Leaving a box alone keeps the values.
        title->setFocus();
        QTest::keyClick(title, Qt::Key_Return);
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
        FieldBox* genre = box("genre");
        genre->setFocus();
        QTest::keyClicks(genre, "Folk");
        QTest::keyClick(genre, Qt::Key_Comma, Qt::ControlModifier);
        QTest::keyClicks(genre, "Live");
        QTest::keyClick(genre, Qt::Key_Return);
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{4});
        QCOMPARE(d_->session().drafts().effective(model_->fileAt(2), "genre"),
                 (std::vector<std::string>{"Folk", "Live"}));
        // Undo is about drafts, also while the focus is in the drawer.
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
        FieldBox* artist = box("artist");
        artist->setFocus();
        artist->selectAll();
        QTest::keyClick(artist, Qt::Key_Delete);
        QTest::keyClick(artist, Qt::Key_Return);
        QCOMPARE(cell(1, "artist"), QString());
        // Only the selected files.
        select(2, "title", 2, "title");
        d_->settle();
        QCOMPARE(box("title")->text(), QString("Title 3"));
        box("title")->setFocus();
        box("title")->selectAll();
        QTest::keyClicks(box("title"), "Undertow");
        QTest::keyClick(box("title"), Qt::Key_Return);
        QCOMPARE(cell(2, "title"), QString("Undertow"));
        QCOMPARE(cell(1, "title"), QString("Title 2"));
    }

    void theMenuOfABox() {
        sheet_->clearSelection();
        d_->settle();
        FieldBox* title = box("title");
        title->setFocus();
        auto choose = [&](const QString& start) {
            bool done = false;
            QTimer::singleShot(0, this, [&] {
                auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
                QVERIFY(menu);
                for (QAction* a : menu->actions())
                    if (a->text().startsWith(start) && !done) {
                        a->trigger();
                        done = true;
                    }
                menu->close();
            });
            QTest::keyClick(title, Qt::Key_Down);
            QVERIFY2(done, qPrintable(start));
        };
        choose("Keep as they are");
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
        choose("1 \u00D7 Title 2"); // one of the values, for all
        for (int r = 0; r < 4; ++r)
            QCOMPARE(cell(r, "title"), QString("Title 2"));
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{3}); // the second says so already
        choose("Drop drafts");
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
        choose("Blank in all");
        for (int r = 0; r < 4; ++r)
            QCOMPARE(cell(r, "title"), QString());
        QCOMPARE(title->placeholderText(), QString("will be blank"));
    }

    void moreThanOneBatchOfEdits() {
        // A long day: many edits, all taken back one by one, then done again.
        for (int i = 0; i < 60; ++i)
            d_->session().drafts().propose(
                "Edit", {{model_->fileAt(i % 4), i % 3 ? "title" : "genre", {"Value " + std::to_string(i)}}},
                "typed");
        size_t drafts = d_->session().drafts().fieldDrafts();
        QCOMPARE(drafts, size_t{8});
        for (int i = 0; i < 60; ++i)
            QTest::keyClick(&d_->window(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(d_->session().drafts().fieldDrafts(), size_t{0});
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        for (int i = 0; i < 60; ++i)
            QTest::keyClick(&d_->window(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(d_->session().drafts().fieldDrafts(), drafts);
    }

    void numbersAndCasing() {
        select(0, "title", 3, "title");
        for (QAction* a : d_->window().allActions())
            QVERIFY(!a->text().isEmpty());
        for (QPushButton* b : d_->window().findChildren<QPushButton*>())
            if (b->text().startsWith("Casing"))
                b->menu()->actions().at(3)->trigger();
        QCOMPARE(cell(0, "title"), QString("TITLE 1"));
        QCOMPARE(d_->session().drafts().find(model_->fileAt(0), "title")->origin, std::string("casing"));
    }

    void tenThousandRows() {
        // Sizes of rows are fixed and nothing asks for all of them: a jump to the end draws only what is
        // seen.
        std::vector<FileId> many;
        for (int i = 0; i < 10000; ++i)
            many.push_back(model_->fileAt(i % 4));
        model_->setFiles(many);
        QCOMPARE(model_->rowCount(), 10000);
        QCOMPARE(sheet_->verticalHeader()->sectionResizeMode(0), QHeaderView::Fixed);
        sheet_->scrollToBottom();
        QVERIFY(sheet_->indexAt(QPoint(20, sheet_->viewport()->height() - 20)).row() > 9980);
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
    SheetView* sheet_ = nullptr;
    SheetModel* model_ = nullptr;
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestSheet test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_sheet.moc"
