// SPDX-License-Identifier: GPL-3.0-or-later
// What the audit finds: each rule on what breaks it and on what does not; kept true by little changes; left
// as it is.
#include <QtTest>

#include <random>
#include <set>

#include "core/library/findings/audit.h"
#include "core/library/findings/near_values.h"
#include "core/library/store/finding_table.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::library;
using namespace moorfrost::test;

class TestFindings : public QObject, SheetWorld {
    Q_OBJECT
    using Strings = std::vector<std::string>;

    std::shared_ptr<const ReleaseAudit> held_;
    LibrarySearch search_;

    FileId track(int number, tags::Fields fields, const std::string& folder = "Night Post") {
        fields.try_emplace("title", Strings{"Track " + std::to_string(number)});
        fields.try_emplace("artist", Strings{"The Hollow Ferry"});
        fields.try_emplace("album", Strings{"Night Post"});
        fields.try_emplace("album_artist", Strings{"The Hollow Ferry"});
        fields.try_emplace("track", Strings{std::to_string(number)});
        const std::string name = folder + "/" + std::to_string(number) + " Track.flac";
        return song(name, std::move(fields));
    }

    std::vector<Finding> all(const RuleChoices& choices = {}) {
        AuditRules rules = auditRulesOf(*store_);
        rules.choices = choices;
        search_ = searchOf(*store_, search_);
        work::Progress progress;
        held_ = auditReleases(*store_, search_, rules, held_, {}, {}, progress);
        auto together = auditTogether(*store_, *search_.searcher, rules, nullptr, {}, progress);
        std::vector<Finding> out;
        for (size_t i = 0; i < held_->findings.size(); ++i)
            out.push_back(held_->findings[i]);
        for (size_t i = 0; i < together->size(); ++i)
            out.push_back((*together)[i]);
        return out;
    }
    std::vector<Finding> of(const std::string& rule, const RuleChoices& choices = {}) {
        std::vector<Finding> out;
        for (Finding& one : all(choices))
            if (one.rule == rule)
                out.push_back(std::move(one));
        return out;
    }
    tags::Fields wished(const Finding& finding, FileId file) {
        tags::Fields out;
        for (const auto& wish : wishesOf(*store_, finding))
            if (wish.file == file)
                out[wish.field] = wish.values;
        return out;
    }

private slots:
    void init() {
        open();
        held_ = nullptr;
        search_ = {};
    }
    void cleanup() {
        held_ = nullptr;
        search_ = {};
        close();
    }

    void rulesAreChosen() {
        RuleChoices choices;
        const AuditRule& rule = *auditRule("small-picture");
        QVERIFY(choices.isOn("small-picture"));
        QCOMPARE(choices.limit("small-picture"), 500.0);
        choices.set(rule, {false, Weight::Grave, 800});
        const auto back = RuleChoices::fromJson(choices.json());
        QVERIFY(back && *back == choices);
        QVERIFY(!back->isOn("small-picture"));
        QVERIFY(!RuleChoices::fromJson("[1]"));
        // What makes no sense is as the rule has it.
        const auto odd = RuleChoices::fromJson(
            R"({"small-picture": {"on": 3, "limit": 1e9, "weight": "heavy"}, "nothing": {"on": false}})");
        QVERIFY(odd && odd->isOn("small-picture"));
        QCOMPARE(odd->limit("small-picture"), rule.limit.most);
        std::set<std::string> keys;
        for (const AuditRule& one : auditRules()) {
            QVERIFY(keys.insert(one.key).second);
            QVERIFY(std::string_view(one.why).ends_with("."));
        }
    }

    void aWellKeptAlbumHasNoFindings() {
        for (int n = 1; n <= 4; ++n)
            track(n, {{"date", {"1998"}}, {"label", {"Gannet Row"}}, {"genre", {"Folk"}}});
        RuleChoices choices;
        choices.set(*auditRule("standard"), {false, Weight::Slight, 0});
        choices.set(*auditRule("no-picture"), {false, Weight::Slight, 0});
        const auto found = all(choices);
        QVERIFY2(found.empty(), found.empty() ? "" : found.front().sentence.c_str());
    }

