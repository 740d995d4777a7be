// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of the library page have in common: six songs on a shelf, the page on them, and its facets.
#pragma once

#include <QtTest>

#include <QTreeWidget>

#include "app/library/library_page.h"
#include "support/driver.h"
#include "support/sample_files.h"

namespace moorfrost::app {

class LibraryDesk {
protected:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    LibraryPage* page() { return d_->window().library(); }
    void type(const char* text) {
        page()->searchBox()->setText(QString::fromUtf8(text));
        d_->settle();
    }
    QStringList column(int n) {
        QStringList out;
        QAbstractItemModel* m = page()->table()->model();
        for (int r = 0; r < m->rowCount(); ++r)
            out << m->index(r, n).data().toString();
        return out;
    }
    QStringList titles() { return column(0); }
    QTreeWidgetItem* facet(const QString& name, const QString& value) {
        for (int i = 0; i < page()->facets()->topLevelItemCount(); ++i) {
            QTreeWidgetItem* top = page()->facets()->topLevelItem(i);
            for (int k = 0; top->text(0) == name && k < top->childCount(); ++k)
                if (top->child(k)->text(0) == value)
                    return top->child(k);
        }
        return nullptr;
    }
    qulonglong countOf(const QString& name, const QString& value) {
        QTreeWidgetItem* item = facet(name, value);
        return item ? item->data(0, Qt::UserRole + 4).toULongLong() : 0;
    }
    void click(const QString& name, const QString& value) {
        QTreeWidgetItem* item = facet(name, value);
        QVERIFY2(item, qPrintable(value));
        QRect r = page()->facets()->visualItemRect(item);
        page()->facets()->scrollToItem(item);
        r = page()->facets()->visualItemRect(item);
        QTest::mouseClick(page()->facets()->viewport(), Qt::LeftButton, {}, r.center());
        d_->settle();
    }
    void open() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        makeSmallLibrary(box_->root());
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
    }
    void close() { d_.reset(); }
};

} // namespace moorfrost::app
