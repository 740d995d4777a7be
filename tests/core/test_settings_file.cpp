// SPDX-License-Identifier: GPL-3.0-or-later
// Settings as one file: out, in, and what is wrong with it.
#include <QtTest>

#include <nlohmann/json.hpp>

#include "core/audit/standard.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/rows/row_layout.h"
#include "core/edits/chain.h"
#include "core/library/settings_file.h"
#include "core/library/store/store.h"
#include "core/text/text.h"
#include "support/cli.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestSettingsFile : public QObject {
    Q_OBJECT

    static std::map<std::string, std::string> some() {
        edits::Chain chain;
        chain.name = "Tidy transfers";
        chain.steps.push_back({"tidy", {}});
        deliver::RowLayout layout = deliver::shippedRowLayouts().front();
        layout.name = "Playout";
        return {{settings::plans.key,
                 settingText(std::vector<std::string>{"By artist\t{artist}/{title}", "Плёнки\t{album}"})},
                {settings::chains.key, settingText(std::vector<std::string>{edits::chainJson(chain, true)})},
                {settings::standards.key, audit::toJson(audit::shippedStandards())},
                {settings::rowLayouts.key, settingText(std::vector<std::string>{
                                               text::replaceAll(deliver::rowLayoutJson(layout), "\n", " ")})},
                {settings::keepTimes.key, "yes"},
                {settings::historyLimit.key, "5000000000"},
                {settings::names.key, "ascii"},
                {settings::lastPlan.key, "{title}"},
                {settings::recentFolders.key, "/home/mara/music"}};
    }
    static QString refused(const std::string& json) {
        const auto taken = settingsFromFile(json);
        return taken ? QString() : QString::fromStdString(taken.error().message);
    }
    static std::string with(const std::string& inner) {
        return R"({"moorfrost settings": 1, "settings": {)" + inner + "}}";
    }

