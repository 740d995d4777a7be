// SPDX-License-Identifier: GPL-3.0-or-later
// What stands against the chosen files being put away, and what can be done about it: the field that causes
// it is typed here; for a name that two files want there is a choice, with both files side by side.
#pragma once

#include <set>
#include <vector>

#include "app/bench/places/placed_files.h"
#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/widgets/side_lines.h"
#include "core/placing/file_pair.h"

namespace moorfrost::app {

class TroubleBox : public SideLines {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        JobList& jobs;
    };
    explicit TroubleBox(const Uses& use, QWidget* parent = nullptr);

    /// The same as before is left as it is: somebody may be typing in it.
    void tell(const PlacedFiles& placed, const std::vector<size_t>& chosen);
    bool saysSomething() const { return saysSomething_; }

signals:
    /// For these, where they clash.
    void choiceWanted(placing::OnClash choice, const std::vector<moorfrost::app::FileId>& files);
    void describeWanted(const std::string& key, const std::vector<moorfrost::app::FileId>& files);

private:
    struct Troubles {
        std::vector<FileId> files;                                       // of the library, that are chosen
        std::map<std::string, std::vector<const placing::Mark*>> fields; // by key
        std::map<std::string, std::set<FileId>> filesOf;
        std::vector<FileId> clashing;
        std::vector<const placing::Mark*> others; // that no field causes
        bool taken = false;                       // by what is on the disk
        bool beside = false;                      // in another format: both can be there
        bool chosen = false;                      // what is to be done
    };
    static std::string signatureOf(const PlacedFiles& placed, const std::vector<size_t>& chosen);
    void sayField(const std::string& key, const Troubles& troubles, const PlacedFiles& placed);
    void sayClash(const Troubles& troubles);
    void compare(const Path& one, const Path& other);
    void tellPair(const placing::FilePair& pair);
    void values(const std::string& key, const std::vector<FileId>& files);

    Uses use_;
    std::string signature_;
    bool saysSomething_ = false;
    int run_ = 0;
    QLabel* pair_ = nullptr;
};

} // namespace moorfrost::app
