// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/agreement_link.h"

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

QLabel* agreementLink(SideLines& lines, const library::AgreementLine& agreement) {
    QLabel* out = lines.link(qs(agreement.title));
    out->setText(out->text() + "<br>" + SideLines::coloured(qs(agreement.says), inkOf(agreement.holding)));
    return out;
}

} // namespace moorfrost::app
