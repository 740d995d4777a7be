// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/in_rows.h"

#include <algorithm>

#include "core/tags/packed.h"

namespace moorfrost::deliver {

InRows::Head InRows::headOf(const InRow& row) {
    WireWriter out;
    out.number(row.line).number(static_cast<uint64_t>(row.evidence)).number(row.placeIsElsewhere);
    out.number(row.other + 1).text(row.told).text(row.trouble).number(row.candidates.size());
    for (const library::FileId file : row.candidates)
        out.number(static_cast<uint64_t>(file));
    tags::put(out, row.says);
    tags::put(out, row.before);
    tags::put(out, row.changes);
    return {spool_->keep(out.bytes()), row.file, row.saysHash, row.state};
}

void InRows::add(const InRow& row) {
    heads_.push_back(headOf(row));
}

void InRows::put(size_t at, const InRow& row) {
    heads_.at(at) = headOf(row);
}

InRow InRows::operator[](size_t at) const {
    const Head& head = heads_.at(at);
    InRow row;
    row.state = head.state;
    row.file = head.file;
    row.saysHash = head.saysHash;
    const std::string bytes = spool_->read(head.rest);
    WireReader in(bytes);
    row.line = in.number();
    row.evidence = static_cast<InRow::Evidence>(in.number());
    row.placeIsElsewhere = in.number() != 0;
    row.other = in.number() - 1;
    row.told = in.text();
    row.trouble = in.text();
    for (size_t n = in.count(); n > 0; --n)
        row.candidates.push_back(static_cast<library::FileId>(in.number()));
    row.says = tags::takeFields(in);
    row.before = tags::takeFields(in);
    row.changes = tags::takeFields(in);
    return row;
}

size_t InRows::count(InRow::State state) const {
    return static_cast<size_t>(std::ranges::count(heads_, state, &Head::state));
}

bool InRows::anyNeedsSomebody() const {
    return std::ranges::any_of(heads_, [](const Head& head) { return InRow::needsSomebody(head.state); });
}

void InRows::erase(const std::vector<bool>& which) {
    size_t kept = 0;
    for (size_t i = 0; i < heads_.size(); ++i)
        if (!which.at(i))
            heads_[kept++] = heads_[i];
    heads_.resize(kept);
}

} // namespace moorfrost::deliver
