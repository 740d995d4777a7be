// SPDX-License-Identifier: GPL-3.0-or-later
// How loud files are (EBU R 128), out of what is measured of their sound (library/sound_reports). Nothing is
// written to files.
#pragma once

#include <QObject>

#include <functional>
#include <optional>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"

namespace moorfrost::app {

struct LoudnessLevel {
    std::optional<double> lufs; // none: too short or too soft to be told
    double peakDb = 0;          // the loudest sample, dB of full scale
};

class LoudnessLevels : public QObject {
    Q_OBJECT
public:
    LoudnessLevels(LibraryAccess& library, JobList& jobs) : library_(library), jobs_(jobs) {}

    /// As it is kept, else it is measured first, in the background. An Error where it cannot be.
    void read(QObject* asker, const FilePtr& file, std::function<void(const Result<LoudnessLevel>&)> then);
    /// The same, but only what is known: `then` gets nullopt otherwise.
    void known(QObject* asker, const FilePtr& file, std::function<void(std::optional<LoudnessLevel>)> then);

    /// dB that bring a file to the loudness at which all are heard, without cutting off its peaks.
    static double gainFor(const LoudnessLevel& level);
    static constexpr double heardAt = -18; // LUFS

private:
    LibraryAccess& library_;
    JobList& jobs_;
};

} // namespace moorfrost::app
