// SPDX-License-Identifier: GPL-3.0-or-later
// Packages for archives: made of what goes out, verified, and taken in.
#pragma once

#include "app/control/bring_in.h"
#include "app/control/deliveries.h"
#include "app/control/job_list.h"
#include "app/control/kept_layouts.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "app/control/rows_in_controller.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/package/package_layout.h"

namespace moorfrost::app {

using PackageLayouts =
    LayoutKind<deliver::PackageLayout, deliver::packageLayoutJson, deliver::packageLayoutFromJson,
               deliver::packageLayoutsFrom, deliver::packageLayoutNamed, library::settings::packageLayouts,
               library::settings::lastPackageLayout>;

class PackagesController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        Delivering& delivering;
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibrarySettings& settings;
        LibraryIndex& index;
        BringIn& bringIn;
        RowsInController& rowsIn;
        Deliveries& deliveries;
    };
    explicit PackagesController(const Uses& use);

    KeptLayouts<PackageLayouts>& layouts() { return layouts_; }
    const deliver::PackageLayout& layout() const { return layouts_.layout(); }
    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue() && !verifying_; }
    /// What will be in it; nullptr where there are no tracks, or it is not read yet.
    const deliver::PackageSubject* subject() const { return subject_.get(); }
    void setTitle(const std::string& title);
    Path proposedName() const;
    /// `number`: of the package, theirs or ours; "" for none. What was said in a layout that is shipped is
    /// kept with it: it is said again of the next.
    void make(const Path& folder, const std::string& number, std::function<void(bool)> then = {});

    /// Reads all of a package and compares its sums.
    void verify(const Path& folder);
    const Path& verified() const { return verified_; }
    /// nullptr where none was verified, or it is still read.
    const deliver::PackageCheck* check() const { return check_ ? &*check_ : nullptr; }
    QString why() const { return why_; }
    bool isVerifying() const { return verifying_; }
    /// The one that was verified and is whole: its sounds into the batch, and what it says of them as a sheet
    /// that came in.
    void takeIn();

signals:
    void changed();
    void takenIn();

private:
    bool gather(int run);

    Uses use_;
    KeptLayouts<PackageLayouts> layouts_;
    std::string title_;
    std::shared_ptr<const deliver::PackageSubject> subject_;
    Path verified_, taking_;
    std::optional<deliver::PackageCheck> check_;
    QString why_;
    bool verifying_ = false;
    int run_ = 0; // of verifying
    Refresh refresh_{[this](int run) { return gather(run); }, this};
};

} // namespace moorfrost::app
