// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with the release that is shown, or with those that are chosen.
#include <QMenu>
#include <QPointer>

#include <set>

#include "app/releases/compare_editions.h"
#include "app/releases/fill_dialog.h"
#include "app/releases/new_release_dialog.h"
#include "app/releases/release_lines.h"
#include "app/releases/releases_page.h"
#include "app/releases/set_proposals.h"
#include "app/shell/text_utils.h"
#include "core/library/releases/release_tags.h"

namespace moorfrost::app {

void ReleasesPage::compareShown() {
    if (!shows_)
        return;
    CompareEditions dialog({use_.releases, use_.sounds, use_.jobs}, shown_, this);
    if (dialog.exec() == QDialog::Accepted)
        use_.releases.share(dialog.a(), dialog.b(), dialog.changes());
}

void ReleasesPage::writeToFiles() {
    if (!shows_)
        return;
    const auto off = use_.settings.get(library::settings::releaseFactsLeftOut);
    const std::set<std::string> leftOut(off.begin(), off.end());
    std::map<FileId, tags::Fields> wanted;
    const library::ReleaseView& view = shown_.view;
    for (size_t m = 0; m < view.media.size(); ++m)
        for (size_t n = 0; n < view.media[m].tracks.size(); ++n) {
            const library::TrackView& track = view.media[m].tracks[n];
            for (size_t f = 0; f < track.ownFiles; ++f)
                wanted[track.files[f]] = library::tagsOfTrack(view, m, n, leftOut);
        }
    std::vector<FileId> files;
    for (const auto& [file, fields] : wanted)
        files.push_back(file);
    use_.files.takeUp(this, files, [self = QPointer(this), wanted, title = title_->text()] {
        if (!self)
            return;
        std::vector<library::DraftSession::Wish> wishes;
        for (const auto& [file, fields] : wanted)
            for (const auto& [field, values] : fields)
                if (self->use_.drafts.shownValues(file, field) != values)
                    wishes.push_back({file, field, values});
        self->use_.drafts.session().propose(ss(tr("Write \u201C%1\u201D to its files").arg(title)), wishes,
                                            ss(tr("release")));
        self->use_.messages.say(wishes.empty() ? tr("The files say all that already.")
                                               : tr("%n value(s) were proposed: see Review.", "",
                                                    static_cast<int>(wishes.size())));
    });
}

void ReleasesPage::showProposals() {
    SetProposals(use_.releases, this).exec();
}

void ReleasesPage::newRelease() {
    NewReleaseDialog dialog({use_.sources, use_.releases, use_.sleeves, use_.drafts, use_.files}, nullptr,
                            this);
    enter(dialog);
}

void ReleasesPage::newEdition() {
    if (!shows_)
        return;
    NewReleaseDialog dialog({use_.sources, use_.releases, use_.sleeves, use_.drafts, use_.files},
                            &shown_.view, this);
    enter(dialog);
}

void ReleasesPage::enter(NewReleaseDialog& dialog) {
    if (dialog.exec() == QDialog::Accepted)
        use_.releases.make(dialog.filling(), dialog.set(), [self = QPointer(this)](library::ReleaseId id) {
            if (self)
                self->showRelease({id, {}});
        });
}

void ReleasesPage::fillShown() {
    if (!shows_)
        return;
    const library::ReleaseRef ref = shown_.view.ref;
    FillDialog dialog({use_.sources, use_.releases, use_.sleeves, use_.drafts, use_.files}, shown_.view,
                      this);
    if (dialog.exec() == QDialog::Accepted)
        use_.releases.fill(ref, dialog.filling(), tr("Fill \u201C%1\u201D").arg(title_->text()));
}

void ReleasesPage::removeShown() {
    if (shows_ && shown_.view.ref.id != 0)
        use_.releases.remove(shown_.view.ref.id, title_->text());
}

void ReleasesPage::wantSheet() {
    if (shows_)
        emit sheetWanted(shown_.view.ref);
}

void ReleasesPage::newAgreement() {
    if (shows_)
        use_.agreements.makeForRelease(tr("Agreement about \u201C%1\u201D").arg(title_->text()), shown_.view,
                                       [self = QPointer(this)](library::CardId id) {
                                           if (self)
                                               self->use_.agreements.wantShown(id);
                                       });
}

void ReleasesPage::showMenu(const QPoint& at) {
    const auto list = use_.releases.list();
    const std::vector<size_t> chosen = lines_->allChosen();
    if (!list || chosen.empty())
        return;
    QMenu menu(this);
    if (chosen.size() > 1) {
        menu.addAction(tr("Editions of one set"), this, [this, list, chosen] {
            std::vector<library::ReleaseRef> refs;
            for (const size_t entry : chosen)
                refs.push_back(list->entries()[entry].ref);
            use_.releases.joinSet(refs);
        });
    }
    const library::ReleaseEntry& entry = list->entries()[chosen.front()];
    if (chosen.size() == 1 && entry.set != 0)
        menu.addAction(tr("Stands alone, no edition of this set"), this,
                       [this, id = entry.ref.id] { use_.releases.leaveSet(id); });
    if (chosen.size() == 1 && shows_ && entry.ref == shown_.view.ref)
        menu.addAction(tr("New agreement"), this, &ReleasesPage::newAgreement);
    if (chosen.size() == 1 && !entry.ref.files.empty())
        menu.addAction(tr("Show in the library"), this,
                       [this, file = entry.ref.files.front()] { emit libraryWanted(file); });
    if (chosen.size() == 1 && entry.ref.id != 0)
        menu.addAction(
            entry.ref.files.empty() ? tr("Remove\u2026") : tr("Forget what was said of it"), this,
            [this, id = entry.ref.id, title = qs(entry.title)] { use_.releases.remove(id, title); });
    menu.exec(at);
}

} // namespace moorfrost::app
