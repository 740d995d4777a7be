// SPDX-License-Identifier: GPL-3.0-or-later
// Steps of the bench and chains of them from the command line.
#include <QtTest>

#include <QJsonArray>

#include "support/cli.h"

using namespace moorfrost;

class TestCliSteps : public QObject {
    Q_OBJECT

    using Answer = test::CliAnswer;
    Answer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    QByteArray path(const std::string& name) { return QByteArray::fromStdString((*box_ / name).native()); }

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(); }

    void oneStepOfTheBench() {
        test::tag(test::makeSound(*box_ / "steps", "b.mp3", 2),
                  {{"title", {"night POST"}}, {"artist", {"The Hollow Ferry"}}});
        test::tag(test::makeSound(*box_ / "steps", "a.flac"),
                  {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        // Only said.
        Answer a = run({"step", "casing", path("steps"), "--to-case", "title", "--dry-run"});
        QCOMPARE(a.code, 0);
        QCOMPARE(a.lines.size(), 1); // the other one is as it is to be
        QCOMPARE(a.lines[0]["state"].toString(), QString("would be written"));
        QCOMPARE(a.lines[0]["fields"].toObject()["title"].toArray()[0].toString(), QString("Night Post"));
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["title"], std::string("night POST"));
        // Written, and taken back.
        QCOMPARE(run({"step", "casing", path("steps"), "--to-case", "title"}).code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["title"], std::string("Night Post"));
        QCOMPARE(run({"step", "number", path("steps"), "--first", "3"}).code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/a.flac")["track"], std::string("3"));
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["track"], std::string("4"));
        QCOMPARE(run({"step", "copy", path("steps"), "--from", "artist", "--into", "album artist"}).code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/a.flac")["album_artist"], std::string("Isla Varnholt"));
        a = run({"step", "blank", path("steps/a.flac"), "--field", "artist"});
        QCOMPARE(a.code, 0);
        QVERIFY(!test::probeTags(*box_ / "steps/a.flac").contains("artist"));
        QCOMPARE(run({"take-back", QByteArray::number(a.lines[0]["set"].toInt())}).code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/a.flac")["artist"], std::string("Isla Varnholt"));
        // Asked wrongly, nothing is done.
        const QList<QList<QByteArray>> wrongly{
            QList<QByteArray>{"step", "polish", path("steps")},
            QList<QByteArray>{"step", "casing", path("steps"), "--option", "volume=11"},
            QList<QByteArray>{"step", "casing", path("steps"), "--to-case", "loud"},
            QList<QByteArray>{"step", "number", path("steps"), "--option", "first"},
            QList<QByteArray>{"run", path("nowhere.json"), path("steps")},
            QList<QByteArray>{"step", "copy", path("steps"), "--from", "artist"},
            QList<QByteArray>{"step", "blank", path("steps")}};
        for (const QList<QByteArray>& wrong : wrongly) {
            a = run(wrong);
            QCOMPARE(a.code, 2);
            QVERIFY(a.lines.isEmpty() && !a.messages.isEmpty());
        }
        // A chain out of a file.
        test::writeBytes(*box_ / "tidy.json", R"({"moorfrost": "chain", "version": 1, "name": "Posts",
            "steps": [{"step": "find-replace", "find": "post", "put": "Mail"},
                      {"step": "casing", "casing": "upper"}]})");
        a = run({"run", path("tidy.json"), path("steps/b.mp3")});
        QCOMPARE(a.code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["title"], std::string("NIGHT MAIL"));
        test::writeBytes(*box_ / "bad.json", "{\"moorfrost\": \"chain\", \"version\": 1, \"steps\": [\n"
                                             "{\"step\": \"polish\"}]}");
        a = run({"run", path("bad.json"), path("steps")});
        QCOMPARE(a.code, 2);
        QVERIFY(a.messages.contains("Line 2: there is no step \"polish\""));
        a = run({"step", "find-replace", path("steps/b.mp3"), "--field", "title,album", "--option",
                 "find=MAIL", "--option", "put=post"});
        QCOMPARE(a.code, 0);
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["title"], std::string("NIGHT post"));
        // What cannot be read is told, the rest is done.
        test::writeBytes(*box_ / "steps/c.wav", "no sound");
        a = run({"step", "number", path("steps")});
        QCOMPARE(a.code, 1);
        QCOMPARE(test::probeTags(*box_ / "steps/b.mp3")["track"], std::string("2"));
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestCliSteps)
#include "test_cli_steps.moc"
