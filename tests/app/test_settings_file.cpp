// SPDX-License-Identifier: GPL-3.0-or-later
// Settings saved as a file in one window and taken in by another.
#include <QtTest>

#include <QApplication>

#include "app/settings/settings_file_dialog.h"
#include "app/settings/settings_page.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSettingsFile : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

    /// What is done in the dialog that opens.
    static void whenAsked(const std::function<void(SettingsFileDialog&)>& act) {
        auto* timer = new QTimer(qApp);
        timer->setInterval(20);
        QObject::connect(timer, &QTimer::timeout, qApp, [timer, act] {
            if (auto* dialog = qobject_cast<SettingsFileDialog*>(QApplication::activeModalWidget())) {
                timer->stop();
                timer->deleteLater();
                act(*dialog);
            }
        });
        timer->start();
    }

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }

    void outOfOneLibraryIntoAnother() {
        const Path file = *box_ / "settings.json";
        {
            Driver d(*box_ / "first.db");
            d.settle();
            LibrarySettings& settings = d.controllers().settings;
            SettingsFilePart* part = d.window().settings()->file();
            QVERIFY(part->saveTo(file).contains("nothing to save"));
            settings.set(library::settings::plans, {"By artist\t{artist}/{title}"});
            settings.set(library::settings::keepTimes, true);
            std::vector<audit::Standard> standards = d.controllers().standards.all();
            standards.front().name = "Tarnholm";
            d.controllers().standards.setAll(standards);
            whenAsked([](SettingsFileDialog& dialog) {
                QVERIFY(dialog.box("plans") && dialog.box("standards") && !dialog.box("chains"));
                QTest::mouseClick(dialog.takeButton(), Qt::LeftButton);
            });
            QCOMPARE(part->saveTo(file), QString());
            QVERIFY(part->told().contains("settings.json"));
        }
        Driver d(*box_ / "second.db");
        d.settle();
        LibrarySettings& settings = d.controllers().settings;
        settings.set(library::settings::keepTimes, false);
        SettingsFilePart* part = d.window().settings()->file();
        // Cancelled, nothing is taken.
        whenAsked([](SettingsFileDialog& dialog) { dialog.reject(); });
        QCOMPARE(part->takeFrom(file), QString());
        QVERIFY(settings.get(library::settings::plans).empty());
        // Only what is ticked.
        whenAsked([](SettingsFileDialog& dialog) {
            dialog.box("ways")->setChecked(false);
            QTest::mouseClick(dialog.takeButton(), Qt::LeftButton);
        });
        QCOMPARE(part->takeFrom(file), QString());
        d.settle();
        QCOMPARE(settings.get(library::settings::plans).size(), size_t{1});
        QVERIFY(!settings.get(library::settings::keepTimes));
        // Who uses them knows them at once.
        QCOMPARE(d.controllers().standards.all().front().name, std::string("Tarnholm"));
        QCOMPARE(part->told(), QString("Taken in."));
    }

    void whatCannotBeTakenIsTold() {
        Driver d(*box_ / "library.db");
        d.settle();
        SettingsFilePart* part = d.window().settings()->file();
        QVERIFY(!part->takeFrom(*box_ / "none.json").isEmpty());
        QVERIFY(part->takeFrom(box_->root()).contains("a folder"));
        test::writeBytes(*box_ / "new.json", R"({"moorfrost settings": 9, "settings": {}})");
        QVERIFY(part->takeFrom(*box_ / "new.json").contains("newer"));
        test::writeBytes(*box_ / "odd.json", R"({"moorfrost settings": 1, "settings": {"moon": 1}})");
        QVERIFY(part->takeFrom(*box_ / "odd.json").contains("nothing"));
        d.controllers().settings.set(library::settings::keepTimes, true);
        whenAsked([](SettingsFileDialog& dialog) {
            dialog.box("ways")->setChecked(false);
            QVERIFY(!dialog.takeButton()->isEnabled()); // nothing is chosen
            dialog.box("ways")->setChecked(true);
            QTest::mouseClick(dialog.takeButton(), Qt::LeftButton);
        });
        QVERIFY(!part->saveTo(*box_ / "none/settings.json").isEmpty());
    }
};

QTEST_MAIN(TestSettingsFile)
#include "test_settings_file.moc"
