// SPDX-License-Identifier: GPL-3.0-or-later
// Edits: values in, proposed values with their origin out.
#include <QtTest>

#include "core/edits/between_fields.h"
#include "core/edits/find_replace.h"
#include "core/edits/wording.h"

using namespace moorfrost;
using namespace moorfrost::edits;

Q_DECLARE_METATYPE(moorfrost::edits::FindReplace)

namespace {

using Values = std::vector<std::string>;

std::vector<Subject> songs() {
    return {{1,
             {{"title", {"night POST"}},
              {"artist", {"The Hollow Ferry", "Wren-Low"}},
              {"isrc", {"zzgrw9800001"}}},
             {}},
            {2, {{"title", {"åse's waltz"}}, {"artist", {"Kestrel & Rook"}}, {"genre", {"Folk"}}}, {}},
            {3, {{"artist", {"Isla Varnholt"}}}, {}}};
}

std::vector<Subject> choosing(Values fields) {
    std::vector<Subject> all = songs();
    for (Subject& s : all)
        s.chosen = fields;
    return all;
}

std::vector<Subject> titled(const std::string& title, Values artists = {}) {
    Subject s{1, {{"title", {title}}}, {}};
    if (!artists.empty())
        s.fields["artist"] = artists;
    return {s};
}

/// What a proposal says of a field; {"(none)"} if there is none.
Values of(const Proposals& all, const std::string& field, int64_t file = 1) {
    for (const Proposal& p : all)
        if (p.file == file && p.field == field)
            return p.values;
    return {"(none)"};
}

} // namespace

class TestEdits : public QObject {
    Q_OBJECT
private slots:
    void casing() {
        const Proposals p = changeCase(choosing({"title", "isrc"}), Casing::Title);
        QCOMPARE(p.size(), size_t{2}); // a code has no casing, a blank field nothing to change
        QCOMPARE(p[0], (Proposal{1, "title", {"Night Post"}, "casing"}));
        QCOMPARE(p[1].values, Values{"Åse's Waltz"});
        QCOMPARE(changeCase(choosing({"title"}), Casing::Upper)[1].values, Values{"ÅSE'S WALTZ"});
        QCOMPARE(changeCase(choosing({"artist"}), Casing::Lower)[0].values,
                 (Values{"the hollow ferry", "wren-low"})); // each of several
        QCOMPARE(changeCase(choosing({"title"}), Casing::Sentence)[0].values, Values{"Night post"});
        QVERIFY(changeCase(songs(), Casing::Title).empty()); // nothing was chosen
    }

    void casingByLanguage() {
        std::vector<Subject> files = titled("the keeper's wife of the moor");
        files[0].chosen = {"title"};
        QCOMPARE(of(changeCase(files, Casing::Title, "en"), "title"),
                 Values{"The Keeper's Wife of the Moor"});
        QCOMPARE(of(changeCase(files, Casing::Title, "field"), "title"),
                 Values{"The Keeper's Wife of the Moor"}); // English where nothing is said
        files[0].fields["language"] = {"fra"};
        QCOMPARE(of(changeCase(files, Casing::Title, "field"), "title"),
                 Values{"The keeper's wife of the moor"});
    }

    void numbering() {
        const Proposals p = number(songs(), {.first = 7});
        QCOMPARE(p.size(), size_t{3});
        QCOMPARE(p[2], (Proposal{3, "track", {"9"}, "numbered in the order shown"}));
        QCOMPARE(of(number(songs(), {"grouping", 10, 5, 3}), "grouping", 2), Values{"015"});
        std::vector<Subject> folders = songs();
        folders[0].folder = folders[1].folder = "/a";
        folders[2].folder = "/b";
        QCOMPARE(of(number(folders, {.eachFolder = true}), "track", 3), Values{"1"});
        QCOMPARE(of(number(folders, {.eachFolder = true}), "track", 2), Values{"2"});
    }

    void copying() {
        const Proposals p = copyField(songs(), "artist", "album_artist");
        QCOMPARE(p.size(), size_t{3});
        QCOMPARE(p[0], (Proposal{1, "album_artist", {"The Hollow Ferry", "Wren-Low"}, "copied from artist"}));
        QCOMPARE(copyField(songs(), "genre", "mood").size(), size_t{1}); // what is blank is not copied
        QCOMPARE(of(copyField(songs(), "genre", "title", Present::Kept), "title", 2), Values{"(none)"});
        QCOMPARE(of(copyField(songs(), "genre", "artist", Present::Before), "artist", 2),
                 (Values{"Folk", "Kestrel & Rook"}));
        // What holds one value gets one text.
        QCOMPARE(of(copyField(songs(), "artist", "album"), "album"), Values{"The Hollow Ferry, Wren-Low"});
    }

