// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet: files by fields, edited in place. Used on the bench; the library shows its tracks with the same
// model, read only.
#pragma once

#include <QAbstractTableModel>
#include <QTableView>

#include "app/shell/session.h"

namespace moorfrost::app {

/// Columns that are not fields.
inline constexpr const char* nameColumn = "@name";
inline constexpr const char* lengthColumn = "@length";
inline constexpr const char* formatColumn = "@format";
inline constexpr const char* placeColumn = "@folder";

/// In the head of a column; "No." for the track.
QString columnLabel(const std::string& key);
/// Everywhere else.
QString fieldLabel(const std::string& key);
/// Keys in the order of the field table, custom ones last.
std::vector<std::string> inTableOrder(std::vector<std::string> keys);

class SheetModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Role { DraftRole = Qt::UserRole + 1, OddRole, KeyRole };

    SheetModel(Session& session, bool editable, QObject* parent = nullptr);

    void setFiles(std::vector<FileId> files);
    void setColumns(std::vector<std::string> columns);
    const std::vector<FileId>& files() const { return files_; }
    const std::vector<std::string>& columns() const { return columns_; }
    FileId fileAt(int row) const { return files_[static_cast<size_t>(row)]; }
    bool isField(int column) const { return columns_[static_cast<size_t>(column)][0] != '@'; }

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(files_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return static_cast<int>(columns_.size()); }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    QString cellText(FileId id, const std::string& key) const;

signals:
    /// A value that the field cannot hold: nothing was changed.
    void refused(const QString& sentence);

private:
    Session& session_;
    bool editable_;
    std::vector<FileId> files_;
    std::vector<std::string> columns_;
    mutable std::map<std::string, std::string> usual_; // per column: the value most files have
    void findUsual();
};

class SheetView : public QTableView {
    Q_OBJECT
public:
    SheetView(Session& session, SheetModel* model, QWidget* parent = nullptr);

    std::vector<FileId> chosenFiles() const;
    void copy();
    void paste();
    void fillDown();
    void blank();
    void dropDrafts();
    /// A menu of all columns at the pointer; what is chosen is remembered under `settingsKey`.
    void chooseColumns(const QString& settingsKey);

signals:
    void chosenChanged();
    void playRequested(moorfrost::app::FileId id);
    void menuRequested(const QPoint& global);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void selectionChanged(const QItemSelection& a, const QItemSelection& b) override;

private:
    QModelIndexList cells() const;
    Session& session_;
    SheetModel* model_;
};

} // namespace moorfrost::app
