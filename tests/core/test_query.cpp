// SPDX-License-Identifier: GPL-3.0-or-later
// What is typed into the search box, understood: terms, their joining, what is wrong and where.
#include <QtTest>

#include "core/library/search/query.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

/// The query as brackets, to compare.
std::string shape(const Query& q) {
    switch (q.kind) {
    case Query::Kind::All:
        return "all";
    case Query::Kind::Term:
        return "[" + describe(q.term) + "]";
    case Query::Kind::Not:
        return "not " + shape(q.parts.front());
    default: {
        std::string out;
        for (const Query& p : q.parts)
            out += (out.empty() ? "" : q.kind == Query::Kind::And ? " and " : " or ") + shape(p);
        return "(" + out + ")";
    }
    }
}

} // namespace

class TestQuery : public QObject {
    Q_OBJECT
private slots:
    void whatIsUnderstood_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("understood");
        auto row = [](const char* typed, const char* understood) {
            QTest::newRow(typed) << QString::fromUtf8(typed) << QString::fromUtf8(understood);
        };
        row("", "all");
        row("   ", "all");
        row("night post", "([night] and [post])");
        row("\"night post\"", "[“night post”]");
        row("\"night po", "[“night po”]");
        row("artist:varnholt", "[artist varnholt]");
        row("Artist:Varnholt", "[artist Varnholt]");
        row("album_artist:\"hollow ferry\"", "[album artist hollow ferry]");
        row("year:1970-1989", "[year 1970 to 1989]");
        row("year:1970..1989", "[year 1970 to 1989]");
        row("year:>=1998", "[year from 1998]");
        row("date:1998-10", "[date 1998-10]");
        row("date:1970-1989", "[date 1970 to 1989]");
        row("added:>2026-01-01", "[added after 2026-01-01]");
        row("added:<2026", "[added before 2026]");
        row("length:<60", "[length under 60]");
        row("length:3:00-4:30", "[length 3:00 to 4:30]");
        row("genre:folk,choral", "[genre folk or choral]");
        row("genre:=\"Harbour folk\"", "[genre “Harbour folk”]");
        row("missing:isrc", "[no ISRC]");
        row("missing:cover,date", "[no picture or date]");
        row("differs:date", "[tags differ in date]");
        row("is:damaged", "[is damaged]");
        row("folk or choral", "([folk] or [choral])");
        row("a b or c d", "(([a] and [b]) or ([c] and [d]))");
        row("a and (b or c)", "([a] and ([b] or [c]))");
        row("not folk", "not [folk]");
        row("folk not missing:isrc", "([folk] and not [no ISRC])");
        row("not (a or b)", "not ([a] or [b])");
        row("NOT a OR b", "(not [a] or [b])");
        row("orchard notes", "([orchard] and [notes])");
        // While it is typed.
        row("folk or", "[folk]");
        row("folk not", "[folk]");
        row("artist:", "all");
        row("year:1970-", "all");
        row("added:>2026-0", "all");
        row("missing:is", "all");
        row("is:dam", "all");
        row("(folk", "[folk]");
        row("Kestrel & Rook", "([Kestrel] and [&] and [Rook])");
    }
    void whatIsUnderstood() {
        QFETCH(QString, typed);
        QFETCH(QString, understood);
        auto parsed = parseQuery(typed.toStdString());
        QVERIFY2(!parsed.error, parsed.error ? parsed.error->sentence.c_str() : "");
        QCOMPARE(QString::fromStdString(shape(parsed.query)), understood);
    }

    void whatIsWrongIsPointedAt_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("at");
        QTest::addColumn<QString>("mentions");
        QTest::addColumn<QString>("rest");
        QTest::newRow("field") << "folk flavour:sweet"
                               << "flavour"
                               << "no field named"
                               << "[folk]";
        QTest::newRow("number") << "year:soon folk"
                                << "soon"
                                << "a number"
                                << "[folk]";
        QTest::newRow("range") << "year:1970-then folk"
                               << "1970-then"
                               << "a number"
                               << "[folk]";
        QTest::newRow("date") << "added:>yesterday x"
                              << ">yesterday"
                              << "a date"
                              << "[x]";
        QTest::newRow("length") << "length:<long x"
                                << "<long"
                                << "a length"
                                << "[x]";
        QTest::newRow("missing") << "missing:flavour x"
                                 << "flavour"
                                 << "no field named"
                                 << "[x]";
        QTest::newRow("is") << "is:lovely x"
                            << "lovely"
                            << "damaged"
                            << "[x]";
        QTest::newRow("bracket") << "folk )"
                                 << ")"
                                 << "closing bracket"
                                 << "[folk]";
    }
    void whatIsWrongIsPointedAt() {
        QFETCH(QString, typed);
        QFETCH(QString, at);
        QFETCH(QString, mentions);
        QFETCH(QString, rest);
        std::string text = typed.toStdString();
        auto parsed = parseQuery(text);
        QVERIFY(parsed.error);
        QCOMPARE(
            QString::fromStdString(text.substr(parsed.error->from, parsed.error->to - parsed.error->from)),
            at);
        QVERIFY2(QString::fromStdString(parsed.error->sentence).contains(mentions),
                 parsed.error->sentence.c_str());
        QCOMPARE(QString::fromStdString(shape(parsed.query)), rest);
    }

    void customFields() {
        QVERIFY(parseQuery("box:12").error);
        auto parsed = parseQuery("archive_box:12 box:3", {"archive box", "box"});
        QVERIFY(!parsed.error);
        QCOMPARE(shape(parsed.query), std::string("([archive box 12] and [box 3])"));
    }

    void chipsTellHowItWasUnderstood() {
        std::string text = "night year:1970-1989 missing:isrc (genre:folk or genre:choral) harbour";
        std::vector<Chip> chips = chipsOf(parseQuery(text).query);
        QCOMPARE(chips.size(), size_t{3});
        QCOMPARE(chips[0].text, std::string("year 1970 to 1989"));
        QCOMPARE(text.substr(chips[0].from, chips[0].to - chips[0].from), std::string("year:1970-1989"));
        QCOMPARE(chips[1].text, std::string("no ISRC"));
        QCOMPARE(chips[2].text, std::string("genre folk or genre choral"));
        QCOMPARE(text.substr(chips[2].from, chips[2].to - chips[2].from),
                 std::string("(genre:folk or genre:choral)"));
        // Taken out with its "not", or the next one would be turned round.
        text = "a not genre:folk missing:isrc";
        chips = chipsOf(parseQuery(text).query);
        QCOMPARE(text.substr(chips[0].from, chips[0].to - chips[0].from), std::string("not genre:folk"));
        QVERIFY(chipsOf(parseQuery("only words").query).empty());
    }

    void clickingChoosesAndTakesBack() {
        std::string q = withChosen("harbour", "genre", "Folk");
        QCOMPARE(q, std::string("harbour genre:=\"Folk\""));
        QVERIFY(isChosen(parseQuery(q).query, "genre", "Folk"));
        q = withChosen(q, "genre", "Choral");
        QCOMPARE(q, std::string("harbour genre:=\"Folk\",=\"Choral\""));
        q = withChosen(q, "missing", "isrc");
        q = withChosen(q, "missing", "picture");
        QCOMPARE(q, std::string("harbour genre:=\"Folk\",=\"Choral\" missing:isrc missing:picture"));
        q = withChosen(q, "decade", "1970");
        q = withChosen(q, "genre", "Folk");
        q = withChosen(q, "missing", "isrc");
        QCOMPARE(q, std::string("harbour genre:=\"Choral\" missing:picture decade:1970"));
        QCOMPARE(shape(withoutChosen(parseQuery(q).query, "genre")),
                 std::string("([harbour] and [no picture] and [decade 1970])"));
        q = withChosen(withChosen(withChosen(q, "genre", "Choral"), "missing", "picture"), "decade", "1970");
        QCOMPARE(q, std::string("harbour"));
        // A quote in a value cannot be quoted; it is found without.
        // Beside an "or" it binds all of it, whatever is still being typed.
        for (const char* typed :
             {"ferry or kestrel", "ferry or", "(ferry or kestrel", "ferry not", "\"salt road"}) {
            const std::string both = withChosen(typed, "genre", "Folk");
            auto parsed = parseQuery(both);
            QVERIFY2(!parsed.error && isChosen(parsed.query, "genre", "Folk"), both.c_str());
            QVERIFY2(!isChosen(parseQuery(withChosen(both, "genre", "Folk")).query, "genre", "Folk"),
                     both.c_str());
        }
        QCOMPARE(withChosen("ferry or kestrel", "genre", "Folk"),
                 std::string("(ferry or kestrel) genre:=\"Folk\""));
        const std::string vinyl = withChosen("", "carrier", "12\" Vinyl");
        QVERIFY(isChosen(parseQuery(vinyl).query, "carrier", "12\" Vinyl"));
        QVERIFY(withChosen(vinyl, "carrier", "12\" Vinyl").empty());
        QVERIFY(parseQuery("artist:<isla").error->sentence.find("Words cannot be less") == 0);
        q = withChosen("", "title", "The \"Other\" Pier");
        QVERIFY(!parseQuery(q).error);
        QVERIFY(!isChosen(parseQuery("genre:folk").query, "genre", "folk")); // typed, not whole
    }

    void anythingTypedHasAnAnswer() {
        // No text brings the parser down, and errors lie inside it.
        std::string alphabet = "ab:\"(),<>=-. 19ornt";
        unsigned state = 1;
        for (int round = 0; round < 20000; ++round) {
            std::string text;
            for (int n = round % 24; n > 0; --n) {
                state = state * 1664525u + 1013904223u;
                text += alphabet[(state >> 16) % alphabet.size()];
            }
            auto parsed = parseQuery(text);
            if (parsed.error)
                QVERIFY2(parsed.error->from <= parsed.error->to && parsed.error->to <= text.size(),
                         text.c_str());
            for (const Chip& chip : chipsOf(parsed.query))
                QVERIFY2(chip.from < chip.to && chip.to <= text.size(), text.c_str());
            withChosen(text, "genre", "Folk");
        }
        QVERIFY(parseQuery(std::string(5000, '(')).error);
    }
};

QTEST_GUILESS_MAIN(TestQuery)
#include "test_query.moc"
