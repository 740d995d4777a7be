// SPDX-License-Identifier: GPL-3.0-or-later
// audit, codes: what they print, and how they end.
#include <QtTest>

#include <QJsonArray>

#include "core/library/placing_rules.h"
#include "core/library/store/finding_table.h"
#include "support/cli.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestCliAudit : public QObject, SheetWorld {
    Q_OBJECT
    CliAnswer run(const QList<QByteArray>& arguments, bool isJson = true) {
        return runCli(box_->root(), arguments, isJson);
    }
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void findings() {
        for (int n = 1; n <= 4; ++n)
            song(std::to_string(n) + ".flac", {{"title", {"Track " + std::to_string(n)}},
                                               {"artist", {"Wren-Low"}},
                                               {"album", {"Night Post"}},
                                               {"album_artist", {"Wren-Low"}},
                                               {"track", {std::to_string(n)}},
                                               {"date", {n == 2 ? "1989" : "1998"}}});
        QVERIFY(run({"audit", "--rules"}).lines.size() > 15);
        QCOMPARE(run({"audit", "--rule", "nothing"}).code, 2);
        const CliAnswer found = run({"audit", "--rule", "disagrees"});
        QCOMPARE(found.code, 1);
        QCOMPARE(found.lines.size(), 1);
        const auto line = found.lines.front();
        QCOMPARE(line["rule"].toString(), QString("disagrees"));
        QCOMPARE(line["about"].toString(), QString("Night Post, Wren-Low"));
        QCOMPARE(line["fix"].toObject()["values"].toArray()[0].toObject()["values"].toArray()[0].toString(),
                 QString("1998"));
        QCOMPARE(run({"audit", "--rule", "dates"}).code, 0);
    }

    void misplaced() {
        const auto fields = [](const char* title, const char* track) {
            return tags::Fields{{"title", {title}}, {"track", {track}}, {"album", {"Lanterns"}}};
        };
        song("Lanterns/01 Gorse.flac", fields("Gorse", "1"));
        song("Lanterns/2 ferry.flac", fields("Ferry", "2"));
        QCOMPARE(run({"misplaced", "Attic"}).code, 2); // no such shelf
        const CliAnswer none = run({"misplaced", "Archive"});
        QCOMPARE(none.code, 2);
        QVERIFY2(none.messages.contains("--plan"), qPrintable(none.messages));
        QCOMPARE(run({"misplaced", "Archive", "--plan", "{album"}).code, 2);
        const QByteArray plan = "{album}/{track: 2 digits} {title}";
        const CliAnswer found = run({"misplaced", "Archive", "--plan", plan});
        QCOMPARE(found.code, 1);
        QCOMPARE(found.lines.size(), 1);
        QVERIFY(found.lines.front()["path"].toString().endsWith("Lanterns/2 ferry.flac"));
        QVERIFY(found.lines.front()["by_plan"].toString().endsWith("Lanterns/02 Ferry.flac"));
        // By the plan of the shelf, and by its folder.
        store_->settings().set(library::settings::shelfPlans,
                               library::withShelfPlan({}, shelf_, "{album}/{title: lower}"));
        QCOMPARE(run({"misplaced", QByteArray::fromStdString((*box_ / "shelf").native())}).lines.size(), 2);
    }

    void codes() {
        song("a.wav", {{"title", {"Lanterns"}}, {"artist", {"Kestrel & Rook"}}});
        song("b.wav", {{"title", {"Gorse"}}, {"isrc", {"ZZFSR2600001"}}});
        const CliAnswer gaps = run({"codes", "gaps"});
        QCOMPARE(gaps.code, 1);
        QCOMPARE(gaps.lines.size(), 1);
        QCOMPARE(gaps.lines.front()["title"].toString(), QString("Lanterns"));
        QCOMPARE(run({"codes", "assign", "--prefix", "ZZ"}).code, 2);
        const CliAnswer next = run({"codes", "assign", "--prefix", "ZZFSR", "--year", "2026", "--dry-run"});
        QCOMPARE(next.lines.front()["next"].toString(), QString("ZZFSR2600002"));
        QCOMPARE(
            run({"codes", "assign", "--prefix", "ZZFSR", "--year", "2026"}).lines.front()["isrc"].toString(),
            QString("ZZFSR2600002"));
        const FileId file = store_->files().idOf(*box_ / "shelf" / "a.wav");
        QCOMPARE(store_->drafts().of(file).at("isrc").values, Strings{"ZZFSR2600002"});
        QVERIFY(run({"codes", "register"}, false).out.contains("ZZFSR2600002,Lanterns"));
    }
};

QTEST_APPLESS_MAIN(TestCliAudit)
#include "test_cli_audit.moc"
