// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet that came in: how it is read, which track each row means, what a person settled, and its taking.
#pragma once

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/kept_changes.h"
#include "app/control/library_index.h"
#include "app/control/rows_out_controller.h"
#include "core/deliver/rows/rows_take.h"

namespace moorfrost::app {

class RowsInController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        FilesController& files;
        DraftsController& drafts;
        KeptChanges& kept;
        LibraryIndex& index;
        RowsOutController& out; // its layouts recognise sheets
    };
    explicit RowsInController(const Uses& use);

    /// Looks at the file, and reads all of it by what was found.
    void open(const Path& file);
    /// What a package says of its files, whose paths begin otherwise here.
    void openOfPackage(const Path& file, const std::string& told, const std::string& here);
    void close();
    const Path& file() const { return file_; }
    /// nullptr where no sheet is open, or it cannot be read: then why() says so.
    const deliver::RowsInLook* look() const { return look_ ? &*look_ : nullptr; }
    QString why() const { return why_; }
    /// A person knows better how it is put down, or whose columns it has.
    void setGiven(const exchange::DialectGiven& given);
    const exchange::DialectGiven& given() const { return given_; }
    void setLayout(const std::string& name);
    std::vector<std::string> layoutNames() const { return use_.out.layouts().names(); }
    void setColumn(size_t column, const deliver::RowColumn& says);
    void setBlankClears(bool on);

    /// nullptr until it was read.
    const deliver::RowsIn* rows() const { return rows_ ? rows_.get() : nullptr; }
    bool isReading() const { return reading_ != 0; }
    int run() const { return run_; } // another for each reading
    void settle(size_t row, FileId file);
    void prefer(size_t row);
    void leaveOut(const std::vector<size_t>& rows);
    /// What may be taken now.
    deliver::RowsTake take() const;
    /// Fields become drafts; what the library keeps of recordings is kept.
    void takeAll();
    /// Entries without a file for these rows, on a shelf.
    void addEntries(const std::vector<size_t>& rows, int64_t shelf);
    const std::vector<deliver::RowKindRule>& kindRules() const { return kinds_; }
    void setKindRules(std::vector<deliver::RowKindRule> rules) { kinds_ = std::move(rules); }

signals:
    void changed(); // the look, or the rows
    void rowChanged(size_t row);

private:
    void lookAgain();
    void read();

    Uses use_;
    Path file_;
    exchange::DialectGiven given_;
    std::string layout_;
    bool blankClears_ = false;
    std::string pathTold_, pathHere_; // of a package
    std::optional<deliver::RowsInLook> look_;
    QString why_;
    std::shared_ptr<deliver::RowsIn> rows_; // changed on this thread only
    std::vector<deliver::RowKindRule> kinds_ = deliver::shippedRowKindRules();
    work::JobId reading_ = 0;
    int run_ = 0;
};

} // namespace moorfrost::app
