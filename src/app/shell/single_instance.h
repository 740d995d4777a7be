// SPDX-License-Identifier: GPL-3.0-or-later
// One library is open in one window at a time: drafts are kept in memory, and two windows would overwrite
// each other's. A second start hands what it was to bring in to the first one, which comes to the front. The
// command line is no window and not held up.
#pragma once

#include <QLocalServer>
#include <QLockFile>
#include <QObject>

#include <vector>

#include "core/base/result.h"

namespace moorfrost::app {

class SingleInstance : public QObject {
    Q_OBJECT
public:
    explicit SingleInstance(const Path& library, QObject* parent = nullptr);

    bool isFirst() const { return first_; }
    /// Of the second: asks the first to come to the front and to bring these in. False if it does not answer.
    bool handOver(const std::vector<Path>& folders);

signals:
    /// To the first: another was started.
    void anotherStarted(const std::vector<moorfrost::Path>& folders);

private:
    void answer();
    QString name_;
    QLockFile lock_;
    QLocalServer server_;
    bool first_ = false;
};

} // namespace moorfrost::app
