// SPDX-License-Identifier: GPL-3.0-or-later
// What is measured of a sound: on honest ones, on spoilt ones, and on what hardly is a sound.
#include <QtTest>

#include <ebur128.h>

#include "core/audio/decoder.h"
#include "core/audio/encode.h"
#include "core/audio/sample_reader.h"
#include "core/library/findings/sound_faults.h"
#include "core/measure/spectrogram_image.h"
#include "core/measure/true_peak.h"
#include "core/sandbox/parser_pool.h"
#include "demo/synth.h"
#include "support/sample_files.h"
#include "support/sound_sets.h"

using namespace moorfrost;
using namespace moorfrost::measure;
using namespace moorfrost::test;

class TestSoundReport : public QObject {
    Q_OBJECT
    std::unique_ptr<Sandbox> box_;

    Path wav(const Stereo& sound, int depth = 16, int channels = 2, bool dither = true) {
        const Path path = *box_ / ("sound " + std::to_string(++made_) + ".wav");
        if (!writeWav(path, sound, depth, channels, dither))
            qFatal("A sound cannot be written.");
        return path;
    }
    SoundReport measured(const Path& path) {
        auto report = measureSound(path, {});
        if (!report)
            qFatal("%s", report.error().message.c_str());
        return *report;
    }
    std::set<std::string> rules(const SoundReport& report) {
        std::set<std::string> out;
        for (const library::SoundFault& fault : library::soundFaults(report, {}))
            out.insert(fault.rule);
        return out;
    }
    /// As a coder with loss gives it back.
    Stereo coded(const Stereo& sound, const std::string& format, int bitrate) {
        const Path path = *box_ / ("coded." + format);
        std::filesystem::remove(path);
        auto encoder = audio::SoundEncoder::open(path, format, bitrate);
        if (!encoder)
            qFatal("%s", encoder.error().message.c_str());
        std::vector<int16_t> samples;
        for (size_t i = 0; i < sound.frames(); ++i)
            for (const float v : {sound.left[i], sound.right[i]})
                samples.push_back(static_cast<int16_t>(std::lround(v * 32767)));
        if (!(*encoder)->add(samples) || !(*encoder)->finish())
            qFatal("It cannot be coded.");
        auto decoder = audio::Decoder::open(path, 44100, 2);
        Stereo out;
        for (std::vector<int16_t> some = (*decoder)->next(); !some.empty(); some = (*decoder)->next())
            for (size_t i = 0; i + 1 < some.size(); i += 2) {
                out.left.push_back(static_cast<float>(some[i]) / 32768);
                out.right.push_back(static_cast<float>(some[i + 1]) / 32768);
            }
        return out;
    }
    static Stereo tone(double hertz, double level, double seconds, int rate = 44100) {
        Stereo out;
        out.rate = rate;
        for (size_t i = 0; i < static_cast<size_t>(seconds * rate); ++i)
            out.left.push_back(
                static_cast<float>(level * std::sin(2 * M_PI * hertz * static_cast<double>(i) / rate)));
        out.right = out.left;
        return out;
    }
    int made_ = 0;

private slots:
    void init() { box_ = std::make_unique<Sandbox>(); }
    void cleanup() { box_.reset(); }

    void samplesComeAsTheyAre() {
        const Stereo sound = tone(440, 0.5, 0.3, 96000);
        const Path path = wav(sound, 24, 2, false);
        auto reader = audio::SampleReader::open(path);
        QVERIFY(reader);
        QCOMPARE((*reader)->rate(), 96000);
        QCOMPARE((*reader)->channels(), 2);
        QCOMPARE((*reader)->depth(), 24);
        QVERIFY((*reader)->isLossless());
        size_t at = 0;
        audio::SampleReader::Block block;
        while ((*reader)->next(block))
            for (size_t i = 0; i < block.frames(); ++i, ++at)
                QVERIFY(std::abs(block.channels[1][i] - sound.right[at]) < 1e-6f);
        QCOMPARE(at, sound.frames());
        (*reader)->seek(0.1);
        QVERIFY((*reader)->next(block));
        QVERIFY(std::abs(block.channels[0][0] - sound.left[9600]) < 1e-6f);
        QVERIFY(!audio::SampleReader::open(*box_ / "nothing.wav"));
    }

