// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/batch_controller.h"

#include <QDate>
#include <QLocale>

#include <algorithm>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Store;
namespace settings = library::settings;

BatchController::BatchController(LibraryAccess& library, LibrarySettings& settings, FilesController& files,
                                 DraftsController& drafts, Standards& standards, JobList& jobs)
    : library_(library), settings_(settings), files_(files), drafts_(drafts), standards_(standards),
      jobs_(jobs), batch_(files.known(), drafts.session(), [this](const bench::BatchRows& rows) {
          library_.write([rows](Store& store) {
              library::Transaction transaction(store.database());
              store.batches().setSleeves(rows.batch, rows.sorted);
              for (const auto& [place, members] : rows.put)
                  store.batches().putIntoSleeve(rows.batch, members, place.first, place.second);
              store.batches().changeNotes(rows.batch, rows.notes, rows.notesGone);
              transaction.commit();
          });
      }) {
    connect(&files_, &FilesController::rowsTaken, this, &BatchController::takeRows);
}

void BatchController::load() {
    show(settings_.get(settings::batch), [this] { emit loaded(); });
}

QString BatchController::name() const {
    for (const library::Batch& b : batches_)
        if (b.id == id())
            return qs(b.name);
    return {};
}

QString BatchController::note() const {
    for (const library::Batch& b : batches_)
        if (b.id == id())
            return qs(b.note);
    return {};
}

void BatchController::choose(int64_t id) {
    if (id == this->id()) { // it stays, whatever was about to take its place
        wanted_ = id;
        ++shows_;
        emit changed();
    } else if (id != wanted_) {
        show(id);
    }
}

void BatchController::show(int64_t id, std::function<void()> then) {
    wanted_ = id;
    const uint64_t run = ++shows_;
    std::vector<FileId> drafted;
    for (const auto& [file, fields] : drafts_.session().all())
        drafted.push_back(file);
    library_.read(
        this, [id, drafted](Store& store) { return library::readBatch(store, id, drafted); },
        [this, run, then](Result<library::BatchContents> contents) {
            if (run == shows_ && contents)
                take(std::move(*contents));
            else if (run == shows_)
                wanted_ = this->id();
            if (then)
                then();
        });
}

void BatchController::take(library::BatchContents contents) {
    wanted_ = contents.batch;
    batches_ = std::move(contents.batches);
    std::set<FileId> needed(contents.rows.asked.begin(), contents.rows.asked.end());
    for (const auto& [file, fields] : drafts_.session().all())
        needed.insert(file);
    std::vector<FileId> others;
    for (FileId file : files_.known().ids())
        if (!needed.contains(file))
            others.push_back(file);
    batch_.load(0, {}, {});
    files_.letGo(others);
    files_.take(std::move(contents.rows));
    batch_.load(contents.batch, contents.files, std::move(contents.notes));
    standards_.showBatch(contents.batch);
    settings_.set(settings::batch, contents.batch);
    bench::Changes changes;
    changes.batch = true;
    files_.feed().publish(std::move(changes));
    emit changed();
}

void BatchController::create(const QString& name, std::function<void()> then) {
    library_.write(
        this, [n = ss(name)](Store& store) { return store.batches().add(n); },
        [this, then](const Result<int64_t>& id) {
            if (id)
                show(*id, then);
        });
}

void BatchController::describe(const QString& name, const QString& note) {
    library_.write(
        [id = id(), n = ss(name), text = ss(note)](Store& store) { store.batches().describe(id, n, text); });
    for (library::Batch& b : batches_)
        if (b.id == id()) {
            b.name = ss(name);
            b.note = ss(note);
        }
    emit changed();
}

void BatchController::readOrigins(QObject* asker,
                                  std::function<void(std::vector<library::BatchOrigin>)> then) {
    library_.read(
        asker, [id = id()](Store& store) { return store.batches().origins(id); },
        [then](Result<std::vector<library::BatchOrigin>> origins) {
            if (origins)
                then(std::move(*origins));
        });
}

