// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/desktop_player.h"

#include <QCoreApplication>
#include <QDBusAbstractAdaptor>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QUrl>
#include <QVariantMap>

#include <cmath>

#include "app/control/drafts_controller.h"
#include "app/desktop/session_bus.h"
#include "app/listen/play_queue.h"
#include "app/listen/player.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

const QString path = QStringLiteral("/org/mpris/MediaPlayer2");
const QString noTrack = QStringLiteral("/org/mpris/MediaPlayer2/TrackList/NoTrack");

qlonglong microseconds(double seconds) {
    return std::llround(seconds * 1e6);
}

QString trackPath(FileId id) {
    return QString("/moorfrost/track/%1").arg(id);
}

} // namespace

class RootAdaptor : public QDBusAbstractAdaptor {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.mpris.MediaPlayer2")
    Q_PROPERTY(bool CanQuit READ yes)
    Q_PROPERTY(bool CanRaise READ yes)
    Q_PROPERTY(bool HasTrackList READ no)
    Q_PROPERTY(QString Identity READ identity)
    Q_PROPERTY(QString DesktopEntry READ entry)
    Q_PROPERTY(QStringList SupportedUriSchemes READ none)
    Q_PROPERTY(QStringList SupportedMimeTypes READ none)
public:
    explicit RootAdaptor(DesktopPlayer* owner) : QDBusAbstractAdaptor(owner), owner_(owner) {}
    bool yes() const { return true; }
    bool no() const { return false; }
    QString identity() const { return "Moorfrost"; }
    QString entry() const { return "org.moorfrost.Moorfrost"; } // as the desktop entry is called
    QStringList none() const { return {}; }

public slots:
    void Raise() { emit owner_->raiseWanted(); }
    void Quit() { emit owner_->quitWanted(); }

private:
    DesktopPlayer* owner_;
};

class PlayerAdaptor : public QDBusAbstractAdaptor {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.mpris.MediaPlayer2.Player")
    Q_PROPERTY(QString PlaybackStatus READ status)
    Q_PROPERTY(double Rate READ rate)
    Q_PROPERTY(double MinimumRate READ rate)
    Q_PROPERTY(double MaximumRate READ rate)
    Q_PROPERTY(QVariantMap Metadata READ metadata)
    Q_PROPERTY(double Volume READ volume WRITE setVolume)
    Q_PROPERTY(qlonglong Position READ position)
    Q_PROPERTY(bool CanGoNext READ canGoNext)
    Q_PROPERTY(bool CanGoPrevious READ canGoPrevious)
    Q_PROPERTY(bool CanPlay READ canPlay)
    Q_PROPERTY(bool CanPause READ canPlay)
    Q_PROPERTY(bool CanSeek READ canPlay)
    Q_PROPERTY(bool CanControl READ canControl)
public:
    PlayerAdaptor(DesktopPlayer* owner, const DesktopPlayer::Uses& use)
        : QDBusAbstractAdaptor(owner), use_(use) {
        connect(&use_.player, &Player::changed, this, &PlayerAdaptor::look);
        connect(&use_.player, &Player::began, this, &PlayerAdaptor::look);
        connect(&use_.queue, &PlayQueue::changed, this, &PlayerAdaptor::look);
    }

