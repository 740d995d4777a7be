// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-standin: the simulated reference as a program. Tells its address on the first line, answers until
// it is ended, or until its standard input ends where --with-parent is given.
#include <cstdio>
#include <thread>

#include <CLI/CLI.hpp>
#include <unistd.h>

#include "standin/server.h"

int main(int argc, char** argv) {
    using namespace moorfrost;
    std::string folder, wrong;
    int port = 0;
    bool withParent = false;
    standin::Manners manners;
    CLI::App app{"The simulated reference of Moorfrost, on the loopback address."};
    app.add_option("FOLDER", folder,
                   "The data: cairn.jsonl and a folder of pictures (moorfrost-demo makes it)")
        ->required();
    app.add_option("--port", port, "The port; 0: a free one")->check(CLI::Range(0, 65535));
    app.add_flag("--with-parent", withParent, "End when standard input ends");
    app.add_option("--delay", manners.delayMs, "Milliseconds before each answer")
        ->check(CLI::Range(0, 600000));
    app.add_option("--fail-every", manners.failEvery, "Each so many-th answer is an error")
        ->check(CLI::Range(0, 1000000));
    app.add_option("--per-second", manners.perSecond, "How many requests it answers in a second; 0: all")
        ->check(CLI::Range(0, 1000000));
    app.add_option("--die-after", manners.dieAfter, "It ends in the middle of an answer after so many")
        ->check(CLI::Range(0, 1000000));
    app.add_option("--wrong", wrong, "How its answers are wrong")
        ->check(CLI::IsMember({"json", "types", "huge", "hostile", "slow", "bomb"}));
    CLI11_PARSE(app, argc, argv);
    manners.wrong = standin::wrongFrom(wrong);
    auto server = standin::Server::open(folder, manners);
    auto heard = server ? (*server)->listen(port) : Result<int>(server.error());
    if (!heard) {
        std::fprintf(stderr, "moorfrost-standin: %s\n", heard.error().message.c_str());
        return 1;
    }
    std::printf("http://127.0.0.1:%d\n", *heard);
    std::fflush(stdout);
    std::thread parent;
    if (withParent)
        parent = std::thread([&server] {
            char c = 0;
            while (::read(STDIN_FILENO, &c, 1) > 0) {
            }
            (*server)->stop();
        });
    (*server)->serve();
    if (parent.joinable())
        parent.join();
    return 0;
}
