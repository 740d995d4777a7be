// SPDX-License-Identifier: GPL-3.0-or-later
// Steps by name, chains of them, and chains as files.
#include <QtTest>

#include "core/edits/chain.h"
#include "core/text/casing.h"

using namespace moorfrost;
using namespace moorfrost::edits;

Q_DECLARE_METATYPE(moorfrost::edits::Options)

namespace {

using Values = std::vector<std::string>;

std::vector<Subject> tapes() {
    return {{1, {{"title", {"night_POST_(feat._Wren-Low)"}}, {"artist", {"The Hollow Ferry"}}}, {}},
            {2, {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}, {"track", {"2"}}}, {}}};
}

Chain tidyTapes() {
    return {"Tidy tape names",
            {{"tidy", {}},
             {"guests", {}},
             {"casing", {{"fields", {"title"}}, {"language", {"en"}}}},
             {"number", {{"first", {"5"}}}}}};
}

} // namespace

class TestChain : public QObject {
    Q_OBJECT
private slots:
    void stepsSeeWhatWasMadeBefore() {
        const auto out = run(tidyTapes(), tapes());
        QVERIFY2(out, out ? "" : out.error().message.c_str());
        std::map<std::pair<int64_t, std::string>, Proposal> all;
        for (const Proposal& p : out->proposals)
            QVERIFY(all.emplace(std::pair(p.file, p.field), p).second); // each once
        QCOMPARE((all[{1, "title"}].values), Values{"Night POST"});
        QCOMPARE((all[{1, "title"}].origin), std::string("tidied, guests moved to the artist, casing"));
        QCOMPARE((all[{1, "artist"}].values), (Values{"The Hollow Ferry", "Wren-Low"}));
        QCOMPARE((all[{1, "track"}].values), Values{"5"});
        QCOMPARE((all[{2, "track"}].values), Values{"6"});
        QCOMPARE(all.size(), size_t{4}); // "Gorse" is as it was
    }

    void whatComesBackToWhatItWasIsNoChange() {
        const Chain there{"",
                          {{"find-replace", {{"find", {"Gorse"}}, {"put", {"Furze"}}}},
                           {"find-replace", {{"find", {"Furze"}}, {"put", {"Gorse"}}}}}};
        QVERIFY(run(there, {tapes()[1]})->proposals.empty());
    }

    void whatAFieldCannotHoldStays() {
        const auto out = run({"", {{"copy", {{"from", {"title"}}, {"into", {"track"}}}}}}, tapes());
        QVERIFY(out);
        QVERIFY(out->proposals.empty());
        QCOMPARE(out->refused.size(), size_t{2});
        QVERIFY(out->refused[0].why.find("whole number") != std::string::npos);
    }

    void writtenFromAPlan() {
        std::vector<Subject> files = tapes();
        files[0].facts = files[1].facts = {{"name", "07 x"}, {"folder", "Reel01"}};
        const Chain chain{
            "", {{"write", {{"field", {"comment"}}, {"plan", {"{folder}: {artist}, no. {track}"}}}}}};
        QVERIFY(needsFacts(chain));
        const auto out = run(chain, files);
        QVERIFY(out);
        QCOMPARE(out->proposals.size(), size_t{1}); // the other one has no track
        QCOMPARE(out->proposals[0].values, Values{"Reel01: Isla Varnholt, no. 2"});
        const auto wrong = run({"", {{"write", {{"plan", {"{artist"}}}}}}, files);
        QVERIFY(!wrong);
        QVERIFY(wrong.error().message.find("at character") != std::string::npos);
        QVERIFY(!run({"", {{"write", {{"plan", {"{artist}/{title}"}}}}}}, files));
    }

