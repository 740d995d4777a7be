// SPDX-License-Identifier: GPL-3.0-or-later
// Folder by folder: folders are looked at and corrected without a batch, one key brings the next, drafts stay
// where they are and are written like any other.
#include <QtTest>

#include <fstream>

#include "app/bench/folder_panel.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/sleeve_list.h"
#include "app/widgets/two_lines.h"
#include "core/tags/tag_io.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestFolderWalk : public QObject, SheetDesk {
    Q_OBJECT
private slots:
    void init() {
        QSettings().clear();
        sheetBox_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const char* file :
             {"new/CD 2/01 Ebb.flac", "new/CD 10/01 Gorse.ogg", "new/CD 10/02 Salt.flac", "new/02 Åker.flac",
              "new/10 Last.flac", "new/Live/2019/01 Night.flac", "in/batch/01 Peat.flac"}) {
            const Path path = *sheetBox_ / file;
            test::tag(test::makeSound(path.parent_path(), path.filename().native(), ++seed),
                      {{"title", {path.stem().native().substr(3)}}, {"artist", {"The Hollow Ferry"}}});
        }
        std::filesystem::create_directories(*sheetBox_ / "new/Artwork");
        test::writeBytes(*sheetBox_ / "new/Artwork/list.txt", "no sound");
        std::filesystem::create_directories(*sheetBox_ / "shelf");
        describeFolder(); // a batch with one file is there, too
        walk().begin(*sheetBox_ / "new");
        desk_->settle();
    }
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
    }

    void oneKeyBringsTheNext() {
        QVERIFY(panel()->isVisible());
        QVERIFY(!desk_->window().bench()->sleeves()->isVisible());
        QCOMPARE(folders(), (QStringList{"new", "CD 2", "CD 10", "2019"})); // the empty ones are left out
        QCOMPARE(titles(), (QStringList{"Åker", "Last"}));
        sheet_->setFocus();
        go(0, "artist");
        key(Qt::Key_F8);
        QCOMPARE(titles(), QStringList{"Ebb"});
        QCOMPARE(desk_->window().focusWidget(), static_cast<QWidget*>(sheet_)); // the hands go on
        QCOMPARE(model_->keyAt(sheet_->currentIndex().column()), std::string("artist"));
        QCOMPARE(panel()->list()->currentIndex().row(), 1);
        key(Qt::Key_F8);
        QCOMPARE(titles(), (QStringList{"Gorse", "Salt"}));
        key(Qt::Key_F8);
        QCOMPARE(titles(), QStringList{"Night"});
        QString said;
        connect(&desk_->controllers().messages, &Messages::said, this, [&](const QString& s) { said = s; });
        key(Qt::Key_F8);
        QCOMPARE(said, QString("This was the last folder."));
        QCOMPARE(titles(), QStringList{"Night"});
        key(Qt::Key_F8, Qt::ShiftModifier);
        QCOMPARE(titles(), (QStringList{"Gorse", "Salt"}));
        panel()->list()->setCurrentIndex(panel()->list()->model()->index(0, 0)); // by mouse
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åker", "Last"}));
        // The batch is as it was, and comes back.
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{1});
        walk().end();
        desk_->settle();
        QVERIFY(desk_->window().bench()->sleeves()->isVisible());
        QCOMPARE(titles(), QStringList{"Peat"});
    }

    void draftsStay() {
        edit(0, "title", "Åkeren");
        key(Qt::Key_F8);
        edit(0, "title", "Ebb Tide");
        QCOMPARE(panel()->list()->model()->index(0, 0).data(TwoLineDelegate::PillRole).toInt(), 1);
        key(Qt::Key_F8, Qt::ShiftModifier);
        QCOMPARE(titles(), (QStringList{"Åkeren", "Last"}));
        QCOMPARE(drafts(), size_t{2});
        // One undo takes back what was done in another folder.
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(drafts(), size_t{1});
        key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(drafts(), size_t{2});
        // When another batch comes in sight.
        desk_->controllers().batch.create("Another");
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åkeren", "Last"}));
        // When other programs have changed the library, and it is read again.
        desk_->controllers().catchUp();
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åkeren", "Last"}));
        // When the program starts again.
        restart();
        QCOMPARE(drafts(), size_t{2});
        walk().begin(*sheetBox_ / "new");
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åkeren", "Last"}));
    }

    // They are written like any other, and stay where they are.
    void written() {
        edit(0, "title", "Åkeren");
        key(Qt::Key_F8);
        edit(0, "title", "Ebb Tide");
        desk_->window().showWorkspace(MainWindow::Review);
        desk_->settle();
        desk_->window().foot()->writeButton()->click();
        desk_->settle();
        QCOMPARE(drafts(), size_t{0});
        QCOMPARE(titleIn("new/02 Åker.flac"), std::string("Åkeren"));
        QCOMPARE(titleIn("new/CD 2/01 Ebb.flac"), std::string("Ebb Tide"));
        desk_->window().showWorkspace(MainWindow::Bench);
        desk_->settle();
        QCOMPARE(titles(), QStringList{"Ebb Tide"});
    }

    // Of what was only looked at nothing is left when the program starts again.
    void nothingIsLeftOfWhatWasOnlyLookedAt() {
        edit(0, "title", "Åkeren");
        for (int i = 0; i < 3; ++i)
            key(Qt::Key_F8);
        QCOMPARE(known(), size_t{7});
        restart();
        QCOMPARE(known(), size_t{2}); // the batch's, and the one with a draft
        QCOMPARE(drafts(), size_t{1});
    }

    void broughtIn() {
        edit(0, "title", "Åkeren");
        for (QPushButton* b : panel()->findChildren<QPushButton*>())
            if (b->text() == "Bring it in")
                b->click();
        desk_->settle();
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{3});
        walk().end();
        // Clearing the batch takes its drafts; the files that are looked at stay known.
        walk().begin(*sheetBox_ / "new");
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åkeren", "Last"}));
        desk_->controllers().batch.forget();
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Åker", "Last"}));
        edit(1, "title", "The Last");
        QCOMPARE(drafts(), size_t{1});
    }

    void troubles() {
        QString said;
        connect(&desk_->controllers().messages, &Messages::said, this, [&](const QString& s) { said = s; });
        walk().begin(*sheetBox_ / "new/Artwork");
        desk_->settle();
        QVERIFY2(said.contains("There is no sound in"), qPrintable(said));
        QVERIFY(titles().isEmpty());
        key(Qt::Key_F8); // nothing to go to
        walk().begin(*sheetBox_ / "nowhere");
        desk_->settle();
        QVERIFY2(said.contains("is not there"), qPrintable(said));
        QVERIFY(walk().folders().empty());
        // A folder that goes away while it is looked through.
        walk().begin(*sheetBox_ / "new");
        desk_->settle();
        std::filesystem::remove_all(*sheetBox_ / "new/CD 2");
        said.clear();
        key(Qt::Key_F8);
        QVERIFY(!said.isEmpty());
        QVERIFY(titles().isEmpty());
        key(Qt::Key_F8);
        QCOMPARE(titles(), (QStringList{"Gorse", "Salt"}));
        // Quickly: only the last one counts.
        walk().step(-1);
        walk().step(-1);
        walk().step(1);
        walk().step(1);
        walk().step(1);
        desk_->settle();
        QCOMPARE(titles(), QStringList{"Night"});
        walk().begin(*sheetBox_ / "new");
        walk().end();
        desk_->settle();
        QVERIFY(!panel()->isVisible());
        key(Qt::Key_F8);
        QVERIFY2(said.contains("Choose first"), qPrintable(said));
    }

    // The tools of Describe work on what is in sight, in a sleeve or not.
    void toolsWorkThere() {
        test::tag(test::makeSound(*sheetBox_ / "untagged", "The Hollow Ferry - Slack Water.flac", 40), {});
        test::tag(test::makeSound(*sheetBox_ / "untagged", "The Hollow Ferry - Gorse.flac", 41), {});
        walk().begin(*sheetBox_ / "untagged");
        desk_->settle();
        Controllers& c = desk_->controllers();
        ReadNamesDialog names({c.jobs, c.settings, c.files, c.drafts, c.index, c.customFields, c.sleeves},
                              walk().files());
        QTRY_VERIFY(names.isRead());
        names.takeButton()->click();
        desk_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Slack Water"}));
        QCOMPARE(cell(0, "artist"), QString("The Hollow Ferry"));
    }

    void aFileThatCannotBeRead() {
        test::writeBytes(*sheetBox_ / "new/CD 2/02 Broken.flac", "fLaC, but no more than that");
        walk().begin(*sheetBox_ / "new/CD 2");
        desk_->settle();
        QCOMPARE(walk().files().size(), size_t{2});
        QCOMPARE(titles().front(), QString("Ebb"));
    }

