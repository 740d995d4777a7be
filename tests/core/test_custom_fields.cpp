// SPDX-License-Identifier: GPL-3.0-or-later
// Custom fields that were described: what a description may be, and that the table of fields, plans,
// searches, steps and what is written know them.
#include <QtTest>

#include <thread>

#include "core/edits/chain.h"
#include "core/library/described_fields.h"
#include "core/library/search/layer.h"
#include "core/library/search/query.h"
#include "core/library/settings.h"
#include "core/library/store/store.h"
#include "core/naming/plan.h"
#include "core/naming/render.h"
#include "core/tags/custom_fields.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;
using tags::CustomField;
using tags::FieldKind;

namespace {

const CustomField tape{"Source tape", "SOURCETAPE", FieldKind::Text, true, {}};
const CustomField speed{"Tape speed", "TAPESPEED", FieldKind::Decimal, false, {}};
const CustomField transferred{"Transferred", "TRANSFERDATE", FieldKind::Date, false, {}};
const CustomField cleared{"Cleared", "CLEARED", FieldKind::YesNo, false, {}};
const CustomField condition{"Condition", "CONDITION", FieldKind::Choice, false, {"good", "Worn", "stuck"}};
const std::vector<CustomField> all = {tape, speed, transferred, cleared, condition};

} // namespace

class TestCustomFields : public QObject {
    Q_OBJECT
private slots:
    void init() { tags::defineCustomFields(all); }
    void cleanup() { tags::defineCustomFields({}); }

    void areFieldsLikeAnyOther() {
        QCOMPARE(tape.key(), std::string("sourcetape"));
        QCOMPARE(tags::labelOf("sourcetape"), std::string("Source tape"));
        QCOMPARE(tags::keyFromName("source tape"), std::string("sourcetape"));
        QCOMPARE(tags::keyFromName("SOURCE_TAPE"), std::string("sourcetape"));
        QVERIFY(tags::fieldByKey("tapespeed")->kind == FieldKind::Decimal);
        QVERIFY(!tags::isStandard("tapespeed") && tags::isStandard("title"));
        QVERIFY(tags::isNumber(tags::fieldByKey("tapespeed")));
        // Described ones first, by label; then what was only found.
        QCOMPARE(tags::withDescribed({"cleared", "reel no"}),
                 (std::vector<std::string>{"cleared", "condition", "sourcetape", "tapespeed", "transferdate",
                                           "reel no"}));
        tags::defineCustomFields({});
        QVERIFY(!tags::fieldByKey("tapespeed"));
        QCOMPARE(tags::labelOf("sourcetape"), std::string("sourcetape"));
    }

    void whatTheyHold_data() {
        QTest::addColumn<QString>("key");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("held"); // "": refused
        auto row = [](const char* key, const char* typed, const char* held) {
            QTest::addRow("%s %s", key, typed) << key << typed << held;
        };
        row("tapespeed", "19.05", "19.05");
        row("tapespeed", "19,05", "19.05");
        row("tapespeed", "-3", "-3");
        row("tapespeed", "\u22123,5", "-3.5");
        row("tapespeed", "+38", "38");
        row("tapespeed", "1,000,000", "");
        row("tapespeed", "fast", "");
        row("tapespeed", "19 cm", "");
        row("tapespeed", "inf", "");
        row("tapespeed", "1e5", "");
        row("tapespeed", "0x10", "");
        row("transferdate", "2026-11", "2026-11");
        row("transferdate", "last May", "");
        row("cleared", "Y", "yes");
        row("cleared", "no", "no");
        row("cleared", "0", "no");
        row("cleared", "maybe", "");
        row("condition", "GOOD", "good");
        row("condition", "worn", "Worn");
        row("condition", "new", "");
        row("sourcetape", "MTA 14 ¦ MTA 15", "MTA 14 ¦ MTA 15");
        row("condition", "good ¦ worn", ""); // it holds one
    }
    void whatTheyHold() {
        QFETCH(QString, key);
        QFETCH(QString, typed);
        QFETCH(QString, held);
        const std::string field = key.toStdString();
        const auto values = tags::valuesFromText(field, typed.toStdString());
        const std::string why = tags::whyNotValid(field, values);
        QCOMPARE(why.empty(), !held.isEmpty());
        if (why.empty())
            QCOMPARE(QString::fromStdString(tags::shownValues(values)), held);
        else
            QVERIFY2(why.starts_with(tags::labelOf(field)), why.c_str());
    }

