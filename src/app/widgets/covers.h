// SPDX-License-Identifier: GPL-3.0-or-later
// Front covers of files, read and scaled in the background, kept in memory.
#pragma once

#include <QCache>
#include <QObject>
#include <QPixmap>
#include <QThreadPool>

#include <set>

#include "core/base/result.h"
#include "core/library/records.h"

namespace moorfrost::app {

class Covers : public QObject {
    Q_OBJECT
public:
    static Covers& instance();
    /// The cover in `side` pixels, or a null pixmap until ready() says that it is there.
    QPixmap cover(const library::FileRecord& file, int side);

signals:
    void ready();

private:
    Covers();
    ~Covers() override { pool_.waitForDone(); }
    QCache<QString, QPixmap> cache_;
    std::set<QString> asked_;
    QThreadPool pool_;
};

} // namespace moorfrost::app
