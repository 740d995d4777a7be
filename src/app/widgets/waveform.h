// SPDX-License-Identifier: GPL-3.0-or-later
// The shape of a sound, and the part of it that was played.
#pragma once

#include <QWidget>

#include <vector>

namespace moorfrost::app {

/// The shape of the sound, with the part that was played in heather. A click goes to a place; while the mouse
/// is pressed the place can be moved.
class Waveform : public QWidget {
    Q_OBJECT
public:
    explicit Waveform(QWidget* parent = nullptr);
    void setPeaks(std::vector<float> peaks);
    /// In place of a shape: there is none, and why.
    void setTrouble(const QString& sentence);
    void setPosition(double part);
    /// Places that are marked, as parts of the whole.
    void setMarks(std::vector<double> marks);

signals:
    void clicked(double part);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;

private:
    std::vector<float> peaks_;
    bool trouble_ = false;
    double part_ = 0;
    std::vector<double> marks_;
    double dragged_ = -1; // where a press has been moved to
};

} // namespace moorfrost::app
