// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/codes_controller.h"

#include <QDateTime>

#include <algorithm>
#include <set>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

constexpr size_t atOnce = 40; // gaps in one job: what was found is shown behind each

} // namespace

CodesController::CodesController(const Uses& use) : use_(use) {
    connect(&refresh_, &Refresh::ended, this, &CodesController::changed);
    connect(&use_.index, &LibraryIndex::changed, &refresh_, [this] { refresh_.look(); });
    connect(&use_.drafts, &DraftsController::changed, this, [this] {
        if (!gaps_.empty())
            emit changed();
    });
}

void CodesController::showReleases(library::ReleaseFiles releases) {
    if (releases_ == releases)
        return;
    stop();
    releases_ = std::move(releases);
    gaps_.clear();
    refresh_.look();
    emit changed();
}

bool CodesController::read(int run) {
    const auto searcher = use_.index.searcher();
    if (!searcher)
        return false;
    use_.jobs.start(
        this, {ss(tr("Looking for codes that are missing")), work::Priority::Background},
        [library = use_.library.file(), searcher,
         releases = releases_](std::stop_token, work::Progress&) -> Result<std::vector<library::CodeGap>> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            return releases ? library::codeGaps(**store, *releases) : library::codeGaps(**store, *searcher);
        },
        [this, run](Result<std::vector<library::CodeGap>> gaps) {
            if (!refresh_.isCurrent(run))
                return;
            gaps_ = gaps ? std::move(*gaps) : std::vector<library::CodeGap>();
            refresh_.end(run);
        });
    return true;
}

const library::CodeAnswer* CodesController::answer(size_t gap) const {
    const library::CodeGap& of = gaps_.at(gap);
    const auto at = answers_.find(of.files.front());
    return at == answers_.end() || at->second.gap.files != of.files ? nullptr : &at->second;
}

bool CodesController::isTaken(size_t gap) const {
    return std::ranges::all_of(gaps_.at(gap).files, [this](FileId file) {
        return use_.drafts.session().find(file, "isrc") != nullptr;
    });
}

size_t CodesController::sure() const {
    size_t out = 0;
    for (size_t i = 0; i < gaps_.size(); ++i)
        if (const library::CodeAnswer* one = answer(i); one && one->isSure() && !isTaken(i))
            ++out;
    return out;
}

void CodesController::lookUpAll() {
    if (asking_ || gaps_.empty() || !use_.references.mayBeAsked())
        return;
    asking_ = true;
    asked_ = 0;
    errors_.clear();
    waiting_ = gaps_;
    std::ranges::reverse(waiting_); // taken from the end
    std::vector<FileId> files;
    for (const library::CodeGap& gap : gaps_)
        files.insert(files.end(), gap.files.begin(), gap.files.end());
    emit changed();
    use_.sounds.prepare(this, files, [this](const matching::PrintsOf& prints) {
        prints_ = prints;
        askNext();
    });
}

void CodesController::stop() {
    waiting_.clear();
    if (job_ != 0)
        use_.jobs.stop(job_);
}

void CodesController::askNext() {
    const auto searcher = use_.index.searcher();
    if (waiting_.empty() || !searcher) {
        asking_ = false;
        job_ = 0;
        if (!errors_.isEmpty())
            use_.messages.say(errors_.join(' '), true);
        emit changed();
        return;
    }
    // Of the same release together.
    std::vector<library::CodeGap> some;
    while (!waiting_.empty() && (some.size() < atOnce || waiting_.back().album == some.back().album)) {
        some.push_back(std::move(waiting_.back()));
        waiting_.pop_back();
    }
    using Answers = std::pair<std::vector<library::CodeAnswer>, std::vector<Error>>;
    job_ = use_.jobs.start(
        this, {ss(tr("Looking up codes")), work::Priority::Asked, {.network = true}},
        [library = use_.library.file(), searcher, some, prints = prints_, held = use_.references.held(),
         releases = releases_.value_or(library::ReleaseFiles())](
            std::stop_token stop, work::Progress& progress) -> Result<Answers> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            Answers out;
            out.second = library::lookUpCodes(
                **store, *searcher, some, ReferencesController::plain(held), prints, stop, progress,
                [&](library::CodeAnswer&& one) { out.first.push_back(std::move(one)); }, releases);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return out;
        },
        [this, n = some.size()](Result<Answers> answers) {
            if (!answers) {
                if (answers.error().kind != ErrorKind::Cancelled)
                    errors_ << spoken(answers.error().message);
                waiting_.clear();
            } else {
                for (library::CodeAnswer& one : answers->first)
                    answers_[one.gap.files.front()] = std::move(one);
                for (const Error& error : answers->second)
                    if (const QString said = spoken(error.message); !errors_.contains(said))
                        errors_ << said;
                asked_ += n;
            }
            emit changed();
            askNext();
        });
}

