// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/desktop/long_work.h"

#include <QApplication>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QFile>
#include <QVariantMap>

#include <set>

#include "app/desktop/session_bus.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {
const QString service = QStringLiteral("org.freedesktop.Notifications");
const QString object = QStringLiteral("/org/freedesktop/Notifications");
} // namespace

LongWork::LongWork(JobList& jobs, QWidget* window) : QObject(window), jobs_(jobs), window_(window) {
    connect(&jobs_, &JobList::changed, this, &LongWork::look);
    if (hasSessionBus())
        QDBusConnection::sessionBus().connect(service, object, service, "ActionInvoked", this,
                                              SLOT(actionInvoked(uint, QString)));
}

void LongWork::look() {
    const std::vector<work::JobView> all = jobs_.list();
    std::set<work::JobId> there;
    bool awake = false;
    for (const work::JobView& job : all) {
        there.insert(job.id);
        awake = awake || (!job.waiting && (job.uses.writesFiles || !job.uses.drive.empty()));
        if (job.priority == work::Priority::Asked && !job.waiting && !known_.contains(job.id)) {
            Known& one = known_[job.id];
            one.title = qs(job.title);
            one.since.start();
        }
    }
    for (auto at = known_.begin(); at != known_.end();) {
        if (there.contains(at->first)) {
            ++at;
            continue;
        }
        if (at->second.since.elapsed() >= worthAWord_ &&
            !QApplication::activeWindow()) // of ours: a dialog counts, too
            tell(at->second.title);
        at = known_.erase(at);
    }
    stayAwake(awake);
}

void LongWork::tell(const QString& title) {
    if (!hasSessionBus())
        return;
    QDBusMessage ask = QDBusMessage::createMethodCall(service, object, service, "Notify");
    ask << QString("Moorfrost") << told_ << QString("org.moorfrost.Moorfrost") << title
        << (jobs_.trouble() ? tr("It has ended, and something is to be looked at.") : tr("It has ended."))
        << QStringList{"default", tr("Show")} << QVariantMap{{"desktop-entry", "org.moorfrost.Moorfrost"}}
        << -1;
    auto* answer = new QDBusPendingCallWatcher(QDBusConnection::sessionBus().asyncCall(ask), this);
    connect(answer, &QDBusPendingCallWatcher::finished, this, [this, answer] {
        if (const QDBusPendingReply<uint> id = *answer; id.isValid())
            told_ = id.value();
        answer->deleteLater();
    });
}

void LongWork::actionInvoked(uint id, const QString&) {
    if (id == 0 || id != told_)
        return;
    window_->setWindowState((window_->windowState() & ~Qt::WindowMinimized) | Qt::WindowActive);
    window_->raise();
    window_->activateWindow();
}

void LongWork::stayAwake(bool awake) {
    if (awake == wantsAwake_)
        return;
    wantsAwake_ = awake;
    lock_ = {}; // closed
    const bool hasBus =
        qEnvironmentVariableIsSet("DBUS_SYSTEM_BUS_ADDRESS") || QFile::exists("/run/dbus/system_bus_socket");
    if (!awake || !hasBus || !QDBusConnection::systemBus().isConnected())
        return;
    QDBusMessage ask = QDBusMessage::createMethodCall("org.freedesktop.login1", "/org/freedesktop/login1",
                                                      "org.freedesktop.login1.Manager", "Inhibit");
    ask << QString("sleep") << QString("Moorfrost") << tr("Files are being written") << QString("block");
    auto* answer = new QDBusPendingCallWatcher(QDBusConnection::systemBus().asyncCall(ask), this);
    connect(answer, &QDBusPendingCallWatcher::finished, this, [this, answer] {
        const QDBusPendingReply<QDBusUnixFileDescriptor> lock = *answer;
        if (lock.isValid() && wantsAwake_) // it may have ended meanwhile
            lock_ = lock.value();
        answer->deleteLater();
    });
}

} // namespace moorfrost::app
