// SPDX-License-Identifier: GPL-3.0-or-later
// What a screen reader is to a program: it hears of it over the accessibility bus (AT-SPI 2) and does with it
// what that offers, and nothing else. The program is a process of its own, on a display and a bus of its own.
#pragma once

#include <QDBusArgument>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusMetaType>
#include <QDBusObjectPath>
#include <QDBusReply>
#include <QDBusVariant>
#include <QProcess>
#include <QtTest>

#include <functional>

namespace moorfrost::test {

/// Something in a window: which program, and where in it.
struct Node {
    QString service, path;
    bool isNull() const { return path.isEmpty() || path == "/org/a11y/atspi/null"; }
};

inline QDBusArgument& operator<<(QDBusArgument& out, const Node& node) {
    out.beginStructure();
    out << node.service << QDBusObjectPath(node.path);
    out.endStructure();
    return out;
}
inline const QDBusArgument& operator>>(const QDBusArgument& in, Node& node) {
    QDBusObjectPath path;
    in.beginStructure();
    in >> node.service >> path;
    in.endStructure();
    node.path = path.path();
    return in;
}

class ScreenReader {
public:
    /// On the session bus that is there. `display`: for the launcher.
    explicit ScreenReader(const QString& display) {
        qDBusRegisterMetaType<Node>();
        qDBusRegisterMetaType<QList<Node>>();
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("DISPLAY", display);
        launcher_.setProcessEnvironment(environment);
        launcher_.start("/usr/libexec/at-spi-bus-launcher", {"--launch-immediately"});
        if (!launcher_.waitForStarted(5000))
            qFatal("at-spi2-core is needed");
        QString address;
        const bool came = QTest::qWaitFor(
            [&] {
                const QDBusReply<QString> told =
                    QDBusConnection::sessionBus().call(QDBusMessage::createMethodCall(
                        "org.a11y.Bus", "/org/a11y/bus", "org.a11y.Bus", "GetAddress"));
                address = told.value();
                return !address.isEmpty();
            },
            15000);
        if (!came)
            qFatal("There is no accessibility bus");
        // Programs ask whether anybody listens.
        QDBusMessage on = QDBusMessage::createMethodCall("org.a11y.Bus", "/org/a11y/bus",
                                                         "org.freedesktop.DBus.Properties", "Set");
        on << "org.a11y.Status"
           << "ScreenReaderEnabled" << QVariant::fromValue(QDBusVariant(true));
        QDBusConnection::sessionBus().call(on);
        bus_ = QDBusConnection::connectToBus(address, "accessibility");
    }
    ~ScreenReader() {
        QDBusConnection::disconnectFromBus("accessibility");
        launcher_.terminate();
        launcher_.waitForFinished(5000);
    }

    Node desktop() const { return {"org.a11y.atspi.Registry", "/org/a11y/atspi/accessible/root"}; }
    QList<Node> children(const Node& of) const {
        const QDBusReply<QList<Node>> told = ask(of, "org.a11y.atspi.Accessible", "GetChildren");
        return told.value();
    }
    QString name(const Node& of) const {
        return property(of, "org.a11y.atspi.Accessible", "Name").toString();
    }
    QString role(const Node& of) const {
        const QDBusReply<QString> told = ask(of, "org.a11y.atspi.Accessible", "GetRoleName");
        return told.value();
    }
    bool isShowing(const Node& of) const { return hasState(of, 25); }
    bool isEnabled(const Node& of) const { return hasState(of, 8); }
    bool isFocused(const Node& of) const { return hasState(of, 12); }

