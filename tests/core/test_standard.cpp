// SPDX-License-Identifier: GPL-3.0-or-later
// Standards and readiness: what each rule asks, what it says where it is not met, codes, the JSON form.
#include <QtTest>

#include "core/audit/codes.h"
#include "core/audit/readiness.h"

using namespace moorfrost;
using audit::Met;
using audit::RuleKind;

class TestStandard : public QObject {
    Q_OBJECT

    struct Song {
        tags::Fields fields;
        std::vector<tags::PictureInfo> pictures = {};
        Path path = "/in/song.flac";
        bool music = true;
    };
    /// By one rule.
    static audit::ReadinessPart check(const audit::Rule& rule, const std::vector<Song>& songs,
                                      bool strays = false) {
        std::vector<audit::CheckedFile> files;
        for (const Song& s : songs)
            files.push_back({static_cast<int64_t>(files.size() + 1),
                             s.fields,
                             s.pictures,
                             audio::Format::Flac,
                             s.path,
                             {},
                             s.music});
        return audit::readinessOf({"One rule", {rule}}, files, strays).parts.front();
    }
    static void is(const audit::ReadinessPart& part, Met met, const char* detail,
                   const std::vector<int64_t>& lacking = {}) {
        QCOMPARE(QString::fromStdString(part.detail), QString(detail));
        QVERIFY(part.met == met);
        QVERIFY(part.lacking == lacking);
    }
    static Song numbered(const char* disc, const char* track) {
        Song s;
        if (*disc)
            s.fields["disc"] = {disc};
        if (*track)
            s.fields["track"] = {track};
        return s;
    }
    static Song with(const char* key, const char* value) { return *value ? Song{{{key, {value}}}} : Song{}; }

private slots:
    void fieldsThatAreRequired() {
        const audit::Rule rule{.kind = RuleKind::Fields, .fields = {"title", "isrc"}};
        const Song both{{{"title", {"Slack Water"}}, {"isrc", {"ZZA012100001"}}}};
        is(check(rule, {both, both}), Met::Yes, "in all files");
        is(check(rule, {both, with("title", "Gorse"), Song{}}), Met::Partly,
           "1 of 3 files without title; 2 of 3 files without ISRC", {2, 3});
        is(check(rule, {Song{}}), Met::No, "1 of 1 file without title; 1 of 1 file without ISRC", {1});
        is(check(rule, {with("title", "a"), with("isrc", "b")}), Met::No,
           "1 of 2 files without title; 1 of 2 files without ISRC", {1, 2});
    }

    void fieldsThatAreTheSame() {
        audit::Rule rule{.kind = RuleKind::Fields, .fields = {"album"}, .required = true, .same = true};
        const Song salt = with("album", "Salt Road"), lanterns = with("album", "Lanterns"), none;
        is(check(rule, {salt, salt}), Met::Yes, "the same in all files");
        is(check(rule, {salt, lanterns, salt}), Met::Partly, "2 different values of album", {2});
        is(check(rule, {salt, lanterns, none}), Met::Partly,
           "1 of 3 files without album; 2 different values of album", {1, 3});
        is(check(rule, {salt, lanterns, salt}, true), Met::Yes, "the same in all files"); // strays
        rule.required = false;
        is(check(rule, {none, none}), Met::Yes, "the same in all files");
        is(check(rule, {salt, salt, none}), Met::Partly, "only some files have album", {3});
        is(check(rule, {salt, lanterns}, true), Met::NotAsked, "strays are not one release");
    }

    void trackNumbers() {
        const audit::Rule rule{.kind = RuleKind::Numbers};
        auto one = [](const char* track) { return numbered("", track); };
        is(check(rule, {one("2"), one("1"), one("3")}), Met::Yes, "no gap, none twice");
        is(check(rule, {one("1"), one("3"), one("7")}), Met::Partly, "number 2, 4 to 6 missing");
        is(check(rule, {one("1"), one("2"), one("2")}), Met::Partly, "number 2 twice", {2, 3});
        is(check(rule, {one("1"), one(""), one("side A")}), Met::Partly, "2 of 3 files without track number",
           {2, 3});
        is(check(rule, {one(""), one("")}), Met::No, "2 of 2 files without track number", {1, 2});
        Song last = one("2");
        last.fields["tracks"] = {"4"};
        is(check(rule, {one("1"), last}), Met::Partly, "number 3, 4 missing");
        is(check(rule, {numbered("1", "1"), numbered("1", "2"), numbered("2", "1")}), Met::Yes,
           "no gap, none twice");
        is(check(rule, {numbered("1", "1"), numbered("2", "2")}), Met::Partly, "number 1 missing on disc 2");
        is(check(rule, {numbered("1", "1"), numbered("3", "1")}), Met::Partly, "disc 2 missing");
        is(check(rule, {one("1"), one("999999")}), Met::Partly, "number 2 to 2000 missing");
        is(check(rule, {one("1")}, true), Met::NotAsked, "strays are not one release");
    }

