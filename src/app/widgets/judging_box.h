// SPDX-License-Identifier: GPL-3.0-or-later
// In the details of a file: what a person says of its recording. Each change is kept at once, and can be
// undone.
#pragma once

#include <QWidget>

#include "app/control/recordings_controller.h"

class QLineEdit;
class QPlainTextEdit;
class QPushButton;
class QVBoxLayout;

namespace moorfrost::app {

/// Whether the box shows this field.
bool isJudging(const std::string& field);
/// What is kept under a field, for people: "Rating", "Tide and Timber · Harbour Radio · 2026-11".
QString keptName(const std::string& field);
QString keptText(const std::string& field, const std::vector<std::string>& values);
/// "4" as four full stars and an empty one; "" where there is no rating.
QString starsText(const std::string& rating);

/// Five marks to be clicked, or moved with the arrow keys; a click on the last full one takes it away.
class RatingBar : public QWidget {
    Q_OBJECT
public:
    explicit RatingBar(QWidget* parent = nullptr);
    void setRating(int rating);
    int rating() const { return rating_; }
    QSize sizeHint() const override { return {5 * side, side + 6}; }

signals:
    void rated(int rating);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent*) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr int side = 22;
    int starAt(const QPoint& at) const;
    void give(int rating);

    int rating_ = 0, hovered_ = 0;
};

class JudgingBox : public QWidget {
    Q_OBJECT
public:
    /// `known`: what recordings were used in before, the most frequent first.
    JudgingBox(RecordingsController& recordings, std::function<QStringList()> known,
               QWidget* parent = nullptr);

    /// What was begun to be typed for another file is kept first.
    void show(const library::RecordingView& view, FileId file);
    /// This file is not shown any more; what was typed is kept. Nothing can be said until the next is shown.
    void leave();
    FileId file() const { return file_; } // 0: none
    RatingBar* rating() { return rating_; }
    QPlainTextEdit* noteEdit() { return note_; }
    QLineEdit* playoutLine() { return playout_; }
    QPushButton* useButton() { return use_; }
    QString text() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void keepTyped();
    void showUses(const std::vector<library::Use>& uses);
    void askForUse();

    RecordingsController& recordings_;
    std::function<QStringList()> known_;
    RatingBar* rating_;
    QPlainTextEdit* note_;
    QLineEdit* playout_;
    QVBoxLayout* uses_;
    QPushButton* use_;
    FileId file_ = 0;
    QString keptNote_, keptPlayout_; // as the library has them
};

/// Asks where recordings were used; nullopt if it was not said.
std::optional<library::Use> askForUse(QWidget* parent, const QStringList& known);

} // namespace moorfrost::app
