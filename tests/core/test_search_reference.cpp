// SPDX-License-Identifier: GPL-3.0-or-later
// Five thousand random questions over random libraries, answered by the real search and by a plain walk over
// the records that shares no code with it: questions are made as trees, written down, parsed and looked up;
// the walk goes by the tree.
#include <QtTest>

#include <cstdlib>
#include <random>

#include "core/library/search/searcher.h"
#include "core/text/text.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

using Values = std::vector<std::string>;

/// A question as it is meant.
struct Asked {
    enum Kind { Words, Phrase, Text, Number, Year, Decade, Date, Length, Missing, Has, State, And, Or, Not };
    Kind kind = Words;
    std::string field;
    std::vector<std::pair<std::string, std::string>>
        wanted; // sign, text; of ranges the sign is "-", "from|to"
    std::vector<Asked> parts = {};
};

class Made {
public:
    explicit Made(unsigned seed) : random_(seed) {}
    size_t below(size_t n) { return std::uniform_int_distribution<size_t>(0, n - 1)(random_); }
    bool chance(int percent) { return below(100) < static_cast<size_t>(percent); }
    const std::string& one(const Values& of) { return of[below(of.size())]; }

    const Values titles = {"Salt Road",      "Prelude; Fugue in C", "12\" Dance mix", "Lanterns (live)",
                           "Северный ветер", "灯台のうた",          "A|B side",       "\"Quoted\"",
                           "salt road",      "Night Post",          "Prelude, slow",  "or not",
                           "¦ broken"};
    const Values artists = {"Isla Varnholt", "Kestrel & Rook", "Åse-Linn Brække",
                            "Хор Маяка",     "Wren-Low",       "wren-low"};
    const Values carriers = {"CD", "12\" Vinyl", "7\" Vinyl", "Cassette"};
    const Values tracks = {"1", "2", "3", "04", "12", "A1", "B2", "7a"};
    const Values dates = {"1974", "1986-05", "1998-10-05", "n.d.", "2003", "ca. 1970", "1999-12-31", "19??"};
    const Values words = {"salt", "road", "kestrel", "lin", "маяк", "post",
                          "prel", "12",   "ase",     "zzz", "vin",  "o"};

    FileRecord record(FileId id) {
        FileRecord r;
        r.id = id;
        r.path = "/archive/" + std::to_string(id) + ".flac";
        r.tags.format = audio::Format::Flac;
        r.tags.facts.codec = "FLAC";
        r.tags.facts.duration = static_cast<double>(below(400)) + (chance(50) ? 0.25 : 0);
        auto& f = r.tags.fields;
        auto put = [&](const char* key, const Values& of, int percent, bool several) {
            if (!chance(percent))
                return;
            f[key] = {one(of)};
            if (several && chance(30))
                if (const std::string& more = one(of); more != f[key].front())
                    f[key].push_back(more);
        };
        put("title", titles, 95, false);
        put("artist", artists, 90, true);
        put("carrier", carriers, 60, true);
        put("track", tracks, 80, false);
        put("date", dates, 80, false);
        put("tempo", {"96", "120", "88"}, 40, false);
        put("reel number", {"7b", "8", "box \"4\""}, 40, false);
        r.tags.damaged = chance(10);
        return r;
    }

    Asked question(int depth = 0) {
        const size_t pick = below(depth >= 3 ? 11 : 16);
        Asked q;
        auto compared = [&](const Values& of) {
            static const Values signs = {"", "=", "<", "<=", ">", ">="};
            q.wanted.emplace_back(one(signs), one(of));
            if (chance(25))
                q.wanted.emplace_back("-", one(of) + "|" + one(of));
        };
        switch (pick) {
        case 0:
        case 1:
            q.kind = Asked::Words;
            q.wanted = {{"", one(words)}};
            break;
        case 2:
            q.kind = Asked::Phrase;
            q.wanted = {{"", one({"salt road", "kestrel & rook", "fugue in", "road salt", "night post"})}};
            break;
        case 3:
        case 4: {
            q.kind = Asked::Text;
            const Values fields = {"title", "artist", "carrier", "reel number"};
            q.field = one(fields);
            const Values& of = q.field == "title"     ? titles
                               : q.field == "artist"  ? artists
                               : q.field == "carrier" ? carriers
                                                      : words;
            for (size_t n = 0; n <= below(2); ++n)
                q.wanted.emplace_back(chance(50) ? "=" : "", chance(60) ? one(of) : one(words));
            break;
        }
        case 5:
            q.kind = Asked::Number;
            q.field = one({"track", "tempo"});
            compared({"1", "2", "4", "5", "12", "96"});
            break;
        case 6:
            q.kind = chance(50) ? Asked::Year : Asked::Decade;
            compared({"1970", "1974", "1998", "2000", "1990"});
            break;
        case 7:
            q.kind = Asked::Date;
            q.field = "date";
            q.wanted.emplace_back(one({"", "<", "<=", ">", ">="}),
                                  one({"1974", "1986-05", "1998-10-05", "1999", "2003-01"}));
            break;
        case 8:
            q.kind = Asked::Length;
            q.wanted.emplace_back(one({"<", ">", "<=", ">="}), std::to_string(below(400)));
            break;
        case 9:
            q.kind = chance(50) ? Asked::Missing : Asked::Has;
            q.field = one({"date", "carrier", "track", "artist"});
            break;
        case 10:
            q.kind = Asked::State;
            break;
        default:
            q.kind = pick < 13 ? Asked::And : pick < 15 ? Asked::Or : Asked::Not;
            for (size_t n = q.kind == Asked::Not ? 1 : 2 + below(2); n > 0; --n)
                q.parts.push_back(question(depth + 1));
            break;
        }
        return q;
    }

