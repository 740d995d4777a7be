// SPDX-License-Identifier: GPL-3.0-or-later
// Reading from names: the way that fits best is found, doubts come first and are settled by one key.
#include <QtTest>

#include <QPushButton>

#include "app/bench/read_names_dialog.h"
#include "app/shell/text_utils.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestNames : public QObject {
    Q_OBJECT
private slots:
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t n = 0;
        for (const char* name : {"Odran Fell Quartet/1986 - Live at Tarnholm Hall/01_Whin_Moor.wav",
                                 "Odran Fell Quartet/1986 - Live at Tarnholm Hall/02_The_Long_Pier.wav",
                                 "Odran Fell Quartet/1986 - Live at Tarnholm Hall/03_Encore.wav",
                                 "strays/wren-low-driftwood.wav", "strays/Isla Varnholt - Gorse.wav",
                                 "strays/Marram - Dory Quint.wav", "strays/quayside.wav"}) {
            const Path path = *box_ / "in" / name;
            test::makeSound(path.parent_path(), path.filename().native(), ++n);
        }
        // Who is known: on the bench.
        test::tag(test::makeSound(*box_ / "in/tagged", "a.flac", 20),
                  {{"artist", {"Wren-Low"}}, {"title", {"x"}}});
        test::tag(test::makeSound(*box_ / "in/tagged", "b.flac", 21),
                  {{"artist", {"Isla Varnholt"}}, {"title", {"y"}}});
        desk_ = std::make_unique<Driver>(*box_ / "library.db");
        desk_->bringIn({*box_ / "in"});
    }
    void cleanup() {
        desk_.reset();
        box_.reset();
    }

    void eachFolderIsReadByItself() {
        ReadNamesDialog dialog(uses(), untagged());
        dialog.show();
        QTRY_VERIFY(dialog.isRead() && dialog.isSuggested());
        QCOMPARE(dialog.ways()->currentRow(), 0);
        QCOMPARE(text(dialog, "01_Whin_Moor.wav", "Artist"), QString("Odran Fell Quartet"));
        QCOMPARE(text(dialog, "01_Whin_Moor.wav", "Album"), QString("Live at Tarnholm Hall"));
        QCOMPARE(text(dialog, "01_Whin_Moor.wav", "Title"), QString("Whin Moor"));
        QCOMPARE(text(dialog, "01_Whin_Moor.wav", "Date"), QString("1986"));
        QCOMPARE(text(dialog, "01_Whin_Moor.wav", "No."), QString("1"));
        QCOMPARE(text(dialog, "wren-low-driftwood.wav", "Artist"), QString("Wren-Low"));
        QCOMPARE(row(dialog, "wren-low-driftwood.wav")->checkState(0), Qt::Checked);
        // What is in doubt comes first, unticked.
        QCOMPARE(dialog.results()->topLevelItem(0)->checkState(0), Qt::Unchecked);
        QCOMPARE(dialog.results()->topLevelItem(2)->checkState(0), Qt::Checked);
        // By keyboard: the other reading, and neither.
        dialog.results()->setFocus();
        dialog.results()->setCurrentItem(row(dialog, "Marram - Dory Quint.wav"));
        QTest::keyClick(dialog.results(), Qt::Key_2);
        QCOMPARE(text(dialog, "Marram - Dory Quint.wav", "Artist"), QString("Dory Quint"));
        QCOMPARE(row(dialog, "Marram - Dory Quint.wav")->checkState(0), Qt::Checked);
        QCOMPARE(dialog.results()->currentItem(), row(dialog, "quayside.wav")); // the next one
        QTest::keyClick(dialog.results(), Qt::Key_0);
        QCOMPARE(row(dialog, "quayside.wav")->checkState(0), Qt::Unchecked);
        // Several at once.
        dialog.results()->clearSelection();
        for (const char* name : {"quayside.wav", "Isla Varnholt - Gorse.wav"})
            row(dialog, name)->setSelected(true);
        QTest::keyClick(dialog.results(), Qt::Key_1);
        QCOMPARE(row(dialog, "quayside.wav")->checkState(0), Qt::Checked);
        QTest::keyClick(dialog.results(), Qt::Key_0); // the one that it went on to
        dialog.results()->setCurrentItem(row(dialog, "quayside.wav"));
        QTest::keyClick(dialog.results(), Qt::Key_0);
        QTest::keyClick(&dialog, Qt::Key_Return);
        const auto& drafts = desk_->controllers().drafts.session();
        QCOMPARE(drafts.effective(desk_->fileNamed("Marram - Dory Quint.wav"), "title"),
                 std::vector<std::string>{"Marram"});
        QCOMPARE(drafts.effective(desk_->fileNamed("02_The_Long_Pier.wav"), "track"),
                 std::vector<std::string>{"2"});
        QVERIFY(drafts.of(desk_->fileNamed("quayside.wav")).empty());
        desk_->controllers().undo.undo(); // one action
        QVERIFY(drafts.of(desk_->fileNamed("02_The_Long_Pier.wav")).empty());
    }

    void plansThatFitAreOffered() {
        std::vector<FileId> files;
        for (const char* name : {"01_Whin_Moor.wav", "02_The_Long_Pier.wav", "03_Encore.wav"})
            files.push_back(desk_->fileNamed(name));
        files.push_back(desk_->fileNamed("quayside.wav"));
        ReadNamesDialog dialog(uses(), files);
        dialog.show();
        QTRY_VERIFY(dialog.isRead() && dialog.isSuggested());
        QCOMPARE(dialog.ways()->item(1)->text(),
                 QString("{artist}/{date: year} - {album}/{position} {title}"));
        // The keyboard goes through them.
        dialog.ways()->setFocus();
        QTest::keyClick(dialog.ways(), Qt::Key_Down);
        QTRY_VERIFY(dialog.isRead());
        QCOMPARE(text(dialog, "Odran Fell Quartet/1986 - Live at Tarnholm Hall/03_Encore.wav", "No."),
                 QString("3"));
        QVERIFY(!row(dialog, "in/strays/quayside.wav")->flags().testFlag(Qt::ItemIsUserCheckable));
        // One's own plan has its place in the list, and is taken as it stands.
        dialog.setPlan("{title}");
        QTRY_VERIFY(dialog.isRead());
        QCOMPARE(dialog.ways()->currentItem()->text(), QString("{title}"));
        dialog.setPlan("{title");
        QVERIFY(!dialog.takeButton()->isEnabled());
        dialog.setPlan("x {mood} y");
        QCOMPARE(dialog.ways()->currentItem()->text(), QString("x {mood} y"));
        // Going back to each folder by itself.
        dialog.ways()->setCurrentRow(0);
        QTRY_VERIFY(dialog.isRead());
        QVERIFY(dialog.takeButton()->isEnabled());
    }

    /// The folders of the demo that have no tags get their fields without a title typed.
    void theDemoFolders() {
        desk_.reset();
        desk_ = std::make_unique<Driver>(*box_ / "demo.db");
        desk_->bringIn({test::sharedDemo() / "incoming/donation-lindqvist",
                        test::sharedDemo() / "incoming/strays", test::sharedDemo() / "incoming/bounces",
                        test::sharedDemo() / "incoming/label-drive"});
        ReadNamesDialog dialog(uses(), desk_->controllers().sleeves.files());
        QTRY_VERIFY(dialog.isRead());
        const char* const expected[][3] = {
            {"01 Whin Moor.mp3", "Odran Fell Quartet", "Whin Moor"},
            {"\u00C5se-Linn Br\u00E6kke - Fyrlys.mp3", "\u00C5se-Linn Br\u00E6kke", "Fyrlys"},
            {"wren-low-driftwood.mp3", "Wren-Low", "driftwood"},
            {"Kestrel & Rook - Undertow.mp3", "Kestrel & Rook", "Undertow"},
        };
        for (const auto& [file, artist, title] : expected) {
            QVERIFY2(row(dialog, file), file);
            QCOMPARE(text(dialog, file, "Artist"), QString(artist));
            QCOMPARE(text(dialog, file, "Title"), QString(title));
        }
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> desk_;

    ReadNamesDialog::Uses uses() {
        Controllers& c = desk_->controllers();
        return {c.jobs, c.settings, c.files, c.drafts, c.index, c.customFields, c.sleeves};
    }
    std::vector<FileId> untagged() {
        std::vector<FileId> out;
        for (FileId id : desk_->controllers().sleeves.files())
            if (desk_->controllers().files.file(id)->path.extension() == ".wav")
                out.push_back(id);
        return out;
    }
    static QTreeWidgetItem* row(ReadNamesDialog& dialog, const QString& name) {
        for (int i = 0; i < dialog.results()->topLevelItemCount(); ++i)
            if (dialog.results()->topLevelItem(i)->text(0) == name)
                return dialog.results()->topLevelItem(i);
        return nullptr;
    }
    static QString text(ReadNamesDialog& dialog, const QString& name, const QString& column) {
        QTreeWidgetItem* item = row(dialog, name);
        for (int c = 0; item && c < dialog.results()->columnCount(); ++c)
            if (dialog.results()->headerItem()->text(c) == column)
                return item->text(c);
        return "(none)";
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestNames test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_names.moc"
