// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/findings_model.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

FindingsModel::FindingsModel(AuditController& audit, QObject* parent)
    : QAbstractListModel(parent), audit_(audit) {}

void FindingsModel::refresh() {
    beginResetModel();
    keys_.clear();
    for (const uint32_t finding : audit_.found().listed)
        keys_.push_back(audit_.key(finding));
    endResetModel();
}

int FindingsModel::rowOfKey(uint64_t key) const {
    const auto at = std::ranges::find(keys_, key);
    return at == keys_.end() ? -1 : static_cast<int>(at - keys_.begin());
}

uint64_t FindingsModel::keyAt(int row) const {
    return row < 0 || row >= static_cast<int>(keys_.size()) ? 0 : keys_[static_cast<size_t>(row)];
}

QString FindingsModel::weightName(library::Weight weight) {
    switch (weight) {
    case library::Weight::Grave:
        return tr("grave");
    case library::Weight::Plain:
        return tr("plain");
    case library::Weight::Slight:
        return tr("slight");
    }
    return {};
}

paint::Tone FindingsModel::tone(library::Weight weight) {
    switch (weight) {
    case library::Weight::Grave:
        return paint::Tone::Wrong;
    case library::Weight::Plain:
        return paint::Tone::Attention;
    case library::Weight::Slight:
        return paint::Tone::Neutral;
    }
    return paint::Tone::Neutral;
}

int FindingsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(keys_.size());
}

QVariant FindingsModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || static_cast<size_t>(index.row()) >= audit_.found().listed.size())
        return {};
    const size_t finding = findingAt(index.row());
    const QString name = tr(audit_.rule(finding).name);
    switch (role) {
    case Qt::DisplayRole:
        return audit_.title(finding);
    case TwoLineDelegate::SecondRole: {
        const QString why = spoken(audit_.finding(finding).sentence);
        if (audit_.isTaken(finding))
            return tr("Drafts made. %1").arg(why);
        return why;
    }
    case TwoLineDelegate::SureRole:
        return audit_.sure(finding);
    case TwoLineDelegate::ToneRole:
        return static_cast<int>(tone(audit_.weight(finding)));
    case Qt::ToolTipRole:
        return QString("%1\n%2: %3")
            .arg(audit_.title(finding), name, spoken(audit_.finding(finding).sentence))
            .toHtmlEscaped()
            .replace('\n', "<br>");
    case Qt::AccessibleTextRole:
        return tr("%1. %2, %3. %4")
            .arg(audit_.title(finding), name, weightName(audit_.weight(finding)),
                 spoken(audit_.finding(finding).sentence));
    default:
        return {};
    }
}

} // namespace moorfrost::app
