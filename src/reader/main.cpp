// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-reader: opens files for the other programs, which start it and talk to it over a socket that is
// its standard input. Not for people.
#include "core/sandbox/worker.h"

#include <cstdio>

#include <sys/socket.h>
#include <sys/stat.h>
#include <unistd.h>

int main() {
    struct stat st {};
    if (::fstat(STDIN_FILENO, &st) != 0 || !S_ISSOCK(st.st_mode)) {
        std::fputs("moorfrost-reader is started by the other programs of Moorfrost, not by hand.\n", stderr);
        return 2;
    }
    moorfrost::sandbox::limitOneself();
    moorfrost::sandbox::serve(STDIN_FILENO, moorfrost::sandbox::answerRequest);
    return 0;
}
