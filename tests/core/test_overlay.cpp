// SPDX-License-Identifier: GPL-3.0-or-later
// The overlay against plain memory, and against TagLib straight on the file.
#include <QtTest>

#include <random>

#include <taglib/aifffile.h>
#include <taglib/apetag.h>
#include <taglib/attachedpictureframe.h>
#include <taglib/fileref.h>
#include <taglib/flacfile.h>
#include <taglib/flacpicture.h>
#include <taglib/id3v2tag.h>
#include <taglib/mp4coverart.h>
#include <taglib/mp4file.h>
#include <taglib/mpegfile.h>
#include <taglib/opusfile.h>
#include <taglib/tpropertymap.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <taglib/wavpackfile.h>
#include <taglib/xiphcomment.h>

#include "core/tags/overlay_stream.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

/// One picture, or none, the way each format keeps it.
void setPicture(TagLib::File& file, const std::string& bytes) {
    TagLib::ByteVector data(bytes.data(), static_cast<unsigned int>(bytes.size()));
    auto flacPicture = [&] {
        auto* picture = new TagLib::FLAC::Picture;
        picture->setMimeType("image/png");
        picture->setData(data);
        return picture;
    };
    auto intoId3 = [&](TagLib::ID3v2::Tag* tag) {
        tag->removeFrames("APIC");
        if (bytes.empty())
            return;
        auto* frame = new TagLib::ID3v2::AttachedPictureFrame;
        frame->setMimeType("image/png");
        frame->setPicture(data);
        tag->addFrame(frame);
    };
    auto intoComment = [&](TagLib::Ogg::XiphComment* comment) {
        comment->removeAllPictures();
        if (!bytes.empty())
            comment->addPicture(flacPicture());
    };
    if (auto* flac = dynamic_cast<TagLib::FLAC::File*>(&file)) {
        flac->removePictures();
        if (!bytes.empty())
            flac->addPicture(flacPicture());
    } else if (auto* vorbis = dynamic_cast<TagLib::Ogg::Vorbis::File*>(&file)) {
        intoComment(vorbis->tag());
    } else if (auto* opus = dynamic_cast<TagLib::Ogg::Opus::File*>(&file)) {
        intoComment(opus->tag());
    } else if (auto* mp4 = dynamic_cast<TagLib::MP4::File*>(&file)) {
        mp4->tag()->removeItem("covr");
        TagLib::MP4::CoverArtList covers;
        covers.append(TagLib::MP4::CoverArt(TagLib::MP4::CoverArt::PNG, data));
        if (!bytes.empty())
            mp4->tag()->setItem("covr", covers);
    } else if (auto* mpeg = dynamic_cast<TagLib::MPEG::File*>(&file)) {
        intoId3(mpeg->ID3v2Tag(true));
    } else if (auto* wav = dynamic_cast<TagLib::RIFF::WAV::File*>(&file)) {
        intoId3(wav->ID3v2Tag());
    } else if (auto* aiff = dynamic_cast<TagLib::RIFF::AIFF::File*>(&file)) {
        intoId3(aiff->tag());
    } else if (auto* pack = dynamic_cast<TagLib::WavPack::File*>(&file)) {
        pack->APETag(true)->setData("Cover Art (Front)", data);
        if (bytes.empty())
            pack->APETag()->removeItem("Cover Art (Front)");
    } else {
        qFatal("no way to put a picture into this file");
    }
}

} // namespace

