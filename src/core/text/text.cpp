// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/text.h"

#include <array>
#include <memory>
#include <mutex>

#include <unicode/brkiter.h>
#include <unicode/coll.h>
#include <unicode/locid.h>
#include <unicode/normalizer2.h>
#include <unicode/translit.h>
#include <unicode/uchar.h>
#include <unicode/unistr.h>
#include <unicode/uscript.h>

namespace moorfrost::text {

namespace {

icu::UnicodeString wide(std::string_view text) {
    return icu::UnicodeString::fromUTF8(icu::StringPiece(text.data(), static_cast<int32_t>(text.size())));
}

std::string narrow(const icu::UnicodeString& text) {
    std::string out;
    text.toUTF8String(out);
    return out;
}

bool isAscii(std::string_view text) {
    for (char c : text)
        if (static_cast<unsigned char>(c) >= 0x80)
            return false;
    return true;
}

/// Length of the valid UTF-8 sequence at `i`, or 0.
size_t sequenceLength(std::string_view s, size_t i) {
    auto byte = [&](size_t k) { return static_cast<unsigned char>(s[k]); };
    unsigned char lead = byte(i);
    if (lead < 0x80)
        return 1;
    size_t length = lead >= 0xC2 && lead <= 0xDF   ? 2
                    : (lead & 0xF0) == 0xE0        ? 3
                    : lead >= 0xF0 && lead <= 0xF4 ? 4
                                                   : 0;
    if (length == 0 || i + length > s.size())
        return 0;
    for (size_t k = 1; k < length; ++k)
        if ((byte(i + k) & 0xC0) != 0x80)
            return 0;
    unsigned char second = byte(i + 1);
    bool overlongOrSurrogate = (lead == 0xE0 && second < 0xA0) || (lead == 0xED && second > 0x9F) ||
                               (lead == 0xF0 && second < 0x90) || (lead == 0xF4 && second > 0x8F);
    return overlongOrSurrogate ? 0 : length;
}

std::string byteEscape(char c) {
    static const char* digits = "0123456789ABCDEF";
    auto b = static_cast<unsigned char>(c);
    return std::string("\\x") + digits[b >> 4] + digits[b & 15];
}

std::string escape(std::string_view bytes, bool doubleBackslash, bool controls) {
    std::string out;
    for (size_t i = 0; i < bytes.size();) {
        size_t n = sequenceLength(bytes, i);
        bool control =
            controls && n == 1 && (static_cast<unsigned char>(bytes[i]) < 0x20 || bytes[i] == 0x7F);
        if (n == 0 || control) {
            out += byteEscape(bytes[i++]);
        } else if (doubleBackslash && bytes[i] == '\\') {
            out += "\\\\";
            ++i;
        } else {
            out.append(bytes.substr(i, n));
            i += n;
        }
    }
    return out;
}

const char* foldedByHand(UChar32 c) {
    switch (c) {
    case 0xF8:
        return "o";
    case 0x142:
        return "l";
    case 0xE6:
        return "ae";
    case 0x153:
        return "oe";
    case 0xDF:
        return "ss";
    case 0x111:
    case 0xF0:
        return "d";
    case 0xFE:
        return "th";
    case 0x131:
        return "i";
    default:
        return nullptr;
    }
}

bool marksAreDecoration(UChar32 base) {
    UErrorCode status = U_ZERO_ERROR;
    UScriptCode script = uscript_getScript(base, &status);
    return script == USCRIPT_LATIN || script == USCRIPT_GREEK || script == USCRIPT_CYRILLIC;
}

} // namespace

bool isUtf8(std::string_view bytes) {
    for (size_t i = 0; i < bytes.size();) {
        size_t n = sequenceLength(bytes, i);
        if (n == 0)
            return false;
        i += n;
    }
    return true;
}

std::string escapeBytes(std::string_view bytes) {
    return isUtf8(bytes) ? std::string(bytes) : escape(bytes, true, false);
}

std::string forDisplay(std::string_view bytes) {
    if (std::all_of(bytes.begin(), bytes.end(), [](char c) { return c >= 0x20 && c < 0x7F; }))
        return std::string(bytes); // most are
    return escape(bytes, !isUtf8(bytes), true);
}

std::string unescapeBytes(std::string_view text) {
    auto digit = [](char c) {
        return c >= '0' && c <= '9' ? c - '0' : c >= 'A' && c <= 'F' ? c - 'A' + 10 : -1;
    };
    std::string out;
    for (size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '\\' && i + 1 < text.size() && text[i + 1] == '\\') {
            out += '\\';
            ++i;
        } else if (text[i] == '\\' && i + 3 < text.size() && text[i + 1] == 'x' && digit(text[i + 2]) >= 0 &&
                   digit(text[i + 3]) >= 0) {
            out += static_cast<char>(digit(text[i + 2]) * 16 + digit(text[i + 3]));
            i += 3;
        } else {
            out += text[i];
        }
    }
    return out;
}

