// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/id3/frame_texts.h"

#include <algorithm>
#include <iterator>
#include <map>

#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

constexpr char latin1 = 0, utf16 = 1, utf16Big = 2, utf8Code = 3;

size_t widthOf(char encoding) {
    return encoding == utf16 || encoding == utf16Big ? 2 : 1;
}

/// Where the zero that ends a text stands; npos where there is none.
size_t zeroIn(std::string_view b, size_t width) {
    if (width == 1)
        return b.find('\0');
    for (size_t i = 0; i + 1 < b.size(); i += 2)
        if (b[i] == '\0' && b[i + 1] == '\0')
            return i;
    return std::string_view::npos;
}

/// `big`: the order of bytes of the text before, for those without a mark.
std::string decoded(std::string_view b, char encoding, bool& big) {
    if (encoding == utf16 || encoding == utf16Big) {
        if (b.starts_with("\xFF\xFE"))
            big = false;
        else if (b.starts_with("\xFE\xFF"))
            big = true;
        else
            return text::fromUtf16(b, encoding == utf16Big || big);
        return text::fromUtf16(b.substr(2), big);
    }
    if (encoding == utf8Code && text::isUtf8(b))
        return std::string(b);
    return text::fromLatin1(b);
}

char encodingFor(const std::vector<std::string>& texts, int version) {
    const bool plain = std::all_of(texts.begin(), texts.end(),
                                   [](const std::string& t) { return text::toLatin1(t).has_value(); });
    return plain ? latin1 : version == 4 ? utf8Code : utf16;
}

std::string encoded(const std::string& t, char encoding) {
    if (encoding == latin1)
        return *text::toLatin1(t);
    return encoding == utf8Code ? t : "\xFF\xFE" + text::toUtf16(t);
}

std::string zero(char encoding) {
    return std::string(widthOf(encoding), '\0');
}

} // namespace

std::string synchronised(std::string_view b) {
    std::string out;
    out.reserve(b.size());
    for (size_t i = 0; i < b.size(); ++i) {
        out += b[i];
        if (b[i] == '\xFF' && i + 1 < b.size() && b[i + 1] == '\0')
            ++i;
    }
    return out;
}

std::string unsynchronised(std::string_view b) {
    std::string out;
    for (size_t i = 0; i < b.size(); ++i) {
        out += b[i];
        const bool last = i + 1 == b.size();
        if (b[i] == '\xFF' && (last || b[i + 1] == '\0' || static_cast<uint8_t>(b[i + 1]) >= 0xE0))
            out += '\0';
    }
    return out;
}

std::vector<std::string> textsIn(std::string_view b) {
    std::vector<std::string> out;
    if (b.empty())
        return out;
    const char encoding = b[0];
    const size_t width = widthOf(encoding);
    b.remove_prefix(1);
    bool big = false;
    while (!b.empty()) {
        const size_t end = zeroIn(b, width);
        out.push_back(decoded(b.substr(0, end), encoding, big));
        if (end == std::string_view::npos)
            break;
        b.remove_prefix(end + width);
    }
    while (!out.empty() && out.back().empty())
        out.pop_back();
    return out;
}

std::string textContent(const std::vector<std::string>& texts, int version) {
    const char encoding = encodingFor(texts, version);
    std::string out(1, encoding);
    for (size_t i = 0; i < texts.size(); ++i)
        out += (i > 0 ? zero(encoding) : std::string()) + encoded(texts[i], encoding);
    return out;
}

std::optional<WordsFrame> wordsIn(std::string_view b) {
    if (b.size() < 4)
        return std::nullopt;
    const char encoding = b[0];
    WordsFrame out;
    out.language = b.substr(1, 3);
    b.remove_prefix(4);
    const size_t end = zeroIn(b, widthOf(encoding));
    bool big = false;
    if (end == std::string_view::npos) { // no description: some programs leave it out
        out.text = decoded(b, encoding, big);
        return out;
    }
    out.description = decoded(b.substr(0, end), encoding, big);
    b.remove_prefix(end + widthOf(encoding));
    out.text = decoded(b.substr(0, zeroIn(b, widthOf(encoding))), encoding, big);
    return out;
}

