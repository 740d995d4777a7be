// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of recordings, settled: families as they are and as they are proposed, a line a version, with its
// kind. Lines are dragged from family to family, or moved by keys.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/library/version_groups.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class VersionsDialog : public QDialog {
    Q_OBJECT
public:
    explicit VersionsDialog(const std::vector<VersionGroup>& groups, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    QPushButton* familyButton() { return family_; }
    QPushButton* leadButton() { return lead_; }
    QPushButton* outButton() { return out_; }
    QPushButton* takeButton() { return take_; }

    std::vector<std::vector<library::VersionToKeep>> families() const;
    std::vector<library::FileId> alone() const;

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    QTreeWidgetItem* addFamily(const QString& title, bool ticked, const QString& why);
    void addMember(QTreeWidgetItem* family, const VersionGroup::Member& member);
    void makeFamily();
    void makeLead();
    void takeOut();
    void setKind(const std::string& kind);
    void tell();
    std::vector<QTreeWidgetItem*> chosen() const; // lines of versions

    QTreeWidget* tree_;
    QTreeWidgetItem* alone_ = nullptr;
    QPushButton *family_, *lead_, *kind_, *out_, *take_;
    QLabel* summary_;
    bool arranging_ = false;
};

} // namespace moorfrost::app
