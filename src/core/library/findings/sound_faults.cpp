// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/sound_faults.h"

#include <algorithm>
#include <cmath>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using measure::SoundReport;

std::string kilohertz(double hertz) {
    return fmt::format("{:.4g} kHz", hertz / 1000);
}

std::string decibel(double db) {
    return fmt::format("{:.1f} dB", std::abs(db) < 0.05 ? 0.0 : db); // not "-0.0"
}

std::string seconds(double s) {
    return s < 1 ? fmt::format("{:.0f} ms", s * 1000) : fmt::format("{:.1f} s", s);
}

std::string minutes(double s) {
    const auto whole = static_cast<int>(std::max(0.0, s));
    return fmt::format("{}:{:02}", whole / 60, whole % 60);
}

/// The edge above which there is hardly anything, if it has one.
const measure::SpectrumEdge* cut(const SoundReport& report) {
    const measure::SpectrumEdge* out = nullptr;
    for (const measure::SpectrumEdge& edge : report.edges)
        if (edge.drop > 12 && edge.width < 800 && (!out || edge.hertz > out->hertz))
            out = &edge;
    return out;
}

class Judge {
public:
    Judge(const SoundReport& report, const RuleChoices& rules) : r_(report), rules_(rules) {}

    std::vector<SoundFault> run() {
        if (r_.seconds < 1)
            return {}; // too short to say anything
        if (r_.isSilent()) {
            silence();
            return std::move(out_);
        }
        const std::string edgeCoder = measure::coderOfEdge(r_);
        if (r_.trace.found())
            codedBefore();
        else if (!edgeCoder.empty())
            codedByEdge(edgeCoder);
        else
            raisedRate();
        unusedBits();
        clipped();
        truePeaks();
        silence();
        dropouts();
        channels();
        offset();
        hum();
        return std::move(out_);
    }

private:
    SoundFault* add(const char* rule) {
        if (!rules_.isOn(rule))
            return nullptr;
        out_.push_back({rule, {}, {}, 1, {}});
        return &out_.back();
    }

    void codedBefore() {
        SoundFault* one = add("coded-before");
        if (!one)
            return;
        const measure::CoderTrace& t = r_.trace;
        const measure::SpectrumEdge* edge = cut(r_);
        one->sentence =
            fmt::format("Coded with {} before it became lossless: at {} of {} places the sound lies in the "
                        "frames of that coder, rounded as it rounds.",
                        t.coder, t.segments, t.looked);
        one->evidence.push_back({"Frames of the coder",
                                 fmt::format("{}, {:.0f} times as clear as chance", t.coder, t.strength),
                                 "none stands out by more than 5"});
        one->evidence.push_back(
            {"Found at", fmt::format("{} of {} places", t.segments, t.looked), "none, or one"});
        if (edge) {
            one->evidence.push_back({"Nothing above", kilohertz(edge->ends), "fades out"});
            one->evidence.push_back({"Edge of the spectrum",
                                     fmt::format("{:.0f} dB within {:.0f} Hz", edge->drop, edge->width),
                                     "a few dB"});
            one->place.hertz = edge->ends;
        }
        one->sure = std::min(0.99, 0.75 + t.strength / 100);
    }

    void codedByEdge(const std::string& coder) {
        SoundFault* one = add("coded-before");
        if (!one)
            return;
        const auto edge = std::ranges::find_if(
            r_.edges, [](const measure::SpectrumEdge& e) { return e.hertz > 19900 && e.hertz < 20200; });
        one->sentence = fmt::format(
            "Probably coded with {} before it became lossless: above {} there is nothing, with an "
            "edge as sharp as that coder makes it.",
            coder, kilohertz(20000));
        if (edge != r_.edges.end()) {
            one->evidence.push_back({"Nothing above", kilohertz(edge->hertz), "22 kHz, or fades out"});
            one->evidence.push_back({"Edge of the spectrum",
                                     fmt::format("{:.0f} dB within {:.0f} Hz", edge->drop, edge->width),
                                     "wider, or at another place"});
            one->place.hertz = edge->hertz;
        }
        one->sure = 0.85;
    }

    void raisedRate() {
        const int from = measure::raisedFrom(r_);
        SoundFault* one = from > 0 ? add("raised-rate") : nullptr;
        if (!one)
            return;
        one->sentence =
            fmt::format("The file has {}, but its sound is that of {}: above {} there is nothing of its own.",
                        kilohertz(r_.rate), kilohertz(from), kilohertz(from / 2.0));
        one->place.hertz = from / 2.0;
        one->sure = 0.9;
        if (r_.mirrored == from && r_.mirror > 0.3) {
            one->evidence.push_back({"Mirror image above it",
                                     fmt::format("{:.0f} per cent alike", r_.mirror * 100), "less than 15"});
            one->sure = 0.97;
        }
        for (const measure::SpectrumEdge& edge : r_.edges)
            if (edge.hertz > 0.9 * from / 2 && edge.hertz < 1.02 * from / 2) {
                one->evidence.push_back({"Edge of the spectrum",
                                         fmt::format("{:.0f} dB at {}", edge.drop, kilohertz(edge.hertz)),
                                         "fades out"});
                break;
            }
    }

