// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/identify_page.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QHeaderView>
#include <QLineEdit>
#include <QScrollBar>
#include <QSignalBlocker>
#include <QSplitter>
#include <QStackedWidget>
#include <QTreeWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>
#include <set>

#include "app/bench/identify_overview.h"
#include "app/bench/line_up_table.h"
#include "app/bench/release_pictures_view.h"
#include "app/bench/stray_list.h"
#include "app/bench/take_rules_dialog.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/file_table.h"
#include "app/widgets/line_icons.h"

namespace moorfrost::app {

namespace {

using matching::Candidate;
using matching::Evidence;

QLineEdit* wordBox(const QString& name, const QString& hint) {
    auto* line = new QLineEdit;
    line->setAccessibleName(name);
    line->setPlaceholderText(hint);
    addClearButton(line);
    line->setMinimumWidth(90);
    return line;
}

QWidget* below(const QString& caption, QWidget* control) {
    auto* box = new QWidget;
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addWidget(label(caption, "caption"));
    layout->addWidget(control);
    return box;
}

QString evidenceName(Evidence e) {
    const QString names[] = {
        IdentifyPage::tr("Artist"),  IdentifyPage::tr("Album"),   IdentifyPage::tr("Titles"),
        IdentifyPage::tr("Tracks"),  IdentifyPage::tr("Lengths"), IdentifyPage::tr("Track numbers"),
        IdentifyPage::tr("Codes"),   IdentifyPage::tr("Year"),    IdentifyPage::tr("Label"),
        IdentifyPage::tr("Carrier"), IdentifyPage::tr("Sound")};
    return names[static_cast<size_t>(e)];
}

QString lengthsApart(const Candidate& c) {
    double sum = 0;
    int n = 0;
    for (size_t t = 0; t < c.seating.fileOf.size(); ++t)
        if (c.seating.fileOf[t] >= 0 && c.seating.fits[t].length) {
            sum += std::abs(c.seating.fits[t].secondsApart);
            ++n;
        }
    return n == 0 ? QString() : IdentifyPage::tr("%1 s a track").arg(sum / n, 0, 'f', 1);
}

QString joined(const std::vector<std::string>& values) {
    QStringList out;
    for (const std::string& v : values)
        out << qs(v);
    return out.join(", ");
}

} // namespace

IdentifyPage::IdentifyPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    artist_ = wordBox(tr("Artist"), tr("any"));
    album_ = wordBox(tr("Album"), tr("any"));
    code_ = wordBox(tr("Barcode or catalogue number"), tr("optional"));
    find_ = button(tr("Find"));
    find_->setToolTip(tr("By these words"));
    look_ = button(tr("Look up"));
    look_->setToolTip(tr("By all that is known of the sleeve: tags, names, lengths, codes"));
    auto* words = new QHBoxLayout;
    words->addWidget(below(tr("Artist"), artist_), 3);
    words->addWidget(below(tr("Album"), album_), 3);
    words->addWidget(below(tr("Barcode or cat. no."), code_), 2);
    words->addWidget(find_, 0, Qt::AlignBottom);
    words->addWidget(look_, 0, Qt::AlignBottom);
    listen_ = button(tr("By sound"));
    listen_->setToolTip(tr("Listens to the files, whatever they are called"));
    words->addWidget(listen_, 0, Qt::AlignBottom);
    QWidget* tools = bar("tools", words);
    tools->layout()->setContentsMargins(16, 10, 16, 10);

    found_ = new ShortLabel;
    found_->setObjectName("caption");
    onlyDifferent_ = new QCheckBox(tr("only what differs"));
    reasons_ = new QCheckBox(tr("evidence in full"));
    auto* head = new QHBoxLayout;
    head->addWidget(found_, 1);
    head->addWidget(reasons_);
    head->addSpacing(8);
    head->addWidget(onlyDifferent_);
    head->setContentsMargins(16, 8, 16, 6);
    trouble_ = label({}, "attention");
    trouble_->setWordWrap(true);
    trouble_->setContentsMargins(16, 0, 16, 6);
    candidates_ = new ComparisonTable;
    auto* upper = new QFrame;
    upper->setObjectName("panel");
    auto* upperLayout = new QVBoxLayout(upper);
    upperLayout->setContentsMargins(0, 0, 0, 0);
    upperLayout->setSpacing(0);
    upperLayout->addLayout(head);
    upperLayout->addWidget(trouble_);
    auto* inset = new QHBoxLayout;
    inset->setContentsMargins(6, 0, 6, 0);
    inset->addWidget(candidates_);
    upperLayout->addLayout(inset, 1);

