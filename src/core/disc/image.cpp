// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/image.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

#include "core/base/byte_source.h"
#include "core/sandbox/parser_pool.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace fs = std::filesystem;

namespace {

constexpr uint64_t frameBytes = 4;

Error wrong(const Path& file, ErrorKind kind, std::string why) {
    return {kind, file, std::move(why)};
}

Result<std::string> contentOf(const Path& file, uint64_t most, const char* what) {
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    if ((*source)->size() > most)
        return wrong(file, ErrorKind::Damaged, fmt::format("This is no {}: it is too large.", what));
    return (*source)->bytes(0, static_cast<size_t>((*source)->size()));
}

/// The file of that name beside the sheet, in whatever case. Sheets name files of other machines, too: of a
/// path only what lies below the sheet counts, of another the name.
Result<Path> besideSheet(const Path& sheet, const std::string& name) {
    std::string plain = text::replaceAll(name, "\\", "/");
    Path wanted = Path(plain).lexically_normal();
    if (wanted.is_absolute() || (plain.size() > 1 && plain[1] == ':') ||
        (!wanted.empty() && *wanted.begin() == ".."))
        wanted = wanted.filename();
    const Path folder = sheet.parent_path();
    std::error_code error;
    if (fs::is_regular_file(folder / wanted, error))
        return folder / wanted;
    const std::string folded = text::fold(wanted.filename().native());
    const Path within = (folder / wanted).parent_path();
    std::vector<Path> alike; // named otherwise only by its ending: packed after the sheet was written
    for (fs::directory_iterator it(within, error), end; !error && it != end; it.increment(error)) {
        if (!it->is_regular_file(error))
            continue;
        const Path found = it->path();
        if (text::fold(found.filename().native()) == folded)
            return found;
        const std::string ending = text::lower(found.extension().native());
        if (text::fold(found.stem().native()) == text::fold(wanted.stem().native()) &&
            (ending == ".flac" || ending == ".wav" || ending == ".wv" || ending == ".aiff" ||
             ending == ".aif" || ending == ".m4a"))
            alike.push_back(found);
    }
    if (alike.size() == 1)
        return alike.front();
    return wrong(
        sheet, ErrorKind::NotFound,
        fmt::format("The file \"{}\" that the cue sheet names is not beside it.", text::forDisplay(name)));
}

struct Source {
    Path file;
    uint64_t bytes = 0; // of samples, or of the file
};

Result<Source> sourceOf(const Path& sheet, const CueFile& named, std::vector<std::string>& notes) {
    auto path = besideSheet(sheet, named.name);
    if (!path)
        return path.error();
    Source out{*path, 0};
    if (named.kind != CueFile::Kind::Sound) {
        std::error_code error;
        out.bytes = fs::file_size(*path, error);
        if (error)
            return systemError(error.value(), *path, "reading the size of the file");
        return out;
    }
    auto read = sandbox::ParserPool::shared().readTags(*path);
    if (!read)
        return read.error();
    const tags::Facts& facts = read->facts;
    if (facts.bitDepth == 0)
        return wrong(*path, ErrorKind::Unsupported,
                     "This is no sound of a disc: it was made smaller, and its samples are not the disc's.");
    if (facts.sampleRate != 44100 || facts.channels != 2 || facts.bitDepth != 16)
        return wrong(
            *path, ErrorKind::Unsupported,
            fmt::format("This is no sound of a disc: it has {} Hz, {} channel{} and {} bit, not 44,100 "
                        "Hz, 2 channels and 16 bit.",
                        facts.sampleRate, facts.channels, facts.channels == 1 ? "" : "s", facts.bitDepth));
    if (read->damaged)
        notes.push_back(
            fmt::format("{} is damaged or cut short.", text::forDisplay(path->filename().native())));
    out.bytes = static_cast<uint64_t>(std::llround(facts.duration * 44100)) * frameBytes;
    return out;
}

/// Lays the files one after the other onto the disc.
class Layout {
public:
    Layout(DiscImage& image, std::vector<Source> sources) : image_(image), sources_(std::move(sources)) {}

