// SPDX-License-Identifier: GPL-3.0-or-later
// What only root may do: mounting, giving files to others. As root, where tests run by themselves, it must
// work.
#pragma once

#include <QtTest>

#include <unistd.h>

#define NEEDS_ROOT                                                                                           \
    if (::geteuid() != 0)                                                                                    \
    QSKIP("only root may do what this needs; run the tests as root, too")
