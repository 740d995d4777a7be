// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/same_sound_page.h"

#include <QCheckBox>
#include <QLabel>
#include <QMenu>
#include <QShortcut>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

#include "app/library/sound_facts.h"
#include "app/library/sound_group_list.h"
#include "app/library/sound_strip.h"
#include "app/listen/player.h"
#include "app/shell/text_utils.h"
#include "app/widgets/comparison_table.h"

namespace moorfrost::app {

namespace {

using library::SoundGroup;
using library::SoundGroupKind;

QString seconds(double s) {
    return shownLength(std::max(0.0, s));
}

} // namespace

SameSoundPage::SameSoundPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    list_ = new SoundGroupList;
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(14, 10, 10, 6);
    auto* heading = label(tr("Groups of one sound"), "caption");
    heading->setToolTip(tr("The surest first"));
    caption->addWidget(heading);
    leftLayout->addLayout(caption);
    leftLayout->addWidget(list_, 1);
    again_ = button(tr("Look again"), "flat");
    again_->setToolTip(tr("The library has changed since they were looked for"));
    leftLayout->addWidget(again_, 0, Qt::AlignLeft);
    connect(again_, &QPushButton::clicked, &use_.groups, &SoundGroupsController::look);

    title_ = label({}, "title");
    artist_ = label({}, "quiet");
    sure_ = label({}, "strong");
    measure_ = label({}, "quiet");
    auto* head = new QHBoxLayout;
    head->setSpacing(10);
    head->addWidget(title_);
    head->addWidget(artist_);
    head->addStretch();
    head->addWidget(sure_);
    head->addWidget(measure_);
    stripA_ = new SoundStrip("A");
    stripB_ = new SoundStrip("B");
    listen_ = button(tr("Listen to A"));
    loudness_ = new QCheckBox(tr("equal loudness"));
    speed_ = new QCheckBox(tr("equal speed"));
    loudness_->setChecked(true);
    speed_->setChecked(true);
    auto* ears = new QHBoxLayout;
    ears->setSpacing(12);
    ears->addWidget(listen_);
    ears->addWidget(label(tr("X changes over at the same place"), "quiet"));
    ears->addWidget(loudness_);
    ears->addWidget(speed_);
    ears->addStretch();
    facts_ = new ComparisonTable;
    facts_->setAccessibleName(tr("What the files differ in"));
    one_ = button(tr("These are one recording"));
    another_ = button(tr("Another version\u2026"));
    versions_ = new QMenu(this);
    for (const std::string& v : SoundGroupsController::versions())
        versions_->addAction(tr("B is: %1").arg(qs(v)), this, [this, v] {
            if (group() && files_.size() > 1)
                use_.groups.isOtherVersion(a(), b(), v);
        });
    another_->setMenu(versions_);
    apart_ = button(tr("Not the same"));
    keep_ = button({}, "accent");
    note_ = new ShortLabel;
    note_->setObjectName("quiet");
    note_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    auto* foot = new QHBoxLayout;
    foot->setSpacing(8);
    for (QPushButton* b : {one_, another_, apart_})
        foot->addWidget(b);
    foot->addWidget(note_, 1);
    foot->addWidget(keep_);
    auto* work = new QFrame;
    work->setObjectName("panel");
    auto* workLayout = new QVBoxLayout(work);
    workLayout->setContentsMargins(18, 12, 16, 12);
    workLayout->setSpacing(10);
    workLayout->addLayout(head);
    workLayout->addWidget(stripA_);
    workLayout->addWidget(stripB_);
    workLayout->addLayout(ears);
    workLayout->addWidget(facts_, 1);
    workLayout->addLayout(foot);
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(work);
    splitter->setStretchFactor(1, 1);
    splitter->setChildrenCollapsible(false);
    splitter->setSizes({240, 900});
    remember(splitter, "library/same sound");
    empty_ = new EmptyHint("library", {}, {}, tr("Look for them"));
    stack_ = new QStackedWidget;
    stack_->addWidget(splitter);
    stack_->addWidget(empty_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(stack_);

    connect(list_, &QListWidget::currentRowChanged, this, &SameSoundPage::showGroup);
    connect(empty_->button(), &QPushButton::clicked, &use_.groups, &SoundGroupsController::look);
    connect(&use_.groups, &SoundGroupsController::changed, this, &SameSoundPage::refresh);
    connect(&use_.groups, &SoundGroupsController::fileTold, this, [this](FileId id) {
        if (isVisible() && std::ranges::find(files_, id) != files_.end())
            showFacts();
    });
    connect(facts_, &ComparisonTable::chosen, this, &SameSoundPage::choose);
    connect(listen_, &QPushButton::clicked, this, &SameSoundPage::listen);
    connect(one_, &QPushButton::clicked, this, [this] {
        if (const SoundGroup* g = group())
            use_.groups.areOneRecording(*g);
    });
    connect(apart_, &QPushButton::clicked, this, [this] {
        if (group() && files_.size() > 1)
            use_.groups.areNotTheSame(a(), b());
    });
    connect(keep_, &QPushButton::clicked, this, [this] {
        if (const SoundGroup* g = group())
            use_.groups.keepOne(*g, a());
    });
    connect(stripA_, &SoundStrip::placeChosen, this, [this](double at) { play(false, at); });
    connect(stripB_, &SoundStrip::placeChosen, this, [this](double at) { play(true, at); });
    // A shortcut: lists and tables take letters for the beginnings of names.
    auto* over = new QShortcut(Qt::Key_X, this);
    over->setContext(Qt::WidgetWithChildrenShortcut);
    connect(over, &QShortcut::activated, this, &SameSoundPage::changeOver);
    connect(&use_.player, &Player::changed, this, &SameSoundPage::showPlaying);
    refresh();
}

QString SameSoundPage::told() const {
    const library::SoundGroups* all = use_.groups.groups();
    if (!all)
        return {};
    int files = 0;
    for (const SoundGroup& g : all->groups)
        files += static_cast<int>(g.files.size());
    return tr("%n group(s)", "", static_cast<int>(all->groups.size())) + ", " + tr("%n file(s)", "", files);
}

const SoundGroup* SameSoundPage::group() const {
    const library::SoundGroups* all = use_.groups.groups();
    const int row = list_->currentRow();
    return all && row >= 0 && row < static_cast<int>(all->groups.size())
               ? &all->groups[static_cast<size_t>(row)]
               : nullptr;
}

FileId SameSoundPage::fileAt(size_t i) const {
    return i < files_.size() ? files_[i] : 0;
}

void SameSoundPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (use_.groups.isOld() && !use_.groups.isLooking())
        use_.groups.look();
    refresh();
}

