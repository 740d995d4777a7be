// SPDX-License-Identifier: GPL-3.0-or-later
// Discs from the command line: their tables, what they are, files of their tracks.
#include <QtTest>

#include <QJsonArray>

#include "core/library/store/store.h"
#include "core/tags/tag_io.h"
#include "support/cli.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;

class TestCliDisc : public QObject {
    Q_OBJECT

    using Answer = test::CliAnswer;
    Answer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const std::string& name) { return QByteArray::fromStdString((*box_ / name).native()); }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        test::copyOf(test::sharedDemo() / "discs", *box_ / "discs");
    }
    void cleanup() { box_.reset(); }

    void table() {
        const Answer a =
            run({"disc", "toc", path("discs/Processional/PROCESSIONAL.CUE"), path("nowhere.cue")});
        QCOMPARE(a.code, 1); // one of them is not there
        QVERIFY(!a.messages.isEmpty());
        QCOMPARE(a.lines.size(), 1);
        QCOMPARE(a.lines[0]["media_number"].toString(), QString("2000000770031"));
        QCOMPARE(a.lines[0]["before_first"].toInt(), 300);
        QCOMPARE(a.lines[0]["tracks"].toArray().size(), 5);
        QCOMPARE(a.lines[0]["cd_text"].toArray().size(), 2);
    }

    void found() {
        const QByteArray data = QByteArray::fromStdString(test::sharedReference().native());
        Answer a =
            run({"disc", "find", path("discs/Night Post EP/night post.cue"), "--reference-data", data});
        QCOMPARE(a.code, 0);
        QCOMPARE(a.lines.size(), 2);
        for (const QJsonObject& line : a.lines)
            QCOMPARE(line["table"].toString(), QString("same"));
        a = run({"disc", "find", path("discs/Processional/PROCESSIONAL.CUE"), "--reference-data", data});
        QCOMPARE(a.code, 0);
        QCOMPARE(a.lines[0]["table"].toString(), QString("not told"));
    }

    void ripped() {
        const QByteArray sheet = path("discs/Salt Road/salt road.cue");
        Answer a = run({"disc", "rip", sheet, "--into", path("rips"), "--format", "wav", "--tracks", "2,5"});
        QCOMPARE(a.code, 0);
        QCOMPARE(a.lines[0]["tracks"].toArray().size(), 2);
        const Path folder = *box_ / "rips/Isla Varnholt - Salt Road";
        QVERIFY(std::filesystem::exists(folder / "02 Salt Road.wav"));
        QVERIFY(std::filesystem::exists(folder / "05 Gorse.wav"));
        QVERIFY(std::filesystem::exists(folder / "disc report.txt"));
        // A second rip: what is there stays, and so does the first report.
        a = run({"disc", "rip", sheet, "--into", path("rips"), "--format", "wav", "--tracks", "2,3"});
        QVERIFY(a.code == 1);
        QVERIFY(a.messages.contains("already"));
        QVERIFY(std::filesystem::exists(folder / "03 Winter Harbour.wav"));
        QVERIFY(std::filesystem::exists(folder / "disc report 2.txt"));
        for (const QList<QByteArray>& wrong :
             QList<QList<QByteArray>>{{"disc", "rip", sheet},
                                      {"disc", "rip", sheet, "--into", path("rips"), "--format", "cloud"},
                                      {"disc", "rip", sheet, "--into", path("rips"), "--offset", "six"},
                                      {"disc", "rip", sheet, "--into", path("rips"), "--offset", "99999"},
                                      {"disc", "rip", sheet, "--into", path("rips"), "--offset", "find"}}) {
            a = run(wrong);
            QCOMPARE(a.code, 2);
            QVERIFY(!a.messages.isEmpty());
        }
    }

    // Onto a shelf by a plan, as the edition that was asked for, with what others have read.
    void rippedOntoAShelf() {
        const QByteArray data = QByteArray::fromStdString(test::sharedReference().native());
        {
            auto store = library::Store::open(*box_ / "library.db");
            QVERIFY(store);
            std::filesystem::create_directories(*box_ / "archive");
            (*store)->shelves().add("Music archive", *box_ / "archive");
        }
        const QList<QByteArray> ask{"disc",
                                    "rip",
                                    path("discs/Salt Road/salt road.cue"),
                                    "--shelf",
                                    path("archive"),
                                    "--plan",
                                    "{album artist}/{date: year} {album}/{track: 2 digits} {title}",
                                    "--edition",
                                    "cairn:salt-road-cd",
                                    "--reference-data",
                                    data,
                                    "--offset",
                                    "find",
                                    "--log",
                                    path("rip.txt")};
        Answer a = run(ask);
        QVERIFY2(a.code == 0, qPrintable(a.messages));
        const Path folder = *box_ / "archive/Isla Varnholt/2019 Salt Road";
        const auto tags = tags::readTags(folder / "03 Winter Harbour.flac");
        QVERIFY(tags);
        QCOMPARE(tags::firstValue(tags->fields, "catalogue_number"), std::string("FSR 190"));
        QCOMPARE(tags::firstValue(tags->fields, "composer"), std::string("Isla Varnholt"));
        QCOMPARE(a.lines[0]["offset"].toInt(), 6);
        const QJsonArray tracks = a.lines[0]["tracks"].toArray();
        for (const int i : {0, 1, 2, 3, 5}) {
            QCOMPARE(tracks[i]["others"]["same"].toInt(), 3);
            QCOMPARE(tracks[i]["others"]["different"].toInt(), i == 1 ? 1 : 0);
        }
        QCOMPARE(tracks[4]["others"]["same"].toInt(), 0); // damaged
        QVERIFY(!tracks[4]["doubtful"].toArray().isEmpty());
        QVERIFY(test::readBytes(*box_ / "rip.txt").find("+6 samples") != std::string::npos);
        QVERIFY(std::filesystem::exists(folder / "disc report.json"));
        // One set, of the tracks and the reports; taken back into the trash.
        const QByteArray set = QByteArray::number(a.lines[0]["set"].toInt());
        a = run({"take-back", set});
        QVERIFY2(a.code == 0, qPrintable(a.messages));
        QVERIFY(!std::filesystem::exists(*box_ / "archive/Isla Varnholt"));
        a = run({"disc", "rip", path("discs/Salt Road/salt road.cue"), "--into", path("x"), "--edition",
                 "cairn:night-post-cd", "--reference-data", data});
        QCOMPARE(a.code, 1);
        QVERIFY2(a.messages.contains("as many tracks"), qPrintable(a.messages));
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_APPLESS_MAIN(TestCliDisc)
#include "test_cli_disc.moc"
