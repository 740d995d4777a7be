// SPDX-License-Identifier: GPL-3.0-or-later
// What the sleeves of the batch may be: candidates and their line-ups, the one that is chosen, taking it as
// drafts. Nothing is taken unless somebody says so.
#pragma once

#include <QObject>
#include <QTimer>

#include <map>
#include <set>

#include "app/control/batch_controller.h"
#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/references_controller.h"
#include "app/control/sleeve_views.h"
#include "core/bench/taking.h"
#include "core/library/already_here.h"
#include "core/matching/identify.h"
#include "core/matching/seats.h"

namespace moorfrost::app {

/// What is known of one sleeve.
struct SleeveAnswer {
    uint64_t version = 0; // of the SleeveView that was asked about
    matching::SleeveClues clues;
    std::vector<matching::Candidate> candidates; // the best first
    matching::Verdict verdict = matching::Verdict::Unknown;
    size_t chosen = 0;
    bool seatedByHand = false;
    library::AlreadyHere here;     // the one that is chosen, on the shelves
    QStringList errors;            // of references that could not be asked
    bool fetching = false;         // all there is of the one that is chosen
    uint64_t turn = 0;             // of asking: an answer to an older one is nobody's
    work::JobId asking = 0;        // while it is asked; 0: it was
    std::map<FileId, int> joining; // strays that are coming, and the seats that wait for them

    const matching::Candidate* best() const {
        return chosen < candidates.size() ? &candidates[chosen] : nullptr;
    }
};

class IdentifyController : public QObject {
    Q_OBJECT
public:
    IdentifyController(LibraryAccess& library, LibraryIndex& index, LibrarySettings& settings,
                       FilesController& files, DraftsController& drafts, BatchController& batch,
                       const SleeveViews& sleeves, SoundPrints& sounds, ReferencesController& references,
                       JobList& jobs, Messages& messages);

    /// nullptr: nothing was asked, or its files are others now.
    const SleeveAnswer* answer(const std::string& sleeve) const;
    /// What its files tell, for the words to ask with.
    matching::SleeveClues clues(const std::string& sleeve) const;
    /// Asks about one sleeve, by all that is known of it; by its sound where names lead to nothing likely.
    void identify(const std::string& sleeve);
    /// By its sound, too, whatever names say. Who was chosen stays so, as long as it is among the candidates.
    void identifyBySound(const std::string& sleeve);
    /// By words that a person gave.
    void identifyBy(const std::string& sleeve, const reference::Question& question);
    /// All sleeves that were not asked about and have not been taken; nothing is taken.
    void identifyAll();
    bool isAskingAll() const { return askingAll_ != 0 || preparing_; }

    void choose(const std::string& sleeve, size_t candidate);
    /// See matching::seat(); of the one that is chosen.
    void seat(const std::string& sleeve, size_t file, int track);
    /// As it was found.
    void seatAnew(const std::string& sleeve);
    /// Strays that an empty seat of the one that is chosen is for, the best first.
    struct StrayFit {
        FileId file = 0;
        matching::EmptySeat seat;
    };
    std::vector<StrayFit> straysThatFit(const std::string& sleeve) const;
    /// The stray joins the sleeve, and gets this seat.
    void seatStray(const std::string& sleeve, FileId file, int track);

    const bench::TakeRules& rules() const { return rules_; }
    void setRules(const bench::TakeRules& rules);
    /// The user's own, as their library has them, the most frequent first.
    const bench::OwnGenres& genres() const { return genres_; }
    /// What taking the chosen one would change.
    edits::Proposals proposals(const std::string& sleeve) const;
    /// `without`: fields of files that are to stay as they are.
    using Left = std::set<std::pair<FileId, std::string>>;
    void take(const std::string& sleeve, const Left& without = {});
    /// Of those that are sure, and have not been taken. One action.
    std::vector<std::string> sure() const;
    void takeSure();

    /// The number of the release that its files say they are, or that was found and is chosen and sure; "".
    std::string releaseOf(const SleeveView& sleeve) const;
    std::string originOf(const matching::Candidate& candidate) const;
    /// Most of its files say which release they are.
    bool isTaken(const SleeveView& sleeve) const;
    /// Sleeves that are not taken.
    size_t left() const;

signals:
    /// What is known of this sleeve; "": of several, or of all.
    void changed(const std::string& sleeve);

private:
    struct Asked {
        std::string sleeve;
        uint64_t version = 0;
        matching::SleeveClues clues;
        matching::Identified found;
        uint64_t turn = 0; // 0: one of all
    };
    std::vector<matching::SleeveInput> inputs(const SleeveView& sleeve) const;
    using How = std::function<matching::Identified(
        matching::SleeveClues&, const std::vector<reference::Reference*>&, std::stop_token)>;
    void ask(const std::string& sleeve, const How& how);
    void askByAll(const std::string& sleeve, matching::ByEar when);
    void askAll(std::shared_ptr<std::vector<Asked>> all, const matching::PrintsOf& prints);
    void take(Asked asked);
    void lookHere(const std::string& sleeve);
    void fetchChosen(const std::string& sleeve);
    void forgetOld();
    void readGenres();
    bool letJoin(SleeveAnswer& answer, const SleeveView& view);
    std::optional<matching::SleeveInput> input(FileId file) const;
    edits::Proposals proposalsOf(const SleeveAnswer& answer) const;

    LibraryAccess& library_;
    LibraryIndex& index_;
    LibrarySettings& settings_;
    FilesController& files_;
    DraftsController& drafts_;
    BatchController& batch_;
    const SleeveViews& sleeves_;
    SoundPrints& sounds_;
    ReferencesController& references_;
    JobList& jobs_;
    Messages& messages_;
    bench::TakeRules rules_;
    bench::OwnGenres genres_;
    std::map<std::string, SleeveAnswer> answers_;
    work::JobId askingAll_ = 0;
    bool preparing_ = false;
    uint64_t turns_ = 0;
};

} // namespace moorfrost::app
