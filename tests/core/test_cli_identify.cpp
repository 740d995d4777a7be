// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-cli identify and reference, beside the simulated reference.
#include <QtTest>

#include <QJsonArray>

#include "core/tags/tag_io.h"
#include "support/cli.h"
#include "support/shared_data.h"

using namespace moorfrost;

class TestCliIdentify : public QObject {
    Q_OBJECT

    test::CliAnswer run(QList<QByteArray> arguments, bool withData = true) {
        if (withData)
            arguments << "--reference-data" << QByteArray::fromStdString(test::sharedReference().native());
        return test::runCli(box_->root(), arguments);
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>(true);
        test::copyOf(test::sharedDemo() / "incoming/donation-lindqvist", *box_ / "in");
    }

    void looksUpAndTakesOnlyWhatIsSure() {
        const QByteArray folder = QByteArray::fromStdString((*box_ / "in").native());
        auto told = run({"identify", folder});
        QCOMPARE(told.code, 0);
        QCOMPARE(told.lines.size(), 4);
        QMap<QString, QString> verdicts; // by title
        for (const QJsonObject& line : told.lines) {
            const QJsonObject best = line["candidates"].toArray()[0].toObject();
            QVERIFY(best["certainty"].toDouble() > 0);
            verdicts[best["title"].toString()] = line["verdict"].toString();
        }
        QCOMPARE(verdicts["浜のうた"], QString("sure"));
        QCOMPARE(verdicts["Live at Tarnholm Hall"], QString("likely")); // two editions fit
        const Path song = *box_ / "in/灯台うた会/浜のうた 2003/01 浜の朝.opus";
        const std::string before = test::readBytes(song);
        auto dry = run({"identify", folder, "--take-sure", "--dry-run"});
        QCOMPARE(dry.code, 0);
        QCOMPARE(test::readBytes(song), before);
        auto taken = run({"identify", folder, "--take-sure"});
        QCOMPARE(taken.code, 0);
        auto tags = tags::readTags(song);
        QVERIFY(tags);
        QCOMPARE(tags->fields.at("label"), std::vector<std::string>{"Tide Library"});
        auto untouched =
            tags::readTags(*box_ / "in/Odran Fell Quartet/Live at Tarnholm Hall/CD1/01 Whin Moor.mp3");
        QVERIFY(untouched && !untouched->fields.contains("album"));
        // Once more, by the number that is in the tags now.
        auto again =
            run({"identify", QByteArray::fromStdString(song.parent_path().native()), "--by", "codes"});
        QCOMPARE(again.lines.front()["candidates"].toArray()[0].toObject()["id"].toString(),
                 QString("beach-songs"));
        // And back.
        QCOMPARE(run({"take-back", QByteArray::number(taken.lines.back()["set"].toInteger())}, false).code,
                 0);
        QCOMPARE(test::readBytes(song), before);
    }

    void searchesByWords() {
        auto found = run({"reference", "search", "keeper", "wife", "hollow", "ferry", "--limit", "3"});
        QCOMPARE(found.code, 0);
        QCOMPARE(found.lines.size(), 3);
        QVERIFY(found.lines.front()["artist"].toString().endsWith("Hollow Ferry"));
        QCOMPARE(run({"reference", "search"}).code, 2);
    }

    void saysWhatIsWrong() {
        auto answer = run({"identify", QByteArray::fromStdString((*box_ / "in").native()), "--reference-data",
                           QByteArray::fromStdString((*box_ / "nowhere").native())},
                          false);
        QCOMPARE(answer.code, 1);
        QVERIFY2(answer.messages.contains("moorfrost-demo"), qPrintable(answer.messages));
        QCOMPARE(answer.messages.count("moorfrost-demo"), 1); // once, not for each sleeve
        QCOMPARE(answer.lines.size(), 4);
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCliIdentify)
#include "test_cli_identify.moc"
