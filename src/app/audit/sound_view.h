// SPDX-License-Identifier: GPL-3.0-or-later
// A sound to look into: its spectrogram with the wave below it. The wheel zooms where the mouse is, dragging
// moves, a click puts the mark from which it is played.
#pragma once

#include <QImage>
#include <QWidget>

#include "app/control/sound_picture.h"

namespace moorfrost::app {

class SoundView : public QWidget {
    Q_OBJECT
public:
    explicit SoundView(SoundPicture& picture, QWidget* parent = nullptr);
    /// A dashed line across, with what it says; 0: none.
    void setLine(double hertz, const QString& text);
    /// A stretch that is marked above the spectrum; both 0: none.
    void setPlace(double from, double to);
    /// Where it is heard at the moment; below 0: nowhere.
    void setPlaying(double seconds);
    /// From where it is played.
    double mark() const { return mark_; }
    void setMark(double seconds);
    void zoom(double factor, double aboutSeconds);
    void showAll();
    /// Of the spectrum, for tests.
    QRect spectrum() const;
    QString reading(const QPoint& at) const; // "1:51.2 · 16.1 kHz · -84 dB"
    QSize sizeHint() const override { return {600, 340}; }
    QSize minimumSizeHint() const override { return {220, 220}; }

signals:
    void playWanted(double seconds);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    QRect wave() const;
    double secondsAt(double x) const;
    double hertzAt(double y) const;
    double xOf(double seconds) const;
    double yOf(double hertz) const;
    void move(double part);
    void zoomHertz(double factor, double aboutHertz);
    void takeDrawn();
    void paintSpectrum(QPainter& painter);
    void paintWave(QPainter& painter);
    void paintAxes(QPainter& painter);
    void paintMarks(QPainter& painter);
    void upright(QPainter& painter, double seconds, const QColor& colour, double width);

    SoundPicture& picture_;
    QImage image_;    // of what was drawn last
    int imageOf_ = 0; // SoundPicture::drawnRun()
    int imageColumns_ = 0;
    double line_ = 0;
    QString lineText_;
    double placeFrom_ = 0, placeTo_ = 0;
    double playing_ = -1, mark_ = 0;
    QPoint hover_{-1, -1};
    bool pressed_ = false, dragged_ = false;
    double pressedX_ = 0;
    SoundPicture::Window pressedWindow_;
};

} // namespace moorfrost::app
