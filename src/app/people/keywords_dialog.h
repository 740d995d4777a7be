// SPDX-License-Identifier: GPL-3.0-or-later
// Keywords of songs, chosen from the list that the library has: those that are used, and those that somebody
// put on it.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>

#include <set>

namespace moorfrost::app {

class KeywordsDialog : public QDialog {
    Q_OBJECT
public:
    struct Keyword {
        std::string word;
        size_t songs = 0; // that have it
    };
    /// `own`: on the list, whether it is used or not.
    KeywordsDialog(const QString& title, const std::vector<Keyword>& used,
                   const std::vector<std::string>& own, const std::vector<std::string>& chosen,
                   QWidget* parent = nullptr);
    QLineEdit* line() { return line_; }
    QListWidget* list() { return list_; }
    /// In the order of before, those that came last.
    std::vector<std::string> chosen() const;
    /// The list as it is to be kept: with new ones, without those that were taken off.
    std::vector<std::string> own() const;

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void add(const std::string& word, size_t songs, bool on);
    void narrow();
    void enter();
    void takeOff();

    QLineEdit* line_;
    QListWidget* list_;
    std::vector<std::string> before_;
    std::vector<std::string> own_;
};

} // namespace moorfrost::app
