// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/agreement_link.h"

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

QColor inkOf(const library::Holding& holding) {
    const auto& c = theme::colours();
    switch (holding.holds) {
    case library::Holds::Soon:
        return c.lichen;
    case library::Holds::Over:
        return c.rowan;
    case library::Holds::Running:
        return c.moss;
    case library::Holds::NotYet:
    case library::Holds::Open:
        break;
    }
    return c.second;
}

void showAgreements(SideLines& lines, const std::vector<library::AgreementLine>& agreements,
                    std::function<void(library::CardId)> follow) {
    if (agreements.empty())
        return;
    lines.caption(SideLines::tr("Agreements"));
    for (const library::AgreementLine& a : agreements) {
        QLabel* line = lines.link(qs(a.title), [follow, id = a.id] { follow(id); });
        line->setText(line->text() + "<br>" + SideLines::coloured(spoken(a.says), inkOf(a.holding)));
    }
}

} // namespace moorfrost::app
