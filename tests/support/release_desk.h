// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of the Releases workspace have in common: three releases on a shelf, and the page on them.
#pragma once

#include <QtTest>

#include <QLineEdit>

#include "app/releases/releases_page.h"
#include "app/shell/main_window.h"
#include "app/widgets/fact_table.h"
#include "support/driver.h"
#include "support/sample_files.h"

namespace moorfrost::app {

class ReleaseDesk {
protected:
    void open() {
        QSettings().clear();
        seed_ = 0;
        box_ = std::make_unique<test::Sandbox>();
        shelf_ = *box_ / "shelf";
        const char* titles[] = {"Night Post", "Ferryman's Reel", "Cold Slip", "The Keeper's Wife"};
        for (int i = 0; i < 4; ++i)
            song("Night Post EP/0" + std::to_string(i + 1) + ".flac", {{"title", {titles[i]}},
                                                                       {"artist", {"The Hollow Ferry"}},
                                                                       {"album", {"Night Post EP"}},
                                                                       {"album_artist", {"The Hollow Ferry"}},
                                                                       {"track", {std::to_string(i + 1)}},
                                                                       {"date", {"1998-10-05"}},
                                                                       {"country", {"GB"}},
                                                                       {"label", {"Gannet Row"}},
                                                                       {"catalogue_number", {"GR 014"}},
                                                                       {"carrier", {"CD single"}}});
        for (int i = 0; i < 4; ++i)
            song("Night Post 2011/0" + std::to_string(i + 1) + ".flac",
                 {{"title", {titles[i]}},
                  {"artist", {"The Hollow Ferry"}},
                  {"album", {"Night Post EP (2011 Remaster)"}},
                  {"album_artist", {"The Hollow Ferry"}},
                  {"track", {std::to_string(i + 1)}},
                  {"date", {"2011"}},
                  {"catalogue_number", {"FSR 207"}}});
        song("Salt Road/01.flac",
             {{"title", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}, {"album", {"Salt Road"}}});
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(shelf_);
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        window().showWorkspace(MainWindow::Releases);
        QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue(), 20000);
        rest();
    }
    void close() {
        driver_.reset();
        box_.reset();
    }
    MainWindow& window() { return driver_->window(); }
    ReleasesPage* page() { return window().releases(); }
    void song(const std::string& name, tags::Fields fields) {
        std::filesystem::create_directories((shelf_ / name).parent_path());
        test::makeSound((shelf_ / name).parent_path(), Path(name).filename().native(), ++seed_);
        test::tag(shelf_ / name, fields);
    }
    void rest() {
        driver_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(driver_->controllers().releases.isTrue(), 20000);
        driver_->settle();
    }
    void choose(const QString& title) {
        const auto list = driver_->controllers().releases.list();
        for (size_t i = 0; i < list->entries().size(); ++i)
            if (QString::fromStdString(list->entries()[i].title) == title) {
                page()->showRelease(list->entries()[i].ref);
                rest();
                return;
            }
        QFAIL("no such release");
    }
    int rowOf(const std::string& key) {
        page()->facts()->editFact(key);
        const int row = page()->facts()->currentIndex().row();
        page()->facts()->closePersistentEditor(page()->facts()->currentIndex());
        return row;
    }
    void type(const std::string& key, const QString& line) {
        QVERIFY(page()->facts()->editFact(key));
        auto* editor = page()->facts()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText(line);
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
    Path shelf_;
    uint32_t seed_ = 0;
};

} // namespace moorfrost::app
