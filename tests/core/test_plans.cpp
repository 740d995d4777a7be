// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/naming/plan.h"
#include "core/naming/render.h"

using namespace moorfrost;
using naming::Plan;
using naming::PlanError;

namespace {
Plan parsed(const std::string& text) {
    auto p = naming::parsePlan(text);
    if (auto* e = std::get_if<PlanError>(&p))
        qFatal("%s: %s", text.c_str(), e->message.c_str());
    return std::get<Plan>(p);
}
const tags::Fields fields = {{"title", {"Ferryman's Reel"}},
                             {"artist", {"The Hollow Ferry", "Wren-Low"}},
                             {"album", {"Night Post EP"}},
                             {"album_artist", {"The Hollow Ferry"}},
                             {"date", {"1998-10-05"}},
                             {"track", {"2"}},
                             {"disc", {"1"}},
                             {"composer", {"Åse-Linn Brække"}}};
std::string rendered(const std::string& plan, bool several = false) {
    naming::Rendered r = naming::render(
        parsed(plan), {fields, {{"format", "FLAC"}}, [&](const std::string&) { return several; }});
    std::string out;
    for (size_t i = 0; i < r.parts.size(); ++i)
        out += (i ? "|" : "") + r.parts[i];
    return out;
}
} // namespace

class TestPlans : public QObject {
    Q_OBJECT
private slots:
    void rendering_data() {
        QTest::addColumn<QString>("plan");
        QTest::addColumn<QString>("result");
        auto row = [](const char* plan, const char* result) { QTest::newRow(plan) << plan << result; };
        row("{album artist, else artist}/{date: year} {album}/{disc: if several, after \"-\"}{track: 2 "
            "digits} {title}",
            "The Hollow Ferry|1998 Night Post EP|02 Ferryman's Reel");
        row("{label, else \"No label\"}", "No label");
        row("{title: upper}", "FERRYMAN'S REEL");
        row("{title: lower}", "ferryman's reel");
        row("{album: title case}", "Night Post Ep");
        row("{album: sentence case}", "Night post ep");
        row("{album artist: sort form}", "Hollow Ferry, The");
        row("{album artist: sort form, first 1}", "H");
        row("{artist: first value}", "The Hollow Ferry");
        row("{artist: join \" + \"}", "The Hollow Ferry + Wren-Low");
        row("{artist}", "The Hollow Ferry, Wren-Low");
        row("{genre: before \"[\", after \"]\"}{title}", "Ferryman's Reel");
        row("{date: before \"(\", after \")\"}", "(1998-10-05)");
        row("{title: replace \"Reel\" with \"Jig\"}", "Ferryman's Jig");
        row("{title: at most 8}", "Ferryman");
        row("{{{format}}}", "{FLAC}");
        row("{TRACK:3 digits}", "002");
        row("{album_artist}", "The Hollow Ferry");
        row("{composer: plain letters}", "Ase-Linn Braekke");
        row("{composer: plain letters, upper}", "ASE-LINN BRAEKKE");
    }
    void rendering() {
        QFETCH(QString, plan);
        QFETCH(QString, result);
        QCOMPARE(rendered(plan.toStdString()), result.toStdString());
    }

    void ifSeveral() {
        QCOMPARE(rendered("{disc: if several, after \"-\"}{track}", false), std::string("2"));
        QCOMPARE(rendered("{disc: if several, after \"-\"}{track}", true), std::string("1-2"));
    }

    void gapsAreNamed() {
        naming::Rendered r = naming::render(parsed("{label}/{genre: before \"x\"}{title}"), {fields, {}, {}});
        QCOMPARE(r.missing, std::vector<std::string>{"label"});
    }

    void errors_data() {
        QTest::addColumn<QString>("plan");
        QTest::addColumn<int>("offset");
        QTest::addColumn<QString>("mentions");
        auto row = [](const char* plan, int offset, const char* mentions) {
            QTest::newRow(plan) << plan << offset << mentions;
        };
        row("", 0, "blank");
        row("{title", 0, "never closed");
        row("a}b", 1, "without a {");
        row("{}", 0, "nothing between");
        row("{artits}", 1, "\"artist\"");
        row("x {title: uper}", 10, "Expected");
        row("{track: 2 digit}", 8, "2 digits");
        row("{artist, album}", 9, "else");
        row("{artist, else}", 9, "else");
        row("{title: upper: lower}", 15, "second colon");
        row("/{title}", 0, "no name before");
        row("{artist}//{title}", 9, "no name before");
        row("{artist}/", 8, "ends with a folder");
        row("{\"a\"}", 1, "name of a field first");
        row("{title: join x}", 8, "join");
        row("{title:}", 7, "missing");
    }
    void errors() {
        QFETCH(QString, plan);
        QFETCH(int, offset);
        QFETCH(QString, mentions);
        auto p = naming::parsePlan(plan.toStdString());
        auto* e = std::get_if<PlanError>(&p);
        QVERIFY2(e, "it was accepted");
        QCOMPARE(static_cast<int>(e->offset), offset);
        QVERIFY2(QString::fromStdString(e->message).contains(mentions), e->message.c_str());
        QVERIFY(e->offset + e->length <= plan.toStdString().size() + 1);
    }

    void textAndPiecesAgree() {
        for (const char* text : {"{album artist, else artist}/{date: year} {album}/{disc: if several, after "
                                 "\"-\"}{track: 2 digits} {title}",
                                 "{a}", "{{x}} {skip} - {title: replace \"a, b: c\" with \"}\", at most 40}",
                                 "{artist, else label, else \"None\"}"}) {
            auto p = naming::parsePlan(text, {"a"});
            QVERIFY2(std::holds_alternative<Plan>(p), text);
            std::string again = naming::planText(std::get<Plan>(p).pieces);
            QCOMPARE(again, std::string(text));
        }
    }

    void noTextCrashesTheParser() {
        std::string alphabet = "{}/:,\" aelst2";
        uint32_t state = 99;
        for (int i = 0; i < 20000; ++i) {
            std::string text;
            for (int k = 0; k < 14; ++k) {
                state = state * 1664525u + 1013904223u;
                text += alphabet[(state >> 24) % alphabet.size()];
            }
            auto p = naming::parsePlan(text);
            if (auto* plan = std::get_if<Plan>(&p))
                naming::render(*plan, {fields, {}, {}});
            else
                QVERIFY(std::get<PlanError>(p).offset <= text.size());
        }
    }
};

QTEST_GUILESS_MAIN(TestPlans)
#include "test_plans.moc"
