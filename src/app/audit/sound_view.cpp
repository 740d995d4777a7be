// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/sound_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

constexpr int leftRoom = 52, topRoom = 10, rightRoom = 10, waveHeight = 54, axisHeight = 22, gap = 4;

const QList<QRgb>& colourTable() {
    static const QList<QRgb> table = [] {
        QList<QRgb> out;
        for (int i = 0; i < 256; ++i) {
            const auto [r, g, b] = measure::colourOf(static_cast<uint8_t>(i));
            out << qRgb(r, g, b);
        }
        return out;
    }();
    return table;
}

QString hertzText(double hertz) {
    return hertz >= 1000 ? SoundView::tr("%L1 kHz").arg(hertz / 1000, 0, 'f', hertz >= 9950 ? 1 : 2)
                         : SoundView::tr("%L1 Hz").arg(hertz, 0, 'f', 0);
}

} // namespace

SoundView::SoundView(SoundPicture& picture, QWidget* parent) : QWidget(parent), picture_(picture) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAccessibleName(tr("Spectrogram"));
    setAccessibleDescription(
        tr("Plus and minus zoom, the arrows move, Home shows all, Enter plays from the mark."));
    setToolTip(
        tr("The wheel zooms; with Ctrl it zooms the tones. Drag to move, click to set the mark, double-click "
           "to play from there."));
    connect(&picture_, &SoundPicture::changed, this, [this] {
        takeDrawn();
        update();
    });
}

void SoundView::setLine(double hertz, const QString& text) {
    line_ = hertz;
    lineText_ = text;
    update();
}

void SoundView::setPlace(double from, double to) {
    placeFrom_ = from;
    placeTo_ = to;
    update();
}

void SoundView::setPlaying(double seconds) {
    if (std::abs(seconds - playing_) < 1e-6)
        return;
    playing_ = seconds;
    update();
}

void SoundView::setMark(double seconds) {
    mark_ = std::clamp(seconds, 0.0, picture_.seconds());
    update();
}

QRect SoundView::spectrum() const {
    return {leftRoom, topRoom, std::max(1, width() - leftRoom - rightRoom),
            std::max(1, height() - topRoom - gap - waveHeight - axisHeight)};
}

QRect SoundView::wave() const {
    const QRect s = spectrum();
    return {s.left(), s.bottom() + 1 + gap, s.width(), waveHeight};
}

double SoundView::secondsAt(double x) const {
    const auto& w = picture_.window();
    return w.from + (x - spectrum().left()) / spectrum().width() * (w.to - w.from);
}

double SoundView::hertzAt(double y) const {
    const auto& w = picture_.window();
    return w.highest - (y - spectrum().top()) / spectrum().height() * (w.highest - w.lowest);
}

double SoundView::xOf(double seconds) const {
    const auto& w = picture_.window();
    return spectrum().left() + (seconds - w.from) / (w.to - w.from) * spectrum().width();
}

double SoundView::yOf(double hertz) const {
    const auto& w = picture_.window();
    return spectrum().top() + (w.highest - hertz) / (w.highest - w.lowest) * spectrum().height();
}

void SoundView::zoom(double factor, double about) {
    auto w = picture_.window();
    const double length = std::max(SoundPicture::leastSeconds, (w.to - w.from) * factor);
    const double part = (about - w.from) / (w.to - w.from);
    w.from = about - part * length;
    w.to = w.from + length;
    picture_.look(w);
}

void SoundView::zoomHertz(double factor, double about) {
    auto w = picture_.window();
    const double height = std::max(SoundPicture::leastHertz, (w.highest - w.lowest) * factor);
    const double part = (about - w.lowest) / (w.highest - w.lowest);
    w.lowest = about - part * height;
    w.highest = w.lowest + height;
    picture_.look(w);
}

void SoundView::showAll() {
    picture_.look({0, picture_.seconds(), 0, picture_.top()});
}

void SoundView::move(double part) {
    auto w = picture_.window();
    const double by = (w.to - w.from) * part;
    w.from += by;
    w.to += by;
    picture_.look(w);
}

