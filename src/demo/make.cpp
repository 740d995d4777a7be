// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/make.h"
#include "demo/discs.h"

#include <atomic>
#include <fstream>
#include <mutex>
#include <optional>
#include <thread>

#include <taglib/attachedpictureframe.h>
#include <taglib/flacfile.h>
#include <taglib/id3v2tag.h>
#include <taglib/mp4file.h>
#include <taglib/mpegfile.h>
#include <taglib/vorbisfile.h>
#include <taglib/xiphcomment.h>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/audio/decoder.h"
#include "core/tags/tag_io.h"
#include "demo/encode.h"
#include "demo/pictures.h"
#include "demo/world.h"

namespace moorfrost::demo {

namespace fs = std::filesystem;

namespace {

void writeBytes(const Path& path, const std::string& bytes) {
    fs::create_directories(path.parent_path());
    std::ofstream(path, std::ios::binary) << bytes;
}

std::string readBytes(const Path& path) {
    std::ifstream in(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

void addCover(const Path& path, const std::string& jpeg) {
    TagLib::ByteVector data(jpeg.data(), static_cast<unsigned int>(jpeg.size()));
    std::string ending = path.extension().native();
    auto flacPicture = [&] {
        auto* p = new TagLib::FLAC::Picture;
        p->setType(TagLib::FLAC::Picture::FrontCover);
        p->setMimeType("image/jpeg");
        p->setData(data);
        return p;
    };
    if (ending == ".mp3") {
        TagLib::MPEG::File file(path.c_str());
        auto* frame = new TagLib::ID3v2::AttachedPictureFrame;
        frame->setType(TagLib::ID3v2::AttachedPictureFrame::FrontCover);
        frame->setMimeType("image/jpeg");
        frame->setPicture(data);
        file.ID3v2Tag(true)->addFrame(frame);
        file.save(TagLib::MPEG::File::ID3v2);
    } else if (ending == ".flac") {
        TagLib::FLAC::File file(path.c_str());
        file.addPicture(flacPicture());
        file.save();
    } else if (ending == ".ogg") {
        TagLib::Ogg::Vorbis::File file(path.c_str());
        file.tag()->addPicture(flacPicture());
        file.save();
    } else if (ending == ".m4a") {
        TagLib::MP4::File file(path.c_str());
        TagLib::MP4::CoverArtList list;
        list.append(TagLib::MP4::CoverArt(TagLib::MP4::CoverArt::JPEG, data));
        file.tag()->setItem("covr", list);
        file.save();
    }
}

/// As a file with loss gives it back.
Result<std::vector<int16_t>> codedBefore(const std::vector<int16_t>& samples, const Path& beside) {
    Path file = beside;
    file += ".before.mp3";
    if (Status s = encodeSound(samples, file, 128000); !s)
        return s.error();
    auto decoder = audio::Decoder::open(file, sampleRate, 2);
    if (!decoder)
        return decoder.error();
    std::vector<int16_t> out;
    for (std::vector<int16_t> some = (*decoder)->next(); !some.empty(); some = (*decoder)->next())
        out.insert(out.end(), some.begin(), some.end());
    fs::remove(file);
    out.resize(samples.size());
    return out;
}

Result<std::vector<int16_t>> soundOf(const DemoTrack& track, const Path& path) {
    std::vector<int16_t> samples = synthesise(track.sound);
    switch (track.flaw) {
    case Flaw::None:
        break;
    case Flaw::CodedBefore:
        return codedBefore(samples, path);
    case Flaw::Clipped: { // turned up until a tenth of it is lost
        int loudest = 1;
        for (const int16_t v : samples)
            loudest = std::max(loudest, std::abs(int{v}));
        for (int16_t& v : samples)
            v = static_cast<int16_t>(std::clamp(v * 32767 / loudest * 9 / 5, -32767, 32767));
        break;
    }
    case Flaw::Gap: { // a reader that lost its place
        const size_t from = samples.size() / 2;
        std::fill_n(samples.begin() + static_cast<std::ptrdiff_t>(from), sampleRate * 2 / 12, int16_t{0});
        break;
    }
    }
    return samples;
}

Status makeTrack(const DemoTrack& track, const Path& incoming) {
    Path path = incoming / track.path;
    fs::create_directories(path.parent_path());
    const auto samples = soundOf(track, path);
    if (!samples)
        return samples.error();
    if (Status s = encodeSound(*samples, path, track.bitrate); !s)
        return s;
    if (track.cover > 0)
        addCover(path, drawCover(static_cast<uint32_t>(track.cover), track.coverSize));
    if (track.fields.empty())
        return Done{};
    auto edit = tags::prepareEdit(path, track.fields);
    if (!edit)
        return edit.error();
    std::string bytes = edit->bytes();
    edit->original.reset();
    writeBytes(path, bytes);
    return Done{};
}

/// An older tag behind an MP3 that says something else than the newer one.
void addDifferingTag(const Path& incoming) {
    Path file = incoming / "label-drive/Salt Road (mp3)";
    for (const fs::directory_entry& entry : fs::directory_iterator(file))
        if (entry.path().extension() == ".mp3" && (!file.has_extension() || entry.path() < file))
            file = entry.path();
    auto padded = [](std::string text, size_t n) {
        text.resize(n, '\0');
        return text;
    };
    writeBytes(file, readBytes(file) + "TAG" + padded("Salt Raod", 30) + padded("Isla Warnholt", 30) +
                         padded("Salt Road", 30) + "2018" + padded("", 28) + '\0' + '\x01' + '\x50');
}

/// Files that nothing good can be said of. Each is a case that must get a clear sentence.
Status makeBroken(const Path& incoming) {
    Path dir = incoming / "broken";
    fs::create_directories(dir / "a folder named.mp3");
    writeBytes(dir / "a folder named.mp3" / "readme.txt", "A folder may have any name.\n");
    if (Status s = encodeSound(synthesise({777, 20, Sound::Band, 1.0}), dir / "not allowed.flac", 0); !s)
        return s;
    std::string flac = readBytes(dir / "not allowed.flac");
    std::string wav = readBytes(incoming / "bounces/mix7_FINAL2.wav");
    std::string m4a = readBytes(incoming / "strays/Isla Varnholt - Winter Harbour.m4a");
    std::string ogg = readBytes(incoming / "strays/The Hollow Ferry - Slack Water.ogg");
    writeBytes(dir / "cut short.wav", wav.substr(0, wav.size() / 3));
    writeBytes(dir / "cut short.m4a", m4a.substr(0, m4a.size() / 2));
    writeBytes(dir / "cut short.ogg", ogg.substr(0, ogg.size() / 2));
    writeBytes(dir / "nothing at all.mp3", "");
    writeBytes(dir / "a letter.wav", "Dear archive, this is not music. Yours, the Lindqvist family.\n");
    writeBytes(dir / "really flac.mp3", flac);
    ::chmod((dir / "not allowed.flac").c_str(), 0);
    writeBytes(dir / Path(std::string("old name \xE5\xE4\xF6.wav")), wav);
    Path loop = dir / "loop.ogg";
    [[maybe_unused]] int made = ::symlink("loop.ogg", loop.c_str()); // without links: one case less
    return Done{};
}

void setTimes(const Path& root) {
    // 14 March 1999, noon: the same on every run.
    timespec times[2] = {{921412800, 0}, {921412800, 0}};
    for (const fs::directory_entry& entry : fs::recursive_directory_iterator(root))
        ::utimensat(AT_FDCWD, entry.path().c_str(), times, AT_SYMLINK_NOFOLLOW);
}

} // namespace

Result<MadeDemo> makeDemo(const Path& root, bool keep, const std::function<void(size_t, size_t)>& progress) {
    MadeDemo made;
    made.incoming = root / "incoming";
    made.shelf = root / "Music archive";
    made.discs = root / "discs";
    Path complete = root / ".complete";
    std::vector<DemoTrack> tracks = demoTracks();
    made.sounds = tracks.size();
    if (keep && readBytes(complete) == demoVersion)
        return made;
    std::error_code error;
    fs::remove_all(made.incoming, error);
    fs::remove_all(made.shelf, error);
    fs::remove_all(made.discs, error);
    fs::create_directories(made.shelf, error);
    for (const DemoTrack& track : tracks)
        fs::create_directories((made.incoming / track.path).parent_path(), error);
    if (error)
        return systemError(error.value(), root, "Making the demo folders");
    std::atomic<size_t> next = 0, done = 0;
    std::mutex mutex;
    std::optional<Error> failure;
    auto work = [&] {
        // The discs take longest.
        for (size_t i = next++; i < discs + tracks.size(); i = next++) {
            Status s = i < discs ? makeDisc(made.discs, i) : makeTrack(tracks[i - discs], made.incoming);
            std::lock_guard lock(mutex);
            if (!s && !failure)
                failure = s.error();
            ++done;
            if (progress)
                progress(done, discs + tracks.size());
        }
    };
    {
        std::vector<std::jthread> pool;
        for (unsigned t = 1; t < std::max(1u, std::thread::hardware_concurrency()); ++t)
            pool.emplace_back(work);
        work();
    }
    if (failure)
        return *failure;
    for (const DemoPicture& p : demoPictures())
        writeBytes(made.incoming / p.path,
                   drawCover(static_cast<uint32_t>(p.cover), p.size, p.path.ends_with(".png")));
    writeBytes(made.incoming / "harbour-transfers/transfer-notes.txt",
               "Reel 1 and 2: quarter inch, 19 cm/s. Tape B runs fast.\nNight Post: from the 1998 master.\n");
    writeBytes(made.incoming / "label-drive/Night Post remaster/remaster.log",
               "Remastered from the 1998 tapes by Wren-Low.\n");
    addDifferingTag(made.incoming);
    if (Status s = makeBroken(made.incoming); !s)
        return s.error();
    setTimes(made.incoming);
    setTimes(made.discs);
    writeBytes(complete, demoVersion);
    return made;
}

} // namespace moorfrost::demo
