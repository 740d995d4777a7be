// SPDX-License-Identifier: GPL-3.0-or-later
// Discs read and ripped in a simulated drive: every sample is the disc's, faults are overcome or named, and
// nothing half is left.
#include <QProcess>
#include <QtTest>

#include <set>

#include "core/audio/decoder.h"
#include "core/audio/encode.h"
#include "core/disc/rip_check.h"
#include "core/files/disk.h"
#include "core/library/picture_store.h"
#include "core/tags/picture_changes.h"
#include "core/tags/tag_io.h"
#include "demo/encode.h"
#include "demo/pictures.h"
#include "support/needs_root.h"
#include "support/noise_disc.h"
#include "support/sample_files.h"
#include "support/shared_data.h"
#include "support/small_disk.h"

using namespace moorfrost;
using namespace moorfrost::disc;

using test::bytesOf;
using test::noise;
using test::perSector;

class TestRip : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::vector<int16_t> sound_;

    /// Three tracks of 400 sectors each in one file.
    void makeImage(const char* ending, const std::string& faults = {}) {
        sound_ = noise(1200, 5);
        if (std::string(ending) == ".bin")
            test::writeBytes(*box_ / "disc.bin", bytesOf(sound_));
        else
            QVERIFY(demo::encodeSound(sound_, *box_ / ("disc" + std::string(ending)), 0));
        test::writeBytes(*box_ / "disc.cue",
                         "FILE disc" + std::string(ending) +
                             (std::string(ending) == ".bin" ? " BINARY\n" : " WAVE\n") +
                             "TRACK 01 AUDIO\nINDEX 01 00:00:00\nTRACK 02 AUDIO\nINDEX 01 00:05:25\n"
                             "TRACK 03 AUDIO\nINDEX 01 00:10:50\n");
        if (!faults.empty())
            test::writeBytes(*box_ / "disc.cue.faults.json", faults);
    }
    std::unique_ptr<SimulatedDrive> drive() {
        auto opened = SimulatedDrive::open(*box_ / "disc.cue");
        if (!opened)
            qFatal("%s", opened.error().message.c_str());
        return std::move(*opened);
    }
    RipPlan plan(const std::string& format = "flac") {
        RipPlan out;
        out.format = format;
        for (int i = 0; i < 3; ++i)
            out.tracks.push_back(
                {i + 1,
                 i * 400,
                 400,
                 *box_ / ("out/0" + std::to_string(i + 1) + audio::encodeFormat(format)->ending),
                 {{"title", {"Take " + std::to_string(i + 1)}}, {"artist", {"Wren-Low"}}}});
        return out;
    }
    /// Whether the file holds just these samples, by FFmpeg.
    bool holds(const Path& file, size_t fromSector, size_t sectors) {
        const auto samples = audio::samplesOf(file, 0, (sectors + 5) * framesPerSector);
        return samples && bytesOf(*samples) == bytesOf(sound_, fromSector * perSector, sectors * perSector);
    }
    std::set<std::string> left() {
        std::set<std::string> out;
        if (std::filesystem::exists(*box_ / "out"))
            for (const auto& entry : std::filesystem::directory_iterator(*box_ / "out"))
                out.insert(entry.path().filename().native());
        return out;
    }

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(true); }
    void cleanup() { box_.reset(); }

    void everySample_data() {
        QTest::addColumn<QString>("image");
        QTest::addColumn<QString>("format");
        for (const audio::EncodeFormat& f : audio::encodeFormats())
            if (f.lossless)
                QTest::addRow("bin to %s", f.name.c_str()) << ".bin" << QString::fromStdString(f.name);
        for (const char* image : {".wav", ".flac", ".wv", ".aiff"})
            QTest::addRow("%s to flac", image) << image << "flac";
    }
    void everySample() {
        QFETCH(QString, image);
        QFETCH(QString, format);
        makeImage(image.toUtf8().constData());
        auto disc = drive();
        const RipPlan wanted = plan(format.toStdString());
        size_t told = 0;
        const RipReport report = rip(*disc, wanted, {}, [&](const RipProgress& p) { told = p.track; });
        QVERIFY2(report.complete, report.ended.c_str());
        QCOMPARE(told, size_t{2});
        for (size_t i = 0; i < 3; ++i) {
            const TrackReport& t = report.tracks[i];
            QVERIFY2(t.error.empty(), t.error.c_str());
            QVERIFY(t.doubtful.empty());
            QVERIFY(holds(t.file, i * 400, 400));
            const auto tags = tags::readTags(t.file);
            QVERIFY_RESULT(tags);
            QCOMPARE(tags::firstValue(tags->fields, "title"), "Take " + std::to_string(i + 1));
            QVERIFY(tags->writable());
        }
        // Checksums are of the samples, whatever the format.
        QCOMPARE(report.tracks[0].peak > 30000, true);
        QVERIFY(report.tracks[0].crc != report.tracks[0].crcLoud); // it begins with silence
        QCOMPARE(left().size(), size_t{3});
        // What it says of itself.
        QVERIFY(reportText(report, folderOf(report)).find("All readings agreed at once") !=
                std::string::npos);
        QVERIFY(reportJson(report, folderOf(report)).find("\"crc32\"") != std::string::npos);
        const auto sheet = readCueSheet(reportSheet(report, folderOf(report)));
        QVERIFY_RESULT(sheet);
        QCOMPARE(sheet->tracks.size(), size_t{3});
        // A second time there is no room.
        const RipReport again = rip(*disc, wanted, {}, [](const RipProgress&) {});
        QVERIFY(!again.complete);
        QVERIFY(again.tracks[0].error.find("already") != std::string::npos);
        QCOMPARE(again.tracks.size(), size_t{3});
    }

    /// By programs that know nothing of FFmpeg; ALAC has none in Debian.
    void everySampleByOtherDecoders_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<QString>("program");
        QTest::addColumn<QStringList>("arguments");
        QTest::newRow("flac")
            << "flac"
            << "flac"
            << QStringList{"-d",  "-c", "-s", "--force-raw-format", "--endian=little", "--sign=signed",
                           "FILE"};
        QTest::newRow("wavpack") << "wavpack"
                                 << "wvunpack" << QStringList{"-q", "-r", "FILE", "-o", "-"};
        for (const char* format : {"wav", "aiff"})
            QTest::newRow(format) << format << "sox"
                                  << QStringList{"FILE", "-t", "raw", "-b", "16", "-e", "signed", "-L", "-"};
    }
    void everySampleByOtherDecoders() {
        QFETCH(QString, format);
        QFETCH(QString, program);
        QFETCH(QStringList, arguments);
        makeImage(".bin");
        auto disc = drive();
        const RipReport report = rip(*disc, plan(format.toStdString()), {}, [](const RipProgress&) {});
        QVERIFY2(report.complete, report.ended.c_str());
        for (const TrackReport& t : report.tracks) {
            QStringList words = arguments;
            words.replaceInStrings("FILE", QString::fromStdString(t.file.native()));
            QProcess process;
            process.start(program, words);
            QVERIFY(process.waitForFinished());
            const QByteArray bytes = process.readAllStandardOutput();
            QVERIFY2(bytes.toStdString() ==
                         bytesOf(sound_, size_t(t.number - 1) * 400 * perSector, 400 * perSector),
                     process.readAllStandardError());
            QCOMPARE(t.essence.size(), size_t{32});
        }
    }

    /// What stands in the fields of the plan, with a picture, in every format.
    void withAPicture_data() {
        QTest::addColumn<QString>("format");
        for (const audio::EncodeFormat& f : audio::encodeFormats())
            QTest::newRow(f.name.c_str()) << QString::fromStdString(f.name);
    }
    void withAPicture() {
        QFETCH(QString, format);
        makeImage(".bin");
        const library::PictureStore store(*box_ / "pictures");
        const auto picture = store.add(demo::drawCover(3, 300), "front cover", "");
        QVERIFY_RESULT(picture);
        RipPlan wanted = plan(format.toStdString());
        wanted.tracks.resize(1);
        for (const auto& [key, values] : tags::pictureFields({*picture}))
            wanted.tracks[0].fields[key] = values;
        wanted.pictures = *box_ / "pictures";
        auto disc = drive();
        const RipReport report = rip(*disc, wanted, {}, [](const RipProgress&) {});
        QVERIFY2(report.complete, report.tracks.empty() ? "" : report.tracks[0].error.c_str());
        const auto tags = tags::readTags(report.tracks[0].file);
        QVERIFY_RESULT(tags);
        QCOMPARE(tags->pictures.size(), size_t{1});
        QCOMPARE(tags->pictures[0].hash, picture->hash);
    }

    /// The encoder cannot make its file: it is said, the tracks before stay, the rip ends.
    void theEncoderIsRefused() {
        makeImage(".bin");
        auto disc = drive();
        const RipPlan wanted = plan();
        Path raw = files::temporaryName(wanted.tracks[1].target, false);
        raw += ".rip";
        std::filesystem::create_directories(raw / "in the way");
        const RipReport report = rip(*disc, wanted, {}, [](const RipProgress&) {});
        QVERIFY(!report.complete);
        QVERIFY(!report.tracks[0].file.empty());
        QVERIFY2(report.tracks[1].file.empty() && !report.tracks[1].error.empty(),
                 report.tracks[1].error.c_str());
        QVERIFY(std::filesystem::exists(raw / "in the way"));
    }

    /// Checksums that others share leave out what not every drive reaches, at the ends of the disc only.
    void whatOthersHaveRead() {
        makeImage(".bin");
        auto disc = drive();
        RipReport report = rip(*disc, plan(), {}, [](const RipProgress&) {});
        QVERIFY(report.complete);
        QVERIFY(report.tracks[0].crc != report.tracks[0].crcShared);
        QCOMPARE(report.tracks[1].crc, report.tracks[1].crcShared);
        QVERIFY(report.tracks[2].crc != report.tracks[2].crcShared);
        reference::Medium known;
        known.readings = {{1, report.tracks[0].crcShared, 4}, {1, 77, 2}, {2, 78, 3}};
        compareReadings(report, known);
        QCOMPARE(report.tracks[0].agree, 4);
        QCOMPARE(report.tracks[0].others, 2);
        QCOMPARE(report.tracks[1].agree, 0);
        QCOMPARE(report.tracks[1].others, 3);
        QCOMPARE(report.tracks[2].agree, -1); // nobody has read it
        QVERIFY(reportText(report, folderOf(report)).find("Read by others: 4 the same, 2 something else") !=
                std::string::npos);
    }

    /// One that plays something else than what was chosen is told.
    void whatIsHeard() {
        class Somebody : public reference::Reference {
        public:
            std::string key() const override { return "cairn"; }
            std::string name() const override { return "Cairn"; }
            Result<std::vector<reference::Release>> find(const reference::Question&,
                                                         std::stop_token) override {
                return std::vector<reference::Release>();
            }
            Result<reference::Release> fetch(const std::string&, std::stop_token) override {
                return reference::Release();
            }
            Result<reference::Heard> hear(const std::vector<sound::Fingerprint>& sounds,
                                          std::stop_token) override {
                reference::Heard out;
                out.sounds.resize(sounds.size());
                out.sounds[0] = {{"r-1", 20, 0, 30}};
                out.sounds[1] = {{"r-9", 20, 0, 30}, {"r-2", 5, 0, 30}}; // the second is not sure enough
                reference::Release r;
                r.media.resize(1);
                r.media[0].tracks = {
                    {.position = "1", .title = "Low Bridge", .credit = {}, .recording = "r-9"}};
                out.releases = {r};
                return out;
            }
            Result<std::string> picture(const std::string&, int, std::stop_token) override {
                return std::string();
            }
        } somebody;
        RipReport report;
        for (int i = 1; i <= 3; ++i) {
            report.tracks.emplace_back();
            report.tracks.back().number = i;
            report.tracks.back().file = "/t" + std::to_string(i);
        }
        reference::Medium chosen;
        for (const char* r : {"r-1", "r-2", "r-3"})
            chosen.tracks.push_back({.position = "", .title = r, .credit = {}, .recording = r});
        const auto heard = listenToRip(report, &chosen, "cairn", {&somebody},
                                       [](const Path& file) -> Result<sound::Fingerprint> {
                                           if (file == "/t3")
                                               return Error{ErrorKind::Damaged, file, "It has no sound."};
                                           return sound::Fingerprint{std::vector<uint32_t>(200), 25};
                                       },
                                       {});
        QCOMPARE(heard.size(), size_t{3});
        QCOMPARE(int(heard[0].as), int(HeardTrack::As::Chosen));
        QCOMPARE(int(heard[1].as), int(HeardTrack::As::Other));
        QCOMPARE(int(heard[2].as), int(HeardTrack::As::Unheard));
        QCOMPARE(
            sentenceOf(heard),
            std::string("By sound, 1 of 3 tracks are what was chosen. Track 2 sounds like \"Low Bridge\"."));
        QCOMPARE(sentenceOf({}), std::string());
    }

    void lossyFormats() {
        makeImage(".wav");
        auto disc = drive();
        for (const char* format : {"mp3", "vorbis", "opus"}) {
            RipPlan wanted = plan(format);
            wanted.tracks.resize(1);
            const RipReport report = rip(*disc, wanted, {}, [](const RipProgress&) {});
            QVERIFY2(report.complete, report.tracks[0].error.c_str());
            const auto tags = tags::readTags(report.tracks[0].file);
            QVERIFY_RESULT(tags);
            QVERIFY2(std::abs(tags->facts.duration - 400 / 75.0) < 0.06, format);
        }
    }

    // Any place of an image is found exactly, whatever it is packed in.
    void anyPlace() {
        for (const char* image : {".flac", ".wav", ".wv", ".bin"}) {
            makeImage(image);
            auto disc = drive();
            uint32_t state = 3;
            for (int i = 0; i < 12; ++i) {
                state = state * 1664525u + 1013904223u;
                const auto sector = static_cast<int32_t>(state % 1190);
                const auto read = disc->read(sector, 7);
                QVERIFY_RESULT(read);
                QVERIFY2(*read == bytesOf(sound_, static_cast<size_t>(sector) * perSector, 7 * perSector),
                         image);
            }
            QVERIFY(!disc->read(1195, 7) && !disc->read(-1, 1) && !disc->read(0, 0));
            QVERIFY(disc->read(1193, 7));
        }
    }

    void unsteadySectors() {
        makeImage(".bin", "{\"unsteady\": [[100, 200], [700, 800]]}");
        auto disc = drive();
        const RipReport report = rip(*disc, plan(), {}, [](const RipProgress&) {});
        QVERIFY(report.complete);
        size_t doubtful = 0;
        for (size_t i = 0; i < 3; ++i) {
            QVERIFY2(holds(report.tracks[i].file, i * 400, 400), std::to_string(i).c_str());
            QVERIFY(!report.tracks[i].isBad());
            doubtful += report.tracks[i].doubtful.size();
        }
        QVERIFY2(doubtful > 100 && doubtful <= 200, std::to_string(doubtful).c_str());
        QVERIFY(report.tracks[2].doubtful.empty());
    }

    void badSectors() {
        makeImage(".bin", "{\"bad\": [[50, 55], [450, 465]]}");
        auto disc = drive();
        const RipReport report = rip(*disc, plan(), {}, [](const RipProgress&) {});
        QVERIFY(report.complete);
        std::set<int32_t> named, expected;
        for (int s = 50; s < 55; ++s)
            expected.insert(s);
        for (int s = 450; s < 465; ++s)
            expected.insert(s);
        for (const TrackReport& t : report.tracks)
            for (const Doubtful& d : t.doubtful) {
                QVERIFY(!d.agreed);
                named.insert(d.sector);
            }
        QVERIFY(named == expected);
        // All others are the disc's.
        const auto samples = audio::samplesOf(report.tracks[0].file, 0, 400 * framesPerSector);
        QVERIFY_RESULT(samples);
        const std::string is = bytesOf(*samples), was = bytesOf(sound_, 0, 400 * perSector);
        for (size_t s = 0; s < 400; ++s) {
            const bool bad = s >= 50 && s < 55;
            const std::string sector = is.substr(s * bytesPerSector, bytesPerSector);
            QCOMPARE(sector == was.substr(s * bytesPerSector, bytesPerSector), !bad);
            if (bad)
                QCOMPARE(sector, std::string(bytesPerSector, '\0'));
        }
        QVERIFY(reportText(report, folderOf(report)).find("00:00.50 (sector 50): not proven") !=
                std::string::npos);
        QVERIFY(reportText(report, folderOf(report)).find("00:00.50 (sector 450): not proven") !=
                std::string::npos);
    }

    void takenOut() {
        makeImage(".bin", "{\"taken_out_at\": 600}");
        auto disc = drive();
        const RipReport report = rip(*disc, plan(), {}, [](const RipProgress&) {});
        QVERIFY(!report.complete);
        QVERIFY2(report.ended.find("no disc") != std::string::npos, report.ended.c_str());
        QCOMPARE(left(), std::set<std::string>{"01.flac"}); // nothing half
        QVERIFY(holds(*box_ / "out/01.flac", 0, 400));
        QVERIFY(reportText(report, folderOf(report)).find("Not all tracks are files") != std::string::npos);
        QVERIFY(!disc->toc() && !disc->text() && !disc->read(0, 1));
    }

    void diskFull() {
        NEEDS_ROOT;
        test::SmallDisk small(*box_ / "out", "size=3400k");
        QVERIFY(small.isThere());
        makeImage(".bin");
        auto disc = drive();
        const RipReport report = rip(*disc, plan("wav"), {}, [](const RipProgress&) {});
        QVERIFY(!report.complete);
        QVERIFY2(report.ended.find("full") != std::string::npos, report.ended.c_str());
        // One is finished while the next is read: which of the two finds the disk full is chance. What is
        // told as a file is whole, and there is nothing else.
        std::set<std::string> told;
        for (const TrackReport& t : report.tracks)
            if (!t.file.empty()) {
                told.insert(t.file.filename().native());
                QVERIFY(holds(t.file, static_cast<size_t>(t.number - 1) * 400, 400));
            }
        QCOMPARE(left(), told);
        QVERIFY(told.contains("01.wav") && told.size() < 3);
    }

    void stopped() {
        makeImage(".bin");
        auto disc = drive();
        std::stop_source stop;
        const RipReport report = rip(*disc, plan(), stop.get_token(), [&](const RipProgress& p) {
            if (p.track == 1 && p.done > 0)
                stop.request_stop();
        });
        QVERIFY(!report.complete);
        QCOMPARE(left(), std::set<std::string>{"01.flac"});
        // It goes on with the track that it stopped at.
        RipPlan rest = plan();
        rest.tracks.erase(rest.tracks.begin());
        QVERIFY(rip(*disc, rest, {}, [](const RipProgress&) {}).complete);
        QVERIFY(holds(*box_ / "out/03.flac", 800, 400));
    }

    void faultsAsTheyShouldNotBe() {
        for (const char* bad : {"{", "[]", "{\"bad\": [1]}", "{\"bad\": [[\"a\", 2]]}", "{\"speed\": \"x\"}"})
            QVERIFY2(!faultsFromJson(bad), bad);
        makeImage(".bin", "{");
        QVERIFY(!SimulatedDrive::open(*box_ / "disc.cue"));
    }

    void whatIsNoFormat() {
        makeImage(".bin");
        auto disc = drive();
        RipPlan wanted = plan();
        wanted.format = "cloud";
        const RipReport report = rip(*disc, wanted, {}, [](const RipProgress&) {});
        QVERIFY(!report.complete);
        QVERIFY(report.ended.find("no format") != std::string::npos);
        QVERIFY(left().empty());
    }
};

QTEST_APPLESS_MAIN(TestRip)
#include "test_rip.moc"
