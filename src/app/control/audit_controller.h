// SPDX-License-Identifier: GPL-3.0-or-later
// What the audit finds in the library, kept true in the background; what a person does about it: fixes as
// drafts, findings that are left as they are, rules that are asked or not.
#pragma once

#include <QDate>
#include <QObject>
#include <QTimer>

#include <unordered_map>
#include <unordered_set>

#include "app/control/drafts_controller.h"
#include "app/control/file_reports.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/people_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sound_prints.h"
#include "core/library/findings/finding_sheet.h"

namespace moorfrost::app {

class AuditController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        SoundPrints& sounds;
        FileReports& reports;
        KeptChanges& kept;
        PeopleController& people;
        ShelvesController& shelves;
    };
    explicit AuditController(const Uses& use);

    /// What was left, and how much was found before; asks for the library to be looked through.
    void load();
    void look();
    std::shared_ptr<const library::Searcher> searcher() const { return use_.index.searcher(); }
    /// In sight it is looked at once, else after a while.
    void setInSight(bool inSight);
    bool isLooking() const { return looking_; }
    /// It was looked through at least once.
    bool hasLooked() const { return releases_ != nullptr; }

    /// All findings, the gravest first. Their numbers hold until changed() or listed().
    size_t size() const { return sheet_->size(); }
    const library::AuditRule& rule(size_t finding) const { return *sheet_->head(finding).rule; }
    library::Weight weight(size_t finding) const { return sheet_->weight(finding); }
    QString title(size_t finding) const;
    size_t files(size_t finding) const { return sheet_->head(finding).files; }
    FileId firstFile(size_t finding) const { return sheet_->head(finding).first; }
    /// By the first file of its release; 0: it is of the whole library.
    FileId release(size_t finding) const { return sheet_->head(finding).unit; }
    bool hasFix(size_t finding) const { return sheet_->head(finding).fix; }
    /// Its fix was taken, and there are drafts of it.
    bool isTaken(size_t finding) const;
    bool isLeft(size_t finding) const { return sheet_->isLeft(finding); }
    /// On which it was found first.
    QDate day(size_t finding) const;
    /// How sure it is, 0 to 1; 1 for most.
    double sure(size_t finding) const { return static_cast<double>(sheet_->head(finding).sure); }
    /// Sound is still being measured: there may be more.
    bool isMeasuring() const { return use_.reports.isMeasuring(); }
    /// Of one that is left: why, and when.
    const library::LeftFinding* left(size_t finding) const;
    library::Finding finding(size_t finding) const { return sheet_->finding(finding); }
    /// Tells it apart from others, from look to look.
    uint64_t key(size_t finding) const { return sheet_->head(finding).key; }
    /// Those that are there (still), in their order.
    std::vector<size_t> withKeys(const std::vector<uint64_t>& keys) const;

    /// Which of them are listed; of very many that is told a little later.
    void setFilter(const library::FindingFilter& filter);
    const library::FindingFilter& filter() const { return filter_; }
    /// Always of the findings as they are numbered now.
    const library::FoundFindings& found() const { return found_; }
    std::vector<library::Shelf> shelves() const { return use_.shelves.all(); }

    /// How many there are by a rule that are not left.
    size_t count(const library::AuditRule& rule) const { return sheet_->count(rule); }
    size_t open() const { return sheet_->open(); }
    /// In so many releases; those of the whole library are in none.
    size_t releases() const { return sheet_->releases(); }
    size_t leftAlone() const { return sheet_->size() - sheet_->open(); }
    /// Of the last days on which it was counted, the earliest first: the day, and how many.
    const std::vector<std::pair<std::string, size_t>>& course() const { return course_; }

    const library::RuleChoices& choices() const { return choices_; }
    void setChoice(const library::AuditRule& rule, const library::RuleChoices::Choice& choice);

    /// What the fix of one would do, by what the files say now.
    void withWishes(QObject* asker, size_t finding,
                    std::function<void(std::vector<library::DraftSession::Wish>)> then);
    /// `then`: how many values were proposed.
    void takeFixes(const std::vector<size_t>& findings, std::function<void(size_t)> then = {});
    void leave(const std::vector<size_t>& findings, const std::string& reason);
    void bringBack(const std::vector<size_t>& findings);

    /// The party, work or agreement that it is about, on its page.
    void showCard(size_t finding);

signals:
    /// Findings, and which of them are listed.
    void changed();
    /// Others are listed.
    void listed();
    /// Of fixes that were taken there are drafts, or no more.
    void takenChanged();

private:
    struct Arranged;
    void lookAtAll();
    void lookTogether();
    void lookedAtAll();
    /// The sheet is to be made anew, of what is there by now; `count`: and counted for the course.
    void arrange(bool count = false);
    void take(Arranged&& arranged);
    void list();
    void noteCounts();
    void remember(const std::vector<library::Finding>& findings);

    Uses use_;
    QTimer soon_{this}; // several changes in a row are looked at once
    library::RuleChoices choices_;
    std::shared_ptr<const library::ReleaseAudit> releases_;
    library::Findings together_;
    bool lookedTogether_ = false;
    std::shared_ptr<const library::FindingSheet> sheet_ = std::make_shared<library::FindingSheet>();
    library::FindingFilter filter_;
    library::FoundFindings found_;
    library::FindingDays days_;
    bool loaded_ = false;    // what was kept is known
    int run_ = 0;            // of what was arranged, or listed
    work::JobId job_ = 0;    // of that
    bool arranging_ = false; // it arranges
    bool counts_ = false;    // when it is arranged
    std::unordered_map<uint64_t, library::LeftFinding> left_;
    std::unordered_set<uint64_t> taken_; // keys
    std::vector<std::pair<std::string, size_t>> course_;
    bool looking_ = false, again_ = false;
    std::vector<FileId> measured_; // since the last look
    bool more_ = false;            // something else has changed, too: all of it is looked at together
    std::stop_source otherRules_;  // ends what is looked at by the old ones
};

} // namespace moorfrost::app
