// SPDX-License-Identifier: GPL-3.0-or-later
// What is written when, and booked where: drafts of several batches, edits behind a write, names that must
// suit otherwise; what hands do meanwhile is kept.
#include <QAbstractItemModelTester>
#include <QLineEdit>
#include <QtTest>

#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/bench/review_page.h"
#include "app/widgets/field_box.h"
#include "app/widgets/sheet.h"
#include "core/tags/tag_io.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestWriting : public QObject, SmallBatch {
    Q_OBJECT

    void title(const char* file, const char* text) {
        s().drafts.session().propose("Edit", {{d_->fileNamed(file), "title", {text}}}, "typed");
    }
    static std::string titleOf(const Path& file) {
        return tags::firstValue(tags::readTags(file)->fields, "title");
    }
    std::string onDisk(const char* name) { return titleOf(*box_ / "in" / name); }
    /// A second batch with one song, in sight.
    void secondBatch() {
        test::tag(test::makeSound(*box_ / "more", "c1.flac", 9),
                  {{"title", {"Kelp"}}, {"artist", {"Odran Fell Quartet"}}, {"album", {"Whin Moor"}}});
        s().batch.create("Second");
        d_->settle();
        d_->bringIn({*box_ / "more"});
        QCOMPARE(s().sleeves.files().size(), size_t{1});
    }
    SheetView* sheet() { return w().bench()->describe()->sheet(); }
    FieldBox* box(const char* key) {
        for (FieldBox* b : w().findChildren<FieldBox*>())
            if (b->key() == key && b->isVisible())
                return b;
        return nullptr;
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { begin(); }
    void cleanup() { end(); }

    void onlyWhatGoesWithTheBatchInSightIsWritten() {
        makeBatch();
        const int64_t first = s().batch.id();
        title("a1.flac", "Of the first");
        d_->settle();
        secondBatch();
        const int64_t second = s().batch.id();
        QVERIFY(first != second);
        title("c1.flac", "Of the second");
        d_->settle();
        QCOMPARE(s().places.counts().fields, size_t{1});
        QCOMPARE(s().places.counts().elsewhere, size_t{1});
        bool told = false;
        for (QLabel* l : w().foot()->findChildren<QLabel*>())
            told = told || l->text().contains("1 more in other batches");
        QVERIFY(told);
        write();
        QCOMPARE(titleOf(*box_ / "more/c1.flac"), std::string("Of the second"));
        QCOMPARE(onDisk("a1.flac"), std::string("Tide Table"));
        QCOMPARE(s().journal.sets().size(), size_t{1});
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QCOMPARE(store->journal().batchOf(s().journal.sets().front().id), second);
        QCOMPARE(store->drafts().all().size(), size_t{1});
        // It waits where it was made.
        s().batch.choose(first);
        d_->settle();
        QCOMPARE(s().places.counts().fields, size_t{1});
        QCOMPARE(s().places.counts().elsewhere, size_t{0});
        write();
        QCOMPARE(onDisk("a1.flac"), std::string("Of the first"));
    }

    void aSetIsTakenBackIntoItsOwnBatch() {
        makeBatch();
        const int64_t first = s().batch.id();
        putAllAway();
        QVERIFY(s().sleeves.files().empty());
        secondBatch();
        s().writing.takeBack(s().journal.sets().front().id, std::nullopt);
        d_->settle();
        QCOMPARE(s().sleeves.files().size(), size_t{1}); // nothing came into the one in sight
        s().batch.choose(first);
        d_->settle();
        QCOMPARE(s().sleeves.files().size(), size_t{6});
    }

    /// "If several" looks at the files of a sleeve, so it is asked of the batch that they are in.
    void severalOfWhatIsInTheBatch() {
        makeBatch();
        for (const char* name : {"a1.flac", "a2.mp3"})
            s().drafts.session().propose(
                "Discs", {{d_->fileNamed(name), "disc", {name == std::string("a1.flac") ? "1" : "2"}}}, "t");
        d_->settle();
        const bench::PlaceWish wish{s().shelves.all().front().id,
                                    R"({album}/{disc: if several, after " "}{title})"};
        std::vector<library::DraftSession::Wish> wishes;
        for (FileId id : s().sleeves.files())
            wishes.push_back({id, library::placeKey, wish.toValues()});
        s().drafts.session().propose("Put away", wishes, "t");
        d_->settle();
        const auto name = [&](const char* file) {
            const placing::Placement* p = s().places.places().of(d_->fileNamed(file));
            return p ? p->to.filename().string() : std::string("nowhere");
        };
        QCOMPARE(name("a1.flac"), std::string("1 Tide Table.flac"));
        QCOMPARE(name("b1.opus"), std::string("Undertow.opus"));
        // With another batch in sight they are not asked for at all, and nothing of them is written.
        secondBatch();
        QVERIFY(!s().places.places().of(d_->fileNamed("a1.flac")));
        QVERIFY(!s().writing.canWrite());
    }

    void whatIsEditedBehindAWriteWaits() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click(); // the places are being worked out ...
        QVERIFY(!s().places.areCurrent());
        const FileId id = d_->fileNamed("a1.flac");
        s().writing.write();
        title("a1.flac", "Edited behind it");
        d_->settle();
        QVERIFY(s().writing.lastReport());
        QCOMPARE(s().writing.lastReport()->done, size_t{6});
        const Path now = *box_ / "shelf/Isla Varnholt/2019 Salt Road/01 Tide Table.flac";
        QVERIFY2(std::filesystem::exists(now), "the name is that of the title when it was asked for");
        QCOMPARE(titleOf(now), std::string("Tide Table"));
        const library::Draft* draft = s().drafts.session().find(id, "title");
        QVERIFY(draft);
        QCOMPARE(draft->values.front(), std::string("Edited behind it"));
    }

    void aSecondPressWritesNothing() {
        makeBatch();
        title("a1.flac", "Once");
        d_->settle();
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        QTest::mouseClick(w().foot()->writeButton(), Qt::LeftButton);
        QVERIFY(!w().foot()->writeButton()->isEnabled());
        s().writing.write(); // as from anywhere else
        s().writing.write();
        d_->settle();
        QCOMPARE(s().journal.sets().size(), size_t{1});
        QCOMPARE(s().journal.sets().front().total, size_t{1});
    }

    void backgroundWorkDoesNotKeepFromWriting() {
        makeBatch();
        title("a1.flac", "Meanwhile");
        d_->settle();
        std::atomic<bool> go = true;
        s().jobs.start(
            this, {"Listening for hours", work::Priority::Background},
            [&](std::stop_token stop, work::Progress& progress) -> Status {
                progress.begin(10);
                while (go && !stop.stop_requested())
                    QTest::qSleep(5);
                return Done{};
            },
            [](const Status&) {});
        QVERIFY(w().foot()->writeButton()->isEnabled());
        w().showWorkspace(MainWindow::Review);
        QTest::mouseClick(w().foot()->writeButton(), Qt::LeftButton);
        QTRY_VERIFY(s().writing.lastReport());
        QCOMPARE(onDisk("a1.flac"), std::string("Meanwhile"));
        QVERIFY(!s().jobs.isIdle());
        go = false;
        d_->settle();
    }

    void anotherProfileOfNamesIsUsedAtOnce() {
        makeBatch();
        title("b3.wav", "What? Ever: never");
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click();
        d_->settle();
        const FileId id = d_->fileNamed("b3.wav");
        QVERIFY(!s().places.places().of(id)->to.native().ends_with("What? Ever: never.wav"));
        s().settings.set(library::settings::names, files::NameProfile::Linux);
        d_->settle();
        QVERIFY2(s().places.places().of(id)->to.native().ends_with("What? Ever: never.wav"),
                 s().places.places().of(id)->to.c_str());
        s().settings.set(library::settings::names, files::NameProfile::StrictAscii);
        s().writing.write(); // before they were worked out
        d_->settle();
        bool ascii = false;
        for (const auto& f : d_->libraryFiles())
            ascii = ascii || f.path.filename().native().find("What Ever") != std::string::npos;
        QVERIFY(ascii);
    }

    void aNameGivenWhileAWriteEndsIsKept() {
        makeBatch();
        title("a1.flac", "x");
        d_->settle();
        const std::string key = s().sleeves.all().front().key;
        s().writing.write();
        // As the write ends and what became of the files is read.
        connect(&s().jobs, &JobList::changed, this, [&, named = false]() mutable {
            if (!named && !s().jobs.isWriting()) {
                named = true;
                s().batch.nameSleeve(key, "Under the hands");
            }
        });
        d_->settle();
        QCOMPARE(s().sleeves.find(key)->name, QString("Under the hands"));
        s().jobs.disconnect(this);
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        QCOMPARE(s().sleeves.find(key)->name, QString("Under the hands"));
    }

    void theNotesOfABatchSurviveAHandOnAnother() {
        makeBatch();
        const int64_t first = s().batch.id();
        const std::string key = s().sleeves.all().front().key;
        s().batch.nameSleeve(key, "Of the first");
        d_->settle();
        secondBatch();
        const int64_t second = s().batch.id();
        const std::string other = s().sleeves.all().front().key;
        s().batch.choose(first);
        s().batch.nameSleeve(other, "Of the second"); // the second is in sight still
        d_->settle();
        QCOMPARE(s().batch.id(), first);
        QCOMPARE(s().sleeves.find(key)->name, QString("Of the first"));
        s().batch.choose(second);
        d_->settle();
        QCOMPARE(s().sleeves.find(other)->name, QString("Of the second"));
    }

    void choosingTwiceEndsAtTheLast() {
        makeBatch();
        const int64_t first = s().batch.id();
        secondBatch();
        const int64_t second = s().batch.id();
        s().batch.choose(first);
        s().batch.choose(second);
        // What hands do to the one that stays in sight after all is not read over.
        const std::string key = s().sleeves.all().front().key;
        s().batch.nameSleeve(key, "Under the hands");
        d_->settle();
        QCOMPARE(s().batch.id(), second);
        QCOMPARE(s().sleeves.files().size(), size_t{1});
        QCOMPARE(s().sleeves.find(key)->name, QString("Under the hands"));
        QVERIFY(s().batch.batch().canUndoByHand());
    }

    void aWriteMovesThoughThePlacesWereNeverWorkedOut() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        auto stopping = connect(&s().jobs, &JobList::changed, this, [this] {
            for (const work::JobView& job : s().jobs.list())
                if (job.title.starts_with("Working out where"))
                    s().jobs.stop(job.id);
        });
        putAway()->draftButton()->click();
        d_->settle();
        s().writing.write();
        disconnect(stopping);
        d_->settle();
        QCOMPARE(d_->libraryFiles().size(), size_t{6});
    }

    void clearingABatchDropsTheDraftsOfItsFiles() {
        makeBatch();
        putAllAway();
        const library::FileRecord shelved = d_->libraryFiles().front();
        s().batch.send({shelved.id}, [] {});
        d_->settle();
        s().drafts.session().propose("Edit", {{shelved.id, "title", {"Never written"}}}, "typed");
        d_->settle();
        s().batch.forget();
        d_->settle();
        QVERIFY(s().drafts.session().all().empty());
        QVERIFY(!s().writing.canWrite());
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QVERIFY(store->drafts().all().empty());
        QVERIFY(store->files().find(shelved.id)); // the file itself is on its shelf still
    }

    void thePlayerFollowsAFileThatIsMoved() {
        makeBatch();
        const FileId id = d_->fileNamed("a1.flac");
        w().player().play(s().files.file(id));
        w().player().stop();
        putAllAway();
        QVERIFY(w().player().file()->path.native().starts_with((*box_ / "shelf").native()));
        QVERIFY(std::filesystem::exists(w().player().file()->path));
    }

    void whatIsOnARemovedShelfIsNotFoundAnyMore() {
        makeBatch();
        putAllAway();
        QCOMPARE(s().index.searcher()->count(), size_t{6});
        const FileId kept = d_->libraryFiles().front().id;
        s().batch.send({kept}, [] {});
        d_->settle();
        s().shelves.remove(s().shelves.all().front().id);
        d_->settle();
        QCOMPARE(s().index.searcher()->count(), size_t{0});
        // What is worked on stays known, though it is on no shelf now.
        QVERIFY(s().files.file(kept));
        QCOMPARE(s().files.file(kept)->shelf, int64_t{0});
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QCOMPARE(store->files().all().size(), size_t{1});
    }

    void whatIsTypedInTheDrawerIsKeptWhileMoreIsRead() {
        makeBatch();
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        sheet()->clearSelection();
        d_->settle();
        FieldBox* genre = box("genre");
        QVERIFY(genre);
        genre->setFocus();
        QTest::keyClicks(genre, "Sea so");
        test::makeSound(*box_ / "late", "z.flac", 12);
        d_->bringIn({*box_ / "late"});
        QCOMPARE(genre->text(), QString("Sea so"));
        QCOMPARE(s().places.counts().fields, size_t{0}); // nothing half typed
        QTest::keyClicks(genre, "ngs");
        QTest::keyClick(genre, Qt::Key_Return);
        d_->settle();
        QCOMPARE(s().places.counts().files, size_t{6}); // those that it was typed for
        QCOMPARE(s().drafts.session().effective(d_->fileNamed("a1.flac"), "genre"),
                 std::vector<std::string>{"Sea songs"});
        QVERIFY(s().drafts.session().of(d_->fileNamed("z.flac")).empty());
    }

    void whatIsTypedInTheSheetIsKeptWhileRowsChange() {
        makeBatch();
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        auto* model = static_cast<SheetModel*>(sheet()->model());
        const auto column = std::ranges::find(model->columns(), "title") - model->columns().begin();
        const FileId id = model->fileAt(0);
        sheet()->setFocus();
        sheet()->setCurrentIndex(model->index(0, static_cast<int>(column)));
        QTest::keyClick(sheet(), Qt::Key_F2);
        QLineEdit* editor = sheet()->openEditor();
        QVERIFY(editor);
        editor->selectAll();
        QTest::keyClicks(editor, "Half a ti");
        // So many others come in between that the rows are made anew.
        for (int i = 0; i < 80; ++i)
            test::tag(test::makeSound(*box_ / "many", std::to_string(i) + ".flac", static_cast<uint32_t>(i)),
                      {{"title", {std::to_string(i)}},
                       {"album", {"Album " + std::to_string(i)}},
                       {"artist", {"Kestrel & Rook"}}});
        d_->bringIn({*box_ / "many"});
        QCOMPARE(sheet()->openEditor(), editor);
        QCOMPARE(editor->text(), QString("Half a ti"));
        QTest::keyClicks(editor, "tle");
        QTest::keyClick(editor, Qt::Key_Return);
        d_->settle();
        QCOMPARE(s().drafts.session().effective(id, "title"), std::vector<std::string>{"Half a title"});
        QCOMPARE(model->rowCount(), 86); // and then the rows follow
    }

    void aReviewThatIsNotSeenIsNotBuilt() {
        makeBatch();
        QSignalSpy rows(w().review()->tree()->model(), &QAbstractItemModel::rowsInserted);
        QSignalSpy resets(w().review()->tree()->model(), &QAbstractItemModel::modelReset);
        for (const char* name : {"a1.flac", "a2.mp3", "b1.opus"}) {
            title(name, "Edited");
            d_->settle();
        }
        QCOMPARE(rows.count() + resets.count(), 0);
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        QVERIFY(rows.count() > 0);
    }
};

QTEST_MAIN(TestWriting)
#include "test_writing.moc"
