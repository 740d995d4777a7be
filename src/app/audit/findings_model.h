// SPDX-License-Identifier: GPL-3.0-or-later
// Findings, those of one rule, weight and search: what each is about, and why.
#pragma once

#include <QAbstractListModel>

#include "app/control/audit_controller.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

class FindingsModel : public QAbstractListModel {
    Q_OBJECT
public:
    struct Filter {
        const library::AuditRule* rule = nullptr; // nullptr: all
        std::optional<library::Weight> weight;
        bool left = false; // those that are left as they are
        QString words;
        bool operator==(const Filter&) const = default;
    };

    explicit FindingsModel(AuditController& audit, QObject* parent = nullptr);
    void show(const Filter& filter);
    const Filter& filter() const { return filter_; }
    /// A number of the controller.
    size_t findingAt(int row) const { return listed_.at(static_cast<size_t>(row)); }
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
    Filter filter_;
    std::vector<size_t> listed_;
    std::vector<uint64_t> keys_;
};

} // namespace moorfrost::app
