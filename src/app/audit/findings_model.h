// SPDX-License-Identifier: GPL-3.0-or-later
// Findings that are listed: what each is about, and why.
#pragma once

#include <QAbstractListModel>

#include "app/control/audit_controller.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

class FindingsModel : public QAbstractListModel {
    Q_OBJECT
public:
    explicit FindingsModel(AuditController& audit, QObject* parent = nullptr);
    /// What the controller lists by now.
    void refresh();
    /// A number of the controller.
    size_t findingAt(int row) const { return audit_.found().listed.at(static_cast<size_t>(row)); }
    /// Tells the finding of a row apart, also when the controller has others by now; 0 for no row.
    uint64_t keyAt(int row) const;
    /// -1: it is not listed.
    int rowOfKey(uint64_t key) const;
    static QString weightName(library::Weight weight);
    static paint::Tone tone(library::Weight weight);

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;

private:
    AuditController& audit_;
    std::vector<uint64_t> keys_; // of the rows
};

} // namespace moorfrost::app
