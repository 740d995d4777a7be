// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_changes.h"

#include <algorithm>
#include <ctime>
#include <set>

#include <fmt/format.h>

#include "core/library/recordings.h"
#include "core/reference/release_json.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

constexpr size_t mostSources = 50, mostMedia = 500;

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

int64_t nowSeconds() {
    return std::time(nullptr);
}

std::string titleOf(Store& store, ReleaseId id) {
    std::string title = releaseView(store, {id, {}}).release.title;
    return title.empty() ? std::string("a release without a title") : "\"" + title + "\"";
}

std::string labelOf(const std::string& key) {
    const FactDef* def = factByKey(key);
    return def ? def->label : key;
}

Texts mediaTexts(const std::vector<MediumToKeep>& media) {
    reference::Release r;
    for (const MediumToKeep& m : media) {
        r.media.push_back({m.carrier, m.title, m.discTable, {}, {}});
    }
    return factOf(r, mediaFact);
}

Status mediaMakeSense(const std::vector<MediumToKeep>& media) {
    size_t tracks = 0;
    if (media.size() > mostMedia)
        return invalid(fmt::format("A release has at most {} media.", mostMedia));
    for (const MediumToKeep& m : media) {
        tracks += m.tracks.size();
        for (const auto& [track, recording] : m.tracks)
            for (const std::string* text : {&track.title, &track.position})
                if (text->size() > reference::maxText ||
                    text->find_first_of(std::string_view("\n\r\0\x1f", 4)) != std::string::npos)
                    return invalid(fmt::format("Track \"{}\": a title is one line of at most {} letters.",
                                               text::clipBytes(track.title, 60), reference::maxText));
    }
    if (tracks > reference::maxTracks)
        return invalid(fmt::format("{} tracks are more than the {} that a release may have.", tracks,
                                   reference::maxTracks));
    return Done{};
}

/// `view`: as it is. Media that are as they were, are left as they are kept.
void setMedia(KeptChange& change, const ReleaseView& view, const std::vector<MediumToKeep>& media,
              const std::string& origin) {
    const std::vector<MediumToKeep> before = mediaOf(view);
    const Texts carriers = mediaTexts(media);
    if (carriers != mediaTexts(before))
        change.setFact(view.ref.id, mediaFact, Fact{carriers, false, origin, nowSeconds()});
    for (size_t i = 0; i < std::max(media.size(), before.size()); ++i) {
        if (i < media.size() && i < before.size() && media[i].tracks == before[i].tracks)
            continue;
        std::vector<KeptTrack> tracks;
        if (i < media.size())
            for (auto [track, recording] : media[i].tracks) {
                track.recording.clear(); // it is kept as a number beside it
                tracks.push_back({trackText(track), recording});
            }
        change.setTracks(view.ref.id, static_cast<int>(i), tracks);
    }
}

void addSource(Store& store, KeptChange& change, ReleaseId id, ReleaseSource source) {
    if (source.what.empty())
        return;
    source.when = nowSeconds();
    auto fact = store.releases().fact(id, sourceFact).value_or(Fact{});
    fact.values.insert(fact.values.begin(), sourceText(source));
    fact.values.resize(std::min(fact.values.size(), mostSources));
    fact.when = source.when;
    change.setFact(id, sourceFact, fact);
}

Status fill(Store& store, KeptChange& change, ReleaseId id, const ReleaseFilling& filling) {
    for (const auto& [key, values] : filling.facts)
        if (std::string why = whyNotFact(key, values); !why.empty())
            return invalid(std::move(why));
    const std::string origin = filling.source.what.empty() ? typedOrigin : filling.source.what;
    if (filling.media) {
        if (const Status sense = mediaMakeSense(*filling.media); !sense)
            return sense;
        setMedia(change, releaseView(store, {id, {}}), *filling.media, origin);
    }
    for (const auto& [key, values] : filling.facts)
        change.setFact(id, key, Fact{values, false, origin, nowSeconds()});
    addSource(store, change, id, filling.source);
    return Done{};
}

