// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-demo FOLDER: makes the demo folders there.
#include <cstdio>
#include <cstring>

#include "demo/make.h"
#include "demo/reference_world.h"

int main(int argc, char** argv) {
    bool keep = argc > 2 && std::strcmp(argv[2], "--keep") == 0;
    if (argc < 2 || argc > 3 || (argc == 3 && !keep) || argv[1][0] == '-') {
        std::fprintf(stderr, "Usage: moorfrost-demo FOLDER [--keep]\n"
                             "Makes the demo folders. With --keep nothing is made anew if they are there.\n");
        return 2;
    }
    auto made =
        moorfrost::demo::makeDemo(std::filesystem::absolute(argv[1]), keep, [](size_t done, size_t all) {
            std::fprintf(stderr, "\rMaking demo sounds: %zu of %zu", done, all);
        });
    std::fprintf(stderr, "\n");
    if (!made) {
        std::fprintf(stderr, "moorfrost-demo: %s\n", made.error().message.c_str());
        return 1;
    }
    if (auto reference =
            moorfrost::demo::makeReference(std::filesystem::absolute(argv[1]) / "reference", keep);
        !reference) {
        std::fprintf(stderr, "moorfrost-demo: %s\n", reference.error().message.c_str());
        return 1;
    }
    std::printf("%s\n%s\n", made->incoming.c_str(), made->shelf.c_str());
    return 0;
}
