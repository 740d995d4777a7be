// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements: what was agreed with whom about which songs and releases, until when, and the documents that
// say so.
#pragma once

#include <QListWidget>
#include <QTreeWidget>

#include "app/control/agreements_controller.h"
#include "app/control/releases_controller.h"
#include "app/people/card_page.h"
#include "app/widgets/side_lines.h"

namespace moorfrost::app {

class PartButtons;

/// Beside an agreement: how long it holds, and what is missing of it.
class AgreementSide : public SideLines {
    Q_OBJECT
public:
    using SideLines::SideLines;
    void show(const library::AgreementLine& agreement, const library::Facts& facts);

signals:
    void factWanted(const std::string& key);
    void documentWanted();
};

class AgreementsPage : public CardPage {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        PeopleController& people;
        AgreementsController& agreements;
        ReleasesController& releases;
    };
    AgreementsPage(const Uses& use, PartButtons* parts, QWidget* parent = nullptr);

    QListWidget* documents() { return documents_; }
    QTreeWidget* covered() { return covered_; }
    AgreementSide* side() { return side_; }
    void newAgreement();
    /// Asks for files.
    void addDocuments();
    void addDocuments(const std::vector<Path>& files);
    /// Asks for songs.
    void addWorks();

protected:
    std::vector<CardLine> linesOf(const library::People& people, const std::string& words) const override;
    size_t countOf(const library::People& people) const override { return people.agreements().size(); }
    QString countText(const library::People& people) const override;
    std::pair<QString, QString> noneText() const override;
    void display() override;
    void showMenu(const QPoint& at) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QWidget* sheet();
    void showDocuments();
    void showCovered();
    void removeCovered();
    void documentMenu(const QPoint& at);
    const library::KeptDocument* chosenDocument() const;
    void openDocument();

    Uses use_;
    QListWidget* documents_;
    QTreeWidget* covered_;
    QLabel *line_, *says_, *notes_, *noDocuments_, *noneCovered_;
    AgreementSide* side_;
    std::vector<library::KeptDocument> kept_; // as they are shown
    int checking_ = 0;
};

} // namespace moorfrost::app
