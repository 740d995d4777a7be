// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: how it looks, the standards, the references, what names must suit, the shelves, how files are
// written, what the journal keeps.
#pragma once

#include <QWidget>

#include "app/control/custom_fields.h"
#include "app/control/journal_controller.h"
#include "app/control/library_care.h"
#include "app/control/library_settings.h"
#include "app/control/references_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/standards.h"

class QGridLayout;
class QButtonGroup;
class QCheckBox;
class QComboBox;
class QLabel;
class QScrollArea;

namespace moorfrost::app {

struct LibraryMove;

class ReferenceList;
class SettingsFilePart;
class StandardEditor;

class SettingsPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        LibrarySettings& settings;
        Standards& standards;
        ShelvesController& shelves;
        JournalController& journal;
        CustomFields& customFields;
        SleeveViews& sleeves;
        LibraryCare& care;
        ReferencesController& references;
    };

    SettingsPage(const Uses& use, QWidget* parent = nullptr);
    /// Brings the standard that the batch is held to into sight.
    void showStandards();
    StandardEditor* standards() { return standards_; }
    ReferenceList* references() { return references_; }
    SettingsFilePart* file() { return file_; }

signals:
    void themeChanged();
    void shelfWanted();
    void libraryMoveWanted(const LibraryMove& move);

private:
    void refreshShelves();
    Uses use_;
    QScrollArea* scroll_;
    StandardEditor* standards_;
    ReferenceList* references_;
    SettingsFilePart* file_;
    QGridLayout* shelves_;
    QCheckBox* keepTimes_;
    QComboBox* historyLimit_;
    QLabel* historyUse_;
    void refreshJournal();
};

} // namespace moorfrost::app
