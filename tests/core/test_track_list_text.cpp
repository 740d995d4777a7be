// SPDX-License-Identifier: GPL-3.0-or-later
// Lists of tracks as people paste them.
#include <QtTest>

#include "core/exchange/track_list_text.h"
#include "support/track_list_styles.h"

using namespace moorfrost;
using Kind = exchange::TrackListLine::Kind;

namespace {

std::vector<reference::Track> flat(const exchange::TrackListText& text) {
    std::vector<reference::Track> out;
    for (const auto& m : text.media)
        out.insert(out.end(), m.tracks.begin(), m.tracks.end());
    return out;
}

} // namespace

class TestTrackListText : public QObject {
    Q_OBJECT
private slots:
    void listsInManyShapes_data() {
        QTest::addColumn<int>("shape");
        for (int shape = 0; shape < test::trackListShapes; ++shape)
            QTest::addRow("%s", test::styledTrackList(shape, 1).shape) << shape;
    }
    void listsInManyShapes() {
        QFETCH(int, shape);
        int lines = 0, right = 0;
        QString first;
        for (unsigned seed = 1; seed <= 10; ++seed) {
            const auto list = test::styledTrackList(shape, seed);
            const auto got = flat(exchange::readTrackList(list.text));
            for (size_t i = 0; i < list.tracks.size(); ++i) {
                ++lines;
                const auto& want = list.tracks[i];
                const bool ok = i < got.size() && got[i].title == want.title &&
                                got[i].position == want.position && got[i].lengthMs == want.lengthMs;
                right += ok;
                if (!ok && first.isEmpty())
                    first =
                        QString("\"%1\" %2 %3, not \"%4\" %5 %6\n%7")
                            .arg(i < got.size() ? QString::fromStdString(got[i].title) : "nothing",
                                 i < got.size() ? QString::fromStdString(got[i].position) : "")
                            .arg(i < got.size() ? got[i].lengthMs : 0)
                            .arg(QString::fromStdString(want.title), QString::fromStdString(want.position))
                            .arg(want.lengthMs)
                            .arg(QString::fromStdString(list.text));
            }
        }
        qInfo("%d of %d lines", right, lines);
        QVERIFY2(right * 100 >= lines * 97, qPrintable(first));
    }

    void whatIsNoTrackIsLeftOut() {
        const auto text =
            exchange::readTrackList("Night Post EP\n\n1. Night Post 3:41\n2. Cold Slip 2:55\nTotal 6:36");
        QCOMPARE(text.tracks(), size_t{2});
        QCOMPARE(text.lines[0].kind, Kind::LeftOut);
        QCOMPARE(text.lines[1].kind, Kind::Blank);
        QCOMPARE(text.lines[2].kind, Kind::Track);
        QCOMPARE(text.lines[4].kind, Kind::LeftOut);
    }

    void sidesAreMedia() {
        const auto text = exchange::readTrackList("A1 One\nA2 Two\nB1 Three\nC1 Four\nD1 Five");
        QCOMPARE(text.media.size(), size_t{2});
        QCOMPARE(text.media[0].tracks.size(), size_t{3});
        QCOMPARE(text.media[1].tracks[0].position, std::string("C1"));
        const auto headed = exchange::readTrackList("LP 1: Shore\nA1 One\nB1 Two\nLP 2\nC1 Three\nD1 Four");
        QCOMPARE(headed.media.size(), size_t{2});
        QCOMPARE(headed.media[0].title, std::string("Shore"));
        QCOMPARE(headed.media[1].carrier, std::string("Vinyl"));
    }

    void artistsAreTold() {
        const auto text =
            exchange::readTrackList("1. Isla Varnholt - Salt Road 4:01\n2. Wren-Low - Bounce 3:02\n"
                                    "3. Kestrel & Rook - Lanterns 3:30\n4. Isla Varnholt - Gorse 2:00");
        QCOMPARE(text.media[0].tracks[0].title, std::string("Salt Road"));
        QCOMPARE(text.media[0].tracks[1].credit.text(), std::string("Wren-Low"));
        QCOMPARE(text.media[0].tracks[3].lengthMs, int64_t{120000});
    }

    void nonsenseAndTooMuch() {
        QCOMPARE(exchange::readTrackList("").tracks(), size_t{0});
        QCOMPARE(exchange::readTrackList("\n\n \t \n").tracks(), size_t{0});
        QVERIFY(exchange::readTrackList(std::string("\xff\xfe\x00 1. x\n\x01", 10)).lines.size() > 0);
        std::string many;
        for (int i = 1; i <= 5000; ++i)
            many += std::to_string(i) + ". Track of many 1:00\n";
        const auto text = exchange::readTrackList(many);
        QVERIFY(text.tracks() <= 2000);
        QVERIFY(!text.trouble.empty());
        QVERIFY(!exchange::readTrackList(std::string(5u << 20, 'x')).trouble.empty());
        std::string sides;
        for (int i = 0; i < 99; ++i)
            sides += "Side " + std::to_string(i + 1) + "\n1. One 1:00\n2. Two 1:00\n";
        QCOMPARE(exchange::readTrackList(sides).tracks(), size_t{198});
    }
};

QTEST_APPLESS_MAIN(TestTrackListText)
#include "test_track_list_text.moc"
