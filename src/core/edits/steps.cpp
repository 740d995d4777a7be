// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/steps.h"

#include <algorithm>
#include <charconv>

#include <fmt/format.h>

#include "core/edits/between_fields.h"
#include "core/edits/find_replace.h"
#include "core/edits/wording.h"
#include "core/naming/render.h"
#include "core/text/casing.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

using Kind = OptionDef::Kind;
using Choice = OptionDef::Choice;

Error wrong(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

bool parseNumber(const std::string& text, int& number) {
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), number);
    return error == std::errc() && end == text.data() + text.size();
}

/// The options of one step, looked up in its table.
class Said {
public:
    Said(const char* step, const Options& options) : kind_(*stepKind(step)), options_(options) {}
    std::string text(const char* name) const { return said(options_, def(name)); }
    std::vector<std::string> fields(const char* name = "fields") const {
        return saidFields(options_, def(name));
    }
    bool flag(const char* name) const { return text(name) == "yes"; }
    int number(const char* name) const {
        int n = 0;
        parseNumber(text(name), n);
        return n;
    }

private:
    const OptionDef& def(const char* name) const {
        return *std::ranges::find(kind_.options, name, &OptionDef::name);
    }
    const StepKind& kind_;
    const Options& options_;
};

std::vector<Subject> choosing(const std::vector<Subject>& files, const std::vector<std::string>& fields) {
    std::vector<Subject> out = files;
    for (Subject& file : out)
        file.chosen = fields;
    return out;
}

Present presentOf(const std::string& said) {
    return said == "keep"     ? Present::Kept
           : said == "before" ? Present::Before
           : said == "after"  ? Present::After
                              : Present::Replaced;
}

Result<Proposals> casing(const std::vector<Subject>& files, const Options& o) {
    const Said s("casing", o);
    const std::string to = s.text("casing"), language = s.text("language");
    return changeCase(choosing(files, s.fields()),
                      to == "sentence" ? Casing::Sentence
                      : to == "lower"  ? Casing::Lower
                      : to == "upper"  ? Casing::Upper
                                       : Casing::Title,
                      language == "any" ? std::string() : language);
}

Result<Proposals> numbering(const std::vector<Subject>& files, const Options& o) {
    const Said s("number", o);
    Series series{s.text("field"), s.number("first"), s.number("by"), s.number("digits"),
                  s.text("anew") == "folder"};
    if (series.first < 0 || series.digits < 0 || series.digits > 6 || std::abs(series.by) > 100000)
        return wrong("A series begins with 0 or more, and has up to 6 digits.");
    if (series.first + static_cast<int64_t>(series.by) * (static_cast<int64_t>(files.size()) - 1) < 0)
        return wrong("The series would go below 0.");
    return number(files, series);
}

Result<Proposals> copying(const std::vector<Subject>& files, const Options& o, const char* step) {
    const Said s(step, o);
    const std::string from = s.text("from"), to = s.text("into");
    if (from.empty() || to.empty() || from == to)
        return wrong("Say which field, and into which other one.");
    const Present present = presentOf(s.text("there"));
    return std::string(step) == "move" ? moveField(files, from, to, present)
                                       : copyField(files, from, to, present);
}
Result<Proposals> copy(const std::vector<Subject>& files, const Options& o) {
    return copying(files, o, "copy");
}
Result<Proposals> move(const std::vector<Subject>& files, const Options& o) {
    return copying(files, o, "move");
}

Result<Proposals> swap(const std::vector<Subject>& files, const Options& o) {
    const Said s("swap", o);
    if (s.text("field").empty() || s.text("with").empty() || s.text("field") == s.text("with"))
        return wrong("Say which two fields are swapped.");
    return swapFields(files, s.text("field"), s.text("with"));
}

Result<Proposals> split(const std::vector<Subject>& files, const Options& o) {
    const Said s("split", o);
    const std::string field = s.text("field"), at = s.text("at");
    if (at.empty())
        return wrong("Say at what the text is split.");
    const tags::FieldDef* def = tags::fieldByKey(field);
    if (s.fields("into").empty() && def && !def->several)
        return wrong(fmt::format("{} holds one value: say into which fields its parts go.", def->label));
    return splitField(files, field, at, s.fields("into"));
}

