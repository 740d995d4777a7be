// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/sound_facts.h"

#include <cmath>
#include <map>

#include "app/library/same_sound_page.h"
#include "app/shell/text_utils.h"
#include "app/widgets/recording_box.h"
#include "core/library/recordings.h"

namespace moorfrost::app {

QString whyBetter(const SoundGroupFile* one, const SoundGroupFile* other) {
    if (!one || !other)
        return {};
    library::FileRecord x = *one->file, y = *other->file;
    x.id = y.id = 0; // which one came first makes none of them better
    if (!library::isBetter(x, y))
        return {};
    const tags::Facts &a = x.tags.facts, &b = y.tags.facts;
    if ((a.bitDepth > 0) != (b.bitDepth > 0))
        return SameSoundPage::tr("better: nothing was lost in coding");
    if (a.bitDepth != b.bitDepth)
        return SameSoundPage::tr("better: %1 bit").arg(a.bitDepth);
    if (a.sampleRate != b.sampleRate)
        return SameSoundPage::tr("better: %L1 kHz").arg(a.sampleRate / 1000.0);
    return a.bitrate != b.bitrate ? SameSoundPage::tr("better: %1 kbit/s").arg(a.bitrate / 1000)
                                  : SameSoundPage::tr("the better copy");
}

Comparison soundFacts(SoundGroupsController& groups, const library::SoundGroup& group, size_t chosen) {
    Comparison table;
    table.chosen = chosen;
    auto row = [&](const QString& caption, auto text) {
        Comparison::Row r{caption, {}, false};
        for (FileId id : group.files) {
            const SoundGroupFile* f = groups.told(id);
            r.cells.push_back({f ? text(*f) : QString()});
        }
        table.rows.push_back(std::move(r));
    };
    for (FileId id : group.files) {
        const SoundGroupFile* f = groups.told(id);
        table.columns.push_back(f ? shownName(f->file->path) : QString());
    }
    auto field = [](const char* key) {
        return [key](const SoundGroupFile& f) {
            const auto it = f.file->tags.fields.find(key);
            return it == f.file->tags.fields.end() ? QString() : qs(tags::shownValues(it->second));
        };
    };
    row(SameSoundPage::tr("File"), [](const SoundGroupFile& f) { return shownName(f.file->path); });
    row(SameSoundPage::tr("Quality"), [](const SoundGroupFile& f) { return soundText(*f.file); });
    row(SameSoundPage::tr("Speed"), [&](const SoundGroupFile& f) {
        if (f.file->id == group.files[0])
            return SameSoundPage::tr("taken as right");
        const library::SoundLink l = groups.link(group, f.file->id, group.files[0]);
        const QString told = qs(matching::speedText(l.speed));
        return l.z <= 0         ? SameSoundPage::tr("not known")
               : told.isEmpty() ? SameSoundPage::tr("the same")
                                : told;
    });
    row(SameSoundPage::tr("Length"), [](const SoundGroupFile& f) {
        const double length = f.file->tags.facts.duration;
        return shownLength(std::floor(length)) +
               QString(".%1").arg(static_cast<int>((length - std::floor(length)) * 10));
    });
    row(SameSoundPage::tr("Loudness"), [](const SoundGroupFile& f) {
        return f.loudness ? SameSoundPage::tr("%1 LUFS").arg(*f.loudness, 0, 'f', 1)
                          : SameSoundPage::tr("being measured");
    });
    row(SameSoundPage::tr("Tags"), [](const SoundGroupFile& f) {
        return SameSoundPage::tr("%n field(s)", "", static_cast<int>(f.file->tags.fields.size())) +
               (f.file->tags.pictures.empty() ? SameSoundPage::tr(", no picture")
                                              : SameSoundPage::tr(", with picture"));
    });
    row(SameSoundPage::tr("Title"), field("title"));
    row(SameSoundPage::tr("Album"), field("album"));
    row(SameSoundPage::tr("ISRC"), field("isrc"));
    std::map<library::RecordingId, int> members;
    for (FileId id : group.files)
        if (const SoundGroupFile* f = groups.told(id))
            ++members[f->recording];
    row(SameSoundPage::tr("Recording"), [&](const SoundGroupFile& f) {
        const int others = members[f.recording] - 1;
        QString out = others + 1 == static_cast<int>(group.files.size()) ? SameSoundPage::tr("one recording")
                      : others > 0 ? SameSoundPage::tr("one with %n other(s)", "", others)
                                   : SameSoundPage::tr("of its own");
        if (!f.version.empty())
            out += ", " + qs(f.version);
        return out;
    });
    row(SameSoundPage::tr("Where"), [](const SoundGroupFile& f) {
        const Path folder = f.file->path.parent_path();
        return "\u2026/" + shownName(folder.parent_path()) + "/" + shownName(folder);
    });
    return table;
}

} // namespace moorfrost::app
