// SPDX-License-Identifier: GPL-3.0-or-later
// Readiness on the shelves, in questions, counts and orders, beside a plain walk over the records that shares
// no code with it; kept true by little changes, and from run to run.
#include <QtTest>

#include <fstream>
#include <set>

#include "core/library/shelf_readiness.h"
#include "support/invented.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

using audit::Met;

const audit::Standard archive{"Archive",
                              {{.kind = audit::RuleKind::Fields, .fields = {"title", "artist"}},
                               {.kind = audit::RuleKind::Fields, .fields = {"label"}, .same = true},
                               {.kind = audit::RuleKind::Numbers},
                               {.kind = audit::RuleKind::Picture, .side = 500},
                               {.kind = audit::RuleKind::Codes, .fields = {"isrc"}}}};

/// What every file of the shelves should have, by looking at all of them.
std::map<FileId, Marks> byLooking(Store& store, const audit::Standard& standard) {
    std::vector<FileRecord> records;
    store.files().each(true, [&](FileRecord&& r) {
        records.push_back(std::move(r));
        return true;
    });
    std::map<std::vector<std::string>, std::vector<const FileRecord*>> sleeves;
    for (const FileRecord& r : records) {
        const std::string album = tags::firstValue(r.tags.fields, "album"),
                          artist = tags::firstValue(r.tags.fields, "album_artist");
        const std::string folder = r.path.parent_path().native();
        const bool compilation = tags::firstValue(r.tags.fields, "compilation") == "1";
        sleeves[album.empty()                   ? std::vector<std::string>{"", "", folder}
                : artist.empty() && compilation ? std::vector{album}
                : artist.empty()                ? std::vector{album, std::string(), folder}
                                                : std::vector{album, artist}]
            .push_back(&r);
    }
    std::map<FileId, Marks> out;
    for (const auto& [key, members] : sleeves) {
        std::vector<audit::CheckedFile> files;
        for (const FileRecord* r : members)
            files.push_back({r->id,
                             r->tags.fields,
                             r->tags.pictures,
                             r->tags.format,
                             r->path,
                             {},
                             r->kind.empty() || r->kind == "music"});
        Marks marks;
        for (const auto& part : audit::readinessOf(standard, files).parts)
            marks.push_back(part.met);
        for (const FileRecord* r : members)
            out[r->id] = marks;
    }
    return out;
}

std::map<FileId, Marks> asMap(const ReadinessTable& table) {
    std::map<FileId, Marks> out;
    for (FileId id : table.files)
        out[id] = *table.marksOf(id);
    return out;
}

} // namespace

