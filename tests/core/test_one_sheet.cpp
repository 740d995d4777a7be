// SPDX-License-Identifier: GPL-3.0-or-later
// One-sheets: what stands on them by which layout, what is missing; as text, page and JSON.
#include <QtTest>

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>

#include "core/base/base64.h"
#include "core/exchange/markup.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestOneSheet : public QObject, test::SheetWorld {
    Q_OBJECT
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void whatStandsOnIt() {
        const FileId lead = lanterns();
        const SheetSubject s = subject({{lead}, {}});
        QCOMPARE(s.title, std::string("Lanterns"));
        const std::string text = sheetText(oneSheet(s, layout("Everything")));
        inOrder(text, {"Lanterns",
                       "Kestrel & Rook",
                       "Lanterns, 2021",
                       "3:41",
                       "104 BPM",
                       "D minor",
                       "English",
                       "ZZ-FSR-21-00031",
                       "T-999.000.104-2",
                       "Versions",
                       "Instrumental",
                       "Stems: bass, keys",
                       "Writers",
                       "Mara Kestrel",
                       "author, composer",
                       "IPI 99900001057",
                       "50 %",
                       "Tom Rook",
                       "33 1/3 %",
                       "Isla Varnholt",
                       "IPI to follow",
                       "16 2/3 %",
                       "Publishers",
                       "Fellside Songs",
                       "for Mara Kestrel and Isla Varnholt",
                       "66 2/3 %",
                       "held by the writer",
                       "Owners of the master",
                       "Fellside Reissues",
                       "60 %",
                       "open",
                       "40 %",
                       "Keywords",
                       "night, harbour",
                       "Description",
                       "A slow walk",
                       "Recording details",
                       "Producer",
                       "Tom Rook",
                       "Contacts",
                       "Fellside Reissues",
                       "licences",
                       "licences@example.org",
                       "Lyrics",
                       "Lanterns down along the quay",
                       "one for you",
                       "Where to listen first",
                       "1:12",
                       "chorus",
                       "Links",
                       "https://example.org/lanterns"});
        // What is off is nowhere, in no form.
        const SheetLayout facts = layout("Facts and people");
        for (const std::string& without :
             {sheetText(oneSheet(s, facts)), sheetHtml(oneSheet(s, facts), {}), sheetJson(s, facts)}) {
            QVERIFY(without.find("Mara Kestrel") != std::string::npos);
            for (const char* hidden : {"harbour", "along the quay", "licences@example.org", "chorus"})
                QVERIFY2(without.find(hidden) == std::string::npos, hidden);
        }
        // Nothing is said to be missing where the layout does not say so.
        SheetLayout quiet = layout("Everything");
        quiet.showsMissing = false;
        const std::string plain = sheetText(oneSheet(s, quiet));
        QVERIFY(plain.find("to follow") == std::string::npos);
        QVERIFY(plain.find("open") == std::string::npos);
    }

    void inTheOrderOfTheLayout() {
        const FileId lead = lanterns();
        SheetLayout l = layout("Everything");
        std::ranges::reverse(l.places);
        const std::string text = sheetText(oneSheet(subject({{lead}, {}}), l));
        inOrder(text, {"Lanterns", "Links", "Where to listen first", "Lyrics", "Contacts",
                       "Recording details", "Keywords", "Owners of the master", "Writers", "Publishers",
                       "Versions", "Codes", "ISRC", "Facts", "Tempo", "104 BPM"});
    }

    void whatIsMissing() {
        const FileId lead = lanterns(), bare = song("Gorse.flac", {{"title", {"Gorse"}}});
        const SheetLayout all = layout("Everything");
        const SheetSubject s = subject({{lead}, {}});
        const auto gaps = sheetGaps(s, all);
        QVERIFY2(has(gaps, "Isla Varnholt has no IPI number"), said(gaps).c_str());
        QVERIFY2(has(gaps, "Owners: 40 % is open"), said(gaps).c_str());
        QVERIFY(!has(gaps, "ISRC"));
        for (const SheetGap& gap : gaps) // each leads somewhere
            QVERIFY2(gap.id != 0, gap.sentence.c_str());
        SheetLayout off = all;
        for (auto& place : off.places)
            place.on = place.section == Section::Lyrics;
        QVERIFY2(sheetGaps(s, off).empty(), said(sheetGaps(s, off)).c_str());
        // Of a song of which little is known.
        const auto more = sheetGaps(subject({{bare, lead}, {}}), all);
        for (const char* what :
             {"Gorse: No artist", "Gorse: No ISRC", "Gorse: It is not said which work this is",
              "Gorse: No owner of the master", "Gorse: There is nobody to ask"})
            QVERIFY2(has(more, what), said(more).c_str());
        const std::string text = sheetText(oneSheet(subject({{bare}, {}}), all));
        inOrder(text,
                {"Gorse", "ISRC to follow", "Writers", "To follow", "Owners of the master", "To follow"});
        // What is known to be none is not missing.
        const CardId isla = party("Isla Varnholt");
        QVERIFY(library::setCardFact(*store_, isla, "ipi", {}, true));
        QVERIFY(!has(sheetGaps(subject({{lead}, {}}), all), "Isla Varnholt has no IPI number"));
        QVERIFY(sheetText(oneSheet(subject({{lead}, {}}), all)).find("IPI to follow") == std::string::npos);
    }

    /// What is proposed and not written yet is on the sheet as it will be.
    void draftsCount() {
        const FileId file = song("Gorse.flac", {{"title", {"Gorse"}}, {"tempo", {"90"}}});
        store_->drafts().save({{file, "title", {}, library::Draft{{"Gorse and Heather"}, "typed", 1}},
                               {file, "tempo", {}, library::Draft{{}, "typed", 1}},
                               {file, library::placeKey, {}, library::Draft{{"1"}, "typed", 1}}});
        const SheetSubject s = subject({{file}, {}});
        QCOMPARE(s.songs[0].title, std::string("Gorse and Heather"));
        QCOMPARE(s.songs[0].tempo, std::string());
    }

    void aRelease() {
        Strings titles = {"Night Post", "Ferryman's Reel", "Cold Slip"};
        library::ReleaseRef ref;
        for (size_t i = 0; i < titles.size(); ++i)
            ref.files.push_back(song(titles[i] + ".flac", {{"title", {titles[i]}},
                                                           {"artist", {"The Hollow Ferry"}},
                                                           {"album", {"Night Post EP"}},
                                                           {"album_artist", {"The Hollow Ferry"}},
                                                           {"track", {std::to_string(i + 1)}},
                                                           {"date", {"1998-10-05"}},
                                                           {"label", {"Gannet Row"}},
                                                           {"catalogue_number", {"GR 014"}}}));
        const SheetSubject s = subject({{}, ref});
        QVERIFY(s.isRelease);
        const std::string text = sheetText(oneSheet(s, layout("")));
        inOrder(text, {"Night Post EP", "The Hollow Ferry", "1998-10-05", "3 tracks", "Gannet Row GR 014",
                       "Tracks", "Night Post", "Ferryman's Reel", "Cold Slip", "1  Night Post",
                       "2  Ferryman's Reel", "3  Cold Slip"});
        QVERIFY(has(sheetGaps(s, layout("")), "The release has no barcode"));
        QVERIFY(oneSheet(subject({}), layout("")).items.empty());
    }

    /// Shares that another one has taken the place of are history.
    void sharesThatHold() {
        const FileId lead = lanterns();
        const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook");
        QVERIFY(library::setShares(*store_, {work_}, Side::Writers,
                                   {{mara, {}, {"author"}, Fraction(1, 1)},
                                    {mara, {}, {"author"}, Fraction(1, 4), {}, {}, "2020"},
                                    {tom, {}, {"composer"}, Fraction(3, 4), {}, {}, "2020"},
                                    {tom, {}, {"composer"}, Fraction(1, 2), {}, {}, "2900"}},
                                   "Writers"));
        const SheetSubject s = subject({{lead}, {}});
        QCOMPARE(s.songs[0].works[0].writers.names.size(), size_t{2});
        QVERIFY(s.songs[0].works[0].writers.sums[0].isWhole());
    }

    void layouts() {
        for (const SheetLayout& shipped : shippedLayouts()) {
            QCOMPARE(shipped.places.size(), allSections().size());
            const auto back = layoutFromJson(layoutJson(shipped));
            QVERIFY_RESULT(back);
            QVERIFY(*back == shipped);
        }
        for (const char* no :
             {"", "[]", "{}", "{\"layout\":\"  \",\"sections\":[]}", "{\"layout\":\"a\"}",
              "{\"layout\":\"a\",\"sections\":[{\"section\":\"weather\"}]}",
              "{\"layout\":\"a\",\"sections\":[{\"section\":\"facts\"},{\"section\":\"facts\"}]}",
              "{\"layout\":\"a\",\"sections\":[3]}"}) {
            const auto read = layoutFromJson(no);
            QVERIFY2(!read, no);
            QVERIFY(read.error().message.starts_with("This is no layout of a sheet"));
        }
        // What is not named is off, at the end.
        const auto little = layoutFromJson("{\"layout\":\"Mine\",\"sections\":[{\"section\":\"lyrics\"}]}");
        QVERIFY_RESULT(little);
        QCOMPARE(little->places.size(), allSections().size());
        QVERIFY(little->has(Section::Lyrics) && !little->has(Section::Facts));
        SheetLayout own = layout("");
        own.places[0].on = false;
        const auto with = layoutsFrom({"not one", layoutJson(own), layoutJson(*little)});
        QCOMPARE(with.size(), shippedLayouts().size() + 1);
        QVERIFY(*layoutNamed(with, "for a LICENCE request") == own); // in the place of the shipped one
        QVERIFY(!layoutNamed(with, "nothing"));
    }

    void asAPage() {
        const FileId file =
            song("x.flac", {{"title", {"<script>alert(1)</script> & \"Lanterns\""}},
                            {"artist", {"O'Rook"}},
                            {"website", {"javascript:alert(1)", "https://example.org/a?b=1&c=2"}}});
        const SheetSubject s = subject({{file}, {}});
        const std::string html = sheetHtml(oneSheet(s, layout("Everything")), {});
        QVERIFY(html.find("<script") == std::string::npos);
        QVERIFY(html.find("&lt;script&gt;") != std::string::npos);
        QVERIFY(html.find("href=\"javascript") == std::string::npos);
        QVERIFY(html.find("href=\"https://example.org/a?b=1&amp;c=2\"") != std::string::npos);
        QVERIFY(html.find("http-equiv=\"Content-Security-Policy\"") != std::string::npos);
        QCOMPARE(toBase64("Moor"), std::string("TW9vcg=="));
        QCOMPARE(toBase64(std::string("\0\xFF\x10", 3)), std::string("AP8Q"));
        QCOMPARE(exchange::linkTarget("licences@example.org"), std::string("mailto:licences@example.org"));
        for (const char* no : {"", "a b@example.org", "javascript:a@b.c", "//example.org", "Lanterns"})
            QCOMPARE(exchange::linkTarget(no), std::string());
    }

    void asJson() {
        const FileId lead = lanterns();
        const QJsonObject out =
            QJsonDocument::fromJson(
                QByteArray::fromStdString(sheetJson(subject({{lead}, {}}), layout("Everything"))))
                .object();
        const QJsonObject one = out["songs"].toArray()[0].toObject();
        QCOMPARE(one["isrc"].toArray()[0].toString(), QString("ZZFSR2100031"));
        const QJsonObject work = one["works"].toArray()[0].toObject();
        QCOMPARE(work["writers"].toArray()[1].toObject()["share"].toString(), QString("1/3"));
        QCOMPARE(one["owners"].toArray()[0].toObject()["percent"].toString(), QString("60 %"));
        QVERIFY(out["missing"].toArray().size() > 1);
    }
};

QTEST_GUILESS_MAIN(TestOneSheet)
#include "test_one_sheet.moc"
