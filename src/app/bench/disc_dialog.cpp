// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/disc_dialog.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QLineEdit>
#include <QListWidget>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/disc_answers.h"
#include "app/bench/disc_tracks.h"
#include "app/bench/rip_panel.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/two_lines.h"

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
    panel_ = new RipPanel(discs_);
    splitter->addWidget(panel_);
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
    connect(rip_, &QPushButton::clicked, this, [this] { discs_.rip(current(), panel_->settings()); });
    connect(panel_, &RipPanel::planned, this, &DiscDialog::showPlanned);
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
    answers_ = new DiscAnswers(discs_);
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
    layout->addWidget(answers_);
    layout->addLayout(form);
    layout->addWidget(table_, 1);
    layout->addWidget(notes_);
    return middle;
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

QString DiscDialog::notes() const {
    return notes_->text();
}

QString DiscDialog::summary() const {
    return summary_->text();
}

int DiscDialog::current() const {
    const QListWidgetItem* item = list_->currentItem();
    return item ? item->data(Qt::UserRole).toInt() : 0;
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
    model_->refresh();
    panel_->setDisc(current());
    showProgress();
}

void DiscDialog::showPlanned(int tracks) {
    rip_->setText(tracks == 0 ? tr("Rip") : tr("Rip %n track(s)", "", tracks));
    rip_->setEnabled(tracks > 0 && discs_.ripping() == 0);
}

void DiscDialog::showDisc() {
    const DiscsController::Disc* d = discs_.find(current());
    if (model_->disc() != current()) // else an editor may be open
        model_->setDisc(current());
    else
        model_->refresh();
    panel_->setDisc(current());
    answers_->setDisc(current());
    showProgress();
    if (!d)
        return;
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
    bool codes = false;
    for (const DiscsController::Track& t : d->tracks)
        codes = codes || !t.entry.isrc.empty();
    table_->setColumnHidden(DiscTrackModel::Isrc, !codes);
    notes_->setText(notes.join('\n'));
    notes_->setVisible(!notes.isEmpty());
}

void DiscDialog::showProgress() {
    const int ripping = discs_.ripping();
    const DiscsController::Disc* d = discs_.find(ripping != 0 ? ripping : current());
    stop_->setVisible(ripping != 0);
    rip_->setEnabled(rip_->isEnabled() && ripping == 0);
    panel_->formats()->setEnabled(ripping == 0);
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
