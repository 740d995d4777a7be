// SPDX-License-Identifier: GPL-3.0-or-later
// The message bus of the session, where there is one.
#pragma once

#include <QDBusConnection>

namespace moorfrost::app {

/// Asking for a bus where there is none would have one started by the first call.
inline bool hasSessionBus() {
    return (qEnvironmentVariableIsSet("DBUS_SESSION_BUS_ADDRESS") ||
            qEnvironmentVariableIsSet("XDG_RUNTIME_DIR")) &&
           QDBusConnection::sessionBus().isConnected();
}

} // namespace moorfrost::app
