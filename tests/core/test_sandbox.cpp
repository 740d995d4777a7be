// SPDX-License-Identifier: GPL-3.0-or-later
// Files that crash, hang or starve what reads them take only a process of its own with them.
#include <QtTest>

#include <QDir>
#include <QFile>
#include <QProcess>

#include <taglib/flacfile.h>

#include <thread>

#include <sys/resource.h>
#include <unistd.h>

#include <set>

#include "core/audio/decoder.h"
#include "core/sandbox/messages.h"
#include "core/sandbox/parser_pool.h"
#include "support/places.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

/// Reads all files of a folder, by name.
std::map<std::string, Result<tags::TagFile>> readAll(sandbox::ParserPool& readers, const test::Sandbox& box,
                                                     std::stop_token stop = {}) {
    std::vector<Path> paths;
    for (const auto& e : std::filesystem::directory_iterator(box.root()))
        paths.push_back(e.path());
    std::sort(paths.begin(), paths.end());
    std::map<std::string, Result<tags::TagFile>> out;
    size_t next = 0;
    auto take = [&](bool) -> std::optional<sandbox::ParserPool::Question> {
        if (next == paths.size())
            return std::nullopt;
        size_t n = next++;
        return sandbox::ParserPool::Question{n, paths[n], {}};
    };
    readers.readEach(take, stop, [&](size_t i, Result<tags::TagFile> r) {
        out.emplace(paths[i].filename().native(), std::move(r));
    });
    return out;
}

sandbox::Limits quick() {
    return {std::chrono::milliseconds(400), std::chrono::milliseconds(20000)};
}

/// A reading process that does what the name of a file asks of it.
Path faultyReader() {
    return test::inBuild("tests/moorfrost-faulty-reader");
}

} // namespace

