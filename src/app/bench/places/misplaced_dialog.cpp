// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/misplaced_dialog.h"

#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "core/library/misplaced.h"

namespace moorfrost::app {

MisplacedDialog::MisplacedDialog(const Uses& use, const std::vector<FileId>& chosen, QWidget* parent)
    : QDialog(parent), use_(use) {
    setWindowTitle(chosen.empty() ? tr("Misplaced files") : tr("Put away again"));
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    page_ = new PutAwayPage(use_.page);
    page_->tools()->load();
    auto* review = button(tr("Review"), "accent");
    auto* close = button(tr("Close"));
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    connect(review, &QPushButton::clicked, this, [this] {
        accept();
        emit reviewWanted();
    });
    auto* head = new QHBoxLayout;
    head->addWidget(told_, 1);
    auto* foot = new QHBoxLayout;
    foot->addStretch(1);
    foot->addWidget(close);
    foot->addWidget(review);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(page_, 1);
    layout->addWidget(bar("bottom", foot, 48));
    resize(1060, 640);
    if (!chosen.empty()) {
        take(chosen, tr("%n file(s) of the library", "", static_cast<int>(chosen.size())));
        return;
    }
    soon_.setSingleShot(true);
    soon_.setInterval(400);
    connect(&soon_, &QTimer::timeout, this, &MisplacedDialog::look);
    connect(page_->tools(), &PlaceTools::changed, &soon_, qOverload<>(&QTimer::start));
    page_->tools()->setShelf(page_->tools()->shelf()); // with its plan
    look();
}

QString MisplacedDialog::told() const {
    return told_->toolTip().isEmpty() ? told_->text() : told_->toolTip();
}

void MisplacedDialog::look() {
    library::PlaceWish wish = page_->tools()->wish();
    wish.shelf = page_->tools()->shelf(); // also where files are only renamed
    if (wish.shelf == 0 || !use_.index.searcher())
        return told_->setText(tr("Choose a shelf."));
    if (!page_->editor()->plan() || looked_ == std::pair(wish.shelf, wish.plan))
        return;
    looked_ = {wish.shelf, wish.plan};
    const int run = ++run_;
    told_->setText(tr("looking through the shelf \u2026"));
    page_->setFiles({}); // those of another shelf are not meant
    use_.page.jobs.start(
        this, {ss(tr("Looking for misplaced files"))},
        [wish, search = use_.index.search(), file = use_.library.file()](
            std::stop_token stop, work::Progress& progress) -> Result<library::MisplacedFiles> {
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            return library::misplacedOn(**store, *search.searcher, wish.shelf, wish.plan, stop, progress);
        },
        [this, run](const Result<library::MisplacedFiles>& found) {
            if (run != run_)
                return;
            if (!found)
                return told_->setText(spoken(found.error().message));
            if (!found->why.empty())
                return take({}, spoken(found->why));
            take(found->files, found->files.empty()
                                   ? tr("All %n file(s) of this shelf are where this plan puts them.", "",
                                        static_cast<int>(found->known))
                                   : tr("Not where this plan puts them: %1 of %n file(s).", "",
                                        static_cast<int>(found->known))
                                         .arg(found->files.size()));
        });
}

void MisplacedDialog::take(const std::vector<FileId>& files, const QString& told) {
    told_->setText(told);
    use_.page.files.takeUp(this, files, [this, files] { page_->setFiles(files); });
}

} // namespace moorfrost::app
