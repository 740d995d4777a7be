// SPDX-License-Identifier: GPL-3.0-or-later
#include <nlohmann/json.hpp>

#include "core/library/store/path_key.h"
#include "core/library/store/schema.h"
#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::library {

using nlohmann::json;

namespace {

void takeDetails(const std::string& text, tags::TagFile& f) {
    json in = json::parse(text, nullptr, false);
    if (!in.is_object())
        return;
    try {
        f.facts.encoder = in.value("encoder", std::string());
        if (in.contains("variable"))
            f.facts.rateKind =
                in["variable"].get<bool>() ? tags::RateKind::Variable : tags::RateKind::Constant;
        if (in.contains("gapless"))
            f.facts.gapless = {true, in["gapless"].at(0).get<uint32_t>(),
                               in["gapless"].at(1).get<uint32_t>()};
        for (const json& r : in.value("remarks", json::array()))
            f.facts.remarks.emplace_back(r.at(0).get<std::string>(), r.at(1).get<std::string>());
        f.tags = in.value("tags", std::vector<std::string>());
        for (const json& d : in.value("differences", json::array()))
            f.differences.push_back({d.at("key").get<std::string>(), d.at("tag").get<std::string>(),
                                     d.at("values").get<std::vector<std::string>>()});
        f.unknown = in.value("unknown", std::vector<std::string>());
        f.readOnly = in.value("read_only", std::string());
    } catch (const json::exception&) {
        // Written by something else: what was taken so far stays.
    }
}

} // namespace

void packContents(Database& db) {
    {
        // Three walks side by side, each in the order of the files' numbers.
        Statement row(db,
                      "SELECT id, path, size, modified_ns, format, codec, duration, sample_rate, channels,"
                      " bit_depth, bitrate, damaged, notes, error, shelf, added, details FROM file"
                      " ORDER BY id");
        Statement value(db, "SELECT file, field, value FROM value ORDER BY file, field, position");
        Statement picture(db, "SELECT file, type, mime, description, width, height, bytes FROM picture"
                              " ORDER BY file, position");
        Statement add(db, "INSERT INTO new_file VALUES (?,?,?,?,?,?,?,?,?)");
        bool moreValues = value.step(), morePictures = picture.step();
        auto whole = [&](int column) { return static_cast<int>(row.integer(column)); };
        while (row.step()) {
            const int64_t id = row.integer(0);
            tags::TagFile t;
            t.format = audio::formatFromName(row.string(4));
            t.facts.codec = row.string(5);
            t.facts.duration = row.real(6);
            t.facts.sampleRate = whole(7);
            t.facts.channels = whole(8);
            t.facts.bitDepth = whole(9);
            t.facts.bitrate = whole(10);
            t.damaged = row.integer(11) != 0;
            if (std::string notes = row.string(12); !notes.empty())
                t.notes = text::split(notes, "\n");
            takeDetails(row.string(16), t);
            for (; moreValues && value.integer(0) <= id; moreValues = value.step())
                if (value.integer(0) == id)
                    t.fields[value.string(1)].push_back(value.string(2));
            for (; morePictures && picture.integer(0) <= id; morePictures = picture.step())
                if (picture.integer(0) == id)
                    t.pictures.push_back({picture.string(1), picture.string(2), picture.string(3),
                                          static_cast<int>(picture.integer(4)),
                                          static_cast<int>(picture.integer(5)),
                                          static_cast<uint64_t>(picture.integer(6))});
            const std::string path = row.string(1);
            add.bind(id).bindBlob(path).bind(pathKey(path));
            add.bind(row.integer(2)).bind(row.integer(3)).bind(row.string(13)).bindBlob(tags::packed(t));
            row.isNull(14) ? add.bindNull() : add.bind(row.integer(14));
            add.bind(row.integer(15)).run();
        }
    }
    db.execute("DROP TABLE value; DROP TABLE picture; DROP TABLE file; ALTER TABLE new_file RENAME TO file;"
               " CREATE INDEX file_path ON file (path_key)");
    // Which files of the shelves have changed, whoever changed them: for the columns of the search.
    const std::string note =
        " BEGIN INSERT INTO changed_file SELECT %.id, max(number) FROM generation WHERE true"
        " ON CONFLICT (file) DO UPDATE SET generation=excluded.generation; END;";
    auto trigger = [&](const char* name, const char* when, const char* row) {
        db.execute(
            (std::string("CREATE TRIGGER ") + name + " AFTER " + when + text::replaceAll(note, "%", row))
                .c_str());
    };
    trigger("file_added", "INSERT ON file WHEN new.shelf IS NOT NULL", "new");
    trigger("file_changed", "UPDATE ON file WHEN old.shelf IS NOT NULL OR new.shelf IS NOT NULL", "new");
    trigger("file_forgotten", "DELETE ON file WHEN old.shelf IS NOT NULL", "old");
}

} // namespace moorfrost::library
