// SPDX-License-Identifier: GPL-3.0-or-later
// The window in German: every text that is asked for has one.
#include <QtTest>

#include <QAbstractButton>
#include <QFile>
#include <QJsonDocument>
#include <QJsonObject>
#include <QLabel>
#include <QTranslator>

#include <set>

#include "app/help/help.h"
#include "app/help/manual.h"
#include "app/shell/core_sentences.h"
#include "app/shell/first_start.h"
#include "app/shell/foot.h"
#include "app/shell/language.h"
#include "app/shell/sample_files.h"
#include "core/edits/steps.h"
#include "support/every_page.h"

using namespace moorfrost;
using namespace moorfrost::app;

/// Asked before the others: notes what they do not know.
class Listener : public QTranslator {
public:
    mutable std::set<QString> unknown;
    const QList<QTranslator*> texts = qApp->findChildren<QTranslator*>();

    bool isEmpty() const override { return false; }
    QString translate(const char* context, const char* source, const char* disambiguation,
                      int n) const override {
        if (QByteArray(context).startsWith('Q') || QByteArray(context) == "core")
            return {}; // Qt's own; words of which spoken() asks whether they are any
        for (const QTranslator* translator : texts)
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
        QCOMPARE(language::inSentence("Barcode"), QString("barcode"));
        language::install("de");
        QCOMPARE(language::inSentence("Strichcode"), QString("Strichcode")); // a noun is written large
        Listener listener;
        QApplication::installTranslator(&listener);
        const auto d = somethingOnEveryPage(box_->root());
        test::tag(test::makeSound(*box_ / "archive", "n.flac", 9), {{"title", {"Never"}}});
        d->controllers().shelves.read(d->controllers().shelves.all());
        d->settle();
        for (const PageOfAll& page : everyPage())
            showPage(*d, page);
        MainWindow& w = d->window();
        // A track that is titled like a word of ours is still titled so.
        QStringList titles;
        const AuditController& audit = d->controllers().audit;
        for (size_t i = 0; i < audit.open() + audit.leftAlone(); ++i)
            titles << audit.title(i);
        QVERIFY2(titles.contains("Never") && !titles.contains("Nie"), qPrintable(titles.join(" | ")));
        const FirstStartDialog first({d->controllers().shelves, d->controllers().standards});
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

    // Whatever is put in: each sentence of the core is told by its own translation, not by that of another.
    void everySentenceOfTheCoreIsFound() {
        QFile file(":/i18n/sentences_de.json");
        QVERIFY(file.open(QIODevice::ReadOnly));
        const QJsonObject all = QJsonDocument::fromJson(file.readAll()).object();
        QVERIFY(all.size() > 1000);
        int wrong = 0;
        for (auto it = all.begin(); it != all.end(); ++it) {
            if (!it.value().isString())
                continue;
            QString asked = it.key(), wanted = it.value().toString();
            for (int i = 1; i < 7; ++i) {
                const QString put = QString(QChar(0xAB)) + QString::number(i) + QChar(0xBB);
                asked.replace("%" + QString::number(i), put);
                wanted.replace("%=" + QString::number(i), put).replace("%" + QString::number(i), put);
            }
            if (const QString said = spoken(asked.toStdString()); said != wanted) {
                std::fprintf(stderr, "%s\n  is    %s\n  wants %s\n", qPrintable(asked), qPrintable(said),
                             qPrintable(wanted));
                ++wrong;
            }
        }
        QCOMPARE(wrong, 0);
    }

    // The steps of the bench are made of words of the core.
    void everyStepIsTold() {
        QStringList missing;
        auto ask = [&](const std::string& text) {
            const QString english = QString::fromStdString(text);
            static const QRegularExpression encoding("^(UTF|Shift|EUC|GB|Big5|Windows|KOI8)");
            if (!english.isEmpty() && spoken(text) == english && english != "In" && english != "Text" &&
                !encoding.match(english).hasMatch())
                missing << english;
        };
        for (const edits::StepKind& kind : edits::stepKinds()) {
            ask(kind.label);
            ask(kind.does);
            for (const edits::OptionDef& option : kind.options) {
                ask(option.label);
                for (const auto& choice : option.choices)
                    ask(choice.label);
            }
        }
        QVERIFY2(missing.isEmpty(), qPrintable(missing.join(" | ")));
    }

    void whatIsPutIntoASentenceStays() {
        QCOMPARE(spoken("The file is not there any more."), QString("Die Datei ist nicht mehr da."));
        // A value in quotes is the person's, whatever it says.
        QCOMPARE(spoken("\"Stopped.\" does not fit the plan."),
                 QString::fromUtf8("\u201EStopped.\u201C passt nicht zum Plan."));
        QCOMPARE(spoken("Moving the file failed: the disk is read-only."),
                 QString("Das Verschieben der Datei ist gescheitert: die Platte kann nur gelesen werden."));
        // Nor is one that only looks like a word of the core.
        QCOMPARE(spoken("Title for all: Never"), QString("Titel f\u00FCr alle: Never"));
        QCOMPARE(spoken("number Never missing"), QString("Nummer Never fehlt"));
        // What the core puts together is told in parts.
        QCOMPARE(spoken("3 of 12 files have no date."), QString("3 von 12 Dateien ohne Angabe: Datum."));
        QCOMPARE(spoken("number 4 missing (and 2 more)"), QString("Nummer 4 fehlt (und 2 weitere)"));
        QCOMPARE(spoken("The disk is full. Stopped."), QString("Die Platte ist voll. Angehalten."));
        QCOMPARE(spoken("same name as Gorse.flac"), QString("gleicher Name wie Gorse.flac"));
        QCOMPARE(spoken("splits an album: date: 1989 / 1998?"),
                 QString("teilt ein Album: Datum: 1989 / 1998?"));
        QCOMPARE(spoken("Album artist, else Artist"), QString("Albuminterpret, sonst Interpret"));
        QCOMPARE(spoken("Date \u00B7 year"), QString("Datum \u00B7 Jahr"));
        // What nobody has translated stays as it is.
        QCOMPARE(spoken("Hollow Ferry"), QString("Hollow Ferry"));
        QCOMPARE(spoken("a, , b. : "), QString("a, , b. : "));
        QCOMPARE(spoken(""), QString());
        QCOMPARE(spoken(std::string(100'000, '%')).size(), 100'000);
        QVERIFY(!language::installSentences("[1, 2]"));
    }

    // Page by page beside the English one: the same headings in the same order, the same links and pictures.
    void theManualIsWhole() {
        language::choose("en"); // holds from the next start on: until then the manual is as the window is
        const Manual manual = Manual::shipped();
        const Manual english = Manual::read(manual.folder().parent_path());
        QCOMPARE(manual.folder().filename(), Path("de"));
        QCOMPARE(manual.pages().size(), english.pages().size());
        static const QRegularExpression link("\\]\\(([^)#]*)(#[^)]*)?\\)"), code("`[^`]*`");
        for (size_t i = 0; i < manual.pages().size(); ++i) {
            const ManualPage& page = manual.pages()[i];
            const ManualPage& other = *english.page(page.key);
            QVERIFY2(page.text != other.text, qPrintable(page.key));
            QCOMPARE(page.text.count("\n#"), other.text.count("\n#"));
            QCOMPARE(page.anchors.size(), other.text.count("\n#") + 1);
            QMultiMap<QString, int> here, there;
            for (const auto& m : link.globalMatch(page.text)) {
                here.insert(m.captured(1).section('/', -1), 1);
                QVERIFY2(m.captured(1).isEmpty() ||
                             std::filesystem::exists(manual.folder() / m.captured(1).toStdString()),
                         qPrintable(page.key + ": " + m.captured(1)));
                if (const QString heading = m.captured(2).mid(1).replace('-', ' '); !heading.isEmpty()) {
                    const ManualPage* to = manual.page(m.captured(1).section('.', 0, 0));
                    QVERIFY2(to && to->text.contains("# " + heading + "\n", Qt::CaseInsensitive),
                             qPrintable(page.key + ": " + heading));
                }
            }
            for (const auto& m : link.globalMatch(other.text))
                there.insert(m.captured(1).section('/', -1), 1);
            QVERIFY2(here == there, qPrintable(page.key));
        }
        // A place that is named in English is found.
        QCOMPARE(manual.page("put-away")->heading("shelves"), QString("Regale"));
        QCOMPARE(manual.page("put-away")->heading("regale"), QString("regale"));
        QCOMPARE(english.page("put-away")->heading("shelves"), QString("shelves"));
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
