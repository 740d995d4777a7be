// SPDX-License-Identifier: GPL-3.0-or-later
// The first start: where the library is to live, and what a ready release has. Nothing else is asked, and
// both can be said later in Settings.
#pragma once

#include <QDialog>

#include "app/control/shelves_controller.h"
#include "app/control/standards.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace moorfrost::app {

struct LibraryMove;

class FirstStartDialog : public QDialog {
    Q_OBJECT
public:
    struct Uses {
        ShelvesController& shelves;
        Standards& standards;
    };
    explicit FirstStartDialog(const Uses& use, QWidget* parent = nullptr);

    /// Nobody was asked yet, and there is no shelf.
    static bool isWanted(const ShelvesController& shelves);
    QLineEdit* folder() { return folder_; }
    QComboBox* standard() { return standard_; }
    QPushButton* beginButton() { return begin_; }
    QPushButton* skipButton() { return skip_; }
    QPushButton* bringButton() { return bring_; }
    QString said() const;

signals:
    /// Instead: a library that was copied on another machine.
    void bringWanted(const LibraryMove& move);

public slots:
    void done(int result) override;

private:
    void look();
    void begin();

    Uses use_;
    QLineEdit* folder_;
    QComboBox* standard_;
    QLabel* said_;
    QPushButton *begin_, *skip_, *bring_;
};

} // namespace moorfrost::app
