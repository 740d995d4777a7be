// SPDX-License-Identifier: GPL-3.0-or-later
// Adding, replacing and removing pictures in every format that holds them, read back by another library.
#include <QtTest>

#include <QJsonArray>

#include "core/audio/essence.h"
#include "core/library/picture_store.h"
#include "core/tags/kept_pictures.h"
#include "core/tags/picture.h"
#include "core/tags/tag_io.h"
#include "demo/pictures.h"
#include "support/needs_root.h"
#include "support/sample_files.h"
#include "support/shared_data.h"
#include "support/small_disk.h"

using namespace moorfrost;
using tags::pictureKey;
using tags::pictureText;

namespace {

bool isMp4(const std::string& name) {
    return name.ends_with(".m4a");
}
bool isApe(const std::string& name) {
    return name.ends_with(".wv") || name.ends_with(".ape") || name.ends_with(".mpc");
}

/// Whether another library sees a picture of this type number and as many bytes.
bool secondSees(const Path& file, const std::pair<int, uint64_t>& wanted) {
    for (const QJsonValue& p : test::secondReader(std::vector<Path>{file}).front()["pictures"].toArray())
        if (p[0].toInt() == wanted.first && static_cast<uint64_t>(p[3].toInteger()) == wanted.second)
            return true;
    return false;
}

} // namespace

class TestPictureEdits : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { corpus_ = test::sharedCorpus(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::make_unique<library::PictureStore>(*box_ / "library.db.pictures");
    }

    void everyFormat_data() {
        QTest::addColumn<QByteArray>("name");
        for (const auto& entry : std::filesystem::directory_iterator(corpus_ / "good")) {
            const std::string name = entry.path().filename();
            auto read = tags::readTags(entry.path());
            if (read && read->writable())
                QTest::newRow(name.c_str()) << QByteArray::fromStdString(name);
        }
    }
    void everyFormat() {
        QFETCH(QByteArray, name);
        const std::string n = name.toStdString();
        const Path file = *box_ / n;
        std::filesystem::copy_file(corpus_ / "good" / n, file);
        const std::string original = test::readBytes(file);
        const auto first = *tags::readTags(file);
        const auto front = *store_->add(demo::drawCover(1, 300), "front cover", "the sleeve");
        const auto back = *store_->add(demo::drawCover(2, 200, true), "back cover", "");
        const auto other = *store_->add(demo::drawCover(3, 900), "front cover", "");

        // Added.
        tags::Fields changes = {{pictureKey("front cover"), {pictureText(front)}}};
        if (!isMp4(n))
            changes[pictureKey("back cover")] = {pictureText(back)};
        write(file, changes);
        auto held = *tags::readPictures(file);
        QCOMPARE(ofType(held, "front cover").size(), size_t{1});
        QVERIFY(ofType(held, "front cover")[0].data == demo::drawCover(1, 300));
        if (!isMp4(n) && !isApe(n))
            QCOMPARE(ofType(held, "front cover")[0].info.description, std::string("the sleeve"));
        QVERIFY(tags::readTags(file)->fields == first.fields);
        if (!isMp4(n)) {
            QVERIFY(ofType(held, "back cover")[0].data == demo::drawCover(2, 200, true));
            QVERIFY(secondSees(file, std::pair(4, back.bytes)));
        }
        QVERIFY(secondSees(file, std::pair(3, front.bytes)));

        // The same again is nothing, and a title beside it leaves it as it stands.
        const auto same = tags::prepareEdit(file, heldAs(file), tags::Damage::Refuse, store_->folder());
        QVERIFY(same && same->how == CommitClass::Nothing);
        write(file, {{"title", {"Tide Table"}}});
        QVERIFY(ofType(*tags::readPictures(file), "front cover")[0].data == demo::drawCover(1, 300));

        // Replaced by a larger one, beside a field; the other type goes.
        changes = {{pictureKey("front cover"), {pictureText(other)}}, {"title", {"Slack Water"}}};
        if (!isMp4(n))
            changes[pictureKey("back cover")] = {};
        write(file, changes);
        held = *tags::readPictures(file);
        QCOMPARE(held.size(),
                 first.pictures.size() - countOf(first.pictures, {"front cover", "back cover"}) + 1);
        QVERIFY(ofType(held, "front cover")[0].data == demo::drawCover(3, 900));
        QVERIFY(secondSees(file, std::pair(3, other.bytes)));
        QCOMPARE(tags::firstValue(tags::readTags(file)->fields, "title"), std::string("Slack Water"));

        // Another type, without the store: what the file holds is enough.
        if (!isMp4(n)) {
            const auto now = ofType(held, "front cover")[0].info;
            auto moved = now;
            moved.type = "medium";
            const tags::Fields asked = {{pictureKey("front cover"), {}},
                                        {pictureKey("medium"), {pictureText(moved)}}};
            write(file, asked);
            QVERIFY(ofType(*tags::readPictures(file), "medium")[0].data == demo::drawCover(3, 900));
            write(file, {{pictureKey("medium"), {}}});
        } else {
            write(file, {{pictureKey("front cover"), {}}});
        }
        QCOMPARE(countOf(tags::readTags(file)->pictures, {"front cover", "back cover", "medium"}), size_t{0});
    }