class TestOverlay : public QObject {
    Q_OBJECT
private slots:
    void againstMemory() {
        test::Sandbox box;
        std::mt19937 random(7);
        for (int round = 0; round < 60; ++round) {
            std::string model;
            for (size_t i = 0, n = random() % 4000; i < n; ++i)
                model += static_cast<char>(random());
            std::string before = model;
            test::writeBytes(box / "x", model);
            auto source = FileSource::open(box / "x");
            QVERIFY_RESULT(source);
            tags::OverlayStream overlay(*source, box / "x");
            for (int step = 0; step < 120; ++step) {
                size_t at = random() % (model.size() + 1), n = random() % 300;
                std::string data(random() % 200, static_cast<char>('a' + random() % 26));
                TagLib::ByteVector bytes(data.data(), static_cast<unsigned int>(data.size()));
                switch (random() % 5) {
                case 0:
                    overlay.insert(bytes, at, n);
                    model.replace(at, n, data);
                    break;
                case 1:
                    overlay.removeBlock(at, n);
                    model.erase(std::min(at, model.size()), n);
                    break;
                case 2:
                    overlay.seek(static_cast<long>(at));
                    overlay.writeBlock(bytes);
                    if (!data.empty())
                        model.replace(at, data.size(), data);
                    break;
                case 3:
                    if (random() % 8 == 0) {
                        overlay.truncate(static_cast<long>(at));
                        model.resize(at);
                    }
                    break;
                default: {
                    overlay.seek(static_cast<long>(at));
                    TagLib::ByteVector read = overlay.readBlock(n);
                    QCOMPARE(std::string(read.data(), read.size()), model.substr(at, n));
                }
                }
                QCOMPARE(overlay.size(), model.size());
            }
            QCOMPARE(overlay.bytes(0, model.size()), model);
            std::string rebuilt;
            Recipe recipe = overlay.recipe();
            for (const Extent& e : recipe.extents)
                rebuilt +=
                    e.fresh ? recipe.fresh.substr(e.offset, e.length) : before.substr(e.offset, e.length);
            QCOMPARE(rebuilt, model);
            QCOMPARE(classify(recipe, **source) == CommitClass::Nothing, model == before);
            // The way back gives the old bytes.
            test::writeBytes(box / "new", model);
            auto changed = FileSource::open(box / "new");
            Recipe back = inverseOf(recipe, **source);
            QCOMPARE(RecipeSource(**changed, back).bytes(0, before.size() + 1), before);
            if (classify(recipe, **source) != CommitClass::Rewrite) {
                std::vector<Patch> patches = patchesOf(recipe, **source);
                Recipe patched = inverseOf(patches, model.size());
                QCOMPARE(RecipeSource(**changed, patched).bytes(0, before.size() + 1), before);
            }
            QCOMPARE(test::readBytes(box / "x"), before); // the file itself was never touched
        }
    }

    void againstTagLib_data() {
        QTest::addColumn<QString>("ending");
        for (const std::string& e : test::endings())
            QTest::newRow(e.c_str()) << QString::fromStdString(e);
        QTest::newRow(".wv") << ".wv";
    }
    // Nine kinds of edit, one after the other: the overlay reads byte for byte as the file that TagLib
    // changed.
    void againstTagLib() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path direct = test::makeSound(box.root(), "direct" + ending.toStdString());
        Path shadow = test::makeSound(box.root(), "shadow" + ending.toStdString());
        auto set = [](const char* key, const TagLib::StringList& values) {
            return [=](TagLib::File& file) {
                TagLib::PropertyMap map = file.properties();
                if (values.isEmpty())
                    map.erase(key);
                else
                    map.replace(key, values);
                file.setProperties(map);
            };
        };
        TagLib::StringList several("The Hollow Ferry");
        several.append("Isla Varnholt");
        const std::vector<std::pair<const char*, std::function<void(TagLib::File&)>>> edits = {
            {"short", set("TITLE", TagLib::StringList("Cold Slip"))},
            {"longer", set("TITLE", TagLib::StringList(std::string(300, 't')))},
            {"several values", set("ARTIST", several)},
            {"own field", set("REEL NUMBER", TagLib::StringList("7b"))},
            {"a picture", [](TagLib::File& file) { setPicture(file, std::string(30000, 'p')); }},
            {"long text", set("COMMENT", TagLib::StringList(std::string(9000, 'c')))},
            {"no picture", [](TagLib::File& file) { setPicture(file, {}); }},
            {"blank", set("TITLE", {})},
            {"nothing", [](TagLib::File&) {}},
        };
        for (const auto& [name, change] : edits) {
            {
                TagLib::FileRef ref(direct.c_str());
                change(*ref.file());
                QVERIFY(ref.file()->save());
            }
            auto source = FileSource::open(shadow);
            QVERIFY_RESULT(source);
            tags::OverlayStream overlay(*source, shadow);
            {
                TagLib::FileRef ref(&overlay);
                QVERIFY(ref.file());
                change(*ref.file());
                QVERIFY(ref.file()->save());
            }
            std::string result = overlay.bytes(0, overlay.size());
            QVERIFY2(result == test::readBytes(direct), name);
            test::writeBytes(shadow, result);
        }
    }
};

QTEST_GUILESS_MAIN(TestOverlay)
#include "test_overlay.moc"
