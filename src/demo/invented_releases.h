// SPDX-License-Identifier: GPL-3.0-or-later
// Parts of making releases up.
#pragma once

#include <cstdint>
#include <string>

namespace moorfrost::demo {

/// For numbers of parties and releases: letters and digits only.
std::string plainId(const std::string& name);
/// A barcode of twelve digits with its check digit (GS1 General Specifications).
std::string withCheckDigit(const std::string& twelve);

/// Numbers by chance, the same on every machine (splitmix64).
class Dice {
public:
    explicit Dice(uint64_t seed) : state_(seed) {}
    uint64_t next();
    /// 0 to n - 1.
    size_t below(size_t n) { return static_cast<size_t>(next() % n); }
    /// True so many times in a hundred.
    bool in100(unsigned n) { return next() % 100 < n; }
    double unit() { return static_cast<double>(next() >> 11) / 9007199254740992.0; }

private:
    uint64_t state_;
};

} // namespace moorfrost::demo
