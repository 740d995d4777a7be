// SPDX-License-Identifier: GPL-3.0-or-later
// Values to choose from, below the line that is typed in. Nothing is chosen until Down is pressed or one is
// clicked, so that Enter takes what is typed.
#pragma once

#include <QLineEdit>
#include <QListView>
#include <QPointer>
#include <QStandardItemModel>

#include "app/control/value_books.h"

namespace moorfrost::app {

class ValueCompleter : public QObject {
    Q_OBJECT
public:
    /// Belongs to the line.
    ValueCompleter(QLineEdit* edit, ValueBooks& books, const std::string& field);
    ~ValueCompleter() override;
    /// nullptr if the line has none.
    static ValueCompleter* of(const QObject* edit);

    /// Shows what there is to choose from, where nothing else is allowed, before anything is typed.
    void offerList();
    /// Keys that are for the list while it is open. True: it was one.
    bool takesKey(QKeyEvent* event);
    bool isOpen() const { return list_ && list_->isVisible(); }
    QStringList offered() const;

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void offer();
    void choose(int row);
    /// Where the value begins that is typed: behind the last break between values.
    qsizetype begin() const;
    void hide();

    QLineEdit* edit_;
    ValueBooks& books_;
    std::string field_;
    QPointer<QListView> list_;
    QStandardItemModel model_;
};

} // namespace moorfrost::app
