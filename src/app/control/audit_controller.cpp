// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/audit_controller.h"

#include <QDate>
#include <QDateTime>

#include <algorithm>
#include <set>
#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/findings/audit_settings.h"

namespace moorfrost::app {

namespace {

constexpr int pauseMs = 1500, inSightMs = 100;
constexpr size_t daysShown = 60;
constexpr size_t fewFindings = 20000; // that are gone through at once

int32_t today() {
    return static_cast<int32_t>(QDate(1970, 1, 1).daysTo(QDate::currentDate()));
}

using Releases = std::shared_ptr<const library::ReleaseAudit>;

/// Stops with either of two.
class Either {
public:
    Either(const std::stop_token& one, const std::stop_token& other)
        : one_(one, [this] { source_.request_stop(); }), other_(other, [this] { source_.request_stop(); }) {}
    std::stop_token token() const { return source_.get_token(); }

private:
    std::stop_source source_;
    std::stop_callback<std::function<void()>> one_, other_;
};

} // namespace

/// A sheet, which of it is listed, and the days of its findings.
struct AuditController::Arranged {
    std::shared_ptr<const library::FindingSheet> sheet;
    library::FoundFindings found;
    library::FindingDays days;
    library::FindingDays::Change newDays;
};

AuditController::AuditController(const Uses& use) : use_(use) {
    soon_.setSingleShot(true);
    soon_.setInterval(pauseMs);
    connect(&soon_, &QTimer::timeout, this, &AuditController::lookAtAll);
    connect(&use_.index, &LibraryIndex::changed, this, &AuditController::look);
    connect(&use_.sounds, &SoundPrints::heard, this, [this] {
        if (!use_.sounds.isListening()) // else more is to come
            look();
    });
    connect(&use_.reports, &FileReports::measured, this, [this](const std::vector<FileId>& files) {
        measured_.insert(measured_.end(), files.begin(), files.end());
        soon_.start(); // only their releases are looked at again
    });
    connect(&use_.reports, &FileReports::ended, this, &AuditController::changed);
    connect(&use_.kept, &KeptChanges::cardsChanged, this, &AuditController::look);
    connect(&use_.drafts, &DraftsController::changed, this, [this] {
        if (!taken_.empty())
            emit takenChanged();
    });
    connect(&use_.settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::standards) ||
            LibrarySettings::is(key, library::settings::defaultStandard) ||
            LibrarySettings::is(key, library::settings::shelfPlans) ||
            LibrarySettings::is(key, library::settings::names))
            look();
    });
}

void AuditController::load() {
    if (auto choices = library::RuleChoices::fromJson(use_.settings.get(library::settings::auditRules)))
        choices_ = std::move(*choices);
    struct Kept {
        library::FindingSheet::Left left;
        std::vector<std::pair<std::string, std::map<std::string, size_t>>> counts;
        library::FindingDays days;
    };
    use_.library.read(
        this,
        [](library::Store& store) {
            library::FindingTable table(store.database());
            return Kept{table.left(), table.counts(daysShown), library::FindingDays(table.since())};
        },
        [this](Result<Kept> kept) {
            if (!kept)
                return;
            left_ = std::move(kept->left);
            days_ = std::move(kept->days);
            loaded_ = true;
            course_.clear();
            for (const auto& [day, counts] : kept->counts) {
                size_t all = 0;
                for (const auto& [rule, count] : counts)
                    all += count;
                course_.emplace_back(day, all);
            }
            arrange();
        });
    look();
}

void AuditController::setInSight(bool inSight) {
    use_.reports.setInSight(inSight);
    const bool waits = soon_.isActive();
    soon_.setInterval(inSight ? inSightMs : pauseMs);
    if (waits)
        soon_.start();
}

void AuditController::look() {
    more_ = true;
    soon_.start();
}

void AuditController::lookAtAll() {
    if (looking_) {
        again_ = true;
        return;
    }
    if (!use_.index.searcher())
        return; // it tells when it is there
    looking_ = true;
    again_ = false;
    const bool more = std::exchange(more_, false);
    otherRules_ = {};
    emit changed();
    use_.jobs.start(
        this, {ss(tr("Looking through the library")), work::Priority::Background},
        [library = use_.library.file(), search = use_.index.search(), held = releases_, choices = choices_,
         measured = measured_, other = otherRules_.get_token()](
            std::stop_token stop, work::Progress& progress) -> Result<Releases> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            const Either either(stop, other);
            library::AuditRules rules = library::auditRulesOf(**store);
            rules.choices = choices;
            return library::auditReleases(**store, search, rules, held, measured, either.token(), progress);
        },
        [this, more, measured = measured_.size()](Result<Releases> releases) {
            if (!releases && releases.error().kind != ErrorKind::Cancelled)
                use_.messages.say(releases.error());
            if (!releases || !*releases) {
                more_ = more_ || more;
                return lookedAtAll();
            }
            releases_ = std::move(*releases);
            measured_.erase(measured_.begin(), measured_.begin() + static_cast<std::ptrdiff_t>(measured));
            if (more) { // what takes longer follows
                arrange();
                return lookTogether();
            }
            arrange(true);
            lookedAtAll();
        });
}

