// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/charset.h"

#include <algorithm>

#include <unicode/ucnv.h>
#include <unicode/ucnv_cb.h>
#include <unicode/ustring.h>

#include "core/text/text.h"

namespace moorfrost::text {

namespace {

struct Close {
    void operator()(UConverter* c) const { ucnv_close(c); }
};
using Converter = std::unique_ptr<UConverter, Close>;

Result<Converter> opened(const std::string& charset) {
    const auto& names = charsetNames();
    if (std::ranges::find(names, charset) == names.end())
        return Error{ErrorKind::Invalid, {}, "There is no encoding \"" + charset + "\"."};
    UErrorCode code = U_ZERO_ERROR;
    Converter out(ucnv_open(charset.c_str(), &code));
    if (U_FAILURE(code))
        return Error{ErrorKind::Unsupported, {}, "The encoding \"" + charset + "\" is not known here."};
    return out;
}

bool isUtf8Name(const std::string& charset) {
    return charset == "UTF-8";
}

void U_CALLCONV count(const void* context, UConverterFromUnicodeArgs* args, const UChar*, int32_t, UChar32,
                      UConverterCallbackReason reason, UErrorCode* code) {
    if (reason > UCNV_IRREGULAR)
        return; // a reset, a clone, a close
    ++*static_cast<size_t*>(const_cast<void*>(context));
    *code = U_ZERO_ERROR;
    const char mark = '?';
    ucnv_cbFromUWriteBytes(args, &mark, 1, 0, code);
}

} // namespace

const std::vector<std::string>& charsetNames() {
    static const std::vector<std::string> names = {
        "UTF-8",        "UTF-16LE",   "UTF-16BE",   "Windows-1252", "Windows-1250", "Windows-1251",
        "Windows-1257", "ISO-8859-1", "ISO-8859-2", "ISO-8859-15",  "KOI8-R",       "IBM850",
        "Shift-JIS",    "EUC-JP",     "GB18030",    "macintosh"};
    return names;
}

struct CharsetReader::State {
    Converter converter;
    size_t unread = 0;
    std::vector<UChar> units = std::vector<UChar>(16384);
    UChar half = 0; // the first of a pair whose second is in the next part
};

CharsetReader::CharsetReader(std::unique_ptr<State> state) : state_(std::move(state)) {}
CharsetReader::CharsetReader(CharsetReader&&) noexcept = default;
CharsetReader& CharsetReader::operator=(CharsetReader&&) noexcept = default;
CharsetReader::~CharsetReader() = default;

Result<CharsetReader> CharsetReader::of(const std::string& charset) {
    auto converter = opened(charset);
    if (!converter)
        return converter.error();
    auto state = std::make_unique<State>();
    state->converter = std::move(*converter);
    return CharsetReader(std::move(state));
}

std::string CharsetReader::read(std::string_view bytes, bool last) {
    std::string out;
    out.reserve(bytes.size() + 16);
    const char *from = bytes.data(), *end = from + bytes.size();
    bool more = true;
    while (more) {
        UChar* to = state_->units.data();
        if (state_->half != 0) {
            *to++ = state_->half;
            state_->half = 0;
        }
        UErrorCode code = U_ZERO_ERROR;
        ucnv_toUnicode(state_->converter.get(), &to, state_->units.data() + state_->units.size(), &from, end,
                       nullptr, last, &code);
        more = code == U_BUFFER_OVERFLOW_ERROR;
        auto n = to - state_->units.data();
        if (n > 0 && U16_IS_LEAD(state_->units[static_cast<size_t>(n) - 1]) && (more || !last))
            state_->half = state_->units[static_cast<size_t>(--n)];
        for (int32_t i = 0; i < n;) {
            UChar32 c = 0;
            U16_NEXT(state_->units.data(), i, static_cast<int32_t>(n), c);
            if (U_IS_SURROGATE(c))
                c = 0xFFFD;
            state_->unread += c == 0xFFFD;
            char utf8[4];
            int32_t length = 0;
            U8_APPEND_UNSAFE(utf8, length, c);
            out.append(utf8, static_cast<size_t>(length));
        }
    }
    return out;
}

size_t CharsetReader::unread() const {
    return state_->unread;
}

struct CharsetWriter::State {
    bool isUtf8 = false;
    Converter converter;
    size_t replaced = 0;
};

CharsetWriter::CharsetWriter(std::unique_ptr<State> state) : state_(std::move(state)) {}
CharsetWriter::CharsetWriter(CharsetWriter&&) noexcept = default;
CharsetWriter& CharsetWriter::operator=(CharsetWriter&&) noexcept = default;
CharsetWriter::~CharsetWriter() = default;

Result<CharsetWriter> CharsetWriter::of(const std::string& charset) {
    auto converter = opened(charset);
    if (!converter)
        return converter.error();
    auto state = std::make_unique<State>();
    state->isUtf8 = isUtf8Name(charset);
    state->converter = std::move(*converter);
    UErrorCode code = U_ZERO_ERROR;
    ucnv_setFromUCallBack(state->converter.get(), count, &state->replaced, nullptr, nullptr, &code);
    return CharsetWriter(std::move(state));
}

std::string CharsetWriter::write(std::string_view text) {
    if (state_->isUtf8)
        return isUtf8(text) ? std::string(text) : nfc(text);
    std::u16string units;
    units.reserve(text.size());
    const auto* bytes = reinterpret_cast<const uint8_t*>(text.data());
    const auto size = static_cast<int32_t>(text.size());
    for (int32_t i = 0; i < size;) {
        UChar32 c = 0;
        U8_NEXT_OR_FFFD(bytes, i, size, c);
        if (U_IS_BMP(c)) {
            units += static_cast<char16_t>(c);
        } else {
            units += static_cast<char16_t>(U16_LEAD(c));
            units += static_cast<char16_t>(U16_TRAIL(c));
        }
    }
    std::string out(units.size() * 4 + 16, '\0');
    char* to = out.data();
    const UChar* from = units.data();
    UErrorCode code = U_ZERO_ERROR;
    ucnv_fromUnicode(state_->converter.get(), &to, out.data() + out.size(), &from, from + units.size(),
                     nullptr, true, &code);
    out.resize(static_cast<size_t>(to - out.data()));
    return out;
}

size_t CharsetWriter::replaced() const {
    return state_->replaced;
}

std::string byteOrderMark(const std::string& charset) {
    if (isUtf8Name(charset))
        return "\xEF\xBB\xBF";
    if (charset == "UTF-16LE")
        return "\xFF\xFE";
    if (charset == "UTF-16BE")
        return "\xFE\xFF";
    return {};
}

} // namespace moorfrost::text
