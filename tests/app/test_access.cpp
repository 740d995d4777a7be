// SPDX-License-Identifier: GPL-3.0-or-later
// What whoever hears the screen gets: a name and a role for everything that can be used, on every page.
#include <QtTest>

#include <QAccessible>
#include <QAccessibleWidget>
#include <QApplication>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/deliver/deliver_page.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
#include "app/people/release_parts.h"
#include "app/shell/first_start.h"
#include "app/shell/sample_files.h"
#include "app/widgets/sheet.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestAccess : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    static bool isUsed(QAccessible::Role role) {
        switch (role) {
        case QAccessible::Button:
        case QAccessible::CheckBox:
        case QAccessible::RadioButton:
        case QAccessible::EditableText:
        case QAccessible::ComboBox:
        case QAccessible::SpinBox:
        case QAccessible::Slider:
        case QAccessible::List:
        case QAccessible::Tree:
        case QAccessible::Table:
        case QAccessible::ButtonMenu:
        case QAccessible::ButtonDropDown:
        case QAccessible::MenuItem:
        case QAccessible::Link:
        case QAccessible::PageTab:
            return true;
        default:
            return false;
        }
    }
    /// Where it is, for whoever is to give it a name.
    static QString whereIs(QObject* object) {
        QStringList out;
        for (QObject* one = object; one && out.size() < 4; one = one->parent())
            out << QString("%1#%2").arg(one->metaObject()->className(), one->objectName());
        return out.join(" < ");
    }
    /// Of what is in sight and has no name.
    static void gather(QAccessibleInterface* from, QSet<QString>& nameless) {
        if (!from || !from->isValid())
            return;
        QObject* object = from->object();
        auto* widget = qobject_cast<QWidget*>(object);
        if (widget && !widget->isVisible())
            return;
        // The line of a spin box or a choice is told with it; headers and cells are told by their table.
        const bool isPart = widget && widget->parentWidget() &&
                            (qobject_cast<QAbstractSpinBox*>(widget->parentWidget()) ||
                             qobject_cast<QComboBox*>(widget->parentWidget()));
        if (widget && !isPart && isUsed(from->role()) && from->text(QAccessible::Name).trimmed().isEmpty())
            nameless.insert(whereIs(object));
        if (qobject_cast<QAbstractItemView*>(object))
            return;
        for (int i = 0; i < from->childCount(); ++i)
            gather(from->child(i), nameless);
    }
    static QString namelessIn(QWidget* widget) {
        QSet<QString> out;
        gather(QAccessible::queryAccessibleInterface(widget), out);
        QStringList list(out.begin(), out.end());
        list.sort();
        return list.join("\n    ");
    }

private slots:
    void initTestCase() {
        Driver::prepareApplication();
        QAccessible::setActive(true);
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        makeSmallLibrary(box_->root());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->window().show();
        d_->settle();
        test::tag(test::makeSound(*box_ / "in", "a.flac"),
                  {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        test::tag(test::makeSound(*box_ / "in", "b.flac"),
                  {{"title", {"Tern"}}, {"artist", {"Isla Varnholt"}}});
        d_->bringIn({*box_ / "in"});
    }
    void cleanupTestCase() { d_.reset(); }

    void everyPageHasNames_data() {
        QTest::addColumn<int>("workspace");
        QTest::addColumn<int>("part");
        for (const auto& [name, step] : {std::pair("bring in", BenchPage::BringIn),
                                         {"identify", BenchPage::Identify},
                                         {"describe", BenchPage::Describe},
                                         {"put away", BenchPage::PutAway}})
            QTest::newRow(name) << int(MainWindow::Bench) << int(step);
        QTest::newRow("library") << int(MainWindow::Library) << 0;
        for (const auto& [name, part] : {std::pair("editions", PartButtons::Editions),
                                         {"people", PartButtons::People},
                                         {"works", PartButtons::Works},
                                         {"agreements", PartButtons::Agreements}})
            QTest::newRow(name) << int(MainWindow::Releases) << int(part);
        for (const auto& [name, part] : {std::pair("findings", AuditPage::FindingsPart),
                                         {"codes", AuditPage::CodesPart},
                                         {"fixity", AuditPage::FixityPart}})
            QTest::newRow(name) << int(MainWindow::Audit) << int(part);
        for (int way = 0; way <= int(DeliverWay::Before); ++way)
            QTest::newRow(qPrintable(QString("deliver %1").arg(way))) << int(MainWindow::Deliver) << way;
        QTest::newRow("journal") << int(MainWindow::Journal) << 0;
        QTest::newRow("settings") << int(MainWindow::Settings) << 0;
        QTest::newRow("review") << int(MainWindow::Review) << 0;
    }
    void everyPageHasNames() {
        QFETCH(int, workspace);
        QFETCH(int, part);
        MainWindow& w = d_->window();
        w.showWorkspace(MainWindow::Workspace(workspace));
        if (workspace == MainWindow::Bench)
            w.bench()->showStep(BenchPage::Step(part));
        if (workspace == MainWindow::Releases)
            w.releaseParts()->showPart(PartButtons::Part(part));
        if (workspace == MainWindow::Audit)
            w.audit()->showPart(AuditPage::Part(part));
        if (workspace == MainWindow::Deliver)
            w.deliver()->show(DeliverWay(part));
        d_->settle();
        const QString nameless = namelessIn(&w);
        QVERIFY2(nameless.isEmpty(), qPrintable("without a name:\n    " + nameless));
    }

    void dialogsHaveNames() {
        FirstStartDialog first({d_->controllers().shelves, d_->controllers().standards});
        SampleFilesDialog samples;
        TroubleReportDialog report("report");
        ManualWindow manual(Manual::shipped());
        manual.open("index");
        for (QWidget* dialog : std::initializer_list<QWidget*>{&first, &samples, &report, &manual}) {
            dialog->show();
            QVERIFY2(namelessIn(dialog).isEmpty(), qPrintable(namelessIn(dialog)));
            dialog->hide();
        }
    }

    // A cell of the sheet says where it is and what it holds.
    void cellsOfTheSheetAreTold() {
        d_->window().showWorkspace(MainWindow::Bench);
        d_->window().bench()->showStep(BenchPage::Describe);
        d_->settle();
        SheetView* sheet = d_->window().bench()->describe()->sheet();
        QAccessibleInterface* table = QAccessible::queryAccessibleInterface(sheet);
        QVERIFY(table && table->tableInterface());
        QCOMPARE(table->role(), QAccessible::Table);
        QAccessibleTableInterface* cells = table->tableInterface();
        QVERIFY(cells->rowCount() >= 2 && cells->columnCount() > 2);
        bool found = false;
        for (int column = 0; column < cells->columnCount(); ++column)
            if (QAccessibleInterface* cell = cells->cellAt(0, column)) {
                QVERIFY(cell->tableCellInterface());
                QCOMPARE(cell->tableCellInterface()->rowIndex(), 0);
                QCOMPARE(cell->tableCellInterface()->columnIndex(), column);
                found = found || cell->text(QAccessible::Name).contains("Isla Varnholt");
            }
        QVERIFY(found);
    }
};

QTEST_MAIN(TestAccess)
#include "test_access.moc"