    /// The first one in sight for which that holds, from the window on; what is in lists and tables is passed
    /// over.
    Node find(const std::function<bool(const Node&)>& wanted, const Node& from = {}) const {
        return search(from.path.isEmpty() ? desktop() : from, wanted, 0);
    }
    Node find(const QString& role, const QString& name) const {
        return find([&](const Node& one) {
            const QString text = this->name(one);
            return text.startsWith(name) && this->role(one) == role;
        });
    }
    Node waitFor(const QString& role, const QString& name, int milliseconds = 20000) const {
        Node out;
        const bool came = QTest::qWaitFor(
            [&] { return !(out = find(role, name)).isNull() && isEnabled(out); }, milliseconds);
        return came ? out : Node{};
    }
    /// What it does when it is pressed, toggled or chosen. Not waited for: it may open a dialog.
    void act(const Node& on) const {
        QDBusMessage call =
            QDBusMessage::createMethodCall(on.service, on.path, "org.a11y.atspi.Action", "DoAction");
        call << 0;
        bus_.asyncCall(call);
    }
    bool focus(const Node& on) const {
        const QDBusReply<bool> told = ask(on, "org.a11y.atspi.Component", "GrabFocus");
        return told.value();
    }
    bool type(const Node& into, const QString& text) const {
        const QDBusReply<bool> told = ask(into, "org.a11y.atspi.EditableText", "SetTextContents", {text});
        return told.value();
    }
    QString text(const Node& of) const {
        const QDBusReply<QString> told = ask(of, "org.a11y.atspi.Text", "GetText", {0, -1});
        return told.value();
    }
    bool choose(const Node& in, int child) const {
        const QDBusReply<bool> told = ask(in, "org.a11y.atspi.Selection", "SelectChild", {child});
        return told.value();
    }
    Node cell(const Node& table, int row, int column) const {
        const QDBusReply<Node> told = ask(table, "org.a11y.atspi.Table", "GetAccessibleAt", {row, column});
        return told.value();
    }
    int rows(const Node& table) const { return property(table, "org.a11y.atspi.Table", "NRows").toInt(); }
    int columns(const Node& table) const {
        return property(table, "org.a11y.atspi.Table", "NColumns").toInt();
    }
    /// For whoever writes a test: all that is in sight.
    void print(const Node& from, int depth = 0) const {
        for (const Node& one : children(from)) {
            if (!isShowing(one) && depth > 0)
                continue;
            std::fprintf(stderr, "%*s%s \"%s\"%s\n", depth * 2, "", qPrintable(role(one)),
                         qPrintable(name(one)), isEnabled(one) ? "" : " (off)");
            if (!isMany(role(one)))
                print(one, depth + 1);
        }
    }

private:
    static bool isMany(const QString& role) {
        return role == "list" || role == "tree" || role == "table" || role == "tree table" ||
               role == "list box";
    }
    QDBusMessage ask(const Node& of, const char* interface, const char* method,
                     const QVariantList& more = {}) const {
        QDBusMessage call = QDBusMessage::createMethodCall(of.service, of.path, interface, method);
        call.setArguments(more);
        return bus_.call(call, QDBus::Block, 20000);
    }
    QVariant property(const Node& of, const char* interface, const char* name) const {
        const QDBusReply<QDBusVariant> told =
            ask(of, "org.freedesktop.DBus.Properties", "Get", {QString(interface), QString(name)});
        return told.value().variant();
    }
    bool hasState(const Node& of, int state) const {
        const QDBusReply<QList<uint>> told = ask(of, "org.a11y.atspi.Accessible", "GetState");
        const QList<uint> words = told.value();
        return words.size() > state / 32 && (words[state / 32] >> (state % 32) & 1) != 0;
    }
    Node search(const Node& from, const std::function<bool(const Node&)>& wanted, int depth) const {
        constexpr int deepest = 40;
        if (depth > deepest)
            return {};
        for (const Node& one : children(from)) {
            if (one.isNull() || (depth > 0 && !isShowing(one)))
                continue;
            if (wanted(one))
                return one;
            if (isMany(role(one)))
                continue;
            if (Node below = search(one, wanted, depth + 1); !below.isNull())
                return below;
        }
        return {};
    }

    QProcess launcher_;
    QDBusConnection bus_{"accessibility"};
};

} // namespace moorfrost::test

Q_DECLARE_METATYPE(moorfrost::test::Node)
