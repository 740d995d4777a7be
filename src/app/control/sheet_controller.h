// SPDX-License-Identifier: GPL-3.0-or-later
// The one-sheet that is being put together: what it is of, by which layout, as it will be; kept true while
// the library changes. Layouts are kept in the settings of the library.
#pragma once

#include <QObject>
#include <QTimer>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/people_controller.h"
#include "app/control/releases_controller.h"
#include "core/deliver/sheet_file.h"

namespace moorfrost::app {

class SheetController : public QObject {
    Q_OBJECT
public:
    SheetController(LibraryAccess& library, JobList& jobs, Messages& messages, LibrarySettings& settings,
                    FilesController& files, DraftsController& drafts, LibraryIndex& index,
                    ReleasesController& releases, PeopleController& people);

    /// From now on it is kept true: it is in sight. False: it may be old.
    void setInSight(bool inSight);
    bool isInSight() const { return inSight_; }
    const deliver::SheetOf& of() const { return of_; }
    void setOf(deliver::SheetOf of);
    /// At the end, those that are not on it yet; of a release behind its tracks, which are songs from then
    /// on.
    void addSongs(const std::vector<FileId>& songs);

    /// As it is now, changed or not.
    const deliver::SheetLayout& layout() const { return layout_; }
    const std::vector<deliver::SheetLayout>& layouts() const { return layouts_; }
    /// The layout is otherwise than the one of its name that is kept.
    bool isChanged() const;
    bool isKept(const std::string& name) const; // by a person
    void choose(const std::string& name);
    void change(deliver::SheetLayout layout);
    /// As it is now, under this name, in the place of one of that name.
    void keep(const std::string& name);
    void forget(const std::string& name);
    /// From a file that was handed on.
    void takeIn(const Path& file);

    /// What is seen. All of it is of the same state.
    struct Shown {
        deliver::SheetOf of;
        deliver::SheetLayout layout;
        deliver::SheetSubject subject;
        deliver::SheetDocument document;
        std::vector<deliver::SheetGap> gaps;
        deliver::SheetPictures pictures;
        std::shared_ptr<const deliver::SheetPages> pages;
    };
    /// nullptr where it is of nothing, or not made yet: never of something else than of().
    const Shown* shown() const { return shown_ && shown_->of == of_ ? shown_.get() : nullptr; }
    /// What is shown is what is kept, by the layout as it is now.
    bool isTrue() const;

    /// As soon as what is shown is true; "" where there is nothing.
    void withText(std::function<void(QString)> then);
    /// By the ending of the name, as soon as what is shown is true. `then`: false where it could not be,
    /// which has been said.
    void save(const Path& file, std::function<void(bool)> then = {});
    Path proposedName(const char* ending) const;

signals:
    void changed();        // what is shown
    void layoutChanged();  // as it is now
    void layoutsChanged(); // those that are kept
    void ofChanged();

private:
    void look();
    void make();
    void settle();
    void whenTrue(std::function<void()> then);
    void saveNow(const Path& file, std::function<void(bool)> then);
    void loadLayouts();
    void storeLayouts();

    LibraryAccess& library_;
    JobList& jobs_;
    Messages& messages_;
    LibrarySettings& settings_;
    PeopleController& people_;
    deliver::SheetOf of_;
    deliver::SheetLayout layout_;
    std::vector<deliver::SheetLayout> layouts_;
    std::shared_ptr<const Shown> shown_;
    std::vector<std::function<void()>> waiting_; // until what is shown is true
    QTimer soon_{this};                          // several changes in a row are looked at once
    bool inSight_ = false, old_ = true, making_ = false;
    int run_ = 0;
};

} // namespace moorfrost::app
