// SPDX-License-Identifier: GPL-3.0-or-later
// share-page, device, package: what goes out as folders.
#include <ctime>
#include <iostream>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/meant.h"
#include "cli/named.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/delivered.h"
#include "core/deliver/device/device_sync.h"
#include "core/deliver/package/package_layout.h"
#include "core/deliver/page/page_make.h"
#include "core/deliver/page/page_notes.h"
#include "core/deliver/sheet_file.h"
#include "core/library/store/device_table.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

std::string today() {
    const std::time_t now = std::time(nullptr);
    std::tm day{};
    localtime_r(&now, &day);
    return fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday);
}

int failed(const Error& error) {
    say(error.path.empty() ? error.message : text::forDisplay(error.path.native()) + ": " + error.message);
    return 1;
}

void note(library::Store& store, library::Delivery delivery, const std::vector<library::FileId>& files) {
    delivery.when = std::time(nullptr);
    library::DeliveryTable(store.database()).add(delivery, deliver::itemsNow(store, files));
}

int takeNotes(library::Store& store, const Path& file) {
    const auto notes = deliver::readPageNotes(file);
    if (!notes)
        return failed(notes.error());
    const deliver::NotesOfDelivery found = deliver::notesOf(store, *notes);
    if (found.delivery == 0) {
        say("These comments are of a page that was not made from this library.");
        return 1;
    }
    const size_t added = library::DeliveryTable(store.database()).addNotes(found.delivery, found.notes);
    for (const library::DeliveryNote& n : found.notes) {
        Json line{{"seconds", n.seconds}, {"who", n.who}, {"text", n.text}, {"rating", n.rating}};
        if (const auto file = store.files().find(n.file))
            putPath(line, file->path);
        print(line);
    }
    print(Json{{"notes", found.notes.size()}, {"new", added}, {"of_no_track", found.unknown}});
    return 0;
}

std::string oneSheetFor(library::Store& store, const std::string& name,
                        const std::vector<library::FileId>& files) {
    const auto layouts = deliver::layoutsFrom(store.settings().get(library::settings::sheetLayouts));
    const deliver::SheetLayout* layout = name.empty() ? nullptr : deliver::layoutNamed(layouts, name);
    if (!layout)
        return {};
    const auto people = library::People::make(library::keptCards(store));
    const deliver::SheetSubject subject = deliver::sheetSubject(store, *people, {files, {}});
    const auto pdf = deliver::sheetBytes(
        deliver::SheetFile::Pdf, subject, *layout,
        deliver::readPictures(deliver::picturesOf(store, subject, deliver::oneSheet(subject, *layout))),
        std::time(nullptr));
    return pdf ? *pdf : std::string();
}

std::vector<deliver::Device> devicesOf(library::Store& store) {
    std::vector<deliver::Device> out;
    for (const auto& [id, content] : library::DeviceTable(store.database()).all())
        out.push_back(deliver::deviceFrom(id, content));
    return out;
}

Json deviceJson(const deliver::Device& d) {
    Json out{{"device", d.name}, {"profile", d.profile.name}, {"tracks", d.wanted.size()}};
    putPath(out, d.folder);
    return out;
}

const char* stepName(deliver::DeviceStep::Kind kind) {
    using enum deliver::DeviceStep::Kind;
    return kind == Come     ? "comes"
           : kind == Change ? "changes"
           : kind == Go     ? "goes"
           : kind == Refuse ? "cannot come"
                            : "is there";
}

} // namespace

