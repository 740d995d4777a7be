// SPDX-License-Identifier: GPL-3.0-or-later
// From drafts to the set that is written: which files are meant, where they will be, what is done to each.
#include <QtTest>

#include "core/bench/planning.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::bench;

class TestPlanning : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<KnownFiles> files_;
    std::unique_ptr<library::DraftSession> drafts_;
    PlaceRules rules_;

    FileId add(const char* name, const tags::Fields& fields, std::vector<int64_t> batches) {
        const FileId id = static_cast<FileId>(files_->ids().size()) + 1;
        library::FileRecord f;
        f.id = id;
        f.path = test::makeSound(*box_ / "in", name, static_cast<uint32_t>(id));
        f.state = *files::stateOf(f.path);
        f.tags.format = audio::Format::Flac;
        f.tags.fields = fields;
        files_->put(std::move(f), std::move(batches));
        return id;
    }
    void move(FileId id, const char* plan, bool copy = false) {
        PlaceWish wish{1, plan, copy ? PlaceWish::Mode::Copy : PlaceWish::Mode::Move};
        drafts_->propose("Put away", {{id, library::placeKey, wish.toValues()}}, "plan");
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        std::filesystem::create_directories(*box_ / "shelf");
        files_ = std::make_unique<KnownFiles>();
        drafts_ = std::make_unique<library::DraftSession>([this](FileId id) { return files_->fieldsOf(id); },
                                                          [] { return int64_t{7}; });
        rules_ = {{{1, "Archive", *box_ / "shelf"}}, files::NameProfile::Portable, {}};
    }

    void wishesComeBackFromDrafts() {
        const PlaceWish wish{12, "{album}/{title}", PlaceWish::Mode::Copy, placing::AlongRule::none(), true};
        QVERIFY(PlaceWish::fromValues(wish.toValues()) == wish);
        QVERIFY(PlaceWish::fromValues({"x"}) == PlaceWish());
        QVERIFY(!optionsFor({2, "{title}"}, rules_)); // a shelf that is none any more
        QVERIFY(!optionsFor({1, "{tit"}, rules_));
        QVERIFY(!optionsFor({1, "{reel number}"}, rules_));
        rules_.customFields = {"reel number"};
        QVERIFY(optionsFor({1, "{reel number}"}, rules_));
    }

    void onlyWhatGoesWithTheBatch() {
        const FileId here = add("a.flac", {{"title", {"Gorse"}}}, {5});
        const FileId elsewhere = add("b.flac", {}, {6});
        const FileId both = add("c.flac", {}, {5, 6});
        const FileId ofTheLibrary = add("d.flac", {}, {});
        for (FileId id : {here, elsewhere, both, ofTheLibrary})
            drafts_->propose("Edit", {{id, "title", {"x"}}, {id, "artist", {"y"}}}, "typed");
        move(elsewhere, "{title}");
        SleevePlaces sleeves;
        sleeves.put(here, "one", false);
        const auto proposals = proposalsOf(*files_, *drafts_, 5, sleeves);
        QCOMPARE(proposals.size(), size_t{3});
        QCOMPARE(proposals[0].sleeve, std::string("one"));
        const DraftCounts n = countDrafts(*files_, *drafts_, 5);
        QVERIFY(n == (DraftCounts{6, 3, 0, 3}));
        QVERIFY(countDrafts(*files_, *drafts_, 6) == (DraftCounts{6, 3, 1, 2}));
    }

    void theSetSaysWhatIsDoneToEach() {
        const FileId tagged = add("a.flac", {{"title", {"Gorse"}}}, {5});
        const FileId moved = add("b.flac", {{"title", {"Kelp"}}}, {5});
        const FileId copied = add("c.flac", {{"title", {"Moss"}}}, {5});
        const FileId inTheWay = add("d.flac", {{"title", {"Moss"}}}, {5}); // the same place as c
        test::writeBytes(*box_ / "in/notes.txt", "side A was worn");
        drafts_->propose("Edit", {{tagged, "genre", {}}, {tagged, "title", {"Gorse in Flower"}}}, "typed");
        move(moved, "{title}");
        move(copied, "copies/{title}", true);
        move(inTheWay, "copies/{title}", true);
        drafts_->propose("Edit", {{inTheWay, "artist", {"Wren-Low"}}}, "typed");
        const auto proposals = proposalsOf(*files_, *drafts_, 5, {});
        const Places places = placesOf(proposals, rules_);
        QCOMPARE(places.of(moved)->to, *box_ / "shelf/Kelp.flac");
        QVERIFY(!places.of(tagged));
        QVERIFY(places.of(copied)->blocked() || places.of(inTheWay)->blocked());
        const files::ChangeSet set =
            changeSet(proposals, places, {files::HardLinks::AllNames, tags::Damage::Allow, true});
        QVERIFY(set.keepTimes && set.hardLinks == files::HardLinks::AllNames &&
                set.damage == tags::Damage::Allow);
        std::map<FileId, const files::Step*> of;
        for (const files::Step& s : set.steps)
            of[s.file] = &s;
        QCOMPARE(of.at(tagged)->changes.at("title"), std::vector<std::string>{"Gorse in Flower"});
        QVERIFY(of.at(tagged)->target.empty());
        QCOMPARE(of.at(moved)->target, *box_ / "shelf/Kelp.flac");
        QVERIFY(!of.at(moved)->copy && of.at(moved)->expected);
        // Two that would clash do not move, but their tags are written.
        QVERIFY(of.at(inTheWay)->target.empty());
        QCOMPARE(of.at(inTheWay)->changes.size(), size_t{1});
        QVERIFY(!of.contains(copied));
        // With another name they do.
        drafts_->propose("Edit", {{inTheWay, "title", {"Moss 2"}}}, "typed");
        const auto next = proposalsOf(*files_, *drafts_, 5, {});
        QCOMPARE(placesOf(next, rules_).of(inTheWay)->to, *box_ / "shelf/copies/Moss 2.flac");
    }

    void whatIsProposedLaterChangesNothingOfIt() {
        const FileId id = add("a.flac", {{"title", {"Gorse"}}}, {5});
        drafts_->propose("Edit", {{id, "title", {"As it was asked for"}}}, "typed");
        const auto proposals = proposalsOf(*files_, *drafts_, 5, {});
        drafts_->propose("Edit", {{id, "title", {"Later"}}}, "typed");
        const files::ChangeSet set = changeSet(proposals, {}, {});
        QCOMPARE(set.steps.front().changes.at("title"), std::vector<std::string>{"As it was asked for"});
        // And when it was written, the later one stays.
        drafts_->forgetWritten({{id, set.steps.front().changes, false}});
        QVERIFY(drafts_->find(id, "title"));
        drafts_->forgetWritten({{id, {{"title", {"Later"}}}, false}});
        QVERIFY(drafts_->all().empty());
    }
};

QTEST_GUILESS_MAIN(TestPlanning)
#include "test_planning.moc"
