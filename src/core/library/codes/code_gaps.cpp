// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/codes/code_gaps.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/draft_fields.h"
#include "core/library/search/joint_field.h"
#include "core/library/search/sleeves.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr double leastTitle = 0.8, mostApart = 4.0; // seconds
constexpr size_t mostEditions = 4;
constexpr const char* soundsOtherwise = "It sounds like another recording of that reference.";

std::string clock(double seconds) {
    const auto all = static_cast<long>(std::lround(seconds));
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

/// Codes of the library, and a file of each.
std::unordered_map<std::string, FileId> codesOf(const Searcher& searcher) {
    std::unordered_map<std::string, FileId> out;
    const JointField& field = searcher.field("isrc");
    searcher.all().each([&](Row row) {
        if (const uint32_t list = field.listOf(row); list != 0)
            for (const std::string& value : tags::valuesFromText("isrc", field.text(list)))
                out.try_emplace(audit::plainForm(value), searcher.idOf(row));
    });
    return out;
}

/// With the drafts put in.
tags::Fields fieldsToBe(Store& store, const FileRecord& file) {
    tags::Fields fields = file.tags.fields;
    putDrafts(fields, store.drafts().of(file.id));
    return fields;
}

class LookUp {
public:
    LookUp(Store& store, const Searcher& searcher, const std::vector<reference::Reference*>& references,
           const matching::PrintsOf& printsOf, std::stop_token stop)
        : store_(store), searcher_(searcher), references_(references), printsOf_(printsOf),
          stop_(std::move(stop)), known_(codesOf(searcher)) {}

    std::vector<Error> errors;

    /// All gaps of one release; their answers by the place of the gap in `gaps`.
    void release(const std::vector<FileId>& ids, const std::map<FileId, size_t>& gapOf,
                 std::vector<CodeAnswer>& answers) {
        std::vector<matching::SleeveInput> inputs;
        for (const FileRecord& file : store_.files().findAll(ids)) {
            if (!file.readable() || file.absent != 0)
                continue;
            inputs.push_back(matching::sleeveInput(file.id, file.path, file.tags, fieldsToBe(store_, file),
                                                   file.state.modifiedNs));
        }
        if (inputs.empty())
            return;
        std::set<FileId> seated = ask(inputs, gapOf, answers);
        // Two copies of an album stand there as one: those that have no seat are asked for by themselves.
        std::erase_if(inputs, [&](const matching::SleeveInput& file) {
            return !gapOf.contains(file.id) || seated.contains(file.id);
        });
        if (!inputs.empty() && inputs.size() < ids.size() && !stop_.stop_requested())
            ask(inputs, gapOf, answers);
    }

    /// Codes that other files of the same recordings have.
    void ofRecording(CodeAnswer& answer) {
        if (answer.gap.recording == 0)
            return;
        for (const FileRecord& file :
             store_.files().findAll(store_.recordings().filesOf(answer.gap.recording))) {
            const auto at = file.tags.fields.find(std::string_view("isrc"));
            if (at == file.tags.fields.end())
                continue;
            for (const std::string& value : at->second)
                if (const std::string code = audit::plainForm(value);
                    audit::whyNotCode("isrc", code).empty()) {
                    CodeCandidate& one = candidate(answer, code, "another file of the recording");
                    one.confirmed = true;
                    one.evidence.push_back(fmt::format("{} is the same recording, and has it.",
                                                       text::forDisplay(file.path.filename().native())));
                }
        }
    }

    void end(CodeAnswer& answer) {
        for (CodeCandidate& one : answer.candidates) {
            const auto at = known_.find(one.isrc);
            if (at == known_.end() || !one.refused.empty())
                continue;
            if (answer.gap.recording != 0 &&
                store_.recordings().placeOf(at->second).recording == answer.gap.recording)
                continue;
            const auto row = searcher_.rowOf(at->second);
            if (!row)
                continue;
            const std::string title = searcher_.text(*row, "title");
            const double apart = std::abs(searcher_.durationOf(*row) - answer.gap.seconds);
            if (text::fold(title) == text::fold(answer.gap.title) && apart <= mostApart)
                one.evidence.push_back(
                    "A track of the library that is called so and is as long has it, too.");
            else
                one.refused = fmt::format("\"{}\" has this code already, and is another recording.", title);
        }
        std::ranges::stable_sort(answer.candidates, {}, [](const CodeCandidate& one) {
            return std::pair(!one.refused.empty(), !one.confirmed);
        });
    }

private:
    /// The files that have a seat in an edition.
    std::set<FileId> ask(const std::vector<matching::SleeveInput>& files,
                         const std::map<FileId, size_t>& gapOf, std::vector<CodeAnswer>& answers) {
        std::set<FileId> seated;
        const matching::SleeveClues clues = matching::cluesOf(files);
        // Each by itself: where two tell the same edition, their codes may differ.
        for (reference::Reference* one : references_) {
            matching::SleeveClues own = clues;
            const std::vector<reference::Reference*> alone = {one};
            const matching::Identified found =
                printsOf_ ? matching::identifyByAll(own, alone, printsOf_, matching::ByEar::Always, stop_)
                          : matching::identify(own, alone, {}, stop_);
            for (const Error& error : found.errors)
                if (told_.insert(error.message).second)
                    errors.push_back(error);
            for (size_t c = 0; c < std::min(found.candidates.size(), mostEditions); ++c) {
                edition(own, found.candidates[c], gapOf, answers);
                for (const int seat : found.candidates[c].seating.fileOf)
                    if (seat >= 0)
                        seated.insert(own.files[static_cast<size_t>(seat)].id);
            }
        }
        return seated;
    }

    static CodeCandidate& candidate(CodeAnswer& answer, const std::string& code, const std::string& source) {
        for (CodeCandidate& one : answer.candidates)
            if (one.isrc == code) {
                if (one.source.find(source) == std::string::npos)
                    one.source += "; " + source;
                return one;
            }
        CodeCandidate one;
        one.isrc = code;
        one.source = source;
        answer.candidates.push_back(std::move(one));
        return answer.candidates.back();
    }

    void edition(const matching::SleeveClues& clues, const matching::Candidate& candidate,
                 const std::map<FileId, size_t>& gapOf, std::vector<CodeAnswer>& answers) {
        const reference::Reference* by = nullptr;
        for (const reference::Reference* one : references_)
            if (one->key() == candidate.reference)
                by = one;
        const std::string source =
            fmt::format("{}: {}", by ? by->name() : candidate.reference, candidate.release.title);
        const matching::Likeable likeable(candidate.release, candidate.reference);
        for (size_t t = 0; t < likeable.tracks.size() && t < candidate.seating.fileOf.size(); ++t) {
            const int seat = candidate.seating.fileOf[t];
            if (seat < 0)
                continue;
            const matching::FileClues& file = clues.files[static_cast<size_t>(seat)];
            const auto gap = gapOf.find(file.id);
            if (gap == gapOf.end())
                continue;
            const matching::Likeable::Track& track = likeable.tracks[t];
            const reference::Track& told = candidate.release.media[track.medium].tracks[track.place];
            const matching::Fit& fit = candidate.seating.fits[t];
            for (const std::string& isrc : told.isrcs) {
                const std::string code = audit::plainForm(isrc);
                if (!audit::whyNotCode("isrc", code).empty())
                    continue;
                CodeCandidate& one = this->candidate(answers[gap->second], code, source);
                judge(one, file, track, told, fit);
            }
        }
    }

    void judge(CodeCandidate& one, const matching::FileClues& file, const matching::Likeable::Track& track,
               const reference::Track& told, const matching::Fit& fit) {
        auto say = [&](std::string sentence) {
            if (std::ranges::find(one.evidence, sentence) == one.evidence.end())
                one.evidence.push_back(std::move(sentence));
        };
        say(fmt::format("There it is called \"{}\"{}.", told.title,
                        told.lengthMs > 0 ? ", " + clock(static_cast<double>(told.lengthMs) / 1000) : ""));
        const matching::HeardAs* heard = nullptr; // as this recording
        for (const matching::HeardAs& as : file.heard)
            if (as.isSure() && !track.recording.empty() && as.recording == track.recording)
                heard = &as;
        if (heard) {
            one.confirmed = true;
            one.refused.clear();
            say("It sounds the same.");
            return;
        }
        if (one.confirmed || one.refused == soundsOtherwise)
            return;
        std::string why;
        if (!file.heard.empty() && file.heard.front().isSure() && !track.recording.empty())
            why = soundsOtherwise;
        else if (fit.title && *fit.title < leastTitle)
            why = "It is called otherwise there.";
        else if (fit.length && std::abs(fit.secondsApart) > mostApart)
            why = fmt::format("It is {} {} than there.", clock(std::abs(fit.secondsApart)),
                              fit.secondsApart > 0 ? "longer" : "shorter");
        one.fits = one.fits || why.empty();
        // One edition where all is right is enough, unless the sound says otherwise.
        one.refused = one.fits && why != soundsOtherwise ? std::string() : why;
    }

    Store& store_;
    const Searcher& searcher_;
    const std::vector<reference::Reference*>& references_;
    const matching::PrintsOf& printsOf_;
    std::stop_token stop_;
    std::unordered_map<std::string, FileId> known_;
    std::set<std::string> told_; // errors
};

} // namespace

