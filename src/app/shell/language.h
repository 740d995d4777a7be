// SPDX-License-Identifier: GPL-3.0-or-later
// The languages that the window speaks. Their texts are in resources/translations; English ones are in the
// code, with their plurals there.
#pragma once

#include <QString>

#include <utility>
#include <vector>

namespace moorfrost::app::language {

/// Key ("en", "de") and name, in itself.
const std::vector<std::pair<QString, QString>>& all();
/// That was chosen in Settings; English where none was.
QString chosen();
void choose(const QString& key);
/// That was installed: what is chosen holds from the next start on.
QString inUse();
/// A name as it stands in the middle of a sentence: German writes nouns large there, too.
QString inSentence(const QString& name);
/// For all windows that are made from now on. Once, after QApplication is made. Numbers and dates are those
/// of the system where it speaks that language, too.
void install(const QString& key);

} // namespace moorfrost::app::language
