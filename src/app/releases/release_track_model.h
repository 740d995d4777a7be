// SPDX-License-Identifier: GPL-3.0-or-later
// The tracks of a release as rows: a head for each medium where there are several, then its tracks. What is
// typed stands there at once, before the library has it: who types on goes on from that.
#pragma once

#include <QAbstractTableModel>

#include "app/control/releases_controller.h"

namespace moorfrost::app {

class ReleaseTrackModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Number, Title, Length, Recording, Files, ColumnCount };
    /// SecondRole: what stands behind a title. HeadRole: it is a head. MissingRole: what it should tell is
    /// not known.
    enum Role { SecondRole = Qt::UserRole + 1, HeadRole, MissingRole };
    using QAbstractTableModel::QAbstractTableModel;

    /// The head of a medium, or a track.
    struct Row {
        size_t medium = 0;
        size_t track = SIZE_MAX; // SIZE_MAX: the head
    };

    /// `list`: by which editions are counted; may be nullptr.
    void show(const ShownRelease& release, ReleasesController::List list);
    const ShownRelease& release() const { return release_; }
    const std::vector<Row>& rows() const { return rows_; }
    const std::vector<library::MediumToKeep>& media() const { return media_; }
    /// nullptr for a head.
    const library::TrackView* track(int row) const;
    /// Other media, other tracks, in another order: `title` says what was done.
    void change(std::vector<library::MediumToKeep> media, const QString& title);
    /// Releases on which the recording of a track stands, as entries of the list; with this one.
    std::vector<size_t> standsOn(const library::TrackView& track) const;
    QString entryText(size_t entry) const;

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

signals:
    void changed(const std::vector<moorfrost::library::MediumToKeep>& media, const QString& title);

private:
    void arrange();
    QVariant headData(size_t medium, int column, int role) const;
    QString cellText(const library::TrackView& track, int column) const;
    QString recordingText(const library::TrackView& track) const;
    QString filesText(const library::TrackView& track) const;
    QString tip(const library::TrackView& track, int column) const;

    ShownRelease release_;
    ReleasesController::List list_;
    std::vector<library::MediumToKeep> media_;
    std::vector<Row> rows_;
};

/// "3:41" or "3:41.5" as milliseconds; 0 for blank; -1 where it is no length.
int64_t lengthFromTyping(const QString& text);

} // namespace moorfrost::app
