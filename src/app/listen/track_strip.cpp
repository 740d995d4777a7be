// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/track_strip.h"

#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QPushButton>
#include <QToolButton>

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/waveform.h"

namespace moorfrost::app {

TrackStrip::TrackStrip(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    wave_ = new Waveform;
    wave_->setFixedHeight(40);
    wave_->setToolTip(tr("Click to hear it from there"));
    mark_ = button(tr("Bookmark\u2026"), "flat");
    mark_->setFixedHeight(28); // known before it is seen
    mark_->setToolTip(tr("Marks the place that is heard (Ctrl+Shift+B)"));
    list_ = new QVBoxLayout;
    list_->setSpacing(0);
    auto* line = new QHBoxLayout;
    line->addStretch();
    line->addWidget(mark_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 6, 0, 2);
    layout->setSpacing(2);
    layout->addWidget(wave_);
    layout->addLayout(list_);
    layout->addLayout(line);
    connect(wave_, &Waveform::clicked, this, [this](double part) {
        if (file_)
            emit playWanted(file_->id, part * file_->tags.facts.duration);
    });
    connect(mark_, &QPushButton::clicked, this, &TrackStrip::markHere);
    connect(&use_.player, &Player::changed, this, &TrackStrip::showPosition);
    connect(&use_.recordings, &RecordingsController::changed, this, [this](const std::vector<FileId>& files) {
        if (file_ && std::ranges::find(files, file_->id) != files.end())
            readBookmarks();
    });
}

bool TrackStrip::isHeard() const {
    return file_ && use_.player.file() && use_.player.file()->id == file_->id;
}

void TrackStrip::show(const FilePtr& file) {
    const bool same = file && file_ && file->id == file_->id && file->state == file_->state;
    file_ = file;
    setVisible(file && file->readable() && file->absent == 0);
    if (same || !file)
        return;
    const int run = ++run_;
    wave_->setPeaks({});
    showBookmarks({});
    readBookmarks();
    showPosition();
    if (!file->readable() || file->absent != 0)
        return;
    use_.peaks.read(
        this, file,
        [this, run](const Result<Peaks::Shape>& shape) {
            if (run != run_)
                return;
            if (shape)
                wave_->setPeaks(*shape);
            else
                wave_->setTrouble(tr("No shape of the sound: %1").arg(spoken(shape.error().message)));
        },
        [this, run](const Peaks::Shape& some) {
            if (run == run_)
                wave_->setPeaks(some);
        });
}

void TrackStrip::readBookmarks() {
    use_.recordings.read(this, file_->id, [this, id = file_->id](const library::RecordingView& view) {
        if (!file_ || file_->id != id)
            return;
        const auto kept = view.kept.find(library::bookmarkField);
        showBookmarks(kept == view.kept.end() ? std::vector<library::Bookmark>()
                                              : library::bookmarksFrom(kept->second));
    });
}

void TrackStrip::showBookmarks(std::vector<library::Bookmark> bookmarks) {
    if (bookmarks == bookmarks_ && !bookmarks.empty())
        return;
    bookmarks_ = std::move(bookmarks);
    while (QLayoutItem* item = list_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    std::vector<double> marks;
    for (const library::Bookmark& b : bookmarks_) {
        if (file_ && file_->tags.facts.duration > 0)
            marks.push_back(b.seconds / file_->tags.facts.duration);
        auto* row = new QWidget;
        auto* line = new QHBoxLayout(row);
        line->setContentsMargins(0, 0, 0, 0);
        line->setSpacing(8);
        auto* time = button(shownLength(b.seconds), "flat");
        time->setToolTip(tr("Hear it from there"));
        auto* text = new ShortLabel(qs(b.text));
        auto* drop = iconButton("close", tr("Remove this bookmark"));
        line->addWidget(time);
        line->addWidget(text, 1);
        line->addWidget(drop);
        list_->addWidget(row);
        connect(time, &QPushButton::clicked, this, [this, at = b.seconds] {
            if (file_)
                emit playWanted(file_->id, at);
        });
        connect(drop, &QToolButton::clicked, this, [this, b] {
            if (file_)
                use_.recordings.removeBookmark(file_->id, b);
        });
    }
    wave_->setMarks(std::move(marks));
}

QStringList TrackStrip::lines() const {
    QStringList out;
    for (const library::Bookmark& b : bookmarks_)
        out << shownLength(b.seconds) + " " + qs(b.text);
    return out;
}

void TrackStrip::showPosition() {
    const double length = file_ ? file_->tags.facts.duration : 0;
    wave_->setPosition(isHeard() && length > 0 ? use_.player.position() / length : 0);
}

void TrackStrip::markHere() {
    if (!file_)
        return;
    const double at = isHeard() ? use_.player.position() : 0;
    const FileId id = file_->id;
    bool ok = false;
    const QString text = QInputDialog::getText(
        this, tr("Bookmark"), tr("What is at %1?").arg(shownLength(at)), QLineEdit::Normal, {}, &ok);
    if (ok)
        use_.recordings.addBookmark(id, {at, ss(text.trimmed())});
}

} // namespace moorfrost::app
