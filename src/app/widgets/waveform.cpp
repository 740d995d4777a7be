// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/waveform.h"

#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <utility>

#include "app/shell/theme.h"

namespace moorfrost::app {

Waveform::Waveform(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("Shape of the sound"));
    setCursor(Qt::PointingHandCursor);
}

void Waveform::setTrouble(const QString& sentence) {
    peaks_.clear();
    trouble_ = true;
    setToolTip(sentence);
    setAccessibleDescription(sentence);
    update();
}

void Waveform::setPeaks(std::vector<float> peaks) {
    peaks_ = std::move(peaks);
    trouble_ = false;
    setAccessibleDescription({});
    update();
}

void Waveform::setPosition(double part) {
    part_ = part;
    update();
}

void Waveform::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    if (peaks_.empty()) {
        p.fillRect(QRect(0, height() / 2, width(), 1), c.line);
        if (trouble_) {
            const QString text = tr("no waveform");
            p.setFont(theme::uiFont(11));
            const int w = p.fontMetrics().horizontalAdvance(text) + 12;
            p.fillRect(QRect((width() - w) / 2, 0, w, height()), palette().window());
            p.setPen(c.second);
            p.drawText(rect(), Qt::AlignCenter, text);
        }
        return;
    }
    int bars = width() / 3;
    for (int i = 0; i < bars; ++i) {
        // The loudest of what a bar stands for.
        const size_t from = static_cast<size_t>(i) * peaks_.size() / static_cast<size_t>(bars),
                     to = static_cast<size_t>(i + 1) * peaks_.size() / static_cast<size_t>(bars);
        const float peak =
            *std::max_element(peaks_.begin() + static_cast<std::ptrdiff_t>(from),
                              peaks_.begin() + static_cast<std::ptrdiff_t>(std::max(to, from + 1)));
        int h = std::max(2, static_cast<int>(peak * static_cast<float>(height())));
        bool played = i < (dragged_ >= 0 ? dragged_ : part_) * bars;
        p.fillRect(QRect(i * 3, (height() - h) / 2, 2, h), played ? c.heather : c.third);
    }
    for (const double mark : marks_) {
        const int x = static_cast<int>(mark * width());
        p.fillRect(QRect(x, 0, 1, height()), c.lichen);
        p.fillRect(QRect(x - 2, 0, 5, 4), c.lichen);
    }
}

void Waveform::setMarks(std::vector<double> marks) {
    marks_ = std::move(marks);
    update();
}

void Waveform::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton)
        return;
    dragged_ = std::clamp(event->position().x() / width(), 0.0, 1.0);
    update();
}

void Waveform::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_ < 0)
        return;
    dragged_ = std::clamp(event->position().x() / width(), 0.0, 1.0);
    update();
}

void Waveform::mouseReleaseEvent(QMouseEvent* event) {
    if (dragged_ < 0 || event->button() != Qt::LeftButton)
        return;
    emit clicked(std::exchange(dragged_, -1));
    update();
}

} // namespace moorfrost::app
