// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/growing_file.h"

#include "core/files/io.h"

namespace moorfrost::files {

namespace {

constexpr size_t portion = 1 << 20;

} // namespace

Result<GrowingFile> GrowingFile::create(const Path& target, Naming naming) {
    if (Status may = naming == Naming::Ours ? mayBeOurs(target) : Status(Done{}); !may)
        return may.error();
    auto file = NewFile::create(target, isThere(target));
    if (!file)
        return file.error();
    return GrowingFile(std::move(*file), target);
}

void GrowingFile::add(std::string_view bytes) {
    waiting_ += bytes;
    if (waiting_.size() >= portion)
        pass();
}

void GrowingFile::pass() {
    if (error_ == 0)
        error_ = io::write(file_.descriptor(), at_, waiting_.data(), waiting_.size());
    at_ += waiting_.size();
    waiting_.clear();
}

Status GrowingFile::finish() {
    pass();
    return putInPlace(file_, target_, error_);
}

} // namespace moorfrost::files
