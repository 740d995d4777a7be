// SPDX-License-Identifier: GPL-3.0-or-later
// Fingerprints and their index: the same sound is found however it comes, what is not there is not.
#include <QtTest>

#include <atomic>
#include <cmath>
#include <thread>

#include "core/files/disk.h"
#include "core/library/sound_prints.h"
#include "core/sandbox/parser_pool.h"
#include "core/sound/fingerprint.h"
#include "core/sound/index.h"
#include "core/sound/store.h"
#include "core/tags/tag_io.h"
#include "demo/synth.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::sound;

namespace {

/// One channel at fingerprintRate; a plain mean of four is filter enough for made-up music.
std::vector<int16_t> heard(const demo::Piece& piece) {
    const std::vector<int16_t> stereo = demo::synthesise(piece);
    std::vector<int16_t> out;
    for (size_t i = 0; i + 8 <= stereo.size(); i += 8) {
        int sum = 0;
        for (size_t k = 0; k < 8; ++k)
            sum += stereo[i + k];
        out.push_back(static_cast<int16_t>(sum / 8));
    }
    return out;
}

Fingerprint printOf(std::span<const int16_t> samples, double speed = 1) {
    Fingerprinter f(speed);
    f.feed(samples);
    return f.finish();
}

Fingerprint printOf(uint32_t seed, double seconds = 30, demo::Sound sound = demo::Sound::Band) {
    return printOf(heard({seed, seconds, sound, 1.0}));
}

} // namespace

class TestSoundPrints : public QObject {
    Q_OBJECT
    std::shared_ptr<const SoundIndex> index_; // ids 1 to 60 are the numbers of pieces

private slots:
    void initTestCase() {
        SoundIndexBuilder builder;
        for (uint32_t seed = 1; seed <= 60; ++seed)
            builder.add(seed, printOf(seed).items);
        index_ = builder.finish();
        QCOMPARE(index_->size(), size_t{60});
    }

    void theSameSoundIsFound_data() {
        QTest::addColumn<double>("gain");
        QTest::addColumn<double>("noise"); // of full scale
        QTest::addColumn<double>("from");  // seconds
        QTest::addColumn<double>("length");
        QTest::newRow("as it is") << 1.0 << 0.0 << 0.0 << 30.0;
        QTest::newRow("softer") << 0.1 << 0.0 << 0.0 << 30.0;
        QTest::newRow("an excerpt") << 1.0 << 0.0 << 12.3 << 10.0;
        QTest::newRow("with noise") << 0.8 << 0.03 << 0.0 << 30.0;
        QTest::newRow("a noisy excerpt") << 0.8 << 0.02 << 5.1 << 20.0;
    }
    void theSameSoundIsFound() {
        QFETCH(double, gain);
        QFETCH(double, noise);
        QFETCH(double, from);
        QFETCH(double, length);
        for (uint32_t seed : {3u, 17u, 42u, 55u}) {
            std::vector<int16_t> s = heard({seed, 30, demo::Sound::Band, 1.0});
            demo::Chance chance(seed);
            for (int16_t& v : s)
                v = static_cast<int16_t>(
                    std::clamp(v * gain + (chance.unit() - 0.5) * 65536 * noise, -32768.0, 32767.0));
            const auto begin = static_cast<size_t>(from * fingerprintRate);
            const auto print = printOf(std::span(s).subspan(
                begin, std::min(s.size() - begin, static_cast<size_t>(length * fingerprintRate))));
            const auto hits = index_->find(print.items);
            QVERIFY2(!hits.empty(), qPrintable(QString::number(seed)));
            QCOMPARE(hits[0].id, int64_t{seed});
            QVERIFY2(hits[0].overlap.z >= surely, qPrintable(QString::number(hits[0].overlap.z)));
            QVERIFY(std::abs(static_cast<double>(hits[0].overlap.offset) * secondsPerItem - from) < 0.2);
            QVERIFY(hits.size() == 1 || hits[1].overlap.z < surely);
        }
    }

    void whatIsNotThereIsNotFound() {
        size_t possible = 0;
        for (uint32_t seed = 1001; seed <= 1100; ++seed)
            for (const Hit& h : index_->find(printOf(seed, 20).items)) {
                ++possible;
                QVERIFY2(h.overlap.z < surely, qPrintable(QString("%1 %2").arg(seed).arg(h.overlap.z)));
            }
        QVERIFY2(possible <= 1, qPrintable(QString::number(possible)));
    }

