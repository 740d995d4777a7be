// SPDX-License-Identifier: GPL-3.0-or-later
// A panel beside a sheet: captions with lines below them, some of which lead somewhere. Filled anew each
// time.
#pragma once

#include <QFrame>
#include <QLabel>

#include <functional>

class QVBoxLayout;

namespace moorfrost::app {

class SideLines : public QFrame {
    Q_OBJECT
public:
    explicit SideLines(QWidget* parent = nullptr);
    /// All text, for tests.
    QString text() const;

    void caption(const QString& text);
    /// A line that is a link as a whole; `mark` in front of it. `follow` is called after the click has ended:
    /// it may fill the panel anew, or ask something in a dialog.
    QLabel* link(const QString& text, std::function<void()> follow, const QString& mark = {},
                 const QColor& colour = {});
    /// What is missing, as such a line. `isHard`: nothing is known of it; else something is open.
    QLabel* gap(const QString& sentence, bool isHard, std::function<void()> follow);
    static QString coloured(const QString& text, const QColor& colour);
    /// A table of these rows, `<tr>` and in it `<td>`, which begins where the panel is read from.
    QString tableOf(const QString& rows) const;

protected:
    void clear();
    QLabel* line(const QString& html);
    void add(QWidget* widget);
    void end();

private:
    QVBoxLayout* rows_;
};

} // namespace moorfrost::app
