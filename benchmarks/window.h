// SPDX-License-Identifier: GPL-3.0-or-later
// An application for benchmarks of the real window: settings and covers of its own, that are gone afterwards.
#pragma once

#include <QApplication>
#include <QSettings>
#include <QTemporaryDir>

#include "app/shell/theme.h"

namespace moorfrost::bench {

class WindowApplication {
public:
    WindowApplication(int& argc, char** argv) : application_(argc, argv) {
        QSettings::setDefaultFormat(QSettings::IniFormat);
        QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, settings_.path());
        qputenv("XDG_CACHE_HOME", settings_.path().toUtf8());
        QApplication::setOrganizationName("moorfrost-bench");
        app::theme::loadFonts();
        app::theme::chooseColours(app::theme::Choice::Light);
    }

private:
    QTemporaryDir settings_;
    QApplication application_;
};

} // namespace moorfrost::bench
