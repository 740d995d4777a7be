// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/agreements_controller.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"

namespace moorfrost::app {

using library::CardKind;
using library::KeptDocument;

namespace {

std::vector<std::string> numbers(const std::vector<library::CardId>& ids) {
    std::vector<std::string> out;
    for (const library::CardId id : ids)
        out.push_back(std::to_string(id));
    return out;
}

std::vector<std::string> texts(const std::vector<KeptDocument>& documents) {
    std::vector<std::string> out;
    for (const KeptDocument& d : documents)
        out.push_back(library::documentText(d));
    return out;
}

std::vector<library::RecordingId> recordingsOf(const library::ReleaseView& view) {
    std::vector<library::RecordingId> out;
    for (const library::MediumView& medium : view.media)
        for (const library::TrackView& track : medium.tracks)
            if (track.recording != 0)
                out.push_back(track.recording);
    return out;
}

} // namespace

AgreementsController::AgreementsController(LibraryAccess& library, KeptChanges& changes,
                                           PeopleController& people, JobList& jobs, Messages& messages)
    : library_(library), changes_(changes), people_(people), jobs_(jobs), messages_(messages) {}

void AgreementsController::keepAll(const std::vector<Path>& files,
                                   std::function<void(std::vector<KeptDocument>)> then) {
    struct Kept {
        std::vector<KeptDocument> documents;
        std::vector<Error> troubles;
    };
    jobs_.start(
        this, {ss(tr("Keeping documents")), work::Priority::Asked},
        [files, store = store()](std::stop_token stop, work::Progress&) -> Result<Kept> {
            Kept out;
            for (const Path& file : files) {
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "It was stopped."};
                auto kept = store.add(file);
                if (kept)
                    out.documents.push_back(std::move(*kept));
                else
                    out.troubles.push_back(kept.error());
            }
            return out;
        },
        [this, then](Result<Kept> kept) {
            if (!kept)
                return messages_.say(kept.error());
            if (!kept->troubles.empty()) {
                QString says = spoken(kept->troubles.front().message);
                if (kept->troubles.size() > 1)
                    says += " " + tr("(and %1 more)").arg(kept->troubles.size() - 1);
                messages_.say(says, true);
            }
            then(std::move(kept->documents));
        });
}

void AgreementsController::make(const QString& title, const std::vector<CardId>& parties,
                                const std::vector<CardId>& works, library::ReleaseId release,
                                const std::vector<Path>& files, std::function<void(CardId)> then) {
    auto enter = [this, title, parties, works, release, then](const std::vector<KeptDocument>& documents) {
        library::CardValues facts = {{"title", {ss(title)}}};
        if (!parties.empty())
            facts["parties"] = numbers(parties);
        if (!works.empty())
            facts["works"] = numbers(works);
        if (release != 0)
            facts[library::coveredReleases] = {std::to_string(release)};
        if (!documents.empty())
            facts[library::documentsFact] = texts(documents);
        people_.make(CardKind::Agreement, facts, then);
    };
    if (files.empty())
        enter({});
    else
        keepAll(files, enter);
}

void AgreementsController::addDocuments(CardId agreement, const std::vector<Path>& files) {
    keepAll(files, [this, agreement](const std::vector<KeptDocument>& fresh) {
        if (fresh.empty())
            return;
        auto made = std::make_shared<bool>(false);
        changes_.make(
            [=](library::Store& store) {
                auto outcome = library::addDocuments(store, agreement, fresh);
                *made = outcome && outcome->change != 0;
                return outcome;
            },
            tr("Documents of an agreement"),
            [this, made](bool done) {
                if (done && !*made)
                    messages_.say(tr("This document is kept here already."));
            });
    });
}

void AgreementsController::removeDocument(CardId agreement, const KeptDocument& document) {
    changes_.make([=](library::Store& store) { return library::removeDocument(store, agreement, document); },
                  tr("Documents of an agreement"));
}

void AgreementsController::setCovered(CardId agreement, const char* key, int64_t number, bool covered) {
    changes_.make(
        [=](library::Store& store) { return library::setCovered(store, agreement, key, number, covered); },
        tr("What an agreement is about"));
}

void AgreementsController::check(QObject* asker, const std::vector<KeptDocument>& documents,
                                 std::function<void(std::vector<library::DocumentStore::State>)> then) {
    using State = library::DocumentStore::State;
    jobs_.start(
        asker, {ss(tr("Checking documents")), work::Priority::Background},
        [documents, store = store()](std::stop_token stop, work::Progress&) -> Result<std::vector<State>> {
            std::vector<State> out;
            for (const KeptDocument& d : documents) {
                const auto state = store.check(d, stop);
                if (!state)
                    return state.error();
                out.push_back(*state);
            }
            return out;
        },
        [this, then](Result<std::vector<State>> states) {
            if (states)
                then(std::move(*states));
            else if (states.error().kind != ErrorKind::Cancelled)
                messages_.say(states.error());
        });
}

void AgreementsController::copy(const KeptDocument& document, const Path& to) {
    jobs_.start(
        this, {ss(tr("Copying a document")), work::Priority::Asked},
        [document, to, store = store()](std::stop_token, work::Progress&) -> Result<Done> {
            return store.copyTo(document, to);
        },
        [this, to](Status done) {
            if (done)
                messages_.say(tr("The document is copied to %1.").arg(shownPath(to)));
            else
                messages_.say(done.error());
        });
}

void AgreementsController::copyToOpen(const KeptDocument& document, std::function<void(Path)> then) {
    // Not the kept one itself: a program that opens it might write to it.
    const Path folder = Path(ss(opened_.path())) / document.sha256.substr(0, 16);
    const Path to = folder / files::safeName(document.name, files::NameProfile::Portable);
    jobs_.start(
        this, {ss(tr("Opening a document")), work::Priority::Asked},
        [document, folder, to, store = store()](std::stop_token, work::Progress&) -> Result<Done> {
            if (const Status made = files::makeFolders(folder); !made)
                return made.error();
            return store.copyTo(document, to);
        },
        [this, to, then](Status done) {
            if (done)
                then(to);
            else
                messages_.say(done.error());
        });
}

void AgreementsController::makeForRelease(const QString& title, const library::ReleaseView& view,
                                          std::function<void(CardId)> then) {
    library_.read(
        this,
        [recordings = recordingsOf(view)](library::Store& store) {
            return library::worksOf(store, recordings);
        },
        [this, title, release = view.ref.id, then](Result<std::vector<CardId>> works) {
            if (works)
                make(title, {}, *works, release, {}, then);
        });
}

void AgreementsController::readOfRelease(QObject* asker, const library::ReleaseView& view,
                                         std::function<void(std::vector<library::AgreementLine>)> then) {
    library_.read(
        asker,
        [release = view.ref.id, recordings = recordingsOf(view)](library::Store& store) {
            return library::agreementsOfRelease(store, release, recordings);
        },
        [then](Result<std::vector<library::AgreementLine>> lines) {
            if (lines)
                then(std::move(*lines));
        });
}

std::vector<library::AgreementLine> AgreementsController::of(CardId card) const {
    std::vector<library::AgreementLine> out;
    const auto list = people_.list();
    if (!list)
        return out;
    const std::string today = library::todayText();
    for (const CardId id : list->agreementsOf(card))
        if (const size_t at = list->agreement(id); at != SIZE_MAX)
            out.push_back(library::agreementLine(id, list->agreements()[at].facts, today));
    return library::inOrder(std::move(out));
}

} // namespace moorfrost::app
