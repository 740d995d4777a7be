// SPDX-License-Identifier: GPL-3.0-or-later
// A panel beside a sheet: captions with lines below them, some of which lead somewhere. Filled anew each
// time.
#pragma once

#include <QFrame>
#include <QLabel>

class QVBoxLayout;

namespace moorfrost::app {

class SideLines : public QFrame {
    Q_OBJECT
public:
    explicit SideLines(QWidget* parent = nullptr);
    /// All text, for tests.
    QString text() const;

    /// A line that is a link as a whole; `mark` in front of it. QLabel::linkActivated tells.
    QLabel* link(const QString& text, const QString& mark = {}, const QColor& colour = {});
    static QString coloured(const QString& text, const QColor& colour);

protected:
    void clear();
    void caption(const QString& text);
    QLabel* line(const QString& html);
    void add(QWidget* widget);
    void end();

private:
    QVBoxLayout* rows_;
};

} // namespace moorfrost::app
