// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of the release that a sleeve is held to be, beside those that its files have: fetched when
// they are looked at, measured, taken as drafts.
#pragma once

#include <QObject>

#include <map>

#include "app/control/identify_controller.h"
#include "app/control/picture_candidates.h"
#include "app/control/pictures_controller.h"
#include "app/control/standards.h"

namespace moorfrost::app {

/// What a file of the sleeve has already.
struct PresentPicture {
    tags::PictureInfo info;
    int detail = 0;
    QImage image;
};

class ReleasePictures : public QObject {
    Q_OBJECT
public:
    ReleasePictures(FilesController& files, const SleeveViews& sleeves, ReferencesController& references,
                    IdentifyController& identify, PicturesController& pictures, Standards& standards,
                    JobList& jobs);

    struct Shown {
        std::string number; // of the release: "cairn:night-post-cd"
        std::vector<PictureCandidate> candidates;
        std::map<std::string, PresentPicture> present; // by type
        QStringList errors;
    };
    /// Of the candidate that is chosen for the sleeve; nullptr: not fetched.
    const Shown* of(const std::string& sleeve) const;
    bool isFetching(const std::string& sleeve) const { return fetching_.contains(sleeve); }
    void fetch(const std::string& sleeve);
    /// Pixels on the shorter side that the standard of the batch asks for; 0: any will do.
    int wantedSide() const;
    /// Whether it is worth to be taken: good enough, and better than what is there.
    bool isProposed(const Shown& shown, size_t candidate) const;
    /// The files of the sleeve, which can get them.
    struct Receiver {
        FileId file = 0;
        QString name;
        int medium = -1; // of the release, counted from 0; -1: it has no seat
    };
    std::vector<Receiver> receivers(const std::string& sleeve) const;
    /// For these files. What has been cleaned away since it was looked at is fetched once more first.
    void take(const std::string& sleeve, const std::vector<size_t>& candidates,
              const std::vector<FileId>& files);

signals:
    void changed(const std::string& sleeve);

private:
    void takeNow(const std::string& sleeve, const Shown& shown, const std::vector<size_t>& candidates,
                 const std::vector<FileId>& files);

    FilesController& files_;
    const SleeveViews& sleeves_;
    ReferencesController& references_;
    IdentifyController& identify_;
    PicturesController& pictures_;
    Standards& standards_;
    JobList& jobs_;
    std::map<std::string, Shown> shown_; // by sleeve
    std::map<std::string, work::JobId> fetching_;
    /// By sleeve: what is taken when it has been fetched once more.
    struct Waiting {
        std::string number; // of the release
        std::vector<size_t> candidates;
        std::vector<FileId> files;
    };
    std::map<std::string, Waiting> waiting_;
};

} // namespace moorfrost::app
