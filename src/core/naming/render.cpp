// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/render.h"

#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

using Kind = Modifier::Kind;

std::string padded(const std::string& value, int digits) {
    std::string v = value.substr(0, value.find('/'));
    if (!text::isDigits(v))
        return value;
    size_t first = std::min(v.find_first_not_of('0'), v.size() - 1);
    v = v.substr(first);
    auto width = static_cast<size_t>(digits);
    return v.size() >= width ? v : std::string(width - v.size(), '0') + v;
}

std::string yearOf(const std::string& value) {
    return value.size() >= 4 && text::isDigits(value.substr(0, 4)) ? value.substr(0, 4) : std::string();
}

/// Modifiers that work on each value by itself.
std::string changed(const std::string& value, const Modifier& m) {
    switch (m.kind) {
    case Kind::Digits:
        return padded(value, m.number);
    case Kind::Year:
        return yearOf(value);
    case Kind::Upper:
        return text::upper(value);
    case Kind::Lower:
        return text::lower(value);
    case Kind::TitleCase:
        return text::titleCase(value);
    case Kind::SentenceCase:
        return text::sentenceCase(value);
    case Kind::SortForm:
        return text::sortForm(value);
    case Kind::PlainLetters:
        return text::plainLetters(value);
    case Kind::Replace:
        return text::replaceAll(value, m.text, m.with);
    case Kind::First:
    case Kind::AtMost:
        return text::firstCharacters(value, m.number);
    case Kind::Before:
        return m.text + value;
    case Kind::After:
        return value + m.text;
    default:
        return value;
    }
}

/// "07", "2-07" where the album has several discs; "" without a track.
std::string positionOf(const RenderInput& input) {
    const std::string track = padded(tags::firstValue(input.fields, "track"), 2);
    const std::string disc = tags::firstValue(input.fields, "disc");
    return !track.empty() && !disc.empty() && input.several && input.several("disc") ? disc + "-" + track
                                                                                     : track;
}

std::string renderField(const Piece& piece, const RenderInput& input, std::vector<std::string>& missing) {
    std::vector<std::string> values;
    std::string key;
    for (const Source& source : piece.sources) {
        key = source.key;
        if (source.key.empty())
            values = {source.literal};
        else if (source.key == positionFact)
            values = {positionOf(input)};
        else if (auto fact = input.facts.find(source.key); fact != input.facts.end() && !fact->second.empty())
            values = {fact->second};
        else if (auto field = input.fields.find(source.key); field != input.fields.end())
            values = field->second;
        std::erase(values, std::string());
        if (!values.empty())
            break;
    }
    std::string joiner = ", ";
    for (const Modifier& m : piece.modifiers) {
        if (values.empty())
            break;
        if (m.kind == Kind::IfSeveral) {
            if (!input.several || !input.several(key))
                return {};
        } else if (m.kind == Kind::FirstValue) {
            values.resize(1);
        } else if (m.kind == Kind::Join) {
            joiner = m.text;
            values = {text::join(values, joiner)};
        } else {
            bool whole = m.kind == Kind::Before || m.kind == Kind::After || m.kind == Kind::AtMost ||
                         m.kind == Kind::First;
            if (whole)
                values = {text::join(values, joiner)};
            for (std::string& value : values)
                value = changed(value, m);
        }
        std::erase(values, std::string());
    }
    if (values.empty() && !piece.optional())
        missing.push_back(piece.sources.front().key);
    return text::join(values, joiner);
}

} // namespace

Rendered render(const Plan& plan, const RenderInput& input) {
    Rendered out;
    out.parts.emplace_back();
    for (const Piece& piece : plan.pieces) {
        switch (piece.kind) {
        case Piece::Kind::Folder:
            out.parts.emplace_back();
            break;
        case Piece::Kind::Literal:
            out.parts.back() += piece.literal;
            break;
        case Piece::Kind::Field:
            out.parts.back() += renderField(piece, input, out.missing);
            break;
        case Piece::Kind::Skip:
            break;
        }
    }
    return out;
}

} // namespace moorfrost::naming
