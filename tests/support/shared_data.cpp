// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shared_data.h"

#include <QProcess>

#include <fcntl.h>
#include <functional>
#include <sys/file.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "demo/make.h"
#include "demo/reference_world.h"
#include "support/places.h"
#include "support/sample_files.h"

namespace moorfrost::test {

namespace {

/// `make` makes it in an empty folder, unless what stands there was made by what is the same as `by`.
Path shared(const std::string& name, const std::string& by, const std::function<void(const Path&)>& make) {
    const Path all = inBuild("tests/shared"), folder = all / name, stamp = all / (name + ".made-by");
    std::filesystem::create_directories(all);
    // Programs of one run wait for the one that makes it.
    const int lock = ::open((all / (name + ".lock")).c_str(), O_CREAT | O_RDWR | O_CLOEXEC, 0600);
    if (lock < 0 || ::flock(lock, LOCK_EX) != 0)
        qFatal("%s cannot be locked", name.c_str());
    if (!std::filesystem::exists(stamp) || readBytes(stamp) != by) {
        std::filesystem::remove(stamp);
        std::filesystem::remove_all(folder);
        std::filesystem::create_directories(folder);
        make(folder);
        writeBytes(stamp, by);
    }
    ::close(lock);
    return folder;
}

} // namespace

Path sharedDemo() {
    return shared("demo", demo::demoVersion, [](const Path& folder) {
        if (auto made = demo::makeDemo(folder, false); !made)
            qFatal("The demo data could not be made: %s", made.error().message.c_str());
    });
}

Path sharedReference() {
    return shared("reference", std::string(demo::referenceVersion), [](const Path& folder) {
        if (auto made = demo::makeReference(folder, false, 500); !made)
            qFatal("The data of the reference could not be made: %s", made.error().message.c_str());
    });
}

Path sharedCorpus() {
    std::string by;
    for (const char* script : {"build.py", "field_names.py"})
        by += audio::bytesHash(readBytes(inSources(std::string("tests/support/corpus/") + script)));
    return shared("corpus", by, [](const Path& folder) {
        QProcess build;
        build.setProcessChannelMode(QProcess::ForwardedChannels);
        const Path script = inSources("tests/support/corpus/build.py");
        build.start("/usr/bin/python3",
                    {QString::fromStdString(script.native()), QString::fromStdString(folder.native())});
        if (!build.waitForFinished(240000) || build.exitCode() != 0)
            qFatal("The corpus could not be made");
    });
}

Path copyOf(const Path& shared, const Path& into) {
    std::filesystem::copy(shared, into,
                          std::filesystem::copy_options::recursive |
                              std::filesystem::copy_options::copy_symlinks);
    return into;
}

} // namespace moorfrost::test
