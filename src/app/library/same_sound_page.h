// SPDX-License-Identifier: GPL-3.0-or-later
// Library / Same sound: groups of files that sound the same; of the chosen one, two files to be listened to
// in turn at the same place, what they differ in, which is better, and what a person decides.
#pragma once

#include <QWidget>

#include "app/control/sound_groups_controller.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QMenu;
class QStackedWidget;

namespace moorfrost::app {

class ComparisonTable;
class Player;
class SoundGroupList;
class SoundStrip;

class SameSoundPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        LibraryIndex& index;
        SoundPrints& sounds;
        SoundGroupsController& groups;
        Player& player;
    };
    explicit SameSoundPage(const Uses& use, QWidget* parent = nullptr);
    SoundGroupList* list() { return list_; }
    ComparisonTable* facts() { return facts_; }
    QPushButton* listenButton() { return listen_; }
    QPushButton* oneButton() { return one_; }
    QPushButton* apartButton() { return apart_; }
    QPushButton* keepButton() { return keep_; }
    QPushButton* versionButton() { return another_; }
    QMenu* versionMenu() { return versions_; }
    /// "3 groups, 7 files"
    QString told() const;
    const std::vector<FileId>& files() const { return files_; } // of the group that is shown
    FileId a() const { return fileAt(a_); }
    FileId b() const { return fileAt(b_); }
    /// A and B change places in the ear, at the same place of the sound.
    void changeOver();
    void listen();

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void showGroup();
    void showFacts();
    void showPlaying();
    const library::SoundGroup* group() const;
    FileId fileAt(size_t i) const;
    /// Where in B a place of A is, in seconds.
    double inB(double secondsOfA);
    double inA(double secondsOfB);
    void play(bool ofB, double seconds);
    void choose(size_t file);

    Uses use_;
    SoundGroupList* list_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QLabel *title_, *artist_, *sure_, *measure_;
    SoundStrip *stripA_, *stripB_;
    QPushButton *again_, *listen_, *one_, *another_, *apart_, *keep_;
    QMenu* versions_;
    QCheckBox *loudness_, *speed_;
    ComparisonTable* facts_;
    ShortLabel* note_;
    std::vector<FileId> files_; // of the group that is shown
    size_t a_ = 0, b_ = 1;      // in files_
    library::SoundLink link_;   // of B over A: `one` is B
};

} // namespace moorfrost::app