class TestGuard : public QObject {
    Q_OBJECT
private slots:
    void hostileFiles_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("mentions");
        QTest::addColumn<bool>("lost");
        QTest::newRow("crash") << "crash.mp3"
                               << "crashed on this file" << true;
        QTest::newRow("ends in the middle") << "quit.mp3"
                                            << "crashed on this file" << true;
        QTest::newRow("computes for ever") << "endless.mp3"
                                           << "took too long" << true;
#if !defined(__SANITIZE_ADDRESS__) &&                                                                        \
    !defined(__SANITIZE_THREAD__) // needs more address space than the limit leaves
        QTest::newRow("asks for all memory") << "greedy.mp3"
                                             << "more memory than" << true;
#endif
        QTest::newRow("answer without sense") << "babble.mp3"
                                              << "makes no sense" << false;
    }
    void hostileFiles() {
        QFETCH(QString, name);
        QFETCH(QString, mentions);
        QFETCH(bool, lost);
        test::Sandbox box;
        for (int i = 0; i < 40; ++i)
            test::makeSound(box.root(),
                            std::string(1, static_cast<char>('a' + i % 10)) + std::to_string(i) + ".mp3");
        test::makeSound(box.root(), name.toStdString());
        test::makeSound(box.root(), "x another " + name.toStdString());
        sandbox::Limits limits = quick();
        if (name.contains("greedy")) // filling two gigabytes takes its time
            limits.computing = std::chrono::seconds(60);
        sandbox::ParserPool readers(faultyReader(), limits);
        auto read = readAll(readers, box);
        QCOMPARE(read.size(), size_t{42});
        for (auto& [file, result] : read) {
            bool bad = file.find(name.toStdString()) != std::string::npos;
            QVERIFY2(bad != static_cast<bool>(result), file.c_str());
            if (bad)
                QVERIFY2(QString::fromStdString(result.error().message).contains(mentions),
                         result.error().message.c_str());
        }
        QCOMPARE(readers.lost() > 0, lost);
        // And it goes on.
        QVERIFY_RESULT(readers.readTags(box / "a0.mp3"));
    }

    void stoppingDoesNotWaitForAFileThatHangs() {
        test::Sandbox box;
        test::makeSound(box.root(), "endless.mp3");
        sandbox::ParserPool readers(faultyReader(), {std::chrono::hours(1), std::chrono::hours(1)});
        std::stop_source stop;
        std::jthread later([&] {
            std::this_thread::sleep_for(std::chrono::milliseconds(150));
            stop.request_stop();
        });
        QVERIFY(readAll(readers, box, stop.get_token()).empty());
    }

    void withoutTheProgramEveryFileSaysSo() {
        test::Sandbox box;
        test::makeSound(box.root(), "a.mp3");
        test::makeSound(box.root(), "b.mp3");
        sandbox::ParserPool readers(box / "not there");
        auto read = readAll(readers, box);
        QCOMPARE(read.size(), size_t{2});
        for (auto& [file, result] : read)
            QVERIFY(!result && result.error().message.find("Install Moorfrost again") != std::string::npos);
    }

    void anEditThatWouldChangeTheSoundIsRefusedWhoeverMadeIt() {
        test::Sandbox box;
        sandbox::ParserPool readers(faultyReader(), quick());
        Path liar = test::makeSound(box.root(), "liar.flac");
        std::string before = test::readBytes(liar);
        auto edit = readers.prepareEdit(liar, {{"title", {"Night Post"}}});
        QVERIFY(!edit);
        QVERIFY2(edit.error().message.find("crashed") == std::string::npos, edit.error().message.c_str());
        QVERIFY(test::readBytes(liar) == before);
        auto honest =
            readers.prepareEdit(test::makeSound(box.root(), "honest.flac"), {{"title", {"Night Post"}}});
        QVERIFY_RESULT(honest);
        QCOMPARE(honest->after["title"].front(), std::string("Night Post"));
        QVERIFY(!readers.prepareEdit(test::makeSound(box.root(), "crash.flac"), {{"title", {"Night Post"}}}));
    }

    void ofManyEditsOnlyTheHostileOneFails() {
        test::Sandbox box;
        sandbox::ParserPool readers(faultyReader(), quick());
        // More than a socket takes at once goes both ways: nobody waits for the other.
        const std::string lyrics(300000, 'l');
        std::vector<Path> paths;
        for (int i = 0; i < 30; ++i)
            paths.push_back(
                test::makeSound(box.root(), (i == 13 ? "crash" : "a" + std::to_string(i)) + ".flac"));
        size_t next = 0;
        auto take = [&](bool) -> std::optional<sandbox::ParserPool::Question> {
            size_t n = next++;
            if (n >= paths.size())
                return std::nullopt;
            return sandbox::ParserPool::Question{n, paths[n], {{"lyrics", {lyrics}}}};
        };
        std::set<size_t> done, failed;
        readers.editEach(take, {}, [&](size_t i, Result<tags::PreparedEdit> edit) {
            (edit && edit->after["lyrics"].front() == lyrics ? done : failed).insert(i);
        });
        QCOMPARE(done.size(), size_t{29});
        QCOMPARE(failed, std::set<size_t>{13});
    }

    // Whatever a parser is brought to do, nothing is written.
    void aReadingProcessCannotWrite() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "scribbler.flac");
        const std::string before = test::readBytes(file);
        sandbox::ParserPool readers(faultyReader(), quick());
        QVERIFY_RESULT(readers.readTags(file)); // it goes on, as if nothing had been
        QVERIFY(test::readBytes(file) == before);
        const Path made = file.native() + ".made";
        QVERIFY(!std::filesystem::exists(made) || std::filesystem::file_size(made) == 0);
        QVERIFY_RESULT(readers.peaksOf(file, 20, {}));
        QVERIFY(test::readBytes(file) == before);
        QCOMPARE(readers.lost(), uint64_t{0});
    }

    /// What works in the background reads in processes that give way as it does; nobody who is waited for
    /// gets one of those.
    void readersAreAsPoliteAsWhoAsks() {
        test::Sandbox box;
        const Path file = test::makeSound(box.root(), "a.flac");
        sandbox::ParserPool readers(test::inBuild("libexec/moorfrost-reader"));
        auto politeness = [&] { // of the processes that this one has started, in rising order
            std::vector<int> out;
            for (const QString& process : QDir("/proc").entryList({"[0-9]*"}, QDir::Dirs)) {
                QFile file("/proc/" + process + "/stat");
                const QByteArray stat = file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
                const QList<QByteArray> parts = stat.mid(stat.lastIndexOf(") ") + 2).split(' ');
                if (parts.value(1).toInt() == ::getpid() && stat.contains("(moorfrost-reade"))
                    out.push_back(parts.value(16).toInt());
            }
            std::ranges::sort(out);
            return out;
        };
        const std::vector<int> before = politeness();
        QVERIFY_RESULT(readers.readTags(file));
        std::thread background([&] {
            ::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), 10);
            readers.readTags(file).ignore();
            readers.readTags(file).ignore();
        });
        background.join();
        QVERIFY_RESULT(readers.readTags(file));
        std::vector<int> now = politeness();
        for (int p : before)
            now.erase(std::ranges::find(now, p));
        const int own = ::getpriority(PRIO_PROCESS, 0);
        QCOMPARE(now, (std::vector<int>{own, std::max(own, 10)}));
    }

    void soundThatIsPlayedIsTheSoundOfTheFile() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        auto decoder = audio::Decoder::open(file, 48000, 2);
        QVERIFY_RESULT(decoder);
        auto rest = [](audio::Decoder& d) {
            std::vector<int16_t> all;
            for (auto some = d.next(); !some.empty(); some = d.next())
                all.insert(all.end(), some.begin(), some.end());
            return all;
        };
        sandbox::ParserPool readers(faultyReader(), quick());
        auto played = [&](double from) {
            std::vector<int16_t> all;
            Status end = readers.play(file, 48000, 2, from, {}, [&](const std::vector<int16_t>& some) {
                all.insert(all.end(), some.begin(), some.end());
                return true;
            });
            return end ? all : std::vector<int16_t>();
        };
        const std::vector<int16_t> whole = rest(**decoder);
        QVERIFY(whole.size() > 48000);
        QVERIFY(played(0) == whole);
        (*decoder)->seek(0.5);
        const std::vector<int16_t> later = rest(**decoder);
        QVERIFY(later.size() < whole.size());
        QVERIFY(played(0.5) == later);
        QCOMPARE(readers.lost(), uint64_t{0});
    }

    void playingEndsWhenItIsWantedAndSurvivesAHostileFile() {
        test::Sandbox box;
        sandbox::ParserPool readers(faultyReader(), quick());
        int heard = 0;
        Status ended = readers.play(test::makeSound(box.root(), "a.wav"), 48000, 2, 0, {},
                                    [&](const std::vector<int16_t>&) { return ++heard < 2; });
        QVERIFY(!ended);
        QCOMPARE(ended.error().kind, ErrorKind::Cancelled);
        QCOMPARE(heard, 2);
        Status hostile = readers.play(test::makeSound(box.root(), "crash.wav"), 48000, 2, 0, {},
                                      [](const std::vector<int16_t>&) { return true; });
        QVERIFY(!hostile);
        QVERIFY2(hostile.error().message.find("crashed on this file") != std::string::npos,
                 hostile.error().message.c_str());
        QVERIFY(!readers.play(box / "nowhere.wav", 48000, 2, 0, {}, [](auto&&) { return true; }));
    }

    void everythingSurvivesTheWay() {
        test::Sandbox box;
        for (const std::string& ending : test::endings()) {
            Path file = test::makeSound(box.root(), "a" + ending);
            test::tag(file, {{"title", {"Северный ветер"}},
                             {"artist", {"Хор Маяка", "灯台うた会"}},
                             {"archive box", {"12"}}});
            auto here = tags::readTags(file), there = sandbox::ParserPool::shared().readTags(file);
            QVERIFY_RESULT(here);
            QVERIFY_RESULT(there);
            QCOMPARE(there->fields, here->fields);
            QCOMPARE(there->facts.duration, here->facts.duration);
            QCOMPARE(there->facts.encoder, here->facts.encoder);
            QVERIFY(there->facts.gapless == here->facts.gapless);
            QCOMPARE(there->tags, here->tags);
            auto editHere = tags::prepareEdit(file, {{"title", {"Salt Road"}}});
            auto editThere = sandbox::ParserPool::shared().prepareEdit(file, {{"title", {"Salt Road"}}});
            QVERIFY_RESULT(editThere);
            QVERIFY(editThere->recipe == editHere->recipe && editThere->how == editHere->how);
            QVERIFY(editThere->bytes() == editHere->bytes());
        }
    }

    void peaksAndPictures() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        auto peaks = sandbox::ParserPool::shared().peaksOf(file, 20, {});
        QVERIFY_RESULT(peaks);
        QCOMPARE(peaks->size(), size_t{20});
        QVERIFY(*std::max_element(peaks->begin(), peaks->end()) > 0.05f);
        QVERIFY_RESULT(sandbox::ParserPool::shared().readPictures(file));
        QVERIFY(!sandbox::ParserPool::shared().peaksOf(box / "none.flac", 20, {}));
    }

    // What goes on is not ended by the limit that is meant for parsers.
    void aLongRecordingHasItsShape() {
        test::Sandbox box;
        Path file = box / "long.flac";
        QProcess make;
        make.start("ffmpeg",
                   {"-v", "quiet", "-f", "lavfi", "-i", "sine=frequency=440:sample_rate=44100:duration=1500",
                    "-ac", "2", QString::fromStdString(file.native())});
        QVERIFY(make.waitForFinished(60000) && make.exitCode() == 0);
        sandbox::ParserPool readers(faultyReader(),
                                    {std::chrono::milliseconds(400), std::chrono::minutes(2)});
        double last = 0;
        std::vector<float> first; // as much as was drawn at first
        auto peaks = readers.peaksOf(file, 20, {}, [&](double seconds, std::vector<float> some) {
            last = seconds;
            if (first.empty())
                first = std::move(some);
        });
        QVERIFY_RESULT(peaks);
        QCOMPARE(peaks->size(), size_t{20});
        QCOMPARE(first.size(), size_t{20});
        QVERIFY(first.front() > 0 && first.back() == 0); // what is still to come
        QVERIFY2(last > 1400, std::to_string(last).c_str());
        QCOMPARE(readers.lost(), uint64_t{0});
        // One that gives nothing says so.
        test::writeBytes(box / "none.flac", test::readBytes(file).substr(0, 200));
        auto none = readers.peaksOf(box / "none.flac", 20, {});
        QVERIFY(!none && !none.error().message.empty());
    }

    void picturesAreDecodedThere() {
        test::Sandbox box;
        auto withPicture = [&](const std::string& name, const QStringList& how) {
            Path file = test::makeSound(box.root(), name + ".flac"), picture = box / (name + ".png");
            QProcess make;
            make.start("ffmpeg", QStringList{"-v", "quiet", "-f", "lavfi", "-i"} + how +
                                     QStringList{"-frames:v", "1", QString::fromStdString(picture.native())});
            if (!make.waitForFinished(60000) || make.exitCode() != 0)
                qFatal("no picture");
            TagLib::FLAC::File flac(file.c_str());
            auto* p = new TagLib::FLAC::Picture;
            p->setType(TagLib::FLAC::Picture::FrontCover);
            const std::string bytes = test::readBytes(picture);
            p->setData({bytes.data(), static_cast<unsigned int>(bytes.size())});
            flac.addPicture(p);
            flac.save();
            return file;
        };
        auto& readers = sandbox::ParserPool::shared();
        const uint64_t lost = readers.lost();
        auto pixel = [](const pictures::Square& s, int x, int y) {
            const size_t at =
                (static_cast<size_t>(y) * static_cast<size_t>(s.side) + static_cast<size_t>(x)) * 4;
            return std::array<int, 3>{static_cast<uint8_t>(s.pixels[at]),
                                      static_cast<uint8_t>(s.pixels[at + 1]),
                                      static_cast<uint8_t>(s.pixels[at + 2])};
        };
        // Red on the left, blue on the right, green in the middle: the middle is what is left.
        auto wide = readers.coverOf(
            withPicture("wide", {"color=red:size=300x100,drawbox=x=100:y=0:w=100:h=100:color=lime:t=fill,"
                                 "drawbox=x=200:y=0:w=100:h=100:color=blue:t=fill"}),
            80);
        QVERIFY_RESULT(wide);
        QCOMPARE(wide->side, 80);
        for (int x : {3, 40, 76}) {
            auto [r, g, b] = pixel(*wide, x, 40);
            QVERIFY2(r < 40 && g > 200 && b < 40, qPrintable(QString("%1 %2 %3").arg(r).arg(g).arg(b)));
        }
        // Scaled first, it would be a million pixels wide.
        auto strip = readers.coverOf(withPicture("strip", {"color=lime:size=12000x4"}), 320);
        QVERIFY_RESULT(strip);
        QCOMPARE(strip->pixels.size(), size_t{320 * 320 * 4});
        // One that says it has 60,000 by 60,000 pixels takes no memory.
        Path liar = withPicture("liar", {"color=red:size=40x40"});
        std::string bytes = test::readBytes(liar);
        const size_t header = bytes.find("IHDR");
        QVERIFY(header != std::string::npos);
        bytes.replace(header + 4, 8, std::string("\0\0\xEA\x60\0\0\xEA\x60", 8));
        test::writeBytes(liar, bytes);
        auto refused = readers.coverOf(liar, 320);
        QVERIFY(!refused && refused.error().message.find("pixels") != std::string::npos);
        QVERIFY(!readers.coverOf(test::makeSound(box.root(), "bare.flac"), 320));
        QCOMPARE(readers.lost(), lost);
    }

    void bytesWithoutSense() {
        uint32_t state = 5;
        int understood = 0;
        for (int round = 0; round < 20000; ++round) {
            std::string bytes;
            for (size_t n = round % 90; n > 0; --n) {
                state = state * 1664525u + 1013904223u;
                bytes += static_cast<char>(state >> 24 < 60 ? 1 : state >> 24);
            }
            auto file = sandbox::resultFrom<tags::TagFile>(bytes, sandbox::takeTagFile);
            auto edit = sandbox::resultFrom<tags::PreparedEdit>(bytes, sandbox::takeEdit);
            understood += (file && *file) + (edit && *edit);
        }
        QVERIFY2(understood < 20, std::to_string(understood).c_str());
        // What was cut off on its way is no answer.
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        test::tag(file, {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        const std::string whole = sandbox::answerOf(tags::readTags(file));
        auto asSent = sandbox::resultFrom<tags::TagFile>(whole, sandbox::takeTagFile);
        QVERIFY(asSent && *asSent);
        QCOMPARE((*asSent)->fields["title"], std::vector<std::string>{"Gorse"});
        for (size_t n = 0; n < whole.size(); ++n)
            QVERIFY2(!sandbox::resultFrom<tags::TagFile>(whole.substr(0, n), sandbox::takeTagFile),
                     std::to_string(n).c_str());
    }
};

QTEST_GUILESS_MAIN(TestGuard)
#include "test_sandbox.moc"