    void unusedBits() {
        if (r_.depth <= 0 || r_.usedBits <= 0 || r_.usedBits >= r_.depth)
            return;
        SoundFault* one = add("unused-bits");
        if (!one)
            return;
        one->sentence = fmt::format("Of {} bits a sample {} are never used: they are always 0.", r_.depth,
                                    r_.depth - r_.usedBits);
        one->evidence.push_back({"Bits of a sample", std::to_string(r_.usedBits), std::to_string(r_.depth)});
    }

    void clipped() {
        const measure::Levels& l = r_.levels;
        if (static_cast<double>(l.clipped) < std::max(1.0, rules_.limit("clipped")))
            return;
        SoundFault* one = add("clipped");
        if (!one)
            return;
        one->sentence = fmt::format("The wave is cut off at {} places, at {} of full scale.", l.clipped,
                                    decibel(l.ceiling));
        one->evidence.push_back(
            {"Places", std::to_string(l.clipped), fmt::format("fewer than {:.0f}", rules_.limit("clipped"))});
        one->evidence.push_back({"Most of them from", minutes(l.clippedAt), ""});
        one->evidence.push_back({"Cut off at", decibel(l.ceiling), ""});
        one->place.from = l.clippedAt;
        one->place.to = std::min(r_.seconds, l.clippedAt + 10);
    }

    void truePeaks() {
        const double most = rules_.limit("true-peaks");
        if (r_.loudness.truePeak <= most)
            return;
        SoundFault* one = add("true-peaks");
        if (!one)
            return;
        one->sentence = fmt::format("Between its samples the wave rises to {} over full scale.",
                                    decibel(r_.loudness.truePeak));
        one->evidence.push_back({"Highest between samples", decibel(r_.loudness.truePeak),
                                 fmt::format("at most {}", decibel(most))});
        one->evidence.push_back(
            {"Highest sample", decibel(r_.levels.peak), "at " + minutes(r_.levels.loudest)});
        one->place.from = std::max(0.0, r_.levels.loudest - 0.01);
        one->place.to = std::min(r_.seconds, r_.levels.loudest + 0.01);
    }

    void silence() {
        const double most = rules_.limit("silence");
        const measure::Levels& l = r_.levels;
        if (r_.isSilent()) {
            if (r_.seconds <= most)
                return;
            if (SoundFault* one = add("silence")) {
                one->sentence = "There is no sound in it at all.";
                one->evidence.push_back({"Highest sample", l.peak <= -199 ? "none" : decibel(l.peak), ""});
            }
            return;
        }
        if (l.silenceBefore <= most && l.silenceAfter <= most)
            return;
        SoundFault* one = add("silence");
        if (!one)
            return;
        const bool both = l.silenceBefore > most && l.silenceAfter > most;
        one->sentence =
            both ? fmt::format("It begins with {} of silence and ends with {}.", seconds(l.silenceBefore),
                               seconds(l.silenceAfter))
                 : fmt::format("It {} with {} of silence.", l.silenceBefore > most ? "begins" : "ends",
                               seconds(std::max(l.silenceBefore, l.silenceAfter)));
        one->evidence.push_back(
            {"At the start", seconds(l.silenceBefore), fmt::format("at most {}", seconds(most))});
        one->evidence.push_back(
            {"At the end", seconds(l.silenceAfter), fmt::format("at most {}", seconds(most))});
        if (l.silenceAfter > most) {
            one->place.from = r_.seconds - l.silenceAfter;
            one->place.to = r_.seconds;
        } else {
            one->place.to = l.silenceBefore;
        }
    }

    void dropouts() {
        const measure::Levels& l = r_.levels;
        SoundFault* one = l.dropouts > 0 ? add("dropouts") : nullptr;
        if (!one)
            return;
        one->sentence = l.dropouts == 1 ? fmt::format("The sound stops for {} at {}.",
                                                      seconds(l.dropoutSeconds), minutes(l.dropoutAt))
                                        : fmt::format("The sound stops {} times, for up to {}.", l.dropouts,
                                                      seconds(l.dropoutSeconds));
        one->evidence.push_back({"Gaps in the midst of sound", std::to_string(l.dropouts), "none"});
        one->evidence.push_back(
            {"The longest", seconds(l.dropoutSeconds) + " at " + minutes(l.dropoutAt), ""});
        one->place.from = l.dropoutAt;
        one->place.to = std::min(r_.seconds, l.dropoutAt + l.dropoutSeconds);
        one->sure = l.dropouts > 200 ? 0.6 : 0.95; // so many may be an effect
    }

