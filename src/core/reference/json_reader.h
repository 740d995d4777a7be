// SPDX-License-Identifier: GPL-3.0-or-later
// Inside core/reference: JSON of strangers, read so that nothing is trusted. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/base/result.h"
#include "core/reference/release_json.h"

namespace moorfrost::reference {

using Json = nlohmann::json;

/// Damaged, with a sentence about `what`.
Error wrongAnswer(const std::string& what);
/// Text without control characters and marks that turn its direction, on one line, or on several if `lines`.
std::string cleanedText(const std::string& text, size_t limit, bool lines = false);

/// Reads one object; the first thing that is wrong is kept, and everything after it is empty.
class Reader {
public:
    std::string error;

    bool fail(const std::string& what) {
        if (error.empty())
            error = what;
        return false;
    }
    const Json* member(const Json& object, const char* key) {
        if (!error.empty() || !object.is_object())
            return nullptr;
        const auto it = object.find(key);
        return it == object.end() || it->is_null() ? nullptr : &*it;
    }
    std::string text(const Json& object, const char* key, size_t limit = maxText, bool lines = false) {
        const Json* v = member(object, key);
        if (!v)
            return {};
        if (!v->is_string()) {
            fail(fmt::format("\"{}\" is no text", key));
            return {};
        }
        return cleanedText(v->get_ref<const std::string&>(), limit, lines);
    }
    int64_t number(const Json& object, const char* key, int64_t most) {
        const Json* v = member(object, key);
        if (!v)
            return 0;
        if (!v->is_number_integer() || (v->is_number_unsigned() && v->get<uint64_t>() > INT64_MAX) ||
            v->get<int64_t>() < 0 || v->get<int64_t>() > most) {
            fail(fmt::format("\"{}\" is no number between 0 and {}", key, most));
            return 0;
        }
        return v->get<int64_t>();
    }
    double real(const Json& object, const char* key, double least, double most) {
        const Json* v = member(object, key);
        if (!v)
            return 0;
        const double value = v->is_number() ? v->get<double>() : least - 1;
        if (!(value >= least && value <= most)) {
            fail(fmt::format("\"{}\" is no number between {} and {}", key, least, most));
            return 0;
        }
        return value;
    }
    /// The parts of a list, of at most `most`.
    const std::vector<Json>& list(const Json& object, const char* key, size_t most) {
        static const std::vector<Json> none;
        const Json* v = member(object, key);
        if (!v)
            return none;
        if (!v->is_array()) {
            fail(fmt::format("\"{}\" is no list", key));
            return none;
        }
        if (v->size() > most) {
            fail(fmt::format("\"{}\" has {} parts, more than {}", key, v->size(), most));
            return none;
        }
        return v->get_ref<const std::vector<Json>&>();
    }
    std::vector<std::string> texts(const Json& object, const char* key, size_t most) {
        std::vector<std::string> out;
        for (const Json& v : list(object, key, most)) {
            if (!v.is_string()) {
                fail(fmt::format("\"{}\" has a part that is no text", key));
                return {};
            }
            std::string value = cleanedText(v.get_ref<const std::string&>(), maxText);
            if (!value.empty())
                out.push_back(std::move(value));
        }
        return out;
    }
    /// Objects only.
    template<class Each>
    void objects(const Json& object, const char* key, size_t most, Each each) {
        for (const Json& v : list(object, key, most)) {
            if (!v.is_object()) {
                fail(fmt::format("\"{}\" has a part that is no object", key));
                return;
            }
            each(v);
        }
    }
};

/// An object that is not nested too deep, or Damaged.
Result<Json> parsedAnswer(std::string_view json);
/// Compact; what is no UTF-8 is replaced.
std::string writtenAnswer(const Json& j);

} // namespace moorfrost::reference
