// SPDX-License-Identifier: GPL-3.0-or-later
// The list of releases: a line each, the editions of a set below its head.
#pragma once

#include <QListView>

#include <functional>

#include "app/control/releases_controller.h"

namespace moorfrost::app {

class ReleaseLineModel;

class ReleaseLines : public QListView {
    Q_OBJECT
public:
    explicit ReleaseLines(QWidget* parent = nullptr);
    /// `cover`: the picture of a release, null until it is there.
    void setCovers(std::function<QPixmap(const library::ReleaseEntry&)> cover);
    /// What was chosen stays chosen where it is still there.
    void show(ReleasesController::List list, const QString& words, library::ReleaseOrder order);
    /// SIZE_MAX: none.
    size_t chosen() const;
    /// Of several chosen lines, each release once.
    std::vector<size_t> allChosen() const;
    /// False where it is not in sight.
    bool choose(size_t entry);
    size_t releases() const;

signals:
    void chosenChanged();
    void menuWanted(const QPoint& at);

protected:
    void selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) override;

private:
    ReleaseLineModel* model_;
    bool showing_ = false;
};

/// "CD single · GB · GR 014": what tells it from others of its set.
QString editionLine(const library::ReleaseEntry& entry);

} // namespace moorfrost::app
