// SPDX-License-Identifier: GPL-3.0-or-later
// Sheets of rows: how they are put down, and what comes back of them; read by readers of others.
#include <QtTest>

#include <QProcess>

#include "core/deliver/rows/rows_out.h"
#include "core/deliver/rows/rows_take.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;
using exchange::CsvRow;
using exchange::Dialect;
using State = InRow::State;

class TestRows : public QObject, SheetWorld {
    Q_OBJECT
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void dialectsAreReadBack() {
        const std::vector<CsvRow> rows = {{"Lanterns", "a;b,c\td|e", "say \"x\""},
                                          {"two\nlines", "", " space "},
                                          {"\u0425\u043E\u0440", "=1", "x"}};
        for (const char delimiter : {',', ';', '\t', '|'})
            for (const auto quotes : {Dialect::Quotes::WhereNeeded, Dialect::Quotes::Always})
                for (const char* charset : {"UTF-8", "UTF-16LE", "UTF-16BE", "GB18030"}) {
                    Dialect dialect;
                    dialect.delimiter = delimiter;
                    dialect.quotes = quotes;
                    dialect.charset = charset;
                    dialect.mark = std::string(charset).starts_with("UTF");
                    auto writer = exchange::DelimitedWriter::of(dialect);
                    QVERIFY(writer);
                    std::string bytes = writer->begin();
                    for (const CsvRow& row : rows)
                        bytes += writer->row(row);
                    QCOMPARE(writer->replaced(), size_t{0});
                    // However it is cut into portions.
                    for (const size_t portion : {size_t{1}, size_t{3}, bytes.size()}) {
                        std::vector<CsvRow> back;
                        std::vector<size_t> lines;
                        auto reader = exchange::DelimitedReader::of(dialect, [&](size_t line, CsvRow&& row) {
                            back.push_back(std::move(row));
                            lines.push_back(line);
                            return true;
                        });
                        for (size_t at = 0; at < bytes.size(); at += portion)
                            QVERIFY((*reader)->read(std::string_view(bytes).substr(at, portion)));
                        QVERIFY((*reader)->end());
                        QCOMPARE(back, rows);
                        QCOMPARE(lines, (std::vector<size_t>{1, 2, 4}));
                    }
                    const auto look = exchange::lookAtDelimited(bytes, true);
                    QVERIFY(look);
                    QCOMPARE(look->columns, size_t{3});
                    QCOMPARE(QString::fromStdString(look->dialect.charset),
                             std::string(charset) == "GB18030" ? QString::fromStdString(look->dialect.charset)
                                                               : charset);
                }
        // What an encoding does not have is counted; cells that are not quoted stay one cell.
        Dialect plain;
        plain.charset = "Windows-1252";
        plain.quotes = Dialect::Quotes::Never;
        auto writer = exchange::DelimitedWriter::of(plain);
        QCOMPARE(writer->row(CsvRow{"a,b\n", "\u0425\u043E\u0440", "\u00C5se"}),
                 std::string("a b ,???,\xC5se\r\n"));
        QCOMPARE(writer->replaced(), size_t{3});
    }

    void looksOfFiles() {
        auto look = [](std::string_view bytes) { return *exchange::lookAtDelimited(bytes, true); };
        auto one =
            look("Titel;K\xFCnstler;L\xE4nge\r\nGorse;\xC5se-Linn Br\xE6kke;3:05\r\nTide;Wren-Low;2:11\r\n");
        QCOMPARE(one.dialect.delimiter, ';');
        QCOMPARE(one.dialect.charset, std::string("Windows-1252"));
        QVERIFY(one.dialect.headings && one.dialect.windowsLines);
        QCOMPARE(one.first[1][1], std::string("\u00C5se-Linn Br\u00E6kke"));
        QVERIFY(!look("Gorse,3:05\nTide,2:11\n").dialect.headings);
        QCOMPARE(look("Title\tArtist\nGorse, the song\tWren-Low\n").dialect.delimiter, '\t');
        QCOMPARE(look(std::string("T\0i\0t\0l\0e\0,\0A\0\n\0G\0o\0,\0b\0\n\0", 28)).dialect.charset,
                 std::string("UTF-16LE"));
        QCOMPARE(look("\xEF\xBB\xBFTitle,Artist\nGorse,Wren-Low\n").first[0][0], std::string("Title"));
        // What is none.
        QVERIFY(!exchange::lookAtDelimited("PK\x03\x04more", true));
        QVERIFY(!exchange::lookAtDelimited("  \n", true));
        // A person knows better.
        const auto given =
            *exchange::lookAtDelimited("a;b,c\n1;2,3\n", true, {',', std::nullopt, false, std::nullopt});
        QCOMPARE(given.columns, size_t{2});
        QVERIFY(!given.dialect.headings);
    }

