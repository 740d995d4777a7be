// SPDX-License-Identifier: GPL-3.0-or-later
// Findings: what is wrong in the library by a rule, why, and how it could be mended. Very many of them may be
// there: what is not needed for a list lies in a file without a name.
#pragma once

#include <memory>
#include <optional>

#include "core/files/spool.h"
#include "core/library/drafts.h"
#include "core/library/findings/rules.h"
#include "core/library/store/card_table.h"

namespace moorfrost::library {

/// What could be done: values for fields, or one text of a field in the place of another in all files of the
/// finding.
struct Fix {
    std::string says; // a few words: "Keep \"Kestrel & Rook\" in all"
    std::vector<DraftSession::Wish> wishes;
    struct Replacement {
        std::string field, from, to;
    };
    std::vector<Replacement> replacements;
    bool isEmpty() const { return wishes.empty() && replacements.empty(); }
};

/// What speaks for a finding: what was looked at, what it says here, and what it usually says.
struct Evidence {
    std::string what, says, usual = {};
    bool operator==(const Evidence&) const = default;
};

/// Where in a sound it is, so that it can be shown and heard.
struct SoundPlace {
    double from = 0, to = 0; // seconds; both 0: all of it
    double hertz = 0;        // a line across the spectrum; 0: none
    bool operator==(const SoundPlace&) const = default;
};

struct Finding {
    std::string rule;    // its key
    std::string about;   // within the rule: tells it apart from others, run for run
    FileId unit = 0;     // of a release: the first of its files; 0: of the whole library
    std::string release; // its name, for people
    int64_t shelf = 0;   // on which its first file stands; 0: on none
    std::string title;   // what it is about, for people: "Lanterns, Kestrel & Rook"
    std::string sentence;
    std::vector<FileId> files; // rising
    std::vector<Evidence> evidence;
    Fix fix;
    CardId card = 0; // the party, work or agreement that it is about; 0: none
    CardKind cardKind = CardKind::Party;
    double sure = 1;                 // how sure it is, 0 to 1
    std::optional<SoundPlace> place; // of a finding about the sound of one file

    /// Of all that it is made of: another once the facts are.
    uint64_t facts() const;
};

/// One thread at a time; copies share what is put away, and may be on other threads.
class Findings {
public:
    /// What a list shows of one, and what it is counted by.
    struct Head {
        const AuditRule* rule = nullptr;
        uint64_t facts = 0;
        uint64_t key = 0;           // of rule and `about`
        FileId unit = 0, first = 0; // first: of its files
        int64_t shelf = 0;
        uint32_t files = 0; // how many
        bool fix = false;
        float sure = 1;
        files::Spool::Piece title, rest;
    };

    /// In the folder of that file; before there are findings. Else in memory.
    void layBeside(const Path& file) { spool_ = std::make_shared<files::Spool>(file); }
    size_t size() const { return heads_.size(); }
    const Head& head(size_t at) const { return heads_.at(at); }
    std::string title(size_t at) const { return spool_->read(heads_.at(at).title); }
    /// All of it; it costs a reading.
    Finding operator[](size_t at) const;
    void add(const Finding& finding);
    /// Those of these releases, which must be in order.
    void removeUnits(const std::vector<FileId>& units);
    /// By rule, then by title.
    void sort();

private:
    std::vector<Head> heads_;
    std::shared_ptr<files::Spool> spool_ = std::make_shared<files::Spool>();
};

/// Identifies a finding over time.
uint64_t findingKey(std::string_view rule, std::string_view about);

} // namespace moorfrost::library
