// SPDX-License-Identifier: GPL-3.0-or-later
// What comes out of the loudspeaker: the application plays to a sound server of its own that has no device,
// and what it played is recorded and compared with the file.
#include <QtTest>

#include <QMediaDevices>
#include <QProcess>

#include <cmath>

#include "app/library/compare_by_ear.h"
#include "app/library/library_page.h"
#include "app/library/same_sound_page.h"
#include "app/library/sound_group_list.h"
#include "app/listen/player.h"
#include "app/shell/foot.h"
#include "support/driver.h"
#include "support/places.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {

constexpr int rate = 48000;

/// Tones of one second each, every one higher than the last: what is heard tells where in the file it is.
constexpr int lowest = 300, stepUp = 200, tones = 6;

void makeStairs(const Path& file) {
    std::string sum;
    QString parts, inputs;
    QStringList how{"-v", "quiet"};
    for (int i = 0; i < tones; ++i)
        how << "-f"
            << "lavfi"
            << "-i"
            << QString("sine=frequency=%1:sample_rate=%2:duration=1").arg(lowest + i * stepUp).arg(rate);
    for (int i = 0; i < tones; ++i)
        inputs += QString("[%1:a]").arg(i);
    how << "-filter_complex" << inputs + QString("concat=n=%1:v=0:a=1").arg(tones) << "-ac"
        << "2" << QString::fromStdString(file.native());
    QProcess make;
    make.start("ffmpeg", how);
    if (!make.waitForFinished(60000) || make.exitCode() != 0)
        qFatal("no sound");
}

/// The steps of the stairs that are heard, in order, each once: by the number of times that the wave goes up
/// through zero in a twentieth of a second.
std::vector<int> heardIn(const QByteArray& pcm) {
    const auto* samples = reinterpret_cast<const int16_t*>(pcm.constData());
    const qsizetype frames = pcm.size() / 4;
    const qsizetype window = rate / 20;
    std::vector<int> all;
    for (qsizetype from = 0; from + window <= frames; from += window) {
        int ups = 0, peak = 0;
        for (qsizetype i = from + 1; i < from + window; ++i) {
            peak = std::max(peak, std::abs(int{samples[i * 2]}));
            ups += samples[(i - 1) * 2] < 0 && samples[i * 2] >= 0;
        }
        if (peak < 500)
            continue; // silence
        const double step = (ups * 20.0 - lowest) / stepUp;
        const int nearest = static_cast<int>(std::lround(step));
        if (std::abs(step - nearest) < 0.2)
            all.push_back(nearest);
    }
    std::vector<int> out; // what lasts a tenth of a second at least
    for (size_t i = 1; i < all.size(); ++i)
        if (all[i] == all[i - 1] && (out.empty() || out.back() != all[i]))
            out.push_back(all[i]);
    return out;
}

/// For how many frames what was heard is what was wanted from `begin` on, wherever it was recorded.
qsizetype longestAlike(const QByteArray& pcm, const QByteArray& whole, qsizetype begin, qsizetype frames) {
    const auto* heard = reinterpret_cast<const int16_t*>(pcm.constData());
    const auto* wanted = reinterpret_cast<const int16_t*>(whole.constData());
    auto sameFor = [&](qsizetype from) {
        qsizetype n = 0;
        while (n < frames && from + n < pcm.size() / 4 && heard[(from + n) * 2] == wanted[(begin + n) * 2] &&
               heard[(from + n) * 2 + 1] == wanted[(begin + n) * 2 + 1])
            ++n;
        return n;
    };
    qsizetype longest = 0;
    for (qsizetype from = 0; from < pcm.size() / 4 && longest < frames; ++from)
        longest = std::max(longest, sameFor(from));
    return longest;
}

} // namespace

