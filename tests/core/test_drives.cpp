// SPDX-License-Identifier: GPL-3.0-or-later
// Drives by libcdio beside the simulated one; offsets; the process that rips; what was ripped in the journal.
#include <QtTest>

#include <csignal>
#include <fstream>

#include <zlib.h>

#include "core/audio/decoder.h"
#include "core/audio/encode.h"
#include "core/disc/cdio_drive.h"
#include "core/disc/offset.h"
#include "core/disc/rip_plan.h"
#include "core/disc/ripper.h"
#include "core/files/disk.h"
#include "core/library/writing.h"
#include "core/work/progress.h"
#include "support/noise_disc.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::disc;
using test::bytesOf;
using test::perSector;

class TestDrives : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::vector<int16_t> sound_;
    std::string bytes_;

    /// Four tracks of 300 sectors each; the third is after a pause of 20.
    Path makeImage(const std::string& faults = {}) {
        sound_ = test::noise(1200, 7);
        bytes_ = bytesOf(sound_);
        test::writeBytes(*box_ / "disc.bin", bytes_);
        test::writeBytes(*box_ / "disc.cue",
                         "CATALOG 2000000770031\nFILE \"disc.bin\" BINARY\n"
                         "  TRACK 01 AUDIO\n    INDEX 01 00:00:00\n"
                         "  TRACK 02 AUDIO\n    FLAGS PRE\n    ISRC ZZGRW7700031\n    INDEX 01 00:04:00\n"
                         "  TRACK 03 AUDIO\n    INDEX 00 00:07:55\n    INDEX 01 00:08:00\n"
                         "  TRACK 04 AUDIO\n    INDEX 01 00:12:00\n");
        if (!faults.empty())
            test::writeBytes(*box_ / "disc.cue.faults.json", faults);
        return *box_ / "disc.cue";
    }
    RipPlan plan(const Path& sheet) {
        auto image = openImage(sheet);
        if (!image)
            qFatal("%s", image.error().message.c_str());
        return usualPlan(image->toc, image->text, *box_ / "out", "flac", "disc");
    }
    uint32_t crcOf(int32_t from, int32_t length) {
        return static_cast<uint32_t>(
            ::crc32(::crc32(0, nullptr, 0),
                    reinterpret_cast<const Bytef*>(bytes_.data()) + size_t(from) * bytesPerSector,
                    static_cast<uInt>(length * bytesPerSector)));
    }
    static pid_t ripperOf() {
        for (const auto& entry : std::filesystem::directory_iterator("/proc")) {
            std::ifstream in(entry.path() / "stat");
            int pid = 0, parent = 0;
            std::string name, state;
            if (in >> pid >> name >> state >> parent && parent == ::getpid() &&
                name.starts_with("(moorfrost-rippe"))
                return pid;
        }
        return 0;
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>(true);
        qputenv("XDG_DATA_HOME", (*box_ / "data").native().c_str());
    }
    void cleanup() { box_.reset(); }

    /// libcdio reads images through the same calls as drives.
    void aDriveByCdio() {
        const Path sheet = makeImage();
        auto cdio = CdioDrive::open(sheet);
        QVERIFY(cdio);
        auto simulated = SimulatedDrive::open(sheet);
        QVERIFY(simulated);
        auto toc = (*cdio)->toc(), wanted = (*simulated)->toc();
        QVERIFY2(toc, toc ? "" : toc.error().message.c_str());
        QCOMPARE(toc->table(), wanted->table());
        QCOMPARE(toc->mediaNumber, std::string("2000000770031"));
        QCOMPARE(toc->tracks[1].isrc, std::string("ZZGRW7700031"));
        QVERIFY(toc->tracks[1].preEmphasis);
        QCOMPARE(toc->tracks[2].gap, 20);
        QCOMPARE(toc->tracks[1].length, 280);
        for (const auto& [from, count] : {std::pair(0, 40), {500, 150}, {1190, 10}}) {
            auto read = (*cdio)->read(from, count);
            QVERIFY2(read, read ? "" : read.error().message.c_str());
            QVERIFY2(*read == bytes_.substr(size_t(from) * bytesPerSector, size_t(count) * bytesPerSector),
                     std::to_string(from).c_str());
        }
        QVERIFY(!(*cdio)->read(1195, 10));
        const RipPlan whole = plan(sheet);
        const RipReport report = rip(**cdio, whole, {}, [](const RipProgress&) {});
        QVERIFY2(report.complete, report.ended.c_str());
        for (const TrackReport& t : report.tracks)
            QCOMPARE(t.crc, crcOf(whole.tracks[size_t(t.number - 1)].from,
                                  whole.tracks[size_t(t.number - 1)].length));
        QVERIFY(!CdioDrive::open("/dev/null/none"));
    }

    void anOffsetIsFoundAndCorrected_data() {
        QTest::addColumn<int>("offset");
        for (const int offset : {6, -12, 667, -1164, 2940, -2940, 0})
            QTest::addRow("%d", offset) << offset;
    }
    void anOffsetIsFoundAndCorrected() {
        QFETCH(int, offset);
        const Path sheet = makeImage("{\"offset\": " + std::to_string(offset) + "}");
        auto drive = SimulatedDrive::open(sheet);
        QVERIFY(drive);
        const Toc toc = *(*drive)->toc();
        reference::Medium known;
        known.readings = {{2, crcOf(300, 300), 4}, {2, 12345, 1}, {3, crcOf(600, 300), 2}};
        auto found = findOffset(**drive, toc, known, {});
        QVERIFY(found && *found);
        QCOMPARE(**found, offset);
        auto inProcess = offsetOfDrive(sheet, toc, known, {});
        QVERIFY(inProcess && *inProcess);
        QCOMPARE(**inProcess, offset);
        RipPlan corrected = plan(sheet);
        corrected.offset = offset;
        const RipReport report = rip(**drive, corrected, {}, [](const RipProgress&) {});
        QVERIFY(report.complete);
        QCOMPARE(report.offset, offset);
        for (const size_t i : {size_t(1), size_t(2)}) // at the ends of the disc a drive does not reach
            QCOMPARE(report.tracks[i].crc, crcOf(corrected.tracks[i].from, corrected.tracks[i].length));
        known.readings = {{2, 1, 1}};
        found = findOffset(**drive, toc, known, {});
        QVERIFY(found && !*found);
    }

    void inAProcessOfItsOwn() {
        const Path sheet = makeImage();
        auto look = lookAtDrive(sheet);
        QVERIFY2(look, look ? "" : look.error().message.c_str());
        QCOMPARE(look->toc, openImage(sheet)->toc);
        std::vector<int> ended;
        size_t told = 0;
        RipPlan whole = plan(sheet);
        whole.tracks[0].fields["title"] = {"Slack \"Water\"\nTake 2"};
        const RipReport report = ripInProcess(
            sheet, whole, {}, [&](const RipProgress&) { ++told; },
            [&](const TrackReport& t) { ended.push_back(t.number); });
        QVERIFY2(report.complete, report.ended.c_str());
        QCOMPARE(ended, (std::vector<int>{1, 2, 3, 4}));
        QVERIFY(told >= 4);
        QCOMPARE(report.toc, look->toc);
        for (size_t i = 0; i < 4; ++i) {
            const RipTrack& t = whole.tracks[i];
            QCOMPARE(report.tracks[i].crc, crcOf(t.from, t.length));
            const auto samples = audio::samplesOf(t.target, 0, size_t(t.length + 5) * framesPerSector);
            QVERIFY(samples);
            QVERIFY(bytesOf(*samples) ==
                    bytesOf(sound_, size_t(t.from) * perSector, size_t(t.length) * perSector));
        }
        QCOMPARE(tags::firstValue(files::scanFile(whole.tracks[0].target).tags->fields, "title"),
                 whole.tracks[0].fields["title"].front());
        const auto missing = lookAtDrive(*box_ / "none.cue");
        QVERIFY(!missing);
        QCOMPARE(missing.error().kind, ErrorKind::NotFound);
        QVERIFY(drivesThere().empty() || !drivesThere().front().device.empty());
    }

    /// The process is killed: what was whole stays, what was not is gone, and it is said.
    void killedInTheMiddle() {
        const Path sheet = makeImage("{\"speed\": 20}");
        bool killed = false;
        const RipPlan whole = plan(sheet);
        const RipReport report = ripInProcess(sheet, whole, {}, [&](const RipProgress& p) {
            if (p.track == 2 && p.done > 0 && !killed) {
                killed = true;
                ::kill(ripperOf(), SIGKILL);
            }
        });
        QVERIFY(killed && !report.complete);
        QVERIFY2(report.ended.find("unexpectedly") != std::string::npos, report.ended.c_str());
        QVERIFY(!report.tracks.empty());
        for (const auto& entry : std::filesystem::directory_iterator(whole.tracks[0].target.parent_path()))
            QVERIFY2(!entry.path().filename().native().starts_with('.'), entry.path().c_str());
        for (const TrackReport& t : report.tracks)
            QVERIFY(files::isThere(t.file));
    }

    /// A track is told as soon as it is a file, while the next is still being read: so it is in the journal
    /// however that ends.
    void toldAtOnce() {
        const Path sheet = makeImage("{\"speed\": 10}");
        int32_t readOfSecond = 0, whenTold = -1;
        const RipPlan whole = plan(sheet);
        auto drive = SimulatedDrive::open(sheet);
        QVERIFY_RESULT(drive);
        const RipReport report = rip(
            **drive, whole, {},
            [&](const RipProgress& p) { readOfSecond = p.track == 1 ? p.done : readOfSecond; },
            [&](const TrackReport& t) {
                if (t.number == 1)
                    whenTold = readOfSecond;
            });
        QVERIFY(report.complete);
        QVERIFY2(whenTold >= 0 && whenTold < whole.tracks[1].length, std::to_string(whenTold).c_str());
    }

    void stoppedInTheMiddle() {
        const Path sheet = makeImage("{\"speed\": 20}");
        std::stop_source stop;
        const RipPlan whole = plan(sheet);
        const RipReport report = ripInProcess(sheet, whole, stop.get_token(), [&](const RipProgress& p) {
            if (p.track == 1)
                stop.request_stop();
        });
        QVERIFY(!report.complete);
        QCOMPARE(report.ended, std::string("Stopped."));
        QVERIFY(files::isThere(whole.tracks[0].target));
        QVERIFY(!files::isThere(whole.tracks[1].target));
        size_t files = 0;
        for (const auto& entry : std::filesystem::directory_iterator(whole.tracks[0].target.parent_path()))
            files += entry.is_regular_file() ? 1 : 0;
        QCOMPARE(files, size_t(1));
    }

    void ejected() {
        const Path sheet = makeImage();
        auto drive = SimulatedDrive::open(sheet);
        RipPlan whole = plan(sheet);
        whole.eject = true;
        QVERIFY(rip(**drive, whole, {}, [](const RipProgress&) {}).complete);
        QVERIFY(!(*drive)->toc());
        QVERIFY(ejectDrive(sheet));
    }

    void talkIsTheSameAgain() {
        RipPlan p;
        p.tracks.push_back({3, 5, 70, Path("/a/\xff b"), {{"title", {"A\nB", "C"}}}});
        p.bitrate = 128000;
        p.offset = -6;
        p.eject = true;
        p.pictures = "/p";
        auto again = planFromText(toText(p));
        QVERIFY(again);
        QCOMPARE(again->tracks[0].target, p.tracks[0].target);
        QCOMPARE(again->tracks[0].fields, p.tracks[0].fields);
        QVERIFY(again->offset == -6 && again->eject && again->bitrate == 128000 && again->pictures == "/p");
        QVERIFY(!planFromText("{}") && !planFromText("") && !trackFromText("[1]") &&
                !lookFromText("nothing"));
        TrackReport t;
        t.number = 2;
        t.file = "/a/b";
        t.crc = 4000000000u;
        t.doubtful = {{7, 3, true}};
        t.folders = {"/a"};
        auto track = trackFromText(toText(t));
        QVERIFY(track && track->crc == t.crc && track->doubtful == t.doubtful && track->folders == t.folders);
    }

    /// In the journal as one set, also where the rip goes on; taken back into the trash.
    void madeFilesInTheJournal() {
        const Path sheet = makeImage();
        const Path shelf = *box_ / "shelf";
        std::filesystem::create_directories(shelf);
        auto store = library::Store::open(*box_ / "library.db");
        QVERIFY(store);
        (*store)->shelves().add("Music archive", shelf);
        auto image = openImage(sheet);
        const RipPlan whole = usualPlan(image->toc, image->text, shelf, "flac", "disc");
        int64_t set = 0;
        std::vector<Path> made;
        for (const bool second : {false, true}) {
            RipPlan part = whole;
            part.tracks.assign(whole.tracks.begin() + (second ? 2 : 0),
                               whole.tracks.begin() + (second ? 4 : 2));
            library::MadeFiles files(**store, "Ripped disc", set);
            std::vector<Path> folders;
            const RipReport report = ripInProcess(
                sheet, part, {}, [](const RipProgress&) {},
                [&](const TrackReport& t) {
                    folders.insert(folders.end(), t.folders.begin(), t.folders.end());
                    QVERIFY(files.add(t.file, part.tracks[size_t((t.number - 1) % 2)].fields, t.folders));
                    made.push_back(t.file);
                });
            QVERIFY(report.complete);
            QCOMPARE(!folders.empty(), !second);
            test::writeBytes(made[0].parent_path() / "disc report.txt", second ? "all" : "half");
            QVERIFY(files.add(made[0].parent_path() / "disc report.txt", {}, {}));
            QCOMPARE(files.takeTouched().size(), size_t(2));
            set = files.set();
        }
        made.push_back(made[0].parent_path() / "disc report.txt");
        const auto sets = (*store)->journal().sets();
        QCOMPARE(sets.size(), size_t(1));
        QCOMPARE(sets[0].title, std::string("Ripped disc"));
        QCOMPARE(sets[0].done, size_t(5));
        QVERIFY(!sets[0].running);
        QVERIFY((*store)->files().idOf(made[0]) > 0);
        // In the history of the file it is one thing, not a change of each field.
        const auto events = (*store)->journal().historyOf((*store)->files().idOf(made[0]), 5);
        QCOMPARE(events.size(), size_t(1));
        QCOMPARE(events[0].title, std::string("Ripped disc"));
        QVERIFY(events[0].fields.empty());
        // Not while something was done to a file since.
        work::Progress progress;
        files::ChangeSet later;
        later.title = "Title";
        later.steps.push_back({.file = (*store)->files().idOf(made[3]),
                               .source = made[3],
                               .changes = {{"title", {"Low Bridge"}}},
                               .target = {},
                               .expected = {},
                               .expectedFields = {},
                               .expectedEssence = {},
                               .refused = {}});
        QCOMPARE(library::writeSet(**store, later, 0, {}, progress).report.done, size_t(1));
        auto back = library::takeBackSet(**store, set, {}, {}, progress);
        QCOMPARE(back.done, size_t(4));
        QCOMPARE(back.refused.size(), size_t(1));
        QVERIFY(files::isThere(made[3]) && !files::isThere(made[0]) && !files::isThere(made[4]));
        QVERIFY((*store)->files().idOf(made[0]) == 0);
        const Path trash = Path(std::getenv("XDG_DATA_HOME")) / "Trash";
        size_t inTrash = 0, notes = 0;
        for (const auto& entry : std::filesystem::directory_iterator(trash / "files"))
            inTrash += entry.is_regular_file() ? 1 : 0;
        for (const auto& entry : std::filesystem::directory_iterator(trash / "info"))
            notes += entry.is_regular_file() ? 1 : 0;
        QCOMPARE(inTrash, size_t(4));
        QCOMPARE(notes, size_t(4));
        // A rip that goes on after that is a set of its own.
        library::MadeFiles files(**store, "Ripped disc", set);
        QCOMPARE(files.set(), int64_t(0));
        const auto last = sets[0].id;
        auto rest = library::takeBackSet(**store, (*store)->journal().sets()[0].id, {}, {}, progress);
        QCOMPARE(rest.done, size_t(1));
        QCOMPARE(library::takeBackSet(**store, last, {}, {}, progress).done, size_t(1));
        QVERIFY(!files::isThere(made[3].parent_path()));
    }
};

QTEST_GUILESS_MAIN(TestDrives)
#include "test_drives.moc"
