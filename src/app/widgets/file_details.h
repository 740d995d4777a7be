// SPDX-License-Identifier: GPL-3.0-or-later
// All that is known of one file: picture, fields, sound, the tags it has and where they differ, what was not
// understood, where it is.
#pragma once

#include <QFrame>

#include "app/control/journal_controller.h"
#include "app/control/library_index.h"
#include "app/control/recordings_controller.h"
#include "app/control/releases_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/standards.h"
#include "app/widgets/recording_box.h"

class QGridLayout;
class QLabel;
class QPushButton;
class QVBoxLayout;

namespace moorfrost::app {

class JudgingBox;
class PlacesBox;

class FileDetails : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        LibraryIndex& index;
        Standards& standards;
        ShelvesController& shelves;
        JournalController& journal;
        RecordingsController& recordings;
        ReleasesController& releases;
    };

    explicit FileDetails(const Uses& use, QWidget* parent = nullptr);

    /// `more`: how many others are chosen, too. No file: says so.
    void showFile(FilePtr file, int more = 0);
    FilePtr file() const { return file_; }
    /// All text, for tests and for copying.
    QString text() const;
    QPushButton* mendButton() { return mend_; }
    RecordingBox* recording() { return recording_; }
    PlacesBox* places() { return places_; }
    JudgingBox* judging() { return judging_; }
    /// Below what it is called, above what is said of it.
    void addBelowTitle(QWidget* widget);
    /// That widget is another size now.
    void fit();

signals:
    /// The text of this file seems to be in another encoding, and something is to be done about it.
    void mendTextWanted(FileId file);

private:
    void caption(const QString& text);
    void line(const QString& name, const QString& value);
    void wide(const QString& text, const char* style);
    void showFields();
    void showReadiness();
    void showSound();
    void showTags();
    void showPlace();
    void askForRecording(int row);
    void showRecording(const library::RecordingView& view);
    void askForPlaces(int row);
    void showPlaces(const std::vector<library::ReleasePlace>& places);
    void askForHistory();
    void showHistory(const std::vector<library::Event>& events);
    void showCover();

    Uses use_;
    FilePtr file_;
    QLabel *cover_, *title_, *subtitle_;
    QWidget* content_;
    QVBoxLayout* side_;
    QGridLayout* grid_;
    QPushButton* mend_;
    QWidget* recordingPart_; // caption and box
    QLabel* recordingCaption_;
    RecordingBox* recording_;
    QWidget* placesPart_; // caption and box
    PlacesBox* places_;
    QWidget* judgingPart_; // caption and box
    JudgingBox* judging_;
    int row_ = 0, placesRow_ = 0;
    int asked_ = 0; // counts the files that were asked about: only the last answers are shown
};

} // namespace moorfrost::app
