// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/sort_forms.h"

#include <unordered_map>

namespace moorfrost::library {

namespace {

constexpr std::string_view ending = "_sort";

/// What the rows above tell of texts that are below, too.
bool tellOther(const Layer& below, const Layer& above, const FieldColumn& forms) {
    const std::string key = forms.key.substr(0, forms.key.size() - ending.size());
    const FieldColumn *told = above.columns().field(key), *known = below.columns().field(key),
                      *knownForms = below.columns().field(forms.key);
    if (!told || !known)
        return false;
    std::unordered_map<std::string, std::string> wanted;
    forms.eachRow([&](Row row, uint32_t form) {
        if (const uint32_t list = told->listOf(row); list != 0)
            wanted.emplace(told->text(list), forms.text(form));
    });
    const std::vector<uint32_t>& formOf = below.listOrder(key).forms;
    for (uint32_t list = 1; list < known->listCount(); ++list) {
        const auto now = wanted.find(known->text(list));
        if (now == wanted.end())
            continue;
        const uint32_t form = formOf.empty() ? 0 : formOf[list];
        if (now->second != (form != 0 ? knownForms->text(form) : std::string()))
            return true;
    }
    return false;
}

/// Where a row below told a form that the one in its place does not tell any more.
bool forgetSome(const FieldColumn& forms, const Layer& above, const std::vector<Row>& replaced) {
    const FieldColumn* now = above.columns().field(forms.key);
    for (Row row = 0; row < above.columns().size(); ++row)
        if (replaced[row] != UINT32_MAX && forms.listOf(replaced[row]) != 0 &&
            (!now || now->listOf(row) == 0))
            return true;
    return false;
}

} // namespace

bool tellOtherSortForms(const Layer& below, const Layer& above, const std::vector<Row>& replaced) {
    for (const FieldColumn& f : above.columns().fields())
        if (f.key.ends_with(ending) && tellOther(below, above, f))
            return true;
    for (const FieldColumn& f : below.columns().fields())
        if (f.key.ends_with(ending) && forgetSome(f, above, replaced))
            return true;
    return false;
}

} // namespace moorfrost::library
