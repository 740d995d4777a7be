// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures made to fit, what they say of their colours, and how well enlarging is told.
#include <QtTest>

#include <cmath>
#include <cstdio>

#include "core/pictures/detail.h"
#include "core/pictures/recode.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/colour_profile.h"
#include "core/tags/picture.h"
#include "demo/encode.h"
#include "demo/pictures.h"
#include "support/invented.h"
#include "support/sample_files.h"

using namespace moorfrost;
using pictures::FitRule;

namespace {

enum class Filter { Linear, Cubic, Lanczos };

double weight(Filter filter, double x) {
    x = std::abs(x);
    if (filter == Filter::Linear)
        return std::max(0.0, 1 - x);
    if (filter == Filter::Cubic) // Catmull-Rom (Keys 1981)
        return x < 1   ? 1.5 * x * x * x - 2.5 * x * x + 1
               : x < 2 ? -0.5 * x * x * x + 2.5 * x * x - 4 * x + 2
                       : 0;
    auto sinc = [](double v) { return v == 0 ? 1 : std::sin(M_PI * v) / (M_PI * v); };
    return x < 3 ? sinc(x) * sinc(x / 3) : 0;
}

/// As programs enlarge.
pictures::Square enlarged(const pictures::Square& from, int side, Filter filter) {
    const int reach = filter == Filter::Linear ? 1 : filter == Filter::Cubic ? 2 : 3;
    const auto n = static_cast<size_t>(from.side), m = static_cast<size_t>(side);
    std::vector<double> across(m * n * 3);
    auto at = [&](int i) { return static_cast<size_t>(std::clamp(i, 0, from.side - 1)); };
    auto resampled = [&](auto value, auto put) {
        for (int x = 0; x < side; ++x) {
            const double centre = (x + 0.5) * from.side / side - 0.5;
            const int first = static_cast<int>(std::floor(centre)) - reach + 1;
            double sum[3] = {}, total = 0;
            for (int i = first; i < first + 2 * reach; ++i) {
                const double w = weight(filter, centre - i);
                total += w;
                for (size_t c = 0; c < 3; ++c)
                    sum[c] += w * value(at(i), c);
            }
            for (size_t c = 0; c < 3; ++c)
                put(static_cast<size_t>(x), c, sum[c] / total);
        }
    };
    for (size_t y = 0; y < n; ++y)
        resampled([&](size_t i,
                      size_t c) { return double(static_cast<uint8_t>(from.pixels[(y * n + i) * 4 + c])); },
                  [&](size_t x, size_t c, double v) { across[(y * m + x) * 3 + c] = v; });
    pictures::Square out{side, false, std::string(m * m * 4, '\xff')};
    for (size_t x = 0; x < m; ++x)
        resampled([&](size_t i, size_t c) { return across[(i * m + x) * 3 + c]; },
                  [&](size_t y, size_t c, double v) {
                      out.pixels[(y * m + x) * 4 + c] =
                          static_cast<char>(std::lround(std::clamp(v, 0.0, 255.0)));
                  });
    return out;
}

/// Saved as a JPEG and read again.
pictures::Square saved(const pictures::Square& square, int quality) {
    std::string rgb;
    for (size_t i = 0; i < square.pixels.size(); i += 4)
        rgb += square.pixels.substr(i, 3);
    const std::string png = demo::encodePicture(rgb, square.side, square.side, false);
    const auto jpeg = pictures::fit(png, {4096, 100'000'000, quality});
    return *pictures::squareOf(jpeg->jpeg, square.side);
}

std::string part(const char* kind, const std::string& body) {
    std::string out;
    for (int shift : {24, 16, 8, 0})
        out += static_cast<char>(body.size() >> shift);
    return out + kind + body + "crc!";
}

/// A profile of one tag, as ICC.1 has it.
std::string profile(const std::string& tag) {
    std::string out(128, '\0');
    auto number = [&](uint32_t n) {
        for (int shift : {24, 16, 8, 0})
            out += static_cast<char>(n >> shift);
    };
    number(1);
    out += "desc";
    number(144);
    number(static_cast<uint32_t>(tag.size()));
    return out + tag;
}

} // namespace