class TestShelfReadiness : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Store> store_;
    LibrarySearch search_;
    std::shared_ptr<const ReadinessTable> held_;
    uint64_t looked_ = 0; // files, the last time

    void fill(size_t count) {
        const int64_t shelf = store_->shelves().add("Archive", "/archive");
        bench::InventedLibrary invented(count);
        FileRecord r;
        std::vector<files::ScannedFile> files;
        while (invented.next(r)) {
            files::ScannedFile& f = files.emplace_back();
            const int64_t album = (r.id - 1) / 11;
            f.path = r.path;
            f.tags = r.tags;
            if (album % 3 == 0) {
                tags::PictureInfo& picture = f.tags->pictures.emplace_back();
                picture.type = "front cover";
                picture.width = album % 2 ? 600 : 300;
                picture.height = 600;
            }
            if (album % 6 == 3) { // these have all there is to have
                f.tags->fields["isrc"] = {"QZMFR" + std::to_string(2600000 + r.id)};
                f.tags->fields["label"] = {"Pier Nine"};
            }
            if (album % 40 == 7)
                f.tags->fields.erase("album_artist");
            if (album % 80 == 7) { // scattered over the folders of its artists
                f.tags->fields["compilation"] = {"1"};
                f.path = "/archive/" + std::to_string(r.id) + "/" + f.path.filename().native();
            }
            if (album % 90 == 5)
                f.tags->fields.erase("album");
        }
        store_->saveFiles(files, 0, shelf);
    }
    const ReadinessTable& measure(const audit::Standard& standard = archive) {
        search_ = searchOf(*store_, search_);
        work::Progress progress;
        progress.begin(0);
        held_ = readinessOfShelves(*store_, search_, {standard}, held_, {}, progress);
        looked_ = progress.state().done;
        return *held_;
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*Store::open(*box_ / "library.db"));
        search_ = {};
        held_.reset();
    }

    void isThatOfWholeReleases() {
        fill(2000);
        QVERIFY(asMap(measure()) == byLooking(*store_, archive));
        QCOMPARE(looked_, uint64_t{2000});
        QVERIFY(held_->marks.size() > 3);
    }

    void isAskedCountedAndSorted() {
        fill(2000);
        measure();
        const auto truth = byLooking(*store_, archive);
        const auto s = search_.searcher->withReadiness(held_);
        auto found = [&](const char* query) {
            const auto parsed = parseQuery(query);
            if (parsed.error)
                qFatal("%s", parsed.error->sentence.c_str());
            std::set<FileId> out;
            s->find(parsed.query).each([&](Row r) { out.insert(s->idOf(r)); });
            return out;
        };
        auto expected = [&](auto&& fits) {
            std::set<FileId> out;
            for (const auto& [id, marks] : truth)
                if (fits(marks))
                    out.insert(id);
            return out;
        };
        auto lacks = [](size_t rule) {
            return [rule](const Marks& m) { return m[rule] == Met::No || m[rule] == Met::Partly; };
        };
        auto unmet = [](size_t from, size_t to) {
            return [=](const Marks& m) { return unmetOf(m) >= from && unmetOf(m) <= to; };
        };
        QVERIFY(!found("is:ready").empty() && found("is:ready").size() < truth.size());
        QCOMPARE(found("is:ready"), expected(unmet(0, 0)));
        QCOMPARE(found("not is:ready"), expected(unmet(1, 9)));
        QCOMPARE(found("unmet:2"), expected(unmet(2, 2)));
        QCOMPARE(found("unmet:>=2"), expected(unmet(2, 9)));
        QCOMPARE(found("unmet:1-2"), expected(unmet(1, 2)));
        QCOMPARE(found("lacks:picture"), expected(lacks(3)));
        QCOMPARE(found("lacks:=\"Picture of 500 pixels\""), expected(lacks(3)));
        QCOMPARE(found("lacks:=picture"), std::set<FileId>());
        QCOMPARE(found("lacks:isrc lacks:label"),
                 expected([&](const Marks& m) { return lacks(4)(m) && lacks(1)(m); }));
        QCOMPARE(found("is:ready,damaged"), expected(unmet(0, 0)));
        QCOMPARE(found("is:damaged"), std::set<FileId>());

        std::map<std::string, size_t> counts, rules;
        for (const auto& [id, marks] : truth) {
            ++counts[std::to_string(unmetOf(marks))];
            for (size_t i = 0; i < marks.size(); ++i)
                if (lacks(i)(marks))
                    ++rules[audit::ruleText(archive.rules[i])];
        }
        std::map<std::string, size_t> told, toldRules;
        std::string last;
        for (const FacetValue& v : s->facet(s->all(), "unmet")) {
            QVERIFY(last < v.value); // ready first
            told[last = v.value] = v.count;
        }
        for (const FacetValue& v : s->facet(s->all(), "lacks"))
            toldRules[v.value] = v.count;
        QCOMPARE(told, counts);
        QCOMPARE(toldRules, rules);
        // Of a part of the result.
        const RowSet folk = s->find(parseQuery("genre:folk").query);
        size_t ready = 0;
        folk.each([&](Row r) { ready += unmetOf(truth.at(s->idOf(r))) == 0; });
        QCOMPARE(s->facet(folk, "unmet").front(), (FacetValue{"0", ready}));

        auto share = [&](Row r) {
            double met = 0, asked = 0;
            for (Met m : truth.at(s->idOf(r))) {
                met += m == Met::Yes ? 1 : m == Met::Partly ? 0.5 : 0;
                asked += m != Met::NotAsked;
            }
            return met / asked;
        };
        const std::vector<Row> up = s->ordered(s->all(), {{readyColumn, true}, {"title", true}});
        QCOMPARE(up.size(), truth.size());
        for (size_t i = 1; i < up.size(); ++i)
            QVERIFY(share(up[i - 1]) <= share(up[i]) + 0.001);
        const std::vector<Row> down = s->ordered(s->all(), {{readyColumn, false}});
        QCOMPARE(share(down.front()), share(up.back()));
        QCOMPARE(s->text(down.front(), readyColumn), std::string("5 of 5"));
        // Without a table nothing is known: neither ready nor not, and nothing to count.
        QCOMPARE(search_.searcher->find(parseQuery("is:ready").query).count(), size_t{0});
        QVERIFY(search_.searcher->facet(search_.searcher->all(), "unmet").empty());
        QCOMPARE(search_.searcher->ordered(search_.searcher->all(), {{readyColumn, true}}).size(),
                 truth.size());
    }

    void littleChangesAreFollowed() {
        fill(1500);
        measure();
        bench::Chance random(11);
        for (int round = 0; round < 60; ++round) {
            for (unsigned n = 1 + random() % 4; n > 0; --n) {
                const FileId id = 1 + random() % 1500;
                auto file = store_->files().find(id);
                if (!file)
                    continue;
                tags::Fields fields = file->tags.fields;
                switch (random() % 7) {
                case 0:
                    fields["album"] = {"Salt Road"};
                    break;
                case 1:
                    fields.erase("label");
                    break;
                case 2:
                    fields["isrc"] = {"QZMFR2600001"};
                    break;
                case 3:
                    store_->files().forget(id);
                    continue;
                case 4:
                    store_->files().setShelf({id}, file->shelf ? 0 : 1);
                    continue;
                case 5:
                    store_->recordings().setValues(store_->recordings().ensure(id), kindField, {"speech"});
                    continue;
                default:
                    store_->files().move(id, file->path.parent_path() / ("moved " + std::to_string(round) +
                                                                         std::to_string(n) + ".flac"));
                    continue;
                }
                store_->files().update(id, file->state, fields, file->shelf);
            }
            if (round == 30) // new columns, as after many changes
                search_ = searchMadeAnew(*store_);
            QVERIFY2(asMap(measure()) == byLooking(*store_, archive), qPrintable(QString::number(round)));
            if (round != 0) // the first makes "Salt Road"
                QVERIFY2(looked_ < 300, qPrintable(QString::number(looked_)));
            // A searcher that knew the table before has it again, for the rows laid over the columns, too.
            const auto s = search_.searcher->withReadiness(held_);
            s->all().each([&](Row r) { QVERIFY(s->readyRows()->marksOf(r)); });
            const std::vector<Row> order = s->ordered(s->all(), {{readyColumn, true}});
            QCOMPARE(order.size(), s->count());
            for (size_t i = 1; i < order.size(); ++i)
                QVERIFY(s->readyRows()->placeOf(order[i - 1]) <= s->readyRows()->placeOf(order[i]));
        }
        QVERIFY(store_->revisions().known().size() <= 4); // they do not pile up
        const auto before = held_;
        measure();
        QCOMPARE(held_, before); // nothing to do
    }

    void isLeftForTheNextRun() {
        fill(1000);
        measure();
        const auto truth = asMap(*held_);
        held_.reset();
        search_ = {};
        QVERIFY(asMap(measure()) == truth);
        QCOMPARE(looked_, uint64_t{0});
        // What has changed in between is looked at, and nothing else.
        const auto file = *store_->files().find(17);
        tags::Fields fields = file.tags.fields;
        fields.erase("title");
        store_->files().update(17, file.state, fields, file.shelf);
        held_.reset();
        search_ = {};
        QVERIFY(asMap(measure()) == byLooking(*store_, archive));
        QVERIFY2(looked_ > 0 && looked_ <= 22, qPrintable(QString::number(looked_)));
        // Another standard, a damaged file, or new columns that forgot what changed: all is looked at.
        const audit::Standard other{"Plain", {{.kind = audit::RuleKind::Picture}}};
        held_.reset();
        QVERIFY(asMap(measure(other)) == byLooking(*store_, other));
        QCOMPARE(looked_, uint64_t{1000});
        {
            std::fstream kept(readinessFileOf(store_->file()),
                              std::ios::in | std::ios::out | std::ios::binary);
            kept.seekp(4000);
            kept << "no readiness at all";
        }
        held_.reset();
        QVERIFY(asMap(measure(other)) == byLooking(*store_, other));
        QCOMPARE(looked_, uint64_t{1000});
    }

    void whatChangesMeanwhileIsNotForgotten() {
        fill(300);
        for (const bool before : {true, false}) { // anything was measured
            if (before)
                measure();
            else
                held_.reset();
            search_ = searchOf(*store_, search_);
            const FileId id = before ? 40 : 80;
            const auto file = *store_->files().find(id);
            tags::Fields fields = file.tags.fields;
            fields.erase("title");
            store_->files().update(id, file.state, fields, file.shelf); // the search does not know yet
            store_->files().forget(id + 1);
            work::Progress progress;
            held_ = readinessOfShelves(*store_, search_, {archive}, held_, {}, progress);
            QVERIFY(asMap(measure()) == byLooking(*store_, archive));
            // And what is left for another run tells no less.
            held_.reset();
            search_ = {};
            QVERIFY(asMap(measure()) == byLooking(*store_, archive));
        }
    }

    void newColumnsForgetNothingThatIsNeeded() {
        fill(1000);
        measure();
        const auto file = *store_->files().find(30);
        store_->files().update(30, file.state, tags::Fields{{"title", {"Gorse"}}}, file.shelf);
        search_ = searchMadeAnew(*store_);
        QVERIFY(asMap(measure()) == byLooking(*store_, archive));
        QVERIFY(looked_ < 100);
    }

    void aStandardThatAsksNothingIsMet() {
        fill(50);
        measure({"Nothing", {}});
        const auto s = search_.searcher->withReadiness(held_);
        QCOMPARE(s->find(parseQuery("is:ready").query).count(), size_t{50});
        QCOMPARE(s->text(0, readyColumn), std::string());
    }

    void isToldInWordsForWholeSleeves() {
        fill(100);
        measure();
        const auto told = readinessAround(*store_, *search_.searcher, {archive}, {3, 50, 4711});
        QCOMPARE(told.size(), size_t{3});
        QVERIFY(told[2].parts.empty());
        for (size_t i : {size_t{0}, size_t{1}}) {
            Marks marks;
            for (const auto& part : told[i].parts)
                marks.push_back(part.met);
            QVERIFY(marks == *held_->marksOf(i == 0 ? 3 : 50));
        }
    }

    void theLibrarySaysWhatItIsHeldTo() {
        QCOMPARE(rulesOf(*store_).standard, audit::shippedStandards().front());
        store_->settings().set(settings::defaultStandard, std::string("Radio"));
        store_->settings().set(settings::names, files::NameProfile::StrictAscii);
        QCOMPARE(rulesOf(*store_).standard.name, std::string("Radio"));
        QCOMPARE(rulesOf(*store_).names, files::NameProfile::StrictAscii);
        store_->settings().set(settings::standards, audit::toJson({archive}));
        QVERIFY(rulesOf(*store_).standard == archive);
    }
};

QTEST_APPLESS_MAIN(TestShelfReadiness)
#include "test_shelf_readiness.moc"