    void anOldTagThatHasToBecomeANewerOne() {
        // Version 2.2 with a date in two frames, which become one, in front of the pictures.
        auto frame = [](const std::string& id, const std::string& content) {
            const auto n = content.size();
            return id + static_cast<char>(n >> 16) + static_cast<char>(n >> 8) + static_cast<char>(n) +
                   content;
        };
        const std::string zero(1, '\0'), jpeg = demo::drawCover(1, 100);
        const std::string body = frame("TYE", zero + "1998") + frame("TDA", zero + "0510") +
                                 frame("PIC", zero + "JPG" + "\x08" + zero + jpeg) +
                                 frame("TT2", zero + "Gorse");
        auto digit = [&](int shift) { return static_cast<char>(body.size() >> shift & 0x7F); };
        const std::string sound = test::readBytes(test::makeSound(box_->root(), "plain.mp3"));
        const size_t tag =
            sound.starts_with("ID3")
                ? 10 + (static_cast<size_t>(sound[6]) << 21 | static_cast<size_t>(sound[7]) << 14 |
                        static_cast<size_t>(sound[8]) << 7 | static_cast<size_t>(sound[9]))
                : 0;
        const Path file = *box_ / "old.mp3";
        test::writeBytes(file, std::string("ID3\x02\x00\x00", 6) + digit(21) + digit(14) + digit(7) +
                                   digit(0) + body + sound.substr(tag));
        QCOMPARE(tags::readTags(file)->tags.front(), std::string("ID3v2.2"));
        const auto old = tags::readTags(file)->pictures.at(0);
        QCOMPARE(old.type, std::string("artist"));
        const auto gif = *store_->add(gifBytes(), "artist", "");
        write(file, {{pictureKey("artist"), {pictureText(old), pictureText(gif)}}});
        const auto read = *tags::readTags(file);
        QCOMPARE(read.tags.front(), std::string("ID3v2.4"));
        QCOMPARE(read.pictures.size(), size_t{2});
        QCOMPARE(tags::firstValue(read.fields, "date"), std::string("1998-10-05"));
        QCOMPARE(tags::firstValue(read.fields, "title"), std::string("Gorse"));
        QVERIFY((*tags::readPictures(file))[0].data == jpeg);
    }

    void picturesKnownFromBeforeTheyHadAChecksum() {
        const Path file = *box_ / "a.flac";
        std::filesystem::copy_file(corpus_ / "good/flac.flac", file);
        const auto page = *store_->add(demo::drawCover(1, 100), "booklet page", "one");
        const auto next = *store_->add(demo::drawCover(2, 100), "booklet page", "two");
        write(file, {{pictureKey("booklet page"), {pictureText(page)}}});
        auto known = page; // as an earlier version has it in the library
        known.hash = 0;
        write(file, {{pictureKey("booklet page"), {pictureText(known), pictureText(next)}}});
        QCOMPARE(ofType(*tags::readPictures(file), "booklet page").size(), size_t{2});
        std::filesystem::remove(store_->fileOf(page));
        known.type = "medium";
        write(file, {{pictureKey("booklet page"), {pictureText(next)}},
                     {pictureKey("medium"), {pictureText(known)}}});
        QVERIFY(ofType(*tags::readPictures(file), "medium").at(0).data == demo::drawCover(1, 100));
    }

