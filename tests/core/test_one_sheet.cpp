// SPDX-License-Identifier: GPL-3.0-or-later
// One-sheets: what stands on them by which layout, what is missing, and that text, page, JSON and PDF hold
// it all, in order, in all scripts. The PDF is read back by poppler.
#include <QtTest>

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>

#include "core/base/base64.h"
#include "core/deliver/sheet_file.h"
#include "core/exchange/markup.h"
#include "core/library/families/families.h"
#include "core/library/people/card_changes.h"
#include "core/library/recordings.h"
#include "core/text/text.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::deliver;
using library::CardId;
using library::CardKind;
using library::FileId;
using library::Fraction;
using library::Share;
using library::Side;

using Strings = std::vector<std::string>;

class TestOneSheet : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
    }
    void cleanup() { store_.reset(); }

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

    /// Every fact once, in order, in all scripts of the demo.
    void thePdfIsRead() {
        const FileId lead = lanterns();
        const FileId
            choir =
                song("a.flac",
                     {{"title",
                       {"\u0421\u0435\u0432\u0435\u0440\u043d\u044b\u0439 \u0432\u0435\u0442\u0435\u0440"}},
                      {"artist", {"\u0425\u043e\u0440 \u041c\u0430\u044f\u043a\u0430"}},
                      {"album", {"\u041f\u0435\u0441\u043d\u0438 \u043c\u043e\u0440\u044f"}}}),
            circle = song("circle.flac",
                          {{"title", {"\u6d5c\u306e\u304b\u3099\u306a\u308a\u3046\u305f"}}, // combining mark
                           {"artist", {"\u706f\u53f0\u3046\u305f\u4f1a"}}}),
            singer = song("c.flac", {{"title", {"Fj\u00e6re \u00e5tti offices"}},
                                     {"artist", {"\u00c5se-Linn Br\u00e6kke"}}});
        const SheetSubject s = subject({{lead, choir, circle, singer}, {}});
        const auto pdf = sheetBytes(SheetFile::Pdf, s, layout("Everything"), {}, 1633046400);
        QVERIFY_RESULT(pdf);
        const std::string read = pdfText(*pdf);
        inOrder(read, {"Lanterns",
                       "Kestrel & Rook",
                       "Lanterns, 2021",
                       "3:41",
                       "104 BPM",
                       "ZZ-FSR-21-00031",
                       "Instrumental",
                       "Stems: bass, keys",
                       "Writers",
                       "Mara Kestrel",
                       "author, composer",
                       "99900001057",
                       "Tom Rook",
                       "Isla Varnholt",
                       "Publishers",
                       "Fellside Songs",
                       "Owners of the master",
                       "night, harbour",
                       "licences@example.org",
                       "Lanterns down along the quay",
                       "one for you",
                       "1:12",
                       "chorus",
                       "https://example.org/lanterns",
                       "\u0421\u0435\u0432\u0435\u0440\u043d\u044b\u0439 \u0432\u0435\u0442\u0435\u0440",
                       "\u0425\u043e\u0440 \u041c\u0430\u044f\u043a\u0430",
                       "\u041f\u0435\u0441\u043d\u0438 \u043c\u043e\u0440\u044f",
                       "\u6d5c\u306e\u304b\u3099\u306a\u308a\u3046\u305f",
                       "\u706f\u53f0\u3046\u305f\u4f1a",
                       "Fj\u00e6re \u00e5tti offices",
                       "\u00c5se-Linn Br\u00e6kke"});
        for (const char* once : {"99900001057", "ZZ-FSR-21-00031", "author, composer", "along the quay",
                                 "33 1/3 %", "\u706f\u53f0\u3046\u305f\u4f1a"})
            QVERIFY2(count(read, once) == (once == std::string("33 1/3 %") ? 2 : 1),
                     (once + ("\n" + read)).c_str());
        test::writeBytes(*box_ / "sheet.pdf", *pdf);
        const QString info = output("pdfinfo", {path("sheet.pdf")});
        for (const char* property : {"Title:           4 songs", "Creator:         Moorfrost",
                                     "night, harbour", "Author:          Kestrel & Rook"})
            QVERIFY2(info.contains(property), qPrintable(info));
        // The fonts go along.
        const QString fonts = output("pdffonts", {path("sheet.pdf")});
        for (const QString& line : fonts.split('\n').mid(2))
            QVERIFY2(line.isEmpty() || line.contains(QRegularExpression("yes (yes|no ) ?yes")),
                     qPrintable(fonts));
    }

    /// Longer than a page, wider than a column: nothing is lost.
    void longTexts() {
        std::string lyrics;
        for (int i = 1; i <= 300; ++i)
            lyrics += "line " + std::to_string(i) + " of the night watch\n" + (i % 8 ? "" : "\n");
        const FileId file = song("a.flac", {{"title", {std::string(180, 'a') + " end of title"}},
                                            {"lyrics", {lyrics}},
                                            {"performer",
                                             {"Mara Kestrel (voice, harmonium, a rather long list of "
                                              "small things that make a noise when one strikes them)"}}});
        std::vector<Share> writers;
        for (int i = 0; i < 200; ++i)
            writers.push_back(
                {party(("Writer Number " + std::to_string(i)).c_str()), {}, {"composer"}, Fraction(1, 200)});
        const CardId work = this->work("a");
        QVERIFY(library::setWorks(*store_, {file}, {work}, "Work"));
        QVERIFY(library::setShares(*store_, {work}, Side::Writers, writers, "Writers"));
        const SheetSubject s = subject({{file}, {}});
        const SheetDocument document = oneSheet(s, layout("Everything"));
        const SheetPages pages(document, {}, 0);
        QVERIFY(pages.count() > 5);
        const std::string read = pdfText(*pages.pdf());
        for (int i = 1; i <= 300; ++i)
            QCOMPARE(count(read, "line " + std::to_string(i) + " of the night watch"), 1);
        for (int i = 0; i < 200; ++i)
            QCOMPARE(count(read, "Writer Number " + std::to_string(i) + " "), 1);
        QVERIFY2(count(read, "strikes") == 1 && count(read, "them)") == 1, read.c_str());
        // A page as a picture is as large as it was asked, and not blank.
        const SheetPages::Picture picture = pages.page(0, 0.5);
        QCOMPARE(picture.width, 298);
        QCOMPARE(picture.pixels.size(),
                 static_cast<size_t>(picture.width) * static_cast<size_t>(picture.height) * 4);
        QVERIFY(
            std::ranges::any_of(picture.pixels, [](char c) { return static_cast<unsigned char>(c) < 100; }));
        QCOMPARE(pages.page(pages.count(), 1).width, 0);
    }

    /// What no page can show.
    void oddTexts() {
        const FileId file = song("a.flac", {{"title", {std::string("\xff\xfe bad\x01\x02 bytes")}},
                                            {"artist", {"\u200f\u05d0\u05d1"}},
                                            {"genre", {std::string(3000, 'w')}}});
        const SheetSubject s = subject({{file, 999999}, {}});
        QCOMPARE(s.unknown.size(), size_t{1});
        for (const SheetFile kind : {SheetFile::Text, SheetFile::Html, SheetFile::Json, SheetFile::Pdf})
            QVERIFY_RESULT(sheetBytes(kind, s, layout("Everything"), {}, 0));
        QVERIFY(!sheetBytes(SheetFile::Pdf, SheetSubject(), layout(""), {}, 0));
        QCOMPARE(sheetFileName(subject({{lanterns()}, {}})), std::string("Kestrel & Rook - Lanterns"));
        QVERIFY(!sheetFileName(s).empty());
        QVERIFY(!sheetFileOf("a.doc"));
        QVERIFY(sheetFileOf("a.PDF") == SheetFile::Pdf);
        QCOMPARE(clockText(3725.4), std::string("1:02:05"));
        QCOMPARE(shownIsrc("something else"), std::string("something else"));
    }

