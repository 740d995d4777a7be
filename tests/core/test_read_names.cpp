// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/naming/read_names.h"
#include "core/naming/render.h"
#include "core/text/text.h"

using namespace moorfrost;

namespace {
std::vector<naming::NameReading> read(const std::string& plan, std::vector<Path> paths,
                                      std::set<std::string> artists = {}) {
    auto p = naming::parsePlan(plan);
    if (!std::holds_alternative<naming::Plan>(p))
        qFatal("%s", plan.c_str());
    return naming::readNames(std::get<naming::Plan>(p), paths, artists);
}
naming::NameReading one(const std::string& plan, const std::string& path,
                        std::set<std::string> artists = {}) {
    return read(plan, {Path(path)}, artists).front();
}
std::string value(const naming::NameReading& r, const char* key) {
    return tags::shownValue(r.values, key);
}
} // namespace

class TestReadNames : public QObject {
    Q_OBJECT
private slots:
    void folders() {
        auto r = one("{artist}/{album}/{track} {title}",
                     "/x/Odran Fell Quartet/Live at Tarnholm Hall/01 Whin Moor.mp3");
        QVERIFY(r.fits && !r.doubtful);
        QCOMPARE(value(r, "artist"), std::string("Odran Fell Quartet"));
        QCOMPARE(value(r, "album"), std::string("Live at Tarnholm Hall"));
        QCOMPARE(value(r, "track"), std::string("1"));
        QCOMPARE(value(r, "title"), std::string("Whin Moor"));
        r = one("{artist}/{album}/{skip}/{track} {title}",
                "/x/Odran Fell Quartet/Live at Tarnholm Hall/CD2/04 Encore: Whin Moor.mp3");
        QCOMPARE(value(r, "title"), std::string("Encore: Whin Moor"));
        r = one("{artist}/{album}/CD{disc}/{track} {title}",
                "/x/Odran Fell Quartet/Live at Tarnholm Hall/CD2/04 Late.mp3");
        QVERIFY(r.fits && !r.doubtful);
        QCOMPARE(value(r, "disc"), std::string("2"));
    }

    void aHyphenatedNameIsNotCut() {
        auto r = one("{artist} - {title}", "/x/Åse-Linn Brække - Fyrlys.mp3");
        QVERIFY(r.fits && !r.doubtful);
        QCOMPARE(value(r, "artist"), std::string("Åse-Linn Brække"));
    }

    void knownArtistsDecide() {
        auto doubtful = one("{artist}-{title}", "/x/wren-low-driftwood.mp3");
        QVERIFY(doubtful.fits && doubtful.doubtful);
        QVERIFY(doubtful.why.find("2 ways") != std::string::npos);
        auto known = one("{artist}-{title}", "/x/wren-low-driftwood.mp3", {"wren-low"});
        QVERIFY(known.fits && !known.doubtful);
        QCOMPARE(value(known, "artist"), std::string("wren-low"));
        QCOMPARE(value(known, "title"), std::string("driftwood"));
    }

    void sleeveMatesDecide() {
        auto r = read("{artist}-{title}", {"/x/wren low-one.mp3", "/x/wren low-two-three.mp3"});
        QVERIFY(!r[0].doubtful);
        QVERIFY(!r[1].doubtful);
        QCOMPARE(value(r[1], "artist"), std::string("wren low"));
        QCOMPARE(value(r[1], "title"), std::string("two-three"));
    }

    void underscoresAreSpaces() {
        auto r = one("{artist} - {title}", "/x/harbour_band_-_the_long_pier.ogg");
        QVERIFY(r.fits);
        QCOMPARE(value(r, "artist"), std::string("harbour band"));
        QCOMPARE(value(r, "title"), std::string("the long pier"));
    }

    void whatDoesNotFitSaysWhy() {
        auto r = one("{artist} - {title}", "/x/quayside.mp3");
        QVERIFY(!r.fits);
        QVERIFY(!r.why.empty());
        QVERIFY(r.values.empty());
        r = one("{artist}/{album}/{title}", "/quayside.mp3");
        QVERIFY(!r.fits);
        QVERIFY(r.why.find("folders") != std::string::npos);
    }

    void optionalParts() {
        const char* plan = "{disc: if several, after \"-\"}{track: 2 digits} {title}";
        auto r = one(plan, "/x/02 Gorse.flac");
        QVERIFY(r.fits && !r.values.contains("disc"));
        r = one(plan, "/x/1-02 Gorse.flac");
        QVERIFY(r.fits);
        QCOMPARE(value(r, "disc"), std::string("1"));
        QCOMPARE(value(r, "track"), std::string("2"));
    }

    void dates() {
        auto r = one("{date: year} {album}/{title}", "/x/1998 Night Post EP/Gorse.flac");
        QVERIFY(r.fits);
        QCOMPARE(value(r, "date"), std::string("1998"));
        QCOMPARE(value(r, "album"), std::string("Night Post EP"));
        QVERIFY(!one("{date: year} {album}/{title}", "/x/98 Night Post EP/Gorse.flac").fits);
    }

    void sameFieldTwiceMustAgree() {
        QVERIFY(one("{artist}/{artist} - {title}", "/x/Wren-Low/Wren-Low - Gorse.flac").fits);
        QVERIFY(!one("{artist}/{artist} - {title}", "/x/Wren-Low/Isla Varnholt - Gorse.flac").fits);
    }

    void notUtf8() {
        auto r = one("{title}", std::string("/x/old \xE5.wav"));
        QVERIFY(r.fits);
        QVERIFY(text::isUtf8(value(r, "title")));
    }

    // What a plan renders, it reads back, or it says that it is in doubt.
    void renderThenRead() {
        const std::vector<std::string> words = {"Night", "Post", "Åse",  "Хор",  "Маяка",
                                                "灯台",  "Salt", "Road", "Gorse"};
        uint32_t state = 5;
        auto next = [&](size_t n) {
            state = state * 1664525u + 1013904223u;
            return static_cast<size_t>(state >> 16) % n;
        };
        auto phrase = [&] {
            std::string s = words[next(words.size())];
            for (size_t i = next(3); i > 0; --i)
                s += " " + words[next(words.size())];
            return s;
        };
        auto p = naming::parsePlan("{artist}/{date: year} {album}/{track: 2 digits}. {title}");
        const naming::Plan& plan = std::get<naming::Plan>(p);
        for (int i = 0; i < 300; ++i) {
            tags::Fields f = {{"artist", {phrase()}},
                              {"album", {phrase()}},
                              {"title", {phrase()}},
                              {"track", {std::to_string(1 + next(60))}},
                              {"date", {std::to_string(1968 + next(50))}}};
            naming::Rendered r = naming::render(plan, {f, {}, {}});
            Path path = "/shelf";
            for (const std::string& part : r.parts)
                path /= part;
            path += ".flac";
            naming::NameReading reading = naming::readNames(plan, {path}, {}).front();
            QVERIFY2(reading.fits, path.c_str());
            QVERIFY2(reading.doubtful || reading.values == f, path.c_str());
        }
    }
};

QTEST_GUILESS_MAIN(TestReadNames)
#include "test_read_names.moc"
