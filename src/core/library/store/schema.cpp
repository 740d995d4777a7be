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
        // 8 -> 9. What people give hangs on recordings; files point to them, come and go. What is worked out
        // of
        // one file stays in kept_value. Nothing refers to a recording with a cascade: whoever takes one away
        // says so in library_change. Files that are not found are marked. Pictures are kept once for all
        // steps, outside of what each keeps.
        {R"(
        ALTER TABLE file ADD COLUMN absent INTEGER NOT NULL DEFAULT 0;
        CREATE TABLE recording (id INTEGER PRIMARY KEY AUTOINCREMENT, best INTEGER, since INTEGER NOT NULL);
        CREATE TABLE recording_file (
            file INTEGER PRIMARY KEY, recording INTEGER NOT NULL REFERENCES recording(id),
            by_hand INTEGER NOT NULL DEFAULT 0, looked INTEGER NOT NULL DEFAULT 0);
        CREATE TABLE recording_value (
            recording INTEGER NOT NULL REFERENCES recording(id), field TEXT NOT NULL,
            position INTEGER NOT NULL, value TEXT NOT NULL, PRIMARY KEY (recording, field, position))
            WITHOUT ROWID;
        INSERT INTO recording (id, since) SELECT id, added FROM file WHERE shelf IS NOT NULL
            OR id IN (SELECT file FROM kept_value WHERE field NOT IN ('essence', 'proposed kind'))
            OR id IN (SELECT file FROM collection_file) OR id IN (SELECT file FROM "use")
            OR id IN (SELECT file FROM family_file) ORDER BY id;
        INSERT INTO recording_file (file, recording) SELECT id, id FROM recording ORDER BY id;
        CREATE INDEX recording_file_recording ON recording_file (recording);
        CREATE INDEX recording_file_unlooked ON recording_file (file) WHERE looked = 0;
        DROP TRIGGER kind_kept;
        DROP TRIGGER kind_dropped;
        INSERT INTO recording_value SELECT file, field, position, value FROM kept_value
            WHERE field NOT IN ('essence', 'proposed kind');
        DELETE FROM kept_value WHERE field NOT IN ('essence', 'proposed kind');
        CREATE TABLE collection_recording (
            collection INTEGER NOT NULL REFERENCES collection(id) ON DELETE CASCADE, position INTEGER NOT NULL,
            recording INTEGER NOT NULL REFERENCES recording(id), file INTEGER,
            PRIMARY KEY (collection, position)) WITHOUT ROWID;
        INSERT INTO collection_recording SELECT collection, position, file, NULL FROM collection_file;
        DROP TABLE collection_file;
        CREATE INDEX collection_recording_recording ON collection_recording (recording);
        CREATE TABLE new_use (
            id INTEGER PRIMARY KEY, recording INTEGER NOT NULL REFERENCES recording(id),
            "when" INTEGER NOT NULL, what TEXT NOT NULL, note TEXT NOT NULL DEFAULT '');
        INSERT INTO new_use SELECT id, file, "when", what, note FROM "use";
        DROP TABLE "use";
        ALTER TABLE new_use RENAME TO "use";
        CREATE INDEX use_recording ON "use" (recording);
        CREATE TABLE family_recording (
            recording INTEGER PRIMARY KEY REFERENCES recording(id),
            family INTEGER NOT NULL REFERENCES family(id) ON DELETE CASCADE, version TEXT NOT NULL,
            position INTEGER NOT NULL);
        INSERT INTO family_recording SELECT file, family, version, position FROM family_file;
        DROP TABLE family_file;
        CREATE INDEX family_recording_family ON family_recording (family);
        CREATE TRIGGER recording_of_file AFTER DELETE ON file BEGIN
            DELETE FROM recording_file WHERE file = old.id; END;
        CREATE TRIGGER recording_left AFTER DELETE ON recording_file BEGIN
            DELETE FROM recording WHERE id = old.recording AND best IS NULL
            AND NOT EXISTS (SELECT 1 FROM recording_file WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM recording_value WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM collection_recording WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM "use" WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM family_recording WHERE recording = old.recording); END;
        CREATE TRIGGER kind_kept AFTER INSERT ON recording_value WHEN new.field = 'kind' BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = new.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER kind_dropped AFTER DELETE ON recording_value WHEN old.field = 'kind' BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = old.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER recording_changed AFTER UPDATE OF recording ON recording_file BEGIN
            INSERT INTO changed_file SELECT id, (SELECT max(number) FROM generation) FROM file
            WHERE id = new.file AND shelf IS NOT NULL
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TABLE library_change (
            id INTEGER PRIMARY KEY AUTOINCREMENT, "when" INTEGER NOT NULL, title TEXT NOT NULL,
            taken_back INTEGER NOT NULL DEFAULT 0);
        CREATE TABLE library_change_part (
            change INTEGER NOT NULL REFERENCES library_change(id), number INTEGER NOT NULL,
            kind TEXT NOT NULL, subject INTEGER NOT NULL, field TEXT NOT NULL, before TEXT NOT NULL,
            after TEXT NOT NULL, shown TEXT NOT NULL, PRIMARY KEY (change, number)) WITHOUT ROWID;
        CREATE INDEX library_change_part_subject ON library_change_part (kind, subject);
        ALTER TABLE step ADD COLUMN kept_pictures TEXT NOT NULL DEFAULT '';
        )"},
        {R"(
        CREATE TABLE looked_at (file INTEGER PRIMARY KEY REFERENCES file(id) ON DELETE CASCADE);
        )"},
        // 10 -> 11. What a person says of a recording is searched, as its kind is.
        {R"(
        DROP TRIGGER kind_kept;
        DROP TRIGGER kind_dropped;
        CREATE TRIGGER value_kept AFTER INSERT ON recording_value
            WHEN new.field IN ('kind', 'rating', 'note', 'playout number', 'use') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = new.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER value_dropped AFTER DELETE ON recording_value
            WHEN old.field IN ('kind', 'rating', 'note', 'playout number', 'use') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = old.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        )"},
        // 11 -> 12. Collections: folders, lists, searches that are kept (they were a setting). Nothing of
        // them
        // goes by a cascade.
        {R"(
        DROP TRIGGER recording_left;
        CREATE TABLE new_collection (
            id INTEGER PRIMARY KEY, kind INTEGER NOT NULL, name TEXT NOT NULL, note TEXT NOT NULL DEFAULT '',
            query TEXT NOT NULL DEFAULT '', seen_by INTEGER NOT NULL DEFAULT 0,
            people TEXT NOT NULL DEFAULT '', created INTEGER NOT NULL);
        INSERT INTO new_collection (id, kind, name, note, query, created)
            SELECT id, CASE WHEN question IS NULL THEN 1 ELSE 2 END, name, note, coalesce(question, ''), created
            FROM collection;
        INSERT INTO new_collection (kind, name, query, created)
            SELECT 2, json_extract(one.value, '$.name'), json_extract(one.value, '$.query'),
                   CAST(strftime('%s', 'now') AS INTEGER)
            FROM setting, json_each(CASE WHEN json_valid(setting.value) THEN setting.value ELSE '[]' END) AS one
            WHERE setting.key = 'searches' AND json_extract(one.value, '$.name') IS NOT NULL
            AND json_extract(one.value, '$.query') IS NOT NULL;
        DELETE FROM setting WHERE key = 'searches';
        CREATE TABLE collection_place (
            folder INTEGER NOT NULL, position INTEGER NOT NULL, collection INTEGER NOT NULL,
            PRIMARY KEY (folder, position)) WITHOUT ROWID;
        CREATE INDEX collection_place_collection ON collection_place (collection);
        INSERT INTO collection_place SELECT 0, id, id FROM new_collection;
        CREATE TABLE new_entry (
            collection INTEGER NOT NULL, position INTEGER NOT NULL,
            recording INTEGER NOT NULL REFERENCES recording(id), file INTEGER,
            PRIMARY KEY (collection, position)) WITHOUT ROWID;
        INSERT INTO new_entry SELECT collection, position, recording, file FROM collection_recording;
        DROP TABLE collection_recording;
        DROP TABLE collection;
        ALTER TABLE new_collection RENAME TO collection;
        ALTER TABLE new_entry RENAME TO collection_recording;
        DROP TRIGGER value_kept;
        DROP TRIGGER value_dropped;
        CREATE TRIGGER value_kept AFTER INSERT ON recording_value
            WHEN new.field IN ('kind', 'rating', 'note', 'playout number', 'use', 'bookmark') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = new.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER value_dropped AFTER DELETE ON recording_value
            WHEN old.field IN ('kind', 'rating', 'note', 'playout number', 'use', 'bookmark') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = old.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE INDEX collection_recording_recording ON collection_recording (recording);
        CREATE TRIGGER recording_left AFTER DELETE ON recording_file BEGIN
            DELETE FROM recording WHERE id = old.recording AND best IS NULL
            AND NOT EXISTS (SELECT 1 FROM recording_file WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM recording_value WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM collection_recording WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM "use" WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM family_recording WHERE recording = old.recording); END;
        )"},
        // 12 -> 13. Releases of which a person has said something. Nothing of them goes by a cascade; a
        // recording
        // that stands on one stays. Versions of a recording are found by their family.
        {R"(
        DROP TRIGGER recording_left;
        CREATE TABLE release (id INTEGER PRIMARY KEY, since INTEGER NOT NULL);
        CREATE TABLE release_fact (
            release INTEGER NOT NULL, field TEXT NOT NULL, value TEXT NOT NULL, none INTEGER NOT NULL,
            origin TEXT NOT NULL, "when" INTEGER NOT NULL, PRIMARY KEY (release, field)) WITHOUT ROWID;
        CREATE INDEX release_fact_set ON release_fact (value) WHERE field = 'set';
        CREATE TABLE release_track (
            release INTEGER NOT NULL, medium INTEGER NOT NULL, number INTEGER NOT NULL, content TEXT NOT NULL,
            recording INTEGER REFERENCES recording(id), PRIMARY KEY (release, medium, number)) WITHOUT ROWID;
        CREATE INDEX release_track_recording ON release_track (recording);
        CREATE TABLE release_file (file INTEGER PRIMARY KEY, release INTEGER NOT NULL);
        CREATE INDEX release_file_release ON release_file (release);
        CREATE TRIGGER release_of_file AFTER DELETE ON file BEGIN
            DELETE FROM release_file WHERE file = old.id; END;
        CREATE INDEX recording_value_family ON recording_value (value) WHERE field = 'family' AND position = 0;
        CREATE TRIGGER recording_left AFTER DELETE ON recording_file BEGIN
            DELETE FROM recording WHERE id = old.recording AND best IS NULL
            AND NOT EXISTS (SELECT 1 FROM recording_file WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM recording_value WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM collection_recording WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM "use" WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM family_recording WHERE recording = old.recording)
            AND NOT EXISTS (SELECT 1 FROM release_track WHERE recording = old.recording); END;
        DROP TRIGGER value_kept;
        DROP TRIGGER value_dropped;
        CREATE TRIGGER value_kept AFTER INSERT ON recording_value
            WHEN new.field IN ('kind', 'rating', 'note', 'playout number', 'use', 'bookmark', 'family') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = new.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        CREATE TRIGGER value_dropped AFTER DELETE ON recording_value
            WHEN old.field IN ('kind', 'rating', 'note', 'playout number', 'use', 'bookmark', 'family') BEGIN
            INSERT INTO changed_file SELECT file.id, (SELECT max(number) FROM generation) FROM recording_file
            JOIN file ON file.id = recording_file.file AND file.shelf IS NOT NULL
            WHERE recording_file.recording = old.recording
            ON CONFLICT (file) DO UPDATE SET generation = excluded.generation; END;
        )"},
        // 13 -> 14. Parties, works and agreements, each with its facts. Nothing of them goes by a cascade.
        {R"(
        CREATE TABLE card (id INTEGER PRIMARY KEY, kind INTEGER NOT NULL, since INTEGER NOT NULL);
        CREATE INDEX card_kind ON card (kind);
        CREATE TABLE card_fact (
            card INTEGER NOT NULL, field TEXT NOT NULL, value TEXT NOT NULL, none INTEGER NOT NULL,
            origin TEXT NOT NULL, "when" INTEGER NOT NULL, PRIMARY KEY (card, field)) WITHOUT ROWID;
        CREATE INDEX recording_value_work ON recording_value (value, recording) WHERE field = 'work';
        CREATE INDEX recording_value_master ON recording_value (recording) WHERE field = 'master';
        )"},
        // 14 -> 15. What was delivered, and what came back of it; devices, and what is on them.
        {R"(
        CREATE TABLE delivery (
            id INTEGER PRIMARY KEY, "when" INTEGER NOT NULL, kind TEXT NOT NULL, title TEXT NOT NULL,
            for_whom TEXT NOT NULL, target BLOB NOT NULL, layout TEXT NOT NULL, state TEXT NOT NULL,
            content TEXT NOT NULL, items BLOB NOT NULL);
        CREATE TABLE delivery_note (
            delivery INTEGER NOT NULL, number INTEGER NOT NULL, content TEXT NOT NULL,
            PRIMARY KEY (delivery, number)) WITHOUT ROWID;
        CREATE TABLE device (id INTEGER PRIMARY KEY, since INTEGER NOT NULL, content TEXT NOT NULL);
        CREATE TABLE device_file (
            device INTEGER NOT NULL, path BLOB NOT NULL, file INTEGER NOT NULL, content TEXT NOT NULL,
            PRIMARY KEY (device, path)) WITHOUT ROWID;
        )"},
        // 15 -> 16. Findings that are left as they are, and how many there were day by day; ISRCs that were
        // given out.
        {R"(
        CREATE TABLE finding_left (
            key INTEGER PRIMARY KEY, rule TEXT NOT NULL, title TEXT NOT NULL, facts INTEGER NOT NULL,
            reason TEXT NOT NULL, "when" INTEGER NOT NULL);
        CREATE TABLE finding_count (
            day TEXT NOT NULL, rule TEXT NOT NULL, count INTEGER NOT NULL,
            PRIMARY KEY (day, rule)) WITHOUT ROWID;
        CREATE TABLE own_isrc (
            code TEXT PRIMARY KEY, recording INTEGER NOT NULL, title TEXT NOT NULL, artist TEXT NOT NULL,
            "when" INTEGER NOT NULL) WITHOUT ROWID;
        )"},
        // 16 -> 17. When fixity was compared last, and what was found; the rounds in which it was.
        {R"(
        ALTER TABLE fixity ADD COLUMN verified INTEGER NOT NULL DEFAULT 0;
        ALTER TABLE fixity ADD COLUMN trouble TEXT NOT NULL DEFAULT '';
        UPDATE fixity SET verified = "when";
        CREATE INDEX fixity_verified ON fixity (verified);
        CREATE TABLE fixity_tried (
            path BLOB PRIMARY KEY, "when" INTEGER NOT NULL, trouble TEXT NOT NULL) WITHOUT ROWID;
        CREATE TABLE fixity_round (
            began INTEGER PRIMARY KEY, ended INTEGER NOT NULL, files INTEGER NOT NULL, bytes INTEGER NOT NULL,
            taken INTEGER NOT NULL, trouble INTEGER NOT NULL, stopped INTEGER NOT NULL);
        )"},
        // 17 -> 18. On which day each finding was found first.
        {R"(
        CREATE TABLE finding_since (key INTEGER PRIMARY KEY, day INTEGER NOT NULL);
        )"},
    };
    return list;
}

} // namespace moorfrost::library