    /// As a person could type it.
    std::string written(const Asked& q, bool inside = false) {
        auto quoted = [](const std::string& t) { return "\"" + text::replaceAll(t, "\"", "\"\"") + "\""; };
        std::string out;
        switch (q.kind) {
        case Asked::Words:
            return q.wanted.front().second;
        case Asked::Phrase:
            return quoted(q.wanted.front().second);
        case Asked::State:
            return "is:damaged";
        case Asked::Missing:
        case Asked::Has:
            return (q.kind == Asked::Has ? "has:" : "missing:") + q.field;
        case Asked::Not:
            return "not " + written(q.parts.front(), true);
        case Asked::And:
        case Asked::Or:
            for (size_t i = 0; i < q.parts.size(); ++i)
                out += (i == 0                ? ""
                        : q.kind == Asked::Or ? " or "
                        : chance(30)          ? " and "
                                              : " ") +
                       written(q.parts[i], true);
            return inside ? "(" + out + ")" : out;
        default:
            break;
        }
        out = q.kind == Asked::Year     ? "year"
              : q.kind == Asked::Decade ? "decade"
              : q.kind == Asked::Length ? "length"
                                        : text::replaceAll(q.field, " ", "_");
        for (size_t i = 0; i < q.wanted.size(); ++i) {
            const auto& [sign, t] = q.wanted[i];
            out += i == 0 ? ":" : ",";
            out +=
                sign == "-" ? text::replaceAll(t, "|", "-") : sign + (q.kind == Asked::Text ? quoted(t) : t);
        }
        return out;
    }

private:
    std::mt19937 random_;
};

/// The plain walk.
class Walk {
public:
    explicit Walk(const std::vector<FileRecord>& records) : records_(records) {}

    bool holds(const Asked& q, const FileRecord& r) const {
        switch (q.kind) {
        case Asked::And:
            return std::all_of(q.parts.begin(), q.parts.end(), [&](const Asked& p) { return holds(p, r); });
        case Asked::Or:
            return std::any_of(q.parts.begin(), q.parts.end(), [&](const Asked& p) { return holds(p, r); });
        case Asked::Not:
            return !holds(q.parts.front(), r);
        case Asked::State:
            return r.tags.damaged;
        case Asked::Missing:
        case Asked::Has:
            return r.tags.fields.contains(q.field) == (q.kind == Asked::Has);
        case Asked::Words:
            return anyText(r, text::fold(q.wanted.front().second));
        case Asked::Phrase:
            return anyText(r, text::fold(q.wanted.front().second));
        default:
            break;
        }
        return std::any_of(q.wanted.begin(), q.wanted.end(), [&](const auto& w) { return fits(q, w, r); });
    }

private:
    static const Values& valuesOf(const FileRecord& r, const std::string& field) {
        static const Values none;
        auto it = r.tags.fields.find(field);
        return it == r.tags.fields.end() ? none : it->second;
    }
    static bool anyText(const FileRecord& r, const std::string& folded) {
        for (const auto& [key, values] : r.tags.fields)
            for (const std::string& v : values)
                if (text::fold(v).find(folded) != std::string::npos)
                    return true;
        for (const std::string& v : {r.path.filename().string(), std::string("flac")})
            if (text::fold(v).find(folded) != std::string::npos)
                return true;
        return false;
    }
    static bool compare(const std::string& sign, double v, double a) {
        return sign == "<"    ? v < a
               : sign == "<=" ? v <= a
               : sign == ">"  ? v > a
               : sign == ">=" ? v >= a
                              : v == a;
    }
    static bool number(const std::pair<std::string, std::string>& w, double v) {
        if (w.first != "-")
            return compare(w.first, v, std::atof(w.second.c_str()));
        const size_t bar = w.second.find('|');
        return v >= std::atof(w.second.substr(0, bar).c_str()) &&
               v <= std::atof(w.second.substr(bar + 1).c_str());
    }
    static int year(const std::string& v) {
        return v.size() >= 4 && text::isDigits(v.substr(0, 4)) ? std::atoi(v.substr(0, 4).c_str()) : 0;
    }
    bool fits(const Asked& q, const std::pair<std::string, std::string>& w, const FileRecord& r) const {
        if (q.kind == Asked::Length) {
            const double v = r.tags.facts.duration;
            return v > 0 && compare(w.first, v, std::atof(w.second.c_str()));
        }
        const std::string field = q.kind == Asked::Year || q.kind == Asked::Decade ? "date" : q.field;
        for (const std::string& v : valuesOf(r, field)) {
            if (q.kind == Asked::Text &&
                (w.first == "=" ? isWhole(field, w.second, v)
                                : text::fold(v).find(text::fold(w.second)) != std::string::npos))
                return true;
            if (q.kind == Asked::Number && text::isDigits(v) && number(w, std::atof(v.c_str())))
                return true;
            if (q.kind == Asked::Year && year(v) > 0 && number(w, year(v)))
                return true;
            if (q.kind == Asked::Decade && year(v) > 0 && number(w, year(v) / 10 * 10))
                return true;
            if (q.kind == Asked::Date && year(v) > 0) {
                // Only as far as the question goes.
                const std::string cut = v.substr(0, w.second.size());
                if (w.first == "<"    ? cut < w.second
                    : w.first == "<=" ? cut <= w.second
                    : w.first == ">"  ? cut > w.second
                    : w.first == ">=" ? cut >= w.second
                                      : v.starts_with(w.second))
                    return true;
            }
        }
        return false;
    }
    /// The very value, where any file has it; else the same but for case and marks.
    bool isWhole(const std::string& field, const std::string& wanted, const std::string& v) const {
        for (const FileRecord& r : records_)
            for (const std::string& other : valuesOf(r, field))
                if (other == wanted)
                    return v == wanted;
        return text::fold(v) == text::fold(wanted);
    }

