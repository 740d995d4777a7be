// SPDX-License-Identifier: GPL-3.0-or-later
// A shelf and a folder of sounds to be put on it.
#pragma once

#include <memory>
#include <set>

#include "core/placing/put_away.h"
#include "support/sample_files.h"

namespace moorfrost::test {

class PutAwayWorld {
protected:
    void beginWorld() {
        box_ = std::make_unique<Sandbox>();
        shelf_ = *box_ / "shelf";
        in_ = *box_ / "in";
        std::filesystem::create_directories(shelf_);
        std::filesystem::create_directories(in_);
    }
    placing::PutAwayOptions options(const std::string& plan) const {
        placing::PutAwayOptions o;
        o.plan = std::get<naming::Plan>(naming::parsePlan(plan));
        o.shelf = shelf_;
        o.roots = {in_};
        return o;
    }
    /// Written where it is not there yet; what it holds does not matter.
    placing::PutAwayFile file(const Path& below, const tags::Fields& fields,
                              const std::string& sleeve = "s") {
        const Path path = in_ / below;
        if (!std::filesystem::exists(path))
            writeBytes(path, below.native());
        placing::PutAwayFile out;
        out.id = ++last_;
        out.path = path;
        out.format = audio::Format::Flac;
        out.fields = fields;
        out.facts = {{"name", path.stem().native()}};
        out.sleeve = sleeve;
        return out;
    }
    static tags::Fields song(const std::string& title, const std::string& track = "1",
                             const std::string& album = "Night Post EP") {
        return {{"title", {title}}, {"artist", {"The Hollow Ferry"}}, {"album", {album}}, {"track", {track}}};
    }

    std::unique_ptr<Sandbox> box_;
    Path shelf_, in_;
    int64_t last_ = 0;
};

} // namespace moorfrost::test
