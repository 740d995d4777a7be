// SPDX-License-Identifier: GPL-3.0-or-later
// The sleeves of the batch as they are told: titles, order, readiness, covers. Their order, and the order of
// the files in them, changes only when the batch does: rows must not move under the hands of the one who
// edits them.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include <set>
#include <unordered_map>

#include "app/control/content_kinds.h"
#include "app/control/places_controller.h"
#include "app/control/standards.h"
#include "core/audit/readiness.h"
#include "core/bench/batch.h"

namespace moorfrost::app {

struct SleeveView {
    std::string key;
    uint64_t version = 0; // another whenever its files, or what was read of them, are others
    std::vector<FileId> files;
    QString why;
    QString title, subtitle, name; // `name`: given by hand
    size_t told = 0;               // a hash of title and subtitle
    QString place;                 // its folder, where title and subtitle are another's, too
    /// Below the title.
    QString line() const { return place.isEmpty() ? subtitle : place + " \u00B7 " + subtitle; }
    std::string order;   // sorts titles
    bool byHand = false; // something of it was put together by hand
    FileId coverFile = 0;
    audit::Readiness readiness; // against the standard of the batch
    size_t unread = 0;          // files that cannot be read
    size_t unwritable = 0;      // that will not be written to, those included
    bool isStrays() const { return key.empty(); }
};

class SleeveViews : public QObject {
    Q_OBJECT
public:
    SleeveViews(bench::Batch& batch, FilesController& files, const DraftsController& drafts,
                const PlacesController& places, const ContentKinds& kinds, const Standards& standards,
                LibrarySettings& settings);

    const std::vector<SleeveView>& all() const { return views_; }
    const SleeveView* find(const std::string& key) const;
    /// In the order in which they are shown.
    std::vector<FileId> files() const;
    /// In the order that was chosen. Drafts do not move them: not until the batch changes or an order is
    /// chosen again.
    library::SleeveOrder order() const;
    void setOrder(library::SleeveOrder order);
    /// What is left to do in Describe: files that lack what fields can mend, once for each rule.
    size_t gaps() const;
    /// What is left to sort: strays, but for those that are known not to be music.
    size_t straysToSort() const;
    /// Takes over what has changed in the batch: at once what can be done in a moment, the rest soon.
    void arrange();

signals:
    void changed();

private:
    void take(const bench::Changes& changes);
    void arrangeOne(SleeveView& view);
    void describe(SleeveView& view) const;
    void describeTouched();
    void describeAll();
    void sort();
    void tellTwinsApart();
    QString commonestFolder(const std::vector<FileId>& files) const;

    bench::Batch& batch_;
    FilesController& files_;
    const DraftsController& drafts_;
    const PlacesController& places_;
    const ContentKinds& kinds_;
    const Standards& standards_;
    LibrarySettings& settings_;
    std::vector<SleeveView> views_;
    uint64_t versions_ = 0;
    std::unordered_map<FileId, std::pair<FilePtr, matching::PlayKey>> playKeys_; // as they are, undrafted
    std::set<FileId> touched_; // since the sleeves were last described
    QTimer describeTimer_{this}, arrangeTimer_{this};
    int64_t showEvery_ = 250; // milliseconds
    QElapsedTimer shown_;
};

} // namespace moorfrost::app
