// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/cue_sheet.h"

#include <algorithm>
#include <optional>

#include <fmt/format.h>

#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

constexpr size_t mostBytes = 1 << 20, mostFiles = 200, longestText = 2000;
constexpr int mostIndexes = 100;

Error wrong(size_t line, const std::string& why) {
    return {ErrorKind::Damaged, {}, fmt::format("Line {} of the cue sheet: {}", line, why)};
}

/// The sheet says nothing of its encoding.
std::string textOf(std::string_view bytes) {
    if (bytes.starts_with("\xFF\xFE") || bytes.starts_with("\xFE\xFF"))
        return text::fromUtf16(bytes.substr(2), bytes[0] == '\xFE');
    if (bytes.starts_with("\xEF\xBB\xBF"))
        bytes.remove_prefix(3);
    if (text::isUtf8(bytes))
        return std::string(bytes);
    const std::string latin = text::fromLatin1(bytes);
    const std::string encoding = text::likelyEncoding({latin});
    if (!encoding.empty())
        if (const auto again = text::readAgainAs(latin, encoding))
            return *again;
    return text::decode(std::string(bytes), "windows-1252").value_or(latin);
}

/// The words of a line.
std::vector<std::string> wordsOf(std::string_view line) {
    std::vector<std::string> out;
    for (size_t i = 0; i < line.size();) {
        const size_t begin = std::min(line.find_first_not_of(" \t", i), line.size());
        const size_t end = std::min(line.find_first_of(" \t", begin), line.size());
        if (end > begin)
            out.emplace_back(line.substr(begin, end - begin));
        i = end;
    }
    return out;
}

/// The text behind so many words. Quotes within it are not marked in any way: it ends with the last one.
/// `behind`: what follows it.
std::string textBehind(std::string_view line, size_t words, std::string* behind = nullptr) {
    size_t at = 0;
    for (size_t w = 0; w < words; ++w) {
        at = std::min(line.find_first_not_of(" \t", at), line.size());
        at = std::min(line.find_first_of(" \t", at), line.size());
    }
    const std::string rest = text::trim(line.substr(at));
    const size_t last = rest.rfind('"');
    if (!rest.starts_with('"') || last == 0) {
        const size_t space =
            behind ? rest.find_last_of(" \t") : std::string::npos; // the last word is not part of it
        if (behind && space != std::string::npos)
            *behind = rest.substr(space + 1);
        return text::trim(rest.substr(rest.starts_with('"') ? 1 : 0, space));
    }
    if (behind)
        *behind = text::trim(rest.substr(last + 1));
    return rest.substr(1, last - 1);
}

std::optional<int> number(const std::string& word, int most) {
    if (word.empty() || word.size() > 6 || !text::isDigits(word))
        return std::nullopt;
    const int n = std::atoi(word.c_str());
    return n <= most ? std::optional(n) : std::nullopt;
}

/// Minutes, seconds and sectors.
std::optional<int32_t> timeOf(const std::string& word) {
    const std::vector<std::string> parts = text::split(word, ":");
    if (parts.size() != 3)
        return std::nullopt;
    const auto minutes = number(parts[0], 999), seconds = number(parts[1], 59),
               sectors = number(parts[2], 74);
    if (!minutes || !seconds || !sectors)
        return std::nullopt;
    return (*minutes * 60 + *seconds) * sectorsPerSecond + *sectors;
}

