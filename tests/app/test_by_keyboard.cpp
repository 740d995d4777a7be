// SPDX-License-Identifier: GPL-3.0-or-later
// A drive from a label, with its odd spellings, wrong years and missing pictures, brought to full readiness
// without touching the mouse: keys go to whatever has the focus, nothing else is called.
#include <QtTest>

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QApplication>
#include <QContextMenuEvent>
#include <QLineEdit>
#include <QMenu>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/filter_bar.h"
#include "app/shell/text_utils.h"
#include "app/widgets/sleeve_list.h"
#include "core/tags/tag_io.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"
#include "support/three_songs.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestByKeyboard : public QObject {
    Q_OBJECT
private slots:
    void aDriveFromALabel() {
        QSettings().clear();
        test::Sandbox box(true);
        std::filesystem::create_directories(box / "incoming");
        test::copyOf(test::sharedDemo() / "incoming/label-drive", box / "incoming/label-drive");
        desk_ = std::make_unique<Driver>(box / "library.db");
        desk_->controllers().batch.create("Drive of Gannet Row");
        desk_->settle();
        desk_->bringIn({box / "incoming"});
        QVERIFY(gaps() > 0);
        press(Qt::Key_3, Qt::AltModifier); // Describe
        QVERIFY(page()->isVisible());

        // One album is spelled otherwise than in the rest of its sleeve; it is chosen from what is there.
        narrow("raod");
        QCOMPARE(rows(), 1);
        toColumn("album");
        type("salt r");
        press(Qt::Key_Down);
        press(Qt::Key_Return); // out of the list
        press(Qt::Key_Return);
        QCOMPARE(shown("album"), QString("Salt Road"));
        // Two years are wrong. What the others say is beside them.
        narrow("2018");
        QCOMPARE(rows(), 1);
        toColumn("date");
        type("2019-03-15");
        press(Qt::Key_Return);
        narrow("2001");
        QCOMPARE(rows(), 1);
        toColumn("date");
        type("2011-03-21");
        press(Qt::Key_Return);
        // The versions have no numbers: they go on where the album ends.
        narrow("lanterns (");
        QCOMPARE(rows(), 3);
        toColumn("track");
        type("6");
        press(Qt::Key_Return);
        type("7");
        press(Qt::Key_Return);
        type("8");
        press(Qt::Key_Return);
        // And no picture: that of the album, in all its files.
        narrow("kestrel");
        press(Qt::Key_A, Qt::ControlModifier);
        QVERIFY(reach("Front cover: what can be done"));
        pick("The same in all");
        // Two files are one, twice; their album is here already.
        narrow("copies");
        if (rows() == 0) // the folder is not among what is looked through
            narrow("salt road");
        pickRows([](const FilePtr& f) { return f->path.parent_path().filename() == "copies"; });
        pick("Remove from the batch", Qt::Key_Menu);
        narrow("");
        press(Qt::Key_Escape);
        QVERIFY2(gaps() == 0, qPrintable(told()));
        // Looked at, written, and still so.
        QVERIFY(desk_->controllers().drafts.session().fieldDrafts() >= 8);
        press(Qt::Key_E, Qt::ControlModifier);
        QCOMPARE(desk_->window().workspace(), MainWindow::Review);
        press(Qt::Key_Return, Qt::ControlModifier);
        QTRY_COMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        QVERIFY2(gaps() == 0, qPrintable(told()));
    }

    // From a folder to its shelf and back, without the mouse: brought in, described, put away, written, taken
    // back.
    void theWholeWay() {
        QSettings().clear();
        const test::Sandbox box(true);
        test::makeThreeSongs(box / "in");
        std::filesystem::create_directories(box / "Archive");
        desk_ = std::make_unique<Driver>(box / "library.db");
        desk_->addShelf(box / "Archive");
        inDialog([&](QWidget* dialog) {
            auto* line = dialog->findChild<QLineEdit*>("fileNameEdit");
            QTest::qWait(800); // the dialog looks through the folder that it begins with, and names it then
            line->selectAll();
            QTest::keyClicks(line, QString::fromStdString((box / "in").native()));
            QCOMPARE(line->text(), QString::fromStdString((box / "in").native()));
            QTest::keyClick(line, Qt::Key_Return);
        });
        press(Qt::Key_O, Qt::ControlModifier);
        QTRY_COMPARE(desk_->controllers().sleeves.files().size(), size_t{3});

        press(Qt::Key_3, Qt::AltModifier); // Describe
        QTRY_VERIFY(page()->isVisible());
        press(Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        press(Qt::Key_Return); // from the search to the sheet
        toColumn("genre");
        type("Folk");
        press(Qt::Key_Return);
        toColumn("genre");
        press(Qt::Key_Down, Qt::ShiftModifier);
        press(Qt::Key_Down, Qt::ShiftModifier);
        press(Qt::Key_D, Qt::ControlModifier); // fills down
        QTRY_COMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{3});

        press(Qt::Key_4, Qt::AltModifier); // Put away
        QVERIFY(reach("Draft"));
        press(Qt::Key_Space);
        press(Qt::Key_E, Qt::ControlModifier); // Review
        QCOMPARE(desk_->window().workspace(), MainWindow::Review);
        press(Qt::Key_Return, Qt::ControlModifier); // Write
        QTRY_COMPARE(desk_->controllers().drafts.session().fieldDrafts(), size_t{0});
        auto inArchive = [&] {
            int out = 0;
            for (const auto& one : std::filesystem::recursive_directory_iterator(box / "Archive"))
                out += one.path().extension() == ".flac";
            return out;
        };
        QTRY_COMPARE(inArchive(), 3);

        press(Qt::Key_6, Qt::ControlModifier); // Journal
        QCOMPARE(desk_->window().workspace(), MainWindow::Journal);
        press(Qt::Key_Home);
        QVERIFY(reach("Take back the whole set"));
        inDialog([](QWidget* dialog) { QTest::keyClick(dialog, Qt::Key_Return); });
        press(Qt::Key_Space);
        QTRY_COMPARE(inArchive(), 0);
        QVERIFY(std::filesystem::exists(box / "in/a.flac"));
        QVERIFY(!tags::readTags(box / "in/a.flac")->fields.contains("genre"));
    }

