// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings in the library's details, undo across drafts and what the library keeps, absent files, the
// journal.
#include <QtTest>

#include <future>

#include <QLabel>
#include <QMessageBox>
#include <QPushButton>

#include "app/journal/journal_page.h"
#include "app/library/library_page.h"
#include "app/widgets/file_details.h"
#include "support/library_desk.h"
#include "support/menus.h"
#include "support/sample_files.h"

namespace moorfrost::app {

class TestRecordings : public QObject, private LibraryDesk {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() { close(); }

    void whatIsSaidOfARecordingIsUndone() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Speech"}));
        QCOMPARE(kindOf(id), std::string("speech"));
        QVERIFY(details().contains("Kind: Speech"));
        keys("Ctrl+Z");
        QCOMPARE(kindOf(id), std::string());
        QVERIFY(!details().contains("Kind:"));
        keys("Ctrl+Shift+Z");
        QCOMPARE(kindOf(id), std::string("speech"));
        type("kind:speech");
        QCOMPARE(titles().size(), 1);
    }

    void whatWasDoneLastIsUndoneFirst() {
        choose(0);
        const FileId id = chosenId();
        d_->takeUp(id);
        library::DraftSession& drafts = d_->controllers().drafts.session();
        drafts.propose("Edit", {{id, "mood", {"calm"}}}, "typed");
        QVERIFY(menu({"Kind", "Tone"}));
        drafts.propose("Edit", {{id, "mood", {"wild"}}}, "typed");
        QVERIFY(menu({"Kind", "Speech"}));
        auto is = [&](const char* mood, const char* kind) {
            const auto values = drafts.effective(id, "mood");
            return (values.empty() ? "" : values.front()) == mood && kindOf(id) == kind;
        };
        QVERIFY(is("wild", "speech"));
        keys("Ctrl+Z");
        QVERIFY(is("wild", "tone"));
        keys("Ctrl+Z");
        QVERIFY(is("calm", "tone"));
        keys("Ctrl+Z");
        QVERIFY(is("calm", ""));
        keys("Ctrl+Z");
        QVERIFY(is("", ""));
        keys("Ctrl+Z"); // nothing is left
        keys("Ctrl+Shift+Z");
        QVERIFY(is("calm", ""));
        keys("Ctrl+Shift+Z");
        QVERIFY(is("calm", "tone"));
        // A new action ends what could be done again, on both sides.
        drafts.propose("Edit", {{id, "mood", {"slow"}}}, "typed");
        keys("Ctrl+Shift+Z");
        QVERIFY(is("slow", "tone"));
        QVERIFY(!d_->controllers().undo.canRedo());
    }

    void whatIsUndoneBeforeTheLibraryHasIt() {
        choose(0);
        const FileId id = chosenId();
        d_->takeUp(id);
        library::DraftSession& drafts = d_->controllers().drafts.session();
        drafts.propose("Edit", {{id, "mood", {"calm"}}}, "typed");
        // The library is busy: what was said last is undone all the same, not what was done before.
        std::promise<void> go;
        d_->controllers().library.read(
            this, [ready = go.get_future().share()](library::Store&) { ready.wait(); }, [](const Status&) {});
        d_->controllers().kinds.confirm({{id, matching::ContentKind::Speech}});
        d_->controllers().undo.undo();
        go.set_value();
        d_->settle();
        QCOMPARE(kindOf(id), std::string());
        QCOMPARE(drafts.effective(id, "mood"), std::vector<std::string>{"calm"});
        d_->controllers().undo.redo();
        d_->settle();
        QCOMPARE(kindOf(id), std::string("speech"));
        // What changed nothing is nothing to undo.
        d_->controllers().kinds.confirm({{id, matching::ContentKind::Speech}});
        d_->settle();
        d_->controllers().undo.undo();
        d_->settle();
        QCOMPARE(kindOf(id), std::string());
    }

