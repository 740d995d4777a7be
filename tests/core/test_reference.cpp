// SPDX-License-Identifier: GPL-3.0-or-later
// References: what is told over HTTP and how it is taken when all goes wrong.
#include <QtTest>

#include <fstream>
#include <thread>

#include "core/reference/catalogue.h"
#include "core/reference/entries.h"
#include "core/reference/hearing_json.h"
#include "core/reference/http_reference.h"
#include "core/reference/release_json.h"
#include "core/reference/standin_process.h"
#include "core/sound/compare.h"
#include "demo/reference_world.h"
#include "demo/synth.h"
#include "standin/server.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::reference;
using namespace std::chrono_literals;

namespace {

/// The stand-in in this process, and a reference that asks it.
class Desk {
public:
    explicit Desk(const Path& data, const standin::Manners& manners,
                  std::shared_ptr<AnswerCache> cache = nullptr, HttpLimits limits = quick())
        : server_(std::move(*standin::Server::open(data, manners))), port_(*server_->listen(0)),
          thread_([this] { server_->serve(); }),
          reference(
              "cairn", "Cairn", [this]() -> Result<std::string> { return address; }, std::move(cache),
              limits) {
        address = "http://127.0.0.1:" + std::to_string(port_);
    }
    ~Desk() { end(); }
    void end() {
        server_->stop();
        if (thread_.joinable())
            thread_.join();
    }
    standin::Server& server() { return *server_; }
    static HttpLimits quick() {
        HttpLimits l;
        l.connect = 500ms;
        l.whole = 1500ms;
        l.firstPause = 5ms;
        l.longestPause = 30ms;
        return l;
    }

private:
    std::unique_ptr<standin::Server> server_;
    int port_;
    std::thread thread_;

public:
    std::string address;
    HttpReference reference;
};

standin::Manners polite() {
    standin::Manners m;
    m.delayMs = 0;
    return m;
}

Question hollowFerry() {
    Question q;
    q.artist = "Hollow Ferry";
    q.album = "Night Post";
    return q;
}

} // namespace

