// SPDX-License-Identifier: GPL-3.0-or-later
// Duplicates by sound: which files of the shelves are one recording, which are another version of it, and
// where codes say otherwise.
#include <QtTest>

#include "core/library/sound_groups.h"
#include "support/reference_shelf.h"
#include "support/sample_files.h"
#include "support/search_records.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestSoundGroups : public QObject {
    Q_OBJECT
    struct File {
        FileId id;
        uint32_t seed;
        tags::Fields fields = {};
        double speed = 1;
        double from = 0, seconds = 0; // a part of it
    };
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<sound::SoundStore> sounds_;
    std::shared_ptr<const Searcher> searcher_;
    std::map<FileId, File> files_;

    static sound::Fingerprint printOf(const File& f, double heardAs = 1) {
        std::vector<int16_t> s = demo::synthesise({f.seed, 24, demo::Sound::Band, f.speed});
        if (f.seconds > 0)
            s = {s.begin() + static_cast<std::ptrdiff_t>(f.from * 2 * demo::sampleRate),
                 s.begin() + static_cast<std::ptrdiff_t>((f.from + f.seconds) * 2 * demo::sampleRate)};
        sound::Fingerprinter p(heardAs, demo::sampleRate, 2);
        p.feed(s);
        return p.finish();
    }
    void make(const std::vector<File>& files) {
        box_ = std::make_unique<test::Sandbox>();
        sounds_ = std::make_unique<sound::SoundStore>(*box_ / "sounds");
        std::vector<FileRecord> records;
        std::vector<sound::SoundStore::Print> prints;
        files_.clear();
        for (const File& f : files) {
            const auto print = printOf(f);
            records.push_back(record(f.id, f.fields, ("/archive/" + std::to_string(f.id) + ".flac").c_str(),
                                     print.seconds));
            records.back().tags.facts.bitrate = static_cast<int>(900 - f.id) * 1000;
            prints.push_back({f.id, print.items});
            files_[f.id] = f;
        }
        QVERIFY(sounds_->add(std::move(prints)));
        searcher_ = std::make_shared<const Searcher>(columnsOf(records));
    }
    SoundGroups found(const ToldApart& apart = {}) {
        work::Progress progress;
        auto out = findSoundGroups(
            *sounds_, *searcher_, apart,
            [this](int64_t id, const std::vector<double>& speeds) -> Result<std::vector<sound::Fingerprint>> {
                std::vector<sound::Fingerprint> all;
                for (double s : speeds)
                    all.push_back(printOf(files_.at(id), s));
                return all;
            },
            {}, progress);
        return out ? std::move(*out) : SoundGroups();
    }

private slots:
    void theSameAndAnotherVersion() {
        make({{1, 10}, {2, 11}, {3, 10}, {4, 12}, {5, 12, {}, 1, 4, 12}, {6, 13}, {7, 10}});
        const SoundGroups all = found();
        QCOMPARE(all.compared, size_t{7});
        QCOMPARE(all.unheard, size_t{0});
        QCOMPARE(all.groups.size(), size_t{2});
        QCOMPARE(all.groups[0].kind, SoundGroupKind::SameRecording);
        QCOMPARE(all.groups[0].files, (std::vector<FileId>{1, 3, 7})); // the higher bit rate first
        QCOMPARE(all.groups[0].links.size(), size_t{3});
        QVERIFY(all.groups[0].z > all.groups[1].z);
        QCOMPARE(all.groups[1].kind, SoundGroupKind::OtherVersion);
        QCOMPARE(all.groups[1].files, (std::vector<FileId>{4, 5}));
        const SoundLink& link = all.groups[1].links.at(0);
        const double offset = link.one == 5 ? link.offset : -link.offset;
        QVERIFY2(std::abs(offset - 4) < 0.2, qPrintable(QString::number(offset)));
        QVERIFY(std::abs(linkBetween(*sounds_, 5, 4).offset - 4) < 0.2);
        QCOMPARE(linkBetween(*sounds_, 1, 2).z, 0.0);
    }

    /// Told by their names, or by what was found when they were identified.
    void tapesThatRunFast() {
        make({{1, 20, {{"title", {"Processional"}}}},
              {2, 20, {{"title", {"processional"}}}, 1.015},
              {3, 21},
              {4, 21, {{"transfer speed", {"2.0 % slow"}}}, 0.98},
              {5, 22, {{"title", {"Processional"}}}}});
        const SoundGroups all = found();
        QCOMPARE(all.groups.size(), size_t{2});
        for (const SoundGroup& g : all.groups) {
            QCOMPARE(g.kind, SoundGroupKind::SameRecording);
            QVERIFY(g.files == (std::vector<FileId>{1, 2}) || g.files == (std::vector<FileId>{3, 4}));
            const SoundLink& link = g.links.at(0);
            const double speed = link.one % 2 == 0 ? link.speed : 1 / link.speed;
            QVERIFY2(std::abs(speed - (g.files[0] == 1 ? 1.015 : 0.98)) < 0.002,
                     qPrintable(QString::number(speed)));
        }
    }

    void whatCodesSay() {
        make({{1, 30, {{"isrc", {"ZZGRW9800011"}}}},
              {2, 30, {{"isrc", {"ZZGRW9800012"}}}},
              {3, 31, {{"isrc", {"ZZGRW9800013"}}}},
              {4, 32, {{"isrc", {"ZZ-GRW-98-00013"}}}},
              {5, 33, {{"isrc", {"ZZGRW9800015"}}}},
              {6, 33}});
        const SoundGroups all = found();
        QCOMPARE(all.groups.size(), size_t{3});
        std::map<FileId, SoundGroupKind> kinds;
        for (const SoundGroup& g : all.groups)
            kinds[g.files[0]] = g.kind;
        QCOMPARE(kinds.at(1), SoundGroupKind::CodesDisagree);
        QCOMPARE(kinds.at(3), SoundGroupKind::SameCode);
        QCOMPARE(kinds.at(5), SoundGroupKind::SameRecording);
        QVERIFY(std::ranges::find(all.groups, SoundGroupKind::SameCode, &SoundGroup::kind)->links.empty());
    }

    void whatAPersonToldApart() {
        make({{1, 40}, {2, 40}, {3, 40}, {4, 41}, {5, 41}});
        QCOMPARE(found().groups.size(), size_t{2});
        const SoundGroups some = found({{1, 2}, {1, 3}, {4, 5}});
        QCOMPARE(some.groups.size(), size_t{1});
        QCOMPARE(some.groups[0].files, (std::vector<FileId>{2, 3}));
        work::Progress progress;
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(findSoundGroups(*sounds_, *searcher_, {}, {}, stop.get_token(), progress).error().kind,
                 ErrorKind::Cancelled);
    }
};

QTEST_GUILESS_MAIN(TestSoundGroups)
#include "test_sound_groups.moc"