void SoundView::takeDrawn() {
    const measure::Spectrogram& s = picture_.drawn();
    if (s.frame.columns == 0) {
        image_ = {};
        imageColumns_ = 0;
        return;
    }
    if (imageOf_ != picture_.drawnRun() || image_.isNull()) {
        image_ = QImage(s.frame.columns, s.frame.rows, QImage::Format_Indexed8);
        image_.setColorTable(colourTable());
        image_.fill(0);
        imageOf_ = picture_.drawnRun();
        imageColumns_ = 0;
    }
    for (; imageColumns_ < s.columns(); ++imageColumns_)
        for (int row = 0; row < s.frame.rows; ++row)
            image_.scanLine(s.frame.rows - 1 - row)[imageColumns_] = s.level(imageColumns_, row);
}

void SoundView::paintSpectrum(QPainter& painter) {
    const QRect at = spectrum();
    painter.fillRect(at, QColor::fromRgb(colourTable().front()));
    const measure::SpectrogramFrame& f = picture_.drawn().frame;
    painter.save();
    painter.setClipRect(at);
    if (!image_.isNull()) {
        // What was drawn of another stretch is shown where it belongs, until the new one comes.
        const QRectF to(QPointF(xOf(f.from), yOf(f.highest)), QPointF(xOf(f.to), yOf(f.lowest)));
        painter.setRenderHint(QPainter::SmoothPixmapTransform, false);
        painter.drawImage(to, image_);
    }
    if (!picture_.trouble().isEmpty() || (image_.isNull() && picture_.file())) {
        painter.setPen(QColor(0xC9, 0xD3, 0xDC));
        painter.setFont(theme::uiFont(13));
        painter.drawText(at.adjusted(16, 0, -16, 0), Qt::AlignCenter | Qt::TextWordWrap,
                         picture_.trouble().isEmpty() ? tr("drawing the sound \u2026") : picture_.trouble());
    }
    painter.restore();
}

void SoundView::paintWave(QPainter& painter) {
    const auto& c = theme::colours();
    const QRect at = wave();
    painter.fillRect(at, c.sunk);
    const measure::Spectrogram& s = picture_.drawn();
    if (s.columns() == 0)
        return;
    painter.save();
    painter.setClipRect(at);
    const double middle = at.center().y() + 0.5, half = at.height() / 2.0 - 2;
    painter.setPen(QPen(c.line, 1));
    painter.drawLine(QPointF(at.left(), middle), QPointF(at.right(), middle));
    painter.setPen(Qt::NoPen);
    painter.setBrush(c.heather);
    const double step = (s.frame.to - s.frame.from) / s.frame.columns;
    for (int i = 0; i < s.columns(); ++i) {
        const auto [low, high] = s.wave[static_cast<size_t>(i)];
        const double x0 = xOf(s.frame.from + i * step), x1 = xOf(s.frame.from + (i + 1) * step);
        const double top = middle - std::clamp(static_cast<double>(high), -1.0, 1.0) * half,
                     under = middle - std::clamp(static_cast<double>(low), -1.0, 1.0) * half;
        painter.drawRect(QRectF(x0, top, std::max(1.0, x1 - x0), std::max(1.0, under - top)));
    }
    painter.restore();
}

