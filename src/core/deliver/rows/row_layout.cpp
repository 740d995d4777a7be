// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/rows/row_layout.h"

#include <algorithm>
#include <set>

#include "core/deliver/layout_json.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

constexpr LayoutWords<RowFile, 3> fileWords = {
    {"delimited", RowFile::Delimited}, {"workbook", RowFile::Workbook}, {"json lines", RowFile::JsonLines}};
constexpr LayoutWords<exchange::Dialect::Quotes, 3> quoteWords = {
    {"where needed", exchange::Dialect::Quotes::WhereNeeded},
    {"always", exchange::Dialect::Quotes::Always},
    {"never", exchange::Dialect::Quotes::Never}};
constexpr LayoutWords<RowColumn::Several, 3> severalWords = {{"joined", RowColumn::Several::Joined},
                                                             {"first", RowColumn::Several::First},
                                                             {"columns", RowColumn::Several::Columns}};

Error notUnderstood(const std::string& what) {
    return notALayout("a sheet of rows", what);
}

Json jsonOf(const RowColumn& c) {
    const RowColumn plain;
    Json out = Json::object();
    if (!c.heading.empty())
        out["heading"] = c.heading;
    if (c.parts.empty())
        out["text"] = c.text;
    else
        out["says"] = c.parts;
    if (c.parts.size() > 1)
        out["between"] = c.between;
    if (c.several != plain.several)
        out["several"] = wordOf(severalWords, c.several);
    if (c.joint != plain.joint)
        out["joint"] = c.joint;
    if (c.several == RowColumn::Several::Columns)
        out["columns"] = c.columns;
    if (!c.form.empty())
        out["form"] = c.form;
    return out;
}

Result<RowColumn> columnFrom(const Json& json) {
    if (!json.is_object())
        return notUnderstood("a column is to be an object.");
    RowColumn out;
    LayoutReader in(json);
    in.text("heading", out.heading);
    in.text("text", out.text);
    if (const Json* says = in.at("says")) {
        for (const Json& one : says->is_array() ? *says : Json::array({*says})) {
            if (!one.is_string())
                return notUnderstood("what a column \"says\" is to be a text.");
            const auto key = one.get<std::string>();
            if (key.empty() || (key.starts_with('@') && !rowFact(key)))
                return notUnderstood("there is nothing called \"" + key + "\".");
            out.parts.push_back(key.starts_with('@') ? key : tags::keyFromName(key));
        }
    }
    in.text("between", out.between);
    in.word("several", severalWords, out.several);
    in.text("joint", out.joint);
    in.among("form", lengthForms(), out.form, true);
    if (const Json* columns = in.at("columns")) {
        if (!columns->is_number_integer() || columns->get<int64_t>() < 2 || columns->get<int64_t>() > 50)
            in.wrong("\"columns\" is to be a number from 2 to 50.");
        else
            out.columns = columns->get<int>();
    }
    if (!in.why.empty())
        return notUnderstood(in.why);
    return out;
}

RowColumn says(std::initializer_list<const char*> parts, const char* heading = "") {
    RowColumn out;
    out.heading = heading;
    for (const char* part : parts)
        out.parts.emplace_back(part);
    return out;
}

RowColumn length(const char* form, const char* heading = "") {
    RowColumn out = says({"@length"}, heading);
    out.form = form;
    return out;
}

} // namespace

const char* RowLayout::ending() const {
    return file == RowFile::Workbook ? ".xlsx" : file == RowFile::JsonLines ? ".jsonl" : ".csv";
}

const std::vector<RowLayout>& shippedRowLayouts() {
    static const std::vector<RowLayout> shipped = [] {
        std::vector<RowLayout> out(4);
        out[0].name = "Track list";
        out[0].columns = {says({"title"}), says({"artist"}), says({"album"}), says({"track"}),
                          length("m:ss"),  says({"date"}),   says({"isrc"}),  says({"@path"})};
        out[1].name = "For a playout system";
        out[1].dialect.delimiter = ';';
        out[1].dialect.mark = true;
        out[1].columns = {says({"@playout"}), says({"title"}), says({"artist"}),  length("h:mm:ss"),
                          says({"@kind"}),    says({"isrc"}),  says({"@folder"}), says({"@name"})};
        out[2].name = "Codes and shares";
        out[2].file = RowFile::Workbook;
        out[2].columns = {
            says({"title"}),      says({"artist"}),           says({"isrc"}),        says({"@work"}),
            says({"@work iswc"}), says({"@writers"}),         says({"@publishers"}), says({"@owners"}),
            says({"label"}),      says({"catalogue_number"}), says({"barcode"})};
        out[3].name = "Everything";
        out[3].file = RowFile::JsonLines;
        for (const tags::FieldDef& field : tags::fieldTable())
            out[3].columns.push_back(says({field.key.c_str()}));
        for (const RowFact& fact : rowFacts())
            out[3].columns.push_back(std::string(fact.key) == "@length" ? length("seconds")
                                                                        : says({fact.key}));
        return out;
    }();
    return shipped;
}

