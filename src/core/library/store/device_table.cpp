// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/device_table.h"

namespace moorfrost::library {

std::vector<std::pair<int64_t, std::string>> DeviceTable::all() {
    std::vector<std::pair<int64_t, std::string>> out;
    Statement rows(db_, "SELECT id, content FROM device ORDER BY id");
    while (rows.step())
        out.emplace_back(rows.integer(0), rows.string(1));
    return out;
}

int64_t DeviceTable::add(const std::string& content, int64_t since) {
    Statement insert(db_, "INSERT INTO device (since, content) VALUES (?, ?) RETURNING id");
    insert.bind(since).bind(content).step();
    return insert.integer(0);
}

void DeviceTable::change(int64_t id, const std::string& content) {
    Statement(db_, "UPDATE device SET content = ? WHERE id = ?").bind(content).bind(id).run();
}

void DeviceTable::remove(int64_t id) {
    Statement(db_, "DELETE FROM device_file WHERE device = ?").bind(id).run();
    Statement(db_, "DELETE FROM device WHERE id = ?").bind(id).run();
}

std::vector<DeviceTable::Entry> DeviceTable::entries(int64_t device) {
    std::vector<Entry> out;
    Statement rows(db_, "SELECT path, file, content FROM device_file WHERE device = ? ORDER BY path");
    rows.bind(device);
    while (rows.step())
        out.push_back({rows.string(0), rows.integer(1), rows.string(2)});
    return out;
}

void DeviceTable::put(int64_t device, const Entry& entry) {
    Statement(db_, "INSERT INTO device_file VALUES (?, ?, ?, ?) ON CONFLICT (device, path) DO UPDATE SET "
                   "file = excluded.file, content = excluded.content")
        .bind(device)
        .bindBlob(entry.path)
        .bind(entry.file)
        .bind(entry.content)
        .run();
}

void DeviceTable::drop(int64_t device, const std::string& path) {
    Statement(db_, "DELETE FROM device_file WHERE device = ? AND path = ?").bind(device).bindBlob(path).run();
}

} // namespace moorfrost::library
