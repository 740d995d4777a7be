// SPDX-License-Identifier: GPL-3.0-or-later
// Library / Same sound in the real window: groups, what they differ in, what a person decides of them; the
// trash and back.
#include <QtTest>

#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QSignalSpy>

#include "app/library/library_page.h"
#include "app/library/same_sound_page.h"
#include "app/library/sound_group_list.h"
#include "app/listen/player.h"
#include "app/shell/text_utils.h"
#include "support/identify_desk.h"

namespace moorfrost::app {

class TestSameSound : public QObject {
    Q_OBJECT

    MainWindow& w() { return d_->window(); }
    Controllers& c() { return d_->controllers(); }
    SameSoundPage* page() { return w().library()->sameSound(); }
    QString fact(const QString& caption, int file) { return factIn(page()->facts(), caption, file); }
    void shelve(const char* from, const char* name, tags::Fields fields) {
        const Path to = *box_ / "shelf" / name;
        std::filesystem::create_directories(to.parent_path());
        std::filesystem::copy_file(test::sharedDemo() / "incoming" / from, to);
        test::tag(to, std::move(fields));
    }
    bool choose(const QString& title) {
        for (int i = 0; i < page()->list()->count(); ++i)
            if (page()->list()->item(i)->text() == title) {
                page()->list()->setCurrentRow(i);
                d_->settle();
                return true;
            }
        return false;
    }
    void open() {
        w().showWorkspace(MainWindow::Library);
        w().library()->sameSoundButton()->click();
        d_->settle();
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void init() {
        box_ = std::make_unique<test::Sandbox>();
        qputenv("XDG_DATA_HOME", (*box_ / "home").c_str());
        shelve("harbour-transfers/processional_tape_A.wav", "Processional/tape A.wav",
               {{"title", {"Processional"}},
                {"artist", {"Tarnholm Harbour Band"}},
                {"album", {"Processional"}}});
        shelve("harbour-transfers/processional_tape_B_fast.wav", "Reels/tape B.wav",
               {{"title", {"Processional"}}, {"artist", {"Tarnholm Harbour Band"}}});
        shelve("label-drive/Salt Road/01 Tide Table.flac", "Salt Road/01.flac", {{"title", {"Tide Table"}}});
        shelve("label-drive/Salt Road (mp3)/01 Tide Table.mp3", "Salt Road mp3/01.mp3",
               {{"title", {"Tide Table"}}});
        shelve("label-drive/Salt Road/02 Salt Road.flac", "Salt Road/02.flac", {{"title", {"Salt Road"}}});
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->addShelf(*box_ / "shelf");
        c().shelves.read(c().shelves.all());
        d_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(!c().sounds.isListening() && c().sounds.store()->size() == 5, 20000);
        open();
    }
    void cleanup() {
        d_.reset();
        box_.reset();
        qunsetenv("XDG_DATA_HOME");
    }

    void groupsAndWhatTheyDifferIn() {
        QCOMPARE(w().library()->told(), QString("2 groups, 4 files"));
        QVERIFY(choose("Tide Table"));
        QVERIFY(fact("Quality", 0).startsWith("FLAC")); // the better one is A
        QVERIFY(fact("Quality", 1).startsWith("MP3"));
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text() == "better: nothing was lost in coding");
        QVERIFY(told);
        QVERIFY(fact("Loudness", 0).endsWith("LUFS"));
        QCOMPARE(fact("Speed", 1), QString("the same"));
        // The two transfers of one tape.
        QVERIFY(choose("Processional"));
        QStringList speeds{fact("Speed", 0), fact("Speed", 1)};
        QVERIFY2(speeds.contains("1.5 % fast") || speeds.contains("1.5 % slow"),
                 qPrintable(speeds.join(" | ")));
        // The other one as A.
        const FileId a = page()->a(), b = page()->b();
        page()->facts()->setFocus();
        page()->facts()->setCurrentIndex(page()->facts()->model()->index(1, 2));
        QTest::keyClick(page()->facts(), Qt::Key_Return);
        d_->settle();
        QCOMPARE(page()->a(), b);
        QCOMPARE(page()->b(), a);
    }

    void oneRecording() {
        QVERIFY(choose("Tide Table"));
        QVERIFY(page()->oneButton()->isEnabled());
        page()->oneButton()->click();
        d_->settle();
        QVERIFY(!page()->oneButton()->isEnabled());
        QCOMPARE(fact("Recording", 0), QString("one recording"));
        QCOMPARE(fact("Recording", 1), QString("one recording"));
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QVERIFY(page()->oneButton()->isEnabled());
    }

    /// What is told of a file is told of it as it is now.
    void whatChangesIsTold() {
        QVERIFY(choose("Tide Table"));
        QCOMPARE(fact("Album", 0), QString("Salt Road"));
        test::tag(*box_ / "shelf/Salt Road/01.flac", {{"title", {"Tide Table"}}, {"album", {"Of the tape"}}});
        c().shelves.read(c().shelves.all());
        d_->settle();
        QTRY_COMPARE_WITH_TIMEOUT(fact("Album", 0), QString("Of the tape"), 20000);
        QVERIFY(fact("Loudness", 1).endsWith("LUFS")); // of the other one it is still known
    }

