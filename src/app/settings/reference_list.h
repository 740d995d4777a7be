// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: which references are asked, in which order.
#pragma once

#include <QWidget>

#include "app/control/references_controller.h"

class QGridLayout;
class QLabel;

namespace moorfrost::app {

class ReferenceList : public QWidget {
    Q_OBJECT
public:
    explicit ReferenceList(ReferencesController& references, QWidget* parent = nullptr);
    /// Nothing is added where the address makes no sense; then the sentence that says why, else "".
    QString add(const QString& name, const QString& address);

private:
    void refresh();
    void askForOne();
    void change(const std::function<void(std::vector<reference::Entry>&)>& how);

    ReferencesController& references_;
    QGridLayout* rows_;
    QLabel* data_;
};

} // namespace moorfrost::app
