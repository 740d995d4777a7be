// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: typed, with what holds where nothing was set, and as texts in the library.
#include <QtTest>

#include "core/library/store/store.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestSettings : public QObject {
    Q_OBJECT

    template<class T>
    static void comesBack(Store& store, const Setting<T>& setting, const T& value) {
        QVERIFY(store.settings().get(setting) == setting.byDefault);
        store.settings().set(setting, value);
        QVERIFY(store.settings().get(setting) == value);
    }

private slots:
    void whatIsSetComesBack() {
        test::Sandbox box;
        {
            auto store = std::move(*Store::open(box / "library.db"));
            comesBack(*store, settings::recentFolders, {"/sound/Ålesund tapes", "/b"});
            comesBack(*store, settings::names, files::NameProfile::StrictAscii);
            comesBack(*store, settings::keepTimes, true);
            comesBack<int64_t>(*store, settings::historyLimit, 500'000'000);
            comesBack(*store, settings::sleeveOrder, SleeveOrder::LeastReady);
            comesBack(*store, settings::words, WordPlaces::Beginnings);
            comesBack<std::string>(*store, settings::lastPlan, "{album}/{title}");
        }
        auto store = std::move(*Store::open(box / "library.db"));
        QCOMPARE(store->settings().get(settings::recentFolders).size(), size_t{2});
        QVERIFY(store->settings().get(settings::sleeveOrder) == SleeveOrder::LeastReady);
        QVERIFY(store->settings().all().contains("keep-times"));
    }

    /// As earlier versions wrote them.
    void theTextsStay() {
        QCOMPARE(settingText(true), std::string("yes"));
        QCOMPARE(settingText(SleeveOrder::MostFiles), std::string("most files"));
        QCOMPARE(settingText(WordPlaces::Beginnings), std::string("beginnings"));
        QCOMPARE(settingText(files::NameProfile::Linux), std::string("linux"));
        QVERIFY(settingFrom("1", settings::readShelves));
        QCOMPARE(settingFrom("a\n\nb\n", settings::recentFolders), (std::vector<std::string>{"a", "b"}));
    }

    void whatMakesNoSenseIsTheDefault() {
        QCOMPARE(settingFrom("a lot", settings::historyLimit), int64_t{2'000'000'000});
        QCOMPARE(settingFrom("12 GB", settings::historyLimit), int64_t{2'000'000'000});
        QVERIFY(settingFrom("upside down", settings::sleeveOrder) == SleeveOrder::Title);
        QVERIFY(!settingFrom("perhaps", settings::keepTimes));
        QCOMPARE(settingFrom("", settings::putAwayMode), std::string("move"));
    }
};

QTEST_GUILESS_MAIN(TestSettings)
#include "test_settings.moc"
