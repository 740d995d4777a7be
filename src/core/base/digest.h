// SPDX-License-Identifier: GPL-3.0-or-later
// Checksums that hold against people who mean harm: SHA-256 and SHA-512, by OpenSSL's libcrypto. One object,
// one thread.
#pragma once

#include <memory>
#include <string>
#include <string_view>

namespace moorfrost {

class Digest {
public:
    enum class Kind { Sha256, Sha512 };
    explicit Digest(Kind kind);
    Digest(Digest&&) noexcept;
    Digest& operator=(Digest&&) noexcept;
    ~Digest();
    void add(std::string_view bytes);
    /// Of all that was added; nothing may be added after it.
    std::string bytes();
    std::string hex();

    static std::string of(Kind kind, std::string_view bytes); // raw bytes
    static std::string hexOf(Kind kind, std::string_view bytes);

private:
    struct State;
    std::unique_ptr<State> state_;
};

} // namespace moorfrost
