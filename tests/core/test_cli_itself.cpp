// SPDX-License-Identifier: GPL-3.0-or-later
// What moorfrost-cli says about itself: version, page of the manual, what shells complete.
#include <QtTest>

#include <QRegularExpression>

#include "core/base/version.h"
#include "support/cli.h"

using namespace moorfrost;

class TestCliItself : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_ = std::make_unique<test::Sandbox>();

    QByteArray said(const QList<QByteArray>& arguments) {
        const test::CliAnswer answer = test::runCli(box_->root(), arguments, false);
        return answer.code == 0 ? answer.out : QByteArray();
    }
    /// What a program prints about a text; nothing where all is well.
    static QString complaints(const QString& program, const QStringList& arguments) {
        QProcess process;
        process.setProcessChannelMode(QProcess::MergedChannels);
        process.setStandardInputFile(QProcess::nullDevice());
        process.start(program, arguments);
        if (!process.waitForStarted(5000))
            return program + " is not there";
        process.waitForFinished(30000);
        return process.exitCode() == 0 ? QString() : QString::fromUtf8(process.readAll());
    }
    QStringList commands() {
        QStringList out;
        static const QRegularExpression line("^  ([a-z-]+) ");
        const QString help = QString::fromUtf8(said({"--help"}));
        for (const QString& one : help.section("Subcommands:", 1).split('\n'))
            if (const auto match = line.match(one); match.hasMatch())
                out << match.captured(1);
        return out;
    }

private slots:
    void theVersionIsThatOfTheSources() {
        QCOMPARE(said({"--version"}).trimmed(), QByteArray("Moorfrost ") + version());
        const std::string cmake = test::readBytes(test::inSources("CMakeLists.txt"));
        QVERIFY(cmake.find(std::string("project(Moorfrost VERSION ") + version() + " ") != std::string::npos);
    }

    void theManualPageHasEveryCommandAndOption() {
        const QByteArray page = said({"man"});
        QVERIFY(commands().size() > 40);
        QString plain = QString::fromUtf8(page);
        plain.replace("\\-", "-");
        for (const QString& command : commands()) {
            static const QString head = ".SS \"";
            const bool hasWords = plain.contains(head + command + " ");
            const QString begin = head + command + (hasWords ? " " : "\"");
            QVERIFY2(plain.contains(begin), qPrintable(command));
            const QString help = QString::fromUtf8(said({command.toUtf8(), "--help"}));
            static const QRegularExpression option("(--[a-z0-9-]+)");
            auto all = option.globalMatch(help);
            while (all.hasNext())
                if (const QString one = all.next().captured(1); one != "--help")
                    QVERIFY2(plain.section(begin, 1).section(".SS", 0, 0).contains(one) ||
                                 plain.section(".SS", 0, 0).contains(one),
                             qPrintable(command + " " + one));
        }
        // groff finds nothing to say of it.
        test::writeBytes(*box_ / "page.1", page.toStdString());
        QProcess groff;
        groff.start("groff",
                    {"-man", "-Tutf8", "-ww", "-z", QString::fromStdString((*box_ / "page.1").native())});
        QVERIFY(groff.waitForStarted(5000) && groff.waitForFinished(30000));
        QCOMPARE(QString::fromUtf8(groff.readAllStandardError()), QString());
    }

    void shellsUnderstandWhatTheyGet() {
        for (const char* shell : {"bash", "zsh", "fish"}) {
            const QByteArray script = said({"completion", shell});
            QVERIFY(script.size() > 1000);
            const Path file = *box_ / (std::string("completion.") + shell);
            test::writeBytes(file, script.toStdString());
            const QString complaint = complaints(shell, {QString(shell) == "fish" ? "--no-execute" : "-n",
                                                         QString::fromStdString(file.native())});
            QVERIFY2(complaint.isEmpty(), qPrintable(QString(shell) + ": " + complaint));
        }
        QCOMPARE(test::runCli(box_->root(), {"completion", "csh"}, false).code, 2);
    }

    void bashCompletes_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("offered");
        QTest::addColumn<QString>("notOffered");
        QTest::newRow("a command") << "moorfrost-cli put"
                                   << "put-away"
                                   << "scan";
        QTest::newRow("behind the library") << "moorfrost-cli --library x.db jour"
                                            << "journal"
                                            << "scan";
        QTest::newRow("an option") << "moorfrost-cli put-away --on"
                                   << "--on-clash"
                                   << "--shelf";
        QTest::newRow("a value") << "moorfrost-cli put-away --on-clash ke"
                                 << "keep-better"
                                 << "skip";
        QTest::newRow("a word") << "moorfrost-cli recording m"
                                << "merge"
                                << "show";
    }
    void bashCompletes() {
        QFETCH(QString, typed);
        QFETCH(QString, offered);
        QFETCH(QString, notOffered);
        test::writeBytes(*box_ / "completion", said({"completion", "bash"}).toStdString());
        QProcess bash;
        bash.start("bash", {"-c",
                            ". \"$0\"; COMP_WORDS=(" + typed +
                                "); COMP_CWORD=$((${#COMP_WORDS[@]} - 1)); _moorfrost_cli; "
                                "printf '%s\\n' \"${COMPREPLY[@]}\"",
                            QString::fromStdString((*box_ / "completion").native())});
        QVERIFY(bash.waitForFinished(30000));
        const QStringList words = QString::fromUtf8(bash.readAllStandardOutput()).split('\n');
        QVERIFY2(words.contains(offered), qPrintable(words.join(' ')));
        QVERIFY(!words.contains(notOffered));
    }

    void fishCompletes() {
        test::writeBytes(*box_ / "completion", said({"completion", "fish"}).toStdString());
        QProcess fish;
        fish.start("fish", {"--no-config", "-c",
                            "source " + QString::fromStdString((*box_ / "completion").native()) +
                                "; complete -C 'moorfrost-cli put-away --on-clash '"});
        QVERIFY(fish.waitForFinished(30000));
        const QString words = QString::fromUtf8(fish.readAllStandardOutput());
        QVERIFY2(words.contains("keep-better"), qPrintable(words));
    }
};

QTEST_GUILESS_MAIN(TestCliItself)
#include "test_cli_itself.moc"
