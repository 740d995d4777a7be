// SPDX-License-Identifier: GPL-3.0-or-later
// Reading discs: which there are, the table of each at once, corrections before the ripping, and the rip.
#pragma once

#include <QDialog>

#include "app/control/discs_controller.h"

class QCheckBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;
class QStackedWidget;

namespace moorfrost::app {

class Choice;
class ComparisonTable;
class DiscTrackModel;
class DiscTrackTable;
class ShortLabel;

class DiscDialog : public QDialog {
    Q_OBJECT
public:
    explicit DiscDialog(DiscsController& discs, QWidget* parent = nullptr);

    QListWidget* list() { return list_; }
    DiscTrackTable* tracks() { return table_; }
    QPushButton* ripButton() { return rip_; }
    QPushButton* stopButton() { return stop_; }
    Choice* formats() { return format_; }
    QPushButton* findButton() { return find_; }
    ComparisonTable* variants() { return variants_; }
    QLineEdit* fieldLine(const std::string& field);
    QString told() const;    // of the disc
    QString preview() const; // where its files will be
    QString found() const;   // what the references say
    QString summary() const;
    QString notes() const;
    void setInto(const Path& folder);
    /// The disc that is shown; 0: none.
    int current() const;

protected:
    void resizeEvent(QResizeEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    QWidget* makeMiddle();
    QWidget* makeRight();
    void askForImage();
    void refresh();
    void showDisc();
    void showVariants();
    void showProgress();
    void showPlan();
    DiscsController::Settings settings() const;

    DiscsController& discs_;
    QListWidget* list_;
    QStackedWidget* stack_;
    QLabel *told_, *notes_;
    std::vector<std::pair<std::string, QLineEdit*>> fields_;
    QPushButton* find_;
    QWidget* answer_; // the variants, with what is said of them
    QLabel* found_;
    ComparisonTable* variants_;
    DiscTrackModel* model_;
    DiscTrackTable* table_;
    Choice *format_, *bitrate_;
    QWidget* bitrateRow_;
    QCheckBox* verify_;
    ShortLabel* into_;
    QLabel *preview_, *summary_;
    QPushButton *rip_, *stop_;
    Path folder_; // in which each disc gets one
    bool filling_ = false;
};

} // namespace moorfrost::app
