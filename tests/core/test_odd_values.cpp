// SPDX-License-Identifier: GPL-3.0-or-later
// Every step of Describe with values that are odd: nothing, lyrics of 64 KiB, right-to-left, combining marks,
// signs made of several, control characters, NUL, what is no text. What comes out is text that files can
// hold, or is refused; what the step is not about stays.
#include <QtTest>

#include "core/edits/chain.h"
#include "core/tags/tag_io.h"
#include "core/text/text.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::edits;

namespace {

using Values = std::vector<std::string>;
using namespace std::string_literals;

struct Odd {
    const char* name;
    std::string value;
};

const std::vector<Odd>& odd() {
    static const std::vector<Odd> all = [] {
        std::string lyrics, oneWord(64 * 1024, 'a');
        while (lyrics.size() < 64 * 1024)
            lyrics += "Sølvi går over moen (feat. Wren-Low), 12-03-1998 - 灯台 'stands'\n";
        return std::vector<Odd>{
            {"blank", ""},
            {"space", "   \t "},
            {"lyrics", lyrics},
            {"one word", oneWord},
            {"right to left", "שיר של הים (feat. Wren-Low) - أغنية ١٢"},
            {"direction marks", "\u202Eabc\u202C \u200Fשיר\u200E"},
            {"combining", "E\u0301bb A\u030Aker Z\u0361\u035C\u0315\u0300\u0301\u0302\u0303\u0304\u0305algo"},
            {"many marks", "a" +
                               [] {
                                   std::string marks;
                                   for (int i = 0; i < 2000; ++i)
                                       marks += "\u0301";
                                   return marks;
                               }()},
            {"signs of several", "👩\u200D🌾 🏳️\u200D🌈 🇳🇴 tune 👍🏽"},
            {"turkish", "İSTANBUL ılık I i"},
            {"ligatures", "ﬀ ß ǆ ŉ ΐ"},
            {"control", "Night\u0007\u001B[31m Po\u0008st\u007F"},
            {"NUL", "Night\0Post"s},
            {"line breaks", "a\r\nb\rc\nd\u2028e\u2029f"},
            {"only marks", "\u0301\u0302"},
            {"no character", "\uFFFE\uFFFF \U0010FFFF"},
            {"no text", "Night \xFF\xC3 Post"},
            {"half a letter", "Night\xE2\x82"},
            {"valueBreak", "a \u00A6 b\u00A6\u00A6c"},
            {"expression", "(a+)+$ \\1 ${x} {title} %s"},
        };
    }();
    return all;
}

/// Each step with options that make it do something.
std::vector<Chain> chains() {
    std::vector<Chain> out;
    auto add = [&](const char* kind, Options options) { out.push_back({"", {{kind, std::move(options)}}}); };
    for (const char* how : {"text", "words", "expression"})
        add("find-replace",
            {{"fields", {"title", "lyrics"}}, {"find", {"o"}}, {"put", {"ø"}}, {"how", {how}}});
    add("find-replace", {{"fields", {"title", "lyrics"}},
                         {"find", {"(\\w+) (\\w+)"}},
                         {"put", {"$2 $1"}},
                         {"how", {"expression"}}});
    for (const char* casing : {"title", "sentence", "lower", "upper"})
        for (const char* language : {"any", "field", "en", "tr"})
            add("casing", {{"fields", {"title"}}, {"casing", {casing}}, {"language", {language}}});
    add("tidy", {{"quotes", {"yes"}}});
    add("number", {});
    for (const char* kind : {"copy", "move"})
        for (const char* there : {"replace", "keep", "before", "after"})
            add(kind, {{"from", {"title"}}, {"into", {"comment"}}, {"there", {there}}});
    add("swap", {{"field", {"title"}}, {"with", {"album"}}});
    add("split", {{"field", {"title"}}, {"at", {" "}}});
    add("split", {{"field", {"title"}}, {"at", {"-"}}, {"into", {"artist", "album"}}});
    add("join", {{"fields", {"title", "artist", "lyrics"}}, {"into", {"comment"}}});
    for (const char* to : {"iso", "year"})
        add("dates", {{"fields", {"title", "date"}}, {"to", {to}}});
    for (const char* to : {"artist", "title"})
        add("guests", {{"to", {to}}});
    add("sort-forms", {{"fields", {"artist"}}, {"only blank", {"no"}}});
    add("write", {{"field", {"comment"}}, {"plan", {"{title} / {artist}"}}});
    add("write", {{"field", {"comment"}}, {"plan", {"{title} by {artist}"}}});
    add("blank", {{"fields", {"title"}}});
    add("fill", {{"fields", {"title"}}});
    add("mend-text", {});
    return out;
}

} // namespace

