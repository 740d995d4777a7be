// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of one-sheets have in common: a library with "Lanterns", of which there is all to say.
#pragma once

#include <QtTest>

#include "core/deliver/sheet_file.h"
#include "core/library/families/families.h"
#include "core/library/people/card_changes.h"
#include "core/library/recordings.h"
#include "core/text/text.h"
#include "support/sample_files.h"

namespace moorfrost::test {

using library::CardId;
using library::CardKind;
using library::FileId;
using library::Fraction;
using library::Side;
using namespace deliver;

class SheetWorld {
protected:
    using Strings = std::vector<std::string>;

    void open() {
        box_ = std::make_unique<Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
    }
    void close() {
        store_.reset();
        box_.reset();
    }
    SheetLayout layout(const char* name) {
        const SheetLayout* found = layoutNamed(shippedLayouts(), name);
        return found ? *found : shippedLayouts().front();
    }
    SheetSubject subject(const SheetOf& of) {
        return sheetSubject(*store_, *library::People::make(library::keptCards(*store_)), of);
    }
    FileId song(const std::string& name, tags::Fields fields, double seconds = 221) {
        files::ScannedFile f;
        f.path = *box_ / "shelf" / name;
        f.state = {1, 2};
        f.tags = tags::TagFile();
        f.tags->fields = std::move(fields);
        f.tags->facts.duration = seconds;
        const FileId id = store_->files().save(f, shelf_);
        store_->recordings().ensure(id);
        return id;
    }
    CardId party(const char* name) {
        const auto people = library::People::make(library::keptCards(*store_));
        if (const CardId known = people->named(name))
            return known;
        library::ChangeOutcome outcome;
        return *library::makeCard(*store_, CardKind::Party, {{"name", {name}}}, outcome);
    }
    CardId work(const char* title) {
        library::ChangeOutcome outcome;
        return *library::makeCard(*store_, CardKind::Work, {{"title", {title}}}, outcome);
    }
    void say(CardId card, const char* key, const Strings& values) {
        const auto set = library::setCardFact(*store_, card, key, values);
        QVERIFY2(set, set ? "" : set.error().message.c_str());
    }

    /// "Lanterns" with all there is to say.
    FileId lanterns() {
        const FileId lead = song("Lanterns.flac", {{"title", {"Lanterns"}},
                                                   {"artist", {"Kestrel & Rook"}},
                                                   {"album", {"Lanterns"}},
                                                   {"date", {"2021-09-24"}},
                                                   {"tempo", {"104"}},
                                                   {"key", {"D minor"}},
                                                   {"language", {"English"}},
                                                   {"isrc", {"ZZFSR2100031"}},
                                                   {"producer", {"Tom Rook"}},
                                                   {"website", {"https://example.org/lanterns"}}});
        const FileId instrumental = song("i.flac", {{"title", {"Lanterns (Instrumental)"}}}),
                     bass = song("b.flac", {{"title", {"Lanterns bass"}}}),
                     keys = song("k.flac", {{"title", {"Lanterns keys"}}});
        [&] {
            QVERIFY(library::keepFamilies(*store_, {{{lead, "lead", ""},
                                                     {instrumental, "instrumental", ""},
                                                     {bass, "stem", "bass"},
                                                     {keys, "stem", "keys"}}}));
            work_ = work("Lanterns");
            const CardId mara = party("Mara Kestrel"), tom = party("Tom Rook"), isla = party("Isla Varnholt"),
                         songs = party("Fellside Songs"), owner = party("Fellside Reissues");
            say(mara, "ipi", {"99900001057"});
            say(tom, "ipi", {"99900002054"});
            say(songs, "ipi", {"99900003051"});
            say(owner, "contacts", {library::contactText({"mail", "licences@example.org", "licences"})});
            say(work_, "iswc", {"T-999.000.104-2"});
            say(work_, "keywords", {"night", "harbour"});
            say(work_, "description", {"A slow walk home along the harbour wall."});
            say(work_, "lyrics", {"Lanterns down along the quay,\none for you and one for me"});
            QVERIFY(library::setWorks(*store_, {lead}, {work_}, "Work"));
            QVERIFY(library::setShares(*store_, {work_}, Side::Writers,
                                       {{mara, {}, {"author", "composer"}, Fraction(1, 2)},
                                        {tom, {}, {"composer"}, Fraction(1, 3)},
                                        {isla, {}, {"composer"}, Fraction(1, 6)}},
                                       "Writers"));
            QVERIFY(library::setShares(*store_, {work_}, Side::Publishers,
                                       {{songs, {}, {"original publisher"}, Fraction(2, 3), {mara, isla}},
                                        {0, {}, {}, Fraction(1, 3), {tom}}},
                                       "Publishers"));
            QVERIFY(library::setOwners(*store_, {lead}, {{owner, {}, {}, Fraction(3, 5)}}, "Owners"));
            QVERIFY(library::addBookmark(*store_, "Bookmark", {72, "chorus"}, lead));
        }();
        return lead;
    }

    static bool has(const std::vector<SheetGap>& gaps, const std::string& what) {
        return std::ranges::any_of(
            gaps, [&](const SheetGap& g) { return g.sentence.find(what) != std::string::npos; });
    }
    static std::string said(const std::vector<SheetGap>& gaps) {
        std::string out;
        for (const SheetGap& gap : gaps)
            out += gap.sentence + "\n";
        return out;
    }
    static void inOrder(const std::string& text, const Strings& parts) {
        size_t at = 0;
        for (const std::string& part : parts) {
            const size_t found = text.find(text::nfc(part), at);
            QVERIFY2(found != std::string::npos, ("not found in order: " + part + "\n" + text).c_str());
            at = found + 1;
        }
    }
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0;
    CardId work_ = 0;
};

} // namespace moorfrost::test
