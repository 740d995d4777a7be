// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/fixity.h"

#include <ctime>

#include "core/audio/essence.h"

namespace moorfrost::library {

Result<Fixity> fixityOf(const Path& path, bool sha256) {
    auto source = FileSource::open(path);
    if (!source)
        return source.error();
    audio::Format format = audio::detectFormat(**source);
    auto named = [&](const Error& e) { return Error{e.kind, path, e.message}; };
    if (format == audio::Format::Unknown)
        return Error{ErrorKind::Unsupported, path,
                     "The content is not sound in any format that Moorfrost reads."};
    auto essence = audio::essenceOf(**source, format);
    if (!essence)
        return named(essence.error());
    Fixity fixity{path, essence->hash, {}, essence->bytes, static_cast<int64_t>(std::time(nullptr))};
    if (sha256) {
        auto sum = audio::essenceSha256(**source, format);
        if (!sum)
            return named(sum.error());
        fixity.sha256 = *sum;
    }
    return fixity;
}

FixityCheck checkFixity(const Fixity& stored) {
    FixityCheck check;
    auto now = fixityOf(stored.path, !stored.sha256.empty());
    if (!now) {
        std::error_code error;
        bool there = std::filesystem::exists(stored.path, error);
        check.state = there ? FixityState::Unreadable : FixityState::Missing;
        check.error = now.error().message;
        return check;
    }
    check.now = *now;
    bool same = stored.sha256.empty() ? stored.essence == now->essence : stored.sha256 == now->sha256;
    if (!same || stored.bytes != now->bytes) {
        check.state = FixityState::Changed;
        check.error =
            "The sound is not the one that was stored. Bring a copy from your backup, and listen to both.";
    }
    return check;
}

} // namespace moorfrost::library
