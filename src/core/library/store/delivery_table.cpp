// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/delivery_table.h"

#include <algorithm>

#include <nlohmann/json.hpp>

namespace moorfrost::library {

namespace {

constexpr size_t itemBytes = 16;

void put(std::string& out, uint64_t value) {
    for (int i = 0; i < 8; ++i)
        out += static_cast<char>(value >> (8 * i) & 0xFF);
}
uint64_t take(std::string_view bytes) {
    uint64_t out = 0;
    for (size_t i = 8; i-- > 0;)
        out = out << 8 | static_cast<unsigned char>(bytes[i]);
    return out;
}

std::string packed(const std::vector<DeliveredItem>& items) {
    std::string out;
    out.reserve(items.size() * itemBytes);
    for (const DeliveredItem& item : items) {
        put(out, static_cast<uint64_t>(item.file));
        put(out, item.said);
    }
    return out;
}

std::string noteText(const DeliveryNote& n) {
    return nlohmann::json{{"file", n.file}, {"seconds", n.seconds}, {"who", n.who},
                          {"text", n.text}, {"rating", n.rating},   {"when", n.when}}
        .dump(-1, ' ', false, nlohmann::json::error_handler_t::replace);
}

DeliveryNote noteFrom(const std::string& text) {
    const auto json = nlohmann::json::parse(text, nullptr, false);
    DeliveryNote out;
    if (!json.is_object())
        return out;
    out.file = json.value("file", int64_t{0});
    out.seconds = json.value("seconds", -1.0);
    out.who = json.value("who", std::string());
    out.text = json.value("text", std::string());
    out.rating = json.value("rating", 0);
    out.when = json.value("when", int64_t{0});
    return out;
}

constexpr const char* columns =
    "SELECT id, \"when\", kind, title, for_whom, target, layout, state, content, length(items) / 16, "
    "(SELECT count(*) FROM delivery_note WHERE delivery = delivery.id) FROM delivery ";

Delivery deliveryFrom(Statement& row) {
    Delivery out;
    out.id = row.integer(0);
    out.when = row.integer(1);
    out.way = row.string(2);
    out.title = row.string(3);
    out.forWhom = row.string(4);
    out.target = row.string(5);
    out.layout = row.string(6);
    out.state = row.string(7);
    out.content = row.string(8);
    out.items = static_cast<size_t>(row.integer(9));
    out.notes = static_cast<size_t>(row.integer(10));
    return out;
}

} // namespace

int64_t DeliveryTable::add(const Delivery& d, const std::vector<DeliveredItem>& items) {
    Statement insert(
        db_, "INSERT INTO delivery (\"when\", kind, title, for_whom, target, layout, state, content, items) "
             "VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?) RETURNING id");
    insert.bind(d.when).bind(d.way).bind(d.title).bind(d.forWhom).bindPath(d.target).bind(d.layout).bind(
        d.state);
    insert.bind(d.content).bindBlob(packed(items));
    insert.step();
    return insert.integer(0);
}

std::vector<Delivery> DeliveryTable::all() {
    std::vector<Delivery> out;
    Statement rows(db_, std::string(columns) + "ORDER BY \"when\" DESC, id DESC");
    while (rows.step())
        out.push_back(deliveryFrom(rows));
    return out;
}

std::optional<Delivery> DeliveryTable::find(int64_t id) {
    Statement rows(db_, std::string(columns) + "WHERE id = ?");
    rows.bind(id);
    if (!rows.step())
        return std::nullopt;
    return deliveryFrom(rows);
}

std::vector<DeliveredItem> DeliveryTable::items(int64_t id) {
    std::vector<DeliveredItem> out;
    Statement rows(db_, "SELECT items FROM delivery WHERE id = ?");
    rows.bind(id);
    if (!rows.step())
        return out;
    const std::string_view bytes = rows.view(0);
    for (size_t at = 0; at + itemBytes <= bytes.size(); at += itemBytes)
        out.push_back({static_cast<FileId>(take(bytes.substr(at, 8))), take(bytes.substr(at + 8, 8))});
    return out;
}

void DeliveryTable::setState(int64_t id, const std::string& state) {
    Statement(db_, "UPDATE delivery SET state = ? WHERE id = ?").bind(state).bind(id).run();
}

void DeliveryTable::remove(int64_t id) {
    Statement(db_, "DELETE FROM delivery_note WHERE delivery = ?").bind(id).run();
    Statement(db_, "DELETE FROM delivery WHERE id = ?").bind(id).run();
}

std::vector<DeliveryNote> DeliveryTable::notes(int64_t id) {
    std::vector<DeliveryNote> out;
    Statement rows(db_, "SELECT content FROM delivery_note WHERE delivery = ? ORDER BY number");
    rows.bind(id);
    while (rows.step())
        out.push_back(noteFrom(rows.string(0)));
    return out;
}

size_t DeliveryTable::addNotes(int64_t id, const std::vector<DeliveryNote>& notes) {
    std::vector<DeliveryNote> there = this->notes(id);
    size_t added = 0;
    for (const DeliveryNote& note : notes) {
        if (std::ranges::find(there, note) != there.end())
            continue;
        Statement(db_, "INSERT INTO delivery_note VALUES (?, ?, ?)")
            .bind(id)
            .bind(static_cast<int64_t>(there.size()))
            .bind(noteText(note))
            .run();
        there.push_back(note);
        ++added;
    }
    return added;
}

} // namespace moorfrost::library
