// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include <fmt/format.h>

#include "core/deliver/one_sheet.h"
#include "core/library/people/share.h"

namespace moorfrost::deliver {

namespace {

using Where = SheetGap::Where;
using library::Side;

/// Gathers what is missing of the songs, each once.
class Gaps {
public:
    Gaps(const SheetSubject& subject, const SheetLayout& layout) : subject_(subject), layout_(layout) {}

    std::vector<SheetGap> all() {
        if (subject_.leftOut > 0)
            add(Section::Facts,
                fmt::format("{} more songs do not stand on it: it has the first {}", subject_.leftOut,
                            mostSongs),
                true, Where::Release, 0, "");
        if (subject_.isRelease)
            ofRelease();
        for (const SheetSong& song : subject_.songs)
            ofSong(song);
        const auto order = [&](const SheetGap& gap) {
            return std::ranges::find(layout_.places, gap.section, &SheetLayout::Place::section) -
                   layout_.places.begin();
        };
        std::ranges::stable_sort(out_, {}, order);
        return std::move(out_);
    }

private:
    void add(Section section, std::string sentence, bool isHard, Where where, int64_t id, const char* field) {
        if (!layout_.has(section))
            return;
        SheetGap gap{section, std::move(sentence), isHard, where, id, field};
        if (std::ranges::find(out_, gap) == out_.end())
            out_.push_back(std::move(gap));
    }
    /// With the song ahead where there are several.
    std::string of(const SheetSong& song, const std::string& says) const {
        return subject_.songs.size() > 1 ? song.title + ": " + says : says;
    }

    void ofRelease() {
        if (subject_.barcode.empty())
            add(Section::Codes, "The release has no barcode", false, Where::Release, 0, "barcode");
        if (subject_.catalogueNumber.empty())
            add(Section::Codes, "The release has no catalogue number", false, Where::Release, 0, "labels");
        if (subject_.picture.hash == 0)
            add(Section::Picture, "The release has no picture", false, Where::Release, 0, "pictures");
    }

    void ofSide(Section section, const SheetSong& song, const char* name, const SheetSide& side, Where where,
                int64_t id, Side which) {
        for (const library::SideSum& sum : side.sums)
            if (!sum.isWhole()) {
                std::string says = fmt::format("{}: {}", name, library::sumSentence(sum, side.names.size()));
                while (says.ends_with('.'))
                    says.pop_back();
                add(section, of(song, says), sum.isTooMuch(), where, id, library::sideKey(which));
            }
        for (const SheetName& n : side.names)
            if (n.lacksNumber && n.party != 0)
                add(section, n.name + " has no IPI number", true, Where::Party, n.party, "ipi");
            else if (n.lacksNumber)
                add(section, of(song, n.name + " is known by name only, without a number"), true, where, id,
                    "names");
    }

    void ofSong(const SheetSong& song) {
        if (song.file == 0) {
            add(Section::Facts, of(song, "the library has no file of it"), false, Where::Release, 0, "");
        } else {
            if (song.artist.empty())
                add(Section::Facts, of(song, "No artist"), true, Where::File, song.file, "artist");
            if (song.tempo.empty())
                add(Section::Facts, of(song, "No tempo"), false, Where::File, song.file, "tempo");
            if (song.key.empty())
                add(Section::Facts, of(song, "No key"), false, Where::File, song.file, "key");
            if (song.isrcs.empty())
                add(Section::Codes, of(song, "No ISRC"), true, Where::File, song.file, "isrc");
            if (!subject_.isRelease && song.picture.hash == 0)
                add(Section::Picture, of(song, "No picture"), false, Where::File, song.file, "picture");
        }
        if (song.works.empty()) {
            add(Section::People, of(song, "It is not said which work this is, nor who wrote it"), true,
                Where::File, song.file, "work");
        }
        for (const SheetWork& work : song.works) {
            if (work.iswc.empty() && !work.noIswc)
                add(Section::Codes, of(song, "No ISWC"), false, Where::Work, work.id, "iswc");
            if (work.writers.names.empty())
                add(Section::People, of(song, "No writer is named"), true, Where::Work, work.id, "writers");
            ofSide(Section::People, song, "Writers", work.writers, Where::Work, work.id, Side::Writers);
            ofSide(Section::People, song, "Publishers", work.publishers, Where::Work, work.id,
                   Side::Publishers);
            if (work.keywords.empty())
                add(Section::Keywords, of(song, "No keywords"), false, Where::Work, work.id, "keywords");
            if (work.lyrics.empty() && song.lyrics.empty() && !work.noLyrics)
                add(Section::Lyrics, of(song, "No lyrics"), false, Where::Work, work.id, "lyrics");
        }
        const library::CardId first = song.works.empty() ? 0 : song.works.front().id;
        const Where owners = first == 0 ? Where::File : Where::Work;
        if (song.owners.names.empty())
            add(Section::Owners, of(song, "No owner of the master is named"), true, owners,
                first == 0 ? song.file : first, "master");
        ofSide(Section::Owners, song, "Owners", song.owners, owners, first == 0 ? song.file : first,
               Side::Owners);
        if (song.contacts.empty()) {
            // Of whom one would be looked for first.
            library::CardId whom = 0;
            auto look = [&](const SheetSide& side) {
                for (const SheetName& n : side.names)
                    if (whom == 0)
                        whom = n.party;
            };
            look(song.owners);
            for (const SheetWork& work : song.works) {
                look(work.publishers);
                look(work.writers);
            }
            if (whom != 0)
                add(Section::Contacts, of(song, "Nobody of it has a contact"), true, Where::Party, whom,
                    "contacts");
            else
                add(Section::Contacts, of(song, "There is nobody to ask for a licence"), true, owners,
                    first == 0 ? song.file : first, "master");
        }
    }

    const SheetSubject& subject_;
    const SheetLayout& layout_;
    std::vector<SheetGap> out_;
};

} // namespace

std::vector<SheetGap> sheetGaps(const SheetSubject& subject, const SheetLayout& layout) {
    return Gaps(subject, layout).all();
}

} // namespace moorfrost::deliver