    void channels() {
        if (!r_.stereo)
            return;
        const measure::ChannelTraits& s = *r_.stereo;
        const double apart = std::abs(s.left - s.right);
        if (std::min(s.left, s.right) < -66 && apart > 30) {
            if (SoundFault* one = add("one-channel")) {
                one->sentence = fmt::format("The {} channel is silent.", s.left < s.right ? "left" : "right");
                one->evidence.push_back({"Left", s.left <= -199 ? "silent" : decibel(s.left), ""});
                one->evidence.push_back({"Right", s.right <= -199 ? "silent" : decibel(s.right), ""});
            }
            return;
        }
        // What is left of the difference may be rounding of a soft recording.
        if (s.difference < -60 || s.difference + std::max(s.left, s.right) < -84) {
            if (SoundFault* one = add("one-channel")) {
                one->sentence = "Both channels are the same: it is a recording in mono.";
                one->evidence.push_back({"Difference of the channels",
                                         s.difference <= -199 ? "none" : decibel(s.difference),
                                         "-20 dB and more"});
            }
            return;
        }
        if (s.turned > 0.7 && s.lowLikeness < -0.5 && s.likeness < -0.2) {
            if (SoundFault* one = add("phase")) {
                one->sentence = fmt::format("The channels go against each other in {:.0f} of 100 seconds.",
                                            s.turned * 100);
                one->evidence.push_back(
                    {"Likeness of the channels", fmt::format("{:.2f}", s.likeness), "above 0"});
                one->evidence.push_back(
                    {"Of the low tones", fmt::format("{:.2f}", s.lowLikeness), "0.5 to 1"});
                one->sure = std::min(0.98, 0.6 - s.lowLikeness * 0.4);
            }
        }
    }

    void offset() {
        double most = 0;
        for (const double one : r_.levels.offset)
            if (std::abs(one) > std::abs(most))
                most = one;
        if (std::abs(most) * 100 < rules_.limit("offset"))
            return;
        SoundFault* one = add("offset");
        if (!one)
            return;
        one->sentence = fmt::format("The wave lies {:.1f} per cent of full scale {} the middle.",
                                    std::abs(most) * 100, most > 0 ? "above" : "below");
        for (size_t c = 0; c < r_.levels.offset.size(); ++c)
            one->evidence.push_back({r_.levels.offset.size() == 2 ? (c == 0 ? "Left" : "Right")
                                                                  : fmt::format("Channel {}", c + 1),
                                     fmt::format("{:+.2f} per cent", r_.levels.offset[c] * 100),
                                     "below 0.1"});
    }

    void hum() {
        SoundFault* one = r_.hum.hertz > 0 ? add("hum") : nullptr;
        if (!one)
            return;
        one->sentence = fmt::format(
            "Tones at {:.0f} Hz and its multiples are there all the time, also in the soft places.",
            r_.hum.hertz);
        one->evidence.push_back({"Tones of it", std::to_string(r_.hum.tones), "none"});
        one->evidence.push_back({"The loudest", decibel(r_.hum.level), ""});
        one->evidence.push_back({"Over what lies beside it", decibel(r_.hum.over), "less than 12 dB"});
        one->place.hertz = r_.hum.hertz * 2;
        one->sure = std::min(0.95, 0.5 + 0.1 * r_.hum.tones);
    }

    const SoundReport& r_;
    const RuleChoices& rules_;
    std::vector<SoundFault> out_;
};

} // namespace

std::vector<SoundFault> soundFaults(const SoundReport& report, const RuleChoices& rules) {
    return Judge(report, rules).run();
}

std::optional<SoundFault> brokenOff(const SoundReport& report, const SoundReport* next) {
    const measure::Levels& l = report.levels;
    if (report.seconds < 5 || l.endLevel < -36 || l.endLevel < l.endBefore - 9)
        return std::nullopt;
    if (next && next->levels.beginLevel > l.endLevel - 12)
        return std::nullopt; // the next takes it up
    SoundFault out;
    out.rule = "broken-off";
    out.sentence = "It ends in the midst of the sound, without fading.";
    out.evidence.push_back({"At its very end", decibel(l.endLevel), "below -40 dB"});
    out.evidence.push_back({"In the three seconds before", decibel(l.endBefore), ""});
    if (next)
        out.evidence.push_back(
            {"The next one begins at",
             next->levels.beginLevel <= -199 ? "silence" : decibel(next->levels.beginLevel), ""});
    out.place.from = std::max(0.0, report.seconds - 4);
    out.place.to = report.seconds;
    out.sure = 0.8;
    return out;
}

std::string gainText(double lufs) {
    return fmt::format("{:+.2f} dB", replayGainLevel - lufs);
}

std::string peakText(double db) {
    return fmt::format("{:.6f}", std::pow(10, db / 20));
}

} // namespace moorfrost::library
