// SPDX-License-Identifier: GPL-3.0-or-later
// Devices that are kept in step: which there are, what is to be on each, what would come and go, and the
// work.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/job_list.h"
#include "app/control/kept_changes.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/refresh.h"
#include "core/deliver/device/device_sync.h"

namespace moorfrost::app {

class DevicesController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        Delivering& delivering;
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibraryIndex& index;
        KeptChanges& kept;
        Deliveries& deliveries;
    };
    explicit DevicesController(const Uses& use);

    void load();
    const std::vector<deliver::Device>& all() const { return devices_; }
    const deliver::Device* find(int64_t id) const;
    /// The one that is chosen; nullptr for none.
    const deliver::Device* chosen() const { return find(chosen_); }
    void choose(int64_t id);
    void add(const std::string& name, const Path& folder, const deliver::DeviceProfile& profile);
    /// One that ships with the application: a folder that behaves like a device. `profile`: its name.
    void addSimulated(const std::string& profile);
    void change(const deliver::Device& device);
    /// What is on it stays there.
    void forget(int64_t id);
    /// What goes out is to be on the chosen one.
    void wantTracks();

    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    bool isTrue() const { return refresh_.isTrue() && !syncing_; }
    /// Of the chosen one; nullptr where there is none, or it is not there: then why() says so.
    const deliver::DevicePlan* plan() const { return plan_.get(); }
    QString why() const { return why_; }
    /// Looks at the device again.
    void look() { refresh_.look(); }
    void sync();
    bool isSyncing() const { return syncing_; }

signals:
    void changed();

private:
    bool make(int run);
    void ended(const deliver::Device& device, const Result<deliver::DeviceReport>& report);

    Uses use_;
    std::vector<deliver::Device> devices_;
    int64_t chosen_ = 0;
    std::shared_ptr<const deliver::DevicePlan> plan_;
    QString why_;
    bool syncing_ = false;
    Refresh refresh_{[this](int run) { return make(run); }, this};
};

} // namespace moorfrost::app