class Reader {
public:
    Result<CueSheet> read(std::string_view bytes) {
        if (bytes.size() > mostBytes)
            return Error{ErrorKind::Damaged, {}, "This is no cue sheet: it is larger than 1 MB."};
        std::string all = textOf(bytes);
        if (all.find('\0') != std::string::npos)
            return Error{ErrorKind::Damaged, {}, "This is no cue sheet: it is not text."};
        std::ranges::replace(all, '\r', '\n');
        for (const std::string& line : text::split(all, "\n")) {
            ++line_;
            if (std::optional<Error> error = take(line))
                return *error;
        }
        if (std::optional<Error> error = endTrack())
            return *error;
        if (sheet_.tracks.empty())
            return Error{ErrorKind::Damaged, {}, "The cue sheet has no tracks."};
        return std::move(sheet_);
    }

private:
    std::optional<Error> take(const std::string& line) {
        const std::vector<std::string> words = wordsOf(line);
        if (words.empty())
            return std::nullopt;
        const std::string command = text::upper(words[0]);
        auto word = [&](size_t i) {
            std::string w = i < words.size() ? words[i] : std::string();
            std::erase(w, '"'); // around codes
            return w;
        };
        if (command == "FILE")
            return file(line);
        if (command == "TRACK")
            return track(word(1), text::upper(word(2)));
        if (command == "INDEX")
            return index(word(1), word(2));
        if (command == "PREGAP" || command == "POSTGAP") {
            const auto length = timeOf(word(1));
            if (!track_ || !length)
                return wrong(line_, fmt::format("{} is followed by a time, such as 00:02:00, within a track.",
                                                command));
            (command == "PREGAP" ? track_->pregap : track_->postgap) = *length;
        } else if (command == "FLAGS" && track_) {
            for (const std::string& flag : words) {
                track_->preEmphasis = track_->preEmphasis || text::upper(flag) == "PRE";
                track_->copyPermitted = track_->copyPermitted || text::upper(flag) == "DCP";
            }
        } else if (command == "CATALOG") {
            sheet_.mediaNumber = text::isDigits(word(1)) && word(1).size() == 13 ? word(1) : std::string();
        } else if (command == "ISRC" && track_) {
            const std::string code = text::upper(word(1));
            const bool fits = code.size() == 12 && std::ranges::all_of(code, [](char c) {
                                  return (c >= '0' && c <= '9') || (c >= 'A' && c <= 'Z');
                              });
            track_->isrc = fits ? code : std::string();
        } else if (command == "CDTEXTFILE") {
            sheet_.cdTextFile = textBehind(line, 1);
        } else if (command == "REM") {
            if (words.size() > 2)
                say(text::lower(words[1]), textBehind(line, 2));
        } else if (command == "TITLE" || command == "PERFORMER" || command == "SONGWRITER" ||
                   command == "COMPOSER" || command == "ARRANGER" || command == "MESSAGE" ||
                   command == "GENRE") {
            say(text::lower(command), textBehind(line, 1));
        } // what is not known is left alone, as other programs add their own
        return std::nullopt;
    }

    void say(const std::string& what, std::string value) {
        value = text::trim(value).substr(0, longestText);
        if (!text::isUtf8(value)) // cut within a letter
            value = text::trim(value.substr(0, value.find_last_of(' ')));
        if (!value.empty() && text::isUtf8(value))
            (track_ ? track_->texts : sheet_.texts)[what] = value;
    }

    std::optional<Error> file(const std::string& line) {
        CueFile f;
        std::string kind;
        f.name = textBehind(line, 1, &kind);
        kind = text::upper(kind);
        if (f.name.empty())
            return wrong(line_, "FILE is followed by the name of a file.");
        if (sheet_.files.size() >= mostFiles)
            return wrong(line_, "it names too many files.");
        f.kind = kind == "BINARY"     ? CueFile::Kind::Binary
                 : kind == "MOTOROLA" ? CueFile::Kind::BigEndian
                                      : CueFile::Kind::Sound;
        sheet_.files.push_back(std::move(f));
        return std::nullopt;
    }

    std::optional<Error> track(const std::string& n, const std::string& mode) {
        if (std::optional<Error> error = endTrack())
            return error;
        const auto wanted = number(n, mostTracks);
        if (!wanted || *wanted < 1)
            return wrong(line_, fmt::format("a track has a number from 1 to 99; \"{}\" is not.", n));
        if (!sheet_.tracks.empty() && *wanted != sheet_.tracks.back().number + 1)
            return wrong(line_, fmt::format("track {} does not follow track {}.", *wanted,
                                            sheet_.tracks.back().number));
        if (sheet_.files.empty())
            return wrong(line_, "a track comes before the FILE that it is in.");
        track_.emplace();
        track_->number = *wanted;
        track_->audio = mode.empty() || mode == "AUDIO";
        if (const size_t slash = mode.find('/'); !track_->audio && slash != std::string::npos)
            track_->sectorBytes =
                std::clamp(number(mode.substr(slash + 1), 2448).value_or(bytesPerSector), 2048, 2448);
        trackLine_ = line_;
        return std::nullopt;
    }

