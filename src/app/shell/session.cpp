// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/session.h"

#include <algorithm>
#include <ctime>
#include <future>

#include "app/shell/text_utils.h"
#include "core/guard/readers.h"
#include "core/library/store/keeping.h"
#include "core/tags/tag_io.h"

namespace moorfrost::app {

using library::Store;

namespace {
const char* const rememberedKeys[] = {
    "recent folders", "last plan", "last shelf",    "names",      "put away mode", "last name plan",
    "plans",          "batch",     "history-limit", "keep-times", "searches",      library::readShelvesKey,
    "sleeve order",   "words"};
}

struct Session::Snapshot {
    std::vector<library::FileRecord> files;
    std::vector<library::Batch> batches;
    int64_t batch = 0;
    std::vector<library::BatchFile> batchFiles;
    std::map<std::string, library::SleeveNote> notes;
    std::vector<library::Shelf> shelves;
    std::vector<std::tuple<FileId, std::string, library::Draft>> drafts;
    std::vector<library::SetSummary> sets;
    library::HistoryUse history;
    std::map<std::string, std::string> settings;
    Kinds::Kept kinds;

    static Snapshot of(Store& store, int64_t wantedBatch) {
        Snapshot s;
        s.batches = store.batches();
        for (const char* key : rememberedKeys)
            s.settings[key] = store.setting(key);
        for (const std::string& key : Standards::settingKeys())
            s.settings[key] = store.setting(key);
        if (wantedBatch == 0)
            wantedBatch = std::atoll(s.settings["batch"].c_str());
        for (const library::Batch& b : s.batches)
            if (b.id == wantedBatch || s.batch == 0)
                s.batch = b.id;
        s.batchFiles = store.batchFiles(s.batch);
        s.notes = store.sleeveNotes(s.batch);
        s.shelves = store.shelves();
        s.drafts = store.drafts();
        std::set<FileId> wanted;
        for (const library::BatchFile& f : s.batchFiles)
            wanted.insert(f.file);
        for (const auto& [file, field, draft] : s.drafts)
            wanted.insert(file);
        s.files = store.files({wanted.begin(), wanted.end()});
        s.kinds = Kinds::Kept::of(store, {wanted.begin(), wanted.end()});
        s.sets = store.sets();
        s.history = store.historyUse();
        return s;
    }
};

std::vector<std::string> PlaceWish::toValues() const {
    return {std::to_string(shelf), plan, copy ? "copy" : "move", goesAlong ? "along" : "",
            removeEmptied ? "tidy" : ""};
}

PlaceWish PlaceWish::fromValues(const std::vector<std::string>& v) {
    PlaceWish w;
    if (v.size() == 5)
        w = {std::atoll(v[0].c_str()), v[1], v[2] == "copy", v[3] == "along", v[4] == "tidy"};
    return w;
}

Session::Session(const Path& libraryFile, QObject* parent)
    : QObject(parent), store_(std::make_unique<library::StoreThread>(libraryFile,
                                                                     [this](const std::string& sentence) {
                                                                         later([this, sentence] {
                                                                             emit said(qs(sentence), true);
                                                                             checkLibrary();
                                                                         });
                                                                     })),
      jobs_(this), index_(jobs_, libraryFile),
      drafts_(
          [this](FileId id) -> const tags::Fields* {
              auto it = files_.find(id);
              return it == files_.end() ? nullptr : &it->second->tags.fields;
          },
          [] { return static_cast<int64_t>(std::time(nullptr)); }),
      kinds_(jobs_, *store_), copies_(jobs_, index_, *store_) {
    auto open = std::make_shared<std::promise<void>>();
    // It is searched as soon as it is open (and brought up to date), while the window is still being built.
    store_->post([open](Store&) { open->set_value(); });
    index_.refresh(open->get_future().share());
    connect(&index_, &LibraryIndex::changed, this, [this] { listenToBatch(); });
    connect(&index_, &LibraryIndex::failed, this, [this](const QString& s) { emit said(s, true); });
    drafts_.setSink([this](const std::vector<library::DraftChange>& changes) {
        ++draftRun_;
        store_->post([changes](Store& store) { store.saveDrafts(changes); });
    });
    drafts_.setObserver([this](const std::set<FileId>& touched) {
        touched_.insert(touched.begin(), touched.end());
        sleeveTimer_.start();
        placing_ = true;
        placeTimer_.start();
        emit draftsChanged();
    });
    sleeveTimer_.setSingleShot(true);
    sleeveTimer_.setInterval(60);
    connect(&sleeveTimer_, &QTimer::timeout, this, &Session::describeTouchedSleeves);
    arrangeTimer_.setSingleShot(true);
    arrangeTimer_.setInterval(0);
    connect(&arrangeTimer_, &QTimer::timeout, this, &Session::arrangeSleeves);
    connect(&standards_, &Standards::changed, this, [this] {
        describeAllSleeves();
        if (loaded_)
            index_.holdTo(shelfRules());
    });
    connect(&kinds_, &Kinds::changed, this, [this](const std::set<FileId>& files) {
        touched_.insert(files.begin(), files.end());
        sleeveTimer_.start();
    });
    connect(&copies_, &Copies::looked, this, [this] { listenToBatch(); });
    connect(&kinds_, &Kinds::kept, this, [this] { index_.refresh(); });
    connect(&kinds_, &Kinds::listened, this, [this] { listenToBatch(); });
    placeTimer_.setSingleShot(true);
    placeTimer_.setInterval(80);
    connect(&placeTimer_, &QTimer::timeout, this, &Session::planDraftedMoves);

    store_->post([this](Store& store) {
        auto report = std::make_shared<library::RecoveryReport>(library::recover(store));
        later([this, report] { tell(*report); });
    });
    reload([this] {
        loaded_ = true;
        emit loaded();
        checkTimer_.start();
        if (!setting(library::readShelvesKey).isEmpty()) { // the library was made anew
            if (shelves_.empty())
                emit said(tr("Which folders were its shelves is not known any more. Add them in Settings: "
                             "they are read at once."),
                          true);
            readShelves(shelves_);
        }
    });
    checkTimer_.setSingleShot(true);
    checkTimer_.setInterval(5000); // when what is needed at once has been read
    connect(&checkTimer_, &QTimer::timeout, this, &Session::checkLibrary);
}

Session::~Session() {
    jobs_.stopAndWait(); // jobs use the store
    store_.reset();
}

void Session::refreshJournal() {
    reload();
}

void Session::checkLibrary() {
    if (std::exchange(checking_, true))
        return;
    auto damage = std::make_shared<std::string>();
    auto trouble = std::make_shared<std::string>();
    jobs_.start(
        tr("Checking the library"),
        [damage, trouble, library = libraryFile()](std::stop_token stop, work::Progress&) {
            *damage = library::damageOf(library, stop);
            constexpr int64_t day = 20 * 3600;
            auto copy = library::keptCopy(library);
            if (!damage->empty() || stop.stop_requested() || (copy && std::time(nullptr) - copy->when < day))
                return;
            if (auto kept = library::keepCopy(library); !kept)
                *trouble = kept.error().message;
        },
        [this, damage, trouble] {
            checking_ = false;
            if (!trouble->empty())
                emit said(qs(*trouble), true);
            if (!damage->empty() && !std::exchange(damageTold_, true))
                emit libraryDamaged(qs(*damage));
        });
}

Path Session::libraryFile() const {
    return store_->file();
}

void Session::tell(const library::RecoveryReport& report) {
    if (report.isEmpty())
        return;
    recovered_ = report;
    emit interruptionFound();
}

void Session::later(std::function<void()> f) {
    QMetaObject::invokeMethod(this, std::move(f), Qt::QueuedConnection);
}

void Session::reload(std::function<void()> then) {
    store_->post([this, then, wanted = batch_, run = draftRun_](Store& store) {
        auto snapshot = std::make_shared<Snapshot>(Snapshot::of(store, wanted));
        later([this, snapshot, then, run] {
            if (run != draftRun_) { // something was typed meanwhile: it must not vanish
                reload(then);
                return;
            }
            take(std::move(*snapshot));
            if (then)
                then();
        });
    });
}

void Session::take(Snapshot s) {
    files_.clear();
    allRecordsStale_ = true;
    for (library::FileRecord& f : s.files) {
        FileId id = f.id;
        files_[id] = std::make_shared<library::FileRecord>(std::move(f));
    }
    batches_ = std::move(s.batches);
    batch_ = s.batch;
    former_.reset();
    unsorted_.clear();
    playKeys_.clear();
    places_.clear();
    for (library::BatchFile& f : s.batchFiles) {
        FilePtr held = file(f.file);
        places_.put(f.file, held && held->readable() ? f.sleeve : std::string(), f.byHand);
    }
    notes_ = std::move(s.notes);
    shelves_ = std::move(s.shelves);
    settings_ = std::move(s.settings);
    if (QString trouble = standards_.load(); !trouble.isEmpty())
        emit said(trouble, true);
    sets_ = std::move(s.sets);
    history_ = std::move(s.history);
    drafts_.load(s.drafts);
    kinds_.take(s.kinds);
    arrangeSleeves();
    listenToBatch();
    readAlong();
    emit batchesChanged();
    emit shelvesChanged();
    emit journalChanged();
    index_.refresh();
    index_.holdTo(shelfRules());
}

FilePtr Session::file(FileId id) const {
    auto it = files_.find(id);
    return it == files_.end() ? nullptr : it->second;
}

std::vector<Path> Session::pathsOf(const std::vector<FileId>& ids) const {
    std::vector<Path> out;
    for (FileId id : ids)
        if (FilePtr f = file(id))
            out.push_back(f->path);
    return out;
}

tags::Fields Session::shownFields(FileId id) const {
    FilePtr f = file(id);
    if (!f)
        return {};
    return showDisk_ ? f->tags.fields : drafts_.effective(id);
}

std::vector<std::string> Session::shownValues(FileId id, const std::string& key) const {
    if (!showDisk_)
        return drafts_.effective(id, key);
    FilePtr f = file(id);
    auto it = f ? f->tags.fields.find(key) : tags::Fields::const_iterator();
    return !f || it == f->tags.fields.end() ? std::vector<std::string>() : it->second;
}

void Session::setShowDisk(bool on) {
    if (showDisk_ == on)
        return;
    showDisk_ = on;
    emit diskShown(on);
}

void Session::withFile(FileId id, std::function<void(FilePtr)> then) {
    if (FilePtr held = file(id)) {
        then(held);
        return;
    }
    store_->post([this, id, then](Store& store) {
        auto record = store.file(id);
        later([then, f = record ? std::make_shared<library::FileRecord>(std::move(*record)) : nullptr] {
            then(f);
        });
    });
}

void Session::withPeaks(const FilePtr& file, std::function<void(const Result<std::vector<float>>&)> then) {
    constexpr size_t bars = 62; // of the foot
    store_->post([this, file, then](Store& store) {
        auto peaks = std::make_shared<Result<std::vector<float>>>(store.peaks(file->id, file->state));
        later([this, file, then, peaks] {
            if (!(*peaks)->empty()) {
                then(*peaks);
                return;
            }
            jobs_.start(
                tr("Drawing the sound of %1").arg(shownName(file->path)),
                [this, file, peaks](std::stop_token stop, work::Progress& progress) {
                    progress.begin(static_cast<uint64_t>(file->tags.facts.duration) + 1);
                    double before = 0;
                    *peaks = guard::Readers::shared().peaksOf(file->path, bars, stop, [&](double seconds) {
                        progress.step({}, static_cast<uint64_t>(seconds - before));
                        before = seconds;
                    });
                    if (*peaks)
                        store_->post(
                            [file, peaks](Store& store) { store.savePeaks(file->id, file->state, **peaks); });
                },
                [then, peaks] { then(*peaks); });
        });
    });
}

void Session::takeUp(const std::vector<FileId>& ids, std::function<void()> then) {
    std::vector<FileId> missing;
    for (FileId id : ids)
        if (!file(id))
            missing.push_back(id);
    if (missing.empty()) {
        then();
        return;
    }
    store_->post([this, missing, then](Store& store) {
        auto records = std::make_shared<std::vector<library::FileRecord>>(store.files(missing));
        later([this, records, then] {
            for (library::FileRecord& r : *records)
                files_.try_emplace(r.id, std::make_shared<library::FileRecord>(std::move(r)));
            then();
        });
    });
}

std::vector<std::string> Session::customKeys() const {
    std::set<std::string> keys;
    if (auto searcher = index_.searcher())
        for (const std::string& key : searcher->customFields())
            keys.insert(key);
    for (const auto& [id, f] : files_)
        for (const auto& [key, values] : f->tags.fields)
            if (!tags::fieldByKey(key))
                keys.insert(key);
    for (const auto& [id, fields] : drafts_.all())
        for (const auto& [key, draft] : fields)
            if (key != library::placeKey && !tags::fieldByKey(key))
                keys.insert(key);
    return {keys.begin(), keys.end()};
}

QString Session::batchName() const {
    for (const library::Batch& b : batches_)
        if (b.id == batch_)
            return qs(b.name);
    return {};
}

QString Session::batchNote() const {
    for (const library::Batch& b : batches_)
        if (b.id == batch_)
            return qs(b.note);
    return {};
}

void Session::chooseBatch(int64_t id) {
    if (id == batch_)
        return;
    batch_ = id;
    handSteps_.clear();
    setSetting("batch", QString::number(id));
    reload();
}

void Session::newBatch(const QString& name) {
    store_->post([this, n = ss(name)](Store& store) {
        int64_t id = store.addBatch(n);
        later([this, id] { chooseBatch(id); });
    });
}

void Session::describeBatch(const QString& name, const QString& note) {
    store_->post(
        [id = batch_, n = ss(name), note = ss(note)](Store& store) { store.describeBatch(id, n, note); });
    reload();
}

void Session::readOrigins(std::function<void(std::vector<library::BatchOrigin>)> then) {
    store_->post([this, id = batch_, then](Store& store) {
        later([then, origins = store.batchOrigins(id)] { then(origins); });
    });
}

void Session::forgetBatch() {
    store_->post([id = batch_](Store& store) { store.forgetBatch(id); });
    standards_.forgetBatch(batch_);
    batch_ = 0;
    handSteps_.clear();
    drafts_.forgetHistory();
    reload();
}

std::vector<FileId> Session::batchFiles() const {
    std::vector<FileId> out;
    for (const SleeveView& s : sleeves_)
        out.insert(out.end(), s.files.begin(), s.files.end());
    return out;
}

size_t Session::gaps() const {
    size_t n = 0;
    for (const SleeveView& s : sleeves_)
        n += s.readiness.gaps({audit::RuleKind::Fields, audit::RuleKind::Numbers, audit::RuleKind::Codes});
    return n;
}

QString Session::setting(const std::string& key) const {
    auto it = settings_.find(key);
    return it == settings_.end() ? QString() : qs(it->second);
}

void Session::setSetting(const std::string& key, const QString& value) {
    settings_[key] = ss(value);
    if (key == library::namesKey)
        index_.holdTo(shelfRules());
    store_->post([key, v = ss(value)](Store& store) { store.setSetting(key, v); });
}

QStringList Session::recentFolders() const {
    return setting("recent folders").split('\n', Qt::SkipEmptyParts);
}

} // namespace moorfrost::app
