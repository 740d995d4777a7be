// SPDX-License-Identifier: GPL-3.0-or-later
// The library goes to another folder, or to another machine: asked, done, told, and the shelves found there.
#include <QtTest>

#include <QApplication>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <QRadioButton>

#include "app/settings/follow_shelf.h"
#include "app/settings/library_place.h"
#include "app/shell/run_again.h"
#include "app/shell/text_utils.h"
#include "core/library/own_library.h"
#include "core/library/store/store.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestLibraryMove : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    Path library_; // the person's own, with a shelf

    /// One run that ends with that wish; what the next is told, if there is one, and the code of the last.
    std::pair<std::optional<Trouble>, int> endWith(const LibraryMove& move) {
        std::optional<Trouble> told;
        int runs = 0;
        const int code = runUntilEnded(library_, [&](const std::optional<Trouble>& now) {
            told = now;
            if (++runs == 1) {
                library_move::wish(move);
                return MainWindow::moveCode;
            }
            return 0;
        });
        return {told, code};
    }

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((*box_ / "data").native()));
        library_ = library::Store::defaultPath();
        auto store = std::move(*library::Store::open(library_));
        std::filesystem::create_directories(*box_ / "archive");
        QVERIFY(store->shelves().add("Archive", *box_ / "archive") > 0);
        store.reset();
        test::writeBytes(Path(library_) += ".pictures/ab/abcd.jpg", "a picture");
        std::filesystem::create_directories(*box_ / "disk");
    }
    void cleanup() { box_.reset(); }

    void theDialogSaysWhatIsWrong() {
        MoveLibraryDialog dialog(library_);
        QVERIFY(!dialog.takeButton()->isEnabled());
        QCOMPARE(dialog.said(), QString("Choose a folder."));
        dialog.folder()->setText("/no such folder");
        QCOMPARE(dialog.said(), QString("This is no folder."));
        dialog.folder()->setText(qs((*box_ / "disk").native()));
        QVERIFY(dialog.takeButton()->isEnabled());
        QVERIFY(dialog.said().contains("disk/Moorfrost library"));
        QCOMPARE(dialog.takeButton()->text(), QString("Move and start again"));
        QCOMPARE(dialog.move().kind, LibraryMove::Kind::Move);
        dialog.away()->click();
        QCOMPARE(dialog.takeButton()->text(), QString("Copy"));
        QCOMPARE(dialog.move().kind, LibraryMove::Kind::Copy);
        QCOMPARE(dialog.move().folder, *box_ / "disk/Moorfrost library");
        test::writeBytes(*box_ / "disk/Moorfrost library/letter.txt", "mine");
        dialog.folder()->setText(dialog.folder()->text() + "/");
        QVERIFY(!dialog.takeButton()->isEnabled());
        QVERIFY(dialog.said().contains("already"));
    }

    void itIsUsedFromThereOn() {
        const auto [told, code] = endWith({LibraryMove::Kind::Move, *box_ / "disk/Moorfrost library"});
        QCOMPARE(code, startAgainCode);
        const Path moved = *box_ / "disk/Moorfrost library/library.db";
        QCOMPARE(startsWith(), moved);
        QCOMPARE(*library::ownLibrary(), moved);
        QVERIFY(!std::filesystem::exists(library_));
        QVERIFY(std::filesystem::exists(Path(moved) += ".pictures/ab/abcd.jpg"));
        QCOMPARE(library::Store::open(moved)->get()->shelves().all().size(), size_t{1});
        // The next start tells, once.
        const auto note = library_move::takeNote();
        QVERIFY(note && !note->brought);
        QVERIFY2(note->told.contains("The old one is in the trash."), qPrintable(note->told));
        QVERIFY(!library_move::takeNote());
    }

    void whereItFailsAllIsAsBefore() {
        test::writeBytes(*box_ / "disk/Moorfrost library/letter.txt", "mine");
        const auto [told, code] = endWith({LibraryMove::Kind::Move, *box_ / "disk/Moorfrost library"});
        QCOMPARE(code, 0);
        QVERIFY(told && told->title == "The library was not moved.");
        QVERIFY(!told->detail.isEmpty());
        QCOMPARE(*library::ownLibrary(), library_);
        QVERIFY(std::filesystem::exists(library_));
        QVERIFY(!library_move::takeNote());
    }

    void toAnotherMachine() {
        auto [told, code] = endWith({LibraryMove::Kind::Copy, *box_ / "disk/Moorfrost library"});
        QCOMPARE(code, 0);
        QVERIFY(told && told->title.startsWith("The library was copied to"));
        QVERIFY(std::filesystem::exists(library_));
        // There: another home, and the shelf has another place.
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((*box_ / "other home").native()));
        library_ = library::Store::defaultPath();
        std::filesystem::rename(*box_ / "archive", *box_ / "music");
        std::tie(told, code) = endWith({LibraryMove::Kind::Bring, *box_ / "disk/Moorfrost library"});
        QCOMPARE(code, startAgainCode);
        QCOMPARE(*library::ownLibrary(), startsWith());
        QVERIFY(startsWith().native().starts_with((*box_ / "other home").native()));
        const auto note = library_move::takeNote();
        QVERIFY(note && note->brought);
        Driver d(startsWith());
        ShelvesController& shelves = d.controllers().shelves;
        shelves.lookWhetherThere();
        d.settle();
        ShelvesHereDialog dialog(shelves);
        dialog.show();
        QCOMPARE(dialog.said(), QString("Not here: 1 of 1."));
        QString asked;
        QTimer answer;
        connect(&answer, &QTimer::timeout, this, [&] {
            if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
                asked = box->text();
                box->button(QMessageBox::Yes)->click();
            }
        });
        answer.start(20);
        dialog.say(shelves.all().at(0).id, *box_ / "music");
        QTRY_COMPARE(shelves.all().at(0).path, *box_ / "music");
        QVERIFY(asked.contains("Archive"));
        shelves.lookWhetherThere();
        QTRY_COMPARE(dialog.said(), QString("All shelves are here."));
    }

    void itBeginsAgainWithWhatItWasBegunWith() {
        auto again = [](QList<QByteArray> given, const Path& named) {
            std::vector<char*> words;
            for (QByteArray& one : given)
                words.push_back(one.data());
            return library_move::argumentsAgain(static_cast<int>(words.size()), words.data(), named);
        };
        QCOMPARE(again({"moorfrost", "/music/in"}, {}), QStringList());
        QCOMPARE(again({"moorfrost", "--settings", "/s", "--shelf", "/a", "--theme=dark", "/in", "--library",
                        "/l"},
                       "/new/library.db"),
                 QStringList({"--settings", "/s", "--theme=dark", "--library", "/new/library.db"}));
        QCOMPARE(again({"moorfrost", "--library=/l", "--shot", "/p.png", "--settings"}, {}),
                 QStringList({"--settings"}));
    }

    void whatIsNoLibraryIsNotBrought() {
        const auto [told, code] = endWith({LibraryMove::Kind::Bring, *box_ / "disk"});
        QCOMPARE(code, 0);
        QVERIFY(told && told->title == "The library was not brought.");
        QCOMPARE(*library::ownLibrary(), library_);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    TestLibraryMove test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_library_move.moc"
