// SPDX-License-Identifier: GPL-3.0-or-later
// The one-sheet that is being put together: what it is of, by which layout, as it will be; kept true while
// the library changes.
#pragma once

#include <QObject>

#include "app/control/deliveries.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/kept_layouts.h"
#include "app/control/library_index.h"
#include "app/control/people_controller.h"
#include "app/control/refresh.h"
#include "app/control/releases_controller.h"
#include "core/deliver/sheet_file.h"

namespace moorfrost::app {

using OneSheetLayouts =
    LayoutKind<deliver::SheetLayout, deliver::layoutJson, deliver::layoutFromJson, deliver::layoutsFrom,
               deliver::layoutNamed, library::settings::sheetLayouts, library::settings::lastSheetLayout>;

class SheetController : public QObject {
    Q_OBJECT
public:
    SheetController(Delivering& delivering, Deliveries& deliveries, LibraryAccess& library, JobList& jobs,
                    Messages& messages, LibrarySettings& settings, FilesController& files,
                    DraftsController& drafts, LibraryIndex& index, ReleasesController& releases,
                    PeopleController& people);

    /// From now on it is kept true: it is in sight. False: it may be old.
    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    KeptLayouts<OneSheetLayouts>& layouts() { return layouts_; }
    const deliver::SheetLayout& layout() const { return layouts_.layout(); }

    /// What is seen. All of it is of the same state.
    struct Shown {
        deliver::SheetOf of;
        deliver::SheetLayout layout;
        deliver::SheetSubject subject;
        deliver::SheetDocument document;
        std::vector<deliver::SheetGap> gaps;
        deliver::SheetPictures pictures;
        std::shared_ptr<const deliver::SheetPages> pages;
    };
    /// nullptr where it is of nothing, or not made yet: never of something else than of().
    const Shown* shown() const { return shown_ && shown_->of == delivering_.of() ? shown_.get() : nullptr; }
    /// What is shown is what is kept, by the layout as it is now.
    bool isTrue() const { return refresh_.isTrue(); }

    /// As soon as what is shown is true; "" where there is nothing.
    void withText(std::function<void(QString)> then);
    /// By the ending of the name, as soon as what is shown is true. `then`: false where it could not be,
    /// which has been said.
    void save(const Path& file, std::function<void(bool)> then = {});
    Path proposedName(const char* ending) const;

signals:
    void changed(); // what is shown

private:
    bool make(int run);
    void saveNow(const Path& file, std::function<void(bool)> then);
    void note(const Shown& shown, const Path& file);

    Delivering& delivering_;
    Deliveries& deliveries_;
    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    PeopleController& people_;
    KeptLayouts<OneSheetLayouts> layouts_;
    std::shared_ptr<const Shown> shown_;
    Refresh refresh_{[this](int run) { return make(run); }, this};
};

} // namespace moorfrost::app
