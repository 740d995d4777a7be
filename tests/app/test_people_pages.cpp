// SPDX-License-Identifier: GPL-3.0-or-later
// People and works in the real window: shares typed as people type them, sums, what is missing, songs of the
// shelves in one step, parties that are one.
#include <QtTest>

#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPlainTextEdit>
#include <QPointer>
#include <QPushButton>
#include <QTreeWidget>

#include "app/people/copy_shares_dialog.h"
#include "app/people/keywords_dialog.h"
#include "app/people/lyrics_view.h"
#include "app/people/part_buttons.h"
#include "app/people/party_side.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/share_terms.h"
#include "app/people/work_side.h"
#include "app/people/works_page.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;
using library::Side;

class TestPeoplePages : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const auto& [title, composer] :
             {std::pair("Lanterns", "Mara Kestrel"), {"Gorse", "Mara Kestrell"}, {"Tide Table", ""}}) {
            const Path file = test::makeSound(*box_ / "shelf", std::string(title) + ".flac", ++seed);
            tags::Fields fields = {
                {"title", {title}}, {"artist", {"Kestrel & Rook"}}, {"album", {"Lanterns"}}};
            if (*composer)
                fields["composer"] = {composer};
            test::tag(file, fields);
        }
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        window().showWorkspace(MainWindow::Releases);
        rest();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void songsOfTheShelvesInOneStep() {
        QTest::mouseClick(buttonOf(PartButtons::Works), Qt::LeftButton);
        rest();
        QCOMPARE(works()->lines()->lines().size(), size_t{0});
        works()->makeAll();
        rest();
        QCOMPARE(works()->lines()->lines().size(), size_t{3});
        QVERIFY(window().message().contains("3 new works"));
        show("Lanterns");
        QCOMPARE(works()->table(Side::Writers)->textOf(0, ShareTable::Name), QString("Mara Kestrel"));
        QCOMPARE(works()->table(Side::Writers)->textOf(0, ShareTable::Role), QString("composer"));
        QVERIFY(works()->side()->text().contains("Lanterns"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(works()->lines()->lines().size(), size_t{0});
    }

    void sharesAsPeopleTypeThem() {
        makeWork("Undertow");
        ShareTable* writers = works()->table(Side::Writers);
        QCOMPARE(writers->sumText(), QString("Nobody is named yet."));
        for (const char* name : {"Mara Kestrel", "Tom Rook", "Isla Varnholt"})
            add(writers, name);
        // Nobody after all: no row is left.
        for (const bool escape : {true, false}) {
            writers->addShare();
            QTest::keyClick(writers->findChild<QLineEdit*>(), escape ? Qt::Key_Escape : Qt::Key_Return);
            rest();
            QCOMPARE(writers->model()->rowCount(), 4); // with the sum
        }
        // Who was not known is entered.
        QCOMPARE(people()->lines()->lines().size() + driver_->controllers().people.list()->parties().size(),
                 size_t{3});
        type(writers, 0, ShareTable::Role, "author, composer");
        type(writers, 0, ShareTable::Part, "1/2");
        type(writers, 1, ShareTable::Part, "33 1/3 %");
        QCOMPARE(writers->textOf(1, ShareTable::Part), QString("1/3"));
        // What was cut off is asked.
        test::answer<QMessageBox>(this, [](QMessageBox* box) {
            QVERIFY2(box->text().contains("1/6"), qPrintable(box->text()));
            box->defaultButton()->click();
        });
        type(writers, 2, ShareTable::Part, "16,67");
        QCOMPARE(writers->textOf(2, ShareTable::Part), QString("1/6"));
        QCOMPARE(writers->sumText(), QString("Adds up exactly."));
        test::answer<QMessageBox>(this, [](QMessageBox* box) { box->reject(); });
        type(writers, 2, ShareTable::Part, "33.33");
        QCOMPARE(writers->textOf(2, ShareTable::Part), QString("1/6")); // it was not to be
        for (const auto& [typed, says] : {std::pair("0", "nothing"),
                                          {"101 %", "more than all"},
                                          {"1/0", "divided"},
                                          {"-5", "below"},
                                          {"much", "no share"}}) {
            type(writers, 2, ShareTable::Part, typed);
            QVERIFY2(window().message().contains(says), qPrintable(window().message()));
            QCOMPARE(writers->textOf(2, ShareTable::Part), QString("1/6"));
        }
        type(writers, 2, ShareTable::Part, "25");
        QVERIFY2(writers->sumText().contains("8 1/3 % too much"), qPrintable(writers->sumText()));
        type(writers, 2, ShareTable::Part, "1/3 each");
        QCOMPARE(writers->sumText(), QString("Adds up exactly."));
        driver_->controllers().undo.undo();
        rest();
        QVERIFY(writers->sumText().contains("too much"));
        // A number, right here; a wrong one is kept and shown as wrong.
        QVERIFY(works()->side()->text().contains("Mara Kestrel has no IPI number"));
        type(writers, 0, ShareTable::Number, "12345678901");
        QVERIFY(!works()->side()->text().contains("Mara Kestrel has no IPI number"));
        // Publishers, and whom they administer.
        ShareTable* publishers = works()->table(Side::Publishers);
        add(publishers, "Fellside Songs");
        type(publishers, 0, ShareTable::Administered, "kestrel, Varnholt");
        QCOMPARE(publishers->textOf(0, ShareTable::Administered), QString("for Mara Kestrel, Isla Varnholt"));
        QCOMPARE(writers->textOf(0, ShareTable::Administered), QString("Fellside Songs"));
        type(publishers, 0, ShareTable::Administered, "somebody else");
        QVERIFY(window().message().contains("somebody else"));
        type(publishers, 0, ShareTable::Part, "100");
        QCOMPARE(publishers->sumText(), QString("Adds up exactly."));
        // Taken out.
        writers->selectRow(2);
        writers->removeChosen();
        rest();
        QCOMPARE(writers->shares().size(), size_t{2});
        writers->clearSelection();
        writers->shareEqually();
        rest();
        QCOMPARE(writers->textOf(1, ShareTable::Part), QString("1/2"));
    }

    /// Faster than the library answers, and while another song comes into sight.
    void typedFast() {
        makeWork("Undertow");
        ShareTable* writers = works()->table(Side::Writers);
        add(writers, "Mara Kestrel");
        add(writers, "Tom Rook");
        QAbstractItemModel* m = writers->model();
        m->setData(m->index(0, ShareTable::Part), "2/3");
        m->setData(m->index(1, ShareTable::Part), "1/3");
        m->setData(m->index(1, ShareTable::Role), "composer");
        rest();
        QCOMPARE(writers->textOf(0, ShareTable::Part), QString("2/3"));
        QCOMPARE(writers->textOf(1, ShareTable::Part), QString("1/3"));
        QCOMPARE(writers->textOf(1, ShareTable::Role), QString("composer"));
        const library::CardId undertow = works()->shown().id;
        makeWork("Quay Lights");
        const library::CardId quay = works()->shown().id;
        works()->showCard(undertow);
        rest();
        // It is read later.
        works()->showCard(quay);
        QVERIFY(writers->editCell(0, ShareTable::Role));
        QPointer<QLineEdit> open = writers->findChild<QLineEdit*>();
        driver_->settle();
        QVERIFY(open && open->isVisible());
        QCOMPARE(works()->titleText(), QString("Undertow"));
        open->setText("author");
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(works()->titleText(), QString("Quay Lights"));
        QCOMPARE(writers->shares().size(), size_t{0});
        works()->showCard(undertow);
        rest();
        QCOMPARE(writers->textOf(0, ShareTable::Role), QString("author"));
        // And while a question about what was typed is open.
        works()->showCard(quay);
        QVERIFY(writers->editCell(1, ShareTable::Part));
        open = writers->findChild<QLineEdit*>();
        open->setText("33.33");
        test::answer<QMessageBox>(this, [this](QMessageBox* box) {
            driver_->settle();
            box->defaultButton()->click();
        });
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(works()->titleText(), QString("Quay Lights"));
        QCOMPARE(writers->shares().size(), size_t{0});
        works()->showCard(undertow);
        rest();
        QCOMPARE(writers->textOf(1, ShareTable::Part), QString("1/3"));
    }

    void theMasterIsOfTheRecording() {
        works();
        window().releaseParts()->showPart(PartButtons::Works);
        works()->makeAll();
        rest();
        show("Lanterns");
        ShareTable* owners = works()->table(Side::Owners);
        add(owners, "Fellside Reissues");
        type(owners, 0, ShareTable::Part, "60 %");
        add(owners, "Kestrel & Rook");
        type(owners, 1, ShareTable::Part, "30 %");
        QCOMPARE(owners->sumText(), QString("10 % is open: no one is named for it."));
        QVERIFY(works()->side()->text().contains("10 % is open"));
        makeWork("Undertow");
        QVERIFY(!works()->table(Side::Owners)->isVisible()); // no recording, no master
    }

    void sharesOfAnotherSong() {
        makeWork("Undertow");
        ShareTable* writers = works()->table(Side::Writers);
        add(writers, "Mara Kestrel");
        type(writers, 0, ShareTable::Part, "100");
        makeWork("Quay Lights");
        test::answer<CopySharesDialog>(this, [](CopySharesDialog* d) {
            QTRY_VERIFY(d->takeButton()->isEnabled());
            QVERIFY(d->previewText().contains("Mara Kestrel 100 %"));
            d->takeButton()->click();
        });
        works()->copyShares();
        rest();
        QCOMPARE(works()->titleText(), QString("Quay Lights"));
        QCOMPARE(writers->textOf(0, ShareTable::Name), QString("Mara Kestrel"));
        QCOMPARE(driver_->controllers().people.list()->parties().size(), size_t{1});
    }

    /// Kept by name, given to others; for a country and from a day on.
    void sharesByNameAndTerms() {
        makeWork("Undertow");
        ShareTable* writers = works()->table(Side::Writers);
        add(writers, "Mara Kestrel");
        add(writers, "Tom Rook");
        writers->clearSelection();
        writers->shareEqually();
        rest();
        test::answer<QInputDialog>(this, [](QInputDialog* d) {
            QCOMPARE(d->textValue(), QString("Mara Kestrel and Tom Rook"));
            d->setTextValue("We two");
            d->accept();
        });
        works()->keepTemplate();
        const auto kept =
            library::templatesFrom(driver_->controllers().settings.get(library::settings::shareTemplates));
        QCOMPARE(kept.size(), size_t{1});
        makeWork("Quay Lights");
        works()->takeTemplate(kept.front());
        rest();
        QCOMPARE(writers->shares().size(), size_t{2});
        QCOMPARE(writers->sumText(), QString("Adds up exactly."));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(writers->shares().size(), size_t{0});
        works()->takeTemplate(kept.front());
        rest();
        // From a day on, beside what was before.
        auto terms = [&](const char* territory, const char* from, const char* button) {
            test::answer<ShareTerms>(this, [=](ShareTerms* d) {
                d->territory()->setText(territory);
                d->from()->setText(from);
                for (QPushButton* b : d->findChildren<QPushButton*>())
                    if (b->text() == button)
                        b->click();
            });
        };
        terms("", "2020-01", "Keep beside the one before");
        writers->askTerms(0);
        rest();
        QCOMPARE(writers->shares().size(), size_t{3});
        QCOMPARE(writers->shares()[1].from, std::string("2020-01"));
        QVERIFY(writers->textOf(1, ShareTable::Role).contains("since 2020-01"));
        type(writers, 1, ShareTable::Part, "1/4");
        QVERIFY2(writers->sumText().contains("25 % is open"), qPrintable(writers->sumText()));
        terms("no", "", "Keep");
        writers->askTerms(1);
        rest();
        QCOMPARE(writers->shares()[1].territory, std::string("NO"));
        // What is none is not taken: the dialog stays open.
        terms("Norway", "", "Keep");
        writers->askTerms(1);
        rest();
        QCOMPARE(writers->shares()[1].territory, std::string("NO"));
    }

    void wordsOfASong() {
        makeWork("Undertow");
        test::answer<LyricsDialog>(this, [](LyricsDialog* d) {
            d->text()->setPlainText("\nAm    G\nDown we go\n\nand up\n\n");
            d->accept();
        });
        works()->showLyrics();
        rest();
        QCOMPARE(library::firstFact(works()->shown().facts, "lyrics"),
                 std::string("Am    G\nDown we go\n\nand up"));
        // Keywords, from the list that the library has.
        test::answer<KeywordsDialog>(this, [](KeywordsDialog* d) {
            for (const char* word : {"night", "slow build"}) {
                d->line()->setText(word);
                QTest::keyClick(d->line(), Qt::Key_Return);
            }
            QVERIFY(d->isVisible());
            d->accept();
        });
        works()->chooseKeywords();
        rest();
        QCOMPARE(library::factValues(works()->shown().facts, "keywords"),
                 (std::vector<std::string>{"night", "slow build"}));
        makeWork("Quay Lights");
        test::answer<KeywordsDialog>(this, [](KeywordsDialog* d) {
            QCOMPARE(d->list()->count(), 2);
            d->line()->setText("NIG"); // the only one in sight
            QTest::keyClick(d->line(), Qt::Key_Return);
            d->accept();
        });
        works()->chooseKeywords();
        rest();
        QCOMPARE(library::factValues(works()->shown().facts, "keywords"), std::vector<std::string>{"night"});
        QCOMPARE(driver_->controllers().people.list()->keywords().at("night"), size_t{2});
    }

    void aPersonIsEnteredOnce() {
        makeWork("Undertow");
        add(works()->table(Side::Writers), "Mara Kestrel");
        add(works()->table(Side::Writers), "Kestrel, Mara");
        window().releaseParts()->showPart(PartButtons::People);
        rest();
        QCOMPARE(people()->lines()->lines().size(), size_t{2});
        QTRY_COMPARE(driver_->controllers().people.proposals().size(), size_t{1});
        const auto id = driver_->controllers().people.list()->named("Mara Kestrel");
        people()->showCard(id);
        rest();
        QCOMPARE(people()->songs()->topLevelItemCount(), 1);
        QTRY_VERIFY2(people()->side()->text().contains("Kestrel, Mara"),
                     qPrintable(people()->side()->text()));
        // A name in tags that is nearly theirs.
        QVERIFY2(people()->side()->text().contains("Mara Kestrell"), qPrintable(people()->side()->text()));
        QVERIFY(people()->facts()->editFact("ipi"));
        auto* editor = people()->facts()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText("12345678901");
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
        QCOMPARE(people()->facts()->textOf("ipi"), QString("12345678901"));
        for (auto* b : people()->side()->findChildren<QPushButton*>())
            if (b->text() == "They are one") {
                b->click();
                break;
            }
        rest();
        QCOMPARE(people()->lines()->lines().size(), size_t{1});
        QCOMPARE(people()->songs()->topLevelItemCount(), 2); // two shares of one song
        people()->searchBox()->setText("kestrel, mara");     // found by all spellings
        rest();
        QCOMPARE(people()->lines()->lines().size(), size_t{1});
        driver_->controllers().undo.undo();
        people()->searchBox()->clear();
        rest();
        QCOMPARE(people()->lines()->lines().size(), size_t{2});
        // Who has shares is not removed.
        driver_->controllers().people.remove(id, "Mara Kestrel");
        rest();
        QVERIFY(window().message().contains("still named"));
    }

private:
    MainWindow& window() { return driver_->window(); }
    WorksPage* works() { return window().releaseParts()->works(); }
    PeoplePage* people() { return window().releaseParts()->people(); }
    QPushButton* buttonOf(PartButtons::Part part) {
        return window().releaseParts()->editions()->findChild<PartButtons*>()->button(part);
    }
    void rest() {
        driver_->settle();
        if (window().releaseParts()->part() != PartButtons::Editions)
            QTRY_VERIFY_WITH_TIMEOUT(driver_->controllers().people.isTrue(), 20000);
        driver_->settle();
    }
    void makeWork(const char* title) {
        window().releaseParts()->showPart(PartButtons::Works);
        rest();
        library::CardId id = 0;
        driver_->controllers().people.make(library::CardKind::Work, {{"title", {title}}},
                                           [&](library::CardId made) { id = made; });
        rest();
        works()->showCard(id);
        rest();
        QCOMPARE(works()->titleText(), QString(title));
    }
    void show(const char* title) {
        for (const auto& line : works()->lines()->lines())
            if (line.title == title) {
                works()->showCard(line.id);
                rest();
                return;
            }
        QFAIL("no such work");
    }
    void add(ShareTable* table, const char* name) {
        table->addShare();
        auto* editor = table->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText(name);
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
    }
    void type(ShareTable* table, int row, ShareTable::Column column, const char* text) {
        QVERIFY(table->editCell(row, column));
        auto* editor = table->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText(text);
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestPeoplePages)
#include "test_people_pages.moc"
