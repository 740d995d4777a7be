// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/disc_dialog.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/disc_tracks.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/two_lines.h"
#include "core/audio/encode.h"
#include "core/bench/taking.h"

namespace moorfrost::app {

namespace {

using State = DiscsController::Track::State;

QString lineOf(const DiscsController::Disc& d) {
    return DiscDialog::tr("image, %n track(s)", "", static_cast<int>(d.toc.tracks.size()));
}

} // namespace

DiscDialog::DiscDialog(DiscsController& discs, QWidget* parent) : QDialog(parent), discs_(discs) {
    setWindowTitle(tr("Read discs"));
    setWindowFlag(Qt::Window);
    resize(1200, 660);
    setMinimumSize(960, 460);
    list_ = new QListWidget;
    list_->setObjectName("panel");
    list_->setAccessibleName(tr("Discs"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, list_));
    auto* open = button(tr("Open a disc image\u2026"));
    open->setAutoDefault(false);
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 10);
    leftLayout->setSpacing(8);
    auto* caption = label(tr("Discs"), "caption");
    caption->setContentsMargins(12, 10, 8, 0);
    leftLayout->addWidget(caption);
    leftLayout->addWidget(list_, 1);
    auto* openRow = new QHBoxLayout;
    openRow->setContentsMargins(10, 0, 10, 0);
    openRow->addWidget(open);
    openRow->addStretch();
    leftLayout->addLayout(openRow);

    auto* empty =
        new EmptyHint("sleeve", tr("No disc yet"),
                      tr("Open the cue sheet of a disc image. Its table is shown at once; nothing is "
                         "ripped before you say so."),
                      tr("Open a disc image\u2026"));
    stack_ = new QStackedWidget;
    stack_->addWidget(empty);
    stack_->addWidget(makeMiddle());
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(stack_);
    splitter->addWidget(makeRight());
    splitter->setStretchFactor(1, 1);
    splitter->setSizes({180, 760, 260});
    splitter->setChildrenCollapsible(false);
    remember(splitter, "discs");

    summary_ = label({}, "quiet");
    stop_ = button(tr("Stop"));
    rip_ = button({}, "accent");
    auto* foot = new QHBoxLayout;
    foot->addWidget(summary_, 1);
    foot->addWidget(stop_);
    foot->addWidget(rip_);
    for (QPushButton* b : {stop_, rip_})
        b->setAutoDefault(false);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(splitter, 1);
    layout->addWidget(bar("bottom", foot, 52));

    connect(open, &QPushButton::clicked, this, &DiscDialog::askForImage);
    connect(empty->button(), &QPushButton::clicked, this, &DiscDialog::askForImage);
    connect(list_, &QListWidget::currentRowChanged, this, [this] {
        if (!filling_)
            showDisc();
    });
    connect(rip_, &QPushButton::clicked, this, [this] { discs_.rip(current(), settings()); });
    connect(stop_, &QPushButton::clicked, &discs_, &DiscsController::stop);
    connect(&discs_, &DiscsController::changed, this, &DiscDialog::refresh);
    connect(&discs_, &DiscsController::opened, this, [this] { list_->setCurrentRow(list_->count() - 1); });
    connect(&discs_, &DiscsController::told, this, [this](int disc) {
        if (disc == current())
            showDisc();
    });
    connect(&discs_, &DiscsController::progressed, this, &DiscDialog::showProgress);
    refresh();
}

