// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/kinds.h"

#include <QCoreApplication>
#include <QMenu>
#include <QPointer>

#include "app/shell/text_utils.h"
#include "core/guard/readers.h"

namespace moorfrost::app {

using library::FileId;
using library::Store;
using matching::Kind;

namespace {

using library::kindField;
const std::string proposedField = "proposed kind";
constexpr size_t heardUnasked = 500; // files; about a minute

} // namespace

QString kindText(Kind kind) {
    switch (kind) {
    case Kind::Music:
        return Kinds::tr("Music");
    case Kind::Speech:
        return Kinds::tr("Speech");
    case Kind::Ident:
        return Kinds::tr("Ident");
    case Kind::Effect:
        return Kinds::tr("Effect");
    case Kind::Tone:
        return Kinds::tr("Tone");
    }
    return {};
}

QMenu* addKindMenu(QMenu& menu, Kinds& kinds, const std::vector<FileId>& files) {
    QMenu* choices = menu.addMenu(Kinds::tr("Kind"));
    choices->setEnabled(!files.empty());
    for (Kind kind : matching::allKinds())
        choices->addAction(kindText(kind), &kinds, [&kinds, files, kind] {
            std::map<FileId, Kind> said;
            for (FileId id : files)
                said[id] = kind;
            kinds.confirm(said);
        });
    return choices;
}

Kinds::Kept Kinds::Kept::of(Store& store, const std::vector<FileId>& files) {
    return {store.kept(kindField, files), store.kept(proposedField, files)};
}

void Kinds::take(const Kept& kept) {
    confirmed_.clear();
    heard_.clear();
    ++turn_;
    allAgain_ = true;
    add(kept);
}

void Kinds::add(const Kept& kept) {
    for (const auto& [id, values] : kept.confirmed)
        if (auto kind = matching::kindByName(values.front())) {
            confirmed_[id] = *kind;
            weighAgain(id);
        }
    for (const auto& [id, v] : kept.proposed)
        if (v.size() == 4)
            if (auto kind = matching::kindByName(v[0])) {
                heard_[id] = {{std::strtoull(v[2].c_str(), nullptr, 10), std::atoll(v[3].c_str())},
                              {*kind, v[1]}};
                weighAgain(id);
            }
}

Kind Kinds::of(FileId file) const {
    auto it = confirmed_.find(file);
    return it == confirmed_.end() ? Kind::Music : it->second;
}

const matching::KindProposal* Kinds::proposalFor(FileId file) const {
    auto it = proposals_.find(file);
    return it == proposals_.end() ? nullptr : &it->second;
}

void Kinds::confirm(const std::map<FileId, Kind>& kinds) {
    Store::KeptValues values;
    std::set<FileId> files;
    for (const auto& [id, kind] : kinds) {
        files.insert(id);
        confirmed_[id] = kind;
        proposals_.erase(id);
        weighAgain(id);
        values[id] = {matching::kindName(kind)};
    }
    store_.post([this, self = QPointer(this), values](Store& store) {
        store.keep(kindField, values);
        QMetaObject::invokeMethod(
            qApp, [self] { self ? emit self->kept() : void(); }, Qt::QueuedConnection);
    });
    emit changed(files);
}

Kinds::Read& Kinds::read(const FilePtr& file) {
    Read& read = read_[file->id];
    if (read.file != file)
        read = {file, matching::kindByWords(file->path, file->tags.fields)};
    return read;
}

void Kinds::weighAgain(FileId file) {
    again_.insert(BatchRecords::pieceOf(file));
    if (auto it = read_.find(file); it != read_.end())
        it->second.weighed = 0;
}

bool Kinds::weigh(Read& read) {
    const library::FileRecord& f = *read.file;
    std::optional<matching::KindProposal> found;
    read.unheard = false;
    if (!confirmed_.contains(f.id) && f.readable()) {
        found = read.byWords;
        // The length of what was cut short says nothing.
        if (!found && !f.tags.damaged && matching::mayBeOther(f.tags.fields)) {
            const auto heard = heard_.find(f.id);
            read.unheard = heard == heard_.end() || !(heard->second.state == f.state);
            if (!read.unheard)
                found = heard->second.proposal;
        }
    }
    if (found && found->kind == Kind::Music)
        found.reset();
    read.weighed = turn_;
    const matching::KindProposal* before = proposalFor(f.id);
    if (before ? found && *before == *found : !found)
        return false;
    if (found)
        proposals_[f.id] = *found;
    else
        proposals_.erase(f.id);
    return true;
}

void Kinds::weighAll(const BatchRecords& files) {
    constexpr size_t most = 500'000; // of this batch and others
    bool all = std::exchange(allAgain_, false);
    if (read_.size() > most) {
        read_.clear();
        all = true;
    }
    const std::set<int64_t> again = std::exchange(again_, {});
    std::set<FileId> others, gone;
    auto leave = [&](const Looked& looked) {
        for (const FilePtr& f : *looked.piece)
            gone.insert(f->id);
    };
    for (auto it = looked_.begin(); it != looked_.end();)
        if (files.pieces.contains(it->first)) {
            ++it;
        } else {
            leave(it->second);
            it = looked_.erase(it);
        }
    for (const auto& [number, piece] : files.pieces) {
        Looked& looked = looked_[number];
        if (looked.piece == piece && !all && !again.contains(number))
            continue;
        if (looked.piece && looked.piece != piece)
            leave(looked);
        looked = {piece, {}};
        for (const FilePtr& f : *piece) {
            gone.erase(f->id);
            Read& r = read(f);
            if (r.weighed != turn_ && weigh(r))
                others.insert(f->id);
            if (r.unheard)
                looked.unheard.push_back(f);
        }
    }
    for (FileId id : gone) { // what is no more of these
        if (proposals_.erase(id) > 0)
            others.insert(id);
        if (auto it = read_.find(id); it != read_.end())
            it->second.weighed = 0;
    }
    if (!others.empty())
        emit changed(others);
}

size_t Kinds::countUnheard() const {
    size_t n = 0;
    for (const auto& [number, looked] : looked_)
        n += looked.unheard.size();
    return n;
}

void Kinds::look(const Records& files, bool however) {
    weighAll(*files);
    if (listening_)
        return;
    const size_t before = unheard_, count = countUnheard();
    unheard_ = !however && (stopped_ || count > heardUnasked) ? count : 0;
    if (unheard_ != before)
        emit changed({});
    if (unheard_ > 0 || count == 0)
        return;
    listening_ = true;
    auto wanted = std::make_shared<std::vector<FilePtr>>();
    for (const auto& [number, looked] : looked_)
        wanted->insert(wanted->end(), looked.unheard.begin(), looked.unheard.end());
    auto found = std::make_shared<std::map<FileId, Heard>>();
    jobs_.start(
        tr("Listening for speech, idents and tones"),
        [wanted, found](std::stop_token stop, work::Progress& progress) {
            progress.begin(wanted->size());
            for (const FilePtr& f : *wanted) {
                if (stop.stop_requested())
                    return;
                auto traits = guard::Readers::shared().soundTraitsOf(f->path, stop);
                if (stop.stop_requested())
                    return;
                // What cannot be decoded is not tried again until it changes.
                (*found)[f->id] = {f->state,
                                   traits ? matching::kindBySound(f->tags.facts.duration, *traits)
                                          : matching::KindProposal{Kind::Music, traits.error().message}};
                progress.stepPath(f->path);
            }
        },
        [this, self = QPointer(this), wanted, found] {
            if (!self)
                return;
            listening_ = false;
            Store::KeptValues values;
            for (auto& [id, heard] : *found) {
                values[id] = {matching::kindName(heard.proposal.kind), heard.proposal.why,
                              std::to_string(heard.state.size), std::to_string(heard.state.modifiedNs)};
                heard_[id] = std::move(heard);
                weighAgain(id);
            }
            store_.post([values](Store& store) { store.keep(proposedField, values); });
            stopped_ = found->size() < wanted->size();
            emit listened();
        });
}

} // namespace moorfrost::app
