// SPDX-License-Identifier: GPL-3.0-or-later
// What the audit finds by more than the tags: pictures that were enlarged, names off their plan, numbers of
// parties and works, prefixes of registrants; and spellings that are remembered.
#include <QtTest>

#include "core/audit/codes.h"
#include "core/library/findings/audit.h"
#include "core/library/people/cards.h"
#include "core/library/picture_details.h"
#include "core/library/place_wish.h"
#include "support/cover.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::library;
using namespace moorfrost::test;

class TestMoreFindings : public QObject, SheetWorld {
    Q_OBJECT

    std::vector<Finding> of(const char* rule) {
        const AuditRules rules = auditRulesOf(*store_);
        const LibrarySearch search = searchOf(*store_);
        work::Progress progress;
        const auto releases = auditReleases(*store_, search, rules, nullptr, {}, {}, progress);
        const auto together = auditTogether(*store_, *search.searcher, rules, nullptr, {}, progress);
        std::vector<Finding> out;
        for (const Findings* some : {&releases->findings, &*together})
            for (size_t i = 0; i < some->size(); ++i)
                if ((*some)[i].rule == rule)
                    out.push_back((*some)[i]);
        return out;
    }
    FileId withPicture(const char* name, const QImage& image) {
        const Path path = makeSound(*box_ / "shelf", name, 1);
        tag(path, {{"title", {name}}, {"album", {name}}});
        addCover(path, image);
        files::ScannedFile f;
        f.path = path;
        f.tags = *tags::readTags(path);
        f.state = *files::stateOf(path);
        const FileId id = store_->files().save(f, shelf_);
        store_->recordings().ensure(id);
        return id;
    }
    void usePlan(const std::string& plan) {
        store_->settings().set(settings::shelfPlans,
                               withShelfPlan(store_->settings().get(settings::shelfPlans), shelf_, plan));
    }
    size_t look(const std::vector<FileId>& files) {
        work::Progress progress;
        const auto looked = lookAtPictures(*store_, files, 1, {}, progress, [this](KeptValues&& values) {
            store_->workedOut().save(pictureDetailField, values);
        });
        return looked ? *looked : 999;
    }

private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void enlargedPicturesAreTold() {
        const FileId honest = withPicture("honest.flac", walkPicture(600, 600)),
                     enlarged = withPicture("enlarged.flac", walkPicture(200, 600));
        QVERIFY(of("enlarged-picture").empty()); // nobody looked yet
        QCOMPARE(look({honest, enlarged}), size_t(2));
        QCOMPARE(look({honest, enlarged}), size_t(0)); // once
        const auto found = of("enlarged-picture");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, std::vector<FileId>{enlarged});
        QVERIFY2(found[0].sentence.find("600 × 600") != std::string::npos, found[0].sentence.c_str());
        QVERIFY(found[0].sure >= 0.5 && found[0].sure < 1);
        const int detail = pictureDetailsOf(*store_, store_->files().findAll({enlarged})).at(enlarged);
        QVERIFY2(detail > 120 && detail < 300, qPrintable(QString::number(detail)));
        // Another picture: what was found of the old one does not hold.
        store_->workedOut().save(pictureDetailField, {{enlarged, {"100", "12345"}}});
        QVERIFY(of("enlarged-picture").empty());
        QCOMPARE(look({enlarged}), size_t(1));
    }

    void namesOffTheirPlanAreToldAndMoved() {
        QVERIFY(of("off-plan").empty()); // no plan was used yet
        const std::string plan = "{album artist}/{album}/{track: 2 digits} {title}";
        usePlan(plan);
        const auto fields = [](const char* title, const char* track) {
            return tags::Fields{{"title", {title}},
                                {"track", {track}},
                                {"album", {"Lanterns"}},
                                {"album_artist", {"Kestrel & Rook"}}};
        };
        song("Kestrel & Rook/Lanterns/01 Gorse.flac", fields("Gorse", "1"));
        const FileId off = song("Kestrel & Rook/Lanterns/2 ferry.flac", fields("Ferry", "2"));
        // The last parts are as the plan has them, but they stand deeper.
        const FileId deeper = song("old/Kestrel & Rook/Lanterns/03 Heron.flac", fields("Heron", "3"));
        auto found = of("off-plan");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, (std::vector<FileId>{off, deeper}));
        QCOMPARE(found[0].sentence,
                 std::string("2 of 3 files are not where the plan of their shelf puts them."));
        QCOMPARE(found[0].evidence[0].says, std::string("Kestrel & Rook/Lanterns/2 ferry.flac"));
        QCOMPARE(found[0].evidence[0].usual, std::string("Kestrel & Rook/Lanterns/02 Ferry.flac"));
        const auto wishes = wishesOf(*store_, found[0]);
        QCOMPARE(wishes.size(), size_t(2));
        QCOMPARE(wishes[0].field, std::string(placeKey));
        QCOMPARE(PlaceWish::fromValues(wishes[0].values), (PlaceWish{shelf_, plan}));
        // A plan that makes no sense accuses nobody.
        usePlan("{album");
        QVERIFY(of("off-plan").empty());
        usePlan("{disc: 2 digits}/{title}");
        found = of("off-plan");
        QVERIFY(found.empty() || found[0].files.size() == 3);
    }

    void numbersOfPartiesAndWorks() {
        const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook");
        say(mara, "ipi", {"00999000010"});
        QVERIFY(!audit::whyNotCode("ipi", "00999000010").empty()); // its check is wrong
        auto found = of("party-codes");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].title, std::string("Mara Kestrel"));
        QCOMPARE(found[0].card, mara);
        QVERIFY(found[0].cardKind == CardKind::Party);
        QVERIFY2(found[0].sentence.starts_with("IPI number"), found[0].sentence.c_str());
        std::string good;
        for (int check = 0; good.empty() && check < 101; ++check)
            if (const std::string one =
                    "009990000" + QString("%1").arg(check, 2, 10, QChar('0')).toStdString();
                audit::whyNotCode("ipi", one).empty())
                good = one;
        QVERIFY(!good.empty());
        say(mara, "ipi", {good});
        QVERIFY(of("party-codes").empty());
        say(tom, "ipi", {good.substr(0, 5) + " " + good.substr(5)}); // the same, written otherwise
        found = of("party-codes");
        QCOMPARE(found.size(), size_t(1));
        QVERIFY2(found[0].sentence.starts_with("2 parties have the IPI number"), found[0].sentence.c_str());
        QCOMPARE(found[0].evidence.size(), size_t(2));
    }

    void theSongAndItsRecordingSayOtherwise() {
        const FileId file = song("Gorse.flac", {{"title", {"Gorse"}}, {"iswc", {"T-034.524.680-1"}}});
        const CardId gorse = work("Gorse");
        QVERIFY(setWorks(*store_, {file}, {gorse}, "test"));
        say(gorse, "iswc", {"T0345246801"});
        QVERIFY(of("party-codes").empty()); // the same
        std::string other;
        for (int check = 0; check < 10; ++check)
            if (const std::string one = "T999000001" + std::to_string(check);
                audit::whyNotCode("iswc", one).empty())
                other = one;
        say(gorse, "iswc", {other});
        const auto found = of("party-codes");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, std::vector<FileId>{file});
        const auto wishes = wishesOf(*store_, found[0]);
        QCOMPARE(wishes.size(), size_t(1));
        QCOMPARE(wishes[0].values, Strings{other});
    }

    void aPersonSaysWhosePrefixItIs() {
        const FileId file =
            song("Gorse.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZFSR2100031"}}, {"label", {"Gannet Row"}}});
        QVERIFY(of("foreign-code").empty()); // one code tells nothing
        const CardId label = party("Foreshore");
        const auto odd = setCardFact(*store_, label, "registrants", {"Z1FSR"});
        QVERIFY(!odd);
        say(label, "registrants", {"zz-fsr"});
        auto found = of("foreign-code");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].files, std::vector<FileId>{file});
        QCOMPARE(found[0].sentence, std::string("ZZFSR2100031 is by the registrant of Foreshore."));
        say(label, "spellings", {"gannet row"}); // it is called so, too
        QVERIFY(of("foreign-code").empty());
    }

    void otherSpellingsAreRemembered() {
        const CardId mara = party("Mara Kestrel"), wren = party("Wren-Low");
        for (int n = 0; n < 4; ++n)
            song("a" + std::to_string(n) + ".flac", {{"title", {"a"}}, {"artist", {"Mara Kestrel"}}});
        song("b.flac", {{"title", {"b"}}, {"artist", {"Mara Kestral"}}});
        const auto found = of("near-values");
        QCOMPARE(found.size(), size_t(1));
        QCOMPARE(found[0].card, mara);
        QVERIFY(found[0].fix.says.find("remembered") != std::string::npos);

        auto changed = rememberSpellings(*store_, {{"Mara Kestrel", "Mara Kestral"},
                                                   {"mara kestrel", "Mara Kestral"},   // twice
                                                   {"Mara Kestrel", "Wren-Low"},       // is somebody else
                                                   {"Nobody at all", "Nobody else"}}); // no party
        QVERIFY(changed && changed->change != 0 && changed->cards);
        QCOMPARE(factValues(store_->cards().facts(mara), "spellings"), Strings{"Mara Kestral"});
        QVERIFY(factValues(store_->cards().facts(wren), "spellings").empty());
        changed = rememberSpellings(*store_, {{"Mara Kestrel", "Mara Kestral"}});
        QVERIFY(changed);
        QCOMPARE(changed->change, int64_t(0)); // known already
    }
};

QTEST_GUILESS_MAIN(TestMoreFindings)
#include "test_more_findings.moc"
