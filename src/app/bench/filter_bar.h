// SPDX-License-Identifier: GPL-3.0-or-later
// The line above the sheet that narrows it: words, drafts, what is lacking, what differs, kinds.
#pragma once

#include <QFrame>
#include <QTimer>

#include "app/bench/sheet_rows.h"

class QLabel;
class QLineEdit;
class QToolButton;

namespace moorfrost::app {

class FilterBar : public QFrame {
    Q_OBJECT
public:
    explicit FilterBar(QWidget* parent = nullptr);
    const SheetFilter& filter() const { return filter_; }
    void setFilter(const SheetFilter& filter);
    void clear() { setFilter({}); }
    /// How many of them are shown.
    void setCount(size_t shown, size_t all);
    QLineEdit* search() { return search_; }

signals:
    void changed();
    /// Enter or Down: the hands want to go on in the sheet.
    void left();

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void fillMenu();
    void show(const SheetFilter& filter);

    SheetFilter filter_;
    QLineEdit* search_;
    QToolButton* which_;
    QToolButton* clear_;
    QLabel* count_;
    QTimer soon_;
};

} // namespace moorfrost::app
