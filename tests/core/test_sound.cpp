// SPDX-License-Identifier: GPL-3.0-or-later
// Decoding, peaks, and the demo sounds themselves.
#include <QtTest>

#include <set>

#include "core/audio/decoder.h"
#include "core/audio/essence.h"
#include "core/audio/ffmpeg_facts.h"
#include "core/audio/ogg.h"
#include "core/tags/tag_io.h"
#include "demo/encode.h"
#include "demo/make.h"
#include "demo/pictures.h"
#include "demo/synth.h"
#include "demo/world.h"
#include "support/sample_files.h"

using namespace moorfrost;

class TestSound : public QObject {
    Q_OBJECT
private slots:
    void decoding_data() {
        QTest::addColumn<QString>("ending");
        for (const std::string& e : test::endings())
            QTest::newRow(e.c_str()) << QString::fromStdString(e);
    }
    void decoding() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        auto decoder = audio::Decoder::open(file, 48000, 2);
        QVERIFY_RESULT(decoder);
        size_t samples = 0;
        int loudest = 0;
        for (auto part = (*decoder)->next(); !part.empty(); part = (*decoder)->next()) {
            samples += part.size();
            for (int16_t v : part)
                loudest = std::max(loudest, std::abs(static_cast<int>(v)));
        }
        QVERIFY2(std::abs(static_cast<double>(samples) / 2 / 48000 - 1.5) < 0.1,
                 qPrintable(QString::number(samples)));
        QVERIFY(loudest > 3000);
        QVERIFY((*decoder)->next().empty()); // the end stays the end
        (*decoder)->seek(1.0);
        samples = 0;
        for (auto part = (*decoder)->next(); !part.empty(); part = (*decoder)->next())
            samples += part.size();
        double left = static_cast<double>(samples) / 2 / 48000;
        QVERIFY2(left > 0.3 && left < 0.7, qPrintable(QString::number(left)));
    }

    void headsAndLastPageOfOggTellTheSound_data() { decoding_data(); }
    void headsAndLastPageOfOggTellTheSound() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        test::tag(file, {{"comment", {std::string(70000, 'c')}}}); // many pages of it
        auto source = FileSource::open(file);
        QVERIFY_RESULT(source);
        const audio::Format format = audio::detectFormat(**source);
        auto sound = audio::oggSound(**source, format);
        QCOMPARE(sound.has_value(), format == audio::Format::OggVorbis || format == audio::Format::Opus);
        if (!sound)
            return;
        auto facts = audio::ffmpegFacts(file, false);
        QVERIFY_RESULT(facts);
        QVERIFY(std::abs(sound->seconds - facts->duration) < 0.02);
        QCOMPARE(sound->sampleRate, facts->sampleRate);
        QCOMPARE(sound->channels, facts->channels);
        // The long comment is none of the sound.
        const double bytes = sound->bitrate / 8.0 * sound->seconds;
        QVERIFY(bytes > 5000 && bytes < static_cast<double>((*source)->size()) - 70000);
        // Cut off in the middle of a page it is not plain any more, or shorter.
        std::string whole = test::readBytes(file);
        test::writeBytes(file, whole.substr(0, whole.size() - 30000));
        auto cut = audio::oggSound(*FileSource::open(file).value(), format);
        QVERIFY(!cut || cut->seconds < sound->seconds);
        test::writeBytes(file, whole.substr(0, 60));
        QVERIFY(!audio::oggSound(*FileSource::open(file).value(), format));
    }

    void whatCannotBeDecoded() {
        test::Sandbox box;
        test::writeBytes(box / "letter.wav", "Dear archive");
        QVERIFY(!audio::Decoder::open(box / "letter.wav", 48000, 2));
        QVERIFY(!audio::Decoder::open(box / "nowhere.wav", 48000, 2));
        auto peaks = audio::peaksOf(box / "letter.wav", 10, {});
        QVERIFY(!peaks);
        QVERIFY(!peaks.error().message.empty());
    }

    void peaksShowLoudAndQuiet() {
        test::Sandbox box;
        // One second of silence, one of a loud tone.
        std::vector<int16_t> samples(2 * 2 * 44100, 0);
        for (size_t i = 2 * 44100; i < samples.size(); ++i)
            samples[i] = static_cast<int16_t>((i / 100) % 2 ? 20000 : -20000);
        QVERIFY(demo::encodeSound(samples, box / "a.flac", 0));
        auto peaks = audio::peaksOf(box / "a.flac", 40, {});
        QVERIFY_RESULT(peaks);
        QCOMPARE(peaks->size(), size_t{40});
        QVERIFY((*peaks)[5] < 0.05f);
        QVERIFY((*peaks)[35] > 0.4f);
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(!audio::peaksOf(box / "a.flac", 40, stop.get_token()));
    }

    void theSameNumberGivesTheSameSound() {
        demo::Piece piece{42, 2, demo::Sound::Band, 1.0};
        QVERIFY(demo::synthesise(piece) == demo::synthesise(piece));
        piece.seed = 43;
        QVERIFY(demo::synthesise(piece) != demo::synthesise({42, 2, demo::Sound::Band, 1.0}));
        QVERIFY(demo::drawCover(1, 64) == demo::drawCover(1, 64));
        QVERIFY(demo::drawCover(1, 64) != demo::drawCover(2, 64));
        test::Sandbox box;
        for (const std::string& e : test::endings()) {
            QVERIFY(
                demo::encodeSound(demo::synthesise({42, 2, demo::Sound::Band, 1.0}), box / ("a" + e), 96000));
            QVERIFY(
                demo::encodeSound(demo::synthesise({42, 2, demo::Sound::Band, 1.0}), box / ("b" + e), 96000));
            QVERIFY2(test::readBytes(box / ("a" + e)) == test::readBytes(box / ("b" + e)), e.c_str());
        }
    }

    void theDemoWorld() {
        auto tracks = demo::demoTracks();
        QVERIFY(tracks.size() >= 90);
        std::set<std::string> paths, endings, folders;
        for (const demo::DemoTrack& t : tracks) {
            QVERIFY2(paths.insert(t.path).second, t.path.c_str());
            endings.insert(Path(t.path).extension());
            folders.insert(*Path(t.path).begin());
            for (const auto& [key, values] : t.fields) {
                QVERIFY2(tags::whyNotValid(key, values).empty(), t.path.c_str());
                if (key == "isrc")
                    QVERIFY(values.front().starts_with("ZZ")); // cannot be anybody's
                if (key == "barcode")
                    QVERIFY(values.front().starts_with("2")); // in-store range
            }
        }
        QCOMPARE(endings, (std::set<std::string>(test::endings().begin(), test::endings().end())));
        QCOMPARE(folders, (std::set<std::string>{"harbour-transfers", "donation-lindqvist", "bounces",
                                                 "strays", "label-drive"}));
    }
};

QTEST_GUILESS_MAIN(TestSound)
#include "test_sound.moc"
