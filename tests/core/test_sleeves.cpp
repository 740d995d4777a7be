// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/matching/readiness.h"
#include "core/matching/sleeves.h"

using namespace moorfrost;
using matching::SleeveInput;

class TestSleeves : public QObject {
    Q_OBJECT
private slots:
    void byFolderAlbumAndArtist() {
        tags::Fields ep = {{"album", {"Night Post EP"}}, {"album_artist", {"The Hollow Ferry"}}};
        tags::Fields epShouted = {{"album", {"NIGHT POST EP"}}, {"album_artist", {"the hollow ferry"}}};
        tags::Fields other = {{"album", {"Salt Road"}}};
        auto sleeves = matching::formSleeves(
            {{1, "/a/1.mp3", ep}, {2, "/a/2.mp3", epShouted}, {3, "/a/3.mp3", other}, {4, "/b/1.mp3", ep}});
        QCOMPARE(sleeves.size(), size_t{3});
        for (const auto& s : sleeves) {
            QVERIFY(!s.why.empty());
            if (s.ids.front() == 1)
                QCOMPARE(s.ids, (std::vector<int64_t>{1, 2}));
        }
    }

    void discFoldersBelongTogether() {
        tags::Fields one = {{"album", {"Live"}}, {"disc", {"1"}}, {"track", {"1"}}},
                     two = {{"album", {"Live"}}, {"disc", {"2"}}, {"track", {"1"}}};
        auto sleeves = matching::formSleeves({{2, "/live/CD2/01.mp3", two}, {1, "/live/CD 1/01.mp3", one}});
        QCOMPARE(sleeves.size(), size_t{1});
        QCOMPARE(sleeves[0].ids, (std::vector<int64_t>{1, 2}));
    }

    void numberedFoldersWithoutTags() {
        std::vector<SleeveInput> files;
        for (int64_t i = 1; i <= 5; ++i)
            files.push_back({i, "/x/Live/CD1/0" + std::to_string(i) + " a.mp3", {}});
        for (int64_t i = 6; i <= 9; ++i)
            files.push_back({i, "/x/Live/CD2/0" + std::to_string(i - 5) + " b.mp3", {}});
        files.push_back({10, "/x/strays/quayside.mp3", {}});
        files.push_back({11, "/x/strays/wren-low.mp3", {}});
        auto sleeves = matching::formSleeves(files);
        QCOMPARE(sleeves.size(), size_t{2});
        QCOMPARE(sleeves[0].ids.size(), size_t{9});
        QVERIFY(sleeves.back().key.empty());
        QCOMPARE(sleeves.back().ids.size(), size_t{2});
    }

    void order() {
        std::vector<SleeveInput> files = {{1, "/a/z.mp3", {{"album", {"A"}}, {"track", {"10"}}}},
                                          {2, "/a/y.mp3", {{"album", {"A"}}, {"track", {"2"}}}},
                                          {3, "/a/b 10.mp3", {{"album", {"A"}}}},
                                          {4, "/a/b 9.mp3", {{"album", {"A"}}}}};
        QCOMPARE(matching::formSleeves(files)[0].ids, (std::vector<int64_t>{2, 1, 4, 3}));
    }

    void readiness() {
        tags::Fields full = {
            {"title", {"a"}}, {"artist", {"b"}}, {"album", {"c"}}, {"date", {"1998"}}, {"track", {"1"}}};
        tags::Fields second = full;
        second["track"] = {"2"};
        auto parts = matching::readinessOf({{full, true}, {second, true}});
        for (const auto& p : parts)
            QVERIFY2(p.met == matching::Met::Yes, p.name.c_str());
        QCOMPARE(matching::gapsOf(parts), size_t{0});
        second["track"] = {"1"};
        second["date"] = {"1999"};
        second.erase("album");
        parts = matching::readinessOf({{full, true}, {second, false}});
        QCOMPARE(matching::gapsOf(parts), size_t{1});
        for (const auto& p : parts)
            QVERIFY(p.name == "Titles and artists" ? p.met == matching::Met::Yes
                                                   : p.met == matching::Met::Partly);
    }
};

QTEST_GUILESS_MAIN(TestSleeves)
#include "test_sleeves.moc"
