// SPDX-License-Identifier: GPL-3.0-or-later
// What is said to the person at the bottom of the window, by whoever has something to say.
#pragma once

#include <QObject>

#include "app/shell/text_utils.h"
#include "core/base/result.h"

namespace moorfrost::app {

class Messages : public QObject {
    Q_OBJECT
public:
    /// `trouble`: something did not go as it should.
    void say(const QString& sentence, bool trouble = false) { emit said(sentence, trouble); }
    void say(const Error& error);

signals:
    void said(const QString& sentence, bool trouble);
};

} // namespace moorfrost::app
