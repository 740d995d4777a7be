// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/start_options.h"

#include <QCommandLineParser>
#include <QCoreApplication>

#include "app/shell/text_utils.h"
#include "core/base/version.h"
#include "core/library/own_library.h"
#include "core/text/man_page.h"

namespace moorfrost::app {

namespace {

QString said(const char* text) {
    return QCoreApplication::translate("main", text);
}

struct Known {
    QCommandLineOption library{"library", said("The library file (else the one in the XDG data folder)."),
                               "file"};
    QCommandLineOption shelf{"shelf", said("Make this folder a shelf, if it is none yet."), "folder"};
    QCommandLineOption settings{"settings", said("Keep window settings in this folder."), "folder"};
    QCommandLineOption theme{"theme", said("light, dark or system, for this run."), "theme"};
    QCommandLineOption shot{"shot", said("Take a picture of the window when all is read, and end."), "file"};
    QCommandLineOption startup{"report-startup",
                               said("Print the milliseconds to the first window and end (for benchmarks).")};
    std::vector<const QCommandLineOption*> all() const {
        return {&library, &shelf, &settings, &theme, &shot, &startup};
    }
};

Path absolute(const QString& path) {
    return std::filesystem::absolute(Path(ss(path)));
}

} // namespace

QString settingsFolder(int argc, char** argv) {
    for (int i = 1; i < argc; ++i) {
        const QString one = QString::fromLocal8Bit(argv[i]);
        if (one.startsWith("--settings="))
            return one.section('=', 1);
        if (one == "--settings" && i + 1 < argc)
            return QString::fromLocal8Bit(argv[i + 1]);
    }
    return {};
}

StartOptions startOptions(int argc, char** argv) {
    const Known known;
    QCommandLineParser parser;
    parser.setApplicationDescription(said("Tag, name, identify and put away audio files."));
    parser.addHelpOption();
    parser.addVersionOption();
    for (const QCommandLineOption* option : known.all())
        parser.addOption(*option);
    parser.addPositionalArgument("folder", said("Folders and files to bring in."), "[folder ...]");
    parser.process(*QCoreApplication::instance());
    StartOptions out;
    out.isNamed = parser.isSet(known.library);
    out.library = out.isNamed ? absolute(parser.value(known.library)) : library::ownLibraryPlace();
    if (parser.isSet(known.shelf))
        out.shelf = absolute(parser.value(known.shelf));
    out.settings = parser.value(known.settings);
    out.theme = parser.value(known.theme);
    out.shot = parser.value(known.shot);
    out.reportStartup = parser.isSet(known.startup);
    // Arguments are taken as the bytes that the system gave, which need not be UTF-8.
    for (int i = 1; i < argc; ++i)
        if (std::error_code error; argv[i][0] != '-' && std::filesystem::exists(argv[i], error) &&
                                   parser.positionalArguments().contains(QString::fromLocal8Bit(argv[i])))
            out.folders.push_back(std::filesystem::absolute(argv[i]));
    return out;
}

std::string startManPage() {
    text::ManPage page;
    page.name = "moorfrost";
    page.what = "tag, name, identify and put away audio files";
    page.synopsis = "[OPTION ...] [FOLDER ...]";
    page.version = version();
    page.sections.push_back(
        {"Description",
         "Opens the library in a window, and brings in the folders and files that are named. "
         "Where the library is open already, its window comes to the front and gets them.",
         {}});
    text::ManSection options{"Options", "", {}};
    const Known known;
    for (const QCommandLineOption* option : known.all())
        options.entries.push_back(
            {"--" + ss(option->names().front()) +
                 (option->valueName().isEmpty() ? "" : " " + ss(option->valueName().toUpper())),
             ss(option->description())});
    options.entries.push_back({"--help, --version", "Print these options, or which Moorfrost this is."});
    page.sections.push_back(std::move(options));
    page.sections.push_back(
        {"Files",
         "",
         {{"~/.local/share/moorfrost/library.db", "The library. XDG_DATA_HOME moves it."},
          {"~/.config/moorfrost/moorfrost.conf", "How the window was left. XDG_CONFIG_HOME moves it."}}});
    page.sections.push_back({"See also", "moorfrost-cli(1)", {}});
    return text::roffOf(page);
}

} // namespace moorfrost::app
