// SPDX-License-Identifier: GPL-3.0-or-later
// Groups of files that sound the same, each in three lines: what it is, of how many files, what is thought of
// it.
#pragma once

#include <QListWidget>

#include "core/library/sound_groups.h"

namespace moorfrost::app {

class SoundGroupList : public QListWidget {
    Q_OBJECT
public:
    explicit SoundGroupList(QWidget* parent = nullptr);
    /// The group of these files stays chosen where it still is there; else what is in its place. Says nothing
    /// of it with signals.
    void show(const std::vector<library::SoundGroup>& groups, const library::Searcher* searcher,
              const std::vector<library::FileId>& chosen);
};

} // namespace moorfrost::app
