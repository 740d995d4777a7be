// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/display_scale.h"

#include <QSettings>

#include <algorithm>

namespace moorfrost::app::display_scale {

namespace {
constexpr const char* settingKey = "scale";
constexpr const char* variable = "QT_SCALE_FACTOR";
constexpr int usual = 100;
} // namespace

const std::vector<int>& all() {
    static const std::vector<int> percents = {usual, 125, 150, 175, 200};
    return percents;
}

int chosen() {
    const int percent = QSettings().value(settingKey, usual).toInt();
    return std::ranges::find(all(), percent) == all().end() ? usual : percent;
}

void choose(int percent) {
    QSettings().setValue(settingKey, percent);
}

void use() {
    if (const int percent = chosen(); percent != usual && !qEnvironmentVariableIsSet(variable))
        qputenv(variable, QByteArray::number(percent / 100.0));
}

} // namespace moorfrost::app::display_scale