class TestReference : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { data_ = test::sharedReference(); }

    void everythingOfAReleaseComesThroughJson() {
        for (const Release& r : demo::namedReleases()) {
            auto back = releaseFromJson(toJson(r));
            QVERIFY2(back, back ? "" : back.error().message.c_str());
            QVERIFY2(*back == r, r.id.c_str());
        }
    }

    void askedAndFetched() {
        Desk desk(data_, polite());
        auto found = desk.reference.find(hollowFerry(), {});
        QVERIFY2(found, found ? "" : found.error().message.c_str());
        QVERIFY(found->size() >= 4);
        QCOMPARE(found->front().editionSet, std::string("s-night-post"));
        auto whole = desk.reference.fetch("night-post-cd", {});
        QVERIFY(whole);
        QCOMPARE(whole->labels.at(0).catalogueNumber, std::string("GR 014"));
        QCOMPARE(whole->roles.size(), size_t{2}); // which questions are not answered with
        QVERIFY(std::ranges::all_of(*found, [](const Release& r) { return r.roles.empty(); }));
        auto picture = desk.reference.picture(whole->pictures.at(0).id, 0, {});
        QVERIFY(picture);
        QCOMPARE(picture->size(), size_t{whole->pictures[0].bytes});
        auto none = desk.reference.fetch("no-such-thing", {});
        QVERIFY(!none);
        QCOMPARE(none.error().kind, ErrorKind::NotFound);
        QVERIFY(!desk.reference.fetch("../../etc/passwd", {}));
        QVERIFY(!desk.reference.fetch("a?b=c", {}));
    }

    void everyWayOfAsking_data() {
        QTest::addColumn<QString>("what");
        QTest::addColumn<QString>("id");
        QTest::newRow("barcode") << "barcode"
                                 << "night-post-cassette";
        QTest::newRow("catalogue number") << "number"
                                          << "night-post-cassette";
        QTest::newRow("isrc") << "isrc"
                              << "salt-road-cd";
        QTest::newRow("titles") << "titles"
                                << "singles-cd";
        QTest::newRow("lengths") << "lengths"
                                 << "beach-songs";
        QTest::newRow("other script") << "script"
                                      << "north-wind-cd";
        QTest::newRow("other name") << "other"
                                    << "beach-songs";
        QTest::newRow("words") << "words"
                               << "harbour-day";
        QTest::newRow("disc table") << "table"
                                    << "harbour-day";
    }
    void everyWayOfAsking() {
        QFETCH(QString, what);
        QFETCH(QString, id);
        Question q;
        if (what == "barcode")
            q.barcode = "2000000014029";
        else if (what == "number")
            q.catalogueNumber = "gr-014c";
        else if (what == "isrc")
            q.isrcs = {"ZZ-FSR-19-00012"};
        else if (what == "titles")
            q.tracks = {"Maneskinn over moen", "Fyrlis", "Ishavsvals"};
        else if (what == "script")
            q.words = "Severnyj veter hor maaka";
        else if (what == "other")
            q.artist = "Lighthouse Song Circle";
        else if (what == "words")
            q.words = "compilation harbour day";
        for (const Release& r : demo::namedReleases())
            if (r.id == id.toStdString()) {
                if (what == "lengths")
                    for (const Track& t : r.media[0].tracks)
                        q.lengthsMs.push_back(t.lengthMs + 300);
                if (what == "table")
                    q.discTable = r.media[0].discTable;
            }
        Desk desk(data_, polite());
        auto found = desk.reference.find(q, {});
        QVERIFY(found && !found->empty());
        QCOMPARE(QString::fromStdString(found->front().id), id);
    }

    void itIsAskedAgainWhenItFails() {
        standin::Manners m = polite();
        m.failEvery = 2; // the second, the fourth ...
        Desk desk(data_, m);
        for (int i = 0; i < 5; ++i)
            QVERIFY(desk.reference.find(hollowFerry(), {}));
        QVERIFY(desk.server().asked() > 5);
    }

    void itsLimitIsKept() {
        standin::Manners m = polite();
        m.perSecond = 3;
        HttpLimits limits = Desk::quick();
        limits.longestPause = 2s; // what it asks for
        Desk desk(data_, m, nullptr, limits);
        const auto start = std::chrono::steady_clock::now();
        for (int i = 0; i < 5; ++i) {
            Question q = hollowFerry();
            q.year = 1990 + i;
            auto found = desk.reference.find(q, {});
            QVERIFY2(found, found ? "" : found.error().message.c_str());
        }
        QVERIFY(std::chrono::steady_clock::now() - start > 900ms);
        QVERIFY2(desk.server().asked() < 9,
                 "it was asked again and again"); // five, and a few that were refused
    }

    void whatItToldBeforeServesWhenItIsGone() {
        auto cache = std::make_shared<AnswerCache>(box_ / "answers");
        HttpLimits limits = Desk::quick();
        limits.fresh = 0s; // asked about each time
        Desk desk(data_, polite(), cache, limits);
        QVERIFY(desk.reference.fetch("lanterns", {}));
        const size_t asked = desk.server().asked();
        QVERIFY(desk.reference.fetch("lanterns", {})); // by its tag: nothing is sent again
        QCOMPARE(desk.server().asked(), asked + 1);
        desk.end();
        auto offline = desk.reference.fetch("lanterns", {});
        QVERIFY2(offline, offline ? "" : offline.error().message.c_str());
        QVERIFY(desk.reference.isOffline());
        auto other = desk.reference.fetch("salt-road-cd", {});
        QVERIFY(!other);
        QVERIFY2(other.error().message.find("Cairn") != std::string::npos, other.error().message.c_str());
    }

    void freshAnswersAreNotAskedForAgain() {
        auto cache = std::make_shared<AnswerCache>(box_ / "fresh");
        Desk desk(data_, polite(), cache);
        QVERIFY(desk.reference.find(hollowFerry(), {}));
        const size_t asked = desk.server().asked();
        QVERIFY(desk.reference.find(hollowFerry(), {}));
        QCOMPARE(desk.server().asked(), asked);
    }

    void theCacheIsBoundedAndTrustsNothing() {
        AnswerCache cache(box_ / "bounded", 100000);
        for (int i = 0; i < 60; ++i)
            cache.keep("a" + std::to_string(i), "", std::string(5000, 'x'));
        QVERIFY2(cache.bytes() < 120000, std::to_string(cache.bytes()).c_str());
        cache.keep("spoilt", "tag", "what was told");
        QCOMPARE(cache.find("spoilt")->body, std::string("what was told"));
        for (const auto& entry : std::filesystem::directory_iterator(box_ / "bounded")) {
            std::fstream file(entry.path(), std::ios::in | std::ios::out | std::ios::binary);
            file.seekp(-1, std::ios::end);
            file.put('!');
        }
        QVERIFY(!cache.find("spoilt"));
        cache.clear();
        QCOMPARE(cache.bytes(), uint64_t{0});
    }

    void wrongAnswers_data() {
        QTest::addColumn<QString>("how");
        QTest::addColumn<QString>("sentence");
        QTest::newRow("no JSON") << "json"
                                 << "not JSON";
        QTest::newRow("wrong types") << "types"
                                     << "no text";
        QTest::newRow("huge") << "huge"
                              << "larger than";
        QTest::newRow("slow") << "slow"
                              << "too long";
    }
    void wrongAnswers() {
        QFETCH(QString, how);
        QFETCH(QString, sentence);
        standin::Manners m = polite();
        m.wrong = standin::wrongFrom(how.toStdString());
        HttpLimits limits = Desk::quick();
        limits.attempts = 1;
        Desk desk(data_, m, nullptr, limits);
        auto found = desk.reference.find(hollowFerry(), {});
        QVERIFY(!found);
        const QString message = QString::fromStdString(found.error().message);
        QVERIFY2(message.startsWith("Cairn: ") && message.contains(sentence), qPrintable(message));
    }

    void hostileTextIsMadeHarmless() {
        standin::Manners m = polite();
        m.wrong = standin::Wrong::Hostile;
        Desk desk(data_, m);
        auto found = desk.reference.find(hollowFerry(), {});
        QVERIFY(found && !found->empty());
        for (const Release& r : *found)
            for (const std::string& text : {r.title, r.credit.text()})
                for (size_t i = 0; i < text.size(); ++i)
                    QVERIFY2(static_cast<unsigned char>(text[i]) >= 0x20, text.c_str());
        QVERIFY(found->front().title.find("\xE2\x80\xAE") ==
                std::string::npos); // it would turn what follows round
    }

    void strangeJson_data() {
        QTest::addColumn<QByteArray>("json");
        QTest::newRow("nothing") << QByteArray();
        QTest::newRow("a list") << QByteArray("[]");
        QTest::newRow("no number") << QByteArray(R"({"title":"x"})");
        QTest::newRow("a path for a number") << QByteArray(R"({"id":"../x","title":"x"})");
        QTest::newRow("negative length")
            << QByteArray(R"({"id":"x","media":[{"tracks":[{"title":"a","length_ms":-5}]}]})");
        QTest::newRow("length as text")
            << QByteArray(R"({"id":"x","media":[{"tracks":[{"title":"a","length_ms":"5"}]}]})");
        QTest::newRow("nested") << "{\"id\":\"x\",\"media\":" + QByteArray(100000, '[') +
                                       QByteArray(100000, ']') + "}";
        QByteArray many = R"({"id":"x","media":[{"tracks":[)";
        for (int i = 0; i < 2500; ++i)
            many += (i ? "," : "") + QByteArray(R"({"title":"a"})");
        QTest::newRow("too many tracks") << many + "]}]}";
    }
    void strangeJson() {
        QFETCH(QByteArray, json);
        auto release = releaseFromJson(json.toStdString());
        QVERIFY(!release);
        QVERIFY(!release.error().message.empty());
    }

    void stoppedAtOnce() {
        standin::Manners m = polite();
        m.failEvery = 1;
        HttpLimits limits = Desk::quick();
        limits.attempts = 50;
        limits.firstPause = limits.longestPause = 10s;
        Desk desk(data_, m, nullptr, limits);
        std::stop_source stop;
        std::jthread ends([&] {
            std::this_thread::sleep_for(50ms);
            stop.request_stop();
        });
        auto found = desk.reference.find(hollowFerry(), stop.get_token());
        QVERIFY(!found);
        QCOMPARE(found.error().kind, ErrorKind::Cancelled);
    }

    void onlyThisMachineIsAsked() {
        QVERIFY(addressFrom("http://127.0.0.1:4711"));
        QVERIFY(addressFrom("http://localhost:80/"));
        for (const char* wrong :
             {"", "127.0.0.1:80", "https://127.0.0.1", "http://example.org:80", "http://127.0.0.1:0",
              "http://127.0.0.1:99999", "http://127.0.0.1.example.org:80"})
            QVERIFY2(!addressFrom(wrong), wrong);
    }

    void aPortThatIsTaken() {
        auto one = std::move(*standin::Server::open(data_, polite()));
        auto port = one->listen(0);
        QVERIFY(port);
        auto two = std::move(*standin::Server::open(data_, polite()));
        auto taken = two->listen(*port);
        QVERIFY(!taken);
        QVERIFY(taken.error().message.find("taken") != std::string::npos);
    }

    void aProcessOfItsOwn() {
        StandinProcess process(data_, {"--delay", "0", "--die-after", "2"});
        HttpReference reference(
            "cairn", "Cairn", [&] { return process.address(); }, nullptr, Desk::quick());
        QVERIFY(reference.find(hollowFerry(), {}));
        QVERIFY(process.isRunning());
        QVERIFY(reference.find(hollowFerry(), {}));
        // It dies in the middle of the third answer; it is started once more and asked again.
        auto found = reference.find(hollowFerry(), {});
        QVERIFY2(found, found ? "" : found.error().message.c_str());
        QVERIFY(process.isRunning());
    }

    void dataThatAreNotThere() {
        StandinProcess process(box_ / "nowhere");
        auto address = process.address();
        QVERIFY(!address);
        QVERIFY(address.error().message.find("moorfrost-demo") != std::string::npos);
        test::writeBytes(box_ / "spoilt/cairn.jsonl", toJson(demo::namedReleases()[0]) + "\n{\"id\":\n");
        auto spoilt = Catalogue::read(box_ / "spoilt/cairn.jsonl");
        QVERIFY(!spoilt);
        QVERIFY2(spoilt.error().message.find("Line 2") != std::string::npos, spoilt.error().message.c_str());
    }

    /// Over HTTP: which recordings sounds are, and where they are to be found.
    void soundsAreHeard() {
        Desk desk(data_, polite());
        const uint32_t seed = 701; // the hymn of the harbour band
        auto printOf = [](uint32_t piece, double seconds) {
            sound::Fingerprinter f(1, demo::sampleRate, 2);
            f.feed(demo::synthesise({piece, seconds, demo::Sound::Band, 1}));
            return f.finish();
        };
        const std::vector<sound::Fingerprint> asked{printOf(seed, 20), printOf(99999, 20), {}};
        auto heard = desk.reference.hear(asked, {});
        QVERIFY2(heard, heard ? "" : heard.error().message.c_str());
        QCOMPARE(heard->sounds.size(), size_t{3});
        QCOMPARE(heard->sounds[0].at(0).recording, std::string("r-701"));
        QVERIFY(heard->sounds[0][0].z > sound::surely);
        QVERIFY(heard->sounds[1].empty() && heard->sounds[2].empty());
        QVERIFY(std::ranges::find(heard->releases, "processional-lp", &Release::id) != heard->releases.end());
        QVERIFY(*heardFromJson(toJson(*heard)) == *heard);
        QVERIFY(*soundsFromJson(toJson(asked)) == asked);
        for (const char* bad :
             {"[]", "{}", R"({"algorithm":1,"sounds":[]})", R"({"algorithm":2,"sounds":[{"seconds":-1}]})",
              R"({"algorithm":2,"sounds":[{"items":[1.5]}]})",
              R"({"algorithm":2,"sounds":[{"items":[4294967296]}]})", R"({"algorithm":2,"sounds":7})"})
            QVERIFY2(!soundsFromJson(bad), bad);
        for (const char* bad :
             {R"({"releases":[],"sounds":[{"matches":[{"recording":"a","z":"7"}]}]})",
              R"({"releases":[],"sounds":[{"matches":[{"recording":"a","z":1e300}]}]})", R"({"sounds":[]})"})
            QVERIFY2(!heardFromJson(bad), bad);
    }

    void whichOnesAreAsked() {
        const std::vector<Entry> first = entriesFrom({});
        QCOMPARE(first.size(), size_t{2}); // and the library
        QCOMPARE(first[0].kind, EntryKind::Simulated);
        QCOMPARE(first[1].kind, EntryKind::Library);
        const std::vector<Entry> three{
            {EntryKind::Library, "library", "Your library", {}, false},
            {EntryKind::Simulated, "cairn", "Cairn", {}, false},
            {EntryKind::At, "other", "The other one", "http://127.0.0.1:4711", true}};
        QCOMPARE(entriesFrom(textsOf(three)), three);
        QCOMPARE(entriesFrom({"nonsense", "at on x", "simulated on cairn"}), first);
    }

    void theWorldIsTheSameEachTime() {
        QVERIFY(demo::inventedReleases(50) == demo::inventedReleases(50));
        QVERIFY(!(demo::inventedReleases(50) == demo::inventedReleases(50, 2)));
    }

private:
    test::Sandbox box_;
    Path data_;
};

QTEST_GUILESS_MAIN(TestReference)
#include "test_reference.moc"
