// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/same_sound_page.h"

#include <QCheckBox>
#include <QKeyEvent>
#include <QListWidget>
#include <QMenu>
#include <QPainter>
#include <QSplitter>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>
#include <map>

#include "app/shell/player.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/paint.h"
#include "app/widgets/recording_box.h"
#include "app/widgets/waveform.h"
#include "core/library/recordings.h"

namespace moorfrost::app {

namespace {

using library::SoundGroup;
using library::SoundGroupKind;

enum Role { LineRole = Qt::UserRole + 1, PillRole, ToneRole };

QString kindText(SoundGroupKind kind) {
    switch (kind) {
    case SoundGroupKind::SameRecording:
        return SameSoundPage::tr("same recording");
    case SoundGroupKind::OtherVersion:
        return SameSoundPage::tr("another version?");
    case SoundGroupKind::CodesDisagree:
        return SameSoundPage::tr("codes disagree");
    case SoundGroupKind::SameCode:
        return SameSoundPage::tr("one code, two sounds");
    }
    return {};
}

paint::Tone toneOf(SoundGroupKind kind) {
    return kind == SoundGroupKind::SameRecording  ? paint::Tone::Good
           : kind == SoundGroupKind::OtherVersion ? paint::Tone::Attention
                                                  : paint::Tone::Wrong;
}

/// A group in three lines.
class GroupDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, 74}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, chosen ? c.fjordBack : c.panel);
        if (chosen)
            p->fillRect(QRect(r.left(), r.top(), 3, r.height()), c.heather);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        const QRect text = r.adjusted(14, 8, -8, 0);
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(QRect(text.left(), text.top(), text.width(), 18), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, text.width()));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(
            QRect(text.left(), text.top() + 18, text.width(), 18), Qt::AlignVCenter,
            p->fontMetrics().elidedText(index.data(LineRole).toString(), Qt::ElideRight, text.width()));
        const QString pill = index.data(PillRole).toString();
        paint::pill(*p, text.left() + paint::pillWidth(pill),
                    QRect(text.left(), text.top() + 37, text.width(), 20), pill,
                    static_cast<paint::Tone>(index.data(ToneRole).toInt()));
    }
};

/// Why the one is a better copy than the other; "" where it is not.
QString whyBetter(const SoundGroupFile* one, const SoundGroupFile* other) {
    if (!one || !other)
        return {};
    library::FileRecord x = *one->file, y = *other->file;
    x.id = y.id = 0; // which one came first makes none of them better
    if (!library::isBetter(x, y))
        return {};
    const tags::Facts &a = x.tags.facts, &b = y.tags.facts;
    if ((a.bitDepth > 0) != (b.bitDepth > 0))
        return SameSoundPage::tr("better: nothing was lost in coding");
    if (a.bitDepth != b.bitDepth)
        return SameSoundPage::tr("better: %1 bit").arg(a.bitDepth);
    if (a.sampleRate != b.sampleRate)
        return SameSoundPage::tr("better: %L1 kHz").arg(a.sampleRate / 1000.0);
    return a.bitrate != b.bitrate ? SameSoundPage::tr("better: %1 kbit/s").arg(a.bitrate / 1000)
                                  : SameSoundPage::tr("the better copy");
}

QString seconds(double s) {
    return shownLength(std::max(0.0, s));
}

} // namespace

SameSoundPage::Strip SameSoundPage::strip(const QString& letter) {
    Strip s;
    s.frame = new QFrame;
    s.frame->setObjectName("card");
    s.letter = label(letter, "letter");
    s.letter->setFixedSize(34, 26);
    s.letter->setAlignment(Qt::AlignCenter);
    s.name = new ShortLabel;
    s.verdict = label({}, "good");
    s.time = label({}, "quiet");
    s.wave = new Waveform;
    s.wave->setMinimumHeight(46);
    s.wave->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    auto* head = new QHBoxLayout;
    head->setSpacing(10);
    head->addWidget(s.letter);
    head->addWidget(s.name, 1);
    head->addWidget(s.verdict);
    head->addWidget(s.time);
    auto* layout = new QVBoxLayout(s.frame);
    layout->setContentsMargins(12, 8, 12, 8);
    layout->setSpacing(6);
    layout->addLayout(head);
    layout->addWidget(s.wave);
    return s;
}

