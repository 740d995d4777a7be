// SPDX-License-Identifier: GPL-3.0-or-later
// Devices: what would come, change and go; brought into step, broken off and gone on with; what stands
// against it.
#include <QtTest>

#include <QProcess>

#include "core/deliver/device/device_sync.h"
#include "core/exchange/playlist.h"
#include "core/library/picture_store.h"
#include "core/library/store/device_table.h"
#include "core/tags/picture_changes.h"
#include "support/needs_root.h"
#include "support/sheet_world.h"
#include "support/small_disk.h"

using namespace moorfrost;
using namespace moorfrost::test;
using Kind = DeviceStep::Kind;

class TestDevice : public QObject, SheetWorld {
    Q_OBJECT
private slots:
    void init() {
        open();
        std::filesystem::create_directories(*box_ / "player");
    }
    void cleanup() { close(); }

    void profilesAreHandedOn() {
        for (const DeviceProfile& profile : shippedDeviceProfiles()) {
            const auto back = deviceProfileFromJson(deviceProfileJson(profile));
            QVERIFY2(back, back ? "" : back.error().message.c_str());
            QVERIFY(*back == profile);
        }
        auto why = [](const char* json) {
            const auto profile = deviceProfileFromJson(json);
            return profile ? std::string() : profile.error().message;
        };
        QVERIFY(why("x").find("JSON") != std::string::npos);
        QVERIFY(why(R"({"device_profile": "A", "format": "wax"})").find("wax") != std::string::npos);
        QVERIFY(why("{\"device_profile\": \"A\", \"plan\": \"{title\"}").find("plan") != std::string::npos);
        QVERIFY(why(R"({"device_profile": "A", "plays": ["mp3"]})").find("endings") != std::string::npos);
        Device device;
        device.name = "Player";
        device.folder = Path("/media/\xFFodd");
        device.wanted = {3, 1, 2};
        device.profile = shippedDeviceProfiles()[2];
        const Device back = deviceFrom(7, deviceContent(device));
        QCOMPARE(back.folder, device.folder);
        QCOMPARE(back.wanted, device.wanted);
        QVERIFY(back.profile == device.profile);
    }

