// SPDX-License-Identifier: GPL-3.0-or-later
// The window on a real (virtual) display, with a keyboard and a mouse whose events come one by one, with time
// between them, through the window system: what events made inside the program cannot show.
#include <QtTest>

#include <QLineEdit>
#include <QProcess>
#include <QTreeView>

#include "app/bench/bring_in_page.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/sleeve_list.h"
#include "app/widgets/value_completer.h"
#include "support/menus.h"
#include "support/sheet_desk.h"
#include "support/small_batch.h"
#include "support/virtual_display.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestRealWindow : public QObject, SmallBatch {
    Q_OBJECT

    /// What xdotool is asked to do, while the application goes on.
    static void hands(const QStringList& how) {
        QProcess tool;
        tool.start("xdotool", how);
        QVERIFY(QTest::qWaitFor([&] { return tool.state() == QProcess::NotRunning; }, 60000));
        QVERIFY2(tool.exitCode() == 0, tool.readAllStandardError().constData());
        QTest::qWait(30);
    }
    static QStringList at(const QPoint& global) {
        return {QString::number(global.x()), QString::number(global.y())};
    }
    static QPoint middle(QAbstractItemView* view, const QModelIndex& index) {
        view->scrollTo(index);
        return view->viewport()->mapToGlobal(view->visualRect(index).center());
    }
    void show() {
        w().move(0, 0);
        hands({"windowfocus", "--sync", QString::number(w().winId())}); // no window manager does it
        w().activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&w()));
        d_->settle();
    }

private slots:
    void init() {
        begin();
        makeBatch();
        show();
    }
    void cleanup() { end(); }

    void typingAtTheSpeedOfHands() {
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        SheetView* sheet = w().bench()->describe()->sheet();
        auto* model = static_cast<SheetModel*>(sheet->model());
        const auto& columns = model->columns();
        const int title =
            static_cast<int>(std::find(columns.begin(), columns.end(), "title") - columns.begin());
        hands(QStringList{"mousemove"} + at(middle(sheet, model->index(0, title))) +
              QStringList{"click", "1"});
        for (const char* text : {"Alpha one", "Bravo two", "Charlie three"}) {
            hands({"type", "--delay", "55", text});
            hands({"key", "Return"});
        }
        d_->settle();
        auto cell = [&](int row) { return model->index(row, title).data(Qt::EditRole).toString(); };
        QCOMPARE(cell(0), QString("Alpha one"));
        QCOMPARE(cell(1), QString("Bravo two"));
        QCOMPARE(cell(2), QString("Charlie three"));
        // A double click opens the editor, Escape leaves it.
        hands(QStringList{"mousemove"} + at(middle(sheet, model->index(1, title))) +
              QStringList{"click", "--repeat", "2", "--delay", "60", "1"});
        QVERIFY(QTest::qWaitFor([] { return qobject_cast<QLineEdit*>(QApplication::focusWidget()); }, 3000));
        hands({"type", "--delay", "55", "Delta"});
        hands({"key", "Escape"});
        QCOMPARE(cell(1), QString("Bravo two"));
        // Undo goes step by step.
        hands({"key", "ctrl+z"});
        d_->settle();
        QVERIFY(cell(2) != "Charlie three");
        QCOMPARE(cell(1), QString("Bravo two"));
    }

    /// The list of values is a window of its own: it must leave the keyboard where it is.
    void aValueIsChosenWhileTyping() {
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        SheetView* sheet = w().bench()->describe()->sheet();
        auto* model = static_cast<SheetModel*>(sheet->model());
        const auto& columns = model->columns();
        const int artist =
            static_cast<int>(std::find(columns.begin(), columns.end(), "artist") - columns.begin());
        sheet->scrollTo(model->index(0, artist));
        const QString before = model->index(0, artist).data(Qt::EditRole).toString();
        hands(QStringList{"mousemove"} + at(middle(sheet, model->index(0, artist))) +
              QStringList{"click", "1"});
        hands({"type", "--delay", "55", before.left(3).toLower()});
        QVERIFY(QTest::qWaitFor(
            [&] {
                QLineEdit* editor = sheet->openEditor();
                ValueCompleter* values = editor ? ValueCompleter::of(editor) : nullptr;
                return values && values->offered().contains(before);
            },
            3000));
        hands({"key", "Down"});
        hands({"key", "Return"});
        d_->settle();
        QCOMPARE(model->index(0, artist).data(Qt::EditRole).toString(), before);
        // Without choosing, what is typed is what is meant.
        hands(QStringList{"mousemove"} + at(middle(sheet, model->index(0, artist))) +
              QStringList{"click", "1"});
        hands({"type", "--delay", "55", before.left(3).toLower()});
        hands({"key", "Return"});
        d_->settle();
        QCOMPARE(model->index(0, artist).data(Qt::EditRole).toString(), before.left(3).toLower());
    }

    void filesAreDraggedFromTheFoldersToASleeve() {
        w().bench()->showStep(BenchPage::BringIn);
        d_->settle();
        QTreeView* tree = w().bench()->bringIn()->tree();
        SleeveList* list = w().bench()->sleeves();
        tree->expandAll();
        QModelIndex lanterns;
        for (int i = 0; i < list->count(); ++i)
            if (s().sleeves.all()[static_cast<size_t>(i)].title == "Lanterns")
                lanterns = list->model()->index(i, 0);
        QVERIFY(lanterns.isValid());
        const FileId gorse = d_->fileNamed("a2.mp3");
        const QPoint from = middle(tree, d_->bringInRow("a2.mp3")), to = middle(list, lanterns);
        QStringList way = QStringList{"mousemove"} + at(from) + QStringList{"mousedown", "1"};
        for (int i = 1; i <= 8; ++i)
            way += QStringList{"sleep", "0.04", "mousemove"} + at(from + (to - from) * i / 8);
        hands(way + QStringList{"sleep", "0.1", "mousemove"} + at(to + QPoint(2, 1)) +
              QStringList{"sleep", "0.1", "mouseup", "1"});
        d_->settle();
        for (const SleeveView& v : s().sleeves.all())
            if (v.title == "Lanterns") {
                QVERIFY2(std::find(v.files.begin(), v.files.end(), gorse) != v.files.end(),
                         "the file did not come along");
                QVERIFY(v.byHand);
            }
        QCOMPARE(s().sleeves.files().size(), size_t{6}); // moved among sleeves only
    }

    void aMenuByTheRightButton() {
        w().bench()->showStep(BenchPage::BringIn);
        d_->settle();
        QTreeView* tree = w().bench()->bringIn()->tree();
        tree->expandAll();
        QString seen;
        QTimer look; // the menu has an event loop of its own
        connect(&look, &QTimer::timeout, this, [&] {
            if (auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget())) {
                seen = "menu";
                menu->close();
            }
        });
        look.start(50);
        hands(QStringList{"mousemove"} + at(middle(tree, d_->bringInRow("b3.wav"))) +
              QStringList{"click", "3"});
        QTRY_COMPARE(seen, QString("menu"));
    }
};

int main(int argc, char** argv) {
    const test::VirtualDisplay display({1280, 800});
    qputenv("DISPLAY", display.name().toLatin1());
    qputenv("QT_QPA_PLATFORM", "xcb");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestRealWindow test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_real_window.moc"
