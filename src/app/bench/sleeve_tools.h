// SPDX-License-Identifier: GPL-3.0-or-later
// What a person does with sleeves: put files into them, make, merge and name them. From menus and keys;
// dragging does the same.
#pragma once

#include <QDialog>

#include "app/control/batch_controller.h"
#include "app/control/sleeve_views.h"

class QLineEdit;
class QListWidget;
class QMenu;

namespace moorfrost::app {

class SleeveList;

/// Which sleeve files go into: one that is there, the strays, or a new one by the name that is typed.
class SleeveChooser : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        BatchController& batch;
        SleeveViews& sleeves;
    };

    SleeveChooser(const Uses& use, std::vector<FileId> files, QWidget* parent = nullptr);
    QLineEdit* name() { return name_; }
    QListWidget* list() { return list_; }
    void take();

private:
    void fill();
    Uses use_;
    std::vector<FileId> files_;
    QLineEdit* name_;
    QListWidget* list_;
};

class SleeveTools : public QObject {
    Q_OBJECT
public:
    using Uses = SleeveChooser::Uses;

    /// `files`: those that are chosen in the step that is in sight.
    SleeveTools(const Uses& use, SleeveList* list, std::function<std::vector<FileId>()> files);

    void putInto();
    void makeNew(const std::vector<FileId>& files);
    void toStrays();
    void letSort();
    void merge();
    void rename();
    /// A menu of what tells the files of the chosen sleeve apart.
    void split();
    /// For the files that are chosen.
    void addFileActions(QMenu& menu);
    void showMenu(const QPoint& at); // of the list

private:
    QWidget* window() const;
    void fillSplit(QMenu& menu);
    std::vector<FileId> wanted() const; // chosen files, else those of the chosen sleeves
    Uses use_;
    SleeveList* list_;
    std::function<std::vector<FileId>()> files_;
};

} // namespace moorfrost::app
