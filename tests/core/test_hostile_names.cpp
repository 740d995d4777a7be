// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever fields hold: nothing leaves the shelf, no two files get one name, and every name can be made.
#include <QtTest>

#include <random>

#include <fcntl.h>
#include <unistd.h>

#include "core/text/text.h"
#include "support/put_away_world.h"
#include "support/share.h"

using namespace moorfrost;
using namespace moorfrost::placing;

namespace {

const std::vector<std::string>& seeds() {
    static const std::vector<std::string> all = {"..",
                                                 ".",
                                                 "",
                                                 " ",
                                                 "/",
                                                 "//",
                                                 "../../etc/passwd",
                                                 "/etc",
                                                 "CON",
                                                 "con.flac",
                                                 "LPT1",
                                                 "nul",
                                                 "COM9.x",
                                                 "trailing.",
                                                 "trailing. . .",
                                                 "...",
                                                 " leading",
                                                 "a/b",
                                                 "a\\b",
                                                 "C:",
                                                 "C:\\x",
                                                 "\u202Eflac.exe",
                                                 "\u200B",
                                                 "\x01\x02",
                                                 "line\nbreak",
                                                 "tab\t",
                                                 "<>:\"|?*",
                                                 "~",
                                                 "-rf",
                                                 "$(x)",
                                                 "`x`",
                                                 "%2e%2e",
                                                 "e\u0301",
                                                 "\u00E9",
                                                 "\u00C5se",
                                                 "A\u030Ase",
                                                 "I",
                                                 "\u0130",
                                                 "\u0131",
                                                 "\u00DF",
                                                 "SS",
                                                 "\uFB01",
                                                 "fi",
                                                 "\xFF\xFE",
                                                 "\xC0\xAF",
                                                 "\xF0\x9F\x98\x80",
                                                 "Night Post",
                                                 "NIGHT POST",
                                                 "night post ",
                                                 "Night Post (2)",
                                                 "Night Post.flac",
                                                 ".hidden",
                                                 "..flac",
                                                 std::string(300, 'x'),
                                                 std::string(4096, 'y')};
    return all;
}

/// What file systems with portable names refuse, by table; 255 units of UTF-16 a name.
std::string whyNotPortable(const std::string& name) {
    if (name.empty() || name == "." || name == "..")
        return "no name";
    for (const char c : name)
        if (static_cast<unsigned char>(c) < 0x20 ||
            std::string_view("<>:\"/\\|?*\x7F").find(c) != std::string_view::npos)
            return "a sign";
    if (name.back() == '.' || name.back() == ' ')
        return "its end";
    std::string stem = text::lower(name.substr(0, name.find('.')));
    while (!stem.empty() && stem.back() == ' ')
        stem.pop_back();
    if (stem == "con" || stem == "prn" || stem == "aux" || stem == "nul" ||
        (stem.size() == 4 && (stem.starts_with("com") || stem.starts_with("lpt")) && stem[3] >= '1' &&
         stem[3] <= '9'))
        return "reserved";
    return QString::fromStdString(name).size() > 255 || name.size() > 255 ? "too long" : "";
}

} // namespace

class TestHostileNames : public QObject, test::PutAwayWorld {
    Q_OBJECT

    std::mt19937 random_{20261201};
    size_t below(size_t n) { return random_() % n; }
    std::string value() {
        std::string out = seeds()[below(seeds().size())];
        if (below(3) == 0)
            out += seeds()[below(seeds().size())];
        if (below(6) == 0)
            for (size_t i = 0, n = below(40); i < n; ++i)
                out += static_cast<char>(random_());
        return out;
    }
    std::vector<PutAwayFile> set() {
        static const char* endings[] = {".flac", ".FLAC", ".mp3", "", ".odd ending"};
        std::vector<PutAwayFile> out;
        const std::string shared = value();
        for (size_t i = 0, n = 2 + below(4); i < n; ++i) {
            PutAwayFile f;
            f.id = static_cast<int64_t>(i + 1);
            f.path = in_ / (std::to_string(i) + endings[below(5)]);
            f.format = below(2) ? audio::Format::Flac : audio::Format::Mp3;
            for (const char* key : {"title", "artist", "album"})
                if (const std::string v = below(3) ? value() : shared; !v.empty())
                    f.fields[key] = {v};
            f.sleeve = below(2) ? "s" : "";
            f.onClash = static_cast<OnClash>(below(5));
            out.push_back(std::move(f));
        }
        return out;
    }
    PutAwayOptions hostileOptions() {
        static const char* plans[] = {"{title}", "{artist}/{title}", "{artist}/{album}/{title}",
                                      "{album: first 3}/{artist} - {title: at most 20}"};
        PutAwayOptions o = options(plans[below(4)]);
        o.profile = static_cast<files::NameProfile>(below(3));
        o.anyProfile = true;
        o.along = AlongRule::none();
        return o;
    }
    /// "" where all is well.
    std::string wrongIn(const std::vector<PutAwayFile>& files, const PutAwayOptions& o) {
        const PutAwayResult r = planPutAway(files, o);
        std::set<std::string> names;
        for (const Placement& p : r.files) {
            if (!p.moves())
                continue;
            if (!p.to.native().starts_with(shelf_.native() + "/") || p.to != p.to.lexically_normal())
                return "leaves the shelf: " + p.to.native();
            if (!names.insert(files::nameKey(p.to.native(), o.profile)).second)
                return "two of one name: " + p.to.native();
            for (const std::string& part : p.parts) {
                if (part.size() > 255 || part.find('/') != std::string::npos ||
                    part.find('\0') != std::string::npos)
                    return "cannot be made: " + part;
                if (o.profile != files::NameProfile::Linux)
                    if (const std::string why = whyNotPortable(part); !why.empty())
                        return why + ": " + part;
            }
        }
        return {};
    }

private slots:
    void initTestCase() { beginWorld(); }

    void randomSets() {
        const int sets = test::fromEnvironment("MOORFROST_HOSTILE_SETS", 10'000);
        for (int i = 0; i < sets; ++i) {
            const auto files = set();
            const auto o = hostileOptions();
            if (const std::string wrong = wrongIn(files, o); !wrong.empty())
                QFAIL(qPrintable(QString("set %1, %2: %3")
                                     .arg(i)
                                     .arg(QString::fromStdString(o.plan.text))
                                     .arg(QString::fromUtf8(
                                         QByteArray::fromStdString(wrong).toPercentEncoding(" /:()")))));
        }
    }

    // And they are really made, on the disk of this machine.
    void theyCanBeMade() {
        for (int i = 0; i < 400; ++i) {
            const auto files = set();
            const auto o = hostileOptions();
            for (const Placement& p : planPutAway(files, o).files) {
                if (!p.moves())
                    continue;
                std::error_code error;
                if (!p.replaces.empty())
                    std::filesystem::remove(p.replaces, error);
                std::filesystem::create_directories(p.to.parent_path(), error);
                QVERIFY2(!error, p.to.c_str());
                const int there = ::open(p.to.c_str(), O_CREAT | O_EXCL | O_WRONLY, 0644);
                QVERIFY2(there >= 0, p.to.c_str());
                ::close(there);
            }
        }
    }
};

QTEST_GUILESS_MAIN(TestHostileNames)
#include "test_hostile_names.moc"
