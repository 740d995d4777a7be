// SPDX-License-Identifier: GPL-3.0-or-later
// Kinds of sound: what is heard, what words say, what is proposed, what the library keeps.
#include <QtTest>

#include <cmath>
#include <numbers>

#include "core/library/work_rows.h"
#include "core/matching/content_kinds.h"
#include "core/sandbox/parser_pool.h"
#include "demo/encode.h"
#include "demo/synth.h"
#include "support/sample_files.h"

using namespace moorfrost;
using audio::SoundTraits;
using matching::ContentKind;

class TestKinds : public QObject {
    Q_OBJECT

    /// `level` of each sample, at the rate of the traits.
    template<class At>
    static SoundTraits heard(double seconds, At&& at) {
        std::vector<int16_t> samples(static_cast<size_t>(seconds * audio::traitsRate));
        for (size_t i = 0; i < samples.size(); ++i)
            samples[i] = static_cast<int16_t>(
                30000 * std::clamp<double>(at(static_cast<double>(i) / audio::traitsRate), -1, 1));
        return audio::soundTraitsOf(samples);
    }
    static double sine(double hertz, double t) { return std::sin(2 * std::numbers::pi * hertz * t); }
    static SoundTraits piece(demo::Sound sound, double seconds, uint32_t seed) {
        const std::vector<int16_t> both = demo::synthesise({seed, seconds, sound, 1.0});
        std::vector<int16_t> samples; // one channel at a quarter of the rate
        for (size_t i = 0; i + 8 <= both.size(); i += 8)
            samples.push_back(static_cast<int16_t>((both[i] + both[i + 2] + both[i + 4] + both[i + 6]) / 4));
        return audio::soundTraitsOf(samples);
    }
    static QString kindOf(double seconds, const SoundTraits& traits) {
        return QString::fromStdString(matching::kindName(matching::kindBySound(seconds, traits).kind));
    }
    static QString byWords(const char* name, const tags::Fields& fields = {}) {
        auto found = matching::kindByWords(name, fields);
        return found ? QString::fromStdString(matching::kindName(found->kind) + ": " + found->why) : "-";
    }

private slots:
    void oneTone() {
        const SoundTraits t = heard(5, [](double at) { return 0.5 * sine(1000, at); });
        QVERIFY(std::abs(t.toneHertz - 1000) < 25);
        QVERIFY(t.oneTone > 0.99 && t.spread < 0.5 && t.pauses < 0.01);
        QVERIFY(std::abs(t.level - -9.8) < 0.2); // 0.5 of 30000 of 32768, RMS
        QCOMPARE(kindOf(5, t), QString("tone"));
        QCOMPARE(QString::fromStdString(matching::kindBySound(5, t).why),
                 QString("One steady tone of about 990 Hz."));
    }

    void pipsAndSweeps() {
        const SoundTraits pips =
            heard(10, [](double at) { return std::fmod(at, 1) < 0.2 ? 0.5 * sine(440, at) : 0; });
        QVERIFY(pips.pauses > 0.6);
        QCOMPARE(kindOf(10, pips), QString("tone"));
        const SoundTraits sweep = heard(20, [](double at) { return 0.5 * sine(100 + at * 50, at); });
        QVERIFY(sweep.oneTone < 0.5 && sweep.pureTones > 0.9);
        QCOMPARE(kindOf(20, sweep), QString("tone"));
    }

    void noise() {
        demo::Chance chance(5);
        auto white = [&](double) { return chance.unit() - 0.5; };
        const SoundTraits steady = heard(10, white);
        QVERIFY(steady.flatness > 0.4 && steady.spread < 1.5);
        QCOMPARE(kindOf(10, steady), QString("tone"));
        // Waves on a shore: up and down at no one speed.
        double level = 0.05, towards = 0.05;
        int left = 0;
        const SoundTraits waves = heard(20, [&](double at) {
            if (--left <= 0) {
                left = 800 + chance.below(9000);
                towards = 0.02 + 0.9 * chance.unit() * chance.unit();
            }
            level += (towards - level) * 0.002;
            return level * white(at);
        });
        QCOMPARE(kindOf(20, waves), QString("effect"));
    }

