// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/discs/disc_dialog.h"

#include <QFileDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/discs/disc_answers.h"
#include "app/bench/discs/disc_tracks.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

using State = RipController::Track::State;
constexpr int mostImages = 8; // that are remembered

QString lineOf(const DiscsController::Disc& d) {
    const auto n = static_cast<int>(d.toc.tracks.size());
    const bool ripped =
        std::ranges::all_of(d.tracks, [](const auto& t) { return t.fixed || !t.wanted || !t.entry.audio; });
    return ripped && !d.out ? DiscDialog::tr("%n track(s), ripped", "", n)
           : d.out          ? DiscDialog::tr("taken out, %n track(s)", "", n)
           : d.isImage      ? DiscDialog::tr("image, %n track(s)", "", n)
                            : DiscDialog::tr("%1, %n track(s)", "", n).arg(d.name);
}

} // namespace

DiscDialog::DiscDialog(const RipPanel::Uses& use, QWidget* parent) : QDialog(parent), use_(use) {
    setWindowTitle(tr("Read discs"));
    setWindowFlag(Qt::Window);
    resize(1240, 720);
    setMinimumSize(960, 460);
    auto* splitter = new QSplitter;
    splitter->addWidget(makeLeft());
    auto* empty = new EmptyHint(
        "sleeve", tr("No disc yet"),
        tr("Put a disc into a drive and read it, or open the cue sheet of a disc image. Its table "
           "is shown at once; nothing is ripped before you say so."),
        tr("Open a disc image\u2026"));
    stack_ = new QStackedWidget;
    stack_->addWidget(empty);
    stack_->addWidget(makeMiddle());
    splitter->addWidget(stack_);
    panel_ = new RipPanel(use_);
    splitter->addWidget(panel_);
    splitter->setStretchFactor(1, 1);
    splitter->setSizes({180, 800, 260});
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

    connect(empty->button(), &QPushButton::clicked, this, &DiscDialog::askForImage);
    connect(list_, &QListWidget::currentRowChanged, this, [this] {
        if (!filling_)
            showDisc();
    });
    connect(rip_, &QPushButton::clicked, this, [this] { use_.rips.rip(current(), panel_->settings()); });
    connect(panel_, &RipPanel::planned, this, &DiscDialog::showPlanned);
    connect(stop_, &QPushButton::clicked, &use_.rips, &RipController::stop);
    connect(&use_.discs, &DiscsController::changed, this, &DiscDialog::refresh);
    connect(&use_.rips, &RipController::changed, this, &DiscDialog::refresh);
    connect(&use_.worse, &WorseFiles::changed, this, &DiscDialog::refresh);
    connect(&use_.discs, &DiscsController::opened, this, [this](int disc) {
        for (int row = 0; row < list_->count(); ++row)
            if (list_->item(row)->data(Qt::UserRole).toInt() == disc)
                list_->setCurrentRow(row);
    });
    connect(&use_.discs, &DiscsController::told, this, [this](int disc) {
        if (disc == current())
            showDisc();
    });
    connect(&use_.discs, &DiscsController::drivesChanged, this, &DiscDialog::fillReadMenu);
    connect(&use_.rips, &RipController::progressed, this, &DiscDialog::showProgress);
    fillReadMenu();
    refresh();
}

void DiscDialog::showEvent(QShowEvent* event) {
    QDialog::showEvent(event);
    use_.discs.lookForDrives(); // one may have been connected meanwhile
}

QWidget* DiscDialog::makeLeft() {
    list_ = new QListWidget;
    list_->setObjectName("panel");
    list_->setAccessibleName(tr("Discs"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, list_));
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* layout = new QVBoxLayout(left);
    layout->setContentsMargins(0, 0, 0, 10);
    layout->setSpacing(8);
    auto* caption = label(tr("Discs and drives"), "caption");
    caption->setContentsMargins(12, 10, 8, 0);
    layout->addWidget(caption);
    layout->addWidget(list_, 1);
    auto* read = button(tr("Read a disc"));
    read->setAutoDefault(false);
    readMenu_ = new QMenu(read);
    read->setMenu(readMenu_);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(10, 0, 10, 0);
    row->addWidget(read);
    row->addStretch();
    layout->addLayout(row);
    return left;
}

void DiscDialog::fillReadMenu() {
    readMenu_->clear();
    readMenu_->addSection(tr("Drives"));
    for (const disc::DriveName& drive : use_.discs.drives())
        readMenu_->addAction(qs(drive.name), this,
                             [this, device = drive.device] { use_.discs.open(device); });
    if (use_.discs.drives().empty())
        readMenu_->addAction(tr("no drive was found"))->setEnabled(false);
    readMenu_->addSection(tr("Disc images"));
    for (const QString& sheet : QSettings().value("rip/images").toStringList()) {
        const Path path(ss(sheet));
        readMenu_
            ->addAction(shownName(path.parent_path()) + " / " + shownName(path), this,
                        [this, path] { openImage(path); })
            ->setToolTip(sheet);
    }
    readMenu_->addAction(tr("Open a disc image\u2026"), this, &DiscDialog::askForImage);
}

