// SPDX-License-Identifier: GPL-3.0-or-later
// Above the tracks of a list: which one it is, how much is in it, and what can be done with it as a whole.
#pragma once

#include <QWidget>

#include "app/library/library_answer.h"

class QLabel;
class QPushButton;
class QToolButton;

namespace moorfrost::app {

class ShortLabel;

class ListLine : public QWidget {
    Q_OBJECT
public:
    explicit ListLine(QWidget* parent = nullptr);

    void show(const QString& name, const QString& note, const ListTotals& totals);
    /// Its tracks stand in an order that is not that of the list.
    void setSorted(bool sorted);
    QString text() const;
    QPushButton* exportButton() { return export_; }
    QPushButton* byHandButton() { return byHand_; }
    QPushButton* keepOrderButton() { return keepOrder_; }
    QToolButton* closeButton() { return close_; }

signals:
    void exportWanted();
    void byHandWanted();
    void keepOrderWanted();
    void closeWanted();

private:
    QLabel* name_;
    ShortLabel* told_;
    QPushButton *byHand_, *keepOrder_, *export_;
    QToolButton* close_;
};

} // namespace moorfrost::app
