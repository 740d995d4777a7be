// SPDX-License-Identifier: GPL-3.0-or-later
// sound, spectrogram, audit --measure: what they print, and how they end.
#include <QtTest>

#include <QJsonArray>

#include "support/cli.h"
#include "support/sheet_world.h"
#include "support/sound_sets.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestCliSoundMeasured : public QObject, SheetWorld {
    Q_OBJECT
    CliAnswer run(const QList<QByteArray>& arguments, bool isJson = true) {
        return runCli(box_->root(), arguments, isJson);
    }
    Path wav(const char* name, bool gap) {
        Stereo sound = madeSound(Making::Band, 7000, 44100, 6);
        if (gap)
            for (std::vector<float>* channel : {&sound.left, &sound.right})
                std::fill_n(channel->begin() + 3 * 44100, 4410, 0.0f);
        std::filesystem::create_directories(*box_ / "shelf");
        const Path path = *box_ / "shelf" / name;
        if (!writeWav(path, sound, 16, 2, false))
            qFatal("A sound cannot be written.");
        return path;
    }
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void soundIsMeasured() {
        const Path good = wav("good.wav", false), bad = wav("gap.wav", true);
        const CliAnswer told = run({"sound", good.c_str(), bad.c_str()});
        QCOMPARE(told.code, 0);
        QCOMPARE(told.lines.size(), 2);
        auto faults = [&](int line) {
            QStringList out;
            for (const auto& fault : told.lines[line]["faults"].toArray())
                out << fault.toObject()["rule"].toString();
            return out;
        };
        const int gap = told.lines[0]["path"].toString().endsWith("gap.wav") ? 0 : 1;
        QVERIFY(faults(gap).contains("dropouts"));
        QVERIFY(!faults(1 - gap).contains("dropouts"));
        QVERIFY(told.lines[0]["loudness"].toDouble() < -5);
        QVERIFY(told.lines[0]["replaygain"].toObject()["gain"].toString().endsWith(" dB"));
        QVERIFY(!told.lines[0].contains("measured"));
        const CliAnswer all = run({"sound", "--json", good.c_str()});
        QCOMPARE(all.lines.front()["measured"].toObject()["rate"].toInt(), 44100);
        const Path letter = *box_ / "shelf" / "letter.wav";
        writeBytes(letter, "Dear archive, this is no music.");
        QCOMPARE(run({"sound", letter.c_str()}).code, 1);
    }

    void picturesAreMade() {
        const Path good = wav("good.wav", false);
        const Path to = *box_ / "picture.png";
        const CliAnswer made = run({"spectrogram", good.c_str(), "--to", to.c_str(), "--width", "300",
                                    "--height", "100", "--from", "1"});
        QCOMPARE(made.code, 0);
        QCOMPARE(made.lines.front()["from"].toDouble(), 1.0);
        QVERIFY(readBytes(to).starts_with("\x89PNG"));
        QCOMPARE(
            run({"spectrogram", good.c_str(), "--to", to.c_str(), "--from", "4", "--until", "2"}, false).code,
            2);
        QCOMPARE(
            run({"spectrogram", good.c_str(), "--to", to.c_str(), "--from", "100", "--until", "120"}, false)
                .code,
            1);
        QCOMPARE(run({"spectrogram", "nothing.wav", "--to", to.c_str()}, false).code, 1);
    }

    void theAuditMeasures() {
        const Path bad = wav("gap.wav", true);
        files::ScannedFile f;
        f.path = bad;
        f.state = {std::filesystem::file_size(bad), 5};
        f.tags = tags::TagFile();
        store_->files().save(f, shelf_);
        QVERIFY(run({"audit", "--rule", "dropouts"}).lines.empty());
        const CliAnswer found = run({"audit", "--measure", "--rule", "dropouts"});
        QCOMPARE(found.code, 1);
        QCOMPARE(found.lines.size(), 1);
        QVERIFY(std::abs(found.lines.front()["from"].toDouble() - 3) < 0.01);
        QVERIFY(found.lines.front()["sure"].toDouble() < 1);
        QCOMPARE(run({"audit", "--rule", "dropouts"}).lines.size(), 1); // it is kept
    }
};

QTEST_GUILESS_MAIN(TestCliSoundMeasured)
#include "test_cli_sound_measured.moc"
