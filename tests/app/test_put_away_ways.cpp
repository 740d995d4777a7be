// SPDX-License-Identifier: GPL-3.0-or-later
// The whole way of putting away: what is replaced, what is misplaced, what was done, and back again.
#include <QtTest>

#include <sys/stat.h>

#include "app/bench/places/misplaced_dialog.h"
#include "app/bench/review_page.h"
#include "app/library/library_page.h"
#include "app/widgets/chip_editor.h"
#include "core/audio/essence.h"
#include "core/library/judging.h"
#include "core/library/recordings.h"
#include "support/answer.h"
#include "support/shared_data.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {

/// All that is below a folder: what files hold, their rights and times, and the folders.
std::map<std::string, std::string> contentsOf(const Path& root) {
    std::map<std::string, std::string> out;
    for (const auto& entry : std::filesystem::recursive_directory_iterator(root)) {
        struct stat st {};
        ::lstat(entry.path().c_str(), &st);
        std::string& about = out[entry.path().lexically_relative(root).native()];
        about = std::to_string(st.st_mode);
        if (S_ISREG(st.st_mode))
            about += " " + std::to_string(st.st_mtim.tv_sec) + " " +
                     audio::bytesHash(test::readBytes(entry.path()));
    }
    return out;
}

} // namespace

class TestPutAwayWays : public QObject, SmallBatch {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { begin(); }
    void cleanup() { end(); }

    // The better copy comes into the place of the one that is there, which goes to a folder of one's own;
    // both come back.
    void aBetterCopyReplaces() {
        makeBatch();
        const Path there = *box_ / "shelf/Isla Varnholt/Salt Road/Tide Table.mp3";
        std::filesystem::create_directories(there.parent_path());
        std::filesystem::copy_file(*box_ / "in/a2.mp3", there);
        const std::string old = test::readBytes(there), fresh = test::readBytes(*box_ / "in/a1.flac");
        s().shelves.read(s().shelves.all());
        d_->settle();
        s().settings.set(library::settings::asideFolder, (*box_ / "replaced").native());
        const FileId worse = d_->fileNamed("Tide Table.mp3"), better = d_->fileNamed("a1.flac");
        s().recordings.rate({worse}, 5);
        d_->settle();
        open("{artist}/{album}/{title}");
        QVERIFY(putAway()->countButton(PlacedFiles::Besides)->isVisible());
        putAway()->choose(placing::OnClash::KeepBetter, {d_->fileNamed("a1.flac")});
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
        QCOMPARE(putAway()->countButton(PlacedFiles::Replacing)->text(), QString("1 will be replaced"));
        putAway()->draftButton()->click();
        d_->settle();
        write();
        QVERIFY(!std::filesystem::exists(there));
        QVERIFY(test::readBytes(*box_ / "replaced/Tide Table.mp3") == old);
        QVERIFY(std::filesystem::exists(Path(there).replace_extension(".flac")));
        // What was kept of the recording is kept of it still.
        QTRY_COMPARE(ratingOf(better), std::string("5"));
        s().writing.takeBack(s().writing.lastSet(), std::nullopt);
        d_->settle();
        QVERIFY(test::readBytes(there) == old);
        QVERIFY(test::readBytes(*box_ / "in/a1.flac") == fresh);
    }

    void whatIsReplacedGoesToTheTrash() {
        makeBatch();
        const Path there = *box_ / "shelf/Salt Road/Tide Table.flac";
        std::filesystem::create_directories(there.parent_path());
        test::tag(test::makeSound(there.parent_path(), "Tide Table.flac", 77), {{"title", {"Tide Table"}}});
        const std::string old = test::readBytes(there);
        open("{album}/{title}");
        QCOMPARE(putAway()->countButton(PlacedFiles::Problem)->text(), QString("1 cannot be put away"));
        putAway()->choose(placing::OnClash::Replace, {d_->fileNamed("a1.flac")});
        QTRY_VERIFY(putAway()->isPlanned());
        putAway()->draftButton()->click();
        d_->settle();
        write();
        QCOMPARE(s().writing.lastReport()->failed, size_t{0});
        QVERIFY(test::readBytes(there) != old);
        size_t trashed = 0;
        for (const files::StepRecord& step : s().writing.lastReport()->steps)
            trashed +=
                step.step.source == there && step.step.target.native().find("/Trash") != std::string::npos;
        QCOMPARE(trashed, size_t{1});
        s().writing.takeBack(s().writing.lastSet(), std::nullopt);
        d_->settle();
        QVERIFY(test::readBytes(there) == old);
    }

