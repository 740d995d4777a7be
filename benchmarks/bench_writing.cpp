// SPDX-License-Identifier: GPL-3.0-or-later
// What safe writing costs, beside doing it unsafely or dearly, in the same run. Takes a folder on the disk
// that is to be measured; prints ratios.
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <functional>

#include <fcntl.h>
#include <fmt/format.h>
#include <taglib/attachedpictureframe.h>
#include <taglib/fileref.h>
#include <taglib/flacfile.h>
#include <taglib/id3v2tag.h>
#include <taglib/mpegfile.h>
#include <taglib/tag.h>
#include <unistd.h>

#include "core/library/picture_store.h"
#include "core/library/writing.h"
#include "core/tags/picture_changes.h"
#include "demo/encode.h"
#include "demo/pictures.h"
#include "demo/synth.h"

using namespace moorfrost;
namespace fs = std::filesystem;

namespace {

double seconds(const std::function<void()>& work) {
    auto start = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}

double median(std::vector<double> v) {
    std::sort(v.begin(), v.end());
    return v[v.size() / 2];
}

void check(bool good, const std::string& what) {
    if (good)
        return;
    std::fprintf(stderr, "%s\n", what.c_str());
    std::exit(1);
}

void put(const Path& file, const std::string& bytes) {
    std::ofstream(file, std::ios::binary) << bytes;
}

std::string get(const Path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

/// About 50 MB of sound.
void makeBig(const Path& file) {
    const bool mp4 = file.extension() == ".m4a";
    Status made =
        demo::encodeSound(demo::synthesise({5, mp4 ? 5.0 : 300.0, demo::Sound::Band, 1.0}), file, 128000);
    check(bool(made), "the sound could not be made");
    std::string bytes = get(file);
    constexpr size_t wanted = 50u << 20;
    if (mp4) { // more sound that no track refers to, in front of the index
        size_t moov = bytes.rfind("moov") - 4;
        uint32_t size = static_cast<uint32_t>(wanted);
        std::string box(wanted, '\x55');
        for (size_t i = 0; i < 4; ++i)
            box[i] = static_cast<char>(size >> (24 - 8 * i));
        box.replace(4, 4, "mdat");
        bytes.insert(moov, box);
    } else if (bytes.size() < wanted) { // FLAC packs well: frames again, as players see it a longer stream
        std::string frames = bytes.substr(bytes.size() / 2);
        while (bytes.size() < wanted)
            bytes += frames;
    }
    put(file, bytes);
}

files::ChangeSet titled(const std::vector<Path>& paths, const std::string& title) {
    files::ChangeSet set{"bench", {}, {}};
    for (const Path& p : paths) {
        files::Step step;
        step.source = p;
        step.changes = {{"title", {title}}};
        set.steps.push_back(step);
    }
    return set;
}

void write(library::Store& store, const std::vector<Path>& paths, const std::string& title) {
    work::Progress progress;
    auto outcome = library::writeSet(store, titled(paths, title), 0, {}, progress);
    check(outcome.report.done == paths.size(),
          "not all was written: " + outcome.report.error + outcome.report.steps[0].error);
}

void withTagLib(const Path& p, const std::string& title) {
    TagLib::FileRef ref(p.c_str(), false);
    ref.tag()->setTitle(title);
    check(ref.save(), "TagLib could not save");
}

/// The dear way: a copy is changed, flushed and put in place.
void copyEditRename(const Path& p, const std::string& title) {
    Path copy = p.parent_path() / ("copy" + p.extension().native());
    fs::copy_file(p, copy, fs::copy_options::overwrite_existing);
    withTagLib(copy, title);
    int fd = ::open(copy.c_str(), O_RDWR);
    ::fsync(fd);
    ::close(fd);
    fs::rename(copy, p);
    fd = ::open(p.parent_path().c_str(), O_RDONLY | O_DIRECTORY);
    ::fsync(fd);
    ::close(fd);
}

/// Noise packs badly: a JPEG of about 300 kB.
std::string pictureOf300KB() {
    // One that is drawn, made as long by what stands behind its end, which no reader looks at.
    std::string jpeg = demo::drawCover(3, 1000);
    const std::string end = jpeg.substr(jpeg.size() - 2);
    uint32_t state = 1;
    while (jpeg.size() < 300000) {
        state = state * 1664525u + 1013904223u;
        jpeg += static_cast<char>(state >> 24);
    }
    return jpeg + end;
}

void pictureWithTagLib(const Path& p, const std::string& picture) {
    const TagLib::ByteVector bytes(picture.data(), static_cast<unsigned int>(picture.size()));
    bool saved = false;
    if (p.extension() == ".flac") {
        TagLib::FLAC::File f(p.c_str(), false);
        auto* block = new TagLib::FLAC::Picture;
        block->setType(TagLib::FLAC::Picture::FrontCover);
        block->setMimeType("image/jpeg");
        block->setData(bytes);
        f.addPicture(block);
        saved = f.save();
    } else {
        TagLib::MPEG::File f(p.c_str(), false);
        auto* frame = new TagLib::ID3v2::AttachedPictureFrame;
        frame->setType(TagLib::ID3v2::AttachedPictureFrame::FrontCover);
        frame->setMimeType("image/jpeg");
        frame->setPicture(bytes);
        f.ID3v2Tag(true)->addFrame(frame);
        saved = f.save();
    }
    check(saved, "TagLib could not save");
    const int fd = ::open(p.c_str(), O_RDWR);
    ::fsync(fd);
    ::close(fd);
}

/// The most memory that was in use while `work` ran beyond what was in use before, in MB.
double memoryOf(const std::function<void()>& work) {
    auto inUse = [](const char* key) {
        std::ifstream status("/proc/self/status");
        for (std::string line; std::getline(status, line);)
            if (line.starts_with(key))
                return std::strtod(line.c_str() + std::string(key).size(), nullptr) / 1024;
        return 0.0;
    };
    std::ofstream("/proc/self/clear_refs") << "5"; // the peak starts anew
    double before = inUse("VmRSS:");
    work();
    return inUse("VmHWM:") - before;
}

} // namespace

int main(int argc, char** argv) {
    check(argc == 2, "usage: moorfrost-bench-writing FOLDER");
    Path root = fs::absolute(argv[1]) / "moorfrost-bench";
    fs::remove_all(root);
    fs::create_directories(root);
    auto store = std::move(*library::Store::open(root / "library.db"));

    std::printf("Small edit of a file of 50 MB, each on the disk when it returns (median of 9):\n");
    for (const char* ending : {".flac", ".wav", ".aiff", ".m4a"}) {
        if (std::getenv("BULK") || std::getenv("PICTURES")) // only a part of it
            break;
        Path file = root / (std::string("big") + ending);
        makeBig(file);
        write(*store, {file}, "Cold Slip, the first edit makes room");
        std::vector<double> ours, dear;
        for (int i = 0; i < 9; ++i) {
            ours.push_back(seconds([&] { write(*store, {file}, "Gorse " + std::to_string(i)); }));
            dear.push_back(seconds([&] { copyEditRename(file, "Night Post " + std::to_string(i)); }));
        }
        double memory = memoryOf([&] { write(*store, {file}, "Winter Harbour"); });
        double rewrite = memoryOf([&] {
            files::ChangeSet set = titled({file}, std::string(20000, 't'));
            work::Progress progress;
            library::writeSet(*store, set, 0, {}, progress);
        });
        std::printf(
            "  %-6s %7.1f ms, copy-edit-rename %7.1f ms: %5.1f times cheaper; memory %.1f MB, with a large "
            "edit %.1f MB\n",
            ending, median(ours) * 1e3, median(dear) * 1e3, median(dear) / median(ours), memory, rewrite);
        fs::remove(file);
    }

    struct Bulk {
        size_t count;
        size_t bytes;
    };
    std::printf(
        "Bulk edit of FLACs with padding, in one set, beside TagLib straight on the disk without any safety "
        "(median of 5):\n");
    for (const Bulk& bulk : {Bulk{2000, 0}, Bulk{2000, 1u << 20}, Bulk{200, 10u << 20}}) {
        if (std::getenv("PICTURES"))
            break;
        fs::create_directories(root / "bulk");
        Path one = root / "one.flac";
        check(bool(demo::encodeSound(demo::synthesise({7, 3.0, demo::Sound::Band, 1.0}), one, 0)),
              "no sound");
        std::string bytes = get(one), frames = bytes.substr(bytes.size() / 2);
        while (bytes.size() < bulk.bytes)
            bytes += frames;
        std::vector<Path> paths;
        for (size_t i = 0; i < bulk.count; ++i) {
            paths.push_back(root / "bulk" / (std::to_string(i) + ".flac"));
            put(paths.back(), bytes);
        }
        ::sync();
        write(*store, paths, "Cold Slip");
        std::vector<double> ours, plain;
        for (int i = 0; i < 5; ++i) {
            ours.push_back(seconds([&] { write(*store, paths, "Gorse " + std::to_string(i)); }));
            plain.push_back(seconds([&] {
                for (const Path& p : paths)
                    withTagLib(p, "Night Post " + std::to_string(i));
            }));
        }
        double n = static_cast<double>(bulk.count);
        std::printf("  %zu files of %.1f MB: %6.3f ms a file (%.0f files/s), TagLib %6.3f ms: %.2f times\n",
                    bulk.count, static_cast<double>(bytes.size()) / 1e6, median(ours) / n * 1e3,
                    n / median(ours), median(plain) / n * 1e3, median(ours) / median(plain));
        fs::remove_all(root / "bulk");
    }
    // A picture for many files: TagLib saves each and flushes it, as one who cares for his files would.
    const std::string picture = pictureOf300KB();
    const library::PictureStore pictures(library::PictureStore::folderOf(root / "library.db"));
    const auto cover = pictures.add(picture, "front cover");
    check(bool(cover), "the picture could not be kept");
    std::printf(
        "A picture of %zu kB for 1,000 files in one set, beside TagLib with a flush of each (median of 3):\n",
        picture.size() / 1000);
    for (const char* ending : {".flac", ".mp3"}) {
        fs::create_directories(root / "covers");
        Path one = root / (std::string("one") + ending);
        check(bool(demo::encodeSound(demo::synthesise({7, 60.0, demo::Sound::Band, 1.0}), one, 192000)),
              "no sound");
        const std::string bytes = get(one);
        std::vector<Path> paths;
        for (size_t i = 0; i < 1000; ++i)
            paths.push_back(root / "covers" / (std::to_string(i) + ending));
        auto anew = [&] {
            for (const Path& p : paths)
                put(p, bytes);
            ::sync();
        };
        std::vector<double> ours, plain;
        double memory = 0;
        for (int i = 0; i < 3; ++i) {
            anew();
            files::ChangeSet set{"bench", {}, {}};
            for (const Path& p : paths) {
                files::Step step;
                step.source = p;
                step.changes = {{tags::pictureKey("front cover"), {tags::pictureText(*cover)}}};
                set.steps.push_back(step);
            }
            work::Progress progress;
            memory = std::max(memory, memoryOf([&] {
                                  ours.push_back(seconds([&] {
                                      auto outcome = library::writeSet(*store, set, 0, {}, progress);
                                      check(outcome.report.done == paths.size(), "not all was written");
                                  }));
                              }));
            anew();
            plain.push_back(seconds([&] {
                for (const Path& p : paths)
                    pictureWithTagLib(p, picture);
            }));
        }
        std::printf("  %-5s %6.2f ms a file, TagLib %6.2f ms: %.2f times; memory %.0f MB\n", ending,
                    median(ours), median(plain), median(ours) / median(plain), memory);
        fs::remove_all(root / "covers");
    }
    store.reset();
    fs::remove_all(root);
    return 0;
}
