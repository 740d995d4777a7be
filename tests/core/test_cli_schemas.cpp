// SPDX-License-Identifier: GPL-3.0-or-later
// Every kind of line that the command line prints, held to the schema in docs/schemas that promises it.
#include <QtTest>

#include "support/cli.h"
#include "support/places.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;

class TestCliSchemas : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    Path lines_;
    int asked_ = 0;

    static QByteArray bytes(const Path& path) { return QByteArray::fromStdString(path.native()); }
    /// Keeps what it prints for the schema of that name; "": only does it. The exit code.
    int run(const std::string& schema, const QList<QByteArray>& arguments) {
        const test::CliAnswer answer = test::runCli(box_->root(), arguments, false);
        if (!schema.empty())
            test::writeBytes(lines_ / (schema + "@" + std::to_string(++asked_)), answer.out.toStdString());
        return answer.code;
    }
    QString held() {
        QProcess python;
        python.setProcessChannelMode(QProcess::MergedChannels);
        python.start("python3",
                     {QString::fromStdString(test::inSources("tests/support/hold_to_schemas.py").native()),
                      QString::fromStdString(test::inSources("docs/schemas").native()),
                      QString::fromStdString(lines_.native())});
        python.waitForFinished(120000);
        const QString said = python.readAll();
        return python.exitCode() == 0 ? QString() : said;
    }