    std::optional<Error> index(const std::string& n, const std::string& time) {
        if (!track_)
            return wrong(line_, "INDEX stands outside of a track.");
        const auto wanted = number(n, mostIndexes - 1);
        const auto at = timeOf(time);
        if (!wanted)
            return wrong(line_, fmt::format("an index has a number from 0 to 99; \"{}\" is not.", n));
        if (!at)
            return wrong(line_,
                         fmt::format("\"{}\" is no time: minutes:seconds:sectors, such as 03:41:50.", time));
        const size_t inFile = sheet_.files.size() - 1;
        const CueTrack::Index* before = !track_->indexes.empty() ? &track_->indexes.back()
                                        : !sheet_.tracks.empty() ? &sheet_.tracks.back().indexes.back()
                                                                 : nullptr;
        if (before && before->file == inFile && *at < before->sector)
            return wrong(line_, "this index comes before the one above it.");
        if (!track_->indexes.empty() && *wanted <= track_->indexes.back().number)
            return wrong(line_, "the numbers of indexes rise within a track.");
        track_->indexes.push_back({*wanted, inFile, *at});
        return std::nullopt;
    }

    std::optional<Error> endTrack() {
        if (!track_)
            return std::nullopt;
        const auto first = std::ranges::find(track_->indexes, 1, &CueTrack::Index::number);
        if (first == track_->indexes.end())
            return wrong(trackLine_, fmt::format("track {} has no INDEX 01.", track_->number));
        track_->file = first->file;
        sheet_.tracks.push_back(std::move(*track_));
        track_.reset();
        return std::nullopt;
    }

    CueSheet sheet_;
    std::optional<CueTrack> track_;
    size_t line_ = 0, trackLine_ = 0;
};

std::string quoted(std::string text) {
    std::ranges::replace(text, '"', '\''); // there is no way to write one
    for (char& c : text)
        if (static_cast<unsigned char>(c) < 0x20)
            c = ' ';
    return "\"" + text + "\"";
}

std::string timeText(int32_t sectors) {
    return fmt::format("{:02}:{:02}:{:02}", sectors / (60 * sectorsPerSecond),
                       sectors / sectorsPerSecond % 60, sectors % sectorsPerSecond);
}

std::string textLines(const std::map<std::string, std::string>& texts, const std::string& indent) {
    std::string out;
    for (const auto& [what, value] : texts) {
        const bool command = what == "title" || what == "performer" || what == "songwriter";
        out += indent + (command ? "" : "REM ") + text::upper(what) + " " + quoted(value) + "\n";
    }
    return out;
}

} // namespace

Result<CueSheet> readCueSheet(std::string_view bytes) {
    return Reader().read(bytes);
}

std::string cueSheetText(const CueSheet& sheet) {
    std::string out;
    if (!sheet.mediaNumber.empty())
        out += "CATALOG " + sheet.mediaNumber + "\n";
    if (!sheet.cdTextFile.empty())
        out += "CDTEXTFILE " + quoted(sheet.cdTextFile) + "\n";
    out += textLines(sheet.texts, "");
    size_t files = 0;
    auto fileLines = [&](size_t upTo) {
        for (; files <= upTo && files < sheet.files.size(); ++files) {
            const CueFile& f = sheet.files[files];
            out += "FILE " + quoted(f.name) +
                   (f.kind == CueFile::Kind::Binary      ? " BINARY\n"
                    : f.kind == CueFile::Kind::BigEndian ? " MOTOROLA\n"
                                                         : " WAVE\n");
        }
    };
    for (const CueTrack& t : sheet.tracks) {
        fileLines(t.indexes.empty() ? t.file : t.indexes.front().file);
        out += fmt::format("  TRACK {:02} {}\n", t.number,
                           t.audio ? "AUDIO" : fmt::format("MODE1/{}", t.sectorBytes));
        out += textLines(t.texts, "    ");
        if (!t.isrc.empty())
            out += "    ISRC " + t.isrc + "\n";
        if (t.preEmphasis || t.copyPermitted)
            out += std::string("    FLAGS") + (t.copyPermitted ? " DCP" : "") +
                   (t.preEmphasis ? " PRE" : "") + "\n";
        if (t.pregap > 0)
            out += "    PREGAP " + timeText(t.pregap) + "\n";
        for (const CueTrack::Index& i : t.indexes) {
            fileLines(i.file);
            out += fmt::format("    INDEX {:02} {}\n", i.number, timeText(i.sector));
        }
        if (t.postgap > 0)
            out += "    POSTGAP " + timeText(t.postgap) + "\n";
    }
    return out;
}

} // namespace moorfrost::disc
