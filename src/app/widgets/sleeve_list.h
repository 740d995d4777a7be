// SPDX-License-Identifier: GPL-3.0-or-later
// The sleeves of the batch: cover, title, who, tally.
#pragma once

#include <QListWidget>

#include "app/shell/session.h"

namespace moorfrost::app {

class SleeveList : public QListWidget {
    Q_OBJECT
public:
    explicit SleeveList(Session& session, QWidget* parent = nullptr);

    /// The sleeves that are chosen; all of the batch if none is.
    std::vector<const SleeveView*> chosen() const;
    std::vector<FileId> chosenFiles() const;

signals:
    void chosenChanged();

private:
    void refill();
    Session& session_;
    bool filling_ = false;
};

} // namespace moorfrost::app
