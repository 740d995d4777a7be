// SPDX-License-Identifier: GPL-3.0-or-later
// The standards of the user, which one is the default, and which one the batch in sight is held to. They are
// kept in the settings of the library.
#pragma once

#include <QObject>

#include "app/control/library_settings.h"
#include "core/audit/standard.h"
#include "core/library/shelf_readiness.h"

namespace moorfrost::app {

class Messages;

class Standards : public QObject {
    Q_OBJECT
public:
    Standards(LibrarySettings& settings, Messages& messages);

    const std::vector<audit::Standard>& all() const { return all_; }
    /// In the place of all that were there; at least one.
    void setAll(std::vector<audit::Standard> standards);
    /// Batches that are held to it follow the name.
    void rename(const std::string& name, const std::string& to);
    /// What the library is held to, and batches for which no other was chosen.
    const audit::Standard& byDefault() const;
    void setDefault(const std::string& name);
    /// Of the batch in sight.
    const audit::Standard& ofBatch() const;
    void setOfBatch(const std::string& name);
    /// Another batch is in sight.
    void showBatch(int64_t batch) { batch_ = batch; }
    void forgetBatch(int64_t batch);
    /// What everything on the shelves is held to: the default standard, and what names must suit.
    library::ShelfRules shelfRules() const;

signals:
    void changed(); // rules, or which are used

private:
    void load();
    const audit::Standard& byName(const std::string& name) const;
    std::map<int64_t, std::string> batches() const;
    void saveBatches(const std::map<int64_t, std::string>& batches);

    LibrarySettings& settings_;
    Messages& messages_;
    std::vector<audit::Standard> all_;
    int64_t batch_ = 0; // in sight
};

} // namespace moorfrost::app
