// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/release_json.h"

#include <algorithm>
#include <cctype>
#include <charconv>

#include "core/reference/json_reader.h"
#include "core/tags/picture.h"
#include "core/text/text.h"
#include <fmt/format.h>

namespace moorfrost::reference {

namespace {

Json put(const Credit& credit) {
    Json out = Json::array();
    for (const Credit::Name& n : credit.names) {
        Json j = {{"name", n.name}};
        if (!n.id.empty())
            j["id"] = n.id;
        if (!n.sortForm.empty())
            j["sort"] = n.sortForm;
        if (!n.join.empty())
            j["join"] = n.join;
        if (!n.others.empty())
            j["others"] = n.others;
        out.push_back(std::move(j));
    }
    return out;
}

/// What stands between names keeps its spaces.
std::string joining(Reader& r, const Json& j) {
    const Json* v = r.member(j, "join");
    if (!v || !v->is_string())
        return {};
    const std::string raw = v->get<std::string>();
    std::string word = cleanedText(raw, 40);
    if (word.empty())
        return raw.empty() ? std::string() : " ";
    return (raw.front() == ' ' ? " " : "") + word + (raw.back() == ' ' ? " " : "");
}

Credit creditFrom(Reader& r, const Json& object) {
    Credit out;
    r.objects(object, "artists", 200, [&](const Json& j) {
        Credit::Name n;
        n.name = r.text(j, "name");
        n.id = r.text(j, "id", 200);
        n.sortForm = r.text(j, "sort");
        n.join = joining(r, j);
        n.others = r.texts(j, "others", 50);
        if (!n.name.empty())
            out.names.push_back(std::move(n));
    });
    return out;
}

Json put(const std::vector<Role>& roles) {
    Json out = Json::array();
    for (const Role& role : roles) {
        Json j = {{"role", role.role}, {"name", role.name}};
        if (!role.detail.empty())
            j["detail"] = role.detail;
        out.push_back(std::move(j));
    }
    return out;
}

std::vector<Role> rolesFrom(Reader& r, const Json& object) {
    std::vector<Role> out;
    r.objects(object, "roles", 500, [&](const Json& j) {
        Role role{r.text(j, "role", 200), r.text(j, "name"), r.text(j, "detail", 400)};
        if (!role.role.empty() && !role.name.empty())
            out.push_back(std::move(role));
    });
    return out;
}

template<class T>
void putIf(Json& j, const char* key, const T& value) {
    if (!(value == T()))
        j[key] = value;
}

Json put(const Track& t) {
    Json track = {{"position", t.position}, {"title", t.title}};
    putIf(track, "length_ms", t.lengthMs);
    putIf(track, "recording", t.recording);
    putIf(track, "isrcs", t.isrcs);
    if (!t.credit.names.empty())
        track["artists"] = put(t.credit);
    if (!t.roles.empty())
        track["roles"] = put(t.roles);
    return track;
}

Json put(const Release& release) {
    Json j = {{"id", release.id}, {"title", release.title}, {"artists", put(release.credit)}};
    putIf(j, "edition_set", release.editionSet);
    putIf(j, "edition", release.edition);
    putIf(j, "barcode", release.barcode);
    putIf(j, "first_date", release.firstDate);
    putIf(j, "packaging", release.packaging);
    putIf(j, "status", release.status);
    putIf(j, "language", release.language);
    putIf(j, "script", release.script);
    putIf(j, "rights", release.rights);
    putIf(j, "notes", release.notes);
    putIf(j, "genres", release.genres);
    putIf(j, "links", release.links);
    for (const Label& l : release.labels)
        j["labels"].push_back({{"name", l.name}, {"catalogue_number", l.catalogueNumber}});
    for (const ReleaseDate& d : release.dates)
        j["dates"].push_back({{"date", d.date}, {"country", d.country}});
    if (!release.roles.empty())
        j["roles"] = put(release.roles);
    for (const Picture& p : release.pictures)
        j["pictures"].push_back({{"id", p.id},
                                 {"type", p.type},
                                 {"width", p.width},
                                 {"height", p.height},
                                 {"bytes", p.bytes},
                                 {"mime", p.mime},
                                 {"comment", p.comment}});
    for (const Medium& m : release.media) {
        Json medium = {{"carrier", m.carrier}, {"tracks", Json::array()}};
        putIf(medium, "title", m.title);
        putIf(medium, "disc_table", m.discTable);
        for (const DiscReading& read : m.readings)
            medium["readings"].push_back(
                {{"track", read.track}, {"crc32", fmt::format("{:08x}", read.crc)}, {"count", read.count}});
        for (const Track& t : m.tracks)
            medium["tracks"].push_back(put(t));
        j["media"].push_back(std::move(medium));
    }
    return j;
}

Track trackFrom(Reader& r, const Json& j) {
    Track t;
    t.position = r.text(j, "position", 40);
    t.title = r.text(j, "title");
    t.credit = creditFrom(r, j);
    t.lengthMs = r.number(j, "length_ms", int64_t{1000} * 3600 * 1000);
    t.recording = r.text(j, "recording", 200);
    t.isrcs = r.texts(j, "isrcs", 50);
    t.roles = rolesFrom(r, j);
    return t;
}

Release releaseFrom(Reader& r, const Json& j) {
    Release out;
    out.id = r.text(j, "id", 200);
    if (out.id.empty())
        r.fail("a release has no number (\"id\")");
    // It becomes a part of an address and a name in the cache.
    if (!std::ranges::all_of(out.id, [](char c) {
            return std::isalnum(static_cast<unsigned char>(c)) || c == '-' || c == '_';
        }))
        r.fail("the number of a release has other characters than letters, digits, - and _");
    out.title = r.text(j, "title");
    out.credit = creditFrom(r, j);
    out.editionSet = r.text(j, "edition_set", 200);
    out.edition = r.text(j, "edition");
    out.barcode = r.text(j, "barcode", 100);
    out.firstDate = r.text(j, "first_date", 40);
    out.packaging = r.text(j, "packaging", 200);
    out.status = r.text(j, "status", 200);
    out.language = r.text(j, "language", 100);
    out.script = r.text(j, "script", 100);
    out.rights = r.text(j, "rights", 1000);
    out.notes = r.text(j, "notes", 10 * maxText, true);
    out.genres = r.texts(j, "genres", 100);
    out.links = r.texts(j, "links", 200);
    out.roles = rolesFrom(r, j);
    r.objects(j, "labels", 100, [&](const Json& l) {
        out.labels.push_back({r.text(l, "name"), r.text(l, "catalogue_number", 200)});
    });
    r.objects(j, "dates", 300, [&](const Json& d) {
        ReleaseDate date{r.text(d, "date", 40), r.text(d, "country", 100)};
        if (tags::whyNotValid("date", {date.date}).empty())
            out.dates.push_back(std::move(date));
    });
    r.objects(j, "pictures", 300, [&](const Json& p) {
        Picture picture;
        picture.id = r.text(p, "id", 200);
        picture.type = r.text(p, "type", 100);
        picture.width = static_cast<int>(r.number(p, "width", 1'000'000));
        picture.height = static_cast<int>(r.number(p, "height", 1'000'000));
        picture.bytes = static_cast<uint64_t>(r.number(p, "bytes", int64_t{1} << 40));
        picture.mime = r.text(p, "mime", 100);
        picture.comment = r.text(p, "comment");
        out.pictures.push_back(std::move(picture));
    });
    size_t tracks = 0;
    r.objects(j, "media", 500, [&](const Json& m) {
        Medium medium;
        medium.carrier = r.text(m, "carrier", 100);
        medium.title = r.text(m, "title");
        for (const Json& at : r.list(m, "disc_table", 200))
            medium.discTable.push_back(at.is_number_integer() ? at.get<int64_t>() : 0);
        r.objects(m, "readings", 2000, [&](const Json& read) {
            const std::string crc = r.text(read, "crc32", 8);
            DiscReading out;
            out.track = static_cast<int>(r.number(read, "track", 99));
            out.count = static_cast<int>(r.number(read, "count", 1'000'000));
            const auto [end, error] = std::from_chars(crc.data(), crc.data() + crc.size(), out.crc, 16);
            if (crc.size() == 8 && error == std::errc() && end == crc.data() + crc.size())
                medium.readings.push_back(out);
        });
        r.objects(m, "tracks", maxTracks, [&](const Json& t) { medium.tracks.push_back(trackFrom(r, t)); });
        tracks += medium.tracks.size();
        out.media.push_back(std::move(medium));
    });
    if (tracks > maxTracks)
        r.fail(fmt::format("a release has {} tracks, more than {}", tracks, maxTracks));
    return out;
}

} // namespace

std::string toJson(const Release& release) {
    return writtenAnswer(put(release));
}

Result<Release> releaseFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Reader r;
    Release out = releaseFrom(r, *j);
    if (!r.error.empty())
        return wrongAnswer(r.error);
    return out;
}

