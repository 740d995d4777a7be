// SPDX-License-Identifier: GPL-3.0-or-later
// export, import, share-page, device, package: what they print, and how they end.
#include <QtTest>

#include "support/cli.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestCliDeliver : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<Sandbox>();
        std::filesystem::create_directories(*box_ / "shelf");
        uint32_t seed = 0;
        for (const char* title : {"Gorse", "Tide Table"}) {
            const Path file = makeSound(*box_ / "in", std::string(title) + ".flac", ++seed);
            tag(file, {{"title", {title}},
                       {"artist", {"Wren-Low"}},
                       {"album", {"Harbour Day"}},
                       {"track", {std::to_string(seed)}}});
        }
        QCOMPARE(run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}"}).code, 0);
    }
    void cleanup() { box_.reset(); }

    void sheetsOutAndIn() {
        const CliAnswer printed = run({"export", "--search", "*", "--layout", "Track list"}, false);
        QCOMPARE(printed.code, 0);
        QVERIFY2(printed.out.startsWith(
                     "Title,Artist,Album,Track,Length,Date,ISRC,Path\r\nGorse,Wren-Low,Harbour Day,1,"),
                 printed.out.constData());
        const CliAnswer saved = run({"export", "--search", "*", "--layout", "For a playout system", "--to",
                                     path("out.csv"), "--for", "Tarnholm Harbour Radio"});
        QCOMPARE(saved.code, 0);
        QCOMPARE(saved.lines.back()["rows"].toInt(), 2);
        QVERIFY(readBytes(*box_ / "out.csv").starts_with("\xEF\xBB\xBFPlayout number;Title;"));
        // A layout of their own, as a file; the layouts that there are.
        writeBytes(
            *box_ / "layout.json",
            R"({"sheet_layout": "Numbers", "columns": [{"says": "title"}, {"says": "@playout", "heading": "No"}]})");
        QCOMPARE(run({"export", path("shelf/Gorse.flac"), "--layout", path("layout.json")}, false).out,
                 QByteArray("Title,No\r\nGorse,\r\n"));
        QVERIFY(run({"export", "--layouts"}).lines.size() >= 4);
        // In again, corrected: first only shown, then as drafts.
        writeBytes(*box_ / "in.csv", "Title,Artist,Year,Playout number\nGorse,Wren-Low,1974,7001\nTide "
                                     "Table,Wren-Low,,\nNobody's Song,Wren-Low,,\n");
        CliAnswer in = run({"import", path("in.csv"), "--dry-run"});
        QCOMPARE(in.code, 1); // a row needs somebody
        QCOMPARE(in.lines.first()["state"].toString(), QString("says otherwise"));
        QCOMPARE(in.lines.first()["changes"].toObject()["date"].toArray()[0].toString(), QString("1974"));
        QCOMPARE(in.lines.back()["rows"].toInt(), 3);
        QCOMPARE(in.lines.back()["agrees"].toInt(), 1);
        QCOMPARE(in.lines.back()["no track"].toInt(), 1);
        QCOMPARE(in.lines.back()["drafts"].toInt(), 0);
        in = run({"import", path("in.csv"), "--entries", path("shelf")});
        QCOMPARE(in.code, 0);
        QCOMPARE(in.lines.back()["drafts"].toInt(), 1);
        QCOMPARE(in.lines.back()["new entry"].toInt(), 1);
        in = run({"import", path("in.csv")});
        QCOMPARE(in.lines.back()["agrees"].toInt(), 3); // the draft counts, and so does the entry
        QVERIFY(run({"export", "--search", "title:gorse", "--layout", path("layout.json")}, false)
                    .out.contains("Gorse,7001"));
        // What makes no sense.
        QCOMPARE(run({"export"}).code, 2);
        QCOMPARE(run({"export", "--search", "*", "--list", "x"}).code, 2);
        QCOMPARE(run({"export", "--search", "*", "--layout", "No such layout"}).code, 2);
        QCOMPARE(run({"export", "--search", "*", "--to", path("none/out.csv")}).code, 1);
        QCOMPARE(run({"import", path("none.csv")}).code, 1);
        QVERIFY(run({"export", "--search", "*", "--layout", "No such layout"})
                    .messages.contains("\"Track list\""));
    }

    void pages() {
        CliAnswer made =
            run({"share-page", path("shelf/Gorse.flac"), path("shelf/Tide Table.flac"), "--dry-run"});
        QCOMPARE(made.lines.size(), 2);
        QVERIFY(!std::filesystem::exists(*box_ / "page"));
        made = run({"share-page", "--search", "*", "--to", path("page"), "--title", "Harbour", "--layout",
                    "Only to listen"});
        QCOMPARE(made.code, 0);
        QCOMPARE(made.lines.back()["sounds"].toInt(), 2);
        QVERIFY(readBytes(*box_ / "page" / "index.html").find("<h1>Harbour</h1>") != std::string::npos);
        QCOMPARE(run({"share-page", "--search", "*"}).code, 2);
        QCOMPARE(run({"share-page", "--search", "*", "--to", path("shelf")}).code,
                 1); // it is somebody's folder
        writeBytes(*box_ / "notes.json", "{}");
        QCOMPARE(run({"share-page", "--notes", path("notes.json")}).code, 1);
    }

    void devices() {
        QVERIFY(run({"device"}).lines.isEmpty());
        std::filesystem::create_directories(*box_ / "player");
        QCOMPARE(run({"device", "--add", "Pocket", "--to", path("player"), "--profile", "Small player"}).code,
                 0);
        QCOMPARE(run({"device", "--add", "Pocket", "--to", path("player")}).code, 2);
        CliAnswer shown = run({"device", "--sync", "pocket", "--search", "*", "--dry-run"});
        QCOMPARE(shown.code, 0);
        QCOMPARE(shown.lines.size(), 2);
        QCOMPARE(shown.lines[0]["state"].toString(), QString("comes"));
        QVERIFY(std::filesystem::is_empty(*box_ / "player"));
        const CliAnswer synced = run({"device", "--sync", "pocket", "--search", "*"});
        QCOMPARE(synced.code, 0);
        QCOMPARE(synced.lines.back()["came"].toInt(), 2);
        QVERIFY(std::filesystem::exists(*box_ / "player" / "Wren-Low/Harbour Day/01 Gorse.mp3"));
        // Again, of what was to be on it.
        QCOMPARE(run({"device", "--sync", "Pocket"}).lines.back()["came"].toInt(), 0);
        QCOMPARE(run({"device"}).lines[0]["tracks"].toInt(), 2);
        std::filesystem::remove_all(*box_ / "player");
        const CliAnswer away = run({"device", "--sync", "Pocket"});
        QCOMPARE(away.code, 1);
        QVERIFY(away.messages.contains("plug it in"));
        QCOMPARE(run({"device", "--forget", "Pocket"}).code, 0);
        QCOMPARE(run({"device", "--sync", "Pocket"}).code, 2);
    }

    void packages() {
        QCOMPARE(run({"package", "--make", path("bag"), "--search", "*", "--dry-run"}).lines.size(), 2);
        const CliAnswer made = run({"package", "--make", path("bag"), "--search", "*", "--info",
                                    "Source-Organization=Tarnholm Sound Archive"});
        QCOMPARE(made.code, 0);
        QCOMPARE(made.lines.back()["files"].toInt(), 2);
        CliAnswer check = run({"package", "--verify", path("bag")});
        QCOMPARE(check.code, 0);
        QVERIFY(check.lines.back()["whole"].toBool());
        writeBytes(*box_ / "bag" / "data" / "sound" / "Gorse.flac", "other");
        check = run({"package", "--verify", path("bag")});
        QCOMPARE(check.code, 1);
        QCOMPARE(check.lines.first()["file"].toString(), QString("data/sound/Gorse.flac"));
        QCOMPARE(run({"package", "--make", path("bag"), "--search", "*"}).code, 1); // it is there already
        QCOMPARE(run({"package", "--make", path("bag2"), "--search", "*", "--info", "nonsense"}).code, 2);
        // By a layout; what is said of this one stands before what it says.
        writeBytes(*box_ / "layout.json",
                   R"({"package_layout": "County", "organisation": "Tarnholm Sound Archive",
            "contact": "Isla Varnholt", "for": "The county archive"})");
        QCOMPARE(run({"package", "--make", path("bag3"), "--search", "*", "--layout", path("layout.json"),
                      "--info", "Contact-Name=Odran Fell"})
                     .code,
                 0);
        const std::string info = readBytes(*box_ / "bag3" / "bag-info.txt");
        QVERIFY(info.find("Source-Organization: Tarnholm Sound Archive\n") != std::string::npos);
        QVERIFY(info.find("Contact-Name: Odran Fell\n") != std::string::npos);
        QVERIFY(info.find("Isla") == std::string::npos);
        QCOMPARE(run({"package", "--make", path("bag4"), "--search", "*", "--layout", "Nobody's"}).code, 2);
    }

private:
    CliAnswer run(const QList<QByteArray>& arguments, bool isJson = true) {
        return runCli(box_->root(), arguments, isJson);
    }
    QByteArray path(const char* name) const { return QByteArray::fromStdString((*box_ / name).native()); }
    std::unique_ptr<Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCliDeliver)
#include "test_cli_deliver.moc"