    void honestSoundsAreNotBlamed_data() {
        QTest::addColumn<int>("making");
        for (int m = 0; m < makings; ++m)
            QTest::newRow(nameOf(static_cast<Making>(m))) << m;
    }
    void honestSoundsAreNotBlamed() {
        QFETCH(int, making);
        const auto said = rules(measured(wav(madeSound(static_cast<Making>(making), 4100, 44100, 6))));
        for (const char* rule :
             {"coded-before", "raised-rate", "unused-bits", "clipped", "dropouts", "phase"})
            QVERIFY2(!said.contains(rule), rule);
    }

    void codersLeaveTraces_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<int>("bitrate");
        QTest::addColumn<QString>("coder");
        QTest::newRow("MP3") << "mp3" << 192000 << "MP3";
        QTest::newRow("AAC") << "aac" << 192000 << "AAC";
        QTest::newRow("Vorbis") << "vorbis" << 160000 << "Vorbis";
        QTest::newRow("Opus") << "opus" << 128000 << "Opus";
    }
    void codersLeaveTraces() {
        QFETCH(QString, format);
        QFETCH(int, bitrate);
        QFETCH(QString, coder);
        const Stereo sound = madeSound(Making::Band, 4200, 44100, 6);
        const SoundReport report = measured(wav(coded(sound, format.toStdString(), bitrate), 16, 2, false));
        QVERIFY(rules(report).contains("coded-before"));
        if (coder == "Opus")
            QCOMPARE(coderOfEdge(report), std::string("Opus"));
        else
            QCOMPARE(QString::fromStdString(report.trace.coder), coder);
        const auto faults = library::soundFaults(report, {});
        QVERIFY(faults.front().sentence.find(coder.toStdString()) != std::string::npos);
        QVERIFY(faults.front().sure > 0.8);
    }
    void aFileWithLossIsNotBlamedForIt() {
        const Path path = *box_ / "coded.mp3";
        coded(madeSound(Making::Band, 4210, 44100, 4), "mp3", 128000);
        QVERIFY(!rules(measured(path)).contains("coded-before"));
        QCOMPARE(measured(path).depth, 0);
    }

    void lowerRatesAreSeen() {
        Stereo sound = madeSound(Making::Band, 4300, 44100, 5);
        cutAbove(sound, 10800, 200); // of 22.05 kHz
        SoundReport report = measured(wav(sound));
        QCOMPARE(raisedFrom(report), 22050);
        QVERIFY(rules(report).contains("raised-rate"));
        // Hiss above it: a line that ends there, not a rate.
        demo::Chance chance(7);
        for (std::vector<float>* channel : {&sound.left, &sound.right})
            for (float& v : *channel)
                v += (chance.unit() - 0.5f) * 0.0004f;
        report = measured(wav(sound));
        QCOMPARE(raisedFrom(report), 0);
        // Every second sample repeated: what is above is the mirror image of what is below.
        const Stereo low = madeSound(Making::Band, 4301, 22050, 5);
        Stereo high;
        for (size_t i = 0; i < low.frames(); ++i)
            for (int twice = 0; twice < 2; ++twice) {
                high.left.push_back(low.left[i]);
                high.right.push_back(low.right[i]);
            }
        report = measured(wav(high));
        QCOMPARE(raisedFrom(report), 22050);
        QVERIFY(report.mirror > 0.4);
    }

    void bitsThatAreNotUsed() {
        Stereo sound = madeSound(Making::Strings, 4400, 44100, 2);
        for (std::vector<float>* channel : {&sound.left, &sound.right})
            for (float& v : *channel)
                v = std::round(v * 32768) / 32768;
        SoundReport report = measured(wav(sound, 24, 2, false));
        QCOMPARE(report.depth, 24);
        QCOMPARE(report.usedBits, 16);
        QVERIFY(rules(report).contains("unused-bits"));
        report = measured(wav(sound, 24));
        QCOMPARE(report.usedBits, 24);
    }

    void clippedTops() {
        Stereo sound = madeSound(Making::Acoustic, 4500, 44100, 4);
        gain(sound, 8 - 20 * std::log10(peakOf(sound)));
        for (std::vector<float>* channel : {&sound.left, &sound.right})
            for (float& v : *channel)
                v = std::clamp(v, -1.0f, 1.0f) * 0.8f; // turned down again
        const SoundReport report = measured(wav(sound));
        QVERIFY(report.levels.clipped > 20);
        QVERIFY(std::abs(report.levels.ceiling - decibels(0.8)) < 0.1);
        QVERIFY(rules(report).contains("clipped"));
        QVERIFY2(!rules(report).contains("dropouts"), "What stays at the top is no gap.");
        // Waves of a synthesizer are flat all the time; a soft bass is flat for a moment at its tops.
        Stereo square = tone(200, 0.9, 2);
        for (std::vector<float>* channel : {&square.left, &square.right})
            for (float& v : *channel)
                v = v > 0 ? 0.9f : -0.9f;
        QCOMPARE(measured(wav(square)).levels.clipped, 0u);
        QCOMPARE(measured(wav(tone(45, 0.95, 2))).levels.clipped, 0u);
    }

    void peaksBetweenSamples() {
        // A quarter of the rate, an eighth of a turn late: samples at 0.707, the wave at 1.
        Stereo sound;
        for (size_t i = 0; i < 44100; ++i)
            sound.left.push_back(
                static_cast<float>(0.99 * std::sin(M_PI / 2 * static_cast<double>(i) + M_PI / 4)));
        sound.right = sound.left;
        const SoundReport report = measured(wav(sound));
        QVERIFY(std::abs(report.levels.peak + 3.1) < 0.05);
        QVERIFY2(std::abs(report.loudness.truePeak + 0.087) < 0.25,
                 qPrintable(QString::number(report.loudness.truePeak)));
        // Of music it says what libebur128 says, which looks everywhere.
        const Stereo music = madeSound(Making::Acoustic, 4600, 44100, 6);
        TruePeak ours;
        ours.feed(std::span(music.left).first(1000));
        ours.feed(std::span(music.left).subspan(1000));
        ebur128_state* theirs = ebur128_init(1, 44100, EBUR128_MODE_TRUE_PEAK);
        ebur128_add_frames_float(theirs, music.left.data(), music.left.size());
        double peak = 0;
        QCOMPARE(ebur128_true_peak(theirs, 0, &peak), int(EBUR128_SUCCESS));
        ebur128_destroy(&theirs);
        QVERIFY(std::abs(decibels(static_cast<double>(ours.highest())) - decibels(peak)) < 0.1);
    }

    void loudness() {
        // 0 dB of a sine of 1 kHz in both channels is -0.0 LUFS (EBU Tech 3341, case 1: -23 dBFS give -23
        // LUFS).
        const SoundReport report = measured(wav(tone(1000, std::pow(10, -23 / 20.0), 20, 48000)));
        QVERIFY(report.loudness.integrated);
        QVERIFY(std::abs(*report.loudness.integrated + 23) < 0.1);
        QVERIFY(std::abs(*integrated(report.loudness.blocks) + 23) < 0.1);
        QVERIFY(report.loudness.range < 0.5);
        // An album: the soft one does not count where it is more than 10 LU below.
        LoudnessBlocks both = report.loudness.blocks;
        for (const auto& [loud, count] : measured(wav(tone(1000, 0.005, 20, 48000))).loudness.blocks)
            both[loud] += count;
        QVERIFY(std::abs(*integrated(both) + 23) < 0.2);
        QVERIFY(!integrated({}));
        QCOMPARE(library::gainText(-24.52), std::string("+6.52 dB"));
        QCOMPARE(library::peakText(0), std::string("1.000000"));
    }

    void channels() {
        const Stereo sound = madeSound(Making::Band, 4700, 44100, 2);
        QVERIFY(!rules(measured(wav(sound))).contains("one-channel"));
        Stereo same = sound;
        same.right = same.left;
        QVERIFY(rules(measured(wav(same, 16, 2, false))).contains("one-channel"));
        Stereo missing = sound;
        missing.left.assign(sound.frames(), 0.0f);
        const auto faults = library::soundFaults(measured(wav(missing)), {});
        QCOMPARE(faults.front().sentence, std::string("The left channel is silent."));
        Stereo turned = sound;
        for (float& v : turned.right)
            v = -v;
        QVERIFY(rules(measured(wav(turned))).contains("phase"));
        // A file with one channel has no second.
        QVERIFY(!measured(wav(sound, 16, 1)).stereo);
    }

    void silenceAndGaps() {
        Stereo sound = madeSound(Making::Band, 4800, 44100, 5);
        Stereo late = sound;
        late.left.insert(late.left.begin(), 6 * 44100, 0.0f);
        late.right.insert(late.right.begin(), 6 * 44100, 0.0f);
        SoundReport report = measured(wav(late));
        QVERIFY(std::abs(report.levels.silenceBefore - 6) < 0.1);
        QVERIFY(rules(report).contains("silence"));
        for (std::vector<float>* channel : {&sound.left, &sound.right})
            std::fill_n(channel->begin() + 3 * 44100, 2000, 0.0f);
        report = measured(wav(sound, 16, 2, false));
        QCOMPARE(report.levels.dropouts, 1u);
        QVERIFY(std::abs(report.levels.dropoutAt - 3) < 0.001);
        QVERIFY(std::abs(report.levels.dropoutSeconds - 2000 / 44100.0) < 0.001);
        // A pause that fades is meant.
        for (std::vector<float>* channel : {&sound.left, &sound.right})
            for (size_t i = 0; i < 4000; ++i) {
                (*channel)[3 * 44100 - 4000 + i] *= 1 - static_cast<float>(i) / 4000;
                (*channel)[3 * 44100 + 2000 + i] *= static_cast<float>(i) / 4000;
            }
        QCOMPARE(measured(wav(sound, 16, 2, false)).levels.dropouts, 0u);
    }

    void humAndOffset() {
        Stereo sound = madeSound(Making::Speech, 4900, 44100, 20);
        QCOMPARE(measured(wav(sound)).hum.hertz, 0.0);
        Stereo humming = sound;
        for (size_t i = 0; i < humming.frames(); ++i)
            for (int k = 1; k <= 4; ++k)
                for (std::vector<float>* channel : {&humming.left, &humming.right})
                    (*channel)[i] += static_cast<float>(
                        0.004 / k * std::sin(2 * M_PI * 50 * k * static_cast<double>(i) / 44100));
        QCOMPARE(measured(wav(humming)).hum.hertz, 50.0);
        Stereo high = madeSound(Making::Band, 4901, 44100, 4);
        QVERIFY(!rules(measured(wav(high))).contains("offset"));
        for (float& v : high.left)
            v += 0.01f;
        gain(high, -3);
        const SoundReport report = measured(wav(high));
        QVERIFY(rules(report).contains("offset"));
        QVERIFY(std::abs(report.levels.offset[0] - 0.00708) < 0.0005);
    }

    void brokenOffUnlessTheNextGoesOn() {
        const Stereo sound = madeSound(Making::Electronic, 5000, 44100, 6);
        const SoundReport loud = measured(wav(sound));
        QVERIFY(library::brokenOff(loud, nullptr));
        QVERIFY2(!library::brokenOff(loud, &loud), "The next one goes on where it ends.");
        Stereo fades = sound;
        for (std::vector<float>* channel : {&fades.left, &fades.right})
            for (size_t i = 0; i < 44100; ++i)
                (*channel)[channel->size() - 1 - i] *= static_cast<float>(i) / 44100;
        QVERIFY(!library::brokenOff(measured(wav(fades)), nullptr));
    }

    void whatHardlyIsASound() {
        Stereo nothing;
        nothing.left.assign(44100 * 10, 0.0f);
        nothing.right = nothing.left;
        const auto said = rules(measured(wav(nothing, 16, 2, false)));
        QCOMPARE(said, std::set<std::string>{"silence"});
        QVERIFY(!measured(wav(nothing, 16, 2, false)).loudness.integrated);
        Stereo one;
        one.left = one.right = {0.5f};
        QVERIFY(rules(measured(wav(one))).empty());
        Stereo empty;
        const auto none = measureSound(wav(empty), {});
        QVERIFY(!none);
        QVERIFY(!none.error().message.empty());
        // Noise to the top is no music, but it is not spoilt either.
        Stereo noise;
        demo::Chance chance(3);
        for (int i = 0; i < 44100 * 6; ++i) {
            noise.left.push_back(chance.unit() - 0.5f);
            noise.right.push_back(chance.unit() - 0.5f);
        }
        QVERIFY(rules(measured(wav(noise))).empty());
        const Stereo fast = madeSound(Making::Band, 5100, 192000, 2);
        QCOMPARE(measured(wav(fast, 24)).rate, 192000);
        const Path text = *box_ / "letter.wav";
        writeBytes(text, "Dear archive, this is no music.");
        QVERIFY(!measureSound(text, {}));
        std::stop_source stopped;
        stopped.request_stop();
        const auto ended = measureSound(wav(fast), stopped.get_token());
        QVERIFY(!ended && ended.error().kind == ErrorKind::Cancelled);
    }

    void reportsAreKeptAsText() {
        const SoundReport report = measured(wav(madeSound(Making::Broadcast, 5200, 44100, 2)));
        const std::string json = report.json();
        QVERIFY(SoundReport::isCurrent(json));
        const auto back = SoundReport::fromJson(json);
        QVERIFY(back);
        QCOMPARE(back->json(), json);
        QVERIFY(!SoundReport::fromJson("{\"version\":0}"));
        QVERIFY(!SoundReport::fromJson("nonsense"));
        QVERIFY(!SoundReport::isCurrent("-"));
    }

    void inAReadingProcess() {
        const Path path = wav(madeSound(Making::Band, 5300, 44100, 4));
        auto& pool = sandbox::ParserPool::shared();
        const auto report = pool.measureSound(path, {});
        QVERIFY(report);
        QCOMPARE(report->json(), measured(path).json());
        QVERIFY(!pool.measureSound(*box_ / "nothing.wav", {}));
        Spectrogram drawn;
        const Status done = pool.drawSpectrogram(
            path, {1, 3, 0, 0, 200, 100}, {}, [&](const SpectrogramFrame& frame) { drawn.begin(frame); },
            [&](SpectrogramPart&& part) { drawn.add(std::move(part)); });
        QVERIFY(done);
        QCOMPARE(drawn.columns(), 200);
        QCOMPARE(drawn.levels.size(), size_t(200 * 100));
        QVERIFY(!pool.drawSpectrogram(
            *box_ / "nothing.wav", {}, {}, [](const auto&) {}, [](auto&&) {}));
    }

    void spectrogramsShowWhereTonesAre() {
        // A second of 1 kHz, then a second of 5 kHz.
        Stereo sound = tone(1000, 0.5, 1);
        const Stereo second = tone(5000, 0.5, 1);
        sound.left.insert(sound.left.end(), second.left.begin(), second.left.end());
        sound.right = sound.left;
        const Path path = wav(sound);
        auto draw = [&](const SpectrogramRequest& request) {
            Spectrogram out;
            if (!drawSpectrogram(
                    path, request, [&](const SpectrogramFrame& f) { out.begin(f); },
                    [&](SpectrogramPart&& part) { out.add(std::move(part)); }))
                qFatal("It cannot be drawn.");
            return out;
        };
        auto loudest = [](const Spectrogram& s, int column) {
            int best = 0;
            for (int row = 0; row < s.frame.rows; ++row)
                if (s.level(column, row) > s.level(column, best))
                    best = row;
            return s.frame.lowest + (best + 0.5) * (s.frame.highest - s.frame.lowest) / s.frame.rows;
        };
        const Spectrogram all = draw({0, 0, 0, 0, 100, 441});
        QCOMPARE(all.columns(), 100);
        QVERIFY(std::abs(loudest(all, 20) - 1000) < 60);
        QVERIFY(std::abs(loudest(all, 80) - 5000) < 60);
        QVERIFY(std::abs(all.level(20, 20) * 120 / 255.0 - 120 + 6) < 3); // 0.5 is -6 dB
        QVERIFY(all.wave[20][1] > 0.49f && all.wave[20][0] < -0.49f);
        // A part of it, in time and in tones; behind the end nothing comes.
        const Spectrogram part = draw({0.9, 1.1, 4000, 6000, 50, 100});
        QVERIFY(std::abs(loudest(part, 45) - 5000) < 120);
        QVERIFY(part.level(5, 50) < part.level(45, 50));
        QVERIFY(draw({1.5, 3.5, 0, 0, 100, 50}).columns() < 40);
        QVERIFY(draw({10, 12, 0, 0, 100, 50}).columns() == 0);
        // What makes no sense is limited.
        const Spectrogram odd = draw({-5, -7, -3, 1e9, 100000, -4});
        QCOMPARE(odd.frame.columns, SpectrogramRequest::mostColumns);
        const auto png = spectrogramPng(all, "A tone", 1000, "a line");
        QVERIFY(png && png->starts_with("\x89PNG"));
        QCOMPARE(timeText(111.24, 1), std::string("1:51"));
        QCOMPARE(timeText(59.96, 0.1), std::string("1:00.0"));
        QCOMPARE(timeText(3723, 60), std::string("1:02:03"));
        QCOMPARE(axisStep(22050, 6, false), 5000.0);
        QCOMPARE(axisStep(200, 8, true), 30.0);
    }
};

QTEST_GUILESS_MAIN(TestSoundReport)
#include "test_sound_report.moc"
