// SPDX-License-Identifier: GPL-3.0-or-later
// Packages for archives: what one will have, on the left; one that came in, verified, on the right.
#pragma once

#include <QPushButton>
#include <QTreeWidget>

#include "app/control/packages_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/deliver/layout_bar.h"
#include "app/widgets/controls.h"

class QLineEdit;
class QPlainTextEdit;

namespace moorfrost::app {

class PackageView : public DeliverView {
    Q_OBJECT
public:
    PackageView(PackagesController& packages, Delivering& delivering, Messages& messages,
                QWidget* parent = nullptr);
    QWidget* headPart() override;
    LayoutBar* layouts() { return layouts_; }
    QLineEdit* title() { return title_; }
    QLineEdit* organisation() { return organisation_; }
    QLineEdit* forWhom() { return forWhom_; }
    QTreeWidget* content() { return content_; }
    QTreeWidget* findings() { return findings_; }
    QPushButton* makeButton() { return make_; }
    QPushButton* takeInButton() { return takeIn_; }
    QString told() const { return told_->text(); }
    QString verdict() const { return verdict_->text(); }
    bool isTrue() const override { return packages_.isTrue(); }
    void takeKeyboard() override;
    QString number() const;
    void make();
    void verify();

protected:
    void setInSight(bool inSight) override { packages_.setInSight(inSight); }

private:
    QWidget* left();
    QWidget* right();
    void change();
    void showLayout();
    void show();

    PackagesController& packages_;
    Delivering& delivering_;
    LayoutBar* layouts_;
    QLineEdit *title_, *organisation_, *contact_, *mail_, *number_, *forWhom_;
    QPlainTextEdit* description_;
    QTreeWidget *content_, *findings_;
    ShortLabel* told_;
    QLabel* verdict_;
    QPushButton *make_, *verify_, *takeIn_;
};

} // namespace moorfrost::app
