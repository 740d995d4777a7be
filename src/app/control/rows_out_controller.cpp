// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rows_out_controller.h"

#include "app/shell/text_utils.h"
#include "core/deliver/rows/rows_out.h"
#include "core/files/safe_name.h"

namespace moorfrost::app {

namespace {

constexpr size_t previewed = 40;    // rows
constexpr size_t mostToCopy = 5000; // rows on the clipboard

} // namespace

RowsOutController::RowsOutController(const Uses& use) : use_(use), layouts_(use.settings) {
    auto look = [this] { refresh_.look(); };
    connect(&refresh_, &Refresh::ended, this, &RowsOutController::changed);
    connect(&layouts_, &Layouts::changed, this, look);
    connect(&use_.delivering, &Delivering::changed, this, look);
    connect(&use_.index, &LibraryIndex::changed, this, look);
    connect(&use_.drafts, &DraftsController::changed, this, look);
    connect(&use_.files, &FilesController::changed, this, look);
}

bool RowsOutController::make(int run) {
    use_.delivering.withFiles(this, [this, run](std::vector<FileId> files) {
        if (!refresh_.isCurrent(run))
            return;
        use_.library.read(
            this,
            [files = std::move(files), layout = layout()](library::Store& store) {
                return deliver::rowsPreview(store, layout, files, previewed);
            },
            [this, run](Result<deliver::RowsPreview> preview) {
                if (!refresh_.isCurrent(run))
                    return;
                preview_ = preview ? std::make_shared<deliver::RowsPreview>(std::move(*preview)) : nullptr;
                refresh_.end(run);
            });
    });
    return true;
}

void RowsOutController::withText(std::function<void(QString)> then) {
    use_.delivering.withFiles(this, [this, then](std::vector<FileId> files) {
        if (files.size() > mostToCopy) {
            use_.messages.say(tr("%L1 rows are too many to copy: save them as a file.").arg(files.size()),
                              true);
            return then({});
        }
        use_.library.read(
            this,
            [files = std::move(files), layout = layout()](library::Store& store) {
                return deliver::rowsText(store, layout, files);
            },
            [this, then](Result<Result<std::string>> text) {
                if (text && !*text)
                    use_.messages.say(text->error());
                then(text && *text ? qs(**text) : QString());
            });
    });
}

Path RowsOutController::proposedName() const {
    const std::string name = use_.delivering.name().isEmpty() ? layout().name : ss(use_.delivering.name());
    return files::safeName(name, files::NameProfile::Portable, layout().ending());
}

void RowsOutController::save(const Path& file, const std::string& forWhom, std::function<void(bool)> then) {
    use_.delivering.withFiles(this, [this, file, forWhom, then](std::vector<FileId> all) {
        auto files = std::make_shared<const std::vector<FileId>>(std::move(all));
        use_.jobs.start(
            this, {ss(tr("Writing the sheet")), work::Priority::Asked},
            [library = use_.library.file(), layout = layout(), files,
             file](std::stop_token stop, work::Progress& progress) -> Result<deliver::RowsWritten> {
                auto store = library::Store::open(library);
                if (!store)
                    return store.error();
                return deliver::writeRows(**store, layout, *files, file, stop, progress);
            },
            [this, file, files, layout = layout(), forWhom, name = use_.delivering.name(),
             then](Result<deliver::RowsWritten> written) {
                if (!written) {
                    use_.messages.say(written.error());
                } else {
                    const QString trouble = qs(written->trouble());
                    use_.messages.say(tr("Saved %n row(s) as %1.", "", static_cast<int>(written->rows))
                                              .arg(shownPath(file)) +
                                          (trouble.isEmpty() ? QString() : " " + trouble),
                                      !trouble.isEmpty());
                    library::Delivery delivery;
                    delivery.way = "sheet";
                    delivery.title = name.isEmpty() ? layout.name : ss(name);
                    delivery.forWhom = forWhom;
                    delivery.target = file;
                    delivery.layout = deliver::rowLayoutJson(layout);
                    delivery.state = ss(tr("%n row(s)", "", static_cast<int>(written->rows)));
                    use_.deliveries.note(std::move(delivery), *files);
                }
                if (then)
                    then(static_cast<bool>(written));
            });
    });
}

} // namespace moorfrost::app