private slots:
    void whatGoesOutComesIn() {
        const auto all = some();
        const std::string file = settingsFile(all);
        const auto taken = settingsFromFile(file);
        QVERIFY2(taken, taken ? "" : taken.error().message.c_str());
        QVERIFY(taken->passedOver.empty());
        for (const char* key :
             {settings::plans.key, settings::keepTimes.key, settings::historyLimit.key, settings::names.key})
            QCOMPARE(taken->settings.at(key), all.at(key));
        // What is JSON may be spaced otherwise, and says the same.
        using Json = nlohmann::json;
        QCOMPARE(Json::parse(taken->settings.at(settings::standards.key)),
                 Json::parse(all.at(settings::standards.key)));
        QCOMPARE(Json::parse(taken->settings.at(settings::chains.key)),
                 Json::parse(all.at(settings::chains.key)));
        // Once more round it is the very same file.
        QCOMPARE(settingsFile(taken->settings), file);
        QCOMPARE(taken->groups.front().key, std::string("plans"));
        QCOMPARE(taken->groups.front().entries, size_t{2});
    }

    void whatBelongsToThisMachineStays() {
        const std::string file = settingsFile(some());
        QVERIFY(file.find("mara") == std::string::npos);
        QVERIFY(file.find("last plan") == std::string::npos);
    }

    void onlySome() {
        const std::string file = settingsFile(some(), {"plans", "ways"});
        QVERIFY(file.find("standards\"") == std::string::npos);
        const auto taken = settingsFromFile(file);
        QVERIFY(taken);
        QCOMPARE(taken->of({"plans"}).size(), size_t{1});
        QVERIFY(taken->of({}).empty());
    }

    void everySettingOfTheGroupsIsKnown() {
        std::set<std::string> seen;
        for (const SettingGroup& group : settingGroups())
            for (const char* key : group.settings) {
                QVERIFY2(seen.insert(key).second, key);
                QVERIFY2(!settingsFile({{key, "x"}}).empty(), key);
            }
    }

    void badFiles() {
        QVERIFY(refused("").contains("no file of Moorfrost"));
        QVERIFY(refused("[]").contains("no file of Moorfrost"));
        QVERIFY(refused(R"({"settings": {}})").contains("no file of Moorfrost"));
        QVERIFY(refused(R"({"moorfrost settings": "1"})").contains("no file of Moorfrost"));
        QVERIFY(refused(R"({"moorfrost settings": 2, "settings": {}})").contains("newer"));
        QVERIFY(refused(R"({"moorfrost settings": 1})").contains("no settings"));
        QCOMPARE(refused(with(R"("names": "windows")")),
                 QString("\"names\": \"windows\" is none of linux, portable, ascii."));
        QVERIFY(refused(with(R"("keep-times": "yes")")).contains("true or false"));
        QVERIFY(refused(with(R"("history-limit": -1)")).contains("whole number"));
        QVERIFY(refused(with(R"("plans": "one")")).contains("list"));
        QVERIFY(refused(with(R"("plans": [1])")).contains("texts"));
        QVERIFY(refused(with(R"("plans": ["a\nb"])")).contains("one line"));
        QVERIFY(
            refused(
                with(
                    R"("standards": {"moorfrost standards": 1, "standards": [{"name": "A", "rules": [{"rule": "taste"}]}]})"))
                .contains("standards"));
        QVERIFY(refused(with(R"("chains": [{"no": "chain"}])")).contains("chains"));
        QVERIFY(refused(with("\"audit rules\": " + std::string(1'000'000, '[') + std::string(1'000'000, ']')))
                    .contains("nested"));
        QVERIFY(refused(std::string(40u << 20, ' ')).contains("too large"));
        // One that is not understood is passed over; the rest comes in.
        const auto taken = settingsFromFile(with(R"("colour of the moon": 1, "keep-times": true)"));
        QVERIFY(taken);
        QCOMPARE(taken->passedOver, std::vector<std::string>{"colour of the moon"});
        QCOMPARE(taken->settings.size(), size_t{1});
    }

    void onTheCommandLine() {
        const test::Sandbox box;
        {
            auto store = std::move(*Store::open(box / "library.db"));
            for (const auto& [key, value] : some())
                store->settings().save(key, value);
        }
        test::CliAnswer out = test::runCli(
            box.root(), {"settings", "export", "--to", QByteArray((box / "all.json").c_str())}, false);
        QCOMPARE(out.code, 0);
        std::filesystem::rename(box / "library.db", box / "first.db");
        test::CliAnswer dry = test::runCli(
            box.root(), {"settings", "import", QByteArray((box / "all.json").c_str()), "--dry-run"});
        QCOMPARE(dry.code, 0);
        QVERIFY(dry.lines.size() >= 4);
        QCOMPARE(dry.lines[0]["settings"].toString(), QString("plans"));
        QCOMPARE(dry.lines[0]["taken"].toBool(), false);
        test::CliAnswer in =
            test::runCli(box.root(), {"settings", "import", QByteArray((box / "all.json").c_str()), "--only",
                                      "plans,ways"});
        QCOMPARE(in.code, 0);
        {
            auto store = std::move(*Store::open(box / "library.db"));
            QCOMPARE(store->settings().get(settings::plans).size(), size_t{2});
            QCOMPARE(store->settings().get(settings::historyLimit), int64_t{5'000'000'000});
            QVERIFY(store->settings().find(settings::standards.key).empty());
        }
        QCOMPARE(test::runCli(box.root(), {"settings", "import"}, false).code, 2);
        QCOMPARE(test::runCli(box.root(), {"settings", "export", "--only", "moon"}, false).code, 2);
        test::writeBytes(box / "bad.json", "{}");
        const test::CliAnswer bad =
            test::runCli(box.root(), {"settings", "import", QByteArray((box / "bad.json").c_str())}, false);
        QCOMPARE(bad.code, 1);
        QVERIFY(bad.messages.contains("no file of Moorfrost"));
    }
};

QTEST_GUILESS_MAIN(TestSettingsFile)
#include "test_settings_file.moc"
