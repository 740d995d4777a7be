// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_text.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

constexpr size_t widest = 44; // characters of a column; what is longer pushes the others

size_t widthOf(const std::string& text) {
    // Code points: what stands in fixed widths is mostly Latin, and nothing depends on it.
    return static_cast<size_t>(std::ranges::count_if(text, [](char c) { return (c & 0xC0) != 0x80; }));
}

std::string joined(const Row& row) {
    std::vector<std::string> texts;
    for (const Cell& c : row)
        texts.push_back(c.text);
    return text::join(texts, " \u00B7 ");
}

void addTable(std::string& out, const SheetPart& part) {
    std::vector<size_t> widths;
    for (const Row& row : part.rows)
        for (size_t i = 0; i < row.size(); ++i) {
            if (widths.size() <= i)
                widths.resize(i + 1);
            widths[i] = std::max(widths[i], std::min(widest, widthOf(row[i].text)));
        }
    for (const Row& row : part.rows) {
        std::string line;
        for (size_t i = 0; i < row.size(); ++i) {
            const size_t width = widthOf(row[i].text);
            const std::string space(width < widths[i] ? widths[i] - width : 0, ' ');
            const bool right = part.endsInNumbers && i + 1 == widths.size();
            line +=
                (i == 0 || widths[i] == 0 ? "" : "  ") + (right ? space + row[i].text : row[i].text + space);
        }
        while (line.ends_with(' '))
            line.pop_back();
        out += line + "\n";
    }
}

} // namespace

std::string sheetText(const SheetDocument& document) {
    std::string out;
    for (const SheetItem& item : document.items) {
        if (!out.empty())
            out += "\n\n";
        out += item.title + "\n" + std::string(std::min<size_t>(widthOf(item.title), 72), '=') + "\n";
        for (const Row& row : item.lines)
            out += joined(row) + "\n";
        for (const SheetPart& part : item.parts) {
            out += "\n" + part.heading + "\n" + std::string(widthOf(part.heading), '-') + "\n";
            addTable(out, part);
            for (const Cell& paragraph : part.paragraphs)
                out += paragraph.text + "\n";
        }
    }
    return out;
}

} // namespace moorfrost::deliver
