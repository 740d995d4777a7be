// SPDX-License-Identifier: GPL-3.0-or-later
#include <QAccessible>
#include <QtTest>

#include <QHeaderView>
#include <QLabel>
#include <QRadioButton>

#include <QApplication>
#include <QMenu>
#include <QSettings>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/library/library_page.h"
#include "app/settings/settings_page.h"
#include "app/shell/command_finder.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/sheet.h"
#include "app/widgets/sleeve_list.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {
double luminance(const QColor& c) {
    auto channel = [](double v) { return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * channel(c.redF()) + 0.7152 * channel(c.greenF()) + 0.0722 * channel(c.blueF());
}
double contrast(const QColor& a, const QColor& b) {
    double x = luminance(a), y = luminance(b);
    return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}
} // namespace

class TestWidgets : public QObject {
    Q_OBJECT
private slots:
    void textIsReadableInEveryTheme() {
        for (theme::Choice choice :
             {theme::Choice::Light, theme::Choice::Dark, theme::Choice::HighContrast}) {
            const double least = choice == theme::Choice::HighContrast ? 7 : 4.5;
            QCOMPARE(theme::choiceFromKey(theme::keyOf(choice)), choice);
            theme::apply(choice);
            const theme::Colours& c = theme::colours();
            const std::tuple<const char*, QColor, QColor> pairs[] = {{"ink on panel", c.ink, c.panel},
                                                                     {"second on panel", c.second, c.panel},
                                                                     {"second on window", c.second, c.window},
                                                                     {"third on panel", c.third, c.panel},
                                                                     {"heather", c.heather, c.heatherBack},
                                                                     {"fjord", c.fjord, c.fjordBack},
                                                                     {"moss", c.moss, c.mossBack},
                                                                     {"lichen", c.lichen, c.lichenBack},
                                                                     {"rowan", c.rowan, c.rowanBack},
                                                                     {"ink on chosen", c.ink, c.fjordBack},
                                                                     {"ink on draft", c.ink, c.heatherBack},
                                                                     {"accent button", c.accentInk, c.accent},
                                                                     {"lichen on panel", c.lichen, c.panel},
                                                                     {"rowan on panel", c.rowan, c.panel},
                                                                     {"moss on panel", c.moss, c.panel}};
            for (const auto& [name, a, b] : pairs)
                QVERIFY2(contrast(a, b) >= least,
                         qPrintable(QString("%1: %2").arg(name).arg(contrast(a, b))));
        }
        theme::apply(theme::Choice::Light);
    }

