// SPDX-License-Identifier: GPL-3.0-or-later
// The library as a reference beside others: what stands on the shelves is found, told once, and never takes
// files for an answer to themselves.
#include <QtTest>

#include "core/bench/taking.h"
#include "core/library/library_reference.h"
#include "core/library/releases/release_changes.h"
#include "core/matching/identify.h"
#include "core/matching/same_edition.h"
#include "core/matching/single_file.h"
#include "support/reference_shelf.h"
#include "support/sample_files.h"
#include "support/search_records.h"

using namespace moorfrost;
using namespace moorfrost::library;
using test::filesOf, test::named, test::world;

namespace {

/// The files of a release as they stand on a shelf; without the number that a reference leaves.
void shelve(const char* id, const std::string& folder, std::vector<FileRecord>& out, bool number = false) {
    const reference::Release& r = named(id);
    for (size_t m = 0; m < r.media.size(); ++m)
        for (size_t t = 0; t < r.media[m].tracks.size(); ++t) {
            tags::Fields fields = bench::fieldsOf(r, m, t, "cairn");
            if (!number)
                fields.erase(matching::referenceNumberField);
            const std::string path = folder + "/" + std::to_string(out.size()) + ".flac";
            out.push_back(record(static_cast<FileId>(1000 + out.size()), std::move(fields), path.c_str(),
                                 static_cast<double>(r.media[m].tracks[t].lengthMs) / 1000));
        }
}

std::shared_ptr<const Searcher> searcherOf(const std::vector<FileRecord>& records) {
    return std::make_shared<const Searcher>(columnsOf(records));
}

LibraryReference& asked(LibraryReference& r, const std::vector<FileRecord>& records) {
    r.setLibrary(searcherOf(records));
    return r;
}

reference::Question about(const char* artist, const char* album) {
    reference::Question q;
    q.artist = artist;
    q.album = album;
    return q;
}

} // namespace