std::set<int64_t> numbersOf(Store& store, ReleaseId id, const char* fact) {
    std::set<int64_t> out;
    if (const auto kept = store.releases().fact(id, fact))
        for (const std::string& one : kept->values)
            out.insert(std::strtoll(one.c_str(), nullptr, 10));
    return out;
}

void setNumbers(KeptChange& change, ReleaseId id, const char* fact, const std::set<int64_t>& numbers) {
    Texts values;
    for (const int64_t n : numbers)
        values.push_back(std::to_string(n));
    change.setFact(id, fact,
                   values.empty() ? std::nullopt
                                  : std::optional(Fact{values, false, typedOrigin, nowSeconds()}));
}

} // namespace

Status keepRelease(Store& store, KeptChange& change, ReleaseRef& ref) {
    if (ref.id != 0 && store.releases().has(ref.id))
        return Done{};
    std::vector<FileId> files;
    for (const FileId file : ref.files) {
        if (!store.files().find(file))
            continue;
        // Somebody has kept it since it was shown.
        if (const ReleaseId has = store.releases().releaseOf(file); has != 0) {
            ref.id = has;
            return Done{};
        }
        files.push_back(file);
    }
    if (ref.id != 0 && files.empty())
        return invalid("The library has no such release any more.");
    if (files.empty())
        return invalid("None of the files of this release is known any more.");
    ref.id = store.releases().fresh();
    change.addRelease(ref.id, nowSeconds());
    for (const FileId file : files)
        change.setReleaseOf(file, ref.id);
    return Done{};
}

std::vector<MediumToKeep> mediaOf(const ReleaseView& view) {
    std::vector<MediumToKeep> out;
    for (const MediumView& m : view.media) {
        MediumToKeep& medium = out.emplace_back(MediumToKeep{m.carrier, m.title, m.discTable, {}});
        for (const TrackView& t : m.tracks) {
            medium.tracks.emplace_back(t.printed, t.recording);
            medium.tracks.back().first.recording.clear();
        }
    }
    return out;
}

Result<ChangeOutcome> setReleaseFact(Store& store, ReleaseRef& ref, const std::string& key,
                                     const Texts& values, bool none, const std::string& origin) {
    if (std::string why = whyNotFact(key, values); !why.empty())
        return invalid(std::move(why));
    const FactDef* def = factByKey(key);
    if (none && (!def || !def->mayBeNone))
        return invalid(fmt::format("{} cannot be known to be none.", labelOf(key)));
    KeptChange change(store);
    if (const Status is = keepRelease(store, change, ref); !is)
        return is.error();
    change.setFact(ref.id, key, Fact{none ? Texts() : values, none, origin, nowSeconds()});
    return change.commit(fmt::format("{} of {}", labelOf(key), titleOf(store, ref.id)));
}

Result<ChangeOutcome> dropReleaseFact(Store& store, ReleaseRef& ref, const std::string& key) {
    KeptChange change(store);
    if (const Status is = keepRelease(store, change, ref); !is)
        return is.error();
    change.setFact(ref.id, key, std::nullopt);
    return change.commit(fmt::format("{} of {} as its files tell it", labelOf(key), titleOf(store, ref.id)));
}

Result<ChangeOutcome> setReleaseMedia(Store& store, ReleaseRef& ref, const std::vector<MediumToKeep>& media,
                                      const std::string& title) {
    if (const Status sense = mediaMakeSense(media); !sense)
        return sense.error();
    KeptChange change(store);
    if (const Status is = keepRelease(store, change, ref); !is)
        return is.error();
    setMedia(change, releaseView(store, ref), media, typedOrigin);
    return change.commit(title);
}

Result<ChangeOutcome> fillRelease(Store& store, ReleaseRef& ref, const ReleaseFilling& filling,
                                  const std::string& title) {
    KeptChange change(store);
    if (const Status is = keepRelease(store, change, ref); !is)
        return is.error();
    if (const Status filled = fill(store, change, ref.id, filling); !filled)
        return filled.error();
    return change.commit(title);
}

