// SPDX-License-Identifier: GPL-3.0-or-later
// Review: every draft and every move, what will be beside what is, with its origin; each can be dropped.
// After a write it says how each file fared.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QTreeWidget>

#include "app/shell/session.h"

class QStackedWidget;

namespace moorfrost::app {

class ShortLabel;

class EmptyHint;

class ReviewPage : public QWidget {
    Q_OBJECT
public:
    ReviewPage(Session& session, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    void dropChosen();
    QPushButton* retryButton() { return retry_; }
    QPushButton* readAgainButton() { return readAgain_; }
    QPushButton* allNamesButton() { return allNames_; }
    QPushButton* thisNameButton() { return thisName_; }
    QPushButton* evenDamagedButton() { return evenDamaged_; }
    QString bannerText() const { return banner_->text(); }

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void showDrafts();
    std::vector<FilePtr> inReadingOrder() const;
    void showReport();
    void setBanner(const QString& text, const char* look);

    Session& session_;
    QLabel *title_, *banner_;
    ShortLabel* note_;
    QPushButton *drop_, *dropAll_, *takeBack_, *back_, *retry_, *readAgain_, *allNames_, *thisName_,
        *evenDamaged_;
    QTreeWidget* tree_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QTimer timer_{this};
    bool isOld_ = true; // something has changed since it was filled
};

} // namespace moorfrost::app
