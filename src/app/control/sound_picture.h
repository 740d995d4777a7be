// SPDX-License-Identifier: GPL-3.0-or-later
// The stretch of a sound that is looked at, as a spectrogram and a wave: drawn in a reading process, shown as
// it comes, drawn anew when another stretch is wanted.
#pragma once

#include <QObject>
#include <QTimer>

#include <memory>

#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "core/measure/spectrogram_image.h"

namespace moorfrost::app {

class SoundPicture : public QObject {
    Q_OBJECT
public:
    /// Seconds and Hz that are looked at.
    struct Window {
        double from = 0, to = 0;
        double lowest = 0, highest = 0;
        bool operator==(const Window&) const = default;
    };

    explicit SoundPicture(JobList& jobs, QObject* parent = nullptr);
    /// nullptr: none. An empty window: all of it.
    void show(const FilePtr& file, const Window& window);
    /// Another stretch of the same file, limited to what there is. Soon; several in a row are drawn once.
    void look(const Window& window);
    /// Pixels that are drawn.
    void resize(int columns, int rows);
    const FilePtr& file() const { return file_; }
    const Window& window() const { return window_; }
    double seconds() const; // of the whole sound
    double top() const;     // Hz: half of the rate
    /// What has been drawn so far: maybe still of the stretch before.
    const measure::Spectrogram& drawn() const { return *drawn_; }
    /// Another number for each that is drawn.
    int drawnRun() const { return drawnRun_; }
    bool isDrawing() const { return job_ != 0; }
    /// Why there is none.
    const QString& trouble() const { return trouble_; }
    static constexpr double leastSeconds = 0.02, leastHertz = 100;

signals:
    void changed();

private:
    Window limited(Window window) const;
    void draw();
    void begun(const measure::SpectrogramFrame& frame);

    static constexpr int pauseMs = 60; // so that a turn of the wheel is drawn once
    JobList& jobs_;
    QTimer soon_{this};
    FilePtr file_;
    Window window_;
    int columns_ = 600, rows_ = 260;
    std::shared_ptr<measure::Spectrogram> drawn_ = std::make_shared<measure::Spectrogram>();
    std::shared_ptr<measure::Spectrogram>
        coming_; // takes the place of the other when something of it is there
    int rate_ = 0;
    double seconds_ = 0;
    QString trouble_;
    work::JobId job_ = 0;
    int drawnRun_ = 0;
    int run_ = 0; // what comes of another is too late
};

} // namespace moorfrost::app
