// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/text/text.h"
#include "support/sample_files.h"

using namespace moorfrost;

class TestText : public QObject {
    Q_OBJECT
private slots:
    void utf8_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<bool>("valid");
        QTest::newRow("ascii") << QByteArray("abc") << true;
        QTest::newRow("cyrillic") << QByteArray("Хор Маяка") << true;
        QTest::newRow("latin-1") << QByteArray("\xE5\xE4") << false;
        QTest::newRow("overlong") << QByteArray("\xC0\xAF") << false;
        QTest::newRow("overlong 3") << QByteArray("\xE0\x80\xAF") << false;
        QTest::newRow("surrogate") << QByteArray("\xED\xA0\x80") << false;
        QTest::newRow("cut") << QByteArray("\xE2\x82") << false;
        QTest::newRow("beyond") << QByteArray("\xF5\x80\x80\x80") << false;
    }
    void utf8() {
        QFETCH(QByteArray, bytes);
        QFETCH(bool, valid);
        QCOMPARE(text::isUtf8(test::str(bytes)), valid);
    }

    void escapeIsReversible() {
        // All bytes, after text that looks like an escape itself.
        std::string bytes = "a\\x41\\\\b/ö ";
        for (int i = 1; i < 256; ++i)
            bytes += static_cast<char>(i);
        std::string escaped = text::escapeBytes(bytes);
        QVERIFY(text::isUtf8(escaped));
        QCOMPARE(text::unescapeBytes(escaped), bytes);
        QCOMPARE(text::escapeBytes("back\\slash"), std::string("back\\slash")); // valid UTF-8 stays as it is
    }

    void displayHasNoControls() { QCOMPARE(text::forDisplay("a\nb"), std::string("a\\x0Ab")); }

    void folding_data() {
        QTest::addColumn<QString>("a");
        QTest::addColumn<QString>("b");
        QTest::addColumn<bool>("same");
        QTest::newRow("case") << "NIGHT Post"
                              << "night post" << true;
        QTest::newRow("ring and ligature") << "Åse-Linn Brække"
                                           << "ase-linn braekke" << true;
        QTest::newRow("o with stroke") << "Sjøen"
                                       << "sjoen" << true;
        QTest::newRow("l with stroke") << "Łódź"
                                       << "lodz" << true;
        QTest::newRow("d with stroke") << "Đurđa"
                                       << "durda" << true;
        QTest::newRow("eth and thorn") << "Þórður"
                                       << "thordur" << true;
        QTest::newRow("dotless i") << "Işık"
                                   << "isik" << true;
        QTest::newRow("oe") << "Cœur"
                            << "coeur" << true;
        QTest::newRow("sharp s") << "Straße"
                                 << "strasse" << true;
        QTest::newRow("composed and decomposed")
            << QString("e") + QChar(0x301) << QString(QChar(0xE9)) << true;
        QTest::newRow("cyrillic marks") << "Ёлка"
                                        << "елка" << true;
        QTest::newRow("kana voicing changes the word") << "が"
                                                       << "か" << false;
        QTest::newRow("kana in two forms") << QString("か") + QChar(0x3099) << "が" << true;
    }
    void folding() {
        QFETCH(QString, a);
        QFETCH(QString, b);
        QFETCH(bool, same);
        QCOMPARE(text::fold(a.toStdString()) == text::fold(b.toStdString()), same);
    }

    void casing() {
        QCOMPARE(text::titleCase("the keeper's wife (live)"), std::string("The Keeper's Wife (Live)"));
        QCOMPARE(text::sentenceCase("COLD SLIP"), std::string("Cold slip"));
        QCOMPARE(text::upper("straße"), std::string("STRASSE"));
        QCOMPARE(text::titleCase("белая ночь"), std::string("Белая Ночь"));
    }

    void sortForms() {
        QCOMPARE(text::sortForm("The Hollow Ferry"), std::string("Hollow Ferry, The"));
        QCOMPARE(text::sortForm("Theatre"), std::string("Theatre"));
        QCOMPARE(text::sortForm("The"), std::string("The"));
    }

    void plainLetters() {
        QCOMPARE(text::plainLetters("Åse-Linn Brække"), std::string("Ase-Linn Braekke"));
        std::string choir = text::plainLetters("Хор Маяка");
        QVERIFY(!choir.empty());
        for (char c : choir)
            QVERIFY(static_cast<unsigned char>(c) < 0x80);
    }

    void clipping() {
        // A flag is two code points of four bytes: it is kept whole or not at all.
        std::string flag = "\xF0\x9F\x87\xB3\xF0\x9F\x87\xB4";
        QCOMPARE(text::clipBytes("ab" + flag, 9), std::string("ab"));
        QCOMPARE(text::clipBytes("ab" + flag, 10), "ab" + flag);
        QCOMPARE(text::firstCharacters("Северный", 3), std::string("Сев"));
        QCOMPARE(text::clipBytes("short", 100), std::string("short"));
    }

    void ordering() {
        QVERIFY(text::compare("Track 2", "Track 10") < 0);
        QVERIFY(text::compare("b", "a") > 0);
        QCOMPARE(text::compare("a", "a"), 0);
        const char* words[] = {"Track 2", "track 10", "Ærlig", "Åse", "Zebra", "Хор", "灯台", "", "a", "A"};
        for (const char* x : words)
            for (const char* y : words)
                QCOMPARE(text::compare(x, y) < 0, text::sortKey(x) < text::sortKey(y));
    }
};

QTEST_GUILESS_MAIN(TestText)
#include "test_text.moc"
