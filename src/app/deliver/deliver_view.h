// SPDX-License-Identifier: GPL-3.0-or-later
// One way out of the library (or in): what the page shows of it. Most have what is said of it on the left,
// and what will come of it on the right.
#pragma once

#include <QWidget>

#include "core/base/result.h"

class QBoxLayout;

namespace moorfrost::app {

class DeliverView : public QWidget {
    Q_OBJECT
public:
    using QWidget::QWidget;
    /// What stands in the head of the page beside the name of what goes out; nullptr for nothing.
    virtual QWidget* headPart() { return nullptr; }
    /// Where the keyboard goes when the view comes into sight.
    virtual void takeKeyboard() { setFocus(); }
    /// What is seen is as the library has it.
    virtual bool isTrue() const { return true; }
    /// It is of the tracks that are chosen on the left.
    virtual bool isOfTracks() const { return true; }

signals:
    /// Where tracks are to be chosen: the search on the left.
    void tracksWanted();
    void libraryWanted(qlonglong file);

protected:
    /// It came into sight, or went out of it.
    virtual void setInSight(bool) {}
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

    /// Two panes beside each other, whose widths are remembered under `name`.
    QWidget* panes(QWidget* left, QWidget* right, const QString& name, int leftWidth = 330);
    /// The view is this and nothing else.
    void fillWith(QWidget* widget);
    /// A pane on the left that scrolls where it is too high.
    static QWidget* scrolling(QWidget* content, int narrowest = 280);
    /// The ground on which what will be is shown, below a row of buttons.
    static QWidget* ground(QBoxLayout* row, QWidget* below, int narrowest = 300);
    /// Where a file of this ending is to be saved, which a name without one gets; empty where nowhere.
    Path askWhereToSave(const QString& title, const Path& proposed, const QString& ending);
    /// The ground, or in its place what to do while there is nothing to show on it.
    static QWidget* groundOrHint(QWidget* shown, QWidget* hint);
};

} // namespace moorfrost::app
