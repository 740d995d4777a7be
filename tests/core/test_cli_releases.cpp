// SPDX-License-Identifier: GPL-3.0-or-later
// Releases by moorfrost-cli.
#include <QtTest>

#include <QJsonArray>

#include <fstream>

#include "core/library/store/store.h"
#include "support/cli.h"

using namespace moorfrost;

class TestCliReleases : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    test::CliAnswer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const char* name) { return QByteArray::fromStdString((*box_ / name).native()); }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        const int64_t shelf = store->shelves().add("Archive", *box_ / "shelf");
        uint32_t seed = 0;
        for (const char* title : {"Night Post", "Cold Slip"}) {
            ++seed;
            const Path file = test::makeSound(*box_ / "shelf", std::to_string(seed) + ".flac", seed);
            test::tag(file, {{"title", {title}},
                             {"artist", {"The Hollow Ferry"}},
                             {"album", {"Night Post EP"}},
                             {"track", {std::to_string(seed)}}});
            store->files().save(files::scanFile(file), shelf);
        }
    }

    void listedShownEnteredAndFilled() {
        auto all = run({"releases"});
        QCOMPARE(all.code, 0);
        QCOMPARE(all.lines.size(), 1);
        QVERIFY(all.lines[0]["release"].isNull()); // nothing is kept of it yet
        QCOMPARE(all.lines[0]["tracks"].toInt(), 2);
        auto shown = run({"release", "show", path("shelf/1.flac")});
        QCOMPARE(shown.code, 0);
        QCOMPARE(shown.lines[0]["facts"].toObject()["title"].toObject()["origin"].toString(),
                 QString("read from the files"));
        QCOMPARE(shown.lines[0]["media"]
                     .toArray()[0]
                     .toObject()["tracks"]
                     .toArray()[1]
                     .toObject()["title"]
                     .toString(),
                 QString("Cold Slip"));
        // Another edition, without typing a title of a track.
        auto made = run({"release", "new", "--edition-of", path("shelf/1.flac"), "--set", "carrier=Cassette",
                         "--set", "label=Gannet Row = GR 014 C", "--set", "date=1998-10-05 GB"});
        QCOMPARE(made.code, 0);
        const QByteArray id = QByteArray::number(made.lines[0]["release"].toInteger());
        const QJsonObject medium = made.lines[0]["media"].toArray()[0].toObject();
        QCOMPARE(medium["carrier"].toString(), QString("Cassette"));
        QVERIFY(medium["tracks"].toArray()[0].toObject()["files"].toArray()[0].toString().endsWith("1.flac"));
        all = run({"releases", "gr014c"});
        QCOMPARE(all.lines.size(), 2); // with the other edition of its set
        // Filled from a list.
        std::ofstream(*box_ / "list.txt") << "A1 Night Post 3:41\nB1 Cold Slip 2:55\n";
        auto dry = run({"release", "fill", id, "--tracks", path("list.txt"), "--dry-run"});
        QCOMPARE(dry.code, 0);
        QVERIFY(dry.lines.last()["will_be"].toString().startsWith("B1"));
        auto filled =
            run({"release", "fill", id, "--tracks", path("list.txt"), "--set", "barcode=2000014000056"});
        QCOMPARE(filled.code, 0);
        const auto track = filled.lines[0]["media"].toArray()[0].toObject()["tracks"].toArray()[0].toObject();
        QCOMPARE(track["position"].toString(), QString("A1"));
        QVERIFY(!track["files"].toArray().isEmpty()); // its recording stayed
        // What makes no sense.
        QCOMPARE(run({"release", "show", "9999"}).code, 1);
        QCOMPARE(run({"release", "fill", id, "--set", "date=1986-02-30"}).code, 2);
        QCOMPARE(run({"release", "fill", id, "--set", "weather=cold"}).code, 2);
        QCOMPARE(run({"release", "new"}).code, 2); // without a title
        QCOMPARE(run({"release", "show"}).code, 2);
        QCOMPARE(run({"release", "remove", id}).code, 0);
        QCOMPARE(run({"releases"}).lines.size(), 1);
    }

    void familiesAreProposedAndKept() {
        {
            auto store = std::move(*library::Store::open(*box_ / "library.db"));
            const int64_t shelf = store->shelves().all().front().id;
            uint32_t seed = 10;
            for (const char* name : {"LANTERNS.wav", "LANTERNS_instr.wav", "LANTERNS_stem_bass.wav"})
                store->files().save(files::scanFile(test::makeSound(*box_ / "shelf/bounces", name, ++seed)),
                                    shelf);
        }
        QVERIFY(run({"families"}).lines.isEmpty());
        auto proposed = run({"families", "--propose"});
        QCOMPARE(proposed.code, 0);
        QCOMPARE(proposed.lines.size(), 1);
        QCOMPARE(proposed.lines[0]["versions"].toArray().size(), 3);
        QCOMPARE(proposed.lines[0]["versions"].toArray()[0].toObject()["version"].toString(),
                 QString("lead"));
        QCOMPARE(run({"families", "--keep", path("shelf/bounces/LANTERNS_instr.wav")}).code, 0);
        auto kept = run({"families"});
        QCOMPARE(kept.lines.size(), 1);
        QCOMPARE(kept.lines[0]["versions"].toArray().last().toObject()["detail"].toString(), QString("bass"));
        QVERIFY(run({"families", "--propose"}).lines.isEmpty());
        QCOMPARE(run({"search", "version:instrumental", "--count"}).lines[0]["count"].toInt(), 1);
        QCOMPARE(run({"families", "--propose", path("nowhere.wav")}).code, 1);
    }

    void allOutAndInAgain() {
        QCOMPARE(run({"release", "new", "--set", "title=Salt Road", "--set", "artist=Isla Varnholt"}).code,
                 0);
        QCOMPARE(run({"release", "new", "--set", "title=Salt Road", "--set", "label=FSR 190", "--edition-of",
                      QByteArray::number(run({"releases", "salt"}).lines[0]["release"].toInteger())})
                     .code,
                 0);
        std::string out;
        for (const QJsonObject& line : run({"release", "export"}).lines)
            out += QJsonDocument(line).toJson(QJsonDocument::Compact).toStdString() + "\n";
        std::ofstream(*box_ / "all.jsonl") << out << "no JSON\n{\"facts\":{}}\n";
        auto again = run({"release", "import", path("all.jsonl")});
        QCOMPARE(again.code, 1); // two lines are no releases
        QCOMPARE(again.lines[0]["left_out"].toInt(), 2);
        QCOMPARE(again.lines[0]["there"].toInt(), 2); // the ones that are kept
        QCOMPARE(again.lines[0]["made"].toInt(), 1);  // that of the files
        // Into another library.
        std::filesystem::remove(*box_ / "library.db");
        for (const char* rest : {"library.db-wal", "library.db-shm", "library.db.search"})
            std::filesystem::remove(*box_ / rest);
        std::ofstream(*box_ / "all.jsonl") << out;
        auto fresh = run({"release", "import", path("all.jsonl")});
        QCOMPARE(fresh.code, 0);
        QCOMPARE(fresh.lines[0]["made"].toInt(), 3);
        QCOMPARE(run({"releases"}).lines.size(), 3);
        QCOMPARE(run({"releases", "varnholt"}).lines.size(), 2);
        QVERIFY(run({"releases", "fsr 190"}).lines[0].contains("set"));
    }
};

QTEST_APPLESS_MAIN(TestCliReleases)
#include "test_cli_releases.moc"
