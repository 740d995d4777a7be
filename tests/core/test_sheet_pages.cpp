// SPDX-License-Identifier: GPL-3.0-or-later
// Pages of one-sheets: the PDF, read back by poppler, holds everything once, in order, in all scripts of the
// demo; texts longer than a page lose nothing.
#include <QtTest>

#include <QProcess>
#include <QRegularExpression>

#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;
using library::Share;

class TestSheetPages : public QObject, test::SheetWorld {
    Q_OBJECT
private slots:
    void init() { open(); }
    void cleanup() { close(); }

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
};

QTEST_GUILESS_MAIN(TestSheetPages)
#include "test_sheet_pages.moc"
