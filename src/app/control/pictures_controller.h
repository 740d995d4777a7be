// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of files as drafts: added from files, from the clipboard or by drop, removed, of another type, the
// same in all. What is added is read at once, in a job, and kept beside the library for as long as it is
// needed.
#pragma once

#include <QByteArray>
#include <QImage>
#include <QObject>

#include <functional>
#include <map>

#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/messages.h"
#include "core/library/picture_store.h"
#include "core/pictures/recode.h"

namespace moorfrost::app {

class PicturesController : public QObject {
    Q_OBJECT
public:
    PicturesController(LibraryAccess& library, FilesController& files, DraftsController& drafts,
                       JobList& jobs, Messages& messages);

    const Path& folder() const { return store_.folder(); }
    /// Of a file, as they will be, or as on disk while that is shown.
    std::vector<tags::PictureInfo> of(FileId file) const;
    bool hasDraft(FileId file, const std::string& type) const;

    /// Picture files for all these files of sound. `type` "": by the name of each, else a front cover.
    void addFiles(const std::vector<Path>& pictures, const std::vector<FileId>& files,
                  const std::string& type = {});
    /// The same with what is in memory: from the clipboard or a browser. `from`: where it comes from, for
    /// people.
    void addBytes(const QByteArray& bytes, const QString& from, const std::vector<FileId>& files,
                  const std::string& type = {});
    /// Pictures that are kept already. `from`: where they come from, for people.
    void takeKept(const std::vector<tags::PictureInfo>& pictures, const QString& from,
                  const std::vector<FileId>& files);
    /// A picture that one of the files has, for all of them, in the place of those of its type.
    void sameInAll(const tags::PictureInfo& picture, const std::vector<FileId>& files);
    /// A picture file in its place, with its type and description.
    void replaceWith(const tags::PictureInfo& picture, const Path& with, const std::vector<FileId>& files);
    void remove(const tags::PictureInfo& picture, const std::vector<FileId>& files);
    void changeType(const tags::PictureInfo& picture, const std::string& type,
                    const std::vector<FileId>& files);
    void describe(const tags::PictureInfo& picture, const QString& description,
                  const std::vector<FileId>& files);
    void dropDrafts(const std::string& type, const std::vector<FileId>& files);

    /// How much there really is to be seen.
    struct Detail {
        int side = 0; // pixels of the shorter side; 0: nothing can be told
        bool enlarged = false;
    };
    /// Of a picture that was measured before; nullopt of others.
    std::optional<Detail> knownDetail(const tags::PictureInfo& picture) const;
    /// Measures it in a job, unless it is known. `holder`: a file of sound that has it on disk.
    void measure(QObject* asker, const tags::PictureInfo& picture, FileId holder, std::function<void()> then);
    /// What is to be known of a picture that is looked at.
    struct Looked {
        QImage image; // all of it, at most 2048 pixels wide or high
        QString colours;
        Detail detail;
    };
    /// `holder`: a file of sound that has it on disk. Read in a job; an Error where it cannot be shown.
    void look(QObject* asker, const tags::PictureInfo& picture, FileId holder,
              std::function<void(Result<Looked>)> then);
    /// Made to fit, to be looked at; nothing is changed.
    struct FitLooked {
        pictures::Fitted fitted;
        QImage image;
    };
    void fit(QObject* asker, const tags::PictureInfo& picture, FileId holder, const pictures::FitRule& rule,
             std::function<void(Result<FitLooked>)> then);
    /// The same, where a file has it that is not worked on.
    void look(QObject* asker, const tags::PictureInfo& picture, const Path& holder,
              std::function<void(Result<Looked>)> then);
    /// Picture files, read and kept, each of the type that its name tells. What is no picture has been said.
    void readFiles(QObject* asker, const std::vector<Path>& pictures,
                   std::function<void(const std::vector<tags::PictureInfo>&)> then);
    /// The same with what is in memory, as a front cover.
    void readBytes(QObject* asker, const QByteArray& bytes, const QString& from,
                   std::function<void(const std::vector<tags::PictureInfo>&)> then);
    /// What was made to fit takes the place of the picture.
    void takeFitted(const tags::PictureInfo& picture, const pictures::Fitted& fitted,
                    const std::vector<FileId>& files);
    /// Picture files that lie in each of these folders, by name; at most `most` of each.
    void listFolders(QObject* asker, const std::vector<Path>& folders, size_t most,
                     std::function<void(std::vector<std::vector<Path>>)> then);
    /// As it is, into a file, which may exist.
    void saveAs(const tags::PictureInfo& picture, FileId holder, const QString& file);

private:
    struct Source {
        Path file;        // a picture, or
        QByteArray bytes; // what it holds
        QString from;     // for people
        std::string type;
    };
    struct Added {
        tags::PictureInfo picture;
        QString from;
        bool animated = false;
    };
    /// Tells, in a job, where its bytes are: in a kept file (hash 0), else in a file of sound.
    std::function<std::pair<Path, uint64_t>()> placeOf(const tags::PictureInfo& picture, FileId holder) const;
    std::function<std::pair<Path, uint64_t>()> placeIn(const tags::PictureInfo& picture,
                                                       const Path& holder) const;
    std::vector<Source> sourcesOf(const std::vector<Path>& pictures, const std::string& type) const;
    static std::vector<tags::PictureInfo> picturesOf(const std::vector<Added>& added);
    /// In a job; what cannot be taken has been said.
    void readSources(QObject* asker, std::vector<Source> sources,
                     std::function<void(const std::vector<Added>&)> then);
    void replace(const tags::PictureInfo& old, const Result<tags::PictureInfo>& with, const QString& action,
                 const QString& from, const std::vector<FileId>& files);
    void add(std::vector<Source> sources, const std::vector<FileId>& files);
    void take(const std::vector<Added>& added, const std::vector<FileId>& files);
    /// The pictures of a type of each file made otherwise by `change`.
    using Change = std::function<void(std::vector<tags::PictureInfo>&)>;
    void propose(const QString& action, const std::vector<FileId>& files,
                 const std::vector<std::string>& types, const Change& change, const QString& origin);
    struct Wishes {
        std::vector<library::DraftSession::Wish> all;
        std::map<std::string, int> cannot; // why, and how many files
    };
    void wish(const std::vector<FileId>& files, const std::vector<std::string>& types, Wishes& wishes,
              const QString& origin, const Change& change) const;
    void propose(const QString& action, const Wishes& wishes);

    LibraryAccess& library_;
    FilesController& files_;
    DraftsController& drafts_;
    JobList& jobs_;
    Messages& messages_;
    library::PictureStore store_;
    std::map<uint64_t, Detail> details_; // of pictures that were measured, by hash
    std::set<uint64_t> measuring_;       // are being measured
};

} // namespace moorfrost::app