std::string toJson(const Track& track) {
    return writtenAnswer(put(track));
}

Result<Track> trackFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Reader r;
    Track out = trackFrom(r, *j);
    if (!r.error.empty())
        return wrongAnswer(r.error);
    return out;
}

std::string toJson(const Page& page) {
    Json j = {{"total", page.total}, {"releases", Json::array()}};
    if (page.next > 0)
        j["next"] = page.next;
    for (const Release& release : page.releases)
        j["releases"].push_back(put(release));
    return writtenAnswer(j);
}

Result<Page> pageFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Reader r;
    Page out;
    out.total = static_cast<size_t>(r.number(*j, "total", int64_t{1} << 40));
    out.next = static_cast<size_t>(r.number(*j, "next", int64_t{1} << 40));
    if (!j->contains("releases"))
        r.fail("there is no list of releases in it");
    r.objects(*j, "releases", 200, [&](const Json& v) { out.releases.push_back(releaseFrom(r, v)); });
    if (!r.error.empty())
        return wrongAnswer(r.error);
    return out;
}

std::string toJson(const About& about) {
    return writtenAnswer({{"name", about.name}, {"version", about.version}, {"releases", about.releases}});
}

Result<About> aboutFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Reader r;
    About out;
    out.name = r.text(*j, "name", 200);
    out.version = static_cast<int>(r.number(*j, "version", 1000));
    out.releases = static_cast<size_t>(r.number(*j, "releases", int64_t{1} << 40));
    if (!r.error.empty())
        return wrongAnswer(r.error);
    return out;
}

std::string errorOfAnswer(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j || !j->contains("error") || !(*j)["error"].is_object())
        return {};
    Reader r;
    return r.text((*j)["error"], "message", 400);
}

std::string errorAnswer(std::string_view kind, std::string_view message) {
    return writtenAnswer({{"error", {{"kind", kind}, {"message", message}}}});
}

} // namespace moorfrost::reference
