// SPDX-License-Identifier: GPL-3.0-or-later
// The window in German: every text that is asked for has one.
#include <QtTest>

#include <QAbstractButton>
#include <QLabel>
#include <QTranslator>

#include <set>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/bench/put_away_page.h"
#include "app/deliver/deliver_page.h"
#include "app/help/help.h"
#include "app/people/release_parts.h"
#include "app/shell/first_start.h"
#include "app/shell/foot.h"
#include "app/shell/language.h"
#include "app/shell/sample_files.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

/// Asked before the others: notes what they do not know.
class Listener : public QTranslator {
public:
    mutable std::set<QString> unknown;
    const QObjectList texts = qApp->children(); // the translators among them

    bool isEmpty() const override { return false; }
    QString translate(const char* context, const char* source, const char* disambiguation,
                      int n) const override {
        if (!QByteArray(context).startsWith("moorfrost"))
            return {}; // Qt's own
        for (const QObject* one : texts)
            if (const auto* translator = qobject_cast<const QTranslator*>(one))
                if (!translator->translate(context, source, disambiguation, n).isNull())
                    return {};
        unknown.insert(QString::fromUtf8(source));
        return {};
    }
};

class TestGerman : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

private slots:
    void everyTextThatIsAskedForIsThere() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        QCOMPARE(language::chosen(), QString("en"));
        language::choose("tlh"); // one that is not spoken
        QCOMPARE(language::chosen(), QString("en"));
        language::choose("de");
        QCOMPARE(language::chosen(), QString("de"));
        language::install("de");
        Listener listener;
        QApplication::installTranslator(&listener);
        makeSmallLibrary(box_->root());
        Driver d(*box_ / "library.db");
        d.settle();
        test::tag(test::makeSound(*box_ / "in", "a.flac"),
                  {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
        d.bringIn({*box_ / "in"});
        MainWindow& w = d.window();
        for (const auto step :
             {BenchPage::BringIn, BenchPage::Identify, BenchPage::Describe, BenchPage::PutAway}) {
            w.showWorkspace(MainWindow::Bench);
            w.bench()->showStep(step);
            d.settle();
        }
        for (const auto workspace :
             {MainWindow::Library, MainWindow::Releases, MainWindow::Audit, MainWindow::Deliver,
              MainWindow::Journal, MainWindow::Settings, MainWindow::Review}) {
            w.showWorkspace(workspace);
            d.settle();
        }
        for (int way = 0; way <= int(DeliverWay::Before); ++way) {
            w.deliver()->show(DeliverWay(way));
            d.settle();
        }
        for (const auto part :
             {PartButtons::Editions, PartButtons::People, PartButtons::Works, PartButtons::Agreements}) {
            w.releaseParts()->showPart(part);
            d.settle();
        }
        for (const auto part : {AuditPage::CodesPart, AuditPage::FixityPart}) {
            w.audit()->showPart(part);
            d.settle();
        }
        const FirstStartDialog first({d.controllers().shelves, d.controllers().standards});
        const SampleFilesDialog samples;
        w.help()->open("keys");
        QApplication::removeTranslator(&listener);
        QStringList unknown(listener.unknown.begin(), listener.unknown.end());
        for (const QString& one : unknown) // all of them: a message of a test is cut
            std::fprintf(stderr, "no translation: %s\n", qPrintable(one));
        QVERIFY(unknown.isEmpty());
        // It is said in German, plurals, too.
        QCOMPARE(w.foot()->writeButton()->text(), QString::fromUtf8("Schreiben\xE2\x80\xA6"));
        QVERIFY(w.help()->window()->text()->toPlainText().contains(QString::fromUtf8("Einf\xC3\xBCgen")) ||
                w.help()->window()->text()->toPlainText().contains("Zellen kopieren"));
        QCOMPARE(QObject::tr("x"), QString("x"));
        QCOMPARE(QCoreApplication::translate("moorfrost::app::BringInPage", "%n file(s)", nullptr, 1),
                 QString("1 Datei"));
        QCOMPARE(QCoreApplication::translate("moorfrost::app::BringInPage", "%n file(s)", nullptr, 2),
                 QString("2 Dateien"));
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestGerman test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_german.moc"