    void badInput() {
        auto read = [](const std::string& bytes, Dialect dialect = {}) {
            size_t rows = 0;
            auto reader = exchange::DelimitedReader::of(dialect, [&](size_t, CsvRow&&) {
                ++rows;
                return true;
            });
            Status done = (*reader)->read(bytes);
            if (done)
                done = (*reader)->end();
            return std::pair(done ? std::string() : done.error().message, rows);
        };
        QVERIFY(read("a,b\nc,\"d\ne,f\n").first.find("line 2") != std::string::npos);
        // A quote that never ends does not take all memory.
        const auto endless = read("a,\"" + std::string(3 << 20, 'x'));
        QVERIFY2(endless.first.find("never ends") != std::string::npos, endless.first.c_str());
        Dialect noQuotes;
        noQuotes.quotes = Dialect::Quotes::Never;
        QCOMPARE(read("a,\"b\nc,d\n", noQuotes), std::pair(std::string(), size_t{2}));
        std::string wide;
        for (int i = 0; i < 1000; ++i)
            wide += "c,";
        QCOMPARE(read(wide + "\n" + wide + "\n"), std::pair(std::string(), size_t{2}));
        QVERIFY(!read(std::string(40000, ',')).first.empty());
        QCOMPARE(read(std::string("a\0b,c\n", 6)), std::pair(std::string(), size_t{1}));
        QCOMPARE(read("a,b\r\rc\n\n\nd,e,f"), std::pair(std::string(), size_t{3}));
    }

    void layoutsAreHandedOn() {
        for (const RowLayout& layout : shippedRowLayouts()) {
            const auto back = rowLayoutFromJson(rowLayoutJson(layout));
            QVERIFY2(back, back ? "" : back.error().message.c_str());
            QCOMPARE(*back == layout, true);
        }
        auto why = [](const char* json) {
            const auto layout = rowLayoutFromJson(json);
            return layout ? std::string() : layout.error().message;
        };
        QVERIFY(why("[]").find("JSON") != std::string::npos);
        QVERIFY(why(R"({"sheet_layout": "A", "columns": [{"says": "@nothing"}]})").find("@nothing") !=
                std::string::npos);
        QVERIFY(
            why(R"({"sheet_layout": "A", "delimited": {"delimiter": "ab"}, "columns": [{"says": "title"}]})")
                .find("delimiter") != std::string::npos);
        QVERIFY(
            why(R"({"sheet_layout": "A", "delimited": {"encoding": "latin9"}, "columns": [{"says": "title"}]})")
                .find("latin9") != std::string::npos);
        QVERIFY(why(R"({"sheet_layout": "A", "columns": []})").find("columns") != std::string::npos);
        // Kept ones come first, and take the place of a shipped one of their name.
        const auto all =
            rowLayoutsFrom({R"({"sheet_layout": "track LIST", "columns": [{"says": "isrc"}]})", "broken"});
        QCOMPARE(all.size(), shippedRowLayouts().size());
        QCOMPARE(rowLayoutNamed(all, "Track list")->columns.size(), size_t{1});
        QCOMPARE(layoutWithHeadings(shippedRowLayouts(), {"Playout number", "title", "ARTIST", "Length",
                                                          "Kind", "ISRC", "Folder", "File name"})
                     ->name,
                 std::string("For a playout system"));
        QVERIFY(!layoutWithHeadings(shippedRowLayouts(), {"Colour", "Size"}));
    }

