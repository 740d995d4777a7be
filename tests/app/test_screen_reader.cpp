// SPDX-License-Identifier: GPL-3.0-or-later
// The whole way of work, from a folder to its shelf and back, done by what a screen reader hears and can do
// (AT-SPI), with the program as it is started, on a display and a bus of its own.
#include <QtTest>

#include "core/library/store/store.h"
#include "core/tags/tag_io.h"
#include "support/places.h"
#include "support/private_bus.h"
#include "support/sample_files.h"
#include "support/screen_reader.h"
#include "support/three_songs.h"
#include "support/virtual_display.h"

using namespace moorfrost;
using test::Node;

class TestScreenReader : public QObject {
    Q_OBJECT

    static QString text(const Path& path) { return QString::fromStdString(path.native()); }

    /// The part in sight that has this role and whose name begins so; what is in sight is told where it does
    /// not come.
    Node there(const QString& role, const QString& name) {
        const Node node = reader_->waitFor(role, name);
        if (node.isNull()) {
            std::fprintf(stderr, "%s \"%s\" is not there. There is:\n", qPrintable(role), qPrintable(name));
            reader_->print(reader_->desktop());
        }
        return node;
    }
    bool press(const QString& role, const QString& name) {
        const Node node = there(role, name);
        if (node.isNull())
            return false;
        reader_->act(node);
        QTest::qWait(300);
        return true;
    }
    bool fill(const QString& role, const QString& name, const QString& with) {
        const Node node = there(role, name);
        return !node.isNull() && reader_->type(node, with);
    }

    std::unique_ptr<test::VirtualDisplay> display_;
    std::unique_ptr<test::ScreenReader> reader_;

private slots:
    void initTestCase() {
        display_ = std::make_unique<test::VirtualDisplay>(QSize(1280, 900));
        reader_ = std::make_unique<test::ScreenReader>(display_->name());
    }
    void cleanupTestCase() {
        reader_.reset();
        display_.reset();
    }

    void theWholeWay() {
        const test::Sandbox box;
        test::makeThreeSongs(box / "in");
        QProcess program;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        for (const char* name : {"XDG_DATA_HOME", "XDG_CACHE_HOME", "XDG_CONFIG_HOME", "XDG_STATE_HOME"})
            environment.insert(name, text(box / "home"));
        environment.insert("DISPLAY", display_->name());
        environment.insert("QT_QPA_PLATFORM", "xcb");
        environment.insert("QT_LINUX_ACCESSIBILITY_ALWAYS_ON", "1");
        program.setProcessEnvironment(environment);
        program.start(text(test::inBuild("src/app/moorfrost")),
                      {"--settings", text(box / "settings"), "--library", text(box / "library.db")});
        QVERIFY(program.waitForStarted(5000));
        const auto end = qScopeGuard([&] {
            program.kill();
            program.waitForFinished(5000);
        });
        QVERIFY(QTest::qWaitFor([&] { return display_->sizeOf("Moorfrost").isValid(); }, 30000));
        display_->focus("Moorfrost"); // no window manager does it
        // The first start asks for a shelf.
        QVERIFY(fill("text", "Folder of the library", text(box / "Archive")));
        QVERIFY(press("push button", "Begin"));
        // Brought in.
        display_->focus("Moorfrost");
        QVERIFY(press("push button", "Add folder"));
        QVERIFY(fill("text", "Directory:", text(box / "in")));
        QVERIFY(press("push button", "Choose"));
        QVERIFY(!there("label", "1 sleeve").isNull());
        QVERIFY(!there("label", "3 files").isNull());
        display_->focus("Moorfrost");
        // Described: a field of all of them, and one cell of the sheet.
        QVERIFY(press("radio button", "Describe"));
        const Node genre = there("text", "Genre");
        QVERIFY(reader_->focus(genre));
        QVERIFY(QTest::qWaitFor([&] { return reader_->isFocused(genre); }, 5000));
        display_->type("Folk");
        display_->key("Return");
        QVERIFY(!there("label", "3 drafts in 3 files").isNull());
        const Node sheet = there("table", "Sheet of files and fields");
        QCOMPARE(reader_->rows(sheet), 3);
        QStringList told;
        for (int column = 0; column < reader_->columns(sheet); ++column)
            told << reader_->name(reader_->cell(sheet, 1, column));
        QVERIFY2(told.join(" ").contains("Tern") && told.join(" ").contains("Folk"),
                 qPrintable(told.join(" | ")));
        // Put away.
        QVERIFY(press("radio button", "Put away"));
        QVERIFY(press("push button", "Draft 3 moves"));
        QVERIFY(press("push button", "Review"));
        QVERIFY(!there("tree", "Drafts and moves").isNull());
        QVERIFY(press("push button", "Write"));
        QVERIFY(!there("label", "3 files written").isNull());
        auto inArchive = [&] {
            QStringList out;
            for (const auto& one : std::filesystem::recursive_directory_iterator(box / "Archive"))
                if (one.path().extension() == ".flac")
                    out << text(one.path());
            return out;
        };
        QCOMPARE(inArchive().size(), 3);
        QCOMPARE(tags::readTags(Path(inArchive().front().toStdString()))->fields.at("genre"),
                 std::vector<std::string>{"Folk"});
        // And taken back.
        QVERIFY(press("page tab", "Journal"));
        QVERIFY(!there("list", "What was written or changed").isNull());
        QVERIFY(press("push button", "Take back the whole set"));
        QVERIFY(QTest::qWaitFor([&] { return std::filesystem::exists(box / "in/c.flac"); }, 20000));
        QCOMPARE(inArchive().size(), 0);
        QVERIFY(!tags::readTags(box / "in/a.flac")->fields.contains("genre"));
    }
};

int main(int argc, char** argv) {
    return test::runOnPrivateBus<TestScreenReader>(argc, argv);
}
#include "test_screen_reader.moc"