    void notTheSame() {
        QVERIFY(choose("Tide Table"));
        page()->apartButton()->click();
        d_->settle();
        QCOMPARE(w().library()->told(), QString("1 group, 2 files"));
        // It is kept, and can be taken back.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        c().soundGroups.look();
        d_->settle();
        QCOMPARE(w().library()->told(), QString("2 groups, 4 files"));
    }

    void anotherVersion() {
        QVERIFY(choose("Tide Table"));
        for (QAction* action : page()->versionMenu()->actions())
            if (action->text().endsWith("remaster"))
                action->trigger();
        d_->settle();
        QVERIFY2(fact("Recording", 1).endsWith("remaster"), qPrintable(fact("Recording", 1)));
        auto families = [&] {
            std::vector<std::vector<std::string>> out;
            c().library.read(
                this,
                [ids = std::vector{page()->a(), page()->b()}](library::Store& s) {
                    return s.recordings().valuesOfFiles(library::familyField, ids);
                },
                [&](Result<library::KeptValues> kept) {
                    for (const auto& [id, values] : *kept)
                        out.push_back(values);
                });
            d_->settle();
            std::ranges::sort(out, {}, [](const auto& v) { return v.at(1); });
            return out;
        };
        const auto both = families();
        QCOMPARE(both.size(), size_t{2});
        QCOMPARE(both[0][0], both[1][0]); // one family
        QCOMPARE(both[0][1], std::string("lead"));
        QCOMPARE(both[1][1], std::string("remaster"));
        // It is one step.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QVERIFY(families().empty());
        QCOMPARE(fact("Recording", 1), QString("of its own"));
    }

    /// What is one recording is neither another version of itself nor something else.
    void whatMakesNoSenseCannotBeChosen() {
        QVERIFY(choose("Tide Table"));
        QVERIFY(page()->apartButton()->isEnabled() && page()->versionButton()->isEnabled());
        page()->oneButton()->click();
        d_->settle();
        QVERIFY(!page()->apartButton()->isEnabled() && !page()->versionButton()->isEnabled());
    }

    /// By keyboard, wherever in the view it is; and what is chosen in it goes to the bench, nothing else.
    void byKeyboard() {
        w().library()->tracksButton()->click();
        QTest::keyClick(&w(), Qt::Key_U, Qt::ControlModifier | Qt::ShiftModifier);
        d_->settle();
        QVERIFY(page()->isVisible() && page()->list()->hasFocus());
        QVERIFY(choose("Tide Table"));
        QSignalSpy asked(&w().player(), &Player::changed); // it tries, even without a sound device
        for (QWidget* at : {static_cast<QWidget*>(page()->list()), static_cast<QWidget*>(page()->facts())}) {
            at->setFocus();
            asked.clear();
            QTest::keyClick(at, Qt::Key_X);
            QVERIFY(!asked.isEmpty());
        }
        const std::vector<FileId> group = page()->files();
        QCOMPARE(group.size(), size_t{2});
        QTest::keyClick(&w(), Qt::Key_B, Qt::ControlModifier);
        d_->settle();
        auto sent = c().batch.batch().places().files();
        std::ranges::sort(sent);
        auto wanted = group;
        std::ranges::sort(wanted);
        QCOMPARE(sent, wanted);
    }

    void keepOneAndTakeItBack() {
        QVERIFY(choose("Tide Table"));
        const Path kept = *box_ / "shelf/Salt Road/01.flac", gone = *box_ / "shelf/Salt Road mp3/01.mp3";
        const std::string bytes = test::readBytes(gone);
        page()->keepButton()->click();
        d_->settle();
        QVERIFY(std::filesystem::exists(kept) && !std::filesystem::exists(gone));
        const Path trash = *box_ / "home/Trash";
        QCOMPARE(test::readBytes(trash / "files/01.mp3"), bytes);
        const std::string note = test::readBytes(trash / "info/01.mp3.trashinfo");
        QVERIFY2(note.starts_with("[Trash Info]\nPath=") &&
                     note.find("Salt%20Road%20mp3/01.mp3\nDeletionDate=") != std::string::npos,
                 note.c_str());
        c().soundGroups.look();
        d_->settle();
        QCOMPARE(w().library()->told(), QString("1 group, 2 files"));
        // From the journal, it comes back, and the note goes.
        const int64_t set = c().writing.lastSet();
        QVERIFY(set > 0);
        c().writing.takeBack(set, std::nullopt);
        d_->settle();
        QCOMPARE(test::readBytes(gone), bytes);
        QVERIFY(!std::filesystem::exists(trash / "info/01.mp3.trashinfo"));
        c().soundGroups.look();
        d_->settle();
        QCOMPARE(w().library()->told(), QString("2 groups, 4 files"));
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestSameSound)
#include "test_same_sound.moc"
