// SPDX-License-Identifier: GPL-3.0-or-later
// Tags as other programs leave them: several in one file, unknown parts, other formats. What is not edited
// survives.
#include <QtTest>

#include <QProcess>

#include <taglib/apetag.h>
#include <taglib/flacfile.h>
#include <taglib/id3v2tag.h>
#include <taglib/infotag.h>
#include <taglib/mp4file.h>
#include <taglib/mpegfile.h>
#include <taglib/tpropertymap.h>
#include <taglib/unknownframe.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <taglib/xiphcomment.h>

#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {
std::string first(const Path& file, const char* key) {
    auto read = tags::readTags(file);
    return read ? tags::firstValue(read->fields, key) : "unreadable: " + read.error().message;
}
} // namespace

class TestOddTags : public QObject {
    Q_OBJECT
private slots:
    void apeBehindAnMp3IsKeptInStep() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        {
            TagLib::MPEG::File f(file.c_str());
            f.APETag(true)->setTitle("Ape title");
            f.APETag()->setArtist("Ape artist");
            f.save(TagLib::MPEG::File::APE, TagLib::File::StripNone);
        }
        QCOMPARE(first(file, "title"), std::string("Ape title"));
        test::tag(file, {{"title", {"New"}}});
        QCOMPARE(first(file, "title"), std::string("New"));
        QCOMPARE(first(file, "artist"), std::string("Ape artist"));
        TagLib::MPEG::File f(file.c_str());
        QCOMPARE(f.APETag()->title().to8Bit(true), std::string("New"));
        test::tag(file, {{"artist", {}}});
        QVERIFY(!tags::readTags(file)->fields.contains("artist"));
    }

    void infoOfAWav() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.wav");
        {
            TagLib::RIFF::WAV::File f(file.c_str());
            f.InfoTag()->setTitle("Info title");
            f.InfoTag()->setArtist("Info artist");
            f.save(TagLib::RIFF::WAV::File::Info);
        }
        QCOMPARE(first(file, "title"), std::string("Info title"));
        test::tag(file, {{"title", {"New"}}, {"isrc", {"ZZGRW9800011"}}});
        QCOMPARE(first(file, "title"), std::string("New"));
        QCOMPARE(first(file, "artist"), std::string("Info artist")); // which the new ID3v2 tag must not hide
        QCOMPARE(test::probeTags(file)["title"], std::string("New"));
        TagLib::RIFF::WAV::File f(file.c_str());
        QCOMPARE(f.InfoTag()->title().to8Bit(true), std::string("New"));
    }

    void id3InFrontOfAFlac() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        {
            TagLib::FLAC::File f(file.c_str());
            f.strip(TagLib::FLAC::File::XiphComment);
            f.save();
        }
        std::string frame = std::string("TIT2") + std::string("\0\0\0\x06\0\0\0", 7) + "Gorse";
        test::writeBytes(file, std::string("ID3\x03\0\0\0\0\0\x10", 10) + frame + test::readBytes(file));
        QCOMPARE(tags::readTags(file)->format, audio::Format::Flac);
        QCOMPARE(first(file, "title"), std::string("Gorse"));
        test::tag(file, {{"artist", {"Isla Varnholt"}}});
        QCOMPARE(first(file, "title"), std::string("Gorse"));
        QCOMPARE(first(file, "artist"), std::string("Isla Varnholt"));
    }

    void framesThatNobodyKnowsSurvive() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        {
            TagLib::MPEG::File f(file.c_str());
            std::string raw = std::string("XYZQ") + std::string("\0\0\0\x05\0\0", 6) + "12345";
            f.ID3v2Tag(true)->addFrame(new TagLib::ID3v2::UnknownFrame(
                TagLib::ByteVector(raw.data(), static_cast<unsigned int>(raw.size()))));
            f.ID3v2Tag()->setTitle("Old");
            f.save(TagLib::MPEG::File::ID3v2);
        }
        test::tag(file, {{"title", {"New"}}, {"producer", {"Wren-Low"}}});
        QVERIFY(test::readBytes(file).find("XYZQ") != std::string::npos);
    }

    void blocksThatNobodyKnowsSurvive() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        // An APPLICATION block after the stream information.
        std::string bytes = test::readBytes(file);
        std::string block = std::string("\x02\0\0\x08", 4) + "MFTSabcd";
        bytes.insert(4 + 4 + 34, block);
        test::writeBytes(file, bytes);
        QVERIFY_RESULT(tags::readTags(file));
        test::tag(file, {{"title", {"New"}}});
        QVERIFY(test::readBytes(file).find("MFTSabcd") != std::string::npos);
        QCOMPARE(first(file, "title"), std::string("New"));
    }

    void namesOfOthersAreUnderstood() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.ogg");
        {
            TagLib::Ogg::Vorbis::File f(file.c_str());
            f.tag()->addField("ALBUM ARTIST", "The Hollow Ferry");
            f.tag()->addField("TOTALTRACKS", "9");
            f.tag()->addField("TRACKNUMBER", "3");
            f.tag()->addField("ORGANIZATION", "Gannet Row");
            f.tag()->addField("UPC", "2000000190013");
            f.save();
        }
        QCOMPARE(first(file, "album_artist"), std::string("The Hollow Ferry"));
        QCOMPARE(first(file, "tracks"), std::string("9"));
        QCOMPARE(first(file, "label"), std::string("Gannet Row"));
        QCOMPARE(first(file, "barcode"), std::string("2000000190013"));
        // A new value replaces it under whatever name it was.
        test::tag(file, {{"label", {"Fellside Reissues"}}});
        QCOMPARE(tags::readTags(file)->fields["label"], std::vector<std::string>{"Fellside Reissues"});
    }

    void pairsInOneValue() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        {
            TagLib::FLAC::File f(file.c_str());
            f.xiphComment(true)->addField("TRACKNUMBER", "3/12");
            f.save();
        }
        QCOMPARE(first(file, "track"), std::string("3"));
        QCOMPARE(first(file, "tracks"), std::string("12"));
        test::tag(file, {{"track", {"4"}}});
        QCOMPARE(first(file, "track"), std::string("4"));
        QCOMPARE(first(file, "tracks"), std::string("12"));
    }

    void freeformItemsOfOthers() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.m4a");
        {
            TagLib::MP4::File f(file.c_str());
            f.tag()->setItem("----:org.example:Label", TagLib::MP4::Item(TagLib::StringList("Gannet Row")));
            f.tag()->setItem("----:com.apple.iTunes:MY FIELD", TagLib::MP4::Item(TagLib::StringList("kept")));
            f.save();
        }
        QCOMPARE(first(file, "label"), std::string("Gannet Row"));
        test::tag(file, {{"label", {"Fellside Reissues"}}});
        QCOMPARE(tags::readTags(file)->fields["label"], std::vector<std::string>{"Fellside Reissues"});
        QCOMPARE(first(file, "my field"), std::string("kept"));
    }

    void commentsKeepTheirLanguage() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        const std::string sound = test::readBytes(file);
        auto withFrames = [&](std::initializer_list<std::string> frames) {
            std::string body;
            for (const std::string& f : frames)
                body += f.substr(0, 4) + std::string("\0\0\0", 3) + static_cast<char>(f.size() - 4) +
                        std::string("\0\0", 2) + f.substr(4);
            test::writeBytes(file, std::string("ID3\x03\0\0\0\0", 8) + static_cast<char>(body.size() >> 7) +
                                       static_cast<char>(body.size() & 0x7F) + body + sound);
        };
        const std::string english("COMM\0eng\0words", 14), german("COMM\0deu\0Worte", 14),
            norm("COMM\0engiTunNORM\0 0003", 22), tape("COMM\0engTape notes\0reel 7", 25);
        withFrames({english, german, norm, tape});
        tags::Fields fields = tags::readTags(file)->fields;
        QCOMPARE(fields["comment"], std::vector<std::string>{"words"});
        QCOMPARE(fields["comment [deu]"], std::vector<std::string>{"Worte"});
        QCOMPARE(fields["comment:tape notes"], std::vector<std::string>{"reel 7"});
        QCOMPARE(fields.size(), size_t{3}); // what a program keeps for itself is no field
        test::tag(file, {{"comment [deu]", {"andere Worte"}}});
        std::string bytes = test::readBytes(file);
        QVERIFY(bytes.find(std::string("\0deu\0andere Worte", 17)) != std::string::npos);
        for (const std::string& kept : {english, norm, tape})
            QVERIFY(bytes.find(kept.substr(4)) != std::string::npos);
        // Where the first one goes the other takes its name; nothing is lost.
        test::tag(file, {{"comment", {}}});
        QCOMPARE(tags::readTags(file)->fields["comment"], std::vector<std::string>{"andere Worte"});
        const auto remarks = tags::readTags(file)->facts.remarks;
        QVERIFY(std::find(remarks.begin(), remarks.end(),
                          std::pair<std::string, std::string>("Language of the comment", "deu")) !=
                remarks.end());
        // One that was German stays German.
        withFrames({german});
        test::tag(file, {{"comment", {"neu"}}});
        QVERIFY(test::readBytes(file).find(std::string("\0deu\0neu", 8)) != std::string::npos);
    }

    void theOldTagIsChangedOnlyWhereItCarriesTheField() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        std::string old = "TAGTitle";
        old.resize(128, '\0');
        old.replace(93, 4, "1998");
        old[126] = 7;
        old[127] = 80;
        test::writeBytes(file, test::readBytes(file) + old);
        auto tail = [&] {
            const std::string bytes = test::readBytes(file);
            return bytes.substr(bytes.size() - 128);
        };
        test::tag(file, {{"tracks", {"12"}}});
        QCOMPARE(tail(), old);
        QCOMPARE(first(file, "track"), std::string("7"));
        test::tag(file, {{"date", {"2003-05-17"}}});
        old.replace(93, 4, "2003");
        QCOMPARE(tail(), old);
        test::tag(file, {{"title", {"Северный ветер"}}}); // as far as it can hold it
        QVERIFY(tags::readTags(file)->differences.empty());
        QCOMPARE(tail().substr(93), old.substr(93));
    }

    void namesThatAreNoStandardNamesCanBeEdited() {
        test::Sandbox box;
        for (const char* ending : {".mp3", ".flac"}) {
            Path file = test::makeSound(box.root(), std::string("a") + ending);
            TagLib::PropertyMap map;
            map.insert("ENCODED_BY", TagLib::StringList("x"));
            map.insert("CATALOGUE_NUMBER", TagLib::StringList("GR 98"));
            map.insert("CARRIER", TagLib::StringList("Cassette"));
            if (std::string(ending) == ".flac") {
                TagLib::FLAC::File f(file.c_str());
                f.xiphComment(true)->setProperties(map);
                f.save();
            } else {
                TagLib::MPEG::File f(file.c_str());
                map.insert(TagLib::String("KÜNSTLER", TagLib::String::UTF8), TagLib::StringList("a"));
                f.ID3v2Tag(true)->setProperties(map);
                f.save(TagLib::MPEG::File::ID3v2);
                QCOMPARE(first(file, "künstler"), std::string("a"));
                test::tag(file, {{"künstler", {"b"}}});
                QCOMPARE(first(file, "künstler"), std::string("b"));
            }
            for (const char* key : {"encoded_by", "catalogue_number", "carrier"}) {
                QVERIFY(!first(file, key).empty());
                test::tag(file, {{key, {"new"}}});
                QCOMPARE(tags::readTags(file)->fields[key], std::vector<std::string>{"new"});
            }
        }
    }

    void lengthsThatTheHeadDoesNotTell() {
        test::Sandbox box;
        Path wav = test::makeSound(box.root(), "a.wav");
        auto run = [&](const QString& command) {
            QProcess shell;
            shell.setWorkingDirectory(QString::fromStdString(box.root().native()));
            shell.start("sh", {"-c", command});
            return shell.waitForFinished(30000) && shell.exitCode() == 0;
        };
        QVERIFY(run("sox a.wav -t raw - | flac -s -f --force-raw-format --endian=little --sign=signed "
                    "--channels=2 --bps=16 "
                    "--sample-rate=44100 - -c > piped.flac"));
        QVERIFY(run("flac -s -f --ogg a.wav -o in-ogg.oga"));
        for (const char* name : {"piped.flac", "in-ogg.oga"}) {
            auto read = tags::readTags(box / name);
            QVERIFY_RESULT(read);
            QVERIFY2(std::abs(read->facts.duration - 1.5) < 0.05,
                     (name + std::to_string(read->facts.duration)).c_str());
            QVERIFY(read->facts.sampleRate == 44100 && read->facts.bitDepth == 16);
            test::tag(box / name, {{"track", {"3"}}, {"tracks", {"12"}}});
            QCOMPARE(first(box / name, "track"), std::string("3"));
            QVERIFY(test::readBytes(box / name).find("3/12") == std::string::npos);
        }
        // Several artists in one text of INFO say the same as two of ID3v2.
        test::tag(wav, {{"artist", {"Kestrel & Rook", "Wren-Low"}}});
        QCOMPARE(tags::readTags(wav)->tags.size(), size_t{2});
        QVERIFY(tags::readTags(wav)->differences.empty());
    }

    void peopleByRole() {
        test::Sandbox box;
        for (const char* ending : {".mp3", ".flac", ".m4a", ".aiff"}) {
            Path file = test::makeSound(box.root(), std::string("a") + ending);
            tags::Fields people = {
                {"performer", {"Isla Varnholt (voice)", "Odran Fell (double bass)", "Wren-Low"}},
                {"producer", {"Wren-Low", "Åse-Linn Brække, jr."}},
                {"engineer", {"Odran Fell"}}};
            test::tag(file, people);
            tags::Fields read = tags::readTags(file)->fields;
            std::sort(people["performer"].begin(), people["performer"].end());
            std::sort(read["performer"].begin(), read["performer"].end());
            for (const auto& [key, values] : people)
                QVERIFY2(read[key] == values,
                         (std::string(ending) + " " + key + ": " + tags::shownValue(read, key)).c_str());
            test::tag(file, {{"performer", {"Wren-Low"}}});
            QCOMPARE(tags::readTags(file)->fields["performer"], std::vector<std::string>{"Wren-Low"});
            QCOMPARE(tags::readTags(file)->fields["engineer"], std::vector<std::string>{"Odran Fell"});
        }
    }

    void otherFormats_data() {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<QString>("format");
        QTest::newRow("WavPack") << ".wv"
                                 << "WavPack";
        QTest::newRow("TrueAudio") << ".tta"
                                   << "TrueAudio";
        QTest::newRow("Speex in Ogg") << ".spx"
                                      << "Speex";
    }
    void otherFormats() {
        QFETCH(QString, ending);
        QFETCH(QString, format);
        test::Sandbox box;
        Path wav = test::makeSound(box.root(), "a.wav");
        Path file = box / ("a" + ending.toStdString());
        QProcess ffmpeg;
        ffmpeg.start("ffmpeg", {"-v", "quiet", "-i", QString::fromStdString(wav.native()), "-ar", "32000",
                                QString::fromStdString(file.native())});
        QVERIFY(ffmpeg.waitForFinished(30000) && ffmpeg.exitCode() == 0);
        auto read = tags::readTags(file);
        QVERIFY_RESULT(read);
        QCOMPARE(QString::fromStdString(audio::formatName(read->format)), format);
        QVERIFY(std::abs(read->facts.duration - 1.5) < 0.15);
        std::string before = test::readBytes(file);
        test::tag(file, {{"title", {"Gorse"}},
                         {"artist", {"A", "B"}},
                         {"track", {"3"}},
                         {"tracks", {"9"}},
                         {"isrc", {"ZZGRW9800011"}}});
        tags::Fields fields = tags::readTags(file)->fields;
        QCOMPARE(fields["title"].front(), std::string("Gorse"));
        QCOMPARE(fields["artist"], (std::vector<std::string>{"A", "B"}));
        QCOMPARE(fields["tracks"].front(), std::string("9"));
        QCOMPARE(fields["isrc"].front(), std::string("ZZGRW9800011"));
    }

    void wmaIsWritten() {
        test::Sandbox box;
        Path wav = test::makeSound(box.root(), "a.wav"), file = box / "a.wma";
        QProcess ffmpeg;
        ffmpeg.start("ffmpeg", {"-v", "quiet", "-i", QString::fromStdString(wav.native()), "-metadata",
                                "title=Gorse", QString::fromStdString(file.native())});
        QVERIFY(ffmpeg.waitForFinished(30000) && ffmpeg.exitCode() == 0);
        QCOMPARE(first(file, "title"), std::string("Gorse"));
        std::string sound = test::decodedSound(file);
        test::tag(
            file,
            {{"title", {"New"}}, {"artist", {"A", "B"}}, {"label", {"Gannet Row"}}, {"archive box", {"12"}}});
        QCOMPARE(first(file, "title"), std::string("New"));
        QCOMPARE(tags::readTags(file)->fields["artist"], (std::vector<std::string>{"A", "B"}));
        QCOMPARE(test::decodedSound(file), sound);
        QCOMPARE(test::secondReader(file)["label"], std::vector<std::string>{"Gannet Row"});
    }

    void anIndexThatLiesAboutItsLengthIsNotFollowed() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.m4a");
        std::string bytes = test::readBytes(file);
        size_t table = bytes.find("stco");
        QVERIFY(table != std::string::npos);
        bytes.replace(table + 8, 4, "\xFF\xFF\xFF\xFF");
        test::writeBytes(file, bytes);
        auto edit = tags::prepareEdit(file, {{"title", {std::string(3000, 't')}}});
        QVERIFY(!edit);
        QVERIFY(edit.error().message.find("index") != std::string::npos);
    }

    // Bytes changed at random: an answer every time, and what is damaged is never written to without being
    // read back.
    void mutatedFiles() {
        test::Sandbox box;
        uint32_t state = 77;
        auto next = [&](size_t n) {
            state = state * 1664525u + 1013904223u;
            return static_cast<size_t>(state >> 8) % n;
        };
        for (const std::string& ending : test::endings()) {
            Path file = test::makeSound(box.root(), "m" + ending);
            test::tag(
                file,
                {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}, {"comment", {std::string(200, 'c')}}});
            std::string whole = test::readBytes(file);
            for (int round = 0; round < 60; ++round) {
                std::string bytes = whole;
                for (size_t k = 0; k < 1 + next(8); ++k)
                    bytes[next(std::min<size_t>(bytes.size(), 3000))] = static_cast<char>(next(256));
                if (next(4) == 0)
                    bytes.resize(next(bytes.size()));
                test::writeBytes(file, bytes);
                auto edit = tags::prepareEdit(file, {{"title", {"New"}}});
                QVERIFY(test::readBytes(file) == bytes);
                if (edit) {
                    QCOMPARE(edit->after["title"].front(), std::string("New"));
                    std::string result = edit->bytes();
                    test::writeBytes(file, result);
                    QCOMPARE(first(file, "title"), std::string("New"));
                } else {
                    QVERIFY(!edit.error().message.empty());
                }
            }
        }
    }
};

QTEST_GUILESS_MAIN(TestOddTags)
#include "test_odd_tags.moc"