    void albumsDisagree() {
        std::vector<FileId> ids;
        for (int n = 1; n <= 5; ++n)
            ids.push_back(track(n, {{"date", {n == 3 ? "1989" : "1998"}}, {"label", {"Gannet Row"}}}));
        track(6, {{"date", {"1998"}}});
        const auto found = of("disagrees");
        QCOMPARE(found.size(), size_t{2});
        QCOMPARE(found[0].sentence, std::string("The files say 2 different things of the date."));
        QCOMPARE(found[0].files, std::vector<FileId>{ids[2]});
        QCOMPARE(wished(found[0], ids[2]), (tags::Fields{{"date", {"1998"}}}));
        QCOMPARE(found[1].sentence, std::string("1 of 6 files have no label."));
        QCOMPARE(found[0].title, std::string("Night Post, The Hollow Ferry"));
    }

    void everyTrackItsOwnDateIsNoFinding() {
        for (int n = 1; n <= 6; ++n)
            track(n, {{"date", {std::to_string(1970 + n)}}, {"genre", {n % 2 ? "Folk" : "Brass"}}});
        QVERIFY(of("disagrees").empty());
    }

    void numbersMissingAndTwice() {
        track(1, {});
        const FileId two = track(2, {}), again = track(3, {{"track", {"2"}}});
        const FileId none = track(5, {{"track", {}}});
        track(6, {});
        const auto found = of("numbers");
        QCOMPARE(found.size(), size_t{1});
        QVERIFY2(found[0].sentence.find("one file has no number") != std::string::npos &&
                     found[0].sentence.find("2 is there twice") != std::string::npos,
                 found[0].sentence.c_str());
        QCOMPARE(wished(found[0], again), (tags::Fields{{"track", {"3"}}}));
        QCOMPARE(wished(found[0], none), (tags::Fields{{"track", {"5"}}}));
        QVERIFY(wished(found[0], two).empty());
    }

    void datesThatCannotBe() {
        const FileId a = track(1, {{"date", {"1998-02-30"}}}), b = track(2, {{"date", {"3019"}}}),
                     c = track(3, {{"date", {"5.10.1998"}}}), d = track(4, {{"date", {"1996"}}});
        track(5, {{"date", {"2000-02-29"}}});
        const FileId turned = track(6, {{"date", {"1998"}}, {"original_date", {"2011"}}});
        const auto found = of("dates");
        QCOMPARE(found.size(), size_t{4});
        std::map<std::vector<FileId>, const Finding*> by;
        for (const Finding& one : found)
            by[one.files] = &one;
        QVERIFY(by.contains({a}) && by.contains({b}) && by.contains({c}) && by.contains({turned}));
        QVERIFY(!by.contains({d}));
        QCOMPARE(wished(*by[{c}], c), (tags::Fields{{"date", {"1998-10-05"}}}));
        QCOMPARE(wished(*by[{turned}], turned),
                 (tags::Fields{{"date", {"2011"}}, {"original_date", {"1998"}}}));
    }

    void wordsInTheWrongField() {
        const FileId guest = track(1, {{"title", {"Salt Road (feat. Isla Varnholt)"}}}),
                     front = track(2, {{"title", {"The Hollow Ferry - Gorse"}}});
        track(3, {{"title", {"The Hollow Ferryman"}}});
        const auto found = of("elsewhere");
        QCOMPARE(found.size(), size_t{2});
        QCOMPARE(wished(found[0], guest),
                 (tags::Fields{{"artist", {"The Hollow Ferry", "Isla Varnholt"}}, {"title", {"Salt Road"}}}));
        QCOMPARE(wished(found[1], front), (tags::Fields{{"title", {"Gorse"}}}));
    }

