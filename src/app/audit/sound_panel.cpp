// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/sound_panel.h"

#include <QFileDialog>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/files/disk.h"

namespace moorfrost::app {

SoundPanel::SoundPanel(const Uses& use, QWidget* parent) : QFrame(parent), use_(use), picture_(use.jobs) {
    view_ = new SoundView(picture_);
    view_->setMinimumHeight(300);
    play_ = button(tr("Play from the mark"));
    there_ = button(tr("The place"));
    there_->setToolTip(tr("Shows the place that the finding is about."));
    all_ = button(tr("All of it"));
    save_ = button(tr("Save picture\u2026"));
    facts_ = new ShortLabel;
    facts_->setObjectName("quiet");
    connect(play_, &QPushButton::clicked, this, &SoundPanel::play);
    connect(there_, &QPushButton::clicked, this, &SoundPanel::lookAtPlace);
    connect(all_, &QPushButton::clicked, view_, &SoundView::showAll);
    connect(save_, &QPushButton::clicked, this, &SoundPanel::askToSave);
    connect(view_, &SoundView::playWanted, this, [this](double seconds) {
        if (file_ != 0)
            emit playWanted(file_, seconds);
    });
    connect(&picture_, &SoundPicture::changed, this,
            [this] { save_->setEnabled(picture_.drawn().columns() > 0 && !picture_.isDrawing()); });
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(14, 4, 14, 4);
    rows->setSpacing(8);
    rows->addWidget(view_, 1);
    rows->addLayout(toldBeside(facts_, {play_, there_, all_, save_}));
    hide();
}

void SoundPanel::showNothing() {
    ++run_;
    file_ = 0;
    picture_.show(nullptr, {});
    hide();
}

void SoundPanel::show(FileId file, const library::SoundPlace& place, const QString& lineText) {
    const bool same = file == file_ && place == place_;
    file_ = file;
    place_ = place;
    view_->setLine(place.hertz, lineText);
    view_->setPlace(place.from, place.to);
    there_->setVisible(place.to > place.from || (place.hertz > 0 && place.hertz < 1000));
    setVisible(true);
    if (same && picture_.file())
        return;
    const int run = ++run_;
    use_.files.withFile(this, file, [this, run](const FilePtr& found) {
        if (run != run_)
            return;
        if (!found)
            return showNothing();
        facts_->setText(shownName(found->path));
        heard_ = false;
        view_->setPlaying(-1);
        picture_.show(found, {});
        lookAtPlace();
        view_->setMark(std::max(0.0, place_.from - 1)); // what comes before is heard, too
    });
}

void SoundPanel::lookAtPlace() {
    SoundPicture::Window window{0, picture_.seconds(), 0, picture_.top()};
    if (place_.to > place_.from) {
        const double around = std::max(0.5, (place_.to - place_.from) / 2);
        window.from = place_.from - around;
        window.to = place_.to + around;
    }
    if (place_.hertz > 0 && place_.hertz < 1000)
        window.highest = 600; // what is meant lies low
    picture_.look(window);
}

void SoundPanel::play() {
    if (heard_)
        emit stopWanted();
    else if (file_ != 0)
        emit playWanted(file_, view_->mark());
}

void SoundPanel::setHeard(const FilePtr& file, double seconds, bool isPlaying) {
    const bool ours = file && file_ != 0 && file->id == file_;
    heard_ = ours && isPlaying;
    view_->setPlaying(ours ? seconds : -1);
    play_->setText(heard_ ? tr("Stop") : tr("Play from the mark"));
}

void SoundPanel::askToSave() {
    const QString name = picture_.file() ? shownName(picture_.file()->path) : QString();
    const QString file =
        QFileDialog::getSaveFileName(this, tr("Save the picture"), deliverFolder() + "/" + name + ".png",
                                     tr("PNG (*.png);;All files (*)"));
    if (file.isEmpty())
        return;
    rememberDeliverFolder(file);
    save(Path(ss(file)));
}

void SoundPanel::save(const Path& to) {
    if (!picture_.file() || picture_.drawn().columns() == 0)
        return;
    use_.jobs.start(
        this, {ss(tr("Saving a picture of the sound"))},
        [to, drawn = picture_.drawn(), title = ss(shownName(picture_.file()->path)),
         line = place_.hertz](std::stop_token, work::Progress&) -> Result<Done> {
            const auto png = measure::spectrogramPng(drawn, title, line);
            if (!png)
                return png.error();
            if (const Status written = files::writeWhole(to, *png); !written)
                return written.error();
            return Done{};
        },
        [this, to](const Result<Done>& saved) {
            if (saved)
                use_.messages.say(tr("Saved: %1").arg(qs(to.native())));
            else
                use_.messages.say(saved.error());
        });
}

} // namespace moorfrost::app
