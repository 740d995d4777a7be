// SPDX-License-Identifier: GPL-3.0-or-later
// How changes reach the file: in place wherever there is room, with padding left for the next time; and what
// each format had before stays as it was.
#include <QtTest>

#include <taglib/apetag.h>
#include <taglib/flacfile.h>
#include <taglib/flacpicture.h>
#include <taglib/id3v2header.h>
#include <taglib/id3v2tag.h>
#include <taglib/infotag.h>
#include <taglib/mpegfile.h>
#include <taglib/tpropertymap.h>
#include <taglib/wavfile.h>
#include <taglib/xiphcomment.h>

#include "core/audio/essence.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {
/// The class of an edit; the file is changed by it.
CommitClass edit(const Path& file, const tags::Fields& changes) {
    auto prepared = tags::prepareEdit(file, changes);
    if (!prepared)
        qFatal("%s", prepared.error().message.c_str());
    CommitClass how = prepared->how;
    test::writeBytes(file, prepared->bytes());
    return how;
}
} // namespace

class TestCommitClass : public QObject {
    Q_OBJECT
private slots:
    void classes_data() {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<int>("first"); // of a file without tags
        QTest::addColumn<int>("later"); // of small edits after that
        QTest::addColumn<int>("large"); // of one that does not fit
        auto row = [](const char* ending, CommitClass first, CommitClass later, CommitClass large) {
            QTest::newRow(ending) << ending << static_cast<int>(first) << static_cast<int>(later)
                                  << static_cast<int>(large);
        };
        using enum CommitClass;
        row(".mp3", Rewrite, InPlace, Rewrite);
        row(".flac", InPlace, InPlace, Rewrite);
        row(".ogg", Rewrite, InPlace, Rewrite);
        row(".opus", Rewrite, InPlace, Rewrite);
        row(".m4a", Tail, InPlace, Tail);
        row(".wav", Tail, Tail, Tail);
        row(".aiff", Tail, InPlace, Tail);
        row(".wv", Tail, Tail, Tail);
    }
    void classes() {
        QFETCH(QString, ending);
        QFETCH(int, first);
        QFETCH(int, later);
        QFETCH(int, large);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        std::string sound = test::decodedSound(file);
        QVERIFY(!sound.empty());
        QCOMPARE(static_cast<int>(edit(file, {{"title", {"Night Post"}}})), first);
        for (size_t length : {4u, 34u, 64u, 124u, 154u, 9u}) {
            CommitClass how =
                edit(file, {{"title", {std::string(length, 't')}}, {"artist", {"The Hollow Ferry"}}});
            QCOMPARE(static_cast<int>(how), later);
            QCOMPARE(test::secondReader(file)["title"].front(), std::string(length, 't'));
            QCOMPARE(test::probeTags(file)["title"], std::string(length, 't'));
        }
        QCOMPARE(static_cast<int>(edit(file, {{"comment", {std::string(9000, 'c')}}})), large);
        QCOMPARE(static_cast<int>(edit(file, {{"title", {"x"}}})), later);
        QCOMPARE(static_cast<int>(edit(file, {{"title", {"x"}}})), static_cast<int>(CommitClass::Nothing));
        QCOMPARE(test::decodedSound(file), sound);
    }

