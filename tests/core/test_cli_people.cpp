// SPDX-License-Identifier: GPL-3.0-or-later
// Parties, works and shares by moorfrost-cli; out and in as JSON and CSV.
#include <QtTest>

#include <QJsonArray>

#include <fstream>

#include "core/exchange/csv.h"
#include "core/library/store/store.h"
#include "support/cli.h"

using namespace moorfrost;

class TestCliPeople : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    test::CliAnswer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray printed(const QList<QByteArray>& arguments) {
        return test::runCli(box_->root(), arguments, false).out;
    }
    QByteArray path(const char* name) { return QByteArray::fromStdString((*box_ / name).native()); }

    /// Of the works, which are others in each library.
    static QByteArray withoutNumbers(const QByteArray& csv) {
        QByteArrayList out;
        for (const QByteArray& row : csv.split('\n'))
            out << row.left(row.lastIndexOf(','));
        return out.join('\n');
    }

private slots:
    void oneSheets() {
        const Path song = test::makeSound(*box_ / "in", "Lanterns.flac", 1);
        test::tag(song, {{"title", {"Lanterns"}}, {"artist", {"Kestrel & Rook"}}, {"album", {"Lanterns"}}});
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{artist}/{title}"}).code,
                 0);
        const QByteArray file = path("shelf/Kestrel & Rook/Lanterns.flac");
        QCOMPARE(run({"work", "of", file}).code, 0);
        QCOMPARE(run({"work", "set", "Lanterns", "--writer", "Mara Kestrel=1/2=author"}).code, 0);
        const auto text = test::runCli(box_->root(), {"one-sheet", file}, false);
        QCOMPARE(text.code, 0);
        QVERIFY(text.out.startsWith("Lanterns\n========\nKestrel & Rook"));
        QVERIFY2(text.messages.contains("Mara Kestrel has no IPI number"), qPrintable(text.messages));
        for (const char* ending : {"pdf", "html", "txt", "json"}) {
            const QByteArray to = path((std::string("sheet.") + ending).c_str());
            QCOMPARE(test::runCli(box_->root(),
                                  {"one-sheet", file, "--layout", "facts and people", "--to", to}, false)
                         .code,
                     0);
            QVERIFY(!test::readBytes(to.toStdString()).empty());
        }
        const auto json = QJsonDocument::fromJson(printed({"one-sheet", file, "--json"})).object();
        QCOMPARE(json["songs"].toArray()[0].toObject()["title"].toString(), QString("Lanterns"));
        const auto release = test::runCli(box_->root(), {"one-sheet", "--release", file}, false);
        QVERIFY(release.out.contains("Tracks\n------"));
        QVERIFY(run({"one-sheet", "--layouts"}).lines.size() > 2);
        // A layout that was handed on.
        test::writeBytes(*box_ / "mine.json",
                         R"({"layout":"Mine","sections":[{"section":"owners"}],"shows_missing":false})");
        const QByteArray little = printed({"one-sheet", file, "--layout", path("mine.json")});
        QVERIFY2(!little.contains("Writers"), little.constData());
        // What makes no sense.
        const QList<QByteArrayList> wrong = {{"one-sheet"},
                                             {"one-sheet", path("in")},
                                             {"one-sheet", file, "--layout", "nothing"},
                                             {"one-sheet", file, "--layout", file},
                                             {"one-sheet", file, "--to", path("sheet.doc")},
                                             {"one-sheet", file, "--release", file},
                                             {"one-sheet", "--release", "9999"}};
        for (const QByteArrayList& arguments : wrong) {
            const auto answer = test::runCli(box_->root(), arguments, false);
            QVERIFY2(answer.code == 2 && !answer.messages.isEmpty(), arguments.join(' ').constData());
        }
        const auto refused =
            test::runCli(box_->root(), {"one-sheet", file, "--to", path("none/sheet.pdf")}, false);
        QCOMPARE(refused.code, 1);
    }

    void init() { box_ = std::make_unique<test::Sandbox>(); }

    void enteredShownAndMerged() {
        auto mara = run({"party", "new", "--set", "name=Mara Kestrel", "--set", "kind=person", "--set",
                         "contacts=licences: licences@example.org"});
        QCOMPARE(mara.code, 0);
        QCOMPARE(mara.lines[0]["name"].toString(), QString("Mara Kestrel"));
        QCOMPARE(mara.lines[0]["contacts"].toArray()[0].toObject()["kind"].toString(), QString("mail"));
        QCOMPARE(run({"party", "set", "Mara Kestrel", "--set", "spellings=M. Kestrel; Kestrel, M."}).code, 0);
        QCOMPARE(run({"party", "show", "m. kestrel"}).lines[0]["spellings"].toArray().size(), 2);
        auto work = run({"work", "new", "--set", "title=Lanterns", "--writer",
                         "M. Kestrel=1/2=author, composer", "--writer", "Rook, Tom=1/3=composer"});
        QCOMPARE(work.code, 0);
        QCOMPARE(work.lines[0]["writers"].toArray()[0].toObject()["name"].toString(),
                 QString("Mara Kestrel"));
        QVERIFY(work.lines[0]["writers_sums"].toArray()[0].toObject()["says"].toString().contains(
            "16 2/3 % is open"));
        auto check = run({"shares", "check"});
        QCOMPARE(check.code, 1);
        QVERIFY(!check.lines[0]["missing"].toArray().isEmpty());
        QCOMPARE(run({"party", "new", "--set", "name=Tom Rook"}).code, 0);
        QCOMPARE(run({"party", "list"}).lines.size(), 3);
        QCOMPARE(run({"party", "merge", "Tom Rook", "Rook, Tom"}).code, 0);
        QCOMPARE(run({"party", "list", "rook"}).lines.size(), 1);
        QCOMPARE(run({"party", "show", "Tom Rook"}).lines[0]["songs"].toArray().size(), 1);
        // What makes no sense.
        QCOMPARE(run({"party", "remove", "Tom Rook"}).code, 1);
        QCOMPARE(run({"party", "show", "Nobody"}).code, 1);
        QCOMPARE(run({"party", "new"}).code, 2);
        QCOMPARE(run({"party", "set", "Tom Rook", "--set", "weather=cold"}).code, 2);
        QCOMPARE(run({"work", "set", "Lanterns", "--writer", "Tom Rook=4/3"}).code, 2);
        QCOMPARE(run({"work", "show", "9999"}).code, 1);
        QCOMPARE(run({"work", "remove", "Lanterns"}).code, 0);
    }

    /// A row a party, a row a work.
    void tablesOutAndIn() {
        QCOMPARE(run({"party", "new", "--set", "name=Fellside Songs"}).code, 0);
        QCOMPARE(run({"party", "new", "--set", "name=Mara Kestrel", "--set", "ipi=99900001057", "--set",
                      "spellings=M. Kestrel; Kestrel, M.", "--set", "contacts=licences: licences@example.org",
                      "--set", "represented=Fellside Songs"})
                     .code,
                 0);
        QCOMPARE(run({"work", "new", "--set", "title=Lanterns, \"late\"", "--set", "keywords=night; winter",
                      "--set", "lyrics=one\ntwo"})
                     .code,
                 0);
        const QByteArray parties = printed({"shares", "export", "--csv", "parties"}),
                         works = printed({"shares", "export", "--csv", "works"});
        QVERIFY2(parties.contains("M. Kestrel; Kestrel, M."), parties.constData());
        const auto first = std::move(box_);
        box_ = std::make_unique<test::Sandbox>();
        for (const auto& [file, text] : {std::pair("parties.csv", parties), {"works.csv", works}}) {
            test::writeBytes(*box_ / file, text.toStdString());
            const auto came = run({"shares", "import", path(file)});
            QVERIFY2(came.code == 0, qPrintable(came.messages));
        }
        QCOMPARE(printed({"shares", "export", "--csv", "parties"}), parties);
        QCOMPARE(printed({"shares", "export", "--csv", "works"}), works);
        // What is known is filled, not replaced; what makes no sense is told with its row.
        test::writeBytes(*box_ / "more.csv", "name,society,ipi\nM. Kestrel,Tarnholm Rights,1\n,Nobody,\n");
        const auto more = run({"shares", "import", path("more.csv")});
        QCOMPARE(more.code, 1);
        QCOMPARE(more.lines[0]["new_parties"].toInt(), 0);
        const auto mara = run({"party", "show", "Mara Kestrel"});
        QCOMPARE(mara.lines[0]["society"].toString(), QString("Tarnholm Rights"));
        QCOMPARE(mara.lines[0]["ipi"].toString(), QString("99900001057"));
        test::writeBytes(*box_ / "odd.csv", "colour,weather\nred,cold\n");
        QCOMPARE(run({"shares", "import", path("odd.csv")}).code, 2);
        QCOMPARE(run({"shares", "export", "--csv", "weather"}).code, 2);
    }

    void outAndIn() {
        QCOMPARE(run({"party", "new", "--set", "name=Mara Kestrel", "--set", "ipi=99900001057"}).code, 0);
        QCOMPARE(run({"work", "new", "--set", "title=Lanterns", "--set", "keywords=night; winter", "--writer",
                      "Mara Kestrel=2/3=author", "--writer", "Tom Rook=1/3=composer", "--publisher",
                      "Fellside Songs=100=original publisher"})
                     .code,
                 0);
        const QByteArray json = printed({"shares", "export"}), csv = printed({"shares", "export", "--csv"});
        QVERIFY(csv.contains("Lanterns,,writers,Mara Kestrel,author,99900001057,2/3"));
        QVERIFY(csv.contains("original publisher,,1/1")); // "1" would be read as one per cent
        auto into = [&](const char* file, const QByteArray& text) {
            box_ = std::make_unique<test::Sandbox>(); // another library
            std::ofstream(*box_ / file) << text.toStdString();
            return run({"shares", "import", path(file)});
        };
        for (const auto& [file, text] : {std::pair("people.json", json), {"shares.csv", csv}}) {
            auto came = into(file, text);
            QCOMPARE(came.code, 0);
            QCOMPARE(came.lines[0]["new_parties"].toInt(), 3);
            QCOMPARE(came.lines[0]["new_works"].toInt(), 1);
            QCOMPARE(came.lines[0]["sides_taken"].toInt(), 2);
            QCOMPARE(withoutNumbers(printed({"shares", "export", "--csv"})), withoutNumbers(csv));
            // Again: nothing is new.
            came = run({"shares", "import", path(file)});
            QCOMPARE(came.lines[0]["new_parties"].toInt(), 0);
            QCOMPARE(came.lines[0]["sides_the_same"].toInt(), 2);
        }
        // Two songs of one name are two; owners are of recordings, of which there are none here.
        const QByteArray rows = "work,side,name,share,number\nGorse,writers,Mara Kestrel,1/1,1\n"
                                "Gorse,writers,Tom Rook,100 %,2\nGorse,master,Fellside Reissues,60 %,2\n";
        const auto two = into("two.csv", rows);
        QCOMPARE(two.lines[0]["new_works"].toInt(), 2);
        QVERIFY(two.messages.contains("no recording"));
        QVERIFY(printed({"shares", "export", "--csv"}).contains("Mara Kestrel,,,1/1"));
        into("shares.csv", csv);
        // Another source says otherwise: it stands beside.
        std::ofstream(*box_ / "letter.csv")
            << "work;name;share;ipi\nLanterns;M. Kestrel;70 %;99900001057\n"
               "Lanterns;Tom Rook;30 %;\nLanterns;;10;\n;Somebody;1/2;\nUndertow;Isla;7/0;\n";
        const auto letter = run({"shares", "import", path("letter.csv"), "--from", "a letter"});
        QCOMPARE(letter.code, 1); // three rows made no sense
        QCOMPARE(letter.lines[0]["sides_that_differ"].toInt(), 1);
        QVERIFY(letter.messages.contains("Row 4") && letter.messages.contains("Row 5") &&
                letter.messages.contains("divided"));
        QCOMPARE(
            run({"work", "show", "Lanterns"}).lines[0]["claims"].toArray()[0].toObject()["source"].toString(),
            QString("a letter"));
        for (const char* bad : {"", "{}", "[1]", "a,b\n1,2\n", "work,name\n\"never ends\n", "\xff\xfe"}) {
            std::ofstream(*box_ / "bad") << bad;
            QVERIFY2(run({"shares", "import", path("bad")}).code != 0, bad);
        }
    }

    void rowsOfASheet() {
        using exchange::readCsv;
        const auto rows = readCsv("\xEF\xBB\xBF"
                                  "a,\"b \"\"c\"\"\",\r\n\r\n\"two\nlines\",x\n\"\"\n");
        QVERIFY(rows);
        QCOMPARE(rows->size(), size_t{3});
        QCOMPARE((*rows)[0], (exchange::CsvRow{"a", "b \"c\"", ""}));
        QCOMPARE((*rows)[1], (exchange::CsvRow{"two\nlines", "x"}));
        QCOMPARE((*rows)[2], exchange::CsvRow{""});
        QCOMPARE((*readCsv("a\tb;c\td"))[0].size(), size_t{3});
        QVERIFY(!readCsv("a,\"b"));
        QVERIFY(!readCsv("1\n2\n3\n", 2));
        QCOMPARE(exchange::csvLine({"=1+1", "-5", "a,b", "say \"x\"", "@home"}),
                 std::string("'=1+1,-5,\"a,b\",\"say \"\"x\"\"\",'@home\r\n"));
    }
};

QTEST_GUILESS_MAIN(TestCliPeople)
#include "test_cli_people.moc"
