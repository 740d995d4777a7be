// SPDX-License-Identifier: GPL-3.0-or-later
// Share pages: what is on them and what is not, how they are made, comments that come back.
#include <QtTest>

#include <QProcess>

#include "core/deliver/delivered.h"
#include "core/deliver/page/page_make.h"
#include "core/deliver/page/page_notes.h"
#include "core/exchange/zip.h"
#include "core/files/staged_folder.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestSharePage : public QObject, SheetWorld {
    Q_OBJECT
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void layoutsAreHandedOn() {
        for (const PageLayout& layout : shippedPageLayouts()) {
            const auto back = pageLayoutFromJson(pageLayoutJson(layout));
            QVERIFY2(back, back ? "" : back.error().message.c_str());
            QVERIFY(*back == layout);
        }
        auto why = [](const char* json) {
            const auto layout = pageLayoutFromJson(json);
            return layout ? std::string() : layout.error().message;
        };
        QVERIFY(why("3").find("JSON") != std::string::npos);
        QVERIFY(why(R"({"page_layout": " "})").find("name") != std::string::npos);
        QVERIFY(why(R"({"page_layout": "A", "listen": "wav"})").find("listen") != std::string::npos);
        QVERIFY(why(R"({"page_layout": "A", "facts": ["@secret"]})").find("@secret") != std::string::npos);
        QVERIFY(why(R"({"page_layout": "A", "stems": "yes"})").find("stems") != std::string::npos);
        QCOMPARE(pageLayoutFromJson(R"({"page_layout": "A", "bitrate": 7})")->bitrate,
                 256000); // the usual one
    }

    void familiesStandOnce() {
        const FileId lead = lanterns(),
                     other = song("Gorse.flac", {{"title", {"Gorse"}}, {"artist", {"Wren-Low"}}});
        const FileId instrumental = store_->files().idOf(*box_ / "shelf" / "i.flac"),
                     bass = store_->files().idOf(*box_ / "shelf" / "b.flac");
        PageLayout layout = shippedPageLayouts().front();
        PageSubject page =
            pageSubject(*store_, layout, {instrumental, other, lead}, {}, "Tarnholm Players", 1796000000);
        QCOMPARE(names(page), (Strings{"Lanterns", "> Instrumental", "Gorse"}));
        QCOMPARE(page.date, std::string("2026-11-30"));
        QCOMPARE(page.tracks[0].lead.facts, (Strings{"104 BPM", "D minor"}));
        QCOMPARE(page.tracks[0].lead.marks.size(), size_t{1});
        QCOMPARE(page.tracks[0].lead.fileName, std::string("01 Lanterns"));
        // A stem that was chosen is there, though stems are not.
        QCOMPARE(names(pageSubject(*store_, layout, {bass, lead}, {}, {}, 0)),
                 (Strings{"Lanterns", "> Instrumental", "> Stem, bass"}));
        layout.stems = true;
        page = pageSubject(*store_, layout, {lead}, "For you", {}, 0);
        QCOMPARE(names(page), (Strings{"Lanterns", "> Instrumental", "> Stem, bass", "> Stem, keys"}));
        QCOMPARE(page.title, std::string("For you"));
        layout.stems = layout.versions = layout.marks = false;
        page = pageSubject(*store_, layout, {lead, bass, 9999}, {}, {}, 0);
        QCOMPARE(names(page), (Strings{"Lanterns", "Lanterns bass"}));
        QCOMPARE(page.unknown, (std::vector<FileId>{9999}));
        QVERIFY(page.tracks[0].lead.marks.empty());
        layout.lyrics = true;
        QVERIFY(pageSubject(*store_, layout, {lead}, {}, {}, 0)
                    .tracks[0]
                    .lead.lyrics.starts_with("Lanterns down"));
    }

    void textCannotBecomeMarkup() {
        const std::string bad = "</h1><script>alert(\"x\")</script><img src=x onerror='y'>&amp;";
        PageSubject page;
        page.title = page.artist = page.forWhom = page.from = page.words = bad;
        page.date = "2026-12-02";
        PageTrack track;
        track.lead.id = "1";
        track.lead.name = track.lead.artist = track.lead.lyrics = bad;
        track.lead.facts = {bad};
        track.lead.marks = {{1, bad}};
        page.tracks = {track};
        PageFiles files;
        files.sounds["1"] = {"sound/a\"><b>.mp3", "take/<x>.mp3", {0.5F}, 10};
        files.picture = "cover\".jpg";
        const std::string html =
            pageHtml(page, shippedPageLayouts().front(), files, "id\"<>", "p { color: red; }", "let a = 1;");
        QCOMPARE(count(html, "<script>"), size_t{1});
        QCOMPARE(count(html, "<img"), size_t{1});
        QCOMPARE(count(html, "onerror='"), size_t{0});
        QVERIFY(html.find("sound/a%22%3E%3Cb%3E.mp3") != std::string::npos);
        QVERIFY(html.find("2 December 2026") != std::string::npos);
        QVERIFY(html.find("script-src 'sha256-") != std::string::npos &&
                html.find("default-src 'none'") != std::string::npos);
        QVERIFY(html.find("unsafe") == std::string::npos);
    }

    void madeWhole() {
        const FileId a = sound("Gorse", 1,
                               {{"title", {"Gorse / two"}},
                                {"artist", {"Wren-Low"}},
                                {"comment", {"a secret"}},
                                {"isrc", {"ZZGRW7400001"}}});
        const FileId b = sound("Tide", 2, {{"title", {"Gorse / two"}}, {"artist", {"Wren-Low"}}});
        PagePlan plan;
        plan.layout = shippedPageLayouts().front();
        plan.subject = pageSubject(*store_, plan.layout, {a, b}, "Two of Wren-Low", {}, 1796000000);
        plan.target = *box_ / "out" / "page";
        plan.id = newPageId();
        plan.oneSheet = "%PDF-1.4 of ours";
        work::Progress progress;
        const auto made = makePage(plan, {}, progress);
        QVERIFY2(made, made ? "" : made.error().message.c_str());
        QVERIFY(made->trouble.empty());
        QCOMPARE(made->sounds, size_t{2});
        QCOMPARE(made->tracksById.at("2"), b);
        QVERIFY(isPageFolder(plan.target));
        const std::string html = readBytes(plan.target / "index.html");
        // Nothing leaks that was not chosen.
        for (const char* leak : {"secret", "ZZGRW7400001", "shelf", ".flac"})
            QVERIFY2(html.find(leak) == std::string::npos, leak);
        QVERIFY(html.find(box_->root().native()) == std::string::npos);
        // The same name twice is two files; both are MP3 that say title and artist, and no more.
        const auto heard = tags::readTags(plan.target / "sound" / "01 Gorse - two.mp3");
        QVERIFY2(heard, heard ? "" : heard.error().message.c_str());
        QCOMPARE(heard->fields, (tags::Fields{{"artist", {"Wren-Low"}}, {"title", {"Gorse / two"}}}));
        QVERIFY(std::filesystem::exists(plan.target / "sound" / "02 Gorse - two.mp3"));
        QVERIFY(heard->facts.duration > 1);
        // All of it in one file, read by another reader.
        const QString list = python("import zipfile,sys\nz=zipfile.ZipFile(sys.argv[1])\nassert z.testzip() "
                                    "is None\nprint(sorted(z.namelist()))",
                                    plan.target / "Two of Wren-Low.zip");
        QCOMPARE(list, QString("['01 Gorse - two.mp3', '02 Gorse - two.mp3', 'One-sheet.pdf']"));
        // Again: the one of before is replaced, and nothing else stays beside it.
        plan.layout.take = "nothing";
        QVERIFY(makePage(plan, {}, progress));
        QVERIFY(!std::filesystem::exists(plan.target / "Two of Wren-Low.zip"));
        QCOMPARE(entriesIn(*box_ / "out"), (Strings{"page"}));
        // What somebody put into it is not lost.
        writeBytes(plan.target / "from me.txt", "a letter");
        QVERIFY(!makePage(plan, {}, progress));
        QCOMPARE(readBytes(plan.target / "from me.txt"), std::string("a letter"));
        std::filesystem::remove(plan.target / "from me.txt");
        QVERIFY(makePage(plan, {}, progress));
        // A folder that is none of ours is left alone.
        std::filesystem::create_directories(*box_ / "theirs");
        writeBytes(*box_ / "theirs" / "index.html", "theirs");
        plan.target = *box_ / "theirs";
        const auto refused = makePage(plan, {}, progress);
        QVERIFY(!refused);
        QCOMPARE(refused.error().kind, ErrorKind::Exists);
        QCOMPARE(readBytes(*box_ / "theirs" / "index.html"), std::string("theirs"));
    }

    void whatCannotBeHeard() {
        const FileId a = sound("Gorse", 1, {{"title", {"Gorse"}}});
        const FileId broken = song("broken.flac", {{"title", {"Broken"}}});
        writeBytes(*box_ / "shelf" / "broken.flac", "fLaC and nothing more");
        PagePlan plan;
        plan.layout = shippedPageLayouts().front();
        plan.subject = pageSubject(*store_, plan.layout, {broken, a}, "Both", {}, 0);
        plan.target = *box_ / "page";
        plan.id = "p1";
        work::Progress progress;
        const auto made = makePage(plan, {}, progress);
        QVERIFY(made);
        QCOMPARE(made->trouble.size(), size_t{1});
        QVERIFY2(made->trouble[0].starts_with("\"Broken\": "), made->trouble[0].c_str());
        QVERIFY(readBytes(*box_ / "page" / "index.html").find("cannot be heard here") != std::string::npos);
        // A stop leaves nothing, and the page of before as it was.
        const std::string before = readBytes(*box_ / "page" / "index.html");
        std::stop_source stop;
        stop.request_stop();
        const auto stopped = makePage(plan, stop.get_token(), progress);
        QVERIFY(!stopped && stopped.error().kind == ErrorKind::Cancelled);
        QCOMPARE(readBytes(*box_ / "page" / "index.html"), before);
        for (const std::string& name : entriesIn(box_->root()))
            QVERIFY2(!name.starts_with(".moorfrost-"), name.c_str());
        plan.subject.tracks.clear();
        QVERIFY(!makePage(plan, {}, progress));
    }

    void namesThatClimbOut() {
        writeBytes(*box_ / "a", "x");
        for (const char* name : {"../a", "/a", "b/../../a", "", "a\\b"})
            QVERIFY2(!exchange::writeZip(*box_ / "out.zip", {{name, *box_ / "a"}}), name);
        QVERIFY(!std::filesystem::exists(*box_ / "out.zip"));
    }

    void commentsComeBack() {
        const FileId a = song("a.flac", {{"title", {"Gorse"}}}), b = song("b.flac", {{"title", {"Tide"}}});
        library::Delivery delivery;
        delivery.way = "share page";
        delivery.title = "Two";
        delivery.content = pageContent("page1", {{"1", a}, {"1.1", b}});
        library::DeliveryTable table(store_->database());
        const int64_t id = table.add(delivery, itemsNow(*store_, {a, b}));
        const auto notes = pageNotesFrom(
            R"({"share_page_notes": 1, "page": "page1", "title": "Two", "who": "Producer", "notes": [
            {"track": "1", "at": 41.5, "text": "the bell comes\nearlier", "rating": 0, "when": "2026-12-02T10:00:00.000Z"},
            {"track": "1.1", "at": -5, "text": "", "rating": 9},
            {"track": "7", "at": 1, "text": "nowhere"},
            {"track": "1", "at": 1, "text": ""}, 5]})");
        QVERIFY(notes);
        QCOMPARE(notes->notes.size(), size_t{3});
        const NotesOfDelivery found = notesOf(*store_, *notes);
        QCOMPARE(found.delivery, id);
        QCOMPARE(found.unknown, size_t{1});
        QCOMPARE(found.notes.size(), size_t{2});
        QCOMPARE(found.notes[0].text, std::string("the bell comes earlier"));
        QCOMPARE(found.notes[0].when, int64_t{1796205600});
        QCOMPARE(found.notes[1].rating, 5);
        QCOMPARE(found.notes[1].seconds, 0.0);
        QCOMPARE(table.addNotes(id, found.notes), size_t{2});
        QCOMPARE(table.addNotes(id, found.notes), size_t{0}); // the same file twice
        QCOMPARE(table.find(id)->notes, size_t{2});
        QCOMPARE(table.notes(id)[0].who, std::string("Producer"));
        QVERIFY(markNotes(*store_, table.notes(id), "Comments"));
        QCOMPARE(library::bookmarksFrom(store_->files().find(a)->kept.at("bookmark")),
                 (std::vector<library::Bookmark>{{41.5, "Producer: the bell comes earlier"}}));
        QVERIFY(!store_->files().find(b)->kept.contains("bookmark")); // without words
        // Of another page, and what is none.
        QCOMPARE(
            notesOf(
                *store_,
                *pageNotesFrom(
                    R"({"share_page_notes": 1, "page": "other", "notes": [{"track": "1", "at": 1, "text": "x"}]})"))
                .delivery,
            int64_t{0});
        for (const char* none :
             {"", "[]", "{}", R"({"share_page_notes": 1})", R"({"share_page_notes": 1, "notes": []})"})
            QVERIFY2(!pageNotesFrom(none), none);
    }

    void deliveriesTellWhatHasChanged() {
        const FileId a = song("a.flac", {{"title", {"Gorse"}}}), b = song("b.flac", {{"title", {"Tide"}}}),
                     c = song("c.flac", {{"title", {"Salt"}}});
        library::DeliveryTable table(store_->database());
        library::Delivery delivery;
        delivery.way = "sheet";
        delivery.title = "Three";
        delivery.target = Path("/somewhere/\xFFsheet.csv");
        const int64_t id = table.add(delivery, itemsNow(*store_, {c, a, b}));
        QCOMPARE(since(*store_, id).changed, size_t{0});
        QCOMPARE(since(*store_, id).files, (std::vector<FileId>{c, a, b}));
        song("a.flac", {{"title", {"Gorse in Winter"}}});
        store_->files().forget(b);
        const DeliveredSince now = since(*store_, id);
        QCOMPARE(now.changed, size_t{1});
        QCOMPARE(now.gone, size_t{1});
        QCOMPARE(now.files, (std::vector<FileId>{c, a}));
        table.setState(id, "sent");
        QCOMPARE(table.all().front().state, std::string("sent"));
        QCOMPARE(table.all().front().target, delivery.target);
        QCOMPARE(table.all().front().items, size_t{3});
        table.remove(id);
        QVERIFY(table.all().empty());
    }