    void valuesInTheSecondReader_data() {
        QTest::addColumn<QString>("ending");
        for (const char* e : {".mp3", ".flac", ".ogg", ".opus", ".m4a", ".wav", ".aiff", ".wv"})
            QTest::newRow(e) << e;
    }
    void valuesInTheSecondReader() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        tags::Fields fields = {{"title", {"Vinterhavn \u2013 \u706F\u53F0"}},
                               {"artist", {"Isla Varnholt", "\u00C5se-Linn Br\u00E6kke"}},
                               {"album", {"Night Post"}},
                               {"album_artist", {"The Hollow Ferry"}},
                               {"date", {"1998-10-05"}},
                               {"genre", {"Folk", "Field recording"}},
                               {"composer", {"Tomas Lindqvist"}},
                               {"isrc", {"ZZGRW9800011"}}};
        edit(file, fields);
        tags::Fields second = test::secondReader(file);
        for (const auto& [key, values] : fields)
            QVERIFY2(second[key] == values,
                     (key + ": " + (second[key].empty() ? "missing" : second[key].front())).c_str());
    }

    // What an edit did besides is seen in every format, even if it is one byte: each byte in front of and
    // behind the sound is changed in turn, and nothing of it passes as an edit of the title.
    void whatAnEditDidBesidesIsSeen_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"pictured.flac", "id3v24.mp3", "aac.m4a", "wavpack.wv", "sox.aiff"})
            QTest::newRow(name) << name;
    }
    void whatAnEditDidBesidesIsSeen() {
        QFETCH(QString, name);
        test::Sandbox box;
        Path file = box / name.toStdString();
        if (name == "pictured.flac") {
            std::filesystem::rename(test::makeSound(box.root(), "a.flac"), file);
            test::tag(file, {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
            TagLib::FLAC::File flac(file.c_str());
            auto* picture = new TagLib::FLAC::Picture;
            picture->setType(TagLib::FLAC::Picture::FrontCover);
            picture->setMimeType("image/jpeg");
            std::string data;
            for (int i = 0; i < 3000; ++i)
                data += static_cast<char>(i * 7 % 251);
            picture->setData({data.data(), static_cast<unsigned int>(data.size())});
            flac.addPicture(picture);
            flac.save();
        } else {
            std::filesystem::rename(test::makeSound(box.root(), "a" + file.extension().native()), file);
            test::tag(file, {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}, {"comment", {"Reel 4"}}});
        }
        const std::string whole = test::readBytes(file);
        auto source = std::move(*FileSource::open(file));
        const audio::Format format = audio::detectFormat(*source);
        auto made = tags::prepareEdit(file, {{"title", {"Kelps"}}});
        QVERIFY_RESULT(made);
        const std::string good = made->bytes();
        const tags::Fields changes = {{"title", {"Kelps"}}};
        auto harm = [&](const std::string& bytes, const tags::Fields& asked) {
            test::writeBytes(box / "made", bytes);
            return tags::harmOf(*source, **FileSource::open(box / "made"), format, asked);
        };
        QVERIFY(harm(good, changes).empty());
        // Bytes of the values and of the picture.
        std::vector<size_t> places;
        for (const char* value : {"Isla Varnholt", "Reel 4"})
            if (size_t at = good.find(value); at != std::string::npos)
                places.insert(places.end(), {at, at + 3});
        if (name == "pictured.flac")
            for (size_t at = good.find("image/jpeg"); places.size() < 20; at += 97)
                places.push_back(at + 60);
        QVERIFY(places.size() >= 2);
        for (size_t at : places) {
            std::string harmed = good;
            harmed[at] = static_cast<char>(harmed[at] ^ 1);
            QVERIFY2(!harm(harmed, changes).empty(), std::to_string(at).c_str());
        }
        // The title otherwise than asked.
        QVERIFY(!harm(good, {{"title", {"Kelp"}}}).empty());
        if (name == "pictured.flac") {
            std::string harmed = good;
            const size_t at = good.find("image/jpeg") + 300;
            harmed[at] = static_cast<char>(harmed[at] ^ 1);
            const auto told = harm(harmed, changes);
            QVERIFY(std::find(told.begin(), told.end(), "the pictures") != told.end());
        }
    }

    // The sound is compared by its bytes, whoever made the edit.
    void anEditOfTheSoundIsRefused() {
        for (const std::string& ending : test::endings()) {
            test::Sandbox box;
            Path file = test::makeSound(box.root(), "a" + ending);
            auto edit = tags::makeEdit(file, {{"title", {"Gorse"}}});
            QVERIFY_RESULT(edit);
            tags::PreparedEdit honest = *edit;
            QVERIFY(tags::confirm(honest));
            // One byte in the middle of the file is otherwise.
            tags::PreparedEdit other = *edit;
            Recipe recipe;
            recipe.fresh = other.recipe.fresh;
            const uint64_t middle = edit->original->size() / 2;
            for (const Extent& e : other.recipe.extents) {
                if (e.fresh || middle < e.offset || middle >= e.offset + e.length) {
                    recipe.extents.push_back(e);
                    continue;
                }
                recipe.extents.push_back({false, e.offset, middle - e.offset});
                recipe.extents.push_back({true, recipe.fresh.size(), 1});
                recipe.fresh += static_cast<char>(edit->original->bytes(middle, 1)[0] ^ 1);
                recipe.extents.push_back({false, middle + 1, e.offset + e.length - middle - 1});
            }
            QVERIFY(recipe.extents.size() > other.recipe.extents.size());
            std::erase_if(recipe.extents, [](const Extent& e) { return e.length == 0; });
            other.recipe = recipe;
            QVERIFY2(!tags::confirm(other), ending.c_str());
        }
    }

    // What there is of padding is used to the last byte before anything is moved.
    void paddingIsUsedToTheLastByte_data() {
        QTest::addColumn<QString>("ending");
        QTest::addColumn<int>("least"); // bytes that padding needs to be padding
        QTest::newRow("FLAC") << ".flac" << 4;
        QTest::newRow("MP3") << ".mp3" << 1;
        QTest::newRow("M4A") << ".m4a" << 8;
    }
    void paddingIsUsedToTheLastByte() {
        QFETCH(QString, ending);
        QFETCH(int, least);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        edit(file, {{"comment", {"x"}}});
        edit(file, {{"comment", {"xy"}}}); // with room by now
        const std::string start = test::readBytes(file);
        auto howFor = [&](size_t length) {
            test::writeBytes(file, start);
            auto prepared = tags::prepareEdit(file, {{"comment", {std::string(length, 'c')}}});
            return prepared ? prepared->how : CommitClass::Nothing;
        };
        // The longest that fits in place, by halving.
        size_t fits = 2, not_ = 200000;
        QCOMPARE(howFor(fits + 1), CommitClass::InPlace);
        QVERIFY(howFor(not_) != CommitClass::InPlace);
        while (not_ - fits > 1) {
            const size_t middle = (fits + not_) / 2;
            (howFor(middle) == CommitClass::InPlace ? fits : not_) = middle;
        }
        // It is the end: nothing of padding is left in the file that is made.
        howFor(fits);
        auto prepared = tags::prepareEdit(file, {{"comment", {std::string(fits, 'c')}}});
        const std::string made = prepared->bytes();
        QCOMPARE(made.size(), start.size());
        const size_t end = made.rfind(std::string(fits, 'c')) + fits;
        if (ending == ".mp3") // frames of sound follow at once
            QVERIFY2(made[end] == '\xFF', std::to_string(int(made[end])).c_str());
        else if (ending == ".flac") // the last block, and the sound at once
            QVERIFY2(made[end] == '\xFF' && (static_cast<uint8_t>(made[end + 1]) & 0xFC) == 0xF8,
                     std::to_string(int(made[end + 1])).c_str());
        // Between "just fits" and "leaves room for padding" there are lengths that leave too little for a
        // padding of its own: these must not be written in place and leave bytes that mean nothing.
        for (int shorter = 1; shorter <= least; ++shorter) {
            const CommitClass how = howFor(fits - static_cast<size_t>(shorter));
            if (how != CommitClass::InPlace)
                continue;
            auto again = tags::prepareEdit(
                file, {{"comment", {std::string(fits - static_cast<size_t>(shorter), 'c')}}});
            test::writeBytes(box / ("b" + ending.toStdString()), again->bytes());
            QVERIFY(!test::decodedSound(box / ("b" + ending.toStdString())).empty());
        }
    }

    void id3InFrontOfFlacIsKept() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        {
            // Version 2.3, as an old program would have put it there.
            TagLib::ID3v2::Tag tag;
            tag.setTitle("Cold Slip");
            tag.setAlbum("Night Post");
            TagLib::ByteVector front = tag.render(TagLib::ID3v2::v3);
            test::writeBytes(file, std::string(front.data(), front.size()) + test::readBytes(file));
        }
        auto before = audio::essenceOf(**FileSource::open(file), audio::Format::Flac);
        auto prepared = tags::prepareEdit(file, {{"title", {"Gorse"}}});
        QVERIFY_RESULT(prepared);
        QCOMPARE(prepared->how, CommitClass::InPlace);
        QVERIFY(prepared->notes.front().find("in step") != std::string::npos);
        test::writeBytes(file, prepared->bytes());
        TagLib::FLAC::File flac(file.c_str());
        QVERIFY(flac.hasID3v2Tag());
        QCOMPARE(flac.ID3v2Tag()->header()->majorVersion(), 3u);
        QCOMPARE(flac.ID3v2Tag()->title().to8Bit(true), std::string("Gorse"));
        QCOMPARE(flac.xiphComment()->title().to8Bit(true), std::string("Gorse"));
        QCOMPARE(flac.xiphComment()->album().to8Bit(true), std::string("Night Post"));
        QVERIFY(audio::essenceOf(**FileSource::open(file), audio::Format::Flac)->hash == before->hash);
    }

    void theVersionOfId3Stays() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        for (auto version : {TagLib::ID3v2::v3, TagLib::ID3v2::v4}) {
            {
                TagLib::MPEG::File mpeg(file.c_str());
                mpeg.ID3v2Tag(true)->setTitle("Cold Slip");
                mpeg.save(TagLib::MPEG::File::ID3v2, TagLib::File::StripOthers, version);
            }
            edit(file, {{"title", {"Gorse"}}, {"artist", {"The Hollow Ferry"}}});
            TagLib::MPEG::File mpeg(file.c_str());
            QCOMPARE(mpeg.ID3v2Tag()->header()->majorVersion(), static_cast<unsigned>(version));
            QVERIFY(!mpeg.hasID3v1Tag() && !mpeg.hasAPETag());
        }
    }

    void anId3v1TagInTheWrongPlace() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.mp3");
        {
            TagLib::MPEG::File mpeg(file.c_str());
            TagLib::PropertyMap map;
            map["ARTIST"] = TagLib::StringList("The Hollow Ferry");
            mpeg.APETag(true)->setProperties(map);
            mpeg.save(TagLib::MPEG::File::APE, TagLib::File::StripNone, TagLib::ID3v2::v4,
                      TagLib::File::DoNotDuplicate);
        }
        std::string bytes = test::readBytes(file);
        size_t ape = bytes.rfind("APETAGEX", bytes.rfind("APETAGEX") - 1);
        std::string old = "TAGCold Slip";
        old.resize(128, '\0');
        old[126] = 7; // a track number
        old[127] = 80;
        bytes.insert(ape, old);
        test::writeBytes(file, bytes);
        auto before = audio::essenceOf(**FileSource::open(file), audio::Format::Mp3);
        auto prepared = tags::prepareEdit(file, {{"album", {"Night Post"}}});
        QVERIFY_RESULT(prepared);
        test::writeBytes(file, prepared->bytes());
        // It stays where it is, with what it held, and is brought in step as any other.
        old.replace(63, 10, "Night Post");
        QCOMPARE(test::readBytes(file).find(old), test::readBytes(file).rfind("TAGCold"));
        QVERIFY(test::readBytes(file).find(old) != std::string::npos);
        auto read = tags::readTags(file);
        QCOMPARE(read->fields["title"].front(), std::string("Cold Slip")); // what only it held is kept
        QCOMPARE(read->fields["track"].front(), std::string("7"));
        QCOMPARE(read->fields["genre"].front(), std::string("Folk"));
        QCOMPARE(read->fields["artist"].front(), std::string("The Hollow Ferry"));
        QCOMPARE(audio::essenceOf(**FileSource::open(file), audio::Format::Mp3)->hash, before->hash);
    }

    void infoInFrontOfTheAudioDoesNotMoveIt() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.wav");
        std::string bytes = test::readBytes(file);
        std::string info = std::string("LIST\x1A\0\0\0INFOINAM\x0E\0\0\0Harbour wind\0\0", 34);
        size_t data = bytes.find("data");
        // Whatever is between "fmt " and the audio makes room for it.
        bytes.insert(data, info);
        auto size = static_cast<uint32_t>(bytes.size() - 8);
        for (size_t i = 0; i < 4; ++i)
            bytes[4 + i] = static_cast<char>(size >> (8 * i));
        test::writeBytes(file, bytes);
        QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Harbour wind"));
        std::string sound = test::decodedSound(file);
        auto prepared = tags::prepareEdit(file, {{"title", {"Gorse"}}});
        QVERIFY_RESULT(prepared);
        QCOMPARE(prepared->how, CommitClass::Tail);
        test::writeBytes(file, prepared->bytes());
        QCOMPARE(test::readBytes(file).find("data"), data + info.size());
        QCOMPARE(test::decodedSound(file), sound);
        QCOMPARE(test::probeTags(file)["title"], std::string("Gorse"));
        QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Gorse"));
    }

    // A file that was cut anywhere in its sound is told apart from a whole one, and never written to.
    void cutShortIsNeverWritten_data() { // WavPack says nothing of the length of what follows
        QTest::addColumn<QString>("ending");
        for (const std::string& e : test::endings())
            QTest::newRow(e.c_str()) << QString::fromStdString(e);
    }
    void cutShortIsNeverWritten() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        std::string whole = test::readBytes(file);
        // Not an MP3 by less than its encoder's own doubt.
        std::vector<double> parts = {0.5, 0.8};
        if (ending != ".mp3")
            parts.insert(parts.end(), {0.97, 0.999});
        for (double part : parts) {
            auto size = static_cast<size_t>(static_cast<double>(whole.size()) * part);
            if (ending == ".m4a" && part > 0.9)
                continue; // the index is at the end
            test::writeBytes(file, whole.substr(0, size));
            std::string cut = test::readBytes(file);
            auto prepared = tags::prepareEdit(file, {{"title", {"Gorse"}}});
            QVERIFY2(!prepared, qPrintable(ending + " " + QString::number(part)));
            QVERIFY2(prepared.error().message.find("cut short") != std::string::npos,
                     prepared.error().message.c_str());
            if (ending == ".flac") { // what is there can still be read
                QVERIFY_RESULT(tags::readTags(file));
                QVERIFY(part > 0.9 || tags::readTags(file)->damaged);
            }
        }
        test::writeBytes(file, whole);
        QVERIFY_RESULT(tags::prepareEdit(file, {{"title", {"Gorse"}}}));
    }

    // An old transfer that breaks off still needs its name: by choice, where what is there of the sound
    // stays.
    void cutShortIsWrittenByChoice() {
        test::Sandbox box;
        for (const std::string& ending : test::endings()) {
            Path file = test::makeSound(box.root(), "a" + ending);
            test::tag(file, {{"title", {"Old"}}, {"comment", {std::string(200, 'c')}}});
            const std::string whole = test::readBytes(file);
            const std::string cut = whole.substr(0, whole.size() * 7 / 10);
            test::writeBytes(file, cut);
            auto refused = tags::prepareEdit(file, {{"title", {"Gorse"}}});
            QVERIFY(!refused && (refused.error().kind == ErrorKind::CutShort || ending == ".m4a"));
            auto written = tags::prepareEdit(file, {{"title", {"Gorse"}}}, tags::Damage::Allow);
            const bool tagsInFront =
                ending == ".mp3" || ending == ".flac" || ending == ".ogg" || ending == ".opus";
            QVERIFY2(static_cast<bool>(written) == tagsInFront,
                     (ending + (written ? "" : written.error().message)).c_str());
            if (!written) {
                QVERIFY2(!written.error().message.empty(), ending.c_str());
                continue;
            }
            QVERIFY(written->notes.front().find("although the file is damaged") != std::string::npos);
            const std::string bytes = written->bytes();
            QVERIFY(bytes.size() >= cut.size() && bytes.ends_with(cut.substr(cut.size() - cut.size() / 3)));
            test::writeBytes(file, bytes);
            QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Gorse"));
            QVERIFY(tags::readTags(file)->damaged);
        }
    }

    void lettersInATempoAreRefused() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.m4a");
        auto prepared = tags::prepareEdit(file, {{"tempo", {"fast"}}});
        QVERIFY(!prepared);
        QVERIFY(!prepared.error().message.empty());
    }

    // The proof that the sound is the same must see when it is not.
    void anotherSoundIsSeen_data() { valuesInTheSecondReader_data(); }
    void anotherSoundIsSeen() {
        QFETCH(QString, ending);
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a" + ending.toStdString());
        edit(file, {{"title", {"Night Post"}}});
        auto prepared = tags::prepareEdit(file, {{"title", {"Gorse"}}});
        QVERIFY_RESULT(prepared);
        const ByteSource& old = *prepared->original;
        QVERIFY_RESULT(audio::sameEssence(old, prepared->recipe, prepared->format));
        // One byte of audio is another: in the middle, which is sound in every format here.
        Recipe bad = prepared->recipe;
        uint64_t middle = old.size() / 2, at = 0;
        for (size_t i = 0; i < bad.extents.size(); ++i) {
            Extent e = bad.extents[i];
            if (!e.fresh && at <= middle && middle + 1 < at + e.length) {
                uint64_t head = middle - at;
                std::string byte = old.bytes(e.offset + head, 1);
                byte[0] = static_cast<char>(byte[0] ^ 1);
                Extent rest{false, e.offset + head + 1, e.length - head - 1};
                bad.extents[i].length = head;
                bad.extents.insert(bad.extents.begin() + static_cast<std::ptrdiff_t>(i) + 1,
                                   {Extent{true, bad.fresh.size(), 1}, rest});
                bad.fresh += byte;
                break;
            }
            at += e.length;
        }
        QVERIFY(!(bad == prepared->recipe));
        QVERIFY(!audio::sameEssence(old, bad, prepared->format));
    }
};

QTEST_GUILESS_MAIN(TestCommitClass)
#include "test_commit_class.moc"
