// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/refresh.h"

#include <utility>

namespace moorfrost::app {

namespace {

constexpr int moment = 60; // milliseconds

} // namespace

Refresh::Refresh(std::function<bool(int run)> make, QObject* parent)
    : QObject(parent), make_(std::move(make)) {
    soon_.setSingleShot(true);
    soon_.setInterval(moment);
    connect(&soon_, &QTimer::timeout, this, &Refresh::begin);
}

void Refresh::setInSight(bool inSight) {
    inSight_ = inSight;
    if (inSight_ && old_)
        look();
}

void Refresh::look() {
    old_ = true;
    if (inSight_ || !waiting_.empty())
        soon_.start();
}

void Refresh::begin() {
    if (!inSight_ && waiting_.empty())
        return;
    const int run = ++run_;
    making_ = true;
    old_ = false;
    if (!make_(run)) {
        making_ = false;
        old_ = true;
    }
}

void Refresh::end(int run) {
    if (run != run_)
        return;
    making_ = false;
    emit ended();
    if (isTrue())
        for (auto& then : std::exchange(waiting_, {}))
            whenTrue(std::move(then)); // the one before may have changed what it is of
}

void Refresh::whenTrue(std::function<void()> then) {
    if (isTrue())
        return then();
    waiting_.push_back(std::move(then));
    if (!making_)
        look(); // in sight or not: it is waited for
}

} // namespace moorfrost::app
