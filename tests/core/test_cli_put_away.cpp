// SPDX-License-Identifier: GPL-3.0-or-later
// put-away on the command line: problems as a program reads them, names that clash, what goes along, renaming
// in place.
#include <QtTest>

#include <QJsonArray>

#include <set>

#include "support/cli.h"

using namespace moorfrost;

class TestCliPutAway : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    QByteArray path(const char* below) const { return QByteArray::fromStdString((*box_ / below).native()); }
    test::CliAnswer run(const QList<QByteArray>& arguments) { return test::runCli(box_->root(), arguments); }
    /// A sound with a title; another seed sounds otherwise.
    void sound(const char* name, const char* title, uint32_t seed = 1) {
        const Path file = *box_ / "in" / name;
        std::filesystem::create_directories(file.parent_path());
        test::tag(test::makeSound(file.parent_path(), file.filename().native(), seed),
                  {{"title", {title}}, {"artist", {"Isla Varnholt"}}, {"album", {"Salt Road"}}});
    }
    QList<QByteArray> putAway(const QList<QByteArray>& more = {}) {
        return QList<QByteArray>{"put-away",    path("in"), "--shelf",
                                 path("shelf"), "--plan",   "{album}/{title}"} +
               more;
    }
    static QStringList kinds(const QJsonObject& line) {
        QStringList out;
        for (const auto& problem : line["problems"].toArray())
            out << problem.toObject()["kind"].toString();
        return out;
    }
    std::set<std::string> onShelf() const {
        std::set<std::string> out;
        for (const auto& entry : std::filesystem::recursive_directory_iterator(*box_ / "shelf"))
            if (entry.is_regular_file())
                out.insert(entry.path().lexically_relative(*box_ / "shelf").native());
        return out;
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        std::filesystem::create_directories(*box_ / "shelf");
    }

    void problemsAreTold() {
        sound("a.flac", "Gorse", 1);
        sound("b.flac", "Gorse", 2);
        sound("c.flac", "Where to?", 3);
        const auto dry = run(putAway({"--dry-run"}));
        QCOMPARE(dry.code, 1);
        QCOMPARE(dry.lines.size(), 3);
        QCOMPARE(dry.lines[0]["state"].toString(), QString("failed"));
        QCOMPARE(kinds(dry.lines[0]), QStringList{"clash"});
        const QJsonObject clash = dry.lines[0]["problems"].toArray()[0].toObject();
        QVERIFY(clash["stops"].toBool());
        QVERIFY(clash["other"].toString().endsWith("b.flac"));
        QCOMPARE(kinds(dry.lines[2]), QStringList{"adapted"});
        QVERIFY(dry.lines[2]["moved_to"].toString().endsWith("Salt Road/Where to.flac"));
        QVERIFY(onShelf().empty());
    }

    void clashesAsOneWishes() {
        sound("a.flac", "Gorse", 1);
        sound("b.flac", "Gorse", 2);
        QCOMPARE(run(putAway({"--on-clash", "suffix"})).code, 0);
        QCOMPARE(onShelf(), (std::set<std::string>{"Salt Road/Gorse.flac", "Salt Road/Gorse (2).flac"}));
        sound("c.flac", "Gorse", 3);
        const auto skipped = run(putAway({"--on-clash", "skip"}));
        QCOMPARE(skipped.code, 0);
        QCOMPARE(skipped.lines[0]["state"].toString(), QString("left out"));
        QVERIFY(std::filesystem::exists(*box_ / "in/c.flac"));
        QCOMPARE(run(putAway({"--on-clash", "anything"})).code, 2);
    }

    // A FLAC comes where an MP3 is: that goes to a folder of one's own, and back again.
    void theBetterIsKept() {
        sound("a.mp3", "Gorse", 1);
        QCOMPARE(run(putAway()).code, 0);
        const std::string old = test::readBytes(*box_ / "shelf/Salt Road/Gorse.mp3");
        sound("a.flac", "Gorse", 1);
        const QList<QByteArray> better =
            putAway({"--on-clash", "keep-better", "--replaced-to", path("replaced")});
        const auto put = run(better);
        QCOMPARE(put.code, 0);
        QCOMPARE(onShelf(), std::set<std::string>{"Salt Road/Gorse.flac"});
        QVERIFY(test::readBytes(*box_ / "replaced/Gorse.mp3") == old);
        QCOMPARE(run({"take-back", QByteArray::number(put.lines[0]["set"].toInt())}).code, 0);
        QCOMPARE(onShelf(), std::set<std::string>{"Salt Road/Gorse.mp3"});
        QVERIFY(test::readBytes(*box_ / "shelf/Salt Road/Gorse.mp3") == old);
        // The worse one is no reason to replace.
        std::filesystem::remove(*box_ / "in/a.flac");
        std::filesystem::remove(*box_ / "shelf/Salt Road/Gorse.mp3");
        sound("a.flac", "Gorse", 1);
        QCOMPARE(run(putAway()).code, 0);
        sound("b.mp3", "Gorse", 1);
        QCOMPARE(run(better).lines[0]["state"].toString(), QString("left out"));
        QCOMPARE(onShelf(), std::set<std::string>{"Salt Road/Gorse.flac"});
    }

    // Two formats come for one that is worse: it gives way once.
    void twoForOneThatIsWorse() {
        sound("a.mp3", "Gorse", 1);
        QCOMPARE(run(putAway()).code, 0);
        sound("a.flac", "Gorse", 1);
        sound("a.wav", "Gorse", 1);
        QCOMPARE(run(putAway({"--on-clash", "keep-better", "--replaced-to", path("replaced")})).code, 0);
        QCOMPARE(onShelf(), (std::set<std::string>{"Salt Road/Gorse.flac", "Salt Road/Gorse.wav"}));
        QVERIFY(std::filesystem::exists(*box_ / "replaced/Gorse.mp3"));
    }

    void whatGoesAlong() {
        sound("box/a.flac", "Gorse", 1);
        test::writeBytes(*box_ / "in/box/cover.jpg", "picture");
        test::writeBytes(*box_ / "in/box/notes.txt", "notes");
        QCOMPARE(run(putAway({"--along", "pictures|{album} {name}"})).code, 0);
        QCOMPARE(onShelf(), (std::set<std::string>{"Salt Road/Gorse.flac", "Salt Road/Salt Road cover.jpg"}));
        QVERIFY(std::filesystem::exists(*box_ / "in/box/notes.txt"));
    }

    void onlyNames() {
        sound("x/a.flac", "Gorse", 1);
        sound("y/b.flac", "Undertow", 2);
        QCOMPARE(run({"put-away", path("in"), "--rename", "--plan", "{album}/{title}"}).code, 0);
        QVERIFY(std::filesystem::exists(*box_ / "in/x/Gorse.flac"));
        QVERIFY(std::filesystem::exists(*box_ / "in/y/Undertow.flac"));
        QCOMPARE(run({"put-away", path("in"), "--plan", "{title}"}).code, 2); // no shelf was said
    }
};

QTEST_GUILESS_MAIN(TestCliPutAway)
#include "test_cli_put_away.moc"
