// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a work: what is missing, where sources disagree, agreements, its recordings.
#pragma once

#include "app/control/people_controller.h"
#include "app/widgets/side_lines.h"
#include "core/library/people/agreements.h"

namespace moorfrost::app {

class WorkSide : public SideLines {
    Q_OBJECT
public:
    using SideLines::SideLines;
    /// `entry`: of the list; nullptr: not there yet.
    void show(const library::CardView& view, const library::WorkEntry* entry,
              const PeopleController::List& people, const std::vector<library::AgreementLine>& agreements);

signals:
    void agreementWanted(moorfrost::library::CardId agreement);
    void gapChosen(const moorfrost::library::Gap& gap);
    void settled(const moorfrost::library::Claim& claim, bool take);
    void recordingWanted(moorfrost::library::FileId file);

private:
    void showGaps(const library::WorkEntry* entry);
    void showClaims(const library::CardView& view, const PeopleController::List& people);
    void showRecordings(const library::CardView& view);
};

} // namespace moorfrost::app