class TestOddValues : public QObject {
    Q_OBJECT
private slots:
    void everyStep_data() {
        QTest::addColumn<int>("chain");
        const std::vector<Chain> all = chains();
        for (size_t i = 0; i < all.size(); ++i)
            QTest::addRow("%s %d", all[i].steps.front().kind.c_str(), static_cast<int>(i))
                << static_cast<int>(i);
    }
    void everyStep() {
        QFETCH(int, chain);
        const Chain step = chains()[static_cast<size_t>(chain)];
        for (const Odd& a : odd()) {
            std::vector<Subject> files;
            int64_t id = 0;
            for (const Odd& b : odd()) { // beside one another, and several in a field
                tags::Fields fields{{"date", {"12-03-1998"}}};
                auto put = [&](const char* key, const Values& values) {
                    Values some;
                    for (const std::string& v : values)
                        if (!v.empty())
                            some.push_back(v);
                    if (!some.empty())
                        fields[key] = some;
                };
                put("title", {a.value, b.value});
                put("artist", {b.value});
                put("lyrics", {a.value});
                if (&a == &b)
                    fields["date"] = {a.value.empty() ? "x" : a.value};
                files.push_back({++id, fields, {"title", "artist"}});
            }
            const auto outcome = run(step, files);
            if (!outcome) { // a step may refuse what it is given, in words
                QCOMPARE(outcome.error().kind, ErrorKind::Invalid);
                QVERIFY(!outcome.error().message.empty());
                continue;
            }
            for (const Proposal& p : outcome->proposals) {
                QVERIFY2(tags::whyNotValid(p.field, p.values).empty(), a.name);
                for (const std::string& v : p.values) {
                    QVERIFY2(text::isUtf8(v), a.name);
                    QVERIFY2(v.find('\0') == std::string::npos, a.name);
                    QVERIFY2(!v.empty(), a.name);
                }
                QVERIFY2(!p.origin.empty(), a.name);
            }
            for (const Outcome::Refused& r : outcome->refused)
                QVERIFY2(text::isUtf8(r.why) && !r.why.empty(), a.name);
        }
    }

    // Signs made of several characters stay whole, and what a step is not about stays as it is.
    void signsStayWhole() {
        const std::string sign = "👩\u200D🌾 🏳️\u200D🌈 🇳🇴";
        for (const char* casing : {"title", "sentence", "lower", "upper"}) {
            const auto outcome = run({"", {{"casing", {{"fields", {"title"}}, {"casing", {casing}}}}}},
                                     {{1, {{"title", {sign + " tUNE"}}, {"lyrics", {odd()[2].value}}}, {}}});
            QVERIFY(outcome);
            QCOMPARE(outcome->proposals.size(), size_t{1}); // not the lyrics
            QVERIFY(outcome->proposals.front().values.front().starts_with(sign));
        }
        const auto tidy = run({"", {{"tidy", {}}}}, {{1, {{"title", {sign}}}, {}}});
        QVERIFY(tidy);
        QVERIFY(tidy->proposals.empty());
    }

    // What people type into cells and boxes.
    void typed() {
        for (const Odd& o : odd())
            for (const char* field :
                 {"title", "album", "lyrics", "track", "date", "compilation", "reel no"}) {
                const Values values = tags::valuesFromText(field, o.value);
                for (const std::string& v : values)
                    QVERIFY2(!v.empty(), o.name);
                const std::string why = tags::whyNotValid(field, values);
                QVERIFY2(text::isUtf8(why), o.name); // it is shown
                const bool text = text::isUtf8(o.value) && o.value.find('\0') == std::string::npos;
                if (!text)
                    QVERIFY2(!why.empty(), o.name);
                // What is shown can be typed again.
                if (why.empty())
                    QCOMPARE(tags::valuesFromText(field, tags::shownValues(values)), values);
            }
    }

    // What can be drafted can be written, and comes back as it was.
    void written_data() {
        QTest::addColumn<QString>("ending");
        for (const std::string& ending : test::endings())
            QTest::newRow(ending.c_str()) << QString::fromStdString(ending);
    }
    void written() {
        QFETCH(QString, ending);
        test::Sandbox box;
        const Path path = test::makeSound(box.root(), "a." + ending.toStdString(), 5);
        for (const Odd& o : odd()) {
            const std::string name = o.name;
            if (o.value.empty() || name == "space" || !tags::whyNotValid("lyrics", {o.value}).empty() ||
                !tags::whyNotValid("title", {o.value}).empty())
                continue;
            test::tag(path, {{"title", {o.value}}, {"lyrics", {o.value}}, {"reel no", {o.value}}});
            const auto read = tags::readTags(path);
            QVERIFY_RESULT(read);
            for (const char* field : {"title", "lyrics", "reel no"})
                QVERIFY2(tags::firstValue(read->fields, field) == o.value, (name + " " + field).c_str());
        }
    }
};

QTEST_APPLESS_MAIN(TestOddValues)
#include "test_odd_values.moc"
