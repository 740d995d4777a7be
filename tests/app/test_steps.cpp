// SPDX-License-Identifier: GPL-3.0-or-later
// Values changed by steps: tried, looked at, taken as drafts, and kept as chains.
#include <QtTest>

#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QTreeView>

#include "app/bench/steps_dialog.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_picker.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSteps : public QObject, SheetDesk {
    Q_OBJECT
private slots:
    void init() {
        sheetBox_ = std::make_unique<test::Sandbox>();
        const char* titles[] = {"night_POST", "Gorse (feat. Isla Varnholt)", "Slack Water", "slack_tide"};
        for (int i = 0; i < 4; ++i)
            test::tag(test::makeSound(*sheetBox_ / "in", "0" + std::to_string(i + 1) + ".flac",
                                      static_cast<uint32_t>(i + 1)),
                      {{"title", {titles[i]}},
                       {"artist", {"Wren-Low"}},
                       {"album", {"Lanterns"}},
                       {"track", {std::to_string(i + 1)}}});
        describeFolder();
    }
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
    }

    void foundAndReplacedByKeyboard() {
        select(0, "title", 3, "title");
        bool seen = false;
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<StepsDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            const auto close = qScopeGuard([dialog] { dialog->reject(); }); // whatever fails
            // The hands are where the text to be found is typed.
            QTest::keyClicks(dialog->focusWidget(), "slack");
            QTest::keyClick(dialog->focusWidget(), Qt::Key_Tab);
            QTest::keyClicks(dialog->focusWidget(), "Ebb");
            wait(*dialog);
            QCOMPARE(dialog->model().rows().size(), size_t{2});
            QCOMPARE(dialog->model().rows()[0].proposal.values, std::vector<std::string>{"Ebb Water"});
            QCOMPARE(dialog->model().rows()[0].now, std::vector<std::string>{"Slack Water"});
            // While what is shown is not what the steps make, nothing is taken.
            QVERIFY(dialog->takeButton()->isEnabled());
            QTest::keyClicks(dialog->findChildren<QLineEdit*>()[1], " ");
            QVERIFY(!dialog->takeButton()->isEnabled());
            QTest::keyClick(dialog->findChildren<QLineEdit*>()[1], Qt::Key_Backspace);
            wait(*dialog);
            // One is left out; it stays left out while more is typed.
            auto* table = dialog->findChild<QTreeView*>();
            table->setCurrentIndex(table->model()->index(1, 0));
            table->setFocus();
            QTest::keyClick(table, Qt::Key_Space);
            QCOMPARE(dialog->model().takenCount(), size_t{1});
            auto* put = dialog->findChildren<QLineEdit*>()[1];
            QTest::keyClicks(put, "ing");
            wait(*dialog);
            QCOMPARE(dialog->model().takenCount(), size_t{1});
            QTest::keyClick(dialog, Qt::Key_Return);
            seen = true;
        });
        QTest::keyClick(&desk_->window(), Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(seen);
        QCOMPARE(cell(2, "title"), QString("Ebbing Water"));
        QCOMPARE(cell(3, "title"), QString("slack_tide"));
        QCOMPARE(desk_->controllers().undo.undoName(), QString("Find and replace"));
        desk_->controllers().undo.undo();
        QCOMPARE(cell(2, "title"), QString("Slack Water"));
    }

    void aChainIsKeptAndRunAgain() {
        const auto files = model_->files();
        {
            StepsDialog dialog(uses(), files, {{}, {{"tidy", {}}, {"guests", {}}}});
            dialog.QDialog::show();
            dialog.keepAs("Tape names");
            desk_->settle();
        }
        QCOMPARE(desk_->controllers().chains.all().size(), size_t{1});
        const edits::Chain* kept = desk_->controllers().chains.find("Tape names");
        QVERIFY(kept);
        StepsDialog dialog(uses(), files, *kept);
        dialog.QDialog::show();
        wait(dialog);
        QCOMPARE(dialog.model().rows().size(), size_t{4}); // two tidied, a title and its artist
        dialog.takeButton()->click();
        QCOMPARE(cell(0, "title"), QString("night POST"));
        QCOMPARE(cell(1, "artist"), QString("Wren-Low ¦ Isla Varnholt"));
        QCOMPARE(desk_->controllers().undo.undoName(), QString("Tape names"));
        QCOMPARE(desk_->controllers().drafts.session().find(files[1], "artist")->origin,
                 std::string("guests from the title"));
        desk_->controllers().chains.remove("Tape names");
        desk_->settle();
        QVERIFY(desk_->controllers().chains.all().empty());
    }

    void chainsOutliveTheProgram() {
        desk_->controllers().chains.keep(
            {"Tidy\nup", {{"find-replace", {{"find", {"a\nb"}}, {"put", {"\"ü"}}}}}});
        desk_->settle();
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
        const edits::Chain* kept = desk_->controllers().chains.find("Tidy\nup");
        QVERIFY(kept);
        QCOMPARE(kept->steps[0].options.at("find")[0], std::string("a\nb"));
    }

    void oneSaysForTheOthers() {
        go(2, "title");
        bool seen = false;
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<StepsDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            const auto close = qScopeGuard([dialog] { dialog->reject(); }); // whatever fails
            dialog->setChain({{}, {{"fill", {{"fields", {"title"}}}}}});
            wait(*dialog);
            QCOMPARE(dialog->model().rows().size(), size_t{3});
            for (const auto& row : dialog->model().rows())
                QCOMPARE(row.proposal.values, std::vector<std::string>{"Slack Water"});
            dialog->takeButton()->click();
            seen = true;
        });
        desk_->window().bench()->describe()->copyToOthers();
        QVERIFY(seen);
        QCOMPARE(cell(0, "title"), QString("Slack Water"));
    }

    void whatMakesNoSenseIsSaid() {
        StepsDialog dialog(uses(), model_->files(),
                           {{}, {{"find-replace", {{"find", {"a(b"}}, {"how", {"expression"}}}}}});
        dialog.QDialog::show();
        wait(dialog);
        QVERIFY(dialog.model().rows().empty());
        QVERIFY(!dialog.takeButton()->isEnabled());
        auto* says = dialog.findChild<QLabel*>("bannerWrong");
        QVERIFY(says->isVisible() && says->text().contains("not understood at character"));
        // What a field cannot hold is shown, and cannot be taken.
        dialog.setChain({{}, {{"copy", {{"from", {"title"}}, {"into", {"track"}}}}}});
        wait(dialog);
        QVERIFY(!says->isVisible());
        QCOMPARE(dialog.model().rows().size(), size_t{4});
        QCOMPARE(dialog.model().takenCount(), size_t{0});
        QVERIFY(!dialog.takeButton()->isEnabled());
    }

    void stepsAreMovedAndRemoved() {
        StepsDialog dialog(uses(), model_->files(), {{}, {{"tidy", {}}, {"guests", {}}, {"dates", {}}}});
        dialog.QDialog::show();
        auto names = [&] {
            QStringList out;
            for (const edits::Step& s : dialog.chain().steps)
                out << qs(s.kind);
            return out.join(' ');
        };
        auto forms = [&] {
            QCoreApplication::processEvents(); // new ones are shown
            QList<StepForm*> out;
            for (StepForm* f : dialog.findChildren<StepForm*>())
                if (f->isVisible())
                    out << f;
            return out;
        };
        emit forms()[0]->moveWanted(1);
        QCOMPARE(names(), QString("guests tidy dates"));
        emit forms()[2]->moveWanted(1); // it is the last
        QCOMPARE(names(), QString("guests tidy dates"));
        emit forms()[1]->removeWanted();
        QCOMPARE(names(), QString("guests dates"));
    }

    void fieldsAreChosenByTyping() {
        FieldPicker picker(true);
        picker.setKeys({"title", "artist", "album", "composer"});
        picker.setChosen({"title"});
        picker.show();
        picker.pick();
        QTRY_VERIFY(QApplication::activePopupWidget());
        QWidget* popup = QApplication::activePopupWidget();
        auto* search = popup->findChild<QLineEdit*>();
        QTest::keyClicks(search, "comp");
        QTest::keyClick(search, Qt::Key_Return);
        QCOMPARE(picker.chosen(), (std::vector<std::string>{"title", "composer"}));
        QTest::keyClicks(search, "titl");
        QTest::keyClick(search, Qt::Key_Return);
        QCOMPARE(picker.chosen(), (std::vector<std::string>{"composer"}));
        QTest::keyClick(search, Qt::Key_Escape);
        QCOMPARE(picker.text(), QString("Composer"));
    }

private:
    StepsDialog::Uses uses() {
        Controllers& c = desk_->controllers();
        return {c.jobs, c.files, c.drafts, c.customFields, c.chains};
    }
    void wait(StepsDialog& dialog) { QTRY_VERIFY(dialog.isCurrent()); }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestSteps test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_steps.moc"
