// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/query.h"

#include <algorithm>
#include <array>

#include "core/library/search/columns.h"
#include "core/library/search/query_fields.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using How = Wanted::How;

/// What "is:" knows.
constexpr std::array states = {"damaged", "unreadable", "read-only", "variable", "ready", "absent"};

bool isNumber(std::string_view t) {
    if (t.starts_with('-'))
        t.remove_prefix(1);
    size_t point = t.find('.');
    return !t.empty() && text::isDigits(t.substr(0, point)) &&
           (point == std::string_view::npos || text::isDigits(t.substr(point + 1)));
}

/// 1998, 1998-10, 1998-10-05.
bool isDate(std::string_view t) {
    static constexpr std::string_view shape = "####-##-##";
    if (t.size() != 4 && t.size() != 7 && t.size() != 10)
        return false;
    for (size_t i = 0; i < t.size(); ++i)
        if (shape[i] == '#' ? t[i] < '0' || t[i] > '9' : t[i] != shape[i])
            return false;
    return true;
}

/// 60, 3:41, 1:02:03
bool isLength(std::string_view t) {
    size_t parts = 0;
    for (const std::string& part : text::split(t, ":")) {
        if (part.empty() || part[0] == '-' || !isNumber(part))
            return false;
        ++parts;
    }
    return parts >= 1 && parts <= 3;
}

std::string whatIsWanted(ValueKind kind) {
    switch (kind) {
    case ValueKind::Number:
        return "a number, such as 1998, >=1970 or 1970-1989";
    case ValueKind::Date:
        return "a date, such as 1998, 1998-10 or >2026-01-01";
    case ValueKind::Length:
        return "a length, such as <60 (seconds) or 3:00-4:30";
    default:
        return "a value";
    }
}

bool fits(ValueKind kind, std::string_view t) {
    return kind == ValueKind::Number   ? isNumber(t)
           : kind == ValueKind::Date   ? isDate(t)
           : kind == ValueKind::Length ? isLength(t)
                                       : true;
}

bool isBlank(char c) {
    return c == ' ' || c == '\t' || c == '\n' || c == '\r';
}

class Parser {
public:
    Parser(std::string_view text, const std::vector<std::string>& custom) : text_(text), custom_(custom) {}

    ParsedQuery run() {
        ParsedQuery out;
        out.query = anyOf();
        if (at_ < text_.size())
            fail(at_, at_ + 1, "This closing bracket has no opening one.");
        out.error = error_;
        return out;
    }

private:
    void fail(size_t from, size_t to, std::string sentence) {
        if (!error_)
            error_ = QueryError{from, std::min(to, text_.size()), std::move(sentence)};
    }
    void blanks() {
        while (at_ < text_.size() && isBlank(text_[at_]))
            ++at_;
    }
    /// The word "and", "or" or "not" is next, standing alone.
    bool takeWord(std::string_view word) {
        blanks();
        if (text::fold(text_.substr(at_, word.size())) != word)
            return false;
        size_t end = at_ + word.size();
        if (end < text_.size() && !isBlank(text_[end]) && text_[end] != '(')
            return false;
        at_ = end;
        return true;
    }

