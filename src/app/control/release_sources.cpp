// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/release_sources.h"

#include "app/shell/text_utils.h"

namespace moorfrost::app {

ReleaseSources::ReleaseSources(ReferencesController& references, JobList& jobs, Messages& messages)
    : references_(references), jobs_(jobs), messages_(messages) {}

void ReleaseSources::find(QObject* asker, const QString& words,
                          std::function<void(std::vector<FoundRelease>)> then) {
    struct Answer {
        std::vector<FoundRelease> found;
        std::vector<Error> errors;
    };
    if (!references_.mayBeAsked())
        return then({});
    jobs_.start(
        asker, {ss(tr("Looking up \u201C%1\u201D").arg(words)), work::Priority::Asked, {false, true, {}}},
        [held = references_.held(), words = ss(words)](std::stop_token stop,
                                                       work::Progress&) -> Result<Answer> {
            Answer out;
            reference::Question question;
            question.words = words;
            for (reference::Reference* r : ReferencesController::plain(held)) {
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "It was stopped."};
                if (r->key() == reference::libraryKey)
                    continue; // it is here
                auto found = r->find(question, stop);
                if (!found) {
                    out.errors.push_back(found.error());
                    continue;
                }
                for (reference::Release& release : *found)
                    out.found.push_back({r->key(), std::move(release)});
            }
            return out;
        },
        [this, then](Result<Answer> answer) {
            if (!answer) {
                if (answer.error().kind != ErrorKind::Cancelled)
                    messages_.say(answer.error());
                return then({});
            }
            for (const Error& e : answer->errors)
                messages_.say(e);
            then(std::move(answer->found));
        });
}

void ReleaseSources::fetch(QObject* asker, const FoundRelease& found,
                           std::function<void(FoundRelease)> then) {
    jobs_.start(
        asker,
        {ss(tr("Fetching \u201C%1\u201D").arg(qs(found.release.title))),
         work::Priority::Asked,
         {false, true, {}}},
        [held = references_.held(), found](std::stop_token stop, work::Progress&) -> Result<FoundRelease> {
            for (reference::Reference* r : ReferencesController::plain(held))
                if (r->key() == found.reference) {
                    auto release = r->fetch(found.release.id, stop);
                    if (!release)
                        return release.error();
                    return FoundRelease{found.reference, std::move(*release)};
                }
            return Error{ErrorKind::NotFound, {}, "This reference is not asked any more."};
        },
        [this, then](Result<FoundRelease> release) {
            if (release)
                then(std::move(*release));
            else if (release.error().kind != ErrorKind::Cancelled)
                messages_.say(release.error());
        });
}

QString ReleaseSources::nameOf(const FoundRelease& found) const {
    return tr("%1, edition %2").arg(references_.nameOf(found.reference), qs(found.release.id));
}

} // namespace moorfrost::app