    void chipsAndTextEditOnePlan() {
        ChipEditor editor;
        editor.setText("{artist}/{track: 2 digits} {title}");
        editor.resize(600, 60);
        editor.show();
        QVERIFY(editor.plan());
        auto chips = editor.findChildren<QToolButton*>("chip");
        QCOMPARE(chips.size(), 3);
        QCOMPARE(chips[1]->text(), QString("Track \u00B7 2 digits"));
        QTest::keyClick(chips[1], Qt::Key_Delete);
        QCOMPARE(editor.text(), QString("{artist}/ {title}"));
        chips = editor.findChildren<QToolButton*>("chip");
        QTest::keyClick(chips.last(), Qt::Key_Left, Qt::ControlModifier);
        QCOMPARE(editor.text(), QString("{artist}/{title} "));
        // A menu of a chip changes how it is put.
        chips = editor.findChildren<QToolButton*>("chip");
        QMenu* menu = chips.first()->menu();
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->text().startsWith("sort form"))
                a->trigger();
        QCOMPARE(editor.text(), QString("{artist: sort form}/{title} "));
    }

    void chipsAreAddedFromTheMenu() {
        ChipEditor editor;
        editor.setCustomFields({"reel"});
        editor.setText("{title}");
        editor.resize(600, 60);
        editor.show();
        auto last = [&] { return editor.findChildren<QToolButton*>("literal").last(); }; // the plus
        auto add = [&](const QString& text) {
            QMenu* menu = last()->menu();
            emit menu->aboutToShow();
            for (QAction* a : menu->actions())
                if (a->text() == text) {
                    a->trigger();
                    return true;
                }
            return false;
        };
        QVERIFY(add("Dash ( - )"));
        QVERIFY(add("Track"));
        QCOMPARE(editor.text(), QString("{title} - {track: 2 digits}"));
        QVERIFY(add("Skip any text"));
        QVERIFY(editor.plan());
        QCOMPARE(editor.text(), QString("{title} - {track: 2 digits}{skip}"));
        // "If blank, else" on the first chip.
        QMenu* menu = editor.findChildren<QToolButton*>("chip").first()->menu();
        emit menu->aboutToShow();
        for (QAction* a : menu->actions())
            if (a->menu() && a->text().startsWith("If blank"))
                a->menu()->actions().last()->trigger();
        QCOMPARE(editor.text(), QString("{title, else \"Unknown\"} - {track: 2 digits}{skip}"));
    }

    void aLongReadCanBeStopped() {
        test::Sandbox box;
        for (int i = 0; i < 400; ++i)
            test::makeSound(box / "in", std::to_string(i) + ".ogg");
        Driver d(box / "library.db");
        d.controllers().bringIn.start({box / "in"}, true);
        QTRY_VERIFY(!d.controllers().jobs.isIdle());
        d.controllers().jobs.stopAll();
        d.settle();
        QVERIFY(d.controllers().sleeves.files().size() < 400);
        QVERIFY2(d.window().message().contains("Stopped"), qPrintable(d.window().message()));
        // The rest can be brought in later.
        d.bringIn({box / "in"});
        QCOMPARE(d.controllers().sleeves.files().size(), size_t{400});
    }

    void anErrorInAPlanShowsItsPlace() {
        ChipEditor editor;
        editor.setText("{artist}/{titel}");
        QVERIFY(!editor.plan());
        QVERIFY(editor.isTextShown()); // it has no chips: it is mended as text
        QVERIFY(editor.error().contains("character 11"));
        QVERIFY(editor.error().contains("title"));
        QTest::keyClicks(editor.edit(), "");
        editor.setText("{artist}/{title}");
        QVERIFY(editor.error().isEmpty());
    }

    void everythingThatTakesTheFocusHasAName() {
        test::Sandbox box;
        test::makeSound(box / "in", "a.flac");
        test::makeSound(box / "in", "b.flac", 2);
        std::filesystem::create_directories(box / "shelf");
        Driver d(box / "library.db");
        d.addShelf(box / "shelf");
        d.bringIn({box / "in"});
        QStringList unnamed;
        std::function<void(QAccessibleInterface*, const QString&)> walk = [&](QAccessibleInterface* item,
                                                                              const QString& where) {
            if (!item || item->state().invisible)
                return;
            const QString name = item->text(QAccessible::Name);
            const QString here =
                where + " > " + (name.isEmpty() ? QString::number(item->role()) : name) +
                (item->object() ? QString(" (%1)").arg(item->object()->metaObject()->className())
                                : QString());
            const bool blankCell = !item->object(); // has nothing to say
            if (item->state().focusable && name.isEmpty() && !blankCell)
                unnamed << here;
            for (int i = 0; i < item->childCount(); ++i)
                walk(item->child(i), here);
        };
        auto look = [&](QWidget* w) {
            d.settle();
            walk(QAccessible::queryAccessibleInterface(w), {});
        };
        for (auto step : {BenchPage::BringIn, BenchPage::Describe, BenchPage::PutAway}) {
            d.window().bench()->showStep(step);
            look(&d.window());
        }
        d.controllers().drafts.session().propose("Edit", {{d.fileNamed("a.flac"), "title", {"x"}}}, "typed");
        for (auto workspace : {MainWindow::Library, MainWindow::Journal, MainWindow::Settings,
                               MainWindow::Review, MainWindow::Interruption}) {
            d.window().showWorkspace(workspace);
            look(&d.window());
        }
        unnamed.removeDuplicates();
        QVERIFY2(unnamed.isEmpty(), qPrintable(unnamed.join(" || ")));
    }

    void everyActionHasAName() {
        test::Sandbox box;
        Driver d(box / "library.db");
        std::set<QString> shortcuts;
        for (QAction* a : d.window().allActions()) {
            QVERIFY(!a->text().isEmpty());
            if (!a->shortcut().isEmpty())
                QVERIFY2(shortcuts.insert(a->shortcut().toString()).second,
                         qPrintable(a->shortcut().toString()));
        }
        // Every button can be told by name.
        for (QAbstractButton* b : d.window().findChildren<QAbstractButton*>())
            if (b->isVisible())
                QVERIFY2(!b->text().isEmpty() || !b->accessibleName().isEmpty(),
                         b->metaObject()->className());
    }

    void theCommandFinderDoesIt() {
        test::Sandbox box;
        Driver d(box / "library.db");
        CommandFinder finder(d.window().allActions(), &d.window());
        finder.show();
        auto* search = finder.findChild<QLineEdit*>();
        QTest::keyClicks(search, "go jour");
        QTest::keyClick(search, Qt::Key_Return);
        QTRY_COMPARE(d.window().workspace(), MainWindow::Journal);
    }

    void readNamesMarksWhatDoesNotFit() {
        test::Sandbox box;
        for (const char* name : {"Isla Varnholt - Gorse.mp3", "quayside.mp3", "wren-low-driftwood.mp3"})
            test::makeSound(box / "in", name);
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        ReadNamesDialog dialog({d.controllers().jobs, d.controllers().settings, d.controllers().files,
                                d.controllers().drafts, d.controllers().index, d.controllers().customFields,
                                d.controllers().sleeves},
                               d.controllers().sleeves.files());
        dialog.show();
        auto row = [&](const QString& name) -> QTreeWidgetItem* {
            for (int i = 0; i < dialog.results()->topLevelItemCount(); ++i)
                if (dialog.results()->topLevelItem(i)->text(0) == name)
                    return dialog.results()->topLevelItem(i);
            return nullptr;
        };
        dialog.setPlan("{artist} - {title}");
        QTRY_VERIFY(dialog.isRead());
        QCOMPARE(row("Isla Varnholt - Gorse.mp3")->checkState(0), Qt::Checked);
        QCOMPARE(row("Isla Varnholt - Gorse.mp3")->text(2), QString("Gorse"));
        QCOMPARE(row("quayside.mp3")->checkState(0), Qt::Unchecked);
        QVERIFY(!row("quayside.mp3")->text(3).isEmpty());
        dialog.setPlan("{artist}-{title}");
        QTRY_VERIFY(dialog.isRead());
        QCOMPARE(row("wren-low-driftwood.mp3")->checkState(0),
                 Qt::Unchecked); // in doubt, so not taken by itself
        QVERIFY(row("wren-low-driftwood.mp3")->text(3).contains("2 ways"));
        row("wren-low-driftwood.mp3")->setCheckState(0, Qt::Checked);
        dialog.takeButton()->click();
        QCOMPARE(
            d.controllers().drafts.session().effective(d.fileNamed("wren-low-driftwood.mp3"), "title").size(),
            size_t{1});
        QVERIFY(d.controllers().drafts.session().of(d.fileNamed("quayside.mp3")).empty());
    }

    void putAwayMarksWhatIsWrong() {
        test::Sandbox box;
        std::filesystem::create_directories(box / "shelf");
        test::tag(test::makeSound(box / "in", "a.flac"),
                  {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        test::tag(test::makeSound(box / "in", "b.flac", 2),
                  {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        test::tag(test::makeSound(box / "in", "c.flac", 3),
                  {{"title", {"Undertow"}}, {"artist", {"../../Kestrel"}}});
        Driver d(box / "library.db");
        d.addShelf(box / "shelf");
        d.bringIn({box / "in"});
        PutAwayPage* page = d.window().bench()->putAway();
        d.window().bench()->showStep(BenchPage::PutAway);
        page->editor()->setText("{artist}/{title}");
        d.settle();
        QVERIFY(page->isPlanned());
        page->draftButton()->click();
        d.settle();
        QCOMPARE(d.controllers().places.places().moving(), size_t{1}); // the two that clash are left out
        const placing::Placement* p = d.controllers().places.places().of(d.fileNamed("c.flac"));
        QVERIFY(p && p->to.native().starts_with((box / "shelf").native() + "/"));
        QCOMPARE(p->to.lexically_normal(), p->to);
        // Undo takes the moves back.
        d.controllers().drafts.session().undo();
        d.settle();
        QCOMPARE(d.controllers().places.places().moving(), size_t{0});
    }

    void withoutASoundDeviceItSaysSo() {
        test::Sandbox box;
        test::makeSound(box / "in", "a.flac");
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        QSignalSpy trouble(&d.window().player(), &Player::trouble);
        d.window().player().play(d.controllers().files.file(d.fileNamed("a.flac")));
        d.settle();
        QCOMPARE(trouble.count(), 1);
        QVERIFY(trouble.front().front().toString().contains("No sound device"));
        QStringList shown; // in the foot, where the player is
        for (QLabel* l : d.window().foot()->findChildren<QLabel*>())
            shown << l->text() + l->toolTip();
        QVERIFY2(shown.join("|").contains("No sound device"), qPrintable(shown.join("|")));
        QVERIFY(!d.window().player().isPlaying());
        QVERIFY(d.window().player().file());
        d.window().player().stop();
        QVERIFY(!d.window().player().isPlaying());
    }

    void batches() {
        test::Sandbox box;
        test::makeSound(box / "one", "a.flac");
        test::makeSound(box / "two", "b.flac");
        Driver d(box / "library.db");
        Controllers& s = d.controllers();
        d.bringIn({box / "one"});
        QVERIFY(s.batch.name().startsWith("one"));
        s.batch.create("Second");
        d.settle();
        QCOMPARE(s.batch.name(), QString("Second"));
        QVERIFY(s.sleeves.files().empty());
        d.bringIn({box / "two"});
        QCOMPARE(s.sleeves.files().size(), size_t{1});
        d.bringIn({box / "two"}); // again: nothing is there twice
        QCOMPARE(s.sleeves.files().size(), size_t{1});
        s.batch.choose(s.batch.all().front().id);
        d.settle();
        QVERIFY(d.fileNamed("a.flac") && !d.fileNamed("b.flac"));
        s.batch.forget();
        d.settle();
        QCOMPARE(s.batch.all().size(), size_t{1});
        QVERIFY(std::filesystem::exists(box / "one/a.flac"));
        QCOMPARE(s.bringIn.recentFolders().size(), 2);
    }

    void unreadableFilesAreListedWithTheirReason() {
        test::Sandbox box;
        test::writeBytes(box / "in/zero.mp3", "");
        test::makeSound(box / "in", "fine.flac");
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        const FolderModel* model = d.window().bench()->bringIn()->model();
        QCOMPARE(model->rowCount(), 1);
        const QModelIndex folder = model->index(0, 0);
        QCOMPARE(model->rowCount(folder), 2);
        QVERIFY(model->index(1, 4, folder).data().toString().contains("empty"));
        // It takes no part in the later steps.
        QCOMPARE(d.window().bench()->sleeves()->chosenFiles().size(), size_t{1});
    }

    void themeAndWindowAreRemembered() {
        // (That the program begins with the theme that was chosen: app.start.)
        test::Sandbox box;
        {
            Driver d(box / "library.db");
            d.window().showWorkspace(MainWindow::Settings);
            const QColor light = d.window().palette().color(QPalette::Window);
            for (QRadioButton* b : d.window().settings()->findChildren<QRadioButton*>())
                if (b->text().contains("dark"))
                    b->click();
            QCOMPARE(QSettings().value("theme").toString(), QString("dark"));
            QVERIFY(d.window().palette().color(QPalette::Window).lightness() < light.lightness() - 100);
            d.window().resize(1000, 640);
            d.window().close();
        }
        QSettings().remove("theme");
        theme::apply(theme::Choice::Light);
        Controllers session(box / "library.db");
        MainWindow again(session);
        QCOMPARE(again.size(), QSize(1000, 640));
        QSettings().remove("window");
    }

    void aNarrowWindowHidesNothingThatMatters() {
        test::Sandbox box;
        test::makeSound(box / "in", "a.flac");
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        d.window().resize(820, 560);
        for (auto step : {BenchPage::BringIn, BenchPage::Describe, BenchPage::PutAway}) {
            d.window().bench()->showStep(step);
            d.settle();
            QVERIFY2(d.window().width() <= 900, qPrintable(QString::number(d.window().width())));
            QVERIFY(d.window()
                        .foot()
                        ->writeButton()
                        ->mapTo(&d.window(), QPoint(d.window().foot()->writeButton()->width(), 0))
                        .x() <= d.window().width());
        }
        // The sheet has the whole width, and the drawer is below it.
        d.window().bench()->showStep(BenchPage::Describe);
        QWidget* sheet = d.window().bench()->describe()->sheet();
        QVERIFY2(sheet->width() > 480, qPrintable(QString::number(sheet->width())));
        // What was found stays in sight; what the format is comes back with the room.
        d.window().bench()->showStep(BenchPage::BringIn);
        QTreeView* tree = d.window().bench()->bringIn()->tree();
        QVERIFY(tree->header()->sectionViewportPosition(FolderModel::Note) + 100 < tree->viewport()->width());
        d.window().resize(1280, 800);
        d.settle();
        QVERIFY(!tree->isColumnHidden(FolderModel::Kind) && !tree->isColumnHidden(FolderModel::Size));
        d.window().bench()->showStep(BenchPage::Describe);
        d.settle();
        QWidget* page = d.window().bench()->describe();
        QVERIFY(sheet->width() + 250 <= page->width()); // beside the drawer again
        QVERIFY(sheet->height() > page->height() * 3 / 4);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    qputenv("PULSE_SERVER", "unix:/nowhere"); // no sound device, on any machine
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestWidgets test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_widgets.moc"
