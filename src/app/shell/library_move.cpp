// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/library_move.h"

#include <QMessageBox>
#include <QProcess>
#include <QSettings>

#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/library/carry_library.h"
#include "core/library/own_library.h"
#include "core/library/store/store.h"

namespace moorfrost::app::library_move {

namespace {

constexpr const char* broughtKey = "library move/brought";
constexpr const char* toldKey = "library move/told";

std::optional<LibraryMove> wished;

QString say(const char* text) {
    return QCoreApplication::translate("LibraryMove", text);
}

Outcome failed(const char* what, const Error& error) {
    return {{say(what), spoken(error.message), {}}, {}};
}

} // namespace

void wish(const LibraryMove& move) {
    wished = move;
}

std::optional<LibraryMove> takeWish() {
    return std::exchange(wished, std::nullopt);
}

Outcome carryOut(const LibraryMove& move, const Path& library) {
    work::Progress progress;
    if (move.kind == LibraryMove::Kind::Copy) {
        const auto copied = library::carryLibrary(library, move.folder, {}, progress);
        if (!copied)
            return failed(QT_TRANSLATE_NOOP("LibraryMove", "The library was not copied."), copied.error());
        return {{say(QT_TRANSLATE_NOOP("LibraryMove", "The library was copied to %1."))
                     .arg(shownPath(move.folder)),
                 say(QT_TRANSLATE_NOOP("LibraryMove", "On the other machine choose \u201C"
                                                      "Bring one from another machine\u201D in "
                                                      "Settings, under The library, or at the first start.")),
                 {}},
                {}};
    }
    // A library that was named at the start is named again; any other is found by a note.
    const bool isOwn = library == library::ownLibraryPlace();
    Outcome out;
    if (move.kind == LibraryMove::Kind::Bring) {
        const auto brought = library::bringLibrary(move.folder, isOwn, {}, progress);
        if (!brought)
            return failed(QT_TRANSLATE_NOOP("LibraryMove", "The library was not brought."), brought.error());
        out.startWith = *brought;
        out.told.title = say(QT_TRANSLATE_NOOP("LibraryMove", "The library of the other machine is here."));
        return out;
    }
    const auto carried = library::carryLibrary(library, move.folder, {}, progress);
    if (!carried)
        return failed(QT_TRANSLATE_NOOP("LibraryMove", "The library was not moved."), carried.error());
    if (isOwn)
        if (const Status noted = library::setOwnLibrary(*carried); !noted)
            return failed(QT_TRANSLATE_NOOP("LibraryMove", "The library was not moved."), noted.error());
    out.startWith = *carried;
    out.told.title =
        say(QT_TRANSLATE_NOOP("LibraryMove", "The library was moved to %1.")).arg(shownPath(move.folder));
    if (const Status trashed = library::trashLibrary(library); !trashed)
        out.told.detail = say(QT_TRANSLATE_NOOP("LibraryMove", "The old one is still at %1: %2"))
                              .arg(shownPath(library), spoken(trashed.error().message));
    else
        out.told.detail = say(QT_TRANSLATE_NOOP("LibraryMove", "The old one is in the trash."));
    return out;
}

void leaveNote(const LibraryMove& move, const QString& told) {
    QSettings settings;
    settings.setValue(broughtKey, move.kind == LibraryMove::Kind::Bring);
    settings.setValue(toldKey, told);
    settings.sync();
}

std::optional<Note> takeNote() {
    QSettings settings;
    if (!settings.contains(toldKey))
        return std::nullopt;
    Note note{settings.value(broughtKey).toBool(), settings.value(toldKey).toString()};
    settings.remove("library move");
    return note;
}

QStringList argumentsAgain(int argc, char** argv, const Path& named) {
    QStringList out;
    for (int i = 1; i < argc; ++i) {
        const QString one = QString::fromLocal8Bit(argv[i]), name = one.section('=', 0, 0);
        const bool stays = name == "--settings" || name == "--theme";
        const bool goes = name == "--library" || name == "--shelf" || name == "--shot";
        if (stays)
            out << one;
        if ((stays || goes) && !one.contains('=') && ++i < argc && stays)
            out << QString::fromLocal8Bit(argv[i]);
    }
    if (!named.empty())
        out << "--library" << qs(named.native());
    return out;
}

bool startAgain(int argc, char** argv, const Path& named) {
    return QProcess::startDetached(QCoreApplication::applicationFilePath(),
                                   argumentsAgain(argc, argv, named));
}

} // namespace moorfrost::app::library_move

namespace moorfrost::app {

OwnLibraryAnswer askForOwnLibrary(const Error& why) {
    auto say = [](const char* text) { return QCoreApplication::translate("LibraryMove", text); };
    QMessageBox box(QMessageBox::Warning, say(QT_TRANSLATE_NOOP("LibraryMove", "The library is not there")),
                    spoken(why.message));
    box.setInformativeText(say(QT_TRANSLATE_NOOP(
        "LibraryMove",
        "Connect its disk and try again. Begun anew, there is an empty library in the usual place; the "
        "other one stays as it is, and can be brought back in Settings.")));
    auto* again = box.addButton(say(QT_TRANSLATE_NOOP("LibraryMove", "Try again")), QMessageBox::AcceptRole);
    auto* anew =
        box.addButton(say(QT_TRANSLATE_NOOP("LibraryMove", "Begin anew")), QMessageBox::DestructiveRole);
    box.addButton(say(QT_TRANSLATE_NOOP("LibraryMove", "Quit")), QMessageBox::RejectRole);
    box.setDefaultButton(again);
    box.exec();
    return box.clickedButton() == again  ? OwnLibraryAnswer::Again
           : box.clickedButton() == anew ? OwnLibraryAnswer::BeginAnew
                                         : OwnLibraryAnswer::Quit;
}

} // namespace moorfrost::app
