// SPDX-License-Identifier: GPL-3.0-or-later
// The library as a reference: its releases, those on the shelves and those that were entered without files,
// can be asked as any other catalogue. Any thread, several at once.
#pragma once

#include <functional>
#include <memory>
#include <mutex>

#include "core/library/releases/release_groups.h"
#include "core/reference/reference.h"
#include "core/sound/store.h"

namespace moorfrost::library {

class LibraryReference : public reference::Reference {
public:
    explicit LibraryReference(std::string name);
    ~LibraryReference() override;

    /// What is asked from now on; nullptr: nothing is known of it yet.
    void setLibrary(std::shared_ptr<const Searcher> library);

    /// Where what is kept of releases is read when it is needed; empty: nothing is kept.
    void setKept(std::function<KeptReleases()> read);
    /// It is something else from now on.
    void keptChanged();

    /// By which files of the library are told by their sound; nullptr: by none.
    void setSounds(std::shared_ptr<sound::SoundStore> sounds);

    std::string key() const override { return reference::libraryKey; }
    std::string name() const override { return name_; }
    /// The first question to a library that has changed waits until it was gone through.
    Result<std::vector<reference::Release>> find(const reference::Question& question,
                                                 std::stop_token stop) override;
    bool tellsAllAtOnce() const override { return true; }
    Result<reference::Release> fetch(const std::string& id, std::stop_token stop) override;
    Result<reference::Heard> hear(const std::vector<sound::Fingerprint>& sounds,
                                  std::stop_token stop) override;
    /// It shows none: its pictures are in the files.
    Result<std::string> picture(const std::string& id, int pixels, std::stop_token stop) override;

private:
    struct Known;
    /// nullptr after a stop.
    std::shared_ptr<const Known> known(std::stop_token stop);

    const std::string name_;
    std::mutex building_; // held by whoever goes through the library
    std::mutex mutex_;    // of what follows
    std::shared_ptr<const Searcher> library_;
    std::shared_ptr<const Known> known_;
    std::function<KeptReleases()> readKept_;
    uint64_t version_ = 0; // of the library and of what is kept
    std::shared_ptr<sound::SoundStore> sounds_;
};

/// Rows of the library that are one release, in the order of listening. Its id is the number that an earlier
/// match left in the tags, or made of names, date and codes: the same as long as these are.
reference::Release releaseOf(const Searcher& library, const std::vector<Row>& rows);

} // namespace moorfrost::library
