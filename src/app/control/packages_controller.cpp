// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/packages_controller.h"

#include <QDate>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"

namespace moorfrost::app {

PackagesController::PackagesController(const Uses& use) : use_(use), layouts_(use.settings) {
    auto look = [this] { refresh_.look(); };
    connect(&refresh_, &Refresh::ended, this, &PackagesController::changed);
    connect(&use_.delivering, &Delivering::changed, this, [this, look] {
        if (use_.delivering.isAnother())
            title_.clear(); // it was of the tracks of before
        look();
    });
    connect(&use_.index, &LibraryIndex::changed, this, look);
    // When the sounds of a package are in the batch, what it says of them is read.
    connect(&use_.bringIn, &BringIn::ended, this, [this] {
        if (taking_.empty())
            return;
        const Path folder = std::exchange(taking_, {});
        use_.rowsIn.openOfPackage(folder / deliver::packageSheet, "sound/",
                                  (folder / deliver::packageSounds).native() + "/");
        emit takenIn();
    });
}

void PackagesController::setTitle(const std::string& title) {
    if (title == title_)
        return;
    title_ = title;
    refresh_.look();
}

Path PackagesController::proposedName() const {
    const std::string title = subject_ ? subject_->title : std::string();
    return files::safeName(title.empty() ? "Package" : title, files::NameProfile::Portable);
}

bool PackagesController::gather(int run) {
    use_.delivering.withFiles(this, [this, run](std::vector<FileId> files) {
        if (!refresh_.isCurrent(run))
            return;
        if (files.empty()) {
            subject_.reset();
            return refresh_.end(run);
        }
        const std::string title = title_.empty() ? ss(use_.delivering.name()) : title_;
        use_.jobs.start( // it may be all of the library
            this, {ss(tr("Looking what the package will have")), work::Priority::Background},
            [library = use_.library.file(), files = std::move(files),
             title](std::stop_token, work::Progress&) -> Result<deliver::PackageSubject> {
                auto store = library::Store::open(library);
                if (!store)
                    return store.error();
                return deliver::packageSubject(**store, files, title);
            },
            [this, run](Result<deliver::PackageSubject> subject) {
                if (!refresh_.isCurrent(run))
                    return;
                subject_ = subject ? std::make_shared<deliver::PackageSubject>(std::move(*subject)) : nullptr;
                refresh_.end(run);
            });
    });
    return true;
}

void PackagesController::make(const Path& folder, const std::string& number, std::function<void(bool)> then) {
    if (layouts_.isChanged() && !layouts_.isKept(layouts_.name()))
        layouts_.keep(std::string(layouts_.name()));
    refresh_.whenTrue([this, folder, number, then] {
        if (!subject_ || subject_->files.empty()) {
            use_.messages.say(tr("There is no file for the package."), true);
            if (then)
                then(false);
            return;
        }
        const deliver::PackageInfo info = deliver::packageInfo(layout(), subject_->title, number);
        use_.jobs.start(
            this, {ss(tr("Making the package")), work::Priority::Asked},
            [subject = subject_, folder, info, day = ss(QDate::currentDate().toString(Qt::ISODate))](
                std::stop_token stop, work::Progress& progress) {
                return deliver::makePackage(*subject, info, folder, day, stop, progress);
            },
            [this, subject = subject_, folder, layout = layout(), then](Result<deliver::PackageMade> made) {
                if (!made) {
                    use_.messages.say(made.error());
                } else {
                    use_.messages.say(
                        tr("The package is made in %1: %n file(s), %2.", "", static_cast<int>(made->files))
                            .arg(shownPath(folder), shownSize(made->bytes)));
                    library::Delivery delivery;
                    delivery.way = "package";
                    delivery.title = subject->title.empty() ? folder.filename().native() : subject->title;
                    delivery.forWhom = layout.forWhom;
                    delivery.layout = deliver::packageLayoutJson(layout);
                    delivery.target = folder;
                    delivery.state = ss(tr("%n file(s)", "", static_cast<int>(made->files)));
                    std::vector<FileId> files;
                    for (const deliver::PackageFile& file : subject->files)
                        files.push_back(file.file);
                    use_.deliveries.note(std::move(delivery), std::move(files));
                }
                if (then)
                    then(static_cast<bool>(made));
            });
    });
}

void PackagesController::verify(const Path& folder) {
    const int run = ++run_;
    verified_ = folder;
    check_.reset();
    why_.clear();
    verifying_ = true;
    emit changed();
    use_.jobs.start(
        this, {ss(tr("Verifying the package")), work::Priority::Asked},
        [folder](std::stop_token stop, work::Progress& progress) {
            return deliver::verifyPackage(folder, stop, progress);
        },
        [this, run](Result<deliver::PackageCheck> check) {
            if (run != run_)
                return;
            verifying_ = false;
            if (check)
                check_ = std::move(*check);
            else
                why_ = spoken(check.error().message);
            emit changed();
        });
}

void PackagesController::takeIn() {
    if (!check_ || !check_->isWhole())
        return;
    if (!files::isThere(verified_ / deliver::packageSounds))
        return use_.messages.say(tr("It was not made here: bring in its folder \u201C"
                                    "data\u201D at the bench."),
                                 true);
    taking_ = verified_;
    use_.bringIn.start({verified_ / deliver::packageSounds}, true);
}

} // namespace moorfrost::app
