// SPDX-License-Identifier: GPL-3.0-or-later
// Sentences of the core in the language of the window. The core speaks English: so do its journal, its logs
// and the command line, and what was kept years ago can be shown in any language. Where such a sentence is
// shown, it is asked for here.
#pragma once

#include <QByteArray>
#include <QString>

#include <string>

namespace moorfrost::app {

/// The sentence in the language of the window; as it is where that is English, or where no translation of it
/// is known. What was put into it (names, values in quotes) stays as it is. From any thread.
QString spoken(const std::string& sentence);

namespace language {
/// Takes what `spoken` needs from JSON: an object of templates ("Line %1: %2") and their translations, in
/// which
/// "%=1" is a value that stays as it is; null for what no window shows. Once, before the first window; false
/// when it is no such object.
bool installSentences(const QByteArray& json);
} // namespace language

} // namespace moorfrost::app