std::string fromHex(std::string_view hex) {
    auto digit = [](char c) {
        return c >= '0' && c <= '9' ? c - '0' : c >= 'a' && c <= 'f' ? c - 'a' + 10 : -1;
    };
    std::string bytes;
    for (size_t i = 0; i + 1 < hex.size(); i += 2)
        if (int a = digit(hex[i]), b = digit(hex[i + 1]); a >= 0 && b >= 0)
            bytes += static_cast<char>(a * 16 + b);
    return bytes;
}

std::string hex(std::string_view bytes) {
    static const char* digits = "0123456789abcdef";
    std::string out;
    for (char c : bytes) {
        auto b = static_cast<unsigned char>(c);
        out += digits[b >> 4];
        out += digits[b & 15];
    }
    return out;
}

std::string nfc(std::string_view text) {
    if (isAscii(text))
        return std::string(text);
    UErrorCode status = U_ZERO_ERROR;
    const icu::Normalizer2* n = icu::Normalizer2::getNFCInstance(status);
    return narrow(n->normalize(wide(text), status));
}

std::string fold(std::string_view text) {
    if (isAscii(text)) {
        std::string out(text);
        for (char& c : out)
            if (c >= 'A' && c <= 'Z')
                c = static_cast<char>(c + 32);
        return out;
    }
    UErrorCode status = U_ZERO_ERROR;
    icu::UnicodeString folded = wide(text).foldCase();
    icu::UnicodeString parts = icu::Normalizer2::getNFDInstance(status)->normalize(folded, status);
    icu::UnicodeString kept;
    bool decoration = false;
    for (int32_t i = 0; i < parts.length();) {
        UChar32 c = parts.char32At(i);
        i += U16_LENGTH(c);
        if (u_getCombiningClass(c) != 0) {
            if (!decoration)
                kept.append(c);
            continue;
        }
        decoration = marksAreDecoration(c);
        if (const char* plain = foldedByHand(c))
            kept.append(icu::UnicodeString(plain));
        else
            kept.append(c);
    }
    return narrow(icu::Normalizer2::getNFCInstance(status)->normalize(kept, status));
}

std::string upper(std::string_view text) {
    if (isAscii(text)) {
        std::string plain(text);
        for (char& c : plain)
            c = c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c;
        return plain;
    }
    return narrow(wide(text).toUpper());
}
std::string lower(std::string_view text) {
    if (isAscii(text)) {
        std::string plain(text);
        for (char& c : plain)
            c = c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
        return plain;
    }
    return narrow(wide(text).toLower());
}

std::string titleCase(std::string_view text) {
    // Words are what white space, brackets and dashes set apart, so that "keeper's" keeps its small s.
    icu::UnicodeString s = wide(text).toLower();
    icu::UnicodeString out;
    bool start = true;
    for (int32_t i = 0; i < s.length();) {
        UChar32 c = s.char32At(i);
        i += U16_LENGTH(c);
        out.append(start && u_isalpha(c) ? u_totitle(c) : c);
        bool inside = u_isalnum(c) || c == '\'' || c == 0x2019 || c == '.' || u_getCombiningClass(c) != 0;
        start = !inside;
    }
    return narrow(out);
}

std::string sentenceCase(std::string_view text) {
    icu::UnicodeString s = wide(text).toLower();
    for (int32_t i = 0; i < s.length();) {
        UChar32 c = s.char32At(i);
        if (u_isalpha(c)) {
            s.replace(i, U16_LENGTH(c), u_totitle(c));
            break;
        }
        i += U16_LENGTH(c);
    }
    return narrow(s);
}

std::string sortForm(std::string_view text) {
    static const std::array<const char*, 12> articles = {"the ", "a ",  "an ",  "der ", "die ", "das ",
                                                         "le ",  "la ", "les ", "el ",  "los ", "las "};
    std::string folded = fold(text);
    for (const char* article : articles) {
        std::string_view a(article);
        if (folded.starts_with(a) && text.size() > a.size())
            return std::string(text.substr(a.size())) + ", " + std::string(text.substr(0, a.size() - 1));
    }
    return std::string(text);
}