    void lengthsAndDates() {
        QCOMPARE(lengthText(221.4, "m:ss", '.'), std::string("3:41"));
        QCOMPARE(lengthText(3821, "h:mm:ss", '.'), std::string("1:03:41"));
        QCOMPARE(lengthText(221.4, "seconds", ','), std::string("221,400"));
        for (const std::string& form : lengthForms())
            QVERIFY2(std::abs(secondsFrom(lengthText(221, form, ',')) - 221) < 0.01, form.c_str());
        QVERIFY(secondsFrom("long") < 0 && secondsFrom("") < 0 && secondsFrom("1:2:3:4") < 0);
        for (const std::string& form : dateForms())
            if (form != "2021")
                for (const char* date : {"2021-09-24", "2021-09", "2021"})
                    QCOMPARE(dateFrom(dateText(date, form), form), std::string(date));
        QCOMPARE(dateText("2021-09-24", "2021"), std::string("2021"));
        QCOMPARE(dateText("autumn 2021", "24.09.2021"), std::string("autumn 2021"));
    }

    void columnsSayWhatTheyAreAsked() {
        const FileId lead = lanterns();
        library::keepValues(*store_, "Playout", library::playoutField, {{lead, {"MF-0042"}}});
        RowLayout layout;
        layout.name = "All kinds";
        layout.decimal = ',';
        layout.dates = "24.09.2021";
        layout.pathFrom = (*box_ / "shelf").native();
        layout.pathTo = "M:\\music";
        auto column = [](std::vector<std::string> parts) {
            RowColumn out;
            out.parts = std::move(parts);
            return out;
        };
        RowColumn both = column({"@playout", "@path"});
        both.between = " | ";
        RowColumn artists = column({"artist"});
        artists.several = RowColumn::Several::Columns;
        RowColumn fixed;
        fixed.heading = "Source";
        fixed.text = "Tarnholm";
        RowColumn seconds = column({"@length"});
        seconds.form = "seconds";
        layout.columns = {both,
                          artists,
                          column({"date"}),
                          seconds,
                          fixed,
                          column({"@folder"}),
                          column({"@stem"}),
                          column({"@writers"}),
                          column({"@version"}),
                          column({"@kind"})};
        const FileId two = song(
            "Gorse.flac", {{"title", {"Gorse"}}, {"artist", {"Wren-Low", "Isla Varnholt", "Mara Kestrel"}}});
        const auto text = rowsText(*store_, layout, {lead, two, 9999});
        QVERIFY(text);
        const auto rows = *exchange::lookAtDelimited(*text, true);
        QCOMPARE(rows.first.size(), size_t{3});
        QCOMPARE(rows.first[0],
                 (CsvRow{"Playout number", "Artist 1", "Artist 2", "Date", "Length", "Source", "Folder",
                         "File name without ending", "Writers and shares", "Version", "Kind"}));
        QCOMPARE(rows.first[1], (CsvRow{"MF-0042 | M:\\music\\Lanterns.flac", "Kestrel & Rook", "",
                                        "24.09.2021", "221,000", "Tarnholm", "M:\\music", "Lanterns",
                                        "Mara Kestrel (author, composer) 50 %; Tom Rook (composer) 33 1/3 %; "
                                        "Isla Varnholt (composer) 16 2/3 %",
                                        "Lead version", "music"}));
        QCOMPARE(rows.first[2][1], std::string("Wren-Low"));
        QCOMPARE(rows.first[2][2], std::string("Isla Varnholt; Mara Kestrel"));
    }

