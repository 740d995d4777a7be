// SPDX-License-Identifier: GPL-3.0-or-later
// Values that are there already, and what most files of a sleeve say.
#include <QtTest>

#include "core/bench/sleeve_norms.h"
#include "core/library/known_values.h"

using namespace moorfrost;
using library::KnownValues;

namespace {

KnownValues artists() {
    return KnownValues({{"The Hollow Ferry", 40},
                        {"Hollow Hill Singers", 3},
                        {"Åse-Linn Brække", 30},
                        {"Odran Fell Quartet", 25},
                        {"Хор Маяка", 20},
                        {"Kestrel & Rook", 12},
                        {"the hollow ferry", 1},
                        {"Holloway", 50}});
}

QStringList completed(const KnownValues& values, const char* typed, size_t most = 8) {
    QStringList out;
    for (const KnownValues::Value& v : values.complete(typed, most))
        out << QString::fromStdString(v.text);
    return out;
}

} // namespace

class TestKnownValues : public QObject {
    Q_OBJECT
private slots:
    void completing() {
        const KnownValues known = artists();
        // What begins so, the frequent first; then a later word; then anywhere.
        QCOMPARE(completed(known, "hollo"),
                 (QStringList{"Holloway", "Hollow Hill Singers", "The Hollow Ferry", "the hollow ferry"}));
        QCOMPARE(completed(known, "rook"), QStringList{"Kestrel & Rook"});
        QCOMPARE(completed(known, "ollow f"), (QStringList{"The Hollow Ferry", "the hollow ferry"}));
        QCOMPARE(completed(known, "ase"), QStringList{"Åse-Linn Brække"});
        QCOMPARE(completed(known, "linn"), QStringList{"Åse-Linn Brække"});
        QCOMPARE(completed(known, "хор"), QStringList{"Хор Маяка"});
        QCOMPARE(completed(known, "hollo", 2).size(), 2);
        QVERIFY(completed(known, "").isEmpty());
        QVERIFY(completed(known, "  ").isEmpty());
        QVERIFY(completed(known, "a\nb").isEmpty());
        QVERIFY(completed(KnownValues(), "x").isEmpty());
        // An end of one and the beginning of the next are no value.
        QVERIFY(completed(KnownValues({{"ab", 2}, {"cd", 1}}), "bc").isEmpty());
    }

    void counting() {
        QCOMPARE(artists().countOf("Хор Маяка"), size_t{20});
        QCOMPARE(artists().countOf("хор маяка"), size_t{0});
    }

    void meaning_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("meant");
        QTest::newRow("swapped") << "Odran Flel Quartet"
                                 << "Odran Fell Quartet";
        QTest::newRow("left out") << "Kestrel & Rok"
                                  << "Kestrel & Rook";
        QTest::newRow("marks") << "Ase-Linn Braekke"
                               << "Åse-Linn Brække";
        QTest::newRow("case, though known") << "the hollow ferry"
                                            << "The Hollow Ferry";
        QTest::newRow("as it is") << "The Hollow Ferry"
                                  << "";
        QTest::newRow("something else") << "Wren-Low"
                                        << "";
        QTest::newRow("rare ones are no measure") << "Hollow Hill Singer"
                                                  << "Hollow Hill Singers";
        QTest::newRow("nothing") << ""
                                 << "";
        QTest::newRow("Cyrillic") << "Хор Мояка"
                                  << "Хор Маяка";
        QTest::newRow("enormous") << QString(65536, 'x') << "";
    }
    void meaning() {
        QFETCH(QString, typed);
        QFETCH(QString, meant);
        const auto found = artists().meant(typed.toStdString());
        QCOMPARE(found ? QString::fromStdString(found->text) : QString(), meant);
    }

    void numbersAreNotMisspelled() {
        const KnownValues known({{"Volume 1", 50}, {"Folk", 212}, {"Folks", 180}});
        QVERIFY(!known.meant("Volume 2"));
        QCOMPARE(known.meant("Fokl")->text, std::string("Folk"));
        QCOMPARE(known.meant("Fokl")->count, size_t{212});
        QVERIFY(!known.meant("Folks")); // both are usual
    }

    void whatMostOfASleeveSay() {
        std::map<std::pair<int64_t, std::string>, std::string> said;
        for (int64_t f = 1; f <= 4; ++f)
            said[{f, "album"}] = f == 4 ? "Night Pots EP" : "Night Post EP";
        said[{1, "date"}] = "1998";
        said[{2, "date"}] = "1989";
        said[{5, "album"}] = "x";
        bench::SleeveNorms norms([&](int64_t f, const std::string& key) { return said[{f, key}]; });
        norms.setSleeves({{1, 2, 3, 4}, {5, 6}});
        QVERIFY(norms.otherwise(4, "album"));
        QCOMPARE(*norms.otherwise(4, "album"), std::string("Night Post EP"));
        QVERIFY(!norms.otherwise(1, "album"));
        QVERIFY(!norms.otherwise(1, "date"));  // no two thirds agree
        QVERIFY(!norms.otherwise(5, "album")); // too few files
        QVERIFY(!norms.otherwise(9, "album")); // in no sleeve
        QVERIFY(norms.differs(4));
        QVERIFY(!norms.differs(1));
        said[{4, "album"}] = "Night Post EP";
        norms.forget();
        QVERIFY(!norms.differs(4));
        said[{2, "@picture:front cover"}] = "another";
        norms.forget();
        QVERIFY(norms.differs(2));
    }
};

QTEST_GUILESS_MAIN(TestKnownValues)
#include "test_known_values.moc"
