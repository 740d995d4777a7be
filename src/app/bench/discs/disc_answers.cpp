// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/discs/disc_answers.h"

#include <algorithm>

#include <QCheckBox>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

DiscAnswers::DiscAnswers(DiscsController& discs, QWidget* parent) : QWidget(parent), discs_(discs) {
    found_ = label({}, "");
    found_->setFont(theme::uiFont(13, QFont::Medium));
    auto* only = new QCheckBox(tr("only what differs"));
    only->setChecked(true);
    table_ = new ComparisonTable;
    table_->setAccessibleName(tr("What the references say of the disc"));
    table_->setOnlyDifferent(true);
    connect(only, &QCheckBox::toggled, table_, &ComparisonTable::setOnlyDifferent);
    connect(table_, &ComparisonTable::chosen, this, [this](size_t column) {
        discs_.choose(disc_, static_cast<int>(column) - 1); // the first is the disc itself
    });
    connect(table_, &ComparisonTable::picked, this, [this](size_t row, size_t column) {
        if (row < picks_.size())
            discs_.pick(disc_, picks_[row].first, picks_[row].second, static_cast<int>(column) - 1);
    });
    table_->setToolTip(
        tr("At its head an answer is chosen as a whole; a click on a value takes that one alone."));
    auto* answer = new QVBoxLayout(this);
    answer->setContentsMargins(0, 6, 0, 0);
    answer->setSpacing(4);
    auto* line = new QHBoxLayout;
    line->setContentsMargins(14, 0, 14, 0);
    line->addWidget(found_, 1);
    line->addWidget(only);
    answer->addLayout(line);
    answer->addWidget(table_);
    hide();
}

QString DiscAnswers::found() const {
    return found_->text();
}

void DiscAnswers::setDisc(int number) {
    disc_ = number;
    const DiscsController::Disc* disc = discs_.find(number);
    setVisible(disc && !disc->variants.empty());
    if (disc && !disc->variants.empty())
        fill(*disc);
}

void DiscAnswers::fill(const DiscsController::Disc& disc) {
    const auto same = static_cast<int>(
        std::ranges::count_if(disc.variants, [](const disc::Variant& v) { return v.distance == 0; }));
    const auto n = static_cast<int>(disc.variants.size());
    found_->setText(same > 0 ? tr("%n answer(s) with this very table", "", same)
                    : disc.variants.front().distance > 0
                        ? tr("%n answer(s) with nearly this table", "", n)
                        : tr("%n answer(s) by name; their tables are not told", "", n));
    Comparison comparison;
    comparison.columns = {tr("On the disc")};
    for (const disc::Variant& v : disc.variants)
        comparison.columns.push_back(qs(v.referenceName));
    Comparison::Row who{tr("Told by"), {{tr("the disc itself")}}, true};
    Comparison::Row tables{tr("Table"), {{tr("this disc")}}, true};
    for (const disc::Variant& v : disc.variants) {
        who.cells.push_back({qs(v.referenceName)});
        tables.cells.push_back({v.distance < 0 ? tr("not told")
                                : v.distance == 0
                                    ? tr("the same")
                                    : tr("up to %1 s apart").arg(v.distance / 75.0, 0, 'f', 1)});
    }
    comparison.rows = {who, tables};
    picks_.assign(comparison.rows.size(), {});
    auto row = [&](const QString& caption, int track, const std::string& field) {
        Comparison::Row out{caption, {}};
        const auto place = static_cast<size_t>(std::max(0, track));
        bool any = false;
        for (int v = -1; v < static_cast<int>(disc.variants.size()); ++v) {
            const QString value = qs(discs_.saidBy(disc, v, track, field));
            any = any || !value.isEmpty();
            out.cells.push_back({value});
        }
        if (!any)
            return;
        out.pickable = true;
        const auto& typed = track < 0 ? disc.typed : disc.tracks[place].typed;
        if (typed.contains(field)) {
            const QString now =
                qs(tags::shownValue(track < 0 ? disc.fields : disc.tracks[place].fields, field));
            const auto from = std::ranges::find(out.cells, now, &Comparison::Cell::text);
            out.effective = out.cells[static_cast<size_t>(disc.chosen + 1)].text == now ? -1
                            : from == out.cells.end() ? Comparison::Row::none
                                                      : static_cast<int>(from - out.cells.begin());
        }
        comparison.rows.push_back(std::move(out));
        picks_.emplace_back(track, field);
    };
    for (const char* field :
         {"album_artist", "album", "date", "genre", "label", "catalogue_number", "country", "language"})
        row(fieldLabel(field), -1, field);
    for (size_t i = 0; i < disc.tracks.size(); ++i)
        if (disc.tracks[i].entry.number > 0)
            row(tr("Track %1").arg(disc.tracks[i].entry.number), static_cast<int>(i), "title");
    comparison.chosen = static_cast<size_t>(disc.chosen + 1);
    table_->show(comparison);
    table_->setMaximumHeight(std::min(table_->sizeHint().height(), 230));
}

} // namespace moorfrost::app