    void draftsCountWhereTheyAreAsked() {
        const FileId one = song("a.flac", {{"title", {"Gorse"}}});
        store_->drafts().save(
            {{one, "title", std::nullopt, library::Draft{{"Gorse in Winter"}, "typed", 1}}});
        RowLayout layout;
        layout.columns.resize(1);
        layout.columns[0].parts = {"title"};
        QCOMPARE(*rowsText(*store_, layout, {one}), std::string("Title\r\nGorse\r\n"));
        layout.drafts = true;
        QCOMPARE(*rowsText(*store_, layout, {one}), std::string("Title\r\nGorse in Winter\r\n"));
    }

    void readByOthers() {
        std::vector<FileId> files;
        const Strings titles = {"=HYPERLINK(\"x\")",
                                "+1",
                                "-7.5",
                                "@home",
                                "\u041F\u0435\u0441\u043D\u044F \u043C\u0430\u044F\u043A\u0430",
                                "two\nlines",
                                "\u706F\u53F0",
                                "a;b,\"c\""};
        for (size_t i = 0; i < titles.size(); ++i)
            files.push_back(song(std::to_string(i) + ".flac",
                                 {{"title", {titles[i]}}, {"track", {std::to_string(i + 1)}}}));
        RowLayout layout;
        layout.name = "Read [by] others";
        layout.columns.resize(2);
        layout.columns[0].parts = {"title"};
        layout.columns[1].parts = {"track"};
        work::Progress progress;
        auto write = [&](RowFile file, const char* name) {
            layout.file = file;
            const auto written = writeRows(*store_, layout, files, *box_ / name, {}, progress);
            QVERIFY2(written, written ? "" : written.error().message.c_str());
            QCOMPARE(written->rows, files.size());
            QVERIFY(written->trouble().empty());
        };
        write(RowFile::Workbook, "out.xlsx");
        const QString book = python(
            "import openpyxl,json,sys\nw=openpyxl.load_workbook(sys.argv[1])\nprint(json.dumps([[c.value for "
            "c in r]+[c.data_type for c in r] for r in w.active.iter_rows()]))",
            "out.xlsx");
        QVERIFY2(book.startsWith("[[\"Title\", \"Track\""), qPrintable(book));
        QVERIFY(book.contains("[\"=HYPERLINK(\\\"x\\\")\", 1, \"s\", \"n\"]") && !book.contains("\"f\""));
        layout.dialect.delimiter = ';';
        write(RowFile::Delimited, "out.csv");
        const QString csv = python("import "
                                   "csv,json,sys\nprint(json.dumps(list(csv.reader(open(sys.argv[1],newline='"
                                   "',encoding='utf-8'),delimiter=';'))))",
                                   "out.csv");
        QVERIFY2(csv.contains("[\"'=HYPERLINK(\\\"x\\\")\", \"1\"]") && csv.contains("[\"-7.5\", \"3\"]") &&
                     csv.contains("[\"+1\", \"2\"]") && csv.contains("[\"two\\nlines\", \"6\"]"),
                 qPrintable(csv));
        write(RowFile::JsonLines, "out.jsonl");
        const QString lines = python(
            "import json,sys\nprint(json.dumps([json.loads(l) for l in open(sys.argv[1],encoding='utf-8')]))",
            "out.jsonl");
        QVERIFY2(lines.startsWith("[{\"title\": \"=HYPERLINK(\\\"x\\\")\", \"track\": 1}"),
                 qPrintable(lines));
        // The same sheet comes in again without a difference.
        layout.file = RowFile::Delimited;
        layout.columns.emplace_back().parts = {"@path"};
        write(RowFile::Delimited, "again.csv");
        const RowsIn in = readIn("again.csv");
        QCOMPARE(in.same, files.size());
        QVERIFY(in.rows.empty());
        // A name of sound, a folder, a stop.
        QVERIFY(!writeRows(*store_, layout, files, *box_ / "x.flac", {}, progress));
        QVERIFY(!writeRows(*store_, layout, files, *box_ / "none" / "x.csv", {}, progress));
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(!writeRows(*store_, layout, files, *box_ / "stopped.csv", stop.get_token(), progress));
        QVERIFY(!std::filesystem::exists(*box_ / "stopped.csv"));
    }

