// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/library_access.h"

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

LibraryAccess::LibraryAccess(const Path& file, QObject* parent)
    : QObject(parent), thread_(
                           file,
                           [this](std::function<void()> handOver) {
                               QMetaObject::invokeMethod(this, std::move(handOver), Qt::QueuedConnection);
                           },
                           [this] { emit troubleChanged(); }) {}

void LibraryAccess::fail(const Error& error) {
    emit failed(spoken(error.message));
}

} // namespace moorfrost::app