class TestPlayer : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    Player& player() { return d_->window().player(); }

    /// What is played while this runs.
    QByteArray recorded(const std::function<void()>& play) {
        QProcess recorder;
        recorder.start("parec", {"-d", "null.monitor", "--format=s16le", QString("--rate=%1").arg(rate),
                                 "--channels=2", "--latency-msec=20"});
        if (!recorder.waitForStarted(5000))
            qFatal("parec is needed");
        QByteArray pcm;
        connect(&recorder, &QProcess::readyReadStandardOutput, this,
                [&] { pcm += recorder.readAllStandardOutput(); });
        if (!QTest::qWaitFor([&] { return !pcm.isEmpty(); }, 10000))
            qFatal("nothing is recorded");
        play();
        QTest::qWait(400); // what is on its way
        recorder.kill();
        recorder.waitForFinished(5000);
        return pcm;
    }

    void cutStairs(const char* name, const char* how) {
        QProcess make;
        QStringList words{"-v", "quiet", "-i", QString::fromStdString((*box_ / "in/stairs.flac").native())};
        words << QString(how).split(' ') << QString::fromStdString((*box_ / "in" / name).native());
        make.start("ffmpeg", words);
        if (!make.waitForFinished(60000) || make.exitCode() != 0)
            qFatal("no sound");
    }
    QByteArray decoded(const char* name) {
        QProcess decode;
        decode.start("ffmpeg", {"-v", "quiet", "-i", QString::fromStdString((*box_ / "in" / name).native()),
                                "-f", "s16le", "-ar", QString::number(rate), "-ac", "2", "-"});
        decode.waitForFinished(60000);
        return decode.readAllStandardOutput();
    }
    static void pactl(const QStringList& words) {
        QProcess control;
        control.start("pactl", words);
        QVERIFY(control.waitForFinished(10000));
    }

    /// The first, and the second behind it for 1.5 seconds.
    QByteArray heardBehindOneAnother(const std::vector<FileId>& list) {
        QSignalSpy began(&player(), &Player::began);
        const QByteArray pcm = recorded([&] {
            d_->window().queue().play(list, 0);
            QVERIFY(QTest::qWaitFor([&] { return player().isPlaying(); }, 10000));
            QVERIFY(d_->window().queue().hasNext());
            QVERIFY(QTest::qWaitFor([&] { return player().file()->id == list[1]; }, 20000));
            QCOMPARE(d_->window().queue().index(), size_t{1});
            QVERIFY(!d_->window().queue().hasNext());
            QVERIFY(player().position() < 1);
            QVERIFY(QTest::qWaitFor([&] { return player().position() > 1.5; }, 20000));
            player().stop();
        });
        [&] {
            QCOMPARE(began.size(), 2);
            QCOMPARE(began[1][0].toBool(), true);
        }();
        return pcm;
    }