int sharePage(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (!options.from.empty())
        return takeNotes(*store, options.from);
    const auto layout =
        layoutMeant(deliver::pageLayoutsFrom(store->settings().get(library::settings::pageLayouts)),
                    options.layout, deliver::pageLayoutNamed, deliver::pageLayoutFromJson);
    if (!layout)
        return wrongly;
    if (options.to.empty() && !options.dryRun) {
        say("Say --to FOLDER.");
        return wrongly;
    }
    const auto meant = tracksMeant(*store, options);
    if (!meant)
        return wrongly;
    deliver::PagePlan plan;
    plan.layout = *layout;
    plan.subject =
        deliver::pageSubject(*store, *layout, meant->files, options.name.empty() ? meant->name : options.name,
                             options.forWhom, std::time(nullptr));
    for (const library::FileId id : plan.subject.unknown)
        if (const auto file = store->files().find(id))
            say(text::forDisplay(file->path.native()) + ": left out, its file is not there.");
    if (options.dryRun) {
        for (const deliver::PageSound* sound : plan.subject.sounds())
            print(Json{{"id", sound->id},
                       {"name", sound->name},
                       {"seconds", sound->seconds},
                       {"facts", sound->facts}});
        return 0;
    }
    plan.target = std::filesystem::absolute(options.to).lexically_normal();
    plan.id = deliver::newPageId();
    std::vector<library::FileId> leads;
    for (const deliver::PageTrack& track : plan.subject.tracks)
        leads.push_back(track.lead.file);
    plan.oneSheet = oneSheetFor(*store, layout->oneSheet, leads);
    work::Progress progress;
    const auto made = deliver::makePage(plan, {}, progress);
    if (!made)
        return failed(made.error());
    for (const std::string& sentence : made->trouble)
        say(sentence);
    library::Delivery delivery;
    delivery.way = "share page";
    delivery.title = plan.subject.title;
    delivery.forWhom = options.forWhom;
    delivery.target = plan.target;
    delivery.layout = deliver::pageLayoutJson(*layout);
    delivery.state = fmt::format("{} sounds", made->sounds);
    delivery.content = deliver::pageContent(plan.id, made->tracksById);
    note(*store, std::move(delivery), leads);
    Json out{{"tracks", made->tracks}, {"sounds", made->sounds}, {"bytes", made->bytes}};
    putPath(out, made->page);
    print(out);
    return made->trouble.empty() ? 0 : 1;
}

int device(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    auto devices = devicesOf(*store);
    if (options.step.empty()) {
        for (const deliver::Device& d : devices)
            print(deviceJson(d));
        return 0;
    }
    library::DeviceTable table(store->database());
    auto named = std::ranges::find_if(
        devices, [&](const deliver::Device& d) { return text::fold(d.name) == text::fold(options.name); });
    if (options.step == "add") {
        const auto& profiles = deliver::shippedDeviceProfiles();
        deliver::Device device;
        device.name = options.name;
        device.folder = std::filesystem::absolute(options.to).lexically_normal();
        const auto profile = std::ranges::find_if(
            profiles, [&](const auto& p) { return text::fold(p.name) == text::fold(options.layout); });
        if (options.to.empty() || named != devices.end()) {
            say(options.to.empty() ? "Say --to FOLDER." : "There is a device of this name already.");
            return wrongly;
        }
        if (options.layout.empty()) {
            device.profile = profiles.front();
        } else if (profile != profiles.end()) {
            device.profile = *profile;
        } else {
            const auto text = readWhole(options.layout);
            const auto own =
                text ? deliver::deviceProfileFromJson(*text) : Result<deliver::DeviceProfile>(Error{});
            if (!own) {
                say(text ? own.error().message : "There is no such profile.");
                return wrongly;
            }
            device.profile = *own;
        }
        device.id = table.add(deliver::deviceContent(device), std::time(nullptr));
        print(deviceJson(device));
        return 0;
    }
    if (named == devices.end()) {
        say("There is no device \"" + options.name + "\".");
        return wrongly;
    }
    if (options.step == "forget") {
        table.remove(named->id);
        return 0;
    }
    // sync: of what is asked for, else of what was to be on it before.
    if (!options.query.empty() || !options.list.empty() || !options.edition.empty() ||
        !options.paths.empty()) {
        const auto meant = tracksMeant(*store, options);
        if (!meant)
            return wrongly;
        named->wanted = meant->files;
        named->wantedName = meant->name;
        if (!options.dryRun)
            table.change(named->id, deliver::deviceContent(*named));
    }
    const auto plan = deliver::planDevice(*store, *named);
    if (!plan)
        return failed(plan.error());
    for (const deliver::DeviceStep& step : plan->steps) {
        if (step.kind == deliver::DeviceStep::Kind::Same && !options.dryRun)
            continue;
        Json line{{"state", stepName(step.kind)}, {"bytes", step.bytes}};
        putPath(line, step.path, "on_device");
        if (!step.why.empty())
            line["why"] = step.why;
        print(line);
    }
    if (options.dryRun)
        return 0;
    std::vector<deliver::DeviceList> lists;
    if (!named->wantedName.empty())
        lists.push_back({named->wantedName, named->wanted});
    work::Progress progress;
    const auto report = deliver::syncDevice(*store, *plan, lists,
                                            library::PictureStore::folderOf(store->file()), {}, progress);
    if (!report)
        return failed(report.error());
    for (const std::string& sentence : report->trouble)
        say(sentence);
    if (!report->ended.empty())
        say(report->ended);
    if (report->came + report->changed + report->gone > 0) {
        library::Delivery delivery;
        delivery.way = "device";
        delivery.title = named->wantedName.empty() ? named->name : named->wantedName;
        delivery.forWhom = named->name;
        delivery.target = plan->folder;
        delivery.state = report->complete ? fmt::format("{} came", report->came) : "broken off";
        note(*store, std::move(delivery), named->wanted);
    }
    print(Json{{"came", report->came},
               {"changed", report->changed},
               {"gone", report->gone},
               {"lists", report->lists},
               {"complete", report->complete}});
    return report->complete ? 0 : 1;
}

