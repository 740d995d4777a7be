// SPDX-License-Identifier: GPL-3.0-or-later
// Packages for archives: made whole or not at all, checked by others, and what stands against broken ones.
#include <QtTest>

#include <QProcess>

#include "core/base/digest.h"
#include "core/deliver/package/package.h"
#include "core/deliver/rows/rows_in.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::test;

class TestPackage : public QObject, SheetWorld {
    Q_OBJECT
private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void digestsAreThoseOfTheStandard() {
        QCOMPARE(Digest::hexOf(Digest::Kind::Sha256, "abc"),
                 std::string("ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"));
        QVERIFY(Digest::hexOf(Digest::Kind::Sha512, "abc").starts_with("ddaf35a193617abacc417349ae204131"));
        Digest parts(Digest::Kind::Sha256);
        parts.add("a");
        parts.add("bc");
        QCOMPARE(parts.hex(), Digest::hexOf(Digest::Kind::Sha256, "abc"));
    }

    void madeAndChecked() {
        const PackageMade made = make();
        QCOMPARE(made.files, size_t{3});
        // By programs of others.
        for (const std::string algorithm : {"sha256", "sha512"})
            for (const std::string list : {"manifest-", "tagmanifest-"}) {
                // They do not know that "%" stands as "%25".
                writeBytes(*box_ / "list",
                           text::replaceAll(readBytes(bag() / (list + algorithm + ".txt")), "%25", "%"));
                QVERIFY(outside((algorithm + "sum").c_str(),
                                {"--strict", "-c", QString::fromStdString((*box_ / "list").native())},
                                bag()));
            }
        const QString oxum = python(R"(
import os,sys
root=sys.argv[1]; n=0; b=0
for d,_,fs in os.walk(os.path.join(root,'data')):
    for f in fs: n+=1; b+=os.path.getsize(os.path.join(d,f))
info=dict(l.rstrip('\n').split(': ',1) for l in open(os.path.join(root,'bag-info.txt'),encoding='utf-8'))
assert info['Payload-Oxum']==f'{b}.{n}', (info,b,n)
assert open(os.path.join(root,'bagit.txt')).read()=='BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n'
listed={l.split('  ',1)[1].rstrip('\n') for l in open(os.path.join(root,'manifest-sha256.txt'),encoding='utf-8')}
there={os.path.relpath(os.path.join(d,f),root) for d,_,fs in os.walk(os.path.join(root,'data')) for f in fs}
assert listed=={t.replace('%','%25') for t in there}, listed^there
import json
files=[json.loads(l) for l in open(os.path.join(root,'data/metadata/files.jsonl'),encoding='utf-8')]
assert [f['path'] for f in files]==['sound/Gannet Row/01 100% Gorse.flac','sound/Tide.mp3','sound/Tide (2).mp3'], files
assert files[0]['fields']['title']==['Gorse'] and files[0]['kept']['rating']==['4'], files[0]
shares=open(os.path.join(root,'data/metadata/shares.csv'),encoding='utf-8').read()
assert 'Mara Kestrel' in shares and '1/2' in shares, shares
assert 'IPI' not in shares
print('ok'))");
        QCOMPARE(oxum, QString("ok"));
        // By ourselves.
        const PackageCheck check = verify();
        QVERIFY2(check.isWhole(), check.isWhole() ? "" : check.findings.front().sentence.c_str());
        QVERIFY(check.files > 3);
        QVERIFY(std::ranges::find(check.info, std::pair<std::string, std::string>(
                                                  "Source-Organization", "Tarnholm Sound Archive")) !=
                check.info.end());
        // Nothing is replaced.
        work::Progress progress;
        const auto again = makePackage(subject_, {}, bag(), "2026-12-02", {}, progress);
        QVERIFY(!again);
        QCOMPARE(again.error().kind, ErrorKind::Exists);
        QVERIFY(verify().isWhole());
    }

