// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_html.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <fmt/format.h>

#include "core/base/base64.h"
#include "core/base/digest.h"
#include "core/deliver/rows/row_layout.h"
#include "core/exchange/markup.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

constexpr size_t bars = 120;

std::string e(std::string_view text) {
    return exchange::escapedMarkup(text);
}

std::string clock(double seconds) {
    return lengthText(seconds, seconds >= 3600 ? "h:mm:ss" : "m:ss", '.');
}

std::string longDate(const std::string& date) {
    static constexpr std::array months = {"January",   "February", "March",    "April",
                                          "May",       "June",     "July",     "August",
                                          "September", "October",  "November", "December"};
    const auto parts = text::split(date, "-");
    if (parts.size() != 3 || parts[1].size() != 2 || !text::isDigits(parts[1]) || !text::isDigits(parts[2]))
        return date;
    const size_t month = std::stoul(parts[1]);
    if (month < 1 || month > 12)
        return date;
    return fmt::format("{} {} {}", std::stoul(parts[2]), months[month - 1], parts[0]);
}

std::string counted(size_t n, const char* one, const char* several) {
    return fmt::format("{} {}", n, n == 1 ? one : several);
}

std::string hashOf(const std::string& text) {
    return "'sha256-" + toBase64(Digest::of(Digest::Kind::Sha256, text)) + "'";
}

class Writing {
public:
    Writing(const PageSubject& subject, const PageLayout& layout, const PageFiles& files)
        : subject_(subject), layout_(layout), files_(files) {}

    std::string body() {
        head();
        if (!subject_.words.empty())
            out_ += "<p class=\"words\">" + e(subject_.words) + "</p>\n";
        out_ += "<main>\n<ol class=\"tracks\" aria-label=\"Tracks\">\n";
        for (size_t i = 0; i < subject_.tracks.size(); ++i)
            track(subject_.tracks[i], i + 1);
        out_ += "</ol>\n</main>\n";
        foot();
        return std::move(out_);
    }

private:
    void head() {
        out_ += "<header>\n";
        if (!files_.picture.empty())
            out_ += "<img class=\"cover\" src=\"" + e(addressOf(files_.picture)) + "\" alt=\"Picture of " +
                    e(subject_.title) + "\" width=\"150\" height=\"150\">\n";
        out_ += "<div class=\"about\">\n<p class=\"for\">";
        if (!subject_.forWhom.empty())
            out_ += "For " + e(subject_.forWhom) + " \u00B7 ";
        out_ += e(longDate(subject_.date)) + "</p>\n<h1>" + e(subject_.title) + "</h1>\n";
        if (!subject_.artist.empty())
            out_ += "<p class=\"artist\">" + e(subject_.artist) + "</p>\n";
        std::string sum = counted(subject_.tracks.size(), "track", "tracks");
        if (subject_.versions() > 0)
            sum += ", " + counted(subject_.versions(), "version", "versions");
        sum += " \u00B7 " + clock(subject_.seconds());
        if (!subject_.from.empty())
            sum += " \u00B7 from " + subject_.from;
        out_ += "<p class=\"sum\">" + e(sum) + "</p>\n</div>\n";
        if (!files_.oneSheet.empty() || !files_.all.empty()) {
            out_ += "<div class=\"ways\">\n";
            if (!files_.oneSheet.empty())
                out_ += "<a class=\"button\" href=\"" + e(addressOf(files_.oneSheet)) +
                        "\">One-sheet (PDF)</a>\n";
            if (!files_.all.empty())
                out_ += "<a class=\"button main\" href=\"" + e(addressOf(files_.all)) +
                        "\" download>Download all \u2193</a>\n";
            out_ += "</div>\n";
        }
        out_ += "</header>\n";
    }

    void track(const PageTrack& track, size_t number) {
        begin(track.lead, "track");
        row(track.lead, number);
        marks(track.lead);
        if (!track.lead.lyrics.empty())
            out_ += "<details>\n<summary>Lyrics</summary>\n<p class=\"lyrics\">" + e(track.lead.lyrics) +
                    "</p>\n</details>\n";
        if (!track.versions.empty()) {
            const auto stems =
                static_cast<size_t>(std::ranges::count(track.versions, true, &PageSound::isStem));
            std::string says;
            if (track.versions.size() > stems)
                says = counted(track.versions.size() - stems, "version", "versions");
            if (stems > 0)
                says += (says.empty() ? "" : ", ") + counted(stems, "stem", "stems");
            out_ += "<details>\n<summary>" + says +
                    "</summary>\n<ol class=\"versions\" aria-label=\"Versions of " + e(track.lead.name) +
                    "\">\n";
            for (const PageSound& version : track.versions) {
                begin(version, "version");
                row(version, 0);
                marks(version);
                out_ += "</li>\n";
            }
            out_ += "</ol>\n</details>\n";
        }
        out_ += "</li>\n";
    }

    const PageFiles::Sound& made(const PageSound& sound) const {
        static const PageFiles::Sound none;
        const auto it = files_.sounds.find(sound.id);
        return it == files_.sounds.end() ? none : it->second;
    }

    void begin(const PageSound& sound, const char* kind) {
        const PageFiles::Sound& file = made(sound);
        out_ += fmt::format("<li class=\"{}\" data-id=\"{}\"", kind, e(sound.id));
        if (!file.listen.empty())
            out_ += fmt::format(" data-sound=\"{}\" data-seconds=\"{:.3f}\" data-name=\"{}\"",
                                e(addressOf(file.listen)), file.seconds, e(sound.name));
        out_ += ">\n";
    }

