// SPDX-License-Identifier: GPL-3.0-or-later
// The log: levels, one line each, bounded, and never in the way.
#include <QtTest>

#include <thread>

#include <sys/stat.h>

#include "core/base/log.h"
#include "core/text/text.h"
#include "support/sample_files.h"

using namespace moorfrost;
using log::About;

class TestLog : public QObject {
    Q_OBJECT
private slots:
    void cleanup() { log::close(); }

    void linesFromTheirLevelOn() {
        test::Sandbox box;
        log::info(About::Start, "nobody listens yet");
        QVERIFY_RESULT(log::open(box / "state/moorfrost/log.txt"));
        log::debug(About::Job, "too small");
        log::info(About::Job, "\"{}\" began", "Reading Tarnholm");
        log::error(About::Library, "The disk is full.\nIt really is.");
        log::close();
        log::info(About::Start, "nobody listens any more");
        const std::string text = test::readBytes(box / "state/moorfrost/log.txt");
        const auto lines = text::split(text, "\n");
        QCOMPARE(lines.size(), size_t{3}); // and the end
        QVERIFY2(lines[0].ends_with("info [job] \"Reading Tarnholm\" began"), lines[0].c_str());
        QVERIFY2(lines[1].ends_with("error [library] The disk is full. It really is."), lines[1].c_str());
    }

    void itStaysBounded() {
        test::Sandbox box;
        QVERIFY_RESULT(log::open(box / "log.txt"));
        const std::string long_(2000, 'x');
        std::vector<std::jthread> threads;
        for (int t = 0; t < 3; ++t)
            threads.emplace_back([&] {
                for (int i = 0; i < 1000; ++i)
                    log::info(About::Write, "{} {}", i, long_);
            });
        threads.clear();
        log::close();
        uintmax_t bytes = 0;
        size_t files = 0;
        for (const auto& entry : std::filesystem::directory_iterator(box.root())) {
            ++files;
            bytes += entry.file_size();
        }
        QCOMPARE(files, size_t{3});
        QVERIFY(bytes < 3'100'000);
    }

    void whatCannotBeWrittenIsSaidOnceAndDoneWithout() {
        test::Sandbox box;
        test::writeBytes(box / "state", "a file where a folder should be");
        QVERIFY(!log::open(box / "state/moorfrost/log.txt"));
        log::info(About::Start, "goes nowhere");
        QVERIFY(!log::isOpen());
    }
};

QTEST_GUILESS_MAIN(TestLog)
#include "test_log.moc"
