// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/value_books.h"

#include <algorithm>
#include <set>
#include <unordered_map>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

/// Fields whose values are of one kind: a person is a person.
const std::vector<std::vector<std::string>>& families() {
    static const std::vector<std::vector<std::string>> all = {{"artist", "album_artist", "composer",
                                                               "lyricist", "conductor", "performer",
                                                               "remixer", "producer", "engineer"},
                                                              {"label", "publisher"}};
    return all;
}

std::vector<std::string> familyOf(const std::string& field) {
    for (const auto& family : families())
        if (std::ranges::find(family, field) != family.end())
            return family;
    return {field};
}

using Counts = std::unordered_map<std::string, size_t>;

std::shared_ptr<const library::KnownValues> bookFrom(Counts counts) {
    std::vector<library::KnownValues::Value> values;
    values.reserve(counts.size());
    for (auto& [text, count] : counts)
        values.push_back({text, count});
    std::ranges::sort(values, {}, &library::KnownValues::Value::text);
    return std::make_shared<const library::KnownValues>(std::move(values));
}

} // namespace

ValueBooks::ValueBooks(LibraryIndex& index, FilesController& files, DraftsController& drafts, JobList& jobs)
    : index_(index), files_(files), drafts_(drafts), jobs_(jobs) {}

bool ValueBooks::isOffered(const std::string& field) {
    static const std::set<std::string> never = {"title", "title_sort", "copyright", "website", "encoded_by"};
    const tags::FieldDef* def = tags::fieldByKey(field);
    return field[0] != '@' && !never.contains(field) && !field.starts_with("replaygain") &&
           (!def || def->kind == tags::FieldKind::Text || !listOf(field).empty());
}

std::vector<std::string> ValueBooks::listOf(const std::string& field) {
    const tags::FieldDef* def = tags::fieldByKey(field);
    if (def && def->kind == tags::FieldKind::YesNo)
        return {"yes", "no"};
    return def && def->kind == tags::FieldKind::Choice ? def->choices : std::vector<std::string>();
}

ValueBooks::Book& ValueBooks::bookOf(const std::string& field) {
    return books_[familyOf(field).front()];
}

void ValueBooks::prepare(const std::string& field) {
    if (!isOffered(field))
        return;
    Book& book = bookOf(field);
    readBench(field, book);
    const auto searcher = index_.searcher();
    if (!searcher || book.reading || book.from == searcher)
        return;
    book.reading = true;
    auto read = std::make_shared<std::shared_ptr<const library::KnownValues>>();
    jobs_.start(
        this, {ss(tr("Reading values")), work::Priority::Background},
        [searcher, read, family = familyOf(field)](std::stop_token stop, work::Progress&) -> Status {
            Counts counts;
            for (const std::string& key : family) {
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "Stopped."};
                for (library::FacetValue& v : searcher->facet(searcher->all(), key, static_cast<size_t>(-1)))
                    counts[std::move(v.value)] += v.count;
            }
            counts.erase(std::string());
            *read = bookFrom(std::move(counts));
            return Done{};
        },
        [this, field, searcher, read](const Status& ended) {
            Book& done = bookOf(field);
            done.reading = false;
            if (!ended)
                return;
            done.library = *read;
            done.from = searcher;
            emit ready(field);
        });
}

void ValueBooks::readBench(const std::string& field, Book& book) {
    const uint64_t revision = files_.feed().revision() + 1;
    if (book.bench && book.revision == revision)
        return;
    // Of very many files it takes a while: what was typed since is noted, the rest can wait.
    constexpr qint64 now = 30'000; // milliseconds
    constexpr size_t many = 5000;
    if (book.bench && drafts_.session().all().size() + files_.known().size() > many &&
        book.age.elapsed() < now)
        return;
    book.age.start();
    book.recent.clear();
    Counts counts;
    const std::vector<std::string> family = familyOf(field);
    files_.known().each([&](const FilePtr& file) {
        if (file->shelf > 0 && drafts_.session().of(file->id).empty())
            return; // the library counts it
        for (const std::string& key : family)
            for (std::string& value : drafts_.session().effective(file->id, key))
                ++counts[std::move(value)];
    });
    book.bench = bookFrom(std::move(counts));
    book.revision = revision;
}

void ValueBooks::note(const std::string& field, const std::vector<std::string>& values) {
    constexpr size_t most = 50;
    if (!isOffered(field))
        return;
    std::vector<std::string>& recent = bookOf(field).recent;
    for (const std::string& value : values) {
        std::erase(recent, value);
        recent.insert(recent.begin(), value);
    }
    recent.resize(std::min(most, recent.size()));
}

std::vector<ValueBooks::Value> ValueBooks::complete(const std::string& field, const std::string& typed,
                                                    size_t most) {
    if (!isOffered(field))
        return {};
    const Book& book = bookOf(field);
    if (const std::vector<std::string> list = listOf(field); !list.empty()) {
        const std::string wanted = text::fold(typed);
        std::vector<Value> fit;
        for (const std::string& choice : list)
            if (text::fold(choice).find(wanted) != std::string::npos)
                fit.push_back({choice, (book.library ? book.library->countOf(choice) : 0) +
                                           (book.bench ? book.bench->countOf(choice) : 0)});
        return fit;
    }
    std::vector<Value> out, more;
    if (book.library)
        out = book.library->complete(typed, most);
    if (book.bench)
        more = book.bench->complete(typed, most);
    // What is only on the bench comes behind what the library has; the bench's counts are added.
    for (Value& v : out)
        if (book.bench)
            v.count += book.bench->countOf(v.text);
    for (Value& v : more)
        if (out.size() < most && std::ranges::find(out, v.text, &Value::text) == out.end())
            out.push_back(std::move(v));
    const std::string folded = text::fold(typed);
    for (const std::string& value : book.recent)
        if (out.size() < most && std::ranges::find(out, value, &Value::text) == out.end() &&
            text::fold(value).starts_with(folded))
            out.push_back({value, 1});
    std::erase_if(out, [&](const Value& v) { return v.text == typed; });
    return out;
}

std::optional<ValueBooks::Value> ValueBooks::meant(const std::string& field, const std::string& typed) {
    if (!isOffered(field) || !listOf(field).empty()) // others are refused
        return std::nullopt;
    const Book& book = bookOf(field);
    if (book.library)
        if (auto value = book.library->meant(typed))
            return value;
    if (book.library && book.library->countOf(typed) > 0)
        return std::nullopt; // the library knows it
    return book.bench ? book.bench->meant(typed) : std::nullopt;
}

} // namespace moorfrost::app