    void textThatNobodyCanRead() {
        // "Северный ветер" in Windows-1251, read as Windows-1252.
        const FileId bad = track(1, {{"title",
                                      {"\u00D1\u00E5\u00E2\u00E5\u00F0\u00ED\u00FB\u00E9 "
                                       "\u00E2\u00E5\u00F2\u00E5\u00F0"}}});
        track(2, {{"title", {"Åse-Linn Brække"}}});
        const auto found = of("encoding");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(wished(found[0], bad)["title"], (Strings{"Северный ветер"}));
    }

    void pictures() {
        auto with = [&](int number, int side, uint64_t hash, uint64_t bytes) {
            files::ScannedFile f;
            f.path = *box_ / "shelf" / (std::to_string(number) + ".flac");
            f.tags = tags::TagFile();
            f.tags->fields = {{"title", {"T"}},
                              {"album", {"Salt Road"}},
                              {"album_artist", {"Isla Varnholt"}},
                              {"artist", {"Isla Varnholt"}},
                              {"track", {std::to_string(number)}}};
            if (side > 0) {
                tags::PictureInfo picture;
                picture.type = "front cover";
                picture.width = picture.height = side;
                picture.hash = hash;
                picture.bytes = bytes;
                f.tags->pictures.push_back(picture);
            }
            return store_->files().save(f, shelf_);
        };
        const FileId none = with(1, 0, 0, 0), small = with(2, 200, 7, 9000),
                     heavy = with(3, 1000, 8, 5'000'000);
        QCOMPARE(of("no-picture")[0].files, std::vector<FileId>{none});
        QCOMPARE(of("small-picture")[0].files, std::vector<FileId>{small});
        QCOMPARE(of("heavy-picture")[0].files, std::vector<FileId>{heavy});
        QCOMPARE(of("other-picture")[0].files, (std::vector<FileId>{small, heavy}));
        RuleChoices choices;
        choices.set(*auditRule("small-picture"), {true, Weight::Slight, 150});
        choices.set(*auditRule("heavy-picture"), {true, Weight::Slight, 10});
        QVERIFY(of("small-picture", choices).empty());
        QVERIFY(of("heavy-picture", choices).empty());
    }

    void codesThatCannotBeRight() {
        const FileId a = track(1, {{"isrc", {"ZZ-FSR-98-0000I"}}}), b = track(2, {{"isrc", {"ZZFSR98"}}}),
                     c = track(3, {{"isrc", {"ZZFSR9800003"}}, {"barcode", {"2000000000008"}}});
        const auto found = of("code-form");
        std::map<std::vector<FileId>, const Finding*> by;
        for (const Finding& one : found)
            by[one.files] = &one;
        QVERIFY(by.contains({a}) && by.contains({b}));
        QCOMPARE(wished(*by[{a}], a), (tags::Fields{{"isrc", {"ZZFSR9800001"}}}));
        QVERIFY(by[{b}]->fix.isEmpty());
        Q_UNUSED(c);
    }

