// SPDX-License-Identifier: GPL-3.0-or-later
// What a person types into the search box, understood. Words are found anywhere, inside words too; "quotes"
// keep words together; field:value asks one field. Terms are joined by "and", which may be left out, and
// "or"; "not" goes in front of one; ( ) group. docs/search.md has the whole of it.
#pragma once

#include <cstdint>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::library {

/// One thing a field is asked for; several of a term are alternatives.
struct Wanted {
    enum class How { Contains, Is, Below, UpTo, Above, From, Between };
    How how = How::Contains;
    std::string text;    // as typed, without quotes and signs
    std::string textEnd; // of Between
    bool operator==(const Wanted&) const = default;
};

struct Term {
    /// "" for words anywhere; else the key of a field, or one of: year, decade, length, added, size, rate,
    /// channels, bits, bitrate, format, codec, kind, unmet, lacks, file, folder, missing, has, differs, is.
    std::string field;
    std::vector<Wanted> wanted; // of words: exactly one, Contains; empty while it is still being typed
    bool phrase = false;        // of words: to be found together, in this order
    bool beginnings = false;    // of words: a word of the row must begin with each, not only hold it
    size_t from = 0, to = 0;    // bytes of the query
    bool operator==(const Term&) const = default;
};

struct Query {
    enum class Kind { All, Term, And, Or, Not };
    Kind kind = Kind::All;
    Term term;
    std::vector<Query> parts = {};
    size_t from = 0, to = 0; // of a "not" and of brackets, with all in them; else 0

    bool isEmpty() const { return kind == Kind::All; }
    bool operator==(const Query&) const = default;
};

struct QueryError {
    size_t from = 0, to = 0; // bytes of the query
    std::string sentence;
};

struct ParsedQuery {
    Query query;
    std::optional<QueryError> error; // then the query is without the part that is wrong
};

/// `customFields`: keys that the library has beside the standard ones.
ParsedQuery parseQuery(std::string_view text, const std::vector<std::string>& customFields = {});

/// The same query, with words found at the beginnings of words only. What is asked of a field stays as it is.
Query withBeginnings(Query query);

/// How a term was understood, for a chip: "year 1970 to 1989", "no ISRC", "genre folk or choral".
std::string describe(const Term& term);

/// A chip for every term outside of "or" and "( )", one for each such group as a whole: its place in the
/// query and what it means. Plain words are left out: they speak for themselves.
struct Chip {
    std::string text;
    size_t from = 0, to = 0;
};
std::vector<Chip> chipsOf(const Query& query);

/// The query with this value of a field chosen as well, or no longer if it was: what a click on a facet does.
/// Several chosen values of a field are alternatives; of "missing" and "has" all must hold.
std::string withChosen(const std::string& query, const std::string& field, const std::string& value,
                       const std::vector<std::string>& customFields = {});
/// A value as a query asks for just that: in quotes, its own ones doubled.
std::string wholeValue(const std::string& value);
/// Whether it is chosen in that way.
bool isChosen(const Query& query, const std::string& field, const std::string& value);
/// The query without what is chosen of a field: what the counts of its facet belong to.
Query withoutChosen(Query query, const std::string& field);

/// The kind of value that a field of a query is compared by.
enum class ValueKind { Text, Number, Date, Length, Words };
ValueKind kindOfField(std::string_view field);

} // namespace moorfrost::library