    QString status() const {
        if (use_.player.isPlaying())
            return "Playing";
        return use_.player.file() && use_.player.position() > 0 ? "Paused" : "Stopped";
    }
    double rate() const { return 1; }
    QVariantMap metadata() const {
        const FilePtr file = use_.player.file();
        if (!file)
            return {{"mpris:trackid", QVariant::fromValue(QDBusObjectPath(noTrack))}};
        const bool known = use_.files.known().contains(file->id);
        const tags::Fields fields = known ? use_.drafts.session().effective(file->id) : file->tags.fields;
        QVariantMap out{
            {"mpris:trackid", QVariant::fromValue(QDBusObjectPath(trackPath(file->id)))},
            {"mpris:length", microseconds(file->tags.facts.duration)},
            {"xesam:url", QUrl::fromLocalFile(qs(file->path.native())).toString(QUrl::FullyEncoded)}};
        const std::string title = tags::firstValue(fields, "title");
        out["xesam:title"] = title.empty() ? shownName(file->path) : qs(title);
        auto list = [&](const char* field, const char* name) {
            const auto it = fields.find(field);
            if (it == fields.end())
                return;
            QStringList values;
            for (const std::string& v : it->second)
                values << qs(v);
            out[name] = values;
        };
        list("artist", "xesam:artist");
        list("album_artist", "xesam:albumArtist");
        list("composer", "xesam:composer");
        list("genre", "xesam:genre");
        if (const std::string album = tags::firstValue(fields, "album"); !album.empty())
            out["xesam:album"] = qs(album);
        return out;
    }
    double volume() const { return use_.player.volume(); }
    void setVolume(double volume) { use_.player.setVolume(volume); }
    qlonglong position() const { return microseconds(use_.player.position()); }
    bool canGoNext() const { return use_.queue.hasNext(); }
    bool canGoPrevious() const { return use_.queue.hasPrevious(); }
    bool canPlay() const { return use_.player.file() != nullptr; }
    bool canControl() const { return true; }

public slots:
    void Next() { use_.queue.next(); }
    void Previous() { use_.queue.previous(); }
    void Pause() {
        if (use_.player.isPlaying())
            use_.player.toggle();
    }
    void PlayPause() { use_.player.toggle(); }
    void Stop() { use_.player.stop(); }
    void Play() {
        if (!use_.player.isPlaying())
            use_.player.toggle();
    }
    void Seek(qlonglong offset) {
        const double to = use_.player.position() + static_cast<double>(offset) / 1e6;
        const FilePtr file = use_.player.file();
        if (file && to > file->tags.facts.duration)
            use_.queue.next();
        else
            seekTo(to);
    }
    void SetPosition(const QDBusObjectPath& track, qlonglong position) {
        const FilePtr file = use_.player.file();
        if (file && track.path() == trackPath(file->id) && position >= 0 &&
            static_cast<double>(position) / 1e6 <= file->tags.facts.duration)
            seekTo(static_cast<double>(position) / 1e6);
    }
    void OpenUri(const QString&) {} // nothing is said to be understood

signals:
    void Seeked(qlonglong position);

private:
    void seekTo(double seconds) {
        use_.player.seek(seconds);
        emit Seeked(position());
    }
    /// Tells the bus what is otherwise than it was told last.
    void look() {
        const QVariantMap now{{"PlaybackStatus", status()},
                              {"Metadata", metadata()},
                              {"Volume", volume()},
                              {"CanGoNext", canGoNext()},
                              {"CanGoPrevious", canGoPrevious()},
                              {"CanPlay", canPlay()},
                              {"CanPause", canPlay()},
                              {"CanSeek", canPlay()}};
        QVariantMap changed;
        for (auto it = now.begin(); it != now.end(); ++it)
            if (it.key() == "Metadata"
                    ? told_.value("Metadata").toMap().value("xesam:url") != it->toMap().value("xesam:url") ||
                          told_.value("Metadata").toMap().value("xesam:title") !=
                              it->toMap().value("xesam:title")
                    : told_.value(it.key()) != it.value())
                changed.insert(it.key(), it.value());
        if (changed.isEmpty())
            return;
        told_ = now;
        QDBusMessage message =
            QDBusMessage::createSignal(path, "org.freedesktop.DBus.Properties", "PropertiesChanged");
        message << QString("org.mpris.MediaPlayer2.Player") << changed << QStringList();
        QDBusConnection::sessionBus().send(message);
    }

    DesktopPlayer::Uses use_;
    QVariantMap told_;
};

DesktopPlayer::DesktopPlayer(const Uses& use) {
    if (!hasSessionBus())
        return;
    QDBusConnection bus = QDBusConnection::sessionBus();
    new RootAdaptor(this);
    new PlayerAdaptor(this, use);
    QString name = "org.mpris.MediaPlayer2.moorfrost";
    if (!bus.registerObject(path, this, QDBusConnection::ExportAdaptors))
        return;
    if (!bus.registerService(name)) { // another library is open in another window
        name += QString(".instance%1").arg(QCoreApplication::applicationPid());
        if (!bus.registerService(name))
            return;
    }
    name_ = name;
}

DesktopPlayer::~DesktopPlayer() {
    if (name_.isEmpty())
        return;
    QDBusConnection bus = QDBusConnection::sessionBus();
    bus.unregisterService(name_);
    bus.unregisterObject(path);
}

} // namespace moorfrost::app

#include "desktop_player.moc"
