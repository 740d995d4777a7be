// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the shelves that sound the same, in groups, and what a person decides of them: one recording,
// another version, not the same; which is kept.
#pragma once

#include <QObject>

#include <optional>

#include "app/control/loudness_levels.h"
#include "app/control/peaks.h"
#include "app/control/recordings_controller.h"
#include "app/control/sound_prints.h"
#include "app/control/writing_controller.h"
#include "core/library/sound_groups.h"

namespace moorfrost::app {

/// What is told of a file of a group.
struct SoundGroupFile {
    FilePtr file;
    library::RecordingId recording = 0;
    std::string version;            // "instrumental" ...; "" where it is none
    std::optional<double> loudness; // LUFS
    Peaks::Shape shape;
};

class SoundGroupsController : public QObject {
    Q_OBJECT
public:
    SoundGroupsController(LibraryAccess& library, LibraryIndex& index, SoundPrints& sounds,
                          RecordingsController& recordings, WritingController& writing, Peaks& peaks,
                          LoudnessLevels& levels, JobList& jobs, Messages& messages);

    /// nullptr: not looked for yet.
    const library::SoundGroups* groups() const { return groups_ ? &*groups_ : nullptr; }
    bool isLooking() const { return looking_; }
    /// The library, or what is known of its sound, is another since it was looked.
    bool isOld() const { return old_; }
    void look();

    /// All there is to tell of the files of a group; comes with fileTold(), part by part.
    const SoundGroupFile* told(FileId file) const;
    void tell(const library::SoundGroup& group);
    /// How one lies over the other.
    library::SoundLink link(const library::SoundGroup& group, FileId one, FileId other);

    void areOneRecording(const library::SoundGroup& group);
    void areNotTheSame(FileId one, FileId other);
    /// `version`: of `other`, in the words of the trade: "edit", "instrumental".
    void isOtherVersion(FileId lead, FileId other, const std::string& version);
    /// The others go to the trash; what was kept of them stays with the one that is kept.
    void keepOne(const library::SoundGroup& group, FileId kept);

    static const std::vector<std::string>& versions();
    /// What the library keeps of recordings that are versions of one another: the family, and which version.

signals:
    void changed();
    void fileTold(moorfrost::app::FileId file);

private:
    void measure(const FilePtr& file);
    /// What is not on the shelves any more is no part of any group.
    void prune();

    LibraryAccess& library_;
    LibraryIndex& index_;
    SoundPrints& sounds_;
    RecordingsController& recordings_;
    WritingController& writing_;
    Peaks& peaks_;
    LoudnessLevels& levels_;
    JobList& jobs_;
    Messages& messages_;
    std::optional<library::SoundGroups> groups_;
    std::map<FileId, SoundGroupFile> told_; // as the library is now
    struct Measured {                       // takes its time, and holds as long as the file does
        files::FileState state;
        std::optional<double> loudness;
        Peaks::Shape shape;
    };
    std::map<FileId, Measured> measured_;
    std::map<std::pair<FileId, FileId>, library::SoundLink> links_; // that were worked out for looking at
    bool looking_ = false, old_ = true;
};

} // namespace moorfrost::app