    Query anyOf() {
        std::vector<Query> parts{allOf()};
        while (takeWord("or"))
            parts.push_back(allOf());
        // While it is typed, an "or" may have nothing behind it yet.
        std::erase_if(parts, [](const Query& q) { return q.isEmpty(); });
        return joined(Query::Kind::Or, std::move(parts));
    }
    Query allOf() {
        std::vector<Query> parts;
        for (;;) {
            blanks();
            if (at_ >= text_.size() || text_[at_] == ')')
                break;
            size_t before = at_;
            if (takeWord("or")) {
                at_ = before;
                break;
            }
            if (takeWord("and"))
                continue;
            if (Query q = one(); !q.isEmpty())
                parts.push_back(std::move(q));
        }
        return joined(Query::Kind::And, std::move(parts));
    }
    static Query joined(Query::Kind kind, std::vector<Query> parts) {
        if (parts.empty())
            return {};
        if (parts.size() == 1)
            return std::move(parts.front());
        return {kind, {}, std::move(parts)};
    }
    Query one() {
        const size_t begin = at_;
        if (takeWord("not")) {
            blanks();
            if (at_ >= text_.size() || text_[at_] == ')')
                return {};
            Query inner = one();
            if (inner.isEmpty())
                return {};
            Query out{Query::Kind::Not, {}, {}};
            out.parts.push_back(std::move(inner));
            out.from = begin;
            out.to = at_;
            return out;
        }
        if (text_[at_] == '(') {
            size_t open = at_++;
            if (++depth_ > 64) {
                fail(open, open + 1, "There are too many brackets inside each other.");
                at_ = text_.size();
                return {};
            }
            Query inner = anyOf();
            --depth_;
            if (at_ < text_.size())
                ++at_; // ")"; while it is typed, it may be missing
            inner.from = begin;
            inner.to = at_;
            return inner;
        }
        return term();
    }

    /// Up to the closing quote, or the end. Two quotes are one that belongs to the text.
    std::string quoted() {
        std::string out;
        for (++at_; at_ < text_.size(); ++at_) {
            if (text_[at_] == '"') {
                if (at_ + 1 >= text_.size() || text_[at_ + 1] != '"') {
                    ++at_;
                    break;
                }
                ++at_;
            }
            out += text_[at_];
        }
        return out;
    }
    std::string bare(std::string_view stops) {
        size_t from = at_;
        while (at_ < text_.size() && !isBlank(text_[at_]) && stops.find(text_[at_]) == std::string_view::npos)
            ++at_;
        return std::string(text_.substr(from, at_ - from));
    }

    Query term() {
        Query out{Query::Kind::Term, {}, {}};
        Term& t = out.term;
        t.from = at_;
        if (text_[at_] == '"') {
            std::string phrase = quoted();
            t.to = at_;
            t.phrase = true;
            if (text::trim(phrase).empty())
                return {};
            t.wanted = {{How::Contains, phrase, {}}};
            return out;
        }
        std::string word = bare("():\"");
        if (at_ < text_.size() && text_[at_] == ':' && !word.empty()) {
            ++at_;
            return fieldTerm(std::move(out), word);
        }
        word += bare("()\"");
        if (word.empty() && at_ < text_.size() && text_[at_] != '(' && text_[at_] != ')' && text_[at_] != '"')
            ++at_;
        t.to = at_;
        if (word.empty())
            return {};
        t.wanted = {{How::Contains, word, {}}};
        return out;
    }

    std::optional<std::string> keyOf(const std::string& typed) const {
        std::string name = text::lower(typed);
        if (specialOf(name))
            return name;
        if (const tags::FieldDef* def = tags::fieldByName(typed))
            return def->key;
        for (const std::string& key : custom_)
            if (text::fold(key) == text::fold(text::replaceAll(typed, "_", " ")) || key == name)
                return key;
        return std::nullopt;
    }

    Query fieldTerm(Query out, const std::string& typed) {
        Term& t = out.term;
        size_t nameEnd = at_ - 1;
        auto key = keyOf(typed);
        if (key)
            t.field = *key;
        const ValueKind kind = key ? kindOfField(*key) : ValueKind::Text;
        while (at_ < text_.size() && !isBlank(text_[at_]) && text_[at_] != ')') {
            size_t from = at_;
            auto wanted = value(kind);
            if (wanted && key)
                check(t, *wanted, kind, from);
            if (at_ < text_.size() && text_[at_] == ',')
                ++at_;
            else
                break;
        }
        bare("()"); // what cannot be part of a value
        t.to = at_;
        if (!key) {
            fail(t.from, nameEnd,
                 "There is no field named \"" + typed +
                     "\". To search for the words themselves, put them in quotes.");
            return {};
        }
        return t.wanted.empty() ? Query{} : out;
    }

