// SPDX-License-Identifier: GPL-3.0-or-later
// The Identify step in the real window, beside the simulated reference: what tests of it share.
#pragma once

#include <QtTest>

#include "app/bench/bench_page.h"
#include "app/bench/identify_page.h"
#include "app/bench/line_up_table.h"
#include "app/widgets/comparison_table.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

namespace moorfrost::app {

/// In the row of this caption.
inline QString factIn(ComparisonTable* table, const QString& caption, int column) {
    const QAbstractItemModel* m = table->model();
    for (int row = 0; row < m->rowCount(); ++row)
        if (m->index(row, 0).data().toString() == caption)
            return m->index(row, column + 1).data().toString();
    return "no such row";
}

class IdentifyDesk {
public:
    /// With these folders of the demo brought in.
    explicit IdentifyDesk(const std::vector<const char*>& folders)
        : box_(std::make_unique<test::Sandbox>(true)) {
        test::copyOf(test::sharedReference(), *box_ / "reference");
        std::filesystem::create_directories(*box_ / "incoming");
        for (const char* folder : folders)
            test::copyOf(test::sharedDemo() / "incoming" / folder, *box_ / "incoming" / folder);
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        controllers().batch.create("Autumn");
        driver_->settle();
        driver_->bringIn({*box_ / "incoming"});
        window().bench()->showStep(BenchPage::Identify);
        driver_->settle();
    }
    Driver& driver() { return *driver_; }
    MainWindow& window() { return driver_->window(); }
    Controllers& controllers() { return driver_->controllers(); }
    IdentifyPage* page() { return window().bench()->identify(); }
    test::Sandbox& box() { return *box_; }
    void settle() { driver_->settle(); }
    /// The program ends and begins again.
    void restart() {
        driver_.reset();
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->settle();
    }
    void close() { driver_.reset(); }

    QString fact(const QString& caption, int candidate) {
        return factIn(page()->candidates(), caption, candidate);
    }
    QString seat(int row) { return page()->lineUp()->model()->index(row, 0).data().toString(); }
    std::string drafted(const char* file, const char* field) {
        const library::Draft* draft = controllers().drafts.session().find(driver_->fileNamed(file), field);
        return draft && !draft->values.empty() ? draft->values[0] : std::string();
    }
    void lookUp(const QString& sleeve) {
        QVERIFY(driver_->chooseSleeve(sleeve));
        QTest::keyClick(&window(), Qt::Key_I, Qt::ControlModifier);
        driver_->settle();
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

} // namespace moorfrost::app
