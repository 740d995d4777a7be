// SPDX-License-Identifier: GPL-3.0-or-later
// A picture looked at, made to fit, replaced, saved; pictures offered from folders; the drawer's layouts and
// clearing.
#include <QtTest>

#include <QMenu>
#include <QSpinBox>

#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/bench/picture_dialog.h"
#include "app/widgets/field_sets.h"
#include "core/tags/picture.h"
#include "core/tags/tag_io.h"
#include "demo/pictures.h"
#include "support/small_batch.h"

namespace moorfrost::app {

class TestPictureDialog : public QObject, private SmallBatch {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        begin();
        makeBatch();
        w().bench()->showStep(BenchPage::Describe);
        d_->settle();
        test::writeBytes(*box_ / "scans/front.png", demo::drawCover(1, 700, true));
        test::writeBytes(*box_ / "scans/other.jpg", demo::drawCover(2, 300));
        test::writeBytes(*box_ / "in/cover here.jpg", demo::drawCover(3, 200));
        QVERIFY(d_->chooseSleeve("Salt Road"));
        w().bench()->describe()->sheet()->selectAll();
        d_->settle();
    }
    void cleanup() { end(); }

    void lookedAtAndMadeToFit() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, chosen());
        d_->settle();
        PictureDialog dialog(s().pictures, {shown()}, 0, chosen());
        dialog.show();
        QTRY_VERIFY(dialog.isIdle());
        QVERIFY2(dialog.facts().contains("700 \u00D7 700 PNG"), qPrintable(dialog.facts()));
        QVERIFY2(dialog.facts().contains("Real detail: about 700 of 700"), qPrintable(dialog.facts()));
        QVERIFY(dialog.facts().contains("No colour profile"));
        QVERIFY(!dialog.takeButton()->isEnabled());
        dialog.side()->setValue(400);
        dialog.fitButton()->click();
        QTRY_VERIFY(dialog.isIdle());
        QVERIFY2(dialog.fittedFacts().startsWith("400 \u00D7 400 JPEG"), qPrintable(dialog.fittedFacts()));
        // Another rule: what was made is nobody's any more.
        dialog.side()->setValue(350);
        QVERIFY(!dialog.takeButton()->isEnabled());
        dialog.fitButton()->click();
        QTRY_VERIFY(dialog.isIdle());
        dialog.takeButton()->click();
        d_->settle();
        for (FileId id : chosen()) {
            const auto pictures = s().drafts.session().pictures(id);
            QCOMPARE(pictures.size(), size_t{1});
            QCOMPARE(pictures[0].width, 350);
            QCOMPARE(pictures[0].type, std::string("front cover"));
        }
        write();
        QCOMPARE(tags::pictureSize((*tags::readPictures(*box_ / "in/a2.mp3"))[0].data).width, 350);
        w().showWorkspace(MainWindow::Bench);
        s().undo.undo();
    }

    // All of a sleeve that are too large, in one go; the others stay as they are.
    void allThatAreTooLarge() {
        test::writeBytes(*box_ / "scans/large.png", demo::drawCover(4, 800, true));
        const std::vector<FileId> files = chosen();
        QCOMPARE(files.size(), size_t{3});
        s().pictures.addFiles({*box_ / "scans/front.png"}, {files[0]});
        s().pictures.addFiles({*box_ / "scans/large.png"}, {files[1]});
        s().pictures.addFiles({*box_ / "scans/other.jpg"}, {files[2]});
        d_->settle();
        std::vector<PictureDialog::Shown> all;
        for (FileId id : files)
            all.push_back({s().drafts.session().pictures(id)[0], {id}});
        PictureDialog dialog(s().pictures, all, 2, files);
        dialog.show();
        QTRY_VERIFY(dialog.isIdle());
        dialog.side()->setValue(400);
        QVERIFY2(dialog.summary().contains("fits as it is"), qPrintable(dialog.summary()));
        QVERIFY(dialog.fitAllButton()->isVisible());
        QCOMPARE(dialog.fitAllButton()->text(), QString("Make all 2 fit that are too large"));
        dialog.fitAllButton()->click();
        QVERIFY(!dialog.takeButton()->isEnabled());
        QTRY_VERIFY(dialog.isIdle() && dialog.takeButton()->isEnabled());
        QVERIFY2(dialog.summary().startsWith("2 pictures: "), qPrintable(dialog.summary()));
        // Each can be looked at before.
        QTest::keyClick(&dialog, Qt::Key_Left, Qt::AltModifier);
        QTRY_VERIFY(dialog.isIdle());
        QVERIFY2(dialog.fittedFacts().startsWith("400 \u00D7 400 JPEG"), qPrintable(dialog.fittedFacts()));
        dialog.takeButton()->click();
        d_->settle();
        const int sides[] = {400, 400, 300};
        for (size_t i = 0; i < 3; ++i)
            QCOMPARE(s().drafts.session().pictures(files[i])[0].width, sides[i]);
        // Where only one is, there is nothing to do in one go; a change of the rule ends what runs.
        PictureDialog again(s().pictures, all, 0, files);
        again.show();
        again.side()->setValue(750);
        QVERIFY(!again.fitAllButton()->isVisible());
        again.side()->setValue(400);
        again.fitAllButton()->click();
        again.side()->setValue(500);
        QTRY_VERIFY(again.isIdle());
        QVERIFY(!again.takeButton()->isEnabled());
    }

    // How much there is to be seen stands in the drawer, too.
    void realDetailInTheDrawer() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, chosen());
        d_->settle();
        QTRY_VERIFY2(box()->texts()[0].contains("Real detail 700 px"), qPrintable(box()->texts()[0]));
        QImage small = QImage::fromData(QByteArray::fromStdString(demo::drawCover(5, 250, true)));
        small.scaled(900, 900, Qt::KeepAspectRatio, Qt::SmoothTransformation)
            .save(QString::fromStdString((*box_ / "scans/grown.png").native()));
        s().pictures.replaceWith(shown().picture, *box_ / "scans/grown.png", chosen());
        d_->settle();
        QTRY_VERIFY2(box()->texts()[0].contains("Enlarged: real detail "), qPrintable(box()->texts()[0]));
    }

    void whatIsInFilesIsLookedAtThere() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, chosen());
        d_->settle();
        write();
        std::filesystem::remove_all(s().pictures.folder()); // it is in the files only
        w().showWorkspace(MainWindow::Bench);
        d_->settle();
        PictureDialog dialog(s().pictures, {shown()}, 0, chosen());
        QTRY_VERIFY(dialog.isIdle());
        QVERIFY2(dialog.facts().contains("Real detail"), qPrintable(dialog.facts()));
        dialog.side()->setValue(300);
        dialog.fitButton()->click();
        QTRY_VERIFY(dialog.isIdle());
        QVERIFY(dialog.takeButton()->isEnabled());
        // Saved as it is.
        const QString file = QString::fromStdString((*box_ / "saved.png").native());
        s().pictures.saveAs(shown().picture, chosen()[0], file);
        d_->settle();
        QCOMPARE(test::readBytes(*box_ / "saved.png"), demo::drawCover(1, 700, true));
        // What is gone is said.
        std::filesystem::remove(*box_ / "in/a1.flac");
        tags::PictureInfo gone = shown().picture;
        gone.hash ^= 1;
        PictureDialog missing(s().pictures, {{gone, {chosen()[1]}}}, 0, chosen());
        QTRY_VERIFY(missing.isIdle());
        missing.fitButton()->click();
        QTRY_VERIFY(missing.isIdle());
        QVERIFY(!missing.takeButton()->isEnabled());
    }

    void replacedInItsPlace() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, chosen());
        d_->settle();
        s().pictures.describe(shown().picture, "the sleeve", chosen());
        s().pictures.replaceWith(shown().picture, *box_ / "scans/other.jpg", chosen());
        d_->settle();
        for (FileId id : chosen()) {
            const auto pictures = s().drafts.session().pictures(id);
            QCOMPARE(pictures.size(), size_t{1});
            QCOMPARE(pictures[0].width, 300);
            QCOMPARE(pictures[0].description, std::string("the sleeve"));
        }
        // What is no picture replaces nothing.
        test::writeBytes(*box_ / "scans/text.jpg", "no picture");
        s().pictures.replaceWith(shown().picture, *box_ / "scans/text.jpg", chosen());
        d_->settle();
        QCOMPARE(s().drafts.session().pictures(chosen()[0])[0].width, 300);
        s().undo.undo();
        QCOMPARE(s().drafts.session().pictures(chosen()[0])[0].width, 700);
    }

    void picturesOfFoldersAreOffered() {
        PictureBox::rememberFolder(QString::fromStdString((*box_ / "scans").native()));
        QMenu* menu = box()->addButton()->menu();
        emit menu->aboutToShow();
        d_->settle();
        QAction* here = nullptr;
        QStringList offered;
        for (QAction* action : menu->actions()) {
            offered << action->text();
            if (action->text() == "cover here.jpg")
                here = action;
        }
        QVERIFY2(here, qPrintable(offered.join('|')));
        QVERIFY(offered.contains("front.png") && offered.contains("other.jpg"));
        here->trigger();
        d_->settle();
        QVERIFY2(box()->texts()[0].startsWith("Front cover | 200 \u00D7 200 JPEG"),
                 qPrintable(box()->texts()[0]));
        QVERIFY(box()->texts()[0].endsWith("the same in all 3 files"));
    }

    void aPictureThatDiffersIsPointedOut() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, chosen());
        d_->settle();
        s().pictures.addFiles({*box_ / "scans/other.jpg"}, {d_->fileNamed("a10.ogg")});
        d_->settle();
        QVERIFY2(box()->texts()[0].contains("others differ"), qPrintable(box()->texts()[0]));
        auto* model = static_cast<SheetModel*>(w().bench()->describe()->sheet()->model());
        QVERIFY(model->differs(d_->fileNamed("a10.ogg")));
        QVERIFY(!model->differs(d_->fileNamed("a1.flac")));
    }

    void allTagsCleared() {
        s().pictures.addFiles({*box_ / "scans/front.png"}, {d_->fileNamed("a1.flac")});
        d_->settle();
        write();
        w().showWorkspace(MainWindow::Bench);
        d_->settle();
        drawer()->clearAll();
        for (FileId id : chosen()) {
            QVERIFY(s().drafts.session().effective(id).empty());
            QVERIFY(s().drafts.session().pictures(id).empty());
        }
        QVERIFY(!tags::readTags(*box_ / "in/a1.flac")->fields.empty()); // drafts
        s().undo.undo();                                                // one step
        QCOMPARE(s().drafts.session().effective(d_->fileNamed("a1.flac"), "title"),
                 std::vector<std::string>{"Tide Table"});
        drawer()->clearAll();
        write();
        QVERIFY(tags::readTags(*box_ / "in/a1.flac")->fields.empty());
        QVERIFY(tags::readTags(*box_ / "in/a1.flac")->pictures.empty());
    }

    void layoutsOfTheDrawer() {
        keepFieldSet("drawer/fields", {"Codes", {"isrc", "catalogue_number", "barcode"}});
        QMenu* menu = nullptr;
        for (QPushButton* b : drawer()->findChildren<QPushButton*>())
            if (b->text().startsWith("Fields"))
                menu = b->menu();
        QVERIFY(menu);
        emit menu->aboutToShow();
        QCOMPARE(menu->actions()[0]->text(), QString("Codes"));
        menu->actions()[0]->trigger();
        QCOMPARE(drawer()->fields(), (std::vector<std::string>{"isrc", "catalogue_number", "barcode"}));
        // It is so the next time.
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QCOMPARE(drawer()->fields().size(), size_t{3});
    }

private:
    Drawer* drawer() { return w().bench()->describe()->drawer(); }
    PictureBox* box() { return drawer()->pictures(); }
    std::vector<FileId> chosen() { return w().bench()->describe()->sheet()->chosenFiles(); }
    PictureDialog::Shown shown() { return {s().pictures.of(chosen()[0]).at(0), chosen()}; }
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestPictureDialog)
#include "test_picture_dialog.moc"
