// SPDX-License-Identifier: GPL-3.0-or-later
// What the audit says of the sound of releases: measured once, kept, found again; loudness as fixes.
#include <QtTest>

#include "core/library/findings/audit.h"
#include "core/library/sound_reports.h"
#include "support/sheet_world.h"
#include "support/sound_sets.h"

using namespace moorfrost;
using namespace moorfrost::library;
using namespace moorfrost::test;

class TestSoundFindings : public QObject, SheetWorld {
    Q_OBJECT
    using Strings = std::vector<std::string>;
    std::shared_ptr<const ReleaseAudit> held_;
    LibrarySearch search_;

    FileId track(int number, const std::string& name = "Night Post") {
        return song(name + "/" + std::to_string(number) + ".wav",
                    {{"title", {"Track " + std::to_string(number)}},
                     {"artist", {"The Hollow Ferry"}},
                     {"album", {name}},
                     {"track", {std::to_string(number)}}});
    }
    FileRecord record(FileId id) { return *store_->files().find(id); }
    void keep(FileId id, const measure::SoundReport& report) {
        store_->workedOut().save(soundReportField, {{id, keptReport(record(id), &report)}});
    }
    static measure::SoundReport plain() {
        measure::SoundReport out;
        out.codec = "flac";
        out.lossless = true;
        out.rate = 44100;
        out.channels = 2;
        out.depth = out.usedBits = 16;
        out.seconds = 200;
        out.levels.peak = -1;
        out.levels.endLevel = -80;
        out.levels.endBefore = -40;
        out.loudness.integrated = -14;
        out.loudness.blocks[-140] = 1900;
        out.loudness.truePeak = -0.5;
        return out;
    }
    std::vector<Finding> of(const std::string& rule, const std::vector<FileId>& measured = {}) {
        const AuditRules rules = auditRulesOf(*store_);
        search_ = searchOf(*store_, search_);
        work::Progress progress;
        held_ = auditReleases(*store_, search_, rules, held_, measured, {}, progress);
        std::vector<Finding> out;
        for (size_t i = 0; i < held_->findings.size(); ++i)
            if (held_->findings[i].rule == rule)
                out.push_back(held_->findings[i]);
        return out;
    }

private slots:
    void init() {
        open();
        held_ = nullptr;
        search_ = {};
    }
    void cleanup() {
        held_ = nullptr;
        search_ = {};
        close();
    }

