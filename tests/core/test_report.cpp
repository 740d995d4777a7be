// SPDX-License-Identifier: GPL-3.0-or-later
// Reports for other programs: every value stays a value, whatever it looks like.
#include <QtTest>

#include "core/exchange/report.h"
#include "support/sample_files.h"

using namespace moorfrost;

class TestReport : public QObject {
    Q_OBJECT

    static exchange::Report with(const std::string& value) {
        return {"Check of the shelf \"Archive\"", {"1 file"}, {"file", "state"}, {{value, "fine"}}};
    }

private slots:
    void cells_data() {
        QTest::addColumn<QByteArray>("value");
        QTest::addColumn<QByteArray>("cell");
        auto row = [](const char* name, const char* value, const char* cell) {
            QTest::newRow(name) << QByteArray(value) << QByteArray(cell);
        };
        row("plain", "Gorse.flac", "Gorse.flac");
        row("comma", "Gorse, live.flac", "\"Gorse, live.flac\"");
        row("quotation marks", "\"Gorse\"", "\"\"\"Gorse\"\"\"");
        row("two lines", "a\nb", "\"a\nb\"");
        // What a spreadsheet would take for a formula.
        row("equals", "=1+1", "'=1+1");
        row("plus", "+44 Fell Road", "'+44 Fell Road");
        row("minus", "-remaster-.flac", "'-remaster-.flac");
        row("at", "@home", "'@home");
        row("tab", "\t=1", "\"'\t=1\"");
        row("a call", "=HYPERLINK(\"x\",\"y\")", "\"'=HYPERLINK(\"\"x\"\",\"\"y\"\")\"");
        row("not at the beginning", "a=b", "a=b");
        row("several scripts", "Северный ветер 灯", "Северный ветер 灯");
        row("nothing", "", "");
    }
    void cells() {
        QFETCH(QByteArray, value);
        QFETCH(QByteArray, cell);
        QCOMPARE(QByteArray::fromStdString(exchange::asCsv(with(value.toStdString()))),
                 "file,state\r\n" + cell + ",fine\r\n");
    }

    void pagesEscapeWhatTheyShow() {
        const std::string page = exchange::asHtml(with("<script>alert(1)</script> & \"Gorse\""));
        QVERIFY(page.find("<script") == std::string::npos);
        QVERIFY(page.find("&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;Gorse&quot;") !=
                std::string::npos);
        QVERIFY(page.find("<title>Check of the shelf &quot;Archive&quot;</title>") != std::string::npos);
    }
};

QTEST_GUILESS_MAIN(TestReport)
#include "test_report.moc"
