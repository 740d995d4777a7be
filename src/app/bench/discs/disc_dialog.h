// SPDX-License-Identifier: GPL-3.0-or-later
// Reading discs: which there are, the table of each at once, corrections before the ripping, and the rip.
#pragma once

#include <QDialog>

#include "app/bench/discs/rip_panel.h"

class QLineEdit;
class QListWidget;
class QMenu;
class QStackedWidget;

namespace moorfrost::app {

class DiscAnswers;
class DiscTrackModel;
class DiscTrackTable;

class DiscDialog : public QDialog {
    Q_OBJECT
public:
    explicit DiscDialog(const RipPanel::Uses& use, QWidget* parent = nullptr);

    QListWidget* list() { return list_; }
    DiscTrackTable* tracks() { return table_; }
    QPushButton* ripButton() { return rip_; }
    QPushButton* stopButton() { return stop_; }
    QPushButton* findButton() { return find_; }
    QPushButton* capitalsButton() { return capitals_; }
    QPushButton* replaceButton() { return replace_; }
    QMenu* readMenu() { return readMenu_; }
    DiscAnswers* answers() { return answers_; }
    RipPanel* panel() { return panel_; }
    QLineEdit* fieldLine(const std::string& field);
    QString told() const; // of the disc
    QString notes() const;
    QString summary() const;
    /// The disc that is shown; 0: none.
    int current() const;

protected:
    void showEvent(QShowEvent* event) override;

private:
    QWidget* makeLeft();
    QWidget* makeMiddle();
    QWidget* makeForm();
    void fillReadMenu();
    void askForImage();
    void openImage(const Path& sheet);
    void refresh();
    void showDisc();
    void showNotes(const DiscsController::Disc& disc);
    void showPlanned(int tracks);
    void showProgress();

    RipPanel::Uses use_;
    QListWidget* list_;
    QMenu* readMenu_;
    QStackedWidget* stack_;
    QLabel *told_, *notes_, *summary_, *worse_;
    QWidget* worseBar_;
    std::vector<std::pair<std::string, QLineEdit*>> fields_;
    QPushButton *find_, *capitals_, *eject_, *replace_;
    DiscAnswers* answers_;
    DiscTrackModel* model_;
    DiscTrackTable* table_;
    RipPanel* panel_;
    QPushButton *rip_, *stop_;
    int planned_ = 0;
    bool filling_ = false;
};

} // namespace moorfrost::app
