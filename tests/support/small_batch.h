// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of the pages have in common: a window with a small batch and a shelf.
#pragma once

#include <QtTest>

#include "app/bench/bench_page.h"
#include "app/bench/put_away_page.h"
#include "app/shell/foot.h"
#include "support/driver.h"
#include "support/sample_files.h"

namespace moorfrost::app {

class SmallBatch {
protected:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    void begin() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }
    void end() {
        d_.reset();
        box_.reset();
    }
    /// Six songs of two albums, tagged, and a shelf.
    void makeBatch() {
        const std::tuple<const char*, const char*, const char*, const char*, const char*> songs[] = {
            {"a1.flac", "Tide Table", "Isla Varnholt", "Salt Road", "1"},
            {"a2.mp3", "Gorse", "Isla Varnholt", "Salt Road", "2"},
            {"a10.ogg", "Last Ferry Home", "Isla Varnholt", "Salt Road", "10"},
            {"b1.opus", "Undertow", "Kestrel & Rook", "Lanterns", "1"},
            {"b2.m4a", "Small Hours", "Kestrel & Rook", "Lanterns", "2"},
            {"b3.wav", "Åse's Waltz", "Kestrel & Rook", "Lanterns", "3"}};
        for (const auto& [name, title, artist, album, track] : songs)
            test::tag(test::makeSound(*box_ / "in", name), {{"title", {title}},
                                                            {"artist", {artist}},
                                                            {"album", {album}},
                                                            {"track", {track}},
                                                            {"date", {"2019"}}});
        std::filesystem::create_directories(*box_ / "shelf");
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->addShelf(*box_ / "shelf");
        d_->bringIn({*box_ / "in"});
    }
    void putAllAway() {
        d_->window().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click();
        d_->settle();
        write();
    }
    void write() {
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        QTest::mouseClick(w().foot()->writeButton(), Qt::LeftButton);
        d_->settle();
    }
    MainWindow& w() { return d_->window(); }
    Controllers& s() { return d_->controllers(); }
    PutAwayPage* putAway() { return w().bench()->putAway(); }
    template<class Widget>
    Widget* named(QWidget* in, const QString& text) {
        for (Widget* x : in->findChildren<Widget*>())
            if (x->text() == text)
                return x;
        return nullptr;
    }
};

} // namespace moorfrost::app
