// SPDX-License-Identifier: GPL-3.0-or-later
// Lyrics as verses with chords; shares that are kept by name.
#include <QtTest>

#include "core/library/people/lyrics.h"
#include "core/library/people/share_template.h"

using namespace moorfrost;
using namespace moorfrost::library;
using Kind = LyricsLine::Kind;

class TestSongTexts : public QObject {
    Q_OBJECT
private slots:
    void chords_data() {
        QTest::addColumn<bool>("is");
        for (const char* yes : {"A", "Am", "F#m7", "Bb", "Csus4", "G/B", "Dadd9", "Ebmaj7", "H7", "A7sus4",
                                "C6/9", "Dm7b5", "(Em)", "Gdim", "E+"})
            QTest::newRow(yes) << true;
        for (const char* no : {"", "Amen", "I", "Bad", "a", "am", "Gorse", "Ahoy", "Hm", "Dame", "Face", "1",
                               "A.", "Fee", "Abba", "\u706f"})
            QTest::newRow(no) << (QByteArray(no) == "Hm"); // H minor, as it is written in the north
    }
    void chords() {
        QFETCH(bool, is);
        QCOMPARE(isChord(QTest::currentDataTag()), is);
    }

    void verses() {
        const auto v =
            versesOf("\n\n[Chorus]\nAm   G/B  C\nLanterns down the quay  \r\n\n \t\nVerse 2:\nA\nfor me\n"
                     "and A\n\n\nA\n");
        QCOMPARE(v.size(), size_t{3});
        QCOMPARE(v[0].size(), size_t{3});
        QVERIFY(v[0][0].kind == Kind::Label);
        QVERIFY(v[0][1].kind == Kind::Chords);
        QCOMPARE(v[0][1].text, std::string("Am   G/B  C"));
        QCOMPARE(v[0][2].text, std::string("Lanterns down the quay"));
        QVERIFY(v[1][0].kind == Kind::Label);
        QVERIFY(v[1][1].kind == Kind::Chords); // a line is sung to it
        QVERIFY(v[1][3].kind == Kind::Sung);
        QVERIFY(v[2][0].kind == Kind::Sung); // a word by itself
        QVERIFY(hasChords(v));
        QVERIFY(versesOf("").empty() && versesOf(" \n\t\n").empty());
        QVERIFY(!hasChords(versesOf("one for you\nand one for me")));
        QCOMPARE(versesOf(std::string(5000, 'A') + "\nB").size(), size_t{1});
    }

    void sharesByName() {
        ShareTemplate two{"We two, half and half", {}};
        two.sides[0] = {{1, {}, {"author"}, Fraction(1, 2)}, {2, {}, {"composer"}, Fraction(1, 2)}};
        two.sides[1] = {{0, "Fellside \"Songs\"", {}, Fraction(1, 1), {1, 2}, "NO", "2024"}};
        const auto back = templateFrom(templateText(two));
        QVERIFY2(back, back ? "" : back.error().message.c_str());
        QVERIFY(*back == two);
        for (const char* no : {"", "[]", "{\"name\":\"a\"}", "{\"name\":\" \",\"writers\":[]}",
                               "{\"name\":\"a\",\"writers\":3}", "{\"name\":\"a\",\"writers\":[3]}"})
            QVERIFY2(!templateFrom(no), no);
        auto texts = withTemplate({"of a later version"}, two);
        two.sides[1].clear();
        two.name = "WE TWO, half and half";
        texts = withTemplate(texts, two);
        QCOMPARE(texts.size(), size_t{2}); // in the place of the one before; what is not understood stays
        QCOMPARE(templatesFrom(texts).size(), size_t{1});
        QVERIFY(templatesFrom(texts)[0].sides[1].empty());
        QCOMPARE(withoutTemplate(texts, "we two, half and half").size(), size_t{1});
    }
};

QTEST_APPLESS_MAIN(TestSongTexts)
#include "test_song_texts.moc"
