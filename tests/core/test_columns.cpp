// SPDX-License-Identifier: GPL-3.0-or-later
// Making columns: what is put away meanwhile, in a file or in memory, comes back as it was.
#include <QtTest>

#include "core/library/search/searcher.h"
#include "support/disk_faults.h"
#include "support/invented.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

constexpr size_t count = 20000; // more than two blocks of what is put away

template<class T>
bool same(std::span<const T> a, std::span<const T> b) {
    return std::equal(a.begin(), a.end(), b.begin(), b.end());
}

bool same(const Texts& a, const Texts& b) {
    return same(a.starts, b.starts) && same(a.bytes, b.bytes);
}

/// The first thing in which they differ; "" for none.
std::string difference(const Columns& a, const Columns& b) {
    if (!same(a.ids, b.ids) || !same(a.durations, b.durations) || !same(a.sizes, b.sizes) ||
        !same(a.added, b.added) || !same(a.channels, b.channels) || !same(a.flags, b.flags))
        return "facts";
    if (!same(a.baseOrder, b.baseOrder))
        return "order";
    if (!same(a.words, b.words) || !same(a.rowStarts, b.rowStarts) || !same(a.wordRows, b.wordRows))
        return "words";
    if (a.fields().size() != b.fields().size())
        return "fields";
    for (size_t i = 0; i < a.fields().size(); ++i) {
        const FieldColumn &f = a.fields()[i], &g = b.fields()[i];
        if (f.key != g.key || !same(f.lists, g.lists) || !same(f.some, g.some) ||
            !same(f.listStarts, g.listStarts) || !same(f.listValues, g.listValues) ||
            !same(f.values, g.values) || !same(f.odd, g.odd) || !same(f.oddFolded, g.oddFolded) ||
            !same(f.ranks, g.ranks))
            return f.key;
    }
    return {};
}

} // namespace

class TestColumns : public QObject {
    Q_OBJECT

    std::vector<FileRecord> records_;

    std::shared_ptr<const Columns> built(ColumnsBuilder&& builder) const {
        for (const FileRecord& r : records_)
            builder.add(r);
        return builder.finish();
    }

private slots:
    void initTestCase() {
        bench::InventedLibrary invented(count);
        FileRecord r;
        while (invented.next(r)) {
            const size_t n = records_.size();
            if (n % 5000 == 4321)
                r.tags.fields["SHELFMARK"] = {"box " + std::to_string(n)}; // a few, in every block
            if (n < 100)
                r.tags.fields["WINDER"] = {"first reel", "box " + std::to_string(n % 7)};
            if (n >= 10000)
                r.tags.fields["LAMP"] = {n % 2 == 0 ? "Möwe" : "dim"}; // half, from the second block on
            records_.push_back(r);
        }
        QCOMPARE(records_.size(), count);
    }

    void everyRowHasWhatItsRecordHas() {
        auto columns = built({});
        QCOMPARE(columns->size(), static_cast<Row>(count));
        for (Row row = 0; row < columns->size(); ++row) {
            const FileRecord& r = records_[row];
            QCOMPARE(columns->ids[row], r.id);
            QCOMPARE(columns->pathOf(row), r.path);
            QCOMPARE(columns->sizes[row], r.state.size);
            for (const FieldColumn& f : columns->fields()) {
                if (f.key.starts_with('@'))
                    continue;
                std::string expected;
                if (auto it = r.tags.fields.find(f.key); it != r.tags.fields.end())
                    for (const std::string& v : it->second)
                        expected += (expected.empty() ? "" : " \u00A6 ") + v;
                QCOMPARE(f.text(f.listOf(row)), expected);
            }
        }
        QVERIFY(columns->field("SHELFMARK")->isSparse());
        QVERIFY(columns->field("WINDER")->isSparse());
        QVERIFY(!columns->field("LAMP")->isSparse());
    }

    void theSnapshotIsTheSame() {
        test::Sandbox box;
        Path file = box / "columns";
        QVERIFY(built({file, "12"})->arena().isMapped());
        auto arena = files::Arena::map(file, "12");
        QVERIFY(arena);
        auto again = std::make_shared<Columns>(arena);
        Searcher a(built({})), b(again);
        QCOMPARE(a.find(parseQuery("night or folk").query), b.find(parseQuery("night or folk").query));
        for (Row row = 0; row < again->size(); row += 100) {
            QCOMPARE(again->text(row, "title"), records_[row].tags.fields.at("title").front());
            QCOMPARE(again->pathOf(row), records_[row].path);
            QCOMPARE(again->rowOf(records_[row].id), std::optional<Row>(row));
        }
        QVERIFY(!again->rowOf(999999));
        // Of another state, cut, or changed anywhere: not taken.
        QVERIFY(!files::Arena::map(file, "13"));
        std::string bytes = test::readBytes(file);
        for (size_t at : {size_t{3}, size_t{300}, bytes.size() / 2, bytes.size() - 1}) {
            std::string bad = bytes;
            bad[at] = static_cast<char>(bad[at] ^ 1);
            test::writeBytes(file, bad);
            QVERIFY(!files::Arena::map(file, "12"));
        }
        test::writeBytes(file, bytes.substr(0, bytes.size() - 100));
        QVERIFY(!files::Arena::map(file, "12"));
        QVERIFY(!files::Arena::map(box / "none", "12"));
    }

    void inAFileItIsTheSame() {
        test::Sandbox box;
        auto inMemory = built({});
        auto inAFile = built({box / "columns", "7"});
        QVERIFY(!inMemory->arena().isMapped());
        QVERIFY(inAFile->arena().isMapped());
        QCOMPARE(difference(*inMemory, *inAFile), std::string());
        // What was put away meanwhile left nothing.
        std::vector<std::string> names;
        for (const auto& entry : std::filesystem::directory_iterator(box / ""))
            names.push_back(entry.path().filename());
        QCOMPARE(names, std::vector<std::string>{"columns"});
        // Its memory can be taken back at any time.
        inAFile->arena().letGo();
        QCOMPARE(difference(*inMemory, *inAFile), std::string());
    }

    void aFullDiskCostsMemoryOnly() {
        test::Sandbox box;
        auto inMemory = built({});
        for (int at : {0, 1, 7, 30, 60}) {
            std::shared_ptr<const Columns> columns;
            {
                test::FaultyDisk full(test::FaultyDisk::What::FailOn, at, ENOSPC);
                columns = built({box / "columns", "7"});
            }
            QVERIFY(!columns->arena().isMapped());
            QCOMPARE(difference(*inMemory, *columns), std::string());
            QVERIFY(!std::filesystem::exists(box / "columns"));
        }
        // Nor does a folder that is not there.
        QCOMPARE(difference(*inMemory, *built({box / "none" / "columns", "7"})), std::string());
    }

    void aPieceIsNotMistakenForTheWhole() {
        // Written only once, in the middle: that piece stays in memory, and the rest is mapped.
        test::Sandbox box;
        auto inMemory = built({});
        std::shared_ptr<const Columns> columns;
        {
            test::FaultyDisk once(test::FaultyDisk::What::Fail, 9, EIO);
            columns = built({box / "columns", "7"});
        }
        QVERIFY(columns->arena().isMapped());
        QCOMPARE(difference(*inMemory, *columns), std::string());
    }
};

QTEST_GUILESS_MAIN(TestColumns)
#include "test_columns.moc"
