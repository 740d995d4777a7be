// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures looked at, made to fit, and saved: the part of PicturesController that needs their bytes.
#include <algorithm>
#include <set>

#include <QFile>

#include "app/control/pictures_controller.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/pictures/detail.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/colour_profile.h"
#include "core/tags/picture.h"

namespace moorfrost::app {

using sandbox::ParserPool;
using tags::PictureInfo;

namespace {

constexpr int mostSide = 2048;

/// What stands where a job was stopped before it had begun.
Error stopped() {
    return {ErrorKind::Cancelled, {}, "Stopped."};
}

/// Of a kept picture the file, of one in a file of sound what the tags hold.
Result<std::string> bytesOf(const Path& file, uint64_t hash) {
    if (hash == 0) {
        auto source = FileSource::open(file);
        if (!source)
            return source.error();
        return (*source)->bytes(0, static_cast<size_t>((*source)->size()));
    }
    auto all = ParserPool::shared().readPictures(file);
    if (!all)
        return all.error();
    const auto it = std::ranges::find_if(*all, [&](const tags::Picture& p) { return p.info.hash == hash; });
    if (it == all->end())
        return Error{ErrorKind::NotFound, file, "The file has no such picture any more."};
    return std::move(it->data);
}

/// All of it, to be shown: as the reading process makes it.
Result<QImage> imageOf(const Path& file, uint64_t hash) {
    auto shown = ParserPool::shared().fitPicture(file, hash, {mostSide, 32u << 20, 95});
    if (!shown)
        return shown.error();
    QImage image = QImage::fromData(QByteArray::fromStdString(shown->jpeg), "JPEG");
    if (image.isNull())
        return Error{ErrorKind::Damaged, file, "The picture could not be shown."};
    return image;
}

PicturesController::Detail detailIn(const Path& file, uint64_t hash, const PictureInfo& picture) {
    PicturesController::Detail out;
    const int shorter = std::min(picture.width, picture.height);
    if (shorter < 64)
        return out;
    if (auto square = ParserPool::shared().pictureOf(file, hash, pictures::sideToLookAt(shorter))) {
        out.side = pictures::detailOf(*square, shorter);
        out.enlarged = out.side > 0 && out.side < pictures::enlargedBelow * shorter;
    }
    return out;
}

} // namespace

std::function<std::pair<Path, uint64_t>()> PicturesController::placeOf(const PictureInfo& picture,
                                                                       FileId holder) const {
    const FilePtr f = files_.file(holder);
    return placeIn(picture, f ? f->path : Path());
}

std::function<std::pair<Path, uint64_t>()> PicturesController::placeIn(const PictureInfo& picture,
                                                                       const Path& holder) const {
    return [kept = store_.fileOf(picture), file = holder, hash = picture.hash] {
        std::error_code error;
        return std::filesystem::exists(kept, error) ? std::pair(kept, uint64_t{0}) : std::pair(file, hash);
    };
}

void PicturesController::listFolders(QObject* asker, const std::vector<Path>& folders, size_t most,
                                     std::function<void(std::vector<std::vector<Path>>)> then) {
    auto found = std::make_shared<std::vector<std::vector<Path>>>(folders.size());
    jobs_.start(
        asker, {ss(tr("Looking for pictures"))},
        [found, folders, most](std::stop_token stop, work::Progress&) -> Status {
            static const std::set<std::string> endings = {".jpg", ".jpeg", ".png", ".gif", ".bmp", ".webp"};
            for (size_t i = 0; i < folders.size(); ++i) {
                std::error_code error;
                for (std::filesystem::directory_iterator it(folders[i], error), end;
                     !error && it != end && !stop.stop_requested(); it.increment(error))
                    if (endings.contains(text::lower(it->path().extension().native())))
                        (*found)[i].push_back(it->path());
                std::ranges::sort((*found)[i], [](const Path& a, const Path& b) {
                    return text::compare(a.filename().native(), b.filename().native()) < 0;
                });
                if ((*found)[i].size() > most)
                    (*found)[i].resize(most);
            }
            return Done{};
        },
        [found, then = std::move(then)](const Status&) { then(std::move(*found)); });
}

std::optional<PicturesController::Detail> PicturesController::knownDetail(const PictureInfo& picture) const {
    const auto it = details_.find(picture.hash);
    return it == details_.end() || picture.hash == 0 ? std::nullopt : std::optional(it->second);
}

void PicturesController::measure(QObject* asker, const PictureInfo& picture, FileId holder,
                                 std::function<void()> then) {
    // Once for all who ask, and kept if nobody waits for it any more.
    if (picture.hash == 0 || details_.contains(picture.hash) || !measuring_.insert(picture.hash).second)
        return;
    jobs_.start(
        this, {ss(tr("Looking at a picture")), work::Priority::Background},
        [place = placeOf(picture, holder), picture](std::stop_token, work::Progress&) -> Result<Detail> {
            const auto [file, hash] = place();
            return detailIn(file, hash, picture);
        },
        [this, hash = picture.hash, asker = QPointer<QObject>(asker),
         then = std::move(then)](const Result<Detail>& detail) {
            measuring_.erase(hash);
            if (!detail)
                return;
            details_[hash] = *detail;
            if (asker)
                then();
        });
}

void PicturesController::look(QObject* asker, const PictureInfo& picture, FileId holder,
                              std::function<void(Result<Looked>)> then) {
    const FilePtr f = files_.file(holder);
    look(asker, picture, f ? f->path : Path(), std::move(then));
}

void PicturesController::look(QObject* asker, const PictureInfo& picture, const Path& holder,
                              std::function<void(Result<Looked>)> then) {
    auto looked = std::make_shared<Looked>();
    jobs_.start(
        asker, {ss(tr("Looking at a picture"))},
        [looked, place = placeIn(picture, holder), picture](std::stop_token, work::Progress&) -> Status {
            const auto [file, hash] = place();
            Result<QImage> image = imageOf(file, hash);
            if (!image)
                return image.error();
            looked->image = *image;
            if (const auto bytes = bytesOf(file, hash))
                looked->colours = qs(tags::colourProfile(*bytes));
            looked->detail = detailIn(file, hash, picture);
            return Done{};
        },
        [this, looked, hash = picture.hash, then = std::move(then)](const Status& ended) {
            if (ended)
                details_[hash] = looked->detail;
            then(ended ? Result<Looked>(std::move(*looked)) : Result<Looked>(ended.error()));
        });
}

void PicturesController::fit(QObject* asker, const PictureInfo& picture, FileId holder,
                             const pictures::FitRule& rule, std::function<void(Result<FitLooked>)> then) {
    auto out = std::make_shared<FitLooked>();
    jobs_.start(
        asker, {ss(tr("Making a picture fit"))},
        [out, place = placeOf(picture, holder), rule](std::stop_token, work::Progress&) -> Status {
            const auto [file, hash] = place();
            auto fitted = ParserPool::shared().fitPicture(file, hash, rule);
            if (!fitted)
                return fitted.error();
            out->fitted = std::move(*fitted);
            out->image = QImage::fromData(QByteArray::fromStdString(out->fitted.jpeg), "JPEG");
            return Done{};
        },
        [out, then = std::move(then)](const Status& ended) {
            then(ended ? Result<FitLooked>(std::move(*out)) : Result<FitLooked>(ended.error()));
        });
}

void PicturesController::replace(const PictureInfo& old, const Result<PictureInfo>& with,
                                 const QString& action, const QString& from,
                                 const std::vector<FileId>& files) {
    if (!with) {
        messages_.say(with.error());
        return;
    }
    propose(
        action, files, {old.type},
        [&](std::vector<PictureInfo>& list) {
            for (PictureInfo& p : list)
                if (p.hash == old.hash && p.bytes == old.bytes)
                    p = *with;
        },
        from);
}

void PicturesController::takeFitted(const PictureInfo& picture, const pictures::Fitted& fitted,
                                    const std::vector<FileId>& files) {
    auto kept = std::make_shared<Result<PictureInfo>>(stopped());
    jobs_.start(
        this, {ss(tr("Keeping a picture"))},
        [kept, fitted, picture, store = store_](std::stop_token, work::Progress&) -> Status {
            *kept = store.add(fitted.jpeg, picture.type, picture.description);
            return Done{};
        },
        [this, kept, picture, fitted, files](const Status&) {
            replace(picture, *kept, tr("Make %1 fit").arg(qs(picture.type)),
                    tr("made to fit: %1 \u00D7 %2, quality %3")
                        .arg(fitted.width)
                        .arg(fitted.height)
                        .arg(fitted.quality),
                    files);
        });
}

void PicturesController::replaceWith(const PictureInfo& picture, const Path& with,
                                     const std::vector<FileId>& files) {
    auto kept = std::make_shared<Result<PictureInfo>>(stopped());
    jobs_.start(
        this, {ss(tr("Reading pictures"))},
        [kept, with, picture, store = store_](std::stop_token, work::Progress&) -> Status {
            *kept = store.addFile(with, picture.type, picture.description);
            if (*kept) // a header may say anything: it must be possible to show it
                if (auto shown = ParserPool::shared().pictureOf(store.fileOf(**kept), 0, 64); !shown)
                    *kept = shown.error();
            return Done{};
        },
        [this, kept, picture, with, files](const Status&) {
            replace(picture, *kept, tr("Replace %1").arg(qs(picture.type)),
                    tr("picture file %1").arg(shownName(with)), files);
        });
}

void PicturesController::saveAs(const PictureInfo& picture, FileId holder, const QString& name) {
    jobs_.start(
        this, {ss(tr("Saving a picture"))},
        [place = placeOf(picture, holder), name](std::stop_token, work::Progress&) -> Status {
            const auto [from, hash] = place();
            auto bytes = bytesOf(from, hash);
            if (!bytes)
                return bytes.error();
            return files::writeWhole(Path(QFile::encodeName(name).toStdString()), *bytes);
        },
        [this, name](const Status& ended) {
            if (ended)
                messages_.say(tr("Saved as %1.").arg(name));
            else
                messages_.say(tr("%1 could not be saved: %2").arg(name, spoken(ended.error().message)), true);
        });
}

} // namespace moorfrost::app
