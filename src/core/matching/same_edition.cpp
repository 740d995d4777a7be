// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/same_edition.h"

#include <algorithm>

#include "core/reference/catalogue.h"
#include "core/text/likeness.h"

namespace moorfrost::matching {

namespace {

using reference::plainCode;
using reference::Release;

double alike(const std::string& a, const std::string& b) {
    return text::likeness(text::Likened(a), text::Likened(b));
}

std::vector<std::string> numbersOf(const Release& r) {
    std::vector<std::string> out;
    for (const reference::Label& l : r.labels)
        if (std::string code = plainCode(l.catalogueNumber); !code.empty())
            out.push_back(std::move(code));
    return out;
}

/// "2011" and "2011-03-21" are the same date, as far as is told.
bool isSameDate(const std::string& a, const std::string& b) {
    return !a.empty() && !b.empty() && (a.starts_with(b) || b.starts_with(a));
}

} // namespace

bool isSameEdition(const Release& a, const Release& b) {
    if (alike(a.title, b.title) < 0.85)
        return false;
    const std::string barcode = plainCode(a.barcode), otherBarcode = plainCode(b.barcode);
    if (!barcode.empty() && !otherBarcode.empty() && barcode != otherBarcode)
        return false;
    const std::vector<std::string> numbers = numbersOf(a), others = numbersOf(b);
    const bool shared = std::ranges::any_of(
        numbers, [&](const std::string& n) { return std::ranges::find(others, n) != others.end(); });
    if (!numbers.empty() && !others.empty() && !shared)
        return false;
    const std::string carrier = a.carrier(), otherCarrier = b.carrier();
    if (!carrier.empty() && !otherCarrier.empty() && carrier != otherCarrier)
        return false;
    if (shared || (!barcode.empty() && barcode == otherBarcode))
        return true;
    return alike(a.title, b.title) > 0.95 && alike(a.credit.text(), b.credit.text()) > 0.8 &&
           a.trackCount() == b.trackCount() && isSameDate(a.date(), b.date());
}

} // namespace moorfrost::matching
