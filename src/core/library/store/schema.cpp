// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/schema.h"

namespace moorfrost::library {

const std::vector<Migration>& migrations() {
    static const std::vector<Migration> list = {
        // 0 -> 1. Paths are blobs: bytes, exactly as the system gave them. Times are seconds since 1970
        // unless named _ns.
        {R"(
        CREATE TABLE shelf (id INTEGER PRIMARY KEY, name TEXT NOT NULL, path BLOB NOT NULL UNIQUE);
        CREATE TABLE batch (id INTEGER PRIMARY KEY, name TEXT NOT NULL, created INTEGER NOT NULL);
        CREATE TABLE file (
            id INTEGER PRIMARY KEY, path BLOB NOT NULL UNIQUE, size INTEGER NOT NULL, modified_ns INTEGER NOT NULL,
            format TEXT NOT NULL, codec TEXT NOT NULL, duration REAL NOT NULL, sample_rate INTEGER NOT NULL,
            channels INTEGER NOT NULL, bit_depth INTEGER NOT NULL, bitrate INTEGER NOT NULL,
            damaged INTEGER NOT NULL, notes TEXT NOT NULL, error TEXT NOT NULL,
            shelf INTEGER REFERENCES shelf(id) ON DELETE SET NULL, added INTEGER NOT NULL);
        CREATE TABLE value (
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, field TEXT NOT NULL,
            position INTEGER NOT NULL, value TEXT NOT NULL, PRIMARY KEY (file, field, position)) WITHOUT ROWID;
        CREATE TABLE picture (
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, position INTEGER NOT NULL, type TEXT NOT NULL,
            mime TEXT NOT NULL, description TEXT NOT NULL, width INTEGER NOT NULL, height INTEGER NOT NULL,
            bytes INTEGER NOT NULL, PRIMARY KEY (file, position)) WITHOUT ROWID;
        CREATE TABLE batch_file (
            batch INTEGER NOT NULL REFERENCES batch(id) ON DELETE CASCADE,
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, sleeve TEXT NOT NULL DEFAULT '',
            PRIMARY KEY (batch, file)) WITHOUT ROWID;
        CREATE TABLE draft (
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, field TEXT NOT NULL, "values" TEXT NOT NULL,
            origin TEXT NOT NULL, "when" INTEGER NOT NULL, PRIMARY KEY (file, field)) WITHOUT ROWID;
        CREATE TABLE setting (key TEXT PRIMARY KEY, value TEXT NOT NULL) WITHOUT ROWID;
        CREATE TABLE file_set (
            id INTEGER PRIMARY KEY, "when" INTEGER NOT NULL, title TEXT NOT NULL, batch INTEGER NOT NULL,
            running INTEGER NOT NULL, removed_folders TEXT NOT NULL DEFAULT '[]');
        CREATE TABLE step (
            file_set INTEGER NOT NULL REFERENCES file_set(id), number INTEGER NOT NULL, file INTEGER NOT NULL,
            state INTEGER NOT NULL, source BLOB NOT NULL, target BLOB NOT NULL, copy INTEGER NOT NULL,
            error TEXT NOT NULL DEFAULT '', detail TEXT NOT NULL DEFAULT '{}', kept BLOB,
            PRIMARY KEY (file_set, number)) WITHOUT ROWID;
        )"},
        // 1 -> 2. What is set aside after a crash, how much each set keeps, whether that was dropped; steps
        // by
        // place; fixity, by place.
        {R"(
        ALTER TABLE step ADD COLUMN aside BLOB;
        ALTER TABLE file_set ADD COLUMN kept_bytes INTEGER NOT NULL DEFAULT 0;
        ALTER TABLE file_set ADD COLUMN dropped INTEGER NOT NULL DEFAULT 0;
        UPDATE file_set SET kept_bytes =
            (SELECT coalesce(sum(length(kept)), 0) FROM step WHERE step.file_set = file_set.id);
        CREATE INDEX step_aside ON step (state) WHERE state = 5;
        CREATE INDEX step_source ON step (source);
        CREATE INDEX step_target ON step (target);
        CREATE TABLE fixity (
            path BLOB PRIMARY KEY, essence TEXT NOT NULL, sha256 TEXT NOT NULL, bytes INTEGER NOT NULL,
            "when" INTEGER NOT NULL) WITHOUT ROWID;
        )"},
        // 2 -> 3. What is shown of a file but not searched: encoder, tags, differences between them.
        {R"(
        ALTER TABLE file ADD COLUMN details TEXT NOT NULL DEFAULT '';
        )"},
        // 3 -> 4. What happened to a file.
        {R"(
        CREATE INDEX step_file ON step (file);
        )"},
        // 4 -> 5. All that is known of a file is one row, found by a number made of its path; which files
        // changed since the columns in memory were made; the shapes of waves.
        {R"(
        CREATE TABLE new_file (
            id INTEGER PRIMARY KEY, path BLOB NOT NULL, path_key INTEGER NOT NULL, size INTEGER NOT NULL,
            modified_ns INTEGER NOT NULL, error TEXT NOT NULL, content BLOB NOT NULL,
            shelf INTEGER REFERENCES shelf(id) ON DELETE SET NULL, added INTEGER NOT NULL);
        CREATE TABLE generation (number INTEGER PRIMARY KEY AUTOINCREMENT, mark TEXT NOT NULL);
        INSERT INTO generation VALUES (NULL, hex(randomblob(12)));
        CREATE TABLE changed_file (file INTEGER PRIMARY KEY, generation INTEGER NOT NULL);
        CREATE INDEX changed_file_generation ON changed_file (generation);
        )",
         packContents},
        // 5 -> 6. A place for what lives in the library and not in the files. What is worked out from the
        // sound (peaks, fingerprint) holds for one state of a file. A collection with a question fills
        // itself. Where the files of a batch came from, and which of them were put into their sleeve by hand.
        {R"(
        CREATE TABLE kept_value (
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, field TEXT NOT NULL,
            position INTEGER NOT NULL, value TEXT NOT NULL, PRIMARY KEY (file, field, position)) WITHOUT ROWID;
        CREATE TABLE collection (
            id INTEGER PRIMARY KEY, parent INTEGER REFERENCES collection(id) ON DELETE CASCADE,
            name TEXT NOT NULL, question TEXT, note TEXT NOT NULL DEFAULT '', created INTEGER NOT NULL);
        CREATE TABLE collection_file (
            collection INTEGER NOT NULL REFERENCES collection(id) ON DELETE CASCADE, position INTEGER NOT NULL,
            file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE, PRIMARY KEY (collection, position))
            WITHOUT ROWID;
        CREATE INDEX collection_file_file ON collection_file (file);
        CREATE TABLE "use" (
            id INTEGER PRIMARY KEY, file INTEGER NOT NULL REFERENCES file(id) ON DELETE CASCADE,
            "when" INTEGER NOT NULL, what TEXT NOT NULL, note TEXT NOT NULL DEFAULT '');
        CREATE INDEX use_file ON "use" (file);
        CREATE TABLE family (id INTEGER PRIMARY KEY, name TEXT NOT NULL, note TEXT NOT NULL DEFAULT '');
        CREATE TABLE family_file (
            file INTEGER PRIMARY KEY REFERENCES file(id) ON DELETE CASCADE,
            family INTEGER NOT NULL REFERENCES family(id) ON DELETE CASCADE, version TEXT NOT NULL,
            position INTEGER NOT NULL);
        CREATE INDEX family_file_family ON family_file (family);
        CREATE TABLE peaks (
            file INTEGER PRIMARY KEY REFERENCES file(id) ON DELETE CASCADE, size INTEGER NOT NULL,
            modified_ns INTEGER NOT NULL, shape BLOB NOT NULL);
        CREATE TABLE fingerprint (
            file INTEGER PRIMARY KEY REFERENCES file(id) ON DELETE CASCADE, size INTEGER NOT NULL,
            modified_ns INTEGER NOT NULL, algorithm INTEGER NOT NULL, seconds REAL NOT NULL, items BLOB NOT NULL);
        ALTER TABLE batch ADD COLUMN note TEXT NOT NULL DEFAULT '';
        ALTER TABLE batch_file ADD COLUMN origin BLOB NOT NULL DEFAULT x'';
        ALTER TABLE batch_file ADD COLUMN came INTEGER NOT NULL DEFAULT 0;
        UPDATE batch_file SET came = -1;
        ALTER TABLE batch_file ADD COLUMN by_hand INTEGER NOT NULL DEFAULT 0;
        CREATE TABLE sleeve (
            batch INTEGER NOT NULL REFERENCES batch(id) ON DELETE CASCADE, key TEXT NOT NULL, name TEXT NOT NULL,
            why TEXT NOT NULL, PRIMARY KEY (batch, key)) WITHOUT ROWID;
        )"},
        // 6 -> 7. The kind of a file on a shelf is searched: that it changed is noted as for the rest.
        {R"(
        CREATE TRIGGER kind_kept AFTER INSERT ON kept_value WHEN new.field = 'kind' BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM file
            WHERE file.id = new.file AND file.shelf IS NOT NULL
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER kind_dropped AFTER DELETE ON kept_value WHEN old.field = 'kind' BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM file
            WHERE file.id = old.file AND file.shelf IS NOT NULL
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM file
            JOIN kept_value ON kept_value.file = file.id AND field = 'kind' WHERE file.shelf IS NOT NULL
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation;
        )"},
        // 7 -> 8. The batches of a file are found without reading all batches. Long work that goes on after a
        // restart.
        {R"(
        CREATE INDEX batch_file_file ON batch_file (file);
        CREATE TABLE lasting_work (
            id INTEGER PRIMARY KEY, kind TEXT NOT NULL, details TEXT NOT NULL, begun INTEGER NOT NULL);
        )"},
    };
    return list;
}

} // namespace moorfrost::library