QWidget* DiscDialog::makeMiddle() {
    auto* middle = new QWidget;
    told_ = label({}, "");
    told_->setFont(theme::uiFont(13, QFont::Medium));
    auto* close = iconButton("close", tr("Put this disc aside; nothing of it is changed"));
    connect(close, &QToolButton::clicked, this, [this] { discs_.close(current()); });
    auto* head = new QHBoxLayout;
    find_ = button(tr("Find by disc"));
    find_->setToolTip(tr("Asks the references for the table of the disc, then by what is known of it"));
    find_->setAutoDefault(false);
    connect(find_, &QPushButton::clicked, this, [this] { discs_.findByTable(current()); });
    head->addWidget(told_, 1);
    head->addWidget(find_);
    head->addWidget(close);
    auto* form = new QGridLayout;
    form->setContentsMargins(14, 10, 14, 10);
    form->setHorizontalSpacing(8);
    int at = 0;
    for (const char* field : {"album_artist", "album", "date", "genre"}) {
        auto* edit = new QLineEdit;
        edit->setAccessibleName(fieldLabel(field));
        auto* name = label(fieldLabel(field), "quiet");
        name->setBuddy(edit);
        form->addWidget(name, at / 2, at % 2 * 2, Qt::AlignRight);
        form->addWidget(edit, at / 2, at % 2 * 2 + 1);
        fields_.emplace_back(field, edit);
        connect(edit, &QLineEdit::editingFinished, this, [this, edit, field = std::string(field)] {
            if (edit->isModified())
                discs_.setField(current(), -1, field, ss(edit->text()));
            edit->setModified(false);
        });
        ++at;
    }
    found_ = label({}, "");
    found_->setFont(theme::uiFont(13, QFont::Medium));
    auto* only = new QCheckBox(tr("only what differs"));
    only->setChecked(true);
    variants_ = new ComparisonTable;
    variants_->setAccessibleName(tr("What the references say of the disc"));
    variants_->setOnlyDifferent(true);
    connect(only, &QCheckBox::toggled, variants_, &ComparisonTable::setOnlyDifferent);
    connect(variants_, &ComparisonTable::chosen, this, [this](size_t column) {
        discs_.choose(current(), static_cast<int>(column) - 1); // the first is the disc itself
    });
    answer_ = new QWidget;
    auto* answer = new QVBoxLayout(answer_);
    answer->setContentsMargins(0, 6, 0, 0);
    answer->setSpacing(4);
    auto* line = new QHBoxLayout;
    line->setContentsMargins(14, 0, 14, 0);
    line->addWidget(found_, 1);
    line->addWidget(only);
    answer->addLayout(line);
    answer->addWidget(variants_);
    answer_->hide();
    form->setColumnStretch(1, 3);
    form->setColumnStretch(3, 2);
    model_ = new DiscTrackModel(discs_, this);
    table_ = new DiscTrackTable(model_);
    notes_ = label({}, "attention");
    notes_->setWordWrap(true);
    notes_->setContentsMargins(14, 6, 14, 6);
    auto* layout = new QVBoxLayout(middle);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(answer_);
    layout->addLayout(form);
    layout->addWidget(table_, 1);
    layout->addWidget(notes_);
    return middle;
}

