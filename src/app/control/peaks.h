// SPDX-License-Identifier: GPL-3.0-or-later
// The shapes of sounds: as the library keeps them, else drawn now and kept.
#pragma once

#include <QObject>

#include <functional>
#include <vector>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"

namespace moorfrost::app {

class Peaks : public QObject {
    Q_OBJECT
public:
    using Shape = std::vector<float>; // heights, 0 to 1

    Peaks(LibraryAccess& library, JobList& jobs) : library_(library), jobs_(jobs) {}

    /// `some`: as much as has been drawn so far, now and then; what is still to come is 0.
    void read(QObject* asker, const FilePtr& file, std::function<void(const Result<Shape>&)> then,
              std::function<void(const Shape&)> some = {});

private:
    void draw(QObject* asker, const FilePtr& file, std::function<void(const Result<Shape>&)> then,
              std::function<void(const Shape&)> some);

    LibraryAccess& library_;
    JobList& jobs_;
};

} // namespace moorfrost::app
