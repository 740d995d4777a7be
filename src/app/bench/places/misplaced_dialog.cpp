// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/misplaced_dialog.h"

#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/library/misplaced.h"

namespace moorfrost::app {

MisplacedDialog::MisplacedDialog(const Uses& use, const std::vector<FileId>& chosen, QWidget* parent)
    : QDialog(parent), use_(use) {
    setWindowTitle(chosen.empty() ? tr("Misplaced files") : tr("Put away again"));
    shelf_ = new Choice;
    shelf_->setMinimumWidth(180);
    shelf_->setAccessibleName(tr("Shelf that is looked through"));
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    page_ = new PutAwayPage(use_.page);
    page_->tools()->load();
    for (const library::Shelf& shelf : use_.page.shelves.all())
        shelf_->addItem(qs(shelf.name), static_cast<qlonglong>(shelf.id));
    QWidget* lookedAt = captioned(tr("On the shelf"), {shelf_});
    lookedAt->setVisible(chosen.empty());
    auto* review = button(tr("Review"), "accent");
    auto* close = button(tr("Close"));
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    connect(review, &QPushButton::clicked, this, [this] {
        accept();
        emit reviewWanted();
    });
    auto* head = new QHBoxLayout;
    head->addWidget(lookedAt);
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
    connect(shelf_, &QComboBox::activated, this, &MisplacedDialog::look);
    resize(1060, 640);
    if (!chosen.empty()) {
        take(chosen, tr("%n file(s) of the library", "", static_cast<int>(chosen.size())));
        return;
    }
    const int last = shelf_->findData(static_cast<qlonglong>(page_->tools()->wish().shelf));
    shelf_->setCurrentIndex(std::max(0, last));
    look();
}

QString MisplacedDialog::told() const {
    return told_->toolTip().isEmpty() ? told_->text() : told_->toolTip();
}

void MisplacedDialog::look() {
    const int64_t shelf = shelf_->currentData().toLongLong();
    const int run = ++run_;
    if (shelf == 0 || !use_.index.searcher())
        return told_->setText(tr("There is no shelf yet."));
    told_->setText(tr("looking through the shelf \u2026"));
    page_->tools()->setShelf(shelf);
    use_.page.jobs.start(
        this, {ss(tr("Looking for misplaced files"))},
        [shelf, search = use_.index.search(), file = use_.library.file()](
            std::stop_token stop, work::Progress& progress) -> Result<library::MisplacedFiles> {
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            return library::misplacedOn(**store, *search.searcher, shelf, stop, progress);
        },
        [this, run](const Result<library::MisplacedFiles>& found) {
            if (run != run_)
                return;
            if (!found)
                return told_->setText(qs(found.error().message));
            if (!found->why.empty())
                return take({}, qs(found->why));
            take(found->files, tr("Not where the plan of the shelf puts them: %1 of %n file(s).", "",
                                  static_cast<int>(found->known))
                                   .arg(found->files.size()));
        });
}

void MisplacedDialog::take(const std::vector<FileId>& files, const QString& told) {
    told_->setText(told);
    use_.page.files.takeUp(this, files, [this, files] { page_->setFiles(files); });
}

} // namespace moorfrost::app
