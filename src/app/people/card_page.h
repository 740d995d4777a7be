// SPDX-License-Identifier: GPL-3.0-or-later
// What the pages of works and of people have in common: a list that is searched, and one of it that is shown,
// as the library has it. A page says what its lines are, and shows what was read.
#pragma once

#include <QWidget>

#include <optional>

#include "app/control/people_controller.h"
#include "app/people/card_lines.h"
#include "app/widgets/fact_table.h"
#include "app/widgets/three_panes.h"

namespace moorfrost::app {

class CardPage : public QWidget {
    Q_OBJECT
public:
    QLineEdit* searchBox() { return head_.search; }
    CardLines* lines() { return lines_; }
    FactTable* facts() { return facts_; }
    QString told() const { return head_.count->text(); }
    QString titleText() const { return title_->text(); }
    const library::CardView& shown() const { return shown_; }
    /// What is shown is what is chosen, as the library has it.
    bool isTrue() const { return !reading_ && !next_ && people_.isTrue(); }
    /// Chooses it, if it is in the library; what is searched gives way. `key`: what is to be entered of it.
    void showCard(library::CardId card, const std::string& key = {});

protected:
    CardPage(Messages& messages, PeopleController& people, library::CardKind kind, QWidget* parent);
    /// Once, when the page has made its parts.
    void layOut(const SearchHead& head, QBoxLayout* caption, QWidget* sheet, EmptyHint* empty, QWidget* side,
                const QString& name);
    /// Those in which every word is found.
    virtual std::vector<CardLine> linesOf(const library::People& people, const std::string& words) const = 0;
    virtual size_t countOf(const library::People& people) const = 0;
    virtual QString countText(const library::People& people) const = 0;
    /// What the sheet says where there are none at all.
    virtual std::pair<QString, QString> noneText() const = 0;
    /// `shown_`. The facts and the title are shown already.
    virtual void display() = 0;
    /// An editor is open: what is typed is of what is shown.
    virtual bool isEditing() const { return facts_->isEditing(); }
    virtual void showMenu(const QPoint& at) = 0;
    /// The head of a part of the sheet, with what can be done with it on the right.
    static QWidget* partHead(const QString& title, QPushButton* change);
    /// The same of a text of several lines, which is changed in a dialog.
    QWidget* textHead(const QString& title, const std::string& key);
    void changeText(const QString& title, const std::string& key);
    /// A place to type what is missing, once it is shown.
    virtual void enter(const std::string& key);

    void refresh();
    void read();
    /// What is being read is older than what was just done.
    void outdate() { ++run_; }
    /// Where it came into sight later because somebody typed.
    void showNext();
    void removeShown();
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

    Messages& messages_;
    PeopleController& people_;
    CardLines* lines_;
    QLabel* title_;
    FactTable* facts_;
    QPushButton* moreFacts_;
    ThreePanes panes_{};
    library::CardView shown_;

private:
    void show(library::CardView view);

    library::CardKind kind_;
    SearchHead head_{};
    EmptyHint* empty_ = nullptr;
    std::optional<library::CardView> next_; // to be shown when an editor is closed
    library::CardId wanted_ = 0;
    std::pair<library::CardId, std::string> toEnter_; // of which card, what
    int run_ = 0;
    bool reading_ = false;
};

} // namespace moorfrost::app