int package(const Options& options) {
    work::Progress progress;
    if (options.step == "verify") {
        const auto check =
            deliver::verifyPackage(std::filesystem::absolute(options.name).lexically_normal(), {}, progress);
        if (!check)
            return failed(check.error());
        for (const deliver::PackageFinding& finding : check->findings)
            print(Json{{"file", text::isUtf8(finding.name) ? finding.name : text::escapeBytes(finding.name)},
                       {"finding", finding.sentence}});
        print(Json{{"whole", check->isWhole()}, {"files", check->files}, {"bytes", check->bytes}});
        return check->isWhole() ? 0 : 1;
    }
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const auto meant = tracksMeant(*store, options);
    if (!meant)
        return wrongly;
    const deliver::PackageSubject subject = deliver::packageSubject(*store, meant->files, meant->name);
    if (options.dryRun) {
        for (const deliver::PackageFile& file : subject.files)
            print(Json{{"in_package", "data/" + file.name}, {"bytes", file.bytes}});
        return 0;
    }
    const auto layouts =
        deliver::packageLayoutsFrom(store->settings().get(library::settings::packageLayouts));
    const auto layout =
        layoutMeant(layouts, options.layout, deliver::packageLayoutNamed, deliver::packageLayoutFromJson);
    if (!layout)
        return wrongly;
    deliver::PackageInfo info;
    for (const std::string& field : options.fields) {
        const size_t equals = field.find('=');
        if (equals == std::string::npos || equals == 0) {
            say("\"" + field +
                "\" is not Name=value, such as \"Source-Organization=Tarnholm Sound Archive\".");
            return wrongly;
        }
        info.emplace_back(field.substr(0, equals), field.substr(equals + 1));
    }
    for (auto& [name, value] : deliver::packageInfo(*layout, subject.title, {}))
        if (std::ranges::none_of(info, [&](const auto& given) { return given.first == name; }))
            info.emplace_back(name, value);
    const Path target = std::filesystem::absolute(options.name).lexically_normal();
    const auto made = deliver::makePackage(subject, info, target, today(), {}, progress);
    if (!made)
        return failed(made.error());
    library::Delivery delivery;
    delivery.way = "package";
    delivery.title = meant->name.empty() ? target.filename().native() : meant->name;
    delivery.forWhom = options.forWhom.empty() ? layout->forWhom : options.forWhom;
    delivery.target = target;
    delivery.layout = deliver::packageLayoutJson(*layout);
    delivery.state = fmt::format("{} files", made->files);
    note(*store, std::move(delivery), meant->files);
    Json out{{"files", made->files}, {"bytes", made->bytes}};
    putPath(out, target);
    print(out);
    return 0;
}

} // namespace moorfrost::cli