    void intoStepAndStaysThere() {
        Device device = add("Small player");
        device.wanted = {sound("Gorse", 1, ".flac"), sound("Tide Table", 2, ".mp3"),
                         sound("Salt: Road?", 3, ".ogg")};
        DevicePlan plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Come), size_t{3});
        QVERIFY(plan.comes > 0 && plan.room < uint64_t{64000000});
        QCOMPARE(plan.steps[0].path, std::string("Wren-Low/Harbour Day/Gorse.mp3"));
        QCOMPARE(plan.steps[1].path, std::string("Wren-Low/Harbour Day/Tide Table.mp3"));
        const Path salt = plan.steps[2].path; // fit for any disk
        QVERIFY(salt.native().find_first_of(":?") == std::string::npos &&
                salt.native().find("Salt") != std::string::npos);
        const DeviceReport report = sync(plan, {{"For the ferry", {device.wanted[1], device.wanted[0]}}});
        QVERIFY2(report.complete,
                 report.trouble.empty() ? report.ended.c_str() : report.trouble.front().c_str());
        QCOMPARE(report.came, size_t{3});
        // What was made anew says what the track says; the other one is the file as it is.
        const auto made = tags::readTags(*box_ / "player" / "Wren-Low/Harbour Day/Gorse.mp3");
        QVERIFY(made);
        QCOMPARE(made->fields.at("title"), (Strings{"Gorse"}));
        QCOMPARE(made->fields.at("album"), (Strings{"Harbour Day"}));
        QCOMPARE(readBytes(*box_ / "player" / "Wren-Low/Harbour Day/Tide Table.mp3"),
                 readBytes(*box_ / "shelf" / "Tide Table.mp3"));
        const auto list = exchange::readPlaylistFile(*box_ / "player" / "Playlists" / "For the ferry.m3u8");
        QVERIFY(list);
        QCOMPARE(list->entries.size(), size_t{2});
        QCOMPARE(list->entries[0].place, std::string("../Wren-Low/Harbour Day/Tide Table.mp3"));
        // Nothing is to be done any more.
        device = again(device);
        QVERIFY(!device.key.empty());
        plan = this->plan(device);
        QVERIFY(plan.isInStep());
        QCOMPARE(plan.count(Kind::Same), size_t{3});
        // One is changed, one is not wanted any more, one has another name.
        tag(*box_ / "shelf" / "Tide Table.mp3", {{"title", {"Tide Table, the second"}}});
        reread("Tide Table.mp3");
        device.wanted.erase(device.wanted.begin());
        plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Change), size_t{1});
        QCOMPARE(plan.count(Kind::Go), size_t{1});
        QVERIFY(sync(plan).complete);
        QVERIFY(!std::filesystem::exists(*box_ / "player" / "Wren-Low/Harbour Day/Gorse.mp3"));
        QVERIFY(!std::filesystem::exists(*box_ / "player" / "Wren-Low/Harbour Day/Tide Table.mp3"));
        QVERIFY(
            std::filesystem::exists(*box_ / "player" / "Wren-Low/Harbour Day/Tide Table, the second.mp3"));
        // Another plan: they are moved, not made again.
        device.profile.plan = "{title}";
        const auto before = files::stateOf(*box_ / "player" / salt);
        plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Change), size_t{2});
        QVERIFY(sync(plan).complete);
        QCOMPARE(files::stateOf(*box_ / "player" / salt.filename())->modifiedNs, before->modifiedNs);
        QVERIFY(!std::filesystem::exists(*box_ / "player" / "Wren-Low"));
        QVERIFY(this->plan(device).isInStep());
        // Another profile: made again.
        device.profile.bitrate = 128000;
        QCOMPARE(this->plan(device).count(Kind::Change), size_t{2});
    }

    void tracksOfAShow() {
        Device device = add("The tracks of a show");
        device.wanted = {sound("Overture", 1, ".flac"), sound("Ferry", 2, ".mp3")};
        const DevicePlan plan = this->plan(device);
        QCOMPARE(paths(plan), (Strings{"01 Overture.flac", "02 Ferry.mp3"}));
        QVERIFY(sync(plan).complete);
        QCOMPARE(readBytes(*box_ / "player" / "01 Overture.flac"),
                 readBytes(*box_ / "shelf" / "Overture.flac"));
        // Another order is other names.
        std::swap(device.wanted[0], device.wanted[1]);
        QCOMPARE(paths(this->plan(device)), (Strings{"01 Ferry.mp3", "02 Overture.flac"}));
        QVERIFY(sync(this->plan(device)).complete);
        device.profile.plan = "{place: 2 digits}";
        QVERIFY(sync(this->plan(device)).complete); // "01.mp3", "02.flac"
        device.wanted.push_back(sound("Encore", 3, ".flac"));
        QVERIFY(sync(this->plan(device)).complete);
        std::swap(device.wanted[1], device.wanted[2]); // "02.flac" and "03.flac" change places
        const DeviceReport swapped = sync(this->plan(device));
        QVERIFY2(swapped.complete, swapped.trouble.empty() ? "" : swapped.trouble.front().c_str());
        QCOMPARE(readBytes(*box_ / "player" / "02.flac"), readBytes(*box_ / "shelf" / "Encore.flac"));
        QCOMPARE(readBytes(*box_ / "player" / "03.flac"), readBytes(*box_ / "shelf" / "Overture.flac"));
        device.profile.plan = "{place: 2 digits} {title}";
        device.wanted = {device.wanted[0], device.wanted[2]};
        QVERIFY(sync(this->plan(device)).complete);
        QVERIFY(std::filesystem::exists(*box_ / "player" / "02 Overture.flac") &&
                !std::filesystem::exists(*box_ / "player" / "01 Overture.flac"));
    }

    void changedTracksChangePlaces() {
        Device device = add("The tracks of a show");
        device.profile.plan = "{place: 2 digits}";
        device.wanted = {sound("Overture", 1, ".mp3"), sound("Ferry", 2, ".mp3"), sound("Salt", 3, ".mp3")};
        QVERIFY(sync(this->plan(device)).complete);
        // Two are changed and change places; the third gives its place to a new one.
        for (const char* name : {"Overture", "Ferry"}) {
            tag(*box_ / "shelf" / (std::string(name) + ".mp3"), {{"comment", {"mastered anew"}}});
            reread(std::string(name) + ".mp3");
        }
        device = again(device);
        device.profile.plan = "{place: 2 digits}";
        device.wanted = {device.wanted[1], device.wanted[0], sound("Encore", 4, ".mp3")};
        DevicePlan plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Change), size_t{2});
        QCOMPARE(plan.count(Kind::Come), size_t{1});
        QCOMPARE(plan.count(Kind::Go), size_t{1});
        const DeviceReport report = sync(plan);
        QVERIFY2(report.complete, report.trouble.empty() ? "" : report.trouble.front().c_str());
        const char* names[] = {"Ferry", "Overture", "Encore"};
        for (int i = 0; i < 3; ++i)
            QCOMPARE(readBytes(*box_ / "player" / ("0" + std::to_string(i + 1) + ".mp3")),
                     readBytes(*box_ / "shelf" / (std::string(names[i]) + ".mp3")));
        QVERIFY(this->plan(device).isInStep());
        QVERIFY(this->plan(device).foreign.empty());
    }

    void namesAndPicturesForThePlayer() {
        Device device = add("Small player");
        const std::string longName(90, 'a');
        const FileId big = sound(longName, 1, ".mp3"), twin = sound("same", 2, ".mp3"),
                     other = sound("SAME", 3, ".ogg");
        addCover(*box_ / "shelf" / (longName + ".mp3"), 900);
        reread(longName + ".mp3");
        device.wanted = {big, twin, other};
        const DevicePlan plan = this->plan(device);
        for (const DeviceStep& step : plan.steps)
            QVERIFY(Path(step.path).filename().native().size() <= 64);
        QCOMPARE(plan.steps[1].path, std::string("Wren-Low/Harbour Day/same.mp3"));
        QCOMPARE(plan.steps[2].path, std::string("Wren-Low/Harbour Day/SAME (2).mp3"));
        QVERIFY(plan.steps[0].anew);
        QVERIFY(sync(plan).complete);
        const auto made = tags::readTags(*box_ / "player" / plan.steps[0].path);
        QCOMPARE(made->pictures.size(), size_t{1});
        QCOMPARE(made->pictures[0].width, 300);
        QCOMPARE(made->pictures[0].mime, std::string("image/jpeg"));
        // The sound itself went as it is.
        QCOMPARE(made->fields.at("title"), (Strings{longName}));
    }

    void whatOthersPutThereStays() {
        Device device = add("A plain folder");
        device.wanted = {sound("Gorse", 1, ".mp3"), sound("Tide", 2, ".mp3")};
        std::filesystem::create_directories(*box_ / "player/Wren-Low/Harbour Day");
        writeBytes(*box_ / "player/Wren-Low/Harbour Day/Tide.mp3", "theirs");
        DevicePlan plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Come), size_t{1});
        QCOMPARE(plan.count(Kind::Refuse), size_t{1});
        QVERIFY(sync(plan).complete);
        QCOMPARE(readBytes(*box_ / "player/Wren-Low/Harbour Day/Tide.mp3"), std::string("theirs"));
        // Ours that somebody changed is left alone, too.
        writeBytes(*box_ / "player/Wren-Low/Harbour Day/Gorse.mp3", "changed by somebody");
        device = again(device);
        device.wanted.clear();
        plan = this->plan(device);
        QCOMPARE(plan.foreign, (Strings{"Wren-Low/Harbour Day/Gorse.mp3"}));
        QCOMPARE(plan.count(Kind::Go), size_t{0});
        QVERIFY(sync(plan).complete);
        QCOMPARE(readBytes(*box_ / "player/Wren-Low/Harbour Day/Gorse.mp3"),
                 std::string("changed by somebody"));
    }

    void awayFullAndTakenOut() {
        Device device = add("Small player");
        device.wanted = {sound("Gorse", 1, ".mp3"), sound("Tide", 2, ".mp3"), sound("Salt", 3, ".mp3")};
        // Not all of it has room: the first ones come.
        const auto size = std::filesystem::file_size(*box_ / "shelf" / "Gorse.mp3");
        device.profile.keepFree = 0;
        device.profile.capacity = size * 5 / 2;
        DevicePlan plan = this->plan(device);
        QCOMPARE(plan.count(Kind::Come), size_t{2});
        QCOMPARE(plan.steps[2].why, std::string("There is no room for it."));
        QVERIFY(sync(plan).complete);
        device = again(device);
        // It is found at another place, and told where it is nowhere.
        std::filesystem::create_directories(*box_ / "mounts" / "somebody");
        std::filesystem::rename(*box_ / "player", *box_ / "mounts" / "somebody" / "PLAYER");
        auto moved = planDevice(*store_, device, {}, {*box_ / "mounts"});
        QVERIFY(moved);
        QCOMPARE(moved->folder, *box_ / "mounts" / "somebody" / "PLAYER");
        QCOMPARE(moved->count(Kind::Same), size_t{2});
        const auto away = planDevice(*store_, device, {}, {*box_ / "nowhere"});
        QVERIFY(!away);
        QCOMPARE(away.error().kind, ErrorKind::NotFound);
        // Taken out between the plan and the work: it ends with one sentence, and the rest follows.
        device.profile.capacity = 0;
        moved = planDevice(*store_, device, {}, {*box_ / "mounts"});
        QCOMPARE(moved->count(Kind::Come), size_t{1});
        std::filesystem::rename(*box_ / "mounts" / "somebody" / "PLAYER", *box_ / "away");
        writeBytes(*box_ / "mounts" / "somebody" / "PLAYER", "in the way");
        const DeviceReport broken = sync(*moved);
        QVERIFY(!broken.complete);
        QVERIFY2(broken.ended.find("taken out") != std::string::npos, broken.ended.c_str());
        std::filesystem::remove(*box_ / "mounts" / "somebody" / "PLAYER");
        std::filesystem::rename(*box_ / "away", *box_ / "mounts" / "somebody" / "PLAYER");
        QVERIFY(sync(*planDevice(*store_, device, {}, {*box_ / "mounts"})).complete);
        QVERIFY(planDevice(*store_, device, {}, {*box_ / "mounts"})->isInStep());
        // After a stop the rest follows.
        std::filesystem::remove_all(*box_ / "mounts" / "somebody" / "PLAYER" / "Wren-Low");
        std::stop_source stop;
        stop.request_stop();
        work::Progress progress;
        const auto stopped = syncDevice(*store_, *planDevice(*store_, device, {}, {*box_ / "mounts"}), {},
                                        *box_ / "pictures", stop.get_token(), progress);
        QVERIFY(stopped && !stopped->complete);
        QCOMPARE(planDevice(*store_, device, {}, {*box_ / "mounts"})->count(Kind::Come), size_t{3});
    }

    void aDiskThatIsFull() {
        NEEDS_ROOT;
        const SmallDisk disk(*box_ / "small", "size=300k");
        QVERIFY(disk.isThere());
        Device device = add("A plain folder");
        device.folder = *box_ / "small";
        for (uint32_t i = 1; i <= 8; ++i)
            device.wanted.push_back(sound("Part " + std::to_string(i), i, ".flac"));
        DevicePlan plan = this->plan(device);
        QVERIFY(plan.count(Kind::Refuse) > 0); // it is known before
        for (DeviceStep& step : plan.steps)
            if (step.kind == Kind::Refuse)
                step.kind = Kind::Come; // and if it were not
        const DeviceReport report = sync(plan);
        QVERIFY(!report.complete);
        // Where nothing can be written, one sentence says so.
        SmallDisk other(*box_ / "fixed", "size=4m");
        QVERIFY(other.isThere() && other.makeReadOnly());
        device.folder = *box_ / "fixed";
        device.key.clear();
        work::Progress progress;
        const auto fixed = syncDevice(*store_, this->plan(device), {}, *box_ / "pictures", {}, progress);
        QVERIFY(!fixed);
        for (const auto& entry : std::filesystem::recursive_directory_iterator(*box_ / "small"))
            QVERIFY2(!entry.path().filename().native().starts_with(".moorfrost-") ||
                         entry.path().filename() == deviceMark,
                     entry.path().c_str());
    }

