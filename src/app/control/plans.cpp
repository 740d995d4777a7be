// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/plans.h"

#include <QCoreApplication>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

const std::pair<const char*, const char*> shippedPlans[] = {
    {QT_TRANSLATE_NOOP("Plans", "Artist / year album"),
     "{album artist, else artist}/{date: year} {album}/{disc: if several, after \"-\"}{track: 2 digits} "
     "{title}"},
    {QT_TRANSLATE_NOOP("Plans", "Artist / album"),
     "{album artist, else artist}/{album, else \"Single tracks\"}/{track: 2 digits} {title}"},
    {QT_TRANSLATE_NOOP("Plans", "Label / catalogue number"),
     "{label, else \"No label\"}/{catalogue number: after \" \"}{album}/{track: 2 digits} {artist} - "
     "{title}"},
    {QT_TRANSLATE_NOOP("Plans", "One folder: artist - title"), "{artist} - {title}"},
};

} // namespace

std::vector<std::pair<QString, QString>> plansOf(const LibrarySettings& settings) {
    std::vector<std::pair<QString, QString>> out;
    for (const auto& [name, text] : shippedPlans)
        out.emplace_back(QCoreApplication::translate("Plans", name), text);
    for (const std::string& line : settings.get(library::settings::plans))
        out.emplace_back(qs(line).section('\t', 0, 0), qs(line).section('\t', 1));
    return out;
}

QString usualPlanText() {
    return shippedPlans[0].second;
}

} // namespace moorfrost::app
