// SPDX-License-Identifier: GPL-3.0-or-later
// Playlists out and in: what other programs read, what they write, and what is broken in them.
#include <QtTest>

#include <fstream>

#include "core/library/audio_duplicates.h"
#include "core/library/fixity.h"
#include "core/library/playlist_match.h"
#include "support/sample_files.h"

using namespace moorfrost;
using exchange::PlaceStyle;
using exchange::Playlist;
using exchange::PlaylistEntry;
using exchange::PlaylistFormat;
using library::FileId;
using Evidence = library::PlaylistMatch::Evidence;

class TestPlaylist : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
    }
    void cleanup() { store_.reset(); }

    void roundTrip_data() {
        QTest::addColumn<int>("format");
        QTest::newRow("M3U8") << static_cast<int>(PlaylistFormat::M3u8);
        QTest::newRow("XSPF") << static_cast<int>(PlaylistFormat::Xspf);
    }
    void roundTrip() {
        QFETCH(int, format);
        const bool xspf = format == static_cast<int>(PlaylistFormat::Xspf);
        Playlist list;
        list.title = "Evening & <night>";
        for (const std::string place :
             {"Salt Road/01 Tide Table.flac", "../else where/a#b?c%20d.mp3", "#1 song.flac",
              "/archive/Хор Маяка/Северный ветер.ogg", "/archive/two\nlines.wav", " spaces .mp3"})
            list.entries.push_back({place, "Tide Table", "Isla Varnholt", "Salt Road", 62, {}});
        if (xspf)
            list.entries[0].essenceHash = "0123456789abcdef0123456789abcdef";
        const auto back = exchange::readPlaylist(playlistText(list, static_cast<PlaylistFormat>(format)));
        QVERIFY(back);
        QCOMPARE(back->title, list.title);
        QCOMPARE(back->entries.size(), list.entries.size());
        for (size_t i = 0; i < list.entries.size(); ++i) {
            const PlaylistEntry &a = list.entries[i], &b = back->entries[i];
            QCOMPARE(b.title, a.title);
            QCOMPARE(b.artist, a.artist);
            QCOMPARE(b.album, a.album);
            QCOMPARE(b.seconds, a.seconds);
            QCOMPARE(b.essenceHash, a.essenceHash);
            // Where a line has no room for it, it stands as an address.
            if (!xspf && a.place.starts_with(' '))
                continue;
            QCOMPARE(QString::fromStdString(exchange::pathOfPlace(b.place, "/lists").native()),
                     QString::fromStdString(exchange::pathOfPlace(a.place, "/lists").native()));
        }
    }

    void writtenByOthers_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<QStringList>("places");
        QTest::newRow("plain lines, CRLF")
            << QByteArray("a.mp3\r\n\r\nb c.mp3\r\n") << QStringList{"a.mp3", "b c.mp3"};
        QTest::newRow("old ends of lines") << QByteArray("a.mp3\rb.mp3\r") << QStringList{"a.mp3", "b.mp3"};
        QTest::newRow("no end of line") << QByteArray("#EXTM3U\n#EXTINF:10,X\na.mp3") << QStringList{"a.mp3"};
        QTest::newRow("a mark of UTF-8") << QByteArray("\xEF\xBB\xBF"
                                                       "Хор.mp3\n")
                                         << QStringList{"Хор.mp3"};
        QTest::newRow("UTF-16") << QByteArray("\xFF\xFE"
                                              "a\0.\0m\0p\0003\0\n\0",
                                              14)
                                << QStringList{"a.mp3"};
        QTest::newRow("remarks") << QByteArray("#REMARK\n#\n##\na.mp3\n") << QStringList{"a.mp3"};
        QTest::newRow("XML without a heading")
            << QByteArray("<playlist><trackList><track><location>file:///a%20b.mp3</location></track>"
                          "<track><title>Lost</title></track><track/></trackList></playlist>")
            << QStringList{"file:///a%20b.mp3", ""};
    }
    void writtenByOthers() {
        QFETCH(QByteArray, bytes);
        QFETCH(QStringList, places);
        const auto list = exchange::readPlaylist({bytes.data(), static_cast<size_t>(bytes.size())});
        QVERIFY(list);
        QStringList got;
        for (const PlaylistEntry& e : list->entries)
            got << QString::fromStdString(e.place);
        QCOMPARE(got, places);
    }

    void brokenOnes() {
        const std::string binary("RIFF\0\0\0\0WAVE", 12);
        for (const std::string& bytes :
             {binary, std::string("<playlist><trackList>"), std::string("<html></html>"),
              std::string(
                  "<?xml version=\"1.0\"?><!DOCTYPE a [<!ENTITY b SYSTEM \"file:///etc/passwd\">]>")}) {
            const auto list = exchange::readPlaylist(bytes);
            QVERIFY2(!list, bytes.c_str());
            QVERIFY(list.error().message.ends_with("."));
        }
        QVERIFY(exchange::readPlaylist("")->entries.empty());
        QVERIFY(!exchange::readPlaylistFile(*box_ / "none.m3u8"));
        QVERIFY(!exchange::readPlaylistFile(box_->root()));
        // An entity from elsewhere stays what it says.
        const auto list =
            exchange::readPlaylist("<!DOCTYPE p [<!ENTITY x SYSTEM "
                                   "\"file:///etc/passwd\">]><playlist><title>&x;</title></playlist>");
        QVERIFY(list && list->title == "&x;");
        // Lengths that make no sense.
        const auto odd = exchange::readPlaylist("#EXTINF:1e999,A - B\na\n#EXTINF:-1,C\nb\n#EXTINF:nan,\nc\n");
        QCOMPARE(odd->entries.size(), size_t{3});
        for (const PlaylistEntry& e : odd->entries)
            QCOMPARE(e.seconds, 0.0);
        // Far too many.
        std::string many;
        for (int i = 0; i < 1'000'001; ++i)
            many += "a\n";
        QVERIFY(!exchange::readPlaylist(many));
        many.resize(2'000'000);
        QCOMPARE(exchange::readPlaylist(many)->entries.size(), size_t{1'000'000});
        const auto longLine = exchange::readPlaylist(std::string(200'000, 'x') + "\na.mp3\n");
        QCOMPARE(longLine->entries.size(), size_t{1});
        QCOMPARE(longLine->notes.size(), size_t{1});
    }

    void placesForOtherMachines() {
        const Path file = "/archive/Salt Road/a.flac";
        QCOMPARE(exchange::placeFor(file, "/archive/lists", {}), std::string("../Salt Road/a.flac"));
        QCOMPARE(exchange::placeFor(file, "/archive", {}), std::string("Salt Road/a.flac"));
        QCOMPARE(exchange::placeFor(file, "/x", {PlaceStyle::Kind::Absolute, {}, {}}), file.native());
        auto rewritten = [&](const char* from, const char* to) {
            return exchange::placeFor(file, "/x", {PlaceStyle::Kind::Rewritten, from, to});
        };
        QCOMPARE(rewritten("/archive", "/media/music"), std::string("/media/music/Salt Road/a.flac"));
        QCOMPARE(rewritten("/archive/", "/media/music/"), std::string("/media/music/Salt Road/a.flac"));
        QCOMPARE(rewritten("/archive", "M:\\Music"), std::string("M:\\Music\\Salt Road\\a.flac"));
        QCOMPARE(rewritten("/arch", "/x"), file.native()); // not a folder
        // And back.
        auto path = [](const char* place) { return exchange::pathOfPlace(place, "/lists").native(); };
        QCOMPARE(path("a/../b.mp3"), std::string("/lists/b.mp3"));
        QCOMPARE(path("file:///a%20b.mp3"), std::string("/a b.mp3"));
        QCOMPARE(path("file://elsewhere/a.mp3"), std::string("/a.mp3"));
        QCOMPARE(path("sub\\a.mp3"), std::string("/lists/sub/a.mp3"));
        QCOMPARE(path("C:\\Music\\a.mp3"), std::string("C:/Music/a.mp3"));
        QCOMPARE(path("file:///C:/Music/a.mp3"), std::string("C:/Music/a.mp3"));
        QCOMPARE(path("http://127.0.0.1/a.mp3"), std::string());
        QCOMPARE(path("file:///a%00b"), std::string());
    }

    void broughtInWithEvidence() {
        const FileId tide =
            put("Isla Varnholt/Salt Road/01 Tide Table.flac", "Tide Table", "Isla Varnholt", 1);
        const FileId road = put("Isla Varnholt/Salt Road/02 Salt Road.flac", "Salt Road", "Isla Varnholt", 2);
        const FileId post =
            put("The Hollow Ferry/Night Post EP/01.flac", "Night Post", "The Hollow Ferry", 3);
        const FileId slip = put("The Hollow Ferry/Night Post EP/02.flac", "Cold Slip", "The Hollow Ferry", 4);
        const FileId lapwing = put("a/x.flac", "Lapwing", "Odran Fell Quartet", 5),
                     lapwing2 = put("b/y.flac", "Lapwing", "Odran Fell Quartet", 6);
        keepEssence(slip);
        const double seconds = store_->files().find(post)->tags.facts.duration;
        Playlist list;
        auto add = [&](PlaylistEntry e) { list.entries.push_back(std::move(e)); };
        add({(*box_ / "shelf/Isla Varnholt/Salt Road/01 Tide Table.flac").native(), {}, {}, {}, 0, {}});
        add({"M:\\Music\\Isla Varnholt\\Salt Road\\02 SALT ROAD.mp3", {}, {}, {}, 0, {}}); // another format
        add({"/gone/night post.mp3", "Night Post", "The Hollow Ferry", {}, seconds, {}});
        add({"/gone/z.mp3", {}, {}, {}, 0, library::fixityOf(pathOf(slip), false)->essence});
        add({"/gone/lapwing.mp3", "Lapwing", "Odran Fell Quartet", {}, 0, {}}); // two may be it
        add({"https://127.0.0.1/stream", {}, {}, {}, 0, {}});
        add({"/gone/01.mp3", {}, {}, {}, 0, {}}); // the same name alone says too little
        add({"/gone/night post.mp3", "Night Post", "The Hollow Ferry", {}, seconds + 60, {}}); // another
                                                                                               // length
        // A file that the library does not have, but whose sound it does.
        std::filesystem::create_directories(*box_ / "in");
        std::filesystem::copy_file(pathOf(slip), *box_ / "in/other name.flac");
        add({"other name.flac", {}, {}, {}, 0, {}});
        work::Progress progress;
        const auto m = library::matchPlaylist(*store_, list, *box_ / "in", {}, progress);
        QCOMPARE(m.size(), list.entries.size());
        auto is = [&](size_t i, FileId file, Evidence evidence, const char* told) {
            QCOMPARE(m[i].file, file);
            QVERIFY(m[i].evidence == evidence);
            QVERIFY2(m[i].told.find(told) != std::string::npos, m[i].told.c_str());
        };
        is(0, tide, Evidence::SamePlace, "at this place");
        is(1, road, Evidence::SameFolders, "2 same folders");
        is(2, post, Evidence::SameTitle, "Same title and artist, same length");
        is(3, slip, Evidence::SameSound, "byte for byte");
        is(4, 0, Evidence::None, "2 files are as likely");
        QCOMPARE(m[4].candidates, (std::vector<FileId>{lapwing, lapwing2}));
        is(5, 0, Evidence::None, "address");
        is(6, 0, Evidence::None, "No file");
        is(7, 0, Evidence::None, "No file");
        is(8, slip, Evidence::SameSound, "The file at this place");
    }

    void outAgain() {
        const FileId tide =
            put("Isla Varnholt/Salt Road/01 Tide Table.flac", "Tide Table", "Isla Varnholt", 1);
        keepEssence(tide);
        const auto list = library::playlistOf(*store_, "Evening", {tide, 999, tide}, *box_ / "shelf", {});
        QCOMPARE(list.entries.size(), size_t{2}); // nothing is known of the other
        QCOMPARE(list.entries[0].place, std::string("Isla Varnholt/Salt Road/01 Tide Table.flac"));
        QCOMPARE(list.entries[0].title, std::string("Tide Table"));
        QCOMPARE(list.entries[0].essenceHash.size(), size_t{32});
        QVERIFY(exchange::savePlaylist(list, *box_ / "shelf/evening.xspf"));
        // It opens elsewhere: the folder has been carried to another place, the library does not know it.
        std::filesystem::rename(*box_ / "shelf", *box_ / "carried");
        const auto back = exchange::readPlaylistFile(*box_ / "carried/evening.xspf");
        QVERIFY(back);
        QVERIFY(std::filesystem::exists(exchange::pathOfPlace(back->entries[0].place, *box_ / "carried")));
    }

private:
    FileId put(const char* name, const char* title, const char* artist, uint32_t seed) {
        const Path path = *box_ / "shelf" / name;
        std::filesystem::create_directories(path.parent_path());
        test::makeSound(path.parent_path(), path.filename(), seed);
        files::ScannedFile f = files::scanFile(path);
        f.tags->fields["title"] = {title};
        f.tags->fields["artist"] = {artist};
        return store_->files().save(f, shelf_);
    }
    Path pathOf(FileId id) { return store_->files().find(id)->path; }
    void keepEssence(FileId id) {
        const auto file = store_->files().find(id);
        store_->workedOut().save(library::essenceField, {{id,
                                                          {library::fixityOf(file->path, false)->essence,
                                                           std::to_string(file->state.size),
                                                           std::to_string(file->state.modifiedNs)}}});
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0;
};

QTEST_GUILESS_MAIN(TestPlaylist)
#include "test_playlist.moc"
