// SPDX-License-Identifier: GPL-3.0-or-later
// Edits: values in, proposed values with their origin out.
#include <QtTest>

#include "core/edits/edits.h"

using namespace moorfrost;
using namespace moorfrost::edits;

Q_DECLARE_METATYPE(moorfrost::edits::StepOptions)

namespace {

std::vector<Subject> songs() {
    return {{1,
             {{"title", {"night POST"}},
              {"artist", {"The Hollow Ferry", "Wren-Low"}},
              {"isrc", {"zzgrw9800001"}}},
             {}},
            {2, {{"title", {"åse's waltz"}}, {"artist", {"Kestrel & Rook"}}, {"genre", {"Folk"}}}, {}},
            {3, {{"artist", {"Isla Varnholt"}}}, {}}};
}

std::vector<Subject> choosing(std::vector<std::string> fields) {
    std::vector<Subject> all = songs();
    for (Subject& s : all)
        s.chosen = fields;
    return all;
}

} // namespace

class TestEdits : public QObject {
    Q_OBJECT
private slots:
    void casing() {
        const Proposals p = changeCase(choosing({"title", "isrc"}), Casing::Title);
        QCOMPARE(p.size(), size_t{2}); // a code has no casing, a blank field nothing to change
        QCOMPARE(p[0], (Proposal{1, "title", {"Night Post"}, "casing"}));
        QCOMPARE(p[1].values, std::vector<std::string>{"Åse's Waltz"});
        QCOMPARE(changeCase(choosing({"title"}), Casing::Upper)[1].values,
                 std::vector<std::string>{"ÅSE'S WALTZ"});
        QCOMPARE(changeCase(choosing({"artist"}), Casing::Lower)[0].values,
                 (std::vector<std::string>{"the hollow ferry", "wren-low"})); // each of several
        QCOMPARE(changeCase(choosing({"title"}), Casing::Sentence)[0].values,
                 std::vector<std::string>{"Night post"});
        QVERIFY(changeCase(songs(), Casing::Title).empty()); // nothing was chosen
    }

    void numbering() {
        const Proposals p = numberTracks(songs(), 7);
        QCOMPARE(p.size(), size_t{3});
        QCOMPARE(p[2], (Proposal{3, "track", {"9"}, "numbered in the order shown"}));
    }

    void copying() {
        const Proposals p = copyField(songs(), "artist", "album_artist");
        QCOMPARE(p.size(), size_t{3});
        QCOMPARE(p[0], (Proposal{1, "album_artist", {"The Hollow Ferry", "Wren-Low"}, "copied from artist"}));
        QCOMPARE(copyField(songs(), "genre", "mood").size(), size_t{1}); // what is blank is not copied
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

    void stepsByName() {
        for (const StepInfo& s : allSteps())
            QCOMPARE(stepByName(s.name), &s);
        QVERIFY(!stepByName("polish"));
        StepOptions o;
        o.casing = "upper";
        QCOMPARE((*stepByName("casing")->run(songs(), o)).size(), size_t{2}); // titles, unless told otherwise
        o.fields = {"genre"};
        QCOMPARE((*stepByName("casing")->run(songs(), o))[0].values, std::vector<std::string>{"FOLK"});
    }

    void optionsThatMakeNoSense_data() {
        QTest::addColumn<QString>("step");
        QTest::addColumn<StepOptions>("options");
        QTest::newRow("no casing") << "casing" << StepOptions{};
        QTest::newRow("a casing that is none") << "casing" << StepOptions{.casing = "loud"};
        QTest::newRow("below zero") << "number" << StepOptions{.first = -1};
        QTest::newRow("from nowhere") << "copy" << StepOptions{.to = "artist"};
        QTest::newRow("into itself") << "copy" << StepOptions{.from = "artist", .to = "artist"};
        QTest::newRow("nothing to blank") << "blank" << StepOptions{};
        QTest::newRow("nothing to fill") << "fill" << StepOptions{};
        QTest::newRow("no encoding") << "mend-text" << StepOptions{.encoding = "Tarnholm-8"};
    }
    void optionsThatMakeNoSense() {
        QFETCH(QString, step);
        QFETCH(StepOptions, options);
        const auto p = stepByName(step.toStdString())->run(songs(), options);
        QVERIFY(!p);
        QCOMPARE(p.error().kind, ErrorKind::Invalid);
        QVERIFY(!p.error().message.empty());
    }
};

QTEST_GUILESS_MAIN(TestEdits)
#include "test_edits.moc"