    void severalFilesOfOneRecording() {
        type("artist:ferry");
        QCOMPARE(titles().size(), 2);
        page()->table()->selectAll();
        d_->settle();
        const std::vector<FileId> both = page()->table()->chosenFiles();
        QVERIFY(menu({"Recording", "Make one recording"}));
        QVERIFY2(details().contains("2 files of this recording"), qPrintable(details()));
        QVERIFY(details().contains("best"));
        // The other one is to be the best.
        choose(1);
        QPushButton* best = box()->bestButton();
        if (best->isHidden()) { // it is already
            choose(0);
        }
        QVERIFY(!best->isHidden());
        const FileId shown = chosenId();
        best->click();
        d_->settle();
        QVERIFY(details().contains("best, chosen by hand, this file"));
        QCOMPARE(view(shown).best, shown);
        QCOMPARE(best->text(), QString("Let the best be found"));
        // A kind is of both.
        QVERIFY(menu({"Kind", "Ident"}));
        for (FileId id : both)
            QCOMPARE(kindOf(id), std::string("ident"));
        // And apart again, each with what was kept.
        box()->partButton()->click();
        d_->settle();
        QVERIFY2(!details().contains("files of this recording"), qPrintable(details()));
        for (FileId id : both)
            QCOMPARE(kindOf(id), std::string("ident"));
        QCOMPARE(view(shown).files.size(), size_t{1});
        keys("Ctrl+Z");
        QVERIFY(details().contains("2 files of this recording"));
        QCOMPARE(view(shown).best, shown);
    }

