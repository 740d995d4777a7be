// SPDX-License-Identifier: GPL-3.0-or-later
// The values that fields have already, in the library and on the bench: to be chosen, and to tell what is
// nearly one of them.
#pragma once

#include <QElapsedTimer>
#include <QObject>

#include <map>
#include <memory>

#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "core/library/known_values.h"

namespace moorfrost::app {

class ValueBooks : public QObject {
    Q_OBJECT
public:
    using Value = library::KnownValues::Value;

    ValueBooks(LibraryIndex& index, FilesController& files, DraftsController& drafts, JobList& jobs);

    /// Whether values of this field are offered: names and words, not titles, codes, numbers and long texts.
    static bool isOffered(const std::string& field);
    /// What there is to choose from, where nothing else is allowed; else nothing.
    static std::vector<std::string> listOf(const std::string& field);
    /// To be called when the field may soon be typed in: its values are read in the background.
    void prepare(const std::string& field);
    /// It was typed, and may be wanted again.
    void note(const std::string& field, const std::vector<std::string>& values);
    /// How what is typed may go on. What is not read yet is not among it.
    std::vector<Value> complete(const std::string& field, const std::string& typed, size_t most = 8);
    /// What was probably meant, with how often it is used; nullopt where nothing speaks against what is
    /// typed.
    std::optional<Value> meant(const std::string& field, const std::string& typed);

signals:
    void ready(const std::string& field);

private:
    struct Book {
        std::shared_ptr<const library::Searcher> from; // of the library
        std::shared_ptr<const library::KnownValues> library, bench;
        uint64_t revision = 0;           // of the feed, that `bench` was made in
        QElapsedTimer age;               // of `bench`
        std::vector<std::string> recent; // typed since, the latest first
        bool reading = false;
    };
    Book& bookOf(const std::string& field);
    void readBench(const std::string& field, Book& book);

    LibraryIndex& index_;
    FilesController& files_;
    DraftsController& drafts_;
    JobList& jobs_;
    std::map<std::string, Book> books_; // by the first field of those that share their values
};

} // namespace moorfrost::app