    /// Silence, tones, drones, noise and what is too short are like one another, and no answer.
    void whatSaysNothingIsNotFound() {
        SoundIndexBuilder builder;
        const std::vector<int16_t> silence(30 * fingerprintRate, 0);
        demo::Chance chance(9);
        std::vector<int16_t> noise, other, tone, another;
        for (size_t i = 0; i < 30 * fingerprintRate; ++i) {
            noise.push_back(static_cast<int16_t>((chance.unit() - 0.5f) * 20000));
            other.push_back(static_cast<int16_t>((chance.unit() - 0.5f) * 20000));
            const double t = static_cast<double>(i) / fingerprintRate;
            tone.push_back(static_cast<int16_t>(9000 * std::sin(440 * 2 * M_PI * t)));
            another.push_back(static_cast<int16_t>(5000 * std::sin(440 * 2 * M_PI * t + 1)));
        }
        builder.add(1, printOf(silence).items);
        builder.add(2, printOf(noise).items);
        builder.add(3, printOf(tone).items);
        builder.add(4, printOf(1, 30, demo::Sound::Drone).items);
        builder.add(5, printOf(heard({3, 3, demo::Sound::Band, 1.0})).items); // three seconds
        const auto few = builder.finish();
        for (const auto& print :
             {printOf(silence), printOf(other), printOf(another), printOf(2, 30, demo::Sound::Drone),
              printOf(3, 30, demo::Sound::Tone), printOf(4, 30, demo::Sound::Bell)})
            for (const Hit& h : few->find(print.items, surely))
                QFAIL(qPrintable(QString("%1: %2").arg(h.id).arg(h.overlap.z)));
        QVERIFY(few->find(printOf(heard({3, 3, demo::Sound::Band, 1.0})).items).empty());
        QVERIFY(few->find({}).empty());
        QVERIFY(SoundIndexBuilder().finish()->find(printOf(3).items).empty());
    }

    void speedIsMadeUpFor() {
        for (double speed : {1.015, 0.97}) {
            const std::vector<int16_t> fast = heard({17, 30, demo::Sound::Band, speed});
            const auto asItIs = index_->find(printOf(fast).items, surely);
            const auto hits = index_->find(printOf(fast, speed).items, surely);
            QCOMPARE(hits.size(), size_t{1});
            QCOMPARE(hits[0].id, int64_t{17});
            QVERIFY(asItIs.empty() || asItIs[0].overlap.z < hits[0].overlap.z);
        }
    }

    /// Of each, where it lies; also the shorter in the longer and the other way round.
    void twoAreLaidOverEachOther() {
        const std::vector<int16_t> song = heard({7, 30, demo::Sound::Band, 1.0});
        const auto whole = printOf(song);
        const auto part = printOf(std::span(song).subspan(8 * fingerprintRate, 12 * fingerprintRate));
        const Overlap there = bestOverlap(part.items, whole.items),
                      back = bestOverlap(whole.items, part.items);
        QVERIFY(there.z > 12 && back.z > 12);
        QCOMPARE(there.offset, -back.offset);
        QVERIFY(std::abs(static_cast<double>(there.offset) * secondsPerItem - 8) < 0.2);
        QVERIFY(bestOverlap(part.items, printOf(8).items).z < possibly);
        // A long question with a short recording in its middle.
        std::vector<uint32_t> question = printOf(201).items;
        for (uint32_t seed : {202u, 203u, 33u, 204u, 205u}) {
            const auto more = printOf(seed).items;
            question.insert(question.end(), more.begin(), more.end());
        }
        const auto hits = index_->find(question, surely);
        QCOMPARE(hits.size(), size_t{1});
        QCOMPARE(hits[0].id, int64_t{33});
    }

    void itIsKeptAndDamageIsNoticed() {
        test::Sandbox box;
        SoundIndexBuilder builder;
        for (uint32_t seed = 1; seed <= 5; ++seed)
            builder.add(seed, printOf(seed, 15).items);
        builder.add(3, printOf(300, 15).items); // the later counts
        QVERIFY(builder.save(box / "sounds", "one"));
        QVERIFY(!SoundIndex::open(box / "sounds", "two"));
        const auto kept = SoundIndex::open(box / "sounds", "one");
        QVERIFY(kept);
        QCOMPARE(kept->size(), size_t{5});
        QCOMPARE(kept->find(printOf(300, 15).items, surely).at(0).id, int64_t{3});
        QVERIFY(kept->find(printOf(3, 15).items, surely).empty());
        QVERIFY(kept->placeOf(4) && !kept->placeOf(6));
        std::string bytes = test::readBytes(box / "sounds");
        for (size_t at : {size_t{70}, bytes.size() / 2, bytes.size() - 1}) {
            std::string damaged = bytes;
            damaged[at] = static_cast<char>(damaged[at] ^ 0x40);
            test::writeBytes(box / "damaged", damaged);
            QVERIFY(!SoundIndex::open(box / "damaged", "one"));
        }
        test::writeBytes(box / "damaged", bytes.substr(0, bytes.size() / 2));
        QVERIFY(!SoundIndex::open(box / "damaged", "one"));
    }