    void rowsFindTheirTracks() {
        const FileId a =
            song("Gannet Row/01 Gorse.flac",
                 {{"title", {"Gorse"}}, {"artist", {"Wren-Low"}}, {"isrc", {"ZZGRW7400001"}}}, 185);
        const FileId b =
            song("Gannet Row/02 Tide Table.flac",
                 {{"title", {"Tide Table"}}, {"artist", {"Wren-Low"}}, {"isrc", {"ZZGRW7400002"}}}, 131);
        const FileId c = song("Night Post/01 Salt Road.flac",
                              {{"title", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}}, 200);
        const FileId d =
            song("Night Post/02 Ferry.flac", {{"title", {"Ferry"}}, {"artist", {"The Hollow Ferry"}}}, 100);
        const FileId e =
            song("Other/Ferry.flac", {{"title", {"Ferry"}}, {"artist", {"The Hollow Ferry"}}}, 101);
        library::keepValues(*store_, "p", library::playoutField, {{b, {"7001"}}});
        write("in.csv", "Path;Playout number;ISRC;Title;Artist;Length;Year;Rating\n" +
                            (*box_ / "shelf/Gannet Row/01 Gorse.flac").native() +
                            ";;;Gorse;Wren-Low;3:05;1974;4\n"
                            ";7001;;Tide Table;Wren-Low;2:11;1974;\n"
                            ";;ZZ-GRW-74-00001;Gorse (live);;;;\n"
                            "M:\\old\\Night Post\\01 Salt Road.wav;;;;;3:20;;\n"
                            ";;;Ferry;The Hollow Ferry;;;\n"
                            ";;;Nobody's Song;;;;9\n");
        RowsIn in = readIn("in.csv");
        QCOMPARE(in.all(), size_t{6});
        QCOMPARE(in.rows[0].file, a);
        QCOMPARE(in.rows[0].evidence, InRow::Evidence::Path);
        QCOMPARE(in.rows[1].file, b);
        QCOMPARE(in.rows[1].changes, (tags::Fields{{"date", {"1974"}}}));
        // The same track, another title.
        QCOMPARE(in.rows[2].file, a);
        QCOMPARE(in.rows[2].state, State::Contradicts);
        QCOMPARE(in.rows[0].state, State::Contradicts);
        QCOMPARE(in.rows[3].file, c);
        QCOMPARE(in.rows[3].evidence, InRow::Evidence::Name);
        QVERIFY(in.rows[3].placeIsElsewhere);
        QCOMPARE(in.rows[3].changes.at("@elsewhere"), (Strings{"M:\\old\\Night Post\\01 Salt Road.wav"}));
        QCOMPARE(in.rows[4].state, State::Several);
        QCOMPARE(in.rows[4].candidates.size(), size_t{2});
        QCOMPARE(in.rows[5].state, State::NoTrack);
        QVERIFY2(in.rows[5].trouble.find("A rating is 1 to 5") != std::string::npos,
                 in.rows[5].trouble.c_str());
        // A person settles the rest.
        preferRow(in, 0, trackNow(*store_, in.rows[0].file));
        QCOMPARE(in.rows[0].state, State::Changes);
        QCOMPARE(in.rows[2].state, State::LeftOut);
        settleRow(in, 4, trackNow(*store_, d));
        QCOMPARE(in.rows[4].state, State::Same);
        settleRow(in, 5, trackNow(*store_, e));
        QCOMPARE(in.rows[5].changes, (tags::Fields{{"title", {"Nobody's Song"}}}));
        const RowsTake take = rowsTake(in);
        QCOMPARE(take.rows, size_t{4});
        QCOMPARE(take.wishes.size(), size_t{3});
        keepOfRows(*store_, take, "A sheet");
        QCOMPARE(store_->files().find(a)->kept.at("rating"), (Strings{"4"}));
        QCOMPARE(store_->files().find(c)->kept.at("path elsewhere"),
                 (Strings{"M:\\old\\Night Post\\01 Salt Road.wav"}));
        // And then nothing of it is otherwise; what the other machine needs goes out again.
        RowLayout layout;
        layout.columns.resize(1);
        layout.columns[0].parts = {"@elsewhere"};
        QCOMPARE(*rowsText(*store_, layout, {c}),
                 std::string("Path on another machine\r\nM:\\old\\Night Post\\01 Salt Road.wav\r\n"));
    }

