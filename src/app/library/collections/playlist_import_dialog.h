// SPDX-License-Identifier: GPL-3.0-or-later
// A playlist from elsewhere: each entry with the file of the library that it means, and why. What is not sure
// is chosen by hand; what is left open is left out.
#pragma once

#include <QDialog>

#include "app/control/collections_controller.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QTableView;

namespace moorfrost::app {

class ShortLabel;

class PlaylistMatchModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Number, Entry, File, Why, Columns };
    PlaylistMatchModel(std::vector<library::PlaylistMatch> matches, std::map<FileId, QString> names,
                       QObject* parent)
        : QAbstractTableModel(parent), matches_(std::move(matches)), names_(std::move(names)) {}

    const std::vector<library::PlaylistMatch>& matches() const { return matches_; }
    /// 0: it is left out.
    void choose(int row, FileId file);
    QString nameOf(FileId file) const;
    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(matches_.size());
    }
    int columnCount(const QModelIndex& = {}) const override { return Columns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation, int role) const override;

signals:
    void chosen();

private:
    std::vector<library::PlaylistMatch> matches_;
    std::map<FileId, QString> names_;
};

class PlaylistImportDialog : public QDialog {
    Q_OBJECT
public:
    /// `names`: what the files are called that may be meant.
    PlaylistImportDialog(const CollectionsController::Import& import, std::map<FileId, QString> names,
                         const QString& name, QWidget* parent);
    std::vector<FileId> files() const; // in the order of the playlist
    QString name() const;
    QTableView* table() { return table_; }
    PlaylistMatchModel* model() { return model_; }
    QPushButton* takeButton() { return take_; }
    QString told() const;

private:
    void showMenu(const QPoint& at);
    void tell();

    PlaylistMatchModel* model_;
    QTableView* table_;
    QLineEdit* name_;
    ShortLabel* told_;
    QPushButton* take_;
};

} // namespace moorfrost::app