Result<Proposals> join(const std::vector<Subject>& files, const Options& o) {
    const Said s("join", o);
    if (s.fields().empty() || s.text("into").empty())
        return wrong("Say which fields are joined, and into which one.");
    return joinFields(files, s.fields(), s.text("with"), s.text("into"));
}

Result<Proposals> findAndReplace(const std::vector<Subject>& files, const Options& o) {
    const Said s("find-replace", o);
    const std::string how = s.text("how");
    return findReplace(files, {s.fields(), s.text("find"), s.text("put"), how == "expression",
                               s.flag("match case"), how == "words"});
}

Result<Proposals> tidying(const std::vector<Subject>& files, const Options& o) {
    const Said s("tidy", o);
    return tidy(files, {s.fields(), s.flag("underscores"), s.flag("quotes"), s.flag("doubled")});
}

Result<Proposals> dates(const std::vector<Subject>& files, const Options& o) {
    const Said s("dates", o);
    return isoDates(files, s.fields(),
                    s.text("order") == "month" ? DateOrder::MonthFirst : DateOrder::DayFirst,
                    s.text("to") == "year");
}

Result<Proposals> guests(const std::vector<Subject>& files, const Options& o) {
    return moveGuests(files, Said("guests", o).text("to") == "title" ? Guests::ArtistToTitle
                                                                     : Guests::TitleToArtist);
}

Result<Proposals> sorting(const std::vector<Subject>& files, const Options& o) {
    const Said s("sort-forms", o);
    return sortForms(files, s.fields(), s.flag("only blank"));
}

Result<Proposals> write(const std::vector<Subject>& files, const Options& o) {
    const Said s("write", o);
    const std::string plan = s.text("plan"), field = s.text("field");
    if (plan.empty())
        return wrong("Say what is written, such as {artist} - {title}.");
    std::vector<std::string> custom;
    for (const Subject& file : files)
        for (const auto& [key, values] : file.fields)
            if (!tags::isStandard(key) && std::ranges::find(custom, key) == custom.end())
                custom.push_back(key);
    const auto parsed = naming::parsePlan(plan, custom);
    if (const auto* error = std::get_if<naming::PlanError>(&parsed))
        return wrong(
            fmt::format("The plan is not understood at character {}: {}", error->offset + 1, error->message));
    const auto& pieces = std::get<naming::Plan>(parsed);
    if (pieces.folderCount() > 0)
        return wrong("A field has no folders: leave out the \"/\".");
    const tags::FieldDef* def = tags::fieldByKey(field);
    Proposals out;
    for (const Subject& file : files) {
        const naming::Rendered text = naming::render(pieces, {file.fields, file.facts, {}});
        if (!text.missing.empty() || text.parts.empty() || text::trim(text.parts.back()).empty())
            continue; // something that it is made of is blank
        if (s.flag("only blank") && !valuesOf(file, field).empty())
            continue;
        std::string value = text::trim(text.parts.back());
        if (def && def->kind == tags::FieldKind::Number) // "02" of a plan is a number, too
            value.erase(0, std::min(value.find_first_not_of('0'), value.size() - 1));
        out.push_back({file.file, field, {std::move(value)}, "made of " + plan});
    }
    return out;
}

Result<Proposals> setting(const std::vector<Subject>& files, const Options& o) {
    const Said s("set", o);
    const std::string field = s.text("field");
    const std::vector<std::string> values = tags::valuesFromText(field, s.text("to"));
    if (values.empty())
        return wrong("Say what the field is to be; \"Blank\" makes fields blank.");
    Proposals out;
    for (const Subject& file : files)
        if (!s.flag("only blank") || valuesOf(file, field).empty())
            out.push_back({file.file, field, values, "set"});
    return out;
}

Result<Proposals> blanking(const std::vector<Subject>& files, const Options& o) {
    const std::vector<std::string> fields = Said("blank", o).fields();
    if (fields.empty())
        return wrong("Say which fields are to be blank.");
    return blank(choosing(files, fields));
}

Result<Proposals> filling(const std::vector<Subject>& files, const Options& o) {
    const std::vector<std::string> fields = Said("fill", o).fields();
    if (fields.empty())
        return wrong("Say which fields all files get from the first one.");
    return fillDown(choosing(files, fields));
}