    void raggedTwiceAndWrong() {
        const FileId a = song("a.flac", {{"title", {"Gorse"}}, {"isrc", {"ZZGRW7400001"}}, {"track", {"3"}}});
        write("in.csv", "ISRC,Title,Track,Artist\nZZGRW7400001,Gorse\nZZGRW7400001,Gorse,03\nZZGRW7400001,"
                        "Gorse,three,,extra,,more\n"
                        "ZZGRW7400001,Gorse,3,Wren-Low\nZZGRW7400001,Gorse,3,Wren-Low\n");
        const RowsIn in = readIn("in.csv");
        QCOMPARE(in.all(), size_t{5});
        QCOMPARE(in.same, size_t{1});
        QCOMPARE(in.again, size_t{1}); // "03" is 3
        QCOMPARE(in.rows.size(), size_t{3});
        // What is wrong is left out, and told.
        QCOMPARE(in.rows[0].file, a);
        QCOMPARE(in.rows[0].state, State::Same);
        QVERIFY2(in.rows[0].trouble.find("2 cells more") != std::string::npos &&
                     in.rows[0].trouble.find("Track") != std::string::npos,
                 in.rows[0].trouble.c_str());
        QCOMPARE(in.rows[1].changes, (tags::Fields{{"artist", {"Wren-Low"}}}));
        QCOMPARE(in.rows[2].state, State::Again);
        QCOMPARE(in.count(State::Again), size_t{2});
        // Against a row that says what the library has.
        write("other.csv", "ISRC,Title\nZZGRW7400001,Gorse\nZZGRW7400001,Gorze\n");
        RowsIn other = readIn("other.csv");
        QCOMPARE(other.rows.size(), size_t{1});
        QCOMPARE(other.rows[0].state, State::Contradicts);
        preferRow(other, 0, trackNow(*store_, a));
        QCOMPARE(other.rows[0].state, State::Changes);
    }

    void firstValuesSayNothingOfTheOthers() {
        song("a.flac", {{"title", {"Gorse"}}, {"artist", {"Wren-Low", "Isla Varnholt"}}});
        RowLayout layout;
        layout.name = "First only";
        for (const char* key : {"@path", "artist"})
            layout.columns.emplace_back().parts = {key};
        layout.columns[1].several = RowColumn::Several::First;
        write("in.csv", "Path,Artist\n" + (*box_ / "shelf/a.flac").native() + ",Wren-Low\n");
        const auto look = lookAtRows(*box_ / "in.csv", {layout});
        work::Progress progress;
        QCOMPARE(readRowsIn(*store_, *box_ / "in.csv", look->plan, {}, progress)->same, size_t{1});
    }

    void partsOfOneColumn() {
        const FileId a = song("a b.flac", {{"title", {"Gorse"}}});
        RowLayout layout;
        layout.name = "One column";
        layout.columns.resize(2);
        layout.columns[0].heading = "Number and path";
        layout.columns[0].parts = {"@playout", "@path"};
        layout.columns[0].between = " ";
        layout.columns[1].parts = {"title"};
        write("in.csv", "Number and path,Title\n0815 " + (*box_ / "shelf/a b.flac").native() + ",Gorse\n");
        const auto look = lookAtRows(*box_ / "in.csv", {layout});
        QVERIFY(look);
        QCOMPARE(look->layout, std::string("One column"));
        work::Progress progress;
        const auto in = readRowsIn(*store_, *box_ / "in.csv", look->plan, {}, progress);
        QCOMPARE(in->rows.size(), size_t{1});
        QCOMPARE(in->rows[0].file, a);
        QCOMPARE(in->rows[0].changes, (tags::Fields{{"@playout", {"0815"}}}));
    }

