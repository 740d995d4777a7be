// SPDX-License-Identifier: GPL-3.0-or-later
// In the details of a file: the recording it belongs to, what the library keeps of it, and its other files.
#pragma once

#include <QWidget>

#include "app/control/recordings_controller.h"
#include "app/control/shelves_controller.h"

class QPushButton;
class QVBoxLayout;

namespace moorfrost::app {

class RecordingBox : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        ShelvesController& shelves;
        RecordingsController& recordings;
    };

    explicit RecordingBox(const Uses& use, QWidget* parent = nullptr);

    /// `shown`: the file whose details these are. Hidden where there is nothing to tell.
    void show(const library::RecordingView& view, FileId shown);
    QPushButton* bestButton() { return best_; }
    QPushButton* partButton() { return part_; }
    QPushButton* forgetButton() { return forget_; }
    QString text() const;

private:
    void addFile(const library::FileRecord& file, const library::RecordingView& view);
    void askToForget();

    Uses use_;
    QVBoxLayout* rows_;
    QPushButton *best_, *part_, *forget_;
    FileId shown_ = 0;
    bool chosen_ = false; // the file that is shown was chosen as the best
};

/// "FLAC, 24 bit, 96 kHz".
QString soundText(const library::FileRecord& file);

} // namespace moorfrost::app