    void theStoreKeepsThem() {
        test::Sandbox box;
        const Path file = box / "library.db.sounds";
        auto items = [](uint32_t seed) { return printOf(seed, 15).items; };
        {
            SoundStore store(file);
            QVERIFY(store.find(items(1)).empty());
            QVERIFY(store.add({{1, items(1)}, {2, items(2)}, {3, items(3)}}));
            QCOMPARE(store.find(items(2), surely).at(0).id, int64_t{2});
            QVERIFY(store.add({{2, items(12)}, {3, {}}})); // another sound; forgotten
            QVERIFY(store.find(items(2), surely).empty());
            QVERIFY(!store.has(3));
        }
        {
            SoundStore store(file); // from the log
            QCOMPARE(store.ids(), (std::vector<int64_t>{1, 2}));
            QCOMPARE(store.find(items(12), surely).at(0).id, int64_t{2});
            QVERIFY(store.fold(true));
            QVERIFY(!std::filesystem::exists(SoundStore::logOf(file)));
            QCOMPARE(store.find(items(1), surely).at(0).id, int64_t{1});
            QVERIFY(store.add({{1, {}}, {4, items(4)}})); // beside the index
            QVERIFY(store.find(items(1), surely).empty());
            QCOMPARE(store.itemsOf(2), items(12));
            QVERIFY(store.itemsOf(1).empty());
        }
        {
            SoundStore store(file);
            QCOMPARE(store.ids(), (std::vector<int64_t>{2, 4}));
            QVERIFY(store.add({{5, items(5)}}));
        }
        // A log that breaks off counts as far as it goes, and goes on behind that.
        const std::string log = test::readBytes(SoundStore::logOf(file));
        test::writeBytes(SoundStore::logOf(file), log.substr(0, log.size() - 7));
        {
            SoundStore store(file);
            QCOMPARE(store.ids(), (std::vector<int64_t>{2, 4}));
            QVERIFY(store.add({{6, items(6)}}));
        }
        QCOMPARE(SoundStore(file).ids(), (std::vector<int64_t>{2, 4, 6}));
        // A damaged index is begun anew; the log is still good.
        std::string bytes = test::readBytes(file);
        bytes[bytes.size() / 2] = static_cast<char>(bytes[bytes.size() / 2] ^ 1);
        test::writeBytes(file, bytes);
        QCOMPARE(SoundStore(file).ids(), (std::vector<int64_t>{4, 6}));
        // A disk that takes nothing.
        SoundStore nowhere(box / "no such folder/sounds");
        QVERIFY(!nowhere.add({{1, items(1)}}));
        QCOMPARE(nowhere.find(items(1), surely).at(0).id, int64_t{1});
    }

    /// What comes while the index is made anew is all that stays in the log.
    void theLogBeginsAnew() {
        test::Sandbox box;
        const Path file = box / "sounds";
        SoundStore store(file);
        std::vector<SoundStore::Print> many;
        for (int64_t id = 1; id <= 20000; ++id)
            many.push_back({id, std::vector<uint32_t>(300, static_cast<uint32_t>(id * 2654435761))});
        QVERIFY(store.add(many));
        std::atomic<bool> folding = true;
        std::atomic<int64_t> next = 100000;
        std::thread other([&] {
            while (folding) {
                store.add({{next++, std::vector<uint32_t>(50, 7)}}).ignore();
                std::this_thread::sleep_for(std::chrono::milliseconds(1));
            }
        });
        QVERIFY(store.fold(true));
        folding = false;
        other.join();
        QVERIFY(next > 100001); // some came meanwhile
        const auto came = static_cast<uint64_t>(next - 100000) * (32 + 50 * 4);
        QVERIFY2(std::filesystem::file_size(SoundStore::logOf(file)) <= came,
                 std::to_string(std::filesystem::file_size(SoundStore::logOf(file))).c_str());
        SoundStore again(file);
        QCOMPARE(again.size(), size_t{20000} + static_cast<size_t>(next - 100000));
    }

