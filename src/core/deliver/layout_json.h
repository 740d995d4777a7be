// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: layouts of any kind as JSON, and the list of those that there are. Any thread.
#pragma once

#include <algorithm>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/base/result.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

/// A value of a kind as a word of JSON, and back.
template<class T, size_t N>
using LayoutWords = std::pair<const char*, T>[N];

template<class T, size_t N>
const char* wordOf(const LayoutWords<T, N>& words, T value) {
    for (const auto& [word, one] : words)
        if (one == value)
            return word;
    return words[0].first;
}

/// Reads a layout, and keeps the first thing that it did not understand.
class LayoutReader {
public:
    using Json = nlohmann::ordered_json;
    explicit LayoutReader(const Json& json) : json_(json) {}
    void text(const char* key, std::string& out) {
        if (const Json* value = at(key)) {
            if (!value->is_string())
                return wrong(fmt::format("\"{}\" is to be a text.", key));
            out = value->get<std::string>();
        }
    }
    void flag(const char* key, bool& out) {
        if (const Json* value = at(key)) {
            if (!value->is_boolean())
                return wrong(fmt::format("\"{}\" is to be true or false.", key));
            out = value->get<bool>();
        }
    }
    void character(const char* key, char& out) {
        std::string value(1, out);
        text(key, value);
        if (value.size() != 1 || value == "\"" || value == "\n" || value == "\r" ||
            static_cast<unsigned char>(value[0]) > 126)
            return wrong(fmt::format("\"{}\" is to be one plain character.", key));
        out = value[0];
    }
    template<class T, size_t N>
    void word(const char* key, const LayoutWords<T, N>& words, T& out) {
        std::string value = wordOf(words, out);
        text(key, value);
        for (const auto& [word, one] : words)
            if (value == word) {
                out = one;
                return;
            }
        wrong(fmt::format("\"{}\" cannot be \"{}\".", key, value));
    }
    void among(const char* key, const std::vector<std::string>& all, std::string& out, bool orBlank = false) {
        text(key, out);
        if (!(orBlank && out.empty()) && std::ranges::find(all, out) == all.end())
            wrong(fmt::format("\"{}\" cannot be \"{}\".", key, out));
    }
    const Json* at(const char* key) const { return json_.contains(key) ? &json_[key] : nullptr; }
    void wrong(std::string sentence) {
        if (why.empty())
            why = std::move(sentence);
    }
    std::string why;

private:
    const Json& json_;
};

/// An object with the name of the layout at `key`; an Error (Invalid) says what is wrong. `what`: "a share
/// page".
Result<nlohmann::ordered_json> readLayoutJson(std::string_view text, const char* key, const char* what);
Error notALayout(const char* what, const std::string& why);

/// As words are compared.
template<class Layout>
const Layout* layoutOfName(const std::vector<Layout>& layouts, std::string_view name) {
    const std::string wanted = text::fold(text::trim(name));
    const auto at =
        std::ranges::find_if(layouts, [&](const Layout& l) { return text::fold(l.name) == wanted; });
    return at == layouts.end() ? nullptr : &*at;
}

/// Those that are kept, with those that are shipped behind them.
template<class Layout, class FromJson>
std::vector<Layout> layoutsThere(const std::vector<std::string>& kept, FromJson fromJson,
                                 const std::vector<Layout>& shipped) {
    std::vector<Layout> out;
    for (const std::string& one : kept)
        if (Result<Layout> layout = fromJson(one); layout && !layoutOfName(out, layout->name))
            out.push_back(std::move(*layout));
    for (const Layout& one : shipped)
        if (!layoutOfName(out, one.name))
            out.push_back(one);
    return out;
}

} // namespace moorfrost::deliver
