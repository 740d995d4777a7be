// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/job_list.h"

namespace moorfrost::app {

JobList::JobList(QObject* parent)
    : QObject(parent), jobs_([this](std::function<void()> handOver) {
          QMetaObject::invokeMethod(this, std::move(handOver), Qt::QueuedConnection);
      }) {
    timer_.setInterval(50);
    connect(&timer_, &QTimer::timeout, this, &JobList::changed);
}

JobList::~JobList() {
    stopAndWait();
}

void JobList::begun() {
    timer_.start();
    emit changed();
}

void JobList::ended() {
    if (--undelivered_ == 0)
        timer_.stop();
}

void JobList::setTrouble(std::optional<Trouble> trouble) {
    trouble_ = std::move(trouble);
    emit changed();
}

} // namespace moorfrost::app
