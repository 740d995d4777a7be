// SPDX-License-Identifier: GPL-3.0-or-later
// Audit of sound in the real window: measured in the background, told with its place, looked into with the
// wheel, played from there; loudness as drafts; fixity night by night.
#include <QtTest>

#include <fstream>

#include <QSettings>
#include <QWheelEvent>

#include "app/audit/audit_page.h"
#include "core/library/fixity.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/sound_sets.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestAuditSound : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        for (uint32_t n = 1; n <= 2; ++n) {
            test::Stereo sound = test::madeSound(test::Making::Acoustic, 8000 + n, 44100, 8);
            if (n == 2)
                for (std::vector<float>* channel : {&sound.left, &sound.right})
                    std::fill_n(channel->begin() + 5 * 44100, 4410, 0.0f);
            const std::string number = std::to_string(n);
            const Path file = *box_ / "shelf" / (number + " Track.wav");
            std::filesystem::create_directories(file.parent_path());
            QVERIFY(test::writeWav(file, sound, 16, 2, false));
            test::tag(file, {{"title", {"Track " + number}},
                             {"artist", {"Kestrel & Rook"}},
                             {"album", {"Lanterns"}},
                             {"album_artist", {"Kestrel & Rook"}},
                             {"track", {number}},
                             {"date", {"2021"}}});
        }
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->measureSoon(true);
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        driver_->window().showWorkspace(MainWindow::Audit);
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void aGapIsFoundAndLookedInto() {
        choose("dropouts");
        QCOMPARE(page()->model()->rowCount(), 1);
        page()->list()->setCurrentIndex(page()->model()->index(0));
        QVERIFY2(page()->box()->text().contains("The sound stops for 100 ms at 0:05."),
                 qPrintable(page()->box()->text()));
        QVERIFY(page()->box()->text().contains("Usually"));
        SoundPanel* panel = page()->box()->sound();
        QTRY_VERIFY(panel->isVisible());
        SoundPicture& picture = panel->picture();
        QTRY_VERIFY_WITH_TIMEOUT(picture.drawn().columns() > 50 && !picture.isDrawing(), 20000);
        // The place is in sight, with what is around it.
        QVERIFY(picture.window().from > 3.5 && picture.window().from < 5);
        QVERIFY(picture.window().to > 5.1 && picture.window().to < 6.5);
        SoundView* view = panel->view();
        const QRect at = view->spectrum();
        QVERIFY(view->reading(at.center()).contains("dB"));
        // The wheel zooms where the mouse is; Home shows all.
        const auto before = picture.window();
        wheel(view, at.center(), 120, Qt::NoModifier);
        QCoreApplication::processEvents();
        QVERIFY2(!picture.isDrawing(), "Turns that follow each other are drawn once.");
        QVERIFY(picture.window().to - picture.window().from < before.to - before.from);
        wheel(view, at.center(), 120, Qt::ControlModifier);
        QVERIFY(picture.window().highest - picture.window().lowest < before.highest - before.lowest);
        for (int i = 0; i < 80; ++i)
            wheel(view, at.center(), 120, Qt::NoModifier);
        QVERIFY(picture.window().to - picture.window().from >= SoundPicture::leastSeconds * 0.99);
        view->setFocus();
        QTest::keyClick(view, Qt::Key_Home);
        QCOMPARE(picture.window().from, 0.0);
        QVERIFY(std::abs(picture.window().to - 8) < 0.1);
        QTRY_VERIFY_WITH_TIMEOUT(!picture.isDrawing() && picture.drawn().frame.to > 7.9, 20000);
        // A drag moves what is zoomed; a click puts the mark; Enter plays from there.
        QTest::keyClick(view, Qt::Key_Plus);
        const double from = picture.window().from;
        QTest::mousePress(view, Qt::LeftButton, {}, at.center());
        QTest::mouseMove(view, at.center() - QPoint(60, 0));
        QTest::mouseRelease(view, Qt::LeftButton, {}, at.center() - QPoint(60, 0));
        QVERIFY(picture.window().from > from);
        QTest::mouseClick(view, Qt::LeftButton, {}, at.center());
        const double middle = (picture.window().from + picture.window().to) / 2;
        QVERIFY(std::abs(view->mark() - middle) < 0.1);
        QSignalSpy plays(page(), &AuditPage::playWanted);
        QTest::keyClick(view, Qt::Key_Return);
        QCOMPARE(plays.size(), 1);
        QVERIFY(std::abs(plays[0][1].toDouble() - view->mark()) < 1e-6);
        QTest::mouseClick(panel->placeButton(), Qt::LeftButton);
        QVERIFY(picture.window().from > 3.5);
        // What is in sight can be handed on.
        QTRY_VERIFY_WITH_TIMEOUT(!picture.isDrawing(), 20000);
        const Path png = *box_ / "gap.png";
        panel->save(png);
        QTRY_VERIFY_WITH_TIMEOUT(std::filesystem::exists(png), 10000);
        driver_->settle();
        QVERIFY(test::readBytes(png).starts_with("\x89PNG"));
    }

    void anotherFindingIsDrawnInItsPlace() {
        choose("dropouts");
        page()->list()->setCurrentIndex(page()->model()->index(0));
        SoundPanel* panel = page()->box()->sound();
        QTRY_VERIFY(panel->picture().file());
        page()->rules()->choose("loudness");
        QTRY_VERIFY(page()->model()->rowCount() > 0);
        page()->list()->setCurrentIndex(page()->model()->index(0));
        QVERIFY2(panel->isHidden(), "It is of a release, at no place.");
        QVERIFY(!panel->picture().file());
    }

    void loudnessBecomesDrafts() {
        choose("loudness");
        QCOMPARE(page()->model()->rowCount(), 1);
        page()->list()->setCurrentIndex(page()->model()->index(0));
        QVERIFY(page()->box()->text().contains("No file says how loud it is."));
        page()->takeFixes();
        driver_->settle();
        const auto& session = driver_->controllers().drafts.session();
        const library::FileId file =
            page()->model()->findingAt(0) < driver_->controllers().audit.size()
                ? driver_->controllers().audit.firstFile(page()->model()->findingAt(0))
                : 0;
        QVERIFY(QString::fromStdString(session.of(file).at("replaygain_track_gain").values.front())
                    .endsWith(" dB"));
        QVERIFY(session.of(file).contains("replaygain_album_peak"));
    }

    void fixityNightByNight() {
        page()->showPart(AuditPage::FixityPart);
        FixityView* view = page()->fixity();
        QTRY_VERIFY(view->standing().contains("0 of 2 files"));
        QTest::mouseClick(view->verifyButton(), Qt::LeftButton);
        FixityController& fixity = driver_->controllers().fixity;
        QTRY_VERIFY_WITH_TIMEOUT(!fixity.isVerifying() && fixity.rounds().size() == 1, 20000);
        QTRY_VERIFY(view->standing().contains("2 of 2 files"));
        QTRY_COMPARE(view->model()->rowCount(), 2);
        QVERIFY2(view->day().contains("2 files"), qPrintable(view->day()));
        QVERIFY(view->calendar()->cell(QDate::currentDate()).isValid());
        // The sound of one changes behind our back: found by the next round, told as a finding.
        const Path file = *box_ / "shelf" / "1 Track.wav";
        {
            std::fstream sound(file, std::ios::in | std::ios::out | std::ios::binary);
            sound.seekp(200000);
            sound.write("another sound", 13);
        }
        QTest::qWait(1100); // rounds are told apart by their second
        fixity.verifyNow();
        QTRY_VERIFY_WITH_TIMEOUT(!fixity.isVerifying() && fixity.rounds().size() == 2, 20000);
        QTRY_VERIFY(view->standing().contains("not as they were kept"));
        page()->showPart(AuditPage::FindingsPart);
        choose("fixity");
        QCOMPARE(page()->model()->rowCount(), 1);
        // It was meant: it is kept as it is now.
        fixity.takeAsTheyAre({file});
        QTRY_VERIFY_WITH_TIMEOUT(fixity.standing() && fixity.standing()->trouble == 0, 10000);
        QTRY_COMPARE_WITH_TIMEOUT(page()->model()->rowCount(), 0, 20000);
        // By day, with the keyboard.
        page()->showPart(AuditPage::FixityPart);
        view->calendar()->setFocus();
        QTest::keyClick(view->calendar(), Qt::Key_Up);
        QCOMPARE(view->calendar()->day(), QDate::currentDate().addDays(-1));
        QTRY_COMPARE(view->model()->rowCount(), 0);
        QVERIFY(view->day().contains("nothing was compared"));
    }

    void thePlanIsKept() {
        page()->showPart(AuditPage::FixityPart);
        FixityView* view = page()->fixity();
        FixityController& fixity = driver_->controllers().fixity;
        QVERIFY(!fixity.plan().on);
        fixity.lookAt(QDateTime(QDate::currentDate(), QTime(2, 0)));
        QVERIFY2(!fixity.isVerifying(), "Nothing is done by itself that was not asked for.");
        view->every()->click();
        view->amount()->setValue(7.5);
        QCOMPARE(fixity.plan().gigabytes, 7.5);
        QVERIFY(fixity.plan().on);
        fixity.lookAt(QDateTime(QDate::currentDate(), QTime(14, 0)));
        QVERIFY(!fixity.isVerifying());
        fixity.lookAt(QDateTime(QDate::currentDate(), QTime(2, 0)));
        QVERIFY(fixity.isVerifying());
        QTRY_VERIFY_WITH_TIMEOUT(!fixity.isVerifying(), 20000);
        driver_->settle();
        driver_.reset();
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->measureSoon(true);
        driver_->settle();
        QTRY_VERIFY(driver_->controllers().fixity.plan().on);
        QCOMPARE(driver_->controllers().fixity.plan().gigabytes, 7.5);
        QTRY_COMPARE(driver_->controllers().fixity.rounds().size(), size_t(1));
    }

private:
    AuditPage* page() { return driver_->window().audit(); }
    /// Waits until the sound was measured and looked at.
    void choose(const char* rule) {
        page()->rules()->choose(rule);
        QTRY_VERIFY_WITH_TIMEOUT(page()->model()->rowCount() > 0, 60000);
        driver_->settle();
    }
    static void wheel(QWidget* widget, QPoint at, int by, Qt::KeyboardModifiers modifiers) {
        QWheelEvent event(at, widget->mapToGlobal(at), {}, {0, by}, Qt::NoButton, modifiers,
                          Qt::NoScrollPhase, false);
        QApplication::sendEvent(widget, &event);
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestAuditSound)
#include "test_audit_sound.moc"