void AuditController::lookTogether() {
    use_.jobs.start(
        this, {ss(tr("Looking at the whole library together")), work::Priority::Background},
        [library = use_.library.file(), searcher = use_.index.searcher(), rules = releases_->rules,
         sounds = use_.sounds.store(), other = otherRules_.get_token()](
            std::stop_token stop, work::Progress& progress) -> Result<std::optional<library::Findings>> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            const Either either(stop, other);
            return library::auditTogether(**store, *searcher, rules, sounds.get(), either.token(), progress);
        },
        [this](Result<std::optional<library::Findings>> together) {
            if (!together && together.error().kind != ErrorKind::Cancelled)
                use_.messages.say(together.error());
            if (together && *together) {
                together_ = std::move(**together);
                lookedTogether_ = true;
                arrange(true);
            }
            lookedAtAll();
        });
}

void AuditController::lookedAtAll() {
    looking_ = false;
    emit changed();
    if (again_)
        soon_.start();
}

void AuditController::arrange(bool count) {
    counts_ = counts_ || count;
    const int run = ++run_;
    auto work = [releases = releases_, together = together_, choices = choices_, left = left_, days = days_,
                 all = releases_ != nullptr && lookedTogether_ && loaded_, filter = filter_,
                 today = today()](std::stop_token stop) mutable -> std::optional<Arranged> {
        Arranged out;
        out.sheet = std::make_shared<const library::FindingSheet>(std::move(releases), std::move(together),
                                                                  choices, left, days, today);
        auto found = library::findFindings(*out.sheet, filter, today, stop);
        if (!found)
            return std::nullopt;
        out.found = std::move(*found);
        out.days = std::move(days);
        if (all)
            out.newDays = out.days.see(out.sheet->keys(), today);
        return out;
    };
    const size_t all = together_.size() + (releases_ ? releases_->findings.size() : 0);
    if (all <= fewFindings) {
        arranging_ = false;
        take(*work({}));
        return;
    }
    if (job_ != 0)
        use_.jobs.stop(job_); // of no use any more
    arranging_ = true;
    job_ = use_.jobs.start(
        this, {ss(tr("Arranging what was found")), work::Priority::Asked},
        [work = std::move(work)](std::stop_token stop, work::Progress&) mutable -> Result<Arranged> {
            auto out = work(stop);
            if (!out)
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return std::move(*out);
        },
        [this, run](Result<Arranged> arranged) {
            if (run != run_)
                return;
            job_ = 0;
            arranging_ = false;
            if (arranged)
                take(std::move(*arranged));
        });
}

void AuditController::take(Arranged&& arranged) {
    sheet_ = std::move(arranged.sheet);
    found_ = std::move(arranged.found);
    days_ = std::move(arranged.days);
    if (!arranged.newDays.isEmpty())
        use_.library.write([change = std::move(arranged.newDays)](library::Store& store) {
            library::FindingTable(store.database()).setSince(change.found, change.gone);
            return Done{};
        });
    if (std::exchange(counts_, false))
        noteCounts();
    emit changed();
}

void AuditController::setFilter(const library::FindingFilter& filter) {
    if (filter_ == filter)
        return;
    filter_ = filter;
    list();
}

void AuditController::list() {
    if (sheet_->size() <= fewFindings) {
        found_ = *library::findFindings(*sheet_, filter_, today());
        emit listed();
        return;
    }
    if (arranging_) // by the filter of before
        return arrange();
    if (job_ != 0)
        use_.jobs.stop(job_);
    const int run = ++run_;
    job_ = use_.jobs.start(
        this, {ss(tr("Looking for findings")), work::Priority::Asked},
        [sheet = sheet_, filter = filter_,
         today = today()](std::stop_token stop, work::Progress&) -> Result<library::FoundFindings> {
            auto found = library::findFindings(*sheet, filter, today, stop);
            if (!found)
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return std::move(*found);
        },
        [this, run](Result<library::FoundFindings> found) {
            if (run != run_)
                return;
            job_ = 0;
            if (!found)
                return;
            found_ = std::move(*found);
            emit listed();
        });
}

void AuditController::noteCounts() {
    const std::string day = ss(QDate::currentDate().toString(Qt::ISODate));
    if (!course_.empty() && course_.back() == std::pair(day, open()))
        return;
    if (course_.empty() || course_.back().first != day)
        course_.emplace_back(day, open());
    course_.back().second = open();
    std::map<std::string, size_t> byRule;
    for (const library::AuditRule& rule : library::auditRules())
        byRule[rule.key] = count(rule);
    use_.library.write([day, byRule](library::Store& store) {
        library::FindingTable(store.database()).count(day, byRule);
        return Done{};
    });
}

QString AuditController::title(size_t finding) const {
    return qs(sheet_->title(finding)); // of a track or a release: what it says is never translated
}

QDate AuditController::day(size_t finding) const {
    return QDate(1970, 1, 1).addDays(sheet_->day(finding));
}

