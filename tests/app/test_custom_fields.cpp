// SPDX-License-Identifier: GPL-3.0-or-later
// A custom field, from its description to the file: in the settings, the drawer, the sheet, standards, plans
// and the search.
#include <QtTest>

#include <QCheckBox>
#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QMenu>
#include <QMessageBox>
#include <QPlainTextEdit>

#include "app/bench/drawer.h"
#include "app/bench/put_away_page.h"
#include "app/bench/sheet_columns.h"
#include "app/library/library_page.h"
#include "app/library/search_bar.h"
#include "app/settings/custom_field_list.h"
#include "app/settings/settings_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/custom_field_dialog.h"
#include "app/widgets/value_completer.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestCustomFields : public QObject, SheetDesk {
    Q_OBJECT
private slots:
    void init() {
        QSettings().clear();
        opened_ = 0;
        sheetBox_ = std::make_unique<test::Sandbox>();
        std::filesystem::create_directories(*sheetBox_ / "shelf");
        for (uint32_t i = 1; i <= 3; ++i)
            test::tag(test::makeSound(*sheetBox_ / "in/ep", "0" + std::to_string(i) + ".flac", i),
                      {{"title", {"Take " + std::to_string(i)}}, {"reel no", {"R" + std::to_string(i)}}});
        describeFolder();
    }
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
        tags::defineCustomFields({});
    }

    // By hand, in the dialog that Settings opens.
    void described() {
        desk_->window().showWorkspace(MainWindow::Settings);
        auto* list = desk_->window().settings()->findChild<CustomFieldList*>();
        // What is only in files is listed, and offers to be described.
        QVERIFY(textsOf(list).contains("reel no"));
        whenOpen([&](CustomFieldDialog* d) {
            QTest::keyClicks(line(d, "field label"), "Condition");
            QCOMPARE(line(d, "field place")->text(), QString("CONDITION"));
            choose(d, "Choice from a list");
            press(d, "Describe");
            QVERIFY2(d->isVisible() && textsOf(d).contains("Say what there is to choose from."),
                     "it has no list yet");
            d->findChild<QPlainTextEdit*>("field choices")->setPlainText("good\nworn\n\nstuck");
            press(d, "Describe");
        });
        press(list, "Add a field…");
        QCOMPARE(opened_, 1);
        QVERIFY(textsOf(list).contains("Condition"));
        // The one from the files keeps its name there.
        whenOpen([&](CustomFieldDialog* d) {
            QVERIFY(line(d, "field place")->isReadOnly());
            QCOMPARE(line(d, "field place")->text(), QString("REEL NO"));
            line(d, "field label")->setText("Reel");
            press(d, "Describe");
        });
        press(list, "Describe…");
        QCOMPARE(opened_, 2);
        QCOMPARE(fieldLabel("reel no"), QString("Reel"));
        desk_->settle();
        QVERIFY(!textsOf(list).contains("reel no"));
        // Still there when the program starts again.
        desk_.reset();
        tags::defineCustomFields({});
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
        QCOMPARE(desk_->controllers().customFields.described().size(), size_t{2});
        QCOMPARE(fieldLabel("condition"), QString("Condition"));
        // Forgotten: what is in files stays.
        desk_->window().showWorkspace(MainWindow::Settings);
        list = desk_->window().settings()->findChild<CustomFieldList*>();
        QTimer::singleShot(0, this, [] {
            auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            QVERIFY(box);
            box->button(QMessageBox::Ok)->click();
        });
        press(list, "Forget…"); // the first: Condition
        QCOMPARE(desk_->controllers().customFields.described().size(), size_t{1});
    }

    // What a newer Moorfrost has described, maybe, is not lost with the first change here.
    void whatCannotBeReadStays() {
        const std::string newer = "[{\"label\":\"A\",\"place\":\"AA\",\"kind\":\"cloud\"}]";
        desk_->controllers().settings.set(library::settings::customFields, newer);
        desk_->settle();
        desk_.reset();
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
        QVERIFY(desk_->controllers().customFields.described().empty());
        describe({"Condition", "CONDITION", tags::FieldKind::Text, false, {}});
        QCOMPARE(desk_->controllers().settings.get(library::settings::unreadCustomFields), newer);
    }

    void chosenInTheSheetAndTheDrawer() {
        describe({"Condition", "CONDITION", tags::FieldKind::Choice, false, {"good", "worn", "stuck"}});
        page()->columns()->show({nameColumn, "title", "condition"});
        QCOMPARE(model_->headerData(column("condition"), Qt::Horizontal, Qt::DisplayRole).toString(),
                 QString("Condition"));
        // The list comes up with the editor; Down chooses in it.
        go(0, "condition");
        QTest::keyClick(sheet_, Qt::Key_F2);
        QLineEdit* editor = sheet_->openEditor();
        QVERIFY(editor);
        ValueCompleter* values = ValueCompleter::of(editor);
        QVERIFY(values);
        QTRY_VERIFY(values->isOpen());
        QCOMPARE(values->offered(), (QStringList{"good", "worn", "stuck"}));
        QTest::keyClick(editor, Qt::Key_Down);
        QTest::keyClick(editor, Qt::Key_Down);
        QTest::keyClick(editor, Qt::Key_Return);
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(cell(0, "condition"), QString("worn"));
        // What is not in it is refused, in words.
        QString said;
        connect(&desk_->controllers().messages, &Messages::said, this, [&](const QString& s) { said = s; });
        model_->setData(model_->index(1, column("condition")), "new", Qt::EditRole);
        QVERIFY2(said.contains("Condition is one of good, worn, stuck"), qPrintable(said));
        QCOMPARE(cell(1, "condition"), QString());
        // In the drawer.
        page()->drawer()->showFields({"title", "condition"});
        desk_->settle();
        go(1, "condition");
        FieldBox* condition = box("condition");
        QVERIFY(condition);
        condition->setFocus();
        QTest::keyClicks(condition, "STU");
        ValueCompleter* offered = ValueCompleter::of(condition);
        QCOMPARE(offered->offered(), QStringList{"stuck"});
        QTest::keyClick(condition, Qt::Key_Escape);
        QTest::keyClicks(condition, "CK");
        QTest::keyClick(condition, Qt::Key_Return);
        QCOMPARE(cell(1, "condition"), QString("stuck"));
    }

    void aNewOneFromTheDrawer() {
        whenOpen([&](CustomFieldDialog* d) {
            QTest::keyClicks(line(d, "field label"), "Tape speed");
            choose(d, "Number");
            press(d, "Describe");
        });
        QTimer::singleShot(0, this, [] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            QVERIFY(menu);
            for (QAction* a : menu->actions())
                if (a->text() == "A new custom field…") {
                    menu->setActiveAction(a);
                    QTest::keyClick(menu, Qt::Key_Return);
                    return;
                }
            menu->close();
        });
        press(page()->drawer(), "Add field…");
        QCOMPARE(opened_, 1);
        desk_->settle();
        FieldBox* speed = box("tape speed");
        QVERIFY(speed);
        go(0, "title");
        speed->setFocus();
        QTest::keyClicks(speed, "9,5");
        QTest::keyClick(speed, Qt::Key_Return);
        QCOMPARE(draft(0, "tape speed"), std::vector<std::string>{"9.5"});
        // Sorted as a number.
        page()->columns()->show({nameColumn, "title", "tape speed"});
        model_->setData(model_->index(1, column("tape speed")), "-3", Qt::EditRole);
        model_->setData(model_->index(2, column("tape speed")), "-20", Qt::EditRole);
        const QHeaderView* header = sheet_->horizontalHeader();
        const int at = column("tape speed");
        QTest::mouseClick(header->viewport(), Qt::LeftButton, {},
                          QPoint(header->sectionViewportPosition(at) + 20, 10));
        QCOMPARE(QStringList({cell(0, "tape speed"), cell(1, "tape speed"), cell(2, "tape speed")}),
                 (QStringList{"-20", "-3", "9.5"}));
    }

    // All the way: described, typed, asked for by a standard, put in names, written, searched.
    void allTheWay() {
        describe({"Source tape", "SOURCETAPE", tags::FieldKind::Text, true, {}});
        describe({"Tape speed", "TAPESPEED", tags::FieldKind::Decimal, false, {}});
        Controllers& c = desk_->controllers();
        std::vector<audit::Standard> standards = c.standards.all();
        audit::Rule rule;
        rule.kind = audit::RuleKind::Fields;
        rule.fields = {"sourcetape"};
        rule.required = true;
        standards.push_back({"Tapes", {rule}});
        c.standards.setAll(standards);
        c.standards.setOfBatch("Tapes");
        desk_->settle();
        QVERIFY(QString::fromStdString(c.sleeves.all().front().readiness.parts.front().detail)
                    .contains("without source tape"));
        edits::Proposals proposals;
        for (FileId id : c.sleeves.files()) {
            const FilePtr f = c.files.file(id);
            proposals.push_back({f->id, "sourcetape", {"MTA 14"}, "typed"});
            proposals.push_back({f->id, "tapespeed", {f->path.stem() == "01" ? "9.5" : "19.05"}, "typed"});
        }
        c.drafts.propose("x", proposals);
        desk_->settle();
        QVERIFY(c.sleeves.all().front().readiness.parts.front().met == audit::Met::Yes);
        desk_->addShelf(*sheetBox_ / "shelf");
        desk_->window().bench()->showStep(BenchPage::PutAway);
        QLineEdit* plan = desk_->window().bench()->putAway()->editor()->edit();
        plan->setText("{source tape}/{tape speed} {title}");
        emit plan->textEdited(plan->text());
        desk_->settle();
        desk_->window().bench()->putAway()->draftButton()->click();
        desk_->settle();
        desk_->window().showWorkspace(MainWindow::Review);
        desk_->settle();
        desk_->window().foot()->writeButton()->click();
        desk_->settle();
        QVERIFY(std::filesystem::exists(*sheetBox_ / "shelf/MTA 14/9.5 Take 1.flac"));
        desk_->window().showWorkspace(MainWindow::Library);
        desk_->settle();
        auto* library = desk_->window().library();
        auto count = [&](const char* query) {
            library->searchBar()->setText(query);
            desk_->settle();
            return library->table()->model()->rowCount();
        };
        QCOMPARE(count("source_tape:\"mta 14\""), 3);
        QCOMPARE(count("tape_speed:<10"), 1);
        QCOMPARE(count("tape_speed:>=10"), 2);
        QCOMPARE(count("missing:source_tape"), 0);
    }

