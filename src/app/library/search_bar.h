// SPDX-License-Identifier: GPL-3.0-or-later
// The search box of the library: what is typed, how it was understood (a chip for every question), what is
// wrong with it and where, and how it could go on.
#pragma once

#include <QLineEdit>
#include <QWidget>

#include "app/control/job_list.h"
#include "app/control/library_settings.h"
#include "core/library/search/suggest.h"

class QCompleter;
class QLabel;
class QStandardItemModel;
class QToolButton;

namespace moorfrost::app {

class FlowLayout;

class SearchBar : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        LibrarySettings& settings;
    };

    explicit SearchBar(const Uses& use, QWidget* parent = nullptr);

    QLineEdit* box() { return box_; }
    std::string text() const;
    void setText(const std::string& text);
    /// What to suggest from, and which fields there are.
    void setSearcher(std::shared_ptr<const library::Searcher> searcher);
    const library::ParsedQuery& parsed() const { return parsed_; }
    /// Below the box: the chips, or what is wrong. A widget of its own, to be set across the page.
    QWidget* understood() { return understood_; }
    std::vector<QToolButton*> chips() const { return chips_; }
    QString trouble() const;
    QStringList suggestions() const;
    /// Whether words are found at the beginnings of words only, as chosen in Settings.
    bool findsBeginnings() const;
    /// Understands anew what is typed.
    void parse();

signals:
    void changed();

private:
    void showUnderstood();
    void askForSuggestions();
    void takeSuggestion(int row);

    Uses use_;
    QLineEdit* box_;
    QWidget *understood_, *chipArea_;
    QToolButton* trouble_;
    FlowLayout* flow_;
    std::vector<QToolButton*> chips_;
    QCompleter* completer_;
    QStandardItemModel* suggestionModel_;
    std::vector<library::Suggestion> suggestions_;
    std::shared_ptr<const library::Searcher> searcher_;
    library::ParsedQuery parsed_;
    int run_ = 0;
};

} // namespace moorfrost::app
