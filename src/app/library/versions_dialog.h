// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of recordings, settled: families as they are and as they are proposed, a line a version, with its
// kind. Lines are dragged from family to family, or moved by keys.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/widgets/controls.h"
#include "core/library/families/families.h"

namespace moorfrost::app {

/// A family, or what stands alone, as the dialog begins with it.
struct VersionGroup {
    struct Member {
        library::FileId file = 0;
        QString title, place;
        double seconds = 0;
        std::string kind, detail;
    };
    std::vector<Member> members;
    bool kept = false; // it is one already
    bool taken = true; // a proposal that is ticked
    QString why;
};
/// What the library keeps of these files and what their names propose; without files: proposals of the whole
/// library. Opens the library itself, for a job.
Result<std::vector<VersionGroup>> versionGroups(
    const Path& library, const library::Searcher& searcher, const std::vector<library::FileId>& files,
    const std::function<double(library::FileId, library::FileId)>& soundAlike, std::stop_token stop);

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
    QTreeWidgetItem* alone_;
    QPushButton *family_, *lead_, *kind_, *out_, *take_;
    QLabel* summary_;
    bool arranging_ = false;
};

} // namespace moorfrost::app
