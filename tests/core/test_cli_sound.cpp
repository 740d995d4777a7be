// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-cli fingerprint, match, identify --by sound, duplicates.
#include <QtTest>

#include <QJsonArray>

#include <cmath>

#include "support/cli.h"
#include "support/shared_data.h"

using namespace moorfrost;

class TestCliSound : public QObject {
    Q_OBJECT

    test::CliAnswer run(QList<QByteArray> arguments, bool withData = false) {
        if (withData)
            arguments << "--reference-data" << QByteArray::fromStdString(test::sharedReference().native());
        return test::runCli(box_->root(), arguments);
    }
    QByteArray at(const char* name) { return QByteArray::fromStdString((*box_ / name).native()); }
    void take(const char* from, const char* to) {
        std::filesystem::create_directories((*box_ / to).parent_path());
        std::filesystem::copy_file(test::sharedDemo() / "incoming" / from, *box_ / to);
    }

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(true); }

    void printsFingerprints() {
        take("bounces/mix7_FINAL2.wav", "in/a.wav");
        test::writeBytes(*box_ / "in/b.wav", "this is no sound");
        const auto told = run({"fingerprint", at("in")});
        QCOMPARE(told.code, 1); // of one of them
        QCOMPARE(told.lines.size(), 2);
        QVERIFY(told.lines[0]["items"].toArray().size() > 100);
        QCOMPARE(std::lround(told.lines[0]["seconds"].toDouble()), 20L);
        QVERIFY(!told.lines[1].contains("items"));
    }

    void saysWhatFilesAre() {
        take("bounces/mix7_FINAL2.wav", "in/a.wav");
        take("harbour-transfers/processional_tape_B_fast.wav", "in/b.wav");
        take("harbour-transfers/ident 1 (bell).wav", "in/c.wav");
        const auto told = run({"match", at("in"), "--against", "reference"}, true);
        QCOMPARE(told.code, 0);
        QCOMPARE(told.lines.size(), 3);
        const QJsonObject bounce = told.lines[0]["matches"].toArray()[0].toObject();
        QCOMPARE(bounce["recording"].toString(), QString("cairn/r-900"));
        QVERIFY(bounce["sure"].toBool());
        QCOMPARE(bounce["releases"].toArray()[0].toObject()["title"].toString(), QString("Heather Line"));
        const QJsonObject tape = told.lines[1]["matches"].toArray()[0].toObject();
        QCOMPARE(tape["recording"].toString(), QString("cairn/r-700"));
        QVERIFY(std::abs(tape["speed"].toDouble() - 1.015) < 0.0015);
        for (const QJsonValue& m : told.lines[2]["matches"].toArray())
            QVERIFY(!m.toObject()["sure"].toBool());
        QVERIFY(run({"match", at("in/a.wav"), "--against", "library"}, true)
                    .lines[0]["matches"]
                    .toArray()
                    .isEmpty());
    }

    void identifiesBySound() {
        const char* names[] = {"mix7_FINAL2",  "mix7_FINAL2_instr",    "mix7_vox_only",
                               "moor song v3", "moor song v3 (radio)", "untitled 12"};
        for (int i = 0; i < 6; ++i)
            take((std::string("bounces/") + names[i] + ".wav").c_str(),
                 ("in/session/0" + std::to_string(6 - i) + ".wav").c_str());
        const auto byName = run({"identify", at("in")}, true);
        QVERIFY(byName.lines.value(0)["verdict"].toString() != "sure");
        const auto told = run({"identify", at("in"), "--by", "sound"}, true);
        QCOMPARE(told.code, 0);
        QCOMPARE(told.lines.size(), 1);
        QCOMPARE(told.lines[0]["verdict"].toString(), QString("sure"));
        const QJsonObject best = told.lines[0]["candidates"].toArray()[0].toObject();
        QCOMPARE(best["id"].toString(), QString("moor-mixes"));
        QCOMPARE(best["seated"].toInt(), 6);
        QCOMPARE(run({"identify", at("in"), "--by", "smell"}, true).code, 2);
    }

    void findsDuplicates() {
        take("harbour-transfers/processional_tape_A.wav", "in/Processional.wav");
        take("harbour-transfers/processional_tape_B_fast.wav", "in/again/Processional.wav");
        take("label-drive/Salt Road/01 Tide Table.flac", "in/one.flac");
        take("label-drive/Salt Road (mp3)/01 Tide Table.mp3", "in/two.mp3");
        for (const char* tape : {"in/Processional.wav", "in/again/Processional.wav"})
            QCOMPARE(run({"set", at(tape), "--field", "title=Processional"}).code, 0);
        std::filesystem::create_directories(*box_ / "shelf");
        char folder = 'A';
        for (const char* file :
             {"in/Processional.wav", "in/again/Processional.wav", "in/one.flac", "in/two.mp3"})
            QCOMPARE(run({"put-away", at(file), "--shelf", at("shelf"), "--plan",
                          QByteArray(1, folder++) + "/{title}"})
                         .code,
                     0);
        const auto told = run({"duplicates", "--json"});
        QCOMPARE(told.code, 0);
        QVERIFY2(told.messages.contains("4 files are listened to first"), qPrintable(told.messages));
        QCOMPARE(told.lines.size(), 2);
        QSet<long> speeds;
        for (const QJsonObject& group : told.lines) {
            QCOMPARE(group["kind"].toString(), QString("same recording"));
            QCOMPARE(group["files"].toArray().size(), 2);
            const double s = group["links"].toArray()[0].toObject()["speed"].toDouble();
            speeds.insert(std::lround(1000 * std::max(s, 1 / s)));
        }
        QVERIFY(speeds.contains(1000) &&
                (speeds.contains(1015) || speeds.contains(1014) || speeds.contains(1016)));
        QVERIFY(!run({"duplicates"}).messages.contains("listened")); // once
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCliSound)
#include "test_cli_sound.moc"
