// SPDX-License-Identifier: GPL-3.0-or-later
// One finding: what is wrong, why it matters, a picture of the sound where it is about one, the evidence, and
// what the fix would make of it.
#pragma once

#include <QPointer>

#include "app/audit/sound_panel.h"
#include "app/control/audit_controller.h"
#include "app/widgets/side_lines.h"

namespace moorfrost::app {

/// Lines of one part of it.
class FindingLines : public SideLines {
public:
    using SideLines::add;
    using SideLines::clear;
    using SideLines::end;
    using SideLines::line;
    using SideLines::SideLines;
};

class FindingBox : public QWidget {
    Q_OBJECT
public:
    FindingBox(AuditController& audit, const SoundPanel::Uses& sound, QWidget* parent = nullptr);
    /// Nothing for none.
    void show(std::optional<size_t> finding);
    SoundPanel* sound() { return sound_; }
    /// All text, for tests.
    QString text() const { return head_->text() + "\n" + rest_->text(); }

signals:
    /// Only the findings of this release.
    void releaseWanted(moorfrost::library::FileId release);
    void fileWanted(moorfrost::library::FileId file);

private:
    static QString wishesText(const std::vector<library::DraftSession::Wish>& wishes);
    void fill(size_t at, const library::Finding& finding);
    void showSound(const library::Finding& finding);
    void showEvidence(const std::vector<library::Evidence>& evidence, bool isMeasured);
    void showFiles(const std::vector<FileId>& files);

    AuditController& audit_;
    FindingLines *head_, *rest_;
    SoundPanel* sound_;
    QPointer<QLabel> wishes_; // of the one that is shown, when they are known
    int run_ = 0;             // of what was asked for
};

} // namespace moorfrost::app
