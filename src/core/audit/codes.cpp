// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audit/codes.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::audit {

namespace {

bool isDigit(char c) {
    return c >= '0' && c <= '9';
}

bool isLetter(char c) {
    return (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z');
}

std::string without(std::string_view value, std::string_view separators) {
    std::string out;
    for (char c : value)
        if (separators.find(c) == std::string_view::npos)
            out += c;
    return out;
}

bool allDigits(std::string_view s) {
    return std::all_of(s.begin(), s.end(), isDigit);
}

std::string whyNotIsrc(std::string_view value) {
    const std::string code = without(value, "- ");
    const std::string_view c = code;
    if (c.size() != 12)
        return fmt::format("an ISRC has 12 letters and digits, this has {}", code.size());
    if (!isLetter(c[0]) || !isLetter(c[1]))
        return "an ISRC begins with two letters";
    if (!std::all_of(c.begin() + 2, c.begin() + 5, [](char x) { return isLetter(x) || isDigit(x); }))
        return "the third to fifth place of an ISRC are letters or digits";
    if (!allDigits(c.substr(5)))
        return "the last seven places of an ISRC are digits";
    return {};
}

std::string whyNotIswc(std::string_view value) {
    const std::string code = without(value, "-. ");
    const std::string_view c = code;
    if (c.size() != 11 || (c[0] != 'T' && c[0] != 't') || !allDigits(c.substr(1)))
        return "an ISWC is T and ten digits";
    int sum = 1;
    for (int i = 1; i <= 9; ++i)
        sum += i * (c[static_cast<size_t>(i)] - '0');
    return (10 - sum % 10) % 10 == c[10] - '0' ? "" : "the check digit of the ISWC is wrong";
}

std::string whyNotBarcode(std::string_view value) {
    const std::string code = without(value, "- ");
    if (code.empty() || !allDigits(code))
        return "a barcode has digits only";
    if (code.size() != 13 && code.size() != 12 && code.size() != 8)
        return fmt::format("a barcode has 13, 12 or 8 digits, this has {}", code.size());
    int sum = 0; // weights 3 and 1, from the right
    for (size_t i = 0; i + 1 < code.size(); ++i)
        sum += (code[i] - '0') * ((code.size() - 2 - i) % 2 == 0 ? 3 : 1);
    return (10 - sum % 10) % 10 == code.back() - '0' ? "" : "the check digit of the barcode is wrong";
}

std::string whyNotIpi(std::string_view value) {
    const std::string code = without(value, "-. ");
    if (code.empty() || code.size() > 11 || !allDigits(code))
        return "an IPI name number has 11 digits";
    const std::string full = std::string(11 - code.size(), '0') + code; // zeroes in front are often left out
    int sum = 0;                                                        // weights 10 to 2
    for (size_t i = 0; i < 9; ++i)
        sum += (full[i] - '0') * static_cast<int>(10 - i);
    const int rest = sum % 101;
    const int check = rest == 0 ? 0 : (101 - rest) % 100;
    return check == (full[9] - '0') * 10 + (full[10] - '0') ? ""
                                                            : "the check digits of the IPI number are wrong";
}

std::string whyNotIsni(std::string_view value) {
    const std::string code = without(value, "- ");
    const std::string_view c = code;
    if (c.size() != 16 || !allDigits(c.substr(0, 15)) || !(isDigit(c[15]) || c[15] == 'X' || c[15] == 'x'))
        return "an ISNI has 16 digits, the last of which may be X";
    int sum = 0; // ISO/IEC 7064, MOD 11-2
    for (size_t i = 0; i < 15; ++i)
        sum = (sum + (c[i] - '0')) * 2 % 11;
    const int check = (12 - sum) % 11;
    const int is = isDigit(c[15]) ? c[15] - '0' : 10;
    return check == is ? "" : "the check character of the ISNI is wrong";
}

} // namespace

bool hasForm(std::string_view key) {
    return key == "isrc" || key == "iswc" || key == "barcode" || key == "ipi" || key == "isni";
}

std::string whyNotCode(std::string_view key, std::string_view value) {
    if (key == "isrc")
        return whyNotIsrc(value);
    if (key == "iswc")
        return whyNotIswc(value);
    if (key == "ipi")
        return whyNotIpi(value);
    if (key == "isni")
        return whyNotIsni(value);
    if (key == "barcode")
        return whyNotBarcode(value);
    return {};
}

std::string plainForm(std::string_view code) {
    std::string out;
    for (const char c : text::upper(code))
        if ((c >= '0' && c <= '9') || (c >= 'A' && c <= 'Z'))
            out += c;
    return out;
}

} // namespace moorfrost::audit
