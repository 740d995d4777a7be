// SPDX-License-Identifier: GPL-3.0-or-later
// The sleeves of the batch: cover, title, who, tally. Files, and other sleeves, can be dropped on them.
#pragma once

#include <QListView>

#include "app/control/batch_controller.h"
#include "app/control/files_controller.h"
#include "app/control/sleeve_views.h"

namespace moorfrost::app {

class SleeveModel;

class SleeveList : public QListView {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        BatchController& batch;
        SleeveViews& sleeves;
    };

    explicit SleeveList(const Uses& use, QWidget* parent = nullptr);

    /// The sleeves that are chosen; all of the batch if none is.
    std::vector<const SleeveView*> chosen() const;
    std::vector<FileId> chosenFiles() const;
    /// Only those that are really chosen.
    std::vector<std::string> chosenKeys() const;
    int count() const;
    void choose(int row);
    void choose(const std::string& key);

signals:
    void chosenChanged();
    /// They were dropped beside the sleeves.
    void newSleeveWanted(const std::vector<moorfrost::app::FileId>& files);

private:
    void refill();
    Uses use_;
    SleeveModel* model_;
    bool filling_ = false;
};

} // namespace moorfrost::app
