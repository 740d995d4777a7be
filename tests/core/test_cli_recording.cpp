// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings through moorfrost-cli: which files are one, merging, parting, taking back.
#include <QtTest>

#include <QJsonArray>

#include "core/library/recordings.h"
#include "support/cli.h"

using namespace moorfrost;

class TestCliRecording : public QObject {
    Q_OBJECT

    test::CliAnswer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const char* name) { return QByteArray::fromStdString((*box_ / "shelf" / name).native()); }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        const int64_t shelf = store->shelves().add("Archive", *box_ / "shelf");
        uint32_t seed = 0;
        for (const char* name : {"a.flac", "b.mp3", "odd \xFF.flac"})
            store->files().save(files::scanFile(test::makeSound(*box_ / "shelf", name, ++seed)), shelf);
        library::keepValues(*store, "Kind: speech", library::kindField,
                            {{store->files().idOf(*box_ / "shelf/b.mp3"), {"speech"}}});
    }

    void ratedAndUsed() {
        QCOMPARE(run({"rate", "4", path("a.flac"), path("b.mp3")}).code, 0);
        auto shown = run({"recording", "show", path("b.mp3")});
        QCOMPARE(shown.lines.front()["kept"].toObject()["rating"].toArray()[0].toString(), QString("4"));
        auto wrong = run({"rate", "9", path("a.flac")});
        QCOMPARE(wrong.code, 1);
        QVERIFY2(wrong.messages.contains("1 to 5"), qPrintable(wrong.messages));
        QCOMPARE(run({"rate", "4", path("nowhere.flac")}).code, 1);
        QCOMPARE(run({"rate", "0", path("b.mp3")}).code, 0);
        QCOMPARE(run({"uses", path("a.flac"), "--add", "Tide and Timber", "--where", "Harbour Radio",
                      "--date", "2026-11"})
                     .code,
                 0);
        auto uses = run({"uses", path("a.flac"), path("b.mp3")});
        QCOMPARE(uses.code, 0);
        const QJsonObject use = uses.lines[0]["uses"].toArray()[0].toObject();
        QCOMPARE(use["what"].toString(), QString("Tide and Timber"));
        QCOMPARE(use["where"].toString(), QString("Harbour Radio"));
        QVERIFY(uses.lines[1]["uses"].toArray().isEmpty());
        QCOMPARE(run({"uses", path("a.flac"), "--add", "Tide and Timber", "--date", "some day"}).code, 1);
    }

    void mergedShownPartedAndTakenBack() {
        auto merged = run({"recording", "merge", path("a.flac"), path("b.mp3"), path("odd \xFF.flac")});
        QCOMPARE(merged.code, 0);
        const auto change = merged.lines.front()["change"].toInteger();
        QVERIFY(change > 0);
        auto shown = run({"recording", "show", path("a.flac")});
        QCOMPARE(shown.code, 0);
        const QJsonArray files = shown.lines.front()["files"].toArray();
        QCOMPARE(files.size(), 3);
        QVERIFY(files[0].toObject()["best"].toBool());
        QVERIFY(files[0].toObject()["path"].toString().endsWith(".flac"));
        QVERIFY(files[2].toObject()["path"].toString().endsWith("b.mp3"));
        QCOMPARE(shown.lines.front()["kept"].toObject()["kind"].toArray()[0].toString(), QString("speech"));
        QCOMPARE(run({"recording", "best", path("b.mp3")}).code, 0);
        shown = run({"recording", "show", path("odd \xFF.flac")});
        QVERIFY(shown.lines.front()["best_by_hand"].toBool());
        QVERIFY(shown.lines.front()["files"].toArray()[0].toObject()["path"].toString().endsWith("b.mp3"));
        const auto best = run({"recording", "changes"}).lines.front()["change"].toInteger();
        QCOMPARE(run({"recording", "best", path("a.flac")}).code, 0);
        // In the wrong order it says what stands in the way.
        auto refused = run({"recording", "take-back", QByteArray::number(best)});
        QCOMPARE(refused.code, 1);
        QVERIFY2(refused.messages.contains("Take that back first"), qPrintable(refused.messages));
        QCOMPARE(run({"recording", "part", path("b.mp3")}).code, 0);
        QCOMPARE(run({"recording", "show", path("b.mp3")}).lines.front()["files"].toArray().size(), 1);
        auto changes = run({"recording", "changes"});
        QCOMPARE(changes.lines.size(), 5);
        for (const QJsonObject& line : changes.lines.mid(0, 4))
            QCOMPARE(run({"recording", "take-back", QByteArray::number(line["change"].toInteger())}).code, 0);
        QCOMPARE(changes.lines[3]["change"].toInteger(), change);
        QCOMPARE(run({"recording", "show", path("a.flac")}).lines.front()["files"].toArray().size(), 1);
    }

    void whatMakesNoSense() {
        QCOMPARE(run({"recording", "merge", path("a.flac")}).code, 2);
        QCOMPARE(run({"recording", "show"}).code, 2);
        QCOMPARE(run({"recording", "burn", path("a.flac")}).code, 2);
        QCOMPARE(run({"recording", "take-back", "no number"}).code, 2);
        QCOMPARE(run({"recording", "take-back", "999"}).code, 1);
        QCOMPARE(run({"recording", "best", path("a.flac"), path("b.mp3")}).code, 2);
        auto unknown = run({"recording", "merge", path("a.flac"), path("not there.flac")});
        QCOMPARE(unknown.code, 1);
        QVERIFY(unknown.messages.contains("does not know"));
        QCOMPARE(run({"recording", "show", path("a.flac")}).lines.front()["files"].toArray().size(), 1);
        QCOMPARE(run({"recording", "part", path("a.flac")}).code, 1); // nothing to part it from
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCliRecording)
#include "test_cli_recording.moc"