    showSeats_ = button(tr("Line-up"), "left");
    showChanges_ = button({}, "middle");
    showPictures_ = button({}, "right");
    auto* group = new QButtonGroup(this);
    for (QPushButton* b : {showSeats_, showChanges_, showPictures_}) {
        b->setCheckable(true);
        group->addButton(b);
    }
    showSeats_->setChecked(true);
    seated_ = new ShortLabel;
    seated_->setObjectName("quiet");
    rules_ = button(tr("Which fields\u2026"), "flat");
    take_ = button(tr("Take as drafts"), "accent");
    auto* middle = new QHBoxLayout;
    middle->setContentsMargins(16, 8, 16, 8);
    middle->setSpacing(0);
    middle->addWidget(showSeats_);
    middle->addWidget(showChanges_);
    middle->addWidget(showPictures_);
    middle->addSpacing(12);
    middle->addWidget(seated_, 1);
    middle->addWidget(rules_);
    middle->addSpacing(8);
    middle->addWidget(take_);
    lineUp_ = new LineUpTable({use_.files, use_.identify});
    changes_ = new QTreeWidget;
    prepareTree(changes_, {tr("File"), tr("Field"), tr("As it will be"), tr("As it is")});
    changes_->setRootIsDecorated(false);
    changes_->setAccessibleName(tr("What taking it changes"));
    changes_->header()->resizeSection(0, 230);
    changes_->header()->resizeSection(1, 156);
    changes_->header()->resizeSection(2, 260);
    below_ = new QStackedWidget;
    below_->addWidget(lineUp_);
    below_->addWidget(changes_);
    pictures_ = new ReleasePicturesView(use_.releasePictures);
    below_->addWidget(pictures_);
    auto* lower = new QFrame;
    lower->setObjectName("panel");
    auto* lowerLayout = new QVBoxLayout(lower);
    lowerLayout->setContentsMargins(0, 0, 0, 0);
    lowerLayout->setSpacing(0);
    lowerLayout->addLayout(middle);
    auto* inset2 = new QHBoxLayout;
    inset2->setContentsMargins(8, 0, 8, 0);
    inset2->addWidget(below_);
    lowerLayout->addLayout(inset2, 1);

    auto* splitter = new QSplitter(Qt::Vertical);
    splitter->addWidget(upper);
    splitter->addWidget(lower);
    splitter->setStretchFactor(1, 1);
    splitter->setChildrenCollapsible(false);
    splitter->setSizes({380, 260});
    remember(splitter, "identify");

    nothing_ = new EmptyHint("sleeve", {}, {}, tr("Look it up"));
    work_ = new QStackedWidget;
    work_->setObjectName("panel");
    work_->addWidget(splitter);
    work_->addWidget(nothing_);
    auto* one = new QWidget;
    auto* oneLayout = new QVBoxLayout(one);
    oneLayout->setContentsMargins(0, 0, 0, 0);
    oneLayout->setSpacing(0);
    oneLayout->addWidget(tools);
    oneLayout->addWidget(work_, 1);
    overview_ = new IdentifyOverview({use_.sleeves, use_.identify});
    stack_ = new QStackedWidget;
    stack_->addWidget(one);
    strays_ = new StrayList({use_.files, use_.sleeves, use_.strays});
    stack_->addWidget(overview_);
    stack_->addWidget(strays_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(stack_);

    for (QLineEdit* line : {artist_, album_, code_})
        connect(line, &QLineEdit::returnPressed, this, &IdentifyPage::find);
    connect(find_, &QPushButton::clicked, this, &IdentifyPage::find);
    connect(look_, &QPushButton::clicked, this, &IdentifyPage::lookUp);
    connect(listen_, &QPushButton::clicked, this, &IdentifyPage::lookUpBySound);
    connect(nothing_->button(), &QPushButton::clicked, this, &IdentifyPage::lookUp);
    connect(onlyDifferent_, &QCheckBox::toggled, candidates_, &ComparisonTable::setOnlyDifferent);
    connect(reasons_, &QCheckBox::toggled, this, &IdentifyPage::refresh);
    connect(candidates_, &ComparisonTable::chosen, this,
            [this](size_t i) { use_.identify.choose(sleeve_, i); });
    connect(changes_, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* item, int column) {
        if (column != 1)
            return;
        const std::pair<FileId, std::string> what{item->data(0, Qt::UserRole).toLongLong(),
                                                  ss(item->data(1, Qt::UserRole).toString())};
        if (item->checkState(1) == Qt::Checked)
            left_.erase(what);
        else
            left_.insert(what);
        bool any = false;
        for (int i = 0; i < changes_->topLevelItemCount(); ++i)
            any = any || changes_->topLevelItem(i)->checkState(1) == Qt::Checked;
        take_->setEnabled(any);
    });
    connect(rules_, &QPushButton::clicked, this, &IdentifyPage::editRules);
    connect(take_, &QPushButton::clicked, this, &IdentifyPage::take);
    connect(group, &QButtonGroup::buttonClicked, this, [this] {
        below_->setCurrentIndex(showChanges_->isChecked() ? 1 : showPictures_->isChecked() ? 2 : 0);
        refresh();
    });
    connect(&use_.identify, &IdentifyController::changed, this, [this](const std::string& key) {
        if (key.empty() || key == sleeve_ || stack_->currentWidget() == overview_)
            refresh();
    });
    connect(&use_.drafts, &DraftsController::changed, this, &IdentifyPage::refresh);
    connect(&use_.sleeves, &SleeveViews::changed, this, &IdentifyPage::refresh);
    connect(lineUp_, &LineUpTable::playRequested, this, &IdentifyPage::playRequested);
    connect(strays_, &StrayList::playRequested, this, &IdentifyPage::playRequested);
    connect(overview_, &IdentifyOverview::sleeveWanted, this, &IdentifyPage::sleeveWanted);
    connect(overview_, &IdentifyOverview::filesWanted, this, &IdentifyPage::filesWanted);
}

