// SPDX-License-Identifier: GPL-3.0-or-later
// Parts of a whole, exact whatever their number: 1/3 stays 1/3. As people type them, and as they are shown.
// Any thread.
#pragma once

#include <gmpxx.h>

#include <optional>
#include <string>
#include <string_view>

#include "core/base/result.h"

namespace moorfrost::library {

class Fraction {
public:
    Fraction() = default; // 0
    Fraction(long numerator, long denominator) : value_(numerator, denominator) { value_.canonicalize(); }
    explicit Fraction(mpq_class value) : value_(std::move(value)) { value_.canonicalize(); }

    /// As it is kept and handed on: "1/3", "1" for all of it. nullopt: it is no such text, or below 0.
    static std::optional<Fraction> fromText(std::string_view text);
    std::string text() const;
    /// For people: "33 1/3 %", "12.5 %".
    std::string percent() const;
    /// 0 to 1, for bars; not to reckon with.
    double rough() const { return value_.get_d(); }

    bool isZero() const { return value_ == 0; }
    const mpq_class& value() const { return value_; }
    friend Fraction operator+(const Fraction& a, const Fraction& b) { return Fraction(a.value_ + b.value_); }
    friend Fraction operator-(const Fraction& a, const Fraction& b) { return Fraction(a.value_ - b.value_); }
    friend Fraction operator*(const Fraction& a, const Fraction& b) { return Fraction(a.value_ * b.value_); }
    friend bool operator==(const Fraction& a, const Fraction& b) { return a.value_ == b.value_; }
    friend bool operator<(const Fraction& a, const Fraction& b) { return a.value_ < b.value_; }

private:
    mpq_class value_;
};

/// A share as it was typed.
struct TypedShare {
    Fraction part;
    /// What is probably meant where it was cut off: of 33.33 a third, of 0.5 a half. To be asked.
    std::optional<Fraction> meant = std::nullopt;
    bool each = false; // "1/3 each": all that are chosen
};
/// "1/3", "33 1/3 %", "33,3 %", "50", "½", "1/3 each". An Error (Invalid) with a sentence where it is none:
/// more than all of it, nothing, below nothing, divided by nothing.
Result<TypedShare> shareFromTyping(std::string_view typed);

} // namespace moorfrost::library