    // After: release by release, one of them taken back; the rest stays done.
    void whatWasDoneAndHalfOfItBack() {
        makeBatch();
        open("{artist}/{album}/{title}");
        putAway()->draftButton()->click();
        d_->settle();
        write();
        ReviewPage* review = w().review();
        QVERIFY(review->bannerText().contains("1 emptied folder gone."));
        QTreeWidget* tree = review->tree();
        QCOMPARE(tree->topLevelItemCount(), 2);
        QVERIFY(tree->topLevelItem(0)->text(0).endsWith("Isla Varnholt/Salt Road \u00B7 3 files"));
        QCOMPARE(tree->topLevelItem(0)->childCount(), 3);
        QVERIFY(!review->takeBackTheseButton()->isVisible());
        tree->setCurrentItem(tree->topLevelItem(1));
        QVERIFY(review->showFolderButton()->isEnabled());
        QCOMPARE(review->takeBackTheseButton()->text(), QString("Take back 3 of these"));
        QTest::mouseClick(review->takeBackTheseButton(), Qt::LeftButton);
        d_->settle();
        QVERIFY(std::filesystem::exists(*box_ / "in/b1.opus"));
        QVERIFY(std::filesystem::exists(*box_ / "shelf/Isla Varnholt/Salt Road/Tide Table.flac"));
        QVERIFY(!std::filesystem::exists(*box_ / "in/a1.flac"));
        QCOMPARE(s().sleeves.files().size(), size_t{3}); // they are on the bench again
    }

    // A title is corrected on the shelf: the name fits no more, and is put right.
    void misplacedFilesArePutRight() {
        makeBatch();
        open("{artist}/{album}/{title}");
        putAway()->draftButton()->click();
        d_->settle();
        write();
        s().writing.clearReport();
        const FileId file = d_->fileNamed("Undertow.opus");
        bool taken = false;
        s().files.takeUp(this, {file}, [&] { taken = true; });
        QTRY_VERIFY(taken);
        s().drafts.session().propose("test", {{file, "title", {"Undertow at Dusk"}}}, "test");
        d_->settle();
        write();
        d_->settle();
        QString told, byAnother;
        size_t moving = 0;
        test::answer<MisplacedDialog>(this, [&](MisplacedDialog* dialog) {
            for (int i = 0; i < 5; ++i)
                d_->settle();
            told = dialog->told();
            moving = dialog->page()->tree()->placed().result().moving;
            dialog->page()->draftButton()->click();
            d_->settle();
            // Another plan that is typed is what they are held to.
            dialog->page()->editor()->setText("{album}/{title}");
            QTest::qWait(500);
            d_->settle();
            byAnother = dialog->told();
            dialog->page()->editor()->setText("{artist}/{album}/{title}"); // what is drafted follows
            d_->settle();
        });
        bool found = false;
        for (QAction* action : w().findChildren<QAction*>())
            if (action->text().startsWith("Misplaced files")) {
                action->trigger();
                found = true;
            }
        QVERIFY(found);
        QCOMPARE(told, QString("Not where this plan puts them: 1 of 6 files."));
        QCOMPARE(moving, size_t{1});
        QCOMPARE(byAnother, QString("Not where this plan puts them: 6 of 6 files."));
        d_->settle();
        write();
        QVERIFY(std::filesystem::exists(*box_ / "shelf/Kestrel & Rook/Lanterns/Undertow at Dusk.opus"));
    }

