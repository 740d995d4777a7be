// SPDX-License-Identifier: GPL-3.0-or-later
// The references as the library has them, for the commands that ask them.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/bench/taking.h"
#include "core/matching/listening.h"
#include "core/reference/entries.h"

namespace moorfrost::cli {

struct References {
    std::vector<reference::Entry> entries;
    std::vector<std::unique_ptr<reference::Reference>> all;
    bench::TakeRules rules;
    bench::OwnGenres genres;

    std::vector<reference::Reference*> plain() const {
        std::vector<reference::Reference*> out;
        for (const auto& r : all)
            out.push_back(r.get());
        return out;
    }
    std::string nameOf(const std::string& key) const {
        for (const auto& r : all)
            if (r->key() == key)
                return r->name();
        return key;
    }
};

/// The data of the simulated one.
Path dataFolder(library::Store& store, const Options& options);
References referencesOf(library::Store& store, const Options& options);
Json releaseJson(const reference::Release& r, const std::string& reference);

} // namespace moorfrost::cli
