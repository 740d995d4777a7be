// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-ripper: reads discs for the other programs, which start it and talk to it over its standard input
// and output. Not for people.
#include "core/disc/ripper.h"

#include <cstdio>

#include <malloc.h>
#include <sys/socket.h>
#include <sys/stat.h>
#include <unistd.h>

int main() {
    struct stat st {};
    if (::fstat(STDIN_FILENO, &st) != 0 || !S_ISSOCK(st.st_mode)) {
        std::fputs("moorfrost-ripper is started by the other programs of Moorfrost, not by hand.\n", stderr);
        return 2;
    }
    // Sound goes through it in large pieces, from thread to thread: with fewer arenas less of it stays
    // behind.
    ::mallopt(M_ARENA_MAX, 2);
    return moorfrost::disc::serveRips(STDIN_FILENO, STDOUT_FILENO);
}