private slots:
    void initTestCase() {
        QVERIFY2(!QMediaDevices::defaultAudioOutput().isNull(), "there is no sound server");
    }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        std::filesystem::create_directories(*box_ / "in");
        makeStairs(*box_ / "in/stairs.flac");
        QSettings().clear();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->bringIn({*box_ / "in"});
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void whatIsPlayedIsTheFile() {
        const FilePtr file = d_->controllers().files.file(d_->fileNamed("stairs.flac"));
        const QByteArray pcm = recorded([&] {
            player().play(file);
            QVERIFY(player().isPlaying());
            QVERIFY(QTest::qWaitFor([&] { return player().position() > 2.4; }, 20000));
            player().stop();
        });
        const std::vector<int> heard = heardIn(pcm);
        QVERIFY2(heard.size() >= 2 && heard[0] == 0 && heard[1] == 1 && heard.back() <= 3,
                 qPrintable(QString::number(heard.size())));
        QVERIFY(!player().isPlaying());
    }

    void seekingGoesThere() {
        const FilePtr file = d_->controllers().files.file(d_->fileNamed("stairs.flac"));
        const QByteArray pcm = recorded([&] {
            player().play(file);
            QVERIFY(QTest::qWaitFor([&] { return player().position() > 0.6; }, 20000));
            player().seek(4.2);
            QVERIFY(player().position() >= 4.2);
            QVERIFY(QTest::qWaitFor([&] { return player().position() > 4.6; }, 20000));
            player().seek(2.2); // and back
            QVERIFY(QTest::qWaitFor([&] { return player().position() > 2.5; }, 20000));
            player().stop();
        });
        const std::vector<int> heard = heardIn(pcm);
        QString told;
        for (int h : heard)
            told += QString::number(h) + " ";
        QVERIFY2(heard.size() >= 3 && heard.front() == 0, qPrintable(told));
        QVERIFY2(std::find(heard.begin(), heard.end(), 4) != heard.end(), qPrintable(told));
        QVERIFY2(heard.back() == 2, qPrintable(told));
        QVERIFY2(std::find(heard.begin(), heard.end(), 3) == heard.end(), qPrintable(told));
    }

    void theFootSaysWhatPlays() {
        auto says = [this](const QString& text) { return d_->window().foot()->playerBar()->text() == text; };
        const FileId id = d_->fileNamed("stairs.flac");
        player().play(d_->controllers().files.file(id));
        QVERIFY(says("stairs.flac")); // nothing better is known
        player().stop();
        d_->controllers().drafts.session().propose(
            "Edit", {{id, "title", {"Tide Table"}}, {id, "artist", {"Isla Varnholt", "Kestrel & Rook"}}},
            "t");
        player().play(d_->controllers().files.file(id));
        QVERIFY(says("Tide Table \u00B7 " + qs(tags::shownValues({"Isla Varnholt", "Kestrel & Rook"}))));
        // The same of a file of the library that is not worked on.
        auto shelved = std::make_shared<library::FileRecord>(*d_->controllers().files.file(id));
        shelved->id = 4711;
        shelved->tags.fields = {{"title", {"Gorse"}}, {"artist", {"The Hollow Ferry"}}};
        player().play(shelved);
        QVERIFY(says("Gorse \u00B7 The Hollow Ferry"));
        player().stop();
    }

    void pausingAndTheEnd() {
        const FilePtr file = d_->controllers().files.file(d_->fileNamed("stairs.flac"));
        player().play(file);
        QVERIFY(QTest::qWaitFor([&] { return player().position() > 0.4; }, 20000));
        player().toggle();
        QVERIFY(!player().isPlaying());
        const double at = player().position();
        QTest::qWait(300);
        QVERIFY(std::abs(player().position() - at) < 0.15);
        player().toggle();
        QVERIFY(player().isPlaying());
        player().seek(5.6);
        QVERIFY2(QTest::qWaitFor([&] { return !player().isPlaying(); }, 20000), "it does not end");
        player().toggle(); // once more
        QVERIFY(player().isPlaying() && player().position() < 1);
        player().stop();
    }

    /// To be compared with another one, a file is made softer, and slower, pitch and all.
    void softerAndSlower() {
        const FilePtr file = d_->controllers().files.file(d_->fileNamed("stairs.flac"));
        auto heard = [&](const Player::Manner& manner) {
            const QByteArray pcm = recorded([&] {
                player().play(file, 2.2, manner);
                QVERIFY(QTest::qWaitFor([&] { return player().position() > 2.75; }, 20000));
                player().stop();
            });
            const auto* samples = reinterpret_cast<const int16_t*>(pcm.constData());
            int peak = 0, ups = 0, from = -1, to = 0;
            for (int i = 1; i < pcm.size() / 4; ++i)
                if (std::abs(int{samples[i * 2]}) > 200) {
                    from = from < 0 ? i : from;
                    to = i;
                    peak = std::max(peak, std::abs(int{samples[i * 2]}));
                }
            // In the middle of the third tone, 700 Hz.
            const int begin = from + rate / 20, end = std::min(to, begin + rate / 4);
            for (int i = begin; i < end; ++i)
                ups += samples[(i - 1) * 2] < 0 && samples[i * 2] >= 0;
            return std::pair(peak, static_cast<double>(ups) * rate / (end - begin));
        };
        const auto [loud, high] = heard({});
        const auto [soft, low] = heard({-12, 1.1});
        QVERIFY2(std::abs(high - 700) < 15, qPrintable(QString::number(high)));
        QVERIFY2(std::abs(low - 700 / 1.1) < 15, qPrintable(QString::number(low)));
        QVERIFY2(std::abs(20 * std::log10(static_cast<double>(soft) / loud) + 12) < 1.5,
                 qPrintable(QString("%1 %2").arg(soft).arg(loud)));
    }

    /// A and B in turn: the ear stays at the same place of the music, though one of them runs fast.
    void twoTapesInTurn() {
        for (const char* name : {"processional_tape_A.wav", "processional_tape_B_fast.wav"}) {
            const Path to = *box_ / "shelf" / name;
            std::filesystem::create_directories(to.parent_path());
            std::filesystem::copy_file(test::sharedDemo() / "incoming/harbour-transfers" / name, to);
            test::tag(to, {{"title", {"Processional"}}});
        }
        d_->addShelf(*box_ / "shelf");
        Controllers& c = d_->controllers();
        c.shelves.read(c.shelves.all());
        d_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(!c.sounds.isListening() && c.sounds.store()->size() == 2, 20000);
        d_->window().showWorkspace(MainWindow::Library);
        d_->window().library()->sameSoundButton()->click();
        d_->settle();
        SameSoundPage* page = d_->window().library()->sameSound();
        QVERIFY(page->a() && page->b());
        page->listenButton()->click();
        QVERIFY(QTest::qWaitFor([&] { return player().position() > 0.8; }, 20000));
        QCOMPARE(player().file()->id, page->a());
        const bool bIsFast = player().file()->path.filename() == "processional_tape_A.wav";
        player().seek(20);
        QVERIFY(QTest::qWaitFor([&] { return player().position() > 20.2; }, 20000));
        const double before = player().position();
        QTest::keyClick(page, Qt::Key_X);
        QCOMPARE(player().file()->id, page->b());
        const double expected = bIsFast ? before / 1.015 : before * 1.015;
        QVERIFY2(std::abs(player().position() - expected) < 0.25,
                 qPrintable(QString("%1 for %2").arg(player().position()).arg(before)));
        QVERIFY(QTest::qWaitFor([&] { return player().position() > expected + 0.4; }, 20000));
        QTest::keyClick(page, Qt::Key_X);
        QCOMPARE(player().file()->id, page->a());
        QVERIFY(player().position() > before);
        player().stop();
    }

    /// One file behind the other without a gap, every sample as it was decoded.
    void withoutAGap() {
        // One sound, cut in the middle: heard behind one another the two halves are the whole again.
        for (const auto& [name, cut] : {std::pair("1 first.flac", "-t 1.3"), {"2 second.flac", "-ss 1.3"}})
            cutStairs(name, cut);
        d_->bringIn({*box_ / "in"});
        const std::vector<FileId> list = {d_->fileNamed("1 first.flac"), d_->fileNamed("2 second.flac")};
        QVERIFY(list[0] && list[1]);
        // What was heard is, sample by sample, the beginning of the whole. A recorder may miss some of it on
        // a busy machine; a gap of ours is there each time.
        const QByteArray whole = decoded("stairs.flac");
        const qsizetype begin = rate / 2, frames = qsizetype{rate} * 2; // from 0.5 s on, over the cut
        qsizetype longest = 0;
        for (int times = 0; times < 3 && longest < frames; ++times)
            longest = longestAlike(heardBehindOneAnother(list), whole, begin, frames);
        QVERIFY2(longest == frames,
                 qPrintable(QString("differs %1 s behind it").arg(static_cast<double>(longest) / rate)));
    }

    void nextPreviousAndParts() {
        for (const char* name : {"a.flac", "b.flac", "c.flac"})
            cutStairs(name, "-t 5.9");
        d_->bringIn({*box_ / "in"});
        const std::vector<FileId> list = {d_->fileNamed("a.flac"), d_->fileNamed("b.flac"),
                                          d_->fileNamed("c.flac")};
        PlayQueue& queue = d_->window().queue();
        auto plays = [&](size_t i) {
            return QTest::qWaitFor([&] { return player().isPlaying() && player().file()->id == list[i]; },
                                   10000);
        };
        queue.play(list, 0);
        QVERIFY(plays(0));
        queue.next();
        QVERIFY(plays(1));
        queue.next();
        QVERIFY(plays(2));
        queue.next(); // there is none
        QVERIFY(plays(2));
        queue.previous();
        QVERIFY(plays(1));
        // Heard for a while, it begins anew.
        player().seek(4);
        QVERIFY(player().position() >= 4);
        queue.previous();
        QVERIFY(plays(1) && player().position() < 1);
        queue.onBySeconds(3);
        QVERIFY(player().position() >= 3);
        queue.toMiddle();
        QVERIFY(std::abs(player().position() - 2.95) < 0.3);
        queue.toLastSeconds(2);
        QVERIFY(std::abs(player().position() - 3.9) < 0.3);
        // At its end the next one follows, though it was sought in before.
        QVERIFY(QTest::qWaitFor([&] { return player().file()->id == list[2]; }, 20000));
        // A seek back while the next one is decoded already: it still follows once.
        queue.play(list, 0);
        QVERIFY(plays(0));
        player().seek(5.6);
        QTest::qWait(100);
        player().seek(5.2);
        QVERIFY(QTest::qWaitFor([&] { return player().file()->id == list[1]; }, 20000));
        // Something else is played: what was listed is over.
        player().play(d_->controllers().files.file(d_->fileNamed("stairs.flac")));
        QVERIFY(!queue.hasNext());
        player().stop();
    }

    void equallyLoud() {
        cutStairs("loud.flac", "-t 4");
        cutStairs("soft.flac", "-t 4 -filter:a volume=-12dB");
        d_->bringIn({*box_ / "in"});
        const std::vector<FileId> list = {d_->fileNamed("loud.flac"), d_->fileNamed("soft.flac")};
        std::map<FileId, LoudnessLevel> levels;
        for (const FileId id : list)
            d_->controllers().loudness.read(
                this, d_->controllers().files.file(id),
                [&, id](const Result<LoudnessLevel>& level) { levels[id] = *level; });
        QTRY_COMPARE_WITH_TIMEOUT(levels.size(), size_t{2}, 20000);
        const double apart = *levels[list[0]].lufs - *levels[list[1]].lufs;
        QVERIFY2(std::abs(apart - 12) < 0.3, qPrintable(QString::number(apart)));
        QVERIFY(std::abs(LoudnessLevels::gainFor(levels[list[0]]) + 12 -
                         LoudnessLevels::gainFor(levels[list[1]])) < 0.5);
        // Kept: asked again it is known at once, and no file was written to.
        d_->settle();
        std::optional<LoudnessLevel> known;
        d_->controllers().loudness.known(this, d_->controllers().files.file(list[0]),
                                         [&](std::optional<LoudnessLevel> level) { known = level; });
        d_->settle();
        QVERIFY(known && known->lufs);
        d_->window().queue().setMatchesLoudness(true);
        auto peakOf = [&](FileId id) {
            const QByteArray pcm = recorded([&] {
                d_->window().queue().play({id}, 0);
                QVERIFY(QTest::qWaitFor([&] { return player().position() > 0.7; }, 20000));
                player().stop();
            });
            int peak = 0;
            const auto* samples = reinterpret_cast<const int16_t*>(pcm.constData());
            for (qsizetype i = 0; i < pcm.size() / 2; ++i)
                peak = std::max(peak, std::abs(int{samples[i]}));
            return peak;
        };
        const int loud = peakOf(list[0]), soft = peakOf(list[1]);
        QVERIFY2(std::abs(20 * std::log10(static_cast<double>(loud) / soft)) < 1,
                 qPrintable(QString("%1 %2").arg(loud).arg(soft)));
        d_->window().queue().setMatchesLoudness(false);
    }

    /// The ear stays at the same place, the louder one is made softer.
    void comparedByEar() {
        cutStairs("soft.flac", "-filter:a volume=-6dB");
        d_->bringIn({*box_ / "in"});
        Controllers& c = d_->controllers();
        const FilePtr a = c.files.file(d_->fileNamed("stairs.flac")),
                      b = c.files.file(d_->fileNamed("soft.flac"));
        CompareByEar dialog({c.peaks, c.loudness, c.sounds, c.recordings, player()}, a, b, nullptr);
        dialog.QWidget::show();
        QTRY_VERIFY_WITH_TIMEOUT(dialog.told().contains("LUFS"), 20000);
        dialog.listen();
        QVERIFY(QTest::qWaitFor([&] { return player().position() > 1.2; }, 20000));
        QCOMPARE(player().file()->id, a->id);
        QVERIFY(!dialog.hearsB());
        const double before = player().position();
        QTest::keyClick(&dialog, Qt::Key_X);
        QCOMPARE(player().file()->id, b->id);
        QVERIFY(dialog.hearsB());
        QVERIFY2(std::abs(player().position() - before) < 0.3,
                 qPrintable(QString("%1 for %2").arg(player().position()).arg(before)));
        QTest::keyClick(&dialog, Qt::Key_Space);
        QVERIFY(!player().isPlaying());
        QTest::keyClick(&dialog, Qt::Key_Space);
        QVERIFY(player().isPlaying());
        player().stop();
    }

    void theDeviceGoesAndComes() {
        const FilePtr file = d_->controllers().files.file(d_->fileNamed("stairs.flac"));
        QSignalSpy trouble(&player(), &Player::trouble);
        player().play(file);
        QVERIFY(QTest::qWaitFor([&] { return player().position() > 0.5; }, 20000));
        pactl({"unload-module", "module-null-sink"});
        QVERIFY(QTest::qWaitFor([&] { return !player().isPlaying(); }, 20000));
        QVERIFY(!trouble.isEmpty() && !trouble.back()[0].toString().isEmpty());
        const double at = player().position();
        QVERIFY2(at > 0.3, qPrintable(QString::number(at)));
        QVERIFY(d_->window().foot()->playerBar()->text().contains("device"));
        pactl({"load-module", "module-null-sink", "sink_name=null", "rate=48000"});
        QVERIFY(QTest::qWaitFor([&] { return player().hasDevice(); }, 20000));
        player().toggle(); // where it was
        QVERIFY(player().isPlaying());
        QVERIFY(QTest::qWaitFor([&] { return player().position() > at + 0.3; }, 20000));
        QVERIFY(player().position() < at + 3);
        player().stop();
    }
};

