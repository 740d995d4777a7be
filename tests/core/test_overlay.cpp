// SPDX-License-Identifier: GPL-3.0-or-later
// The overlay against plain memory, and against TagLib straight on the file.
#include <QtTest>

#include <random>

#include <taglib/fileref.h>
#include <taglib/flacfile.h>
#include <taglib/mp4file.h>
#include <taglib/mpegfile.h>
#include <taglib/opusfile.h>
#include <taglib/tpropertymap.h>
#include <taglib/vorbisfile.h>

#include "core/tags/overlay_stream.h"
#include "support/sample_files.h"

using namespace moorfrost;

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
    }
    void againstTagLib() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path direct = test::makeSound(box.root(), "direct" + ending.toStdString());
        Path shadow = test::makeSound(box.root(), "shadow" + ending.toStdString());
        const char* titles[] = {"Cold Slip", "A longer title, to make the tag grow a little", "x"};
        for (const char* title : titles) {
            auto change = [&](TagLib::File& file) {
                TagLib::PropertyMap map = file.properties();
                map.replace("TITLE", TagLib::StringList(title));
                file.setProperties(map);
                QVERIFY(file.save());
            };
            {
                TagLib::FileRef ref(direct.c_str());
                change(*ref.file());
            }
            auto source = FileSource::open(shadow);
            QVERIFY_RESULT(source);
            tags::OverlayStream overlay(*source, shadow);
            {
                TagLib::FileRef ref(&overlay);
                QVERIFY(ref.file());
                change(*ref.file());
            }
            std::string result = overlay.bytes(0, overlay.size());
            QVERIFY(result == test::readBytes(direct));
            test::writeBytes(shadow, result);
        }
    }
};

QTEST_GUILESS_MAIN(TestOverlay)
#include "test_overlay.moc"