void SoundView::paintAxes(QPainter& painter) {
    const auto& c = theme::colours();
    const auto& w = picture_.window();
    const QRect at = spectrum();
    painter.setFont(theme::uiFont(11));
    painter.setPen(c.second);
    const QFontMetrics metrics(painter.font());
    const double hertzStep = measure::axisStep(w.highest - w.lowest, std::max(2, at.height() / 44), false);
    for (double hertz = std::ceil(w.lowest / hertzStep) * hertzStep; hertz <= w.highest; hertz += hertzStep) {
        const double y = yOf(hertz);
        const QString text =
            w.highest > 2000 ? QString::number(hertz / 1000, 'g', 4) : QString::number(hertz, 'g', 5);
        const double textY = std::clamp(y, at.top() + 6.0, at.bottom() - 5.0);
        painter.drawText(QRectF(0, textY - 8, leftRoom - 8, 16), Qt::AlignRight | Qt::AlignVCenter, text);
    }
    painter.drawText(QRectF(0, wave().top(), leftRoom - 8, 16), Qt::AlignRight | Qt::AlignVCenter,
                     w.highest > 2000 ? tr("kHz") : tr("Hz"));
    const double timeStep = measure::axisStep(w.to - w.from, std::max(2, at.width() / 84), true);
    double free = at.left() - 20;
    for (double s = std::ceil(w.from / timeStep - 1e-9) * timeStep; s <= w.to + 1e-9; s += timeStep) {
        const QString text = qs(measure::timeText(s, timeStep));
        const double half = metrics.horizontalAdvance(text) / 2.0;
        const double x = std::clamp(xOf(s), at.left() + 0.0, width() - half - 1.0);
        if (x - half < free)
            continue;
        painter.drawText(QRectF(x - half - 2, wave().bottom() + 2, 2 * half + 4, axisHeight - 2),
                         Qt::AlignCenter, text);
        free = x + half + 10;
    }
}

void SoundView::upright(QPainter& painter, double seconds, const QColor& colour, double width) {
    const auto& w = picture_.window();
    if (seconds < w.from || seconds > w.to)
        return;
    const double x = std::round(xOf(seconds)) + 0.5;
    painter.setPen(QPen(colour, width));
    painter.drawLine(QPointF(x, spectrum().top()), QPointF(x, wave().bottom()));
}

void SoundView::paintMarks(QPainter& painter) {
    const QColor light(0xE9, 0xDD, 0xF4), warn(0xFF, 0x9C, 0x9C);
    const QRect at = spectrum();
    const auto& w = picture_.window();
    painter.save();
    painter.setClipRect(QRect(at.left(), 0, at.width(), height()));
    if (placeTo_ > placeFrom_) {
        const double x0 = xOf(placeFrom_), x1 = std::max(xOf(placeTo_), xOf(placeFrom_) + 3);
        painter.fillRect(QRectF(x0, 2, x1 - x0, 5), theme::colours().rowan);
    }
    if (line_ > w.lowest && line_ < w.highest) {
        const double y = std::round(yOf(line_)) + 0.5;
        painter.setPen(QPen(warn, 1.2, Qt::DashLine));
        painter.drawLine(QPointF(at.left(), y), QPointF(at.right(), y));
        painter.setFont(theme::uiFont(12));
        const QRectF room(at.left() + 8, y > at.top() + 24 ? y - 21 : y + 3, at.width() - 18, 18);
        painter.drawText(room, Qt::AlignRight | Qt::AlignVCenter, lineText_);
    }
    upright(painter, mark_, light, 1);
    if (mark_ >= w.from && mark_ <= w.to) { // a flag on top of the mark
        const double x = std::round(xOf(mark_)) + 0.5;
        QPainterPath flag;
        flag.addPolygon(QPolygonF{{x - 5, at.top() + 0.0}, {x + 5, at.top() + 0.0}, {x, at.top() + 7.0}});
        painter.fillPath(flag, light);
    }
    if (playing_ >= 0)
        upright(painter, playing_, QColor(0xFF, 0xE0, 0x8A), 1.6);
    painter.restore();
    const QString text = reading(hover_);
    if (text.isEmpty())
        return;
    painter.setFont(theme::uiFont(12));
    const int wide = QFontMetrics(painter.font()).horizontalAdvance(text) + 16;
    const QRect box(at.left() + 8, at.bottom() - 28, wide, 22);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(17, 22, 40, 210));
    painter.drawRoundedRect(box, 4, 4);
    painter.setPen(QColor(0xF2, 0xF4, 0xF6));
    painter.drawText(box, Qt::AlignCenter, text);
}

