// SPDX-License-Identifier: GPL-3.0-or-later
// Identify in the real window, what goes with a sleeve: pictures of the release, strays that join it.
#include <QtTest>

#include <QComboBox>
#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/release_pictures_view.h"
#include "app/bench/stray_list.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "core/tags/picture_changes.h"
#include "core/tags/tag_io.h"
#include "support/identify_desk.h"

namespace moorfrost::app {

class TestIdentifyMore : public QObject {
    Q_OBJECT

    MainWindow& w() { return desk_->window(); }
    Controllers& c() { return desk_->controllers(); }
    IdentifyPage* page() { return desk_->page(); }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { desk_ = std::make_unique<IdentifyDesk>(std::vector{"label-drive", "harbour-transfers"}); }
    void cleanup() { desk_.reset(); }

    void picturesAreCandidatesToo() {
        desk_->lookUp("Night Post EP");
        page()->showPictures()->click();
        desk_->settle();
        ReleasePicturesView* view = page()->pictures();
        QCOMPARE(view->list()->topLevelItemCount(), 2);
        QCOMPARE(view->list()->topLevelItem(0)->checkState(0), Qt::Checked); // 1200 pixels beside 600
        QVERIFY(c().drafts.session().all().empty());
        view->takeButton()->click();
        desk_->settle();
        for (const char* name : {"01_nightpost_MASTER.flac", "04_bonus.flac"}) {
            const auto pictures = c().pictures.of(desk_->driver().fileNamed(name));
            QCOMPARE(pictures.size(), size_t{2});
            QVERIFY(std::ranges::any_of(
                pictures, [](const auto& p) { return p.type == "front cover" && p.width == 1200; }));
            const library::Draft* draft =
                c().drafts.session().find(desk_->driver().fileNamed(name), tags::pictureKey("front cover"));
            QVERIFY(draft && draft->origin.starts_with("Cairn: Night Post EP"));
        }
        // Once more, for two files only; and what was cleaned away meanwhile is fetched again.
        view->list()->setFocus();
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
        std::filesystem::remove_all(c().pictures.folder());
        view->takeFor({desk_->driver().fileNamed("01_nightpost_MASTER.flac"),
                       desk_->driver().fileNamed("04_bonus.flac")});
        QCOMPARE(view->receivers()->currentText(), QString("for 2 that were chosen\u2026"));
        view->takeButton()->click();
        desk_->settle();
        QCOMPARE(c().drafts.session().all().size(), size_t{2});
        QVERIFY(!c().drafts.session().all().contains(desk_->driver().fileNamed("02_ferryman_MASTER.flac")));
        w().showWorkspace(MainWindow::Review);
        w().foot()->writeButton()->click();
        desk_->settle();
        auto written = tags::readPictures(c().files.file(desk_->driver().fileNamed("04_bonus.flac"))->path);
        QVERIFY(written);
        QCOMPARE(written->size(), size_t{2});
        QCOMPARE(written->at(0).data,
                 test::readBytes(desk_->box() / "reference/pictures/night-post-cd-front"));
    }

    void picturesThatAreNone() {
        // A bomb, one that is cut, one that is not there; and a small one made large.
        const Path pictures = desk_->box() / "reference/pictures";
        test::writeBytes(
            pictures / "night-post-cd-front",
            std::string("\x89PNG\r\n\x1a\n\0\0\0\x0dIHDR\0\0\x4e\x20\0\0\x4e\x20\x08\x06\0\0\0", 29));
        std::filesystem::remove(pictures / "night-post-cd-back");
        desk_->lookUp("Night Post EP");
        page()->showPictures()->click();
        desk_->settle();
        QTreeWidget* list = page()->pictures()->list();
        QCOMPARE(list->topLevelItemCount(), 2);
        for (int i = 0; i < 2; ++i) {
            QVERIFY(!list->topLevelItem(i)->text(2).isEmpty());
            QVERIFY(list->topLevelItem(i)->data(0, Qt::CheckStateRole).isNull());
        }
        QVERIFY(!page()->pictures()->takeButton()->isEnabled());
        QVERIFY(c().drafts.session().all().empty());
    }