private:
    Device add(const char* profile) {
        Device device;
        device.name = profile;
        device.folder = *box_ / "player";
        device.profile =
            *std::ranges::find(shippedDeviceProfiles(), std::string(profile), &DeviceProfile::name);
        device.id = library::DeviceTable(store_->database()).add(deviceContent(device), 1);
        return device;
    }
    /// As it is kept, with what is wanted as it is here.
    Device again(const Device& device) {
        for (const auto& [id, content] : library::DeviceTable(store_->database()).all())
            if (id == device.id) {
                Device out = deviceFrom(id, content);
                out.wanted = device.wanted;
                out.profile = device.profile;
                return out;
            }
        qFatal("no device");
    }
    DevicePlan plan(const Device& device) {
        auto plan = planDevice(*store_, device);
        if (!plan)
            qFatal("%s", plan.error().message.c_str());
        return std::move(*plan);
    }
    DeviceReport sync(const DevicePlan& plan, const std::vector<DeviceList>& lists = {}) {
        work::Progress progress;
        auto report = syncDevice(*store_, plan, lists, *box_ / "pictures", {}, progress);
        if (!report)
            qFatal("%s", report.error().message.c_str());
        return std::move(*report);
    }
    static Strings paths(const DevicePlan& plan) {
        Strings out;
        for (const DeviceStep& step : plan.steps)
            out.push_back(step.path);
        return out;
    }
    FileId sound(const std::string& title, uint32_t seed, const std::string& ending) {
        const Path file =
            makeSound(*box_ / "shelf", files::safeName(title, files::NameProfile::Linux) + ending, seed);
        tag(file, {{"title", {title}}, {"artist", {"Wren-Low"}}, {"album", {"Harbour Day"}}});
        return reread(file.filename().native());
    }
    /// A front cover of that many points.
    void addCover(const Path& file, int side) {
        const Path jpeg = *box_ / "cover.jpg";
        QProcess::execute("ffmpeg",
                          {"-v", "quiet", "-y", "-f", "lavfi", "-i", QString("testsrc=s=%1x%1").arg(side),
                           "-frames:v", "1", QString::fromStdString(jpeg.native())});
        const auto kept = library::PictureStore(*box_ / "kept").addFile(jpeg, "front cover");
        QVERIFY2(kept, kept ? "" : kept.error().message.c_str());
        const auto edit =
            tags::prepareEdit(file, {{tags::pictureKey("front cover"), {tags::pictureText(*kept)}}},
                              tags::Damage::Refuse, *box_ / "kept");
        QVERIFY2(edit, edit ? "" : edit.error().message.c_str());
        const std::string bytes = edit->bytes();
        writeBytes(file, bytes);
    }
    FileId reread(const std::string& name) {
        files::ScannedFile scanned;
        scanned.path = *box_ / "shelf" / name;
        scanned.state = *files::stateOf(scanned.path);
        scanned.tags = *tags::readTags(scanned.path);
        const FileId id = store_->files().save(scanned, shelf_);
        store_->recordings().ensure(id);
        return id;
    }
};

QTEST_GUILESS_MAIN(TestDevice)
#include "test_device.moc"
