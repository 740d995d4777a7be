// SPDX-License-Identifier: GPL-3.0-or-later
// The line-up: the files of a sleeve on the seats of a release. Files are dragged to other seats, or moved
// with Alt+Up and Alt+Down; Delete leaves a seat empty.
#pragma once

#include <QTableView>

#include "app/control/identify_controller.h"

namespace moorfrost::app {

class LineUpModel;

class LineUpTable : public QTableView {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        IdentifyController& identify;
    };
    explicit LineUpTable(const Uses& use, QWidget* parent = nullptr);
    /// "": none.
    void show(const std::string& sleeve);

signals:
    void playRequested(moorfrost::app::FileId id);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    /// The file of the row goes to the seat of another row.
    void move(int from, int to);

    Uses use_;
    LineUpModel* model_;
};

} // namespace moorfrost::app
