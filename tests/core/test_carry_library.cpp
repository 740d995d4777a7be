// SPDX-License-Identifier: GPL-3.0-or-later
// A library brought to another folder, as a whole or not at all; and which library is this person's own.
#include <QtTest>

#include <fstream>

#include "core/library/carry_library.h"
#include "core/library/own_library.h"
#include "core/library/picture_store.h"
#include "core/library/store/store.h"
#include "support/cli.h"
#include "support/needs_root.h"
#include "support/sample_files.h"
#include "support/small_disk.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestCarryLibrary : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    Path library_;
    work::Progress progress_;

    /// With a shelf, and with what lies beside it.
    void make() {
        library_ = *box_ / "here/library.db";
        auto store = std::move(*Store::open(library_));
        std::filesystem::create_directories(*box_ / "archive");
        QVERIFY(store->shelves().add("Archive", *box_ / "archive") > 0);
        store.reset();
        test::writeBytes(*box_ / "here/library.db.pictures/ab/abcd.jpg", std::string(5000, 'p'));
        test::writeBytes(*box_ / "here/library.db.documents/1.pdf", std::string(300, 'd'));
        test::writeBytes(*box_ / "here/library.db.sounds", std::string(2'000'000, 's'));
        test::writeBytes(*box_ / "here/library.db.columns", "worked out again");
        test::writeBytes(*box_ / "here/library.db.lock", "1234");
        test::writeBytes(*box_ / "here/another.txt", "not of the library");
    }
    static QStringList namesIn(const Path& folder) {
        QStringList out;
        for (std::filesystem::recursive_directory_iterator at(folder), end; at != end; ++at)
            if (at->is_regular_file())
                out << QString::fromStdString(at->path().lexically_relative(folder).native());
        out.sort();
        return out;
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((*box_ / "data").native()));
        make();
    }
    void cleanup() { box_.reset(); }

    void allOfItGoes() {
        const LibraryBulk bulk = bulkOf(library_);
        QCOMPARE(bulk.files, size_t{4});
        QVERIFY(bulk.bytes > 2'005'300);
        const auto carried = carryLibrary(library_, *box_ / "there/Moorfrost library", {}, progress_);
        QVERIFY2(carried, carried ? "" : carried.error().message.c_str());
        QCOMPARE(*carried, *box_ / "there/Moorfrost library/library.db");
        QCOMPARE(namesIn(carried->parent_path()),
                 QStringList({"library.db", "library.db.documents/1.pdf", "library.db.pictures/ab/abcd.jpg",
                              "library.db.sounds"}));
        QCOMPARE(test::readBytes(*box_ / "there/Moorfrost library/library.db.sounds"),
                 std::string(2'000'000, 's'));
        auto store = std::move(*Store::open(*carried));
        QCOMPARE(store->shelves().all().at(0).path, *box_ / "archive");
        // The one that was copied is as it was.
        QVERIFY(namesIn(*box_ / "here").contains("library.db.columns"));
        QCOMPARE(Store::open(library_)->get()->shelves().all().size(), size_t{1});
        QVERIFY(carriedLibrary(carried->parent_path()));
    }

    void itHasItsUsualNameThere() {
        std::filesystem::rename(library_, *box_ / "here/sound.mine");
        std::filesystem::rename(*box_ / "here/library.db.documents", *box_ / "here/sound.mine.documents");
        const auto carried = carryLibrary(*box_ / "here/sound.mine", *box_ / "there", {}, progress_);
        QVERIFY(carried);
        QCOMPARE(namesIn(*box_ / "there"), QStringList({"library.db", "library.db.documents/1.pdf"}));
    }

    void nothingIsLeftWhereItFails() {
        test::writeBytes(*box_ / "taken/letter.txt", "mine");
        auto carried = carryLibrary(library_, *box_ / "taken", {}, progress_);
        QVERIFY(!carried && carried.error().kind == ErrorKind::Exists);
        QCOMPARE(namesIn(*box_ / "taken"), QStringList("letter.txt"));
        // Stopped.
        std::stop_source stop;
        stop.request_stop();
        carried = carryLibrary(library_, *box_ / "stopped", stop.get_token(), progress_);
        QVERIFY(!carried && carried.error().kind == ErrorKind::Cancelled);
        QVERIFY(!std::filesystem::exists(*box_ / "stopped"));
        // Into itself, and of nothing.
        QVERIFY(!carryLibrary(library_, *box_ / "here/library.db.pictures/new", {}, progress_));
        QVERIFY(!carryLibrary(*box_ / "nowhere/library.db", *box_ / "new", {}, progress_));
        QVERIFY(!std::filesystem::exists(*box_ / "new"));
        // A damaged one is not carried on as if it were whole.
        std::fstream file(library_, std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(100);
        file << std::string(8000, '\xFF');
        file.close();
        carried = carryLibrary(library_, *box_ / "new", {}, progress_);
        QVERIFY(!carried && carried.error().kind == ErrorKind::Damaged);
        QVERIFY(!std::filesystem::exists(*box_ / "new"));
    }

    void aFullDiskIsToldBefore() {
        NEEDS_ROOT;
        test::SmallDisk disk(*box_ / "disk", "size=1m");
        QVERIFY(disk.isThere());
        const auto carried = carryLibrary(library_, *box_ / "disk/library", {}, progress_);
        QVERIFY(!carried);
        QCOMPARE(carried.error().kind, ErrorKind::NoSpace);
        QVERIFY(QString::fromStdString(carried.error().message).contains("MB are needed"));
        QCOMPARE(namesIn(*box_ / "disk"), QStringList());
    }

    void whatIsNoLibraryIsNotTaken() {
        QVERIFY(!carriedLibrary(*box_ / "archive"));
        test::writeBytes(*box_ / "text/library.db", "a text");
        QVERIFY(!carriedLibrary(*box_ / "text"));
        {
            Database db(library_);
            db.execute("PRAGMA user_version=9999");
        }
        const auto newer = carriedLibrary(*box_ / "here");
        QVERIFY(!newer && newer.error().kind == ErrorKind::Unsupported);
    }

    void theOldOneGoesToTheTrash() {
        test::writeBytes(Path(library_) += "-wal", "not in the file itself yet");
        const Status trashed = trashLibrary(library_);
        QVERIFY2(trashed, trashed ? "" : trashed.error().message.c_str());
        QCOMPARE(namesIn(*box_ / "here"), QStringList("another.txt"));
        // All of it can be brought back: what was not in the file itself yet, too.
        const QStringList trash = namesIn(*box_ / "data/Trash/files");
        for (const char* name : {"library.db", "library.db-wal", "library.db.sounds"})
            QVERIFY2(trash.contains(name), qPrintable(trash.join(" ")));
    }

    void theOwnLibraryIsWhereItWasMovedTo() {
        QCOMPARE(*ownLibrary(), Store::defaultPath());
        const Path odd = *box_ / "away\nodd \xFF/library.db"; // any bytes but 0
        test::writeBytes(odd, "x");
        QVERIFY(setOwnLibrary(odd));
        QCOMPARE(*ownLibrary(), odd);
        std::filesystem::remove(odd);
        const auto gone = ownLibrary();
        QVERIFY(!gone && gone.error().kind == ErrorKind::NotFound);
        QVERIFY(QString::fromStdString(gone.error().message).contains("Is its disk connected?"));
        QCOMPARE(ownLibraryPlace(), odd);
        QVERIFY(setOwnLibrary(Store::defaultPath()));
        QCOMPARE(*ownLibrary(), Store::defaultPath());
        // A note that makes no sense is none.
        test::writeBytes(*box_ / "data/moorfrost/library-place", "nonsense");
        QCOMPARE(*ownLibrary(), Store::defaultPath());
    }

    // On two machines: copied, brought, its shelf found at its new place.
    void byTheCommandLine() {
        test::tag(test::makeSound(*box_ / "archive", "a.flac"), {{"title", {"Gorse"}}});
        auto cli = [&](const QList<QByteArray>& arguments) {
            return test::runCli(*box_ / "here", arguments);
        };
        QCOMPARE(cli({"rescan"}).code, 0);
        auto answer = cli({"library", "copy", QByteArray::fromStdString((*box_ / "stick/lib").native())});
        QCOMPARE(answer.code, 0);
        QVERIFY(answer.lines.value(0)["files"].toInt() >= 4);
        std::filesystem::rename(*box_ / "archive", *box_ / "elsewhere");
        answer = cli({"library", "bring", QByteArray::fromStdString((*box_ / "stick/lib").native())});
        QCOMPARE(answer.code, 0);
        QCOMPARE(ownLibraryPlace(), *box_ / "data/moorfrost/library/library.db");
        const Path brought = ownLibraryPlace().parent_path();
        auto there = [&](const QList<QByteArray>& arguments) { return test::runCli(brought, arguments); };
        const QByteArray folder = QByteArray::fromStdString((*box_ / "elsewhere").native());
        answer = there({"library", "shelf", folder, "--shelf", "Archive", "--dry-run"});
        QCOMPARE(answer.lines.value(0)["found"].toInt(), 1);
        QVERIFY(!answer.lines.value(0)["followed"].toBool());
        answer = there({"library", "shelf", folder, "--shelf", "Archive"});
        QVERIFY(answer.lines.value(0)["followed"].toBool());
        QCOMPARE(there({"search", "gorse", "--count"}).out.trimmed().isEmpty(), false);
        QCOMPARE(there({"library", "shelf", folder, "--shelf", "No such"}).code, 2);
        QCOMPARE(there({"library", "copy"}).code, 2);
        QCOMPARE(there({"library", "bring", folder}).code, 1);
    }
};

QTEST_GUILESS_MAIN(TestCarryLibrary)
#include "test_carry_library.moc"
