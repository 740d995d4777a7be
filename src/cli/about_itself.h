// SPDX-License-Identifier: GPL-3.0-or-later
// What a program can say about itself, out of what it understands: so that it is never behind.
#pragma once

#include <string>

namespace CLI {
class App;
}

namespace moorfrost::cli {

/// As man reads it.
std::string manPage(const CLI::App& app);
/// `shell`: bash, zsh or fish. Completes commands, options, and values where there are only some.
std::string completionFor(const std::string& shell, const CLI::App& app);

} // namespace moorfrost::cli
