// SPDX-License-Identifier: GPL-3.0-or-later
// Front covers of files, read and scaled in the background, kept in memory (and small ones on disk).
#pragma once

#include <QCache>
#include <QObject>
#include <QPixmap>
#include <QThreadPool>

#include <set>

#include "core/library/records.h"

namespace moorfrost::app {

class Covers : public QObject {
    Q_OBJECT
public:
    static Covers& instance();
    /// The cover in `side` pixels, or a null pixmap until ready() says that it is there.
    QPixmap cover(const Path& file, int side);
    /// Null at once for a file without pictures.
    QPixmap cover(const library::FileRecord& file, int side);
    /// A picture by what is told of it, from the folder of pictures that are kept, or else from a file of
    /// sound that holds it; null until ready() says that it is there, and where it is in neither.
    QPixmap picture(const tags::PictureInfo& info, const Path& folder, const Path& holder, int side);
    /// Files may have changed: each is looked at again when it is shown the next time.
    void lookAgain() { ++age_; }
    /// All that were asked for have come.
    bool isIdle() const { return asked_.empty(); }

signals:
    void ready();

private:
    struct Kept {
        QPixmap picture;
        files::FileState state; // of the file that it is from
        int age = 0;
    };
    Covers();
    ~Covers() override { pool_.waitForDone(); }
    void ask(const QString& key, const Path& file, int pixels, const Kept* had);
    void keep(const QString& key, const QImage& image, const files::FileState& state, int age, int pixels);

    QCache<QString, Kept> cache_;
    std::set<QString> asked_;
    QThreadPool pool_;
    int age_ = 0;
};

} // namespace moorfrost::app
