// SPDX-License-Identifier: GPL-3.0-or-later
// The player on the desktop's message bus, as the Media Player Remote Interfacing Specification (MPRIS,
// version 2.2, freedesktop.org) has it: media keys, panels and telephones that are paired ask it. Without a
// bus of the session it is quietly not there.
#pragma once

#include <QObject>

#include <memory>

namespace moorfrost::app {

class DraftsController;
class FilesController;
class PlayQueue;
class Player;

class DesktopPlayer : public QObject {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        PlayQueue& queue;
        Player& player;
    };
    explicit DesktopPlayer(const Uses& use);
    ~DesktopPlayer() override;
    /// Its name on the bus; "" where there is none.
    QString name() const { return name_; }

signals:
    void raiseWanted();
    void quitWanted();

private:
    QString name_;
};

} // namespace moorfrost::app
