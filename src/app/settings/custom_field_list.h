// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: the custom fields that were described, and those that are only found in files.
#pragma once

#include <QWidget>

#include "app/control/custom_fields.h"

class QGridLayout;

namespace moorfrost::app {

class CustomFieldList : public QWidget {
    Q_OBJECT
public:
    explicit CustomFieldList(CustomFields& fields, QWidget* parent = nullptr);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void remove(const tags::CustomField& field);

    CustomFields& fields_;
    QGridLayout* rows_;
};

} // namespace moorfrost::app
