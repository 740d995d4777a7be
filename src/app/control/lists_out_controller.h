// SPDX-License-Identifier: GPL-3.0-or-later
// A list for any player: as M3U8, XSPF or cue sheet, with places as another machine wants them.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "core/exchange/playlist.h"

namespace moorfrost::app {

class ListsOutController : public QObject {
    Q_OBJECT
public:
    enum class Form { M3u8, Xspf, Cue };
    struct Options {
        Form form = Form::M3u8;
        exchange::PlaceStyle style;
        std::string title; // "": as what goes out is called
        Path folder;       // that relative places are told from
    };
    ListsOutController(Delivering& delivering, LibraryAccess& library, JobList& jobs, Messages& messages,
                       LibraryIndex& index, Deliveries& deliveries);

    const Options& options() const { return options_; }
    void change(Options options);
    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue(); }
    /// The first lines as they will be; "" where there are no tracks.
    const std::string& preview() const { return preview_; }
    size_t tracks() const { return tracks_; }
    static const char* endingOf(Form form);
    Path proposedName() const;
    void save(const Path& file, std::function<void(bool)> then = {});
    /// The whole library, a line of JSON for each track.
    void saveLibrary(const Path& file, std::function<void(bool)> then = {});

signals:
    void changed();

private:
    bool make(int run);
    std::string title() const;

    Delivering& delivering_;
    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    LibraryIndex& index_;
    Deliveries& deliveries_;
    Options options_;
    std::string preview_;
    size_t tracks_ = 0;
    Refresh refresh_{[this](int run) { return make(run); }, this};
};

} // namespace moorfrost::app
