// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/settings.h"

#include <charconv>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

template<class T>
struct Word {
    const char* word;
    T value;
};
constexpr Word<SleeveOrder> sleeveOrders[] = {{"title", SleeveOrder::Title},
                                              {"least ready", SleeveOrder::LeastReady},
                                              {"most files", SleeveOrder::MostFiles}};
constexpr Word<WordPlaces> wordPlaces[] = {{"anywhere", WordPlaces::Anywhere},
                                           {"beginnings", WordPlaces::Beginnings}};

template<class T, size_t n>
std::string wordFor(const Word<T> (&words)[n], T value) {
    for (const Word<T>& w : words)
        if (w.value == value)
            return w.word;
    return {};
}

template<class T, size_t n>
void valueOf(const Word<T> (&words)[n], const std::string& word, T& value) {
    for (const Word<T>& w : words)
        if (w.word == word)
            value = w.value;
}

} // namespace

std::string settingText(const std::string& value) {
    return value;
}

std::string settingText(bool value) {
    return value ? "yes" : "no";
}

std::string settingText(int64_t value) {
    return std::to_string(value);
}

std::string settingText(const std::vector<std::string>& value) {
    return text::join(value, "\n");
}

std::string settingText(files::NameProfile value) {
    return files::profileKey(value);
}

std::string settingText(SleeveOrder value) {
    return wordFor(sleeveOrders, value);
}

std::string settingText(WordPlaces value) {
    return wordFor(wordPlaces, value);
}

void readSetting(const std::string& text, std::string& value) {
    value = text;
}

void readSetting(const std::string& text, bool& value) {
    if (text == "yes" || text == "1" || text == "no")
        value = text != "no";
}

void readSetting(const std::string& text, int64_t& value) {
    int64_t read = 0;
    const char* end = text.data() + text.size();
    if (const auto [at, error] = std::from_chars(text.data(), end, read); error == std::errc() && at == end)
        value = read;
}

void readSetting(const std::string& text, std::vector<std::string>& value) {
    value.clear();
    for (std::string& line : text::split(text, "\n"))
        if (!line.empty())
            value.push_back(std::move(line));
}

void readSetting(const std::string& text, files::NameProfile& value) {
    value = files::profileFromKey(text);
}

void readSetting(const std::string& text, SleeveOrder& value) {
    valueOf(sleeveOrders, text, value);
}

void readSetting(const std::string& text, WordPlaces& value) {
    valueOf(wordPlaces, text, value);
}

} // namespace moorfrost::library
