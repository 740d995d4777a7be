// SPDX-License-Identifier: GPL-3.0-or-later
// The codes that the chosen releases of a batch lack: looked up, and taken as drafts.
#pragma once

#include <QDialog>

#include "app/codes/codes_view.h"

namespace moorfrost::app {

class FillCodesDialog : public QDialog {
    Q_OBJECT
public:
    FillCodesDialog(CodesController& codes, library::ReleaseFiles releases, QWidget* parent = nullptr);
    ~FillCodesDialog() override;
    CodesView* view() { return view_; }

private:
    CodesController& codes_;
    CodesView* view_;
};

} // namespace moorfrost::app
