// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/report.h"

#include "core/exchange/csv.h"
#include "core/exchange/markup.h"
#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

std::string asCsv(const Report& report) {
    std::string out = csvLine(report.columns);
    for (const auto& row : report.rows)
        out += csvLine(row);
    return out;
}

std::string asHtml(const Report& report) {
    std::string out = "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" +
                      escapedMarkup(report.title) +
                      "</title>\n<style>body{font:14px/1.45 sans-serif;margin:2em;color:#20303a}"
                      "table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;"
                      "padding:4px 12px 4px 0;border-bottom:1px solid #d5dde0;overflow-wrap:anywhere}"
                      "th{font-weight:600}</style></head><body>\n<h1>" +
                      escapedMarkup(report.title) + "</h1>\n";
    for (const std::string& sentence : report.summary)
        out += "<p>" + escapedMarkup(sentence) + "</p>\n";
    auto row = [&](const std::vector<std::string>& cells, const std::string& tag) {
        out += "<tr>";
        for (const std::string& c : cells)
            out += "<" + tag + ">" + escapedMarkup(c) + "</" + tag + ">";
        out += "</tr>\n";
    };
    out += "<table>\n";
    row(report.columns, "th");
    for (const auto& cells : report.rows)
        row(cells, "td");
    return out + "</table>\n</body></html>\n";
}

Status save(const Report& report, const Path& file) {
    std::string ending = text::lower(file.extension().native());
    return files::writeWhole(file, ending == ".html" || ending == ".htm" ? asHtml(report) : asCsv(report));
}

} // namespace moorfrost::exchange