    void optionsThatMakeNoSense_data() {
        QTest::addColumn<QString>("step");
        QTest::addColumn<Options>("options");
        QTest::newRow("a casing that is none") << "casing" << Options{{"casing", {"loud"}}};
        QTest::newRow("an option that is none") << "casing" << Options{{"volume", {"11"}}};
        QTest::newRow("below zero") << "number" << Options{{"first", {"-1"}}};
        QTest::newRow("down to below zero") << "number" << Options{{"first", {"0"}}, {"by", {"-1"}}};
        QTest::newRow("no number") << "number" << Options{{"first", {"one"}}};
        QTest::newRow("beyond numbers") << "number" << Options{{"first", {"99999999999999"}}};
        QTest::newRow("from nowhere") << "copy" << Options{{"into", {"artist"}}};
        QTest::newRow("into itself") << "move" << Options{{"from", {"artist"}}, {"into", {"artist"}}};
        QTest::newRow("with itself") << "swap" << Options{{"field", {"artist"}}, {"with", {"artist"}}};
        QTest::newRow("at nothing") << "split" << Options{{"at", {""}}};
        QTest::newRow("several into one") << "split" << Options{{"field", {"album"}}, {"at", {";"}}};
        QTest::newRow("joined into nothing") << "join" << Options{{"fields", {"artist"}}};
        QTest::newRow("nothing to blank") << "blank" << Options{};
        QTest::newRow("nothing to fill") << "fill" << Options{};
        QTest::newRow("nothing to set") << "set" << Options{};
        QTest::newRow("no encoding") << "mend-text" << Options{{"encoding", {"Tarnholm-8"}}};
        QTest::newRow("neither yes nor no") << "tidy" << Options{{"quotes", {"maybe"}}};
        QTest::newRow("two texts") << "set" << Options{{"to", {"a", "b"}}};
        QTest::newRow("no name of a field") << "blank" << Options{{"fields", {"a=b"}}};
        QTest::newRow("no such step") << "polish" << Options{};
        QTest::newRow("NUL") << "set" << Options{{"to", {std::string("a\0b", 3)}}};
    }
    void optionsThatMakeNoSense() {
        QFETCH(QString, step);
        QFETCH(Options, options);
        const auto p = run({"", {{step.toStdString(), options}}}, tapes());
        QVERIFY(!p);
        QCOMPARE(p.error().kind, ErrorKind::Invalid);
        QVERIFY(!p.error().message.empty());
    }

    void presetsMakeSense() {
        // What a form shows at first must be options that the step takes.
        for (const StepKind& kind : stepKinds()) {
            Options all;
            for (const OptionDef& def : kind.options)
                if (!def.preset.empty())
                    all[def.name] =
                        def.kind == OptionDef::Kind::Fields ? saidFields({}, def) : Values{def.preset};
            QCOMPARE(QString::fromStdString(whyNotOptions(kind, all)), QString());
            QCOMPARE(stepKind(kind.name), &kind);
        }
    }

    void filesAndBack() {
        Chain chain = tidyTapes();
        chain.steps.push_back(
            {"find-replace",
             {{"fields", {"title", "album"}}, {"find", {"\"\\u"}}, {"put", {""}}, {"match case", {"yes"}}}});
        const auto back = chainFromJson(chainJson(chain));
        QVERIFY2(back, back ? "" : back.error().message.c_str());
        QCOMPARE(back->name, chain.name);
        QVERIFY(back->steps == chain.steps);
    }