private:
    SheetLayout layout(const char* name) {
        const SheetLayout* found = layoutNamed(shippedLayouts(), name);
        return found ? *found : shippedLayouts().front();
    }
    SheetSubject subject(const SheetOf& of) {
        return sheetSubject(*store_, *library::People::make(library::keptCards(*store_)), of);
    }
    FileId song(const std::string& name, tags::Fields fields, double seconds = 221) {
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
    CardId party(const char* name) {
        const auto people = library::People::make(library::keptCards(*store_));
        if (const CardId known = people->named(name))
            return known;
        library::ChangeOutcome outcome;
        return *library::makeCard(*store_, CardKind::Party, {{"name", {name}}}, outcome);
    }
    CardId work(const char* title) {
        library::ChangeOutcome outcome;
        return *library::makeCard(*store_, CardKind::Work, {{"title", {title}}}, outcome);
    }
    void say(CardId card, const char* key, const Strings& values) {
        const auto set = library::setCardFact(*store_, card, key, values);
        QVERIFY2(set, set ? "" : set.error().message.c_str());
    }

    /// "Lanterns" with all there is to say.
    FileId lanterns() {
        const FileId lead = song("Lanterns.flac", {{"title", {"Lanterns"}},
                                                   {"artist", {"Kestrel & Rook"}},
                                                   {"album", {"Lanterns"}},
                                                   {"date", {"2021-09-24"}},
                                                   {"tempo", {"104"}},
                                                   {"key", {"D minor"}},
                                                   {"language", {"English"}},
                                                   {"isrc", {"ZZFSR2100031"}},
                                                   {"producer", {"Tom Rook"}},
                                                   {"website", {"https://example.org/lanterns"}}});
        const FileId instrumental = song("i.flac", {{"title", {"Lanterns (Instrumental)"}}}),
                     bass = song("b.flac", {{"title", {"Lanterns bass"}}}),
                     keys = song("k.flac", {{"title", {"Lanterns keys"}}});
        [&] {
            QVERIFY(library::keepFamilies(*store_, {{{lead, "lead", ""},
                                                     {instrumental, "instrumental", ""},
                                                     {bass, "stem", "bass"},
                                                     {keys, "stem", "keys"}}}));
            work_ = work("Lanterns");
            const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook"), isla = party("Isla Varnholt"),
                         songs = party("Fellside Songs"), owner = party("Fellside Reissues");
            say(mara, "ipi", {"99900001057"});
            say(tom, "ipi", {"99900002054"});
            say(songs, "ipi", {"99900003051"});
            say(owner, "contacts", {library::contactText({"mail", "licences@example.org", "licences"})});
            say(work_, "iswc", {"T-999.000.104-2"});
            say(work_, "keywords", {"night", "harbour"});
            say(work_, "description", {"A slow walk home along the harbour wall."});
            say(work_, "lyrics", {"Lanterns down along the quay,\none for you and one for me"});
            QVERIFY(library::setWorks(*store_, {lead}, {work_}, "Work"));
            QVERIFY(library::setShares(*store_, {work_}, Side::Writers,
                                       {{mara, {}, {"author", "composer"}, Fraction(1, 2)},
                                        {tom, {}, {"composer"}, Fraction(1, 3)},
                                        {isla, {}, {"composer"}, Fraction(1, 6)}},
                                       "Writers"));
            QVERIFY(library::setShares(*store_, {work_}, Side::Publishers,
                                       {{songs, {}, {"original publisher"}, Fraction(2, 3), {mara, isla}},
                                        {0, {}, {}, Fraction(1, 3), {tom}}},
                                       "Publishers"));
            QVERIFY(library::setOwners(*store_, {lead}, {{owner, {}, {}, Fraction(3, 5)}}, "Owners"));
            QVERIFY(library::addBookmark(*store_, "Bookmark", {72, "chorus"}, lead));
        }();
        return lead;
    }

    static bool has(const std::vector<SheetGap>& gaps, const std::string& what) {
        return std::ranges::any_of(
            gaps, [&](const SheetGap& g) { return g.sentence.find(what) != std::string::npos; });
    }
    static std::string said(const std::vector<SheetGap>& gaps) {
        std::string out;
        for (const SheetGap& gap : gaps)
            out += gap.sentence + "\n";
        return out;
    }
    static void inOrder(const std::string& text, const Strings& parts) {
        size_t at = 0;
        for (const std::string& part : parts) {
            const size_t found = text.find(text::nfc(part), at);
            QVERIFY2(found != std::string::npos, ("not found in order: " + part + "\n" + text).c_str());
            at = found + 1;
        }
    }
    static int count(const std::string& text, const std::string& what) {
        int n = 0;
        for (size_t at = text.find(what); at != std::string::npos; at = text.find(what, at + 1))
            ++n;
        return n;
    }
    QString path(const char* name) { return QString::fromStdString((*box_ / name).native()); }
    static QString output(const QString& program, const QStringList& arguments) {
        QProcess process;
        process.start(program, arguments);
        process.waitForFinished(30000);
        return QString::fromUtf8(process.readAllStandardOutput());
    }
    /// As poppler has it, line after line.
    std::string pdfText(const std::string& pdf) {
        test::writeBytes(*box_ / "read.pdf", pdf);
        return text::nfc(output("pdftotext", {"-layout", path("read.pdf"), "-"}).toStdString());
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0;
    CardId work_ = 0;
};

QTEST_GUILESS_MAIN(TestOneSheet)
#include "test_one_sheet.moc"
