// SPDX-License-Identifier: GPL-3.0-or-later
// What whoever hears the screen gets: a name and a role for everything that can be used, on every page.
#include <QtTest>

#include <QAbstractButton>
#include <QAccessible>
#include <QAccessibleWidget>
#include <QApplication>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
#include "app/shell/first_start.h"
#include "app/shell/sample_files.h"
#include "app/widgets/sheet.h"
#include "support/every_page.h"

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
        d_ = somethingOnEveryPage(box_->root());
    }
    void cleanupTestCase() { d_.reset(); }

    void everyPageHasNames() {
        QStringList nameless;
        for (const PageOfAll& page : everyPage()) {
            showPage(*d_, page);
            if (const QString here = namelessIn(&d_->window()); !here.isEmpty())
                nameless << QString(page.name) + ":\n    " + here;
        }
        QVERIFY2(nameless.isEmpty(), qPrintable("without a name: " + nameless.join("\n")));
    }

    // Using a button that stays down is a click: what follows a click happens, too.
    void whatStaysDownIsClicked() {
        MainWindow& w = d_->window();
        showPage(*d_, everyPage().front());
        auto press = [&](const QString& name) {
            for (QAbstractButton* button : w.findChildren<QAbstractButton*>()) {
                if (!button->isVisible() || !button->isCheckable())
                    continue;
                QAccessibleInterface* one = QAccessible::queryAccessibleInterface(button);
                if (one->text(QAccessible::Name) != name)
                    continue;
                QVERIFY(one->actionInterface());
                one->actionInterface()->doAction(one->actionInterface()->actionNames().value(0));
                d_->settle();
                QVERIFY2(one->state().checked, qPrintable(name));
                return;
            }
            QFAIL(qPrintable(name + " is not there"));
        };
        press("Describe");
        QCOMPARE(w.bench()->step(), BenchPage::Describe);
        press("Library");
        QCOMPARE(w.workspace(), MainWindow::Library);
        press("Settings");
        press("High contrast (black on white)");
        QCOMPARE(QSettings().value("theme").toString(), QString("contrast"));
        press("Frost (light)");
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