    void straysJoinTheirSleeves() {
        QTest::keyClick(&w(), Qt::Key_I,
                        Qt::ControlModifier | Qt::ShiftModifier); // one is known for sure, by codes
        desk_->settle();
        const FileId gorse = desk_->driver().fileNamed("Varnholt, Isla - Gorse (rough).mp3");
        const FileId march = desk_->driver().fileNamed("HARBOUR BAND - QUAYSIDE MARCH.aiff");
        QVERIFY(gorse && march);
        QVERIFY(desk_->driver().chooseSleeve("Strays"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
        QTreeWidget* tree = page()->strays()->tree();
        QTreeWidgetItem *of = nullptr, *other = nullptr;
        for (int i = 0; i < tree->topLevelItemCount(); ++i) {
            if (tree->topLevelItem(i)->text(0).contains("Gorse"))
                of = tree->topLevelItem(i);
            else if (tree->topLevelItem(i)->text(0).contains("QUAYSIDE"))
                other = tree->topLevelItem(i);
            else if (tree->topLevelItem(i)->flags() & Qt::ItemIsUserCheckable)
                tree->topLevelItem(i)->setCheckState(0, Qt::Unchecked);
        }
        QVERIFY(of && other);
        QCOMPARE(of->checkState(0), Qt::Checked);
        QCOMPARE(of->text(4), QString("Salt Road"));
        QCOMPARE(other->text(4), QString("a new sleeve"));
        for (QPushButton* b : page()->strays()->findChildren<QPushButton*>())
            if (b->objectName() == "accent") {
                QCOMPARE(b->text(), QString("Take 2 as drafts"));
                b->click();
            }
        desk_->settle();
        QCOMPARE(desk_->drafted("Varnholt, Isla - Gorse (rough).mp3", "album"), std::string("Salt Road"));
        QCOMPARE(desk_->drafted("Varnholt, Isla - Gorse (rough).mp3", "track"), std::string("5"));
        QCOMPARE(desk_->drafted("HARBOUR BAND - QUAYSIDE MARCH.aiff", "title"),
                 std::string("Quayside March"));
        std::string home, fresh;
        for (const SleeveView& s : c().sleeves.all()) {
            if (std::ranges::find(s.files, gorse) != s.files.end())
                home = ss(s.title);
            if (std::ranges::find(s.files, march) != s.files.end())
                fresh = ss(s.title);
        }
        QCOMPARE(home, std::string("Salt Road"));
        // That one file of a sleeve is known does not make the sleeve taken.
        for (const SleeveView& v : c().sleeves.all())
            if (std::ranges::find(v.files, gorse) != v.files.end())
                QVERIFY(!c().identify.isTaken(v));
        QCOMPARE(fresh, std::string("Processional"));
    }

    void aStrayIsPutIntoASeat() {
        // One file of the sleeve stands alone, under another name.
        const FileId gorse = desk_->driver().fileNamed("Varnholt, Isla - Gorse (rough).mp3");
        desk_->lookUp("Salt Road");
        LineUpTable* seats = page()->lineUp();
        QAbstractItemModel* m = seats->model();
        std::string sleeve;
        for (const SleeveView& v : c().sleeves.all())
            if (c().identify.answer(v.key))
                sleeve = v.key; // the one that was looked up
        const SleeveAnswer* before = c().identify.answer(sleeve);
        QVERIFY(before);
        int stray = -1, empty = -1;
        for (int row = 0; row < m->rowCount(); ++row)
            if (m->index(row, 2).data().toString() == "a stray" && desk_->seat(row).contains("Gorse"))
                stray = row;
        if (stray < 0) { // its seat is taken: who has it gives it up
            for (int row = 0; row < m->rowCount(); ++row)
                if (m->index(row, 4).data().toString().startsWith("Gorse"))
                    seats->setCurrentIndex(m->index(row, 0));
            seats->setFocus();
            QTest::keyClick(seats, Qt::Key_Delete);
            for (int row = 0; row < m->rowCount(); ++row)
                if (m->index(row, 2).data().toString() == "a stray" && desk_->seat(row).contains("Gorse"))
                    stray = row;
        }
        QVERIFY(stray >= 0);
        for (int row = 0; row < stray; ++row)
            if (m->index(row, 4).data().toString().startsWith("Gorse"))
                empty = row;
        QVERIFY(empty >= 0);
        QCOMPARE(desk_->seat(empty), QString("empty seat"));
        QVERIFY(m->index(stray, 4).data().toString().startsWith("may be"));
        const size_t candidates = before->candidates.size(), files = before->clues.files.size();
        std::vector<std::string> others;
        for (int row = 0; row < empty; ++row)
            others.push_back(ss(desk_->seat(row)));
        seats->setFocus();
        seats->setCurrentIndex(m->index(stray, 0));
        QTest::keyClick(seats, Qt::Key_Return);
        desk_->settle();
        // It has joined, what was known of the sleeve still is, and the others sit where they sat.
        const SleeveAnswer* after = c().identify.answer(sleeve);
        QVERIFY(after);
        QCOMPARE(after->candidates.size(), candidates);
        QCOMPARE(after->clues.files.size(), files + 1);
        QVERIFY(after->seatedByHand);
        QCOMPARE(desk_->seat(empty), QString("Varnholt, Isla - Gorse (rough).mp3"));
        for (int row = 0; row < empty; ++row)
            QCOMPARE(ss(desk_->seat(row)), others[static_cast<size_t>(row)]);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->drafted("Varnholt, Isla - Gorse (rough).mp3", "album"), std::string("Salt Road"));
        QVERIFY(gorse);
    }

private:
    std::unique_ptr<IdentifyDesk> desk_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestIdentifyMore)
#include "test_identify_more.moc"
