// SPDX-License-Identifier: GPL-3.0-or-later
// Chains of steps that are kept with the library, by name.
#pragma once

#include <QObject>

#include "app/control/library_settings.h"
#include "core/edits/chain.h"

namespace moorfrost::app {

class Chains : public QObject {
    Q_OBJECT
public:
    explicit Chains(LibrarySettings& settings);

    /// In the order of their names.
    const std::vector<edits::Chain>& all() const { return all_; }
    const edits::Chain* find(const std::string& name) const;
    /// In the place of the one of the same name.
    void keep(const edits::Chain& chain);
    void remove(const std::string& name);

signals:
    void changed();

private:
    void read();

    LibrarySettings& settings_;
    std::vector<edits::Chain> all_;
};

} // namespace moorfrost::app
