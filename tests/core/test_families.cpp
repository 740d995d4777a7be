// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of a recording: as names tell them, proposed over a library, settled and taken back.
#include <QtTest>

#include "core/library/families/families.h"
#include "core/library/recordings.h"
#include "support/edition_world.h"
#include "support/sample_files.h"
#include "support/search_records.h"

using namespace moorfrost;
using library::FileId;

class TestFamilies : public QObject {
    Q_OBJECT
private slots:
    void versionsAsTheyAreShown() {
        for (const auto& [kind, detail, shown] :
             std::initializer_list<std::tuple<const char*, const char*, const char*>>{
                 {"lead", "", "Lead version"},
                 {"instrumental", "", "Instrumental"},
                 {"edit", "radio edit", "Radio edit"},
                 {"edit", "30 seconds", "Edit, 30 seconds"},
                 {"remix", "Tom Rook", "Remix, Tom Rook"},
                 {"remix", "Tom Rook Remix", "Tom Rook Remix"},
                 {"other", "\u00e5rets beste", "\u00c5rets beste"},
                 {"stem", "bass", "Stem, bass"},
                 {"", "", ""}})
            QCOMPARE(library::shownVersion(kind, detail), std::string(shown));
    }

    void namesTellVersions_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("core");
        QTest::addColumn<QString>("kind");
        QTest::addColumn<QString>("detail");
        auto row = [](const char* name, const char* core, const char* kind, const char* detail) {
            QTest::newRow(name) << QString::fromUtf8(name) << QString::fromUtf8(core) << QString(kind)
                                << QString(detail);
        };
        row("Lanterns", "lanterns", "", "");
        row("Lanterns (Instrumental)", "lanterns", "instrumental", "");
        row("Lanterns (a cappella)", "lanterns", "a cappella", "");
        row("Lanterns (Radio Edit)", "lanterns", "edit", "Radio Edit");
        row("Lanterns (30 second edit)", "lanterns", "edit", "30 second edit");
        row("Lanterns - Live", "lanterns", "live", "");
        row("Lanterns (Live at Tarnholm Hall)", "lanterns", "live", "at Tarnholm Hall");
        row("Lanterns (Wren-Low Remix)", "lanterns", "remix", "Wren Low");
        row("Night Post (2011 Remaster)", "night post", "remaster", "2011 Remaster");
        row("Lanterns [Demo]", "lanterns", "demo", "");
        row("mix7_FINAL2", "mix7", "", "");
        row("mix7_FINAL2_instr", "mix7", "instrumental", "");
        row("mix7_vox_only", "mix7", "a cappella", "");
        row("moor song v3 (radio)", "moor song", "edit", "radio");
        row("LANTERNS_stem_bass", "lanterns", "stem", "bass");
        row("LANTERNS_acappella", "lanterns", "a cappella", "");
        row("Lanterns stem drums", "lanterns", "stem", "drums");
        row("Slack Water, Part 2", "slack water part 2", "", "");
        row("Where I Live", "where i live", "", "");
        row("Live", "live", "", "");
        row("Demo", "demo", "", "");
        row("(Instrumental)", "instrumental", "", "");
        row("The Brass Stem", "the brass stem", "", "");
        row("Ветер (live)", "ветер", "live", "");
    }
    void namesTellVersions() {
        QFETCH(QString, name);
        const auto read = library::readVersionName(name.toStdString());
        QTEST(QString::fromStdString(read.core), "core");
        QTEST(QString::fromStdString(read.kind), "kind");
        QTEST(QString::fromStdString(read.detail), "detail");
    }

    void familiesAreFoundInALibrary() {
        const test::EditionWorld world = test::editionWorld(6000, 11);
        const library::Searcher searcher(library::columnsOf(world.files));
        std::map<int, size_t> count;
        for (const auto& [file, family] : world.familyOf)
            ++count[family];
        size_t wanted = 0, told = 0, right = 0;
        for (const auto& [family, n] : count)
            wanted += n * (n - 1) / 2;
        auto familyOf = [&](FileId file) {
            const auto it = world.familyOf.find(file);
            return it == world.familyOf.end() ? -static_cast<int>(file) : it->second;
        };
        QString wrong;
        for (const auto& p : library::proposeFamilies(searcher))
            for (size_t i = 0; i < p.versions.size(); ++i)
                for (size_t j = i + 1; j < p.versions.size(); ++j) {
                    ++told;
                    const bool ok = familyOf(p.versions[i].file) == familyOf(p.versions[j].file);
                    right += ok;
                    if (!ok && wrong.size() < 2000)
                        wrong += QString("%1 | %2\n")
                                     .arg(title(searcher, p.versions[i].file),
                                          title(searcher, p.versions[j].file));
                }
        qInfo("%zu pairs, %zu told, %zu right", wanted, told, right);
        QVERIFY2(right * 100 >= told * 98, qPrintable(wrong));
        QVERIFY(right * 10 >= wanted * 9);
    }

    /// Bounces that are still on the bench, and the song that stands on a shelf.
    void versionsThatAreNoPartOfTheLibrary() {
        const library::Searcher searcher(library::columnsOf(
            {library::record(1, {{"title", {"Lanterns"}}, {"artist", {"Kestrel & Rook"}}}, "/archive/a.flac"),
             library::record(2, {{"title", {"Gorse"}}}, "/archive/b.flac")}));
        const std::vector<library::NamedFile> beside = {
            {11, "", "", "/in/bounces/LANTERNS_stem_bass.wav", 180},
            {12, "", "", "/in/bounces/LANTERNS_acappella.wav", 180},
            {13, "", "", "/in/bounces/mix7_FINAL2.wav", 200},
            {14, "", "", "/in/bounces/mix7_FINAL2_instr.wav", 200},
            {15, "Lanterns (Live)", "Kestrel & Rook feat. Wren-Low", "/in/live.wav", 210}};
        const auto found = library::proposeFamilies(searcher, {11, 12, 13, 14, 15}, beside);
        QCOMPARE(found.size(), size_t{3});
        std::map<FileId, std::map<FileId, std::string>> byLead;
        for (const auto& p : found)
            for (const auto& v : p.versions)
                byLead[p.versions.front().file][v.file] = v.kind;
        QCOMPARE(byLead[13][14], std::string("instrumental"));
        QVERIFY(byLead.contains(1)); // two of them, by the name alone and by the artist
        QVERIFY(!byLead.contains(2));
        // Without files of the library they are still versions of one another.
        const library::Searcher none(library::columnsOf({}));
        QCOMPARE(library::proposeFamilies(none, {11, 12}, beside).size(), size_t{1});
    }

    void settledAndTakenBack() {
        test::Sandbox box;
        auto store = std::move(*library::Store::open(box / "library.db"));
        const int64_t shelf = store->shelves().add("Archive", box / "shelf");
        std::vector<FileId> files;
        for (const char* name : {"lanterns.wav", "lanterns_instr.wav", "lanterns_acap.wav", "other.wav"}) {
            files::ScannedFile f;
            f.path = box / "shelf" / name;
            f.state = {1, 2};
            f.tags = tags::TagFile();
            files.push_back(store->files().save(f, shelf));
        }
        auto family = [&](FileId file) {
            return library::familyOf(*store, store->recordings().ensure(file));
        };
        const auto made = library::keepFamilies(
            *store, {{{files[1], "instrumental", ""}, {files[0], library::leadVersion, ""}}});
        QVERIFY(made);
        QCOMPARE(family(files[1]).members.size(), size_t{2});
        QCOMPARE(family(files[1]).members[0].files.front(), files[0]); // the lead is the first
        // Another comes to it.
        const auto more = library::keepFamilies(
            *store, {{{files[0], library::leadVersion, ""}, {files[2], "a cappella", ""}}});
        QVERIFY(more);
        QCOMPARE(family(files[0]).members.size(), size_t{3});
        QCOMPARE(library::allFamilies(*store).size(), size_t{1});
        // The lead goes: the next one leads.
        const auto gone = library::leaveFamily(*store, {files[0]});
        QVERIFY(gone);
        QCOMPARE(family(files[2]).members[0].kind, std::string(library::leadVersion));
        QVERIFY(family(files[0]).id.empty());
        QVERIFY(library::takeBackChange(*store, gone->change));
        QCOMPARE(family(files[0]).members[0].kind, std::string(library::leadVersion));
        QVERIFY(library::leaveFamily(*store, {files[1], files[2]}));
        QVERIFY(family(files[0]).id.empty()); // nobody is a family alone
        QVERIFY(!library::leaveFamily(*store, {files[3]}));
        QVERIFY(!library::keepFamilies(*store, {{{files[0], "lead", ""}}}));
        QVERIFY(!library::keepFamilies(*store, {{{files[0], "lead", ""}, {files[1], "lead", ""}}}));
        QVERIFY(!library::keepFamilies(*store, {{{files[0], "lead", ""}, {files[1], "weather", ""}}}));
        QVERIFY(!library::keepFamilies(*store, {{{files[0], "lead", ""}, {999, "live", ""}}}));
        QVERIFY(family(files[0]).id.empty());
    }

    /// A file that is parted from the lead is another version: there is one lead.
    void partedFromTheLead() {
        test::Sandbox box;
        auto store = std::move(*library::Store::open(box / "library.db"));
        const int64_t shelf = store->shelves().add("Archive", box / "shelf");
        std::vector<FileId> files;
        for (const char* name : {"lanterns.wav", "lanterns.flac", "lanterns_instr.wav"}) {
            files::ScannedFile f;
            f.path = box / "shelf" / name;
            f.state = {1, 2};
            f.tags = tags::TagFile();
            files.push_back(store->files().save(f, shelf));
        }
        QVERIFY(library::mergeRecordings(*store, {files[0], files[1]}));
        QVERIFY(library::keepFamilies(
            *store, {{{files[0], library::leadVersion, ""}, {files[2], "instrumental", ""}}}));
        QVERIFY(library::partFiles(*store, {files[1]}));
        const auto family = library::familyOf(*store, store->recordings().placeOf(files[0]).recording);
        QCOMPARE(family.members.size(), size_t{3});
        QCOMPARE(std::ranges::count(family.members, std::string(library::leadVersion),
                                    &library::FamilyMember::kind),
                 1);
        QCOMPARE(family.members[0].files.front(), files[0]);
    }

    void aFolderOfBouncesFindsItsLead() {
        auto file = [](FileId id, const char* path, tags::Fields fields, double seconds = 200) {
            return library::record(id, std::move(fields), path, seconds);
        };
        const std::vector<library::FileRecord> files = {
            file(1, "/archive/Lanterns/1.m4a", {{"title", {"Lanterns"}}, {"artist", {"Kestrel & Rook"}}}),
            file(2, "/archive/bounces/LANTERNS_stem_drums.wav", {}),
            file(3, "/archive/bounces/LANTERNS_stem_bass.wav", {}),
            file(4, "/archive/bounces/LANTERNS_acappella.wav", {}),
            file(5, "/archive/bounces/untitled 12.wav", {})};
        const library::Searcher searcher(library::columnsOf(files));
        const auto proposals = library::proposeFamilies(searcher, {2, 3, 4, 5});
        QCOMPARE(proposals.size(), size_t{1});
        QCOMPARE(proposals[0].versions.size(), size_t{4});
        QCOMPARE(proposals[0].versions[0], (library::VersionToKeep{1, library::leadVersion, ""}));
        QVERIFY(proposals[0].hasLead);
        // Those that are in one family already are not proposed again.
        QVERIFY(library::proposeFamilies(searcher, {2, 3, 4, 5}, {}, [](FileId) {
                    return std::string("1");
                }).empty());
    }

private:
    static QString title(const library::Searcher& s, FileId file) {
        return QString::fromStdString(s.text(*s.rowOf(file), "title") + " / " +
                                      s.text(*s.rowOf(file), "album"));
    }
};

QTEST_APPLESS_MAIN(TestFamilies)
#include "test_families.moc"
