// SPDX-License-Identifier: GPL-3.0-or-later
// By what the findings are narrowed beside rule and weight: shelf, release, since when. Each choice tells how
// many there would be.
#pragma once

#include <QWidget>

#include "app/control/audit_controller.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class FacetRow : public QWidget {
    Q_OBJECT
public:
    explicit FacetRow(AuditController& audit, QWidget* parent = nullptr);
    /// By what is found now.
    void refresh();
    void putInto(library::FindingFilter& filter) const;
    void chooseRelease(FileId release);
    /// Nothing is narrowed.
    void clear();
    bool narrows() const { return shelf_ != 0 || release_ != 0 || when_ != library::FoundWhen::Always; }
    Choice* shelves() { return shelves_; }
    Choice* releases() { return releases_; }
    Choice* when() { return whens_; }

signals:
    void chosen();

private:
    void refreshShelves();
    void refreshReleases();
    void refreshWhen();

    AuditController& audit_;
    Choice *shelves_, *releases_, *whens_;
    int64_t shelf_ = 0;
    FileId release_ = 0;
    library::FoundWhen when_ = library::FoundWhen::Always;
};

} // namespace moorfrost::app