    void row(const PageSound& sound, size_t number) {
        const PageFiles::Sound& file = made(sound);
        out_ += file.take.empty() ? "<div class=\"row plain\">\n" : "<div class=\"row\">\n";
        if (file.listen.empty())
            out_ += "<span></span>\n";
        else
            out_ += "<button class=\"play\" type=\"button\" aria-pressed=\"false\" aria-label=\"Play " +
                    e(sound.name) + "\">\u25B6</button>\n";
        if (number > 0)
            out_ += fmt::format("<span class=\"no\">{}</span>\n", number);
        out_ += "<div>\n<span class=\"name\">" + e(sound.name) + "</span>\n";
        std::vector<std::string> facts;
        if (!sound.artist.empty() && sound.artist != subject_.artist)
            facts.push_back(sound.artist);
        facts.insert(facts.end(), sound.facts.begin(), sound.facts.end());
        if (!facts.empty())
            out_ += "<span class=\"facts\">" + e(text::join(facts, " \u00B7 ")) + "</span>\n";
        out_ += "</div>\n";
        if (file.listen.empty()) {
            out_ += "<span class=\"unheard\">cannot be heard here</span>\n";
        } else {
            out_ += "<div class=\"wave\">\n<svg viewBox=\"0 0 480 60\" preserveAspectRatio=\"none\" "
                    "aria-hidden=\"true\">"
                    "<path d=\"" +
                    wavePath(file.shape) + "\"/><path class=\"played\" d=\"" + wavePath(file.shape) +
                    "\"/></svg>\n";
            out_ += fmt::format("<input type=\"range\" min=\"0\" max=\"{}\" step=\"1\" value=\"0\" "
                                "aria-label=\"Place in {}\">\n"
                                "</div>\n",
                                std::max(1L, std::lround(file.seconds)), e(sound.name));
        }
        out_ +=
            "<span class=\"time\">" + clock(file.seconds > 0 ? file.seconds : sound.seconds) + "</span>\n";
        if (!file.take.empty())
            out_ += "<a class=\"button take\" href=\"" + e(addressOf(file.take)) +
                    "\" download aria-label=\"Download " + e(sound.name) + "\">\u2193</a>\n";
        out_ += "</div>\n";
    }

    void marks(const PageSound& sound) {
        if (sound.marks.empty())
            return;
        const bool heard = !made(sound).listen.empty();
        out_ += "<ul class=\"said\" aria-label=\"Marked places\">\n";
        for (const library::Bookmark& mark : sound.marks) {
            const std::string at = mark.seconds < 1 ? std::string("0:00") : clock(mark.seconds);
            out_ +=
                heard ? fmt::format("<li><button class=\"at\" type=\"button\" data-at=\"{:.1f}\">{}</button>",
                                    mark.seconds, at)
                      : "<li><span class=\"at\">" + at + "</span>";
            out_ += "<span>" + e(mark.text) + "</span></li>\n";
        }
        out_ += "</ul>\n";
    }

    void foot() {
        out_ += "<footer>\n";
        if (layout_.notes)
            out_ += "<span class=\"told\" role=\"status\"></span>\n"
                    "<input class=\"who\" type=\"text\" placeholder=\"Your name\" aria-label=\"Your name\" "
                    "maxlength=\"100\">\n"
                    "<button class=\"button save\" type=\"button\" disabled>Save notes to send "
                    "back\u2026</button>\n";
        out_ += std::string("<span class=\"keys\">Space plays \u00B7 J K next, previous") +
                (layout_.notes ? " \u00B7 N note" : "") + "</span>\n</footer>\n";
    }

    const PageSubject& subject_;
    const PageLayout& layout_;
    const PageFiles& files_;
    std::string out_;
};

} // namespace

std::string addressOf(const std::string& name) {
    std::string out;
    for (const char c : name) {
        const auto u = static_cast<unsigned char>(c);
        if ((u < 0x80 && std::isalnum(u)) || std::string_view("-._~/").find(c) != std::string_view::npos)
            out += c;
        else
            out += fmt::format("%{:02X}", u);
    }
    return out;
}

std::string wavePath(const std::vector<float>& shape) {
    std::string out;
    for (size_t bar = 0; bar < bars; ++bar) {
        float height = 0;
        const size_t from = bar * shape.size() / bars,
                     to = std::max(from + 1, (bar + 1) * shape.size() / bars);
        for (size_t i = from; i < to && i < shape.size(); ++i)
            height = std::max(height, shape[i]);
        const int half = std::clamp(static_cast<int>(std::lround(height * 29)), 1, 29);
        out += fmt::format("M{} {}h2.6v{}h-2.6z", bar * 4, 30 - half, 2 * half);
    }
    return out;
}

std::string pageHtml(const PageSubject& subject, const PageLayout& layout, const PageFiles& files,
                     const std::string& id, const std::string& style, const std::string& program) {
    std::string out =
        "<!DOCTYPE html>\n<html lang=\"en\" data-page=\"" + e(id) + "\">\n<head>\n<meta charset=\"utf-8\">\n";
    // Nothing is loaded from elsewhere, and no other program runs, whatever a title says.
    out += "<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src " +
           hashOf(style) + "; script-src " + hashOf(program) +
           "; img-src 'self' file:; media-src 'self' file:; base-uri 'none'; form-action 'none'\">\n";
    out += "<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n<meta name=\"robots\" "
           "content=\"noindex\">\n<meta name=\"referrer\" content=\"no-referrer\">\n<title>" +
           e(subject.title + (subject.artist.empty() ? "" : ", " + subject.artist)) + "</title>\n<style>" +
           style + "</style>\n</head>\n<body data-notes=\"" + (layout.notes ? "yes" : "no") +
           "\">\n<div class=\"page\">\n";
    out += Writing(subject, layout, files).body();
    out += "</div>\n<script>" + program + "</script>\n</body>\n</html>\n";
    return out;
}

} // namespace moorfrost::deliver