std::string rowLayoutJson(const RowLayout& l) {
    Json out = {{"sheet_layout", l.name}, {"file", wordOf(fileWords, l.file)}};
    if (l.file == RowFile::Delimited)
        out["delimited"] = {{"delimiter", std::string(1, l.dialect.delimiter)},
                            {"quotes", wordOf(quoteWords, l.dialect.quotes)},
                            {"encoding", l.dialect.charset},
                            {"mark", l.dialect.mark},
                            {"headings", l.dialect.headings},
                            {"windows_lines", l.dialect.windowsLines}};
    out["decimal"] = std::string(1, l.decimal);
    out["dates"] = l.dates;
    if (!l.pathFrom.empty() || !l.pathTo.empty())
        out["paths"] = {{"from", l.pathFrom}, {"to", l.pathTo}};
    out["drafts"] = l.drafts;
    out["columns"] = Json::array();
    for (const RowColumn& c : l.columns)
        out["columns"].push_back(jsonOf(c));
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<RowLayout> rowLayoutFromJson(std::string_view text) {
    const auto json = readLayoutJson(text, "sheet_layout", "a sheet of rows");
    if (!json)
        return json.error();
    RowLayout out;
    LayoutReader in(*json);
    in.text("sheet_layout", out.name);
    in.word("file", fileWords, out.file);
    in.character("decimal", out.decimal);
    in.among("dates", dateForms(), out.dates);
    in.flag("drafts", out.drafts);
    if (const Json* paths = in.at("paths"); paths && paths->is_object()) {
        LayoutReader part(*paths);
        part.text("from", out.pathFrom);
        part.text("to", out.pathTo);
        in.wrong(part.why);
    }
    if (const Json* delimited = in.at("delimited"); delimited && delimited->is_object()) {
        LayoutReader part(*delimited);
        part.character("delimiter", out.dialect.delimiter);
        part.word("quotes", quoteWords, out.dialect.quotes);
        part.among("encoding", text::charsetNames(), out.dialect.charset);
        part.flag("mark", out.dialect.mark);
        part.flag("headings", out.dialect.headings);
        part.flag("windows_lines", out.dialect.windowsLines);
        in.wrong(part.why);
    }
    const Json* columns = in.at("columns");
    if (!columns || !columns->is_array() || columns->empty())
        return notUnderstood("it has no \"columns\".");
    if (columns->size() > mostRowColumns)
        return notUnderstood(fmt::format("it has more than {} columns.", mostRowColumns));
    for (const Json& one : *columns) {
        auto column = columnFrom(one);
        if (!column)
            return column.error();
        out.columns.push_back(std::move(*column));
    }
    if (!in.why.empty())
        return notUnderstood(in.why);
    return out;
}

std::vector<RowLayout> rowLayoutsFrom(const std::vector<std::string>& kept) {
    return layoutsThere(kept, rowLayoutFromJson, shippedRowLayouts());
}

const RowLayout* rowLayoutNamed(const std::vector<RowLayout>& layouts, std::string_view name) {
    return layoutOfName(layouts, name);
}

std::vector<std::string> headingsOf(const RowLayout& layout) {
    std::vector<std::string> out;
    for (const RowColumn& c : layout.columns) {
        if (c.several != RowColumn::Several::Columns)
            out.push_back(c.shownHeading());
        else
            for (int i = 1; i <= c.columns; ++i)
                out.push_back(fmt::format("{} {}", c.shownHeading(), i));
    }
    return out;
}

const RowLayout* layoutWithHeadings(const std::vector<RowLayout>& layouts,
                                    const std::vector<std::string>& headings) {
    std::set<std::string> told;
    for (const std::string& heading : headings)
        if (const std::string trimmed = text::fold(text::trim(heading)); !trimmed.empty())
            told.insert(trimmed);
    const RowLayout* best = nullptr;
    double most = 0.8; // so much of both must be the same
    for (const RowLayout& layout : layouts) {
        std::set<std::string> own;
        for (const std::string& heading : headingsOf(layout))
            own.insert(text::fold(heading));
        size_t both = 0;
        for (const std::string& heading : own)
            both += told.contains(heading);
        const size_t all = std::max(own.size(), told.size());
        const double part = all == 0 ? 0 : static_cast<double>(both) / static_cast<double>(all);
        if (part > most || (part == most && !best)) {
            most = part;
            best = &layout;
        }
    }
    return best;
}

} // namespace moorfrost::deliver
