// SPDX-License-Identifier: GPL-3.0-or-later
// What desktops ask of the application, and what they are told: on a message bus of its own.
#include <QtTest>

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCall>
#include <QDBusUnixFileDescriptor>

#include <poll.h>
#include <unistd.h>

#include "app/desktop/desktop_service.h"
#include "app/desktop/long_work.h"
#include "app/desktop/recent_files.h"
#include "app/shell/text_utils.h"
#include "support/driver.h"
#include "support/private_bus.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

/// Stands for the desktop: shows notifications, and lets the machine sleep.
class Desktop : public QObject {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Notifications")
public:
    QStringList titles, bodies;
    QList<uint> replaced;

public slots:
    Q_SCRIPTABLE uint Notify(const QString&, uint replaces, const QString&, const QString& title,
                             const QString& body, const QStringList&, const QVariantMap&, int) {
        titles << title;
        bodies << body;
        replaced << replaces;
        return 7;
    }

signals:
    Q_SCRIPTABLE void ActionInvoked(uint id, const QString& action);
};

class SessionManager : public QObject {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.login1.Manager")
public:
    QStringList asked;
    /// Whether the one who was given the lock has closed it.
    bool isFree() {
        if (watched_ < 0)
            return true;
        pollfd one{watched_, POLLIN, 0};
        return ::poll(&one, 1, 0) == 1 && (one.revents & POLLHUP) != 0;
    }

public slots:
    Q_SCRIPTABLE QDBusUnixFileDescriptor Inhibit(const QString& what, const QString&, const QString&,
                                                 const QString& mode) {
        asked << what + " " + mode;
        int ends[2];
        if (::pipe(ends) != 0)
            return {};
        watched_ = ends[0];
        const QDBusUnixFileDescriptor out(ends[1]);
        ::close(ends[1]);
        return out;
    }

private:
    int watched_ = -1;
};

