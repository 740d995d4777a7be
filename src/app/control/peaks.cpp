// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/peaks.h"

#include <QPointer>

#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

using library::Store;

namespace {
constexpr size_t heights = 310; // enough for the width of a window
}

void Peaks::read(QObject* asker, const FilePtr& file, std::function<void(const Result<Shape>&)> then,
                 std::function<void(const Shape&)> some) {
    library_.read(
        asker, [file](Store& store) { return store.peaks().find(file->id, file->state); },
        [this, asker, file, then, some](const Result<Shape>& kept) {
            if (kept && kept->size() >= heights) // else it was drawn for less room
                then(kept);
            else
                draw(asker, file, then, some);
        });
}

void Peaks::draw(QObject* asker, const FilePtr& file, std::function<void(const Result<Shape>&)> then,
                 std::function<void(const Shape&)> some) {
    jobs_.start(
        asker, {ss(tr("Drawing the sound of %1").arg(shownName(file->path)))},
        [this, file, some, jobs = &jobs_, who = QPointer(asker)](std::stop_token stop,
                                                                 work::Progress& progress) {
            progress.begin(static_cast<uint64_t>(file->tags.facts.duration) + 1);
            double before = 0;
            auto shape = sandbox::ParserPool::shared().peaksOf(
                file->path, heights, stop, [&](double seconds, Shape shape) {
                    progress.step({}, static_cast<uint64_t>(seconds - before));
                    before = seconds;
                    if (some)
                        QMetaObject::invokeMethod( // the list outlives its jobs, who asked need not
                            jobs,
                            [who, some, shape = std::move(shape)] {
                                if (who)
                                    some(shape);
                            },
                            Qt::QueuedConnection);
                });
            if (shape)
                library_.write([file, shape = *shape](Store& store) {
                    store.peaks().save(file->id, file->state, shape);
                });
            return shape;
        },
        then);
}

} // namespace moorfrost::app
