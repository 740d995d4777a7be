// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements: their documents by checksum, how long they hold, where they are found; and what standards ask
// of songs.
#include <QtTest>

#include <QCryptographicHash>

#include "core/library/people/agreements.h"
#include "core/library/people/card_changes.h"
#include "core/library/people/song_standing.h"
#include "core/library/shelf_readiness.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

using Strings = std::vector<std::string>;

class TestAgreements : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
    }
    void cleanup() { store_.reset(); }

    void documentsAreKept() {
        const DocumentStore documents(DocumentStore::folderOf(*box_ / "library.db"));
        const Path paper = *box_ / "Lanterns, split sheet.PDF";
        test::writeBytes(paper, "%PDF-1.4 one half each");
        const auto kept = documents.add(paper);
        QVERIFY_RESULT(kept);
        QCOMPARE(QByteArray::fromStdString(kept->sha256),
                 QCryptographicHash::hash("%PDF-1.4 one half each", QCryptographicHash::Sha256).toHex());
        QCOMPARE(kept->name, std::string("Lanterns, split sheet.PDF"));
        QVERIFY(documentFrom(documentText(*kept)) == *kept);
        QVERIFY(documents.fileOf(*kept).extension() == ".pdf");
        // The file that was given may go; the same once more is the same.
        const auto again = documents.add(paper);
        QVERIFY_RESULT(again);
        QCOMPARE(again->sha256, kept->sha256);
        std::filesystem::remove(paper);
        QVERIFY(*documents.check(*kept) == DocumentStore::State::Whole);
        QVERIFY(documents.copyTo(*kept, *box_ / "copy.pdf"));
        QCOMPARE(test::readBytes(*box_ / "copy.pdf"), std::string("%PDF-1.4 one half each"));
        // Altered, vanished, and made whole again.
        test::writeBytes(documents.fileOf(*kept), "%PDF-1.4 all for me!!!");
        QVERIFY(*documents.check(*kept) == DocumentStore::State::Altered);
        const Status refused = documents.copyTo(*kept, *box_ / "copy2.pdf");
        QVERIFY(!refused && refused.error().message.find("altered") != std::string::npos);
        std::filesystem::remove(documents.fileOf(*kept));
        QVERIFY(*documents.check(*kept) == DocumentStore::State::Gone);
        test::writeBytes(documents.fileOf(*kept), "something else");
        test::writeBytes(paper, "%PDF-1.4 one half each");
        QVERIFY(documents.add(paper));
        QVERIFY(*documents.check(*kept) == DocumentStore::State::Whole);
        // What is none.
        test::writeBytes(*box_ / "empty.pdf", "");
        for (const Path& none : {*box_ / "empty.pdf", *box_ / "not there.pdf", *box_ / "shelf"}) {
            const auto no = documents.add(none);
            QVERIFY(!no && !no.error().message.empty());
        }
        size_t files = 0;
        for (const auto& one :
             std::filesystem::directory_iterator(DocumentStore::folderOf(*box_ / "library.db")))
            files += one.is_regular_file();
        QCOMPARE(files, size_t{1});
        // A name from the library is never a way out of the folder.
        QCOMPARE(documents.fileOf({"../../etc/passwd", 1, "x.pdf/../../y", 0}).parent_path(),
                 DocumentStore::folderOf(*box_ / "library.db"));
        QVERIFY(!whyNotDocument(documentText({"../x", 1, "a", 0})).empty());
        QVERIFY(!whyNotCardFact(CardKind::Agreement, documentsFact, {"nonsense"}).empty());
        QVERIFY(whyNotCardFact(CardKind::Agreement, documentsFact, {documentText(*kept)}).empty());
    }

    /// The same again is no change, whatever the time.
    void theSameIsNoChange() {
        const CardId work = card(CardKind::Work, "Lanterns"), deal = card(CardKind::Agreement, "Deal");
        const KeptDocument paper{std::string(64, 'a'), 3, "Split sheet.pdf", 1};
        QVERIFY(addDocuments(*store_, deal, {paper})->change != 0);
        QVERIFY(setCovered(*store_, deal, "works", work, true)->change != 0);
        QTest::qWait(1100); // facts have seconds
        KeptDocument later = paper;
        later.added = 99;
        QCOMPARE(addDocuments(*store_, deal, {later})->change, int64_t{0});
        QCOMPARE(setCovered(*store_, deal, "works", work, true)->change, int64_t{0});
        QVERIFY(removeDocument(*store_, deal, paper)->change != 0);
        QCOMPARE(removeDocument(*store_, deal, paper)->change, int64_t{0});
        QVERIFY(setCovered(*store_, deal, "works", work, false)->change != 0);
        const Facts facts = store_->cards().facts(deal);
        QVERIFY(factValues(facts, "works").empty());
    }

    void howLongTheyHold_data() {
        QTest::addColumn<QString>("begins");
        QTest::addColumn<QString>("ends");
        QTest::addColumn<QString>("says");
        auto row = [](const char* name, const char* begins, const char* ends, const char* says) {
            QTest::newRow(name) << QString(begins) << QString(ends) << QString(says);
        };
        row("open", "", "", "its end is not known");
        row("running", "2020", "2030", "until 2030");
        row("soon", "", "2026-12-24", "ends in 24 days");
        row("tomorrow", "", "2026-12-01", "ends tomorrow");
        row("today", "", "2026-11-30", "ends today");
        row("over", "", "2026-11-29", "over since 2026-11-29");
        row("this year", "", "2026", "ends in 31 days");
        row("this month", "", "2026-11", "ends today");
        row("february", "", "2028-02", "until 2028-02");
        row("later", "2027-01-01", "2030", "begins 2027-01-01");
        row("no date", "", "whenever", "its end is not known");
        row("no day", "", "2026-02-31", "its end is not known");
    }
    void howLongTheyHold() {
        QFETCH(QString, begins);
        QFETCH(QString, ends);
        Facts facts;
        if (!begins.isEmpty())
            facts["begins"] = {{begins.toStdString()}, false, "typed", 0};
        if (!ends.isEmpty())
            facts["ends"] = {{ends.toStdString()}, false, "typed", 0};
        QTEST(QString::fromStdString(holdingText(facts, "2026-11-30")), "says");
    }

    void foundFromEverywhere() {
        const FileId file = song("a.flac");
        const CardId mara = card(CardKind::Party, "Mara Kestrel"), work = card(CardKind::Work, "Lanterns");
        QVERIFY(setWorks(*store_, {file}, {work}, "Work"));
        ChangeOutcome outcome;
        const auto deal = makeCard(*store_, CardKind::Agreement,
                                   {{"title", {"Split sheet"}},
                                    {"parties", {std::to_string(mara)}},
                                    {"works", {std::to_string(work)}},
                                    {coveredReleases, {"77"}},
                                    {"ends", {"2099"}}},
                                   outcome);
        QVERIFY_RESULT(deal);
        const RecordingId recording = store_->recordings().placeOf(file).recording;
        QCOMPARE(agreementsOfCard(*store_, mara).size(), size_t{1});
        QCOMPARE(agreementsOfCard(*store_, work).front().title, std::string("Split sheet"));
        QCOMPARE(agreementsOfRelease(*store_, 77, {}).size(), size_t{1});
        QCOMPARE(agreementsOfRelease(*store_, 0, {recording}).size(), size_t{1});
        QCOMPARE(agreementsOfRelease(*store_, 78, {}).size(), size_t{0});
        const auto people = People::make(keptCards(*store_));
        QCOMPARE(people->findAgreements("lanterns").size(), size_t{1});
        QCOMPARE(people->findAgreements("kestrel split").size(), size_t{1});
        QCOMPARE(people->findAgreements("gorse").size(), size_t{0});
        QCOMPARE(people->agreementsOf(work), std::vector<CardId>{*deal});
        QVERIFY(people->works()[people->work(work)].hasAgreement);
        // Who is merged into another is that one here, too; nobody that is named goes.
        const CardId other = card(CardKind::Party, "M. Kestrel");
        QVERIFY(!removeCard(*store_, mara));
        QVERIFY(mergeParties(*store_, other, {mara}));
        QCOMPARE(agreementsOfCard(*store_, other).size(), size_t{1});
        QVERIFY(removeCard(*store_, *deal));
        QCOMPARE(agreementsOfCard(*store_, other).size(), size_t{0});
    }

    /// "Shares add up", "every writer has a number", "has an agreement", "contact given".
    void whatStandardsAsk() {
        const FileId file = song("a.flac"), bare = song("b.flac");
        const CardId mara = card(CardKind::Party, "Mara Kestrel"),
                     manager = card(CardKind::Party, "Fellside Songs"),
                     work = card(CardKind::Work, "Lanterns");
        auto standing = [&] { return SongStandings(*store_).of(file); };
        auto changed = [&](Result<ChangeOutcome> made) {
            if (!made)
                qWarning("%s", made.error().message.c_str());
            return made && std::ranges::find(made->touched, file) != made->touched.end();
        };
        QVERIFY(!standing().hasWork);
        QVERIFY(setWorks(*store_, {file}, {work}, "Work"));
        QVERIFY(standing().hasWork && !standing().sharesAddUp && !standing().hasNumbers);
        QVERIFY(
            changed(setShares(*store_, {work}, Side::Writers, {{mara, {}, {}, Fraction(1, 1)}}, "Writers")));
        QVERIFY(!standing().sharesAddUp); // nobody owns it
        QVERIFY(changed(setOwners(*store_, {file}, {{mara, {}, {}, Fraction(1, 1)}}, "Owners")));
        QVERIFY(standing().sharesAddUp && !standing().hasNumbers);
        QVERIFY(changed(setCardFact(*store_, mara, "ipi", {"99900001057"})));
        QVERIFY(standing().hasNumbers && !standing().hasContact);
        QVERIFY(
            setCardFact(*store_, manager, "contacts", {contactText({"mail", "a@example.org", "licences"})}));
        QVERIFY(!standing().hasContact);
        QVERIFY(changed(setCardFact(*store_, mara, "represented", {std::to_string(manager)})));
        QVERIFY(standing().hasContact && !standing().hasAgreement);
        QVERIFY(changed(setCardFact(*store_, manager, "contacts", {})));
        QVERIFY(!standing().hasContact);
        ChangeOutcome outcome;
        const auto deal = makeCard(*store_, CardKind::Agreement,
                                   {{"title", {"Deal"}}, {"works", {std::to_string(work)}}}, outcome);
        QVERIFY_RESULT(deal);
        QVERIFY(standing().hasAgreement);
        QVERIFY(changed(setCardFact(*store_, *deal, "ends", {"2001"})));
        QVERIFY(!standing().hasAgreement);
        QVERIFY(changed(takeBackChange(*store_, store_->changes().all().front().id)));
        QVERIFY(standing().hasAgreement);

        const audit::Standard standard = audit::shippedStandards().back();
        QVERIFY(audit::asksForWorks(standard));
        std::vector<FileRecord> records = {*store_->files().find(file), *store_->files().find(bare)};
        std::vector<audit::CheckedFile> files;
        for (const FileRecord& r : records)
            files.push_back(checkedFile(standard, r, r.tags.fields, r.path, true));
        auto part = [&](const char* name) {
            const audit::Readiness all = audit::readinessOf(standard, files);
            for (const audit::ReadinessPart& p : all.parts)
                if (p.name == name)
                    return p;
            return audit::ReadinessPart();
        };
        QVERIFY(part("Shares add up").met == audit::Met::NotAsked); // nothing is told of their songs
        for (audit::CheckedFile& f : files)
            f.song = SongStandings(*store_).of(f.id);
        QVERIFY(part("Shares add up").met == audit::Met::Partly);
        QCOMPARE(part("Shares add up").detail,
                 std::string("1 of 2 files of which it is not said what song it is"));
        QCOMPARE(part("Shares add up").lacking, std::vector<int64_t>{bare});
        files.pop_back();
        QVERIFY(part("Every writer has a number").met == audit::Met::Yes);
        QVERIFY(part("Contact given").met == audit::Met::No);
        QCOMPARE(part("Contact given").detail, std::string("1 of 1 file without a contact"));
        const audit::Rule nothing{.kind = audit::RuleKind::Works},
            odd{.kind = audit::RuleKind::Works, .fields = {"weather"}};
        QVERIFY(!audit::whyNotUsable(nothing).empty() && !audit::whyNotUsable(odd).empty());
    }

    /// What is known of the readiness of shelves is looked at again where the people of a song change.
    void readinessFollows() {
        const FileId file = song("a.flac");
        const CardId mara = card(CardKind::Party, "Mara Kestrel"), work = card(CardKind::Work, "Lanterns");
        QVERIFY(setWorks(*store_, {file}, {work}, "Work"));
        QVERIFY(setShares(*store_, {work}, Side::Writers, {{mara, {}, {}, Fraction(1, 1)}}, "Writers"));
        ShelfRules rules;
        rules.standard = {"Mine", {{.kind = audit::RuleKind::Works, .fields = {"numbers"}}}};
        work::Progress progress;
        LibrarySearch search = searchOf(*store_);
        auto table = readinessOfShelves(*store_, search, rules, nullptr, {}, progress);
        auto isReady = [&] {
            const auto searcher = search.searcher->withReadiness(table);
            return searcher->find(parseQuery("is:ready").query).count();
        };
        QCOMPARE(isReady(), size_t{0});
        QVERIFY(setCardFact(*store_, mara, "ipi", {"99900001057"}));
        search = searchOf(*store_, search);
        table = readinessOfShelves(*store_, search, rules, table, {}, progress);
        QCOMPARE(isReady(), size_t{1});
    }

private:
    CardId card(CardKind kind, const char* name) {
        ChangeOutcome outcome;
        return *makeCard(*store_, kind, {{kind == CardKind::Party ? "name" : "title", {name}}}, outcome);
    }
    FileId song(const std::string& name) {
        files::ScannedFile f;
        f.path = *box_ / "shelf" / name;
        f.state = {1, 2};
        f.tags = tags::TagFile();
        f.tags->fields = {{"title", {name}}, {"artist", {"Kestrel & Rook"}}, {"album", {"Lanterns"}}};
        const FileId id = store_->files().save(f, shelf_);
        store_->recordings().ensure(id);
        return id;
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Store> store_;
    int64_t shelf_ = 0;
};

QTEST_APPLESS_MAIN(TestAgreements)
#include "test_agreements.moc"
