// SPDX-License-Identifier: GPL-3.0-or-later
// The drawer: all selected files together, field by field, with the picture they carry.
#pragma once

#include <QFrame>
#include <QLabel>

#include "app/shell/session.h"

class QGridLayout;

namespace moorfrost::app {

class FieldBox;
class ShortLabel;

class Drawer : public QFrame {
    Q_OBJECT
public:
    Drawer(Session& session, QWidget* parent = nullptr);
    void setFiles(const std::vector<FileId>& files);
    QSize sizeHint() const override { return {300, 400}; }

signals:
    void refused(const QString& sentence);

private:
    void rebuildFields();
    void refreshCover();
    void chooseFields();
    void addField(const std::string& key);

    Session& session_;
    std::vector<FileId> files_;
    std::vector<std::string> keys_;
    QLabel *cover_, *coverTitle_, *coverFacts_, *coverNote_, *count_;
    QWidget* form_;
    QGridLayout* grid_;
    std::vector<FieldBox*> boxes_;
};

} // namespace moorfrost::app