Result<ReleaseId> makeRelease(Store& store, const ReleaseFilling& filling, ReleaseRef* set,
                              ChangeOutcome& outcome) {
    const auto title = filling.facts.find("title");
    if (title == filling.facts.end() || title->second.empty() || text::trim(title->second.front()).empty())
        return invalid("A release needs a title.");
    KeptChange change(store);
    const ReleaseId id = store.releases().fresh();
    change.addRelease(id, nowSeconds());
    if (const Status filled = fill(store, change, id, filling); !filled)
        return filled.error();
    if (set && (set->id != 0 || !set->files.empty())) {
        if (const Status is = keepRelease(store, change, *set); !is)
            return is.error();
        const std::set<int64_t> has = numbersOf(store, set->id, setFact);
        const int64_t number = has.empty() ? set->id : *has.begin();
        setNumbers(change, set->id, setFact, {number});
        setNumbers(change, id, setFact, {number});
    }
    outcome = change.commit(fmt::format("New release \"{}\"", title->second.front()));
    return id;
}

Result<ChangeOutcome> removeRelease(Store& store, ReleaseId id) {
    if (!store.releases().has(id))
        return invalid("The library has no such release any more.");
    const std::string title = titleOf(store, id);
    KeptChange change(store);
    const std::set<int64_t> set = numbersOf(store, id, setFact);
    change.removeRelease(id);
    if (!set.empty()) // nobody is the only edition of a set
        if (const auto left = store.releases().inSet(*set.begin()); left.size() == 1)
            change.setFact(left.front(), setFact, std::nullopt);
    return change.commit(fmt::format("Remove the release {}", title));
}

namespace {

/// `what`: the title of the first.
Status join(Store& store, KeptChange& change, const std::vector<ReleaseRef>& releases, std::string& what) {
    if (releases.size() < 2)
        return invalid("A set has at least two editions.");
    std::set<ReleaseId> members;
    int64_t number = 0;
    for (ReleaseRef ref : releases) {
        if (const Status is = keepRelease(store, change, ref); !is)
            return is;
        members.insert(ref.id);
        for (const int64_t set : numbersOf(store, ref.id, setFact)) {
            number = number == 0 ? set : number;
            for (const ReleaseId other : store.releases().inSet(set))
                members.insert(other);
        }
    }
    if (members.size() < 2)
        return invalid("These are one release already.");
    if (number == 0)
        number = *members.begin();
    for (const ReleaseId id : members) {
        setNumbers(change, id, setFact, {number});
        std::set<int64_t> apart = numbersOf(store, id, apartFact);
        if (std::erase_if(apart, [&](int64_t other) { return members.contains(other); }) > 0)
            setNumbers(change, id, apartFact, apart);
    }
    what = titleOf(store, *members.begin());
    return Done{};
}

} // namespace

Result<ChangeOutcome> joinSet(Store& store, const std::vector<ReleaseRef>& releases) {
    return joinSets(store, {releases});
}

Result<ChangeOutcome> joinSets(Store& store, const std::vector<std::vector<ReleaseRef>>& sets) {
    KeptChange change(store);
    std::string what;
    for (const std::vector<ReleaseRef>& set : sets)
        if (const Status joined = join(store, change, set, what); !joined)
            return joined.error();
    return change.commit(sets.size() == 1 ? fmt::format("{} and others: editions of one set", what)
                                          : fmt::format("{} sets of editions", sets.size()));
}

Result<ChangeOutcome> leaveSet(Store& store, ReleaseId id) {
    KeptChange change(store);
    const std::set<int64_t> set = numbersOf(store, id, setFact);
    if (set.empty())
        return invalid("It is no edition of a set.");
    change.setFact(id, setFact, std::nullopt);
    const auto left = store.releases().inSet(*set.begin());
    // It is not proposed for the set again.
    std::set<int64_t> apart = numbersOf(store, id, apartFact);
    apart.insert(left.begin(), left.end());
    setNumbers(change, id, apartFact, apart);
    if (left.size() == 1)
        change.setFact(left.front(), setFact, std::nullopt);
    return change.commit(fmt::format("{} stands alone", titleOf(store, id)));
}