void SameSoundPage::refresh() {
    if (!isVisible())
        return; // when it comes in sight
    const library::SoundGroups* all = use_.groups.groups();
    if (!all || all->groups.empty()) {
        stack_->setCurrentWidget(empty_);
        empty_->button()->setVisible(!use_.groups.isLooking() && use_.index.searcher() != nullptr);
        if (use_.groups.isLooking())
            empty_->setTexts(tr("Comparing how the files sound \u2026"),
                             tr("Each file is looked for among all."));
        else if (!all)
            empty_->setTexts(
                tr("Which files sound the same?"),
                tr("The library listens to itself in the background; what it has heard is compared."));
        else
            empty_->setTexts(
                tr("No two files sound the same"),
                all->unheard > 0
                    ? tr("%n file(s) were not listened to yet.", "", static_cast<int>(all->unheard))
                    : tr("%n file(s) were compared.", "", static_cast<int>(all->compared)));
        return;
    }
    stack_->setCurrentIndex(0);
    again_->setVisible(use_.groups.isOld() && !use_.groups.isLooking());
    list_->show(all->groups, use_.index.searcher().get(), files_);
    showGroup();
}

void SameSoundPage::showGroup() {
    const SoundGroup* g = group();
    if (!g)
        return;
    if (files_ != g->files) {
        files_ = g->files;
        a_ = 0;
        b_ = 1;
    }
    use_.groups.tell(*g);
    showFacts();
}

void SameSoundPage::choose(size_t file) {
    if (file >= files_.size() || file == a_)
        return;
    if (file == b_)
        b_ = a_;
    a_ = file;
    showFacts();
}

