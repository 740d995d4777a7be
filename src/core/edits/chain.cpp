// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/chain.h"

#include <algorithm>
#include <unordered_map>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

using Json = nlohmann::ordered_json;

constexpr size_t longestFile = 1 << 20;

} // namespace

Result<Outcome> run(const Chain& chain, std::vector<Subject> files, std::stop_token stop) {
    struct Changed {
        std::vector<std::string> before, origins;
        size_t order = 0;
    };
    std::unordered_map<int64_t, size_t> at;
    for (size_t i = 0; i < files.size(); ++i)
        at[files[i].file] = i;
    std::vector<std::map<std::string, Changed>> changed(files.size());
    for (size_t n = 0; n < chain.steps.size(); ++n) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "Stopped."};
        const Step& step = chain.steps[n];
        auto fail = [&](const std::string& why) {
            return Error{ErrorKind::Invalid,
                         {},
                         chain.steps.size() == 1 ? why : fmt::format("Step {}: {}", n + 1, why)};
        };
        const StepKind* kind = stepKind(step.kind);
        if (!kind)
            return fail(fmt::format("There is no step \"{}\".", step.kind));
        if (std::string why = whyNotOptions(*kind, step.options); !why.empty())
            return fail(why);
        const Result<Proposals> proposals = kind->run(files, step.options);
        if (!proposals)
            return fail(proposals.error().message);
        for (const Proposal& p : *proposals) {
            const auto file = at.find(p.file);
            if (file == at.end())
                continue;
            tags::Fields& fields = files[file->second].fields;
            const auto held = fields.find(p.field);
            if (held == fields.end() ? p.values.empty() : held->second == p.values)
                continue;
            const auto [record, first] = changed[file->second].try_emplace(p.field);
            if (first && held != fields.end())
                record->second.before = held->second;
            if (std::ranges::find(record->second.origins, p.origin) == record->second.origins.end())
                record->second.origins.push_back(p.origin);
            if (p.values.empty())
                fields.erase(p.field);
            else
                fields[p.field] = p.values;
        }
    }
    Outcome out;
    for (size_t i = 0; i < files.size(); ++i)
        for (const auto& [field, record] : changed[i]) {
            const std::vector<std::string>& values = valuesOf(files[i], field);
            if (values == record.before)
                continue;
            if (std::string why = tags::whyNotValid(field, values); !why.empty())
                out.refused.push_back({files[i].file, field, std::move(why)});
            else
                out.proposals.push_back({files[i].file, field, values, text::join(record.origins, ", ")});
        }
    return out;
}

bool needsFacts(const Chain& chain) {
    return std::ranges::any_of(chain.steps, [](const Step& step) {
        const StepKind* kind = stepKind(step.kind);
        return kind && kind->needsFacts;
    });
}

std::string chainJson(const Chain& chain, bool oneLine) {
    Json out;
    out["moorfrost"] = "chain";
    out["version"] = 1;
    out["name"] = chain.name;
    out["steps"] = Json::array();
    for (const Step& step : chain.steps) {
        const StepKind* kind = stepKind(step.kind);
        Json j;
        j["step"] = step.kind;
        if (kind)
            for (const OptionDef& def : kind->options) {
                const auto it = step.options.find(def.name);
                if (it == step.options.end())
                    continue;
                if (def.kind == OptionDef::Kind::Fields)
                    j[def.name] = it->second;
                else if (!it->second.empty() && def.kind == OptionDef::Kind::Flag)
                    j[def.name] = it->second.front() == "yes";
                else if (!it->second.empty() && def.kind == OptionDef::Kind::Number)
                    j[def.name] = std::atoi(it->second.front().c_str());
                else if (!it->second.empty())
                    j[def.name] = it->second.front();
            }
        out["steps"].push_back(std::move(j));
    }
    return out.dump(oneLine ? -1 : 2, ' ', false, Json::error_handler_t::replace) + (oneLine ? "" : "\n");
}

namespace {

/// Counts the lines that were read.
class CountingIterator {
public:
    using iterator_category = std::input_iterator_tag;
    using value_type = char;
    using difference_type = std::ptrdiff_t;
    using pointer = const char*;
    using reference = const char&;

    CountingIterator(const char* at, size_t* line) : at_(at), line_(line) {}
    reference operator*() const { return *at_; }
    CountingIterator& operator++() {
        *line_ += *at_ == '\n';
        ++at_;
        return *this;
    }
    CountingIterator operator++(int) {
        CountingIterator before = *this;
        ++*this;
        return before;
    }
    bool operator==(const CountingIterator& other) const { return at_ == other.at_; }
    bool operator!=(const CountingIterator& other) const { return at_ != other.at_; }

private:
    const char* at_;
    size_t* line_;
};

/// On which line each object in the outermost "steps" begins, and where reading ended.
class Lines : public nlohmann::json_sax<Json> {
public:
    explicit Lines(const size_t& line) : line_(line) {}
    std::vector<size_t> steps;

