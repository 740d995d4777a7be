// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a release: where what is known of it came from, what may be the same release, notes and links.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QPushButton>

#include "app/control/releases_controller.h"

class QVBoxLayout;

namespace moorfrost::app {

class ReleaseSide : public QFrame {
    Q_OBJECT
public:
    explicit ReleaseSide(QWidget* parent = nullptr);
    void show(const ShownRelease& release);
    QString originsText() const;
    QPushButton* notesButton() { return notesButton_; }
    /// What stands between origins and notes.
    void setMiddle(QWidget* widget);

signals:
    /// Typed over: the fact "notes" or "links".
    void typed(const std::string& key, const std::vector<std::string>& values);

private:
    void changeNotes();

    QLabel *origins_, *notes_, *links_;
    QPushButton* notesButton_;
    QVBoxLayout* layout_;
    reference::Release release_;
};

} // namespace moorfrost::app