    void theJournalTellsAndTakesBack() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Effect"}));
        d_->window().showWorkspace(MainWindow::Journal);
        d_->settle();
        JournalPage* journal = d_->window().findChild<JournalPage*>();
        QCOMPARE(journal->sets()->count(), 1);
        QTreeWidgetItem* part = journal->files()->topLevelItem(0)->child(0);
        QCOMPARE(part->text(0), QString("Kind"));
        QCOMPARE(part->text(1), QString("Effect"));
        QCOMPARE(part->text(2), QString("nothing"));
        QCOMPARE(journal->takeBackButton()->text(), QString("Take back this change"));
        journal->takeBackButton()->click();
        d_->settle();
        QCOMPARE(kindOf(id), std::string());
        QVERIFY(!journal->takeBackButton()->isEnabled());
        QVERIFY(!d_->controllers().undo.canUndo()); // it was undone there
        // Beside a set that was written, each has its own button.
        d_->takeUp(id);
        d_->controllers().drafts.session().propose("Edit", {{id, "mood", {"calm"}}}, "typed");
        d_->controllers().writing.write();
        d_->settle();
        QCOMPARE(journal->sets()->count(), 2);
        QStringList buttons;
        for (int row : {0, 1}) {
            journal->sets()->setCurrentRow(row);
            d_->settle();
            buttons << journal->takeBackButton()->text();
        }
        buttons.sort();
        QCOMPARE(buttons, (QStringList{"Take back the whole set", "Take back this change"}));
    }

    void whatWasChangedAgainIsNotTakenBack() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Effect"}));
        QVERIFY(menu({"Kind", "Tone"}));
        d_->controllers().kept.takeBack(d_->controllers().journal.entries().back().id());
        d_->settle();
        QCOMPARE(kindOf(id), std::string("tone"));
        QVERIFY2(d_->window().message().contains("Take that back first"), qPrintable(d_->window().message()));
    }

    void anAbsentFileIsMarkedAndForgottenOnlyWhenAsked() {
        choose(0);
        const FileId id = chosenId();
        const QString title = titles().front();
        QVERIFY(menu({"Kind", "Speech"}));
        const Path path =
            d_->controllers().index.searcher()->pathOf(*d_->controllers().index.searcher()->rowOf(id));
        const std::string bytes = test::readBytes(path);
        const auto time = std::filesystem::last_write_time(path);
        std::filesystem::remove(path);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        QVERIFY2(d_->window().message().contains("absent"), qPrintable(d_->window().message()));
        type("is:absent");
        QCOMPARE(titles(), QStringList{title});
        choose(0);
        QVERIFY2(details().contains("absent since"), qPrintable(details()));
        QVERIFY(!box()->forgetButton()->isHidden());
        // It comes back.
        test::writeBytes(path, bytes);
        std::filesystem::last_write_time(path, time);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        QVERIFY(titles().isEmpty());
        QCOMPARE(kindOf(id), std::string("speech"));
        // And is gone for good.
        std::filesystem::remove(path);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        choose(0);
        answer(QMessageBox::Cancel);
        box()->forgetButton()->click();
        d_->settle();
        QCOMPARE(titles().size(), 1);
        answer(QMessageBox::Yes);
        box()->forgetButton()->click();
        d_->settle();
        QVERIFY(titles().isEmpty());
        type("");
        QCOMPARE(titles().size(), 5);
        keys("Ctrl+Z");
        QCOMPARE(titles().size(), 6);
        QCOMPARE(kindOf(id), std::string("speech"));
    }

    void aShelfThatIsNotMountedIsNotAbsent() {
        const Path root = d_->controllers().shelves.all().front().path;
        std::filesystem::rename(root, *box_ / "elsewhere");
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        type("is:absent");
        QVERIFY(titles().isEmpty());
    }

    void aFileThatOthersMovedIsFollowed() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Speech"}));
        const auto& index = d_->controllers().index;
        const Path path = index.searcher()->pathOf(*index.searcher()->rowOf(id));
        const Path to = path.parent_path() / "moved" / "elsewhere.flac";
        std::filesystem::create_directories(to.parent_path());
        std::filesystem::rename(path, to);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        QCOMPARE(titles().size(), 6);
        QCOMPARE(index.searcher()->pathOf(*index.searcher()->rowOf(id)), to);
        QCOMPARE(kindOf(id), std::string("speech"));
        type("is:absent");
        QVERIFY(titles().isEmpty());
    }

    void whatIsGoneIsToldBesideWhatWasFollowed() {
        const Path shelf = d_->controllers().shelves.all().front().path;
        const auto files = d_->libraryFiles();
        const Path first = files[0].path, second = files[1].path, away = *box_ / "away.flac";
        auto read = [&] {
            d_->controllers().shelves.read(d_->controllers().shelves.all());
            d_->settle();
        };
        std::filesystem::rename(first, away);
        read();
        QVERIFY(d_->window().message().contains("1 file could not be found"));
        std::filesystem::rename(away, shelf / "back elsewhere.flac"); // is followed
        std::filesystem::remove(second);                              // and another one goes
        read();
        QVERIFY2(d_->window().message().contains("1 file could not be found"),
                 qPrintable(d_->window().message()));
        type("is:absent");
        QCOMPARE(titles().size(), 1);
    }

    void whatWasAbsentIsComparedWhenItIsBack() {
        const Path shelf = d_->controllers().shelves.all().front().path;
        const auto files = d_->libraryFiles();
        const Path path = files[0].path, away = *box_ / "away.flac";
        auto read = [&] {
            d_->controllers().shelves.read(d_->controllers().shelves.all());
            d_->settle();
            d_->settle();
        };
        std::filesystem::rename(path, away);
        read();
        {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            store->database().execute("UPDATE recording_file SET looked=0"); // as after a migration
        }
        std::filesystem::copy_file(away, shelf / "the same.flac");
        test::tag(shelf / "the same.flac", {{"title", {"The same, tagged otherwise"}}});
        read();
        std::filesystem::rename(away, path);
        read();
        QCOMPARE(view(files[0].id).files.size(), size_t{2});
    }

    void whatCouldNotBeUndoneIsNotDoneAgain() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Tone"}));
        { // another program has changed it since
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            library::keepValues(*store, "Kind: Speech", library::kindField, {{id, {"speech"}}});
        }
        keys("Ctrl+Z");
        QCOMPARE(kindOf(id), std::string("speech"));
        QVERIFY(d_->window().message().contains("Take that back first"));
        QVERIFY(!d_->controllers().undo.canRedo());
    }

    void theSameSoundIsOneRecording() {
        choose(0);
        const FileId id = chosenId();
        QVERIFY(menu({"Kind", "Speech"}));
        const auto& index = d_->controllers().index;
        const Path path = index.searcher()->pathOf(*index.searcher()->rowOf(id));
        const Path copy = path.parent_path() / "copy.flac";
        std::filesystem::copy_file(path, copy);
        test::tag(copy, {{"title", {"The same, tagged otherwise"}}});
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        d_->settle();
        QCOMPARE(view(id).files.size(), size_t{2});
        type("kind:speech");
        QCOMPARE(titles().size(), 2);
        QVERIFY(std::ranges::any_of(d_->controllers().journal.entries(), [](const JournalEntry& e) {
            return e.title().find("same sound") != std::string::npos;
        }));
        // What a person parts stays apart, also after a restart.
        choose(0);
        box()->partButton()->click();
        d_->settle();
        QCOMPARE(view(id).files.size(), size_t{1});
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        QCOMPARE(view(id).files.size(), size_t{1});
    }

    void draftsOfWhatLeavesTheBatchAreNotWritten() {
        test::makeSound(*box_ / "in", "speech.flac", 40);
        d_->bringIn({*box_ / "in"});
        const FileId id = d_->fileNamed("speech.flac");
        d_->controllers().kinds.confirm({{id, matching::ContentKind::Speech}});
        d_->controllers().drafts.session().propose("Edit", {{id, "mood", {"calm"}}}, "typed");
        d_->settle();
        d_->controllers().batch.removeFiles({id});
        d_->settle();
        QVERIFY(d_->controllers().drafts.session().all().empty());
        QCOMPARE(kindOf(id), std::string("speech"));
    }

    void theSameTagsAreNotTheSameSound() {
        const Path shelf = d_->controllers().shelves.all().front().path;
        for (const char* name : {"x.flac", "y.flac"})
            test::tag(test::makeSound(shelf, name, name[0] == 'x' ? 50 : 51),
                      {{"title", {"Winter Harbour"}}, {"isrc", {"ZZFSR1900009"}}});
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        d_->settle();
        type("winter");
        QCOMPARE(titles().size(), 2);
        choose(0);
        QCOMPARE(view(chosenId()).files.size(), size_t{1});
        // And one whose sound is replaced by that of the other is looked at again.
        std::filesystem::copy_file(shelf / "x.flac", shelf / "y.flac",
                                   std::filesystem::copy_options::overwrite_existing);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        d_->settle();
        choose(0);
        QCOMPARE(view(chosenId()).files.size(), size_t{2});
    }

    void clearingABatchKeepsWhatWasSaid() {
        test::makeSound(*box_ / "in", "speech.flac", 40);
        d_->bringIn({*box_ / "in"});
        const FileId id = d_->fileNamed("speech.flac");
        d_->controllers().kinds.confirm({{id, matching::ContentKind::Speech}});
        d_->settle();
        d_->controllers().batch.forget();
        d_->settle();
        d_->bringIn({*box_ / "in"});
        d_->settle();
        QCOMPARE(d_->controllers().kinds.of(d_->fileNamed("speech.flac")), matching::ContentKind::Speech);
    }

