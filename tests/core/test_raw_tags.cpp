// SPDX-License-Identifier: GPL-3.0-or-later
// An edit of a field changes nothing but the parts of the tags that carry it. Files with every kind of odd
// tag, made and read down to their bytes by a program of its own (support/corpus/raw_tags.py).
// MOORFROST_RAW_SEED and MOORFROST_RAW_COUNT make other and more files.
#include <QtTest>

#include <QJsonArray>
#include <QJsonDocument>
#include <QProcess>

#include "core/tags/tag_io.h"
#include "core/text/text.h"
#include "support/places.h"
#include "support/sample_files.h"
#include "support/share.h"

using namespace moorfrost;

namespace {

struct Edit {
    const char* key;
    std::vector<std::string> values;
};

const std::vector<Edit>& edits() {
    static const std::vector<Edit> list = {{"title", {"A new title, Маяк"}},
                                           {"title", {}},
                                           {"artist", {"Odran Fell", "Åse-Linn Brække"}},
                                           {"artist", {}},
                                           {"album", {"Salt Road"}},
                                           {"album_artist", {"Tarnholm Harbour Band"}},
                                           {"track", {"7"}},
                                           {"tracks", {"20"}},
                                           {"track", {}},
                                           {"date", {"2003"}},
                                           {"date", {"2003-05-17"}},
                                           {"date", {}},
                                           {"genre", {"Harbour song"}},
                                           {"comment", {"new words"}},
                                           {"lyrics", {"One line\nand another"}},
                                           {"label", {"Fellside Reissues"}},
                                           {"grouping", {"new group"}},
                                           {"performer", {"Odran Fell (double bass)", "Wren-Low"}},
                                           {"producer", {"Odran Fell"}},
                                           {"producer", {}},
                                           {"website", {"https://example.org/new"}},
                                           {"encoded_by", {"Tarnholm Sound Archive"}},
                                           {"catalogue_number", {"FR 1"}},
                                           {"carrier", {"Vinyl"}},
                                           {"key", {"Am"}},
                                           {"composer", {"Wren-Low"}},
                                           {"mood", {"Quiet"}},
                                           {"reel number", {"8"}}};
    return list;
}

} // namespace

class TestRawTags : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() {
        QVERIFY(run({QString::fromStdString(test::inSources("tests/support/corpus/raw_tags.py").native()),
                     "plain", path(box_ / "plain")}));
    }

    void onlyWhatWasEdited() {
        const int count = qEnvironmentVariable("MOORFROST_RAW_COUNT", "390").toInt();
        // Others each day, within those that scripts/torture tries.
        const QString seed =
            QString::number(test::fromEnvironment("MOORFROST_RAW_SEED", 101 + test::shareDay() % 20));
        QVERIFY(run({QString::fromStdString(test::inSources("tests/support/corpus/raw_tags.py").native()),
                     "make", path(box_ / "odd"), path(box_ / "plain"), seed, QString::number(count)}));
        std::vector<Path> files;
        for (const auto& entry : std::filesystem::directory_iterator(box_ / "odd"))
            files.push_back(entry.path());
        std::sort(files.begin(), files.end());
        QByteArray questions;
        std::vector<std::string> asked, refused;
        std::filesystem::create_directories(box_ / "after");
        size_t done = 0;
        for (size_t i = 0; i < files.size(); ++i) {
            QVERIFY_RESULT(tags::readTags(files[i]));
            for (size_t k = 0; k < 3; ++k) {
                const Edit& edit = edits()[(i * 5 + k * 11 + seed.toUInt()) % edits().size()];
                auto prepared = tags::prepareEdit(files[i], {{edit.key, edit.values}});
                const std::string what =
                    files[i].filename().native() + " " + edit.key + "=" + text::join(edit.values, "|");
                if (!prepared) {
                    refused.push_back(what + ": " + prepared.error().message);
                    continue;
                }
                const Path after = box_ / ("after/" + std::to_string(k) + files[i].filename().native());
                test::writeBytes(after, prepared->bytes());
                auto read = tags::readTags(after);
                QVERIFY_RESULT(read);
                if (edit.values.empty())
                    QVERIFY2(!read->fields.contains(edit.key), what.c_str());
                else if (std::string(edit.key) != "performer")
                    QVERIFY2(read->fields[edit.key] == edit.values, what.c_str());
                questions += QByteArray(edit.key) + '\t' + files[i].c_str() + '\t' + after.c_str() + '\n';
                asked.push_back(what);
                ++done;
            }
        }
        QProcess compare;
        compare.start("/usr/bin/python3",
                      {QString::fromStdString(test::inSources("tests/support/corpus/raw_tags.py").native()),
                       "compare"});
        QVERIFY(compare.waitForStarted());
        compare.write(questions);
        compare.closeWriteChannel();
        QVERIFY2(compare.waitForFinished(300000) && compare.exitCode() == 0,
                 compare.readAllStandardError().constData());
        std::vector<std::string> wrong;
        size_t i = 0;
        for (const QByteArray& line : compare.readAllStandardOutput().split('\n')) {
            if (line.isEmpty())
                continue;
            if (!QJsonDocument::fromJson(line).array().isEmpty())
                wrong.push_back(asked.at(i) + ": " + line.toStdString());
            ++i;
        }
        QCOMPARE(i, asked.size());
        QVERIFY2(wrong.empty(),
                 (std::to_string(wrong.size()) + " of " + std::to_string(done) + "\n" +
                  text::join({wrong.begin(), wrong.begin() + std::min<std::ptrdiff_t>(30, std::ssize(wrong))},
                             "\n"))
                     .c_str());
        // To refuse is allowed, but no way out.
        QVERIFY2(refused.size() * 100 <= done, text::join(refused, "\n").c_str());
        qInfo("%zu edits of %zu files, %zu refused\n%s", done, files.size(), refused.size(),
              text::join(refused, "\n").c_str());
    }

private:
    static QString path(const Path& p) { return QString::fromStdString(p.native()); }
    static bool run(const QStringList& arguments) {
        QProcess process;
        process.setProcessChannelMode(QProcess::ForwardedChannels);
        process.start("/usr/bin/python3", arguments);
        return process.waitForFinished(240000) && process.exitCode() == 0;
    }

    test::Sandbox box_;
};

QTEST_GUILESS_MAIN(TestRawTags)
#include "test_raw_tags.moc"
