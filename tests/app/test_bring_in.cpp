// SPDX-License-Identifier: GPL-3.0-or-later
// Bring in: what goes along, gathering by format, sound that is there once more.
#include <QtTest>

#include <QAbstractItemModelTester>

#include <QLabel>
#include <QPushButton>
#include <QTreeWidget>

#include <fstream>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/gather_dialog.h"
#include "app/shell/text_utils.h"
#include "core/library/audio_duplicates.h"
#include "demo/encode.h"
#include "demo/synth.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestBringIn : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    Controllers& s() { return d_->controllers(); }
    BringInPage* page() { return d_->window().bench()->bringIn(); }
    FolderModel* model() { return page()->model(); }
    void text(const Path& file, const char* content) { std::ofstream(file) << content; }
    /// "in: Gorse.flac, notes.txt | in/deep: ..."
    QString tree() {
        QStringList folders;
        for (int i = 0; i < model()->rowCount(); ++i) {
            const QModelIndex folder = model()->index(i, 0);
            QStringList names;
            for (int k = 0; k < model()->rowCount(folder); ++k)
                names << model()->index(k, 0, folder).data().toString();
            folders << folder.data().toString().section('/', -1) + ": " + names.join(", ");
        }
        return folders.join(" | ");
    }
    QString note(const QString& part) {
        return d_->bringInRow(part).siblingAtColumn(FolderModel::Note).data().toString();
    }
    Path song(const char* folder, const char* name, uint32_t seed, const tags::Fields& fields = {}) {
        std::filesystem::create_directories(*box_ / folder);
        const Path file = *box_ / folder / name;
        if (!demo::encodeSound(demo::synthesise({seed, 4, demo::Sound::Band, 1.0}), file, 0))
            qFatal("no sound was made");
        if (!fields.empty())
            test::tag(file, fields);
        return file;
    }
    static QStringList formatsOf(GatherDialog& dialog) {
        QStringList out;
        for (int i = 0; i < dialog.formats()->topLevelItemCount(); ++i)
            out << dialog.formats()->topLevelItem(i)->text(0) + " " +
                       dialog.formats()->topLevelItem(i)->text(1);
        return out;
    }
    static void tick(GatherDialog& dialog, const QString& format) {
        for (int i = 0; i < dialog.formats()->topLevelItemCount(); ++i)
            if (dialog.formats()->topLevelItem(i)->text(0) == format)
                dialog.formats()->topLevelItem(i)->setCheckState(0, Qt::Checked);
    }

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void foldersThatLeadInCircles() {
        song("in/deep", "Gorse.flac", 1);
        std::filesystem::create_directory_symlink(*box_ / "in", *box_ / "in/deep/up");
        std::filesystem::create_symlink("loop.flac", *box_ / "in/loop.flac");
        d_->bringIn({*box_ / "in"});
        d_->settle();
        QCOMPARE(s().sleeves.files().size(), size_t{2});
        QVERIFY2(note("loop").contains("link"), qPrintable(note("loop")));
    }

    void aFolderThatChangesWhileItIsRead() {
        QAbstractItemModelTester tester(model(), QAbstractItemModelTester::FailureReportingMode::QtTest);
        const Path first =
            song("in", "000.flac", 1, {{"album", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}});
        constexpr int count = 400;
        auto name = [&](int i) {
            return *box_ / "in" / QString("%1.flac").arg(i, 3, 10, QChar('0')).toStdString();
        };
        for (int i = 1; i < count; ++i)
            std::filesystem::copy_file(first, name(i));
        // As soon as something of it is there, some files go, others come, and some are moved.
        bool changed = false;
        connect(&s().sleeves, &SleeveViews::changed, this, [&] {
            if (std::exchange(changed, true))
                return;
            for (int i = count - 40; i < count; i += 2)
                std::filesystem::remove(name(i));
            std::filesystem::create_directories(*box_ / "in/later");
            for (int i = count - 39; i < count; i += 4)
                std::filesystem::rename(name(i), *box_ / "in/later" / name(i).filename());
            std::filesystem::copy_file(first, *box_ / "in/zzz.flac");
        });
        d_->bringIn({*box_ / "in"});
        d_->settle();
        QVERIFY(changed);
        // Brought in again, everything that is there is there, once.
        d_->bringIn({*box_ / "in"});
        d_->settle();
        std::map<Path, int> seen;
        size_t readable = 0;
        for (FileId id : s().sleeves.files()) {
            FilePtr f = s().files.file(id);
            QVERIFY(f);
            QCOMPARE(++seen[f->path], 1);
            readable += f->readable() && std::filesystem::exists(f->path);
        }
        QCOMPARE(readable, size_t{count - 20 + 1});
        QCOMPARE(model()->totals().files, static_cast<int>(s().sleeves.files().size()));
    }

    void whatGoesAlongStandsUnderItsMusic() {
        QAbstractItemModelTester tester(model(), QAbstractItemModelTester::FailureReportingMode::QtTest);
        song("in", "Gorse.flac", 1);
        song("in", "Kelp.flac", 2);
        std::filesystem::create_directories(*box_ / "in/pictures only");
        text(*box_ / "in/pictures only/back.jpg", "x");
        text(*box_ / "in/scan.jpg", "a picture");
        text(*box_ / "in/notes.txt", "side A was worn");
        d_->bringIn({*box_ / "in"});
        QCOMPARE(tree(), QString("in: Gorse.flac, Kelp.flac, notes.txt, scan.jpg"));
        QCOMPARE(note("notes.txt"), QString("goes along"));
        QCOMPARE(d_->bringInRow("notes.txt").siblingAtColumn(FolderModel::Size).data().toString(),
                 shownSize(15));
        QCOMPARE(model()->totals().along, 2);
        QCOMPARE(model()->totals().files, 2);
        QVERIFY(!(d_->bringInRow("notes.txt").flags() & Qt::ItemIsDragEnabled));
        QVERIFY(d_->bringInRow("Kelp").flags() & Qt::ItemIsDragEnabled);
        page()->tree()->setCurrentIndex(d_->bringInRow("scan.jpg"));
        QVERIFY(page()->chosen().empty());

        // It follows the disk, and goes when the music of its folder is taken out.
        std::filesystem::remove(*box_ / "in/scan.jpg");
        text(*box_ / "in/log.txt", "x");
        s().batch.removeFiles({d_->fileNamed("Gorse.flac")});
        d_->settle();
        QCOMPARE(tree(), QString("in: Kelp.flac, log.txt, notes.txt"));
        s().batch.removeFiles(s().sleeves.files());
        d_->settle();
        QCOMPARE(tree(), QString());
    }

    void gatheringTakesChosenFormatsHoweverDeep() {
        song("in", "Gorse.flac", 1);
        std::filesystem::rename(song("in/one/two/three/four", "Kelp.flac", 2),
                                *box_ / "in/one/two/three/four/Kelp.FLAC");
        song("in/one", "Tide.mp3", 3);
        song("in/one/two", "Quay.ogg", 4);
        text(*box_ / "in/one/notes.txt", "x");
        {
            GatherDialog dialog({s().jobs, s().bringIn}, page());
            QVERIFY(!dialog.takeButton()->isEnabled());
            dialog.look(*box_ / "in");
            d_->settle();
            QCOMPARE(formatsOf(dialog), QStringList({"MP3 1", "FLAC 2", "Ogg Vorbis 1"}));
            QVERIFY(!dialog.takeButton()->isEnabled()); // nothing is chosen
            tick(dialog, "FLAC");
            QVERIFY(dialog.takeButton()->isEnabled());
            dialog.takeButton()->click();
            d_->settle();
        }
        QCOMPARE(tree(), QString("in: Gorse.flac | four: Kelp.FLAC"));
        std::vector<library::BatchOrigin> origins;
        s().batch.readOrigins(this, [&](auto all) { origins = all; });
        d_->settle();
        QCOMPARE(origins.size(), size_t{1});
        QVERIFY(origins.front().place == *box_ / "in");

        // Others of it, later: what is there stays.
        GatherDialog dialog({s().jobs, s().bringIn}, page());
        dialog.look(*box_ / "in/one");
        d_->settle();
        tick(dialog, "MP3");
        tick(dialog, "Ogg Vorbis");
        dialog.takeButton()->click();
        d_->settle();
        QCOMPARE(s().sleeves.files().size(), size_t{4});
    }

    void gatheringWhereNothingIs() {
        std::filesystem::create_directories(*box_ / "empty");
        GatherDialog dialog({s().jobs, s().bringIn}, page());
        dialog.look(*box_ / "empty");
        d_->settle();
        auto says = [&](const QString& sentence) {
            for (QLabel* l : dialog.findChildren<QLabel*>())
                if (l->text().contains(sentence))
                    return true;
            return false;
        };
        QVERIFY(says("There is no sound in this folder."));
        dialog.look(*box_ / "not there");
        d_->settle();
        QVERIFY(!dialog.takeButton()->isEnabled());
        QVERIFY(!says("There is no sound in this folder."));
        QVERIFY(says("not there"));
    }

    void theSameSoundIsRecognised() {
        // On a shelf of the library, and brought in with other tags, another name, a picture less.
        const Path kept = song("shelf", "01 Gorse.flac", 1, {{"title", {"Gorse"}}, {"comment", {"master"}}});
        song("shelf", "02 Kelp.flac", 2);
        s().shelves.add("Archive", *box_ / "shelf");
        d_->settle();
        s().shelves.read(s().shelves.all());
        d_->settle();
        std::filesystem::create_directories(*box_ / "in");
        std::filesystem::copy_file(kept, *box_ / "in/untitled.flac");
        test::tag(*box_ / "in/untitled.flac",
                  {{"title", {"?"}}, {"comment", {}}, {"lyrics", {std::string(5000, 'x')}}});
        song("in", "other.flac", 3); // as long, but another sound
        const Path twice = song("in", "Tide.mp3", 4);
        std::filesystem::copy_file(twice, *box_ / "in/Tide (1).mp3");
        d_->bringIn({*box_ / "in"});
        d_->settle();
        QVERIFY2(note("untitled").contains("in the library as 01 Gorse.flac"), qPrintable(note("untitled")));
        QVERIFY(note("Tide.mp3").contains("same sound as Tide (1).mp3"));
        QVERIFY(note("Tide (1)").contains("same sound as Tide.mp3"));
        QVERIFY(!note("other").contains("same sound"));
        QVERIFY(d_->bringInRow("untitled")
                    .siblingAtColumn(FolderModel::Note)
                    .data(Qt::ToolTipRole)
                    .toString()
                    .contains("byte for byte: Archive/01 Gorse.flac"));

        // Nothing is read again for it: what was found is kept.
        auto store = library::Store::open(*box_ / "library.db");
        const auto essences = (*store)->workedOut().find(library::essenceField, s().sleeves.files());
        QCOMPARE(essences.size(), size_t{4});
        work::Progress progress;
        std::vector<const library::FileRecord*> batch;
        for (FileId id : s().sleeves.files())
            batch.push_back(s().files.file(id).get());
        size_t read = 0;
        auto look = [&](std::stop_token stop) {
            return *library::findAudioDuplicates(
                *box_ / "library.db", batch, s().index.searcher().get(), stop, progress,
                [&](library::KeptValues&& essences) { read += essences.size(); });
        };
        auto again = look({});
        QCOMPARE(read, size_t{0});
        QCOMPARE(again.others.size(), size_t{3});
        // Of several, the one of the library is told first, whenever it was read.
        std::filesystem::create_directories(*box_ / "later");
        std::filesystem::copy_file(twice, *box_ / "later/03 Tide.mp3");
        s().shelves.add("Later", *box_ / "later");
        d_->settle();
        s().shelves.read(s().shelves.all());
        d_->settle();
        again = look({});
        const FileId onShelf = (*store)->files().idOf(*box_ / "later/03 Tide.mp3");
        const FileId tide = d_->fileNamed("Tide.mp3"), tideAgain = d_->fileNamed("Tide (1).mp3");
        QVERIFY(onShelf > tide && onShelf > tideAgain);
        QCOMPARE(again.others[tide], (std::vector<FileId>{onShelf, tideAgain}));
        QCOMPARE(again.others[tideAgain], (std::vector<FileId>{onShelf, tide}));

        std::stop_source stopped;
        stopped.request_stop();
        QVERIFY(look(stopped.get_token()).stopped);
    }
};

QTEST_MAIN(TestBringIn)
#include "test_bring_in.moc"
