// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures: their headers, and reading them from every format that can carry one.
#include <QtTest>

#include <cmath>

#include <taglib/attachedpictureframe.h>
#include <taglib/flacfile.h>
#include <taglib/id3v2tag.h>
#include <taglib/mp4file.h>
#include <taglib/mpegfile.h>
#include <taglib/opusfile.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <xxhash.h>

#include "core/pictures/detail.h"
#include "core/tags/packed.h"
#include "core/tags/picture.h"
#include "core/tags/tag_io.h"
#include "demo/pictures.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

/// As programs enlarge: each point between four of the small one (bilinear).
pictures::Square enlarged(const pictures::Square& small, int side) {
    pictures::Square out{side, false,
                         std::string(static_cast<size_t>(side) * static_cast<size_t>(side) * 4, '\xff')};
    auto at = [&](int x, int y, int channel) {
        x = std::min(x, small.side - 1);
        y = std::min(y, small.side - 1);
        return static_cast<double>(static_cast<unsigned char>(
            small.pixels[(static_cast<size_t>(y) * static_cast<size_t>(small.side) + static_cast<size_t>(x)) *
                             4 +
                         static_cast<size_t>(channel)]));
    };
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x)
            for (int channel = 0; channel < 3; ++channel) {
                const double fx = static_cast<double>(x) * small.side / side,
                             fy = static_cast<double>(y) * small.side / side;
                const int ix = static_cast<int>(fx), iy = static_cast<int>(fy);
                const double dx = fx - ix, dy = fy - iy;
                const double value =
                    (1 - dy) * ((1 - dx) * at(ix, iy, channel) + dx * at(ix + 1, iy, channel)) +
                    dy * ((1 - dx) * at(ix, iy + 1, channel) + dx * at(ix + 1, iy + 1, channel));
                out.pixels[(static_cast<size_t>(y) * static_cast<size_t>(side) + static_cast<size_t>(x)) * 4 +
                           static_cast<size_t>(channel)] = static_cast<char>(std::lround(value));
            }
    return out;
}

TagLib::ByteVector bytes(const std::string& s) {
    return {s.data(), static_cast<unsigned int>(s.size())};
}

TagLib::FLAC::Picture* flacPicture(const std::string& data, TagLib::FLAC::Picture::Type type) {
    auto* p = new TagLib::FLAC::Picture;
    p->setType(type);
    p->setMimeType("image/jpeg");
    p->setDescription("scan");
    p->setData(bytes(data));
    return p;
}

void addPicture(const Path& file, const std::string& data) {
    std::string ending = file.extension();
    if (ending == ".mp3") {
        TagLib::MPEG::File f(file.c_str());
        auto* frame = new TagLib::ID3v2::AttachedPictureFrame;
        frame->setType(TagLib::ID3v2::AttachedPictureFrame::BackCover);
        frame->setMimeType("image/jpeg");
        frame->setDescription("scan");
        frame->setPicture(bytes(data));
        f.ID3v2Tag(true)->addFrame(frame);
        f.save();
    } else if (ending == ".wav") {
        TagLib::RIFF::WAV::File f(file.c_str());
        auto* frame = new TagLib::ID3v2::AttachedPictureFrame;
        frame->setType(TagLib::ID3v2::AttachedPictureFrame::BackCover);
        frame->setDescription("scan");
        frame->setPicture(bytes(data));
        f.ID3v2Tag()->addFrame(frame);
        f.save();
    } else if (ending == ".flac") {
        TagLib::FLAC::File f(file.c_str());
        f.addPicture(flacPicture(data, TagLib::FLAC::Picture::BackCover));
        f.save();
    } else if (ending == ".ogg") {
        TagLib::Ogg::Vorbis::File f(file.c_str());
        f.tag()->addPicture(flacPicture(data, TagLib::FLAC::Picture::BackCover));
        f.save();
    } else if (ending == ".opus") {
        TagLib::Ogg::Opus::File f(file.c_str());
        f.tag()->addPicture(flacPicture(data, TagLib::FLAC::Picture::BackCover));
        f.save();
    } else if (ending == ".m4a") {
        TagLib::MP4::File f(file.c_str());
        TagLib::MP4::CoverArtList list;
        list.append(TagLib::MP4::CoverArt(TagLib::MP4::CoverArt::JPEG, bytes(data)));
        f.tag()->setItem("covr", list);
        f.save();
    }
}

} // namespace

class TestPictures : public QObject {
    Q_OBJECT
private slots:
    void headers() {
        std::string jpeg = demo::drawCover(1, 123), png = demo::drawCover(2, 77, true);
        QCOMPARE(tags::pictureMime(jpeg), std::string("image/jpeg"));
        QCOMPARE(tags::pictureSize(jpeg).width, 123);
        QCOMPARE(tags::pictureSize(jpeg).height, 123);
        QCOMPARE(tags::pictureMime(png), std::string("image/png"));
        QCOMPARE(tags::pictureSize(png).height, 77);
        std::string gif("GIF89a\x10\x01\x20\x00", 10);
        QCOMPARE(tags::pictureSize(gif).width, 272);
        QCOMPARE(tags::pictureSize(gif).height, 32);
    }

