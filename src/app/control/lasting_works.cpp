// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/lasting_works.h"

#include <QRandomGenerator>

namespace moorfrost::app {

using library::LastingWork;
using library::Store;

int64_t LastingWorks::begin(const std::string& kind, const std::string& details) {
    const auto id = static_cast<int64_t>(QRandomGenerator::global()->generate64() >> 1) | 1;
    library_.write([work = LastingWork{id, kind, details}](Store& store) { store.lasting().add(work); });
    return id;
}

void LastingWorks::end(int64_t id) {
    library_.write([id](Store& store) { store.lasting().remove(id); });
}

void LastingWorks::goOn() {
    library_.read(
        this, [](Store& store) { return store.lasting().all(); },
        [this](const Result<std::vector<LastingWork>>& left) {
            if (!left)
                return;
            for (const LastingWork& work : *left) {
                end(work.id); // it begins anew, under another number
                if (auto doer = doers_.find(work.kind); doer != doers_.end())
                    doer->second(work.details);
            }
        });
}

} // namespace moorfrost::app