class TestDesktop : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    Desktop desktop_;
    SessionManager sessions_;

    static bool wait(const std::function<bool()>& until) { return QTest::qWaitFor(until, 10'000); }
    /// A job that runs until it is let go.
    static work::JobId longJob(JobList& jobs, QObject* asker, std::shared_ptr<std::atomic<bool>> go,
                               work::Uses uses = {}) {
        return jobs.start(
            asker, {"Comparing with fixity", work::Priority::Asked, uses},
            [go](std::stop_token stop, work::Progress&) -> Result<int> {
                while (!*go && !stop.stop_requested())
                    std::this_thread::sleep_for(std::chrono::milliseconds(5));
                return 1;
            },
            [](Result<int>) {});
    }

private slots:
    void initTestCase() {
        QDBusConnection other = QDBusConnection::connectToBus(QDBusConnection::SessionBus, "another");
        QVERIFY(other.isConnected());
        QVERIFY(other.registerObject("/org/freedesktop/Notifications", &desktop_,
                                     QDBusConnection::ExportScriptableContents));
        QVERIFY(other.registerService("org.freedesktop.Notifications"));
        QVERIFY(other.registerObject("/org/freedesktop/login1", &sessions_,
                                     QDBusConnection::ExportScriptableContents));
        QVERIFY(other.registerService("org.freedesktop.login1"));
    }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }

    // What is dropped on the icon: names of any bytes.
    void itIsOpenedWithFiles() {
        DesktopService service;
        QVERIFY(service.isThere());
        std::vector<std::vector<Path>> wanted;
        connect(&service, &DesktopService::wanted, this,
                [&](const std::vector<Path>& files) { wanted.push_back(files); });
        QDBusMessage open = QDBusMessage::createMethodCall(DesktopService::name, DesktopService::path,
                                                           "org.freedesktop.Application", "Open");
        open << QStringList{"file:///tmp/Night%20Post%20%231/%D8re%FF.flac", "https://example.org/x"}
             << QVariantMap();
        QDBusConnection("another").asyncCall(open);
        QVERIFY(wait([&] { return wanted.size() == 1; }));
        QCOMPARE(wanted[0].size(), size_t{1});
        QCOMPARE(wanted[0][0].native(), std::string("/tmp/Night Post #1/\xD8re\xFF.flac"));
        QDBusMessage activate = QDBusMessage::createMethodCall(DesktopService::name, DesktopService::path,
                                                               "org.freedesktop.Application", "Activate");
        activate << QVariantMap();
        QDBusConnection("another").asyncCall(activate);
        QVERIFY(wait([&] { return wanted.size() == 2; }));
        QVERIFY(wanted[1].empty());
        // A second process would not get the name; here the second object of this one.
        const DesktopService second;
        QVERIFY(!second.isThere());
        QVERIFY(service.isThere());
    }

    void longWorkThatEndedIsTold() {
        QWidget window; // never shown: nobody looks at it
        JobList jobs;
        LongWork work(jobs, &window);
        work.setWorthAWord(200);
        auto go = std::make_shared<std::atomic<bool>>(false);
        longJob(jobs, &window, go);
        QTest::qWait(400);
        QVERIFY(desktop_.titles.isEmpty());
        *go = true;
        QVERIFY(wait([&] { return desktop_.titles.size() == 1; }));
        QCOMPARE(desktop_.titles[0], QString("Comparing with fixity"));
        QCOMPARE(desktop_.bodies[0], QString("It has ended."));
        // What is short is not worth a word; the next one takes the place of the first.
        longJob(jobs, &window, go);
        QVERIFY(wait([&] { return jobs.isIdle(); }));
        QTest::qWait(100);
        QCOMPARE(desktop_.titles.size(), 1);
        *go = false;
        longJob(jobs, &window, go);
        QTest::qWait(400);
        jobs.setTrouble(Trouble{"Writing", "One file was left out.", {}});
        *go = true;
        QVERIFY(wait([&] { return desktop_.titles.size() == 2; }));
        QCOMPARE(desktop_.replaced[1], 7u);
        QCOMPARE(desktop_.bodies[1], QString("It has ended, and something is to be looked at."));
        // A click on it brings the window forward.
        window.setWindowState(Qt::WindowMinimized);
        emit desktop_.ActionInvoked(7, "default");
        QVERIFY(wait([&] { return !window.isMinimized(); }));
    }

    // The desktop's list of what was used lately: what others put there stays, what is no list is left alone.
    void whatWasUsedIsNotedAmongRecentFiles() {
        test::Sandbox box;
        const Path list = box / "data/recently-used.xbel", used = box / "in \xFF & <more>";
        std::filesystem::create_directories(used);
        recent_files::note(used, list);
        recent_files::note(used, list);
        recent_files::wait();
        std::string text = test::readBytes(list);
        QCOMPARE(QByteArray::fromStdString(text).count("<bookmark "), 1);
        QVERIFY(text.find("%FF%20%26%20%3Cmore%3E\"") != std::string::npos);
        QVERIFY(text.find("inode/directory") != std::string::npos);
        QVERIFY(text.find("count=\"2\"") != std::string::npos);
        // Beside others, and in the one of others.
        std::string others = text;
        others.replace(others.find("name=\"Moorfrost\""), 16, "name=\"Viewer\"");
        test::writeBytes(list, others);
        const Path sheet = box / "sheet.csv";
        test::writeBytes(sheet, "a,b");
        recent_files::note(used, list);
        recent_files::note(sheet, list);
        recent_files::wait();
        text = test::readBytes(list);
        const QByteArray all = QByteArray::fromStdString(text);
        QCOMPARE(all.count("<bookmark "), 2);
        QCOMPARE(all.count("name=\"Viewer\""), 1);
        QCOMPARE(all.count("name=\"Moorfrost\""), 2);
        QVERIFY(all.contains("text/csv"));
        // A list that is cut off in the midst of what is ours is not made shorter.
        const std::string whole = test::readBytes(list);
        const std::string cut = whole.substr(0, whole.find("</bookmark>"));
        test::writeBytes(list, cut);
        recent_files::note(used, list);
        recent_files::wait();
        QCOMPARE(test::readBytes(list), cut);
        test::writeBytes(list, whole);
        recent_files::note(used, list);
        recent_files::wait();
        // Nobody else reads it, and what cannot be understood stays.
        using std::filesystem::perms;
        QCOMPARE(std::filesystem::status(list).permissions() & (perms::group_all | perms::others_all),
                 perms::none);
        test::writeBytes(list, "<xbel><broken");
        recent_files::note(used, list);
        recent_files::wait();
        QCOMPARE(test::readBytes(list), std::string("<xbel><broken"));
    }

    void whoLooksIsNotTold() {
        desktop_.titles.clear();
        QWidget window;
        window.show();
        window.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&window));
        JobList jobs;
        LongWork work(jobs, &window);
        work.setWorthAWord(0);
        auto go = std::make_shared<std::atomic<bool>>(true);
        longJob(jobs, &window, go);
        QVERIFY(wait([&] { return jobs.isIdle(); }));
        QTest::qWait(200);
        QVERIFY(desktop_.titles.isEmpty());
    }

    void theMachineStaysAwakeWhileFilesAreWritten() {
        QWidget window;
        JobList jobs;
        LongWork work(jobs, &window);
        auto go = std::make_shared<std::atomic<bool>>(false);
        longJob(jobs, &window, go); // reads only
        QTest::qWait(200);
        QVERIFY(sessions_.asked.isEmpty());
        *go = true;
        QVERIFY(wait([&] { return jobs.isIdle(); }));
        *go = false;
        longJob(jobs, &window, go, {.writesFiles = true});
        QVERIFY(wait([&] { return work.keepsAwake(); }));
        QCOMPARE(sessions_.asked, QStringList{"sleep block"});
        QVERIFY(!sessions_.isFree());
        *go = true;
        QVERIFY(wait([&] { return !work.keepsAwake() && sessions_.isFree(); }));
    }
};

int main(int argc, char** argv) {
    return test::runOnPrivateBus<TestDesktop>(argc, argv);
}
#include "test_desktop.moc"
