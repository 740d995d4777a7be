// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a party: who may be the same, how the tags of files spell it, what is missing.
#pragma once

#include "app/control/people_controller.h"
#include "app/widgets/side_lines.h"
#include "core/library/people/agreements.h"

namespace moorfrost::app {

class PartySide : public SideLines {
    Q_OBJECT
public:
    using SideLines::SideLines;
    void show(const library::CardView& view, PeopleController& people,
              const std::vector<library::AgreementLine>& agreements);

signals:
    void factWanted(const std::string& key);
    void mergeWanted(moorfrost::library::CardId into, moorfrost::library::CardId other);
    void agreementWanted(moorfrost::library::CardId agreement);
    void partyWanted(moorfrost::library::CardId party);
    /// It is one of its spellings.
    void spellingTaken(const std::string& name);
};

} // namespace moorfrost::app