    void whatIsSaidOfItIsReadAsASheet() {
        make();
        // Where it comes in, the files have lost what they said.
        const Path file = bag() / "data/sound/Gannet Row/01 100% Gorse.flac";
        files::ScannedFile scanned;
        scanned.path = file;
        scanned.tags.emplace();
        const FileId id = store_->files().save(scanned, shelf_);
        auto look = lookAtRows(bag() / packageSheet, {});
        QVERIFY(look);
        look->plan.pathTo = "sound/";
        look->plan.pathFrom = (bag() / packageSounds).native() + "/";
        work::Progress progress;
        const auto rows = readRowsIn(*store_, bag() / packageSheet, look->plan, {}, progress);
        QVERIFY(rows);
        QCOMPARE(rows->rows[0].file, id);
        QCOMPARE(rows->rows[0].changes.at("title"), (Strings{"Gorse"}));
        QCOMPARE(rows->rows[0].changes.at("@rating"), (Strings{"4"}));
    }

    void brokenOnes() {
        make();
        const Path sound = bag() / "data/sound/Tide.mp3";
        const std::string bytes = readBytes(sound);
        auto what = [&] {
            Strings out;
            for (const PackageFinding& f : verify().findings)
                out.push_back(std::to_string(static_cast<int>(f.what)) + " " + f.name);
            return out;
        };
        using enum PackageFinding::What;
        auto is = [](PackageFinding::What kind, const std::string& name) {
            return std::to_string(static_cast<int>(kind)) + " " + name;
        };
        writeBytes(sound, bytes + "x");
        QCOMPARE(what(), (Strings{is(Changed, "data/sound/Tide.mp3")}));
        std::filesystem::remove(sound);
        QCOMPARE(what(), (Strings{is(Missing, "data/sound/Tide.mp3")}));
        writeBytes(sound, bytes);
        QVERIFY(verify().isWhole());
        writeBytes(bag() / "data" / "more.txt", "more");
        QCOMPARE(what(), (Strings{is(Extra, "data/more.txt")}));
        std::filesystem::remove(bag() / "data" / "more.txt");
        // A path that climbs out, and a link.
        const std::string manifest = readBytes(bag() / "manifest-sha256.txt");
        writeBytes(bag() / "manifest-sha256.txt", manifest + std::string(64, 'a') + "  data/../../secret\n");
        const Strings told = what();
        QVERIFY(std::ranges::find(told, is(ClimbsOut, "data/../../secret")) != told.end());
        writeBytes(bag() / "manifest-sha256.txt", manifest);
        std::filesystem::create_symlink("/etc/passwd", bag() / "data" / "link");
        QCOMPARE(what(), (Strings{is(ClimbsOut, "data/link")}));
        std::filesystem::remove(bag() / "data" / "link");
        std::filesystem::rename(bag() / "data", *box_ / "another place");
        std::filesystem::create_directory_symlink(*box_ / "another place", bag() / "data");
        const Strings linked = what();
        QVERIFY(std::ranges::find(linked, is(ClimbsOut, "data")) != linked.end());
        std::filesystem::remove(bag() / "data");
        std::filesystem::rename(*box_ / "another place", bag() / "data");
        writeBytes(bag() / "manifest-sha512.txt", "no sum at all\n\n");
        QVERIFY(!verify().isWhole());
        std::filesystem::remove(bag() / "bagit.txt");
        QVERIFY(verify().findings.front().sentence.find("bagit.txt") != std::string::npos);
        work::Progress progress;
        QVERIFY(!verifyPackage(*box_ / "nothing", {}, progress));
    }

