// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/fraction.h"

#include <algorithm>
#include <array>
#include <numeric>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t longestTyped = 60, mostDigits = 12, longestText = 400;

bool isDigits(std::string_view s) {
    return !s.empty() && std::ranges::all_of(s, [](char c) { return c >= '0' && c <= '9'; });
}

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

/// Signs for one fraction.
const std::array<std::pair<std::string_view, std::string_view>, 15> signs = {{{"\u00BD", "1/2"},
                                                                              {"\u2153", "1/3"},
                                                                              {"\u2154", "2/3"},
                                                                              {"\u00BC", "1/4"},
                                                                              {"\u00BE", "3/4"},
                                                                              {"\u2155", "1/5"},
                                                                              {"\u2156", "2/5"},
                                                                              {"\u2157", "3/5"},
                                                                              {"\u2158", "4/5"},
                                                                              {"\u2159", "1/6"},
                                                                              {"\u215A", "5/6"},
                                                                              {"\u215B", "1/8"},
                                                                              {"\u215C", "3/8"},
                                                                              {"\u215D", "5/8"},
                                                                              {"\u215E", "7/8"}}};

mpz_class power10(size_t n) {
    mpz_class out;
    mpz_ui_pow_ui(out.get_mpz_t(), 10, n);
    return out;
}

/// A number of per cent that was cut off or rounded behind `decimals`: of which simple part is it?
std::optional<Fraction> meantBy(const mpq_class& percent, size_t decimals) {
    const mpz_class scale = power10(decimals);
    const mpz_class wanted = mpz_class(percent * scale);
    for (long d = 3; d <= 24; ++d) {
        if (decimals == 0 && d != 3)
            break;
        long rest = d;
        for (long p : {2L, 5L})
            while (rest % p == 0)
                rest /= p;
        if (rest == 1)
            continue; // its per cent come to an end
        for (long n = 1; n < d; ++n) {
            if (std::gcd(n, d) != 1)
                continue;
            const mpq_class exact = mpq_class(n, d) * 100 * scale;
            const mpz_class down = exact.get_num() / exact.get_den();
            const mpz_class nearest = (2 * exact.get_num() + exact.get_den()) / (2 * exact.get_den());
            if (wanted == down || wanted == nearest)
                return Fraction(n, d);
        }
    }
    return std::nullopt;
}

} // namespace

std::optional<Fraction> Fraction::fromText(std::string_view text) {
    const size_t slash = text.find('/');
    const std::string_view n = text.substr(0, slash);
    const std::string_view d = slash == std::string_view::npos ? "1" : text.substr(slash + 1);
    if (text.size() > longestText || !isDigits(n) || !isDigits(d))
        return std::nullopt;
    const mpz_class numerator{std::string(n), 10}, denominator{std::string(d), 10};
    if (denominator == 0)
        return std::nullopt;
    return Fraction(mpq_class(numerator, denominator));
}

std::string Fraction::text() const {
    return value_.get_str();
}

std::string Fraction::percent() const {
    const mpq_class all = value_ * 100;
    const mpz_class whole = all.get_num() / all.get_den();
    const mpq_class rest = all - whole;
    if (rest == 0)
        return whole.get_str() + " %";
    const mpq_class hundredths = rest * 100;
    if (hundredths.get_den() == 1) {
        std::string decimals = hundredths.get_num().get_str();
        decimals.insert(0, 2 - std::min<size_t>(2, decimals.size()), '0');
        if (decimals.back() == '0')
            decimals.pop_back();
        return whole.get_str() + "." + decimals + " %";
    }
    return (whole == 0 ? std::string() : whole.get_str() + " ") + rest.get_str() + " %";
}

Result<TypedShare> shareFromTyping(std::string_view typed) {
    std::string s = text::trim(typed);
    if (s.empty())
        return invalid("A share is a part, such as 1/3 or 50 %.");
    const std::string shown = text::clipBytes(s, longestTyped);
    const Error none =
        invalid(fmt::format("\"{}\" is no share: a share is a part, such as 1/3 or 50 %.", shown));
    if (s.size() > longestTyped || !text::isUtf8(s))
        return none;
    for (const auto& [sign, plain] : signs)
        for (size_t at; (at = s.find(sign)) != std::string::npos;)
            s.replace(at, sign.size(), " " + std::string(plain));
    s = text::fold(s);
    TypedShare out;
    if (s.ends_with(" each")) {
        out.each = true;
        s.resize(s.size() - 5);
    }
    s = text::trim(s);
    bool percent = false;
    for (const std::string_view sign : {"%", "per cent", "percent"})
        if (s.ends_with(sign)) {
            percent = true;
            s.resize(s.size() - sign.size());
            break;
        }
    s = text::trim(s);
    if (s.starts_with("-") || s.starts_with("\u2212"))
        return invalid(fmt::format("\"{}\" is below nothing: a share is a part of the whole.", shown));
    std::ranges::replace(s, ',', '.');
    // A whole number, a part, or both: "33 1/3".
    std::string_view rest = s;
    mpq_class value;
    size_t decimals = 0;
    bool hasPoint = false, hasSlash = false;
    if (const size_t slash = rest.find('/'); slash != std::string_view::npos) {
        hasSlash = true;
        std::string_view below = rest.substr(slash + 1), above = rest.substr(0, slash);
        while (below.starts_with(' '))
            below.remove_prefix(1);
        while (above.ends_with(' '))
            above.remove_suffix(1);
        const size_t space = above.rfind(' ');
        const std::string_view whole =
            space == std::string_view::npos ? std::string_view() : above.substr(0, space);
        above = space == std::string_view::npos ? above : above.substr(space + 1);
        const std::string before = text::trim(whole);
        if (!isDigits(above) || !isDigits(below) || (!before.empty() && !isDigits(before)) ||
            std::max({above.size(), below.size(), before.size()}) > mostDigits)
            return none;
        const mpz_class denominator{std::string(below), 10};
        if (denominator == 0)
            return invalid(fmt::format("\"{}\" is divided by nothing.", shown));
        value = mpq_class(mpz_class(std::string(above), 10), denominator);
        value.canonicalize();
        if (!before.empty()) { // of a hundred
            value += mpz_class(before, 10);
            percent = true;
        }
        if (percent)
            value /= 100;
    } else {
        const size_t point = rest.find('.');
        hasPoint = point != std::string_view::npos;
        const std::string_view whole = rest.substr(0, point),
                               part = hasPoint ? rest.substr(point + 1) : std::string_view();
        if ((!whole.empty() && !isDigits(whole)) || (hasPoint && !isDigits(part)) ||
            (whole.empty() && part.empty()) || std::max(whole.size(), part.size()) > mostDigits)
            return none;
        decimals = part.size();
        value = mpq_class(mpz_class((whole.empty() ? "0" : std::string(whole)) + std::string(part), 10),
                          power10(decimals));
        value.canonicalize();
        if (const auto meant = meantBy(value, decimals))
            out.meant = meant;
        // "0.5" and "1" may be a part of one.
        if (!percent && value > 0 && value <= 1)
            out.meant = Fraction(value);
        value /= 100;
    }
    if (value == 0)
        return invalid(fmt::format("\"{}\" is nothing. Who has no share is left out.", shown));
    if (value > 1)
        return invalid(fmt::format("\"{}\" is more than all of it.", shown));
    if (hasSlash)
        out.meant.reset();
    out.part = Fraction(value);
    return out;
}

} // namespace moorfrost::library
