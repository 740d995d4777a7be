// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/driver.h"

#include <QApplication>
#include <QSettings>
#include <QTest>
#include <QTranslator>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/sleeve_list.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

namespace moorfrost::app {

void Driver::prepareApplication(const QString& theme) {
    static QTemporaryDir settings;
    qputenv("XDG_CACHE_HOME", settings.path().toUtf8());
    ShelfWatch::watches = false; // what tests do to files by hand is told when they say so
    QApplication::setOrganizationName("moorfrost-tests");
    QApplication::setApplicationName("moorfrost-tests");
    QSettings::setDefaultFormat(QSettings::IniFormat);
    QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, settings.path());
    static QTranslator plurals;
    if (plurals.load(":/i18n/moorfrost_en.qm"))
        QApplication::installTranslator(&plurals);
    theme::loadFonts();
    theme::apply(theme::choiceFromKey(theme));
}

namespace {

/// As the program does it: a style sheet that is there already is worked out again for all of a part each
/// time that the part finds its place.
std::unique_ptr<MainWindow> windowOf(Controllers& controllers) {
    qApp->setStyleSheet({});
    auto out = std::make_unique<MainWindow>(controllers);
    theme::applyStyleSheet();
    return out;
}

} // namespace

Driver::Driver(const Path& library)
    : controllers_(std::make_unique<Controllers>(library)), window_(windowOf(*controllers_)) {
    measureSoon(false); // settle() would wait until all is measured
    window_->resize(1280, 800);
    window_->show();
    window_->activateWindow();
    if (!QTest::qWaitForWindowExposed(window_.get()) ||
        !QTest::qWaitFor([this] { return controllers_->isLoaded(); }, 20000))
        qFatal("The window did not come up");
    settle();
}

void Driver::measureSoon(bool soon) {
    constexpr int never = 3600 * 1000;
    controllers_->reports.setPauses(soon ? 300 : never, never);
}

Driver::~Driver() {
    window_.reset();
    controllers_.reset();
}

void Driver::settle() {
    if (!QApplication::activeModalWidget() && !window_->isActiveWindow())
        window_->activateWindow(); // after a dialog: there is no window manager here to do it
    // At rest, and still so when all was taken that had been posted for the event loop by then.
    for (uint64_t asked = 0;;) {
        if (!QTest::qWaitFor([this] { return window_->isAtRest(); }, 120000))
            qFatal("A job did not end");
        asked = controllers_->library.asked();
        QCoreApplication::processEvents();
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        if (window_->isAtRest() && controllers_->library.asked() == asked)
            return;
    }
}

void Driver::bringIn(const std::vector<Path>& folders) {
    controllers_->bringIn.start(folders, true);
    settle();
}

void Driver::addShelf(const Path& folder) {
    controllers_->shelves.add(shownName(folder), folder);
    settle();
}

bool Driver::chooseSleeve(const QString& title) {
    SleeveList* list = window_->bench()->sleeves();
    for (int i = 0; i < list->count(); ++i)
        if (controllers_->sleeves.all()[static_cast<size_t>(i)].title == title) {
            list->choose(i);
            settle();
            return true;
        }
    return false;
}

QModelIndex Driver::bringInRow(const QString& part) const {
    const FolderModel* model = window_->bench()->bringIn()->model();
    for (int f = 0; f < model->rowCount(); ++f)
        for (int i = 0; i < model->rowCount(model->index(f, 0)); ++i)
            if (QModelIndex row = model->index(i, 0, model->index(f, 0));
                row.data().toString().contains(part))
                return row;
    return {};
}

FileId Driver::fileNamed(const std::string& name) const {
    for (FileId id : controllers_->sleeves.files())
        if (controllers_->files.file(id)->path.filename() == name)
            return id;
    for (const library::FileRecord& f : libraryFiles())
        if (f.path.filename() == name)
            return f.id;
    return 0;
}

std::vector<library::FileRecord> Driver::libraryFiles() const {
    std::vector<library::FileRecord> out;
    auto store = std::move(*library::Store::open(controllers_->care.file()));
    store->files().each(true, [&](library::FileRecord&& f) {
        out.push_back(std::move(f));
        return true;
    });
    return out;
}

void Driver::takeUp(FileId id) {
    controllers_->files.takeUp(controllers_.get(), {id}, [] {});
    settle();
}

void makeSmallLibrary(const Path& folder) {
    auto store = std::move(*library::Store::open(folder / "library.db"));
    std::filesystem::create_directories(folder / "archive");
    int64_t shelf = store->shelves().add("Archive", folder / "archive");
    struct Song {
        const char *title, *artist, *album, *date, *genre, *isrc;
    };
    const Song songs[] = {
        {"Night Post", "The Hollow Ferry", "Night Post EP", "1998", "Folk", "ZZGRW9800001"},
        {"Ferryman's Reel", "The Hollow Ferry", "Night Post EP", "1998", "Folk", nullptr},
        {"Tide Table", "Isla Varnholt", "Salt Road", "2019", "Chamber", "ZZFSR1900001"},
        {"Gorse", "Isla Varnholt", "Salt Road", "2019", "Chamber", nullptr},
        {"Северный ветер", "Хор Маяка", "Северный ветер", "1974", "Choral", nullptr},
        {"Whin Moor", "Odran Fell Quartet", "Live at Tarnholm Hall", "1986", "Jazz", nullptr},
    };
    int n = 0;
    for (const Song& s : songs) {
        ++n; // each with a sound of its own: the same would be one recording
        Path file =
            test::makeSound(folder / "archive", "f" + std::to_string(n) + ".flac", static_cast<uint32_t>(n));
        tags::Fields fields = {{"title", {s.title}}, {"artist", {s.artist}}, {"album", {s.album}},
                               {"date", {s.date}},   {"genre", {s.genre}},   {"album_artist", {s.artist}}};
        if (s.isrc)
            fields["isrc"] = {s.isrc};
        test::tag(file, fields);
        auto read = tags::readTags(file);
        auto source = *FileSource::open(file);
        store->files().save({file, {source->size(), source->modifiedNs()}, *read, {}}, shelf);
    }
}

} // namespace moorfrost::app
