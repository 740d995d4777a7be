// SPDX-License-Identifier: GPL-3.0-or-later
// What was delivered: what, when, to whom, in which form, and what came back of it.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

/// A track as it was when it went out.
struct DeliveredItem {
    FileId file = 0;
    uint64_t said = 0; // a hash of what its tags said
    bool operator==(const DeliveredItem&) const = default;
};

struct Delivery {
    int64_t id = 0;
    int64_t when = 0;    // seconds since 1970
    std::string way;     // "one-sheet", "sheet", "share page", "list", "device", "package"
    std::string title;   // what went out, for people
    std::string forWhom; // "" where nobody said
    Path target;         // the file or folder that was made
    std::string layout;  // as JSON, as it was then; "" where there is none
    std::string state;   // a sentence: "12 rows", "broken off"
    std::string content; // of the way itself
    size_t items = 0, notes = 0;
};

/// What somebody who got it says of a track.
struct DeliveryNote {
    FileId file = 0;
    double seconds = -1; // in the track; negative: of all of it
    std::string who, text;
    int rating = 0;   // 1 to 5; 0: none
    int64_t when = 0; // seconds since 1970, as who wrote it says
    bool operator==(const DeliveryNote&) const = default;
};

class DeliveryTable {
public:
    explicit DeliveryTable(Database& db) : db_(db) {}

    int64_t add(const Delivery& delivery, const std::vector<DeliveredItem>& items);
    /// The latest first.
    std::vector<Delivery> all();
    std::optional<Delivery> find(int64_t id);
    std::vector<DeliveredItem> items(int64_t id);
    void setState(int64_t id, const std::string& state);
    void remove(int64_t id);

    std::vector<DeliveryNote> notes(int64_t id);
    /// Beside those that are there; the same once. How many are new.
    size_t addNotes(int64_t id, const std::vector<DeliveryNote>& notes);

private:
    Database& db_;
};

} // namespace moorfrost::library