SameSoundPage::SameSoundPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    list_ = new QListWidget;
    list_->setItemDelegate(new GroupDelegate(list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setAccessibleName(tr("Groups of one sound"));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(14, 10, 10, 6);
    caption->addWidget(label(tr("Groups of one sound"), "caption"));
    caption->addStretch();
    caption->addWidget(label(tr("surest first"), "quiet"));
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
    stripA_ = strip("A");
    stripB_ = strip("B");
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
    workLayout->addWidget(stripA_.frame);
    workLayout->addWidget(stripB_.frame);
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
        if (std::ranges::find(files_, id) != files_.end())
            showFacts();
    });
    connect(facts_, &ComparisonTable::chosen, this, &SameSoundPage::choose);
    connect(listen_, &QPushButton::clicked, this, &SameSoundPage::listen);
    connect(one_, &QPushButton::clicked, this, [this] {
        if (const SoundGroup* g = group())
            use_.groups.areOneRecording(*g);
    });
    connect(apart_, &QPushButton::clicked, this, [this] {
        if (const SoundGroup* g = group(); g && files_.size() > 1)
            use_.groups.areNotTheSame(*g, a(), b());
    });
    connect(keep_, &QPushButton::clicked, this, [this] {
        if (const SoundGroup* g = group())
            use_.groups.keepOne(*g, a());
    });
    for (auto [s, ofB] : {std::pair(&stripA_, false), std::pair(&stripB_, true)})
        connect(s->wave, &Waveform::clicked, this, [this, ofB = ofB](double part) {
            if (const SoundGroupFile* f = use_.groups.told(ofB ? b() : a()))
                play(ofB, part * f->file->tags.facts.duration);
        });
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
    const std::vector<FileId> before = files_;
    const int row = std::max(0, list_->currentRow());
    list_->blockSignals(true);
    list_->clear();
    const auto searcher = use_.index.searcher();
    int found = -1;
    for (size_t i = 0; i < all->groups.size(); ++i) {
        const SoundGroup& g = all->groups[i];
        auto* item = new QListWidgetItem(list_);
        const auto first = searcher ? searcher->rowOf(g.files[0]) : std::nullopt;
        QString title = first ? qs(searcher->text(*first, "title")) : QString();
        if (title.isEmpty() && first)
            title = shownName(searcher->pathOf(*first));
        QStringList formats;
        for (FileId id : g.files)
            if (const auto r = searcher ? searcher->rowOf(id) : std::nullopt)
                if (const QString f = qs(searcher->text(*r, library::formatNameColumn)); !formats.contains(f))
                    formats << f;
        item->setText(title);
        item->setData(LineRole, tr("%n file(s)", "", static_cast<int>(g.files.size())) + " \u00B7 " +
                                    formats.join(", "));
        item->setData(PillRole, kindText(g.kind));
        item->setData(ToneRole, static_cast<int>(toneOf(g.kind)));
        item->setData(Qt::AccessibleTextRole, title + ", " + kindText(g.kind));
        if (g.files == before)
            found = static_cast<int>(i);
    }
    list_->setCurrentRow(found >= 0 ? found : std::min(row, list_->count() - 1));
    list_->blockSignals(false);
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

