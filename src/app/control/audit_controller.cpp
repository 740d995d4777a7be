// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/audit_controller.h"

#include <QDate>
#include <QDateTime>

#include <algorithm>
#include <set>

#include "app/shell/text_utils.h"
#include "core/library/findings/audit_settings.h"

namespace moorfrost::app {

namespace {

constexpr int pauseMs = 1500, inSightMs = 100;
constexpr size_t daysShown = 60;

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

size_t placeOf(const library::AuditRule* rule) {
    return static_cast<size_t>(rule - library::auditRules().data());
}

} // namespace

AuditController::AuditController(const Uses& use) : use_(use), counts_(library::auditRules().size()) {
    soon_.setSingleShot(true);
    soon_.setInterval(pauseMs);
    connect(&soon_, &QTimer::timeout, this, &AuditController::lookAtAll);
    connect(&use_.index, &LibraryIndex::changed, this, &AuditController::look);
    connect(&use_.sounds, &SoundPrints::heard, this, [this] {
        if (!use_.sounds.isListening()) // else more is to come
            look();
    });
    connect(&use_.reports, &SoundReports::measured, this, [this](const std::vector<FileId>& files) {
        measured_.insert(measured_.end(), files.begin(), files.end());
        soon_.start(); // only their releases are looked at again
    });
    connect(&use_.reports, &SoundReports::ended, this, &AuditController::changed);
    connect(&use_.drafts, &DraftsController::changed, this, [this] {
        if (!taken_.empty())
            emit takenChanged();
    });
    connect(&use_.settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::standards) ||
            LibrarySettings::is(key, library::settings::defaultStandard) ||
            LibrarySettings::is(key, library::settings::names))
            look();
    });
}

void AuditController::load() {
    if (auto choices = library::RuleChoices::fromJson(use_.settings.get(library::settings::auditRules)))
        choices_ = std::move(*choices);
    using Kept = std::pair<std::unordered_map<uint64_t, library::LeftFinding>,
                           std::vector<std::pair<std::string, std::map<std::string, size_t>>>>;
    use_.library.read(
        this,
        [](library::Store& store) {
            library::FindingTable table(store.database());
            return Kept{table.left(), table.counts(daysShown)};
        },
        [this](Result<Kept> kept) {
            if (!kept)
                return;
            left_ = std::move(kept->first);
            course_.clear();
            for (const auto& [day, counts] : kept->second) {
                size_t all = 0;
                for (const auto& [rule, count] : counts)
                    all += count;
                course_.emplace_back(day, all);
            }
            put();
            emit changed();
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
            put(); // what takes longer follows
            emit changed();
            if (more)
                return lookTogether();
            noteCounts();
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
                put();
                noteCounts();
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

const library::Findings::Head& AuditController::head(size_t finding) const {
    const Entry& entry = entries_.at(finding);
    return (entry.together ? together_ : releases_->findings).head(entry.at);
}

void AuditController::put() {
    entries_.clear();
    std::ranges::fill(counts_, 0);
    open_ = 0;
    std::unordered_set<FileId> units;
    auto add = [&](const library::Findings& findings, bool together) {
        for (uint32_t i = 0; i < findings.size(); ++i) {
            const library::Findings::Head& head = findings.head(i);
            if (!head.rule || !choices_.of(*head.rule).on)
                continue;
            const auto left = left_.find(head.key);
            const bool isLeft = left != left_.end() && left->second.facts == head.facts;
            entries_.push_back({together, isLeft, i});
            if (!isLeft) {
                ++counts_[placeOf(head.rule)];
                ++open_;
                if (head.unit != 0)
                    units.insert(head.unit);
            }
        }
    };
    if (releases_)
        add(releases_->findings, false);
    add(together_, true);
    inReleases_ = units.size();
    auto place = [this](const Entry& entry) { // the surest of a rule first
        const auto& head = (entry.together ? together_ : releases_->findings).head(entry.at);
        return std::tuple(choices_.of(*head.rule).weight, placeOf(head.rule), -head.sure);
    };
    std::ranges::stable_sort(entries_, {}, place);
}

void AuditController::noteCounts() {
    const std::string day = ss(QDate::currentDate().toString(Qt::ISODate));
    if (!course_.empty() && course_.back() == std::pair(day, open_))
        return;
    if (course_.empty() || course_.back().first != day)
        course_.emplace_back(day, open_);
    course_.back().second = open_;
    std::map<std::string, size_t> byRule;
    for (const library::AuditRule& rule : library::auditRules())
        byRule[rule.key] = counts_[placeOf(&rule)];
    use_.library.write([day, byRule](library::Store& store) {
        library::FindingTable(store.database()).count(day, byRule);
        return Done{};
    });
}

QString AuditController::title(size_t finding) const {
    const Entry& entry = entries_.at(finding);
    return qs((entry.together ? together_ : releases_->findings).title(entry.at));
}

library::Finding AuditController::finding(size_t finding) const {
    const Entry& entry = entries_.at(finding);
    return (entry.together ? together_ : releases_->findings)[entry.at];
}

std::vector<size_t> AuditController::withKeys(const std::vector<uint64_t>& keys) const {
    const std::unordered_set<uint64_t> wanted(keys.begin(), keys.end());
    std::vector<size_t> out;
    for (size_t i = 0; i < entries_.size(); ++i)
        if (wanted.contains(key(i)))
            out.push_back(i);
    return out;
}

bool AuditController::isTaken(size_t finding) const {
    const library::Findings::Head& h = head(finding);
    return taken_.contains(h.key) && !use_.drafts.session().of(h.first).empty();
}

const library::LeftFinding* AuditController::left(size_t finding) const {
    const auto at = left_.find(head(finding).key);
    return at == left_.end() || !isLeft(finding) ? nullptr : &at->second;
}

size_t AuditController::count(const library::AuditRule& rule) const {
    return counts_[placeOf(&rule)];
}

void AuditController::setChoice(const library::AuditRule& rule, const library::RuleChoices::Choice& choice) {
    if (choices_.of(rule) == choice)
        return;
    choices_.set(rule, choice);
    use_.settings.set(library::settings::auditRules, choices_.json());
    otherRules_.request_stop();
    put();
    emit changed();
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
                const QString title = all->size() == 1 ? qs(all->front().fix.says)
                                                       : tr("%n fix(es)", "", static_cast<int>(all->size()));
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

void AuditController::leave(const std::vector<size_t>& findings, const std::string& reason) {
    std::vector<library::LeftFinding> some;
    for (const size_t one : findings) {
        const library::Findings::Head& h = head(one);
        some.push_back(
            {h.key, h.rule->key, ss(title(one)), h.facts, reason, QDateTime::currentSecsSinceEpoch()});
        left_[h.key] = some.back();
    }
    use_.library.write([some](library::Store& store) {
        library::FindingTable(store.database()).leave(some);
        return Done{};
    });
    put();
    noteCounts();
    emit changed();
}

void AuditController::bringBack(const std::vector<size_t>& findings) {
    std::vector<uint64_t> keys;
    for (const size_t one : findings) {
        keys.push_back(head(one).key);
        left_.erase(keys.back());
    }
    use_.library.write([keys](library::Store& store) {
        library::FindingTable(store.database()).bringBack(keys);
        return Done{};
    });
    put();
    noteCounts();
    emit changed();
}

} // namespace moorfrost::app
