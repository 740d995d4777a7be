// SPDX-License-Identifier: GPL-3.0-or-later
// Reading discs: which there are, the table of each at once, corrections before the ripping, and the rip.
#pragma once

#include <QDialog>

#include "app/control/discs_controller.h"

class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;
class QStackedWidget;

namespace moorfrost::app {

class DiscAnswers;
class DiscTrackModel;
class DiscTrackTable;
class RipPanel;

class DiscDialog : public QDialog {
    Q_OBJECT
public:
    explicit DiscDialog(DiscsController& discs, QWidget* parent = nullptr);

    QListWidget* list() { return list_; }
    DiscTrackTable* tracks() { return table_; }
    QPushButton* ripButton() { return rip_; }
    QPushButton* stopButton() { return stop_; }
    QPushButton* findButton() { return find_; }
    DiscAnswers* answers() { return answers_; }
    RipPanel* panel() { return panel_; }
    QLineEdit* fieldLine(const std::string& field);
    QString told() const; // of the disc
    QString notes() const;
    QString summary() const;
    /// The disc that is shown; 0: none.
    int current() const;

private:
    QWidget* makeMiddle();
    void askForImage();
    void refresh();
    void showDisc();
    void showPlanned(int tracks);
    void showProgress();

    DiscsController& discs_;
    QListWidget* list_;
    QStackedWidget* stack_;
    QLabel *told_, *notes_, *summary_;
    std::vector<std::pair<std::string, QLineEdit*>> fields_;
    QPushButton* find_;
    DiscAnswers* answers_;
    DiscTrackModel* model_;
    DiscTrackTable* table_;
    RipPanel* panel_;
    QPushButton *rip_, *stop_;
    bool filling_ = false;
};

} // namespace moorfrost::app
