// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/play_queue.h"

#include <QSettings>

#include <algorithm>

namespace moorfrost::app {

namespace {
constexpr double heardForAWhile = 3; // seconds
}

PlayQueue::PlayQueue(FilesController& files, LoudnessLevels& levels, Player& player)
    : files_controller_(files), levels_(levels), player_(player),
      matched_(QSettings().value("player/equal loudness", false).toBool()) {
    connect(&player_, &Player::began, this, &PlayQueue::follow);
}

bool PlayQueue::isOurs() const {
    return index_ < files_.size() && player_.file() && player_.file()->id == files_[index_];
}

void PlayQueue::play(std::vector<FileId> files, size_t index, std::optional<double> from) {
    if (index >= files.size())
        return;
    if (player_.file() && player_.file()->id == files[index] && (player_.isPlaying() || isOurs())) {
        files_ = std::move(files); // the order may be another one
        index_ = index;
        if (from)
            player_.seek(*from);
        if (!from || !player_.isPlaying())
            player_.toggle();
        prepareNext();
        emit changed();
        return;
    }
    files_ = std::move(files);
    begin(index, 1, from.value_or(0));
}

void PlayQueue::next() {
    if (hasNext())
        begin(index_ + 1, 1);
}

void PlayQueue::previous() {
    if (!isOurs())
        return;
    if (player_.position() > heardForAWhile || index_ == 0)
        player_.seek(0);
    else
        begin(index_ - 1, -1);
}

/// `direction`: where to look for another one if this cannot be played.
void PlayQueue::begin(size_t index, int direction, double from) {
    index_ = index;
    const int run = ++run_;
    files_controller_.withFile(this, files_[index], [this, run, index, direction, from](const FilePtr& file) {
        if (run != run_)
            return;
        if (!file || !file->readable() || file->absent != 0) {
            const bool more = direction > 0 ? index + 1 < files_.size() : index > 0;
            if (more)
                begin(index + static_cast<size_t>(direction), direction);
            else
                emit player_.trouble(tr("Nothing that can be played."));
            return;
        }
        withGain(file, [this, run, file, from](double gain) {
            if (run != run_)
                return;
            ours_ = true;
            player_.play(file, from, {gain, 1, true});
            ours_ = false;
            prepareNext();
            emit changed();
        });
    });
}

void PlayQueue::withGain(const FilePtr& file, std::function<void(double)> then) {
    if (!matched_)
        return then(0);
    levels_.known(this, file, [this, file, then](std::optional<LoudnessLevel> level) {
        then(level ? LoudnessLevels::gainFor(*level) : 0);
        if (!level) // it gets its loudness while it is heard
            levels_.read(this, file, [this, file](const Result<LoudnessLevel>& measured) {
                if (measured && matched_)
                    player_.setGain(file->id, LoudnessLevels::gainFor(*measured));
            });
    });
}

/// Fetches what follows while this is heard.
void PlayQueue::prepareNext() {
    const int run = ++run_;
    auto fetch = std::make_shared<std::function<void(size_t)>>();
    *fetch = [this, run, weak = std::weak_ptr(fetch)](size_t index) {
        if (index >= files_.size()) {
            player_.setNext(nullptr);
            return;
        }
        files_controller_.withFile(this, files_[index],
                                   [this, run, index, again = weak.lock()](const FilePtr& file) {
                                       if (run != run_ || !isOurs())
                                           return;
                                       if (!file || !file->readable() || file->absent != 0)
                                           return (*again)(index + 1);
                                       withGain(file, [this, run, file](double gain) {
                                           if (run != run_ || !isOurs())
                                               return;
                                           player_.setNext(file, gain);
                                       });
                                   });
    };
    (*fetch)(index_ + 1);
}

void PlayQueue::follow(bool byItself) {
    const size_t behind = std::min(index_ + 1, files_.size());
    const auto now = std::find(files_.begin() + static_cast<std::ptrdiff_t>(behind), files_.end(),
                               player_.file() ? player_.file()->id : 0);
    if (byItself && now != files_.end()) {
        index_ = static_cast<size_t>(now - files_.begin());
        prepareNext();
    } else if (!ours_) { // something else is played: what was listed here is over
        ++run_;
        files_.clear();
    }
    emit changed();
}

void PlayQueue::setMatchesLoudness(bool matched) {
    matched_ = matched;
    QSettings().setValue("player/equal loudness", matched);
    if (const FilePtr file = player_.file(); file && isOurs()) {
        if (!matched)
            player_.setGain(file->id, 0);
        else
            withGain(file, [this, file](double gain) { player_.setGain(file->id, gain); });
        prepareNext();
    }
    emit changed();
}

void PlayQueue::onBySeconds(double seconds) {
    if (player_.file())
        player_.seek(player_.position() + seconds);
}

void PlayQueue::toMiddle() {
    if (const FilePtr& file = player_.file())
        player_.seek(file->tags.facts.duration / 2);
}

void PlayQueue::toLastSeconds(double seconds) {
    if (const FilePtr& file = player_.file())
        player_.seek(std::max(0.0, file->tags.facts.duration - seconds));
}

} // namespace moorfrost::app
