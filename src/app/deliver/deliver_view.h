// SPDX-License-Identifier: GPL-3.0-or-later
// One way out of the library (or in): what the page shows of it.
#pragma once

#include <QWidget>

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
};

} // namespace moorfrost::app
