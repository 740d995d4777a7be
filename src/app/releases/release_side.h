// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a release: where what is known of it came from, what may be the same release, notes and links.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QPushButton>

#include "app/control/releases_controller.h"
#include "app/widgets/controls.h"
#include "core/library/people/agreements.h"
#include "core/library/releases/edition_sets.h"

namespace moorfrost::app {

class ReleaseSide : public QFrame {
    Q_OBJECT
public:
    /// `pictures`: that stand between what is told and the notes.
    explicit ReleaseSide(QWidget* pictures, QWidget* parent = nullptr);
    void show(const ShownRelease& release);
    /// Agreements in which it or a song of it is named.
    void showAgreements(const std::vector<library::AgreementLine>& agreements);
    QString agreementsText() const { return agreements_->text(); }
    QString originsText() const;
    QPushButton* notesButton() { return notesButton_; }
    /// What may be the same release.
    void showAlike(const std::vector<std::pair<library::ReleaseEntry, library::EditionEvidence>>& alike);
    QPushButton* sameSetButton() { return sameSet_; }
    QPushButton* notSameButton() { return notSame_; }
    QString alikeText() const { return alike_->text(); }

signals:
    void agreementWanted(moorfrost::library::CardId agreement);
    /// Typed over: the fact "notes" or "links".
    void sameSetWanted(const moorfrost::library::ReleaseRef& other);
    void notSameWanted(const moorfrost::library::ReleaseRef& other);
    void typed(const std::string& key, const std::vector<std::string>& values);

private:
    void changeNotes();

    QLabel *origins_, *notes_, *links_, *agreements_;
    QWidget* agreementsBox_;
    QPushButton* notesButton_;
    QWidget* alikeBox_;
    QLabel *alike_, *alikeWhy_;
    EvidenceBar* alikeBar_;
    QPushButton *sameSet_, *notSame_;
    library::ReleaseRef other_; // that is shown as alike
    reference::Release release_;
};

} // namespace moorfrost::app