QWidget* DiscDialog::makeRight() {
    auto* right = new QFrame;
    right->setObjectName("drawer");
    right->setMinimumWidth(230);
    auto* layout = new QVBoxLayout(right);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(6);
    auto* title = label(tr("Rip to files"), "");
    title->setFont(theme::uiFont(14, QFont::DemiBold));
    layout->addWidget(title);
    const DiscsController::Settings kept = DiscsController::remembered();
    format_ = new Choice;
    format_->setAccessibleName(tr("Format"));
    for (const audio::EncodeFormat& f : audio::encodeFormats())
        format_->addItem(f.lossless ? tr("%1, every sample").arg(qs(f.label)) : qs(f.label), qs(f.name));
    format_->setCurrentIndex(std::max(0, format_->findData(qs(kept.format))));
    bitrate_ = new Choice;
    bitrate_->setAccessibleName(tr("Bit rate"));
    layout->addWidget(label(tr("Format"), "caption"));
    layout->addWidget(format_);
    bitrateRow_ = new QWidget;
    auto* rates = new QVBoxLayout(bitrateRow_);
    rates->setContentsMargins(0, 0, 0, 0);
    rates->addWidget(bitrate_);
    layout->addWidget(bitrateRow_);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Into"), "caption"));
    folder_ = kept.into;
    into_ = new ShortLabel(shownPath(folder_));
    auto* choose = button(tr("Choose\u2026"));
    choose->setAutoDefault(false);
    auto* place = new QHBoxLayout;
    place->addWidget(into_, 1);
    place->addWidget(choose);
    layout->addLayout(place);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Where it will be"), "caption"));
    preview_ = label({}, "mono");
    preview_->setTextFormat(Qt::PlainText);
    preview_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    layout->addWidget(preview_);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Reading"), "caption"));
    verify_ = new QCheckBox(tr("until two readings agree"));
    verify_->setChecked(kept.verify);
    layout->addWidget(verify_);
    layout->addStretch();
    auto fillRates = [this, kept] {
        const audio::EncodeFormat* f = audio::encodeFormat(ss(format_->currentData().toString()));
        bitrate_->clear();
        if (f)
            for (const int rate : f->bitrates)
                bitrate_->addItem(tr("%1 kbit/s").arg(rate / 1000), rate);
        const int wanted = bitrate_->findData(kept.bitrate);
        bitrate_->setCurrentIndex(wanted >= 0 ? wanted : bitrate_->findData(f ? f->usual : 0));
        bitrateRow_->setVisible(bitrate_->count() > 0);
        showPlan();
    };
    connect(format_, &QComboBox::currentIndexChanged, this, fillRates);
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString dir =
            QFileDialog::getExistingDirectory(this, tr("Where ripped discs go"), shownPath(folder_));
        if (!dir.isEmpty())
            setInto(Path(ss(dir)));
    });
    const audio::EncodeFormat* f = audio::encodeFormat(kept.format);
    bitrateRow_->setHidden(!f || f->bitrates.empty());
    if (f)
        for (const int rate : f->bitrates)
            bitrate_->addItem(tr("%1 kbit/s").arg(rate / 1000), rate);
    bitrate_->setCurrentIndex(std::max(0, bitrate_->findData(kept.bitrate > 0 ? kept.bitrate
                                                             : f              ? f->usual
                                                                              : 0)));
    return right;
}

QLineEdit* DiscDialog::fieldLine(const std::string& field) {
    for (const auto& [key, edit] : fields_)
        if (key == field)
            return edit;
    return nullptr;
}

QString DiscDialog::told() const {
    return told_->text();
}

QString DiscDialog::preview() const {
    return preview_->toolTip();
}

QString DiscDialog::notes() const {
    return notes_->text();
}

QString DiscDialog::found() const {
    return found_->text();
}

QString DiscDialog::summary() const {
    return summary_->text();
}

int DiscDialog::current() const {
    const QListWidgetItem* item = list_->currentItem();
    return item ? item->data(Qt::UserRole).toInt() : 0;
}

void DiscDialog::setInto(const Path& folder) {
    folder_ = folder;
    into_->setText(shownPath(folder));
    into_->setToolTip(shownPath(folder));
    showPlan();
}

DiscsController::Settings DiscDialog::settings() const {
    return {ss(format_->currentData().toString()),
            bitrate_->count() > 0 ? bitrate_->currentData().toInt() : 0, folder_, verify_->isChecked()};
}

void DiscDialog::resizeEvent(QResizeEvent* event) {
    QDialog::resizeEvent(event);
    showPlan(); // its lines are as long as there is room
}

void DiscDialog::showEvent(QShowEvent* event) {
    QDialog::showEvent(event);
    showPlan();
}

void DiscDialog::askForImage() {
    for (const QString& file : QFileDialog::getOpenFileNames(this, tr("Open a disc image"), {},
                                                             tr("Cue sheets (*.cue *.CUE);;All files (*)")))
        discs_.openImage(QFile::encodeName(file).toStdString());
}

void DiscDialog::refresh() {
    const int before = current();
    filling_ = true;
    list_->clear();
    for (const DiscsController::Disc& d : discs_.all()) {
        auto* item = new QListWidgetItem(d.title(), list_);
        item->setData(TwoLineDelegate::SecondRole, lineOf(d));
        item->setData(Qt::AccessibleTextRole, d.title() + ", " + lineOf(d));
        item->setData(Qt::UserRole, d.number);
        item->setToolTip(shownPath(d.sheet));
        if (d.number == before)
            list_->setCurrentItem(item);
    }
    if (!list_->currentItem() && list_->count() > 0)
        list_->setCurrentRow(0);
    filling_ = false;
    stack_->setCurrentIndex(list_->count() > 0 ? 1 : 0);
    if (current() != before || model_->disc() != current()) {
        showDisc();
        return;
    }
    if (!table_->findChild<QLineEdit*>()) // else hands are typing in it
        model_->refresh();
    showPlan();
    showProgress();
}