    void movingAndSwapping() {
        Proposals p = moveField(songs(), "genre", "mood");
        QCOMPARE(p.size(), size_t{2});
        QCOMPARE(of(p, "mood", 2), Values{"Folk"});
        QCOMPARE(of(p, "genre", 2), Values{});
        // Nothing goes where what is there stays.
        QVERIFY(moveField(songs(), "genre", "title", Present::Kept).empty());
        p = swapFields(songs(), "title", "artist");
        QCOMPARE(of(p, "title"), (Values{"The Hollow Ferry", "Wren-Low"}));
        QCOMPARE(of(p, "artist"), Values{"night POST"});
        QCOMPARE(of(p, "title", 3), Values{"Isla Varnholt"}); // blank goes the other way
        QCOMPARE(of(p, "artist", 3), Values{});
    }

    void splittingAndJoining() {
        const auto songs = titled("Wren-Low - Slack Water - live");
        Proposals p = splitField(songs, "title", " - ", {"artist", "title"});
        QCOMPARE(of(p, "artist"), Values{"Wren-Low"});
        QCOMPARE(of(p, "title"), Values{"Slack Water - live"}); // the last takes what is left
        QCOMPARE(of(splitField(songs, "title", " - ", {}), "title"),
                 (Values{"Wren-Low", "Slack Water", "live"}));
        QVERIFY(splitField(songs, "title", ";", {}).empty());
        p = splitField(titled("a;b"), "title", ";", {"artist", "album"}); // it goes where it went
        QCOMPARE(of(p, "title"), Values{});
        QCOMPARE(of(joinFields(titled("b", {"a", "c"}), {"artist", "title"}, " / ", "comment"), "comment"),
                 Values{"a / c / b"});
    }

    void finding_data() {
        QTest::addColumn<QString>("before");
        QTest::addColumn<FindReplace>("how");
        QTest::addColumn<QString>("after");
        using F = FindReplace;
        const Values t{"title"};
        QTest::newRow("text") << "a_b_c" << F{t, "_", " "} << "a b c";
        QTest::newRow("text is no expression") << "1.5 (x)" << F{t, ".", ","} << "1,5 (x)";
        QTest::newRow("nor is what is put") << "a" << F{t, "a", "$1\\n"} << "$1\\n";
        QTest::newRow("quotes of expressions") << "\\E.x" << F{t, "\\E.", ""} << "x";
        QTest::newRow("any case") << "Night POST" << F{t, "post", "Mail"} << "Night Mail";
        QTest::newRow("this case") << "Night POST" << F{t, "post", "Mail", false, true} << "(none)";
        QTest::newRow("words") << "art of the artist" << F{t, "art", "craft", false, false, true}
                               << "craft of the artist";
        QTest::newRow("words in Cyrillic") << "хор хора" << F{t, "хор", "х", false, false, true} << "х хора";
        QTest::newRow("expression") << "07 Gorse" << F{t, "^(\\d+) (.*)$", "$2 ($1)", true} << "Gorse (07)";
        QTest::newRow("expression over letters with marks") << "é" << F{t, "\\p{L}", "x", true} << "x";
        QTest::newRow("it becomes blank") << "x" << F{t, "x", ""} << "";
        QTest::newRow("emoji") << "🎺 tune" << F{t, "🎺 ", ""} << "tune";
        QTest::newRow("right to left") << "שיר אחד" << F{t, "אחד", "שני"} << "שיר שני";
    }
    void finding() {
        QFETCH(QString, before);
        QFETCH(FindReplace, how);
        QFETCH(QString, after);
        const auto p = findReplace(titled(before.toStdString()), how);
        QVERIFY2(p, p ? "" : p.error().message.c_str());
        const Values values = of(*p, "title");
        QCOMPARE(values.empty() ? QString() : QString::fromStdString(values[0]), after);
    }

