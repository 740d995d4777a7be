// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Describe: the sheet and the drawer.
#pragma once

#include <QWidget>

#include "app/shell/session.h"
#include "app/widgets/sheet.h"

class QLabel;
class QSplitter;
class QStackedWidget;

namespace moorfrost::app {

class Drawer;

class DescribePage : public QWidget {
    Q_OBJECT
public:
    DescribePage(Session& session, QWidget* parent = nullptr);
    void setFiles(std::vector<FileId> files);
    SheetView* sheet() { return view_; }
    void readFromNames();
    void mendText();
    void chooseColumns();

signals:
    void playRequested(moorfrost::app::FileId id);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void changeCase(int how);
    void numberTracks();
    void showMenu(const QPoint& at);
    void showDiskNote(bool on);
    std::vector<FileId> target() const; // what is selected, else all that is shown

    Session& session_;
    SheetModel* model_;
    SheetView* view_;
    Drawer* drawer_;
    QLabel* diskNote_;
    QStackedWidget* stack_;
    QSplitter* splitter_;
};

} // namespace moorfrost::app