void IdentifyPage::setSleeves(const std::vector<std::string>& keys) {
    const std::string wanted = keys.size() == 1 ? keys[0] : std::string();
    const bool another = wanted != sleeve_;
    sleeve_ = wanted;
    stack_->setCurrentIndex(!sleeve_.empty() ? 0 : keys.size() == 1 ? 2 : 1);
    if (another)
        fillWords();
    refresh();
}

void IdentifyPage::fillWords() {
    const matching::SleeveClues clues = use_.identify.clues(sleeve_);
    artist_->setText(clues.artists.empty() ? QString() : qs(clues.artists[0]));
    album_->setText(clues.albums.empty() ? QString() : qs(clues.albums[0]));
    code_->setText(qs(clues.barcode.empty() ? clues.catalogueNumber : clues.barcode));
    for (QLineEdit* line : {artist_, album_, code_})
        line->setCursorPosition(0);
}

void IdentifyPage::find() {
    reference::Question q;
    q.artist = ss(artist_->text().trimmed());
    q.album = ss(album_->text().trimmed());
    q.barcode = q.catalogueNumber = ss(code_->text().trimmed());
    if (!q.isEmpty() && !sleeve_.empty())
        use_.identify.identifyBy(sleeve_, q);
}

void IdentifyPage::goToPictures() {
    if (showPictures_->isEnabled())
        showPictures_->click();
    else
        lookUp();
}

void IdentifyPage::lookUp() {
    if (!sleeve_.empty())
        use_.identify.identify(sleeve_);
    else if (stack_->currentWidget() == strays_)
        use_.strays.identifyAll();
}

void IdentifyPage::lookUpBySound() {
    if (!sleeve_.empty())
        use_.identify.identifyBySound(sleeve_);
}

void IdentifyPage::lookUpAll() {
    use_.identify.identifyAll();
}

void IdentifyPage::take() {
    if (!sleeve_.empty())
        use_.identify.take(sleeve_, left_);
}

void IdentifyPage::editRules() {
    std::vector<std::string> genres;
    if (const SleeveAnswer* a = use_.identify.answer(sleeve_))
        for (const Candidate& c : a->candidates)
            genres.insert(genres.end(), c.release.genres.begin(), c.release.genres.end());
    TakeRulesDialog(use_.identify, genres, this).exec();
}

void IdentifyPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

