// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include <set>

#include "core/tags/fields.h"

using namespace moorfrost;

class TestFields : public QObject {
    Q_OBJECT
private slots:
    void namesAreUnique() {
        std::set<std::string> keys, properties;
        for (const tags::FieldDef& def : tags::fieldTable()) {
            QVERIFY2(keys.insert(def.key).second, def.key.c_str());
            QVERIFY2(properties.insert(def.property).second, def.property.c_str());
            for (const std::string& alias : def.aliases)
                QVERIFY2(properties.insert(alias).second, alias.c_str());
        }
    }

    void lookUp() {
        QCOMPARE(tags::keyFromName("Album Artist"), std::string("album_artist"));
        QCOMPARE(tags::keyFromName("album_artist"), std::string("album_artist"));
        QCOMPARE(tags::keyFromName("ORGANIZATION"), std::string("label"));
        QCOMPARE(tags::keyFromName(" Reel No "), std::string("reel no"));
    }

    // Names that other programs have given to fields: read as these, and replaced when written.
    void namesOfOthers_data() {
        QTest::addColumn<QString>("property");
        QTest::addColumn<QString>("key");
        for (const auto& [property, key] :
             {std::pair("ALBUM ARTIST", "album_artist"), std::pair("ALBUM_ARTIST", "album_artist"),
              std::pair("TRACK", "track"), std::pair("TOTALTRACKS", "tracks"), std::pair("TRACKS", "tracks"),
              std::pair("DISC", "disc"), std::pair("TOTALDISCS", "discs"), std::pair("DISCS", "discs"),
              std::pair("YEAR", "date"), std::pair("ORIGINALYEAR", "original_date"),
              std::pair("MIXARTIST", "remixer"), std::pair("ORGANIZATION", "label")})
            QTest::newRow(property) << property << key;
    }
    void namesOfOthers() {
        QFETCH(QString, property);
        QFETCH(QString, key);
        const tags::FieldDef* def = tags::fieldByProperty(property.toStdString());
        QVERIFY(def);
        QCOMPARE(def->key, key.toStdString());
        QCOMPARE(tags::fieldByProperty(property.toLower().toStdString()), def);
        QVERIFY(def->property != property.toStdString());
    }
    // Each that the table has stands in that list, or it would be taken for a field of its own one day,
    // unnoticed.
    void everyOtherNameIsListed() {
        size_t listed = 0;
        for (const tags::FieldDef& def : tags::fieldTable())
            for (const std::string& alias : def.aliases) {
                QCOMPARE(tags::fieldByProperty(alias), &def);
                ++listed;
            }
        QVERIFY2(listed >= 12, std::to_string(listed).c_str());
    }

    void validity_data() {
        QTest::addColumn<QString>("key");
        QTest::addColumn<QString>("value");
        QTest::addColumn<bool>("fine");
        QTest::newRow("year") << "date"
                              << "1998" << true;
        QTest::newRow("year and month") << "date"
                                        << "1998-10" << true;
        QTest::newRow("day") << "date"
                             << "1998-10-05" << true;
        QTest::newRow("month 13") << "date"
                                  << "1998-13" << false;
        QTest::newRow("words") << "date"
                               << "last year" << false;
        QTest::newRow("number") << "track"
                                << "12" << true;
        QTest::newRow("pair in one") << "track"
                                     << "1/12" << false;
        QTest::newRow("letters in tempo") << "tempo"
                                          << "abc" << false;
        QTest::newRow("flag") << "compilation"
                              << "yes" << false;
        QTest::newRow("custom") << "reel no"
                                << "7" << true;
        QTest::newRow("custom with =") << "a=b"
                                       << "7" << false;
    }
    void validity() {
        QFETCH(QString, key);
        QFETCH(QString, value);
        QFETCH(bool, fine);
        std::string why = tags::whyNotValid(key.toStdString(), {value.toStdString()});
        QVERIFY2(why.empty() == fine, why.c_str());
    }

    void severalValues() {
        using Values = std::vector<std::string>;
        // What is typed is one value, whatever is in it; only the sign for it parts values, in every field.
        for (const char* key : {"title", "artist", "album", "comment", "reel number"}) {
            QCOMPARE(tags::valuesFromText(key, "Prelude; Fugue in C"), Values{"Prelude; Fugue in C"});
            QCOMPARE(tags::valuesFromText(key, "Kestrel, Rook / Wren | Low"),
                     Values{"Kestrel, Rook / Wren | Low"});
            QCOMPARE(tags::valuesFromText(key, "Kestrel & Rook \u00A6 Wren-Low"),
                     (Values{"Kestrel & Rook", "Wren-Low"}));
        }
        for (const Values& values :
             {Values{"one"}, {"a \u00A6 b"}, {"\u00A6"}, {"x", "\u00A6\u00A6", "y; z"}, {"a\u00A6b", "c"}})
            QCOMPARE(tags::valuesFromText("artist", tags::shownValues(values)), values);
        QVERIFY(tags::valuesFromText("artist", "  ").empty());
        QVERIFY(!tags::whyNotValid("album", {"a", "b"}).empty());
    }
};

QTEST_GUILESS_MAIN(TestFields)
#include "test_fields.moc"