    void entriesWithoutAFile() {
        write("in.csv",
              "File path,Title,Artist,Length,Number\nM:\\idents\\harbour.wav,Harbour ident,,0:08,I-1\n"
              "../../etc/passwd,Talk,,12:00,\n,Gorse,Wren-Low,3:05,\n");
        RowsIn in = readIn("in.csv");
        QCOMPARE(in.count(State::NoTrack), size_t{3});
        const auto added =
            addEntries(*store_, in.plan, in.source, in.rows, {0, 1, 2}, shelf_, shippedRowKindRules(), 1000);
        QVERIFY(added);
        QCOMPARE(added->size(), size_t{3});
        for (size_t i = 0; i < 3; ++i)
            noteEntry(in, i, (*added)[i]);
        const auto harbour = store_->files().find((*added)[0]), talk = store_->files().find((*added)[1]),
                   gorse = store_->files().find((*added)[2]);
        QCOMPARE(harbour->path, *box_ / "shelf" / "idents" / "harbour.wav");
        QCOMPARE(harbour->absent, int64_t{1000});
        QCOMPARE(harbour->kind, std::string("ident"));
        QCOMPARE(harbour->kept.at("playout number"), (Strings{"I-1"}));
        QCOMPARE(harbour->kept.at("path elsewhere"), (Strings{"M:\\idents\\harbour.wav"}));
        QCOMPARE(talk->path, *box_ / "shelf" / "etc" / "passwd"); // nothing climbs out
        QCOMPARE(talk->kind, std::string("speech"));
        QCOMPARE(gorse->path, *box_ / "shelf" / "Wren-Low - Gorse");
        QCOMPARE(gorse->kind, std::string());
        QCOMPARE(gorse->tags.facts.duration, 185.0);
        QCOMPARE(in.count(State::New), size_t{3});
        QVERIFY(rowsTake(in).isEmpty());
        // They are found now.
        const RowsIn again = readIn("in.csv");
        QCOMPARE(again.count(State::NoTrack), size_t{0});
        // What is there is no such entry.
        test::makeSound(*box_ / "shelf", "there.flac", 3);
        write("more.csv", "File path,Title\n" + (*box_ / "shelf/there.flac").native() + ",There\n");
        RowsIn more = readIn("more.csv");
        const auto none = addEntries(*store_, more.plan, more.source, more.rows, {0}, shelf_, {}, 1000);
        QCOMPARE(*none, (std::vector<FileId>{0}));
        noteEntry(more, 0, 0);
        QVERIFY(more.rows[0].told.find("bring it in") != std::string::npos);
        QVERIFY(!addEntries(*store_, more.plan, more.source, more.rows, {0}, 999, {}, 1000));
    }

private:
    void write(const char* name, const std::string& bytes) { test::writeBytes(*box_ / name, bytes); }
    RowsIn readIn(const char* name) {
        RowsIn out;
        [&] {
            const auto look = lookAtRows(*box_ / name, shippedRowLayouts());
            QVERIFY2(look, look ? "" : look.error().message.c_str());
            work::Progress progress;
            auto in = readRowsIn(*store_, *box_ / name, look->plan, {}, progress);
            QVERIFY2(in, in ? "" : in.error().message.c_str());
            out = std::move(*in);
        }();
        return out;
    }
    QString python(const char* code, const char* name) {
        QProcess process;
        process.start("/usr/bin/python3", {"-c", code, QString::fromStdString((*box_ / name).native())});
        process.waitForFinished();
        return QString::fromUtf8(process.readAllStandardOutput()) + process.readAllStandardError();
    }
};

QTEST_GUILESS_MAIN(TestRows)
#include "test_rows.moc"