    void whatAFormatCannotHold() {
        const auto back = *store_->add(demo::drawCover(2, 200, true), "back cover", "");
        const auto gif = *store_->add(gifBytes(), "front cover", "");
        auto refused = [&](const char* name, const tags::Fields& changes) {
            auto edit =
                tags::prepareEdit(corpus_ / "good" / name, changes, tags::Damage::Refuse, store_->folder());
            return edit ? std::string("not refused") : edit.error().message;
        };
        QVERIFY(
            refused("aac.m4a", {{pictureKey("back cover"), {pictureText(back)}}}).find("front covers only") !=
            std::string::npos);
        QVERIFY(
            refused("aac.m4a", {{pictureKey("front cover"), {pictureText(gif)}}}).find("this one is GIF") !=
            std::string::npos);
        QVERIFY(refused("wavpack.wv", {{pictureKey("back cover"), {pictureText(back), pictureText(back)}}})
                    .find("one picture of each type") != std::string::npos);
        QVERIFY(refused("flac.flac", {{pictureKey("postcard"), {pictureText(back)}}}).find("no type") !=
                std::string::npos);
        QVERIFY(refused("flac.flac", {{pictureKey("back cover"), {"a letter"}}}).find("does not tell") !=
                std::string::npos);
        // The same without writing anything.
        QVERIFY(!tags::whyNotHeld(audio::Format::Mp4, "back cover", {back}).empty());
        QVERIFY(tags::whyNotHeld(audio::Format::Flac, "back cover", {back, back}).empty());
        tags::PictureInfo large = back;
        large.bytes = 20u << 20;
        QVERIFY(!tags::whyNotHeld(audio::Format::Flac, "back cover", {large}).empty());
    }

    void aPictureThatIsNotThereAnyMore() {
        const auto front = *store_->add(demo::drawCover(1, 300), "front cover", "");
        const tags::Fields changes = {{pictureKey("front cover"), {pictureText(front)}}};
        auto why = [&] {
            auto edit = tags::prepareEdit(corpus_ / "good/flac.flac", changes, tags::Damage::Refuse,
                                          store_->folder());
            return edit ? std::string("written") : edit.error().message;
        };
        QCOMPARE(why(), std::string("written"));
        test::writeBytes(store_->fileOf(front), std::string(front.bytes, 'x'));
        QVERIFY(why().find("damaged") != std::string::npos);
        std::filesystem::remove(store_->fileOf(front));
        QVERIFY(why().find("not kept any more") != std::string::npos);
    }

    void whatIsNoPicture() {
        auto why = [&](const std::string& bytes) {
            auto added = store_->add(bytes, "front cover");
            return added ? std::string("added") : added.error().message;
        };
        const std::string jpeg = demo::drawCover(1, 300), png = demo::drawCover(1, 300, true);
        QCOMPARE(why(jpeg), std::string("added"));
        QVERIFY(why("").find("no bytes") != std::string::npos);
        QVERIFY(why("a letter").find("no picture") != std::string::npos);
        QVERIFY(why(jpeg.substr(0, jpeg.size() / 2)).find("ends too early") != std::string::npos);
        QVERIFY(why(png.substr(0, png.size() - 30)).find("ends too early") != std::string::npos);
        QVERIFY(why(jpeg.substr(0, 3)).find("damaged") != std::string::npos);
        std::string bomb = png; // says that it has 20,000 x 20,000
        bomb.replace(16, 8, std::string("\x00\x00\x4E\x20\x00\x00\x4E\x20", 8));
        QVERIFY(why(bomb).find("20000 x 20000") != std::string::npos);
        QVERIFY(why(jpeg + std::string(50u << 20, '\0')).find("at most") != std::string::npos);
        test::writeBytes(*box_ / "mislabelled.jpg", png);
        auto added = store_->addFile(*box_ / "mislabelled.jpg", "front cover");
        QCOMPARE(added->mime, std::string("image/png"));
        QVERIFY(!store_->addFile(*box_ / "gone.png", "front cover"));
        QVERIFY(!store_->addFile(box_->root(), "front cover"));
        // Kept once, whatever it is for.
        QVERIFY(store_->add(png, "back cover", "another description"));
        QCOMPARE(std::distance(std::filesystem::directory_iterator(store_->folder()), {}), 2);
    }

