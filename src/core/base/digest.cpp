// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/digest.h"

#include <new>

#include <openssl/evp.h>

#include "core/text/text.h"

namespace moorfrost {

struct Digest::State {
    EVP_MD_CTX* context = EVP_MD_CTX_new();
    ~State() { EVP_MD_CTX_free(context); }
};

Digest::Digest(Kind kind) : state_(std::make_unique<State>()) {
    if (!state_->context ||
        EVP_DigestInit_ex(state_->context, kind == Kind::Sha256 ? EVP_sha256() : EVP_sha512(), nullptr) != 1)
        throw std::bad_alloc();
}
Digest::Digest(Digest&&) noexcept = default;
Digest& Digest::operator=(Digest&&) noexcept = default;
Digest::~Digest() = default;

void Digest::add(std::string_view bytes) {
    EVP_DigestUpdate(state_->context, bytes.data(), bytes.size());
}

std::string Digest::bytes() {
    std::string out(EVP_MAX_MD_SIZE, '\0');
    unsigned int size = 0;
    EVP_DigestFinal_ex(state_->context, reinterpret_cast<unsigned char*>(out.data()), &size);
    out.resize(size);
    return out;
}

std::string Digest::hex() {
    return text::hex(bytes());
}

std::string Digest::of(Kind kind, std::string_view bytes) {
    Digest digest(kind);
    digest.add(bytes);
    return digest.bytes();
}

std::string Digest::hexOf(Kind kind, std::string_view bytes) {
    return text::hex(of(kind, bytes));
}

} // namespace moorfrost
