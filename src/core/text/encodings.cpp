// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/encodings.h"

#include <array>
#include <memory>

#include <unicode/uchar.h>
#include <unicode/ucnv.h>
#include <unicode/unistr.h>
#include <unicode/uscript.h>

#include "core/text/text.h"

namespace moorfrost::text {

namespace {

struct Encoding {
    const char* name;
    const char* converter; // ICU's name
    UScriptCode script;    // what text in it is mostly written in
};

constexpr std::array encodings = {
    Encoding{"UTF-8", "UTF-8", USCRIPT_INVALID_CODE},
    Encoding{"Shift-JIS", "ibm-943_P15A-2003", USCRIPT_HAN},
    Encoding{"EUC-JP", "EUC-JP", USCRIPT_HAN},
    Encoding{"EUC-KR", "EUC-KR", USCRIPT_HANGUL},
    Encoding{"GB 18030", "GB18030", USCRIPT_HAN},
    Encoding{"Big5", "Big5", USCRIPT_HAN},
    Encoding{"Windows-1251", "windows-1251", USCRIPT_CYRILLIC},
    Encoding{"KOI8-R", "KOI8-R", USCRIPT_CYRILLIC},
    Encoding{"Windows-1253", "windows-1253", USCRIPT_GREEK},
    Encoding{"Windows-1255", "windows-1255", USCRIPT_HEBREW},
};

struct Close {
    void operator()(UConverter* c) const { ucnv_close(c); }
};
using Converter = std::unique_ptr<UConverter, Close>;

/// nullopt unless every byte can be read.
std::optional<icu::UnicodeString> decoded(const std::string& bytes, const char* name) {
    UErrorCode error = U_ZERO_ERROR;
    Converter converter(ucnv_open(name, &error));
    if (U_FAILURE(error))
        return std::nullopt;
    ucnv_setToUCallBack(converter.get(), UCNV_TO_U_CALLBACK_STOP, nullptr, nullptr, nullptr, &error);
    icu::UnicodeString out;
    auto most = static_cast<int32_t>(bytes.size() * 2 + 2);
    char16_t* buffer = out.getBuffer(most);
    int32_t n = ucnv_toUChars(converter.get(), buffer, most, bytes.data(), static_cast<int32_t>(bytes.size()),
                              &error);
    out.releaseBuffer(U_SUCCESS(error) ? n : 0);
    if (U_FAILURE(error))
        return std::nullopt;
    return out;
}

bool isKana(UScriptCode s) {
    return s == USCRIPT_HIRAGANA || s == USCRIPT_KATAKANA;
}

/// Of 0 to 1: how much the characters beyond ASCII look like words of the script. `kana`: sets how many are
/// kana.
double likeness(const icu::UnicodeString& text, UScriptCode script, int& beyond, int& kana) {
    beyond = kana = 0;
    int fit = 0, badCase = 0;
    UChar32 previous = 0;
    for (int32_t i = 0; i < text.length(); i = text.moveIndex32(i, 1)) {
        UChar32 c = text.char32At(i);
        if (c >= 0x80) {
            ++beyond;
            UErrorCode error = U_ZERO_ERROR;
            UScriptCode s = uscript_getScript(c, &error);
            bool halfWidth = c >= 0xFF61 && c <= 0xFF9F; // any two bytes can be two of these
            kana += isKana(s) && !halfWidth;
            bool cjkMark = (c >= 0x3000 && c <= 0x303F) || (c >= 0xFF01 && c <= 0xFF5E) || c == 0x30FB;
            bool common = c >= 0x4E00 && c <= 0x9FA5;
            fit += !halfWidth && (s == script ? script != USCRIPT_HAN || common
                                              : script == USCRIPT_HAN && (isKana(s) || cjkMark));
            // In a wrong Cyrillic reading small and capital letters change places.
            badCase += u_isupper(c) && u_islower(previous);
        }
        previous = c;
    }
    return beyond == 0 ? 0 : static_cast<double>(fit - badCase) / beyond;
}

/// Whether the text, read as Latin-1, could be meant: single letters with marks among plain ones. Words that
/// consist of such letters, and control characters, are not.
bool looksLikeLatin(const std::string& bytes) {
    size_t high = 0, inRuns = 0, run = 0, controls = 0, letters = 0;
    auto endRun = [&] {
        inRuns += run >= 3 ? run : 0;
        run = 0;
    };
    for (char c : bytes) {
        auto b = static_cast<unsigned char>(c);
        letters += (b | 0x20) >= 'a' && (b | 0x20) <= 'z';
        if (b >= 0x80) {
            ++high;
            ++run;
            controls += b < 0xA0;
        } else {
            endRun();
        }
    }
    endRun();
    return controls == 0 && inRuns * 2 < high && high <= letters;
}

} // namespace

std::vector<std::string> encodingNames() {
    std::vector<std::string> names;
    for (const Encoding& e : encodings)
        names.emplace_back(e.name);
    return names;
}

std::optional<std::string> latin1Bytes(std::string_view text) {
    auto wide =
        icu::UnicodeString::fromUTF8(icu::StringPiece(text.data(), static_cast<int32_t>(text.size())));
    std::string bytes;
    bool beyond = false, any1252 = false;
    for (int32_t i = 0; i < wide.length(); ++i) {
        char16_t c = wide[i];
        beyond = beyond || c >= 0x80;
        any1252 = any1252 || c > 0xFF;
        bytes += static_cast<char>(c);
    }
    if (!beyond)
        return std::nullopt;
    if (!any1252)
        return bytes;
    UErrorCode error = U_ZERO_ERROR;
    Converter converter(ucnv_open("windows-1252", &error));
    if (U_FAILURE(error))
        return std::nullopt;
    ucnv_setFromUCallBack(converter.get(), UCNV_FROM_U_CALLBACK_STOP, nullptr, nullptr, nullptr, &error);
    bytes.resize(static_cast<size_t>(wide.length()) + 1);
    int32_t n = ucnv_fromUChars(converter.get(), bytes.data(), static_cast<int32_t>(bytes.size()),
                                wide.getBuffer(), wide.length(), &error);
    if (U_FAILURE(error))
        return std::nullopt;
    bytes.resize(static_cast<size_t>(n));
    return bytes;
}

std::optional<std::string> readAgainAs(std::string_view text, std::string_view encoding) {
    auto bytes = latin1Bytes(text);
    if (!bytes)
        return std::nullopt;
    for (const Encoding& e : encodings)
        if (encoding == e.name) {
            auto wide = decoded(*bytes, e.converter);
            if (!wide)
                return std::nullopt;
            std::string out;
            wide->toUTF8String(out);
            return out;
        }
    return std::nullopt;
}

std::string likelyEncoding(const std::vector<std::string>& texts) {
    std::string all;
    for (const std::string& t : texts) {
        auto bytes = latin1Bytes(t);
        if (bytes)
            all += *bytes + " ";
        else
            for (char c : t)
                if (static_cast<unsigned char>(c) >= 0x80)
                    return {}; // some of it is beyond Latin-1 and right: whoever wrote it knew how
    }
    if (all.empty())
        return {};
    if (isUtf8(all)) // no other text is that by chance
        return "UTF-8";
    if (looksLikeLatin(all))
        return {};
    std::string best;
    double bestScore = 0.75;
    for (const Encoding& e : encodings) {
        if (e.script == USCRIPT_INVALID_CODE)
            continue;
        auto wide = decoded(all, e.converter);
        if (!wide)
            continue;
        int beyond = 0, kana = 0;
        double score = likeness(*wide, e.script, beyond, kana);
        if (e.script == USCRIPT_HAN) {
            bool japanese = std::string_view(e.name) == "Shift-JIS" || std::string_view(e.name) == "EUC-JP";
            // Japanese has kana; without any, Chinese is likelier. Either is likelier than rare characters.
            score *= japanese ? (kana > 0 ? 1.1 : 0.9) : (kana > 0 ? 0.7 : 0.95);
        }
        if (score > bestScore) {
            bestScore = score;
            best = e.name;
        }
    }
    return best;
}

std::optional<std::string> decode(const std::string& bytes, const char* encoding) {
    auto read = decoded(bytes, encoding);
    if (!read)
        return std::nullopt;
    std::string out;
    read->toUTF8String(out);
    return out;
}

namespace {

void appendUtf8(std::string& out, uint32_t c) {
    auto put = [&](uint32_t first, uint32_t bits) { out += static_cast<char>(first | bits); };
    if (c < 0x80) {
        out += static_cast<char>(c);
    } else if (c < 0x800) {
        put(0xC0, c >> 6);
        put(0x80, c & 0x3F);
    } else if (c < 0x10000) {
        put(0xE0, c >> 12);
        put(0x80, c >> 6 & 0x3F);
        put(0x80, c & 0x3F);
    } else {
        put(0xF0, c >> 18);
        put(0x80, c >> 12 & 0x3F);
        put(0x80, c >> 6 & 0x3F);
        put(0x80, c & 0x3F);
    }
}

/// The character that begins at `i` of valid UTF-8; `i` is moved behind it.
uint32_t nextOfUtf8(std::string_view text, size_t& i) {
    const auto first = static_cast<uint8_t>(text[i++]);
    const int more = first < 0x80 ? 0 : first < 0xE0 ? 1 : first < 0xF0 ? 2 : 3;
    uint32_t c = more == 0 ? first : first & (0x3Fu >> more);
    for (int k = 0; k < more && i < text.size(); ++k)
        c = c << 6 | (static_cast<uint8_t>(text[i++]) & 0x3Fu);
    return c;
}

} // namespace

std::string fromLatin1(std::string_view bytes) {
    std::string out;
    out.reserve(bytes.size());
    for (char c : bytes)
        appendUtf8(out, static_cast<uint8_t>(c));
    return out;
}

std::optional<std::string> toLatin1(std::string_view text) {
    if (!isUtf8(text))
        return std::nullopt;
    std::string out;
    for (size_t i = 0; i < text.size();) {
        const uint32_t c = nextOfUtf8(text, i);
        if (c > 0xFF)
            return std::nullopt;
        out += static_cast<char>(c);
    }
    return out;
}

std::string fromUtf16(std::string_view bytes, bool bigEndian) {
    auto unit = [&](size_t i) {
        const auto a = static_cast<uint8_t>(bytes[i]), b = static_cast<uint8_t>(bytes[i + 1]);
        return static_cast<uint32_t>(bigEndian ? a << 8 | b : b << 8 | a);
    };
    std::string out;
    out.reserve(bytes.size());
    for (size_t i = 0; i + 1 < bytes.size(); i += 2) {
        uint32_t c = unit(i);
        if (c >= 0xD800 && c < 0xDC00 && i + 3 < bytes.size() && (unit(i + 2) & 0xFC00) == 0xDC00) {
            c = 0x10000 + ((c - 0xD800) << 10) + (unit(i + 2) - 0xDC00);
            i += 2;
        } else if (c >= 0xD800 && c < 0xE000) {
            c = 0xFFFD;
        }
        appendUtf8(out, c);
    }
    return out;
}

std::string toUtf16(std::string_view text) {
    std::string out;
    auto put = [&](uint32_t unit) {
        out += static_cast<char>(unit & 0xFF);
        out += static_cast<char>(unit >> 8);
    };
    for (size_t i = 0; i < text.size();) {
        const uint32_t c = nextOfUtf8(text, i);
        if (c >= 0x10000) {
            put(0xD800 + ((c - 0x10000) >> 10));
            put(0xDC00 + ((c - 0x10000) & 0x3FF));
        } else {
            put(c);
        }
    }
    return out;
}

} // namespace moorfrost::text