std::string plainLetters(std::string_view text) {
    if (isAscii(text))
        return std::string(text);
    static std::mutex mutex;
    static std::unique_ptr<icu::Transliterator> translit;
    std::lock_guard lock(mutex);
    if (!translit) {
        UErrorCode status = U_ZERO_ERROR;
        translit.reset(icu::Transliterator::createInstance(
            "Any-Latin; NFD; [:Nonspacing Mark:] Remove; Latin-ASCII", UTRANS_FORWARD, status));
        if (U_FAILURE(status) || !translit)
            return std::string(text);
    }
    icu::UnicodeString s = wide(text);
    translit->transliterate(s);
    std::string out;
    for (char c : narrow(s))
        if (static_cast<unsigned char>(c) < 0x80)
            out += c;
    return out;
}

namespace {
/// The UTF-16 text and the grapheme boundary that `stop` accepts last.
template<class Accept>
std::string cutAtGrapheme(std::string_view text, Accept accept) {
    UErrorCode status = U_ZERO_ERROR;
    icu::UnicodeString s = wide(text);
    std::unique_ptr<icu::BreakIterator> it(
        icu::BreakIterator::createCharacterInstance(icu::Locale::getRoot(), status));
    it->setText(s);
    int32_t end = 0;
    int count = 0;
    for (int32_t next = it->next(); next != icu::BreakIterator::DONE; next = it->next()) {
        if (!accept(++count, s, next))
            break;
        end = next;
    }
    return narrow(s.tempSubString(0, end));
}
} // namespace

std::string firstCharacters(std::string_view text, int count) {
    return cutAtGrapheme(text, [count](int n, const icu::UnicodeString&, int32_t) { return n <= count; });
}

std::string clipBytes(std::string_view text, size_t maxBytes) {
    if (text.size() <= maxBytes)
        return std::string(text);
    return cutAtGrapheme(text, [maxBytes](int, const icu::UnicodeString& s, int32_t end) {
        return narrow(s.tempSubString(0, end)).size() <= maxBytes;
    });
}

namespace {
icu::Collator* collator() {
    thread_local std::unique_ptr<icu::Collator> mine = [] {
        UErrorCode status = U_ZERO_ERROR;
        std::unique_ptr<icu::Collator> c(icu::Collator::createInstance(status));
        if (c)
            c->setAttribute(UCOL_NUMERIC_COLLATION, UCOL_ON, status);
        return c;
    }();
    return mine.get();
}
} // namespace

std::string localeName() {
    return icu::Locale::getDefault().getName();
}

int compare(std::string_view a, std::string_view b) {
    if (!collator())
        return a.compare(b);
    UErrorCode status = U_ZERO_ERROR;
    auto piece = [](std::string_view s) {
        return icu::StringPiece(s.data(), static_cast<int32_t>(s.size()));
    };
    return collator()->compareUTF8(piece(a), piece(b), status);
}

std::string sortKey(std::string_view text) {
    if (!collator())
        return std::string(text);
    icu::UnicodeString s = wide(text);
    std::string key(static_cast<size_t>(s.length()) * 4 + 16, '\0');
    for (;;) {
        auto* bytes = reinterpret_cast<uint8_t*>(key.data());
        auto needed = static_cast<size_t>(collator()->getSortKey(s, bytes, static_cast<int32_t>(key.size())));
        bool fits = needed <= key.size();
        key.resize(needed);
        if (fits)
            return key;
    }
}

std::string trim(std::string_view text) {
    size_t first = text.find_first_not_of(" \t\r\n");
    if (first == std::string_view::npos)
        return {};
    return std::string(text.substr(first, text.find_last_not_of(" \t\r\n") - first + 1));
}

std::string join(const std::vector<std::string>& parts, std::string_view separator) {
    std::string out;
    for (size_t i = 0; i < parts.size(); ++i) {
        if (i > 0)
            out += separator;
        out += parts[i];
    }
    return out;
}

std::vector<std::string> split(std::string_view text, std::string_view separator) {
    std::vector<std::string> parts;
    size_t from = 0;
    for (size_t at = text.find(separator); at != std::string_view::npos; at = text.find(separator, from)) {
        parts.emplace_back(text.substr(from, at - from));
        from = at + separator.size();
    }
    parts.emplace_back(text.substr(from));
    return parts;
}

std::string replaceAll(std::string_view text, std::string_view what, std::string_view with) {
    return what.empty() ? std::string(text) : join(split(text, what), with);
}

bool isDigits(std::string_view text) {
    return !text.empty() && text.find_first_not_of("0123456789") == std::string_view::npos;
}

} // namespace moorfrost::text
