// SPDX-License-Identifier: GPL-3.0-or-later
// A drive of the machine, by libcdio; its sound is read by libcdio-paranoia, which corrects where the drive
// begins to read a little beside what it was asked for. Both are C libraries that talk with a device: they
// are used in a process of its own (disc/ripper).
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "core/disc/drive.h"

namespace moorfrost::disc {

struct DriveName {
    Path device;      // "/dev/sr0"
    std::string name; // maker and model, where it tells
    bool operator==(const DriveName&) const = default;
};
/// Drives of the machine that can read sound.
std::vector<DriveName> drivesOfMachine();

class CdioDrive : public Drive {
public:
    /// A device; for tests a cue sheet with BIN, too. An Error where it is none, or may not be read.
    static Result<std::unique_ptr<CdioDrive>> open(const Path& device);
    ~CdioDrive() override;

    std::string name() const override;
    Result<Toc> toc() override;
    Result<CdText> text() override;
    Result<std::string> read(int32_t sector, int count) override;
    Status eject() override;

private:
    struct State;
    explicit CdioDrive(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

} // namespace moorfrost::disc
