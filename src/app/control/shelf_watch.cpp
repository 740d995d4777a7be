// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/shelf_watch.h"

#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {
constexpr auto again = std::chrono::milliseconds(500); // while something else goes on
constexpr auto withoutWatch = std::chrono::minutes(10);
constexpr size_t mostPlaces = 500; // more are looked at as all
} // namespace

files::FolderWatch::Options ShelfWatch::options = {};
bool ShelfWatch::watches = true;

ShelfWatch::ShelfWatch(ShelvesController& shelves, JobList& jobs, Messages& messages)
    : shelves_(shelves), jobs_(jobs), messages_(messages) {
    soon_.setSingleShot(true);
    soon_.setInterval(again);
    nowAndThen_.setInterval(withoutWatch);
    connect(&soon_, &QTimer::timeout, this, &ShelfWatch::look);
    connect(&nowAndThen_, &QTimer::timeout, this, [this] {
        all_ = true;
        look();
    });
    connect(&shelves_, &ShelvesController::changed, this, [this] {
        if (begun_)
            follow();
    });
}

ShelfWatch::~ShelfWatch() = default;

void ShelfWatch::begin() {
    begun_ = true;
    follow();
    shelves_.lookWhetherThere();
    if (!watches)
        return;
    all_ = true; // what was changed while nobody watched
    soon_.start();
}

void ShelfWatch::follow() {
    std::vector<Path> roots;
    for (const library::Shelf& s : shelves_.all())
        roots.push_back(s.path);
    if (roots == roots_)
        return;
    watch_.reset();
    roots_ = roots;
    limited_ = false;
    nowAndThen_.stop();
    if (roots.empty() || !watches)
        return;
    watch_ = std::make_unique<files::FolderWatch>(
        std::move(roots), options,
        // Its thread has ended before this is gone.
        [this](const files::FolderWatch::Told& told) {
            QMetaObject::invokeMethod(
                this, [this, told] { take(told); }, Qt::QueuedConnection);
        },
        [this](const std::string& sentence) {
            QMetaObject::invokeMethod(
                this,
                [this, sentence] {
                    limited_ = true;
                    nowAndThen_.start();
                    messages_.say(tr("%1 The shelves are looked through every ten minutes instead.")
                                      .arg(spoken(sentence)),
                                  true);
                },
                Qt::QueuedConnection);
        });
}

void ShelfWatch::take(const files::FolderWatch::Told& told) {
    all_ = all_ || told.all;
    waiting_.folders.insert(told.folders.begin(), told.folders.end());
    waiting_.trees.insert(told.trees.begin(), told.trees.end());
    if (waiting_.folders.size() + waiting_.trees.size() > mostPlaces)
        all_ = true;
    look();
}

void ShelfWatch::look() {
    if (!all_ && waiting_.folders.empty() && waiting_.trees.empty())
        return;
    // What we write ourselves the library follows; in between it would be seen half done.
    if (shelves_.isReading() || jobs_.isWriting()) {
        soon_.start();
        return;
    }
    const library::Places places = std::exchange(waiting_, {});
    shelves_.look(std::exchange(all_, false) ? library::Places() : places);
}

} // namespace moorfrost::app
