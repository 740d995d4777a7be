// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of lists and packages: handed on as JSON and back, what is wrong with others, which one is meant.
#include <QtTest>

#include "core/deliver/list_layout.h"
#include "core/deliver/package/package_layout.h"

using namespace moorfrost;
using namespace moorfrost::deliver;
using PlaceKind = exchange::PlaceStyle::Kind;

class TestDeliverLayouts : public QObject {
    Q_OBJECT
private slots:
    void listsAreHandedOn() {
        std::vector<ListLayout> all = shippedListLayouts();
        all.push_back({"To the ferry", ListForm::Cue, {PlaceKind::Rewritten, "/srv/music", "M:\\music"}});
        for (const ListLayout& layout : all) {
            const auto back = listLayoutFromJson(listLayoutJson(layout));
            QVERIFY2(back, back ? "" : back.error().message.c_str());
            QVERIFY(*back == layout);
        }
        QCOMPARE(listLayoutJson(all.back()),
                 std::string(R"({"list_layout":"To the ferry","form":"cue","places":"rewritten",)"
                             R"("paths":{"from":"/srv/music","to":"M:\\music"}})"));
        for (const auto& [json, word] : {std::pair(R"([])", "JSON"),
                                         {R"({"form": "cue"})", "name"},
                                         {R"({"list_layout": 3})", "name"},
                                         {R"({"list_layout": "A", "form": "wav"})", "wav"},
                                         {R"({"list_layout": "A", "places": "up"})", "up"},
                                         {R"({"list_layout": "A", "paths": 3})", "paths"},
                                         {R"({"list_layout": "A", "paths": {"from": 3}})", "from"}}) {
            const auto layout = listLayoutFromJson(json);
            QVERIFY(!layout);
            QVERIFY2(layout.error().message.find(word) != std::string::npos, layout.error().message.c_str());
            QVERIFY(layout.error().message.starts_with("This is no layout of a list: "));
        }
    }

    void listsAreWrittenByTheirForm() {
        exchange::Playlist list;
        list.title = "Ferry";
        list.entries = {{"Gorse.flac", "Gorse", "Wren-Low", "Night Post", 185, {}}};
        QVERIFY(listText(list, ListForm::M3u8).starts_with("#EXTM3U"));
        QVERIFY(listText(list, ListForm::Xspf).find("<location>Gorse.flac</location>") != std::string::npos);
        QVERIFY(listText(list, ListForm::Cue).starts_with("TITLE \"Ferry\""));
    }

    void packagesAreHandedOn() {
        const PackageLayout layout = {"County archive", "The county archive", "Tarnholm Sound Archive",
                                      "Isla Varnholt",  "isla@example.org",   "Tapes of the harbour"};
        const auto back = packageLayoutFromJson(packageLayoutJson(layout));
        QVERIFY(back && *back == layout);
        QVERIFY(!packageLayoutFromJson(R"({"package_layout": ""})"));
        const auto wrong = packageLayoutFromJson(R"({"package_layout": "A", "mail": ["x"]})");
        QVERIFY(!wrong && wrong.error().message.find("mail") != std::string::npos);
        const PackageInfo info = packageInfo(layout, "Lanterns", "TSA 7");
        QCOMPARE(info.front(), std::pair(std::string("Source-Organization"), layout.organisation));
        QCOMPARE(info.back().second, layout.description);
        QCOMPARE(packageInfo({}, "Lanterns", {}).back().second, std::string("Lanterns"));
    }

    void whatIsKeptStandsBeforeWhatIsShipped() {
        const ListLayout own = {" xspf ", ListForm::Cue, {}};
        const auto all = listLayoutsFrom({listLayoutJson(own), "nonsense", R"({"list_layout": "Xspf"})",
                                          listLayoutJson({"Ferry", ListForm::M3u8, {}})});
        QCOMPARE(all.size(), shippedListLayouts().size() + 1);
        QCOMPARE(all[0].name, std::string("xspf")); // in the place of the one that is shipped
        QCOMPARE(all[0].form, ListForm::Cue);
        QCOMPARE(all[1].name, std::string("Ferry"));
        QCOMPARE(listLayoutNamed(all, "FERRY"), &all[1]);
        QVERIFY(!listLayoutNamed(all, "Boat"));
        const auto packages = packageLayoutsFrom({packageLayoutJson({"County", {}, {}, {}, {}, {}})});
        QCOMPARE(packages.front().name, std::string("County"));
        QCOMPARE(packageLayoutNamed(packages, "for any archive"), &packages.back());
    }
};

QTEST_APPLESS_MAIN(TestDeliverLayouts)
#include "test_deliver_layouts.moc"
