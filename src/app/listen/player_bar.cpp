// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/player_bar.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QMenu>
#include <QMouseEvent>
#include <QSettings>
#include <QSlider>
#include <QWidgetAction>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/waveform.h"

namespace moorfrost::app {

namespace {
constexpr int coverSide = 34;
}

PlayerBar::PlayerBar(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    cover_ = new QLabel;
    cover_->setFixedSize(coverSide, coverSide);
    cover_->setCursor(Qt::PointingHandCursor);
    cover_->setToolTip(tr("Show it in the library"));
    cover_->setAccessibleName(tr("Cover of what is heard"));
    cover_->installEventFilter(this);
    previous_ = iconButton("previous-track", tr("Previous track (Ctrl+Alt+Up)"));
    play_ = iconButton("play", tr("Play or pause (Space)"));
    next_ = iconButton("next-track", tr("Next track (Ctrl+Alt+Down)"));
    volume_ = iconButton("volume", tr("How loud"));
    wave_ = new Waveform;
    wave_->setFixedSize(186, 30);
    title_ = new ShortLabel;
    artist_ = new ShortLabel;
    artist_->setObjectName("quiet");
    QFont small = theme::uiFont(11);
    artist_->setFont(small);
    time_ = label({}, "quiet");
    auto* lines = new QVBoxLayout;
    lines->setContentsMargins(0, 0, 0, 0);
    lines->setSpacing(0);
    lines->addStretch();
    lines->addWidget(title_);
    lines->addWidget(artist_);
    lines->addStretch();
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    for (QToolButton* b : {previous_, play_, next_})
        layout->addWidget(b);
    layout->addSpacing(2);
    layout->addWidget(cover_);
    layout->addSpacing(2);
    layout->addLayout(lines, 1);
    layout->addWidget(wave_);
    layout->addWidget(time_);
    layout->addWidget(volume_);
    makeVolume();
    connect(play_, &QToolButton::clicked, this, [this] {
        if (use_.player.file())
            use_.player.toggle();
    });
    connect(next_, &QToolButton::clicked, &use_.queue, &PlayQueue::next);
    connect(previous_, &QToolButton::clicked, &use_.queue, &PlayQueue::previous);
    connect(wave_, &Waveform::clicked, this, [this](double part) {
        if (use_.player.file())
            use_.player.seek(part * use_.player.file()->tags.facts.duration);
    });
    connect(&use_.player, &Player::trouble, this, [this](const QString& sentence) {
        trouble_ = sentence;
        show();
    });
    connect(&use_.player, &Player::changed, this, &PlayerBar::show);
    connect(&use_.player, &Player::began, this, &PlayerBar::showCover);
    connect(&use_.queue, &PlayQueue::changed, this, &PlayerBar::show);
    connect(&Covers::instance(), &Covers::ready, this, &PlayerBar::showCover);
    showCover();
    show();
}

void PlayerBar::makeVolume() {
    auto* menu = new QMenu(this);
    auto* box = new QWidget;
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(10);
    slider_ = new QSlider(Qt::Horizontal);
    slider_->setRange(0, 100);
    slider_->setFixedWidth(190);
    slider_->setAccessibleName(tr("Volume"));
    slider_->setValue(QSettings().value("player/volume", 100).toInt());
    equal_ = new QCheckBox(tr("All tracks equally loud"));
    equal_->setToolTip(tr("Each track is measured once (EBU R 128); nothing is written to files"));
    equal_->setChecked(use_.queue.matchesLoudness());
    layout->addWidget(label(tr("Volume"), "caption"));
    layout->addWidget(slider_);
    layout->addWidget(equal_);
    auto* action = new QWidgetAction(menu);
    action->setDefaultWidget(box);
    menu->addAction(action);
    volume_->setMenu(menu);
    volume_->setPopupMode(QToolButton::InstantPopup);
    volume_->setStyleSheet("QToolButton::menu-indicator{image:none}");
    use_.player.setVolume(slider_->value() / 100.0);
    connect(slider_, &QSlider::valueChanged, this, [this](int value) {
        use_.player.setVolume(value / 100.0);
        QSettings().setValue("player/volume", value);
    });
    connect(equal_, &QCheckBox::toggled, &use_.queue, &PlayQueue::setMatchesLoudness);
}

bool PlayerBar::eventFilter(QObject* object, QEvent* event) {
    if (object == cover_ && event->type() == QEvent::MouseButtonRelease && use_.player.file())
        emit fileWanted(use_.player.file()->id);
    return QWidget::eventFilter(object, event);
}

void PlayerBar::setRoom(int width) {
    room_ = width;
    show();
}

QString PlayerBar::text() const {
    return artist_->isHidden() ? title_->text() : tr("%1 \u00B7 %2").arg(title_->text(), artist_->text());
}

void PlayerBar::showCover() {
    const FilePtr& file = use_.player.file();
    const QPixmap cover = file ? Covers::instance().cover(*file, coverSide) : QPixmap();
    cover_->setPixmap(cover.isNull() && file ? theme::icon("sleeve", theme::colours().third).pixmap(20, 20)
                                             : cover);
    cover_->setAlignment(Qt::AlignCenter);
}

void PlayerBar::show() {
    const FilePtr file = use_.player.file();
    if (const int volume = qRound(use_.player.volume() * 100);
        volume != slider_->value() && !slider_->isSliderDown()) {
        const QSignalBlocker quiet(slider_); // the desktop has changed it
        slider_->setValue(volume);
    }
    play_->setIcon(theme::icon(use_.player.isPlaying() ? "pause" : "play"));
    play_->setEnabled(file != nullptr);
    next_->setEnabled(use_.queue.hasNext());
    previous_->setEnabled(use_.queue.hasPrevious());
    cover_->setVisible(file != nullptr && room_ >= 900);
    wave_->setVisible(file != nullptr && room_ >= 1040); // what is heard comes before its shape
    next_->setVisible(room_ >= 800);
    previous_->setVisible(room_ >= 800);
    volume_->setVisible(room_ >= 800);
    artist_->setVisible(false);
    if (!file) {
        title_->setText(trouble_.isEmpty() ? tr("Nothing is playing") : trouble_);
        time_->clear();
        return;
    }
    // As it will be, if it is worked on.
    const bool known = use_.files.known().contains(file->id);
    const tags::Fields fields = known ? use_.drafts.session().effective(file->id) : file->tags.fields;
    const QString title = qs(tags::firstValue(fields, "title"));
    const auto by = fields.find("artist");
    const QString artist = by == fields.end() ? QString() : qs(tags::shownValues(by->second));
    if (use_.player.isPlaying())
        trouble_.clear();
    title_->setToolTip(trouble_);
    title_->setText(!trouble_.isEmpty() ? trouble_ : title.isEmpty() ? shownName(file->path) : title);
    if (trouble_.isEmpty() && !artist.isEmpty()) {
        artist_->setText(artist);
        artist_->setVisible(true);
    }
    const double length = file->tags.facts.duration;
    time_->setText(tr("%1 / %2").arg(shownLength(use_.player.position()), shownLength(length)));
    wave_->setPosition(length > 0 ? use_.player.position() / length : 0);
    if (peaksOf_ != file->id)
        loadPeaks();
}

void PlayerBar::loadPeaks() {
    auto file = use_.player.file();
    peaksOf_ = file->id;
    wave_->setPeaks({});
    wave_->setToolTip({});
    use_.peaks.read(
        this, file,
        [this, id = file->id](const Result<Peaks::Shape>& peaks) {
            if (id != peaksOf_)
                return;
            if (peaks)
                wave_->setPeaks(*peaks);
            else
                wave_->setTrouble(tr("No shape of the sound: %1").arg(spoken(peaks.error().message)));
        },
        [this, id = file->id](const Peaks::Shape& some) {
            if (id == peaksOf_)
                wave_->setPeaks(some);
        });
}

} // namespace moorfrost::app