std::string wordsContent(const WordsFrame& words, int version) {
    const char encoding = encodingFor({words.description, words.text}, version);
    return encoding + words.language + encoded(words.description, encoding) + zero(encoding) +
           encoded(words.text, encoding);
}

std::optional<NamedFrame> namedIn(std::string_view b, bool link) {
    if (b.empty())
        return std::nullopt;
    const char encoding = b[0];
    b.remove_prefix(1);
    const size_t end = zeroIn(b, widthOf(encoding));
    if (end == std::string_view::npos)
        return std::nullopt;
    NamedFrame out;
    bool big = false;
    out.description = decoded(b.substr(0, end), encoding, big);
    b.remove_prefix(end + widthOf(encoding));
    if (link) {
        out.texts.push_back(text::isUtf8(b) ? std::string(b.substr(0, b.find('\0')))
                                            : text::fromLatin1(b.substr(0, b.find('\0'))));
        return out;
    }
    while (!b.empty()) {
        const size_t stop = zeroIn(b, widthOf(encoding));
        out.texts.push_back(decoded(b.substr(0, stop), encoding, big));
        if (stop == std::string_view::npos)
            break;
        b.remove_prefix(stop + widthOf(encoding));
    }
    while (!out.texts.empty() && out.texts.back().empty())
        out.texts.pop_back();
    return out;
}

std::optional<std::string> namedContent(const NamedFrame& named, bool link, int version) {
    if (link) {
        auto address = text::toLatin1(named.texts.front());
        if (!address)
            return std::nullopt;
        const char encoding = encodingFor({named.description}, version);
        return encoding + encoded(named.description, encoding) + zero(encoding) + *address;
    }
    std::vector<std::string> all = {named.description};
    all.insert(all.end(), named.texts.begin(), named.texts.end());
    return textContent(all, version);
}

const FrameName* frameNameOf(std::string_view key) {
    static constexpr FrameName names[] = {
        {"title", "TIT2", "TT2"},         {"artist", "TPE1", "TP1"},
        {"album", "TALB", "TAL"},         {"album_artist", "TPE2", "TP2"},
        {"track", "TRCK", "TRK"},         {"disc", "TPOS", "TPA"},
        {"genre", "TCON", "TCO"},         {"composer", "TCOM", "TCM"},
        {"lyricist", "TEXT", "TXT"},      {"conductor", "TPE3", "TP3"},
        {"remixer", "TPE4", "TP4"},       {"label", "TPUB", "TPB"},
        {"isrc", "TSRC", "TRC"},          {"language", "TLAN", "TLA"},
        {"carrier", "TMED", "TMT"},       {"compilation", "TCMP", "TCP"},
        {"grouping", "TIT1", "TT1"},      {"mood", "TMOO", "", true},
        {"tempo", "TBPM", "TBP"},         {"key", "TKEY", "TKE"},
        {"copyright", "TCOP", "TCR"},     {"encoded_by", "TENC", "TEN"},
        {"title_sort", "TSOT", "TST"},    {"artist_sort", "TSOP", "TSP"},
        {"album_sort", "TSOA", "TSA"},    {"album_artist_sort", "TSO2", "TS2"},
        {"composer_sort", "TSOC", "TSC"},
    };
    for (const FrameName& n : names)
        if (key == n.key)
            return &n;
    return nullptr;
}