    void notAtAll() {
        gather();
        work::Progress progress;
        // A file that was changed since, one that is gone, a stop, a disk that is full.
        writeBytes(subject_.files[1].path, "shorter");
        auto made = makePackage(subject_, {}, bag(), "2026-12-02", {}, progress);
        QVERIFY(!made);
        QCOMPARE(made.error().kind, ErrorKind::Changed);
        std::filesystem::remove(subject_.files[1].path);
        QVERIFY(!makePackage(subject_, {}, bag(), "2026-12-02", {}, progress));
        std::stop_source stop;
        stop.request_stop();
        made = makePackage(subject_, {}, bag(), "2026-12-02", stop.get_token(), progress);
        QVERIFY(!made && made.error().kind == ErrorKind::Cancelled);
        QVERIFY(!std::filesystem::exists(bag()));
        for (const auto& entry : std::filesystem::directory_iterator(bag().parent_path()))
            QVERIFY2(!entry.path().filename().native().starts_with(".moorfrost"), entry.path().c_str());
        QVERIFY(!makePackage({}, {}, bag(), "2026-12-02", {}, progress));
        QVERIFY(!makePackage(subject_, {}, "relative", "2026-12-02", {}, progress));
    }

private:
    Path bag() const { return *box_ / "packages" / "Tide and Gorse"; }
    void gather() {
        std::filesystem::create_directories(*box_ / "shelf/Gannet Row");
        std::filesystem::create_directories(*box_ / "another place");
        const FileId a = real(*box_ / "shelf/Gannet Row/01 100% Gorse.flac", {{"title", {"Gorse"}}},
                              "fLaC sound of gorse");
        const FileId b = real(*box_ / "shelf/Tide.mp3", {{"title", {"Tide Table"}}}, "mp3 of tide");
        const FileId c = real(*box_ / "elsewhere/Tide.mp3", {{"title", {"Tide Table"}}}, "another tide", 0);
        library::keepValues(*store_, "rating", library::ratingField, {{a, {"4"}}});
        const CardId work = this->work("Gorse"), mara = party("Mara Kestrel");
        QVERIFY(library::setWorks(*store_, {a}, {work}, "Work"));
        QVERIFY(library::setShares(*store_, {work}, Side::Writers, {{mara, {}, {"composer"}, Fraction(1, 2)}},
                                   "Writers"));
        subject_ = packageSubject(*store_, {a, b, c, b, 9999}, "Tide and Gorse");
        QCOMPARE(subject_.files.size(), size_t{3});
        QCOMPARE(subject_.unknown.size(), size_t{1});
    }
    PackageMade make() {
        gather();
        work::Progress progress;
        const auto made = makePackage(
            subject_,
            {{"Source-Organization", "Tarnholm Sound Archive"}, {"External-Description", "two\nlines"}},
            bag(), "2026-12-02", {}, progress);
        if (!made)
            qFatal("%s", made.error().message.c_str());
        return *made;
    }
    PackageCheck verify() {
        work::Progress progress;
        const auto check = verifyPackage(bag(), {}, progress);
        if (!check)
            qFatal("%s", check.error().message.c_str());
        return *check;
    }
    FileId real(const Path& path, const tags::Fields& fields, const std::string& bytes, int64_t shelf = -2) {
        writeBytes(path, bytes);
        files::ScannedFile f;
        f.path = path;
        f.state = *files::stateOf(path);
        f.tags.emplace();
        f.tags->fields = fields;
        const FileId id = store_->files().save(f, shelf == -2 ? shelf_ : shelf);
        store_->recordings().ensure(id);
        return id;
    }
    static bool outside(const char* program, const QStringList& arguments, const Path& folder) {
        QProcess process;
        process.setWorkingDirectory(QString::fromStdString(folder.native()));
        process.start(program, arguments);
        process.waitForFinished();
        if (process.exitCode() != 0)
            qWarning() << process.readAllStandardError() << process.readAllStandardOutput();
        return process.exitStatus() == QProcess::NormalExit && process.exitCode() == 0;
    }
    QString python(const char* code) {
        QProcess process;
        process.start("/usr/bin/python3", {"-c", code, QString::fromStdString(bag().native())});
        process.waitForFinished();
        return (QString::fromUtf8(process.readAllStandardOutput()) + process.readAllStandardError())
            .trimmed();
    }
    PackageSubject subject_;
};

QTEST_GUILESS_MAIN(TestPackage)
#include "test_package.moc"
