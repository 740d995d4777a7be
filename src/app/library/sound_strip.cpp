// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/sound_strip.h"

#include <QLabel>
#include <QStyle>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/waveform.h"

namespace moorfrost::app {

SoundStrip::SoundStrip(const QString& letter, QWidget* parent) : QFrame(parent) {
    setObjectName("card");
    letter_ = label(letter, "letter");
    letter_->setFixedSize(34, 26);
    letter_->setAlignment(Qt::AlignCenter);
    name_ = new ShortLabel;
    verdict_ = label({}, "good");
    time_ = label({}, "quiet");
    wave_ = new Waveform;
    wave_->setMinimumHeight(46);
    wave_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    auto* head = new QHBoxLayout;
    head->setSpacing(10);
    head->addWidget(letter_);
    head->addWidget(name_, 1);
    head->addWidget(verdict_);
    head->addWidget(time_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 8, 12, 8);
    layout->setSpacing(6);
    layout->addLayout(head);
    layout->addWidget(wave_);
    connect(wave_, &Waveform::clicked, this, [this](double part) { emit placeChosen(part * seconds_); });
}

void SoundStrip::show(const FilePtr& file, const Peaks::Shape& shape, const QString& verdict) {
    name_->setText(file ? shownName(file->path) : QString());
    verdict_->setText(verdict);
    seconds_ = file ? file->tags.facts.duration : 0;
    wave_->setPeaks(shape);
}

void SoundStrip::setPlaying(double position, bool on) {
    const bool is = position >= 0 && seconds_ > 0;
    wave_->setPosition(is ? position / seconds_ : 0);
    time_->setText(is ? shownLength(position) + " / " + shownLength(seconds_) : shownLength(seconds_));
    if (letter_->property("on").toBool() == (is && on))
        return;
    letter_->setProperty("on", is && on);
    letter_->style()->unpolish(letter_); // it looks at its property again
    letter_->style()->polish(letter_);
}

} // namespace moorfrost::app
