// SPDX-License-Identifier: GPL-3.0-or-later
// From where a release is filled: an edition of a reference, a list of tracks that is pasted or lies in a
// file, a sleeve of the bench, another release of the library.
#pragma once

#include <QLineEdit>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QWidget>

#include "app/control/release_sources.h"
#include "app/control/releases_controller.h"
#include "app/control/sleeve_views.h"
#include "core/exchange/track_list_text.h"

class QStackedWidget;
class QCheckBox;

namespace moorfrost::app {

class Choice;
class ReleaseLines;
class ShortLabel;

class SourcePicker : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        ReleaseSources& sources;
        ReleasesController& releases;
        SleeveViews& sleeves;
        DraftsController& drafts;
        FilesController& files;
    };
    /// As the kinds of sources stand in their choice.
    enum Kind { Reference, Text, Sleeve, OtherRelease };

    /// `words`: by which a reference is asked at first.
    SourcePicker(const Uses& use, const QString& words, QWidget* parent = nullptr);
    void choose(Kind kind);
    QLineEdit* wordsBox() { return words_; }
    QListWidget* results() { return results_; }
    QPlainTextEdit* textBox() { return text_; }
    void lookUp();
    void openFile(const Path& file);

signals:
    /// Something to fill with; without media and facts: nothing is chosen.
    void picked(const moorfrost::reference::Release& release,
                const moorfrost::library::ReleaseSource& source);

private:
    QWidget* referencePage();
    QWidget* textPage();
    QWidget* sleevePage();
    QWidget* releasePage();
    void readText();
    void pickSleeve();

    Uses use_;
    Choice* kind_;
    QStackedWidget* pages_;
    QLineEdit *words_, *releaseWords_;
    QListWidget *results_, *sleeves_;
    ReleaseLines* lines_;
    QPlainTextEdit* text_;
    ShortLabel *told_, *asking_;
    std::vector<FoundRelease> found_;
    QString file_; // that the text was read from; ""
};

} // namespace moorfrost::app
