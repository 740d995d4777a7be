// SPDX-License-Identifier: GPL-3.0-or-later
// Works: all songs of the library with how complete they are, and of one who has which part of it.
#pragma once

#include "app/control/agreements_controller.h"
#include "app/control/library_settings.h"
#include "app/people/card_page.h"
#include "app/people/share_table.h"
#include "core/library/people/share_template.h"

class QMenu;

namespace moorfrost::app {

class PartButtons;
class WorkSide;

class WorksPage : public CardPage {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        PeopleController& people;
        LibraryIndex& index;
        AgreementsController& agreements;
        LibrarySettings& settings;
    };
    WorksPage(const Uses& use, PartButtons* parts, QWidget* parent = nullptr);

    ShareTable* table(library::Side side);
    WorkSide* side() { return side_; }
    void newWork();
    /// Works for all recordings on the shelves that have none.
    void makeAll();
    void copyShares();
    void showLyrics();
    void chooseKeywords();
    void keepTemplate();
    void takeTemplate(const library::ShareTemplate& shares);
    void wantSheet();
    void newAgreement();

signals:
    void libraryWanted(moorfrost::app::FileId id);
    void playRequested(moorfrost::app::FileId id);
    /// A one-sheet of these.
    void sheetWanted(const std::vector<moorfrost::app::FileId>& files);

protected:
    std::vector<CardLine> linesOf(const library::People& people, const std::string& words) const override;
    size_t countOf(const library::People& people) const override { return people.works().size(); }
    QString countText(const library::People& people) const override;
    std::pair<QString, QString> noneText() const override;
    void display() override;
    bool isEditing() const override;
    void showMenu(const QPoint& at) override;
    void enter(const std::string& key) override;

private:
    static QString sideName(library::Side side);
    void fillShareMenu(QMenu& menu);
    bool hasShares() const;
    QWidget* sheet();
    void addPart(library::Side side, QBoxLayout* layout);
    void setShares(library::Side side, const std::vector<library::Share>& shares, const QString& title);
    void showHistory(library::Side side);
    /// Names that are only names become parties, which can have numbers.
    void enterNames();
    void goTo(const library::Gap& gap);
    std::vector<FileId> filesOf(const library::CardView& view) const;

    Uses use_;
    Choice* order_;
    QLabel* line_;
    struct Part {
        ShareTable* table = nullptr;
        QPushButton* add = nullptr;
        QLabel* note = nullptr;
    };
    Part parts_[3]; // by side
    QPushButton* oneSheet_;
    QLabel *lyricsHead_, *lyrics_;
    WorkSide* side_;
};

} // namespace moorfrost::app
