// SPDX-License-Identifier: GPL-3.0-or-later
// Deliver: what goes out of the library, and what comes back. On the left the ways out and the tracks that
// go; beside them the way that is chosen.
#pragma once

#include <QListWidget>
#include <QStackedWidget>

#include "app/control/delivering.h"
#include "app/control/library_index.h"
#include "app/control/sheet_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/widgets/controls.h"

class QSplitter;

namespace moorfrost::app {

class SheetSongs;

/// The ways, in the order in which they are listed.
enum class DeliverWay { OneSheet, SharePage, SheetOut, SheetIn, Lists, Device, Package, Before };

class DeliverPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        LibraryIndex& index;
        Delivering& delivering;
        SheetController& sheet; // of which the names of tracks are known
    };
    struct Part {
        DeliverWay way;
        QString name, tells;
        DeliverView* view;
    };
    DeliverPage(const Uses& use, const std::vector<Part>& parts, QWidget* parent = nullptr);

    void show(DeliverWay way);
    DeliverWay way() const;
    template<class View>
    View* view() {
        return findChild<View*>();
    }
    QListWidget* ways() { return ways_; }
    SheetSongs* songs() { return songs_; }
    QString told() const { return subject_->text(); }
    bool isTrue() const;
    void takeKeyboard();

signals:
    void libraryWanted(moorfrost::app::FileId id);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* head();
    QWidget* left();
    void showWay();
    void showSubject();
    void showLeft();
    DeliverView* current() const;

    Uses use_;
    std::vector<Part> parts_;
    ShortLabel* subject_;
    QListWidget* ways_;
    SheetSongs* songs_;
    QSplitter* split_;
    bool narrow_ = false;
    QStackedWidget *stack_, *heads_;
};

} // namespace moorfrost::app