    std::optional<Wanted> value(ValueKind kind) {
        Wanted w;
        std::string_view rest = text_.substr(at_);
        for (const auto& [sign, how] :
             {std::pair("<=", How::UpTo), std::pair(">=", How::From), std::pair("<", How::Below),
              std::pair(">", How::Above), std::pair("=", How::Is)})
            if (rest.starts_with(sign)) {
                w.how = how;
                at_ += std::string_view(sign).size();
                break;
            }
        if (at_ < text_.size() && text_[at_] == '"') {
            w.text = quoted();
            return w.text.empty() ? std::nullopt : std::optional(w);
        }
        w.text = bare(",()\"");
        if (w.text.empty())
            return std::nullopt;
        if (w.how == How::Contains && kind != ValueKind::Text && kind != ValueKind::Words) {
            size_t dots = w.text.find("..");
            size_t dash = kind == ValueKind::Date ? (w.text.size() == 9 ? 4 : std::string::npos)
                                                  : w.text.find('-', 1); // the first is a sign
            size_t cut = dots != std::string::npos ? dots : dash;
            if (cut != std::string::npos && cut < w.text.size() &&
                (dots != std::string::npos || w.text[cut] == '-')) {
                w.textEnd = w.text.substr(cut + (dots != std::string::npos ? 2 : 1));
                w.text.resize(cut);
                w.how = How::Between;
            }
        }
        return w;
    }

    void check(Term& t, Wanted w, ValueKind kind, size_t from) {
        const bool compared =
            w.how == How::Below || w.how == How::UpTo || w.how == How::Above || w.how == How::From;
        if (compared && (kind == ValueKind::Text || kind == ValueKind::Words)) {
            fail(from, at_,
                 "Words cannot be less or more than others: < and > are for numbers, dates and lengths. To "
                 "search "
                 "for the sign itself, put it in quotes.");
            return;
        }
        if (kind == ValueKind::Words) {
            if (t.field == "is") {
                bool known =
                    std::any_of(states.begin(), states.end(), [&](const char* s) { return w.text == s; });
                bool begun = std::any_of(states.begin(), states.end(), [&](const char* s) {
                    return std::string_view(s).starts_with(w.text);
                });
                if (!known && !(begun && at_ == text_.size()))
                    fail(from, at_,
                         "A track can be asked whether it is ready, damaged, absent, unreadable, read-only "
                         "or variable.");
                if (!known)
                    return;
            } else {
                auto key = w.text == "cover" || w.text == "picture" ? std::optional<std::string>("picture")
                                                                    : keyOf(w.text);
                if (!key || (specialOf(*key) && *key != "year" && !mayBeInFilesToo(*key))) {
                    if (at_ < text_.size() || w.text.size() > 40)
                        fail(from, at_, "There is no field named \"" + w.text + "\" that could be missing.");
                    return; // still being typed
                }
                w.text = *key == "year" ? "date" : *key;
            }
        } else if (w.how == How::Between && w.textEnd.empty()) {
            return; // still being typed
        } else if (!fits(kind, w.text) || (w.how == How::Between && !fits(kind, w.textEnd))) {
            if (kind == ValueKind::Date && at_ == text_.size() && w.text.size() < 10 &&
                w.text.find_first_not_of("0123456789-") == std::string::npos)
                return; // still being typed
            fail(from, at_, "Expected here: " + whatIsWanted(kind) + ".");
            return;
        }
        t.wanted.push_back(std::move(w));
    }

    std::string_view text_;
    const std::vector<std::string>& custom_;
    size_t at_ = 0;
    int depth_ = 0;
    std::optional<QueryError> error_;
};

} // namespace

ParsedQuery parseQuery(std::string_view text, const std::vector<std::string>& customFields) {
    return Parser(text, customFields).run();
}

} // namespace moorfrost::library
