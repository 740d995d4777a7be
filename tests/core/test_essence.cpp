// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/audio/essence.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {
Result<audio::Essence> essence(const Path& file) {
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    return audio::essenceOf(**source, audio::detectFormat(**source));
}
} // namespace

class TestEssence : public QObject {
    Q_OBJECT
private slots:
    void hashesOfAFileAndWhatIsMadeOfIt() {
        std::string bytes(700000, '\0');
        uint32_t state = 1;
        for (char& c : bytes)
            c = static_cast<char>((state = state * 1664525u + 1013904223u) >> 24);
        test::Sandbox box;
        test::writeBytes(box / "old", bytes);
        const auto source = *FileSource::open(box / "old");
        const ByteSource& old = *source;
        Recipe grown, turned, shorter;
        grown.fresh = "a picture";
        grown.extents = {{false, 0, 100}, {true, 0, 9}, {false, 300, 699000}};
        turned.extents = {{false, 600000, 1000}, {false, 0, 300000}}; // goes backwards
        shorter.extents = {{false, 5, 10}};
        for (const Recipe& recipe : {grown, turned, shorter}) {
            const audio::ContentHashes both = audio::contentHashes(old, recipe);
            QCOMPARE(both.before, audio::contentHash(old));
            QCOMPARE(both.after, audio::contentHash(RecipeSource(old, recipe)));
        }
    }

    void filesOfAFewBytes() {
        test::Sandbox box;
        for (const std::string& begin :
             {std::string("RF64"), std::string("RIFF1234WAV"), std::string("FORM"), std::string("FRM8"),
              std::string("fLaC"), std::string("OggS"), std::string("ID3"), std::string("wvpk"),
              std::string("MPCK"), std::string("\xFF\xFB"), std::string("DSD "), std::string("1234ftyp"),
              std::string("\x30\x26\xB2\x75")})
            for (size_t n = 1; n <= begin.size(); ++n) {
                test::writeBytes(box / "few", begin.substr(0, n));
                auto source = FileSource::open(box / "few");
                QVERIFY_RESULT(source);
                audio::Format format = audio::detectFormat(**source);
                // There is no sound in a few bytes, whatever they are taken for. (That none of it reads past
                // the end is seen by the sanitizers, scripts/sanitize.)
                for (int f = 0; f <= int(audio::lastFormat); ++f) {
                    auto essence = audio::essenceOf(**source, static_cast<audio::Format>(f));
                    QVERIFY2(!essence || essence->bytes <= n, begin.c_str());
                    audio::whyCutShort(**source, static_cast<audio::Format>(f), true);
                }
                auto essence = audio::essenceOf(**source, format);
                QVERIFY2(!essence || essence->bytes <= n, begin.c_str());
            }
    }

    void formats_data() {
        QTest::addColumn<QString>("ending");
        for (const std::string& e : test::endings())
            QTest::newRow(e.c_str()) << QString::fromStdString(e);
    }

    void formats() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString(), 1);
        Path other = test::makeSound(box.root(), "b" + ending.toStdString(), 2);
        auto first = essence(file);
        QVERIFY_RESULT(first);
        QVERIFY(first->bytes > 1000);
        QVERIFY(essence(other)->hash != first->hash);

        // Tags come and go, the essence stays.
        test::tag(file, {{"title", {"Night Post"}}, {"comment", {std::string(5000, 'c')}}});
        QCOMPARE(essence(file)->hash, first->hash);
        test::tag(file, {{"title", {}}, {"comment", {}}});
        QCOMPARE(essence(file)->hash, first->hash);

        // One byte of sound is noticed.
        std::string bytes = test::readBytes(file);
        size_t middle = bytes.size() / 2 + 7;
        bytes[middle] = static_cast<char>(bytes[middle] ^ 1);
        test::writeBytes(file, bytes);
        auto changed = essence(file);
        QVERIFY(!changed || changed->hash != first->hash);
    }

    void cutShort_data() {
        QTest::addColumn<QString>("ending");
        for (const char* e : {".ogg", ".opus", ".m4a", ".wav", ".aiff"})
            QTest::newRow(e) << QString(e);
    }
    void cutShort() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        std::string bytes = test::readBytes(file);
        for (double part : {0.3, 0.6, 0.95}) {
            test::writeBytes(file,
                             bytes.substr(0, static_cast<size_t>(static_cast<double>(bytes.size()) * part)));
            auto source = FileSource::open(file);
            QVERIFY_RESULT(source);
            QVERIFY(!audio::whyCutShort(**source, audio::detectFormat(**source)).empty());
            QVERIFY(!essence(file));
        }
    }

    void detection() {
        test::Sandbox box;
        const std::pair<const char*, audio::Format> kinds[] = {
            {".mp3", audio::Format::Mp3},       {".flac", audio::Format::Flac},
            {".ogg", audio::Format::OggVorbis}, {".opus", audio::Format::Opus},
            {".m4a", audio::Format::Mp4},       {".wav", audio::Format::Wav},
            {".aiff", audio::Format::Aiff}};
        for (const auto& [ending, format] : kinds) {
            Path file = test::makeSound(box.root(), std::string("a") + ending);
            auto source = FileSource::open(file);
            QCOMPARE(audio::detectFormat(**source), format);
            QCOMPARE(audio::formatByExtension(file), format);
            QCOMPARE(audio::formatFromName(audio::formatName(format)), format);
        }
        test::writeBytes(box / "text.mp3", "not music at all");
        QCOMPARE(audio::detectFormat(**FileSource::open(box / "text.mp3")), audio::Format::Unknown);
    }
};

QTEST_GUILESS_MAIN(TestEssence)
#include "test_essence.moc"