    /// A library of any size is listened to in little memory: what was heard goes into the index again and
    /// again.
    void listeningFolds() {
        test::Sandbox box;
        auto store = library::Store::open(box / "library.db");
        QVERIFY(store);
        SoundStore sounds(library::soundsOf(box / "library.db"));
        std::vector<SoundStore::Print> many; // heard before, and not folded yet
        for (int64_t id = 1000; id < 3500; ++id)
            many.push_back({id, std::vector<uint32_t>(60, static_cast<uint32_t>(id))});
        QVERIFY(sounds.add(many));
        files::ScannedFile file;
        file.path = test::makeSound(box.root(), "a.flac");
        file.state = *files::stateOf(file.path);
        file.tags = *tags::readTags(file.path);
        const library::FileId id = (*store)->files().save(file);
        work::Progress progress;
        size_t kept = 0;
        auto heard = library::listenTo(**store, sounds, {id}, 1, {}, progress,
                                       [&](library::KeptValues&& values) { kept += values.size(); });
        QVERIFY(heard);
        QCOMPARE(*heard, size_t{1});
        QCOMPARE(kept, size_t{1});
        QVERIFY(std::filesystem::exists(library::soundsOf(box / "library.db")));
        QVERIFY(!std::filesystem::exists(SoundStore::logOf(library::soundsOf(box / "library.db"))));
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(library::listenTo(**store, sounds, {id}, 1, stop.get_token(), progress, {}).error().kind,
                 ErrorKind::Cancelled);
    }

    void theLibraryKnowsWhatItHasHeard() {
        test::Sandbox box;
        auto store = library::Store::open(box / "library.db");
        QVERIFY(store);
        files::ScannedFile file;
        file.path = test::makeSound(box.root(), "a.flac");
        file.state = *files::stateOf(file.path);
        file.tags = *tags::readTags(file.path);
        const library::FileId id = (*store)->files().save(file);
        SoundStore sounds(library::soundsOf(box / "library.db"));
        QCOMPARE(library::notListenedTo(**store, sounds, {id}).size(), size_t{1});
        (*store)->workedOut().save(library::soundPrintField,
                                   library::keepHeard(sounds, {{id, file.state, printOf(5).items}}));
        QVERIFY(library::notListenedTo(**store, sounds, {id}).empty());
        // What another library has left at this place is forgotten.
        QVERIFY(sounds.add({{id + 77, printOf(6).items}}));
        library::forgetUnknown(**store, sounds);
        QCOMPARE(sounds.ids(), std::vector<int64_t>{id});
        // A write of ours leaves it as it is; anything else is listened to again.
        files::FileState written = file.state;
        written.size += 1000;
        written.modifiedNs += 5;
        (*store)->files().update(id, written, tags::Fields{{"title", {"Gorse"}}}, 0);
        QVERIFY(library::notListenedTo(**store, sounds, {id}).empty());
        file.state = written;
        file.state.modifiedNs += 5;
        (*store)->files().save(file);
        QCOMPARE(library::notListenedTo(**store, sounds, {id}).size(), size_t{1});
        // What says nothing is listened to once; what was lost, again.
        (*store)->workedOut().save(library::soundPrintField,
                                   library::keepHeard(sounds, {{id, file.state, {}}}));
        QVERIFY(library::notListenedTo(**store, sounds, {id}).empty());
        QVERIFY(!sounds.has(id));
        (*store)->workedOut().save(library::soundPrintField,
                                   library::keepHeard(sounds, {{id, file.state, printOf(5).items}}));
        std::filesystem::remove(SoundStore::logOf(library::soundsOf(box / "library.db")));
        SoundStore lost(library::soundsOf(box / "library.db"));
        QCOMPARE(library::notListenedTo(**store, lost, {id}).size(), size_t{1});
    }

    void ofFiles() {
        test::Sandbox box;
        test::writeBytes(box / "text.wav", "this is no sound");
        QVERIFY(!fingerprintsOf(box / "text.wav", {1}, mostSeconds, {}));
        std::stop_source stop;
        stop.request_stop();
        const Path song = test::makeSound(box.root(), "a.flac");
        QCOMPARE(fingerprintsOf(song, {1}, mostSeconds, stop.get_token()).error().kind, ErrorKind::Cancelled);
        const auto both = fingerprintsOf(song, {1, 1.02}, mostSeconds, {});
        QVERIFY(both);
        QCOMPARE(both->size(), size_t{2});
        // A file that breaks off is told as far as it goes.
        test::writeBytes(box / "cut.flac",
                         test::readBytes(song).substr(0, std::filesystem::file_size(song) / 2));
        const auto cut = fingerprintsOf(box / "cut.flac", {1}, mostSeconds, {});
        QVERIFY(!cut || cut->front().items.size() < both->front().items.size() ||
                both->front().items.empty());
        // Of a long one, so much.
        QVERIFY(fingerprintsOf(song, {1}, 0.5, {})->front().seconds <= 0.5001);
        // The reading process says the same.
        const auto apart = sandbox::ParserPool::shared().fingerprintsOf(song, {1, 1.02}, mostSeconds, {});
        QVERIFY(apart);
        QVERIFY(*apart == *both);
        QVERIFY(!sandbox::ParserPool::shared().fingerprintsOf(box / "text.wav", {1}, mostSeconds, {}));
    }
};

QTEST_GUILESS_MAIN(TestSoundPrints)
#include "test_sound_prints.moc"
