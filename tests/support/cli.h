// SPDX-License-Identifier: GPL-3.0-or-later
// Running moorfrost-cli as a script would, with arguments that are any bytes.
#pragma once

#include <QtTest>

#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>

#include "support/places.h"
#include "support/sample_files.h"

namespace moorfrost::test {

struct CliAnswer {
    int code = -1;
    QList<QJsonObject> lines;
    QString messages;
    QByteArray out; // all that was printed
};

/// moorfrost-cli on the library "library.db" in the folder. `isJson`: it prints an object a line.
inline CliAnswer runCli(const Path& folder, const QList<QByteArray>& arguments, bool isJson = true) {
    // Arguments as bytes: through a shell-free file of NUL-terminated words.
    QStringList words;
    QProcess process;
    CliAnswer answer;
    QByteArray script = "exec \"$0\" --library \"$MOORFROST_LIBRARY\"";
    for (const QByteArray& a : arguments) {
        QByteArray quoted = a;
        quoted.replace("'", "'\\''");
        script += " '" + quoted + "'";
    }
    writeBytes(folder / "script", script.toStdString());
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    environment.insert("MOORFROST_LIBRARY", QString::fromStdString((folder / "library.db").native()));
    process.setProcessEnvironment(environment);
    process.start(
        "/bin/sh",
        {"-c", "script=$(cat " + QString::fromStdString((folder / "script").native()) + "); eval \"$script\"",
         QString::fromStdString(inBuild("src/cli/moorfrost-cli").native())});
    process.waitForFinished(60000);
    answer.code = process.exitCode();
    answer.messages = QString::fromUtf8(process.readAllStandardError());
    answer.out = process.readAllStandardOutput();
    for (const QByteArray& line : answer.out.split('\n'))
        if (isJson && !line.isEmpty()) {
            QJsonDocument document = QJsonDocument::fromJson(line);
            if (!document.isObject())
                qFatal("not JSON: %s", line.constData());
            answer.lines << document.object();
        }
    return answer;
}

} // namespace moorfrost::test
