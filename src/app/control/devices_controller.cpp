// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/devices_controller.h"

#include <QDateTime>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/library/picture_store.h"
#include "core/library/recordings.h"
#include "core/library/store/device_table.h"

namespace moorfrost::app {

using deliver::Device;
using library::DeviceTable;
using library::Store;

DevicesController::DevicesController(const Uses& use) : use_(use) {
    connect(&refresh_, &Refresh::ended, this, &DevicesController::changed);
    connect(&use_.index, &LibraryIndex::changed, this, &DevicesController::look);
}

void DevicesController::load() {
    use_.library.read(
        this,
        [](Store& store) {
            std::vector<Device> out;
            for (const auto& [id, content] : DeviceTable(store.database()).all())
                out.push_back(deliver::deviceFrom(id, content));
            return out;
        },
        [this](Result<std::vector<Device>> devices) {
            if (!devices)
                return;
            devices_ = std::move(*devices);
            if (!find(chosen_))
                chosen_ = devices_.empty() ? 0 : devices_.front().id;
            emit changed();
            refresh_.look();
        });
}

const Device* DevicesController::find(int64_t id) const {
    for (const Device& device : devices_)
        if (device.id == id)
            return &device;
    return nullptr;
}

void DevicesController::choose(int64_t id) {
    if (id == chosen_ || !find(id))
        return;
    chosen_ = id;
    plan_.reset();
    why_.clear();
    emit changed();
    refresh_.look();
}

void DevicesController::add(const std::string& name, const Path& folder,
                            const deliver::DeviceProfile& profile) {
    Device device;
    device.name = name.empty() ? profile.name : name;
    device.folder = folder;
    device.profile = profile;
    use_.library.write(
        this,
        [device](Store& store) {
            return DeviceTable(store.database())
                .add(deliver::deviceContent(device), QDateTime::currentSecsSinceEpoch());
        },
        [this](const Result<int64_t>& id) {
            if (!id)
                return;
            chosen_ = *id;
            plan_.reset();
            load();
        });
}

void DevicesController::addSimulated(const std::string& profile) {
    const auto& all = deliver::shippedDeviceProfiles();
    const auto at = std::ranges::find(all, profile, &deliver::DeviceProfile::name);
    if (at == all.end())
        return;
    // Beside the library: a folder for each.
    Path folder = use_.library.file();
    folder += ".devices";
    folder /= profile;
    if (const Status made = files::makeFolders(folder); !made)
        return use_.messages.say(made.error());
    add({}, folder, *at);
}

void DevicesController::change(const Device& device) {
    for (Device& one : devices_)
        if (one.id == device.id)
            one = device;
    emit changed();
    use_.library.write(
        this,
        [device](Store& store) {
            DeviceTable(store.database()).change(device.id, deliver::deviceContent(device));
            return Done{};
        },
        [this](const Result<Done>&) { refresh_.look(); });
}

void DevicesController::forget(int64_t id) {
    use_.library.write(
        this,
        [id](Store& store) {
            DeviceTable(store.database()).remove(id);
            return Done{};
        },
        [this](const Result<Done>&) {
            plan_.reset();
            load();
        });
}

void DevicesController::wantTracks() {
    use_.delivering.withFiles(this, [this, id = chosen_](std::vector<FileId> files) {
        const Device* device = find(id);
        if (!device)
            return;
        Device changed = *device;
        changed.wanted = std::move(files);
        changed.wantedName = ss(use_.delivering.name());
        change(changed);
    });
}

bool DevicesController::make(int run) {
    const Device* device = chosen();
    if (!device || syncing_) {
        if (!device)
            plan_.reset();
        refresh_.end(run);
        return true;
    }
    use_.jobs.start(
        this, {ss(tr("Looking at %1").arg(qs(device->name))), work::Priority::Background},
        [library = use_.library.file(), device = *device](
            std::stop_token stop, work::Progress&) -> Result<std::shared_ptr<const deliver::DevicePlan>> {
            auto store = Store::open(library);
            if (!store)
                return store.error();
            auto plan = deliver::planDevice(**store, device, stop);
            if (!plan)
                return plan.error();
            return std::make_shared<const deliver::DevicePlan>(std::move(*plan));
        },
        [this, run](Result<std::shared_ptr<const deliver::DevicePlan>> plan) {
            if (!refresh_.isCurrent(run))
                return;
            plan_ = plan ? *plan : nullptr;
            why_ = plan ? QString() : spoken(plan.error().message);
            refresh_.end(run);
        });
    return true;
}

void DevicesController::sync() {
    if (syncing_ || !plan_)
        return;
    syncing_ = true;
    emit changed();
    std::vector<deliver::DeviceList> lists;
    if (!plan_->device.wantedName.empty())
        lists.push_back({plan_->device.wantedName, plan_->device.wanted});
    use_.jobs.start(
        this, {ss(tr("Bringing %1 into step").arg(qs(plan_->device.name))), work::Priority::Asked},
        [library = use_.library.file(), plan = plan_,
         lists](std::stop_token stop, work::Progress& progress) -> Result<deliver::DeviceReport> {
            auto store = Store::open(library);
            if (!store)
                return store.error();
            return deliver::syncDevice(**store, *plan, lists, library::PictureStore::folderOf(library), stop,
                                       progress);
        },
        [this, device = plan_->device](const Result<deliver::DeviceReport>& report) {
            syncing_ = false;
            ended(device, report);
            load(); // it has a key now
        });
}

void DevicesController::ended(const Device& device, const Result<deliver::DeviceReport>& report) {
    if (!report)
        return use_.messages.say(report.error());
    QStringList parts;
    if (report->came > 0)
        parts << tr("came: %n", "", static_cast<int>(report->came));
    if (report->changed > 0)
        parts << tr("changed: %n", "", static_cast<int>(report->changed));
    if (report->gone > 0)
        parts << tr("gone: %n", "", static_cast<int>(report->gone));
    QString told = tr("%1 %2.").arg(qs(device.name), parts.isEmpty() ? tr("is as it was") : parts.join(", "));
    if (!report->ended.empty())
        told += " " + qs(report->ended);
    if (!report->trouble.empty())
        told += " " + tr("%n file(s) could not be done: %1", "", static_cast<int>(report->trouble.size()))
                          .arg(qs(report->trouble.front()));
    use_.messages.say(told, !report->complete);
    if (report->came + report->changed + report->gone == 0)
        return;
    library::Delivery delivery;
    delivery.way = "device";
    delivery.title = device.wantedName.empty() ? device.name : device.wantedName;
    delivery.forWhom = device.name;
    delivery.target = device.folder;
    delivery.state = report->complete ? ss(parts.join(", ")) : ss(tr("broken off"));
    use_.deliveries.note(std::move(delivery), device.wanted);
    if (report->complete && !device.use.empty() && report->came > 0) {
        library::Use use;
        use.date = ss(QDate::currentDate().toString(Qt::ISODate));
        use.what = device.use;
        const QString title = tr("Use: %1").arg(qs(device.use));
        use_.kept.make([use, files = device.wanted, title = ss(title)](
                           Store& store) { return library::addUse(store, title, use, files); },
                       title);
    }
}

} // namespace moorfrost::app
