// SPDX-License-Identifier: GPL-3.0-or-later
// A display of its own, of any size, without a window manager.
#pragma once

#include <QProcess>
#include <QString>
#include <QtTest>

namespace moorfrost::test {

class VirtualDisplay {
public:
    explicit VirtualDisplay(QSize size) {
        display_.setProgram("Xvfb");
        display_.setArguments({"-displayfd", "1", "-screen", "0",
                               QString("%1x%2x24").arg(size.width()).arg(size.height()), "-nolisten", "tcp"});
        display_.setProcessChannelMode(QProcess::SeparateChannels);
        display_.start();
        if (!display_.waitForStarted(5000) || !display_.waitForReadyRead(20000))
            qFatal("Xvfb is needed");
        name_ = ":" + QString::fromLatin1(display_.readLine()).trimmed();
    }
    ~VirtualDisplay() {
        display_.terminate();
        display_.waitForFinished(5000);
    }
    /// For DISPLAY.
    const QString& name() const { return name_; }

    /// As a window manager would.
    void focus(const QString& title) const {
        hands({"search", "--onlyvisible", "--name", title, "windowfocus"});
    }
    /// On the keyboard, to whatever has it.
    void type(const QString& text) const { hands({"type", "--delay", "40", text}); }
    void key(const QString& name) const { hands({"key", name}); }

    /// The size of the one window whose title has this word; empty where there is none.
    QSize sizeOf(const QString& title) const {
        const QByteArray told =
            hands({"search", "--onlyvisible", "--name", title, "getwindowgeometry", "--shell"});
        QSize out;
        for (const QByteArray& line : told.split('\n')) {
            if (line.startsWith("WIDTH="))
                out.setWidth(line.mid(6).toInt());
            if (line.startsWith("HEIGHT="))
                out.setHeight(line.mid(7).toInt());
        }
        return out;
    }

private:
    QByteArray hands(const QStringList& how) const {
        QProcess tool;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("DISPLAY", name_);
        tool.setProcessEnvironment(environment);
        tool.start("xdotool", how);
        tool.waitForFinished(20000);
        return tool.readAllStandardOutput();
    }

    QProcess display_;
    QString name_;
};

} // namespace moorfrost::test
