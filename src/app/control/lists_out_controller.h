// SPDX-License-Identifier: GPL-3.0-or-later
// A list for any player: as M3U8, XSPF or cue sheet, with places as another machine wants them.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/job_list.h"
#include "app/control/kept_layouts.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/list_layout.h"

namespace moorfrost::app {

using ListLayouts = LayoutKind<deliver::ListLayout, deliver::listLayoutJson, deliver::listLayoutFromJson,
                               deliver::listLayoutsFrom, deliver::listLayoutNamed,
                               library::settings::listLayouts, library::settings::lastListLayout>;

class ListsOutController : public QObject {
    Q_OBJECT
public:
    ListsOutController(Delivering& delivering, LibraryAccess& library, JobList& jobs, Messages& messages,
                       LibrarySettings& settings, LibraryIndex& index, Deliveries& deliveries);

    KeptLayouts<ListLayouts>& layouts() { return layouts_; }
    const deliver::ListLayout& layout() const { return layouts_.layout(); }
    /// "": as what goes out is called.
    void setTitle(const std::string& title);
    /// That relative places of the preview are told from.
    void setFolder(const Path& folder);
    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue(); }
    /// The first lines as they will be; "" where there are no tracks.
    const std::string& preview() const { return preview_; }
    size_t tracks() const { return tracks_; }
    Path proposedName() const;
    void save(const Path& file, std::function<void(bool)> then = {});
    /// The whole library, a line of JSON for each track.
    void saveLibrary(const Path& file, std::function<void(bool)> then = {});

signals:
    void changed();

private:
    bool make(int run);
    std::string shownTitle() const;

    Delivering& delivering_;
    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    LibraryIndex& index_;
    Deliveries& deliveries_;
    KeptLayouts<ListLayouts> layouts_;
    std::string title_;
    Path folder_;
    std::string preview_;
    size_t tracks_ = 0;
    Refresh refresh_{[this](int run) { return make(run); }, this};
};

} // namespace moorfrost::app