Result<Proposals> mending(const std::vector<Subject>& files, const Options& o) {
    const std::string encoding = Said("mend-text", o).text("encoding");
    return mendText(files, encoding == "find out" ? std::string() : encoding);
}

std::vector<StepKind> makeKinds() {
    const std::vector<Choice> there = {{"replace", "is replaced"},
                                       {"keep", "stays, and nothing is put there"},
                                       {"before", "stays behind it"},
                                       {"after", "stays before it"}};
    std::vector<Choice> languages = {{"any", "Every word alike"}, {"field", "The language of each file"}};
    for (const text::CasingLanguage& l : text::casingLanguages())
        languages.push_back({l.code, l.name});
    std::vector<Choice> encodings = {{"find out", "The most likely one"}};
    for (const std::string& name : text::encodingNames())
        encodings.push_back({name, name});
    return {
        {"find-replace",
         "Find and replace",
         "finds text and puts other text in its place",
         {{"fields", "In", Kind::Fields, "title"},
          {"find", "Find", Kind::Text},
          {"put", "Put", Kind::Text, "", {}, true, "nothing"},
          {"how",
           "As",
           Kind::Choice,
           "text",
           {{"text", "Text"}, {"words", "Whole words"}, {"expression", "Regular expression"}}},
          {"match case", "Capitals matter", Kind::Flag, "no"}},
         false,
         findAndReplace},
        {"casing",
         "Casing",
         "changes capital and small letters",
         {{"fields", "In", Kind::Fields, "title"},
          {"casing",
           "To",
           Kind::Choice,
           "title",
           {{"title", "Title Case"},
            {"sentence", "Sentence case"},
            {"lower", "lower case"},
            {"upper", "UPPER CASE"}}},
          {"language", "Rules of", Kind::Choice, "any", languages}},
         false,
         casing},
        {"tidy",
         "Tidy",
         "takes away stray spaces, unseen characters and what is said twice",
         {{"fields", "In", Kind::Fields, "", {}, true, "all fields of text"},
          {"underscores", "Underscores become spaces", Kind::Flag, "yes"},
          {"doubled", "The same value twice becomes one", Kind::Flag, "yes"},
          {"quotes", "Quotes and dashes as in print", Kind::Flag, "no"}},
         false,
         tidying},
        {"number",
         "Number in a row",
         "numbers the files in the order shown",
         {{"field", "In", Kind::Field, "track"},
          {"first", "From", Kind::Number, "1"},
          {"by", "By", Kind::Number, "1"},
          {"digits", "Digits", Kind::Number, "0"},
          {"anew", "Begins anew", Kind::Choice, "never", {{"never", "Never"}, {"folder", "In each folder"}}}},
         true,
         numbering},
        {"copy",
         "Copy a field",
         "copies one field into another",
         {{"from", "Field", Kind::Field},
          {"into", "Into", Kind::Field},
          {"there", "What is there", Kind::Choice, "replace", there}},
         false,
         copy},
        {"move",
         "Move a field",
         "moves the values of one field to another",
         {{"from", "Field", Kind::Field},
          {"into", "To", Kind::Field},
          {"there", "What is there", Kind::Choice, "replace", there}},
         false,
         move},
        {"swap",
         "Swap two fields",
         "swaps the values of two fields",
         {{"field", "Field", Kind::Field}, {"with", "With", Kind::Field}},
         false,
         swap},
        {"split",
         "Split",
         "splits text into several values, or over several fields",
         {{"field", "Field", Kind::Field, "artist"},
          {"at", "At", Kind::Text, " - "},
          {"into", "Into", Kind::Fields, "", {}, true, "several values"}},
         false,
         split},
        {"join",
         "Join",
         "makes one text of several fields or values",
         {{"fields", "Fields", Kind::Fields},
          {"with", "With", Kind::Text, ", ", {}, true, "nothing between"},
          {"into", "Into", Kind::Field}},
         false,
         join},
        {"dates",
         "Dates",
         "writes dates as ISO dates, or as years",
         {{"fields", "In", Kind::Fields, "date,original_date"},
          {"to", "To", Kind::Choice, "iso", {{"iso", "Year-month-day"}, {"year", "The year"}}},
          {"order", "05/10 is", Kind::Choice, "day", {{"day", "5 October"}, {"month", "10 May"}}}},
         false,
         dates},
        {"guests",
         "Guests (feat.)",
         "moves guests between title and artist",
         {{"to",
           "Move",
           Kind::Choice,
           "artist",
           {{"artist", "From the title to the artist"}, {"title", "From the artist to the title"}}}},
         false,
         guests},
        {"sort-forms",
         "Sort forms",
         "makes sort forms, such as \"Hollow Ferry, The\"",
         {{"fields", "Of", Kind::Fields, "artist,album_artist"},
          {"only blank", "Only where there is none", Kind::Flag, "yes"}},
         false,
         sorting},
        {"write",
         "Write from a plan",
         "makes a field of other fields, by a plan",
         {{"field", "Field", Kind::Field, "comment"},
          {"plan", "Made of", Kind::Plan, "", {}, false, "{artist} - {title}"},
          {"only blank", "Only where it is blank", Kind::Flag, "no"}},
         true,
         write},
        {"set",
         "Set a field",
         "gives all files the same value",
         {{"field", "Field", Kind::Field, "genre"},
          {"to", "To", Kind::Text},
          {"only blank", "Only where it is blank", Kind::Flag, "no"}},
         false,
         setting},
        {"blank", "Blank", "makes fields blank", {{"fields", "Fields", Kind::Fields}}, false, blanking},
        {"fill",
         "Copy from the first file",
         "gives all files what the first one says",
         {{"fields", "Fields", Kind::Fields}},
         false,
         filling},
        {"mend-text",
         "Mend the text",
         "reads text again that was read in the wrong encoding",
         {{"encoding", "It was written in", Kind::Choice, "find out", encodings}},
         false,
         mending},
    };
}

} // namespace

