// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/files/safe_name.h"
#include "core/text/text.h"
#include "support/sample_files.h"

using namespace moorfrost;
using files::NameProfile;

class TestSafeName : public QObject {
    Q_OBJECT
private slots:
    void names_data() {
        QTest::addColumn<QString>("raw");
        QTest::addColumn<QString>("linux");
        QTest::addColumn<QString>("portable");
        QTest::newRow("plain") << "Night Post"
                               << "Night Post"
                               << "Night Post";
        QTest::newRow("slash") << "Wren/Low"
                               << "Wren-Low"
                               << "Wren-Low";
        QTest::newRow("climbing") << "../../etc"
                                  << "_.-..-etc"
                                  << "_.-..-etc";
        QTest::newRow("dots") << ".."
                              << "_."
                              << "_";
        QTest::newRow("hidden") << ".hidden"
                                << "_hidden"
                                << "_hidden";
        QTest::newRow("blank") << "   "
                               << "_"
                               << "_";
        QTest::newRow("reserved signs") << "What? A: \"b\" <c>|*"
                                        << "What? A: \"b\" <c>|*"
                                        << "What A- 'b' c-";
        QTest::newRow("device") << "con"
                                << "con"
                                << "con_";
        QTest::newRow("device with an ending") << "con.x"
                                               << "con.x"
                                               << "con_.x";
        QTest::newRow("device in capitals") << "LPT1.Gorse"
                                            << "LPT1.Gorse"
                                            << "LPT1_.Gorse";
        QTest::newRow("begins like a device") << "console"
                                              << "console"
                                              << "console";
        QTest::newRow("trailing dot") << "Etc."
                                      << "Etc."
                                      << "Etc";
        QTest::newRow("newline") << "a\nb"
                                 << "a b"
                                 << "a b";
    }
    void names() {
        QFETCH(QString, raw);
        QFETCH(QString, linux);
        QFETCH(QString, portable);
        QCOMPARE(files::safeName(raw.toStdString(), NameProfile::Linux), linux.toStdString());
        QCOMPARE(files::safeName(raw.toStdString(), NameProfile::Portable), portable.toStdString());
    }

    void ascii() {
        QCOMPARE(files::safeName("Åse-Linn Brække", NameProfile::StrictAscii),
                 std::string("Ase-Linn Braekke"));
    }

    void length() {
        std::string longName;
        for (int i = 0; i < 200; ++i)
            longName += "灯";
        std::string name = files::safeName(longName, NameProfile::Linux, ".flac");
        QVERIFY(name.size() <= 255);
        QVERIFY(name.size() > 240);
        QVERIFY(name.ends_with(".flac"));
        QVERIFY(text::isUtf8(name));
    }

    void composed() {
        std::string decomposed = "A\xCC\x8Ase";
        QCOMPARE(files::safeName(decomposed, NameProfile::Linux), std::string("Åse"));
        QCOMPARE(files::nameKey(decomposed, NameProfile::Linux), files::nameKey("Åse", NameProfile::Linux));
        QVERIFY(files::nameKey("Åse", NameProfile::Linux) != files::nameKey("åse", NameProfile::Linux));
        QCOMPARE(files::nameKey("Åse", NameProfile::Portable), files::nameKey("åse", NameProfile::Portable));
    }

    // Whatever is thrown at it, the result is one name below its folder.
    void nothingEscapes() {
        uint32_t state = 3;
        const std::string bytes = "./\\ \0\n:*?\xE5\xCC\x8A\"<>|aA.";
        for (int i = 0; i < 20000; ++i) {
            std::string raw;
            for (int k = 0; k < 12; ++k) {
                state = state * 1664525u + 1013904223u;
                raw += bytes[(state >> 24) % bytes.size()];
            }
            for (NameProfile p : {NameProfile::Linux, NameProfile::Portable, NameProfile::StrictAscii}) {
                std::string name = files::safeName(raw, p, i % 2 ? ".mp3" : "");
                QVERIFY(!name.empty() && name.size() <= 255 && name != "." && name != "..");
                QVERIFY(name.find('/') == std::string::npos && name.find('\0') == std::string::npos);
                QVERIFY(name.front() != '.');
                QCOMPARE((Path("/shelf") / name).lexically_normal().parent_path(), Path("/shelf"));
            }
        }
    }
};

QTEST_GUILESS_MAIN(TestSafeName)
#include "test_safe_name.moc"
