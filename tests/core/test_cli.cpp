// SPDX-License-Identifier: GPL-3.0-or-later
// The whole slice through moorfrost-cli, on real files of all seven formats, read back by ffprobe.
#include <QtTest>

#include <QCryptographicHash>
#include <QJsonArray>
#include <QJsonObject>
#include <QProcess>

#include <fcntl.h>
#include <sys/stat.h>

#include "core/files/disk.h"
#include "core/text/text.h"
#include "support/cli.h"
#include "support/places.h"
#include "support/sample_files.h"

using namespace moorfrost;

class TestCli : public QObject {
    Q_OBJECT

    using Answer = test::CliAnswer;
    Answer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const std::string& name) { return QByteArray::fromStdString((*box_ / name).native()); }

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(); }

    void theWholeWayOfWork() {
        std::map<Path, std::string> before;
        int n = 0;
        for (const std::string& e : test::endings()) {
            std::string number = std::to_string(++n);
            Path file = test::makeSound(*box_ / "in/The Hollow Ferry/Night Post EP",
                                        "0" + number + " Song " + number + e);
            before[file] = test::readBytes(file);
        }
        Answer scan = run({"scan", path("in")});
        QCOMPARE(scan.code, 0);
        QCOMPARE(scan.lines.size(), 7);
        for (const QJsonObject& o : scan.lines) {
            QVERIFY(o["error"].isNull());
            QVERIFY(!o.contains("path_bytes"));
            QVERIFY(o["facts"].toObject()["duration"].toDouble() > 1);
        }

        Answer names =
            run({"read-names", path("in"), "--plan", "{artist}/{album}/{track} {title}", "--dry-run"});
        QCOMPARE(names.code, 0);
        QCOMPARE(names.lines[0]["fields"].toObject()["artist"].toArray()[0].toString(),
                 QString("The Hollow Ferry"));
        for (const auto& [file, bytes] : before)
            QVERIFY(test::readBytes(file) == bytes); // dry
        // Without a plan each folder is read by itself, and plans are suggested.
        Answer free = run({"read-names", path("in"), "--dry-run"});
        QCOMPARE(free.lines[0]["fields"].toObject()["title"].toArray()[0].toString(), QString("Song 1"));
        Answer plans = run({"read-names", path("in"), "--suggest"});
        QCOMPARE(plans.code, 0);
        QVERIFY(!plans.lines.isEmpty());
        QCOMPARE(plans.lines[0]["fits"].toInt(), plans.lines[0]["of"].toInt());
        names = run({"read-names", path("in"), "--plan", "{artist}/{album}/{track} {title}"});
        QCOMPARE(names.code, 0);
        QCOMPARE(run({"set", path("in"), "--field", "date=1998-10-05", "--field", "genre=Folk", "--field",
                      "genre=Live"})
                     .code,
                 0);

        std::filesystem::create_directories(*box_ / "shelf");
        const QByteArray plan = "{album artist, else artist}/{date: year} {album}/{track: 2 digits} {title}";
        Answer dry = run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", plan, "--dry-run"});
        QCOMPARE(dry.code, 0);
        QVERIFY(std::filesystem::is_empty(*box_ / "shelf"));
        Answer put = run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", plan});
        QCOMPARE(put.code, 0);
        n = 0;
        for (const std::string& e : test::endings()) {
            std::string number = std::to_string(++n);
            Path file =
                *box_ / ("shelf/The Hollow Ferry/1998 Night Post EP/0" + number + " Song " + number + e);
            QVERIFY2(std::filesystem::exists(file), file.c_str());
            auto tags = test::probeTags(file);
            QCOMPARE(tags["title"], "Song " + number);
            QCOMPARE(tags["artist"], std::string("The Hollow Ferry"));
            QCOMPARE(tags["album"], std::string("Night Post EP"));
            QVERIFY(tags["date"].starts_with("1998"));
        }
        QVERIFY(!std::filesystem::exists(*box_ / "in/The Hollow Ferry/Night Post EP"));

        QCOMPARE(run({"search", "SONG ferry"}).lines.size(), 7);
        QCOMPARE(run({"search", "03 song"}).lines.size(), 1);
        QCOMPARE(run({"search", "nothing like it"}).lines.size(), 0);
        QCOMPARE(run({"search", "format:flac artist:ferry"}).lines.size(), 1);
        QCOMPARE(run({"search", "year:1998 not format:flac", "--count"}).lines[0]["count"].toInt(), 6);
        Answer sorted = run({"search", "song", "--sort", "title:down", "--limit", "2"});
        QCOMPARE(sorted.lines.size(), 2);
        QCOMPARE(sorted.lines[0]["fields"].toObject()["title"].toArray()[0].toString(), QString("Song 7"));
        QCOMPARE(run({"search", "flavour:sweet"}).code, 2);
        QCOMPARE(run({"search", "song", "--sort", "flavour"}).code, 2);
        Answer facets = run({"facets", "song", "--by", "artist", "--by", "decade", "--by", "missing"});
        QCOMPARE(facets.lines.size(), 3);
        QJsonObject artist = facets.lines[0]["values"].toArray()[0].toObject();
        QCOMPARE(artist["value"].toString(), QString("The Hollow Ferry"));
        QCOMPARE(artist["count"].toInt(), 7);
        QCOMPARE(facets.lines[1]["values"].toArray()[0].toObject()["value"].toString(), QString("1990"));
        for (const QJsonValue& v : facets.lines[2]["values"].toArray())
            if (v.toObject()["value"] == "isrc")
                QCOMPARE(v.toObject()["count"].toInt(), 7);
        QCOMPARE(run({"facets", "--by", "flavour"}).code, 2);
        // Readiness, by the standard that the library has: none of them has a picture.
        QCOMPARE(run({"search", "is:ready", "--count"}).lines[0]["count"].toInt(), 0);
        QCOMPARE(run({"search", "lacks:picture", "--count"}).lines[0]["count"].toInt(), 7);
        QCOMPARE(run({"search", "unmet:>=1", "--sort", "ready:down"}).lines.size(), 7);
        Answer ready = run({"facets", "--by", "unmet", "--by", "lacks"});
        int counted = 0;
        for (const QJsonValue& v : ready.lines[0]["values"].toArray())
            counted += v.toObject()["count"].toInt();
        QCOMPARE(counted, 7);
        QCOMPARE(ready.lines[1]["values"].toArray()[0].toObject()["value"].toString(), QString("Picture"));
        QJsonObject stats = run({"stats"}).lines[0];
        QCOMPARE(stats["tracks"].toInt(), 7);
        QCOMPARE(stats["artists"].toInt(), 1);
        QCOMPARE(stats["formats"].toObject()["FLAC"].toInt(), 1);

        Answer journal = run({"journal"});
        QCOMPARE(journal.lines.size(), 3);
        QCOMPARE(journal.lines[0]["files"].toArray().size(), 7);
        for (const QJsonObject& set : journal.lines)
            QCOMPARE(run({"take-back", QByteArray::number(set["id"].toInt())}).code, 0);
        for (const auto& [file, bytes] : before)
            QVERIFY2(test::readBytes(file) == bytes, file.c_str());
        QCOMPARE(run({"search", "song"}).lines.size(), 0);
    }

    void pathsThatAreNotUtf8() {
        Path odd = *box_ / "in/caf\xE9 \\ x.flac";
        std::filesystem::rename(test::makeSound(*box_ / "in", "a.flac"), odd);
        Answer scan = run({"scan", QByteArray::fromStdString(odd.native())});
        QCOMPARE(scan.code, 0);
        QJsonObject o = scan.lines[0];
        QCOMPARE(QByteArray::fromHex(o["path_bytes"].toString().toLatin1()).toStdString(), odd.native());
        QCOMPARE(text::unescapeBytes(o["path"].toString().toStdString()), odd.native());
        QCOMPARE(run({"set", QByteArray::fromStdString(odd.native()), "--field", "title=x"}).code, 0);
    }

    void exitCodes_data() {
        QTest::addColumn<QList<QByteArray>>("arguments");
        QTest::addColumn<int>("code");
        QTest::addColumn<QString>("mentions");
        auto row = [](const char* name, QList<QByteArray> a, int code, const char* mentions) {
            QTest::newRow(name) << a << code << mentions;
        };
        row("no command", {}, 2, "");
        row("unknown command", {"burn"}, 2, "");
        row("missing file", {"scan", "/nowhere.mp3"}, 1, "1 could not");
        row("no field", {"set", "IN"}, 2, "");
        row("not name=value", {"set", "IN", "--field", "title"}, 2, "name=value");
        row("impossible value", {"set", "IN", "--field", "date=soon"}, 2, "year");
        row("plan with an error", {"read-names", "IN", "--plan", "{artits}"}, 2, "character 2");
        row("shelf not there", {"put-away", "IN", "--shelf", "/nowhere", "--plan", "{title}"}, 2,
            "not there");
        row("unknown set", {"take-back", "77"}, 2, "no set 77");
        row("name that does not fit", {"read-names", "IN", "--plan", "{artist} - {title}"}, 1, "");
        row("blank folder name", {"put-away", "IN", "--shelf", "BOX", "--plan", "{album}/{title}"}, 1, "");
    }
    void exitCodes() {
        QFETCH(QList<QByteArray>, arguments);
        QFETCH(int, code);
        QFETCH(QString, mentions);
        Path file = test::makeSound(*box_ / "in", "quayside.flac");
        std::string before = test::readBytes(file);
        for (QByteArray& a : arguments) {
            a = a == "IN" ? path("in") : a == "BOX" ? QByteArray::fromStdString(box_->root().native()) : a;
        }
        Answer answer = run(arguments);
        QCOMPARE(answer.code, code);
        QVERIFY2(answer.messages.contains(mentions), qPrintable(answer.messages));
        QVERIFY(test::readBytes(file) == before);
    }

    void someFail() {
        test::makeSound(*box_ / "in", "a.flac");
        test::writeBytes(*box_ / "in/b.mp3", "");
        Answer answer = run({"set", path("in"), "--field", "title=x"});
        QCOMPARE(answer.code, 1);
        int done = 0, failed = 0;
        for (const QJsonObject& o : answer.lines) {
            done += o["state"].toString() == "done";
            failed += o["state"].toString() == "failed" && !o["error"].toString().isEmpty();
        }
        QCOMPARE(done, 1);
        QCOMPARE(failed, 1);
    }

    void copies() {
        Path file = test::makeSound(*box_ / "in", "quayside.mp3");
        run({"set", path("in"), "--field", "title=Quayside"});
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}", "--copy"}).code,
                 0);
        QVERIFY(std::filesystem::exists(file));
        QVERIFY(test::readBytes(*box_ / "shelf/Quayside.mp3") == test::readBytes(file));
        Answer again = run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}", "--copy"});
        QCOMPARE(again.code, 1); // the name is taken now
    }

    void fixityOutlivesTagsAndMoves() {
        for (const std::string& e : test::endings())
            test::makeSound(*box_ / "in", "song" + e);
        Answer stored = run({"fixity", path("in"), "--sha256", "--store"});
        QCOMPARE(stored.code, 0);
        QCOMPARE(stored.lines.size(), static_cast<qsizetype>(test::endings().size()));
        QCOMPARE(stored.lines[0]["essence_xxh3"].toString().size(), 32);
        // What another program makes of the same bytes: all of the data chunk and its description.
        for (const QJsonObject& o : stored.lines)
            if (o["path"].toString().endsWith(".wav")) {
                std::string wav = test::readBytes(o["path"].toString().toStdString());
                size_t fmt = wav.find("fmt "), data = wav.find("data");
                std::string bytes =
                    wav.substr(fmt + 8, 16) + wav.substr(data + 8, o["essence_bytes"].toInt() - 16);
                QCOMPARE(
                    o["essence_sha256"].toString().toLatin1(),
                    QCryptographicHash::hash(QByteArray::fromStdString(bytes), QCryptographicHash::Sha256)
                        .toHex());
            }
        QCOMPARE(run({"verify"}).code, 0);
        QCOMPARE(run({"set", path("in"), "--field", "title=Gorse", "--field", "comment=A longer one"}).code,
                 0);
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{format}/{title}"}).code,
                 0);
        Answer after = run({"verify", path("shelf")});
        QCOMPARE(after.code, 0);
        QCOMPARE(after.lines.size(), static_cast<qsizetype>(test::endings().size()));
        for (const QJsonObject& o : after.lines)
            QCOMPARE(o["state"].toString(), QString("same"));
        // One bit of sound, one file gone, one never stored.
        Path first = after.lines[0]["path"].toString().toStdString();
        Path second = after.lines[1]["path"].toString().toStdString();
        std::string bytes = test::readBytes(first);
        bytes[bytes.size() / 2] = static_cast<char>(bytes[bytes.size() / 2] ^ 4);
        test::writeBytes(first, bytes);
        std::filesystem::remove(second);
        Answer damaged = run({"verify"});
        QCOMPARE(damaged.code, 1);
        QStringList states;
        for (const QJsonObject& o : damaged.lines)
            if (o["state"].toString() != "same") {
                states << o["state"].toString();
                QVERIFY(!o["error"].toString().isEmpty());
            }
        states.sort();
        QVERIFY2(states == QStringList({"changed", "missing"}) ||
                     states == QStringList({"missing", "unreadable"}),
                 qPrintable(states.join(' ')));
        test::makeSound(*box_ / "in", "new.flac");
        Answer unknown = run({"verify", path("in")});
        QCOMPARE(unknown.code, 1);
        QCOMPARE(unknown.lines[0]["state"].toString(), QString("new"));
    }

    void fixityAgainstAFile() {
        test::makeSound(*box_ / "in", "a.flac");
        test::makeSound(*box_ / "in", "b.mp3");
        Answer printed = run({"fixity", path("in")});
        std::string lines;
        for (const QJsonObject& o : printed.lines)
            lines += QJsonDocument(o).toJson(QJsonDocument::Compact).toStdString() + "\n";
        test::writeBytes(*box_ / "fixity.jsonl", lines);
        QCOMPARE(run({"verify", "--against", path("fixity.jsonl")}).code, 0);
        test::writeBytes(*box_ / "fixity.jsonl", lines + "not a line\n");
        Answer wrong = run({"verify", "--against", path("fixity.jsonl")});
        QCOMPARE(wrong.code, 2);
        QVERIFY(wrong.messages.contains("Line 3"));
    }

    void verifyTellsWhatIsMissingUnderAFolder() {
        Path gone = test::makeSound(*box_ / "in", "gone.flac");
        test::makeSound(*box_ / "in", "stays.flac");
        test::makeSound(*box_ / "elsewhere", "other.flac");
        QCOMPARE(run({"fixity", path("in"), path("elsewhere"), "--store"}).code, 0);
        std::filesystem::remove(gone);
        std::filesystem::remove(*box_ / "elsewhere/other.flac");
        Answer answer = run({"verify", path("in")});
        QCOMPARE(answer.code, 1);
        QCOMPARE(answer.lines.size(), qsizetype{2});
        for (const QJsonObject& o : answer.lines)
            QCOMPARE(o["state"].toString(),
                     QString(o["path"].toString().endsWith("gone.flac") ? "missing" : "same"));
        QVERIFY(answer.messages.contains("1 missing"));
    }

    void checksumsThatOtherProgramsCheck() {
        Path file = test::makeSound(*box_ / "in", "a.flac");
        test::writeBytes(*box_ / "in/deeper/back\\slash and\nline.txt", "notes");
        auto list = path("in/sums.sha256");
        QCOMPARE(run({"checksums", list, "--write", path("in")}).code, 0);
        QProcess other;
        other.setWorkingDirectory(path("in"));
        other.start("sha256sum", QStringList{"--check", "--strict", "sums.sha256"});
        QVERIFY(other.waitForFinished(30000));
        QVERIFY2(other.exitCode() == 0, other.readAllStandardError().constData());
        // And what they write, we check.
        other.start("sh", QStringList{"-c", "sha256sum -b a.flac deeper/* > theirs.sha256"});
        QVERIFY(other.waitForFinished(30000));
        QCOMPARE(run({"checksums", path("in/theirs.sha256")}).code, 0);
        test::writeBytes(file, test::readBytes(file) + "x");
        std::filesystem::remove_all(*box_ / "in/deeper");
        Answer answer = run({"checksums", list});
        QCOMPARE(answer.code, 1);
        QStringList states;
        for (const QJsonObject& o : answer.lines)
            states << o["state"].toString();
        states.sort();
        QVERIFY2(states == QStringList({"changed", "missing"}), qPrintable(states.join(" ")));
        test::writeBytes(*box_ / "in/none.sha256", "this is no list\n");
        Answer none = run({"checksums", path("in/none.sha256")});
        QCOMPARE(none.code, 1);
        QVERIFY(none.messages.contains("Line 1"));
        // A sound file is never taken for a list to be replaced.
        std::string before = test::readBytes(file);
        QCOMPARE(run({"checksums", path("in/a.flac"), "--write", path("in")}).code, 1);
        QVERIFY(test::readBytes(file) == before);
    }

    void decoding() {
        for (const std::string& ending : test::endings())
            test::makeSound(*box_ / "in", "a" + ending);
        Answer fine = run({"decode", path("in")});
        QCOMPARE(fine.code, 0);
        QCOMPARE(fine.lines.size(), static_cast<qsizetype>(test::endings().size()));
        for (const QJsonObject& o : fine.lines)
            if (o["path"].toString().endsWith(".flac"))
                QVERIFY2(o["found"].toString().contains("MD5 sum agrees"), qPrintable(o["found"].toString()));
        // Bits of the sound, and the sum itself.
        Path file = *box_ / "in/a.flac";
        std::string bytes = test::readBytes(file), changed = bytes;
        for (size_t i = 0; i < 40; ++i)
            changed[bytes.size() / 2 + i] = static_cast<char>(changed[bytes.size() / 2 + i] ^ 0x55);
        test::writeBytes(file, changed);
        QCOMPARE(run({"decode", path("in/a.flac")}).lines[0]["state"].toString(), QString("damaged"));
        changed = bytes;
        changed[4 + 4 + 18 + 3] = static_cast<char>(changed[4 + 4 + 18 + 3] ^ 1);
        test::writeBytes(file, changed);
        Answer sum = run({"decode", path("in/a.flac")});
        QVERIFY(sum.lines[0]["error"].toString().contains("MD5"));
        // 24 bits, and a file that ends too early.
        Path deep = *box_ / "in/deep.flac";
        QProcess sox;
        sox.start("sox", {"-n", "-r", "48000", "-b", "24", QString::fromStdString(deep.native()), "synth",
                          "1", "sine", "440", "vol", "0.3"});
        QVERIFY(sox.waitForFinished(30000) && sox.exitCode() == 0);
        QCOMPARE(run({"decode", path("in/deep.flac")}).code, 0);
        bytes = test::readBytes(deep);
        test::writeBytes(deep, bytes.substr(0, bytes.size() / 2));
        QCOMPARE(run({"decode", path("in/deep.flac")}).code, 1);
    }

    void foldersInsideFolders() {
        test::makeSound(*box_ / "in", "a.flac");
        test::makeSound(*box_ / "in/deeper", "b.flac");
        QCOMPARE(run({"scan", path("in")}).lines.size(), 2);
        Answer one = run({"scan", path("in"), "--no-subfolders"});
        QCOMPARE(one.lines.size(), 1);
        QVERIFY(one.lines[0]["path"].toString().endsWith("in/a.flac"));
        QCOMPARE(run({"set", path("in"), "--no-subfolders", "--field", "title=Gorse"}).code, 0);
        QCOMPARE(test::probeTags(*box_ / "in/a.flac")["title"], std::string("Gorse"));
        QVERIFY(!test::probeTags(*box_ / "in/deeper/b.flac").contains("title"));
    }

    void timesAreKeptIfAskedFor() {
        const Path file = test::makeSound(*box_ / "in", "a.flac");
        const timespec times[2] = {{1000, 0}, {921412800, 0}};
        ::utimensat(AT_FDCWD, file.c_str(), times, 0);
        QCOMPARE(run({"set", path("in"), "--keep-times", "--field", "title=Gorse"}).code, 0);
        QCOMPARE(test::probeTags(file)["title"], std::string("Gorse"));
        QCOMPARE(files::stateOf(file)->modifiedNs, int64_t{921412800} * 1000000000);
        QCOMPARE(run({"set", path("in"), "--field", "title=Kelp"}).code, 0);
        QVERIFY(files::stateOf(file)->modifiedNs > int64_t{921412800} * 1000000000);
    }

    void namesByProfile_data() {
        QTest::addColumn<QByteArray>("profile");
        QTest::addColumn<QString>("name");
        QTest::newRow("as Linux has it") << QByteArray("linux") << QString("\u00C5se: con?.flac");
        QTest::newRow("portable") << QByteArray("portable") << QString("\u00C5se- con.flac");
        QTest::newRow("plain letters") << QByteArray("ascii") << QString("Ase- con.flac");
    }
    void namesByProfile() {
        QFETCH(QByteArray, profile);
        QFETCH(QString, name);
        test::tag(test::makeSound(*box_ / "in", "a.flac"), {{"title", {"Åse: con?"}}});
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(
            run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}", "--names", profile})
                .code,
            0);
        QVERIFY(std::filesystem::exists(*box_ / "shelf" / name.toStdString()));
    }
    void aProfileThatThereIsNot() {
        std::filesystem::create_directories(*box_ / "shelf");
        test::makeSound(*box_ / "in", "a.flac");
        QCOMPARE(
            run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}", "--names", "latin"})
                .code,
            2);
    }

    void wordsFromTheirBeginnings() {
        for (const char* title : {"Ferryman's Reel", "The Old Wherry"})
            test::tag(test::makeSound(*box_ / "in", std::string(title) + ".flac"), {{"title", {title}}});
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(run({"put-away", path("in"), "--shelf", path("shelf"), "--plan", "{title}"}).code, 0);
        QCOMPARE(run({"search", "erry"}).lines.size(), 2);
        QCOMPARE(run({"search", "erry", "--beginnings"}).lines.size(), 0);
        QCOMPARE(run({"search", "ferry", "--beginnings"}).lines.size(), 1);
        auto values = [](const Answer& a) { return a.lines.at(0)["values"].toArray().size(); };
        QCOMPARE(values(run({"facets", "erry", "--by", "title"})), 2);
        QCOMPARE(values(run({"facets", "erry", "--by", "title", "--beginnings"})), 0);
    }

    void otherNamesOfFiles() {
        Path file = test::makeSound(*box_ / "in", "a.flac");
        std::filesystem::create_hard_link(file, *box_ / "twin.flac");
        Answer left = run({"set", path("in"), "--field", "title=Gorse"});
        QCOMPARE(left.code, 1);
        QVERIFY(left.lines[0]["error"].toString().contains("hard links"));
        Answer all = run({"set", path("in"), "--field", "title=Gorse", "--other-names", "all"});
        QCOMPARE(all.code, 0);
        QVERIFY(all.messages.contains("files/s"));
        QVERIFY(std::filesystem::equivalent(file, *box_ / "twin.flac"));
        QCOMPARE(run({"set", path("in"), "--field", "title=x", "--other-names", "this"}).code, 0);
        QVERIFY(!std::filesystem::equivalent(file, *box_ / "twin.flac"));
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCli)
#include "test_cli.moc"
