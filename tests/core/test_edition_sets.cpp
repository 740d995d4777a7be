// SPDX-License-Identifier: GPL-3.0-or-later
// Which releases are editions of one and the same.
#include <QtTest>

#include "core/library/releases/edition_sets.h"
#include "support/edition_world.h"
#include "support/search_records.h"

using namespace moorfrost;
using library::FileId;

class TestEditionSets : public QObject {
    Q_OBJECT
private slots:
    void titlesWithoutWhatTellsEditionsApart() {
        QCOMPARE(library::coreTitle("Salt Road (2011 Remaster)"), std::string("salt road"));
        QCOMPARE(library::coreTitle("Night Post EP"), std::string("night post"));
        QCOMPARE(library::coreTitle("The Salt Road [Deluxe Edition]"), std::string("salt road"));
        QCOMPARE(library::coreTitle("Salt Road - Remastered 2011"), std::string("salt road"));
        QCOMPARE(library::coreTitle("Processional (Part Two)"), std::string("processional part two"));
        QCOMPARE(library::coreTitle("Harbour, Volume 2"), std::string("harbour volume 2"));
        QCOMPARE(library::coreTitle("EP"), std::string("ep"));
        QCOMPARE(library::coreTitle("(1979)"), std::string("1979"));
    }

    /// Precision and recall over pairs of releases.
    void editionsAreFoundInALibrary() {
        const test::EditionWorld world = test::editionWorld(6000, 7);
        const auto list = library::ReleaseList::make(
            std::make_shared<library::Searcher>(library::columnsOf(world.files)), {});
        std::vector<int> truth;
        std::map<int, size_t> count;
        for (const library::ReleaseEntry& e : list->entries()) {
            truth.push_back(world.setOf.at(e.ref.files.front()));
            ++count[truth.back()];
        }
        size_t wanted = 0, told = 0, right = 0;
        for (const auto& [set, n] : count)
            wanted += n * (n - 1) / 2;
        QString wrong;
        for (const library::SetProposal& p : library::proposeSets(*list))
            for (size_t i = 0; i < p.entries.size(); ++i)
                for (size_t j = i + 1; j < p.entries.size(); ++j) {
                    ++told;
                    const bool ok = truth[p.entries[i]] == truth[p.entries[j]];
                    right += ok;
                    if (!ok && wrong.size() < 2000)
                        wrong += QString("%1 | %2 (%3 %4)\n")
                                     .arg(QString::fromStdString(list->entries()[p.entries[i]].title),
                                          QString::fromStdString(list->entries()[p.entries[j]].title))
                                     .arg(p.evidence.sure)
                                     .arg(QString::fromStdString(p.evidence.words()));
                }
        qInfo("%zu pairs, %zu told, %zu right", wanted, told, right);
        QVERIFY2(right * 100 >= told * 98, qPrintable(wrong));
        QVERIFY(right * 10 >= wanted * 9);
    }

    void whatIsAlikeWhileOneTypes() {
        const std::vector<library::FileRecord> files = {
            library::record(1, {{"album", {"Night Post EP"}},
                                {"album_artist", {"The Hollow Ferry"}},
                                {"title", {"Night Post"}},
                                {"catalogue_number", {"GR 014"}},
                                {"barcode", {"2000014000056"}}}),
            library::record(
                2, {{"album", {"Salt Road"}}, {"album_artist", {"Isla Varnholt"}}, {"title", {"Salt Road"}}},
                "/archive/b/a.flac"),
        };
        const auto list =
            library::ReleaseList::make(std::make_shared<library::Searcher>(library::columnsOf(files)), {});
        auto first = [&](const library::ReleaseClue& clue) {
            const auto like = library::likeReleases(*list, clue);
            return like.empty() ? std::string() : list->entries()[like.front().entry].title;
        };
        QCOMPARE(first({"night post", "", "", "", {}}), std::string("Night Post EP"));
        QCOMPARE(first({"", "", "GR014", "", {}}), std::string("Night Post EP"));
        QCOMPARE(first({"", "", "", "2 000014 000056", {}}), std::string("Night Post EP"));
        QCOMPARE(first({"salt ro", "", "", "", {}}), std::string("Salt Road"));
        QCOMPARE(first({"Lanterns", "Kestrel & Rook", "", "", {}}), std::string());
        QCOMPARE(first({"", "", "", "", {}}), std::string());
    }
};

QTEST_APPLESS_MAIN(TestEditionSets)
#include "test_edition_sets.moc"
