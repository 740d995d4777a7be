// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/files/disk.h"
#include "core/library/writing.h"
#include "core/text/text.h"

namespace moorfrost::library {

using files::StepState;

MadeFiles::MadeFiles(Store& store, std::string title, int64_t set) : store_(store), title_(std::move(title)) {
    if (set == 0)
        return;
    const std::vector<SetStep> steps = store_.journal().steps(set);
    if (!steps.empty() && std::ranges::all_of(steps, [](const SetStep& s) {
            return s.record.step.made && s.record.state == StepState::Done;
        }))
        set_ = set;
}

Status MadeFiles::add(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders) {
    try {
        return record(file, fields, folders);
    } catch (const std::exception& e) { // the library; the file is there all the same
        return Error{ErrorKind::Io, file,
                     "The library could not record " + text::forDisplay(file.filename().native()) + ": " +
                         e.what()};
    }
}

Status MadeFiles::record(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders) {
    auto look = files::lookAt(file);
    if (!look)
        return look.error();
    const WriterLock lock(store_);
    files::StepRecord record;
    record.step.source = record.step.target = record.real = file;
    record.step.changes = fields;
    record.step.made = true;
    record.state = StepState::Done;
    record.after = fields;
    record.stateAfter = look->state;
    record.identity = look->identity;
    record.madeFolders = folders;
    Transaction transaction(store_.database());
    const int64_t shelf = shelfOf(store_.shelves().all(), file);
    if (shelf > 0 && audio::formatByExtension(file) != audio::Format::Unknown) {
        record.step.file = store_.files().save(files::scanFile(file), shelf);
        touched_.push_back(record.step.file);
    }
    if (set_ == 0)
        set_ = store_.journal().begin({.title = title_, .steps = {}, .emptied = {}}, 0);
    std::optional<size_t> there;
    for (const SetStep& s : store_.journal().steps(set_)) {
        const std::vector<Path>& made = s.record.madeFolders;
        if (s.record.step.target == file)
            there = s.number;
        // The last file of the set that goes takes the folder with it, whichever that is.
        if (record.madeFolders.empty() && !made.empty() && made.back() == file.parent_path())
            record.madeFolders = made;
    }
    if (there)
        store_.journal().saveSteps(set_, {{*there, &record}});
    else
        store_.journal().addDone(set_, record);
    store_.journal().end(set_);
    transaction.commit();
    return Done{};
}

} // namespace moorfrost::library