    Status lay() {
        for (const CueTrack& track : image_.sheet.tracks)
            if (Status laid = layTrack(track); !laid)
                return laid;
        if (Status rest = endFile(); !rest)
            return rest;
        silence(postgap_);
        Toc& toc = image_.toc;
        toc.leadOut = at_;
        for (size_t i = 0; i < toc.tracks.size(); ++i) {
            const bool last = i + 1 == toc.tracks.size();
            toc.tracks[i].length =
                (last ? toc.leadOut : toc.tracks[i + 1].start - toc.tracks[i + 1].gap) - toc.tracks[i].start;
            if (toc.tracks[i].length <= 0)
                return wrong(
                    image_.sheetFile, ErrorKind::Damaged,
                    fmt::format("Track {} has no length: its files are shorter than the cue sheet says.",
                                toc.tracks[i].number));
        }
        if (toc.leadOut > mostSectors)
            return wrong(
                image_.sheetFile, ErrorKind::Damaged,
                fmt::format("The disc would be {} long: no disc holds that much.", shownTime(toc.leadOut)));
        return Done{};
    }

private:
    Status layTrack(const CueTrack& track) {
        TocTrack entry;
        entry.number = track.number;
        entry.audio = track.audio;
        entry.preEmphasis = track.preEmphasis;
        entry.copyPermitted = track.copyPermitted;
        entry.isrc = track.isrc;
        int32_t pause = -1;
        bool first = true;
        for (const CueTrack::Index& index : track.indexes) {
            if (index.file != file_) {
                if (Status ended = endFile(); !ended)
                    return ended;
                if (index.file != file_ + 1)
                    return wrong(image_.sheetFile, ErrorKind::Damaged,
                                 fmt::format("No track is in the file \"{}\".",
                                             text::forDisplay(image_.sheet.files[file_ + 1].name)));
                file_ = index.file;
                inFile_ = 0;
                offset_ = 0;
            }
            if (Status up = upTo(index.sector); !up)
                return up;
            if (first) {
                silence(std::exchange(postgap_, 0));
                pause = at_;
                silence(track.pregap);
                sectorBytes_ = track.audio ? bytesPerSector : track.sectorBytes;
            }
            first = false;
            if (index.number == 1)
                entry.start = at_;
        }
        entry.gap = entry.start - pause;
        postgap_ = track.postgap;
        image_.toc.tracks.push_back(entry);
        return Done{};
    }

    bool isOpen() const { return file_ < sources_.size(); }

    Status upTo(int32_t sector) {
        if (sector <= inFile_)
            return Done{};
        const int32_t length = sector - inFile_;
        const uint64_t bytes = static_cast<uint64_t>(length) * static_cast<uint64_t>(sectorBytes_);
        if (offset_ + bytes > sources_[file_].bytes)
            return wrong(image_.sheetFile, ErrorKind::CutShort,
                         fmt::format("\"{}\" is shorter than the cue sheet says.",
                                     text::forDisplay(sources_[file_].file.filename().native())));
        part(length, bytes);
        return Done{};
    }

    void part(int32_t length, uint64_t bytes) {
        if (length <= 0)
            return;
        image_.parts.push_back(
            {at_, length, sources_[file_].file, image_.sheet.files[file_].kind, offset_, sectorBytes_});
        at_ += length;
        inFile_ += length;
        offset_ += bytes;
    }

    void silence(int32_t length) {
        if (length > 0)
            image_.parts.push_back({at_, length, {}, CueFile::Kind::Sound, 0, bytesPerSector});
        at_ += std::max(0, length);
    }

    /// What is left of the file belongs to the track in it; the end of its last sector may be missing.
    Status endFile() {
        if (!isOpen())
            return Done{};
        const uint64_t left = sources_[file_].bytes - std::min(offset_, sources_[file_].bytes);
        const auto size = static_cast<uint64_t>(sectorBytes_);
        const uint64_t sectors = (left + size - 1) / size;
        if (sectors > static_cast<uint64_t>(mostSectors))
            return wrong(sources_[file_].file, ErrorKind::Damaged, "No disc holds that much.");
        if (left % size != 0 && image_.sheet.files[file_].kind != CueFile::Kind::Sound)
            image_.notes.push_back(
                fmt::format("\"{}\" does not end with a whole sector: the rest is silence.",
                            text::forDisplay(sources_[file_].file.filename().native())));
        part(static_cast<int32_t>(sectors), left);
        return Done{};
    }