private:
    static Strings names(const PageSubject& page) {
        Strings out;
        for (const PageTrack& track : page.tracks) {
            out.push_back(track.lead.name);
            for (const PageSound& version : track.versions)
                out.push_back("> " + version.name);
        }
        return out;
    }
    static size_t count(const std::string& text, const std::string& what) {
        size_t out = 0;
        for (size_t at = text.find(what); at != std::string::npos; at = text.find(what, at + 1))
            ++out;
        return out;
    }
    static Strings entriesIn(const Path& folder) {
        Strings out;
        for (const auto& entry : std::filesystem::directory_iterator(folder))
            out.push_back(entry.path().filename().native());
        std::ranges::sort(out);
        return out;
    }
    FileId sound(const std::string& name, uint32_t seed, const tags::Fields& fields) {
        makeSound(*box_ / "shelf", name + ".flac", seed);
        return song(name + ".flac", fields, 3);
    }
    static QString python(const char* code, const Path& file) {
        QProcess process;
        process.start("/usr/bin/python3", {"-c", code, QString::fromStdString(file.native())});
        process.waitForFinished();
        return (QString::fromUtf8(process.readAllStandardOutput()) + process.readAllStandardError())
            .trimmed();
    }
};

QTEST_GUILESS_MAIN(TestSharePage)
#include "test_share_page.moc"
