// SPDX-License-Identifier: GPL-3.0-or-later
// Several fields by their names on one line, typed or taken from a menu.
#pragma once

#include <QWidget>

#include <string>
#include <vector>

class QLineEdit;

namespace moorfrost::app {

class FieldsLine : public QWidget {
    Q_OBJECT
public:
    explicit FieldsLine(std::vector<std::string> customKeys, QWidget* parent = nullptr);

    void setKeys(const std::vector<std::string>& keys);
    /// Once each. Names that are no standard field are fields of the user's own.
    std::vector<std::string> keys() const;
    QLineEdit* edit() { return edit_; }

signals:
    void changed();

private:
    void showMenu();
    QLineEdit* edit_;
    std::vector<std::string> custom_;
};

} // namespace moorfrost::app