class TestLibraryReference : public QObject {
    Q_OBJECT
private slots:
    void whatStandsThereIsTold() {
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there);
        shelve("lanterns-cd", "/archive/Lanterns", there);
        LibraryReference library("Your library");
        QVERIFY(library.find(about("", "Salt Road"), {})->empty()); // not read yet
        asked(library, there);
        const auto found = library.find(about("Ida Lindqvst", "Slat Road"), {});
        QVERIFY(found && !found->empty());
        const reference::Release& cd = named("salt-road-cd");
        const reference::Release& r = found->front();
        QCOMPARE(r.title, cd.title);
        QCOMPARE(r.credit.text(), cd.credit.text());
        QCOMPARE(r.trackCount(), cd.trackCount());
        QCOMPARE(r.date(), cd.date());
        QCOMPARE(r.labels.at(0).catalogueNumber, cd.labels.at(0).catalogueNumber);
        QCOMPARE(r.media.size(), cd.media.size());
        QCOMPARE(r.media[0].tracks[0].title, cd.media[0].tracks[0].title);
        QCOMPARE(r.media[0].tracks[0].lengthMs, cd.media[0].tracks[0].lengthMs);
        QVERIFY(*library.fetch(r.id, {}) == r);
        QCOMPARE(library.fetch("nothing", {}).error().kind, ErrorKind::NotFound);
        std::stop_source stop;
        stop.request_stop();
        shelve("night-post-cd", "/archive/Night Post", there);
        asked(library, there);
        QCOMPARE(library.find(about("", "Night Post"), stop.get_token()).error().kind, ErrorKind::Cancelled);
        QVERIFY(!library.find(about("", "Night Post"), {})->empty()); // what has come since
    }

    void byItsTracks() {
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there);
        shelve("lanterns-cd", "/archive/Lanterns", there);
        LibraryReference library("Your library");
        asked(library, there);
        reference::Question titles;
        for (const reference::Track& t : named("lanterns-cd").media[0].tracks)
            titles.tracks.push_back(t.title);
        QCOMPARE(library.find(titles, {})->at(0).title, named("lanterns-cd").title);
        reference::Question code;
        code.isrcs = named("salt-road-cd").media[0].tracks[2].isrcs;
        QVERIFY(!code.isrcs.empty());
        QCOMPARE(library.find(code, {})->at(0).title, named("salt-road-cd").title);
        QCOMPARE(library.find(code, {})->size(), size_t{1});
    }

    void theNumberOfAnEarlierMatchStays() {
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there, true);
        LibraryReference library("Your library");
        const auto found = asked(library, there).find(about("", "Salt Road"), {});
        QCOMPARE(found->at(0).id, std::string("cairn:salt-road-cd"));
        QCOMPARE(reference::numberOf(library.key(), found->at(0).id), std::string("cairn:salt-road-cd"));
        QCOMPARE(bench::fieldsOf(found->at(0), 0, 0, library.key()).at(matching::referenceNumberField),
                 std::vector<std::string>{"cairn:salt-road-cd"});
    }

    void copiesAreOneAndEditionsAreNot() {
        std::vector<FileRecord> there;
        shelve("night-post-cd", "/archive/Night Post", there);
        shelve("night-post-cd", "/archive/Night Post (copy)", there);
        there.pop_back();                                            // and not whole
        shelve("night-post-cassette", "/archive/Night Post", there); // in the same folder
        LibraryReference library("Your library");
        const auto found = asked(library, there).find(about("The Hollow Ferry", "Night Post"), {});
        QCOMPARE(found->size(), size_t{2});
        for (const reference::Release& r : *found)
            QCOMPARE(
                r.trackCount(),
                named(r.media[0].carrier == "CD" ? "night-post-cd" : "night-post-cassette").trackCount());
        // A compilation in the folders of its artists.
        for (FileRecord& f : there) {
            f.path = "/archive/" + std::to_string(f.id) + "/" + f.path.filename().native();
            f.tags.fields["compilation"] = {"1"};
            f.tags.fields.erase("catalogue_number");
        }
        QCOMPARE(asked(library, there).find(about("", "Night Post"), {})->size(), size_t{1});
    }

    void filesAreNoAnswerToThemselves() {
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there);
        std::vector<matching::SleeveInput> files;
        for (const FileRecord& f : there)
            files.push_back(matching::sleeveInput(f.id, f.path, f.tags, f.tags.fields, 0));
        LibraryReference library("Your library");
        asked(library, there);
        QVERIFY(matching::identify(matching::cluesOf(files), {&library}, {}, {}).candidates.empty());
        QVERIFY(
            matching::identifyFile(matching::cluesOf({files[0]}), {&library}, {}, {}).candidates.empty() ||
            matching::identifyFile(matching::cluesOf({files[0]}), {&library}, {}, {})
                    .candidates[0]
                    .track()
                    .recording != reference::recordingOfFile(files[0].id));
        // The same again from elsewhere is one.
        for (matching::SleeveInput& f : files)
            f.id -= 1000;
        const auto again = matching::identify(matching::cluesOf(files), {&library}, {}, {});
        QCOMPARE(again.candidates.size(), size_t{1});
        QCOMPARE(again.candidates[0].reference, std::string(reference::libraryKey));
        QVERIFY(again.candidates[0].complete);
        QCOMPARE(matching::identifyFile(matching::cluesOf({files[0]}), {&library}, {}, {})
                     .candidates.at(0)
                     .track()
                     .recording,
                 reference::recordingOfFile(there[0].id));
    }

    /// What two references tell is one candidate, told by the first of them, and takes no certainty away from
    /// itself.
    void anEditionIsToldOnce() {
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there);
        LibraryReference library("Your library");
        asked(library, there);
        test::Shelf cairn(world(200));
        const matching::SleeveClues clues =
            matching::cluesOf(filesOf(named("salt-road-cd"), "/in/Ida Lindqvist/Salt Road"));
        const auto alone = matching::identify(clues, {&cairn}, {}, {});
        const auto both = matching::identify(clues, {&cairn, &library}, {}, {});
        QCOMPARE(both.candidates.size(), alone.candidates.size());
        size_t also = 0;
        for (size_t i = 0; i < both.candidates.size(); ++i) {
            QCOMPARE(both.candidates[i].reference, std::string("cairn"));
            QCOMPARE(both.candidates[i].certainty, alone.candidates[i].certainty);
            if (both.candidates[i].release.id == "salt-road-cd")
                QCOMPARE(both.candidates[i].also, std::vector<std::string>{reference::libraryKey});
            also += both.candidates[i].also.size();
        }
        QCOMPARE(also, size_t{1});
        // Its order is the user's.
        const auto other = matching::identify(clues, {&library, &cairn}, {}, {});
        const auto it = std::ranges::find(other.candidates, std::string(reference::libraryKey),
                                          &matching::Candidate::reference);
        QVERIFY(it != other.candidates.end());
        QCOMPARE(it->also, std::vector<std::string>{"cairn"});
        QCOMPARE(other.candidates.size(), alone.candidates.size());
    }

    /// An edition that was entered by hand answers, too: a sleeve that comes later is found to be it.
    void editionsWithoutFilesAreTold() {
        test::Sandbox box;
        auto store = std::move(*Store::open(box / "library.db"));
        const reference::Release& tape = named("night-post-cassette");
        ReleaseFilling filling;
        for (const FactDef& def : releaseFacts())
            if (auto values = factOf(tape, def.key); !values.empty())
                filling.facts[def.key] = values;
        filling.media.emplace();
        for (const reference::Medium& m : tape.media) {
            MediumToKeep& medium = filling.media->emplace_back();
            medium.carrier = m.carrier;
            for (const reference::Track& t : m.tracks)
                medium.tracks.emplace_back(t, 0);
        }
        std::vector<FileRecord> there;
        shelve("salt-road-cd", "/archive/Salt Road", there);
        LibraryReference library("Your library");
        library.setKept([&] { return keptReleases(*store); });
        asked(library, there);
        const matching::SleeveClues clues = matching::cluesOf(filesOf(tape, "/in/night post"));
        QVERIFY(matching::identify(clues, {&library}, {}, {}).candidates.empty());
        ChangeOutcome outcome;
        const auto id = makeRelease(*store, filling, nullptr, outcome);
        QVERIFY(id);
        library.keptChanged();
        const auto found = matching::identify(clues, {&library}, {}, {});
        QVERIFY(!found.candidates.empty());
        const matching::Candidate& c = found.candidates.front();
        QCOMPARE(c.number(), numberInTags(*id));
        QCOMPARE(c.release.title, tape.title);
        QCOMPARE(c.release.trackCount(), tape.trackCount());
        QCOMPARE(c.release.carrier(), tape.carrier());
        QCOMPARE(c.release.barcode, tape.barcode);
        // By what it is called in the answer, and by what the tags keep.
        QVERIFY(library.fetch(c.release.id, {}));
        QVERIFY(library.fetch(c.release.id.substr(std::string("library:").size()), {}));
        // What is said of a release on the shelves is told, too.
        ReleaseRef road;
        for (const FileRecord& f : there) {
            files::ScannedFile scanned;
            scanned.path = f.path;
            scanned.state = {1, 2};
            scanned.tags = f.tags;
            road.files.push_back(store->files().save(scanned, 0));
        }
        std::vector<FileRecord> kept;
        for (const FileId file : road.files)
            kept.push_back(*store->files().find(file));
        QVERIFY(setReleaseFact(*store, road, "barcode", {"2000014000056"}));
        asked(library, kept);
        reference::Question byCode;
        byCode.barcode = "2000014000056";
        const auto byBarcode = library.find(byCode, {});
        QVERIFY(byBarcode && !byBarcode->empty());
        QCOMPARE(byBarcode->front().title, named("salt-road-cd").title);
        QCOMPARE(byBarcode->front().trackCount(), named("salt-road-cd").trackCount());
    }

    void whenEditionsAreTheSame() {
        const reference::Release &cd = named("night-post-cd"), &cassette = named("night-post-cassette");
        QVERIFY(matching::isSameEdition(cd, cd));
        QVERIFY(!matching::isSameEdition(cd, cassette));
        reference::Release some = cd;
        some.barcode.clear();
        QVERIFY(matching::isSameEdition(cd, some)); // by its number
        for (reference::Label& l : some.labels)
            l.catalogueNumber.clear();
        QVERIFY(matching::isSameEdition(cd, some)); // by all the rest
        some.dates = {{"1901", {}}};
        QVERIFY(!matching::isSameEdition(cd, some));
        some.dates.clear();
        QVERIFY(!matching::isSameEdition(cd, some)); // in doubt
        reference::Release other = cd;
        other.title = "Quite another one";
        QVERIFY(!matching::isSameEdition(cd, other));
        other = cd;
        other.barcode = "2000000000001";
        QVERIFY(!matching::isSameEdition(cd, other));
    }
};

QTEST_GUILESS_MAIN(TestLibraryReference)
#include "test_library_reference.moc"