void SameSoundPage::fillStrip(Strip& s, size_t file, const QString& why) {
    const SoundGroupFile* f = use_.groups.told(fileAt(file));
    s.name->setText(f ? shownName(f->file->path) : QString());
    s.verdict->setText(why);
    if (f && !f->shape.empty())
        s.wave->setPeaks(f->shape);
    else
        s.wave->setPeaks({});
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
    measure_->setText(heard && fa ? tr("%1 of %2 match, offset %3")
                                        .arg(seconds(link_.overlap), seconds(fa->file->tags.facts.duration),
                                             (link_.offset < 0 ? "-" : "") + seconds(std::abs(link_.offset)))
                                  : QString());
    measure_->setToolTip(tr("z = %1").arg(link_.z, 0, 'f', 1));
    fillStrip(stripA_, a_, whyBetter(fa, fb));
    fillStrip(stripB_, b_, whyBetter(fb, fa));

    Comparison table;
    table.chosen = a_;
    auto row = [&](const QString& caption, auto text) {
        Comparison::Row r{caption, {}, false};
        for (FileId id : files_) {
            const SoundGroupFile* f = use_.groups.told(id);
            r.cells.push_back({f ? text(*f) : QString()});
        }
        table.rows.push_back(std::move(r));
    };
    for (FileId id : files_) {
        const SoundGroupFile* f = use_.groups.told(id);
        table.columns.push_back(f ? shownName(f->file->path) : QString());
    }
    auto field = [](const char* key) {
        return [key](const SoundGroupFile& f) {
            const auto it = f.file->tags.fields.find(key);
            return it == f.file->tags.fields.end() ? QString() : qs(tags::shownValues(it->second));
        };
    };
    row(tr("File"), [](const SoundGroupFile& f) { return shownName(f.file->path); });
    row(tr("Quality"), [](const SoundGroupFile& f) { return soundText(*f.file); });
    row(tr("Speed"), [this, g](const SoundGroupFile& f) {
        if (f.file->id == files_[0])
            return tr("taken as right");
        const library::SoundLink l = use_.groups.link(*g, f.file->id, files_[0]);
        const QString told = qs(matching::speedText(l.speed));
        return l.z <= 0 ? tr("not known") : told.isEmpty() ? tr("the same") : told;
    });
    row(tr("Length"), [](const SoundGroupFile& f) {
        const double length = f.file->tags.facts.duration;
        return shownLength(std::floor(length)) +
               QString(".%1").arg(static_cast<int>((length - std::floor(length)) * 10));
    });
    row(tr("Loudness"), [](const SoundGroupFile& f) {
        return f.loudness ? tr("%1 LUFS").arg(*f.loudness, 0, 'f', 1) : tr("being measured");
    });
    row(tr("Tags"), [](const SoundGroupFile& f) {
        return tr("%n field(s)", "", static_cast<int>(f.file->tags.fields.size())) +
               (f.file->tags.pictures.empty() ? tr(", no picture") : tr(", with picture"));
    });
    row(tr("Title"), field("title"));
    row(tr("Album"), field("album"));
    row(tr("ISRC"), field("isrc"));
    std::map<library::RecordingId, int> members;
    for (FileId id : files_)
        if (const SoundGroupFile* f = use_.groups.told(id))
            ++members[f->recording];
    row(tr("Recording"), [&](const SoundGroupFile& f) {
        const int others = members[f.recording] - 1;
        QString out = others + 1 == static_cast<int>(files_.size()) ? tr("one recording")
                      : others > 0                                  ? tr("one with %n other(s)", "", others)
                                                                    : tr("of its own");
        if (!f.version.empty())
            out += ", " + qs(f.version);
        return out;
    });
    row(tr("Where"), [](const SoundGroupFile& f) {
        const Path folder = f.file->path.parent_path();
        return "\u2026/" + shownName(folder.parent_path()) + "/" + shownName(folder);
    });
    facts_->show(table);

    bool several = false;
    for (FileId id : files_)
        if (const SoundGroupFile* f = use_.groups.told(id))
            several = several || (best && f->recording != best->recording);
    one_->setEnabled(several && g->kind != SoundGroupKind::SameCode);
    another_->setEnabled(fa && fb);
    keep_->setEnabled(fa && fb && g->kind != SoundGroupKind::SameCode);
    keep_->setText(fa ? tr("Keep A, the rest to the trash") : QString());
    note_->setText(files_.size() > 2
                       ? tr("%n file(s) go; it can be taken back", "", static_cast<int>(files_.size()) - 1)
                       : tr("B goes to the trash; it can be taken back"));
    loudness_->setText(
        fa && fb && fa->loudness && fb->loudness
            ? tr("equal loudness (B %1 dB)").arg(QLocale().toString(*fa->loudness - *fb->loudness, 'f', 1))
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
    const FilePtr playing = use_.player.file();
    auto show = [&](Strip& s, FileId id) {
        const SoundGroupFile* f = use_.groups.told(id);
        const double length = f ? f->file->tags.facts.duration : 0;
        const bool is = playing && playing->id == id && length > 0;
        s.wave->setPosition(is ? use_.player.position() / length : 0);
        s.time->setText(is ? seconds(use_.player.position()) + " / " + seconds(length) : seconds(length));
        s.letter->setProperty("on", is && use_.player.isPlaying());
        s.letter->setStyleSheet({}); // looks at its property again
    };
    show(stripA_, a());
    show(stripB_, b());
    const bool on = use_.player.isPlaying() && playing && (playing->id == a() || playing->id == b());
    listen_->setText(on ? tr("Pause") : tr("Listen to A"));
}

void SameSoundPage::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_X && event->modifiers() == Qt::NoModifier)
        changeOver();
    else
        QWidget::keyPressEvent(event);
}

} // namespace moorfrost::app
