// SPDX-License-Identifier: GPL-3.0-or-later
// What the interface says and offers when a write does not go through whole: reasons, Retry, the choice about
// other names, reading again, the page after an interruption, the limits of the journal.
#include <QListWidget>
#include <QtTest>

#include <QCheckBox>
#include <QComboBox>

#include <csignal>
#include <fcntl.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "app/bench/review_page.h"
#include "app/journal/journal_page.h"
#include "app/journal/recovery_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/disk_faults.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestTroubles : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        for (uint32_t i = 0; const char* name : {"a.flac", "b.flac", "c.flac"})
            test::makeSound(*box_ / "in", name, ++i);
        open();
        d_->bringIn({*box_ / "in"});
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void aFileWithOtherNames() {
        Path twin = *box_ / "twin.flac";
        std::filesystem::create_hard_link(*box_ / "in/a.flac", twin);
        std::string before = test::readBytes(twin);
        title({"a.flac", "b.flac"}, "Gorse");
        write();
        ReviewPage* review = d_->window().review();
        QVERIFY(review->allNamesButton()->isVisible() && review->thisNameButton()->isVisible());
        QVERIFY(!review->retryButton()->isVisible());
        QVERIFY(reasons().contains("hard links"));
        QVERIFY(test::readBytes(twin) == before);
        // The job shelf says it as well, wherever one is.
        d_->window().showWorkspace(MainWindow::Bench);
        QVERIFY(d_->window().jobShelf()->isVisible());
        QVERIFY(d_->window().jobShelf()->troubleText().contains("a.flac"));
        d_->window().showWorkspace(MainWindow::Review);
        review->allNamesButton()->click();
        d_->settle();
        QCOMPARE(titleOf(twin), std::string("Gorse"));
        QVERIFY(std::filesystem::equivalent(twin, *box_ / "in/a.flac"));
        QVERIFY(!d_->window().jobShelf()->isVisible());
        title({"a.flac"}, "Cold Slip");
        write();
        review->thisNameButton()->click();
        d_->settle();
        QCOMPARE(titleOf(twin), std::string("Gorse"));
        QCOMPARE(titleOf(*box_ / "in/a.flac"), std::string("Cold Slip"));
    }

    void aFileThatIsCutShortIsWrittenByChoice() {
        const std::string whole = test::readBytes(*box_ / "in/a.flac");
        test::writeBytes(*box_ / "in/a.flac", whole.substr(0, whole.size() * 8 / 10));
        d_->controllers().writing.readAgain({d_->fileNamed("a.flac")});
        d_->settle();
        QVERIFY(d_->controllers().files.file(d_->fileNamed("a.flac"))->tags.damaged);
        title({"a.flac", "b.flac"}, "Gorse");
        write();
        ReviewPage* review = d_->window().review();
        QVERIFY(reasons().contains("cut short"));
        QVERIFY(review->evenDamagedButton()->isVisible() && !review->retryButton()->isVisible());
        QVERIFY(titleOf(*box_ / "in/a.flac") != "Gorse");
        review->evenDamagedButton()->click();
        d_->settle();
        QCOMPARE(titleOf(*box_ / "in/a.flac"), std::string("Gorse"));
        const auto& steps = d_->controllers().writing.lastReport()->steps;
        QCOMPARE(steps.size(), size_t{1});
        QVERIFY(steps[0].notes.front().find("although the file is damaged") != std::string::npos);
        // The journal tells it, too.
        d_->window().showWorkspace(MainWindow::Journal);
        d_->settle();
        d_->window().journal()->findChild<QListWidget*>()->setCurrentRow(0); // the newest
        d_->settle();
        QVERIFY(!d_->window()
                     .journal()
                     ->findChild<QTreeWidget*>()
                     ->findItems("although the file is damaged", Qt::MatchContains | Qt::MatchRecursive)
                     .isEmpty());
    }

    void aFileThatSomethingElseChanged() {
        title({"a.flac", "b.flac"}, "Gorse");
        test::tag(*box_ / "in/a.flac", {{"artist", {"by another program"}}});
        write();
        ReviewPage* review = d_->window().review();
        QVERIFY(reasons().contains("changed by something else"));
        QVERIFY(review->readAgainButton()->isVisible());
        review->readAgainButton()->click();
        d_->settle();
        // The draft is still there, beside what the file holds now.
        QVERIFY(!d_->controllers().writing.lastReport());
        FileId a = d_->fileNamed("a.flac");
        QCOMPARE(d_->controllers().files.file(a)->tags.fields.at("artist").front(),
                 std::string("by another program"));
        QCOMPARE(d_->controllers().drafts.session().effective(a, "title").front(), std::string("Gorse"));
        write();
        QCOMPARE(titleOf(*box_ / "in/a.flac"), std::string("Gorse"));
        QCOMPARE(tags::readTags(*box_ / "in/a.flac")->fields["artist"].front(),
                 std::string("by another program"));
    }

    void retryAfterTheCauseIsGone() {
        title({"a.flac", "b.flac"}, "Gorse");
        {
            // The disk is full for everything that b needs.
            Path b = *box_ / "in/b.flac";
            std::filesystem::rename(b, *box_ / "b elsewhere");
            write();
            std::filesystem::rename(*box_ / "b elsewhere", b);
        }
        QCOMPARE(titleOf(*box_ / "in/a.flac"), std::string("Gorse"));
        QVERIFY(reasons().contains("not there any more"));
        QVERIFY(d_->window().review()->retryButton()->isVisible());
        d_->window().showWorkspace(MainWindow::Library);
        d_->window().jobShelf()->retryButton()->click();
        d_->settle();
        QCOMPARE(titleOf(*box_ / "in/b.flac"), std::string("Gorse"));
        QVERIFY(d_->controllers().drafts.session().all().empty());
        QVERIFY(!d_->window().jobShelf()->isVisible());
    }

    void afterAnInterruption() {
        Path library = d_->controllers().care.file();
        FileId a = d_->fileNamed("a.flac"), b = d_->fileNamed("b.flac"), c = d_->fileNamed("c.flac");
        title({"a.flac", "b.flac", "c.flac"}, "Gorse");
        d_.reset();
        // Killed when the second of three files was about to move; then the third is changed by something
        // else.
        pid_t child = ::fork();
        if (child == 0) {
            struct Killer : files::io::Observer {
                int renames = 0;
                int before(files::io::Event& e) override {
                    if (e.call == files::io::Call::Rename && ++renames == 2)
                        ::raise(SIGKILL);
                    return 0;
                }
                void after(const files::io::Event&) override {}
            } killer;
            files::io::observe(&killer);
            files::ChangeSet set{"Put away 3 files", {}, {}};
            for (auto [id, name] : {std::pair(a, "a.flac"), {b, "b.flac"}, {c, "c.flac"}}) {
                files::Step s;
                s.file = id;
                s.source = *box_ / "in" / name;
                s.target = *box_ / "shelf" / name;
                s.changes = {{"title", {"Gorse"}}};
                set.steps.push_back(s);
            }
            work::Progress progress;
            library::writeSet(**library::Store::open(library), set, 0, {}, progress);
            ::_exit(0);
        }
        int status = 0;
        ::waitpid(child, &status, 0);
        QVERIFY(WIFSIGNALED(status));
        test::tag(*box_ / "in/c.flac", {{"title", {"theirs"}}});
        open();
        QCOMPARE(d_->window().workspace(), MainWindow::Interruption);
        RecoveryPage* page = d_->window().recovery();
        QVERIFY(page->text().contains("Put away 3 files"));
        QStringList groups;
        for (int i = 0; i < page->tree()->topLevelItemCount(); ++i)
            groups << page->tree()->topLevelItem(i)->text(0);
        QCOMPARE(groups, (QStringList{"Set aside: 1 file", "Finished: 2 files"}));
        QVERIFY(page->tree()->topLevelItem(0)->child(1)->child(0)->text(0).contains("left alone"));
        QCOMPARE(titleOf(*box_ / "shelf/a.flac"), std::string("Gorse"));
        QCOMPARE(titleOf(*box_ / "shelf/b.flac"), std::string("Gorse"));
        QCOMPARE(titleOf(*box_ / "in/c.flac"), std::string("theirs"));
        // The library has followed: a and b are at their new places, without drafts.
        QCOMPARE(d_->controllers().files.file(a)->path, *box_ / "shelf/a.flac");
        QVERIFY(!d_->controllers().drafts.session().all().contains(a));
        QVERIFY(d_->controllers().drafts.session().all().contains(c));
        for (QPushButton* button : page->findChildren<QPushButton*>())
            if (button->text() == "Look in the journal")
                button->click();
        QCOMPARE(d_->window().workspace(), MainWindow::Journal);
        QCOMPARE(d_->controllers().journal.sets().front().setAside, size_t{1});
        // It is told once.
        d_.reset();
        open();
        QCOMPARE(d_->window().workspace(), MainWindow::Bench);
    }

    void theJournalIsFull() {
        for (const char* name : {"a.flac", "b.flac"})
            title({name}, std::string(500, 't'));
        write();
        title({"a.flac"}, "x");
        write();
        QVERIFY(d_->controllers().journal.use().used > 400);
        d_->controllers().settings.set(library::settings::historyLimit, 100);
        d_->controllers().journal.refresh();
        d_->settle();
        QVERIFY(!d_->controllers().journal.use().next.empty());
        title({"b.flac"}, "y");
        d_->window().showWorkspace(MainWindow::Review);
        d_->controllers().writing.clearReport();
        d_->settle();
        QVERIFY2(d_->window().review()->bannerText().contains("can no longer be taken back"),
                 qPrintable(d_->window().review()->bannerText()));
        QVERIFY(std::none_of(d_->controllers().journal.sets().begin(), d_->controllers().journal.sets().end(),
                             [](const auto& s) { return s.dropped; }));
        write();
        QVERIFY(std::any_of(d_->controllers().journal.sets().begin(), d_->controllers().journal.sets().end(),
                            [](const auto& s) { return s.dropped; }));
    }

    void settingsOfWriting() {
        d_->window().showWorkspace(MainWindow::Settings);
        auto* keep = d_->window().findChild<QCheckBox*>("keep times");
        auto* limit = d_->window().findChild<QComboBox*>("history limit");
        QVERIFY(keep && limit);
        QCOMPARE(limit->currentText(), QString("2 GB"));
        limit->setCurrentIndex(0);
        emit limit->activated(0);
        d_->settle();
        QCOMPARE(d_->controllers().journal.use().limit, uint64_t{500000000});
        timespec times[2] = {{1000, 0}, {921412800, 0}};
        ::utimensat(AT_FDCWD, (*box_ / "in/a.flac").c_str(), times, 0);
        d_->bringIn({*box_ / "in"});
        keep->click();
        title({"a.flac"}, "Gorse");
        write();
        QCOMPARE(titleOf(*box_ / "in/a.flac"), std::string("Gorse"));
        QCOMPARE(files::stateOf(*box_ / "in/a.flac")->modifiedNs, int64_t{921412800} * 1000000000);
    }

private:
    void open() {
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->window().show();
        d_->settle();
        d_->settle();
    }
    void title(const std::vector<std::string>& names, const std::string& text) {
        std::vector<library::DraftSession::Wish> wishes;
        for (const std::string& name : names)
            wishes.push_back({d_->fileNamed(name), "title", {text}});
        d_->controllers().drafts.session().propose("Edit", wishes, "typed");
        d_->settle();
    }
    void write() {
        d_->controllers().writing.clearReport();
        d_->window().showWorkspace(MainWindow::Review);
        d_->window().foot()->writeButton()->click();
        d_->settle();
        QTest::qWait(50); // the page follows a moment later
    }
    /// All that the report says in full lines.
    QString reasons() {
        QString all;
        QTreeWidget* tree = d_->window().review()->tree();
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            for (int k = 0; k < tree->topLevelItem(i)->childCount(); ++k)
                all += tree->topLevelItem(i)->child(k)->text(0) + "\n";
        return all;
    }
    static std::string titleOf(const Path& file) {
        auto tags = tags::readTags(file);
        return tags ? tags::firstValue(tags->fields, "title") : tags.error().message;
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestTroubles test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_troubles.moc"