void CodesController::take(const library::CodeGap& gap, const std::string& isrc) {
    std::vector<library::DraftSession::Wish> wishes;
    for (const FileId file : gap.files)
        wishes.push_back({file, "isrc", {isrc}});
    propose(std::move(wishes), true);
}

void CodesController::takeSure() {
    std::vector<library::DraftSession::Wish> wishes;
    for (size_t i = 0; i < gaps_.size(); ++i)
        if (const library::CodeAnswer* one = answer(i); one && one->isSure() && !isTaken(i))
            for (const FileId file : gaps_[i].files)
                wishes.push_back(
                    {file, "isrc", {one->candidates.front().isrc}, one->candidates.front().source});
    propose(std::move(wishes));
}

std::vector<library::CodeGap> CodesController::unknown() const {
    std::vector<library::CodeGap> out;
    for (size_t i = 0; i < gaps_.size(); ++i) {
        const library::CodeAnswer* one = answer(i);
        const bool isKnown = one && std::ranges::any_of(one->candidates, [](const library::CodeCandidate& c) {
                                 return c.refused.empty();
                             });
        if (!isKnown && !isTaken(i))
            out.push_back(gaps_[i]);
    }
    return out;
}

void CodesController::withNext(QObject* asker, const library::IsrcSeries& series,
                               std::function<void(QString, QString)> then) {
    const auto searcher = use_.index.searcher();
    if (!searcher)
        return then({}, tr("The library is still being read."));
    use_.library.read(
        asker,
        [searcher, series](library::Store& store) { return library::nextOwnCode(store, *searcher, series); },
        [then](Result<Result<std::string>> code) {
            if (!code)
                return;
            if (*code)
                then(qs(**code), {});
            else
                then({}, spoken(code->error().message));
        });
}

void CodesController::withRegister(QObject* asker, std::function<void(std::string)> then) {
    use_.library.read(
        asker, [](library::Store& store) { return library::ownCodesCsv(store); },
        [then](Result<std::string> csv) {
            if (csv)
                then(std::move(*csv));
        });
}

void CodesController::giveOwn(const std::vector<library::CodeGap>& some, const library::IsrcSeries& series) {
    const auto searcher = use_.index.searcher();
    if (some.empty() || !searcher)
        return;
    use_.library.write(
        this,
        [searcher, series, some, now = QDateTime::currentSecsSinceEpoch()](library::Store& store) {
            return library::giveOwnCodes(store, *searcher, series, some, now);
        },
        [this](Result<Result<std::vector<library::GivenCode>>> given) {
            if (!given)
                return;
            if (!*given)
                return use_.messages.say(given->error());
            std::vector<library::DraftSession::Wish> wishes;
            for (const library::GivenCode& one : **given)
                for (const FileId file : one.gap.files)
                    wishes.push_back({file, "isrc", {one.isrc}, "own code"});
            propose(std::move(wishes));
        });
}

void CodesController::propose(std::vector<library::DraftSession::Wish> wishes, bool replacing) {
    if (!replacing)
        std::erase_if(wishes, [this](const library::DraftSession::Wish& wish) {
            return use_.drafts.session().find(wish.file, "isrc") != nullptr;
        });
    std::set<FileId> files;
    for (const auto& wish : wishes)
        files.insert(wish.file);
    use_.files.takeUp(this, {files.begin(), files.end()}, [this, wishes = std::move(wishes)]() mutable {
        std::set<FileId> unwritable;
        std::erase_if(wishes, [&](const library::DraftSession::Wish& wish) {
            const FilePtr file = use_.files.file(wish.file);
            const bool may = file && file->mayHaveDrafts() && file->absent == 0 &&
                             !file->tags.fields.contains("isrc"); // nothing is replaced
            if (!may)
                unwritable.insert(wish.file);
            return !may;
        });
        const QString title = tr("%n code(s)", "", static_cast<int>(wishes.size()));
        if (!wishes.empty())
            use_.drafts.session().propose(ss(title), wishes, "code looked up");
        QString told = tr("Proposed: %n code(s).", "", static_cast<int>(wishes.size()));
        if (!unwritable.empty())
            told += " " + tr("%n file(s) cannot be written to: no drafts of these.", "",
                             static_cast<int>(unwritable.size()));
        use_.messages.say(told, !unwritable.empty());
    });
}

} // namespace moorfrost::app