    DiscImage& image_;
    std::vector<Source> sources_;
    size_t file_ = static_cast<size_t>(-1); // none yet
    int32_t at_ = 0;                        // on the disc
    int32_t inFile_ = 0;                    // sectors of the file that are laid
    uint64_t offset_ = 0;                   // the same in bytes
    int32_t postgap_ = 0;                   // to come when the track has ended
    int sectorBytes_ = bytesPerSector;
};

/// What the sheet says, as a disc would.
CdTextBlock blockOf(const CueSheet& sheet) {
    CdTextBlock out;
    auto take = [](const std::map<std::string, std::string>& from, CdTextEntry& to) {
        for (const char* what : {"title", "performer", "songwriter", "composer", "arranger", "message"})
            if (const auto it = from.find(what); it != from.end())
                to.texts[what] = it->second;
    };
    CdTextEntry disc;
    take(sheet.texts, disc);
    if (!disc.texts.empty())
        out.entries[0] = disc;
    if (const auto genre = sheet.texts.find("genre"); genre != sheet.texts.end())
        out.genre = genre->second;
    for (const CueTrack& t : sheet.tracks) {
        CdTextEntry entry;
        take(t.texts, entry);
        if (!entry.texts.empty())
            out.entries[t.number] = entry;
    }
    return out;
}

} // namespace

Result<DiscImage> openImage(const Path& sheetFile) {
    auto bytes = contentOf(sheetFile, 1 << 20, "cue sheet");
    if (!bytes)
        return bytes.error();
    auto sheet = readCueSheet(*bytes);
    if (!sheet)
        return Error{sheet.error().kind, sheetFile, sheet.error().message};
    DiscImage image;
    image.sheetFile = sheetFile;
    image.sheet = std::move(*sheet);
    std::vector<Source> sources;
    for (const CueFile& file : image.sheet.files) {
        auto source = sourceOf(sheetFile, file, image.notes);
        if (!source)
            return source.error();
        sources.push_back(std::move(*source));
    }
    if (Status laid = Layout(image, std::move(sources)).lay(); !laid)
        return laid.error();
    image.toc.mediaNumber = image.sheet.mediaNumber;
    if (!image.sheet.cdTextFile.empty()) {
        auto file = besideSheet(sheetFile, image.sheet.cdTextFile);
        auto packs = file ? contentOf(*file, 1 << 16, "CD-TEXT") : Result<std::string>(file.error());
        if (packs)
            image.text = decodeCdText(*packs);
        else
            image.notes.push_back(packs.error().message);
        if (image.text.damaged > 0)
            image.notes.push_back(fmt::format("{} part{} of the CD-TEXT {} damaged and left out.",
                                              image.text.damaged, image.text.damaged == 1 ? "" : "s",
                                              image.text.damaged == 1 ? "is" : "are"));
        image.hasCdText = !image.text.blocks.empty();
    }
    if (!image.hasCdText)
        if (CdTextBlock block = blockOf(image.sheet); !block.entries.empty() || !block.genre.empty())
            image.text.blocks.push_back(std::move(block));
    if (image.hasCdText) { // codes stand there, too
        const CdTextBlock& block = image.text.blocks.front();
        for (TocTrack& t : image.toc.tracks)
            if (const auto entry = block.entries.find(t.number);
                t.isrc.empty() && entry != block.entries.end())
                t.isrc = entry->second.code;
        if (const auto entry = block.entries.find(0);
            image.toc.mediaNumber.empty() && entry != block.entries.end() && entry->second.code.size() == 13)
            image.toc.mediaNumber = entry->second.code;
    }
    return image;
}

} // namespace moorfrost::disc