namespace {

/// A recording once, however many files it has.
class Gaps {
public:
    explicit Gaps(Store& store) : store_(store) {}
    /// nullptr: it is a file more of a gap that is there.
    CodeGap* add(FileId file) {
        const RecordingId recording = store_.recordings().placeOf(file).recording;
        if (recording != 0) {
            const auto [it, isNew] = at_.try_emplace(recording, out_.size());
            if (!isNew) {
                out_[it->second].files.push_back(file);
                return nullptr;
            }
        }
        CodeGap& gap = out_.emplace_back();
        gap.recording = recording;
        gap.files = {file};
        return &gap;
    }
    std::vector<CodeGap> take() {
        for (CodeGap& gap : out_)
            std::ranges::sort(gap.files);
        return std::move(out_);
    }

private:
    Store& store_;
    std::map<RecordingId, size_t> at_;
    std::vector<CodeGap> out_;
};

} // namespace

std::vector<CodeGap> codeGaps(Store& store, const Searcher& searcher) {
    const JointField& isrc = searcher.field("isrc");
    const JointField& kind = searcher.field(kindColumn);
    Gaps gaps(store);
    for (const Row row : searcher.ordered(searcher.all(), {{"album_artist", true}, {"album", true}})) {
        if (isrc.listOf(row) != 0 || searcher.has(row, Absent) || searcher.has(row, Unreadable))
            continue;
        if (const std::string of = kind.text(kind.listOf(row)); !of.empty() && of != "music")
            continue;
        CodeGap* gap = gaps.add(searcher.idOf(row));
        if (!gap)
            continue;
        gap->title = searcher.text(row, "title");
        if (gap->title.empty())
            gap->title = text::forDisplay(searcher.pathOf(row).filename().native());
        gap->artist = searcher.text(row, "artist");
        gap->album = searcher.text(row, "album");
        gap->label = searcher.text(row, "label");
        gap->seconds = searcher.durationOf(row);
    }
    return gaps.take();
}