    void findingWhatCannotBe_data() {
        QTest::addColumn<FindReplace>("how");
        QTest::addColumn<QString>("says");
        using F = FindReplace;
        QTest::newRow("nothing") << F{{"title"}, "", "x"} << "what is to be found";
        QTest::newRow("nowhere") << F{{}, "x", "y"} << "in which fields";
        QTest::newRow("no expression") << F{{"title"}, "a(b", "", true} << "not understood at character";
        QTest::newRow("no such group") << F{{"title"}, "a", "$3", true} << "names a group";
        QTest::newRow("without end") << F{{"title"}, "(a+)+$", "", true} << "takes too long";
    }
    void findingWhatCannotBe() {
        QFETCH(FindReplace, how);
        QFETCH(QString, says);
        const auto p = findReplace(titled(std::string(60, 'a') + "!"), how);
        QVERIFY(!p);
        QCOMPARE(p.error().kind, ErrorKind::Invalid);
        QVERIFY2(QString::fromStdString(p.error().message).contains(says), p.error().message.c_str());
    }

    void tidying() {
        auto tidied = [](const std::string& text, Tidying how = {}) {
            how.fields = {"title"};
            return of(tidy(titled(text), how), "title");
        };
        QCOMPARE(tidied("  Night \t Post \u00A0 "), Values{"Night Post"});
        QCOMPARE(tidied("Night_Post"), Values{"Night Post"});
        QCOMPARE(tidied("Night_Post (a_b) "),
                 Values{"Night_Post (a_b)"}); // it has spaces: "_" means something
        QCOMPARE(tidied("Night\u200B Po\u0007st\uFEFF"), Values{"Night Post"});
        QCOMPARE(tidied("\u0600\u0661\u0662"), Values{"(none)"}); // a sign around a number is drawn
        QCOMPARE(tidied("👩‍🌾 tune"), Values{"(none)"});   // what joins signs stays
        QCOMPARE(tidied("A \"wild\" one - or 'two'", {.quotes = true}), Values{"A “wild” one – or ‘two’"});
        QCOMPARE(tidied("The keeper's wife", {.quotes = true}), Values{"The keeper’s wife"});
        QCOMPARE(tidied("Night Post"), Values{"(none)"});
        QCOMPARE(tidied(" \u200B "), Values{}); // nothing is left
        const auto twice =
            std::vector<Subject>{{1, {{"genre", {"Folk", "Folk ", "Jazz"}}, {"track", {"1"}}}, {}}};
        QCOMPARE(of(tidy(twice, {}), "genre"), (Values{"Folk", "Jazz"}));
        const auto lines = std::vector<Subject>{{1, {{"lyrics", {"one \n  two\n\nthree_four"}}}, {}}};
        QCOMPARE(of(tidy(lines, {}), "lyrics"), Values{"one\ntwo\n\nthree_four"});
    }

    void dates_data() {
        QTest::addColumn<QString>("said");
        QTest::addColumn<QString>("iso");
        const std::pair<const char*, const char*> all[] = {{"1998", "1998"},
                                                           {"1998-10-05", "1998-10-05"},
                                                           {"5.10.1998", "1998-10-05"},
                                                           {"05/10/1998", "1998-10-05"},
                                                           {"25/12/1998", "1998-12-25"},
                                                           {"12/25/1998", "1998-12-25"},
                                                           {"19981005", "1998-10-05"},
                                                           {"Oct 5, 1998", "1998-10-05"},
                                                           {"5th of October 1998", "1998-10-05"},
                                                           {"5. Oktober 1998", "1998-10-05"},
                                                           {"5 octobre 1998", "1998-10-05"},
                                                           {"октябрь 1998", "1998-10"},
                                                           {"1998 October", "1998-10"},
                                                           {"10/1998", "1998-10"},
                                                           {"1998/10", "1998-10"},
                                                           {"05/10/98", ""},
                                                           {"30.2.1998", ""},
                                                           {"1998-13-01", ""},
                                                           {"about 1998", ""},
                                                           {"", ""},
                                                           {"29.2.2000", "2000-02-29"},
                                                           {"1998-00-00", ""},
                                                           {"99999999999999999999", ""}};
        for (const auto& [said, iso] : all)
            QTest::newRow(said) << said << iso;
    }
    void dates() {
        QFETCH(QString, said);
        QFETCH(QString, iso);
        QCOMPARE(QString::fromStdString(isoDate(said.toStdString(), DateOrder::DayFirst)), iso);
    }