    void whatCannotBeDescribed_data() {
        QTest::addColumn<QString>("label");
        QTest::addColumn<QString>("place");
        QTest::addColumn<int>("kind");
        QTest::addColumn<QString>("choices");
        QTest::addColumn<QString>("why");
        auto row = [](const char* name, const QString& label, const char* place, const char* why,
                      FieldKind kind = FieldKind::Text, const char* choices = "") {
            QTest::newRow(name) << label << place << static_cast<int>(kind) << choices << why;
        };
        row("no label", " ", "REEL", "label");
        row("sign of a plan", "A {b}", "REEL", "label");
        row("line break", "A\nb", "REEL", "label");
        row("endless", QString(70, 'x'), "REEL", "label");
        row("no place", "Reel", "", "name");
        row("equals", "Reel", "RE=EL", "name");
        row("other letters", "Reel", "RÉEL", "plain");
        row("hidden", "Reel", "@REEL", "begins");
        row("mark of a format", "Reel", "TAG", "formats");
        row("standard place", "Reel", "BARCODE", "barcode");
        row("alias of a standard one", "Reel", "UPC", "barcode");
        row("standard label", "Album artist", "REEL", "Album artist already");
        row("a fact", "Sample rate", "REEL", "plans and in searches");
        row("a question", "Reel", "DECADE", "plans and in searches");
        row("place of another", "Reel", "SOURCETAPE", "Source tape has this name");
        row("label of another", "source TAPE", "REEL", "Source tape already");
        row("label is the place of another", "Sourcetape", "REEL", "taken for Source tape");
        row("no list", "Reel", "REEL", "choose from", FieldKind::Choice);
        row("twice in the list", "Reel", "REEL", "twice", FieldKind::Choice, "a\nb\nA");
        row("list without choice", "Reel", "REEL", "Only a choice", FieldKind::Text, "a\nb");
    }
    void whatCannotBeDescribed() {
        QFETCH(QString, label);
        QFETCH(QString, place);
        QFETCH(int, kind);
        QFETCH(QString, choices);
        QFETCH(QString, why);
        CustomField field{label.toStdString(), place.toStdString(), static_cast<FieldKind>(kind), false, {}};
        for (const QString& c : choices.split('\n', Qt::SkipEmptyParts))
            field.choices.push_back(c.toStdString());
        const std::string told = tags::whyNotDescribed(field, all, library::reservedNames());
        QVERIFY2(told.find(why.toStdString()) != std::string::npos, told.c_str());
        field = {"Reel", "REEL NO", FieldKind::Choice, true, {"a", "b"}};
        QCOMPARE(tags::whyNotDescribed(field, all, library::reservedNames()), std::string());
    }

    void placesAreMadeOfLabels() {
        QCOMPARE(tags::placeFromLabel("Källband nr"), std::string("KALLBAND NR"));
        QCOMPARE(tags::placeFromLabel("Cleared?"), std::string("CLEARED"));
    }

    void keptWithTheLibrary() {
        test::Sandbox box;
        auto store = library::Store::open(box / "library.db");
        QVERIFY(store);
        (*store)->settings().set(library::settings::customFields, tags::customFieldsJson(all));
        tags::defineCustomFields({});
        library::defineFieldsOf(**store);
        QVERIFY(tags::definedCustomFields() == all);
        // What cannot be read is none, and stays.
        for (const char* bad :
             {"{", "{}", "[{\"label\":\"A\"}]", "[{\"label\":\"A\",\"place\":\"AA\",\"kind\":\"cloud\"}]",
              "[{\"label\":\"A\",\"place\":\"TITLE\",\"kind\":\"text\"}]", "[1]"}) {
            QVERIFY(!tags::customFieldsFromJson(bad));
            (*store)->settings().set(library::settings::customFields, std::string(bad));
            library::defineFieldsOf(**store);
            QVERIFY(tags::definedCustomFields().empty());
            QCOMPARE((*store)->settings().get(library::settings::customFields), std::string(bad));
        }
    }

