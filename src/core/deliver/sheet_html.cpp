// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/base64.h"
#include "core/deliver/sheet_text.h"
#include "core/exchange/markup.h"

namespace moorfrost::deliver {

namespace {

using exchange::escapedMarkup;

constexpr const char* style =
    "body{margin:2.5rem auto;max-width:44rem;padding:0 1.25rem;font:15px/1.5 Inter,system-ui,sans-serif;"
    "color:#1d2a33;background:#fff}"
    "article{margin:0 0 3rem}"
    "header{display:flex;gap:1.25rem;align-items:flex-start;margin-bottom:1.25rem}"
    "header img{width:6.5rem;height:6.5rem;object-fit:cover;border-radius:3px}"
    "h1{font-size:1.7rem;line-height:1.2;margin:0 0 .25rem;font-weight:600}"
    "h2{font-size:.95rem;margin:1.25rem 0 .25rem;font-weight:600}"
    "p{margin:.1rem 0;overflow-wrap:anywhere}"
    ".lines{white-space:pre-wrap}"
    "table{border-collapse:collapse;width:100%}"
    "td{text-align:left;vertical-align:top;padding:.2rem 1rem .2rem 0;border-bottom:1px solid #dfe5e8;"
    "overflow-wrap:anywhere}"
    "td.number{text-align:right;padding-right:0;white-space:nowrap;font-variant-numeric:tabular-nums}"
    ".quiet{color:#53636d}.missing{color:#a3262f}.open{color:#7a5200}"
    ".code{font-family:\"JetBrains Mono\",ui-monospace,monospace;font-size:.86em}"
    "@media (max-width:34rem){header{flex-direction:column}}"
    "@media print{body{margin:0;max-width:none;font-size:10pt}article.own{break-before:page}"
    "h2{break-after:avoid}tr{break-inside:avoid}}";

std::string classOf(const Cell& cell, bool isNumber) {
    std::string out;
    auto add = [&](const char* name) { out += (out.empty() ? "" : " ") + std::string(name); };
    if (cell.tone == Tone::Quiet)
        add("quiet");
    if (cell.tone == Tone::Missing)
        add("missing");
    if (cell.tone == Tone::Open)
        add("open");
    if (cell.isCode)
        add("code");
    if (isNumber)
        add("number");
    return out.empty() ? "" : " class=\"" + out + "\"";
}

std::string linked(const std::string& text) {
    const std::string target = exchange::linkTarget(text);
    const std::string shown = escapedMarkup(text);
    return target.empty() ? shown : "<a href=\"" + escapedMarkup(target) + "\">" + shown + "</a>";
}

void addPart(std::string& out, const SheetPart& part) {
    out += "<section>\n<h2>" + escapedMarkup(part.heading) + "</h2>\n";
    if (!part.rows.empty()) {
        size_t columns = 0;
        for (const Row& row : part.rows)
            columns = std::max(columns, row.size());
        out += "<table>\n";
        for (const Row& row : part.rows) {
            out += "<tr>";
            for (size_t i = 0; i < columns; ++i) {
                const Cell cell = i < row.size() ? row[i] : Cell();
                out += "<td" + classOf(cell, part.endsInNumbers && i + 1 == columns) + ">" +
                       linked(cell.text) + "</td>";
            }
            out += "</tr>\n";
        }
        out += "</table>\n";
    }
    for (const Cell& paragraph : part.paragraphs) {
        const std::string tone = std::string(paragraph.tone == Tone::Missing ? " missing" : "") +
                                 (paragraph.isCode ? " code" : "");
        out += "<p class=\"lines" + tone + "\">" + linked(paragraph.text) + "</p>\n";
    }
    out += "</section>\n";
}

} // namespace

std::string sheetHtml(const SheetDocument& document, const SheetPictures& pictures) {
    std::string out = "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n"
                      "<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n"
                      "<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; "
                      "style-src 'unsafe-inline'; img-src data:\">\n<title>" +
                      escapedMarkup(document.title) + "</title>\n<style>" + style +
                      "</style>\n</head>\n<body>\n";
    for (size_t i = 0; i < document.items.size(); ++i) {
        const SheetItem& item = document.items[i];
        out += item.ownPage ? "<article class=\"own\">\n<header>\n" : "<article>\n<header>\n";
        if (const auto picture = pictures.find(i); picture != pictures.end())
            out += "<img alt=\"Picture of " + escapedMarkup(item.title) + "\" src=\"data:image/jpeg;base64," +
                   toBase64(picture->second.jpeg) + "\">\n";
        out += "<div>\n<h1>" + escapedMarkup(item.title) + "</h1>\n";
        for (const Row& row : item.lines) {
            out += "<p>";
            for (size_t k = 0; k < row.size(); ++k)
                out += (k == 0 ? "" : " \u00B7 ") + ("<span" + classOf(row[k], false) + ">") +
                       escapedMarkup(row[k].text) + "</span>";
            out += "</p>\n";
        }
        out += "</div>\n</header>\n";
        for (const SheetPart& part : item.parts)
            addPart(out, part);
        out += "</article>\n";
    }
    return out + "</body>\n</html>\n";
}

} // namespace moorfrost::deliver
