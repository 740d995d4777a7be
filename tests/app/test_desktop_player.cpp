// SPDX-License-Identifier: GPL-3.0-or-later
// The player as the desktop asks it: on a message bus of its own, by the standard interface.
#include <QtTest>

#include <QDBusConnection>
#include <QDBusInterface>
#include <QDBusReply>
#include <QSlider>

#include "app/library/library_page.h"
#include "app/shell/foot.h"
#include "support/driver.h"
#include "support/private_bus.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestDesktopPlayer : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    /// Asked by another connection than the one that answers.
    static QVariant property(const char* name, const QString& of = "org.mpris.MediaPlayer2.Player") {
        QDBusMessage ask =
            QDBusMessage::createMethodCall("org.mpris.MediaPlayer2.moorfrost", "/org/mpris/MediaPlayer2",
                                           "org.freedesktop.DBus.Properties", "Get");
        ask << of << QString(name);
        QDBusPendingCall call = QDBusConnection("another").asyncCall(ask);
        if (!QTest::qWaitFor([&] { return call.isFinished(); }, 5000))
            return {};
        const QDBusReply<QDBusVariant> reply = call.reply();
        return reply.isValid() ? reply.value().variant() : QVariant();
    }
    static void call(const char* method) {
        QDBusMessage ask =
            QDBusMessage::createMethodCall("org.mpris.MediaPlayer2.moorfrost", "/org/mpris/MediaPlayer2",
                                           "org.mpris.MediaPlayer2.Player", method);
        QDBusPendingCall call = QDBusConnection("another").asyncCall(ask);
        QVERIFY(QTest::qWaitFor([&] { return call.isFinished(); }, 5000));
        QVERIFY(!call.isError());
    }

private slots:
    void initTestCase() {
        QVERIFY(QDBusConnection::connectToBus(QDBusConnection::SessionBus, "another").isConnected());
    }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        makeSmallLibrary(box_->root());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
    }
    void cleanup() { d_.reset(); }

    void itIsAskedAndTold() {
        QCOMPARE(d_->window().desktopPlayer().name(), QString("org.mpris.MediaPlayer2.moorfrost"));
        QCOMPARE(property("PlaybackStatus").toString(), QString("Stopped"));
        QCOMPARE(property("DesktopEntry", "org.mpris.MediaPlayer2").toString(),
                 QString("org.moorfrost.Moorfrost")); // the desktop finds the icon by it
        QCOMPARE(property("CanPlay").toBool(), false);
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
        const std::vector<FileId> list = d_->window().library()->filesInSight();
        QVERIFY(list.size() > 2);
        d_->takeUp(list[1]);
        d_->controllers().drafts.session().propose("Edit", {{list[1], "album_artist", {"Kestrel & Rook"}}},
                                                   "t");
        d_->window().queue().play(list, 1);
        d_->settle();
        QCOMPARE(property("CanGoNext").toBool(), true);
        const QVariantMap told = qdbus_cast<QVariantMap>(property("Metadata").value<QDBusArgument>());
        const FilePtr file = d_->window().player().file();
        QVERIFY(file);
        QCOMPARE(told["xesam:title"].toString(), qs(tags::firstValue(file->tags.fields, "title")));
        QCOMPARE(told["xesam:artist"].toStringList().front(),
                 qs(tags::firstValue(file->tags.fields, "artist")));
        QCOMPARE(told["xesam:albumArtist"].toStringList(), QStringList{"Kestrel & Rook"}); // as it will be
        QCOMPARE(told["mpris:length"].toLongLong(), std::llround(file->tags.facts.duration * 1e6));
        // How loud it is, told by the desktop, is shown here, too.
        QDBusMessage set =
            QDBusMessage::createMethodCall("org.mpris.MediaPlayer2.moorfrost", "/org/mpris/MediaPlayer2",
                                           "org.freedesktop.DBus.Properties", "Set");
        set << QString("org.mpris.MediaPlayer2.Player") << QString("Volume")
            << QVariant::fromValue(QDBusVariant(0.4));
        QDBusPendingCall done = QDBusConnection("another").asyncCall(set);
        QVERIFY(QTest::qWaitFor([&] { return done.isFinished(); }, 5000));
        QCOMPARE(d_->window().foot()->playerBar()->volumeSlider()->value(), 40);
        call("Next");
        d_->settle();
        QCOMPARE(d_->window().player().file()->id, list[2]);
        call("Previous");
        d_->settle();
        QCOMPARE(d_->window().player().file()->id, list[1]);
    }

    void aSecondOneHasANameOfItsOwn() {
        const auto other = std::make_unique<Driver>(*box_ / "other.db");
        QVERIFY2(other->window().desktopPlayer().name().isEmpty() ||
                     other->window().desktopPlayer().name().contains(".instance"),
                 qPrintable(other->window().desktopPlayer().name()));
        QCOMPARE(d_->window().desktopPlayer().name(), QString("org.mpris.MediaPlayer2.moorfrost"));
    }
};

int main(int argc, char** argv) {
    return test::runOnPrivateBus<TestDesktopPlayer>(argc, argv);
}
#include "test_desktop_player.moc"
