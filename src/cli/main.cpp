// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>

#include "cli/about_itself.h"
#include "cli/program.h"

int main(int argc, char** argv) {
    using namespace moorfrost::cli;
    Options options;
    Command command = nullptr;
    CLI::App app{std::string(whatItIs) + "\nExit codes: " + exitCodes, "moorfrost-cli"};
    describe(app, options, command);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return app.exit(e) == 0 ? 0 : 2;
    }
    if (command)
        return command(options);
    std::fputs((app.got_subcommand("man") ? manPage(app) : completionFor(options.step, app)).c_str(), stdout);
    return 0;
}