QString SoundView::reading(const QPoint& p) const {
    const QRect at = spectrum();
    if (!at.contains(p) || image_.isNull())
        return {};
    const auto& w = picture_.window();
    const double seconds = secondsAt(p.x()), hertz = hertzAt(p.y());
    const measure::SpectrogramFrame& f = picture_.drawn().frame;
    QString out =
        qs(measure::timeText(seconds, (w.to - w.from) / at.width())) + " \u00B7 " + hertzText(hertz);
    if (seconds >= f.from && seconds < f.to && hertz >= f.lowest && hertz < f.highest) {
        const int column = static_cast<int>((seconds - f.from) / (f.to - f.from) * f.columns);
        const int row = static_cast<int>((hertz - f.lowest) / (f.highest - f.lowest) * f.rows);
        if (column < picture_.drawn().columns())
            out += " \u00B7 " + tr("%1 dB").arg(picture_.drawn().level(column, row) * 120 / 255 - 120);
    }
    return out;
}

void SoundView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    paintSpectrum(painter);
    paintWave(painter);
    paintAxes(painter);
    paintMarks(painter);
    if (hasFocus()) {
        painter.setPen(QPen(theme::colours().heather, 1));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(spectrum()).adjusted(-0.5, -0.5, 0.5, 0.5));
    }
}

void SoundView::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    picture_.resize(spectrum().width(), spectrum().height());
}

void SoundView::wheelEvent(QWheelEvent* event) {
    const QPoint by = event->angleDelta();
    if (by.x() != 0 && std::abs(by.x()) > std::abs(by.y())) {
        move(-by.x() / 1200.0);
    } else if (by.y() != 0) {
        const double factor = std::pow(0.8, by.y() / 120.0);
        if (event->modifiers() & Qt::ControlModifier)
            zoomHertz(factor, hertzAt(event->position().y()));
        else if (event->modifiers() & Qt::ShiftModifier)
            move(-by.y() / 1200.0);
        else
            zoom(factor,
                 secondsAt(std::clamp<double>(event->position().x(), spectrum().left(), spectrum().right())));
    }
    event->accept();
}

void SoundView::mousePressEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton)
        return;
    pressed_ = true;
    dragged_ = false;
    pressedX_ = event->position().x();
    pressedWindow_ = picture_.window();
}

void SoundView::mouseMoveEvent(QMouseEvent* event) {
    hover_ = event->position().toPoint();
    if (pressed_ && std::abs(event->position().x() - pressedX_) > 4)
        dragged_ = true;
    if (dragged_) {
        auto w = pressedWindow_;
        const double by = (pressedX_ - event->position().x()) / spectrum().width() * (w.to - w.from);
        const double length = w.to - w.from;
        w.from = std::clamp(w.from + by, 0.0, std::max(0.0, picture_.seconds() - length));
        w.to = w.from + length;
        picture_.look(w);
    }
    update();
}

void SoundView::mouseReleaseEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton || !pressed_)
        return;
    pressed_ = false;
    if (!dragged_)
        setMark(secondsAt(event->position().x()));
    dragged_ = false;
}

void SoundView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->button() != Qt::LeftButton)
        return;
    setMark(secondsAt(event->position().x()));
    emit playWanted(mark_);
}

void SoundView::keyPressEvent(QKeyEvent* event) {
    const auto& w = picture_.window();
    const double about = mark_ >= w.from && mark_ <= w.to ? mark_ : (w.from + w.to) / 2;
    switch (event->key()) {
    case Qt::Key_Plus:
    case Qt::Key_Equal:
        return zoom(0.7, about);
    case Qt::Key_Minus:
        return zoom(1 / 0.7, about);
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int by = event->key() == Qt::Key_Left ? -1 : 1;
        if (event->modifiers() & Qt::ShiftModifier)
            return setMark(mark_ + by * (w.to - w.from) / 50);
        return move(by * 0.15);
    }
    case Qt::Key_Home:
        return showAll();
    case Qt::Key_Return:
    case Qt::Key_Enter:
        emit playWanted(mark_);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

void SoundView::leaveEvent(QEvent* event) {
    hover_ = {-1, -1};
    update();
    QWidget::leaveEvent(event);
}

} // namespace moorfrost::app
