// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/finding.h"

#include <algorithm>
#include <cstring>

#include <xxhash.h>

#include "core/base/wire.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::string packed(const Finding& finding) {
    WireWriter out;
    out.text(finding.about).text(finding.sentence).number(finding.files.size());
    FileId last = 0;
    for (const FileId file : finding.files) {
        out.number(static_cast<uint64_t>(file - last));
        last = file;
    }
    out.number(finding.evidence.size());
    for (const Evidence& one : finding.evidence)
        out.text(one.what).text(one.says).text(one.usual);
    out.real(finding.sure).number(finding.place ? 1 : 0);
    if (finding.place)
        out.real(finding.place->from).real(finding.place->to).real(finding.place->hertz);
    out.text(finding.fix.says).number(finding.fix.wishes.size());
    for (const DraftSession::Wish& wish : finding.fix.wishes)
        out.number(static_cast<uint64_t>(wish.file)).text(wish.field).texts(wish.values);
    out.number(finding.fix.replacements.size());
    for (const Fix::Replacement& one : finding.fix.replacements)
        out.text(one.field).text(one.from).text(one.to);
    return out.bytes();
}

void unpack(std::string_view bytes, Finding& out) {
    WireReader in(bytes);
    out.about = in.text();
    out.sentence = in.text();
    FileId last = 0;
    for (size_t n = in.count(); n > 0 && in.ok(); --n)
        out.files.push_back(last += static_cast<FileId>(in.number()));
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        Evidence& one = out.evidence.emplace_back();
        one.what = in.text();
        one.says = in.text();
        one.usual = in.text();
    }
    out.sure = in.real();
    if (in.number() == 1) {
        SoundPlace& place = out.place.emplace();
        place.from = in.real();
        place.to = in.real();
        place.hertz = in.real();
    }
    out.fix.says = in.text();
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        DraftSession::Wish wish;
        wish.file = static_cast<FileId>(in.number());
        wish.field = in.text();
        wish.values = in.texts();
        out.fix.wishes.push_back(std::move(wish));
    }
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        Fix::Replacement one;
        one.field = in.text();
        one.from = in.text();
        one.to = in.text();
        out.fix.replacements.push_back(std::move(one));
    }
}

} // namespace

uint64_t findingKey(std::string_view rule, std::string_view about) {
    std::string all(rule);
    all += '\x1f';
    all += about;
    return XXH3_64bits(all.data(), all.size());
}

uint64_t Finding::facts() const {
    const std::string all = rule + '\x1f' + packed(*this);
    return XXH3_64bits(all.data(), all.size());
}

void Findings::add(const Finding& finding) {
    WireWriter rest; // what is no fact, and what is
    rest.text(finding.release)
        .number(static_cast<uint64_t>(finding.card))
        .number(static_cast<uint64_t>(finding.cardKind))
        .text(packed(finding));
    Head head;
    head.rule = auditRule(finding.rule);
    head.facts = finding.facts();
    head.key = findingKey(finding.rule, finding.about);
    head.unit = finding.unit;
    head.shelf = finding.shelf;
    head.first = finding.files.empty() ? 0 : finding.files.front();
    head.files = static_cast<uint32_t>(finding.files.size());
    head.fix = !finding.fix.isEmpty();
    head.sure = static_cast<float>(finding.sure);
    head.title = spool_->keep(finding.title);
    head.rest = spool_->keep(rest.bytes());
    heads_.push_back(head);
}

Finding Findings::operator[](size_t at) const {
    const Head& head = heads_.at(at);
    Finding out;
    out.rule = head.rule ? head.rule->key : "";
    out.unit = head.unit;
    out.shelf = head.shelf;
    out.title = title(at);
    const std::string bytes = spool_->read(head.rest);
    WireReader in(bytes);
    out.release = in.text();
    out.card = static_cast<CardId>(in.number());
    out.cardKind = static_cast<CardKind>(std::min<uint64_t>(in.number(), cardKinds - 1));
    unpack(in.view(), out);
    return out;
}

void Findings::removeUnits(const std::vector<FileId>& units) {
    std::erase_if(heads_, [&](const Head& head) {
        return head.unit != 0 && std::ranges::binary_search(units, head.unit);
    });
}

void Findings::sort() {
    std::vector<std::pair<std::string, Head>> order;
    order.reserve(heads_.size());
    for (size_t i = 0; i < heads_.size(); ++i)
        order.emplace_back(text::fold(title(i)), heads_[i]);
    std::ranges::stable_sort(order, [](const auto& a, const auto& b) {
        return a.second.rule != b.second.rule ? a.second.rule < b.second.rule : a.first < b.first;
    });
    for (size_t i = 0; i < order.size(); ++i)
        heads_[i] = order[i].second;
}

} // namespace moorfrost::library
