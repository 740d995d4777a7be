// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of a sheet that came in, with what was found of each. Most of it lies in a file without a name: a
// million rows take a few dozen bytes of memory each.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "core/files/spool.h"
#include "core/library/records.h"

namespace moorfrost::deliver {

struct InRow {
    enum class State : uint8_t {
        Changes,     // it says something otherwise than the library has it
        Several,     // several tracks are as likely
        NoTrack,     // none is sure enough
        Contradicts, // another row of the same track says otherwise
        Same,        // all is so already
        Again,       // another row of the same track says the same
        LeftOut,     // a person said so
        New,         // a person said so: an entry without a file
    };
    static constexpr size_t states = 8;
    enum class Evidence : uint8_t { None, Path, Code, Name, Words, Person };

    size_t line = 0; // in the file
    State state = State::NoTrack;
    Evidence evidence = Evidence::None;
    bool placeIsElsewhere = false; // its path is none of this machine
    library::FileId file = 0;
    size_t other = SIZE_MAX;                 // the row that it contradicts, or repeats
    std::string told;                        // sentences: why this track, or why none
    std::string trouble;                     // sentences: what of it was not understood, and is left out
    std::vector<library::FileId> candidates; // of Several
    tags::Fields says;                       // by key of a column
    tags::Fields before;                     // of what it says otherwise: as the library has it
    tags::Fields changes;                    // of these, what is otherwise; empty values: it is to be blank
    uint64_t saysHash = 0;

    static bool needsSomebody(State state) {
        return state == State::Several || state == State::NoTrack || state == State::Contradicts;
    }
    bool needsSomebody() const { return needsSomebody(state); }
};

/// One thread at a time; copies share what is put away, and may be on other threads.
class InRows {
public:
    /// In the folder of that file; before there are rows. Else in memory.
    void layBeside(const Path& file) { spool_ = std::make_shared<files::Spool>(file); }

    size_t size() const { return heads_.size(); }
    bool empty() const { return heads_.empty(); }
    /// All of one row; it costs a reading. What cannot be read back is a row that says nothing.
    InRow operator[](size_t row) const;
    /// At once, from memory:
    InRow::State state(size_t row) const { return heads_.at(row).state; }
    library::FileId file(size_t row) const { return heads_.at(row).file; }
    uint64_t saysHash(size_t row) const { return heads_.at(row).saysHash; }
    size_t count(InRow::State state) const;
    bool anyNeedsSomebody() const;

    void add(const InRow& row);
    void put(size_t at, const InRow& row);
    /// `which`: as many as there are rows.
    void erase(const std::vector<bool>& which);

    class Iterator {
    public:
        Iterator(const InRows& rows, size_t at) : rows_(rows), at_(at) {}
        InRow operator*() const { return rows_[at_]; }
        Iterator& operator++() {
            ++at_;
            return *this;
        }
        bool operator!=(const Iterator& other) const { return at_ != other.at_; }

    private:
        const InRows& rows_;
        size_t at_;
    };
    Iterator begin() const { return {*this, 0}; }
    Iterator end() const { return {*this, size()}; }

private:
    struct Head {
        files::Spool::Piece rest;
        library::FileId file = 0;
        uint64_t saysHash = 0;
        InRow::State state = InRow::State::NoTrack;
    };
    Head headOf(const InRow& row);

    std::vector<Head> heads_;
    std::shared_ptr<files::Spool> spool_ = std::make_shared<files::Spool>();
};

} // namespace moorfrost::deliver