private:
    DescribePage* page() { return desk_->window().bench()->describe(); }
    void describe(const tags::CustomField& field) {
        QCOMPARE(desk_->controllers().customFields.whyNot(field, {}), QString());
        desk_->controllers().customFields.describe(field, {});
        desk_->settle();
    }
    std::vector<std::string> draft(int row, const char* key) {
        const library::Draft* d = desk_->controllers().drafts.session().find(model_->fileAt(row), key);
        return d ? d->values : std::vector<std::string>();
    }
    void whenOpen(const std::function<void(CustomFieldDialog*)>& act) {
        const int before = opened_;
        auto* timer = new QTimer(this);
        connect(timer, &QTimer::timeout, this, [this, timer, act, before] {
            auto* d = qobject_cast<CustomFieldDialog*>(QApplication::activeModalWidget());
            if (!d || opened_ != before)
                return;
            ++opened_;
            timer->deleteLater();
            act(d);
            if (d->isVisible())
                d->reject();
        });
        timer->start(20);
    }
    static QLineEdit* line(QWidget* in, const char* name) { return in->findChild<QLineEdit*>(name); }
    static void choose(QWidget* in, const QString& kind) {
        auto* box = in->findChild<QComboBox*>("field kind");
        box->setCurrentIndex(box->findText(kind));
        emit box->activated(box->currentIndex());
    }
    static void press(QWidget* in, const QString& text) {
        for (QPushButton* b : in->findChildren<QPushButton*>())
            if (b->text() == text && b->isVisible()) {
                b->click();
                return;
            }
        QFAIL(qPrintable("no button " + text));
    }
    static QStringList textsOf(QWidget* in) {
        QStringList out;
        for (QLabel* l : in->findChildren<QLabel*>())
            out << l->text();
        return out;
    }
    int opened_ = 0;
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestCustomFields test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_custom_fields.moc"
