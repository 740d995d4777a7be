// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/desktop/desktop_service.h"

#include <QDBusAbstractAdaptor>
#include <QStringList>
#include <QUrl>
#include <QVariantMap>

#include "app/desktop/session_bus.h"

namespace moorfrost::app {

class ApplicationAdaptor : public QDBusAbstractAdaptor {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Application")
public:
    explicit ApplicationAdaptor(DesktopService* owner) : QDBusAbstractAdaptor(owner), owner_(owner) {}

public slots:
    void Activate(const QVariantMap&) { emit owner_->wanted({}); }
    void Open(const QStringList& uris, const QVariantMap&) {
        std::vector<Path> files;
        for (const QString& uri : uris)
            if (const QUrl url(uri); url.isLocalFile())
                // Names need not be UTF-8: the bytes behind the per cent signs are the name.
                files.emplace_back(
                    QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1()).toStdString());
        emit owner_->wanted(files);
    }
    void ActivateAction(const QString&, const QVariantList&, const QVariantMap&) {} // none is offered

private:
    DesktopService* owner_;
};

DesktopService::DesktopService(QObject* parent) : QObject(parent) {
    if (!hasSessionBus())
        return;
    QDBusConnection bus = QDBusConnection::sessionBus();
    new ApplicationAdaptor(this);
    if (!bus.registerObject(path, this, QDBusConnection::ExportAdaptors))
        return;
    there_ = bus.registerService(name);
    if (!there_)
        bus.unregisterObject(path);
}

DesktopService::~DesktopService() {
    if (!there_)
        return;
    QDBusConnection bus = QDBusConnection::sessionBus();
    bus.unregisterService(name);
    bus.unregisterObject(path);
}

} // namespace moorfrost::app

#include "desktop_service.moc"