    void inPlans() {
        const auto parsed = naming::parsePlan("{Source Tape} ({tape speed}) {condition}", {});
        const auto* plan = std::get_if<naming::Plan>(&parsed);
        QVERIFY(plan);
        tags::Fields fields{{"sourcetape", {"MTA 14"}}, {"tapespeed", {"19.05"}}, {"condition", {"good"}}};
        QCOMPARE(naming::render(*plan, {fields, {}, {}}).parts.back(), std::string("MTA 14 (19.05) good"));
        QCOMPARE(naming::planText(plan->pieces), std::string("{source tape} ({tape speed}) {condition}"));
        const auto wrong = naming::parsePlan("{sourc tape}", {});
        QVERIFY(std::get<naming::PlanError>(wrong).message.find("source tape") != std::string::npos);
    }

    void inSearches() {
        const auto said = [](const char* query) {
            const auto parsed = library::parseQuery(query, {});
            return parsed.error ? parsed.error->sentence : library::describe(parsed.query.term);
        };
        QCOMPARE(said("tape_speed:>=19.05"), std::string("tape speed from 19.05"));
        QCOMPARE(said("tapespeed:-3..5"), std::string("tape speed -3 to 5"));
        QCOMPARE(said("transferred:<2026"), std::string("transferred before 2026"));
        QCOMPARE(said("source_tape:mta"), std::string("source tape mta"));
        QVERIFY(said("source_tape:>3").find("less or more") != std::string::npos);
        // Sorted as numbers, those below zero, too.
        std::vector<std::string> numbers = {"9.5", "-10", "10", "-2", "0", "9"};
        std::ranges::sort(numbers, {},
                          [](const std::string& n) { return library::sortKeyOfList("tapespeed", n, {}); });
        QCOMPARE(numbers, (std::vector<std::string>{"-10", "-2", "0", "9", "9.5", "10"}));
    }

    void inSteps() {
        const edits::Chain chain{"x",
                                 {{"set", {{"field", {"condition"}}, {"to", {"GOOD"}}}},
                                  {"set", {{"field", {"tapespeed"}}, {"to", {"quick"}}}}}};
        const auto outcome = edits::run(chain, {{1, {{"title", {"Ebb"}}}, {}}});
        QVERIFY(outcome);
        QCOMPARE(outcome->proposals.size(), size_t{1});
        QCOMPARE(outcome->proposals.front().values, std::vector<std::string>{"good"});
        QCOMPARE(outcome->refused.size(), size_t{1});
        QVERIFY(outcome->refused.front().why.find("Tape speed is a number") != std::string::npos);
    }

    // In every format the name in files is the place, and what comes back is the same field.
    void inFiles_data() {
        QTest::addColumn<QString>("file");
        for (const std::string& ending : test::endings())
            QTest::newRow(ending.c_str()) << QString("a.%1").arg(QString::fromStdString(ending));
    }
    void inFiles() {
        QFETCH(QString, file);
        test::Sandbox box;
        const Path path = test::makeSound(box.root(), file.toStdString(), 3);
        test::tag(path, {{"sourcetape", {"MTA 14", "MTA 15"}}, {"tapespeed", {"19.05"}}});
        tags::defineCustomFields({}); // as the processes that read know nothing of them
        const auto read = tags::readTags(path);
        QVERIFY_RESULT(read);
        QCOMPARE(read->fields.at("sourcetape"), (std::vector<std::string>{"MTA 14", "MTA 15"}));
        QCOMPARE(read->fields.at("tapespeed"), std::vector<std::string>{"19.05"});
    }

    // They may be asked for while they are described otherwise.
    void askedForAtAnyTime() {
        std::atomic<bool> done = false;
        std::atomic<int> wrong = 0;
        std::thread reader([&] {
            while (!done)
                if (const tags::FieldDef* def = tags::fieldByKey("condition"))
                    wrong += def->label != "Condition" || def->choices.size() < 3;
        });
        for (int i = 0; i < 500; ++i) {
            std::vector<CustomField> next = all;
            next.back().choices.push_back("c" + std::to_string(i));
            tags::defineCustomFields(next);
        }
        done = true;
        reader.join();
        QCOMPARE(wrong.load(), 0);
    }
};

QTEST_APPLESS_MAIN(TestCustomFields)
#include "test_custom_fields.moc"