QWidget* DiscDialog::makeForm() {
    static const std::map<std::string, int> widths = {{"album_artist", 150}, {"album", 172}, {"genre", 104},
                                                      {"date", 96},          {"label", 150}, {"disc", 44},
                                                      {"discs", 44}};
    std::vector<QWidget*> all;
    for (const std::string& field : DiscsController::fieldsOfDisc()) {
        auto* edit = new QLineEdit;
        edit->setAccessibleName(fieldLabel(field));
        const auto width = widths.find(field);
        edit->setFixedWidth(width == widths.end() ? 100 : width->second);
        all.push_back(captioned(fieldLabel(field), {edit}));
        fields_.emplace_back(field, edit);
        connect(edit, &QLineEdit::editingFinished, this, [this, edit, field] {
            if (edit->isModified())
                use_.discs.setField(current(), -1, field, ss(edit->text()));
            edit->setModified(false);
        });
    }
    auto* widget = new QWidget;
    auto* layout = new QVBoxLayout(widget);
    layout->setContentsMargins(14, 8, 14, 8);
    layout->addWidget(flowing(all, 9));
    return widget;
}

QWidget* DiscDialog::makeMiddle() {
    auto* middle = new QWidget;
    told_ = new ShortLabel;
    told_->setFont(theme::uiFont(13, QFont::Medium));
    capitals_ = button(tr("Tame capitals"));
    capitals_->setToolTip(tr("What the disc says all in capitals gets capitals at the beginnings of words"));
    find_ = button(tr("Find by disc"));
    find_->setToolTip(tr("Asks the references for the table of the disc, then by what is known of it"));
    eject_ = button({});
    auto* head = new QHBoxLayout;
    head->addWidget(told_, 1);
    for (QPushButton* b : {capitals_, find_, eject_}) {
        b->setAutoDefault(false);
        head->addWidget(b);
    }
    connect(capitals_, &QPushButton::clicked, this, [this] { use_.discs.tameCapitals(current()); });
    connect(find_, &QPushButton::clicked, this, [this] { use_.discs.findByTable(current()); });
    connect(eject_, &QPushButton::clicked, this, [this] { use_.discs.eject(current()); });
    answers_ = new DiscAnswers(use_.discs);
    model_ = new DiscTrackModel(use_.discs, use_.rips, this);
    table_ = new DiscTrackTable(model_);
    notes_ = label({}, "attention");
    notes_->setWordWrap(true);
    notes_->setContentsMargins(14, 6, 14, 6);
    worse_ = label({}, "");
    worse_->setWordWrap(true);
    replace_ = button(tr("Replace by these"));
    replace_->setAutoDefault(false);
    replace_->setToolTip(
        tr("The others go to the trash. What was given to them (ratings, collections, notes) stays "
           "with these; the journal can take it back."));
    connect(replace_, &QPushButton::clicked, this, [this] {
        if (const DiscsController::Disc* d = use_.discs.find(current()))
            use_.worse.replace(d->number, d->title());
    });
    auto* offer = new QHBoxLayout;
    offer->addWidget(worse_, 1);
    offer->addWidget(replace_);
    worseBar_ = bar("offer", offer, 46);
    auto* layout = new QVBoxLayout(middle);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(answers_);
    layout->addWidget(makeForm());
    layout->addWidget(table_, 1);
    layout->addWidget(notes_);
    layout->addWidget(worseBar_);
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

void DiscDialog::openImage(const Path& sheet) {
    QStringList kept = QSettings().value("rip/images").toStringList();
    kept.removeAll(qs(sheet.native()));
    kept.prepend(qs(sheet.native()));
    QSettings().setValue("rip/images", QStringList(kept.mid(0, mostImages)));
    fillReadMenu();
    use_.discs.open(sheet);
}

void DiscDialog::askForImage() {
    for (const QString& file : QFileDialog::getOpenFileNames(this, tr("Open a disc image"), {},
                                                             tr("Cue sheets (*.cue *.CUE);;All files (*)")))
        openImage(QFile::encodeName(file).toStdString());
}

void DiscDialog::refresh() {
    const int before = current();
    filling_ = true;
    list_->clear();
    for (const DiscsController::Disc& d : use_.discs.all()) {
        auto* item = new QListWidgetItem(d.title(), list_);
        item->setData(TwoLineDelegate::SecondRole, lineOf(d));
        item->setData(Qt::AccessibleTextRole, d.title() + ", " + lineOf(d));
        item->setData(Qt::UserRole, d.number);
        item->setToolTip(shownPath(d.drive));
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
    if (const DiscsController::Disc* d = use_.discs.find(current()))
        showNotes(*d);
    showProgress();
}

void DiscDialog::showPlanned(int tracks) {
    planned_ = tracks;
    rip_->setText(tracks == 0 ? tr("Rip") : tr("Rip %n track(s)", "", tracks));
    rip_->setEnabled(tracks > 0 && use_.rips.ripping() == 0);
}

void DiscDialog::showDisc() {
    const DiscsController::Disc* d = use_.discs.find(current());
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
    static_cast<ShortLabel*>(told_)->setText(told.join(QString(" \u00B7 ")));
    for (const auto& [field, edit] : fields_) {
        if (edit->hasFocus() && edit->isModified()) // it belongs to the hands that type
            continue;
        edit->setText(qs(tags::shownValue(d->fields, field)));
        edit->setModified(false);
        edit->setCursorPosition(0);
    }
    eject_->setText(d->isImage ? tr("Put aside") : tr("Eject"));
    eject_->setToolTip(d->isImage ? tr("Closes the image; nothing of it is changed") : tr("Opens the drive"));
    bool codes = false, composers = false;
    for (const DiscsController::Track& t : d->tracks) {
        codes = codes || !tags::firstValue(t.fields, "isrc").empty();
        composers = composers || !tags::firstValue(t.fields, "composer").empty();
    }
    table_->setTold(composers, codes);
    showNotes(*d);
}

void DiscDialog::showNotes(const DiscsController::Disc& d) {
    QStringList notes;
    for (const std::string& note : d.notes)
        notes << spoken(note);
    for (const DiscsController::Track& t : d.tracks)
        if (t.entry.preEmphasis)
            notes
                << tr("Track %1 has pre-emphasis: it sounds brighter than it was meant.").arg(t.entry.number);
    const auto data = std::ranges::count(d.tracks, false, [](const auto& t) { return t.entry.audio; });
    if (data > 0 && d.toc.hasAudio())
        notes << tr("%n track(s) with data, no sound: left out.", "", static_cast<int>(data));
    else if (data > 0)
        notes << tr("This disc holds data only: there is no sound to rip.");
    const RipController::Rip& rip = use_.rips.of(d.number);
    if (std::ranges::any_of(rip.tracks, [](const RipController::Track& t) {
            return t.heard.as == disc::HeardTrack::As::Other;
        }))
        notes << rip.heard;
    notes << rip.troubles;
    notes_->setText(notes.join('\n'));
    notes_->setVisible(!notes.isEmpty());
    capitals_->setVisible(use_.discs.hasCapitals(d));
    capitals_->setEnabled(!d.busy);
    eject_->setEnabled(!d.busy);
    const std::vector<WorseFiles::Worse>& worse = use_.worse.of(d.number);
    worseBar_->setVisible(!worse.empty());
    if (!worse.empty())
        worse_->setText(tr("%n file(s) in the library have the same sound, but less of it: %1", "",
                           static_cast<int>(worse.size()))
                            .arg(use_.shelves.placeText(worse.front().file->path)));
}

void DiscDialog::showProgress() {
    const int ripping = use_.rips.ripping();
    const DiscsController::Disc* d = use_.discs.find(ripping != 0 ? ripping : current());
    stop_->setVisible(ripping != 0);
    rip_->setEnabled(planned_ > 0 && ripping == 0);
    panel_->setEnabled(ripping == 0);
    for (const auto& [field, edit] : fields_)
        edit->setReadOnly(ripping != 0 && ripping == current());
    if (!d) {
        summary_->clear();
        return;
    }
    const RipController::Rip& rip = use_.rips.of(d->number);
    if (ripping != 0) {
        model_->refresh();
        const RipController::Progress p = use_.rips.progress();
        QStringList words{tr("Ripping %1: %2 of %3")
                              .arg(d->title(), qs(disc::shownTime(p.done)), qs(disc::shownTime(p.all)))};
        if (p.speed > 0)
            words << tr("%1\u00D7").arg(p.speed, 0, 'f', p.speed < 10 ? 1 : 0);
        if (p.secondsLeft >= 0)
            words << tr("%1 left").arg(
                qs(disc::shownTime(static_cast<int32_t>(p.secondsLeft * disc::sectorsPerSecond))));
        size_t weak = 0, bad = 0;
        for (const RipController::Track& t : rip.tracks) {
            weak += t.doubtful;
            bad += t.bad;
        }
        words << (weak == 0 ? tr("all proven so far")
                            : tr("%n sector(s) read again", "", static_cast<int>(weak)) + ", " +
                                  (bad == 0 ? tr("none bad") : tr("%1 bad").arg(bad)));
        summary_->setText(words.join(QString(" \u00B7 ")));
        return;
    }
    const auto ripped = std::ranges::count(rip.tracks, State::Ripped, &RipController::Track::state);
    summary_->setText(!rip.ended.isEmpty() ? rip.ended
                      : ripped > 0
                          ? tr("%n track(s) are in %1.", "", static_cast<int>(ripped))
                                    .arg(use_.shelves.placeText(rip.folder)) +
                                (rip.heard.isEmpty() ? QString() : " " + rip.heard)
                          : tr("Titles and artists can be corrected before; they go into the files."));
}

} // namespace moorfrost::app