private:
    /// What is done in the next dialog, once it is there; nothing where none comes.
    void inDialog(std::function<void(QWidget*)> act) {
        auto* timer = new QTimer(this);
        connect(timer, &QTimer::timeout, this, [timer, act = std::move(act)] {
            if (QWidget* dialog = QApplication::activeModalWidget()) {
                timer->deleteLater();
                timer->stop();
                act(dialog);
            }
        });
        QTimer::singleShot(5000, timer, &QObject::deleteLater);
        timer->start(50);
    }
    DescribePage* page() { return desk_->window().bench()->describe(); }
    SheetModel* model() { return static_cast<SheetModel*>(page()->sheet()->model()); }
    int rows() { return model()->rowCount(); }
    static QWidget* focus() { return QApplication::focusWidget(); }
    void press(Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
        QWidget* to = QApplication::activePopupWidget() ? QApplication::activePopupWidget() : focus();
        QTest::keyClick(to ? to : &desk_->window(), key, modifiers);
        desk_->settle();
    }
    void type(const QString& text) {
        for (const QChar c : text) {
            QTest::keyClicks(focus(), QString(c));
            QTest::qWait(2);
        }
        desk_->settle();
    }
    void narrow(const QString& text) {
        press(Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        type(text);
        if (text.isEmpty())
            press(Qt::Key_Backspace);
        press(Qt::Key_Return);
        QTRY_COMPARE(page()->filterBar()->search()->text(), text);
        desk_->settle();
    }
    QString shown(const char* key) {
        return model()->index(page()->sheet()->currentIndex().row(), columnOf(key)).data().toString();
    }
    int columnOf(const char* key) {
        return static_cast<int>(std::ranges::find(model()->columns(), key) - model()->columns().begin());
    }
    /// With the arrows, to the first row.
    void toColumn(const char* key) {
        QCOMPARE(focus(), static_cast<QWidget*>(page()->sheet()));
        press(Qt::Key_Home, Qt::ControlModifier);
        for (int i = 0; i < 40 && page()->sheet()->currentIndex().column() != columnOf(key); ++i)
            press(page()->sheet()->currentIndex().column() < columnOf(key) ? Qt::Key_Right : Qt::Key_Left);
        QCOMPARE(page()->sheet()->currentIndex().column(), columnOf(key));
    }
    /// With F6 from part to part, and Tab within.
    bool reach(const QString& name) {
        for (int part = 0; part < 6; ++part) {
            press(Qt::Key_F6);
            for (int i = 0; i < 30; ++i) {
                const auto* button = qobject_cast<QAbstractButton*>(focus());
                if (focus() &&
                    (focus()->accessibleName() == name || (button && button->text().startsWith(name))))
                    return true;
                const auto* view = qobject_cast<QAbstractItemView*>(focus());
                if (view && view->tabKeyNavigation())
                    break; // Tab stays in it
                press(Qt::Key_Tab);
            }
        }
        return false;
    }
    /// The entry of the menu that a key opens.
    void pick(const QString& begin, Qt::Key opener = Qt::Key_Space) {
        QMenu* menu = nullptr;
        auto* timer = new QTimer(this); // while a menu is open nothing comes back
        int tries = 0;
        connect(timer, &QTimer::timeout, this, [&, timer] {
            menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            if (!menu && ++tries < 100)
                return;
            timer->stop();
            if (!menu)
                return;
            for (int i = 0; i < 30; ++i) {
                QTest::keyClick(menu, Qt::Key_Down);
                if (menu->activeAction() && menu->activeAction()->text().startsWith(begin)) {
                    picked_ = true;
                    QTest::keyClick(menu, Qt::Key_Return);
                    return;
                }
            }
            menu->close();
        });
        timer->start(20);
        picked_ = false;
        if (opener == Qt::Key_Menu) { // windowing systems make this of the key; the offscreen one does not
            QContextMenuEvent event(QContextMenuEvent::Keyboard, QPoint(20, 40),
                                    focus()->mapToGlobal(QPoint(20, 40)));
            QApplication::sendEvent(focus(), &event);
        } else
            QTest::keyClick(focus(), opener);
        QTRY_VERIFY2(picked_, qPrintable(begin));
        timer->deleteLater();
        desk_->settle();
    }
    /// Whole rows, with Shift and the arrows; they stand together.
    void pickRows(const std::function<bool(const FilePtr&)>& wanted) {
        press(Qt::Key_Home, Qt::ControlModifier);
        int chosen = 0;
        for (int r = 0; r < rows(); ++r) {
            const bool is = wanted(desk_->controllers().files.file(model()->fileAt(r)));
            if (is && chosen == 0)
                for (int i = 0; i < r; ++i)
                    press(Qt::Key_Down);
            else if (is)
                press(Qt::Key_Down, Qt::ShiftModifier);
            chosen += is;
        }
        QCOMPARE(chosen, 2);
    }
    size_t gaps() {
        desk_->settle();
        return desk_->controllers().sleeves.gaps();
    }
    QString told() {
        QStringList out;
        for (const SleeveView& s : desk_->controllers().sleeves.all())
            for (const audit::ReadinessPart& p : s.readiness.parts)
                if (p.met != audit::Met::Yes && p.met != audit::Met::NotAsked)
                    out << s.title + ": " + QString::fromStdString(p.name + ": " + p.detail);
        return out.join("\n");
    }

    std::unique_ptr<Driver> desk_;
    bool picked_ = false;
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestByKeyboard test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_by_keyboard.moc"
