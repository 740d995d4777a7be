// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/row_reading.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/deliver/deliver_settings.h"
#include "core/library/judging.h"
#include "core/matching/content_kinds.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Strings = std::vector<std::string>;

Strings splitValues(std::string_view key, const RowColumn& column, const std::string& cell) {
    const tags::FieldDef* field = tags::fieldByKey(key);
    const bool several = key.starts_with('@') ? false : !field || field->several;
    if (!several || column.joint.empty())
        return {cell};
    Strings out;
    for (const std::string& value : text::split(cell, column.joint))
        if (std::string trimmed = text::trim(value); !trimmed.empty())
            out.push_back(std::move(trimmed));
    return out;
}

/// The texts of the parts of a cell: all but the last end at what stands between.
Strings partsOf(const RowColumn& column, const std::string& cell) {
    Strings out;
    std::string rest = cell;
    for (size_t i = 0; i + 1 < column.parts.size(); ++i) {
        const size_t at = column.between.empty() ? std::string::npos : rest.find(column.between);
        if (at == std::string::npos)
            break;
        out.push_back(text::trim(rest.substr(0, at)));
        rest.erase(0, at + column.between.size());
    }
    out.push_back(text::trim(rest));
    return out;
}

/// A value as we keep it; why it cannot be, in `why`.
std::string understood(const RowsInPlan& plan, std::string_view key, std::string value, std::string& why) {
    const tags::FieldDef* field = key.starts_with('@') ? nullptr : tags::fieldByKey(key);
    if (field && field->kind == tags::FieldKind::Date)
        value = dateFrom(value, plan.dates);
    if (key == "isrc")
        value = comparedCode(value);
    if (key == "@length" && secondsFrom(value) < 0)
        why = fmt::format("\"{}\" is no length.", text::firstCharacters(value, 30));
    if (key == "@kind") {
        value = text::lower(value);
        if (!matching::kindByName(value))
            why = fmt::format("\"{}\" is no kind of sound.", text::firstCharacters(value, 30));
    }
    return value;
}

} // namespace

std::string comparedCode(std::string_view code) {
    std::string out = text::upper(code);
    std::erase_if(out, [](char c) { return c == '-' || c == ' ' || c == '.'; });
    return out;
}

bool sameValues(std::string_view key, const Strings& a, const Strings& b) {
    if (a.size() != b.size())
        return false;
    const bool number = isNumberColumn(key), code = audit::hasForm(key);
    for (size_t i = 0; i < a.size(); ++i) {
        if (a[i] == b[i])
            continue;
        if (code && comparedCode(a[i]) == comparedCode(b[i]))
            continue;
        if (number && text::isDigits(a[i]) && text::isDigits(b[i]) && a[i].size() < 18 && b[i].size() < 18 &&
            !a[i].empty() && !b[i].empty() && std::stoll(a[i]) == std::stoll(b[i]))
            continue;
        if (text::nfc(a[i]) == text::nfc(b[i]))
            continue;
        return false;
    }
    return true;
}

std::string keptNameOf(std::string_view key) {
    if (key == "@rating")
        return library::ratingField;
    if (key == "@note")
        return library::noteField;
    if (key == "@playout")
        return library::playoutField;
    if (key == "@kind")
        return "kind";
    if (key == "@elsewhere")
        return library::elsewhereField;
    return {};
}

RowSays rowSays(const RowsInPlan& plan, const exchange::CsvRow& cells) {
    RowSays out;
    auto tell = [&](const std::string& sentence) { out.told += (out.told.empty() ? "" : " ") + sentence; };
    size_t extra = 0;
    for (size_t c = 0; c < cells.size(); ++c) {
        if (c >= plan.columns.size()) {
            extra += !text::trim(cells[c]).empty();
            continue;
        }
        const RowColumn& column = plan.columns[c];
        if (column.parts.empty())
            continue;
        std::string cell = exchange::withFormula(cells[c]);
        std::erase_if(
            cell, [](char ch) { return static_cast<unsigned char>(ch) < 0x20 && ch != '\n' && ch != '\t'; });
        cell = text::trim(cell);
        const Strings parts = cell.empty() ? Strings() : partsOf(column, cell);
        for (size_t p = 0; p < column.parts.size(); ++p) {
            const std::string& key = column.parts[p];
            const RowFact* fact = rowFact(key);
            if (fact && fact->in == RowFact::In::ReadOnly)
                continue;
            if (p >= parts.size() || parts[p].empty()) {
                if (plan.blankClears && cell.empty() && !fact)
                    out.says.try_emplace(key);
                continue;
            }
            Strings values = splitValues(key, column, parts[p]);
            std::string why;
            for (std::string& value : values)
                value = understood(plan, key, std::move(value), why);
            Strings& all = out.says[key];
            all.insert(all.end(), values.begin(), values.end());
            if (why.empty() && !fact)
                why = tags::whyNotValid(key, all);
            if (const std::string kept = keptNameOf(key); why.empty() && !kept.empty())
                why = library::whyNotKept(kept, all);
            if (!why.empty()) {
                out.says.erase(key);
                tell(fmt::format("{}: {}", columnLabel(key), why));
            }
        }
    }
    if (extra > 0)
        tell(fmt::format("It has {} {} more than there are columns.", extra, extra == 1 ? "cell" : "cells"));
    return out;
}

Path placeOfRow(const RowsInPlan& plan, const tags::Fields& says, std::string& elsewhere) {
    std::string place = tags::firstValue(says, "@path");
    if (place.empty()) {
        const std::string &folder = tags::firstValue(says, "@folder"),
                          &name = tags::firstValue(says, "@name");
        if (folder.empty() || name.empty())
            return {};
        const bool backslashes = folder.find('\\') != std::string::npos;
        place = folder +
                (folder.ends_with('/') || folder.ends_with('\\') ? ""
                 : backslashes                                   ? "\\"
                                                                 : "/") +
                name;
    }
    std::string here = place;
    auto slashes = [](std::string text) {
        std::ranges::replace(text, '\\', '/');
        return text;
    };
    if (!plan.pathTo.empty() || !plan.pathFrom.empty()) {
        const std::string to = slashes(plan.pathTo);
        const std::string told = plan.pathTo.find('\\') != std::string::npos ? slashes(place) : place;
        if (told.starts_with(to))
            here = plan.pathFrom + told.substr(to.size());
    }
    if (here.find('\\') != std::string::npos && text::unescapeBytes(here) != here && here.starts_with('/'))
        here = text::unescapeBytes(here); // bytes that are no text
    if (!here.starts_with('/')) {
        elsewhere = place;
        return {};
    }
    return Path(here).lexically_normal();
}

} // namespace moorfrost::deliver