    void aFullDisk() {
        NEEDS_ROOT;
        test::SmallDisk disk(*box_ / "small", "size=64k");
        QVERIFY(disk.isThere());
        const library::PictureStore full(*box_ / "small/library.db.pictures");
        const std::string large = demo::drawCover(5, 1400, true);
        QVERIFY(large.size() > 65536);
        auto added = full.add(large, "front cover");
        QVERIFY(!added);
        QVERIFY2(added.error().kind == ErrorKind::NoSpace, added.error().message.c_str());
        QVERIFY(std::filesystem::is_empty(full.folder())); // nothing half of it
        QVERIFY(full.add(demo::drawCover(1, 100), "front cover"));
    }

    void onlyWhatIsNeededStays() {
        const auto a = *store_->add(demo::drawCover(1, 100), "front cover");
        const auto b = *store_->add(demo::drawCover(2, 100), "front cover");
        QCOMPARE(store_->keepOnly({tags::keptName(a)}), uint64_t{0}); // too young
        QCOMPARE(store_->keepOnly({tags::keptName(a)}, 0), b.bytes);
        QVERIFY(store_->bytesOf(a));
        QVERIFY(!store_->bytesOf(b));
        QCOMPARE(library::PictureStore(*box_ / "nowhere").keepOnly({}), uint64_t{0});
    }

    void asText() {
        tags::PictureInfo p{"front cover", "image/png", "a b  c \u00e6",      600,
                            400,           81234,       0x0123456789abcdefULL};
        auto back = tags::pictureFromText("front cover", pictureText(p));
        QVERIFY(back && pictureText(*back) == pictureText(p) && back->description == p.description);
        QCOMPARE(back->hash, p.hash);
        p.mime = "odd mime\n"; // a tag may call it anything
        QVERIFY(tags::pictureFromText("front cover", pictureText(p)));
        for (const char* none :
             {"", " ", "image/png", "image/png 1x", "image/png 1x1 2", "image/png -1x1 2 0 ",
              "image/png 1x1 2 zz ", "image/png 1x1 99999999999999999999 0 "})
            QVERIFY2(!tags::pictureFromText("front cover", none), none);
    }

private:
    /// As a change that asks for what is there.
    tags::Fields heldAs(const Path& file) { return tags::pictureFields(tags::readTags(file)->pictures); }
    static std::vector<tags::Picture> ofType(const std::vector<tags::Picture>& all, const std::string& type) {
        std::vector<tags::Picture> out;
        for (const tags::Picture& p : all)
            if (p.info.type == type)
                out.push_back(p);
        return out;
    }
    static size_t countOf(const std::vector<tags::PictureInfo>& all, const std::set<std::string>& types) {
        return static_cast<size_t>(
            std::ranges::count_if(all, [&](const tags::PictureInfo& p) { return types.contains(p.type); }));
    }
    void write(const Path& file, const tags::Fields& changes) {
        auto edit = tags::prepareEdit(file, changes, tags::Damage::Refuse, store_->folder());
        QVERIFY2(edit, edit ? "" : edit.error().message.c_str());
        const std::string bytes = edit->bytes();
        edit = Error{};
        test::writeBytes(file, bytes);
    }
    static std::string gifBytes() {
        return std::string("GIF89a\x02\x00\x02\x00\x80\x00\x00\x00\x00\x00\xFF\xFF\xFF"
                           "\x2C\x00\x00\x00\x00\x02\x00\x02\x00\x00\x02\x02\x84\x51\x00\x3B",
                           35);
    }

    Path corpus_;
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::PictureStore> store_;
};

QTEST_GUILESS_MAIN(TestPictureEdits)
#include "test_picture_edits.moc"
