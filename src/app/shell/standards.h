// SPDX-License-Identifier: GPL-3.0-or-later
// The standards of the user, which one is usual, and which one the batch in sight is held to. They are kept
// in the settings of the library.
#pragma once

#include <QObject>

#include "core/audit/standard.h"

namespace moorfrost::app {

class Session;

class Standards : public QObject {
    Q_OBJECT
public:
    explicit Standards(Session& session);

    const std::vector<audit::Standard>& all() const { return all_; }
    /// In the place of all that were there; at least one.
    void setAll(std::vector<audit::Standard> standards);
    /// Batches that are held to it follow the name.
    void rename(const std::string& name, const std::string& to);
    /// What the library is held to, and batches for which no other was chosen.
    const audit::Standard& usual() const;
    void setUsual(const std::string& name);
    const audit::Standard& ofBatch() const;
    void setOfBatch(const std::string& name);
    void forgetBatch(int64_t batch);
    /// As the library remembers them; a sentence if they could not be understood.
    QString load();
    static const std::vector<std::string>& settingKeys();

signals:
    void changed(); // rules, or which are used

private:
    const audit::Standard& byName(const std::string& name) const;
    std::map<int64_t, std::string> batches() const;
    void saveBatches(const std::map<int64_t, std::string>& batches);
    Session& session_;
    std::vector<audit::Standard> all_;
};

} // namespace moorfrost::app
