// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements in the real window: made of a song and of dropped documents, found from song, person and
// release; told before they end; a document that was altered or has gone is shown as such.
#include <QtTest>

#include <QDropEvent>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QPushButton>

#include "app/people/agreements_page.h"
#include "app/people/part_buttons.h"
#include "app/people/party_side.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/work_side.h"
#include "app/people/works_page.h"
#include "app/releases/release_side.h"
#include "app/releases/releases_page.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;
using library::CardKind;

class TestAgreementsPage : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        const Path file = test::makeSound(*box_ / "shelf", "Lanterns.flac", 1);
        test::tag(file, {{"title", {"Lanterns"}},
                         {"artist", {"Kestrel & Rook"}},
                         {"album", {"Lanterns"}},
                         {"composer", {"Mara Kestrel"}}});
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        window().showWorkspace(MainWindow::Releases);
        parts()->showPart(PartButtons::Works);
        rest();
        driver_->controllers().people.make(CardKind::Party, {{"name", {"Mara Kestrel"}}});
        rest();
        parts()->works()->makeAll();
        rest();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void ofASong() {
        for (QPushButton* b : parts()->works()->findChildren<QPushButton*>())
            if (b->text() == "New agreement")
                QTest::mouseClick(b, Qt::LeftButton);
        rest();
        QCOMPARE(parts()->part(), PartButtons::Agreements);
        QVERIFY(page()->titleText().contains("Lanterns"));
        QCOMPARE(page()->facts()->textOf("parties"), QString("Mara Kestrel"));
        QCOMPARE(page()->covered()->topLevelItemCount(), 1);
        QCOMPARE(page()->covered()->topLevelItem(0)->text(0), QString("Lanterns"));
        QVERIFY2(page()->side()->text().contains("No document"), qPrintable(page()->side()->text()));
        // It ends soon: told in the list, here, beside the song, the person and the release.
        const std::string soon = QDate::currentDate().addDays(12).toString(Qt::ISODate).toStdString();
        type("ends", QString::fromStdString(soon));
        QCOMPARE(page()->lines()->lines().front().mark, QString("ends in 12 days"));
        QVERIFY(page()->told().contains("1 ends soon") || page()->told().contains("1 end"));
        QVERIFY(page()->side()->text().contains("ends in 12 days"));
        window().releaseParts()->showPart(PartButtons::Works);
        rest();
        QVERIFY2(parts()->works()->side()->text().contains("ends in 12 days"),
                 qPrintable(parts()->works()->side()->text()));
        parts()->showPart(PartButtons::People);
        rest();
        QVERIFY(parts()->people()->side()->text().contains("Agreement about"));
        parts()->showPart(PartButtons::Editions);
        QTRY_VERIFY(driver_->controllers().releases.isTrue());
        driver_->settle();
        QTRY_VERIFY2(parts()->editions()->side()->agreementsText().contains("ends in 12 days"),
                     qPrintable(parts()->editions()->side()->agreementsText()));
        // Back by a link.
        for (QLabel* l : parts()->works()->side()->findChildren<QLabel*>())
            if (l->text().contains("Agreement about"))
                emit l->linkActivated("there");
        rest();
        QCOMPARE(parts()->part(), PartButtons::Agreements);
        // What makes no sense is not kept.
        type("ends", "next spring");
        QVERIFY(window().message().contains("no date"));
        QCOMPARE(page()->facts()->textOf("ends"), QString::fromStdString(soon));
        type("parties", "Somebody Unknown");
        QVERIFY(window().message().contains("Somebody Unknown"));
        // It is gone, and comes back.
        QTest::keyClick(page()->lines(), Qt::Key_Delete);
        rest();
        QCOMPARE(page()->lines()->lines().size(), size_t{0});
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->lines()->lines().size(), size_t{1});
    }

    void documents() {
        parts()->showPart(PartButtons::Agreements);
        rest();
        test::writeBytes(*box_ / "Split sheet.pdf", "%PDF-1.4 half and half");
        test::writeBytes(*box_ / "Letter.txt", "Dear Mara");
        test::writeBytes(*box_ / "empty.pdf", "");
        // Dropped where there is none yet: a new one of its name.
        drop({*box_ / "Split sheet.pdf"});
        QCOMPARE(page()->titleText(), QString("Split sheet"));
        QCOMPARE(page()->documents()->count(), 1);
        drop({*box_ / "Letter.txt", *box_ / "empty.pdf"});
        QCOMPARE(page()->documents()->count(), 2);
        QVERIFY(window().message().contains("empty"));
        drop({*box_ / "Letter.txt"});
        QCOMPARE(page()->documents()->count(), 2);
        QVERIFY(window().message().contains("already"));
        QTRY_VERIFY(says(0).contains("as it was kept"));
        // Somebody alters one and takes one away.
        const library::DocumentStore store(library::DocumentStore::folderOf(*box_ / "library.db"));
        const auto& facts = page()->shown().facts;
        const auto kept = library::documentsFrom(library::factValues(facts, library::documentsFact));
        test::writeBytes(store.fileOf(kept[0]), "%PDF-1.4 all for me");
        std::filesystem::remove(store.fileOf(kept[1]));
        parts()->showPart(PartButtons::Works);
        parts()->showPart(PartButtons::Agreements);
        rest();
        QTRY_VERIFY2(says(0).contains("altered"), qPrintable(says(0)));
        QVERIFY2(says(1).contains("vanished"), qPrintable(says(1)));
        driver_->controllers().agreements.copy(kept[0], *box_ / "out.pdf");
        rest();
        QVERIFY(window().message().contains("altered"));
        QVERIFY(!std::filesystem::exists(*box_ / "out.pdf"));
        // The same file again makes it whole.
        drop({*box_ / "Split sheet.pdf"});
        parts()->showPart(PartButtons::Works);
        parts()->showPart(PartButtons::Agreements);
        rest();
        QTRY_VERIFY2(says(0).contains("as it was kept"), qPrintable(says(0)));
        driver_->controllers().agreements.copy(kept[0], *box_ / "out.pdf");
        rest();
        QCOMPARE(test::readBytes(*box_ / "out.pdf"), std::string("%PDF-1.4 half and half"));
        // Songs are added.
        test::answer<QInputDialog>(this, [](QInputDialog* d) {
            d->setTextValue("Lanterns");
            d->accept();
        });
        page()->addWorks();
        rest();
        QCOMPARE(page()->covered()->topLevelItemCount(), 1);
        page()->addWorks(); // there is no other
        QVERIFY(window().message().contains("no other work"));
    }

private:
    MainWindow& window() { return driver_->window(); }
    ReleaseParts* parts() { return window().releaseParts(); }
    AgreementsPage* page() { return parts()->agreements(); }
    void rest() {
        driver_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(driver_->controllers().people.isTrue(), 20000);
        driver_->settle();
    }
    void type(const std::string& key, const QString& text) {
        QVERIFY(page()->facts()->editFact(key));
        auto* editor = page()->facts()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText(text);
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
    }
    void drop(const std::vector<Path>& files) {
        QMimeData data;
        QList<QUrl> urls;
        for (const Path& file : files)
            urls << QUrl::fromLocalFile(QString::fromStdString(file.native()));
        data.setUrls(urls);
        // As the window system does it: a drop goes to what took the drag.
        QDragEnterEvent enter(QPoint(200, 200), Qt::CopyAction, &data, Qt::LeftButton, {});
        QApplication::sendEvent(page(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent event({200, 200}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(page(), &event);
        rest();
    }
    QString says(int row) { return page()->documents()->item(row)->data(Qt::UserRole + 10).toString(); }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestAgreementsPage)
#include "test_agreements.moc"