    // Chosen files of the library by another plan: only what changes moves.
    void putAwayAgainFromTheLibrary() {
        makeBatch();
        open("{artist}/{album}/{title}");
        putAway()->draftButton()->click();
        d_->settle();
        write();
        w().showWorkspace(MainWindow::Library);
        d_->settle();
        std::vector<FileId> onShelves;
        for (const library::FileRecord& file : d_->libraryFiles())
            onShelves.push_back(file.id);
        MisplacedDialog dialog({s().library,
                                s().index,
                                {s().jobs, s().settings, s().files, s().drafts, s().shelves, s().customFields,
                                 s().places, s().batch.batch()}},
                               onShelves, &w());
        dialog.show();
        d_->settle();
        dialog.page()->editor()->setText("{artist}/{album}/{title: lower}");
        d_->settle();
        QTRY_VERIFY(dialog.page()->isPlanned());
        QCOMPARE(dialog.page()->tree()->placed().result().moving, size_t{6});
        dialog.page()->editor()->setText("{artist}/{album}/{title}");
        d_->settle();
        QTRY_VERIFY(dialog.page()->isPlanned());
        QCOMPARE(dialog.page()->tree()->placed().result().moving, size_t{0});
        QCOMPARE(dialog.page()->tree()->placed().result().problems, size_t{0});
    }

    // The five messy folders: away, back, away by another plan, and back: not a byte is otherwise.
    void fiveFoldersThereAndBackTwice() {
        test::copyOf(test::sharedDemo() / "incoming", *box_ / "in");
        std::filesystem::create_directories(*box_ / "shelf");
        const auto before = contentsOf(*box_ / "in");
        QVERIFY(before.size() > 50);
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->addShelf(*box_ / "shelf");
        d_->bringIn({*box_ / "in"});
        for (const char* plan :
             {"{album artist, else artist, else \"unknown\"}/{album, else \"no album\"}/"
              "{disc: if several, after \"-\"}{track: 2 digits, after \" \"}{title, else name}",
              "{format}/{label, else \"no label\"}/{name}"}) {
            open(plan);
            const placing::PutAwayResult& result = putAway()->tree()->placed().result();
            std::vector<FileId> clashing;
            for (const placing::Placement& p : result.files)
                if (p.blocked())
                    clashing.push_back(p.id);
            putAway()->choose(placing::OnClash::Suffix, clashing);
            QTRY_VERIFY(putAway()->isPlanned());
            d_->settle();
            QCOMPARE(putAway()->tree()->placed().result().problems, size_t{0});
            putAway()->draftButton()->click();
            d_->settle();
            write();
            QVERIFY(s().writing.lastReport());
            for (const files::StepRecord& step : s().writing.lastReport()->steps)
                QVERIFY2(step.state == files::StepState::Done,
                         (step.step.source.native() + ": " + step.error).c_str());
            size_t music = 0;
            for (const auto& [path, about] : contentsOf(*box_ / "in"))
                music += audio::formatByExtension(path) != audio::Format::Unknown;
            const size_t unread = static_cast<size_t>(std::ranges::count_if(
                s().sleeves.files(), [this](FileId f) { return !s().files.file(f)->readable(); }));
            QCOMPARE(music, unread); // what is damaged beyond reading stays
            s().writing.takeBack(s().writing.lastSet(), std::nullopt);
            d_->settle();
            const auto after = contentsOf(*box_ / "in");
            for (const auto& [path, about] : before)
                QVERIFY2(after.contains(path) && after.at(path) == about, path.c_str());
            QCOMPARE(after.size(), before.size());
            const auto left = contentsOf(*box_ / "shelf");
            QVERIFY2(left.empty(), left.empty() ? "" : left.begin()->first.c_str());
        }
    }

private:
    std::string ratingOf(FileId file) {
        library::RecordingView view;
        bool read = false;
        s().library.read(
            this, [file](library::Store& store) { return library::recordingOf(store, file); },
            [&](Result<library::RecordingView> answer) {
                view = std::move(*answer);
                read = true;
            });
        for (int i = 0; i < 100 && !read; ++i)
            QTest::qWait(20);
        const auto at = view.kept.find(library::ratingField);
        return at == view.kept.end() || at->second.empty() ? "" : at->second.front();
    }
    void open(const char* plan) {
        w().showWorkspace(MainWindow::Bench);
        w().bench()->showStep(BenchPage::PutAway);
        putAway()->editor()->setText(plan);
        d_->settle();
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
    }
};

QTEST_MAIN(TestPutAwayWays)
#include "test_put_away_ways.moc"
