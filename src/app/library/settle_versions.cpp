// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/settle_versions.h"

#include <QCoreApplication>
#include <QPointer>
#include <QWidget>

#include "app/library/versions_dialog.h"
#include "app/shell/text_utils.h"
#include "core/library/sound_groups.h"

namespace moorfrost::app {

namespace {

struct SettleTexts {
    Q_DECLARE_TR_FUNCTIONS(SettleTexts)
};

constexpr size_t mostListened = 200; // chosen files that are compared by their sound

} // namespace

void settleVersions(const SettleUses& use, const std::vector<FileId>& files, FileId into, QWidget* window) {
    const auto searcher = use.index.searcher();
    if (!searcher)
        return;
    std::vector<library::NamedFile> beside;
    for (const FileId id : files)
        if (!searcher->rowOf(id))
            if (const FilePtr file = use.files.file(id)) {
                auto said = [&](const char* field) {
                    const auto values = use.drafts.session().effective(id, field);
                    return values.empty() ? std::string() : values.front();
                };
                beside.push_back({id, said("title"), said("artist"), file->path, file->tags.facts.duration});
            }
    use.jobs.start(
        window, {ss(SettleTexts::tr("Looking for versions"))},
        [file = use.library.file(), searcher, files, into, beside, sounds = use.sounds.store()](
            std::stop_token stop, work::Progress&) -> Result<std::vector<VersionGroup>> {
            // A few are listened to as well.
            const bool listens = sounds && !files.empty() && files.size() <= mostListened;
            return versionGroups(
                file, *searcher, files, into, beside,
                [&](FileId one, FileId other) {
                    return listens ? library::linkBetween(*sounds, one, other).z : 0.0;
                },
                stop);
        },
        [use, window = QPointer(window)](Result<std::vector<VersionGroup>> groups) {
            if (!groups) {
                if (groups.error().kind != ErrorKind::Cancelled)
                    use.messages.say(groups.error());
                return;
            }
            if (groups->size() == 1 && groups->front().members.empty())
                return use.messages.say(
                    SettleTexts::tr("No names in the library look like versions of one recording."));
            VersionsDialog dialog(*groups, window);
            if (dialog.exec() == QDialog::Accepted)
                use.recordings.settleFamilies(dialog.families(), dialog.alone());
        });
}

} // namespace moorfrost::app