std::vector<CodeGap> codeGaps(Store& store, const ReleaseFiles& releases) {
    Gaps gaps(store);
    for (const std::vector<FileId>& release : releases)
        for (const FileRecord& file : store.files().findAll(release)) {
            const bool isMusic = file.kind.empty() || file.kind == "music";
            if (!file.readable() || file.absent != 0 || !isMusic || file.tags.fields.contains("isrc"))
                continue;
            CodeGap* gap = gaps.add(file.id);
            if (!gap)
                continue;
            const tags::Fields fields = fieldsToBe(store, file);
            gap->title = tags::firstValue(fields, "title");
            if (gap->title.empty())
                gap->title = text::forDisplay(file.path.filename().native());
            gap->artist = tags::shownValue(fields, "artist");
            gap->album = tags::firstValue(fields, "album");
            gap->label = tags::firstValue(fields, "label");
            gap->seconds = file.tags.facts.duration;
        }
    return gaps.take();
}

namespace {

/// The releases on the shelves in which the files of the gaps stand.
ReleaseFiles releasesOf(const Searcher& searcher, const std::vector<CodeGap>& gaps) {
    RowSet rows(searcher.all().size());
    for (const CodeGap& gap : gaps)
        for (const FileId file : gap.files)
            if (const auto row = searcher.rowOf(file))
                rows.add(*row);
    const RowsBySleeve sleeves = wholeSleevesOf(searcher, rows);
    ReleaseFiles out(sleeves.size());
    for (size_t i = 0; i < sleeves.size(); ++i)
        for (const Row row : sleeves[i])
            out[i].push_back(searcher.idOf(row));
    return out;
}

} // namespace

bool CodeAnswer::isSure() const {
    size_t good = 0, confirmed = 0;
    for (const CodeCandidate& one : candidates) {
        good += one.refused.empty();
        confirmed += one.refused.empty() && one.confirmed;
    }
    return good == 1 || confirmed == 1;
}

std::vector<Error> lookUpCodes(Store& store, const Searcher& searcher, const std::vector<CodeGap>& gaps,
                               const std::vector<reference::Reference*>& references,
                               const matching::PrintsOf& printsOf, std::stop_token stop,
                               work::Progress& progress, const std::function<void(CodeAnswer&&)>& told,
                               const ReleaseFiles& releases) {
    LookUp look(store, searcher, references, printsOf, stop);
    std::map<FileId, size_t> gapOf;
    std::vector<CodeAnswer> answers;
    for (size_t i = 0; i < gaps.size(); ++i) {
        answers.push_back({gaps[i], {}});
        for (const FileId file : gaps[i].files)
            gapOf[file] = i;
    }
    progress.begin(gaps.size());
    std::vector<bool> done(gaps.size());
    auto finish = [&](size_t gap) {
        if (done[gap])
            return;
        done[gap] = true;
        look.ofRecording(answers[gap]);
        look.end(answers[gap]);
        told(std::move(answers[gap]));
        progress.step({});
    };
    // A recording of several releases is asked for in each, and told when the last was asked.
    std::vector<size_t> left(gaps.size());
    for (const auto& [file, gap] : gapOf)
        ++left[gap];
    for (const std::vector<FileId>& release : releases.empty() ? releasesOf(searcher, gaps) : releases) {
        if (std::ranges::none_of(release, [&](FileId file) { return gapOf.contains(file); }))
            continue;
        if (stop.stop_requested())
            break;
        look.release(release, gapOf, answers);
        if (stop.stop_requested())
            break;
        for (const FileId file : release)
            if (const auto at = gapOf.find(file); at != gapOf.end() && --left[at->second] == 0)
                finish(at->second);
    }
    for (size_t i = 0; i < gaps.size() && !stop.stop_requested(); ++i)
        finish(i); // whose files are in no release any more
    return std::move(look.errors);
}

} // namespace moorfrost::library
