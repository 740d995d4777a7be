// SPDX-License-Identifier: GPL-3.0-or-later
// A message bus for this process only: the session's, and the system's, too.
#pragma once

#include <QtTest>

#include <QApplication>
#include <QProcess>
#include <QTemporaryDir>

#include "support/driver.h"

namespace moorfrost::test {

class PrivateBus {
public:
    /// Before QApplication is made.
    PrivateBus() {
        bus_.start("dbus-daemon", {"--session", "--nofork", "--print-address",
                                   "--address=unix:path=" + folder_.path() + "/bus"});
        if (!bus_.waitForStarted(5000) || !bus_.waitForReadyRead(5000))
            qFatal("dbus-daemon is needed");
        const QByteArray address = bus_.readLine().trimmed();
        qputenv("DBUS_SESSION_BUS_ADDRESS", address);
        qputenv("DBUS_SYSTEM_BUS_ADDRESS", address);
    }
    ~PrivateBus() {
        bus_.terminate();
        bus_.waitForFinished(5000);
    }

private:
    QTemporaryDir folder_;
    QProcess bus_;
};

/// The main() of such tests.
template<class Test>
int runOnPrivateBus(int argc, char** argv) {
    const PrivateBus bus;
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    app::Driver::prepareApplication();
    Test test;
    return QTest::qExec(&test, argc, argv);
}

} // namespace moorfrost::test
