// SPDX-License-Identifier: GPL-3.0-or-later
// The application as desktops start it and talk to it (org.freedesktop.Application, by the Desktop Entry
// Specification): activated, or with files that were dropped on its icon or opened with it. Without a bus it
// is not there, and nothing is missed: a second start finds the first by itself (SingleInstance).
#pragma once

#include <QObject>
#include <QString>

#include <vector>

#include "core/base/result.h"

namespace moorfrost::app {

class DesktopService : public QObject {
    Q_OBJECT
public:
    explicit DesktopService(QObject* parent = nullptr);
    ~DesktopService() override;

    /// Whether this process has the name.
    bool isThere() const { return there_; }
    static constexpr const char* name = "org.moorfrost.Moorfrost";
    static constexpr const char* path = "/org/moorfrost/Moorfrost";

signals:
    /// The window is to come to the front, and to bring these in.
    void wanted(const std::vector<moorfrost::Path>& files);

private:
    bool there_ = false;
};

} // namespace moorfrost::app