int main(int argc, char** argv) {
    // A sound server of its own, which nothing else of this machine knows.
    QTemporaryDir runtime;
    qputenv("XDG_RUNTIME_DIR", runtime.path().toUtf8());
    qputenv("PULSE_STATE_PATH", runtime.path().toUtf8());
    qputenv("PULSE_SERVER", "unix:" + runtime.path().toUtf8() + "/native");
    QProcess server;
    server.setProcessChannelMode(QProcess::MergedChannels);
    server.start("pulseaudio", {"-n", "--daemonize=no", "--exit-idle-time=-1", "--use-pid-file=no",
                                "--load=module-null-sink sink_name=null rate=48000",
                                "--load=module-native-protocol-unix auth-anonymous=1 socket=" +
                                    runtime.path() + "/native"});
    for (int i = 0; i < 200 && !QFile::exists(runtime.path() + "/native"); ++i)
        server.waitForReadyRead(50);
    qputenv("QT_QPA_PLATFORM", "offscreen");
    int code = 0;
    {
        QApplication application(argc, argv);
        Driver::prepareApplication();
        TestPlayer test;
        code = QTest::qExec(&test, argc, argv);
        if (code != 0)
            qWarning("%s", server.readAll().constData());
    }
    server.terminate();
    server.waitForFinished(5000);
    return code;
}
#include "test_player.moc"
