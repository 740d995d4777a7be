// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet of rows that is to go out: its layout, its first rows as they will be, and its writing.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/kept_layouts.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/rows/row_values.h"

namespace moorfrost::app {

using RowLayouts = LayoutKind<deliver::RowLayout, deliver::rowLayoutJson, deliver::rowLayoutFromJson,
                              deliver::rowLayoutsFrom, deliver::rowLayoutNamed, library::settings::rowLayouts,
                              library::settings::lastRowLayout>;

class RowsOutController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        Delivering& delivering;
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        Deliveries& deliveries;
    };
    explicit RowsOutController(const Uses& use);

    KeptLayouts<RowLayouts>& layouts() { return layouts_; }
    const deliver::RowLayout& layout() const { return layouts_.layout(); }
    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue(); }
    /// nullptr where there are no tracks, or it is not made yet.
    const deliver::RowsPreview* preview() const { return preview_.get(); }

    /// All of it, for the clipboard; nothing where it is too much for that, which has been said.
    void withText(std::function<void(QString)> then);
    /// `forWhom`: who gets it, may be blank. `then`: false where it could not be, which has been said.
    void save(const Path& file, const std::string& forWhom, std::function<void(bool)> then = {});
    Path proposedName() const;

signals:
    void changed();

private:
    bool make(int run);

    Uses use_;
    KeptLayouts<RowLayouts> layouts_;
    std::shared_ptr<const deliver::RowsPreview> preview_;
    Refresh refresh_{[this](int run) { return make(run); }, this};
};

} // namespace moorfrost::app