Result<ChangeOutcome> keepApart(Store& store, const std::vector<ReleaseRef>& releases) {
    KeptChange change(store);
    std::vector<ReleaseRef> refs = releases;
    std::set<ReleaseId> ids;
    for (ReleaseRef& ref : refs) {
        if (const Status is = keepRelease(store, change, ref); !is)
            return is.error();
        ids.insert(ref.id);
    }
    if (ids.size() < 2)
        return invalid("These are one release.");
    for (auto id = ids.begin(); std::next(id) != ids.end(); ++id) {
        std::set<int64_t> apart = numbersOf(store, *id, apartFact);
        apart.insert(std::next(id), ids.end());
        setNumbers(change, *id, apartFact, apart);
    }
    return change.commit(
        fmt::format("{} and others are no editions of one set", titleOf(store, *ids.begin())));
}

Result<ChangeOutcome> shareRecordings(Store& store, const ReleaseRef& first, const ReleaseRef& second,
                                      const std::vector<SharedTrack>& tracks) {
    KeptChange change(store);
    ReleaseRef a = first, b = second;
    for (ReleaseRef* ref : {&a, &b})
        if (const Status is = keepRelease(store, change, *ref); !is)
            return is.error();
    if (a.id == b.id)
        return invalid("These are one release.");
    for (const SharedTrack& t : tracks) {
        // Each may have changed what the next finds.
        const ReleaseView va = releaseView(store, a), vb = releaseView(store, b);
        if (t.mediumA >= va.media.size() || t.numberA >= va.media[t.mediumA].tracks.size() ||
            t.mediumB >= vb.media.size() || t.numberB >= vb.media[t.mediumB].tracks.size())
            return invalid("One of the releases has no such track any more.");
        const TrackView &ta = va.media[t.mediumA].tracks[t.numberA],
                        &tb = vb.media[t.mediumB].tracks[t.numberB];
        auto put = [&](const ReleaseView& view, size_t medium, size_t number, RecordingId recording) {
            std::vector<MediumToKeep> media = mediaOf(view);
            media[medium].tracks[number].second = recording;
            setMedia(change, view, media, typedOrigin);
        };
        if (t.shared && ta.recording != tb.recording) {
            if (!ta.files.empty() && !tb.files.empty())
                mergeRecordings(store, change, {ta.files.front(), tb.files.front()}, true);
            else if (ta.recording != 0 && (tb.recording == 0 || tb.files.empty()))
                put(vb, t.mediumB, t.numberB, ta.recording);
            else
                put(va, t.mediumA, t.numberA, tb.recording);
        } else if (t.shared && ta.recording == 0) { // neither is known: from now on it is one
            const RecordingId recording = store.recordings().add();
            put(va, t.mediumA, t.numberA, recording);
            put(releaseView(store, b), t.mediumB, t.numberB, recording);
        } else if (!t.shared && ta.recording != 0 && ta.recording == tb.recording) {
            std::vector<FileId> own(tb.files.begin(),
                                    tb.files.begin() + static_cast<std::ptrdiff_t>(tb.ownFiles));
            if (own.empty()) { // the files are of others: they keep the recording
                put(vb, t.mediumB, t.numberB, 0);
            } else if (own.size() == tb.files.size()) {
                put(va, t.mediumA, t.numberA, 0);
            } else {
                const RecordingId recording = partRecording(store, change, tb.recording, own);
                if (!vb.media[t.mediumB].fromFiles)
                    put(vb, t.mediumB, t.numberB, recording);
            }
        }
    }
    return change.commit(fmt::format("Recordings that {} shares", titleOf(store, a.id)));
}

} // namespace moorfrost::library