const std::vector<StepKind>& stepKinds() {
    static const std::vector<StepKind> kinds = makeKinds();
    return kinds;
}

const StepKind* stepKind(const std::string& name) {
    const auto it = std::ranges::find(stepKinds(), name, &StepKind::name);
    return it == stepKinds().end() ? nullptr : &*it;
}

std::string said(const Options& options, const OptionDef& option) {
    const auto it = options.find(option.name);
    return it == options.end() || it->second.empty() ? option.preset : it->second.front();
}

std::vector<std::string> saidFields(const Options& options, const OptionDef& option) {
    const auto it = options.find(option.name);
    if (it != options.end())
        return it->second;
    return option.preset.empty() ? std::vector<std::string>() : text::split(option.preset, ",");
}

std::string whyNotOptions(const StepKind& kind, const Options& options) {
    for (const auto& [name, values] : options) {
        const auto def = std::ranges::find(kind.options, name, &OptionDef::name);
        if (def == kind.options.end())
            return fmt::format("\"{}\" has no option \"{}\".", kind.name, name);
        if (def->kind != Kind::Fields && values.size() > 1)
            return fmt::format("\"{}\" of \"{}\" is one value, not {}.", name, kind.name, values.size());
        for (const std::string& value : values) {
            int n = 0;
            if (def->kind == Kind::Number && !parseNumber(value, n))
                return fmt::format("\"{}\" of \"{}\" is a whole number; \"{}\" is not.", name, kind.name,
                                   value);
            if (def->kind == Kind::Flag && value != "yes" && value != "no")
                return fmt::format("\"{}\" of \"{}\" is yes or no.", name, kind.name);
            if (def->kind == Kind::Choice &&
                std::ranges::find(def->choices, value, &Choice::value) == def->choices.end()) {
                std::vector<std::string> all;
                for (const Choice& c : def->choices)
                    all.push_back(c.value);
                return fmt::format("\"{}\" of \"{}\" is one of: {}.", name, kind.name, text::join(all, ", "));
            }
            if (def->kind == Kind::Field || def->kind == Kind::Fields)
                if (std::string why = tags::whyNotValid(value, {}); !why.empty())
                    return why;
            if (!text::isUtf8(value) || value.find('\0') != std::string::npos)
                return fmt::format("\"{}\" of \"{}\" must be text.", name, kind.name);
        }
    }
    return {};
}

} // namespace moorfrost::edits
