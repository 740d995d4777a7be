// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/compare_by_ear.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLocale>
#include <QPushButton>

#include <algorithm>

#include "app/library/sound_strip.h"
#include "app/listen/player.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/recording_box.h"
#include "core/sound/store.h"

namespace moorfrost::app {

namespace {
constexpr double sameForSure = 10.5; // z: sound/compare.h
}

CompareByEar::CompareByEar(const Uses& use, const FilePtr& a, const FilePtr& b, QWidget* parent)
    : QDialog(parent), use_(use) {
    setWindowTitle(tr("Compare by ear"));
    sides_[0].file = a;
    sides_[1].file = b;
    if (use_.sounds.store())
        link_ = library::linkBetween(*use_.sounds.store(), b->id, a->id);
    linked_ = link_.z >= sameForSure;
    if (!linked_)
        link_ = {};
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(12);
    for (int i = 0; i < 2; ++i) {
        Side& side = sides_[i];
        side.strip = new SoundStrip(i == 0 ? tr("A") : tr("B"));
        side.rating = new RatingBar;
        auto* facts = new QHBoxLayout;
        facts->setContentsMargins(4, 0, 4, 6);
        const auto& fields = side.file->tags.fields;
        QStringList words;
        for (const char* field : {"title", "artist", "album"})
            if (const std::string value = tags::firstValue(fields, field); !value.empty())
                words << qs(value);
        words << soundText(*side.file);
        auto* what = new ShortLabel(words.join(QString(" \u00B7 ")));
        what->setObjectName("quiet");
        facts->addWidget(what, 1);
        facts->addWidget(side.rating);
        layout->addWidget(side.strip);
        layout->addLayout(facts);
        connect(side.strip, &SoundStrip::placeChosen, this, [this, i](double at) { play(i == 1, at); });
        connect(side.rating, &RatingBar::rated, this,
                [this, id = side.file->id](int rating) { use_.recordings.rate({id}, rating); });
        use_.recordings.read(this, side.file->id, [rating = side.rating](const library::RecordingView& view) {
            const auto kept = view.kept.find(library::ratingField);
            rating->setRating(kept == view.kept.end() || kept->second.empty()
                                  ? 0
                                  : std::atoi(kept->second.front().c_str()));
        });
        use_.peaks.read(
            this, side.file,
            [this, i](const Result<Peaks::Shape>& shape) {
                if (shape)
                    sides_[i].shape = *shape;
                show();
            },
            [this, i](const Peaks::Shape& some) {
                sides_[i].shape = some;
                show();
            });
        use_.levels.read(this, side.file, [this, i](const Result<LoudnessLevel>& level) {
            if (level)
                sides_[i].level = *level;
            for (const bool b : {false, true})
                use_.player.setGain(sides_[b ? 1 : 0].file->id, gainOf(b));
            show();
        });
    }
    equal_ = new QCheckBox(tr("Equally loud"));
    equal_->setChecked(true);
    told_ = label({}, "quiet");
    listen_ = button(tr("Listen to A"), "accent");
    over_ = button(tr("Change over (X)"));
    over_->setToolTip(tr("Hear the other one, at the same place"));
    auto* close = button(tr("Close"));
    auto* line = new QHBoxLayout;
    line->setSpacing(10);
    line->addWidget(listen_);
    line->addWidget(over_);
    line->addWidget(equal_);
    line->addWidget(told_, 1);
    line->addWidget(close);
    layout->addStretch();
    layout->addLayout(line);
    resize(760, 0);
    connect(listen_, &QPushButton::clicked, this, &CompareByEar::listen);
    connect(over_, &QPushButton::clicked, this, &CompareByEar::changeOver);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
    connect(equal_, &QCheckBox::toggled, this, [this] {
        for (const bool b : {false, true})
            use_.player.setGain(sides_[b ? 1 : 0].file->id, gainOf(b));
    });
    connect(&use_.player, &Player::changed, this, &CompareByEar::show);
    for (QPushButton* b : {listen_, over_, close})
        b->setAutoDefault(false);
    show();
}

CompareByEar::~CompareByEar() {
    use_.player.disconnect(this);
}

double CompareByEar::gainOf(bool b) const {
    const auto &own = sides_[b ? 1 : 0].level, &other = sides_[b ? 0 : 1].level;
    if (!equal_->isChecked() || !own || !other || !own->lufs || !other->lufs)
        return 0;
    return std::min(0.0, *other->lufs - *own->lufs); // the louder one is made softer: nothing is cut off
}

double CompareByEar::placeIn(bool b, double secondsOfOther) const {
    return b ? (secondsOfOther - link_.offset) / link_.speed : secondsOfOther * link_.speed + link_.offset;
}

void CompareByEar::play(bool b, double seconds) {
    const Side& side = sides_[b ? 1 : 0];
    hearsB_ = b;
    use_.player.play(side.file, std::clamp(seconds, 0.0, std::max(0.0, side.file->tags.facts.duration - 0.1)),
                     {gainOf(b), 1, false});
}

void CompareByEar::listen() {
    const FilePtr& file = use_.player.file();
    if (file && file->id == sides_[hearsB_ ? 1 : 0].file->id && use_.player.position() > 0)
        use_.player.toggle();
    else
        play(hearsB_, hearsB_ ? placeIn(true, std::max(0.0, link_.offset)) : std::max(0.0, link_.offset));
}

void CompareByEar::changeOver() {
    const FilePtr& file = use_.player.file();
    const bool ours = file && file->id == sides_[hearsB_ ? 1 : 0].file->id;
    play(!hearsB_, ours ? placeIn(!hearsB_, use_.player.position()) : 0);
}

void CompareByEar::show() {
    const FilePtr& file = use_.player.file();
    for (int i = 0; i < 2; ++i) {
        Side& side = sides_[i];
        const bool is = file && file->id == side.file->id && hearsB_ == (i == 1);
        side.strip->show(side.file, side.shape, {});
        side.strip->setPlaying(is ? use_.player.position() : -1, use_.player.isPlaying());
    }
    const bool on = file && use_.player.isPlaying() && file->id == sides_[hearsB_ ? 1 : 0].file->id;
    listen_->setText(on ? tr("Pause") : hearsB_ ? tr("Listen to B") : tr("Listen to A"));
    const auto &a = sides_[0].level, &b = sides_[1].level;
    QStringList parts;
    if (!a || !b)
        parts << tr("how loud they are is being measured\u2026");
    else if (a->lufs && b->lufs)
        parts << tr("A %1 LUFS, B %2 LUFS")
                     .arg(QLocale().toString(*a->lufs, 'f', 1), QLocale().toString(*b->lufs, 'f', 1));
    if (linked_)
        parts << tr("the same sound: places are matched");
    told_->setText(parts.join(" \u00B7 "));
}

QString CompareByEar::told() const {
    return told_->text();
}

void CompareByEar::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_X)
        changeOver();
    else if (event->key() == Qt::Key_Space)
        listen();
    else if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right)
        use_.player.seek(use_.player.position() + (event->key() == Qt::Key_Left ? -5 : 5));
    else
        QDialog::keyPressEvent(event);
}

} // namespace moorfrost::app