void IdentifyPage::refresh() {
    if (!isVisible())
        return; // when it comes in sight
    if (stack_->currentWidget() == overview_) {
        overview_->refresh();
        return;
    }
    if (stack_->currentWidget() == strays_) {
        strays_->refresh();
        return;
    }
    const SleeveAnswer* a = use_.identify.answer(sleeve_);
    const bool asking = a && a->asking != 0;
    look_->setEnabled(!asking);
    find_->setEnabled(!asking);
    listen_->setEnabled(!asking);
    if (!a || !a->best()) {
        work_->setCurrentWidget(nothing_);
        nothing_->button()->setVisible(!asking);
        lineUp_->show({});
        if (asking)
            nothing_->setTexts(tr("Looking it up \u2026"),
                               tr("The references are being asked. Stop it in the line of jobs below."));
        else if (!a)
            nothing_->setTexts(
                tr("What is this sleeve?"),
                tr("It is looked up by its tags, names, lengths and codes, and by its sound where "
                   "these lead nowhere. Nothing is taken before you have seen it."));
        else if (!a->errors.isEmpty())
            nothing_->setTexts(tr("The references could not be asked"), a->errors.join('\n'));
        else
            nothing_->setTexts(
                tr("Nothing like it was found"),
                tr("Try other words above: the artist alone, another spelling, a catalogue number."));
        return;
    }
    work_->setCurrentIndex(0);
    refreshCandidates(*a);
    lineUp_->show(sleeve_);
    refreshChanges();
    const auto pictures = static_cast<int>(a->best()->release.pictures.size());
    showPictures_->setText(tr("Pictures (%1)").arg(pictures));
    showPictures_->setEnabled(pictures > 0);
    if (below_->currentWidget() == pictures_)
        pictures_->show(sleeve_);
}

void IdentifyPage::refreshCandidates(const SleeveAnswer& answer) {
    Comparison table;
    table.chosen = answer.chosen;
    auto row = [&](const QString& caption, auto text, bool always = false) {
        Comparison::Row r{caption, {}, always};
        for (const Candidate& c : answer.candidates)
            r.cells.push_back({text(c)});
        table.rows.push_back(std::move(r));
    };
    std::set<std::string> references;
    for (const Candidate& c : answer.candidates) {
        table.columns.push_back(qs(c.release.title) + ", " + qs(c.release.carrier()) + ", " +
                                qs(c.release.date()));
        references.insert(c.reference);
        references.insert(c.also.begin(), c.also.end());
    }
    Comparison::Row certainty{tr("Certainty"), {}, true};
    for (const Candidate& c : answer.candidates) {
        QStringList why;
        for (size_t e = 0; e < matching::evidenceCount; ++e)
            if (c.said[e].known)
                why << tr("%1: %2")
                           .arg(evidenceName(static_cast<Evidence>(e)))
                           .arg(c.said[e].value, 0, 'f', 2);
        certainty.cells.push_back({QString::number(c.certainty, 'f', 2), c.certainty, why.join('\n')});
    }
    table.rows.push_back(std::move(certainty));
    row(tr("Seated"), [&](const Candidate& c) {
        QString text = tr("%1 of %2 tracks").arg(c.seated()).arg(c.release.trackCount());
        if (const size_t over = answer.clues.files.size() - c.seated(); over > 0)
            text += tr(", %n file(s) over", "", static_cast<int>(over));
        return text;
    });
    row(tr("Lengths apart"), lengthsApart, true);
    row(tr("Title"), [](const Candidate& c) { return qs(c.release.title); });
    row(tr("Artist"), [](const Candidate& c) { return qs(c.release.credit.text()); });
    row(tr("Edition"), [](const Candidate& c) { return qs(c.release.edition); });
    row(tr("Released"), [](const Candidate& c) { return qs(c.release.date()); });
    row(tr("Country"), [](const Candidate& c) { return qs(c.release.country()); });
    row(tr("Label"), [](const Candidate& c) {
        return c.release.labels.empty() ? QString() : qs(c.release.labels[0].name);
    });
    row(tr("Catalogue no."), [](const Candidate& c) {
        return c.release.labels.empty() ? QString() : qs(c.release.labels[0].catalogueNumber);
    });
    row(tr("Barcode"), [](const Candidate& c) { return qs(c.release.barcode); });
    row(tr("Carrier"), [](const Candidate& c) { return qs(c.release.carrier()); });
    row(tr("Genre"), [](const Candidate& c) { return joined(c.release.genres); });
    row(tr("Language"), [](const Candidate& c) { return qs(c.release.language); });
    if (references.size() > 1)
        row(tr("Reference"), [this](const Candidate& c) {
            QStringList names{use_.references.nameOf(c.reference)};
            for (const std::string& key : c.also)
                names << use_.references.nameOf(key);
            return names.join(", ");
        });
    if (reasons_->isChecked())
        for (size_t e = 0; e < matching::evidenceCount; ++e) {
            Comparison::Row r{evidenceName(static_cast<Evidence>(e)), {}, true};
            for (const Candidate& c : answer.candidates) {
                const matching::Said& said = c.said[e];
                r.cells.push_back(
                    said.known
                        ? Comparison::Cell{QString::number(said.value, 'f', 2), std::max(0.0, said.value),
                                           tr("Counts for %1 of %2")
                                               .arg(c.share(static_cast<Evidence>(e)), 0, 'f', 1)
                                               .arg(c.logit, 0, 'f', 1)}
                        : Comparison::Cell{tr("not known")});
            }
            table.rows.push_back(std::move(r));
        }
    candidates_->show(table);

    QStringList names;
    for (const std::string& key : references)
        names << use_.references.nameOf(key);
    const QString verdict = answer.verdict == matching::Verdict::Sure     ? tr("sure")
                            : answer.verdict == matching::Verdict::Likely ? tr("likely")
                            : answer.verdict == matching::Verdict::Look   ? tr("look at this")
                                                                          : tr("doubtful");
    found_->setText(tr("%n candidate(s) in %1 \u00B7 %2", "", static_cast<int>(answer.candidates.size()))
                        .arg(names.join(", "), verdict));
    QStringList notes = answer.errors;
    if (const QString here = hereText(answer.here); !here.isEmpty())
        notes.prepend(tr("On your shelves already: %1.").arg(here));
    trouble_->setText(notes.join('\n'));
    trouble_->setVisible(!notes.isEmpty());
    const Candidate& best = *answer.best();
    const auto seats = static_cast<int>(best.seated());
    QString line = tr("%1 of %2 seats have a file").arg(seats).arg(best.release.trackCount());
    if (!best.seating.unseated.empty())
        line += tr(" \u00B7 %n file(s) without a seat", "", static_cast<int>(best.seating.unseated.size()));
    if (answer.seatedByHand)
        line += tr(" \u00B7 by hand");
    seated_->setText(line);
    seated_->setToolTip(
        tr("Drag a file to another seat, or move it with Alt+Up and Alt+Down. Delete leaves a seat empty."));
}

