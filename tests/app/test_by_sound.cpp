// SPDX-License-Identifier: GPL-3.0-or-later
// Identify by sound in the real window: bounces without a word, tapes that run fast, the library that listens
// to itself.
#include <QtTest>

#include <QCheckBox>
#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/stray_list.h"
#include "app/shell/text_utils.h"
#include "support/identify_desk.h"

namespace moorfrost::app {

class TestBySound : public QObject {
    Q_OBJECT

    MainWindow& w() { return desk_->window(); }
    Controllers& c() { return desk_->controllers(); }
    IdentifyPage* page() { return desk_->page(); }

private slots:
    void initTestCase() {
        Driver::prepareApplication("light");
        desk_ = std::make_unique<IdentifyDesk>(std::vector{"bounces", "harbour-transfers"});
    }

    /// Ten bounces without a word and the strays beside them: what they are, where they belong, in one go.
    void bouncesAndStrays() {
        QVERIFY(desk_->driver().chooseSleeve("Strays"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        QVERIFY(c().drafts.session().all().empty());
        QTreeWidget* tree = page()->strays()->tree();
        int ticked = 0;
        for (int i = 0; i < tree->topLevelItemCount(); ++i) {
            const QTreeWidgetItem* item = tree->topLevelItem(i);
            ticked += item->checkState(0) == Qt::Checked;
            if (item->text(0) == "mix7_FINAL2.wav") {
                QVERIFY2(item->text(2).contains("Heather Line, 1 on Mixes for the Moor"),
                         qPrintable(item->text(2)));
                QVERIFY(item->toolTip(3).contains("Sound: 1.00"));
            }
            if (item->text(0).startsWith("spoken introduction"))
                QCOMPARE(item->checkState(0), Qt::Unchecked); // no sound of the reference
            if (item->text(0).startsWith("ident 1"))
                QCOMPARE(item->text(2), QString("nothing like it was found"));
        }
        QCOMPARE(ticked, 16);
        for (QPushButton* b : page()->strays()->findChildren<QPushButton*>())
            if (b->objectName() == "accent") {
                QCOMPARE(b->text(), QString("Take 16 as drafts"));
                b->click();
            }
        desk_->settle();
        QCOMPARE(desk_->drafted("untitled 12.wav", "title"), std::string("Twelfth of May"));
        QCOMPARE(desk_->drafted("LANTERNS_acappella.wav", "track"), std::string("4"));
        QStringList fresh;
        for (const SleeveView& v : c().sleeves.all())
            fresh << v.title + QString(" %1").arg(v.files.size());
        QVERIFY2(fresh.contains("Mixes for the Moor 6") && fresh.contains("Lanterns (stems) 4"),
                 qPrintable(fresh.join(", ")));
        // The two transfers of one tape: one of them runs fast.
        QCOMPARE(desk_->drafted("processional_tape_A.wav", "title"), std::string("Processional"));
        QCOMPARE(desk_->drafted("processional_tape_B_fast.wav", "title"), std::string("Processional"));
        QCOMPARE(desk_->drafted("processional_tape_A.wav", "transfer speed"), std::string());
        QCOMPARE(desk_->drafted("processional_tape_B_fast.wav", "transfer speed"), std::string("1.5 % fast"));
    }

    void aSleeveBySound() {
        QVERIFY(desk_->driver().chooseSleeve("Night Post EP"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        QAbstractItemModel* seats = page()->lineUp()->model();
        QCOMPARE(seats->index(2, 2).data().toString(), QString("length only"));
        // The second candidate is chosen, and stays so.
        page()->candidates()->setFocus();
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, 2));
        QTest::keyClick(page()->candidates(), Qt::Key_Return);
        desk_->settle();
        const QString chosen = desk_->fact("Catalogue no.", 1);
        for (QPushButton* b : page()->findChildren<QPushButton*>())
            if (b->text() == "By sound")
                b->click();
        desk_->settle();
        QCOMPARE(seats->index(0, 2).data().toString(), QString("sound + name"));
        QCOMPARE(seats->index(2, 2).data().toString(), QString("sound"));
        int at = 0;
        while (page()->candidates()->model()->index(0, at + 1).data().toString() != "Chosen")
            QVERIFY(++at < 5);
        QCOMPARE(desk_->fact("Catalogue no.", at), chosen);
        // A file in the wrong seat is said to sound otherwise.
        page()->lineUp()->setFocus();
        page()->lineUp()->setCurrentIndex(seats->index(0, 0));
        QTest::keyClick(page()->lineUp(), Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(seats->index(0, 2).data().toString(), QString("sounds otherwise"));
        for (QCheckBox* box : page()->findChildren<QCheckBox*>())
            if (box->text() == "evidence in full")
                box->setChecked(true);
        QCOMPARE(desk_->fact("Sound", at), QString("0.50")); // two of four
    }

    void whatNobodyKnowsStaysUnknown() {
        QVERIFY(desk_->driver().chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        for (const SleeveView& v : c().sleeves.all())
            if (v.title == "Reel01") {
                const SleeveAnswer* a = c().identify.answer(v.key);
                QVERIFY(!a || a->verdict == matching::Verdict::Look ||
                        a->verdict == matching::Verdict::Unknown);
            }
    }

    /// What comes to a shelf is listened to in the background, once; then the library knows it by its sound.
    void theLibraryListens() {
        desk_->driver().addShelf(desk_->box() / "shelf");
        std::filesystem::create_directories(desk_->box() / "shelf/Reels");
        for (const char* side : {"A", "B"}) {
            const Path to = desk_->box() / "shelf/Reels" / (std::string("side ") + side + ".wav");
            std::filesystem::copy_file(desk_->box() / "incoming/harbour-transfers" /
                                           (std::string("Reel01-side") + side + ".wav"),
                                       to);
            test::tag(to, {{"album", {"Harbour reel one"}},
                           {"artist", {"Tarnholm Harbour Band"}},
                           {"title", {std::string("Side ") + side}}});
        }
        c().shelves.read(c().shelves.all());
        desk_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(!c().sounds.isListening() && c().sounds.store()->size() >= 2, 20000);
        desk_->settle();
        QVERIFY(desk_->driver().chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(desk_->fact("Title", 0), QString("Harbour reel one"));
        QCOMPARE(desk_->fact("Seated", 0), QString("2 of 2 tracks"));
        QCOMPARE(page()->lineUp()->model()->index(0, 2).data().toString(), QString("sound"));
        // After a restart it is not heard again.
        desk_->close();
        const auto log = std::filesystem::last_write_time(
            sound::SoundStore::logOf(library::soundsOf(desk_->box() / "library.db")));
        desk_->restart();
        QVERIFY(c().sounds.store()->size() >= 2);
        QCOMPARE(std::filesystem::last_write_time(
                     sound::SoundStore::logOf(library::soundsOf(desk_->box() / "library.db"))),
                 log);
    }

private:
    std::unique_ptr<IdentifyDesk> desk_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestBySound)
#include "test_by_sound.moc"
