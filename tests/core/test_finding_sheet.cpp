// SPDX-License-Identifier: GPL-3.0-or-later
// Findings in their order, narrowed by rule, weight, shelf, release, time and words; since when each is
// there.
#include <QtTest>

#include "core/library/findings/finding_sheet.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

constexpr int32_t today = 20000;

Finding finding(const char* rule, const std::string& about, FileId unit, int64_t shelf, const char* release,
                double sure = 1) {
    Finding out;
    out.rule = rule;
    out.about = about;
    out.unit = unit;
    out.shelf = shelf;
    out.release = release;
    out.title = about + ", " + release;
    out.files = {unit == 0 ? 99 : unit};
    out.sure = sure;
    if (std::string_view(rule) == "numbers")
        out.fix.wishes = {{unit, "track", {"1"}}};
    return out;
}

} // namespace

class TestFindingSheet : public QObject {
    Q_OBJECT
    /// Three releases on two shelves, and one finding of the whole library.
    FindingSheet sheet(const FindingSheet::Left& left = {}, const FindingDays& days = {},
                       const RuleChoices& choices = {}) {
        auto releases = std::make_shared<ReleaseAudit>();
        releases->findings.add(finding("no-picture", "a", 1, 1, "Lanterns"));
        releases->findings.add(finding("numbers", "b", 1, 1, "Lanterns"));
        releases->findings.add(finding("coded-before", "c", 2, 1, "Gorse", 0.6));
        releases->findings.add(finding("coded-before", "d", 3, 2, "Night Post", 0.9));
        Findings together;
        together.add(finding("near-values", "e", 0, 2, ""));
        return {releases, together, choices, left, days, today};
    }
    std::vector<std::string> listed(const FindingSheet& of, const FindingFilter& filter) {
        std::vector<std::string> out;
        const auto found = findFindings(of, filter, today);
        for (const uint32_t at : found->listed)
            out.push_back(of.finding(at).about);
        return out;
    }
    using Strings = std::vector<std::string>;

private slots:
    void theGravestFirstAndTheSurest() {
        const FindingSheet all = sheet();
        QCOMPARE(listed(all, {}), (Strings{"d", "c", "e", "b", "a"}));
        QCOMPARE(all.open(), size_t(5));
        QCOMPARE(all.releases(), size_t(3));
        QCOMPARE(all.count(*auditRule("coded-before")), size_t(2));
        // Otherwise weighed, and one that is off.
        RuleChoices choices;
        choices.set(*auditRule("no-picture"), {true, Weight::Grave, 0});
        choices.set(*auditRule("near-values"), {false, Weight::Plain, 0});
        QCOMPARE(listed(sheet({}, {}, choices), {}), (Strings{"a", "d", "c", "b"}));
    }

    void whatIsLeftStandsApart() {
        const Finding gone = finding("numbers", "b", 1, 1, "Lanterns");
        const uint64_t key = findingKey("numbers", "b");
        FindingSheet::Left left{{key, {key, "numbers", "b", gone.facts(), "meant so", 0}}};
        FindingSheet all = sheet(left);
        QCOMPARE(all.open(), size_t(4));
        FindingFilter filter;
        filter.left = true;
        QCOMPARE(listed(all, filter), Strings{"b"});
        QVERIFY(!listed(all, {}).empty() && listed(all, {}).size() == 4);
        left[key].facts += 1; // the facts are others by now
        QCOMPARE(sheet(left).open(), size_t(5));
    }

    void narrowedByEachFacetAndByAllOfThem() {
        FindingDays days({{findingKey("no-picture", "a"), today - 3},
                          {findingKey("numbers", "b"), today - 20},
                          {findingKey("coded-before", "c"), today - 200}});
        const FindingSheet all = sheet({}, days);
        FindingFilter filter;
        filter.shelf = 1;
        QCOMPARE(listed(all, filter), (Strings{"c", "b", "a"}));
        filter.release = 1;
        QCOMPARE(listed(all, filter), (Strings{"b", "a"}));
        filter.when = FoundWhen::Week;
        QCOMPARE(listed(all, filter), Strings{"a"});
        filter.rule = auditRule("numbers");
        QVERIFY(listed(all, filter).empty());
        FindingFilter when;
        when.when = FoundWhen::Today;
        QCOMPARE(listed(all, when), (Strings{"d", "e"})); // whose day is not known yet
        when.when = FoundWhen::Month;
        QCOMPARE(listed(all, when), (Strings{"d", "e", "b", "a"}));
        when.when = FoundWhen::Earlier;
        QCOMPARE(listed(all, when), Strings{"c"});
        FindingFilter words;
        words.words = "post CODED";
        QCOMPARE(listed(all, words), Strings{"d"});
    }

    void facetsTellHowManyThereWouldBe() {
        const FindingSheet all = sheet();
        FindingFilter filter;
        filter.shelf = 1;
        filter.release = 2;
        const auto found = *findFindings(all, filter, today);
        QCOMPARE(found.listed.size(), size_t(1));
        QVERIFY(!found.anyFix);
        QCOMPARE(found.shelves.at(1), size_t(1)); // of this release
        QVERIFY(!found.shelves.contains(2));
        QCOMPARE(found.releases.size(), size_t(2));             // of this shelf
        QCOMPARE(found.releases[0].name, std::string("Gorse")); // the chosen one first
        QCOMPARE(found.releases[1].name, std::string("Lanterns"));
        QCOMPARE(found.releases[1].count, size_t(2));
        QCOMPARE(found.when[static_cast<int>(FoundWhen::Today)], size_t(1));
        QVERIFY(findFindings(all, {}, today)->anyFix);
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(!findFindings(all, {}, today, stop.get_token()));
    }

    void aFindingIsAsOldAsItsFirstDay() {
        FindingDays days;
        auto change = days.see({7, 3, 3}, today);
        QCOMPARE(change.found, (FindingDays::Pairs{{3, today}, {7, today}}));
        QVERIFY(change.gone.empty());
        change = days.see({9, 7}, today + 5);
        QCOMPARE(change.found, (FindingDays::Pairs{{9, today + 5}}));
        QCOMPARE(change.gone, std::vector<uint64_t>{3});
        QCOMPARE(days.of(7), today);
        QCOMPARE(days.of(9), today + 5);
        QCOMPARE(days.of(3), 0);
        QVERIFY(days.see({7, 9}, today + 6).isEmpty());
        QCOMPARE(days.see({3}, today + 7).found, (FindingDays::Pairs{{3, today + 7}})); // it came again
    }
};

QTEST_GUILESS_MAIN(TestFindingSheet)
#include "test_finding_sheet.moc"