void IdentifyPage::refreshChanges() {
    const Candidate& best = *use_.identify.answer(sleeve_)->best();
    if (const std::string of = sleeve_ + "\n" + best.number(); of != leftOf_) {
        leftOf_ = of;
        left_.clear();
    }
    const edits::Proposals proposals = use_.identify.proposals(sleeve_);
    const auto ticked = std::ranges::count_if(proposals, [this](const edits::Proposal& p) {
        return !left_.contains({p.file, p.field});
    });
    showChanges_->setText(
        tr("What it changes (%1)").arg(QLocale().toString(static_cast<qulonglong>(proposals.size()))));
    take_->setEnabled(ticked > 0 && !use_.identify.answer(sleeve_)->fetching);
    take_->setText(proposals.empty() ? tr("All of it is taken") : tr("Take as drafts"));
    if (below_->currentWidget() != changes_)
        return;
    const QSignalBlocker quiet(changes_);
    const int at = changes_->verticalScrollBar()->value();
    changes_->clear();
    FileId last = 0;
    for (const edits::Proposal& p : proposals) {
        const FilePtr f = use_.files.file(p.file);
        if (!f)
            continue;
        auto* item = new QTreeWidgetItem(changes_);
        if (p.file != last)
            item->setText(0, shownName(f->path));
        item->setToolTip(0, shownPath(f->path));
        item->setFont(0, theme::monoFont());
        item->setText(1, fieldLabel(p.field));
        item->setData(0, Qt::UserRole, static_cast<qlonglong>(p.file));
        item->setData(1, Qt::UserRole, qs(p.field));
        item->setCheckState(1, left_.contains({p.file, p.field}) ? Qt::Unchecked : Qt::Checked);
        item->setText(2, qs(tags::shownValues(p.values)));
        item->setForeground(2, theme::colours().heather);
        item->setText(3, qs(tags::shownValues(use_.drafts.session().effective(p.file, p.field))));
        item->setForeground(3, theme::colours().second);
        for (int c : {2, 3})
            item->setToolTip(c, item->text(c));
        last = p.file;
    }
    changes_->verticalScrollBar()->setValue(at);
}

} // namespace moorfrost::app
