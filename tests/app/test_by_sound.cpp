// SPDX-License-Identifier: GPL-3.0-or-later
// Identify by sound in the real window: bounces without a word, tapes that run fast, the library that listens
// to itself.
#include <QtTest>

#include <QCheckBox>
#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/identify_page.h"
#include "app/bench/line_up_table.h"
#include "app/bench/stray_list.h"
#include "app/shell/text_utils.h"
#include "app/widgets/comparison_table.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

namespace moorfrost::app {

class TestBySound : public QObject {
    Q_OBJECT

    MainWindow& w() { return d_->window(); }
    Controllers& c() { return d_->controllers(); }
    IdentifyPage* page() { return w().bench()->identify(); }
    std::string drafted(const char* file, const char* field) {
        const library::Draft* draft = c().drafts.session().find(d_->fileNamed(file), field);
        return draft && !draft->values.empty() ? draft->values[0] : std::string();
    }
    QString fact(const QString& caption, int candidate) {
        const QAbstractItemModel* m = page()->candidates()->model();
        for (int row = 0; row < m->rowCount(); ++row)
            if (m->index(row, 0).data().toString() == caption)
                return m->index(row, candidate + 1).data().toString();
        return "no such row";
    }

private slots:
    void initTestCase() {
        Driver::prepareApplication("light");
        box_ = std::make_unique<test::Sandbox>(true);
        test::copyOf(test::sharedReference(), *box_ / "reference");
        std::filesystem::create_directories(*box_ / "incoming");
        for (const char* folder : {"bounces", "harbour-transfers"})
            test::copyOf(test::sharedDemo() / "incoming" / folder, *box_ / "incoming" / folder);
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        c().batch.create("Autumn");
        d_->settle();
        d_->bringIn({*box_ / "incoming"});
        w().bench()->showStep(BenchPage::Identify);
        d_->settle();
    }

    /// Ten bounces without a word and the strays beside them: what they are, where they belong, in one go.
    void bouncesAndStrays() {
        QVERIFY(d_->chooseSleeve("Strays"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
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
        d_->settle();
        QCOMPARE(drafted("untitled 12.wav", "title"), std::string("Twelfth of May"));
        QCOMPARE(drafted("LANTERNS_acappella.wav", "track"), std::string("4"));
        QStringList fresh;
        for (const SleeveView& v : c().sleeves.all())
            fresh << v.title + QString(" %1").arg(v.files.size());
        QVERIFY2(fresh.contains("Mixes for the Moor 6") && fresh.contains("Lanterns (stems) 4"),
                 qPrintable(fresh.join(", ")));
        // The two transfers of one tape: one of them runs fast.
        QCOMPARE(drafted("processional_tape_A.wav", "title"), std::string("Processional"));
        QCOMPARE(drafted("processional_tape_B_fast.wav", "title"), std::string("Processional"));
        QCOMPARE(drafted("processional_tape_A.wav", "transfer speed"), std::string());
        QCOMPARE(drafted("processional_tape_B_fast.wav", "transfer speed"), std::string("1.5 % fast"));
    }

    void aSleeveBySound() {
        QVERIFY(d_->chooseSleeve("Night Post EP"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        QAbstractItemModel* seats = page()->lineUp()->model();
        QCOMPARE(seats->index(2, 2).data().toString(), QString("length only"));
        // The second candidate is chosen, and stays so.
        page()->candidates()->setFocus();
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, 2));
        QTest::keyClick(page()->candidates(), Qt::Key_Return);
        d_->settle();
        const QString chosen = fact("Catalogue no.", 1);
        for (QPushButton* b : page()->findChildren<QPushButton*>())
            if (b->text() == "By sound")
                b->click();
        d_->settle();
        QCOMPARE(seats->index(0, 2).data().toString(), QString("sound + name"));
        QCOMPARE(seats->index(2, 2).data().toString(), QString("sound"));
        int at = 0;
        while (page()->candidates()->model()->index(0, at + 1).data().toString() != "Chosen")
            QVERIFY(++at < 5);
        QCOMPARE(fact("Catalogue no.", at), chosen);
        // A file in the wrong seat is said to sound otherwise.
        page()->lineUp()->setFocus();
        page()->lineUp()->setCurrentIndex(seats->index(0, 0));
        QTest::keyClick(page()->lineUp(), Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(seats->index(0, 2).data().toString(), QString("sounds otherwise"));
        for (QCheckBox* box : page()->findChildren<QCheckBox*>())
            if (box->text() == "evidence in full")
                box->setChecked(true);
        QCOMPARE(fact("Sound", at), QString("0.50")); // two of four
    }

    void whatNobodyKnowsStaysUnknown() {
        QVERIFY(d_->chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        for (const SleeveView& v : c().sleeves.all())
            if (v.title == "Reel01") {
                const SleeveAnswer* a = c().identify.answer(v.key);
                QVERIFY(!a || a->verdict == matching::Verdict::Look ||
                        a->verdict == matching::Verdict::Unknown);
            }
    }

    /// What comes to a shelf is listened to in the background, once; then the library knows it by its sound.
    void theLibraryListens() {
        d_->addShelf(*box_ / "shelf");
        std::filesystem::create_directories(*box_ / "shelf/Reels");
        for (const char* side : {"A", "B"}) {
            const Path to = *box_ / "shelf/Reels" / (std::string("side ") + side + ".wav");
            std::filesystem::copy_file(
                *box_ / "incoming/harbour-transfers" / (std::string("Reel01-side") + side + ".wav"), to);
            test::tag(to, {{"album", {"Harbour reel one"}},
                           {"artist", {"Tarnholm Harbour Band"}},
                           {"title", {std::string("Side ") + side}}});
        }
        c().shelves.read(c().shelves.all());
        d_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(!c().sounds.isListening() && c().sounds.store()->size() >= 2, 20000);
        d_->settle();
        QVERIFY(d_->chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(fact("Title", 0), QString("Harbour reel one"));
        QCOMPARE(fact("Seated", 0), QString("2 of 2 tracks"));
        QCOMPARE(page()->lineUp()->model()->index(0, 2).data().toString(), QString("sound"));
        // After a restart it is not heard again.
        d_.reset();
        const auto log = std::filesystem::last_write_time(
            sound::SoundStore::logOf(library::soundsOf(*box_ / "library.db")));
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QVERIFY(c().sounds.store()->size() >= 2);
        QCOMPARE(std::filesystem::last_write_time(
                     sound::SoundStore::logOf(library::soundsOf(*box_ / "library.db"))),
                 log);
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestBySound)
#include "test_by_sound.moc"
