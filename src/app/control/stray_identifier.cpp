// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/stray_identifier.h"

#include <algorithm>
#include <mutex>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

using matching::TrackCandidate;

StrayIdentifier::StrayIdentifier(FilesController& files, DraftsController& drafts, BatchController& batch,
                                 const SleeveViews& sleeves, SoundPrints& sounds,
                                 ReferencesController& references, IdentifyController& identify,
                                 JobList& jobs, Messages& messages)
    : files_(files), drafts_(drafts), batch_(batch), sleeves_(sleeves), sounds_(sounds),
      references_(references), identify_(identify), jobs_(jobs), messages_(messages) {
    connect(&sleeves, &SleeveViews::changed, this, &StrayIdentifier::forgetOld);
}

std::vector<FileId> StrayIdentifier::strays() const {
    std::vector<FileId> out;
    for (const SleeveView& view : sleeves_.all())
        if (view.isStrays())
            for (FileId id : view.files)
                if (const FilePtr f = files_.file(id); f && f->mayHaveDrafts())
                    out.push_back(id);
    return out;
}

const matching::FileIdentified* StrayIdentifier::answer(FileId file) const {
    const auto it = answers_.find(file);
    return it == answers_.end() ? nullptr : &it->second;
}

size_t StrayIdentifier::chosen(FileId file) const {
    const auto it = chosen_.find(file);
    return it == chosen_.end() ? 0 : it->second;
}

const TrackCandidate* StrayIdentifier::best(FileId file) const {
    const matching::FileIdentified* a = answer(file);
    const size_t i = chosen(file);
    return a && i < a->candidates.size() ? &a->candidates[i] : nullptr;
}

void StrayIdentifier::choose(FileId file, size_t candidate) {
    chosen_[file] = candidate;
    emit changed();
}

void StrayIdentifier::forgetOld() {
    if (answers_.empty())
        return;
    const std::vector<FileId> now = strays();
    const size_t gone =
        std::erase_if(answers_, [&](const auto& a) { return std::ranges::find(now, a.first) == now.end(); });
    std::erase_if(clues_, [&](const auto& c) { return !answers_.contains(c.first); });
    std::erase_if(chosen_, [&](const auto& c) { return !answers_.contains(c.first); });
    if (gone > 0)
        emit changed();
}

void StrayIdentifier::identifyAll() {
    if (isAsking())
        return;
    if (!references_.mayBeAsked())
        return;
    auto all = std::make_shared<std::vector<Asked>>();
    for (FileId id : strays()) {
        const FilePtr f = files_.file(id);
        all->push_back({id,
                        matching::cluesOf({matching::sleeveInput(
                            id, f->path, f->tags, drafts_.session().effective(id), f->state.modifiedNs)}),
                        {},
                        false});
    }
    preparing_ = true;
    sounds_.prepare(this, strays(), [this, all](const matching::PrintsOf& prints) {
        preparing_ = false;
        ask(all, prints);
    });
    emit changed();
}

void StrayIdentifier::ask(std::shared_ptr<std::vector<Asked>> all, const matching::PrintsOf& prints) {
    // Releases that sleeves of the batch are known to be.
    std::vector<std::string> liked;
    for (const SleeveView& view : sleeves_.all())
        if (!view.isStrays())
            if (std::string number = identify_.releaseOf(view); !number.empty())
                liked.push_back(std::move(number));
    asking_ = jobs_.start(
        this, {ss(tr("Looking up the strays")), work::Priority::Asked, {.network = true}},
        [all, liked, prints, held = references_.held()](std::stop_token stop,
                                                        work::Progress& progress) -> Result<QStringList> {
            progress.begin(all->size());
            QStringList errors;
            std::mutex mutex;
            const auto references = ReferencesController::plain(held);
            work::inParallel(
                all->size(),
                [&](size_t i) {
                    if (stop.stop_requested())
                        return;
                    Asked& a = (*all)[i];
                    // A name tells little of a single file, and nothing of its speed.
                    const matching::Listened heard = matching::listen(a.clues, references, prints, stop);
                    a.found = matching::identifyFile(a.clues, references, liked, stop, 6, heard.releases);
                    for (const Error& e : heard.errors)
                        a.found.errors.push_back(e);
                    a.done = !stop.stop_requested();
                    progress.step(std::to_string(i + 1));
                    std::lock_guard lock(mutex);
                    for (const Error& e : a.found.errors)
                        if (!errors.contains(spoken(e.message)))
                            errors << spoken(e.message);
                },
                4);
            return errors;
        },
        [this, all](Result<QStringList> errors) {
            asking_ = 0;
            const std::vector<FileId> now = strays();
            for (Asked& a : *all)
                if (a.done && std::ranges::find(now, a.file) != now.end()) {
                    chosen_.erase(a.file);
                    clues_[a.file] = a.clues.files.at(0);
                    answers_[a.file] = std::move(a.found);
                }
            if (errors && !errors->isEmpty())
                messages_.say(errors->join(' '), true);
            emit changed();
        });
    emit changed();
}

std::string StrayIdentifier::sleeveFor(FileId file) const {
    const TrackCandidate* c = best(file);
    if (c)
        for (const SleeveView& view : sleeves_.all())
            if (!view.isStrays() && identify_.releaseOf(view) == c->number())
                return view.key;
    return {};
}

void StrayIdentifier::take(const std::vector<FileId>& files) {
    edits::Proposals proposals;
    std::map<std::string, std::pair<std::string, std::vector<FileId>>> fresh; // new sleeves, by release
    std::vector<std::pair<FileId, std::string>> joins;
    for (FileId id : files) {
        const TrackCandidate* c = best(id);
        if (!c)
            continue;
        matching::Candidate whole;
        whole.release = c->release;
        whole.reference = c->reference;
        const matching::Likeable likeable(c->release, c->reference);
        whole.seating.fileOf.assign(likeable.tracks.size(), -1);
        for (size_t t = 0; t < likeable.tracks.size(); ++t)
            if (likeable.tracks[t].medium == c->medium && likeable.tracks[t].place == c->place)
                whole.seating.fileOf[t] = 0;
        matching::SleeveClues clues;
        clues.files.push_back(clues_.at(id));
        edits::Proposals some = bench::take(whole, clues, drafts_.subjects({id}), identify_.rules(),
                                            identify_.genres(), identify_.originOf(whole));
        proposals.insert(proposals.end(), some.begin(), some.end());
        if (const std::string sleeve = sleeveFor(id); !sleeve.empty()) {
            joins.emplace_back(id, sleeve);
        } else {
            auto& [name, members] = fresh[c->number()];
            name = c->release.title;
            members.push_back(id);
        }
    }
    drafts_.propose(tr("Take %n stray(s)", "", static_cast<int>(files.size())), proposals);
    for (const auto& [file, sleeve] : joins)
        batch_.putIntoSleeve({file}, sleeve);
    for (const auto& [number, sleeve] : fresh)
        batch_.newSleeve(sleeve.second, qs(sleeve.first));
}

} // namespace moorfrost::app