    void speechAndMusic() {
        for (uint32_t seed : {7u, 991u, 12u, 40u}) {
            const SoundTraits babble = piece(demo::Sound::Speech, 20, seed);
            QVERIFY2(kindOf(20, babble) == "speech",
                     qPrintable(QString("%1: low %2, syllables %3, regular %4")
                                    .arg(seed)
                                    .arg(babble.lowFrames)
                                    .arg(babble.syllables)
                                    .arg(babble.regularity)));
        }
        for (demo::Sound sound :
             {demo::Sound::Band, demo::Sound::Drone, demo::Sound::Beat, demo::Sound::Voice})
            for (uint32_t seed = 1; seed < 9; ++seed)
                QCOMPARE(kindOf(20, piece(sound, 20, seed)), QString("music"));
        QCOMPARE(kindOf(6, piece(demo::Sound::Bell, 6, 990)), QString("ident"));
        QCOMPARE(kindOf(40, piece(demo::Sound::Bell, 40, 990)), QString("music"));
    }

    void tooLittleToTell() {
        QCOMPARE(kindOf(60, heard(10, [](double) { return 0; })), QString("music"));
        QCOMPARE(kindOf(0.01, heard(0.01, [](double at) { return sine(1000, at); })), QString("music"));
        QCOMPARE(kindOf(0, audio::soundTraitsOf(std::span<const int16_t>())), QString("music"));
    }

    void words() {
        QCOMPARE(byWords("/in/ident 1 (bell).wav"), QString("ident: Its name says \"ident\"."));
        QCOMPARE(byWords("/in/gannet_row-test_tone_1k.aiff"), QString("tone: Its name says \"test tone\"."));
        QCOMPARE(byWords("/in/07.mp3", {{"title", {"Spoken introduction"}}}),
                 QString("speech: Its title says \"spoken\"."));
        QCOMPARE(byWords("/in/Tone of Voice.mp3"), QString("-"));
        QCOMPARE(byWords("/in/identity.mp3"), QString("-"));
        // A song may be named like that; a genre is told to sort by.
        QCOMPARE(byWords("/in/Interview.mp3", {{"artist", {"Wren-Low"}}}), QString("-"));
        QCOMPARE(byWords("/in/01.mp3", {{"artist", {"Wren-Low"}}, {"genre", {"Sound effects"}}}),
                 QString("effect: Its genre says \"sound effects\"."));
    }

    void throughTheReadingProcess() {
        test::Sandbox box;
        const Path file = test::makeSound(box.root(), "a.flac");
        auto there = sandbox::ParserPool::shared().soundTraitsOf(file, {});
        auto here = audio::soundTraitsOf(file, {});
        QVERIFY(there && here);
        QVERIFY(there->seconds > 0.5);
        QCOMPARE(there->level, here->level);
        QCOMPARE(there->flatness, here->flatness);
        QCOMPARE(there->pureTones, here->pureTones);
        QVERIFY(!sandbox::ParserPool::shared().soundTraitsOf(box / "none.flac", {}));
    }

    void aMinuteOfALongFile() {
        test::Sandbox box;
        QVERIFY(demo::encodeSound(demo::synthesise({3, 150, demo::Sound::Beat, 1.0}), box / "long.flac", 0));
        auto traits = audio::soundTraitsOf(box / "long.flac", {});
        QVERIFY(traits);
        QVERIFY(std::abs(traits->seconds - 60) < 0.1);
    }

    void keptInTheLibrary() {
        test::Sandbox box;
        auto opened = library::Store::open(box / "library.db");
        QVERIFY(opened);
        library::Store& store = **opened;
        const library::FileId a = store.files().save(files::scanFile(test::makeSound(box.root(), "a.flac")));
        const library::FileId b = store.files().save(files::scanFile(test::makeSound(box.root(), "b.flac")));
        const std::string before = store.revisions().current();
        const std::string field = library::proposedKindField;
        store.workedOut().save(field, {{a, {"tone"}}, {b, {"speech", "two", "three"}}, {b + 100, {"ident"}}});
        QVERIFY(store.workedOut().find(field, {a, b, b + 100}) ==
                (library::KeptValues{{a, {"tone"}}, {b, {"speech", "two", "three"}}}));
        QVERIFY(store.workedOut().find("note", {a, b}).empty());
        store.workedOut().save(field, {{a, {}}, {b, {"music"}}});
        QVERIFY(store.workedOut().find(field, {a, b}) == (library::KeptValues{{b, {"music"}}}));
        QCOMPARE(store.revisions().current(), before); // no search has to look at it anew
        store.files().forget(b);
        QVERIFY(store.workedOut().find(field, {b}).empty());
    }
};

QTEST_GUILESS_MAIN(TestKinds)
#include "test_kinds.moc"
