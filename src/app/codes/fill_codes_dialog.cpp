// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/codes/fill_codes_dialog.h"

#include <QVBoxLayout>

#include "app/widgets/controls.h"

namespace moorfrost::app {

FillCodesDialog::FillCodesDialog(CodesController& codes, library::ReleaseFiles releases, QWidget* parent)
    : QDialog(parent), codes_(codes) {
    setWindowTitle(tr("Codes to fill"));
    codes_.showReleases(std::move(releases));
    codes_.setInSight(true);
    view_ = new CodesView(
        codes_, {tr("Every track has its ISRC"), tr("Nothing is missing in the chosen releases."), true});
    connect(view_, &CodesView::closeWanted, this, &QDialog::accept);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(view_);
    resize(980, 560);
    view_->list()->setFocus();
}

FillCodesDialog::~FillCodesDialog() {
    codes_.stop();
    codes_.setInSight(false);
}

} // namespace moorfrost::app
