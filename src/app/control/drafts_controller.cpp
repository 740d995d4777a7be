// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/drafts_controller.h"

#include <ctime>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Store;

DraftsController::DraftsController(LibraryAccess& library, FilesController& files,
                                   std::function<uint64_t()> stamps)
    : library_(library), files_(files),
      session_([&files](FileId id) { return files.known().fieldsOf(id); },
               [] { return static_cast<int64_t>(std::time(nullptr)); }, std::move(stamps)) {
    session_.setPicturesOnDisk([&files](FileId id) -> const std::vector<tags::PictureInfo>* {
        const FilePtr f = files.file(id);
        return f ? &f->tags.pictures : nullptr;
    });
    session_.setSink([this](std::vector<library::DraftChange> changes) {
        library_.write([changes = std::move(changes)](Store& store) { store.drafts().save(changes); });
    });
    session_.setObserver([this](const std::set<FileId>& touched) {
        bench::Changes changes;
        changes.drafts = touched;
        files_.feed().publish(std::move(changes));
        emit changed();
    });
    connect(&files_, &FilesController::rowsTaken, this, [this](const library::WorkRows& rows) {
        std::vector<FileId> gone;
        for (FileId id : rows.asked)
            if (!files_.known().contains(id))
                gone.push_back(id);
        session_.forgetFiles(gone);
    });
}

void DraftsController::load() {
    struct Loaded {
        std::vector<std::tuple<FileId, std::string, library::Draft>> drafts;
        library::WorkRows rows;
    };
    library_.read(
        this,
        [](Store& store) {
            Loaded loaded;
            loaded.drafts = store.drafts().all();
            std::set<FileId> files;
            for (const auto& [file, field, draft] : loaded.drafts)
                files.insert(file);
            loaded.rows = library::readWorkRows(store, {files.begin(), files.end()});
            return loaded;
        },
        [this](Result<Loaded> loaded) {
            if (!loaded)
                return;
            files_.take(std::move(loaded->rows));
            session_.load(loaded->drafts);
        });
}

void DraftsController::propose(const QString& action, const edits::Proposals& proposals) {
    std::vector<library::DraftSession::Wish> wishes;
    for (const edits::Proposal& p : proposals)
        if (const FilePtr f = files_.file(p.file); f && f->mayHaveDrafts())
            wishes.push_back({p.file, p.field, p.values, p.origin});
    session_.propose(ss(action), wishes, {});
}

edits::Subject DraftsController::subject(FileId id, std::vector<std::string> chosen) const {
    return {id, session_.effective(id), std::move(chosen)};
}

std::vector<edits::Subject> DraftsController::subjects(const std::vector<FileId>& ids) const {
    std::vector<edits::Subject> out;
    for (FileId id : ids)
        if (const FilePtr f = files_.file(id); f && f->mayHaveDrafts())
            out.push_back(subject(id));
    return out;
}

tags::Fields DraftsController::shownFields(FileId id) const {
    FilePtr f = files_.file(id);
    if (!f)
        return {};
    return showsDisk_ ? f->tags.fields : session_.effective(id);
}

std::vector<std::string> DraftsController::shownValues(FileId id, const std::string& key) const {
    return valuesShown(id, key);
}

const std::vector<std::string>& DraftsController::valuesShown(FileId id, const std::string& key) const {
    static const std::vector<std::string> none;
    if (!showsDisk_)
        if (const library::Draft* draft = session_.find(id, key))
            return draft->values;
    const tags::Fields* fields = files_.known().fieldsOf(id);
    if (!fields)
        return none;
    const auto it = fields->find(key);
    return it == fields->end() ? none : it->second;
}

void DraftsController::setShowsDisk(bool on) {
    if (showsDisk_ == on)
        return;
    showsDisk_ = on;
    emit diskShown(on);
}

} // namespace moorfrost::app