class TestPictureDetail : public QObject {
    Q_OBJECT
private slots:
    void enlargingIsTold() {
        int told = 0, wronglyTold = 0;
        bench::Chance chance(24);
        const bool tell = qEnvironmentVariableIsSet("MOORFROST_DETAIL");
        for (int i = 0; i < 60; ++i) {
            const int side = 600 + static_cast<int>(chance() % 500),
                      quality = 75 + static_cast<int>(chance() % 21);
            const double factor = 1.5 + static_cast<double>(chance() % 1000) / 400;
            const int drawn = static_cast<int>(side / factor);
            const auto small =
                pictures::squareOf(demo::drawCover(static_cast<uint32_t>(i + 1), drawn, true), drawn);
            const auto large =
                pictures::squareOf(demo::drawCover(static_cast<uint32_t>(i + 1), side, true), side);
            const auto filter = static_cast<Filter>(i % 3);
            const int detail = pictures::detailOf(saved(enlarged(*small, side, filter), quality));
            const int honest = pictures::detailOf(saved(*large, quality));
            told += detail > 0 && detail < pictures::enlargedBelow * side;
            wronglyTold += honest > 0 && honest < pictures::enlargedBelow * side;
            if (tell)
                std::printf("%2d %d %.2f q%d: %.2f of %.2f, honest %.2f\n", i, i % 3, factor, quality,
                            double(detail) / side, 1 / factor, double(honest) / side);
        }
        std::printf("%d of 60 enlarged ones told, %d of 60 honest ones\n", told, wronglyTold);
        QVERIFY(told >= 55);
        QVERIFY(wronglyTold <= 2);
    }

