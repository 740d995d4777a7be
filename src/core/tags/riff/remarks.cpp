// SPDX-License-Identifier: GPL-3.0-or-later
// What a recorder says of a recording in a WAV file.
#include <algorithm>

#include "core/audio/parts.h"
#include "core/base/numbers.h"
#include "core/tags/facts.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

using Remarks = std::vector<std::pair<std::string, std::string>>;

constexpr uint64_t mostText = 1u << 20; // bytes of a chunk that are read

std::string content(const ByteSource& source, const audio::Part& chunk) {
    return source.bytes(chunk.content, static_cast<size_t>(std::min(chunk.length(), mostText)));
}

/// Up to the first zero, without blanks around it.
std::string upToZero(std::string_view bytes) {
    return std::string(text::trim(bytes.substr(0, bytes.find('\0'))));
}

/// UTF-8 if it can be, else what was usual where the format comes from.
std::string readable(std::string bytes, const char* otherwise) {
    if (text::isUtf8(bytes))
        return bytes;
    return text::decode(bytes, otherwise).value_or(std::string());
}

/// The text of the first element of that name. A recorder's iXML is flat, and its texts are short.
std::string element(std::string_view xml, const std::string& name) {
    size_t from = xml.find('<' + name + '>');
    if (from == std::string_view::npos)
        return {};
    from += name.size() + 2;
    size_t to = xml.find('<', from);
    std::string_view raw = xml.substr(from, to == std::string_view::npos ? 0 : to - from);
    std::string out;
    for (size_t i = 0; i < raw.size(); ++i) {
        static constexpr std::pair<std::string_view, char> entities[] = {
            {"&amp;", '&'}, {"&lt;", '<'}, {"&gt;", '>'}, {"&quot;", '"'}, {"&apos;", '\''}};
        auto it = std::find_if(std::begin(entities), std::end(entities),
                               [&](const auto& e) { return raw.substr(i).starts_with(e.first); });
        out += it == std::end(entities) ? raw[i] : it->second;
        i += it == std::end(entities) ? 0 : it->first.size() - 1;
    }
    return std::string(text::trim(out));
}

void addBroadcast(Remarks& out, std::string_view b) {
    if (b.size() < 348)
        return;
    auto add = [&](const char* name, std::string_view bytes) {
        if (std::string value = readable(upToZero(bytes), "windows-1252"); !value.empty())
            out.emplace_back(name, value);
    };
    add("Description", b.substr(0, 256));
    add("Originator", b.substr(256, 32));
    add("Originator's reference", b.substr(288, 32));
    std::string date = upToZero(b.substr(320, 10)), time = upToZero(b.substr(330, 8));
    add("Recorded", date + (date.empty() || time.empty() ? "" : " ") + time);
    uint64_t reference = uint64_t{littleEndian(b.substr(342, 4))} << 32 | littleEndian(b.substr(338, 4));
    if (reference > 0)
        out.emplace_back("Time reference", std::to_string(reference) + " samples");
    std::string_view umid = b.substr(348, std::min<size_t>(64, b.size() - 348));
    if (littleEndian(b.substr(346, 2)) >= 1 && umid.find_first_not_of('\0') != std::string_view::npos)
        out.emplace_back("UMID", text::hex(std::string(umid)));
    if (b.size() > 602)
        add("Coding history", b.substr(602));
}

} // namespace

Remarks wavRemarks(const ByteSource& source) {
    Remarks out;
    for (const audio::Part& chunk : audio::chunksOf(source, audio::Format::Wav)) {
        if (chunk.id == "bext") {
            addBroadcast(out, content(source, chunk));
        } else if (chunk.id == "iXML") {
            std::string xml = content(source, chunk);
            for (const auto& [name, label] :
                 {std::pair("PROJECT", "Project"), std::pair("SCENE", "Scene"), std::pair("TAKE", "Take"),
                  std::pair("TAPE", "Tape"), std::pair("NOTE", "Note")})
                if (std::string v = element(xml, name); !v.empty() && text::isUtf8(v))
                    out.emplace_back(label, v);
        }
    }
    return out;
}

} // namespace moorfrost::tags