    void pictures() {
        audit::Rule rule{.kind = RuleKind::Picture};
        Song small, large, back, none;
        small.pictures = {{"front cover", "image/png", "", 200, 300, 1000}};
        large.pictures = {{"back cover", "image/png", "", 900, 900, 1000},
                          {"front cover", "image/png", "", 600, 500, 1000}};
        back.pictures = {large.pictures.front()};
        is(check(rule, {small, large, back}), Met::Yes, "in all files");
        is(check(rule, {small, none}), Met::Partly, "1 of 2 files without picture", {2});
        rule.side = 500;
        is(check(rule, {small, large, back}), Met::Partly,
           "1 of 3 files with a smaller picture than 500 pixels", {1});
        rule.front = true;
        is(check(rule, {small, large, back}), Met::Partly,
           "1 of 3 files without front cover; 1 of 3 files with a smaller picture than 500 pixels", {1, 3});
    }

    void codes_data() {
        QTest::addColumn<QString>("key");
        QTest::addColumn<QString>("code");
        QTest::addColumn<QString>("why");
        auto row = [](const char* key, const char* code, const char* why) {
            QTest::newRow(code) << QString(key) << QString(code) << QString(why);
        };
        row("isrc", "ZZA012100001", "");
        row("isrc", "ZZ-A01-21-00001", "");
        row("isrc", "ZZA01210001", "an ISRC has 12 letters and digits, this has 11");
        row("isrc", "9ZA012100001", "an ISRC begins with two letters");
        row("isrc", "ZZ-.01-21-00001", "the third to fifth place of an ISRC are letters or digits");
        row("isrc", "ZZA0121O0001", "the last seven places of an ISRC are digits");
        row("iswc", "T-034.524.680-1", ""); // the example of the standard's own guide
        row("iswc", "T0345246802", "the check digit of the ISWC is wrong");
        row("iswc", "034.524.680-1", "an ISWC is T and ten digits");
        row("barcode", "2000000000022", "");
        row("barcode", "2000000000021", "the check digit of the barcode is wrong");
        row("barcode", "20000004", "");
        row("barcode", "200000000004", ""); // twelve digits
        row("barcode", "2000", "a barcode has 13, 12 or 8 digits, this has 4");
        row("barcode", "20000O0000022", "a barcode has digits only");
        row("catalogue_number", "GR 014", "");
    }
    void codes() {
        QFETCH(QString, key);
        QFETCH(QString, code);
        QFETCH(QString, why);
        QCOMPARE(QString::fromStdString(audit::whyNotCode(key.toStdString(), code.toStdString())), why);
    }

    void codesOfARelease() {
        audit::Rule rule{.kind = RuleKind::Codes, .fields = {"isrc"}};
        const Song a = with("isrc", "ZZA012100001"), b = with("isrc", "ZZA012100002");
        is(check(rule, {a, b}), Met::Yes, "in all files");
        is(check(rule, {a, b, a}), Met::Partly, "the same ISRC in 2 files", {1, 3});
        is(check(rule, {a, with("isrc", "ZZ1"), Song{}}), Met::Partly,
           "1 of 3 files without ISRC; \"ZZ1\": an ISRC has 12 letters and digits, this has 3", {2, 3});
        rule.fields = {"barcode"};
        is(check(rule, {with("barcode", "2000000000022"), with("barcode", "20000004")}), Met::Partly,
           "2 different barcodes");
    }

    void namesByThePlan() {
        const audit::Rule rule{
            .kind = RuleKind::Names,
            .plan = "{artist}/{album}/{disc: if several, after \"-\"}{track: 2 digits} {title}"};
        auto song = [](const char* disc, const char* path) {
            return Song{{{"artist", {"Odran Fell Quartet"}},
                         {"album", {"Live at Tarnholm Hall"}},
                         {"disc", {disc}},
                         {"track", {"1"}},
                         {"title", {"Opening"}}},
                        {},
                        path};
        };
        const Path album = "/shelf/Odran Fell Quartet/Live at Tarnholm Hall";
        is(check(rule, {song("1", (album / "1-01 Opening.flac").c_str()),
                        song("2", (album / "2-01 Opening.flac").c_str())}),
           Met::Yes, "all files");
        is(check(rule, {song("1", (album / "01 Opening.flac").c_str())}), Met::Yes, "all files");
        is(check(rule, {song("1", (album / "01 Opening.flac").c_str()),
                        song("2", (album / "2-01 Opening.flac").c_str())}),
           Met::Partly,
           "1 of 2 files named otherwise, such as Odran Fell Quartet/Live at Tarnholm Hall/1-01 Opening.flac",
           {1});
        is(check(rule, {song("1", "/shelf/Live at Tarnholm Hall/01 Opening.flac")}), Met::No,
           "1 of 1 file named otherwise, such as Odran Fell Quartet/Live at Tarnholm Hall/01 Opening.flac",
           {1});
        is(check(rule, {Song{}}), Met::No, "1 of 1 file named otherwise", {1}); // no name can be made
    }