void SameSoundPage::showFacts() {
    const SoundGroup* g = group();
    if (!g || files_.size() < 2)
        return;
    link_ = g->kind == SoundGroupKind::SameCode ? library::SoundLink{b(), a(), 0, 0, 0, 1}
                                                : use_.groups.link(*g, b(), a());
    const SoundGroupFile *fa = use_.groups.told(a()), *fb = use_.groups.told(b());
    const SoundGroupFile* best = use_.groups.told(files_[0]);
    title_->setText(best ? qs(tags::firstValue(best->file->tags.fields, "title")) : QString());
    if (best && title_->text().isEmpty())
        title_->setText(shownName(best->file->path));
    artist_->setText(best ? qs(tags::firstValue(best->file->tags.fields, "artist")) : QString());
    const bool heard = link_.z > 0;
    sure_->setText(heard ? (link_.z >= sound::surely ? tr("surely the same") : tr("possibly the same"))
                         : tr("not the same sound"));
    measure_->setText(heard && fa ? tr("%1 of %2 match, offset %3 s")
                                        .arg(seconds(link_.overlap), seconds(fa->file->tags.facts.duration),
                                             QLocale().toString(link_.offset, 'f', 1))
                                  : QString());
    measure_->setToolTip(tr("z = %1").arg(link_.z, 0, 'f', 1));
    auto show = [](SoundStrip* strip, const SoundGroupFile* file, const QString& verdict) {
        strip->show(file ? file->file : nullptr, file ? file->shape : Peaks::Shape(), verdict);
    };
    show(stripA_, fa, whyBetter(fa, fb));
    show(stripB_, fb, whyBetter(fb, fa));

    facts_->show(soundFacts(use_.groups, *g, a_));

    bool several = false;
    for (FileId id : files_)
        if (const SoundGroupFile* f = use_.groups.told(id))
            several = several || (best && f->recording != best->recording);
    one_->setEnabled(several && g->kind != SoundGroupKind::SameCode);
    // What is one recording is neither another version of itself nor something else.
    const bool parted = fa && fb && fa->recording != fb->recording;
    another_->setEnabled(parted);
    apart_->setEnabled(parted && g->kind != SoundGroupKind::SameCode);
    keep_->setEnabled(fa && fb && g->kind != SoundGroupKind::SameCode);
    keep_->setText(fa ? tr("Keep A only") : QString());
    note_->setText(files_.size() > 2 ? tr("the other %n go to the trash; it can be taken back", "",
                                          static_cast<int>(files_.size()) - 1)
                                     : tr("B goes to the trash; it can be taken back"));
    keep_->setToolTip(note_->text()); // in a narrow window it stands nowhere else
    const double louder = fa && fb && fa->loudness && fb->loudness ? *fa->loudness - *fb->loudness : 0; // A
    const QString by = QLocale().toString(std::abs(louder), 'f', 1);
    loudness_->setText(louder >= 0.05    ? tr("equal loudness (A %1 dB softer)").arg(by)
                       : louder <= -0.05 ? tr("equal loudness (B %1 dB softer)").arg(by)
                                         : tr("equal loudness"));
    showPlaying();
}

double SameSoundPage::inB(double secondsOfA) {
    return (secondsOfA - link_.offset) / link_.speed;
}

double SameSoundPage::inA(double secondsOfB) {
    return secondsOfB * link_.speed + link_.offset;
}

void SameSoundPage::play(bool ofB, double at) {
    const SoundGroupFile *fa = use_.groups.told(a()), *fb = use_.groups.told(b());
    if (!fa || !fb)
        return;
    Player::Manner manner;
    if (ofB) {
        // The louder one is made softer, so that nothing is cut off.
        if (loudness_->isChecked() && fa->loudness && fb->loudness)
            manner.gainDb = std::min(0.0, *fa->loudness - *fb->loudness);
        if (speed_->isChecked())
            manner.slower = link_.speed;
        use_.player.play(fb->file, at, manner);
    } else {
        if (loudness_->isChecked() && fa->loudness && fb->loudness)
            manner.gainDb = std::min(0.0, *fb->loudness - *fa->loudness);
        use_.player.play(fa->file, at, manner);
    }
}

void SameSoundPage::listen() {
    const bool here = use_.player.file() && use_.player.isPlaying() &&
                      (use_.player.file()->id == a() || use_.player.file()->id == b());
    if (here)
        use_.player.toggle();
    else
        play(false, std::max(0.0, link_.offset));
}

void SameSoundPage::changeOver() {
    const FilePtr playing = use_.player.file();
    if (!playing || (playing->id != a() && playing->id != b()))
        return play(false, std::max(0.0, link_.offset));
    const double at = use_.player.position();
    playing->id == a() ? play(true, inB(at)) : play(false, inA(at));
}

void SameSoundPage::showPlaying() {
    if (!isVisible())
        return;
    const FilePtr playing = use_.player.file();
    const bool on = use_.player.isPlaying();
    auto positionOf = [&](FileId id) { return playing && playing->id == id ? use_.player.position() : -1; };
    stripA_->setPlaying(positionOf(a()), on);
    stripB_->setPlaying(positionOf(b()), on);
    const bool ours = on && playing && (playing->id == a() || playing->id == b());
    listen_->setText(ours ? tr("Pause") : tr("Listen to A"));
}

} // namespace moorfrost::app