private:
    void choose(int row) {
        page()->table()->clearSelection();
        page()->table()->selectRow(row);
        d_->settle();
    }
    FileId chosenId() { return page()->table()->chosenFiles().front(); }
    bool menu(const QStringList& way) {
        const bool done =
            chooseFrom(way, [this] { rightClick(page()->table(), page()->table()->currentIndex()); });
        d_->settle();
        return done;
    }
    void keys(const char* text) {
        const QKeyCombination key = QKeySequence(text)[0];
        QTest::keyClick(page()->table(), key.key(), key.keyboardModifiers());
        d_->settle();
    }
    void answer(QMessageBox::StandardButton with) {
        QTimer::singleShot(0, this, [with] {
            auto* ask = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            QVERIFY(ask);
            ask->button(with)->click();
        });
    }
    QString details() { return page()->details()->text(); }
    RecordingBox* box() { return page()->details()->recording(); }
    std::string kindOf(FileId id) {
        const auto store = std::move(*library::Store::open(*box_ / "library.db"));
        const auto file = store->files().find(id);
        return file ? file->kind : "not known";
    }
    library::RecordingView view(FileId id) {
        const auto store = std::move(*library::Store::open(*box_ / "library.db"));
        return library::recordingOf(*store, id);
    }
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestRecordings)
#include "test_recordings.moc"
