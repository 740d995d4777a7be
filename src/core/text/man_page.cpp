// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/man_page.h"

#include "core/text/text.h"

namespace moorfrost::text {

namespace {

/// What is a sign of its own to roff; a line that begins with one would be a request.
std::string escaped(std::string_view plain) {
    std::string out;
    bool begins = true;
    for (const char c : plain) {
        if (begins && (c == '.' || c == '\''))
            out += "\\&";
        begins = c == '\n';
        if (c == '\\')
            out += "\\e";
        else if (c == '-')
            out += "\\-"; // as it is typed, not a hyphen
        else if (c == '"')
            out += "\\(dq"; // also inside an argument of a request
        else
            out += c;
    }
    return out;
}

} // namespace

std::string roffOf(const ManPage& page) {
    std::string out = ".TH " + upper(escaped(page.name)) + " 1 \"\" \"Moorfrost " + page.version +
                      "\" \"Moorfrost\"\n.SH NAME\n" + escaped(page.name) + " \\- " + escaped(page.what) +
                      "\n.SH SYNOPSIS\n.B " + escaped(page.name) + "\n" + escaped(page.synopsis) + "\n";
    for (const ManSection& section : page.sections) {
        out += section.below ? ".SS " : ".SH ";
        out += "\"" + (section.below ? escaped(section.title) : upper(escaped(section.title))) + "\"\n";
        if (!section.text.empty())
            out += escaped(section.text) + "\n";
        for (const ManEntry& entry : section.entries)
            out += ".TP\n.B " + escaped(entry.term) + "\n" + escaped(entry.text) + "\n";
    }
    return out;
}

} // namespace moorfrost::text
