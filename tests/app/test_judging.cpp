// SPDX-License-Identifier: GPL-3.0-or-later
// Rating, notes, playout numbers and uses of recordings, in the library as a person gives them.
#include <QtTest>

#include <QDialog>
#include <QDialogButtonBox>
#include <QInputDialog>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>

#include "app/library/track_model.h"
#include "app/listen/track_strip.h"
#include "app/widgets/file_details.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/waveform.h"
#include "support/library_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestJudging : public QObject, public LibraryDesk {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() {
        close();
        box_.reset();
    }

    void ratedByMouseAndKeys() {
        choose(0);
        QTest::mouseClick(box()->rating(), Qt::LeftButton, {}, QPoint(4 + 3 * 22 + 11, 14)); // the fourth
        d_->settle();
        type("rating:4");
        QCOMPARE(titles().size(), 1);
        choose(0);
        QCOMPARE(box()->rating()->rating(), 4);
        box()->rating()->setFocus();
        QTest::keyClick(box()->rating(), Qt::Key_Right);
        d_->settle();
        type("rating:5");
        QCOMPARE(titles().size(), 1);
        // Undone, and taken away with a click on the same star.
        d_->controllers().undo.undo();
        d_->settle();
        type("rating:4");
        QCOMPARE(titles().size(), 1);
        choose(0);
        QTest::mouseClick(box()->rating(), Qt::LeftButton, {}, QPoint(4 + 3 * 22 + 11, 14));
        d_->settle();
        type("has:rating");
        QCOMPARE(titles().size(), 0);
    }

    void manyAtOnce() {
        page()->table()->selectAll();
        page()->table()->setFocus();
        const auto all = static_cast<qsizetype>(titles().size());
        QVERIFY(all > 2);
        QTest::keyClick(page()->table(), Qt::Key_3, Qt::ControlModifier | Qt::AltModifier);
        d_->settle();
        type("rating:3");
        QCOMPARE(titles().size(), all);
        // In a column, as stars; sorted by it.
        static_cast<TrackModel*>(page()->table()->model())->setColumns({"title", ratingColumn});
        QCOMPARE(column(1).front(), QString("\u2605\u2605\u2605\u2606\u2606"));
    }

    void notesAndNumbers() {
        choose(1);
        const QString title = titles()[1];
        // However full the panel is: it was squeezed to half a line.
        QVERIFY2(box()->noteEdit()->minimumHeight() >= 50,
                 qPrintable(QString::number(box()->noteEdit()->minimumHeight())));
        box()->noteEdit()->setFocus();
        QTest::keyClicks(box()->noteEdit(), "The fiddle is clear");
        box()->playoutLine()->setFocus(); // leaving the note keeps it
        QTest::keyClicks(box()->playoutLine(), "HR-0042");
        QTest::keyClick(box()->playoutLine(), Qt::Key_Return);
        d_->settle();
        type("note:fiddle playout:0042");
        QCOMPARE(titles(), QStringList{title});
        // Begun for one file, kept for it though another is chosen before it was left.
        type("");
        choose(2);
        const QString third = titles()[2];
        box()->noteEdit()->setFocus();
        QTest::keyClicks(box()->noteEdit(), "Too fast");
        choose(0);
        QCOMPARE(box()->noteEdit()->toPlainText(), QString());
        type("note:\"too fast\"");
        QCOMPARE(titles(), QStringList{third});
    }

    void bookmarksInTheStrip() {
        choose(0);
        const QString title = titles()[0];
        TrackStrip* strip = page()->strip();
        QTimer::singleShot(100, this, [] {
            auto* ask = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            QVERIFY(ask);
            ask->setTextValue("the fiddle comes in");
            ask->accept();
        });
        strip->markButton()->click();
        d_->settle();
        QCOMPARE(strip->lines(), QStringList{"0:00 the fiddle comes in"});
        type("bookmark:fiddle");
        QCOMPARE(titles(), QStringList{title});
        // A press anywhere in the shape asks for that place.
        QSignalSpy played(strip, &TrackStrip::playWanted);
        QTest::mouseClick(strip->waveform(), Qt::LeftButton, {},
                          QPoint(strip->waveform()->width() / 2, strip->waveform()->height() / 2));
        QCOMPARE(played.size(), 1);
        const double length = page()->details()->file()->tags.facts.duration;
        QVERIFY(std::abs(played[0][1].toDouble() - length / 2) < length / 20);
        d_->controllers().undo.undo();
        d_->settle();
        QCOMPARE(strip->lines(), QStringList());
    }

    void mirroredToTags() {
        choose(0);
        const FileId id = page()->chosenFiles().front();
        d_->controllers().recordings.rate({id}, 4);
        d_->settle();
        page()->mirrorToTags(); // by no rule yet
        d_->settle();
        QVERIFY2(d_->window().message().contains("Mirroring"), qPrintable(d_->window().message()));
        d_->controllers().settings.set(library::settings::mirrorRules,
                                       std::vector<std::string>{"rating=rating"});
        page()->mirrorToTags();
        d_->settle();
        const library::Draft* draft = d_->controllers().drafts.session().find(id, "rating");
        QVERIFY(draft);
        QCOMPARE(draft->values, std::vector<std::string>{"4"});
        QCOMPARE(draft->origin, std::string("mirrored"));
    }

    void uses() {
        choose(0);
        const QString title = titles()[0];
        bool asked = false;
        QTimer::singleShot(0, this, [&] {
            QDialog* dialog = nullptr;
            for (QWidget* w : QApplication::topLevelWidgets())
                if (auto* d = qobject_cast<QDialog*>(w); d && d->windowTitle() == "Note a use")
                    dialog = d;
            QVERIFY(dialog);
            auto* ok = dialog->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok);
            QVERIFY(!ok->isEnabled()); // it does not say in what
            QTest::keyClicks(dialog->findChild<QLineEdit*>("what"), "Tide and Timber");
            dialog->findChild<QLineEdit*>("where")->setText("Harbour Radio");
            dialog->findChild<QLineEdit*>("date")->setText("some day");
            QVERIFY(!ok->isEnabled());
            dialog->findChild<QLineEdit*>("date")->setText("2024-05-01");
            QVERIFY(ok->isEnabled());
            asked = true;
            ok->click();
        });
        box()->useButton()->click();
        d_->settle();
        QVERIFY(asked);
        QVERIFY2(box()->text().contains("Tide and Timber \u00B7 Harbour Radio \u00B7 2024-05-01"),
                 qPrintable(box()->text()));
        type("used:timber last_used:<2025");
        QCOMPARE(titles(), QStringList{title});
        type("missing:used");
        QVERIFY(!titles().contains(title));
        // It was not used there after all.
        type("used:timber");
        choose(0);
        auto* remove = box()->findChild<QToolButton*>();
        QVERIFY(remove);
        remove->click();
        d_->settle();
        type("has:used");
        QCOMPARE(titles().size(), 0);
    }

private:
    JudgingBox* box() { return page()->findChild<FileDetails*>()->judging(); }
    void choose(int row) {
        // Whatever keys were held when a test before pressed one.
        page()->table()->selectionModel()->setCurrentIndex(page()->table()->model()->index(row, 0),
                                                           QItemSelectionModel::ClearAndSelect |
                                                               QItemSelectionModel::Rows);
        QTRY_COMPARE(box()->file(), static_cast<TrackModel*>(page()->table()->model())->fileAt(row));
        QVERIFY(box()->isVisible() && box()->isEnabled());
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    TestJudging test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_judging.moc"