std::vector<size_t> AuditController::withKeys(const std::vector<uint64_t>& keys) const {
    const std::unordered_set<uint64_t> wanted(keys.begin(), keys.end());
    std::vector<size_t> out;
    for (size_t i = 0; i < size(); ++i)
        if (wanted.contains(key(i)))
            out.push_back(i);
    return out;
}

bool AuditController::isTaken(size_t finding) const {
    const library::Findings::Head& h = sheet_->head(finding);
    return taken_.contains(h.key) && !use_.drafts.session().of(h.first).empty();
}

const library::LeftFinding* AuditController::left(size_t finding) const {
    const auto at = left_.find(key(finding));
    return at == left_.end() || !isLeft(finding) ? nullptr : &at->second;
}

void AuditController::setChoice(const library::AuditRule& rule, const library::RuleChoices::Choice& choice) {
    if (choices_.of(rule) == choice)
        return;
    choices_.set(rule, choice);
    use_.settings.set(library::settings::auditRules, choices_.json());
    otherRules_.request_stop();
    arrange();
    look();
}

void AuditController::withWishes(QObject* asker, size_t finding,
                                 std::function<void(std::vector<library::DraftSession::Wish>)> then) {
    use_.library.read(
        asker,
        [finding = this->finding(finding)](library::Store& store) {
            return library::wishesOf(store, finding);
        },
        [then](Result<std::vector<library::DraftSession::Wish>> wishes) {
            then(wishes ? std::move(*wishes) : std::vector<library::DraftSession::Wish>());
        });
}

void AuditController::takeFixes(const std::vector<size_t>& findings, std::function<void(size_t)> then) {
    auto all = std::make_shared<std::vector<library::Finding>>();
    for (const size_t one : findings)
        if (one < size() && hasFix(one))
            all->push_back(finding(one));
    if (all->empty())
        return;
    use_.library.read(
        this, [all](library::Store& store) { return library::wishesOf(store, *all); },
        [this, all, then](Result<std::vector<library::DraftSession::Wish>> answer) {
            if (!answer)
                return use_.messages.say(answer.error());
            auto wishes = std::make_shared<std::vector<library::DraftSession::Wish>>(std::move(*answer));
            std::set<FileId> files;
            for (const auto& wish : *wishes)
                files.insert(wish.file);
            use_.files.takeUp(this, {files.begin(), files.end()}, [this, wishes, all, then] {
                std::set<FileId> unwritable;
                std::erase_if(*wishes, [&](const library::DraftSession::Wish& wish) {
                    const FilePtr file = use_.files.file(wish.file);
                    const bool may = file && file->mayHaveDrafts() && file->absent == 0;
                    if (!may)
                        unwritable.insert(wish.file);
                    return !may;
                });
                const QString title = all->size() == 1 ? spoken(all->front().fix.says)
                                                       : tr("%n fix(es)", "", static_cast<int>(all->size()));
                remember(*all);
                for (const library::Finding& finding : *all)
                    taken_.insert(library::findingKey(finding.rule, finding.about));
                if (!wishes->empty())
                    use_.drafts.session().propose(ss(title), *wishes, "audit");
                QString told = tr("Proposed: %n value(s).", "", static_cast<int>(wishes->size()));
                if (!unwritable.empty())
                    told += " " + tr("%n file(s) cannot be written to: no drafts of these.", "",
                                     static_cast<int>(unwritable.size()));
                use_.messages.say(told, !unwritable.empty());
                emit takenChanged();
                if (then)
                    then(wishes->size());
            });
        });
}

void AuditController::remember(const std::vector<library::Finding>& findings) {
    std::vector<library::OtherSpelling> spellings;
    for (const library::Finding& finding : findings)
        if (finding.rule == "near-values" && finding.card != 0)
            for (const library::Fix::Replacement& one : finding.fix.replacements)
                spellings.push_back({one.to, one.from});
    if (!spellings.empty())
        use_.people.rememberSpellings(spellings);
}

void AuditController::showCard(size_t finding) {
    if (const library::Finding one = this->finding(finding); one.card != 0)
        use_.people.wantShown(one.card, one.cardKind);
}

void AuditController::leave(const std::vector<size_t>& findings, const std::string& reason) {
    std::vector<library::LeftFinding> some;
    for (const size_t one : findings) {
        const library::Findings::Head& h = sheet_->head(one);
        some.push_back(
            {h.key, h.rule->key, ss(title(one)), h.facts, reason, QDateTime::currentSecsSinceEpoch()});
        left_[h.key] = some.back();
    }
    use_.library.write([some](library::Store& store) {
        library::FindingTable(store.database()).leave(some);
        return Done{};
    });
    arrange(true);
}

void AuditController::bringBack(const std::vector<size_t>& findings) {
    std::vector<uint64_t> keys;
    for (const size_t one : findings) {
        keys.push_back(key(one));
        left_.erase(keys.back());
    }
    use_.library.write([keys](library::Store& store) {
        library::FindingTable(store.database()).bringBack(keys);
        return Done{};
    });
    arrange(true);
}

} // namespace moorfrost::app
