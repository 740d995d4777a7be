// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/party_side.h"

#include <QPushButton>

#include "app/people/agreement_link.h"
#include "app/shell/core_sentences.h"
#include "app/shell/language.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

namespace {

QString where(const library::TagName& name) {
    QStringList fields;
    for (const std::string& field : name.fields)
        fields << language::inSentence(fieldLabel(field));
    return PartySide::tr("%1, in %n file(s)", "", static_cast<int>(name.files)).arg(fields.join(", "));
}

} // namespace

void PartySide::show(const library::CardView& view, PeopleController& people,
                     const std::vector<library::AgreementLine>& agreements) {
    clear();
    const auto& c = theme::colours();
    const auto list = people.list();
    caption(tr("What is missing"));
    bool any = false;
    for (const auto& [key, sentence] : {std::pair("ipi", tr("No IPI number")),
                                        {"society", tr("No society")},
                                        {"contacts", tr("No way to reach them")}})
        if (const auto fact = view.facts.find(std::string_view(key)); fact == view.facts.end()) {
            any = true;
            gap(sentence, false, [this, key = std::string(key)] { emit factWanted(key); });
        }
    if (!any)
        line(coloured(tr("Nothing"), c.moss));
    for (const library::PartyProposal& p : people.proposals()) {
        if (p.first != view.id && p.second != view.id)
            continue;
        const library::CardId other = p.first == view.id ? p.second : p.first;
        caption(tr("May be the same"));
        link(list ? qs(list->nameOf(other)) : QString(), [this, other] { emit partyWanted(other); });
        line(coloured(spoken(p.why), c.second));
        auto* bar = new EvidenceBar;
        bar->setValue(p.sure);
        add(bar);
        auto* merge = button(tr("They are one"));
        merge->setToolTip(
            tr("All shares are those of this one; it is found by both names. Ctrl+Z takes it back."));
        connect(merge, &QPushButton::clicked, this,
                [this, id = view.id, other] { emit mergeWanted(id, other); });
        add(flowing({merge}));
    }
    if (const auto whom = list ? list->representedBy(view.id) : std::vector<library::CardId>();
        !whom.empty()) {
        caption(tr("Represents"));
        for (const library::CardId id : whom)
            link(qs(list->nameOf(id)), [this, id] { emit partyWanted(id); });
    }
    showAgreements(*this, agreements, [this](library::CardId id) { emit agreementWanted(id); });
    const library::NamesOfParty names = people.namesOf(view.id);
    caption(tr("In the tags of files"));
    if (names.own.empty() && names.otherwise.empty())
        line(coloured(tr("No file names them."), c.second));
    for (const library::TagName& name : names.own)
        line(QString("%1<br>%2").arg(qs(name.name).toHtmlEscaped(), coloured(where(name), c.second)));
    for (const library::TagName& name : names.otherwise) {
        line(QString("%1 %2<br>%3")
                 .arg(coloured(QStringLiteral("\u2260"), c.lichen), qs(name.name).toHtmlEscaped(),
                      coloured(tr("spelled otherwise: %1").arg(where(name)), c.second)));
        auto* take = button(tr("It is this one"));
        take->setToolTip(tr("From now on \u201C%1\u201D is one of the spellings").arg(qs(name.name)));
        connect(take, &QPushButton::clicked, this, [this, n = name.name] { emit spellingTaken(n); });
        add(flowing({take}));
    }
    end();
}

} // namespace moorfrost::app
