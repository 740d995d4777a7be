// SPDX-License-Identifier: GPL-3.0-or-later
// A list of what the library keeps, made in the background, kept true once it was asked for; and what is
// worked out of it. For controllers of such lists.
#pragma once

#include <QObject>

#include <functional>
#include <memory>
#include <stop_token>
#include <string>
#include <utility>

#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "app/control/messages.h"

namespace moorfrost::app {

/// `Kept`: what is read of the store. `List`: what is made of it.
template<class Kept, class List>
class KeptList {
public:
    using Made = std::shared_ptr<const List>;
    struct Ways {
        std::string title; // of the job
        std::function<Kept(library::Store&)> read;
        /// Asked on the thread of the interface for what the job needs besides; made in the job. nullptr
        /// after a stop.
        std::function<std::function<Made(const Kept&, std::stop_token)>()> make;
        /// It is another, or could not be made; `settled`: none is being made after it.
        std::function<void(bool settled)> made;
    };
    KeptList(QObject* owner, LibraryAccess& library, JobList& jobs, Messages& messages, Ways ways)
        : owner_(owner), library_(library), jobs_(jobs), messages_(messages), ways_(std::move(ways)) {}

    const Made& get() const { return list_; }
    /// From now on it is kept true.
    void want() {
        if (!std::exchange(wanted_, true))
            look();
    }
    /// None is being made, and none is to be.
    bool isTrue() const { return list_ && !making_ && !again_; }
    /// Something else may be kept.
    void look() {
        if (!wanted_)
            return;
        if (making_) {
            again_ = true;
            return;
        }
        making_ = true;
        library_.read(owner_, ways_.read, [this](Result<Kept> kept) {
            if (!kept)
                return end(nullptr);
            jobs_.start(
                owner_, {ways_.title, work::Priority::Background},
                [make = ways_.make(), kept = std::make_shared<Kept>(std::move(*kept))](
                    std::stop_token stop, work::Progress&) -> Result<Made> { return make(*kept, stop); },
                [this](Result<Made> list) {
                    if (!list)
                        messages_.say(list.error());
                    end(list ? std::move(*list) : nullptr);
                });
        });
    }

private:
    void end(Made list) {
        making_ = false;
        if (list)
            list_ = std::move(list);
        const bool more = std::exchange(again_, false);
        if (more)
            look();
        ways_.made(!more);
    }

    QObject* owner_;
    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    Ways ways_;
    Made list_;
    bool wanted_ = false, making_ = false, again_ = false;
};

/// What is worked out of a list in the background, until there is another list.
class WorkedOut {
public:
    /// `work` is not told of as stopped by itself: what it brings then is left.
    template<class What>
    void start(QObject* owner, JobList& jobs, const std::string& title,
               std::function<What(std::stop_token)> work, std::function<void(What)> then) {
        other_.request_stop();
        other_ = std::stop_source();
        jobs.start(
            owner, {title, work::Priority::Background},
            [work = std::move(work), other = other_.get_token()](std::stop_token stop,
                                                                 work::Progress&) -> Result<What> {
                std::stop_source either;
                const std::stop_callback first(stop, [&] { either.request_stop(); });
                const std::stop_callback second(other, [&] { either.request_stop(); });
                What out = work(either.get_token());
                if (either.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "It was stopped."};
                return out;
            },
            [then = std::move(then)](Result<What> out) {
                if (out)
                    then(std::move(*out));
            });
    }

private:
    std::stop_source other_;
};

} // namespace moorfrost::app
