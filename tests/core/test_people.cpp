// SPDX-License-Identifier: GPL-3.0-or-later
// People, works and who has which part of what: exact fractions, sums in plain words, parties that are
// merged, sources that disagree; and that every change can be taken back.
#include <QtTest>

#include <QProcess>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/families/families.h"
#include "core/library/people/people.h"
#include "core/library/people/works_of.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

using Strings = std::vector<std::string>;

class TestPeople : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
    }
    void cleanup() { store_.reset(); }

    void sharesAsPeopleTypeThem_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("part");
        QTest::addColumn<QString>("meant");
        auto row = [](const char* typed, const char* part, const char* meant = "") {
            QTest::newRow(typed) << QString::fromUtf8(typed) << QString(part) << QString(meant);
        };
        row("1/3", "1/3");
        row(" 2 / 6 ", "1/3");
        row("50", "1/2");
        row("50 %", "1/2");
        row("12.5%", "1/8");
        row("33 1/3 %", "1/3");
        row("33 1/3", "1/3");
        row("\u2153", "1/3");
        row("33\u2153 %", "1/3");
        row("100", "1");
        row("33.33", "3333/10000", "1/3");
        row("33,3 %", "333/1000", "1/3");
        row("66.67", "6667/10000", "2/3");
        row("16.67%", "1667/10000", "1/6");
        row("14.29", "1429/10000", "1/7");
        row("33", "33/100", "1/3");
        row("67 %", "67/100", "2/3");
        row("34", "17/50");
        row("0.5", "1/200", "1/2");
        row("1", "1/100", "1");
        row("25.5", "51/200");
        row("1/3 each", "1/3");
    }
    void sharesAsPeopleTypeThem() {
        QFETCH(QString, typed);
        const auto read = shareFromTyping(typed.toStdString());
        QVERIFY2(read, read ? "" : read.error().message.c_str());
        QTEST(QString::fromStdString(read->part.text()), "part");
        QTEST(read->meant ? QString::fromStdString(read->meant->text()) : QString(), "meant");
        QCOMPARE(read->each, typed.contains("each"));
    }

    void whatIsNoShare_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("says");
        auto row = [](const char* typed, const char* says) {
            QTest::newRow(typed) << QString::fromUtf8(typed) << QString(says);
        };
        row("", "such as 1/3");
        row("0", "is nothing");
        row("0/5", "is nothing");
        row("-20", "below nothing");
        row("101", "more than all");
        row("4/3", "more than all");
        row("100 1/3", "more than all");
        row("1/0", "divided by nothing");
        row("half", "no share");
        row("1/2/3", "no share");
        row("1e5", "no share");
        row("12345678901234567890", "no share");
        row("1.2.3", "no share");
    }
    void whatIsNoShare() {
        QFETCH(QString, typed);
        QFETCH(QString, says);
        const auto read = shareFromTyping(typed.toStdString());
        QVERIFY(!read);
        QVERIFY2(QString::fromStdString(read.error().message).contains(says), read.error().message.c_str());
    }

    void fractionsForPeople() {
        QCOMPARE(Fraction(1, 3).percent(), std::string("33 1/3 %"));
        QCOMPARE(Fraction(1, 8).percent(), std::string("12.5 %"));
        QCOMPARE(Fraction(1, 2).percent(), std::string("50 %"));
        QCOMPARE(Fraction(1, 300).percent(), std::string("1/3 %"));
        QCOMPARE(Fraction(3333, 10000).percent(), std::string("33.33 %"));
        QCOMPARE(Fraction(101, 10000).percent(), std::string("1.01 %"));
        QCOMPARE(Fraction::fromText("2/4")->text(), std::string("1/2"));
        for (const char* no : {"", "/", "1/", "1/0", "-1/2", "a", "1/2/3"})
            QVERIFY2(!Fraction::fromText(no), no);
    }

    /// 10,000 sets of parts, beside the rational numbers of Python.
    void sumsAreExact() {
        std::mt19937 chance(7);
        QByteArray asked;
        std::vector<std::string> ours;
        for (int set = 0; set < 10000; ++set) {
            Fraction sum;
            std::vector<Share> shares;
            const int count = 1 + static_cast<int>(chance() % 12);
            for (int i = 0; i < count; ++i) {
                const long below = 1 + static_cast<long>(chance() % (set % 2 ? 24 : 1000000007));
                const long above = 1 + static_cast<long>(chance() % static_cast<unsigned long>(below));
                shares.push_back({i + 1, {}, {}, Fraction(above, below)});
                asked += QByteArray::number(static_cast<qlonglong>(above)) + "/" +
                         QByteArray::number(static_cast<qlonglong>(below)) + " ";
            }
            asked += "\n";
            const auto sums = sumsOf(sharesFrom(shareTexts(shares)), "2021");
            QCOMPARE(sums.size(), size_t{1});
            ours.push_back(sums[0].sum.text() + (sums[0].isWhole() ? " whole" : "") +
                           (sums[0].isTooMuch() ? " too much" : ""));
        }
        QProcess python;
        python.start("python3",
                     {"-c",
                      "import sys\n"
                      "from fractions import Fraction as F\n"
                      "for line in sys.stdin:\n"
                      "    s = sum((F(x) for x in line.split()), F(0))\n"
                      "    print(str(s) + (' whole' if s == 1 else '') + (' too much' if s > 1 else ''))\n"});
        QVERIFY(python.waitForStarted());
        python.write(asked);
        python.closeWriteChannel();
        QVERIFY(python.waitForFinished(60000));
        const QList<QByteArray> theirs = python.readAllStandardOutput().trimmed().split('\n');
        QCOMPARE(static_cast<size_t>(theirs.size()), ours.size());
        for (size_t i = 0; i < ours.size(); ++i)
            QCOMPARE(QString::fromStdString(ours[i]), QString(theirs[static_cast<int>(i)]));
    }

    void sumsInPlainWords() {
        auto words = [](const std::vector<Share>& shares, const char* on = "2021") {
            Strings out;
            for (const SideSum& s : sumsOf(shares, on))
                out.push_back(sumSentence(s, shares.size()));
            return out;
        };
        const Share half{1, {}, {}, Fraction(1, 2)}, third{2, {}, {}, Fraction(1, 3)};
        QCOMPARE(words({}), Strings{"Nobody is named yet."});
        QCOMPARE(words({half, {2, {}, {}, Fraction(1, 2)}}), Strings{"Adds up exactly."});
        QCOMPARE(words({half, third}), Strings{"16 2/3 % is open: no one is named for it."});
        QCOMPARE(words({half, third, {3, {}, {}, Fraction(1, 3)}}),
                 Strings{"16 2/3 % too much: they add up to 116 2/3 %."});
        QCOMPARE(words({half, {0, "Wren-Low", {}, std::nullopt}}),
                 Strings{"The part of one is not known: 50 % is open."});
        // For a territory, what is said of it counts there; the rest is what holds in the world.
        const Share here{1, {}, {}, Fraction(2, 3), {}, "NO"};
        QCOMPARE(words({half, {2, {}, {}, Fraction(1, 2)}, here}),
                 (Strings{"Adds up exactly.", "16 2/3 % too much in NO: they add up to 116 2/3 %."}));
        // From a date on another part.
        Share later = half;
        later.part = Fraction(1, 4);
        later.from = "2024-01-01";
        const std::vector<Share> changed = {half, later, {2, {}, {}, Fraction(1, 2)}};
        QCOMPARE(words(changed, "2023-12-31"), Strings{"Adds up exactly."});
        QCOMPARE(words(changed, "2024-06"), Strings{"25 % is open: no one is named for it."});
        for (const auto& [side, share, says] :
             {std::tuple(Side::Writers, Share{}, "needs a name"),
              {Side::Writers, Share{1, {}, {}, Fraction(0, 1)}, "more than nothing"},
              {Side::Writers, Share{1, {}, {}, Fraction(3, 2)}, "at most all"},
              {Side::Owners, Share{1, {}, {}, {}, {}, "norway"}, "territory"},
              {Side::Owners, Share{1, {}, {}, {}, {}, "", "1986-02-30x"}, "date"},
              {Side::Owners, Share{1, {}, {"a\nb"}}, "one line"}})
            QVERIFY2(whyNotShares(side, {share}).find(says) != std::string::npos,
                     whyNotShares(side, {share}).c_str());
        QVERIFY(whyNotShares(Side::Publishers, {Share{0, {}, {}, Fraction(1, 3)}}).empty());
        QVERIFY(whyNotShares(Side::Writers, std::vector<Share>(200, half)).empty());
        QVERIFY(!whyNotShares(Side::Writers, std::vector<Share>(501, half)).empty());
    }

    void numbersAreVerified() {
        QCOMPARE(audit::whyNotCode("ipi", ipiOf(999000010)), std::string());
        QVERIFY(!audit::whyNotCode("ipi", "99900001000").empty());
        QVERIFY(!audit::whyNotCode("ipi", "123456789012").empty());
        QCOMPARE(audit::whyNotCode("isni", "0000 0001 2345 6789"), std::string());
        QVERIFY(!audit::whyNotCode("isni", "0000 0001 2345 6780").empty());
        QVERIFY(!audit::whyNotCode("isni", "0000").empty());
    }

    void aPersonIsEnteredOnce() {
        ChangeOutcome outcome;
        const auto mara =
            makeCard(*store_, CardKind::Party, {{"name", {"Mara Kestrel"}}, {"kind", {"person"}}}, outcome);
        QVERIFY(mara && outcome.cards);
        QVERIFY(setCardFact(*store_, *mara, "spellings", {"Kestrel, M.", "M. Kestrel"}));
        QVERIFY(setCardFact(*store_, *mara, "ipi", {ipiOf(999000010)}));
        QVERIFY(setCardFact(*store_, *mara, "society", {}, true)); // known to be in none
        QVERIFY(!setCardFact(*store_, *mara, "name", {" "}));
        QVERIFY(!setCardFact(*store_, *mara, "kind", {"weather"}));
        QVERIFY(!setCardFact(*store_, *mara, "notes", {}, true));
        QVERIFY(!setCardFact(*store_, 999, "name", {"x"}));
        QVERIFY(!makeCard(*store_, CardKind::Party, {}, outcome));
        QVERIFY(!makeCard(*store_, CardKind::Work, {{"title", {"a\nb"}}}, outcome));
        const auto people = People::make(keptCards(*store_));
        QCOMPARE(people->parties().size(), size_t{1});
        QCOMPARE(people->parties()[0].sort, std::string("Kestrel, Mara"));
        QCOMPARE(people->named("m. kestrel"), *mara);
        QCOMPARE(people->named("Kestrel"), CardId{0});
        QCOMPARE(people->findParties("kes m.").size(), size_t{1});
        QCOMPARE(people->findParties("9990").size(), size_t{1});
        QCOMPARE(people->alike("Mara Kestrell", 3).size(), size_t{1});
        QVERIFY(removeCard(*store_, *mara));
        QVERIFY(!store_->cards().has(*mara, CardKind::Party));
    }

    void sharesOfASong() {
        const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook"), songs = party("Fellside Songs");
        ChangeOutcome outcome;
        const auto work = makeCard(*store_, CardKind::Work, {{"title", {"Lanterns"}}}, outcome);
        QVERIFY(work);
        const std::vector<Share> writers = {{mara, {}, {"author", "composer"}, Fraction(1, 2)},
                                            {tom, {}, {"composer"}, Fraction(1, 3)}};
        const auto set = setShares(*store_, {*work}, Side::Writers, writers, "Writers of \"Lanterns\"");
        QVERIFY(set);
        QVERIFY(setShares(*store_, {*work}, Side::Publishers,
                          {{songs, {}, {"original publisher"}, Fraction(1, 1), {mara, tom}}}, "Publishers"));
        auto people = People::make(keptCards(*store_));
        const WorkEntry& entry = people->works()[people->work(*work)];
        QCOMPARE(entry.by, std::string("Mara Kestrel, Tom Rook"));
        QCOMPARE(entry.state(), std::string("writers 83 1/3 %, publishers 100 %"));
        Strings gaps;
        for (const Gap& g : entry.gaps)
            gaps.push_back(g.sentence);
        QCOMPARE(gaps, (Strings{"Writers: 16 2/3 % is open: no one is named for it.",
                                "Mara Kestrel has no IPI number", "Tom Rook has no IPI number", "No ISWC"}));
        QCOMPARE(people->findWorks("rook lant", People::WorkOrder::Title).size(), size_t{1});
        QCOMPARE(people->parties()[people->party(songs)].shares, size_t{1});
        // Owners have a share, too.
        const FileId lead = song("Lanterns.flac", {{"title", {"Lanterns"}}});
        QVERIFY(setWorks(*store_, {lead}, {*work}, "x"));
        QVERIFY(setOwners(*store_, {lead}, {{mara, {}, {"owner"}, Fraction(1, 1)}}, "x"));
        QCOMPARE(People::make(keptCards(*store_))->sharesOf(mara).size(), size_t{2});
        // Who is called as several are is not entered once more.
        const CardId second = party("Tom Rook");
        const auto doubtful =
            setShares(*store_, {*work}, Side::Writers, {{0, "tom rook", {}, Fraction(1, 1)}}, "x");
        QVERIFY(!doubtful && doubtful.error().message.find("Several") != std::string::npos);
        QVERIFY(removeCard(*store_, second));
        // Who is named is not removed.
        const auto no = removeCard(*store_, tom);
        QVERIFY(!no);
        QVERIFY(no.error().message.find("2 places") != std::string::npos);
        QVERIFY(takeBackChange(*store_, set->change));
        QVERIFY(store_->cards().fact(*work, "writers") == std::nullopt);
    }

    void twoThatAreOne() {
        const CardId tom = party("Tom Rook"), other = party("Rook, Tom"), mara = party("Mara Kestrel");
        QVERIFY(setCardFact(*store_, other, "ipi", {ipiOf(999000020)}));
        QVERIFY(setCardFact(*store_, other, "spellings", {"T. Rook"}));
        QVERIFY(setCardFact(*store_, mara, "represented", {std::to_string(other)}));
        ChangeOutcome outcome;
        const auto work = makeCard(*store_, CardKind::Work, {{"title", {"Lanterns"}}}, outcome);
        QVERIFY(setShares(*store_, {*work}, Side::Writers, {{other, {}, {"composer"}, Fraction(1, 1)}}, "x"));
        QVERIFY(setShares(*store_, {*work}, Side::Publishers, {{0, {}, {}, Fraction(1, 1), {other}}}, "x"));
        const FileId file = song("Lanterns.flac", {{"title", {"Lanterns"}}});
        QVERIFY(setOwners(*store_, {file}, {{other, {}, {"owner"}, Fraction(1, 1)}}, "x"));
        const auto proposals = proposeSameParties(*People::make(keptCards(*store_)));
        QCOMPARE(proposals.size(), size_t{1});
        QCOMPARE(proposals[0].why, std::string("the same name"));
        QCOMPARE(proposals[0].first, other); // it has the shares
        const auto merged = mergeParties(*store_, tom, {other});
        QVERIFY(merged);
        QVERIFY(!store_->cards().has(other, CardKind::Party));
        QCOMPARE(sharesFrom(store_->cards().fact(*work, "writers")->values)[0].party, tom);
        QCOMPARE(sharesFrom(store_->cards().fact(*work, "publishers")->values)[0].forWhom,
                 std::vector<CardId>{tom});
        QCOMPARE(store_->cards().fact(mara, "represented")->values, Strings{std::to_string(tom)});
        QCOMPARE(sharesFrom(store_->recordings().values(store_->recordings().placeOf(file).recording,
                                                        masterField))[0]
                     .party,
                 tom);
        QCOMPARE(store_->cards().fact(tom, "spellings")->values, (Strings{"Rook, Tom", "T. Rook"}));
        QCOMPARE(store_->cards().fact(tom, "ipi")->values, Strings{ipiOf(999000020)});
        QVERIFY(!mergeParties(*store_, tom, {tom}));
        QVERIFY(!mergeParties(*store_, tom, {999}));
        QVERIFY(takeBackChange(*store_, merged->change));
        QCOMPARE(sharesFrom(store_->cards().fact(*work, "writers")->values)[0].party, other);
        QVERIFY(!store_->cards().fact(tom, "ipi"));
        // Whom the other one was represented by: not by itself, nor by one that is no more; and claims
        // follow.
        const CardId third = party("T Rook");
        QVERIFY(setCardFact(*store_, third, "represented", {std::to_string(tom), std::to_string(mara)}));
        QVERIFY(addClaim(*store_, *work, {Side::Writers, "a letter", 5, {{third, {}, {}, Fraction(1, 2)}}}));
        QVERIFY(!removeCard(*store_, third)); // the claim names it
        const auto again = mergeParties(*store_, tom, {third});
        QVERIFY(again);
        QCOMPARE(store_->cards().fact(tom, "represented")->values, Strings{std::to_string(mara)});
        QCOMPARE(claimsFrom(store_->cards().fact(*work, claimsFact)->values)[0].shares[0].party, tom);
        QVERIFY(takeBackChange(*store_, again->change));
        QVERIFY(setCardFact(*store_, third, "ipi", {ipiOf(999000040)}));
        // Two numbers are two people.
        QVERIFY(setCardFact(*store_, tom, "ipi", {ipiOf(999000030)}));
        QVERIFY(proposeSameParties(*People::make(keptCards(*store_))).empty());
    }

    void theSongsOfAnAlbumAtOnce() {
        const CardId mara = party("Mara Kestrel");
        QVERIFY(setCardFact(*store_, mara, "spellings", {"M. Kestrel"}));
        const FileId lead = song("1.flac", {{"title", {"Lanterns"}},
                                            {"composer", {"M. Kestrel", "Wren-Low"}},
                                            {"lyricist", {"Mara Kestrel"}}}),
                     instrumental = song("2.flac", {{"title", {"Lanterns (Instrumental)"}}}),
                     gorse = song("3.flac", {{"title", {"Gorse"}}, {"composer", {"Tom Rook"}}}),
                     other = song("4.flac", {{"title", {"Gorse"}}, {"composer", {"Isla Varnholt"}}}),
                     nameless = song("5 untitled.flac", {});
        QVERIFY(keepFamilies(*store_, {{{lead, leadVersion, ""}, {instrumental, "instrumental", ""}}}));
        size_t made = 0;
        const auto works = makeWorksOf(*store_, {instrumental, lead, gorse, other, nameless, 999}, made);
        QVERIFY(works);
        QCOMPARE(made, size_t{4}); // two songs called Gorse, by others
        auto workOf = [&](FileId file) {
            const auto v =
                store_->recordings().values(store_->recordings().placeOf(file).recording, workField);
            return v.empty() ? std::string() : v.front();
        };
        QCOMPARE(workOf(lead), workOf(instrumental));
        QVERIFY(workOf(gorse) != workOf(other));
        const auto people = People::make(keptCards(*store_));
        const size_t at = people->work(std::stoll(workOf(lead)));
        QCOMPARE(people->works()[at].title, std::string("Lanterns"));
        // With the writers of the lead, whichever of them was asked for.
        QCOMPARE(people->works()[at].by, std::string("Mara Kestrel, Wren-Low"));
        QCOMPARE(people->works()[at].recordings.size(), size_t{2});
        QCOMPARE(people->works()[at].lead, lead);
        // Again: nothing is new.
        QVERIFY(makeWorksOf(*store_, {lead, gorse}, made));
        QCOMPARE(made, size_t{0});
        // A recording of a song that is there.
        const FileId again = song("6.flac", {{"title", {"gorse"}}, {"composer", {"Tom Rook"}}});
        QVERIFY(makeWorksOf(*store_, {again}, made));
        QCOMPARE(made, size_t{0});
        QCOMPARE(workOf(again), workOf(gorse));
        // Many songs are called so: where no writer is told the artist tells them apart.
        const FileId one = song("7.flac", {{"title", {"Intro"}}, {"artist", {"Wren-Low"}}}),
                     two = song("8.flac", {{"title", {"Intro"}}, {"artist", {"Isla Varnholt"}}}),
                     live = song("9.flac", {{"title", {"Intro"}}, {"artist", {"Wren-Low"}}}),
                     bare = song("10.flac", {{"title", {"Intro"}}});
        QVERIFY(makeWorksOf(*store_, {one, two, live, bare}, made));
        QCOMPARE(made, size_t{3});
        QCOMPARE(workOf(one), workOf(live));
        QVERIFY(workOf(one) != workOf(two) && workOf(bare) != workOf(one));
        // What tags hold need not make sense.
        const FileId odd =
            song("11.flac", {{"title", {"Two\nlines"}}, {"lyrics", {std::string(300000, 'x')}}});
        QVERIFY(makeWorksOf(*store_, {odd}, made));
        QCOMPARE(made, size_t{1});
    }

    void sourcesThatDisagree() {
        const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook");
        ChangeOutcome outcome;
        const auto work = makeCard(*store_, CardKind::Work, {{"title", {"Lanterns"}}}, outcome);
        const std::vector<Share> kept = {{mara, {}, {"author"}, Fraction(2, 3)},
                                         {tom, {}, {"composer"}, Fraction(1, 3)}};
        std::vector<Share> said = {{mara, {}, {}, Fraction(7, 10)}, {tom, {}, {}, Fraction(3, 10)}};
        QVERIFY(addClaim(*store_, *work, {Side::Writers, "sheet", 5, kept})); // nothing was known
        QCOMPARE(store_->cards().fact(*work, "writers")->origin, std::string("sheet"));
        QVERIFY(addClaim(*store_, *work, {Side::Writers, "a letter", 6, kept})); // says the same
        QVERIFY(!store_->cards().fact(*work, claimsFact));
        QVERIFY(addClaim(*store_, *work, {Side::Writers, "a letter", 6, said}));
        auto claims = claimsFrom(store_->cards().fact(*work, claimsFact)->values);
        QCOMPARE(claims.size(), size_t{1});
        QVERIFY(People::make(keptCards(*store_))->works()[0].disagrees);
        const auto taken = settleClaim(*store_, *work, claims[0], true);
        QVERIFY(taken);
        QCOMPARE(*sharesFrom(store_->cards().fact(*work, "writers")->values)[0].part, Fraction(7, 10));
        QVERIFY(!store_->cards().fact(*work, claimsFact));
        QVERIFY(!settleClaim(*store_, *work, claims[0], true));
        QVERIFY(takeBackChange(*store_, taken->change));
        QVERIFY(settleClaim(*store_, *work, claims[0], false));
        QCOMPARE(*sharesFrom(store_->cards().fact(*work, "writers")->values)[0].part, Fraction(2, 3));
        QVERIFY(!addClaim(*store_, *work, {Side::Writers, "x", 1, {Share{}}}));
    }

private:
    CardId party(const char* name) {
        ChangeOutcome outcome;
        const auto id = makeCard(*store_, CardKind::Party, {{"name", {name}}}, outcome);
        return id ? *id : 0;
    }
    FileId song(const std::string& name, tags::Fields fields) {
        files::ScannedFile f;
        f.path = *box_ / "shelf" / name;
        f.state = {1, 2};
        f.tags = tags::TagFile();
        f.tags->fields = std::move(fields);
        const FileId id = store_->files().save(f, shelf_);
        store_->recordings().ensure(id);
        return id;
    }
    /// With its check digits.
    static std::string ipiOf(int base) {
        const std::string nine = fmt::format("{:09}", base);
        int sum = 0;
        for (size_t i = 0; i < 9; ++i)
            sum += (nine[i] - '0') * static_cast<int>(10 - i);
        return fmt::format("{}{:02}", nine, sum % 101 == 0 ? 0 : (101 - sum % 101) % 100);
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Store> store_;
    int64_t shelf_ = 0;
};

QTEST_APPLESS_MAIN(TestPeople)
#include "test_people.moc"
