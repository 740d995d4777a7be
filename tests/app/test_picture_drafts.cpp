// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures as drafts in the real window: added from files, by drop and by paste, removed, the same in all;
// undone, reviewed, written, in the journal, taken back.
#include <QtTest>

#include <QClipboard>
#include <QDropEvent>
#include <QInputDialog>
#include <QMimeData>
#include <QToolButton>

#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/bench/review_page.h"
#include "app/journal/journal_page.h"
#include "app/widgets/picture_cells.h"
#include "core/tags/tag_io.h"
#include "demo/pictures.h"
#include "support/menus.h"
#include "support/small_batch.h"
#include "support/small_disk.h"

namespace moorfrost::app {

class TestPictureDrafts : public QObject, private SmallBatch {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        begin();
        makeBatch();
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        test::writeBytes(*box_ / "scans/front.jpg", demo::drawCover(1, 300));
        test::writeBytes(*box_ / "scans/back.png", demo::drawCover(2, 200, true));
    }
    void cleanup() { end(); }

    void addedWrittenAndTakenBack() {
        choose("Salt Road"); // FLAC, MP3, Ogg
        QCOMPARE(box()->texts(), QStringList{"No picture in 3 files"});
        s().pictures.addFiles({*box_ / "scans/front.jpg", *box_ / "scans/back.png"}, chosen());
        d_->settle();
        QCOMPARE(box()->texts().size(), 2);
        QVERIFY2(box()->texts()[0].startsWith("Front cover | 300 \u00D7 300 JPEG"),
                 qPrintable(box()->texts()[0]));
        QVERIFY(box()->texts()[0].endsWith("the same in all 3 files"));
        QVERIFY(box()->texts()[1].startsWith("Back cover"));
        // What the source becomes makes no difference any more.
        std::filesystem::remove_all(*box_ / "scans");
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        QTreeWidgetItem* line = lineOf(w().findChild<ReviewPage*>()->tree(), "a1.flac", "Front cover");
        QVERIFY(line);
        QVERIFY(line->text(1).startsWith("300 \u00D7 300 JPEG"));
        QCOMPARE(line->text(2), QString("none"));
        QCOMPARE(line->text(3), QString("picture file front.jpg"));
        QCOMPARE(line->data(1, picturesRole).value<PictureCell>().pictures.size(), size_t{1});
        write();
        QVERIFY(s().drafts.session().all().empty());
        for (const char* name : {"a1.flac", "a2.mp3", "a10.ogg"}) {
            const auto pictures = *tags::readPictures(*box_ / "in" / name);
            QCOMPARE(pictures.size(), size_t{2});
            QVERIFY(pictures[0].data == demo::drawCover(1, 300));
        }
        // The journal shows it, and takes it back.
        w().showWorkspace(MainWindow::Journal);
        d_->settle();
        JournalPage* journal = w().findChild<JournalPage*>();
        line = lineOf(journal->files(), "a1.flac", "Front cover");
        QVERIFY(line && line->text(1).startsWith("300 \u00D7 300 JPEG") && line->text(2) == "none");
        journal->takeBackButton()->click();
        d_->settle();
        QVERIFY(tags::readTags(*box_ / "in/a1.flac")->pictures.empty());
        w().showWorkspace(MainWindow::Bench);
        choose("Salt Road");
        QCOMPARE(box()->texts(), QStringList{"No picture in 3 files"});
    }

