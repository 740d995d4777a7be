// SPDX-License-Identifier: GPL-3.0-or-later
// What was delivered before: when, what, to whom, what has changed since; to be made again.
#pragma once

#include <QPushButton>
#include <QTreeWidget>

#include "app/control/deliveries.h"
#include "app/control/rows_out_controller.h"
#include "app/control/sheet_controller.h"
#include "app/deliver/deliver_page.h"
#include "app/widgets/side_lines.h"

namespace moorfrost::app {

/// One delivery: what it was, and what is otherwise since.
class DeliveryBox : public SideLines {
    Q_OBJECT
public:
    DeliveryBox(LibraryIndex& index, QWidget* parent = nullptr) : SideLines(parent), index_(index) {}
    void show(const library::Delivery* delivery, const deliver::DeliveredSince* since,
              const std::vector<library::DeliveryNote>& notes);

signals:
    void noteChosen(const moorfrost::library::DeliveryNote& note);

private:
    LibraryIndex& index_;
};

class BeforeView : public DeliverView {
    Q_OBJECT
public:
    BeforeView(Deliveries& deliveries, Delivering& delivering, RowsOutController& rows,
               SheetController& sheet, LibraryIndex& index, Messages& messages, QWidget* parent = nullptr);
    QTreeWidget* list() { return list_; }
    DeliveryBox* box() { return box_; }
    QPushButton* repeatButton() { return repeat_; }
    QPushButton* forgetButton() { return forget_; }
    QPushButton* markButton() { return mark_; }
    bool isOfTracks() const override { return false; }
    void takeKeyboard() override { list_->setFocus(); }

    static QString wayName(const std::string& way);

signals:
    void wayWanted(moorfrost::app::DeliverWay way);
    /// Of another way: its tracks are what goes out now.
    /// Comments as marked places in the tracks.
    void marksWanted(const std::vector<moorfrost::library::DeliveryNote>& notes);
    void repeated(const moorfrost::library::Delivery& delivery);

private:
    void fill();
    void showChosen();
    const library::Delivery* chosen() const;
    void repeat();
    void open();

    Deliveries& deliveries_;
    Delivering& delivering_;
    RowsOutController& rows_;
    SheetController& sheet_;
    LibraryIndex& index_;
    Messages& messages_;
    QTreeWidget* list_;
    DeliveryBox* box_;
    EmptyHint* empty_;
    QWidget* all_;
    QPushButton *repeat_, *open_, *forget_, *mark_;
    std::vector<library::DeliveryNote> notes_;
    std::vector<FileId> files_; // of the chosen one
};

} // namespace moorfrost::app