void DiscDialog::showDisc() {
    const DiscsController::Disc* d = discs_.find(current());
    if (model_->disc() != current()) // else hands may be typing in a cell
        model_->setDisc(current());
    else
        model_->refresh();
    if (!d) {
        showPlan();
        showProgress();
        return;
    }
    QStringList told{tr("%n track(s)", "", static_cast<int>(d->toc.tracks.size())),
                     qs(disc::shownTime(d->toc.leadOut))};
    told << (d->toc.beforeFirst() > 0 ? tr("%1 before track 1").arg(qs(disc::shownTime(d->toc.beforeFirst())))
                                      : tr("nothing before track 1"));
    if (!d->toc.mediaNumber.empty())
        told << tr("media number %1").arg(qs(d->toc.mediaNumber));
    told_->setText(told.join(QString(" \u00B7 ")));
    for (const auto& [field, edit] : fields_) {
        if (edit->hasFocus() && edit->isModified()) // it belongs to the hands that type
            continue;
        edit->setText(qs(tags::shownValue(d->fields, field)));
        edit->setModified(false);
        edit->setCursorPosition(0);
    }
    QStringList notes;
    for (const std::string& note : d->notes)
        notes << qs(note);
    for (const DiscsController::Track& t : d->tracks)
        if (t.entry.preEmphasis)
            notes
                << tr("Track %1 has pre-emphasis: it sounds brighter than it was meant.").arg(t.entry.number);
    showVariants();
    bool codes = false;
    for (const DiscsController::Track& t : d->tracks)
        codes = codes || !t.entry.isrc.empty();
    table_->setColumnHidden(DiscTrackModel::Isrc, !codes);
    notes_->setText(notes.join('\n'));
    notes_->setVisible(!notes.isEmpty());
    showPlan();
    showProgress();
}

void DiscDialog::showVariants() {
    const DiscsController::Disc* d = discs_.find(current());
    answer_->setVisible(d && !d->variants.empty());
    if (!d || d->variants.empty())
        return;
    const auto same = static_cast<int>(
        std::ranges::count_if(d->variants, [](const disc::Variant& v) { return v.distance == 0; }));
    const auto n = static_cast<int>(d->variants.size());
    found_->setText(same > 0 ? tr("%n answer(s) have this very table", "", same)
                    : d->variants.front().distance > 0
                        ? tr("%n answer(s) have nearly this table", "", n)
                        : tr("%n answer(s) by name; their tables are not told", "", n));
    Comparison table;
    table.columns = {tr("On the disc")};
    std::vector<std::vector<tags::Fields>> said(1); // of each column, of each track
    for (const DiscsController::Track& t : d->tracks)
        said[0].push_back(t.own);
    for (const disc::Variant& v : d->variants) {
        table.columns.push_back(qs(v.referenceName));
        std::vector<tags::Fields> tracks;
        for (size_t i = 0; i < d->tracks.size(); ++i)
            tracks.push_back(bench::fieldsOf(v.release, v.medium, d->placeOf(i), v.reference));
        said.push_back(std::move(tracks));
    }
    Comparison::Row who{tr("Told by"), {{tr("the disc itself")}}, true};
    Comparison::Row tables{tr("Table"), {{tr("this disc")}}, true};
    for (const disc::Variant& v : d->variants) {
        who.cells.push_back({qs(v.referenceName)});
        tables.cells.push_back({v.distance < 0 ? tr("not told")
                                : v.distance == 0
                                    ? tr("the same")
                                    : tr("up to %1 s apart").arg(v.distance / 75.0, 0, 'f', 1)});
    }
    table.rows = {who, tables};
    auto row = [&](const QString& caption, size_t track, const char* field) {
        Comparison::Row out{caption, {}};
        bool any = false;
        for (const std::vector<tags::Fields>& column : said) {
            const QString value = qs(tags::shownValue(column[track], field));
            any = any || !value.isEmpty();
            out.cells.push_back({value.isEmpty() ? tr("not told") : value});
        }
        if (any)
            table.rows.push_back(std::move(out));
    };
    for (const char* field :
         {"album_artist", "album", "date", "genre", "label", "catalogue_number", "country", "language"})
        row(fieldLabel(field), 0, field);
    for (size_t i = 0; i < d->tracks.size(); ++i)
        if (d->tracks[i].entry.number > 0)
            row(tr("Track %1").arg(d->tracks[i].entry.number), i, "title");
    table.chosen = static_cast<size_t>(d->chosen + 1);
    variants_->show(table);
    variants_->setMaximumHeight(std::min(variants_->sizeHint().height(), 230));
}

