// SPDX-License-Identifier: GPL-3.0-or-later
// What tables of files have in common: a file a row, a field (or something else known of files) a column.
#pragma once

#include <QAbstractTableModel>
#include <QMimeData>

#include <memory>

#include "core/library/search/readiness_table.h"

namespace moorfrost::app {

using library::FileId;

/// Columns that are not fields.
inline constexpr const char* nameColumn = "@name";
inline constexpr const char* lengthColumn = "@length";
inline constexpr const char* formatColumn = "@format";
inline constexpr const char* placeColumn = "@folder";
inline constexpr const char* kindColumn = "@kind";
// These only where ownColumns() has them.
inline constexpr const char* sizeColumn = "@size";
inline constexpr const char* rateColumn = "@rate";
inline constexpr const char* bitsColumn = "@bits";
inline constexpr const char* channelsColumn = "@channels";
inline constexpr const char* bitrateColumn = "@bitrate";
inline constexpr const char* changedColumn = "@changed";
inline constexpr const char* picturesColumn = "@pictures";
// What is kept of recordings: as the search calls its columns.
inline constexpr const char* ratingColumn = "@rating";
inline constexpr const char* noteColumn = "@note";
inline constexpr const char* playoutColumn = "@playout";
inline constexpr const char* usedColumn = "@used";
inline constexpr const char* lastUsedColumn = "@last used";
inline constexpr const char* readyColumn = library::readyColumn; // only where ownColumns() has it

/// In the head of a column; "No." for the track.
QString columnLabel(const std::string& key);
/// Everywhere else.
QString fieldLabel(const std::string& key);
/// "Front cover", in the user's language.
QString pictureTypeLabel(const std::string& type);
/// Keys in the order of the field table, custom ones last.
std::vector<std::string> inTableOrder(std::vector<std::string> keys);

class FileTable : public QAbstractTableModel {
    Q_OBJECT
public:
    /// MarksRole: library::Marks, to be painted as a tally.
    /// AbsentRole: the file is not where it was.
    /// FamilyRole: int; of a lead how many versions stand below it (open) or are hidden under it (as a
    /// negative number); versionBelow: it stands below its lead.
    static constexpr int versionBelow = 1 << 20;
    /// StandInRole: of a blank title, what the file is called, to be shown as what it is.
    enum Role {
        DraftRole = Qt::UserRole + 1,
        OddRole,
        KeyRole,
        MarksRole,
        AbsentRole,
        FamilyRole,
        StandInRole
    };
    using QAbstractTableModel::QAbstractTableModel;

    virtual FileId fileAt(int row) const = 0;
    /// That it has beside those of all tables.
    virtual std::vector<std::string> ownColumns() const { return {}; }
    /// What is dragged of these rows (from, to); nullptr: nothing can be.
    virtual std::unique_ptr<QMimeData> dragged(const std::vector<std::pair<int, int>>& rows) const;
    virtual void setColumns(std::vector<std::string> columns);
    const std::vector<std::string>& columns() const { return columns_; }
    const std::string& keyAt(int column) const { return columns_[static_cast<size_t>(column)]; }
    bool isField(int column) const { return keyAt(column)[0] != '@'; }

    int columnCount(const QModelIndex& = {}) const override { return static_cast<int>(columns_.size()); }
    QVariant headerData(int section, Qt::Orientation, int role) const override;

signals:
    /// A value that the field cannot hold: nothing was changed.
    void refused(const QString& sentence);

protected:
    static Qt::Alignment alignmentOf(const std::string& key);

private:
    std::vector<std::string> columns_;
};

} // namespace moorfrost::app
