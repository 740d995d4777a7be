// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/picture_candidates.h"

#include <algorithm>

#include "app/control/release_pictures.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/pictures/detail.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::app {

namespace {

constexpr int lookedAt = 720;
constexpr size_t mostPictures = 24;

QImage imageOf(const pictures::Square& square) {
    const QImage there(reinterpret_cast<const uchar*>(square.pixels.data()), square.side, square.side,
                       square.side * 4, QImage::Format_RGBA8888);
    return there.scaled(lookedAt, lookedAt, Qt::KeepAspectRatio, Qt::SmoothTransformation)
        .convertToFormat(QImage::Format_RGB32);
}

} // namespace

bool PictureCandidate::isEnlarged() const {
    return detail > 0 && detail < pictures::enlargedBelow * shorterSide();
}

bool lookAtPicture(const Path& file, uint64_t hash, const tags::PictureInfo& info, int& detail, QImage& image,
                   std::string& why) {
    const int shorter = std::min(info.width, info.height);
    auto square = sandbox::ParserPool::shared().pictureOf(file, hash, pictures::sideToLookAt(shorter));
    if (!square) {
        why = square.error().message;
        return false;
    }
    detail = pictures::detailOf(*square, shorter);
    image = imageOf(*square);
    return true;
}

std::vector<PictureCandidate> fetchPictures(reference::Reference& from,
                                            const std::vector<reference::Picture>& told,
                                            const library::PictureStore& store, std::stop_token stop,
                                            work::Progress& progress) {
    std::vector<PictureCandidate> out;
    for (size_t i = 0; i < std::min(told.size(), mostPictures) && !stop.stop_requested(); ++i) {
        PictureCandidate c;
        c.told = told[i];
        auto bytes = from.picture(told[i].id, 0, stop);
        if (!bytes) {
            c.refused = spoken(bytes.error().message);
        } else {
            const std::string type = tags::pictureTypeFrom(told[i].type);
            auto kept = store.add(*bytes, type.empty() ? "other" : type, told[i].comment);
            std::string why;
            if (!kept)
                c.refused = spoken(kept.error().message);
            else if (c.info = *kept; !lookAtPicture(store.fileOf(*kept), 0, *kept, c.detail, c.image, why))
                c.refused = ReleasePictures::tr("This picture cannot be shown: %1").arg(spoken(why));
        }
        out.push_back(std::move(c));
        progress.step(told[i].id);
    }
    return out;
}

} // namespace moorfrost::app