    const std::vector<FileRecord>& records_;
};

} // namespace

class TestSearchReference : public QObject {
    Q_OBJECT
private slots:
    void randomQuestions() {
        size_t asked = 0, found = 0;
        for (unsigned library = 0; library < 25; ++library) {
            Made made(library + 1);
            std::vector<FileRecord> records;
            ColumnsBuilder builder;
            for (FileId id = 1; id <= static_cast<FileId>(20 + made.below(180)); ++id) {
                records.push_back(made.record(id));
                builder.add(records.back());
            }
            Searcher searcher(builder.finish());
            Walk walk(records);
            for (int i = 0; i < 200; ++i, ++asked) {
                const Asked question = made.question();
                const std::string query = made.written(question);
                auto parsed = parseQuery(query, searcher.customFields());
                QVERIFY2(!parsed.error,
                         (query + ": " + (parsed.error ? parsed.error->sentence : "")).c_str());
                std::vector<FileId> expected, answered;
                for (const FileRecord& r : records)
                    if (walk.holds(question, r))
                        expected.push_back(r.id);
                searcher.find(parsed.query).each([&](Row row) { answered.push_back(searcher.idOf(row)); });
                std::sort(answered.begin(), answered.end());
                found += answered.size();
                QVERIFY2(answered == expected, (query + ": " + std::to_string(answered.size()) + " found, " +
                                                std::to_string(expected.size()) + " expected")
                                                   .c_str());
                // A click on a facet binds all of the question, and a second one takes it back.
                const std::string field = made.one({"carrier", "artist", "title"});
                const std::string value = made.one(field == "carrier"  ? made.carriers
                                                   : field == "artist" ? made.artists
                                                                       : made.titles);
                if (isChosen(parsed.query, field, value))
                    continue;
                bool held = false; // values that are chosen already are alternatives
                for (const Asked* part :
                     question.kind == Asked::And ? pointers(question.parts) : pointers({&question, 1}))
                    held = held || (part->kind == Asked::Text && part->field == field);
                const std::string clicked = withChosen(query, field, value, searcher.customFields());
                auto narrowed = parseQuery(clicked, searcher.customFields());
                QVERIFY2(!narrowed.error && isChosen(narrowed.query, field, value), clicked.c_str());
                if (!held) {
                    Asked both{Asked::And, {}, {}, {question, {Asked::Text, field, {{"=", value}}, {}}}};
                    size_t count = 0;
                    for (const FileRecord& r : records)
                        count += walk.holds(both, r);
                    QVERIFY2(searcher.find(narrowed.query).count() == count, clicked.c_str());
                }
                const std::string again = withChosen(clicked, field, value, searcher.customFields());
                QVERIFY2(!isChosen(parseQuery(again, searcher.customFields()).query, field, value),
                         again.c_str());
            }
        }
        QCOMPARE(asked, size_t{5000});
        QVERIFY2(found > 40000, std::to_string(found).c_str());
    }

private:
    static std::vector<const Asked*> pointers(std::span<const Asked> of) {
        std::vector<const Asked*> out;
        for (const Asked& a : of)
            out.push_back(&a);
        return out;
    }
};

QTEST_GUILESS_MAIN(TestSearchReference)
#include "test_search_reference.moc"