namespace {

const std::map<std::string, std::string, std::less<>>& propertyNames() {
    static const std::map<std::string, std::string, std::less<>> names = {{"TIT2", "TITLE"},
                                                                          {"TPE1", "ARTIST"},
                                                                          {"TALB", "ALBUM"},
                                                                          {"TPE2", "ALBUMARTIST"},
                                                                          {"TRCK", "TRACKNUMBER"},
                                                                          {"TPOS", "DISCNUMBER"},
                                                                          {"TCOM", "COMPOSER"},
                                                                          {"TEXT", "LYRICIST"},
                                                                          {"TPE3", "CONDUCTOR"},
                                                                          {"TPE4", "REMIXER"},
                                                                          {"TPUB", "LABEL"},
                                                                          {"TSRC", "ISRC"},
                                                                          {"TLAN", "LANGUAGE"},
                                                                          {"TMED", "MEDIA"},
                                                                          {"TCMP", "COMPILATION"},
                                                                          {"TIT1", "GROUPING"},
                                                                          {"GRP1", "GROUPING"},
                                                                          {"TMOO", "MOOD"},
                                                                          {"TBPM", "BPM"},
                                                                          {"TKEY", "INITIALKEY"},
                                                                          {"TCOP", "COPYRIGHT"},
                                                                          {"TENC", "ENCODEDBY"},
                                                                          {"TSOT", "TITLESORT"},
                                                                          {"TSOP", "ARTISTSORT"},
                                                                          {"TSOA", "ALBUMSORT"},
                                                                          {"TSO2", "ALBUMARTISTSORT"},
                                                                          {"TSOC", "COMPOSERSORT"},
                                                                          {"TDRC", "DATE"},
                                                                          {"TDOR", "ORIGINALDATE"},
                                                                          {"TORY", "ORIGINALDATE"},
                                                                          {"TIT3", "SUBTITLE"},
                                                                          {"TDEN", "ENCODINGTIME"},
                                                                          {"TDLY", "PLAYLISTDELAY"},
                                                                          {"TDRL", "RELEASEDATE"},
                                                                          {"TDTG", "TAGGINGDATE"},
                                                                          {"TFLT", "FILETYPE"},
                                                                          {"TLEN", "LENGTH"},
                                                                          {"TOAL", "ORIGINALALBUM"},
                                                                          {"TOFN", "ORIGINALFILENAME"},
                                                                          {"TOLY", "ORIGINALLYRICIST"},
                                                                          {"TOPE", "ORIGINALARTIST"},
                                                                          {"TOWN", "OWNER"},
                                                                          {"TPRO", "PRODUCEDNOTICE"},
                                                                          {"TRSN", "RADIOSTATION"},
                                                                          {"TRSO", "RADIOSTATIONOWNER"},
                                                                          {"TSSE", "ENCODING"},
                                                                          {"TSST", "DISCSUBTITLE"},
                                                                          {"MVNM", "MOVEMENTNAME"},
                                                                          {"MVIN", "MOVEMENTNUMBER"},
                                                                          {"WCOP", "COPYRIGHTURL"},
                                                                          {"WOAF", "FILEWEBPAGE"},
                                                                          {"WOAR", "ARTISTWEBPAGE"},
                                                                          {"WOAS", "AUDIOSOURCEWEBPAGE"},
                                                                          {"WORS", "RADIOSTATIONWEBPAGE"},
                                                                          {"WPAY", "PAYMENTWEBPAGE"},
                                                                          {"WPUB", "PUBLISHERWEBPAGE"}};
    return names;
}

/// Frames that 2.3 does not have yet.
bool isSince24(std::string_view id) {
    for (const char* since : {"TDEN", "TDOR", "TDRC", "TDRL", "TDTG", "TIPL", "TMCL", "TMOO", "TPRO", "TSST"})
        if (id == since)
            return true;
    return false;
}

} // namespace

std::string propertyOfFrame(std::string_view id) {
    auto it = propertyNames().find(id);
    return it == propertyNames().end() ? std::string() : it->second;
}

std::string textFrameOf(std::string_view property, int version) {
    for (const auto& [id, name] : propertyNames())
        if (name == property && id[0] == 'T' && version > 2 && (version == 4 || !isSince24(id)))
            return id;
    return {};
}