void DiscDialog::showPlan() {
    const DiscsController::Disc* d = discs_.find(current());
    if (!d) {
        preview_->clear();
        return;
    }
    const disc::RipPlan plan = discs_.planOf(*d, settings());
    QStringList lines;
    constexpr size_t most = 12;
    for (size_t i = 0; i < plan.tracks.size() && i < most; ++i) {
        if (i == 0)
            lines << shownName(plan.tracks[i].target.parent_path()) + "/";
        lines << "  " + shownName(plan.tracks[i].target);
    }
    if (plan.tracks.size() > most)
        lines << "  " + tr("and %n more", "", static_cast<int>(plan.tracks.size() - most));
    if (!plan.tracks.empty())
        lines << "  disc report.txt, disc.cue";
    preview_->setToolTip(lines.join('\n'));
    for (QString& line : lines)
        line = preview_->fontMetrics().elidedText(line, Qt::ElideMiddle, std::max(120, preview_->width()));
    const bool all = std::ranges::all_of(
        d->tracks, [](const DiscsController::Track& t) { return t.state == State::Ripped || !t.wanted; });
    preview_->setText(!lines.isEmpty() ? lines.join('\n')
                      : all &&
                              std::ranges::count(d->tracks, State::Ripped, &DiscsController::Track::state) > 0
                          ? tr("all of it is ripped")
                          : tr("nothing"));
    rip_->setText(plan.tracks.empty() ? tr("Rip")
                                      : tr("Rip %n track(s)", "", static_cast<int>(plan.tracks.size())));
    rip_->setEnabled(!plan.tracks.empty() && discs_.ripping() == 0);
}

void DiscDialog::showProgress() {
    const int ripping = discs_.ripping();
    const DiscsController::Disc* d = discs_.find(ripping != 0 ? ripping : current());
    stop_->setVisible(ripping != 0);
    rip_->setEnabled(rip_->isEnabled() && ripping == 0);
    format_->setEnabled(ripping == 0);
    for (const auto& [field, edit] : fields_)
        edit->setReadOnly(ripping != 0 && ripping == current());
    if (!d) {
        summary_->clear();
        return;
    }
    if (ripping != 0) {
        model_->refresh();
        int32_t done = 0, all = 0;
        for (const DiscsController::Track& t : d->tracks)
            if (t.wanted && t.state != State::Failed) {
                all += t.entry.length;
                done += t.state == State::Ripped ? t.entry.length : std::min(t.done, t.entry.length);
            }
        summary_->setText(
            tr("Ripping %1: %2 of %3").arg(d->title(), qs(disc::shownTime(done)), qs(disc::shownTime(all))));
        return;
    }
    const auto ripped = std::ranges::count(d->tracks, State::Ripped, &DiscsController::Track::state);
    summary_->setText(!d->ended.isEmpty() ? d->ended
                      : ripped > 0
                          ? tr("%n track(s) are in %1, and on the bench.", "", static_cast<int>(ripped))
                                .arg(shownPath(d->folder))
                          : tr("Titles and artists can be corrected before; they go into the files."));
}

} // namespace moorfrost::app
