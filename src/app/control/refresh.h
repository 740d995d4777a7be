// SPDX-License-Identifier: GPL-3.0-or-later
// When something that is worked out of the library is made again: a moment after it may have become
// otherwise, and only while it is in sight or waited for.
#pragma once

#include <QObject>
#include <QTimer>

#include <functional>
#include <vector>

namespace moorfrost::app {

class Refresh : public QObject {
    Q_OBJECT
public:
    /// `make` begins it; false where what it needs is not there yet: look() is to be called when it is. When
    /// it has ended, end() is to be called with the same number.
    Refresh(std::function<bool(int run)> make, QObject* parent);

    void setInSight(bool inSight);
    /// It may be otherwise.
    void look();
    /// Whether nothing has changed since that run was begun.
    bool isCurrent(int run) const { return run == run_; }
    /// What was made is there: `ended` is told, then who waits.
    void end(int run);
    bool isTrue() const { return !old_ && !making_ && !soon_.isActive(); }
    /// As soon as it is true.
    void whenTrue(std::function<void()> then);

signals:
    void ended();

private:
    void begin();

    std::function<bool(int)> make_;
    std::vector<std::function<void()>> waiting_;
    QTimer soon_{this}; // several changes in a row are looked at once
    bool inSight_ = false, old_ = true, making_ = false;
    int run_ = 0;
};

} // namespace moorfrost::app
