// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/library_care.h"

#include <ctime>
#include <utility>

#include "app/shell/core_sentences.h"
#include "core/library/clean_pictures.h"
#include "core/library/store/keeping.h"

namespace moorfrost::app {

LibraryCare::LibraryCare(LibraryAccess& library, JobList& jobs, Messages& messages)
    : library_(library), jobs_(jobs), messages_(messages) {
    timer_.setSingleShot(true);
    timer_.setInterval(5000);
    connect(&timer_, &QTimer::timeout, this, &LibraryCare::check);
}

void LibraryCare::recover() {
    library_.write(
        this, [](library::Store& store) { return library::recover(store); },
        [this](const Result<library::RecoveryReport>& report) {
            if (report)
                tell(*report);
        });
}

void LibraryCare::tell(const library::RecoveryReport& report) {
    if (report.isEmpty())
        return;
    if (report.sets.empty() && report.finished.empty() && report.setAside.empty()) {
        messages_.say(spoken(report.error), true); // nothing was interrupted: it could not be looked at
        return;
    }
    recovered_ = report;
    emit interruptionFound();
}

void LibraryCare::check() {
    if (std::exchange(checking_, true))
        return;
    struct Looked {
        std::string damage, trouble;
    };
    jobs_.start(
        this, {ss(tr("Checking the library")), work::Priority::Background},
        [file = library_.file(), cleans = !std::exchange(cleaned_, true)](std::stop_token stop,
                                                                          work::Progress&) -> Result<Looked> {
            constexpr int64_t day = 20 * 3600;
            Looked looked;
            looked.damage = library::damageOf(file, stop);
            if (cleans && looked.damage.empty() && !stop.stop_requested())
                library::cleanPictures(file).ignore(); // tried again with the next start
            const auto copy = library::keptCopy(file);
            if (!looked.damage.empty() || stop.stop_requested() ||
                (copy && std::time(nullptr) - copy->when < day))
                return looked;
            if (auto kept = library::keepCopy(file); !kept)
                looked.trouble = kept.error().message;
            return looked;
        },
        [this](const Result<Looked>& looked) {
            checking_ = false;
            const std::string trouble = looked ? looked->trouble : looked.error().message;
            if (!trouble.empty())
                messages_.say(qs(trouble), true);
            if (looked && !looked->damage.empty() && !std::exchange(damageTold_, true))
                emit damaged(qs(looked->damage));
        });
}

} // namespace moorfrost::app
