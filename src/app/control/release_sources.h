// SPDX-License-Identifier: GPL-3.0-or-later
// Releases from elsewhere, to fill one's own with: references are asked by words, all that is known of one is
// fetched.
#pragma once

#include <QObject>

#include "app/control/job_list.h"
#include "app/control/references_controller.h"
#include "core/reference/release.h"

namespace moorfrost::app {

struct FoundRelease {
    std::string reference; // its key
    reference::Release release;
};

class ReleaseSources : public QObject {
    Q_OBJECT
public:
    ReleaseSources(ReferencesController& references, JobList& jobs, Messages& messages);

    /// Of all references that are on, in their order; what could not be asked has been said.
    void find(QObject* asker, const QString& words, std::function<void(std::vector<FoundRelease>)> then);
    /// Not called if it cannot be fetched, which has been said.
    void fetch(QObject* asker, const FoundRelease& found, std::function<void(FoundRelease)> then);
    /// "Cairn, edition 4417".
    QString nameOf(const FoundRelease& found) const;

private:
    ReferencesController& references_;
    JobList& jobs_;
    Messages& messages_;
};

} // namespace moorfrost::app
