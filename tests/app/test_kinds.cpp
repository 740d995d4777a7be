// SPDX-License-Identifier: GPL-3.0-or-later
// Kinds in the window: proposed when files come in, confirmed in a dialog or by the menu, kept, and not asked
// for what only music has.
#include <QtTest>

#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/kinds_dialog.h"
#include "app/shell/text_utils.h"
#include "demo/encode.h"
#include "demo/synth.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;
using matching::ContentKind;

class TestKinds : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
    uint32_t seed_ = 6; // each sound is another one

    Controllers& s() { return d_->controllers(); }
    BringInPage* page() { return d_->window().bench()->bringIn(); }
    FileId sound(const char* name, demo::Sound sound, double seconds, const tags::Fields& fields = {}) {
        std::filesystem::create_directories(*box_ / "in");
        const Path file = *box_ / "in" / name;
        if (!demo::encodeSound(demo::synthesise({++seed_, seconds, sound, 1.0}), file, 0))
            qFatal("no sound was made");
        if (!fields.empty())
            test::tag(file, fields);
        return 0;
    }
    void bringIn() {
        sound("Slack Water.flac", demo::Sound::Band, 20,
              {{"artist", {"The Hollow Ferry"}}, {"title", {"a"}}});
        sound("untitled 12.flac", demo::Sound::Beat, 20);
        sound("reel end.flac", demo::Sound::Tone, 12);
        sound("harbour day.flac", demo::Sound::Speech, 20);
        sound("ident 1.flac", demo::Sound::Band, 20);
        d_->bringIn({*box_ / "in"});
        d_->settle();
    }
    QString note(const char* name) {
        return d_->bringInRow(name).siblingAtColumn(FolderModel::Note).data().toString();
    }
    QPushButton* kindsButton() { return page()->findChild<QPushButton*>("kinds"); }
    QString stepCount() { return d_->window().findChildren<StepButton*>().front()->accessibleDescription(); }
    /// In the dialog that opens next.
    void inDialog(std::function<void(KindsDialog*)> what) {
        QTimer::singleShot(0, this, [what] {
            auto* dialog = qobject_cast<KindsDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            what(dialog);
        });
    }

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void proposedConfirmedAndKept() {
        bringIn();
        QCOMPARE(s().kinds.proposals().size(), size_t{3});
        QVERIFY2(note("reel end").startsWith("Tone? \u00B7 "), qPrintable(note("reel end")));
        QVERIFY(note("harbour day").startsWith("Speech?"));
        QVERIFY(note("ident 1").startsWith("Ident?"));
        QCOMPARE(note("untitled 12"), QString("no tags"));
        QVERIFY(kindsButton()->isVisibleTo(page()));
        QCOMPARE(kindsButton()->text(), QString("3 kinds to confirm\u2026"));
        QCOMPARE(stepCount(), QString("%1 left").arg(3 + s().sleeves.straysToSort()));
        const size_t strays = s().sleeves.straysToSort(), gaps = s().sleeves.gaps();

        // One of them is put right, the others confirmed.
        inDialog([](KindsDialog* dialog) {
            QCOMPARE(dialog->list()->topLevelItemCount(), 3);
            QVERIFY(dialog->kindButton(ContentKind::Effect)->isEnabled());
            dialog->list()->clearSelection();
            QVERIFY(!dialog->kindButton(ContentKind::Effect)->isEnabled());
            for (int i = 0; i < 3; ++i)
                if (QTreeWidgetItem* item = dialog->list()->topLevelItem(i);
                    item->text(0).startsWith("ident"))
                    item->setSelected(true);
            dialog->kindButton(ContentKind::Music)->click();
            dialog->confirmButton()->click();
        });
        kindsButton()->click();
        d_->settle();
        QVERIFY(s().kinds.proposals().empty());
        QVERIFY(note("reel end").startsWith("Tone \u00B7 "));
        QCOMPARE(note("ident 1"), QString("no tags"));
        QVERIFY(!kindsButton()->isVisibleTo(page()));
        QCOMPARE(s().sleeves.straysToSort(), strays - 2);
        QVERIFY(s().sleeves.gaps() < gaps); // a tone is not asked for its artist

        // By the menu's way, and after a start it is as it was.
        s().kinds.confirm({{d_->fileNamed("untitled 12.flac"), ContentKind::Effect}});
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QVERIFY(note("untitled 12").startsWith("Effect"));
        QVERIFY(note("harbour day").startsWith("Speech \u00B7 "));
        QVERIFY(s().kinds.proposals().empty());
    }

    void whatWasHeardIsNotHeardAgain() {
        bringIn();
        const auto proposals = s().kinds.proposals();
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        bool listened = false;
        connect(&s().jobs, &JobList::changed, this, [&] {
            for (const work::JobView& job : s().jobs.list())
                listened = listened || job.title.starts_with("Listening");
        });
        d_->settle();
        QVERIFY(s().kinds.proposals() == proposals);
        QVERIFY(!listened);
        // Unless it is another file by now.
        sound("reel end.flac", demo::Sound::Band, 20);
        d_->bringIn({*box_ / "in"});
        QVERIFY(listened);
        QVERIFY(!s().kinds.proposalFor(d_->fileNamed("reel end.flac")));
    }

    void stoppedListening() {
        sound("reel end.flac", demo::Sound::Tone, 12);
        sound("reel start.flac", demo::Sound::Tone, 12);
        bool stopped = false;
        connect(&s().jobs, &JobList::changed, this, [&] {
            for (const work::JobView& job : s().jobs.list())
                if (!stopped && job.title.starts_with("Listening")) {
                    stopped = true;
                    s().jobs.stop(job.id);
                }
        });
        d_->bringIn({*box_ / "in"});
        d_->settle();
        QVERIFY(stopped);
        // It was stopped from within its start, long before two sounds could be decoded.
        QVERIFY(s().kinds.unheard() > 0);
        QVERIFY(kindsButton()->isVisibleTo(page()));
        inDialog([this](KindsDialog* dialog) {
            auto buttons = dialog->findChildren<QPushButton*>();
            for (QPushButton* b : buttons)
                if (b->text().startsWith("Listen to"))
                    b->click();
            d_->settle();
            QCOMPARE(dialog->list()->topLevelItemCount(), 2);
            dialog->reject();
        });
        page()->confirmKinds();
        QCOMPARE(s().kinds.unheard(), size_t{0});
    }
};

QTEST_MAIN(TestKinds)
#include "test_kinds.moc"
