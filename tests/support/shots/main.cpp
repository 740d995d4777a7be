// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-shots OUT-FOLDER [light|dark] [WIDTH HEIGHT]: goes the whole way of work through the real
// interface on a copy of the demo data and takes a picture of each main view.
#include <QApplication>

#include <unistd.h>

#include "app/shell/language.h"
#include "demo/reference_world.h"
#include "support/shared_data.h"
#include "support/shots/shots.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void Shots::takeNow(QWidget* widget, const QString& name) const {
    const QString file = out.filePath(name + (dark ? "-dark" : "") + ".png");
    if (!widget->grab().save(file))
        qFatal("cannot write %s", qPrintable(file));
    qInfo("%s", qPrintable(file));
}

void Shots::take(QWidget* widget, const QString& name) {
    driver.settle();
    takeNow(widget, name);
    if (qEnvironmentVariable("LAST") == name) // the others are not wanted
        ::_exit(0);
}

} // namespace moorfrost::shots

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    const QString themeName = argc > 2 ? argv[2] : "light";
    const QSize size = argc > 4 ? QSize(atoi(argv[3]), atoi(argv[4])) : QSize();
    Driver::prepareApplication(themeName);
    if (qEnvironmentVariableIsSet("SHOTS_LANGUAGE"))
        language::install(qEnvironmentVariable("SHOTS_LANGUAGE"));
    // A place with a name fit for pictures.
    const Path root = std::filesystem::temp_directory_path() / "Tarnholm Sound Archive";
    std::filesystem::remove_all(root);
    test::copyOf(test::sharedDemo(), root);
    if (!demo::makeReference(root / "reference", false, 5000))
        qFatal("the reference could not be made");
    auto opened = std::make_unique<Driver>(root / "library.db");
    opened->measureSoon(true);
    if (size.isValid())
        opened->window().resize(size);
    shots::Shots all{*opened, root, QDir(argc > 1 ? argv[1] : "."), themeName == "dark", size, {}};
    if (qEnvironmentVariable("ONLY") == "audit") { // it needs nothing of what stands before it
        shots::audit(all);
        return 0;
    }
    if (qEnvironmentVariable("ONLY") == "help") {
        all.take(&opened->window(), "start");
        shots::help(all);
        return 0;
    }
    for (auto* part :
         {shots::bringIn, shots::identify, shots::describe, shots::namesAndPutAway, shots::libraryAndJournal,
          shots::releases, shots::people, shots::deliver, shots::audit, shots::discs, shots::troubles})
        part(all);
    const std::vector<FilePtr> files = all.interrupted;
    opened.reset();
    shots::interruptAWrite(root / "library.db", files, root / "Music archive");
    Driver again(root / "library.db");
    if (size.isValid())
        again.window().resize(size);
    again.settle();
    again.settle();
    all.takeNow(&again.window(), "interrupted");
    std::filesystem::remove_all(root);
    return 0;
}
