// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sound_picture.h"

#include <QPointer>

#include <algorithm>
#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

SoundPicture::SoundPicture(JobList& jobs, QObject* parent) : QObject(parent), jobs_(jobs) {
    soon_.setSingleShot(true);
    connect(&soon_, &QTimer::timeout, this, &SoundPicture::draw);
}

void SoundPicture::show(const FilePtr& file, const Window& window) {
    const bool same = file && file_ && file->id == file_->id && file->state == file_->state;
    if (same && window == window_)
        return;
    if (!same) {
        drawn_ = std::make_shared<measure::Spectrogram>();
        drawnRun_ = -1;
        coming_.reset();
        rate_ = file ? file->tags.facts.sampleRate : 0;
        seconds_ = file ? file->tags.facts.duration : 0;
    }
    file_ = file;
    trouble_.clear();
    window_ = limited(window);
    ++run_; // what is being drawn is of no use
    if (job_ != 0)
        jobs_.stop(std::exchange(job_, 0));
    if (file_)
        soon_.start(0);
    emit changed();
}

void SoundPicture::look(const Window& window) {
    const Window other = limited(window);
    if (!file_ || other == window_)
        return;
    window_ = other;
    soon_.start(pauseMs);
    emit changed();
}

void SoundPicture::resize(int columns, int rows) {
    columns = std::clamp(columns, 50, measure::SpectrogramRequest::mostColumns);
    rows = std::clamp(rows, 40, measure::SpectrogramRequest::mostRows);
    if (columns == columns_ && rows == rows_)
        return;
    columns_ = columns;
    rows_ = rows;
    if (file_)
        soon_.start(pauseMs);
}

double SoundPicture::seconds() const {
    return std::max(0.1, seconds_);
}

double SoundPicture::top() const {
    return rate_ > 0 ? rate_ / 2.0 : 22050;
}

SoundPicture::Window SoundPicture::limited(Window w) const {
    if (w.to <= w.from)
        w = {0, seconds(), w.lowest, w.highest};
    if (w.highest <= w.lowest)
        w.lowest = w.highest = 0;
    const double length = std::clamp(w.to - w.from, std::min(leastSeconds, seconds()), seconds());
    w.from = std::clamp(w.from, 0.0, seconds() - length);
    w.to = w.from + length;
    if (w.highest <= 0)
        w.highest = top();
    const double hertz = std::clamp(w.highest - w.lowest, leastHertz, top());
    w.lowest = std::clamp(w.lowest, 0.0, top() - hertz);
    w.highest = w.lowest + hertz;
    return w;
}

void SoundPicture::draw() {
    if (job_ != 0)
        jobs_.stop(job_);
    if (!file_)
        return;
    const int run = ++run_;
    auto coming = std::make_shared<measure::Spectrogram>();
    coming_ = coming;
    measure::SpectrogramRequest request{window_.from,    window_.to, window_.lowest,
                                        window_.highest, columns_,   rows_};
    job_ = jobs_.start(
        this, {ss(tr("Drawing the sound of %1").arg(shownName(file_->path)))},
        [path = file_->path, request, run, jobs = &jobs_,
         self = QPointer(this)](std::stop_token stop, work::Progress&) -> Result<Done> {
            auto tell = [&](auto what) { // the list outlives its jobs, who asked need not
                QMetaObject::invokeMethod(
                    jobs,
                    [self, run, what = std::move(what)]() mutable {
                        if (self && self->run_ == run && self->coming_)
                            what(*self);
                    },
                    Qt::QueuedConnection);
            };
            const Status drawn = sandbox::ParserPool::shared().drawSpectrogram(
                path, request, stop,
                [&](const measure::SpectrogramFrame& frame) {
                    tell([frame](SoundPicture& picture) { picture.begun(frame); });
                },
                [&](measure::SpectrogramPart&& part) {
                    tell([part = std::make_shared<measure::SpectrogramPart>(std::move(part))](
                             SoundPicture& picture) {
                        picture.coming_->add(std::move(*part));
                        picture.drawn_ = picture.coming_;
                        picture.drawnRun_ = picture.run_;
                        emit picture.changed();
                    });
                });
            if (!drawn)
                return drawn.error();
            return Done{};
        },
        [this, run](const Result<Done>& drawn) {
            if (run != run_)
                return;
            job_ = 0;
            if (!drawn && drawn.error().kind != ErrorKind::Cancelled)
                trouble_ = spoken(drawn.error().message);
            emit changed();
        });
}

void SoundPicture::begun(const measure::SpectrogramFrame& frame) {
    coming_->begin(frame);
    if (frame.rate > 0)
        rate_ = frame.rate;
    if (frame.seconds > 0)
        seconds_ = frame.seconds;
    if (!soon_.isActive()) // else another one is wanted by now
        window_ = limited({frame.from, frame.to, frame.lowest, frame.highest}); // the rate is known now
}

} // namespace moorfrost::app
