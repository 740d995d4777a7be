// SPDX-License-Identifier: GPL-3.0-or-later
// Devices that are kept in step, and what we put on each. What their texts mean, core/deliver/device knows.
#pragma once

#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class DeviceTable {
public:
    explicit DeviceTable(Database& db) : db_(db) {}

    std::vector<std::pair<int64_t, std::string>> all();
    int64_t add(const std::string& content, int64_t since);
    void change(int64_t id, const std::string& content);
    /// With what is known of its files.
    void remove(int64_t id);

    struct Entry {
        std::string path; // bytes, from its folder
        FileId file = 0;
        std::string content;
    };
    std::vector<Entry> entries(int64_t device);
    void put(int64_t device, const Entry& entry);
    void drop(int64_t device, const std::string& path);

private:
    Database& db_;
};

} // namespace moorfrost::library
