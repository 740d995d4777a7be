// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet and the drawer, with the keyboard.
#include <QtTest>

#include <QApplication>
#include <QClipboard>
#include <QHeaderView>
#include <QMenu>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <QTimer>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_box.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSheet : public QObject, SheetDesk {
    Q_OBJECT
private slots:
    void init() {
        sheetBox_ = std::make_unique<test::Sandbox>();
        for (int i = 1; i <= 4; ++i)
            test::tag(test::makeSound(*sheetBox_ / "in", "0" + std::to_string(i) + ".flac",
                                      static_cast<uint32_t>(i)),
                      {{"title", {"Title " + std::to_string(i)}},
                       {"artist", {"Wren-Low"}},
                       {"album", {"Lanterns"}},
                       {"track", {std::to_string(i)}}});
        describeFolder();
    }
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
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
        QCOMPARE(desk_->controllers().drafts.session().find(model_->fileAt(0), "title")->origin,
                 std::string("pasted"));
        QTest::keyClick(&desk_->window(), Qt::Key_Z, Qt::ControlModifier); // one action
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        QCOMPARE(cell(1, "artist"), QString("Wren-Low"));
        QTest::keyClick(&desk_->window(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
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
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
    }

    void valuesThatCannotBe() {
        sheet_->setCurrentIndex(model_->index(0, column("date")));
        QTest::keyClicks(sheet_, "s");
        QTest::keyClicks(QApplication::focusWidget(), "oon");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
        QCOMPARE(cell(0, "date"), QString());
        QVERIFY(desk_->window().message().contains("1998-10-05")); // it says what would be right
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
    }

    void escapeLeavesTheCell() {
        sheet_->setCurrentIndex(model_->index(0, column("title")));
        QTest::keyClicks(sheet_, "x");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Escape);
        QCOMPARE(cell(0, "title"), QString("Title 1"));
    }

    void altShowsTheDisk() {
        desk_->controllers().drafts.session().propose("Edit", {{model_->fileAt(0), "title", {"Draft"}}},
                                                      "typed");
        QCOMPARE(cell(0, "title"), QString("Draft"));
        QTest::keyPress(&desk_->window(), Qt::Key_Alt);
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        QVERIFY(!model_->index(0, column("title")).data(SheetModel::DraftRole).toBool());
        QTest::keyRelease(&desk_->window(), Qt::Key_Alt);
        QCOMPARE(cell(0, "title"), QString("Draft"));
    }

    void toolTipsSayWhereItComesFrom() {
        desk_->controllers().drafts.session().propose("Edit", {{model_->fileAt(0), "title", {"Draft"}}},
                                                      "read from the name");
        QString tip = model_->index(0, column("title")).data(Qt::ToolTipRole).toString();
        QVERIFY(tip.contains("read from the name"));
        QVERIFY(tip.contains("Title 1"));
    }

    void whatStandsOutIsMarked() {
        desk_->controllers().drafts.session().propose("Edit", {{model_->fileAt(3), "album", {"Lantern"}}},
                                                      "typed");
        QVERIFY(model_->index(3, column("album")).data(SheetModel::OddRole).toBool());
        QVERIFY(!model_->index(0, column("album")).data(SheetModel::OddRole).toBool());
    }

    void theDrawerEditsAllTogether() {
        sheet_->clearSelection();
        desk_->settle();
        FieldBox* title = box("title");
        QVERIFY(title);
        QCOMPARE(title->placeholderText(), QString("4 values"));
        QCOMPARE(box("artist")->text(), QString("Wren-Low"));
        // Leaving a box alone keeps the values.
        title->setFocus();
        QTest::keyClick(title, Qt::Key_Return);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        FieldBox* genre = box("genre");
        genre->setFocus();
        QTest::keyClicks(genre, "Folk");
        QTest::keyClick(genre, Qt::Key_Comma, Qt::ControlModifier);
        QTest::keyClicks(genre, "Live");
        QTest::keyClick(genre, Qt::Key_Return);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{4});
        QCOMPARE(desk_->controllers().drafts.session().effective(model_->fileAt(2), "genre"),
                 (std::vector<std::string>{"Folk", "Live"}));
        // Undo is about drafts, also while the focus is in the drawer.
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        FieldBox* artist = box("artist");
        artist->setFocus();
        artist->selectAll();
        QTest::keyClick(artist, Qt::Key_Delete);
        QTest::keyClick(artist, Qt::Key_Return);
        QCOMPARE(cell(1, "artist"), QString());
        // Only the selected files.
        select(2, "title", 2, "title");
        desk_->settle();
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
        desk_->settle();
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
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        choose("1 \u00D7 Title 2"); // one of the values, for all
        for (int r = 0; r < 4; ++r)
            QCOMPARE(cell(r, "title"), QString("Title 2"));
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(),
                 size_t{3}); // the second says so already
        choose("Drop drafts");
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        choose("Blank in all");
        for (int r = 0; r < 4; ++r)
            QCOMPARE(cell(r, "title"), QString());
        QCOMPARE(title->placeholderText(), QString("will be blank"));
    }

    void moreThanOneBatchOfEdits() {
        // A long day: many edits, all taken back one by one, then done again.
        for (int i = 0; i < 60; ++i)
            desk_->controllers().drafts.session().propose(
                "Edit", {{model_->fileAt(i % 4), i % 3 ? "title" : "genre", {"Value " + std::to_string(i)}}},
                "typed");
        size_t drafts = desk_->controllers().drafts.session().fieldDrafts();
        QCOMPARE(drafts, size_t{8});
        for (int i = 0; i < 60; ++i)
            QTest::keyClick(&desk_->window(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        QCOMPARE(cell(0, "title"), QString("Title 1"));
        for (int i = 0; i < 60; ++i)
            QTest::keyClick(&desk_->window(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(desk_->controllers().drafts.session().fieldDrafts(), drafts);
    }

    void numbersAndCasing() {
        select(0, "title", 3, "title");
        for (QAction* a : desk_->window().allActions())
            QVERIFY(!a->text().isEmpty());
        for (QPushButton* b : desk_->window().findChildren<QPushButton*>())
            if (b->text().startsWith("Casing"))
                b->menu()->actions().at(3)->trigger();
        QCOMPARE(cell(0, "title"), QString("TITLE 1"));
        QCOMPARE(desk_->controllers().drafts.session().find(model_->fileAt(0), "title")->origin,
                 std::string("casing"));
    }

    void tenThousandRows() {
        // Sizes of rows are fixed and nothing asks for all of them: a jump to the end draws only what is
        // seen.
        std::vector<FileId> many;
        for (int i = 0; i < 10000; ++i)
            many.push_back(model_->fileAt(i % 4));
        struct Counting : QStyledItemDelegate {
            using QStyledItemDelegate::QStyledItemDelegate;
            void paint(QPainter* p, const QStyleOptionViewItem& o, const QModelIndex& i) const override {
                drawn.insert(i.row());
                QStyledItemDelegate::paint(p, o, i);
            }
            QSize sizeHint(const QStyleOptionViewItem& o, const QModelIndex& i) const override {
                measured.insert(i.row());
                return QStyledItemDelegate::sizeHint(o, i);
            }
            mutable std::set<int> drawn, measured;
        };
        auto* counting = new Counting(sheet_);
        QAbstractItemDelegate* before = sheet_->itemDelegate();
        sheet_->setItemDelegate(counting);
        model_->setFiles(many);
        QCOMPARE(model_->rowCount(), 10000);
        QCOMPARE(sheet_->verticalHeader()->sectionResizeMode(0), QHeaderView::Fixed);
        sheet_->scrollToBottom();
        sheet_->grab();
        QVERIFY(sheet_->indexAt(QPoint(20, sheet_->viewport()->height() - 20)).row() > 9980);
        QVERIFY(counting->drawn.contains(9999));
        QVERIFY2(counting->drawn.size() < 200, qPrintable(QString::number(counting->drawn.size())));
        QVERIFY2(counting->measured.size() < 200, qPrintable(QString::number(counting->measured.size())));
        sheet_->setItemDelegate(before);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestSheet test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_sheet.moc"
