// SPDX-License-Identifier: GPL-3.0-or-later
// A button that shows chosen fields, and lets others be chosen from a list that is narrowed by typing.
#pragma once

#include <QPushButton>

#include <functional>
#include <string>
#include <vector>

namespace moorfrost::app {

class FieldPicker : public QPushButton {
    Q_OBJECT
public:
    /// `several`: any number of fields, in the order in which they are chosen.
    explicit FieldPicker(bool several, QWidget* parent = nullptr);

    /// The fields that are offered.
    void setKeys(std::vector<std::string> keys) { keys_ = std::move(keys); }
    /// What they are called; without it by the table of fields.
    void setLabels(std::function<QString(const std::string&)> labels);
    QString labelOf(const std::string& key) const;
    void setChosen(std::vector<std::string> keys);
    const std::vector<std::string>& chosen() const { return chosen_; }
    /// What it says where none is chosen.
    void setNothing(const QString& text);
    /// Opens the list.
    void pick();

signals:
    void changed();

private:
    void showChosen();

    bool several_;
    std::vector<std::string> keys_, chosen_;
    std::function<QString(const std::string&)> labels_;
    QString nothing_;
};

} // namespace moorfrost::app