private slots:
    void everyLineIsAsPromised() {
        box_ = std::make_unique<test::Sandbox>(true);
        lines_ = *box_ / "lines";
        const Path in = *box_ / "in", shelf = *box_ / "shelf";
        test::copyOf(test::sharedDemo() / "incoming", in);
        std::filesystem::create_directories(shelf);
        const QByteArray reference = bytes(test::sharedReference());
        const QByteArray night = bytes(shelf / "The Hollow Ferry/Night Post.flac"),
                         gorse = bytes(shelf / "Isla Varnholt/Gorse.flac");

        QCOMPARE(run("file", {"scan", bytes(in)}), 1); // some of it is broken on purpose
        QCOMPARE(run("change", {"set", bytes(in), "--field", "mood=calm"}), 1);
        run("change",
            {"put-away", bytes(in), "--shelf", bytes(shelf), "--plan", "{artist}/{title}", "--dry-run"});
        run("change", {"put-away", bytes(in), "--shelf", bytes(shelf), "--plan", "{artist}/{title}"});
        QVERIFY(std::filesystem::exists(shelf / "The Hollow Ferry/Night Post.flac"));
        run("misplaced", {"misplaced", bytes(shelf), "--plan", "{album}/{title}"});
        run("plan-suggestion", {"read-names", bytes(shelf / "Isla Varnholt"), "--suggest"});
        run("change", {"read-names", bytes(shelf / "Isla Varnholt"), "--dry-run"});
        QByteArray sleeves;
        for (const QByteArray& line :
             test::runCli(box_->root(),
                          {"identify", bytes(shelf), "--dry-run", "--reference-data", reference}, false)
                 .out.split('\n'))
            if (line.contains("\"verdict\""))
                sleeves += line + "\n";
        test::writeBytes(lines_ / "sleeve@1", sleeves.toStdString());
        run("file", {"search", "varnholt"});
        run("facet", {"facets", "--by", "artist"});
        run("facet", {"facets", "--by", "decade"});
        run("stats", {"stats"});
        QCOMPARE(run("finding", {"audit"}), 1);
        QCOMPARE(run("audit-rule", {"audit", "--rules"}), 0);
        QCOMPARE(run("fixity", {"fixity", gorse, "--store"}), 0);
        QCOMPARE(run("checked", {"verify", gorse, night}), 1); // one is new
        run("checked", {"decode", gorse});
        run("checked", {"checksums", bytes(*box_ / "sums.txt"), "--write", bytes(shelf / "Isla Varnholt")});
        run("checked", {"checksums", bytes(*box_ / "sums.txt")});
        run("duplicates", {"duplicates"});
        run("family", {"families", "--propose", "--keep"});
        run("family", {"families"});
        run("recording", {"recording", "show", night, gorse});
        run("kept-change", {"rate", "4", gorse});
        run("uses", {"uses", gorse, "--add", "Harbour film", "--where", "Tarnholm", "--date", "2025"});
        run("kept-change", {"recording", "changes"});
        run("collection", {"collections", "--make", "list", "Evening"});
        run("", {"lists", "Evening", "--add", gorse, night});
        run("collection", {"lists"});
        run("list-entry", {"lists", "Evening"});
        run("", {"export-playlist", "Evening", bytes(*box_ / "e.m3u8")});
        run("playlist-entry", {"import-playlist", bytes(*box_ / "e.m3u8"), "--dry-run"});
        run("rescan", {"rescan"});
        run("release",
            {"release", "new", "--set", "title=Night Post EP", "--set", "artist=The Hollow Ferry"});
        run("release", {"release", "show", night});
        run("release-line", {"releases"});
        run("edition-set", {"releases", "--sets"});
        run("party", {"party", "new", "--set", "name=Isla Varnholt", "--set", "kind=person"});
        run("party", {"party", "list"});
        run("work", {"work", "of", gorse, night});
        run("work", {"work", "new", "--set", "title=Low Tide", "--writer", "Isla Varnholt=1/2=composer"});
        run("work", {"work", "list"});
        QCOMPARE(run("shares-check", {"shares", "check"}), 1);
        test::writeBytes(*box_ / "sheet.csv",
                         "title,artist,genre\nGorse,Isla Varnholt,Rock\nNo such,Nobody,x\n");
        run("row", {"import", bytes(*box_ / "sheet.csv"), "--dry-run"});
        run("device", {"device", "--add", "Player", "--to", bytes(*box_ / "player")});
        std::filesystem::create_directories(*box_ / "player");
        run("device", {"device"});
        run("device-step", {"device", "--sync", "Player", "--search", "gorse", "--dry-run"});
        run("package", {"package", "--make", bytes(*box_ / "pack"), "--search", "gorse", "--dry-run"});
        QCOMPARE(run("package", {"package", "--make", bytes(*box_ / "pack"), "--search", "gorse"}), 0);
        QCOMPARE(run("package", {"package", "--verify", bytes(*box_ / "pack")}), 0);
        run("code-gap", {"codes", "gaps"});
        run("sound", {"sound", gorse});
        run("sound", {"sound", gorse, "--json"});
        run("fingerprint", {"fingerprint", gorse});
        run("match", {"match", night, "--against", "reference", "--reference-data", reference});
        Path cue;
        for (const auto& one : std::filesystem::recursive_directory_iterator(test::sharedDemo() / "discs"))
            if (one.path().extension() == ".cue" && cue.empty())
                cue = one.path();
        run("disc", {"disc", "toc", bytes(cue)});
        run("disc-release", {"disc", "find", bytes(cue), "--reference-data", reference});
        run("reference-release", {"reference", "search", "salt road", "--reference-data", reference});
        run("library", {"library", "where"});
        run("set", {"journal"});
        run("change", {"take-back", "1"});
        QVERIFY2(held().isEmpty(), qPrintable(held()));
    }

    // The check itself tells what is otherwise.
    void aLineThatIsOtherwiseIsTold() {
        box_ = std::make_unique<test::Sandbox>(true);
        lines_ = *box_ / "lines";
        test::writeBytes(lines_ / "stats@1", R"({"tracks": "many", "surprise": 1})");
        const QString said = held();
        QVERIFY(said.contains("'many' is not of type 'integer'"));
        QVERIFY(said.contains("not in the schema: /surprise"));
        QVERIFY(said.contains("'hours' is a required property"));
        QVERIFY(said.contains("no line was held to work.schema.json"));
    }
};

QTEST_GUILESS_MAIN(TestCliSchemas)
#include "test_cli_schemas.moc"
