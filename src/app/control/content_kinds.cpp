// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/content_kinds.h"

#include <algorithm>

#include <QMenu>

#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

using library::Store;
using matching::ContentKind;

namespace {
constexpr size_t heardUnasked = 500; // files; about a minute
} // namespace

QString kindText(ContentKind kind) {
    switch (kind) {
    case ContentKind::Music:
        return ContentKinds::tr("Music");
    case ContentKind::Speech:
        return ContentKinds::tr("Speech");
    case ContentKind::Ident:
        return ContentKinds::tr("Ident");
    case ContentKind::Effect:
        return ContentKinds::tr("Effect");
    case ContentKind::Tone:
        return ContentKinds::tr("Tone");
    }
    return {};
}

QMenu* addKindMenu(QMenu& menu, ContentKinds& kinds, const std::vector<FileId>& files) {
    QMenu* choices = menu.addMenu(ContentKinds::tr("Kind"));
    choices->setEnabled(!files.empty());
    for (ContentKind kind : matching::allKinds())
        choices->addAction(kindText(kind), &kinds, [&kinds, files, kind] {
            std::map<FileId, ContentKind> said;
            for (FileId id : files)
                said[id] = kind;
            kinds.confirm(said);
        });
    return choices;
}

ContentKinds::ContentKinds(LibraryAccess& library, FilesController& files, RecordingsController& recordings,
                           JobList& jobs, InBatch inBatch)
    : library_(library), files_(files), recordings_(recordings), jobs_(jobs), inBatch_(std::move(inBatch)) {
    connect(&files_, &FilesController::rowsTaken, this, &ContentKinds::takeRows);
    files_.feed().subscribe([this](const bench::Changes& changes) {
        if (changes.batch)
            forgetProposals();
        if (!changes.files.empty())
            weighAll(changes.files);
    });
}

void ContentKinds::takeRows(const library::WorkRows& rows) {
    for (FileId id : rows.asked) {
        if (!beingKept_.contains(id)) // else the rows are older than what was said
            confirmed_.erase(id);
    }
    for (const auto& [id, values] : rows.kinds)
        if (auto kind = matching::kindByName(values.front()))
            confirmed_.try_emplace(id, *kind);
    for (const auto& [id, v] : rows.proposedKinds)
        if (v.size() == 4)
            if (auto kind = matching::kindByName(v[0]))
                heard_[id] = {{std::strtoull(v[2].c_str(), nullptr, 10), std::atoll(v[3].c_str())},
                              {*kind, v[1]}};
}

ContentKind ContentKinds::of(FileId file) const {
    auto it = confirmed_.find(file);
    return it == confirmed_.end() ? ContentKind::Music : it->second;
}

const matching::KindProposal* ContentKinds::proposalFor(FileId file) const {
    auto it = proposals_.find(file);
    return it == proposals_.end() ? nullptr : &it->second;
}

void ContentKinds::confirm(const std::map<FileId, ContentKind>& kinds) {
    if (kinds.empty())
        return;
    library::KeptValues values;
    bench::Changes changes;
    for (const auto& [id, kind] : kinds) {
        changes.kinds.insert(id);
        confirmed_[id] = kind;
        weigh(id);
        ++beingKept_[id];
        values[id] = {matching::kindName(kind)};
    }
    const ContentKind first = kinds.begin()->second;
    const bool one = std::ranges::all_of(kinds, [first](const auto& k) { return k.second == first; });
    recordings_.keep(one ? tr("Kind: %1").arg(kindText(first)) : tr("Confirm kinds"), library::kindField,
                     values, [this, values] {
                         for (const auto& [id, kind] : values)
                             if (--beingKept_[id] == 0)
                                 beingKept_.erase(id);
                     });
    files_.feed().publish(std::move(changes));
    emit changed();
}

bool ContentKinds::weigh(FileId id) {
    const FilePtr f = files_.file(id);
    std::optional<matching::KindProposal> found;
    unheard_.erase(id);
    if (f && inBatch_(id) && !confirmed_.contains(id) && f->readable()) {
        found = matching::kindByWords(f->path, f->tags.fields);
        // The length of what was cut short says nothing.
        if (!found && !f->tags.damaged && matching::mayBeOther(f->tags.fields)) {
            const auto heard = heard_.find(id);
            if (heard != heard_.end() && heard->second.state == f->state)
                found = heard->second.proposal;
            else
                unheard_.insert(id);
        }
    }
    if (found && found->kind == ContentKind::Music)
        found.reset();
    const matching::KindProposal* before = proposalFor(id);
    if (before ? found && *before == *found : !found)
        return false;
    if (found)
        proposals_[id] = *found;
    else
        proposals_.erase(id);
    return true;
}

void ContentKinds::weighAll(const std::set<FileId>& files) {
    bench::Changes changes;
    const size_t before = unheard();
    for (FileId id : files)
        if (weigh(id))
            changes.kinds.insert(id);
    if (!changes.isEmpty() || unheard() != before)
        emit changed();
    files_.feed().publish(std::move(changes));
}

void ContentKinds::forgetProposals() {
    proposals_.clear();
    unheard_.clear();
    std::set<FileId> all;
    for (FileId id : files_.known().ids())
        if (inBatch_(id))
            all.insert(id);
    weighAll(all);
    emit changed();
}

size_t ContentKinds::unheard() const {
    return listening_ == 0 && (stopped_ || unheard_.size() > heardUnasked) ? unheard_.size() : 0;
}

void ContentKinds::listen(bool asked) {
    if (listening_ != 0 || unheard_.empty() || (!asked && unheard() > 0))
        return;
    std::vector<FilePtr> wanted;
    for (FileId id : unheard_)
        if (FilePtr f = files_.file(id))
            wanted.push_back(std::move(f));
    listening_ = jobs_.start(
        this, {ss(tr("Listening for speech, idents and tones")), work::Priority::Background},
        [this, wanted](std::stop_token stop, work::Progress& progress) -> Result<bool> {
            constexpr size_t portion = 20; // so that little is lost with a stop or the end of the program
            progress.begin(wanted.size());
            std::map<FileId, Heard> found;
            auto keep = [&] {
                QMetaObject::invokeMethod(
                    this, [this, found] { takeHeard(found); }, Qt::QueuedConnection);
                found.clear();
            };
            for (const FilePtr& f : wanted) {
                auto traits = sandbox::ParserPool::shared().soundTraitsOf(f->path, stop);
                if (stop.stop_requested())
                    break;
                // What cannot be decoded is not tried again until it changes.
                found[f->id] = {f->state,
                                traits ? matching::kindBySound(f->tags.facts.duration, *traits)
                                       : matching::KindProposal{ContentKind::Music, traits.error().message}};
                progress.stepPath(f->path);
                if (found.size() == portion)
                    keep();
            }
            keep();
            return stop.stop_requested();
        },
        [this](const Result<bool>& stopped) {
            listening_ = 0;
            stopped_ = !stopped || *stopped;
            emit changed();
            listen(); // to what came meanwhile
        });
    emit changed();
}

void ContentKinds::takeHeard(const std::map<FileId, Heard>& heard) {
    library::KeptValues values;
    std::set<FileId> files;
    for (const auto& [id, h] : heard) {
        values[id] = {matching::kindName(h.proposal.kind), h.proposal.why, std::to_string(h.state.size),
                      std::to_string(h.state.modifiedNs)};
        heard_[id] = h;
        files.insert(id);
    }
    library_.write([values](Store& store) { store.workedOut().save(library::proposedKindField, values); });
    weighAll(files);
}

} // namespace moorfrost::app