std::string modernId(std::string_view id2) {
    static const std::map<std::string, std::string, std::less<>> ids = {
        {"TT1", "TIT1"}, {"TT2", "TIT2"}, {"TT3", "TIT3"}, {"TP1", "TPE1"}, {"TP2", "TPE2"}, {"TP3", "TPE3"},
        {"TP4", "TPE4"}, {"TAL", "TALB"}, {"TRK", "TRCK"}, {"TPA", "TPOS"}, {"TCO", "TCON"}, {"TCM", "TCOM"},
        {"TXT", "TEXT"}, {"TPB", "TPUB"}, {"TRC", "TSRC"}, {"TLA", "TLAN"}, {"TMT", "TMED"}, {"TCP", "TCMP"},
        {"TBP", "TBPM"}, {"TKE", "TKEY"}, {"TCR", "TCOP"}, {"TEN", "TENC"}, {"TST", "TSOT"}, {"TSP", "TSOP"},
        {"TSA", "TSOA"}, {"TS2", "TSO2"}, {"TSC", "TSOC"}, {"TDY", "TDLY"}, {"TFT", "TFLT"}, {"TLE", "TLEN"},
        {"TOA", "TOPE"}, {"TOF", "TOFN"}, {"TOL", "TOLY"}, {"TOT", "TOAL"}, {"TSS", "TSSE"}, {"TXX", "TXXX"},
        {"COM", "COMM"}, {"ULT", "USLT"}, {"UFI", "UFID"}, {"CNT", "PCNT"}, {"POP", "POPM"}, {"MCI", "MCDI"},
        {"WAF", "WOAF"}, {"WAR", "WOAR"}, {"WAS", "WOAS"}, {"WCM", "WCOM"}, {"WCP", "WCOP"}, {"WPB", "WPUB"},
        {"WXX", "WXXX"}, {"TYE", "TYER"}, {"TDA", "TDAT"}, {"TIM", "TIME"}, {"TRD", "TRDA"}, {"TOR", "TORY"},
        {"IPL", "IPLS"}, {"TSI", "TSIZ"}, {"GP1", "GRP1"}};
    auto it = ids.find(id2);
    return it == ids.end() ? std::string() : it->second;
}

std::optional<WordsName> wordsName(std::string_view key) {
    WordsName out;
    std::string_view rest;
    for (const auto& [base, lyrics] : {std::pair<std::string_view, bool>("comment", false), {"lyrics", true}})
        if (key.starts_with(base)) {
            out.lyrics = lyrics;
            rest = key.substr(base.size());
            if (rest.size() >= 6 && rest.ends_with("]") && rest.substr(rest.size() - 6, 2) == " [") {
                out.language = rest.substr(rest.size() - 4, 3);
                rest.remove_suffix(6);
            }
            if (rest.starts_with(":") && rest.size() > 1) {
                out.description = rest.substr(1);
                rest = {};
            }
            return rest.empty() ? std::optional(out) : std::nullopt;
        }
    return std::nullopt;
}

std::string wordsProperty(const WordsName& name) {
    std::string out = name.lyrics ? "LYRICS" : "COMMENT";
    if (!name.description.empty())
        out += ":" + text::upper(name.description);
    if (!name.language.empty())
        out += " [" + text::upper(name.language) + "]";
    return out;
}

std::string roleProperty(std::string_view role) {
    static const std::map<std::string, std::string, std::less<>> roles = {{"PRODUCER", "PRODUCER"},
                                                                          {"ENGINEER", "ENGINEER"},
                                                                          {"ARRANGER", "ARRANGER"},
                                                                          {"MIX", "MIXER"},
                                                                          {"DJ-MIX", "DJMIXER"}};
    const std::string said = text::upper(role);
    auto it = roles.find(said);
    return it == roles.end() ? "PERFORMER:" + said : it->second;
}

std::vector<std::string> namesIn(std::string_view list) {
    std::vector<std::string> names(1);
    for (size_t i = 0; i < list.size(); ++i) {
        if (list[i] == ',' && i + 1 < list.size() && list[i + 1] != ' ')
            names.emplace_back();
        else
            names.back() += list[i];
    }
    return names;
}

} // namespace moorfrost::tags
