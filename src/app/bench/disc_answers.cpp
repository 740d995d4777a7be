// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/disc_answers.h"

#include <algorithm>

#include <QCheckBox>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "core/bench/taking.h"

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
    found_->setText(same > 0 ? tr("%n answer(s) have this very table", "", same)
                    : disc.variants.front().distance > 0
                        ? tr("%n answer(s) have nearly this table", "", n)
                        : tr("%n answer(s) by name; their tables are not told", "", n));
    Comparison comparison;
    comparison.columns = {tr("On the disc")};
    std::vector<std::vector<tags::Fields>> said(1); // of each column, of each track
    for (const DiscsController::Track& t : disc.tracks)
        said[0].push_back(t.own);
    for (const disc::Variant& v : disc.variants) {
        comparison.columns.push_back(qs(v.referenceName));
        std::vector<tags::Fields> tracks;
        for (size_t i = 0; i < disc.tracks.size(); ++i)
            tracks.push_back(bench::fieldsOf(v.release, v.medium, disc.placeOf(i), v.reference));
        said.push_back(std::move(tracks));
    }
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
    auto row = [&](const QString& caption, size_t track, const char* field) {
        Comparison::Row out{caption, {}};
        bool any = false;
        for (const std::vector<tags::Fields>& column : said) {
            const QString value = qs(tags::shownValue(column[track], field));
            any = any || !value.isEmpty();
            out.cells.push_back({value.isEmpty() ? tr("not told") : value});
        }
        if (any)
            comparison.rows.push_back(std::move(out));
    };
    for (const char* field :
         {"album_artist", "album", "date", "genre", "label", "catalogue_number", "country", "language"})
        row(fieldLabel(field), 0, field);
    for (size_t i = 0; i < disc.tracks.size(); ++i)
        if (disc.tracks[i].entry.number > 0)
            row(tr("Track %1").arg(disc.tracks[i].entry.number), i, "title");
    comparison.chosen = static_cast<size_t>(disc.chosen + 1);
    table_->show(comparison);
    table_->setMaximumHeight(std::min(table_->sizeHint().height(), 230));
}

} // namespace moorfrost::app