    void whatIsNotMusicIsNotAsked() {
        const audit::Rule rule{.kind = RuleKind::Fields, .fields = {"artist"}};
        Song tone;
        tone.music = false;
        is(check(rule, {tone, with("artist", "Wren-Low")}), Met::Yes, "in all files");
        is(check(rule, {tone}), Met::NotAsked, "nothing here is music");
        is(check(rule, {}), Met::NotAsked, "nothing here is music");
    }

    void shareAndGaps() {
        const audit::Standard& everyday = audit::shippedStandards().front();
        const std::vector<tags::PictureInfo> none, one = {{"front cover", "image/png", "", 500, 500, 1}};
        const tags::Fields full = {
            {"title", {"a"}}, {"artist", {"b"}}, {"album", {"c"}}, {"date", {"1998"}}, {"track", {"1"}}};
        tags::Fields second = full;
        second["track"] = {"2"};
        auto of = [&](const tags::Fields& two, const std::vector<tags::PictureInfo>& picture) {
            return audit::readinessOf(everyday, {{1, full, one, audio::Format::Flac, "/a.flac"},
                                                 {2, two, picture, audio::Format::Flac, "/b.flac"}});
        };
        const auto kinds = {RuleKind::Fields, RuleKind::Numbers};
        QCOMPARE(of(second, one).share(), 1.0);
        QCOMPARE(of(second, one).gaps(kinds), size_t{0});
        second["track"] = {"1"};
        second["date"] = {"1999"};
        second.erase("album");
        QCOMPARE(of(second, none).share(), 0.5);           // one met, three partly
        QCOMPARE(of(second, none).gaps(kinds), size_t{4}); // album, date, both of the doubled number
        QCOMPARE(of(second, none).gaps({RuleKind::Picture}), size_t{1});
        QCOMPARE(audit::readinessOf(everyday, {}).share(), 1.0);
    }

    void jsonAndBack() {
        const std::vector<audit::Standard>& shipped = audit::shippedStandards();
        auto read = audit::standardsFromJson(audit::toJson(shipped));
        QVERIFY2(read, read ? "" : read.error().message.c_str());
        QVERIFY(*read == shipped);
        for (const audit::Standard& s : shipped)
            for (const audit::Rule& rule : s.rules)
                QVERIFY(audit::whyNotUsable(rule).empty() && !audit::ruleText(rule).empty());
    }

    void wrongJson_data() {
        QTest::addColumn<QString>("json");
        QTest::addColumn<QString>("message");
        auto row = [](const char* name, const char* json, const char* message) {
            QTest::newRow(name) << QString(json) << QString(message);
        };
        const char* other = "These are no standards as Moorfrost writes them (docs/standards.md).";
        row("nothing", "", other);
        row("a list", "[1]", other);
        row("no rules", R"({"standards":[{"name":"Archive"}]})", other);
        row("a number", R"({"standards":[{"name":"A","rules":[{"rule":"picture","pixels":"big"}]}]})", other);
        row("none", R"({"standards":[]})", "There is no standard in it.");
        row("no name", R"({"standards":[{"name":" ","rules":[]}]})", "One of the standards has no name.");
        row("twice", R"({"standards":[{"name":"A","rules":[]},{"name":"A","rules":[]}]})",
            "There are two standards named \"A\".");
        row("unknown rule", R"({"standards":[{"name":"A","rules":[{"rule":"smell"}]}]})",
            "The standard \"A\": \"smell\" is no rule that this version of Moorfrost knows.");
        row("no fields", R"({"standards":[{"name":"A","rules":[{"rule":"fields"}]}]})",
            "The standard \"A\": Name at least one field.");
        row("asks nothing",
            R"({"standards":[{"name":"A","rules":[{"rule":"fields","fields":["album"],"in every file":false}]}]})",
            "The standard \"A\": Say whether the fields are in every file, the same in all, or both.");
        row("size", R"({"standards":[{"name":"A","rules":[{"rule":"picture","pixels":-1}]}]})",
            "The standard \"A\": The picture's side is 0 to 100000 pixels.");
    }
    void wrongJson() {
        QFETCH(QString, json);
        QFETCH(QString, message);
        auto read = audit::standardsFromJson(json.toStdString());
        QVERIFY(!read);
        QCOMPARE(QString::fromStdString(read.error().message), message);
    }
};

QTEST_GUILESS_MAIN(TestStandard)
#include "test_standard.moc"
