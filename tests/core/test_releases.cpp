// SPDX-License-Identifier: GPL-3.0-or-later
// Releases: what their files tell, what a person says, where each fact comes from, editions of one set; and
// that every change can be taken back.
#include <QtTest>

#include "core/library/recordings.h"
#include "core/library/releases/filling.h"
#include "core/library/releases/label_numbers.h"
#include "core/library/releases/release_changes.h"
#include "core/library/releases/release_list.h"
#include "core/library/releases/release_pictures.h"
#include "core/library/releases/release_places.h"
#include "core/tags/kept_pictures.h"
#include "support/sample_files.h"

using namespace moorfrost;
using library::FileId;
using library::ReleaseRef;
using library::ReleaseView;

using Texts = std::vector<std::string>;

class TestReleases : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
        single_.clear();
        const char* titles[] = {"Night Post", "Ferryman's Reel", "Cold Slip", "The Keeper's Wife"};
        for (int i = 0; i < 4; ++i)
            single_.push_back(file("Night Post EP/" + std::to_string(i + 1) + ".flac",
                                   {{"title", {titles[i]}},
                                    {"artist", {"The Hollow Ferry"}},
                                    {"album", {"Night Post EP"}},
                                    {"album_artist", {"The Hollow Ferry"}},
                                    {"track", {std::to_string(i + 1)}},
                                    {"date", {"1998-10-05"}},
                                    {"country", {"GB"}},
                                    {"label", {"Gannet Row"}},
                                    {"catalogue_number", {"GR 014"}},
                                    {"carrier", {"CD single"}}},
                                   200 + i));
    }
    void cleanup() { store_.reset(); }

    void filesTellARelease() {
        const ReleaseView view = library::releaseView(*store_, {0, single_});
        QCOMPARE(view.ref.id, int64_t{0});
        QCOMPARE(view.release.title, std::string("Night Post EP"));
        QCOMPARE(view.release.credit.text(), std::string("The Hollow Ferry"));
        QCOMPARE(library::shownFact("labels", library::factOf(view.release, "labels")),
                 std::string("Gannet Row \u00B7 GR 014"));
        QCOMPARE(library::shownFact("dates", library::factOf(view.release, "dates")),
                 std::string("1998-10-05 GB"));
        QCOMPARE(view.facts.at("title").origin, std::string(library::readFromFiles));
        QCOMPARE(view.media.size(), size_t{1});
        QCOMPARE(view.media[0].carrier, std::string("CD single"));
        QCOMPARE(view.media[0].tracks.size(), size_t{4});
        QCOMPARE(view.media[0].tracks[2].printed.title, std::string("Cold Slip"));
        QCOMPARE(view.media[0].tracks[2].files, std::vector<FileId>{single_[2]});
        QCOMPARE(view.missing(), size_t{0});
    }

    void aTrackThatIsMissingIsThere() {
        const ReleaseView view = library::releaseView(*store_, {0, {single_[0], single_[3]}});
        QCOMPARE(view.media[0].tracks.size(), size_t{4});
        QCOMPARE(view.missing(), size_t{2});
        QCOMPARE(view.media[0].tracks[1].printed.position, std::string("2"));
        QVERIFY(view.media[0].tracks[1].files.empty());
        // A total that cannot be is no reason for a million lines.
        const FileId odd =
            file("odd.flac", {{"album", {"Odd"}}, {"track", {"3"}}, {"tracks", {"900000"}}}, 60);
        QCOMPARE(library::releaseView(*store_, {0, {odd}}).media[0].tracks.size(), size_t{3});
        const FileId far = file("far.flac", {{"album", {"Far"}}, {"track", {"2000000000"}}}, 60);
        QCOMPARE(library::releaseView(*store_, {0, {far}}).media[0].tracks.size(), size_t{1});
    }

    void whatAPersonSaysLiesOverTheFiles() {
        ReleaseRef ref{0, single_};
        const auto set = library::setReleaseFact(*store_, ref, "barcode", {"2000014000056"});
        QVERIFY(set && set->releases);
        QVERIFY(ref.id != 0);
        ReleaseView view = library::releaseView(*store_, {ref.id, {}});
        QCOMPARE(view.ref.files, single_);
        QCOMPARE(view.release.barcode, std::string("2000014000056"));
        QCOMPARE(view.facts.at("barcode").origin, std::string("typed"));
        QCOMPARE(view.release.title, std::string("Night Post EP")); // as before
        QCOMPARE(view.facts.at("title").origin, std::string(library::readFromFiles));
        // What the files say otherwise is told.
        QVERIFY(library::setReleaseFact(*store_, ref, "title", {"Night Post"}));
        view = library::releaseView(*store_, ref);
        QCOMPARE(view.otherInFiles.at("title"), Texts{"Night Post EP"});
        QVERIFY(library::dropReleaseFact(*store_, ref, "title"));
        QCOMPARE(library::releaseView(*store_, ref).release.title, std::string("Night Post EP"));
        // Known to be none is another thing than not known.
        QVERIFY(library::setReleaseFact(*store_, ref, "barcode", {}, true));
        QVERIFY(library::releaseView(*store_, ref).facts.at("barcode").none);
        QVERIFY(!library::setReleaseFact(*store_, ref, "title", {}, true));
        QVERIFY(!library::setReleaseFact(*store_, ref, "dates", {"1986-02-30"}));
        QVERIFY(!library::setReleaseFact(*store_, ref, "title", {"a\nb"}));
        QVERIFY(!library::setReleaseFact(*store_, ref, "weather", {"cold"}));
    }

    void aReleaseGoesBackToWhatItWas() {
        ReleaseRef ref{0, single_};
        const auto first = library::setReleaseFact(*store_, ref, "barcode", {"2000014000056"});
        const auto second = library::setReleaseFact(*store_, ref, "barcode", {"2000014000063"});
        QVERIFY(first && second);
        const auto early = library::takeBackChange(*store_, first->change);
        QVERIFY(!early); // it was changed again since
        QVERIFY(QString::fromStdString(early.error().message).contains("Night Post EP"));
        QVERIFY(library::takeBackChange(*store_, second->change));
        QVERIFY(library::takeBackChange(*store_, first->change));
        QVERIFY(store_->releases().all().empty());
        QVERIFY(store_->releases().allFiles().empty());
        QVERIFY(library::makeChangeAgain(*store_, first->change));
        QCOMPARE(library::releaseView(*store_, ref).release.barcode, std::string("2000014000056"));
    }

    void anotherEditionSharesTheRecordings() {
        ReleaseRef cd{0, single_};
        const ReleaseView view = library::releaseView(*store_, cd);
        library::ReleaseFilling filling;
        filling.facts = {{"title", {"Night Post EP"}}, {"labels", {"Gannet Row\x1fGR 014 C"}}};
        filling.media = library::mediaOf(view);
        (*filling.media)[0].carrier = "Cassette";
        filling.source.what = "another edition";
        library::ChangeOutcome outcome;
        const auto cassette = library::makeRelease(*store_, filling, &cd, outcome);
        QVERIFY(cassette);
        const ReleaseView tape = library::releaseView(*store_, {*cassette, {}});
        QCOMPARE(tape.media[0].carrier, std::string("Cassette"));
        QCOMPARE(tape.media[0].tracks.size(), size_t{4});
        QCOMPARE(tape.media[0].tracks[1].recording, view.media[0].tracks[1].recording);
        QCOMPARE(tape.media[0].tracks[1].files, std::vector<FileId>{single_[1]});
        QCOMPARE(tape.media[0].tracks[1].ownFiles, size_t{0});
        QCOMPARE(tape.set, cd.id);
        QCOMPARE(tape.sources.size(), size_t{1});
        QCOMPARE(tape.facts.at("labels").origin, std::string("another edition"));
        QVERIFY(library::releaseView(*store_, cd).media[0].tracks[0].alsoOn ==
                std::vector<int64_t>{*cassette});
        // All of it is one change.
        QVERIFY(library::takeBackChange(*store_, outcome.change));
        QVERIFY(store_->releases().all().empty());
        QVERIFY(!library::makeRelease(*store_, {{{"title", {" "}}}, {}, {}}, nullptr, outcome));
    }

    /// Said to be another recording, the edition that has the files keeps them.
    void aRecordingThatIsNotSharedStaysWithItsFiles() {
        ReleaseRef cd{0, single_};
        library::ReleaseFilling filling{
            {{"title", {"Night Post EP"}}}, library::mediaOf(library::releaseView(*store_, cd)), {}};
        library::ChangeOutcome outcome;
        const auto cassette = library::makeRelease(*store_, filling, &cd, outcome);
        QVERIFY(cassette);
        const ReleaseRef tape{*cassette, {}};
        for (const auto& [a, b] : {std::pair(tape, cd), std::pair(cd, tape)}) {
            const auto parted = library::shareRecordings(*store_, a, b, {{0, 0, 0, 0, false}});
            QVERIFY(parted);
            QCOMPARE(library::releaseView(*store_, cd).media[0].tracks[0].files,
                     std::vector<FileId>{single_[0]});
            QVERIFY(library::releaseView(*store_, tape).media[0].tracks[0].files.empty());
            QVERIFY(library::takeBackChange(*store_, parted->change));
        }
        // Both have files: each keeps what was said of the recording.
        const FileId other =
            file("Night Post live/1.flac", {{"title", {"Night Post"}}, {"album", {"Night Post live"}}}, 200);
        QVERIFY(library::mergeRecordings(*store_, {single_[0], other}));
        store_->recordings().setValues(store_->recordings().placeOf(other).recording, "note", {"warm"});
        QVERIFY(library::shareRecordings(*store_, cd, {0, {other}}, {{0, 0, 0, 0, false}}));
        for (const FileId one : {single_[0], other})
            QCOMPARE(store_->recordings().values(store_->recordings().placeOf(one).recording, "note"),
                     Texts{"warm"});
        QVERIFY(store_->recordings().placeOf(single_[0]).recording !=
                store_->recordings().placeOf(other).recording);
    }

    /// A list that tells no artists takes none away; a source that tells the artist of the release does.
    void fillingKeepsArtistsOfTracks() {
        const std::vector<FileId> files = {file("Harbour Day/1.flac",
                                                {{"title", {"One"}},
                                                 {"artist", {"Wren-Low"}},
                                                 {"album", {"Harbour Day"}},
                                                 {"album_artist", {"Various"}},
                                                 {"track", {"1"}}},
                                                100),
                                           file("Harbour Day/2.flac",
                                                {{"title", {"Two"}},
                                                 {"artist", {"Isla Varnholt"}},
                                                 {"album", {"Harbour Day"}},
                                                 {"album_artist", {"Various"}},
                                                 {"track", {"2"}}},
                                                120)};
        const ReleaseView view = library::releaseView(*store_, {0, files});
        reference::Release list;
        list.media.push_back({"", "", {}, {{"1", "One", {}, 101000}, {"2", "Two", {}, 121000}}, {}});
        auto plan = library::planFilling(view, list);
        QCOMPARE(plan.media[0].tracks[1].first.credit.text(), std::string("Isla Varnholt"));
        list.credit.names = {{"Wren-Low", "7"}};
        list.media[0].tracks[0].credit = list.credit; // with its number at the reference
        plan = library::planFilling(view, list);
        QVERIFY(plan.media[0].tracks[0].first.credit.names.empty());
        QVERIFY(plan.media[0].tracks[1].first.credit.names.empty());
    }

    void setsAreJoinedAndParted() {
        ReleaseRef cd{0, single_};
        library::ChangeOutcome outcome;
        const auto one =
            library::makeRelease(*store_, {{{"title", {"Salt Road"}}}, {}, {}}, nullptr, outcome);
        const auto two =
            library::makeRelease(*store_, {{{"title", {"Salt Road LP"}}}, {}, {}}, nullptr, outcome);
        QVERIFY(one && two);
        QVERIFY(library::joinSet(*store_, {{*one, {}}, {*two, {}}}));
        QVERIFY(library::joinSet(*store_, {{*two, {}}, cd}));
        QCOMPARE(store_->releases().inSet(*one).size(), size_t{3});
        const auto apart = library::leaveSet(*store_, *two);
        QVERIFY(apart);
        QCOMPARE(store_->releases().inSet(*one).size(), size_t{2});
        QCOMPARE(store_->releases().fact(*two, library::apartFact)->values.size(), size_t{2});
        // The last two: neither is left alone in a set.
        QVERIFY(library::leaveSet(*store_, *one));
        QVERIFY(store_->releases().inSet(*one).empty());
        QVERIFY(!library::leaveSet(*store_, *one));
        QVERIFY(!library::joinSet(*store_, {{*one, {}}, {*one, {}}}));
        QVERIFY(!library::joinSet(*store_, {{*one, {}}, {999, {}}}));
        QVERIFY(library::removeRelease(*store_, *two));
        QVERIFY(!store_->releases().has(*two));
        QVERIFY(store_->releases().facts(*two).empty());
    }

    void recordingsThatAreMergedStayOnTheirReleases() {
        ReleaseRef cd{0, single_};
        library::ChangeOutcome outcome;
        library::ReleaseFilling filling{
            {{"title", {"Copy"}}}, library::mediaOf(library::releaseView(*store_, cd)), {}};
        const auto copy = library::makeRelease(*store_, filling, nullptr, outcome);
        QVERIFY(copy);
        const FileId other = file("other.flac", {{"title", {"Night Post"}}}, 200);
        store_->recordings().setValues(store_->recordings().ensure(other), "note", {"warm"});
        store_->recordings().setValues(store_->recordings().ensure(other), "rating", {"5"});
        QVERIFY(library::mergeRecordings(*store_, {single_[0], other}));
        const auto track = library::releaseView(*store_, {*copy, {}}).media[0].tracks[0];
        QCOMPARE(track.recording, store_->recordings().placeOf(other).recording);
        QCOMPARE(track.files.size(), size_t{2});
        // A recording that only stands on a release is kept.
        const auto recording = library::releaseView(*store_, {*copy, {}}).media[0].tracks[1].recording;
        store_->files().forget(single_[1]);
        QCOMPARE(library::releaseView(*store_, {*copy, {}}).media[0].tracks[1].recording, recording);
        QCOMPARE(library::releaseView(*store_, {*copy, {}}).missing(), size_t{1});
    }

    void factsAreTypedAndShown_data() {
        QTest::addColumn<QString>("key");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("shown");
        QTest::newRow("labels") << "labels"
                                << "Gannet Row = GR 014; Fellside Reissues = FSR 207"
                                << QString("Gannet Row \u00B7 GR 014, Fellside Reissues \u00B7 FSR 207");
        QTest::newRow("dates") << "dates"
                               << "1998-10-05 gb; 1998-11 NO"
                               << "1998-10-05 GB, 1998-11 NO";
        QTest::newRow("credit") << "credit"
                                << "Kestrel [ & ] Rook [ feat. ] Wren-Low"
                                << "Kestrel & Rook feat. Wren-Low";
        QTest::newRow("one name with an ampersand") << "credit"
                                                    << "Kestrel & Rook"
                                                    << "Kestrel & Rook";
        QTest::newRow("right to left")
            << "title" << QString("\u05E9\u05D9\u05E8") << QString("\u05E9\u05D9\u05E8");
        QTest::newRow("genres") << "genres"
                                << "folk; reel"
                                << "folk, reel";
    }
    void factsAreTypedAndShown() {
        QFETCH(QString, key);
        QFETCH(QString, typed);
        QFETCH(QString, shown);
        const std::string k = key.toStdString();
        const Texts values = library::factFromTyping(k, typed.toStdString());
        QCOMPARE(QString::fromStdString(library::shownFact(k, values)), shown);
        QCOMPARE(library::factFromTyping(k, library::typingLine(k, values)), values);
        reference::Release r;
        library::putFact(r, k, values);
        QCOMPARE(library::factOf(r, k), values);
    }

    void tagsOfFacts() {
        const auto labels = library::tagsOfFact("labels", {"Gannet Row\x1fGR 014", "Fellside Reissues"});
        QCOMPARE(labels.at("label"), (Texts{"Gannet Row", "Fellside Reissues"}));
        QCOMPARE(labels.at("catalogue_number"), Texts{"GR 014"});
        const auto dates = library::tagsOfFact("dates", {"1998-11-02\x1fNO", "1998-10-05\x1fGB"});
        QCOMPARE(dates.at("date"), Texts{"1998-10-05"});
        QCOMPARE(dates.at("country"), Texts{"GB"});
        QVERIFY(library::tagsOfFact("status", {"official"}).empty());
    }

    void theListHasAllReleases() {
        library::ChangeOutcome outcome;
        ReleaseRef cd{0, single_};
        library::ReleaseFilling filling;
        filling.facts = {
            {"title", {"Night Post EP"}}, {"labels", {"Gannet Row\x1fGR 014 C"}}, {"dates", {"1998-10-05"}}};
        filling.media = library::mediaOf(library::releaseView(*store_, cd));
        const auto cassette = library::makeRelease(*store_, filling, &cd, outcome);
        QVERIFY(cassette);
        const FileId salt =
            file("Salt Road/1.flac", {{"album", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}}, 90);
        const auto list = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        QCOMPARE(list->entries().size(), size_t{3});
        QCOMPARE(list->sets(), size_t{1});
        const auto lines = list->lines("", library::ReleaseOrder::Title);
        QCOMPARE(lines.size(), size_t{4}); // the head of the set, its two editions, Salt Road
        QVERIFY(lines[0].isHead);
        QCOMPARE(lines[0].editions, size_t{2});
        QCOMPARE(list->entries()[lines[3].entry].title, std::string("Salt Road"));
        QCOMPARE(list->lines("gr014c", library::ReleaseOrder::Title).size(), size_t{3});
        QCOMPARE(list->lines("varnholt salt", library::ReleaseOrder::Artist).size(), size_t{1});
        QCOMPARE(list->lines("nothing", library::ReleaseOrder::Label).size(), size_t{0});
        QCOMPARE(list->entries()[list->ofFile(salt)].title, std::string("Salt Road"));
        QCOMPARE(list->entries()[list->find(cd)].ref.id, cd.id);
        QCOMPARE(list->entries()[list->find({*cassette, {}})].tracks, size_t{4});
        // A file that comes to the sleeve of a release that is kept is of that release.
        const FileId fifth =
            file("Night Post EP/5.flac",
                 {{"album", {"Night Post EP"}}, {"track", {"5"}}, {"title", {"Slack Water"}}}, 90);
        const auto later = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        QCOMPARE(later->ofFile(fifth), later->find(cd));
    }

    /// An edition that was entered without files gets them when a sleeve was found to be it.
    void filesComeToAnEditionByItsNumber() {
        library::ChangeOutcome outcome;
        library::ReleaseFilling filling;
        filling.facts = {{"title", {"Slack Water"}}};
        filling.media = {{"Cassette",
                          "",
                          {},
                          {{{"A1", "Slack Water", {}, 200000}, 0},
                           {{"A2", "Gorse", {}, 90000}, 0},
                           {{"B1", "Tide Table", {}, 90000}, 0}}}};
        const auto tape = library::makeRelease(*store_, filling, nullptr, outcome);
        QVERIFY(tape);
        QCOMPARE(library::releaseOfNumber(library::numberInTags(*tape)), *tape);
        for (const char* no : {"", "library:release-", "library:release-12x", "cairn:release-1"})
            QCOMPARE(library::releaseOfNumber(no), int64_t{0});
        auto track = [&](int number, const char* title, const char* album) {
            return file(std::string(album) + "/" + std::to_string(number) + ".flac",
                        {{"album", {album}},
                         {"title", {title}},
                         {"track", {std::to_string(number)}},
                         {"reference release", {library::numberInTags(*tape)}}},
                        200);
        };
        const std::vector<FileId> own = {track(1, "Slack Water", "Slack Water"),
                                         track(3, "Tide Tabel", "Slack Water")};
        // The same number may come from another library.
        const FileId stranger = track(1, "Quite another", "Harbour Day");
        const auto list = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        const size_t entry = list->find({*tape, {}});
        QCOMPARE(list->ofFile(own[0]), entry);
        QCOMPARE(list->ofFile(own[1]), entry);
        QVERIFY(list->ofFile(stranger) != entry);
        const ReleaseView view = library::releaseView(*store_, list->entries()[entry].ref);
        QCOMPARE(view.media[0].tracks.size(), size_t{3});
        QCOMPARE(view.media[0].tracks[0].files, std::vector<FileId>{own[0]});
        QCOMPARE(view.media[0].tracks[2].files, std::vector<FileId>{own[1]});
        QCOMPARE(view.media[0].tracks[0].printed.position, std::string("A1"));
        QCOMPARE(view.missing(), size_t{1});
        QVERIFY(view.unplaced.empty());
        // Another title, and they are still its files.
        ReleaseRef ref{*tape, {}};
        QVERIFY(library::setReleaseFact(*store_, ref, "title", {"Quite otherwise"}));
        const auto later = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        QCOMPARE(later->ofFile(own[0]), later->find({*tape, {}}));
    }

    void picturesByTheirType() {
        tags::PictureInfo front{"front cover", "image/png", "", 600, 600, 81234, 77},
            back{"back cover", "image/png", "with the list", 600, 600, 9000, 78};
        FileId withPicture = 0;
        {
            files::ScannedFile f;
            f.path = *box_ / "shelf/Salt Road/1.flac";
            f.state = {1, 2};
            f.tags = tags::TagFile();
            f.tags->fields = {{"album", {"Salt Road"}}};
            f.tags->pictures = {back, {"front cover", "image/png", "", 100, 100, 5000, 79}};
            withPicture = store_->files().save(f, shelf_);
        }
        ReleaseRef ref{0, {withPicture}};
        auto types = [&] {
            Texts out;
            for (const auto& p : library::releaseView(*store_, ref).pictures)
                out.push_back(p.info.type + (p.holder == 0 ? " added" : ""));
            return out;
        };
        QCOMPARE(types(), (Texts{"front cover", "back cover"}));
        QVERIFY(!library::addReleasePictures(*store_, ref, {{"weather", "image/png", "", 1, 1, 1, 1}}));
        const auto added = library::addReleasePictures(*store_, ref, {front, back});
        QVERIFY(added);
        QCOMPARE(types(), (Texts{"front cover added", "front cover", "back cover added"}));
        QCOMPARE(library::coverOf(library::releaseView(*store_, ref).pictures)->info.hash, uint64_t{77});
        const auto list = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        QCOMPARE(list->entries()[list->find(ref)].picture.hash, uint64_t{77});
        QVERIFY(library::setReleasePictureType(*store_, ref, front, "medium"));
        QCOMPARE(types(), (Texts{"front cover", "back cover added", "medium added"}));
        QVERIFY(!library::removeReleasePicture(*store_, ref, front)); // it is of another type now
        front.type = "medium";
        const auto removed = library::removeReleasePicture(*store_, ref, front);
        QVERIFY(removed);
        QCOMPARE(types(), (Texts{"front cover", "back cover added"}));
        // What can be taken back is kept.
        QVERIFY(library::releasePictureNames(*store_).contains(tags::keptName(front)));
        QVERIFY(library::releasePictureNames(*store_).contains(tags::keptName(back)));
        QVERIFY(library::takeBackChange(*store_, removed->change));
        QCOMPARE(types().size(), size_t{3});
    }

    void whereARecordingStands() {
        ReleaseRef cd{0, single_};
        library::ChangeOutcome outcome;
        library::ReleaseFilling filling;
        filling.facts = {
            {"title", {"Night Post EP"}}, {"labels", {"Gannet Row\x1fGR 014 C"}}, {"dates", {"1997\x1fGB"}}};
        filling.media = library::mediaOf(library::releaseView(*store_, cd));
        (*filling.media)[0].carrier = "Cassette";
        (*filling.media)[0].tracks[2].first.position = "B1";
        const auto tape = library::makeRelease(*store_, filling, &cd, outcome);
        QVERIFY(tape);
        auto places = library::releasePlaces(*store_, single_[2]);
        QCOMPARE(places.size(), size_t{2});
        QCOMPARE(places[0].ref.id, *tape); // the earlier
        QCOMPARE(places[0].position, std::string("B1"));
        QCOMPARE(places[0].carrier, std::string("Cassette"));
        QCOMPARE(places[0].edition, std::string("Gannet Row \u00B7 GR 014 C \u00B7 1997"));
        QVERIFY(!places[0].hasFile);
        QCOMPARE(places[1].ref.id, cd.id);
        QCOMPARE(places[1].position, std::string("3"));
        QCOMPARE(places[1].edition, std::string("Gannet Row \u00B7 GR 014 \u00B7 1998"));
        QVERIFY(places[1].hasFile);
        // A label that is said does not hide the date that the files tell.
        QVERIFY(library::setReleaseFact(*store_, cd, "labels", {"Fellside Reissues"}));
        QCOMPARE(library::releasePlaces(*store_, single_[2])[1].edition,
                 std::string("Fellside Reissues \u00B7 1998"));
        // A file without an album stands nowhere; a copy of a file does not stand there twice.
        const FileId loose = file("loose.flac", {{"title", {"Loose"}}}, 60);
        QVERIFY(library::releasePlaces(*store_, loose).empty());
        const tags::Fields fields{{"album", {"Salt Road"}}, {"track", {"1"}}};
        const FileId one = file("a/1.flac", fields, 60), other = file("b/1.mp3", fields, 60);
        QVERIFY(library::mergeRecordings(*store_, {one, other}));
        QCOMPARE(library::releasePlaces(*store_, other).size(), size_t{1});
        QVERIFY(library::releasePlaces(*store_, 9999).empty());
    }

    void aNumberThatDoesNotFitItsLabel() {
        library::ChangeOutcome outcome;
        for (const char* number : {"GR 001", "GR 002", "GR-003", "FSR 207"})
            QVERIFY(library::makeRelease(*store_,
                                         {{{"title", {std::string("Release ") + number}},
                                           {"labels", {std::string("Gannet Row\x1f") + number}}},
                                          {},
                                          {}},
                                         nullptr, outcome));
        const auto list = library::ReleaseList::make(searcher(), library::keptReleases(*store_));
        size_t odd = 0;
        for (const library::ReleaseEntry& e : list->entries())
            if (const std::string why = library::whyOddNumber(*list, e); !why.empty()) {
                ++odd;
                QCOMPARE(e.number, std::string("FSR 207"));
                QVERIFY(why.find("GR") != std::string::npos);
            }
        QCOMPARE(odd, size_t{1});
        QCOMPARE(library::numberPrefix("GR 014 C"), std::string("gr"));
    }

private:
    FileId file(const std::string& name, tags::Fields fields, double seconds) {
        files::ScannedFile f;
        f.path = *box_ / "shelf" / name;
        f.state = {1, 2};
        f.tags = tags::TagFile();
        f.tags->fields = std::move(fields);
        f.tags->facts.duration = seconds;
        const FileId id = store_->files().save(f, shelf_);
        store_->recordings().ensure(id);
        return id;
    }
    std::shared_ptr<const library::Searcher> searcher() {
        library::ColumnsBuilder builder;
        for (FileId id = 1; id < 100; ++id)
            if (const auto record = store_->files().find(id))
                builder.add(*record);
        return std::make_shared<library::Searcher>(builder.finish());
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0;
    std::vector<FileId> single_;
};

QTEST_APPLESS_MAIN(TestReleases)
#include "test_releases.moc"
