// SPDX-License-Identifier: GPL-3.0-or-later
// Records for tests of the search, and what is found of them.
#pragma once

#include <QtGlobal>

#include <memory>
#include <vector>

#include "core/library/search/searcher.h"

namespace moorfrost::library {

inline FileRecord record(FileId id, tags::Fields fields, const char* path = "/archive/a.flac",
                         double seconds = 100) {
    FileRecord r;
    r.id = id;
    r.path = path;
    r.tags.fields = std::move(fields);
    r.tags.format = audio::Format::Flac;
    r.tags.facts.codec = "FLAC";
    r.tags.facts.duration = seconds;
    return r;
}

inline std::shared_ptr<const Columns> columnsOf(const std::vector<FileRecord>& records) {
    ColumnsBuilder builder;
    for (const FileRecord& r : records)
        builder.add(r);
    return builder.finish();
}

inline std::vector<FileId> idsOf(const Searcher& s, const std::vector<Row>& rows) {
    std::vector<FileId> out;
    for (Row r : rows)
        out.push_back(s.idOf(r));
    return out;
}

inline std::vector<FileId> answer(const Searcher& s, const char* query) {
    auto parsed = parseQuery(query, s.customFields());
    if (parsed.error)
        qFatal("%s", parsed.error->sentence.c_str());
    std::vector<FileId> out;
    s.find(parsed.query).each([&](Row r) { out.push_back(s.idOf(r)); });
    return out;
}

} // namespace moorfrost::library
