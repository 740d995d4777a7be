// SPDX-License-Identifier: GPL-3.0-or-later
// Every field in every format: written, read back here and by ffprobe.
#include <QtTest>

#include <QJsonArray>

#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

/// A value that the field can hold.
std::string sample(const tags::FieldDef& def) {
    using enum tags::FieldKind;
    switch (def.kind) {
    case Number:
        return std::to_string(3 + def.key.size());
    case Date:
        return "1998-10-05";
    case Flag:
        return "1";
    case Code:
        return def.key == "barcode" ? "2000000190013" : "ZZGRW9800011";
    case LongText:
        return "First line of " + def.key + ".\nSecond line: Åse-Linn, Хор, 灯台.";
    case Decimal: // custom ones only (test_custom_fields)
    case YesNo:
    case Choice:
    case Text:
        break;
    }
    if (def.key == "language")
        return "nor";
    if (def.key.starts_with("replaygain"))
        return "-3.20 dB";
    return "Value of " + def.label + ", Brække \xE2\x80\x93 Маяк 灯";
}

void addFormats() {
    QTest::addColumn<QString>("ending");
    for (const std::string& e : test::endings())
        QTest::newRow(e.c_str()) << QString::fromStdString(e);
}

} // namespace

class TestTags : public QObject {
    Q_OBJECT
private slots:
    void everyField_data() { addFormats(); }
    void everyField() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        tags::Fields wanted;
        for (const tags::FieldDef& def : tags::fieldTable())
            wanted[def.key] = {sample(def)};
        wanted["tracks"] = {"12"};
        wanted["discs"] = {"14"};
        wanted["performer"] = {"Isla Varnholt (voice)"};
        wanted["reel number"] = {"7b"};
        test::tag(file, wanted);
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        for (const auto& [key, values] : wanted)
            QVERIFY2(read->fields[key] == values, (key + ": " + tags::shownValue(read->fields, key)).c_str());
        auto probed = test::probeTags(file);
        QCOMPARE(probed["title"], wanted["title"].front());
        QCOMPARE(probed["artist"], wanted["artist"].front());
        QCOMPARE(probed["album"], wanted["album"].front());
        QVERIFY(probed["date"].starts_with("1998"));
        QCOMPARE(probed["composer"] + probed["imus"], wanted["composer"].front());
        QVERIFY(test::str(QByteArray::fromStdString(probed["track"])).starts_with(wanted["track"].front()));
    }

    void severalValues_data() { addFormats(); }
    void severalValues() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        tags::Fields wanted = {{"artist", {"Kestrel & Rook", "Wren-Low"}},
                               {"genre", {"Folk", "Choral"}},
                               {"isrc", {"ZZGRW9800011", "ZZGRW9800012"}}};
        test::tag(file, wanted);
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        for (const auto& [key, values] : wanted)
            QCOMPARE(read->fields[key], values);
    }

    void blankingAndKeeping_data() { addFormats(); }
    void blankingAndKeeping() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        test::tag(file, {{"title", {"One"}}, {"comment", {"stays"}}, {"track", {"3"}}, {"tracks", {"9"}}});
        test::tag(file, {{"title", {}}, {"track", {"4"}}});
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        QVERIFY(!read->fields.contains("title"));
        QCOMPARE(read->fields["comment"].front(), std::string("stays"));
        QCOMPARE(read->fields["track"].front(), std::string("4"));
        QCOMPARE(read->fields["tracks"].front(), std::string("9"));
    }

    void sameValuesChangeNothing_data() { addFormats(); }
    void sameValuesChangeNothing() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        test::tag(file, {{"title", {"One"}}, {"artist", {"Two"}}});
        auto edit = tags::prepareEdit(file, {{"title", {"One"}}});
        QVERIFY_RESULT(edit);
        QCOMPARE(edit->how, CommitClass::Nothing);
    }

    void facts_data() {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<QString>("codec");
        QTest::addColumn<int>("rate");
        QTest::addColumn<int>("depth");
        QTest::newRow("mp3") << ".mp3"
                             << "MP3" << 44100 << 0;
        QTest::newRow("flac") << ".flac"
                              << "FLAC" << 44100 << 16;
        QTest::newRow("ogg") << ".ogg"
                             << "Vorbis" << 44100 << 0;
        QTest::newRow("opus") << ".opus"
                              << "Opus" << 48000 << 0;
        QTest::newRow("m4a") << ".m4a"
                             << "AAC" << 44100 << 0;
        QTest::newRow("wav") << ".wav"
                             << "PCM" << 44100 << 16;
        QTest::newRow("aiff") << ".aiff"
                              << "PCM" << 44100 << 16;
    }
    void facts() {
        QFETCH(QString, ending);
        QFETCH(QString, codec);
        QFETCH(int, rate);
        QFETCH(int, depth);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        QCOMPARE(read->facts.codec, codec.toStdString());
        QCOMPARE(read->facts.sampleRate, rate);
        QCOMPARE(read->facts.bitDepth, depth);
        QCOMPARE(read->facts.channels, 2);
        QVERIFY(std::abs(read->facts.duration -
                         test::probe(file)["format"].toObject()["duration"].toString().toDouble()) < 0.1);
        QVERIFY(read->facts.bitrate > 1000);
        QCOMPARE(read->facts.size, std::filesystem::file_size(file));
    }

    void olderId3StaysUnlessItCannotHold() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        // An ID3v2.3 tag with a title, as older programs write it.
        std::string frame = std::string("TIT2") + std::string("\0\0\0\x06\0\0\0", 7) + "Gorse";
        test::writeBytes(file, std::string("ID3\x03\0\0\0\0\0\x10", 10) + frame + test::readBytes(file));
        auto version = [&] { return static_cast<int>(test::readBytes(file)[3]); };
        QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Gorse"));
        test::tag(file, {{"artist", {"Хор Маяка"}}, {"date", {"1998-10-05"}}});
        QCOMPARE(version(), 3);
        QCOMPARE(tags::readTags(file)->fields["date"].front(), std::string("1998-10-05"));
        auto edit =
            tags::prepareEdit(file, {{"date", {"1998-10"}}}); // year and month: 2.3 has no place for it
        QVERIFY_RESULT(edit);
        QCOMPARE(edit->notes.size(), size_t{1});
        QCOMPARE(edit->after["date"].front(), std::string("1998-10"));
        QVERIFY(!test::readBytes(file).ends_with(std::string(125, '\0'))); // and no ID3v1 was added
        QCOMPARE(test::readBytes(file).substr(test::readBytes(file).size() - 128, 3) == "TAG", false);
    }

    void oldTagsBehindAreKeptInStep() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        std::string v1 = "TAGOld title";
        v1.resize(125, '\0');
        v1 += std::string("\0\x05\xFF", 3);
        test::writeBytes(file, test::readBytes(file) + v1);
        QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Old title"));
        test::tag(file, {{"title", {"New title"}}});
        std::string bytes = test::readBytes(file);
        QCOMPARE(bytes.substr(bytes.size() - 128, 12), std::string("TAGNew title"));
        test::tag(file, {{"title", {}}});
        QVERIFY(!tags::readTags(file)->fields.contains("title"));
    }

    void refusals() {
        test::Sandbox box;
        Path wav = test::makeSound(box.root(), "a.wav");
        auto sentence = [](const Path& file, const tags::Fields& changes) {
            auto edit = tags::prepareEdit(file, changes);
            return edit ? std::string() : edit.error().message;
        };
        QVERIFY(sentence(wav, {{"tempo", {"abc"}}}).find("whole number") != std::string::npos);
        std::string bytes = test::readBytes(wav);
        test::writeBytes(wav, bytes.substr(0, bytes.size() / 2));
        QVERIFY(sentence(wav, {{"title", {"x"}}}).find("cut short") != std::string::npos);
        test::writeBytes(box / "empty.mp3", "");
        QVERIFY(sentence(box / "empty.mp3", {{"title", {"x"}}}).find("empty") != std::string::npos);
        test::writeBytes(box / "letter.wav", "Dear archive");
        QVERIFY(sentence(box / "letter.wav", {{"title", {"x"}}}).find("not sound") != std::string::npos);
        QVERIFY(sentence(box.root(), {{"title", {"x"}}}).find("folder") != std::string::npos);
    }

    void nameDoesNotMatter() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        std::filesystem::rename(file, box / "a.mp3");
        auto read = tags::readTags(box / "a.mp3");
        QVERIFY_RESULT(read);
        QCOMPARE(read->format, audio::Format::Flac);
        QCOMPARE(read->notes.size(), size_t{1});
    }
};

QTEST_GUILESS_MAIN(TestTags)
#include "test_tags.moc"
