// SPDX-License-Identifier: GPL-3.0-or-later
// Share pages: what the one that is put together will have, its making, and the comments that come back.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/kept_changes.h"
#include "app/control/kept_layouts.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "app/control/sheet_controller.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/page/page_layout.h"
#include "core/deliver/page/page_subject.h"

namespace moorfrost::app {

using PageLayouts = LayoutKind<deliver::PageLayout, deliver::pageLayoutJson, deliver::pageLayoutFromJson,
                               deliver::pageLayoutsFrom, deliver::pageLayoutNamed,
                               library::settings::pageLayouts, library::settings::lastPageLayout>;

class PagesController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        Delivering& delivering;
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibrarySettings& settings;
        FilesController& files;
        LibraryIndex& index;
        KeptChanges& kept;
        SheetController& sheet; // its layouts: a one-sheet may go with the page
        Deliveries& deliveries;
    };
    explicit PagesController(const Uses& use);

    KeptLayouts<PageLayouts>& layouts() { return layouts_; }
    const deliver::PageLayout& layout() const { return layouts_.layout(); }
    std::vector<std::string> sheetLayouts() const { return use_.sheet.layouts().names(); }
    /// "": as what goes out is called.
    void setTitle(const std::string& title);
    void setForWhom(const std::string& whom);
    const std::string& title() const { return title_; }
    const std::string& forWhom() const { return forWhom_; }

    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue(); }
    /// What will be on it; nullptr where there are no tracks, or it is not read yet.
    const deliver::PageSubject* subject() const { return subject_.get(); }
    /// A name for its folder.
    Path proposedName() const;

    /// `then`: the page that was made; "" where it could not be, which has been said.
    void make(const Path& folder, std::function<void(Path page)> then = {});
    /// Comments that came back, of any page that was made from this library.
    void takeNotes(const Path& file);
    /// Those with a place, as places that are marked in the tracks.
    void markPlaces(const std::vector<library::DeliveryNote>& notes);

signals:
    void changed();

private:
    bool read(int run);
    void begin(const Path& folder, std::function<void(Path)> then);

    Uses use_;
    KeptLayouts<PageLayouts> layouts_;
    std::string title_, forWhom_;
    std::shared_ptr<const deliver::PageSubject> subject_;
    Refresh refresh_{[this](int run) { return read(run); }, this};
};

} // namespace moorfrost::app
