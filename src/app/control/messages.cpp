// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/messages.h"

#include "app/shell/core_sentences.h"

namespace moorfrost::app {

void Messages::say(const Error& error) {
    emit said(error.path.empty() ? spoken(error.message)
                                 : tr("%1: %2").arg(shownPath(error.path), spoken(error.message)),
              true);
}

} // namespace moorfrost::app
