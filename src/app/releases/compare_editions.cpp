// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/compare_editions.h"

#include <QHeaderView>
#include <QShortcut>
#include <QVBoxLayout>

#include <algorithm>
#include <set>

#include "app/releases/release_lines.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "core/library/releases/edition_sets.h"
#include "core/library/sound_groups.h"

namespace moorfrost::app {

namespace {

enum Column { TrackA, Link, TrackB };
constexpr size_t mostListened = 4000; // pairs of files that are compared by their sound

QString trackLine(const reference::Track& t) {
    QString out = qs(t.position);
    out += (out.isEmpty() ? "" : "   ") +
           (t.title.empty() ? CompareEditions::tr("without a title") : qs(t.title));
    if (t.lengthMs > 0)
        out += "   " + shownLength(static_cast<double>(t.lengthMs) / 1000);
    return out;
}

QString whyText(const library::TrackPair& pair) {
    using Why = library::TrackPair::Why;
    switch (pair.why) {
    case Why::SameRecording:
        return CompareEditions::tr("one recording");
    case Why::Sound:
        return pair.certain ? CompareEditions::tr("the same sound")
                            : CompareEditions::tr("the same sound, another length");
    case Why::Code:
        return pair.certain ? CompareEditions::tr("the same code")
                            : CompareEditions::tr("the same code, another length");
    case Why::NameAndLength:
        return pair.certain ? CompareEditions::tr("name and length the same")
                            : CompareEditions::tr("name and length alike");
    case Why::Name:
        return CompareEditions::tr("name alike");
    }
    return {};
}

} // namespace

CompareEditions::CompareEditions(const Uses& use, const ShownRelease& a, QWidget* parent)
    : QDialog(parent), use_(use), a_(a) {
    setWindowTitle(tr("Two editions side by side"));
    other_ = new Choice;
    other_->setAccessibleName(tr("Compared with"));
    other_->setMinimumWidth(360);
    const auto list = use_.releases.list();
    const size_t own = list ? list->find(a.view.ref) : SIZE_MAX;
    auto add = [&](size_t entry) {
        const library::ReleaseEntry& e = list->entries()[entry];
        if (entry == own || std::ranges::find(others_, e.ref) != others_.end())
            return;
        others_.push_back(e.ref);
        other_->addItem(qs(e.title) + " \u00B7 " + editionLine(e));
    };
    if (own != SIZE_MAX) {
        for (const size_t entry : list->editionsOf(own))
            add(entry);
        library::ReleaseClue clue{
            a.view.release.title, a.view.release.credit.text(), {}, {}, list->entries()[own].titles};
        for (const auto& like : library::likeReleases(*list, clue, 12))
            add(like.entry);
    }
    facts_ = new ComparisonTable;
    facts_->setAccessibleName(tr("What the editions differ in"));
    facts_->setOnlyDifferent(true);
    tracks_ = new QTreeWidget;
    prepareTree(tracks_, {QString(), tr("Shared"), QString()});
    tracks_->setRootIsDecorated(false);
    tracks_->setAccessibleName(tr("Which recordings they share"));
    tracks_->setTextElideMode(Qt::ElideRight);
    certain_ = button({});
    certain_->setToolTip(tr("All pairs that are certain become one recording each (Ctrl+T)"));
    same_ = button(tr("The same recording"));
    same_->setToolTip(tr("The chosen pair, or the two chosen tracks (Space)"));
    apart_ = button(tr("Not the same"));
    auto* marks = new QHBoxLayout;
    marks->addWidget(certain_);
    marks->addWidget(same_);
    marks->addWidget(apart_);
    marks->addStretch();
    auto* top = new QHBoxLayout;
    top->addWidget(label(tr("%1 beside").arg(qs(a.view.release.title)), "strong"));
    top->addWidget(other_);
    top->addStretch();
    const TakeBar foot = takeBar(this, tr("Take"));
    take_ = foot.take;
    summary_ = foot.summary;
    auto* body = new QVBoxLayout;
    body->setContentsMargins(16, 14, 16, 10);
    body->setSpacing(10);
    body->addLayout(top);
    body->addWidget(facts_);
    body->addWidget(tracks_, 1);
    body->addLayout(marks);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    for (QPushButton* b : {certain_, same_, apart_, take_})
        b->setAutoDefault(false);
    connect(facts_, &ComparisonTable::chosen, this, [this](size_t column) {
        measure_ = column;
        showFacts();
    });
    connect(other_, &QComboBox::currentIndexChanged, this, &CompareEditions::readOther);
    connect(tracks_, &QTreeWidget::itemSelectionChanged, this, [this] {
        const auto chosen = chosenLines();
        const bool pairs = std::ranges::any_of(
            chosen, [&](int l) { return lines_[static_cast<size_t>(l)].pair.has_value(); });
        const bool two = chosen.size() == 2 && lines_[static_cast<size_t>(chosen[0])].b == SIZE_MAX &&
                         lines_[static_cast<size_t>(chosen[1])].a == SIZE_MAX;
        same_->setEnabled(pairs || two);
        apart_->setEnabled(pairs);
    });
    connect(certain_, &QPushButton::clicked, this, [this] {
        std::vector<int> certain;
        for (size_t i = 0; i < lines_.size(); ++i)
            if (lines_[i].pair && lines_[i].pair->certain)
                certain.push_back(static_cast<int>(i));
        toggle(certain, true);
    });
    connect(same_, &QPushButton::clicked, this, &CompareEditions::join);
    connect(apart_, &QPushButton::clicked, this, [this] { toggle(chosenLines(), false); });
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    auto* all = new QShortcut(QKeySequence("Ctrl+T"), this);
    connect(all, &QShortcut::activated, certain_, &QPushButton::click);
    auto* space = new QShortcut(Qt::Key_Space, tracks_);
    space->setContext(Qt::WidgetShortcut);
    connect(space, &QShortcut::activated, this, [this] {
        const auto chosen = chosenLines();
        if (chosen.size() == 1 && lines_[static_cast<size_t>(chosen[0])].pair)
            toggle(chosen, !lines_[static_cast<size_t>(chosen[0])].shared);
        else
            join();
    });
    resize(1000, 660);
    readOther();
}

std::vector<int> CompareEditions::chosenLines() const {
    std::set<int> out;
    for (const QTreeWidgetItem* item : tracks_->selectedItems())
        out.insert(tracks_->indexOfTopLevelItem(const_cast<QTreeWidgetItem*>(item)));
    return {out.begin(), out.end()};
}

void CompareEditions::readOther() {
    there_ = false;
    const int index = other_->currentIndex();
    if (index < 0) {
        there_ = true;
        fill();
        summary_->setText(tr("Nothing in the library is like it."));
        return;
    }
    const int run = ++run_;
    use_.releases.read(this, others_[static_cast<size_t>(index)], [this, run](ShownRelease other) {
        if (run != run_)
            return;
        b_ = std::move(other);
        showFacts();
        pair();
    });
}

void CompareEditions::showFacts() {
    Comparison table;
    auto name = [](const ShownRelease& r) {
        const QString carrier = qs(r.view.release.carrier());
        const QString date = qs(r.view.release.date());
        return QStringList({carrier, date}).filter(QRegularExpression(".")).join(" \u00B7 ");
    };
    table.columns = {name(a_), name(b_)};
    auto row = [&](const QString& caption, const QString& a, const QString& b) {
        if (!a.isEmpty() || !b.isEmpty())
            table.rows.push_back({caption, {{a}, {b}}});
    };
    for (const library::FactDef& def : library::releaseFacts()) {
        if (def.kind == library::FactKind::LongText || def.key == std::string("links"))
            continue;
        row(tr(def.label), qs(library::shownFact(def.key, library::factOf(a_.view.release, def.key))),
            qs(library::shownFact(def.key, library::factOf(b_.view.release, def.key))));
    }
    row(tr("Carrier"), qs(a_.view.release.carrier()), qs(b_.view.release.carrier()));
    row(tr("Tracks"), QString::number(a_.view.release.trackCount()),
        QString::number(b_.view.release.trackCount()));
    table.chosen = measure_;
    facts_->show(table);
    facts_->setMaximumHeight(std::min(260, facts_->sizeHint().height()));
}

void CompareEditions::pair() {
    tracksA_ = library::tracksOf(a_.view);
    tracksB_ = library::tracksOf(b_.view);
    const int run = run_;
    use_.jobs.start(
        this, {ss(tr("Comparing two editions"))},
        [a = tracksA_, b = tracksB_, sounds = use_.sounds.store()](
            std::stop_token stop, work::Progress&) -> Result<std::vector<library::TrackPair>> {
            const bool listens = sounds && a.size() * b.size() <= mostListened;
            return library::pairTracks(a, b, [&](FileId one, FileId other) {
                return listens && !stop.stop_requested() ? library::linkBetween(*sounds, one, other).z : 0.0;
            });
        },
        [this, run](Result<std::vector<library::TrackPair>> pairs) {
            if (run == run_ && pairs)
                show(*pairs);
        });
}

void CompareEditions::show(const std::vector<library::TrackPair>& pairs) {
    lines_.clear();
    std::vector<bool> used(tracksB_.size());
    std::map<size_t, library::TrackPair> byA;
    for (const library::TrackPair& p : pairs) {
        byA[p.a] = p;
        used[p.b] = true;
    }
    for (size_t i = 0; i < tracksA_.size(); ++i) {
        Line line;
        line.a = i;
        if (const auto at = byA.find(i); at != byA.end()) {
            line.b = at->second.b;
            line.pair = at->second;
            line.was = line.shared =
                tracksA_[i].recording != 0 && tracksA_[i].recording == tracksB_[line.b].recording;
        }
        lines_.push_back(line);
    }
    for (size_t j = 0; j < tracksB_.size(); ++j)
        if (!used[j]) {
            Line line;
            line.b = j;
            lines_.push_back(line);
        }
    there_ = true;
    fill();
}

void CompareEditions::fill() {
    const auto& c = theme::colours();
    const auto chosen = chosenLines();
    tracks_->clear();
    int certain = 0, changed = 0;
    auto trackOf = [](const ShownRelease& release, const library::PairedTrack& t) {
        return trackLine(release.view.media[t.medium].tracks[t.number].printed);
    };
    for (const Line& line : lines_) {
        QString link;
        QColor colour = c.second;
        if (line.was && line.shared) {
            link = "\u2550  " + tr("one recording");
            colour = c.moss;
        } else if (line.shared) {
            link = "\u2550  " + tr("will be one recording");
            colour = c.heather;
        } else if (line.was) {
            link = tr("will be parted");
            colour = c.rowan;
        } else if (line.pair) {
            link = (line.pair->certain ? "\u2504  " : "?  ") + whyText(*line.pair);
            colour = line.pair->certain ? c.ink : c.lichen;
        }
        certain += line.pair && line.pair->certain && !line.shared;
        changed += line.was != line.shared;
        auto* item = new QTreeWidgetItem(
            tracks_, {line.a == SIZE_MAX ? QString() : trackOf(a_, tracksA_[line.a]), link,
                      line.b == SIZE_MAX ? QString() : trackOf(b_, tracksB_[line.b])});
        item->setForeground(Link, colour);
        if (line.pair && line.pair->apartMs != 0)
            item->setToolTip(Link,
                             tr("%1; lengths are %2 s apart")
                                 .arg(whyText(*line.pair))
                                 .arg(static_cast<double>(std::abs(line.pair->apartMs)) / 1000, 0, 'f', 1));
        for (int column : {TrackA, TrackB})
            item->setToolTip(column, item->text(column));
    }
    for (const int line : chosen)
        if (line < tracks_->topLevelItemCount()) {
            tracks_->topLevelItem(line)->setSelected(true);
            tracks_->setCurrentItem(tracks_->topLevelItem(line), 0, QItemSelectionModel::Select);
        }
    auto head = [](const ShownRelease& r) {
        const QString carrier = qs(r.view.release.carrier());
        return qs(r.view.release.title) + (carrier.isEmpty() ? QString() : " \u00B7 " + carrier);
    };
    tracks_->setHeaderLabels({head(a_), tr("Shared"), head(b_)});
    const int width = std::max(600, tracks_->viewport()->width());
    tracks_->setColumnWidth(TrackA, width * 38 / 100);
    tracks_->setColumnWidth(Link, width * 24 / 100);
    certain_->setText(tr("Take all that are certain (%1)").arg(certain));
    certain_->setEnabled(certain > 0);
    take_->setEnabled(changed > 0);
    summary_->setText(changed == 0 ? QString() : tr("%n change(s)", "", changed));
    emit tracks_->itemSelectionChanged();
}

void CompareEditions::toggle(const std::vector<int>& lines, bool shared) {
    for (const int i : lines)
        if (Line& line = lines_[static_cast<size_t>(i)]; line.pair)
            line.shared = shared;
    fill();
}

void CompareEditions::join() {
    const auto chosen = chosenLines();
    if (chosen.size() == 2) {
        Line &a = lines_[static_cast<size_t>(chosen[0])], &b = lines_[static_cast<size_t>(chosen[1])];
        if (a.b == SIZE_MAX && b.a == SIZE_MAX) {
            a.b = b.b;
            library::TrackPair pair;
            pair.a = a.a;
            pair.b = a.b;
            a.pair = pair;
            a.shared = a.byHand = true;
            lines_.erase(lines_.begin() + chosen[1]);
            return fill();
        }
    }
    toggle(chosen, true);
}

std::vector<library::SharedTrack> CompareEditions::changes() const {
    std::vector<library::SharedTrack> out;
    for (const Line& line : lines_)
        if (line.pair && line.was != line.shared) {
            const library::PairedTrack &a = tracksA_[line.a], &b = tracksB_[line.b];
            out.push_back({a.medium, a.number, b.medium, b.number, line.shared});
        }
    return out;
}

} // namespace moorfrost::app
