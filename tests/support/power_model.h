// SPDX-License-Identifier: GPL-3.0-or-later
// A model of a power cut. It records what is done to the files under one folder; afterwards the folder can be
// put into any state in which a cut at any moment could have left it: of what was not flushed, any subset of
// sectors of 512 bytes may have reached the disk, and of the changes of names in a folder that was not
// flushed, any first part, in each folder another. Files keep their numbers on the disk.
#pragma once

#include <map>
#include <random>
#include <string>
#include <vector>

#include "core/files/io.h"

namespace moorfrost::test {

class PowerModel : public files::io::Observer {
public:
    /// What is under `root` now counts as flushed. `aside` is a folder on the same disk, outside of it.
    /// Flushes of the file `unflushed` are passed over, if it is named.
    PowerModel(Path root, Path aside, Path unflushed = {});
    ~PowerModel() override;

    int before(files::io::Event& event) override;
    void after(const files::io::Event& event) override;

    /// Marks a moment: something outside of the model became durable.
    void mark(int what) { marks_.emplace_back(events_.size(), what); }
    /// The last mark before a moment, -1 if there is none.
    int lastMark(size_t moment) const;
    size_t moments() const { return events_.size() + 1; }

    /// Stops recording.
    void stop();
    /// Puts the folder into a state in which a cut at `moment` could have left it.
    void cut(size_t moment, std::mt19937& random);

private:
    struct Event {
        files::io::Call call;
        uint64_t inode = 0;
        std::string path, to, data;
        uint64_t offset = 0;
    };
    static std::vector<std::string> foldersOf(const Event& event);
    void keep(const Path& path);
    std::string relative(const Path& path) const { return path.lexically_relative(root_).native(); }
    bool inside(const Path& path) const;

    Path root_, aside_;
    uint64_t unflushed_ = 0;
    bool recording_ = true;
    std::map<std::string, uint64_t> names_; // at the beginning
    std::vector<std::string> folders_;
    std::map<uint64_t, std::string> contents_;
    std::vector<Event> events_;
    std::vector<std::pair<size_t, int>> marks_;
};

} // namespace moorfrost::test
