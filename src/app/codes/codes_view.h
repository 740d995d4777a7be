// SPDX-License-Identifier: GPL-3.0-or-later
// Codes to fill: recordings without an ISRC, what was found for each, why it may be so, why it was refused.
#pragma once

#include <QAbstractListModel>
#include <QListView>
#include <QPushButton>

#include "app/control/codes_controller.h"
#include "app/widgets/controls.h"
#include "app/widgets/side_lines.h"

class QStackedWidget;

namespace moorfrost::app {

class CodeGapsModel : public QAbstractListModel {
    Q_OBJECT
public:
    explicit CodeGapsModel(CodesController& codes, QObject* parent = nullptr);
    void refresh();
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QString stateOf(size_t gap) const;

private:
    CodesController& codes_;
    size_t count_ = 0;
};

/// One gap with its candidates.
class CodeBox : public SideLines {
    Q_OBJECT
public:
    /// `leadsToFiles`: its files can be shown in the library.
    CodeBox(CodesController& codes, bool leadsToFiles, QWidget* parent = nullptr)
        : SideLines(parent), codes_(codes), leadsToFiles_(leadsToFiles) {}
    void show(std::optional<size_t> gap);

signals:
    void fileWanted(moorfrost::library::FileId file);

private:
    CodesController& codes_;
    bool leadsToFiles_;
};

class CodesView : public QWidget {
    Q_OBJECT
public:
    struct Place {
        QString nothing, nothingMore; // where no code is missing
        bool isDialog = false;        // it can be closed; its files are not shown in the library
    };
    CodesView(CodesController& codes, const Place& place, QWidget* parent = nullptr);
    QListView* list() { return list_; }
    CodeGapsModel* model() { return model_; }
    CodeBox* box() { return box_; }
    QPushButton* lookUpButton() { return lookUp_; }
    QPushButton* takeSureButton() { return takeSure_; }
    QPushButton* ownButton() { return own_; }
    QString told() const { return told_->text(); }

signals:
    void libraryWanted(moorfrost::library::FileId file);
    void closeWanted();

private:
    void refresh();
    void showChosen();
    void giveOwn();
    std::optional<size_t> chosen() const;

    CodesController& codes_;
    CodeGapsModel* model_;
    QListView* list_;
    CodeBox* box_;
    EmptyHint* empty_;
    QStackedWidget* stack_;
    ShortLabel* told_;
    QPushButton *lookUp_, *own_, *takeSure_;
};

} // namespace moorfrost::app