void BatchController::forget() {
    const std::vector<FileId> members = batch_.places().files();
    std::vector<FileId> lost; // what is in another batch, too, keeps its drafts
    for (FileId file : members)
        if (files_.known().batchesOf(file).size() <= 1)
            lost.push_back(file);
    library_.write([id = id()](Store& store) { store.batches().forget(id); });
    standards_.forgetBatch(id());
    drafts_.session().forgetFiles(lost);
    drafts_.session().forgetHistory();
    show(0);
}

void BatchController::add(library::WorkRows rows) {
    sortsWhatCame_ = true;
    files_.take(std::move(rows));
    sortsWhatCame_ = false;
    sort();
}

void BatchController::takeRows(const library::WorkRows& rows) {
    if (id() == 0)
        return;
    std::vector<bench::Batch::Came> came;
    std::vector<FileId> gone;
    for (FileId file : rows.asked) {
        const auto places = rows.batches.find(file);
        const bool here =
            files_.known().contains(file) && places != rows.batches.end() && places->second.contains(id());
        if (here)
            came.push_back({file, places->second.at(id())});
        else if (batch_.places().contains(file))
            gone.push_back(file);
    }
    if (!came.empty())
        batch_.put(came, sortsWhatCame_);
    batch_.remove(gone);
}

void BatchController::removeFiles(const std::vector<FileId>& files) {
    drafts_.session().dropAll("Remove from the batch", {files.begin(), files.end()});
    drafts_.session().forgetHistory();
    library_.write([batch = id(), files](Store& store) { store.batches().removeFiles(batch, files); });
    files_.readAgain(this, files, [this] {
        sort();
        emit membersChanged();
    });
}

void BatchController::send(const std::vector<FileId>& files, std::function<void()> then) {
    if (files.empty())
        return;
    if (id() == 0) {
        create(tr("From the library, %1").arg(QLocale().toString(QDate::currentDate(), "d MMM")),
               [this, files, then] { id() != 0 ? send(files, then) : void(); });
        return;
    }
    library_.write(
        this,
        [batch = id(), files](Store& store) {
            store.batches().send(batch, files);
            return library::readWorkRows(store, files);
        },
        [this, then](Result<library::WorkRows> rows) {
            if (!rows)
                return;
            add(std::move(*rows));
            sortAnew();
            emit membersChanged();
            then();
        });
}

// --- By hand

void BatchController::putIntoSleeve(const std::vector<FileId>& files, const std::string& key) {
    batch_.putIntoSleeve(files, key);
    emit touched();
}

void BatchController::newSleeve(const std::vector<FileId>& files, const QString& name) {
    batch_.newSleeve(files, ss(name));
    emit touched();
}

void BatchController::mergeSleeves(const std::vector<std::string>& keys) {
    batch_.mergeSleeves(keys);
    emit touched();
}

void BatchController::splitSleeve(const std::string& key, bench::SplitBy by, const QString& title) {
    batch_.splitSleeve(key, by, ss(title));
    emit touched();
}

void BatchController::nameSleeve(const std::string& key, const QString& name) {
    batch_.nameSleeve(key, ss(name.simplified()));
    emit touched();
}

void BatchController::undoByHand() {
    batch_.undoByHand();
    emit touched();
}

void BatchController::letSort(const std::vector<FileId>& files) {
    if (batch_.letSort(files))
        sort();
    emit touched();
}

void BatchController::sortAnew() {
    batch_.sortAnew();
    sort();
}

void BatchController::sort() {
    auto work = batch_.beginSorting();
    if (!work)
        return;
    jobs_.start(
        this, {ss(tr("Sorting into sleeves"))},
        [work](std::stop_token stop, work::Progress&) -> Status {
            work->run(stop);
            return Done{};
        },
        [this, work](const Status&) {
            batch_.endSorting(work);
            emit touched();
            sort(); // what came meanwhile
        });
}

} // namespace moorfrost::app