    void headersThatLie() {
        // Cut anywhere, or with bytes changed: no crash, and never a negative size.
        std::string jpeg = demo::drawCover(1, 64), png = demo::drawCover(1, 64, true);
        uint32_t state = 1;
        for (const std::string& whole : {jpeg, png})
            for (size_t n = 0; n < std::min<size_t>(whole.size(), 700); ++n) {
                std::string cut = whole.substr(0, n);
                state = state * 1664525u + 1013904223u;
                if (!cut.empty())
                    cut[state % cut.size()] = static_cast<char>(state >> 24);
                tags::PictureSize size = tags::pictureSize(cut);
                QVERIFY(size.width >= 0 && size.height >= 0);
            }
        QVERIFY(tags::pictureMime("").empty());
        QVERIFY(tags::pictureMime("a letter").empty());
    }

    void fromEveryFormat_data() {
        QTest::addColumn<QString>("ending");
        for (const char* e : {".mp3", ".wav", ".flac", ".ogg", ".opus", ".m4a"})
            QTest::newRow(e) << QString(e);
    }
    void fromEveryFormat() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        std::string jpeg = demo::drawCover(3, 200);
        addPicture(file, jpeg);
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        QCOMPARE(read->pictures.size(), size_t{1});
        const tags::PictureInfo& info = read->pictures.front();
        QCOMPARE(info.width, 200);
        QCOMPARE(info.height, 200);
        QCOMPARE(info.mime, std::string("image/jpeg"));
        QCOMPARE(info.bytes, uint64_t{jpeg.size()});
        QCOMPARE(info.hash, XXH3_64bits(jpeg.data(), jpeg.size()));
        if (ending != ".m4a") { // which knows neither
            QCOMPARE(info.type, std::string("back cover"));
            QCOMPARE(info.description, std::string("scan"));
        }
        auto pictures = tags::readPictures(file);
        QVERIFY_RESULT(pictures);
        QVERIFY(pictures->front().data == jpeg);

        // A change of fields leaves it, byte for byte.
        test::tag(file, {{"title", {"Gorse"}}, {"comment", {std::string(4000, 'x')}}});
        pictures = tags::readPictures(file);
        QCOMPARE(pictures->size(), size_t{1});
        QVERIFY(pictures->front().data == jpeg);
    }

    void whatAnEarlierVersionKept() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        addPicture(file, demo::drawCover(3, 200));
        auto now = tags::readTags(file);
        QVERIFY_RESULT(now);
        now->notes = {"what stands behind the pictures"};
        // Form 1: the number in front is 1, and the hash, the last number of the picture, is not there.
        const uint64_t hash = std::exchange(now->pictures.front().hash, 0);
        std::string kept = tags::packed(*now);
        WireWriter picture;
        tags::put(picture, now->pictures.front());
        size_t at = kept.find(picture.bytes());
        QVERIFY(at != std::string::npos);
        kept.erase(at + picture.bytes().size() - 1, 1);
        kept[0] = 1;
        tags::TagFile before;
        QVERIFY(tags::unpack(kept, before));
        QCOMPARE(before.pictures.front().bytes, now->pictures.front().bytes);
        QCOMPARE(before.pictures.front().hash, uint64_t{0});
        QCOMPARE(before.notes, now->notes);
        tags::PackedView view;
        QVERIFY(view.read(kept));
        QCOMPARE(view.pictures, size_t{1});
        // As it is kept now; a form to come is not taken for one of these.
        now->pictures.front().hash = hash;
        kept = tags::packed(*now);
        QVERIFY(tags::unpack(kept, before));
        QCOMPARE(before.pictures.front().hash, hash);
        QVERIFY(view.read(kept));
        kept[0] = 9;
        QVERIFY(!tags::unpack(kept, before));
        QVERIFY(!view.read(kept));
    }

    void enlargedPicturesAreTold_data() {
        QTest::addColumn<int>("drawn");
        QTest::addColumn<int>("seed");
        for (int seed : {1, 2, 5})
            for (int drawn : {200, 400, 1000})
                QTest::addRow("%d drawn with %d", seed, drawn) << drawn << seed;
    }
    void enlargedPicturesAreTold() {
        QFETCH(int, drawn);
        QFETCH(int, seed);
        // Drawn small, and made 1000 pixels wide as people do it.
        auto small = pictures::squareOf(demo::drawCover(static_cast<uint32_t>(seed), drawn), drawn);
        QVERIFY(small);
        const pictures::Square square = drawn == 1000 ? *small : enlarged(*small, 1000);
        const int detail = pictures::detailOf(square);
        if (drawn == 1000)
            QCOMPARE(detail, 1000);
        else
            QVERIFY2(detail > drawn * 6 / 10 && detail < drawn * 17 / 10 &&
                         detail < pictures::enlargedBelow * 1000,
                     std::to_string(detail).c_str());
    }

    void noDetailIsToldOfNothing() {
        QCOMPARE(pictures::detailOf({500, false, std::string(size_t{500} * 500 * 4, '\x77')}),
                 0); // a plain colour
        QCOMPARE(pictures::detailOf({32, false, std::string(size_t{32} * 32 * 4, '\x77')}), 0);
        QCOMPARE(pictures::detailOf({500, false, "too few"}), 0);
    }

    void typeNames() {
        QCOMPARE(tags::pictureTypeName(3), std::string("front cover"));
        QCOMPARE(tags::pictureTypeName(6), std::string("medium"));
        QCOMPARE(tags::pictureTypeName(99), std::string("other"));
        QCOMPARE(tags::pictureTypeName(-1), std::string("other"));
    }
};

QTEST_GUILESS_MAIN(TestPictures)
#include "test_pictures.moc"