    bool null() override { return true; }
    bool boolean(bool) override { return true; }
    bool number_integer(number_integer_t) override { return true; }
    bool number_unsigned(number_unsigned_t) override { return true; }
    bool number_float(number_float_t, const string_t&) override { return true; }
    bool string(string_t&) override { return true; }
    bool binary(binary_t&) override { return true; }
    bool start_object(std::size_t) override {
        if (depth_ == 2 && inSteps_)
            steps.push_back(line_);
        ++depth_;
        return true;
    }
    bool key(string_t& name) override {
        if (depth_ == 1)
            inSteps_ = name == "steps";
        return true;
    }
    bool end_object() override {
        --depth_;
        return true;
    }
    bool start_array(std::size_t) override {
        ++depth_;
        return true;
    }
    bool end_array() override {
        --depth_;
        return true;
    }
    bool parse_error(std::size_t, const std::string&, const nlohmann::detail::exception&) override {
        return false;
    }

private:
    const size_t& line_;
    int depth_ = 0;
    bool inSteps_ = false;
};

/// The values of an option as JSON has them. False where it is of no kind that an option has.
bool valuesOf(const Json& j, std::vector<std::string>& values) {
    auto one = [&](const Json& v) {
        if (v.is_string())
            values.push_back(v.get<std::string>());
        else if (v.is_boolean())
            values.push_back(v.get<bool>() ? "yes" : "no");
        else if (v.is_number_integer())
            values.push_back(v.dump());
        else
            return false;
        return true;
    };
    if (j.is_array())
        return j.size() <= 200 && std::ranges::all_of(j, one);
    return one(j);
}

} // namespace

Result<Chain> chainFromJson(std::string_view json) {
    auto damaged = [](size_t line, const std::string& why) {
        return Error{ErrorKind::Damaged,
                     {},
                     line > 0 ? fmt::format("Line {}: {}", line, why) : "This is no chain: " + why};
    };
    if (json.size() > longestFile)
        return damaged(0, "the file is larger than 1 MB.");
    size_t line = 1;
    Lines lines(line);
    const CountingIterator begin(json.data(), &line), end(json.data() + json.size(), &line);
    if (!nlohmann::ordered_json::sax_parse(begin, end, &lines))
        return damaged(line, "this is no JSON.");
    const Json root = Json::parse(json, nullptr, false);
    if (root.is_discarded())
        return damaged(0, "it is no JSON.");
    if (!root.is_object() || root.value("moorfrost", Json()) != "chain")
        return damaged(0, "it does not say \"moorfrost\": \"chain\".");
    if (root.value("version", Json()) != 1)
        return damaged(0, "it was made by a newer Moorfrost.");
    const auto steps = root.find("steps");
    if (steps == root.end() || !steps->is_array() || steps->empty())
        return damaged(0, "it has no steps.");
    if (steps->size() > mostSteps)
        return damaged(0, fmt::format("it has more than {} steps.", mostSteps));
    Chain out;
    if (const auto name = root.find("name"); name != root.end() && name->is_string())
        out.name = text::firstCharacters(text::trim(name->get<std::string>()), 100);
    for (size_t n = 0; n < steps->size(); ++n) {
        const Json& j = (*steps)[n];
        const size_t at = n < lines.steps.size() ? lines.steps[n] : 0;
        if (!j.is_object() || !j.contains("step") || !j["step"].is_string())
            return damaged(at, fmt::format("step {} does not say what it does.", n + 1));
        Step step{j["step"].get<std::string>(), {}};
        const StepKind* kind = stepKind(step.kind);
        if (!kind)
            return damaged(at, fmt::format("there is no step \"{}\".",
                                           text::firstCharacters(text::forDisplay(step.kind), 60)));
        for (const auto& [name, value] : j.items()) {
            if (name == "step")
                continue;
            if (!valuesOf(value, step.options[name]))
                return damaged(at, fmt::format("\"{}\" is neither text, a number, nor yes or no.",
                                               text::firstCharacters(text::forDisplay(name), 60)));
        }
        if (std::string why = whyNotOptions(*kind, step.options); !why.empty())
            return damaged(at, text::firstCharacters(why, 300));
        out.steps.push_back(std::move(step));
    }
    return out;
}

} // namespace moorfrost::edits