    void picturesAreMadeToFit() {
        const std::string large = demo::drawCover(3, 900, true);
        auto fitted = pictures::fit(large, {600, 1'000'000, 85});
        QVERIFY2(fitted, fitted ? "" : fitted.error().message.c_str());
        QCOMPARE(tags::pictureMime(fitted->jpeg), std::string("image/jpeg"));
        QCOMPARE(tags::pictureSize(fitted->jpeg).width, 600);
        QVERIFY(tags::isWholePicture(fitted->jpeg));
        QCOMPARE(fitted->quality, 85);
        // Never enlarged.
        fitted = pictures::fit(large, {2000, 1'000'000, 85});
        QCOMPARE(fitted->width, 900);
        // Few bytes: first worse, then smaller.
        const auto small = pictures::fit(large, {900, 12'000, 95});
        QVERIFY(small && small->jpeg.size() <= 12'000);
        QVERIFY(small->quality < 95);
        // It looks like it: the light of the middle is the same.
        auto light = [](const std::string& data) {
            const auto square = pictures::squareOf(data, 900);
            int sum = 0;
            for (size_t i = 0; i < square->pixels.size(); i += 4)
                sum += static_cast<uint8_t>(square->pixels[i]) + static_cast<uint8_t>(square->pixels[i + 1]) +
                       static_cast<uint8_t>(square->pixels[i + 2]);
            return sum / (900 * 900 * 3);
        };
        QVERIFY2(std::abs(light(large) - light(fitted->jpeg)) <= 2,
                 qPrintable(QString("%1 %2").arg(light(large)).arg(light(fitted->jpeg))));
        // Not square: its shape stays.
        const std::string wide =
            demo::encodePicture(std::string(size_t{400} * 100 * 3, '\x55'), 400, 100, false);
        fitted = pictures::fit(wide, {200, 100'000, 80});
        QCOMPARE(fitted->width, 200);
        QCOMPARE(fitted->height, 50);
        for (const FitRule& bad : {FitRule{10, 100'000, 85}, FitRule{600, 5, 85}, FitRule{600, 100'000, 100}})
            QVERIFY(!pictures::fit(large, bad));
    }

    void whatIsNoPictureDoesNotFit_data() {
        QTest::addColumn<QByteArray>("bytes");
        const std::string jpeg = demo::drawCover(3, 300);
        QTest::newRow("nothing") << QByteArray();
        QTest::newRow("text") << QByteArray("no picture");
        QTest::newRow("a header alone") << QByteArray::fromStdString(jpeg.substr(0, 200));
        QByteArray bomb = QByteArray::fromStdString(demo::drawCover(3, 64, true));
        bomb.replace(16, 8, QByteArray::fromHex("0000ffff0000ffff")); // says 65535 x 65535
        QTest::newRow("bomb") << bomb;
    }
    void whatIsNoPictureDoesNotFit() {
        QFETCH(QByteArray, bytes);
        QVERIFY(!pictures::fit(bytes.toStdString(), {}));
        QCOMPARE(tags::colourProfile(bytes.toStdString()), std::string());
    }

    void readingProcessesFitThem() {
        test::Sandbox box;
        test::writeBytes(box / "scan.png", demo::drawCover(3, 700, true));
        const auto fitted = sandbox::ParserPool::shared().fitPicture(box / "scan.png", 0, {500, 200'000, 85});
        QVERIFY2(fitted, fitted ? "" : fitted.error().message.c_str());
        QCOMPARE(fitted->width, 500);
        QCOMPARE(tags::pictureSize(fitted->jpeg).height, 500);
        QVERIFY(!sandbox::ParserPool::shared().fitPicture(box / "nowhere.png", 0, {}));
        QVERIFY(
            !sandbox::ParserPool::shared().fitPicture(box / "scan.png", 77, {})); // it is no file of sound
    }

    void coloursAreTold() {
        const std::string head = "\x89PNG\r\n\x1A\n";
        QCOMPARE(tags::colourProfile(head + part("IHDR", std::string(13, 'x')) + part("sRGB", "x")),
                 std::string("sRGB"));
        QCOMPARE(tags::colourProfile(head + part("iCCP", std::string("Moor RGB\0\0packed", 16))),
                 std::string("Moor RGB"));
        QCOMPARE(tags::colourProfile(head + part("iCCP", std::string("\x01\xff\0", 3))), std::string());
        QCOMPARE(tags::colourProfile(head + part("IDAT", "x") + part("sRGB", "x")), std::string());
        auto jpeg = [](const std::string& icc, char components) {
            std::string out = "\xFF\xD8";
            auto segment = [&](char marker, const std::string& body) {
                out += '\xFF';
                out += marker;
                out += static_cast<char>((body.size() + 2) >> 8);
                out += static_cast<char>(body.size() + 2);
                out += body;
            };
            segment('\xE2', std::string("ICC_PROFILE\0\1\1", 14) + icc);
            segment('\xC0', std::string("\x08\0\1\0\1", 5) + components);
            return out;
        };
        const std::string old = std::string("desc\0\0\0\0\0\0\0\x0aHarbour 2\0", 22);
        QCOMPARE(tags::colourProfile(jpeg(profile(old), 3)), std::string("Harbour 2"));
        QCOMPARE(tags::colourProfile(jpeg(profile(old), 4)), std::string("CMYK, Harbour 2"));
        QCOMPARE(tags::colourProfile(jpeg("too short", 1)), std::string("grey"));
        const std::string now = std::string("mluc\0\0\0\0\0\0\0\1\0\0\0\x0c"
                                            "enGB\0\0\0\x08\0\0\0\x1c\0M\0o\0o\0r",
                                            36);
        QCOMPARE(tags::colourProfile(jpeg(profile(now), 3)), std::string("Moor"));
        // Lengths that lie.
        for (size_t cut = 0; cut < jpeg(profile(now), 3).size(); ++cut)
            tags::colourProfile(jpeg(profile(now), 3).substr(0, cut));
        std::string lies = jpeg(profile(now), 3);
        for (size_t i = 0; i < lies.size(); ++i) {
            std::string bad = lies;
            bad[i] = '\xff';
            tags::colourProfile(bad);
        }
    }
};

QTEST_GUILESS_MAIN(TestPictureDetail)
#include "test_picture_detail.moc"
