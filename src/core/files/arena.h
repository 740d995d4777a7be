// SPDX-License-Identifier: GPL-3.0-or-later
// One block of memory that holds many arrays, each under a number and the number of a field. It is built
// once, never changed, and is a file as it stands: written and mapped again without any reading.
#pragma once

#include <cstring>
#include <functional>
#include <memory>
#include <span>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::files {

class Arena {
public:
    ~Arena();
    Arena(const Arena&) = delete;
    Arena& operator=(const Arena&) = delete;

    /// The array; empty if there is none.
    template<class T>
    std::span<const T> part(uint32_t kind, uint32_t field = 0) const {
        std::string_view bytes = find(kind, field);
        return {reinterpret_cast<const T*>(bytes.data()), bytes.size() / sizeof(T)};
    }
    size_t size() const { return size_; }
    bool isMapped() const { return mapped_ != nullptr; }
    /// Gives back the memory of a mapped file; what is asked for again is read again.
    void letGo() const;

    /// What a writer has saved with this revision. nullptr where there is none, it is from something else, or
    /// it is damaged.
    static std::shared_ptr<const Arena> map(const Path& file, const std::string& revision);

private:
    friend class ArenaWriter;
    struct Entry {
        uint32_t kind, field;
        uint64_t offset, length;
    };
    Arena() = default;
    std::string_view find(uint32_t kind, uint32_t field) const;
    bool takeEntries();

    std::unique_ptr<char[]> owned_;
    void* mapped_ = nullptr;
    size_t mappedSize_ = 0;
    const char* data_ = nullptr; // entries, then what they tell of
    size_t size_ = 0;
    std::span<const Entry> entries_;
};

class ArenaWriter {
public:
    /// Takes the array; its memory is given back when the arena is made.
    template<class T>
    void add(uint32_t kind, uint32_t field, std::vector<T> list) {
        auto kept = std::make_shared<const std::vector<T>>(std::move(list));
        add(kind, field, {{reinterpret_cast<const char*>(kept->data()), kept->size() * sizeof(T)}}, kept);
    }
    void add(uint32_t kind, uint32_t field, std::string bytes) {
        auto kept = std::make_shared<const std::string>(std::move(bytes));
        add(kind, field, {*kept}, kept);
    }
    /// An array that lies in several pieces, which `owner` keeps. `letGo` gives back the memory of what can
    /// be had again; called between the arrays.
    void add(uint32_t kind, uint32_t field, std::vector<std::string_view> pieces,
             std::shared_ptr<const void> owner, std::function<void()> letGo = {});
    /// Straight from the arrays, without an arena in memory. `revision`: what it was made of, to be asked for
    /// again when it is mapped. The file is exchanged as a whole.
    Status save(const Path& file, const std::string& revision);
    std::shared_ptr<const Arena> finish();

private:
    struct Part {
        uint32_t kind, field;
        std::shared_ptr<const void> owner;
        std::vector<std::string_view> pieces;
        size_t size;
        std::function<void()> letGo;
    };
    /// The head of the arena; sorts the arrays.
    std::string entries();
    std::vector<Part> parts_;
};

} // namespace moorfrost::files