    void badFiles_data() {
        QTest::addColumn<QByteArray>("json");
        QTest::addColumn<QString>("says");
        auto steps = [](const QByteArray& s) {
            return "{\n\"moorfrost\": \"chain\",\n\"version\": 1,\n\"steps\": [\n" + s + "\n]}";
        };
        QTest::newRow("no JSON") << QByteArray("{\n\"moorfrost\": \"chain\",\n oops") << "Line 3";
        QTest::newRow("nothing") << QByteArray() << "Line 1";
        QTest::newRow("something else") << QByteArray("[1]") << "does not say";
        QTest::newRow("newer") << QByteArray(R"({"moorfrost":"chain","version":2,"steps":[]})") << "newer";
        QTest::newRow("no steps") << steps("") << "no steps";
        QTest::newRow("unknown step") << steps("{\"step\": \"tidy\"},\n{\n\"step\": \"polish\"}")
                                      << "Line 6: there is no step \"polish\"";
        QTest::newRow("unknown option")
            << steps("{\"step\": \"tidy\", \"wax\": true}") << "Line 5: \"tidy\" has no";
        QTest::newRow("wrong value") << steps("{\"step\": \"number\", \"first\": \"x\"}") << "Line 5";
        QTest::newRow("an object for a value") << steps("{\"step\": \"number\", \"first\": {}}") << "Line 5";
        QTest::newRow("no step") << steps("7") << "step 1 does not say";
        QTest::newRow("huge") << QByteArray(2 << 20, ' ') << "larger than";
        QTest::newRow("deep") << QByteArray(500000, '[') << "Line 1";
        QByteArray many;
        for (int i = 0; i < 101; ++i)
            many += i ? ",{\"step\":\"tidy\"}" : "{\"step\":\"tidy\"}";
        QTest::newRow("many") << steps(many) << "more than 100";
    }
    void badFiles() {
        QFETCH(QByteArray, json);
        QFETCH(QString, says);
        const auto chain = chainFromJson(json.toStdString());
        QVERIFY(!chain);
        QCOMPARE(chain.error().kind, ErrorKind::Damaged);
        QVERIFY2(QString::fromStdString(chain.error().message).contains(says), chain.error().message.c_str());
    }

    void capitalsByLanguage_data() {
        QTest::addColumn<QString>("code");
        QTest::addColumn<QString>("before");
        QTest::addColumn<QString>("after");
        QTest::newRow("en") << "en"
                            << "the road to the isles: a farewell"
                            << "The Road to the Isles: A Farewell";
        QTest::newRow("en, ends small") << "en"
                                        << "what it stands for"
                                        << "What It Stands For";
        QTest::newRow("en, short forms") << "en"
                                         << "night post EP part II"
                                         << "Night Post EP Part II";
        QTest::newRow("en, shouted") << "en"
                                     << "THE KEEPER'S WIFE PART II"
                                     << "The Keeper's Wife Part II";
        QTest::newRow("en, brackets") << "en"
                                      << "gorse (the long one)"
                                      << "Gorse (The Long One)";
        QTest::newRow("de") << "de"
                            << "der Leuchtturm am Meer"
                            << "Der Leuchtturm am Meer";
        QTest::newRow("fr") << "fr"
                            << "La Mer Du Nord"
                            << "La mer du nord";
        QTest::newRow("nl") << "nl"
                            << "ijsland"
                            << "IJsland";
        QTest::newRow("tr") << "tr"
                            << "istanbul ışık"
                            << "İstanbul ışık";
        QTest::newRow("ru") << "ru"
                            << "северный Ветер"
                            << "Северный ветер";
        QTest::newRow("any") << ""
                             << "the road to"
                             << "The Road To";
        QTest::newRow("blank") << "en"
                               << ""
                               << "";
    }
    void capitalsByLanguage() {
        QFETCH(QString, code);
        QFETCH(QString, before);
        QFETCH(QString, after);
        QCOMPARE(QString::fromStdString(text::titleCase(before.toStdString(), code.toStdString())), after);
    }

    void languagesAsTagsSayThem() {
        QCOMPARE(text::languageCode("eng"), std::string("en"));
        QCOMPARE(text::languageCode(" Deutsch "), std::string());
        QCOMPARE(text::languageCode("ger"), std::string("de"));
        QCOMPARE(text::languageCode("en-GB"), std::string("en"));
        QCOMPARE(text::languageCode("Icelandic"), std::string("is"));
        QCOMPARE(text::languageCode("no"), std::string("nb"));
        QCOMPARE(text::lower("IĞDIR", "tr"), std::string("ığdır"));
        QCOMPARE(text::upper("istanbul", "tr"), std::string("İSTANBUL"));
    }
};

QTEST_GUILESS_MAIN(TestChain)
#include "test_chain.moc"
