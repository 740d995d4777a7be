// SPDX-License-Identifier: GPL-3.0-or-later
// Codes that are missing: which recordings lack one, what references say, what is refused and why.
#include <QtTest>

#include "core/library/codes/own_codes.h"
#include "core/library/recordings.h"
#include "core/library/search/library_search.h"
#include "support/reference_shelf.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestCodeGaps : public QObject {
    Q_OBJECT
    using Strings = std::vector<std::string>;
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Store> store_;
    int64_t shelf_ = 0;
    std::map<FileId, uint32_t> seeds_; // how they sound

    FileId add(const Path& path, tags::Fields fields, double seconds, const std::string& kind = {}) {
        files::ScannedFile f;
        f.path = path;
        f.state = {1, 2};
        f.tags = tags::TagFile();
        f.tags->fields = std::move(fields);
        f.tags->facts.duration = seconds;
        const FileId id = store_->files().save(f, shelf_);
        const RecordingId recording = store_->recordings().ensure(id);
        if (!kind.empty())
            store_->recordings().setValues(recording, "kind", {kind});
        return id;
    }
    /// The files of an edition on the shelf, without codes.
    std::vector<FileId> addEdition(const reference::Release& release, bool tagged = true) {
        std::vector<FileId> out;
        int number = 0;
        for (const reference::Medium& medium : release.media)
            for (const reference::Track& track : medium.tracks) {
                tags::Fields fields;
                if (tagged)
                    fields = {{"title", {track.title}},
                              {"artist", {release.credit.text()}},
                              {"album", {release.title}},
                              {"album_artist", {release.credit.text()}},
                              {"track", {std::to_string(++number)}}};
                out.push_back(add(*box_ / "shelf" / release.title /
                                      (std::to_string(number) + " " + track.title + ".flac"),
                                  fields, static_cast<double>(track.lengthMs) / 1000));
            }
        return out;
    }
    std::vector<CodeAnswer> lookUp(std::vector<reference::Reference*> references,
                                   const matching::PrintsOf& prints = {}) {
        std::vector<CodeAnswer> out;
        const LibrarySearch search = searchOf(*store_);
        work::Progress progress;
        errors_ = lookUpCodes(*store_, *search.searcher, codeGaps(*store_, *search.searcher), references,
                              prints, {}, progress, [&](CodeAnswer&& one) { out.push_back(std::move(one)); });
        return out;
    }
    std::vector<Error> errors_;

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
        seeds_.clear();
    }
    void cleanup() {
        store_.reset();
        box_.reset();
    }

    void gapsAreOfMusicThatIsThere() {
        const FileId a = add(*box_ / "shelf/a.flac", {{"title", {"Gorse"}}}, 100);
        add(*box_ / "shelf/b.flac", {{"title", {"Tidewater"}}, {"isrc", {"ZZGRW7400001"}}}, 100);
        add(*box_ / "shelf/ident.flac", {{"title", {"Harbour ident"}}}, 8, "ident");
        const FileId gone = add(*box_ / "shelf/gone.flac", {{"title", {"Salt Road"}}}, 100);
        store_->files().setAbsent({gone}, 1000);
        const FileId copy = add(*box_ / "shelf/copy.mp3", {{"title", {"Gorse"}}}, 100);
        QVERIFY(mergeRecordings(*store_, {a, copy}));
        const LibrarySearch search = searchOf(*store_);
        const auto gaps = codeGaps(*store_, *search.searcher);
        QCOMPARE(gaps.size(), size_t{1});
        QCOMPARE(gaps[0].files, (std::vector<FileId>{a, copy}));
        QCOMPARE(gaps[0].title, std::string("Gorse"));
    }

    void anEditionTellsItsCodes() {
        const reference::Release& release = test::named("night-post-cd");
        addEdition(release);
        test::Shelf cairn({release});
        const auto answers = lookUp({&cairn});
        QCOMPARE(answers.size(), release.media[0].tracks.size());
        for (const CodeAnswer& answer : answers) {
            QVERIFY2(answer.isSure(), answer.gap.title.c_str());
            QCOMPARE(answer.candidates.size(), size_t{1});
            const auto track =
                std::ranges::find(release.media[0].tracks, answer.gap.title, &reference::Track::title);
            QCOMPARE(answer.candidates[0].isrc, track->isrcs.front());
            QCOMPARE(answer.candidates[0].source, std::string("Cairn: Night Post EP"));
        }
        QVERIFY(errors_.empty());
    }

    // Files of a batch, which stand on no shelf: they are asked for as they will be.
    void releasesOfABatchAreAskedFor() {
        const reference::Release& release = test::named("night-post-cd");
        const int64_t shelf = std::exchange(shelf_, 0);
        const std::vector<FileId> ids = addEdition(release, false);
        const FileId coded = add(*box_ / "inbox/coded.flac", {{"isrc", {"ZZGRW7400001"}}}, 90);
        shelf_ = shelf;
        std::vector<DraftChange> drafts;
        for (size_t at = 0; at < ids.size(); ++at) {
            const reference::Track& track = release.media[0].tracks[at];
            const std::pair<const char*, std::string> values[] = {{"title", track.title},
                                                                  {"artist", release.credit.text()},
                                                                  {"album", release.title},
                                                                  {"track", std::to_string(at + 1)}};
            for (const auto& [field, value] : values)
                drafts.push_back({ids[at], field, {}, Draft{{value}, "typed", 1}});
        }
        store_->drafts().save(drafts);
        const LibrarySearch search = searchOf(*store_);
        QVERIFY(codeGaps(*store_, *search.searcher).empty());
        ReleaseFiles releases{ids, {coded}};
        const auto gaps = codeGaps(*store_, releases);
        QCOMPARE(gaps.size(), ids.size());
        QCOMPARE(gaps[0].title, release.media[0].tracks[0].title);
        QCOMPARE(gaps[0].album, release.title);
        test::Shelf cairn({release});
        work::Progress progress;
        std::vector<CodeAnswer> answers;
        lookUpCodes(
            *store_, *search.searcher, gaps, {&cairn}, {}, {}, progress,
            [&](CodeAnswer&& one) { answers.push_back(std::move(one)); }, releases);
        QCOMPARE(answers.size(), gaps.size());
        for (const CodeAnswer& answer : answers)
            QVERIFY2(answer.isSure(), answer.gap.title.c_str());
    }

    void otherLengthsAreRefused() {
        reference::Release release = test::named("night-post-cd");
        addEdition(release);
        release.media[0].tracks[1].lengthMs += 20'000;
        test::Shelf cairn({release});
        size_t refused = 0;
        for (const CodeAnswer& answer : lookUp({&cairn}))
            if (answer.gap.title == release.media[0].tracks[1].title) {
                ++refused;
                QVERIFY(!answer.isSure());
                QCOMPARE(answer.candidates[0].refused, std::string("It is 0:20 shorter than there."));
            } else {
                QVERIFY(answer.isSure());
            }
        QCOMPARE(refused, size_t{1});
    }

    void aWorseEditionDoesNotOverruleABetterOne() {
        reference::Release release = test::named("night-post-cd"), other = release;
        addEdition(release);
        other.id = "night-post-other";
        other.title += " (long)";
        for (reference::Track& track : other.media[0].tracks)
            track.lengthMs += 20'000;
        test::Shelf cairn({release, other}), turned({other, release});
        for (test::Shelf* shelf : {&cairn, &turned}) {
            bool both = false;
            for (const CodeAnswer& answer : lookUp({shelf})) {
                QVERIFY2(answer.isSure(), answer.gap.title.c_str());
                both = both || answer.candidates[0].source.find("(long)") != std::string::npos;
            }
            QVERIFY(both); // it was looked at
        }
    }

    void aGapWhoseFileIsGoneHasAnAnswer() {
        const FileId gone = add(*box_ / "shelf/a.flac", {{"title", {"Gorse"}}}, 100);
        const LibrarySearch before = searchOf(*store_);
        const auto gaps = codeGaps(*store_, *before.searcher);
        store_->files().forget(gone);
        const LibrarySearch now = searchOf(*store_, before);
        work::Progress progress;
        size_t told = 0;
        lookUpCodes(*store_, *now.searcher, gaps, {}, {}, {}, progress, [&](CodeAnswer&&) { ++told; });
        QCOMPARE(told, size_t{1});
    }

    void twoReferencesThatContradict() {
        reference::Release release = test::named("night-post-cd"), other = release;
        addEdition(release);
        other.media[0].tracks[0].isrcs = {"ZZGRW9800099"};
        test::Shelf cairn({release}), harbour({other}, "harbour");
        for (const CodeAnswer& answer : lookUp({&cairn, &harbour}))
            QCOMPARE(answer.isSure(), answer.gap.title != release.media[0].tracks[0].title);
    }

    void codesOfOtherRecordingsAreRefused() {
        const reference::Release& release = test::named("night-post-cd");
        addEdition(release);
        const std::string code = release.media[0].tracks[0].isrcs.front();
        add(*box_ / "shelf/other.flac", {{"title", {"Quayside March"}}, {"isrc", {code}}}, 12);
        test::Shelf cairn({release});
        for (const CodeAnswer& answer : lookUp({&cairn}))
            if (answer.gap.title == release.media[0].tracks[0].title) {
                QVERIFY(!answer.isSure());
                QVERIFY2(answer.candidates[0].refused.find("Quayside March") != std::string::npos,
                         answer.candidates[0].refused.c_str());
            }
    }

    void aCopyThatIsNotJoinedYetHasIt() {
        const reference::Release& release = test::named("night-post-cd");
        addEdition(release);
        const reference::Track& first = release.media[0].tracks[0];
        add(*box_ / "shelf/copies/copy.mp3",
            {{"title", {first.title}}, {"artist", {release.credit.text()}}, {"isrc", {first.isrcs.front()}}},
            static_cast<double>(first.lengthMs) / 1000 + 1);
        test::Shelf cairn({release});
        for (const CodeAnswer& answer : lookUp({&cairn}))
            QVERIFY2(answer.isSure(), answer.gap.title.c_str());
    }

    void anotherFileOfTheRecordingHasIt() {
        const FileId a = add(*box_ / "shelf/a.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZ-GRW-74-00001"}}},
                             100),
                     b = add(*box_ / "shelf/b.mp3", {{"title", {"Gorse"}}}, 100);
        QVERIFY(mergeRecordings(*store_, {a, b}));
        const auto answers = lookUp({});
        QCOMPARE(answers.size(), size_t{1});
        QVERIFY(answers[0].isSure());
        QCOMPARE(answers[0].candidates[0].isrc, std::string("ZZGRW7400001"));
        QCOMPARE(answers[0].gap.files, std::vector<FileId>{b});
    }

    void twoCopiesOfAnAlbum() {
        const reference::Release& release = test::named("night-post-cd");
        addEdition(release);
        for (const reference::Track& track : release.media[0].tracks)
            add(*box_ / "shelf" / release.title / (track.title + ".mp3"),
                {{"title", {track.title}},
                 {"artist", {release.credit.text()}},
                 {"album", {release.title}},
                 {"album_artist", {release.credit.text()}}},
                static_cast<double>(track.lengthMs) / 1000);
        test::Shelf cairn({release});
        const auto answers = lookUp({&cairn});
        QCOMPARE(answers.size(), release.media[0].tracks.size() * 2);
        for (const CodeAnswer& answer : answers)
            QVERIFY2(answer.isSure(), answer.gap.title.c_str());
    }

    void theSoundConfirmsAndRefuses() {
        const reference::Release& release = test::named("night-post-cd");
        const auto files = addEdition(release);
        test::Shelf cairn({release});
        std::vector<uint32_t> seeds;
        for (const reference::Track& track : release.media[0].tracks)
            seeds.push_back(static_cast<uint32_t>(std::stoul(track.recording.substr(2)))); // "r-701"
        cairn.knowSounds(seeds);
        // The first two sound as each other should.
        std::map<FileId, uint32_t> sounds;
        for (size_t i = 0; i < files.size(); ++i)
            sounds[files[i]] = seeds[i == 0 ? 1 : i == 1 ? 0 : i];
        const matching::PrintsOf prints = [&](int64_t file, const std::vector<double>& speeds) {
            std::vector<sound::Fingerprint> out;
            for (const double speed : speeds)
                out.push_back(test::Shelf::printOf(sounds.at(file), 1, speed));
            return Result<std::vector<sound::Fingerprint>>(std::move(out));
        };
        size_t confirmed = 0;
        for (const CodeAnswer& answer : lookUp({&cairn}, prints)) {
            for (const CodeCandidate& one : answer.candidates)
                if (one.confirmed) {
                    ++confirmed;
                    QVERIFY(one.refused.empty());
                    // By what is heard, whatever it is called.
                    const size_t track = static_cast<size_t>(
                        std::ranges::find(seeds, sounds.at(answer.gap.files.front())) - seeds.begin());
                    QCOMPARE(one.isrc, release.media[0].tracks[track].isrcs.front());
                }
        }
        QVERIFY2(confirmed + 2 >= files.size(), qPrintable(QString::number(confirmed)));
    }

    void ownCodesAreGivenOnce() {
        add(*box_ / "shelf/old.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZ-FSR-26-00007"}}}, 100);
        const FileId a = add(*box_ / "shelf/a.wav", {{"title", {"=Lanterns"}}, {"artist", {"Wren-Low"}}},
                             100),
                     b = add(*box_ / "shelf/b.wav", {{"title", {"Tidewater"}}}, 100);
        const LibrarySearch search = searchOf(*store_);
        const auto gaps = codeGaps(*store_, *search.searcher);
        const IsrcSeries series = {"zzfsr", 2026};
        QCOMPARE(*nextOwnCode(*store_, *search.searcher, series), std::string("ZZFSR2600008"));
        auto given = giveOwnCodes(*store_, *search.searcher, series, gaps, 1796083200);
        QVERIFY(given);
        QCOMPARE(given->size(), size_t{2});
        std::set<std::string> codes{(*given)[0].isrc, (*given)[1].isrc};
        QCOMPARE(codes, (std::set<std::string>{"ZZFSR2600008", "ZZFSR2600009"}));
        // They were never written: the same again, none is lost.
        const auto again = giveOwnCodes(*store_, *search.searcher, series, gaps, 1796083300);
        QVERIFY((*again)[0].again && (*again)[0].isrc == (*given)[0].isrc);
        QCOMPARE(*nextOwnCode(*store_, *search.searcher, series), std::string("ZZFSR2600010"));
        QCOMPARE(*nextOwnCode(*store_, *search.searcher, {"ZZFSR", 2027}), std::string("ZZFSR2700001"));
        // Another window on the same library.
        auto other = std::move(*Store::open(*box_ / "library.db"));
        const FileId c = add(*box_ / "shelf/c.wav", {{"title", {"Salt Road"}}}, 100);
        const LibrarySearch now = searchOf(*store_);
        std::vector<CodeGap> one;
        for (const CodeGap& gap : codeGaps(*other, *now.searcher))
            if (gap.files == std::vector<FileId>{c})
                one.push_back(gap);
        QCOMPARE((*giveOwnCodes(*other, *search.searcher, series, one, 1796083400))[0].isrc,
                 std::string("ZZFSR2600010"));
        QVERIFY(ownCodesCsv(*store_).starts_with("ISRC,Title,Artist,Given on"));
        QVERIFY(ownCodesCsv(*store_).find("'=Lanterns") != std::string::npos);
        QVERIFY(ownCodesCsv(*store_).find("2026-12-01") != std::string::npos);
        // What cannot be is refused, and nothing is given.
        QVERIFY(!giveOwnCodes(*store_, *search.searcher, {"ZZ", 2026}, gaps, 1));
        QVERIFY(!giveOwnCodes(*store_, *search.searcher, {"ZZFSR", 1901}, gaps, 1));
        OwnIsrcTable(store_->database()).add({{"ZZFSR2899999", 99, "Last", "", 1}});
        QVERIFY(!nextOwnCode(*store_, *search.searcher, {"ZZFSR", 2028}));
        const size_t before = OwnIsrcTable(store_->database()).all().size();
        QVERIFY(!giveOwnCodes(*store_, *now.searcher, {"ZZFSR", 2028},
                              {CodeGap{12345, {a, b}, "New", {}, {}, {}, 0}}, 1));
        QCOMPARE(OwnIsrcTable(store_->database()).all().size(), before);
        QVERIFY_EXCEPTION_THROWN(OwnIsrcTable(store_->database()).add({{"ZZFSR2899999", 98, "Twice", "", 1}}),
                                 DatabaseError);
    }

    void aReferenceThatFailsIsTold() {
        addEdition(test::named("night-post-cd"));
        test::Shelf cairn({});
        cairn.fails = true;
        const auto answers = lookUp({&cairn});
        QVERIFY(!answers.empty());
        QVERIFY(!answers[0].isSure());
        QCOMPARE(errors_.size(), size_t{1});
    }
};

QTEST_APPLESS_MAIN(TestCodeGaps)
#include "test_code_gaps.moc"
