// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a party: who may be the same, how the tags of files spell it, what is missing.
#pragma once

#include <QFrame>
#include <QLabel>

#include "app/control/people_controller.h"

class QVBoxLayout;

namespace moorfrost::app {

class PartySide : public QFrame {
    Q_OBJECT
public:
    explicit PartySide(QWidget* parent = nullptr);
    void show(const library::CardView& view, PeopleController& people);
    QString text() const;

signals:
    void factWanted(const std::string& key);
    void mergeWanted(moorfrost::library::CardId into, moorfrost::library::CardId other);
    void partyWanted(moorfrost::library::CardId party);
    /// It is one of its spellings.
    void spellingTaken(const std::string& name);

private:
    void caption(const QString& text);
    QLabel* line(const QString& html);

    QVBoxLayout* rows_;
};

} // namespace moorfrost::app
