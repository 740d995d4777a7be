// SPDX-License-Identifier: GPL-3.0-or-later
// The library: everything that was put away. Search as you type, a table with chosen columns, details.
#pragma once

#include <QLineEdit>
#include <QPushButton>
#include <QWidget>

#include "app/shell/session.h"
#include "app/widgets/sheet.h"
#include "core/library/search.h"

class QLabel;
class QStackedWidget;
namespace moorfrost::app {

class EmptyHint;
class FileDetails;

class LibraryPage : public QWidget {
    Q_OBJECT
public:
    LibraryPage(Session& session, QWidget* parent = nullptr);
    QLineEdit* searchBox() { return search_; }
    SheetView* table() { return view_; }
    void sendToBench();
    void checkFiles();
    FileDetails* details() { return details_; }
    /// Whether the table shows the answer to what is typed.
    bool isSearched() const { return searched_; }

signals:
    void playRequested(moorfrost::app::FileId id);
    void benchWanted();

private:
    void rebuildIndex();
    void search();
    void showDetails();
    void chooseColumns(const QPoint& at);
    void applySort();

    Session& session_;
    QLineEdit* search_;
    QLabel* count_;
    QPushButton* send_;
    SheetModel* model_;
    SheetView* view_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    FileDetails* details_;
    std::vector<FilePtr> files_;
    std::shared_ptr<const library::SearchIndex> index_;
    int run_ = 0;
    int sortColumn_ = 1;
    Qt::SortOrder sortOrder_ = Qt::AscendingOrder;
    bool searched_ = false;
};

} // namespace moorfrost::app
