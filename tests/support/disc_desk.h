// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of discs have in common: the three discs of the demo, the reference, and the dialog that reads
// discs.
#pragma once

#include <QtTest>

#include <QCheckBox>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/discs/disc_answers.h"
#include "app/bench/discs/disc_dialog.h"
#include "app/bench/discs/disc_pictures_strip.h"
#include "app/bench/discs/disc_tracks.h"
#include "app/shell/text_utils.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/two_lines.h"
#include "support/driver.h"
#include "support/identify_desk.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

namespace moorfrost::app {

class DiscDesk {
protected:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> desk_;
    DiscDialog* dialog_ = nullptr;
    QStringList said_;

    void begin() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>(true);
        qputenv("XDG_DATA_HOME", (*box_ / "home").c_str());
        test::copyOf(test::sharedDemo() / "discs", *box_ / "discs");
        test::copyOf(test::sharedReference(), *box_ / "reference");
        start();
        dialog_->panel()->setFolder(*box_ / "rips");
    }
    void finish() {
        desk_.reset();
        box_.reset();
        qunsetenv("XDG_DATA_HOME");
    }
    void start() {
        desk_ = std::make_unique<Driver>(*box_ / "library.db");
        desk_->settle();
        said_.clear();
        QObject::connect(&desk_->controllers().messages, &Messages::said, &desk_->window(),
                         [this](const QString& s) { said_ << s; });
        QTest::keyClick(&desk_->window(), Qt::Key_R, Qt::ControlModifier | Qt::AltModifier);
        dialog_ = desk_->window().bench()->bringIn()->discs();
        QVERIFY(dialog_ && dialog_->isVisible());
        desk_->settle();
    }
    /// "Music archive", chosen in the dialog.
    Path addShelf() {
        const Path shelf = *box_ / "Music archive";
        std::filesystem::create_directories(shelf);
        desk_->controllers().shelves.add("Music archive", shelf);
        desk_->settle();
        dialog_->panel()->places()->setCurrentIndex(0);
        emit dialog_->panel()->places()->activated(0);
        return shelf;
    }
    template<class Work>
    void read(Work work) {
        bool done = false;
        desk_->controllers().library.read(
            &desk_->window(),
            [work](library::Store& store) {
                work(store);
                return true;
            },
            [&done](const Result<bool>&) { done = true; });
        QTRY_VERIFY(done);
    }
    /// How many files of the library a question finds.
    size_t found(const std::string& question) {
        const auto searcher = desk_->controllers().index.searcher();
        return searcher ? searcher->find(library::parseQuery(question).query).count() : 0;
    }
    bool mark(int row, int column) {
        return dialog_->tracks()->model()->index(row, column).data(DiscTrackModel::ChangedRole).toBool();
    }
    void clickCell(const QString& caption, int column) {
        ComparisonTable* table = dialog_->answers()->table();
        for (int row = 0; row < table->model()->rowCount(); ++row)
            if (const QModelIndex i = table->model()->index(row, column + 1);
                table->model()->index(row, 0).data().toString() == caption) {
                table->scrollTo(i);
                QTest::mouseClick(table->viewport(), Qt::LeftButton, {}, table->visualRect(i).center());
                desk_->settle();
                return;
            }
        QFAIL("no such row");
    }
    void open(const char* sheet) {
        desk_->controllers().discs.open(*box_ / "discs" / sheet);
        desk_->settle();
    }
    QString cell(int row, int column) {
        return dialog_->tracks()->model()->index(row, column).data().toString();
    }
    QString variant(const QString& caption, int column) {
        return factIn(dialog_->answers()->table(), caption, column);
    }
    /// By the keyboard or the mouse, the table tells the same.
    void choose(int column) {
        emit dialog_->answers()->table()->chosen(static_cast<size_t>(column));
        desk_->settle();
    }
    void toggle(int row) {
        QAbstractItemModel* m = dialog_->tracks()->model();
        const QModelIndex i = m->index(row, DiscTrackModel::Number);
        const bool on = m->data(i, Qt::CheckStateRole).toInt() == Qt::Checked;
        m->setData(i, on ? Qt::Unchecked : Qt::Checked, Qt::CheckStateRole);
    }
    void typeField(const char* field, const QString& text) {
        QLineEdit* edit = dialog_->fieldLine(field);
        edit->setFocus();
        edit->selectAll();
        QTest::keyClicks(edit, text);
        QTest::keyClick(edit, Qt::Key_Return);
    }
    void rip() {
        QVERIFY(dialog_->ripButton()->isEnabled());
        dialog_->ripButton()->click();
        desk_->settle();
    }
};

} // namespace moorfrost::app
