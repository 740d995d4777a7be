// SPDX-License-Identifier: GPL-3.0-or-later
// Collections, playlists and looking through the shelves by moorfrost-cli.
#include <QtTest>

#include <QJsonArray>

#include <fstream>

#include "core/exchange/playlist.h"
#include "core/library/store/store.h"
#include "support/cli.h"

using namespace moorfrost;

class TestCliCollections : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    test::CliAnswer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const char* name) { return QByteArray::fromStdString((*box_ / name).native()); }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        const int64_t shelf = store->shelves().add("Archive", *box_ / "shelf");
        uint32_t seed = 0;
        for (const char* name : {"a.flac", "b.mp3"})
            store->files().save(files::scanFile(test::makeSound(*box_ / "shelf", name, ++seed)), shelf);
    }

    void madeFilledAndHandedOn() {
        QCOMPARE(run({"collections", "--make", "folder", "Reissues 2027"}).code, 0);
        auto made = run({"collections", "--make", "list", "Side A", "--in", "Reissues 2027"});
        QCOMPARE(made.code, 0);
        QCOMPARE(made.lines.front()["path"].toString(), QString("Reissues 2027 / Side A"));
        QCOMPARE(run({"collections", "--make", "search", "Slow"}).code, 2); // what does it ask?
        QCOMPARE(run({"collections", "--make", "search", "Slow", "--query", "tempo:<80"}).code, 0);
        QCOMPARE(run({"lists", "Side A", "--add", path("shelf/b.mp3"), path("shelf/a.flac")}).code, 0);
        QCOMPARE(run({"lists", "Side A", "--add", path("shelf/nowhere.flac")}).code, 1);
        auto inside = run({"lists", "side a"});
        QCOMPARE(inside.lines.size(), 2);
        QVERIFY(inside.lines[0]["path"].toString().endsWith("b.mp3"));
        QCOMPARE(inside.lines[0]["place"].toInt(), 1);
        QCOMPARE(run({"lists"}).lines.front()["count"].toInt(), 2);
        QCOMPARE(run({"lists", "Slow"}).code, 1); // no list
        QCOMPARE(run({"collections"}).lines.size(), 3);
        auto out = run({"export-playlist", "Side A", path("shelf/side-a.xspf")});
        QCOMPARE(out.code, 0);
        QCOMPARE(out.lines.front()["tracks"].toInt(), 2);
        const auto list = exchange::readPlaylistFile(*box_ / "shelf/side-a.xspf");
        QCOMPARE(list->entries[0].place, std::string("b.mp3"));
        QCOMPARE(run({"export-playlist", "Side A", path("shelf/other.m3u8"), "--rewrite", "nothing"}).code,
                 2);
        QCOMPARE(run({"export-playlist", "Side A", path("shelf/other.m3u8"), "--rewrite",
                      path("shelf") + "=/media/music"})
                     .code,
                 0);
        QCOMPARE(exchange::readPlaylistFile(*box_ / "shelf/other.m3u8")->entries[0].place,
                 std::string("/media/music/b.mp3"));
        // By the ending, and by a layout.
        QCOMPARE(run({"export-playlist", "Side A", path("shelf/side-a.cue")}).code, 0);
        QVERIFY(test::readBytes(*box_ / "shelf/side-a.cue").starts_with("TITLE \"Side A\""));
        test::writeBytes(*box_ / "layout.json",
                         R"({"list_layout": "Ferry", "form": "xspf", "places": "absolute"})");
        QCOMPARE(
            run({"export-playlist", "Side A", path("shelf/side-a.list"), "--layout", path("layout.json")})
                .code,
            0);
        QVERIFY(test::readBytes(*box_ / "shelf/side-a.list").find("<location>file:///") != std::string::npos);
        QCOMPARE(run({"export-playlist", "Side A", path("x.m3u8"), "--layout", "Nobody's"}).code, 2);
        // In again: relative places are found, a foreign one is not.
        std::ofstream(*box_ / "shelf/in.m3u8") << "b.mp3\n/gone/z.mp3\n";
        auto dry = run({"import-playlist", path("shelf/in.m3u8"), "--dry-run"});
        QCOMPARE(dry.code, 1);
        QVERIFY(dry.lines[0]["why"].toString().contains("at this place"));
        QVERIFY(dry.lines[1]["path"].isNull());
        QCOMPARE(run({"lists"}).lines.size(), 1);
        QCOMPARE(run({"import-playlist", path("shelf/in.m3u8"), "--name", "From elsewhere"}).code, 1);
        QCOMPARE(run({"lists", "From elsewhere"}).lines.size(), 1);
        QCOMPARE(run({"collections", "--make", "remove", "From elsewhere"}).code, 0);
        QCOMPARE(run({"lists"}).lines.size(), 1);
    }

    void lookedThrough() {
        auto first = run({"rescan"});
        QCOMPARE(first.code, 0);
        QCOMPARE(first.lines.front()["unchanged"].toInt(), 2);
        std::filesystem::rename(*box_ / "shelf/a.flac", *box_ / "shelf/moved.flac");
        std::filesystem::remove(*box_ / "shelf/b.mp3");
        auto second = run({"rescan", "Archive"});
        QCOMPARE(second.lines.front()["absent_now"].toInt(), 1);
        const QJsonObject moved = second.lines.front()["moved"].toArray()[0].toObject();
        QVERIFY(moved["path"].toString().endsWith("moved.flac") &&
                moved["was"].toString().endsWith("a.flac"));
        QCOMPARE(moved["by"].toString(), QString("size, time and tags"));
        QCOMPARE(run({"rescan", "Nowhere"}).code, 1);
        std::filesystem::rename(*box_ / "shelf", *box_ / "away");
        auto third = run({"rescan"});
        QCOMPARE(third.code, 1);
        QCOMPARE(third.lines.front()["not_there"].toArray()[0].toString(), QString("Archive"));
        QCOMPARE(third.lines.front()["absent_now"].toInt(), 0);
    }
};

QTEST_GUILESS_MAIN(TestCliCollections)
#include "test_cli_collections.moc"
