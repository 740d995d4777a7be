// SPDX-License-Identifier: GPL-3.0-or-later
// The references that are asked: made from the settings, the simulated one started when it is first asked.
#pragma once

#include <QObject>

#include <memory>

#include "app/control/kept_changes.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/sound_prints.h"
#include "core/reference/entries.h"
#include "core/reference/reference.h"

namespace moorfrost::reference {
class AnswerCache;
class StandinProcess;
} // namespace moorfrost::reference

namespace moorfrost::library {
class LibraryReference;
}

namespace moorfrost::app {

class ReferencesController : public QObject {
    Q_OBJECT
public:
    ReferencesController(LibraryAccess& library, LibraryIndex& index, const SoundPrints& sounds,
                         LibrarySettings& settings, KeptChanges& changes, Messages& messages);
    ~ReferencesController() override;

    /// In the order of the user; those that are off, too.
    const std::vector<reference::Entry>& entries() const { return entries_; }
    void setEntries(const std::vector<reference::Entry>& entries);
    /// The folder with the data of the simulated one.
    Path dataFolder() const;
    void setDataFolder(const Path& folder);

    /// Those that are on, to be held by a job for as long as it runs.
    using Held = std::vector<std::shared_ptr<reference::Reference>>;
    Held held() const { return held_; }
    static std::vector<reference::Reference*> plain(const Held& held);
    /// One is on; else that is said.
    bool mayBeAsked() const;
    /// For people.
    QString nameOf(const std::string& key) const;
    static QString nameOf(const reference::Entry& entry);

signals:
    void changed();

private:
    void make();

    LibraryAccess& library_;
    LibrarySettings& settings_;
    Messages& messages_;
    std::vector<reference::Entry> entries_;
    std::shared_ptr<reference::AnswerCache> cache_;
    std::shared_ptr<library::LibraryReference> shelves_;
    std::shared_ptr<reference::StandinProcess> standin_;
    Held held_;
};

} // namespace moorfrost::app