    void datesOfFiles() {
        QCOMPARE(isoDate("05/10/1998", DateOrder::MonthFirst), std::string("1998-05-10"));
        const std::vector<Subject> files{{1, {{"date", {"5.10.1998"}}, {"original_date", {"long ago"}}}, {}}};
        QCOMPARE(of(isoDates(files, {"date", "original_date"}, DateOrder::DayFirst, true), "date"),
                 Values{"1998"});
        QCOMPARE(isoDates(files, {"original_date"}, DateOrder::DayFirst, false).size(), size_t{0});
    }

    void guests_data() {
        QTest::addColumn<QString>("title");
        QTest::addColumn<QString>("rest");
        QTest::addColumn<QString>("guests");
        QTest::newRow("brackets") << "Gorse (feat. Wren-Low)"
                                  << "Gorse"
                                  << "Wren-Low";
        QTest::newRow("two") << "Gorse [ft. Wren-Low, Isla Varnholt] (live)"
                             << "Gorse (live)"
                             << "Wren-Low|Isla Varnholt";
        QTest::newRow("a name with &") << "Gorse (Featuring Kestrel & Rook)"
                                       << "Gorse"
                                       << "Kestrel & Rook";
        QTest::newRow("without brackets") << "Gorse feat. Wren-Low (live)"
                                          << "Gorse (live)"
                                          << "Wren-Low";
        QTest::newRow("no guest") << "The Feat of Wren (with strings)"
                                  << ""
                                  << "";
        QTest::newRow("nothing else") << "(feat. Wren-Low)"
                                      << ""
                                      << "";
    }
    void guests() {
        QFETCH(QString, title);
        QFETCH(QString, rest);
        QFETCH(QString, guests);
        const Proposals p =
            moveGuests(titled(title.toStdString(), {"The Hollow Ferry"}), Guests::TitleToArtist);
        if (rest.isEmpty()) {
            QVERIFY(p.empty());
            return;
        }
        QCOMPARE(of(p, "title"), Values{rest.toStdString()});
        Values all{"The Hollow Ferry"};
        for (const QString& g : guests.split('|'))
            all.push_back(g.toStdString());
        QCOMPARE(of(p, "artist"), all);
    }

    void guestsBack() {
        Proposals p = moveGuests(titled("Gorse", {"The Hollow Ferry", "Wren-Low"}), Guests::ArtistToTitle);
        QCOMPARE(of(p, "title"), Values{"Gorse (feat. Wren-Low)"});
        QCOMPARE(of(p, "artist"), Values{"The Hollow Ferry"});
        p = moveGuests(titled("Gorse", {"The Hollow Ferry feat. Wren-Low"}), Guests::ArtistToTitle);
        QCOMPARE(of(p, "title"), Values{"Gorse (feat. Wren-Low)"});
        QVERIFY(moveGuests(titled("Gorse", {"Isla Varnholt"}), Guests::ArtistToTitle).empty());
    }

    void sorting() {
        const auto files = titled("Gorse", {"The Hollow Ferry", "Wren-Low"});
        QCOMPARE(of(sortForms(files, {"artist"}, true), "artist_sort"),
                 (Values{"Hollow Ferry, The", "Wren-Low"}));
        QVERIFY(sortForms(files, {"title", "genre"}, true).empty()); // the same, and a field without one
    }

    void blanking() {
        const Proposals p = blank(choosing({"genre", "artist"}));
        QCOMPARE(p.size(), size_t{4});
        QVERIFY(std::ranges::all_of(p, [](const Proposal& x) { return x.values.empty(); }));
        QCOMPARE(std::ranges::count_if(p, [](const Proposal& x) { return x.field == "genre"; }), 1);
    }

    void fillingDown() {
        std::vector<Subject> files = songs();
        files[1].chosen = {"artist"}; // the first that has it chosen
        files[2].chosen = {"artist", "genre"};
        const Proposals p = fillDown(files);
        QCOMPARE(p.size(), size_t{1});
        QCOMPARE(p[0], (Proposal{3, "artist", {"Kestrel & Rook"}, "filled down"}));
    }

    void mending() {
        std::vector<Subject> files = {{1, {{"title", {"Ñåâåðíûé âåòåð"}}, {"artist", {"Õîð Ìàÿêà"}}}, {}},
                                      {2, {{"title", {"Gorse"}}}, {}}};
        const Proposals p = mendText(files);
        QCOMPARE(p.size(), size_t{2});
        QCOMPARE(p[1], (Proposal{1, "title", {"Северный ветер"}, "read again as Windows-1251"}));
        QVERIFY(mendText({files[1]}).empty());
    }
};

QTEST_GUILESS_MAIN(TestEdits)
#include "test_edits.moc"
