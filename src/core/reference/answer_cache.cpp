// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/answer_cache.h"

#include <algorithm>
#include <chrono>
#include <fstream>
#include <vector>

#include "core/base/bytes_hash.h"
#include "core/files/disk.h"
#include "core/files/io.h"

namespace moorfrost::reference {

namespace fs = std::filesystem;

namespace {

constexpr std::string_view mark = "moorfrost answer 1";
constexpr uint64_t largest = 32u << 20;

std::string hashOf(std::string_view bytes) {
    BytesHash hash;
    hash.add(bytes);
    return hash.text();
}

} // namespace

Path AnswerCache::fileOf(const std::string& address) const {
    return folder_ / hashOf(address);
}

// A file: the mark, the address, the tag, the hash of the body, each a line; then the body.
std::optional<AnswerCache::Answer> AnswerCache::find(const std::string& address) const {
    const Path file = fileOf(address);
    std::error_code error;
    if (const auto size = fs::file_size(file, error); error || size > largest)
        return std::nullopt;
    std::ifstream in(file, std::ios::binary);
    std::string first, asked, tag, hash;
    if (!std::getline(in, first) || first != mark || !std::getline(in, asked) || asked != address ||
        !std::getline(in, tag) || !std::getline(in, hash))
        return std::nullopt;
    Answer out{tag, {std::istreambuf_iterator<char>(in), {}}, 0};
    if (hashOf(out.body) != hash)
        return std::nullopt;
    const auto written = fs::last_write_time(file, error);
    out.when = std::chrono::duration_cast<std::chrono::seconds>(
                   std::chrono::file_clock::to_sys(written).time_since_epoch())
                   .count();
    return out;
}

void AnswerCache::keep(const std::string& address, const std::string& tag, const std::string& body) {
    if (body.size() > largest / 2 || address.find('\n') != std::string::npos ||
        tag.find('\n') != std::string::npos)
        return;
    const std::string head = std::string(mark) + '\n' + address + '\n' + tag + '\n' + hashOf(body) + '\n';
    std::lock_guard lock(mutex_);
    std::error_code error;
    fs::create_directories(folder_, error);
    // Not flushed: what a crash leaves is told by its hash.
    const Path place = fileOf(address);
    auto file = files::NewFile::create(place, fs::exists(place, error));
    if (!file || files::io::write(file->descriptor(), 0, head.data(), head.size()) != 0 ||
        files::io::write(file->descriptor(), head.size(), body.data(), body.size()) != 0 ||
        !file->replaceTarget())
        return;
    since_ += body.size();
    if (!looked_ || since_ > limit_ / 10)
        shrink();
}

uint64_t AnswerCache::bytes() const {
    uint64_t sum = 0;
    std::error_code error;
    for (fs::directory_iterator i(folder_, error), end; !error && i != end; i.increment(error))
        if (std::error_code e; i->is_regular_file(e))
            sum += i->file_size(e);
    return sum;
}

void AnswerCache::shrink() {
    looked_ = true;
    since_ = 0;
    struct Kept {
        Path path;
        uint64_t size;
        fs::file_time_type when;
    };
    std::vector<Kept> all;
    uint64_t sum = 0;
    std::error_code error;
    for (fs::directory_iterator i(folder_, error), end; !error && i != end; i.increment(error)) {
        std::error_code e;
        if (!i->is_regular_file(e))
            continue;
        all.push_back({i->path(), i->file_size(e), i->last_write_time(e)});
        sum += all.back().size;
    }
    if (sum <= limit_)
        return;
    std::ranges::sort(all, {}, &Kept::when);
    for (const Kept& k : all) {
        if (sum <= limit_ * 8 / 10)
            break;
        fs::remove(k.path, error);
        sum -= std::min(sum, k.size);
    }
}

void AnswerCache::clear() {
    std::error_code error;
    std::vector<Path> all;
    for (fs::directory_iterator i(folder_, error), end; !error && i != end; i.increment(error))
        all.push_back(i->path());
    for (const Path& p : all)
        fs::remove(p, error);
}

} // namespace moorfrost::reference
