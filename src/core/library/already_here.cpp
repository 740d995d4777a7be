// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/already_here.h"

#include <algorithm>
#include <cstdlib>
#include <set>

#include "core/library/recordings.h"
#include "core/library/search/phrases.h"
#include "core/matching/clues.h"
#include "core/reference/catalogue.h"
#include "core/reference/reference.h"
#include "core/text/likeness.h"

namespace moorfrost::library {

namespace {

constexpr size_t mostRows = 500;

} // namespace

AlreadyHere whatIsHere(Store& store, const Searcher& searcher, const std::vector<FileRecord>& files,
                       const reference::Release& release, const std::string& referenceNumber,
                       bool toldByLibrary) {
    std::set<FileId> own;
    for (const FileRecord& f : files)
        own.insert(f.id);
    std::set<Row> rows;
    auto add = [&](const char* key, const std::string& phrase) {
        const std::vector<Row> some = rowsWith(searcher, key, phrase, mostRows);
        rows.insert(some.begin(), some.end());
    };
    add("album", release.title);
    std::set<std::string> isrcs, numbers, recordings;
    for (const reference::Medium& m : release.media)
        for (const reference::Track& t : m.tracks) {
            recordings.insert(t.recording);
            for (const std::string& isrc : t.isrcs)
                if (isrcs.insert(reference::plainCode(isrc)).second && isrcs.size() <= 60)
                    add("isrc", isrc);
        }
    for (const reference::Label& l : release.labels)
        if (!l.catalogueNumber.empty())
            numbers.insert(reference::plainCode(l.catalogueNumber));
    const text::Likened album(release.title), artist(release.credit.text());
    AlreadyHere out;
    out.tracks = release.trackCount();
    std::vector<FileId> found;
    for (Row row : rows) {
        const FileId id = searcher.idOf(row);
        if (own.contains(id) || searcher.has(row, Absent))
            continue;
        auto said = [&](const char* key) { return searcher.text(row, key); };
        const std::string who = said("album_artist").empty() ? said("artist") : said("album_artist");
        const bool sameAlbum = text::likeness(album, text::Likened(said("album"))) > 0.9 &&
                               text::likeness(artist, text::Likened(who)) > 0.6;
        const std::string number = reference::plainCode(said("catalogue_number")), code = said("barcode");
        const std::string reference = said(matching::referenceNumberField);
        AlreadyHere::What what = AlreadyHere::What::Nothing;
        if ((reference == referenceNumber && !reference.empty()) ||
            (toldByLibrary && recordings.contains(reference::recordingOfFile(id))))
            what = AlreadyHere::What::Edition;
        else if (sameAlbum &&
                 ((!number.empty() && numbers.contains(number)) ||
                  (!code.empty() && reference::plainCode(code) == reference::plainCode(release.barcode))))
            what = AlreadyHere::What::Edition;
        else if (sameAlbum && ((!number.empty() && !numbers.empty()) || !reference.empty()))
            what = AlreadyHere::What::OtherEdition;
        else if (sameAlbum)
            what = AlreadyHere::What::Release;
        else if (isrcs.contains(reference::plainCode(said("isrc"))))
            what = AlreadyHere::What::Recordings;
        if (what == AlreadyHere::What::Nothing || what < out.what)
            continue;
        if (what > out.what) { // what is nearer counts alone
            out.what = what;
            out.first = id;
            found.clear();
            std::string edition = said("date");
            if (const std::string n = said("catalogue_number"); !n.empty())
                edition += (edition.empty() ? "" : ", ") + n;
            out.edition = edition;
        }
        found.push_back(id);
    }
    out.files = found.size();
    int better = 0, worse = 0;
    for (FileId id : found) {
        const auto there = store.files().find(id);
        if (!there)
            continue;
        const text::Likened title(tags::firstValue(there->tags.fields, "title"));
        for (const FileRecord& f : files)
            if (text::likeness(title, text::Likened(tags::firstValue(f.tags.fields, "title"))) > 0.8 ||
                files.size() == 1 || title.empty()) {
                // What tells two files of the same kind apart by next to nothing makes none of them better.
                FileRecord a = *there, b = f;
                a.id = b.id = 0;
                if (std::abs(a.tags.facts.bitrate - b.tags.facts.bitrate) * 10 < a.tags.facts.bitrate)
                    a.tags.facts.bitrate = b.tags.facts.bitrate;
                better += isBetter(a, b);
                worse += isBetter(b, a);
                break;
            }
    }
    out.quality = better > 2 * worse ? 1 : worse > 2 * better ? -1 : 0;
    return out;
}

} // namespace moorfrost::library
