// SPDX-License-Identifier: GPL-3.0-or-later
// Reading from names: a plan, and what it gives for every file before any of it is taken.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/shell/session.h"
#include "core/naming/read_names.h"

class QLabel;

namespace moorfrost::app {

class ChipEditor;
class Choice;

class ReadNamesDialog : public QDialog {
    Q_OBJECT
public:
    ReadNamesDialog(Session& session, std::vector<FileId> files, QWidget* parent = nullptr);
    void setPlan(const QString& plan);
    QPushButton* takeButton() { return take_; }
    QTreeWidget* results() { return tree_; }

private:
    void readAgain();
    void take();
    void countTicked();

    Session& session_;
    std::vector<FileId> files_;
    std::set<std::string> knownArtists_;
    std::vector<naming::NameReading> readings_;
    ChipEditor* editor_;
    Choice* plans_;
    QTreeWidget* tree_;
    QLabel *error_, *summary_;
    QPushButton* take_;
};

} // namespace moorfrost::app