    void whatWasMeasuredIsFound() {
        const FileId first = track(1), second = track(2);
        QVERIFY(of("coded-before").empty());
        measure::SoundReport spoilt = plain();
        spoilt.trace = {"MP3", 28, 8, 8};
        spoilt.edges.push_back({15900, 40, 200, 2, 16000, -125});
        keep(first, plain());
        keep(second, spoilt);
        // No file has changed: it has to be told.
        const auto found = of("coded-before", {first, second});
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, std::vector<FileId>{second});
        QCOMPARE(found[0].title, std::string("Track 2"));
        QVERIFY(found[0].place && found[0].place->hertz == 16000);
        QVERIFY(found[0].sure > 0.9 && found[0].sure <= 1);
        QVERIFY(
            std::ranges::any_of(found[0].evidence, [](const Evidence& one) { return !one.usual.empty(); }));
        // The same again is the same finding; a file that is another by now was not measured.
        QCOMPARE(of("coded-before", {first, second})[0].facts(), found[0].facts());
        files::ScannedFile changed;
        changed.path = record(second).path;
        changed.state = {9, 9};
        changed.tags = record(second).tags;
        store_->files().save(changed, shelf_);
        QVERIFY(of("coded-before").empty());
    }

    void loudnessBecomesReplayGain() {
        const FileId first = track(1), second = track(2);
        measure::SoundReport soft = plain();
        soft.loudness.integrated = -20;
        soft.loudness.blocks.clear();
        soft.loudness.blocks[-200] = 1900;
        soft.loudness.truePeak = -6;
        keep(first, plain());
        QVERIFY2(of("loudness", {first}).empty(),
                 "The second is not measured yet: the album's would be wrong.");
        keep(second, soft);
        const auto found = of("loudness", {first, second});
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files.size(), size_t(2));
        std::map<std::pair<FileId, std::string>, std::string> wished;
        for (const auto& wish : wishesOf(*store_, found[0]))
            wished[{wish.file, wish.field}] = wish.values.front();
        QCOMPARE((wished[{first, "replaygain_track_gain"}]), std::string("-4.00 dB"));
        QCOMPARE((wished[{second, "replaygain_track_gain"}]), std::string("+2.00 dB"));
        QCOMPARE((wished[{second, "replaygain_track_peak"}]), std::string("0.501187"));
        // Of both: their mean power, -16.04 LUFS.
        QVERIFY((wished[{first, "replaygain_album_gain"}]).starts_with("-1.9"));
        QCOMPARE((wished[{first, "replaygain_album_gain"}]), (wished[{second, "replaygain_album_gain"}]));
        // Where it says so already, within half a decibel, nothing is found.
        for (const auto& [id, track, album] :
             {std::tuple(first, "-4.2 dB", "-1.8 dB"), {second, "2.0", "-2.1 dB"}}) {
            files::ScannedFile changed;
            changed.path = record(id).path;
            changed.state = record(id).state;
            changed.tags = record(id).tags;
            changed.tags->fields["replaygain_track_gain"] = {track};
            changed.tags->fields["replaygain_album_gain"] = {album};
            store_->files().save(changed, shelf_);
        }
        QVERIFY(of("loudness").empty());
    }

    void anEndThatTheNextTakesUp() {
        const FileId first = track(1), second = track(2);
        measure::SoundReport loud = plain();
        loud.levels.endLevel = -15;
        loud.levels.endBefore = -14;
        measure::SoundReport next = plain();
        next.levels.beginLevel = -16;
        keep(first, loud);
        keep(second, next);
        QVERIFY(of("broken-off", {first, second}).empty());
        next.levels.beginLevel = -90;
        keep(second, next);
        const auto found = of("broken-off", {second});
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, std::vector<FileId>{first});
    }

    /// The first file of a release cannot be read: findings of it must still go when it is looked at again.
    void findingsOfAReleaseAreNotKeptTwice() {
        files::ScannedFile damaged;
        damaged.path = *box_ / "shelf" / "Night Post" / "0.wav";
        damaged.state = {1, 2};
        damaged.error = "It is cut short.";
        store_->files().save(damaged, shelf_);
        const FileId first = track(1);
        const FileId second = track(2);
        measure::SoundReport spoilt = plain();
        spoilt.levels.dropouts = 1;
        keep(first, spoilt);
        keep(second, plain());
        QCOMPARE(of("dropouts", {first, second}).size(), size_t(1));
        QCOMPARE(of("dropouts", {first, second}).size(), size_t(1));
        keep(first, plain());
        QCOMPARE(of("dropouts", {first}).size(), size_t(0));
    }

    void filesAreMeasuredOnce() {
        auto sound = [&](const std::string& name, Making making) {
            const Path path = *box_ / "shelf" / name;
            std::filesystem::create_directories(path.parent_path());
            if (!writeWav(path, madeSound(making, 6000, 44100, 3), 16))
                qFatal("A sound cannot be written.");
            files::ScannedFile f;
            f.path = path;
            f.state = {std::filesystem::file_size(path), 5};
            f.tags = tags::TagFile();
            return store_->files().save(f, shelf_);
        };
        const FileId good = sound("a.wav", Making::Band);
        const FileId bad = sound("b.wav", Making::Band);
        std::filesystem::resize_file(*box_ / "shelf" / "b.wav", 20);
        work::Progress progress;
        KeptValues kept;
        auto measure = [&] {
            return measureFiles(*store_, {good, bad}, 2, {}, progress, [&](KeptValues&& values) {
                store_->workedOut().save(soundReportField, values);
                kept.insert(values.begin(), values.end());
            });
        };
        QCOMPARE(*measure(), size_t(2));
        QCOMPARE(kept.at(bad).front(), std::string("-"));
        const auto reports = reportsOf(*store_, store_->files().findAll({good, bad}));
        QCOMPARE(reports.size(), size_t(1));
        QVERIFY(reports.at(good).loudness.integrated);
        QCOMPARE(*measure(), size_t(0));
        // What an older version measured is measured again.
        store_->workedOut().save(
            soundReportField,
            {{good, {"{\"version\":0,\"codec\":\"flac\"}", kept.at(good)[1], kept.at(good)[2]}}});
        QCOMPARE(*measure(), size_t(1));
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(!measureFiles(*store_, {good}, 1, stop.get_token(), progress, [](KeptValues&&) {}));
    }
};

QTEST_GUILESS_MAIN(TestSoundFindings)
#include "test_sound_findings.moc"