    void removedUndoneAndDropped() {
        choose("Salt Road");
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        write();
        w().showWorkspace(MainWindow::Bench);
        choose("Salt Road");
        QVERIFY(rowMenu(0, {"Remove"}));
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{3});
        QVERIFY2(box()->texts()[0].endsWith("goes from 3 files with the next write"),
                 qPrintable(box()->texts()[0]));
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{0});
        QVERIFY(box()->texts()[0].endsWith("the same in all 3 files"));
        QVERIFY(rowMenu(0, {"Remove"}));
        QVERIFY(rowMenu(0, {"Drop the draft"}));
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{0});
        // It is what the file holds: no draft.
        QVERIFY(rowMenu(0, {"Remove"}));
        test::writeBytes(*box_ / "scans/front.jpg", demo::drawCover(1, 300));
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{0});
    }

    void theSameInAll() {
        choose("Salt Road");
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, {d_->fileNamed("a1.flac")});
        d_->settle();
        write();
        std::filesystem::remove_all(s().pictures.folder()); // it is in the file now
        w().showWorkspace(MainWindow::Bench);
        choose("Salt Road");
        QVERIFY(box()->texts()[0].endsWith("in 1 of 3 files"));
        QVERIFY(rowMenu(0, {"The same in all"}));
        QVERIFY2(box()->texts()[0].endsWith("the same in all 3 files"),
                 qPrintable(box()->texts().join("\n")));
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{2});
        write();
        QVERIFY((*tags::readPictures(*box_ / "in/a10.ogg")).front().data == demo::drawCover(1, 300));
    }

    void anotherTypeAndADescription() {
        choose("Salt Road");
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        QVERIFY(rowMenu(0, {"Change type", "Medium"}));
        QVERIFY(box()->texts()[0].startsWith("Medium"));
        QTimer answer;
        connect(&answer, &QTimer::timeout, this, [] {
            if (auto* ask = qobject_cast<QInputDialog*>(QApplication::activeModalWidget())) {
                ask->setTextValue("side A");
                ask->accept();
            }
        });
        answer.start(20);
        QVERIFY(rowMenu(0, {"Description"}));
        QVERIFY(box()->texts()[0].contains("side A"));
        write();
        const auto held = *tags::readPictures(*box_ / "in/a2.mp3");
        QCOMPARE(held.size(), size_t{1});
        QCOMPARE(held[0].info.type, std::string("medium"));
        QCOMPARE(held[0].info.description, std::string("side A"));
    }

    void byDropAndByPaste() {
        choose("Salt Road");
        QMimeData files;
        files.setUrls({QUrl::fromLocalFile(QString::fromStdString((*box_ / "scans/front.jpg").native()))});
        QDragEnterEvent enter(QPoint(10, 10), Qt::CopyAction, &files, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(box(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent drop(QPointF(10, 10), Qt::CopyAction, &files, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(box(), &drop);
        d_->settle();
        QVERIFY(drop.isAccepted());
        QVERIFY(box()->texts()[0].startsWith("Front cover | 300"));
        auto* data = new QMimeData; // as a browser gives it
        data->setData("image/jpeg", QByteArray::fromStdString(demo::drawCover(7, 500)));
        QApplication::clipboard()->setMimeData(data);
        box()->addButton()->setFocus();
        QTest::keyClick(box()->addButton(), Qt::Key_V, Qt::ControlModifier);
        d_->settle();
        QVERIFY2(box()->texts()[0].startsWith("Front cover | 500"), qPrintable(box()->texts().join("\n")));
        QCOMPARE(s().drafts.session().find(chosen().front(), tags::pictureKey("front cover"))->origin,
                 std::string("pasted"));
        QApplication::clipboard()->setImage(
            QImage(20, 20, QImage::Format_RGB32)); // as a paint program gives it
        box()->paste();
        d_->settle();
        QVERIFY(box()->texts()[0].contains("20 \u00D7 20 PNG"));
        QApplication::clipboard()->setText("a letter");
        box()->paste();
        d_->settle();
        QVERIFY(box()->texts()[0].contains("20 \u00D7 20 PNG"));
    }

    void whatAFormatCannotHoldIsSaidAtOnce() {
        choose("Lanterns"); // Opus, M4A, WAV
        s().pictures.addFiles({*box_ / "scans/back.png"}, chosen());
        d_->settle();
        QVERIFY2(w().message().contains("Not in 1 file: An MP4 file holds front covers only"),
                 qPrintable(w().message()));
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{2});
        QVERIFY(box()->texts()[0].endsWith("in 2 of 3 files"));
    }

    void whatIsNoPictureIsSaid_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<QString>("says");
        const std::string png = demo::drawCover(2, 200, true), jpeg = demo::drawCover(1, 300);
        std::string bomb = png;
        bomb.replace(16, 8, std::string("\x00\x00\x4E\x20\x00\x00\x4E\x20", 8));
        std::string broken = jpeg; // a header, then nothing that makes sense
        for (size_t i = 30; i + 2 < broken.size(); ++i)
            broken[i] = static_cast<char>(i < 300 && i > 160 ? broken[i] : 0x11);
        auto row = [](const char* name, const std::string& b, const char* says) {
            QTest::newRow(name) << QByteArray::fromStdString(b) << QString(says);
        };
        row("nothing", "", "no bytes");
        row("a letter", "Dear archive", "no picture");
        row("cut short", png.substr(0, 400), "too early");
        row("bomb", bomb, "20000 x 20000");
        row("50 MB", jpeg + std::string(50u << 20, 'x'), "at most");
        row("broken", broken, "picture");
    }
    void whatIsNoPictureIsSaid() {
        QFETCH(QByteArray, bytes);
        QFETCH(QString, says);
        choose("Salt Road");
        test::writeBytes(*box_ / "scans/odd.png", bytes.toStdString());
        s().pictures.addFiles({*box_ / "scans/odd.png"}, chosen());
        d_->settle();
        QVERIFY2(w().message().contains(says), qPrintable(w().message()));
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{0});
    }

    void aPictureThatVanishedBetweenDraftAndWrite() {
        choose("Salt Road");
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        std::filesystem::remove_all(s().pictures.folder());
        const std::string before = test::readBytes(*box_ / "in/a1.flac");
        write();
        QVERIFY(test::readBytes(*box_ / "in/a1.flac") == before);
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{3}); // nothing is lost
        QTreeWidget* report = w().findChild<ReviewPage*>()->tree();
        QVERIFY(report->topLevelItem(0)->child(0)->text(0).contains("not kept any more"));
    }

    void draftsOutliveARestart() {
        choose("Salt Road");
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        w().bench()->showStep(BenchPage::Describe);
        choose("Salt Road");
        QVERIFY2(box()->texts()[0].startsWith("Front cover | 300"), qPrintable(box()->texts()[0]));
        write();
        QCOMPARE(tags::readTags(*box_ / "in/a2.mp3")->pictures.size(), size_t{1});
    }

    void readinessCountsWhatIsDrafted() {
        choose("Salt Road");
        auto lacks = [&] {
            for (const SleeveView& v : s().sleeves.all())
                if (v.title == "Salt Road")
                    for (const audit::ReadinessPart& p : v.readiness.parts)
                        if (p.name == "Picture")
                            return p.met != audit::Met::Yes;
            return false;
        };
        QVERIFY(lacks());
        s().pictures.addFiles({*box_ / "scans/front.jpg"}, chosen());
        d_->settle();
        QVERIFY(!lacks());
    }

private:
    PictureBox* box() { return w().bench()->describe()->drawer()->pictures(); }
    void choose(const char* sleeve) {
        QVERIFY(d_->chooseSleeve(sleeve));
        w().bench()->describe()->sheet()->selectAll();
        d_->settle();
    }
    std::vector<FileId> chosen() { return w().bench()->describe()->sheet()->chosenFiles(); }
    bool rowMenu(int row, const QStringList& way) {
        QToolButton* more = box()->menuButton(row);
        const bool done =
            chooseFrom(way, [&] { more->menu()->exec(more->mapToGlobal(QPoint(0, more->height()))); });
        d_->settle();
        return done;
    }
    static QTreeWidgetItem* lineOf(QTreeWidget* tree, const QString& file, const QString& what) {
        for (QTreeWidgetItem* item : tree->findItems(file, Qt::MatchExactly))
            for (int i = 0; i < item->childCount(); ++i)
                if (item->child(i)->text(0) == what)
                    return item->child(i);
        return nullptr;
    }
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestPictureDrafts)
#include "test_picture_drafts.moc"