    void oneCodeForTwoSounds() {
        const FileId one = song("a.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZGRW7400001"}}}, 185),
                     same = song("b.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZ-GRW-74-00001"}}}, 186),
                     other = song("c.flac", {{"title", {"Tidewater"}}, {"isrc", {"ZZGRW7400001"}}}, 240);
        song("d.flac", {{"title", {"Salt Road"}}, {"isrc", {"ZZGRW7400002"}}}, 100);
        const auto found = of("code-twice");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(found[0].files, (std::vector<FileId>{one, same, other}));
        QCOMPARE(found[0].sentence,
                 std::string("2 recordings have this ISRC, and they are of other lengths."));
    }

    void severalCodesForOneRecording() {
        const FileId a = song("a.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZGRW7400001"}}}),
                     b = song("b.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZGRW7400001"}}}),
                     c = song("c.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZGRW7400009"}}});
        QVERIFY(mergeRecordings(*store_, {a, b, c}));
        const auto found = of("two-codes");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(wished(found[0], c), (tags::Fields{{"isrc", {"ZZGRW7400001"}}}));
    }

    void anotherLabelsRegistrant() {
        for (int n = 0; n < 6; ++n) {
            song("g" + std::to_string(n),
                 {{"label", {"Gannet Row"}}, {"isrc", {"ZZGRW740000" + std::to_string(n)}}});
            song("f" + std::to_string(n),
                 {{"label", {"Fellside Reissues"}}, {"isrc", {"ZZFSR210000" + std::to_string(n)}}});
        }
        const FileId wrong = song("w.flac", {{"label", {"Fellside Reissues"}}, {"isrc", {"ZZGRW7400099"}}});
        const auto found = of("foreign-code");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(found[0].files, std::vector<FileId>{wrong});
    }

    void datesOfReissues() {
        song("old.flac",
             {{"title", {"Gorse"}}, {"album", {"A"}}, {"date", {"1974-05"}}, {"isrc", {"ZZGRW7400001"}}});
        const FileId again =
            song("new.flac",
                 {{"title", {"Gorse"}}, {"album", {"B"}}, {"date", {"2011"}}, {"isrc", {"ZZGRW7400001"}}});
        const auto found = of("reissue-date");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(wished(found[0], again), (tags::Fields{{"original_date", {"1974-05"}}}));
    }

    void valuesThatAreNearlyTheSame() {
        for (int n = 0; n < 9; ++n)
            song("k" + std::to_string(n), {{"artist", {"Kestrel & Rook"}}, {"label", {"Gannet Row"}}});
        const FileId misspelled = song("m.flac", {{"artist", {"Kestrel & Rokk"}}, {"label", {"gannet-row"}}}),
                     written = song("w.flac", {{"artist", {"kestrel and rook", "Wren-Low"}},
                                               {"label", {"Gannet Rows"}}});
        const auto found = of("near-values");
        QCOMPARE(found.size(), size_t{2});
        QCOMPARE(found[0].title, std::string("Kestrel & Rook"));
        QCOMPARE(found[0].files, (std::vector<FileId>{misspelled, written}));
        QCOMPARE(wished(found[0], written), (tags::Fields{{"artist", {"Kestrel & Rook", "Wren-Low"}}}));
        QCOMPARE(found[1].title, std::string("Gannet Row"));
    }

    void severalFixesOfOneField() {
        for (int n = 0; n < 9; ++n) {
            song("k" + std::to_string(n), {{"artist", {"Kestrel & Rook"}}});
            song("w" + std::to_string(n), {{"artist", {"Isla Varnholt"}}});
        }
        const FileId both = song("b.flac", {{"artist", {"Kestrell & Rook", "Isla Varnhotl"}}});
        const auto found = of("near-values");
        QCOMPARE(found.size(), size_t{2});
        auto wishes = wishesOf(*store_, found);
        QCOMPARE(wishes.size(), size_t{1});
        QCOMPARE(wishes[0].values, (Strings{"Kestrel & Rook", "Isla Varnholt"}));
        // What is drafted already stays.
        store_->drafts().save(
            {{both, "artist", std::nullopt, Draft{{"Kestrell & Rook", "Wren-Low"}, "typed", 1}}});
        wishes = wishesOf(*store_, found);
        QCOMPARE(wishes.size(), size_t{1});
        QCOMPARE(wishes[0].values, (Strings{"Kestrel & Rook", "Wren-Low"}));
    }

    void albumsOfOneArtistOnly() {
        for (int n = 0; n < 6; ++n)
            song("a" + std::to_string(n), {{"artist", {"Isla Varnholt"}}, {"album", {"Salt Road"}}});
        const FileId near = song("b", {{"artist", {"Isla Varnholt"}}, {"album", {"Salt Raod"}}});
        song("c", {{"artist", {"Odran Fell Quartet"}}, {"album", {"Salt Rood"}}});
        const auto found = of("near-values");
        QCOMPARE(found.size(), size_t{1});
        QCOMPARE(found[0].files, std::vector<FileId>{near});
        QCOMPARE(wished(found[0], near), (tags::Fields{{"album", {"Salt Road"}}}));
    }

    void otherNamesAreNotNearlyTheSame() {
        std::vector<CountedValue> values;
        for (const char* name :
             {"Volume 1", "Volume 2", "Anna Berg", "Anna Dahl", "Bell", "Ball", "Хор Маяка", "灯台うた会",
              "Odran Fell", "Odran Fell Quartet", "Tarnholm Choir", "Tarnholm Harbour Band"})
            values.push_back({name, values.size() % 2 ? 1u : 40u});
        QVERIFY(nearValues(values).empty());
        // About as frequent: it may be meant so.
        QVERIFY(nearValues({{"Marian Holt", 20}, {"Marion Holt", 18}}).empty());
        QCOMPARE(nearValues({{"Marian Holt", 20}, {"Marion Holt", 2}}).size(), size_t{1});
        const auto sure =
            nearValues({{"Åse-Linn Brække", 4}, {"ase linn braekke", 4}, {"Brække, Åse-Linn", 1}});
        QCOMPARE(sure.size(), size_t{1});
        QVERIFY(sure[0].isSure);
        QCOMPARE(sure[0].others.size(), size_t{2});
    }

    void plantedMisspellingsAreFound() {
        // Names of several words that are made up, and 300 of them misspelled once.
        std::mt19937 random(20261201);
        const char* parts[] = {"ar",  "bel", "cor", "dun", "eth", "fen", "gor", "hal",
                               "ist", "jor", "kel", "lum", "mor", "nes", "orr", "pel",
                               "rin", "sul", "tar", "ulv", "ven", "wes", "yar", "zel"};
        auto word = [&] {
            std::string out;
            for (int n = 0; n < 3; ++n)
                out += parts[random() % std::size(parts)];
            out[0] = static_cast<char>(std::toupper(out[0]));
            return out;
        };
        std::set<std::string> names;
        while (names.size() < 6000)
            names.insert(word() + " " + word());
        std::vector<CountedValue> values;
        for (const std::string& name : names)
            values.push_back({name, 8 + random() % 30});
        std::set<std::string> planted;
        while (planted.size() < 300) {
            std::string name = values[random() % 6000].text;
            const size_t at = 1 + random() % (name.size() - 2);
            if (name[at] == ' ' || name[at + 1] == ' ')
                continue;
            switch (random() % 3) {
            case 0:
                name[at] = name[at] == 'q' ? 'x' : 'q';
                break;
            case 1:
                name.erase(at, 1);
                break;
            default:
                std::swap(name[at], name[at + 1]);
            }
            if (!names.contains(name) && planted.insert(name).second)
                values.push_back({name, 1});
        }
        size_t right = 0, wrong = 0;
        for (const NearValues& group : nearValues(values))
            for (const size_t other : group.others)
                (planted.contains(values[other].text) ? right : wrong)++;
        QVERIFY2(right >= 280, qPrintable(QString::number(right)));
        QVERIFY2(wrong <= 20, qPrintable(QString::number(wrong)));
    }

    void absentAndUnreadable() {
        const FileId gone = track(1, {});
        track(2, {});
        store_->files().setAbsent({gone}, 1000);
        files::ScannedFile bad;
        bad.path = *box_ / "shelf/Night Post/bad.flac";
        bad.error = "It is no file of sound.";
        const FileId broken = store_->files().save(bad, shelf_);
        QCOMPARE(of("absent")[0].files, std::vector<FileId>{gone});
        QCOMPARE(of("unreadable")[0].files, std::vector<FileId>{broken});
        QVERIFY(of("numbers").empty()); // of what is there
    }

    void littleChangesAreLookedAtAlone() {
        std::vector<FileId> ids;
        for (int n = 1; n <= 3; ++n)
            ids.push_back(track(n, {{"date", {"1998"}}}));
        for (int album = 0; album < 20; ++album)
            for (int n = 1; n <= 3; ++n)
                track(n,
                      {{"album", {"Album " + std::to_string(album)}}, {"date", {n == 2 ? "1971" : "1970"}}},
                      "album " + std::to_string(album));
        RuleChoices choices;
        for (const char* rule : {"standard", "no-picture", "near-values"})
            choices.set(*auditRule(rule), {false, Weight::Slight, 0});
        QCOMPARE(all(choices).size(), size_t{20});
        auto change = [&](FileId id, const char* date) {
            auto record = *store_->files().find(id);
            record.tags.fields["date"] = {date};
            files::ScannedFile f;
            f.path = record.path;
            f.state = {77, 88};
            f.tags = record.tags;
            store_->files().save(f);
        };
        change(ids[1], "1899");
        auto before = held_;
        auto found = all(choices);
        QCOMPARE(found.size(), size_t{21});
        QVERIFY(held_ != before);
        change(ids[1], "1998");
        QCOMPARE(all(choices).size(), size_t{20});
        // A release that is no more.
        store_->files().forget(ids[0]);
        store_->files().forget(ids[1]);
        store_->files().forget(ids[2]);
        QCOMPARE(all(choices).size(), size_t{20});
        QCOMPARE(held_->units.size(), size_t{60});
        // The same as by looking at all.
        std::set<std::string> little, whole;
        for (const Finding& one : all(choices))
            little.insert(one.rule + one.about + one.sentence);
        held_ = nullptr;
        for (const Finding& one : all(choices))
            whole.insert(one.rule + one.about + one.sentence);
        QVERIFY(little == whole);
    }

    void findingsAreLeftUntilTheirFactsChange() {
        track(1, {{"date", {"1998"}}});
        track(2, {{"date", {"1998"}}});
        const FileId three = track(3, {{"date", {"1989"}}});
        const Finding one = of("disagrees")[0];
        FindingTable table(store_->database());
        table.leave({{findingKey(one.rule, one.about), one.rule, one.title, one.facts(), "It was so.", 5}});
        auto left = table.left();
        QCOMPARE(left.size(), size_t{1});
        QCOMPARE(left.begin()->second.reason, std::string("It was so."));
        QCOMPARE(left.at(findingKey(one.rule, one.about)).facts, of("disagrees")[0].facts());
        auto record = *store_->files().find(three);
        files::ScannedFile f;
        f.path = record.path;
        f.state = {77, 88};
        f.tags = record.tags;
        f.tags->fields["date"] = {"1990"};
        store_->files().save(f);
        const Finding now = of("disagrees")[0];
        QCOMPARE(findingKey(now.rule, now.about), findingKey(one.rule, one.about));
        QVERIFY(now.facts() != one.facts());
        table.bringBack({findingKey(one.rule, one.about)});
        QVERIFY(table.left().empty());
    }

    void countsDayByDay() {
        FindingTable table(store_->database());
        table.count("2026-11-29", {{"dates", 4}, {"numbers", 1}});
        table.count("2026-11-30", {{"dates", 3}});
        table.count("2026-11-30", {{"dates", 2}});
        table.count("2026-12-01", {{"dates", 1}});
        const auto counts = table.counts(2);
        QCOMPARE(counts.size(), size_t{2});
        QCOMPARE(counts[0].first, std::string("2026-11-30"));
        QCOMPARE(counts[0].second.at("dates"), size_t{2});
    }

    void damagedFindingsAreNone() {
        Findings findings;
        Finding one;
        one.rule = "dates";
        one.about = "x";
        one.title = "Gorse";
        one.files = {3, 9};
        one.evidence = {{"a", "b"}};
        one.fix.says = "as";
        one.fix.wishes = {{3, "date", {"1998"}}};
        one.fix.replacements = {{"artist", "a", "b"}};
        findings.add(one);
        const Finding back = findings[0];
        QCOMPARE(back.facts(), one.facts());
        QCOMPARE(back.files, one.files);
        QCOMPARE(back.fix.wishes[0].values, Strings{"1998"});
        QCOMPARE(back.fix.replacements[0].to, std::string("b"));
        QCOMPARE(findings.head(0).files, 2u);
        QVERIFY(findings.head(0).fix);
    }
};

QTEST_APPLESS_MAIN(TestFindings)
#include "test_findings.moc"
