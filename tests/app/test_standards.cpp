// SPDX-License-Identifier: GPL-3.0-or-later
// Standards in the window: edited in Settings, shown by the tallies and the counts of the steps.
#include <QtTest>

#include <QCheckBox>
#include <QComboBox>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <QToolButton>

#include "app/bench/bench_page.h"
#include "app/library/library_page.h"
#include "app/library/sleeve_grid.h"
#include "app/settings/rule_row.h"
#include "app/settings/settings_page.h"
#include "app/settings/standard_editor.h"
#include "app/shell/text_utils.h"
#include "app/widgets/sleeve_list.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestStandards : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    Controllers& s() { return d_->controllers(); }
    BenchPage* bench() { return d_->window().bench(); }
    StandardEditor* editor() { return d_->window().settings()->standards(); }
    void song(const char* folder, const char* name, tags::Fields fields) {
        fields["title"] = {name};
        fields["artist"] = {"Isla Varnholt"};
        fields["album"] = {folder};
        test::tag(test::makeSound(*box_ / folder, std::string(name) + ".flac"), fields);
    }
    QPushButton* pressable(QWidget* in, const QString& text) {
        for (QPushButton* b : in->findChildren<QPushButton*>())
            if (b->text().startsWith(text))
                return b;
        return nullptr;
    }
    void trigger(QMenu* menu, const QString& text) {
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->text().startsWith(text))
                return a->trigger();
        QFAIL(qPrintable("no " + text));
    }
    /// Types into the next dialogs, one after the other.
    void answer(const QStringList& texts) {
        if (texts.isEmpty())
            return;
        QTimer::singleShot(0, this, [this, texts] {
            auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            prompts_ << dialog->findChild<QLabel*>()->text();
            auto* line = dialog->findChild<QLineEdit*>();
            line->selectAll();
            QTest::keyClicks(line, texts.front());
            answer(texts.mid(1));
            QTest::keyClick(line, Qt::Key_Return);
        });
    }
    QStringList prompts_;
    QString tip(const QString& sleeve) {
        const auto& sleeves = s().sleeves.all();
        for (size_t i = 0; i < sleeves.size(); ++i)
            if (sleeves[i].title == sleeve)
                return bench()
                    ->sleeves()
                    ->model()
                    ->index(static_cast<int>(i), 0)
                    .data(Qt::ToolTipRole)
                    .toString();
        return {};
    }
    QStringList titles() {
        QStringList out;
        for (const SleeveView& v : s().sleeves.all())
            out << v.title;
        return out;
    }
    QString countOf(int step) {
        return d_->window().findChildren<StepButton*>()[step]->accessibleDescription();
    }

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        prompts_.clear();
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void talliesAndCountsFollowTheStandard() {
        song("Salt Road", "Gorse", {{"track", {"1"}}, {"date", {"2019"}}, {"isrc", {"ZZA011900001"}}});
        song("Salt Road", "Kelp", {{"track", {"2"}}, {"date", {"2019"}}});
        song("Winter Harbour", "Fyrlys", {{"track", {"1"}}, {"date", {"2020"}}, {"isrc", {"ZZA1"}}});
        d_->bringIn({*box_ / "Salt Road", *box_ / "Winter Harbour"});
        QCOMPARE(titles(), QStringList({"Salt Road", "Winter Harbour"}));
        QCOMPARE(countOf(BenchPage::BringIn), QString("sorted"));
        QCOMPARE(countOf(BenchPage::Describe), QString("complete"));
        QVERIFY(tip("Salt Road").contains("Track numbers: met (no gap, none twice)"));

        auto* standard = pressable(bench(), "Everyday");
        QVERIFY(standard);
        trigger(standard->menu(), "Radio");
        QVERIFY(tip("Salt Road").contains("ISRC: well formed: partly (1 of 2 files without ISRC)"));
        QVERIFY(tip("Winter Harbour").contains("\"ZZA1\": an ISRC has 12 letters and digits, this has 4"));
        // Genre and language, label: three files each; ISRC: two.
        QCOMPARE(countOf(BenchPage::Describe), QString("8 gaps"));
        s().drafts.session().propose("Edit", {{d_->fileNamed("Kelp.flac"), "isrc", {"ZZA011900002"}}},
                                     "typed");
        d_->settle();
        QCOMPARE(countOf(BenchPage::Describe), QString("7 gaps"));

        // Least ready first, until another order is asked for.
        trigger(pressable(bench(), "by title")->menu(), "least ready first");
        QCOMPARE(titles(), QStringList({"Winter Harbour", "Salt Road"}));
        s().drafts.session().propose("Edit",
                                     {{d_->fileNamed("Fyrlys.flac"), "isrc", {"ZZA012000001"}},
                                      {d_->fileNamed("Fyrlys.flac"), "label", {"Fellside Reissues"}}},
                                     "typed");
        d_->settle();
        QCOMPARE(titles(), QStringList({"Winter Harbour", "Salt Road"})); // not under the hands
        trigger(pressable(bench(), "least ready first")->menu(), "least ready first");
        QCOMPARE(titles(), QStringList({"Salt Road", "Winter Harbour"}));
    }

    void straysAreLeftToSort() {
        test::tag(test::makeSound(*box_ / "in", "quayside.flac"), {{"artist", {"Wren-Low"}}});
        test::tag(test::makeSound(*box_ / "in", "untitled 12.flac"), {});
        d_->bringIn({*box_ / "in"});
        // One of them tells no artist and is short: what it is waits to be confirmed.
        QCOMPARE(countOf(BenchPage::BringIn), QString("3 left"));
        QCOMPARE(d_->window().findChildren<StepButton*>().front()->toolTip(),
                 QString("2 strays\n1 kind to confirm"));
        QVERIFY(tip("Strays").contains("Track numbers: not asked (strays are not one release)"));
        s().batch.newSleeve(s().sleeves.files(), "Bounces");
        d_->settle();
        QCOMPARE(countOf(BenchPage::BringIn), QString("1 left"));
        s().kinds.confirm({{d_->fileNamed("untitled 12.flac"), matching::ContentKind::Music}});
        d_->settle();
        QCOMPARE(countOf(BenchPage::BringIn), QString("sorted"));
    }

    void draftedPlacesCountAsNames() {
        std::filesystem::create_directories(*box_ / "shelf");
        d_->addShelf(*box_ / "shelf");
        song("Salt Road", "Gorse", {{"track", {"1"}}});
        d_->bringIn({*box_ / "Salt Road"});
        const std::string plan = "{album}/{track: 2 digits} {title}";
        s().standards.setAll({{"Shelf", {{.kind = audit::RuleKind::Names, .plan = plan}}}});
        QVERIFY(tip("Salt Road").contains("Names by the plan: not met"));
        QVERIFY(tip("Salt Road").contains("such as Salt Road/01 Gorse.flac"));
        bench::PlaceWish wish;
        wish.shelf = s().shelves.all().front().id;
        wish.plan = plan;
        s().drafts.session().propose(
            "Place", {{s().sleeves.files().front(), library::placeKey, wish.toValues()}}, "plan");
        d_->settle();
        QVERIFY2(tip("Salt Road").contains("Names by the plan: met"), qPrintable(tip("Salt Road")));
        s().drafts.session().propose("Edit", {{s().sleeves.files().front(), "track", {"4"}}}, "typed");
        d_->settle(); // the place follows
        QVERIFY(tip("Salt Road").contains("Names by the plan: met"));
        s().drafts.session().dropAll("Drop", {s().sleeves.files().front()});
        d_->settle();
        QVERIFY(tip("Salt Road").contains("Names by the plan: not met"));
    }

    void rulesAreEdited() {
        song("Salt Road", "Gorse", {{"track", {"1"}}, {"date", {"2019"}}, {"composer", {"Isla Varnholt"}}});
        d_->bringIn({*box_ / "Salt Road"});
        d_->window().showWorkspace(MainWindow::Settings);
        d_->settle();
        QCOMPARE(editor()->rows().size(), size_t{5});
        QCOMPARE(editor()->rows()[1]->findChild<QLabel*>("quiet")->text(), QString("1 of 1"));

        trigger(pressable(editor(), "Add a rule")->menu(), "Fields");
        QCOMPARE(editor()->rows().size(), size_t{6});
        auto* added = editor()->rows().back();
        QVERIFY(!added->isUsable());
        QCOMPARE(s().standards.byDefault().rules.size(), size_t{5}); // left out until it says something
        auto* line = added->findChild<QLineEdit*>();
        QVERIFY(QApplication::focusWidget() == line);
        QTest::keyClicks(line, "composer, ARTIST sort, Reel");
        QVERIFY(s().standards.byDefault().rules.back().fields ==
                (std::vector<std::string>{"composer", "artist_sort", "reel"}));
        QVERIFY(tip("Salt Road").contains("1 of 1 file without artist sort"));
        QVERIFY(editor()->rows().back() == added); // nothing was built anew under the hands
        for (QCheckBox* c : added->findChildren<QCheckBox*>())
            if (c->text() == "the same in all")
                c->click();
        QVERIFY(s().standards.byDefault().rules.back().same);

        emit added->moved(-1);
        QVERIFY(s().standards.byDefault().rules[4].fields.size() == 3);
        QVERIFY(s().standards.byDefault().rules[5].kind == audit::RuleKind::Picture);
        emit editor()->rows()[0]->removed();
        QCOMPARE(s().standards.byDefault().rules.size(), size_t{5});
        const std::vector<audit::Standard> made = s().standards.all();

        // They are there again at the next start.
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QVERIFY(s().standards.all() == made);
        QCOMPARE(editor()->rows().size(), size_t{5});
    }

    void standardsAreMadeNamedAndRemoved() {
        song("Salt Road", "Gorse", {{"track", {"1"}}});
        d_->bringIn({*box_ / "Salt Road"});
        d_->window().showWorkspace(MainWindow::Settings);
        auto* make = pressable(editor(), "New");
        answer({"Archive", "School"}); // the first is there already
        trigger(make->menu(), "A copy of \"Everyday\"");
        QCOMPARE(prompts_.size(), 2);
        QVERIFY(prompts_.back().startsWith("There is a standard \"Archive\" already."));
        const size_t shipped = audit::shippedStandards().size();
        QCOMPARE(s().standards.all().size(), shipped + 1);
        QCOMPARE(editor()->shown(), std::string("School"));
        QCOMPARE(editor()->rows().size(), size_t{5});

        s().standards.setOfBatch("School");
        answer({"Theatre"});
        pressable(editor(), "Rename")->click();
        QCOMPARE(s().standards.ofBatch().name, std::string("Theatre"));
        auto* usual = editor()->findChild<QCheckBox*>();
        QVERIFY(!usual->isChecked());
        usual->click();
        QCOMPARE(s().standards.byDefault().name, std::string("Theatre"));
        usual->click(); // one always is
        QVERIFY(usual->isChecked());

        s().batch.create("Another");
        d_->settle();
        s().standards.setOfBatch("Radio");
        s().batch.choose(s().batch.all().front().id == s().batch.id() ? s().batch.all().back().id
                                                                      : s().batch.all().front().id);
        d_->settle();
        QCOMPARE(s().standards.ofBatch().name, std::string("Theatre"));

        QTimer::singleShot(0, this, [] {
            auto* ask = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            QVERIFY(ask);
            ask->button(QMessageBox::Ok)->click();
        });
        editor()->show("Theatre");
        pressable(editor(), "Remove")->click();
        QCOMPARE(s().standards.all().size(), shipped);
        QCOMPARE(s().standards.ofBatch().name, std::string("Everyday"));
    }

    void editingFromTheBench() {
        song("Salt Road", "Gorse", {{"track", {"1"}}});
        d_->bringIn({*box_ / "Salt Road"});
        s().standards.setOfBatch("Own productions");
        trigger(pressable(bench(), "Own productions")->menu(), "Edit the standards");
        d_->settle();
        QVERIFY(editor()->isVisible());
        QCOMPARE(editor()->shown(), std::string("Own productions"));
        QVERIFY(!editor()->visibleRegion().isEmpty());
    }

    void standardsThatCannotBeRead() {
        s().settings.set(library::settings::standards,
                         "{\"standards\":[{\"name\":\"A\",\"rules\":[{\"rule\":\"smell\"}]}]}");
        d_->settle();
        QSignalSpy said(&s().messages, &Messages::said);
        s().settings.load();
        d_->settle();
        QVERIFY(said.count() >= 1);
        QVERIFY(said.front().front().toString().contains("\"smell\" is no rule"));
        QVERIFY(s().standards.all() == audit::shippedStandards());
    }

    void theLibraryIsHeldToTheUsualOne() {
        d_.reset();
        makeSmallLibrary(box_->root());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->window().showWorkspace(MainWindow::Library);
        auto* sleeves = pressable(d_->window().library(), "Sleeves");
        QVERIFY(sleeves);
        sleeves->click();
        d_->settle();
        auto* grid = d_->window().findChild<SleeveGrid*>();
        auto all = [&] {
            grid->grab(); // the tally is asked for when it is painted
            d_->settle();
            QStringList tips;
            for (int i = 0; i < grid->model()->rowCount(); ++i)
                tips << grid->model()->index(i, 0).data(Qt::ToolTipRole).toString();
            d_->settle();
            tips.clear();
            for (int i = 0; i < grid->model()->rowCount(); ++i)
                tips << grid->model()->index(i, 0).data(Qt::ToolTipRole).toString();
            return tips.join("\n");
        };
        QVERIFY2(all().contains("Title, Artist: met (in all files)"), qPrintable(all()));
        QVERIFY(!all().contains("ISRC"));
        s().standards.setDefault("Radio");
        QVERIFY2(all().contains("ISRC: well formed: not met"), qPrintable(all()));
        // What is asked of songs follows what becomes of their people.
        s().standards.setAll({{"Songs", {{.kind = audit::RuleKind::Works, .fields = {"numbers"}}}}});
        QVERIFY2(all().contains("Every writer has a number: not met"), qPrintable(all()));
        QVERIFY(!all().contains("Every writer has a number: met"));
        const std::vector<library::FileRecord> files = d_->libraryFiles();
        s().people.make(library::CardKind::Party, {{"name", {"Isla Varnholt"}}, {"ipi", {"99900003051"}}});
        d_->settle();
        std::vector<FileId> ids;
        for (const library::FileRecord& f : files)
            ids.push_back(f.id);
        s().people.want();
        s().people.makeWorksOf(ids);
        d_->settle();
        const auto people = s().people.list();
        std::vector<library::CardId> works;
        for (const library::WorkEntry& w : people->works())
            works.push_back(w.id);
        s().people.setShares(works, library::Side::Writers,
                             {{people->named("Isla Varnholt"), {}, {}, library::Fraction(1, 1)}}, "Writers");
        d_->settle();
        QTRY_VERIFY2(all().contains("Every writer has a number: met"), qPrintable(all()));
        // The rule is a row of boxes.
        d_->window().showWorkspace(MainWindow::Settings);
        d_->settle();
        auto* row = editor()->rows().front();
        for (QCheckBox* box : row->findChildren<QCheckBox*>())
            if (box->text() == "Shares add up")
                box->click();
        QVERIFY(s().standards.byDefault().rules.front().fields ==
                (std::vector<std::string>{"shares", "numbers"}));
        for (QCheckBox* box : row->findChildren<QCheckBox*>())
            if (box->isChecked())
                box->click();
        QVERIFY(!row->isUsable());
    }
};

QTEST_MAIN(TestStandards)
#include "test_standards.moc"
