// SPDX-License-Identifier: GPL-3.0-or-later
// Folders of sounds that take long to make: made by the first test that asks, kept in the build folder for
// all others and for later runs, made anew when what makes them has changed. Nobody may change what is in
// them.
#pragma once

#include "core/base/result.h"

namespace moorfrost::test {

/// The demo folders (demo/make.h).
Path sharedDemo();
/// What the simulated reference knows, with 500 invented releases (demo/reference_world.h).
Path sharedReference();
/// What support/corpus/build.py makes: "good", "odd", "broken".
Path sharedCorpus();
/// A copy that may be changed; links stay links.
Path copyOf(const Path& shared, const Path& into);

} // namespace moorfrost::test
