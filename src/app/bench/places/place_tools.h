// SPDX-License-Identifier: GPL-3.0-or-later
// How files are put away: the shelf, the plan, whether they move, are copied or only renamed, what goes
// along, and what happens to folders that become empty. Remembers what was chosen last.
#pragma once

#include <QWidget>

#include "app/control/custom_fields.h"
#include "app/control/job_list.h"
#include "app/control/library_settings.h"
#include "app/control/shelves_controller.h"
#include "core/library/place_wish.h"
#include "core/library/placing_rules.h"

class QCheckBox;
class QLabel;
class QLineEdit;
class QMenu;
class QPushButton;

namespace moorfrost::app {

class ChipEditor;
class Choice;

class PlaceTools : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        LibrarySettings& settings;
        ShelvesController& shelves;
        CustomFields& customFields;
    };
    explicit PlaceTools(const Uses& use, QWidget* parent = nullptr);

    /// As it stands; the plan may be one that makes no sense.
    library::PlaceWish wish() const;
    bool renames() const { return wish().mode == library::PlaceWish::Mode::Rename; }
    /// That is chosen, though it be of no use for renaming; 0: none.
    int64_t shelf() const;
    QString shelfName() const;
    /// Of the plan, else the plan itself.
    QString planName() const;
    ChipEditor* editor() { return editor_; }
    QLineEdit* searchLine() { return search_; }
    /// Of a shelf: the file system, and how much is free.
    QString roomText() const;
    /// This and no other shelf, as for files that are on it already.
    void setShelf(int64_t shelf);
    void addShelf();
    /// What is general to the shelf: names, what goes along, where what is replaced goes.
    void changeRules();
    void refreshFields();
    /// What was chosen last, once the settings are there.
    void load();

signals:
    /// A person wants it otherwise: what is drafted follows.
    void changed();
    /// Something around it is otherwise: places are to be worked out again, and what is drafted stays as it
    /// is.
    void affected();
    void searched(const QString& words);

private:
    QWidget* shelfLine();
    QWidget* namesLine();
    QWidget* optionsLine();
    void connectAll();
    void refreshShelves();
    void refreshPlans();
    void shelfChosen(int index);
    void savePlan();
    void chooseMode(const char* key);
    void showMode();
    void fillAlong();
    library::PlacingRule rule() const;
    void setRule(const library::PlacingRule& rule);
    void lookAtRoom();
    void planTyped();

    Uses use_;
    Choice *shelf_, *plan_;
    QPushButton *rules_, *save_, *move_, *copy_, *rename_, *which_;
    QCheckBox *along_, *tidy_;
    ChipEditor* editor_;
    QLabel *error_, *room_;
    QLineEdit* search_;
    QMenu* kinds_;
    int run_ = 0;
};

} // namespace moorfrost::app
