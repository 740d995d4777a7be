// SPDX-License-Identifier: GPL-3.0-or-later
// One finding: what is wrong, why it matters, the evidence, and what the fix would make of it.
#pragma once

#include <QPointer>

#include "app/control/audit_controller.h"
#include "app/widgets/side_lines.h"

namespace moorfrost::app {

class FindingBox : public SideLines {
    Q_OBJECT
public:
    FindingBox(AuditController& audit, QWidget* parent = nullptr) : SideLines(parent), audit_(audit) {}
    /// Nothing for none.
    void show(std::optional<size_t> finding);

signals:
    void fileWanted(moorfrost::library::FileId file);

private:
    static QString wishesText(const std::vector<library::DraftSession::Wish>& wishes);
    void fill(size_t at, const library::Finding& finding);
    void showFiles(const std::vector<FileId>& files);

    AuditController& audit_;
    QPointer<QLabel> wishes_; // of the one that is shown, when they are known
    int run_ = 0;             // of what was asked for
};

} // namespace moorfrost::app
