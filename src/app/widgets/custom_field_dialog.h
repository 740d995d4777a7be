// SPDX-License-Identifier: GPL-3.0-or-later
// A custom field is described, or described otherwise: what it is called, what it holds, and under which name
// it is in files.
#pragma once

#include <QDialog>

#include "app/control/custom_fields.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPlainTextEdit;

namespace moorfrost::app {

class CustomFieldDialog : public QDialog {
    Q_OBJECT
public:
    /// `key`: of the field that is described, or was found in files; "" for a new one.
    CustomFieldDialog(CustomFields& fields, const std::string& key, QWidget* parent = nullptr);
    /// Asks for one; its key, or "" if none was described.
    static std::string ask(CustomFields& fields, const std::string& key, QWidget* parent);

    tags::CustomField field() const;

private:
    void fill(const tags::CustomField& field);
    void adapt();
    void take();

    CustomFields& fields_;
    std::string key_;     // of the one that is there
    bool placed_ = false; // the name in files is not made of the label any more
    QLineEdit *label_, *place_;
    QComboBox* kind_;
    QCheckBox* several_;
    QLabel *choicesCaption_, *inFiles_, *wrong_;
    QPlainTextEdit* choices_;
};

} // namespace moorfrost::app
