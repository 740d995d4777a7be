// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/pictures_controller.h"

#include <algorithm>
#include <set>
#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/picture.h"

namespace moorfrost::app {

using tags::PictureInfo;

namespace {

/// Of which a release has several: a new one stands beside those that there are.
bool maySeveral(const std::string& type) {
    return type == "booklet page" || type == "other" || type == "illustration" || type == "artist" ||
           type == "performance" || type == "recording";
}

/// What a picture is by the name of its file; "" where the name does not tell.
std::string typeByName(const Path& file) {
    const std::string name = text::fold(file.stem().native());
    auto has = [&](std::initializer_list<const char*> words) {
        return std::ranges::any_of(words, [&](const char* w) { return name.find(w) != std::string::npos; });
    };
    if (has({"back", "rear", "tray"}))
        return "back cover";
    if (has({"front", "cover", "folder"}))
        return "front cover";
    if (has({"booklet", "inlay", "page"}))
        return "booklet page";
    if (has({"disc", "medium", "label", "vinyl"}))
        return "medium";
    return {};
}

bool isSame(const PictureInfo& a, const PictureInfo& b) {
    return a.type == b.type && a.hash == b.hash && a.bytes == b.bytes;
}

} // namespace

PicturesController::PicturesController(LibraryAccess& library, FilesController& files,
                                       DraftsController& drafts, JobList& jobs, Messages& messages)
    : library_(library), files_(files), drafts_(drafts), jobs_(jobs), messages_(messages),
      store_(library::PictureStore::folderOf(library.file())) {}

std::vector<PictureInfo> PicturesController::of(FileId id) const {
    if (drafts_.showsDisk()) {
        const FilePtr f = files_.file(id);
        return f ? f->tags.pictures : std::vector<PictureInfo>();
    }
    return drafts_.session().pictures(id);
}

bool PicturesController::hasDraft(FileId file, const std::string& type) const {
    return !drafts_.showsDisk() && drafts_.session().find(file, tags::pictureKey(type)) != nullptr;
}

std::vector<PicturesController::Source> PicturesController::sourcesOf(const std::vector<Path>& pictures,
                                                                      const std::string& type) const {
    std::vector<Source> sources;
    bool hasFront =
        std::ranges::any_of(pictures, [](const Path& p) { return typeByName(p) == "front cover"; });
    for (const Path& file : pictures) {
        std::string is = type.empty() ? typeByName(file) : type;
        if (is.empty()) // of several whose names do not tell the first is the front
            is = std::exchange(hasFront, true) ? "other" : "front cover";
        sources.push_back({file, {}, tr("picture file %1").arg(shownName(file)), is});
    }
    return sources;
}

void PicturesController::addFiles(const std::vector<Path>& pictures, const std::vector<FileId>& files,
                                  const std::string& type) {
    add(sourcesOf(pictures, type), files);
}

void PicturesController::readFiles(QObject* asker, const std::vector<Path>& pictures,
                                   std::function<void(const std::vector<PictureInfo>&)> then) {
    readSources(asker, sourcesOf(pictures, {}),
                [then = std::move(then)](const std::vector<Added>& added) { then(picturesOf(added)); });
}

void PicturesController::readBytes(QObject* asker, const QByteArray& bytes, const QString& from,
                                   std::function<void(const std::vector<PictureInfo>&)> then) {
    readSources(asker, {{{}, bytes, from, {}}},
                [then = std::move(then)](const std::vector<Added>& added) { then(picturesOf(added)); });
}

std::vector<PictureInfo> PicturesController::picturesOf(const std::vector<Added>& added) {
    std::vector<PictureInfo> out;
    for (const Added& a : added)
        out.push_back(a.picture);
    return out;
}

void PicturesController::addBytes(const QByteArray& bytes, const QString& from,
                                  const std::vector<FileId>& files, const std::string& type) {
    add({{{}, bytes, from, type}}, files);
}

void PicturesController::add(std::vector<Source> sources, const std::vector<FileId>& files) {
    if (files.empty() || sources.empty())
        return;
    readSources(this, std::move(sources),
                [this, files](const std::vector<Added>& added) { take(added, files); });
}

void PicturesController::readSources(QObject* asker, std::vector<Source> sources,
                                     std::function<void(const std::vector<Added>&)> then) {
    struct Read {
        std::vector<Added> added;
        std::vector<std::string> refused;
    };
    jobs_.start(
        asker, {ss(tr("Reading pictures"))},
        [sources = std::move(sources), store = store_](std::stop_token stop,
                                                       work::Progress&) -> Result<Read> {
            Read out;
            for (const Source& s : sources) {
                if (stop.stop_requested())
                    break;
                const std::string type = s.type.empty() ? "front cover" : s.type;
                auto kept = s.file.empty() ? store.add(std::string_view(s.bytes.constData(),
                                                                        static_cast<size_t>(s.bytes.size())),
                                                       type)
                                           : store.addFile(s.file, type);
                if (!kept) {
                    out.refused.push_back(kept.error().message);
                    continue;
                }
                // A header may say anything: it must be possible to show it.
                if (auto shown = sandbox::ParserPool::shared().pictureOf(store.fileOf(*kept), 0, 64);
                    !shown) {
                    out.refused.push_back(ss(tr("This picture cannot be shown, so it is not taken: %1")
                                                 .arg(spoken(shown.error().message))));
                    continue;
                }
                const auto bytes = store.bytesOf(*kept);
                out.added.push_back({*kept, s.from, bytes && tags::isAnimated(*bytes)});
            }
            return out;
        },
        [this, then = std::move(then)](const Result<Read>& read) {
            if (!read) {
                messages_.say(read.error());
                return;
            }
            then(read->added);
            for (const std::string& why : read->refused)
                messages_.say(spoken(why), true);
        });
}

/// All of them are one step.
void PicturesController::take(const std::vector<Added>& added, const std::vector<FileId>& files) {
    std::map<std::string, std::vector<const Added*>> byType;
    for (const Added& a : added)
        byType[a.picture.type].push_back(&a);
    Wishes all;
    for (const auto& [type, some] : byType) {
        QStringList from;
        for (const Added* a : some)
            if (!from.contains(a->from))
                from << a->from;
        wish(files, {type}, all, from.join(", "),
             [&, several = maySeveral(type)](std::vector<PictureInfo>& list) {
                 for (const Added* a : some) {
                     if (!several)
                         list.clear();
                     if (std::ranges::none_of(list,
                                              [&](const PictureInfo& p) { return isSame(p, a->picture); }))
                         list.push_back(a->picture);
                 }
             });
    }
    propose(tr("Add %n picture(s)", "", static_cast<int>(added.size())), all);
    if (std::ranges::any_of(added, &Added::animated))
        messages_.say(tr("The picture is animated; most programs show only its beginning."));
}

void PicturesController::takeKept(const std::vector<PictureInfo>& pictures, const QString& from,
                                  const std::vector<FileId>& files) {
    std::vector<Added> added;
    for (const PictureInfo& p : pictures)
        added.push_back({p, from, false});
    take(added, files);
}

void PicturesController::propose(const QString& action, const std::vector<FileId>& files,
                                 const std::vector<std::string>& types, const Change& change,
                                 const QString& origin) {
    Wishes wishes;
    wish(files, types, wishes, origin, change);
    propose(action, wishes);
}

void PicturesController::propose(const QString& action, const Wishes& wishes) {
    drafts_.session().propose(ss(action), wishes.all, {});
    for (const auto& [why, n] : wishes.cannot)
        messages_.say(tr("Not in %n file(s): %1", "", n).arg(spoken(why)), true);
}

void PicturesController::wish(const std::vector<FileId>& files, const std::vector<std::string>& types,
                              Wishes& wishes, const QString& origin, const Change& change) const {
    for (FileId id : files) {
        const FilePtr f = files_.file(id);
        if (!f || !f->mayHaveDrafts())
            continue;
        std::vector<PictureInfo> list = drafts_.session().pictures(id);
        std::erase_if(list,
                      [&](const PictureInfo& p) { return std::ranges::find(types, p.type) == types.end(); });
        change(list);
        std::string why;
        std::map<std::string, std::vector<PictureInfo>> byType;
        for (const std::string& type : types)
            byType[type];
        for (PictureInfo& p : list)
            byType[p.type].push_back(std::move(p));
        for (const auto& [type, pictures] : byType)
            if (why.empty())
                why = tags::whyNotHeld(f->tags.format, type, pictures);
        if (!why.empty()) {
            ++wishes.cannot[why];
            continue;
        }
        for (const auto& [type, pictures] : byType) {
            library::DraftSession::Wish wish{id, tags::pictureKey(type), {}, ss(origin)};
            for (const PictureInfo& p : pictures)
                wish.values.push_back(tags::pictureText(p));
            wishes.all.push_back(std::move(wish));
        }
    }
}

void PicturesController::remove(const PictureInfo& picture, const std::vector<FileId>& files) {
    propose(
        tr("Remove picture"), files, {picture.type},
        [&](std::vector<PictureInfo>& list) {
            std::erase_if(list, [&](const PictureInfo& p) { return isSame(p, picture); });
        },
        tr("removed by hand"));
}

void PicturesController::changeType(const PictureInfo& picture, const std::string& type,
                                    const std::vector<FileId>& files) {
    std::vector<FileId> having;
    for (FileId id : files)
        if (const auto list = drafts_.session().pictures(id);
            std::ranges::any_of(list, [&](const PictureInfo& p) { return isSame(p, picture); }))
            having.push_back(id);
    propose(
        tr("Change the type of a picture"), having, {picture.type, type},
        [&](std::vector<PictureInfo>& list) {
            if (!maySeveral(type))
                std::erase_if(list, [&](const PictureInfo& p) { return p.type == type; });
            for (PictureInfo& p : list)
                if (isSame(p, picture))
                    p.type = type;
        },
        tr("type chosen by hand"));
}

void PicturesController::describe(const PictureInfo& picture, const QString& description,
                                  const std::vector<FileId>& files) {
    propose(
        tr("Describe picture"), files, {picture.type},
        [&](std::vector<PictureInfo>& list) {
            for (PictureInfo& p : list)
                if (isSame(p, picture))
                    p.description = ss(description.trimmed());
        },
        tr("typed"));
}

void PicturesController::sameInAll(const PictureInfo& picture, const std::vector<FileId>& files) {
    Path holder;
    for (FileId id : files)
        if (const FilePtr f = files_.file(id);
            f && std::ranges::any_of(f->tags.pictures, [&](const PictureInfo& p) {
                return p.hash == picture.hash && p.bytes == picture.bytes;
            }))
            holder = f->path;
    jobs_.start(
        this, {ss(tr("Reading pictures"))},
        [picture, holder, store = store_](std::stop_token, work::Progress&) -> Result<PictureInfo> {
            if (store.bytesOf(picture))
                return picture;
            auto held = sandbox::ParserPool::shared().readPictures(holder);
            if (!held)
                return held.error();
            for (const tags::Picture& p : *held)
                if (p.info.hash == picture.hash && p.info.bytes == picture.bytes)
                    return store.add(p.data, picture.type, picture.description);
            return Error{ErrorKind::NotFound, holder,
                         "The file has no such picture any more. Read it again."};
        },
        [this, files](const Result<PictureInfo>& kept) {
            if (!kept) {
                messages_.say(kept.error());
                return;
            }
            propose(
                tr("The same picture in all files"), files, {kept->type},
                [&](std::vector<PictureInfo>& list) { list = {*kept}; }, tr("from another file of these"));
        });
}

void PicturesController::dropDrafts(const std::string& type, const std::vector<FileId>& files) {
    std::vector<std::pair<FileId, std::string>> which;
    for (FileId id : files)
        which.emplace_back(id, tags::pictureKey(type));
    drafts_.session().drop(ss(tr("Drop drafts")), which);
}

} // namespace moorfrost::app