private:
    FolderWalk& walk() { return desk_->controllers().folders; }
    FolderPanel* panel() { return desk_->window().bench()->folders(); }
    size_t drafts() { return desk_->controllers().drafts.session().fieldDrafts(); }
    size_t known() {
        desk_->settle();
        auto store = library::Store::open(*sheetBox_ / "library.db");
        return (*store)->files().all().size();
    }
    std::string titleIn(const char* file) {
        const auto tags = tags::readTags(*sheetBox_ / file);
        return tags ? tags::firstValue(tags->fields, "title") : tags.error().message;
    }
    void restart() {
        desk_.reset();
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
        desk_->window().bench()->showStep(BenchPage::Describe);
        sheet_ = desk_->window().bench()->describe()->sheet();
        model_ = static_cast<SheetModel*>(sheet_->model());
        desk_->settle();
    }
    void key(Qt::Key k, Qt::KeyboardModifiers m = {}) {
        QTest::keyClick(&desk_->window(), k, m);
        desk_->settle();
    }
    void edit(int row, const char* field, const QString& value) {
        model_->setData(model_->index(row, column(field)), value, Qt::EditRole);
        desk_->settle();
    }
    QStringList folders() {
        QStringList out;
        for (int i = 0; i < panel()->list()->model()->rowCount(); ++i)
            out << panel()->list()->model()->index(i, 0).data().toString();
        return out;
    }
    QStringList titles() {
        QStringList out;
        for (int i = 0; i < model_->rowCount(); ++i)
            out << cell(i, "title");
        return out;
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestFolderWalk test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_folder_walk.moc"
