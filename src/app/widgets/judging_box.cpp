// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/judging_box.h"

#include <algorithm>
#include <cmath>

#include <QCompleter>
#include <QDate>
#include <QDialog>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStyle>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

bool isJudging(const std::string& field) {
    return field == library::ratingField || field == library::noteField || field == library::playoutField ||
           field == library::useField || field == library::bookmarkField;
}

namespace {

QString useLine(const library::Use& use) {
    QStringList words{qs(use.what)};
    for (const std::string& part : {use.where, use.date})
        if (!part.empty())
            words << qs(part);
    return words.join(QString(" \u00B7 "));
}

} // namespace

QString keptName(const std::string& field) {
    return field == library::ratingField     ? JudgingBox::tr("Rating")
           : field == library::noteField     ? JudgingBox::tr("Note")
           : field == library::playoutField  ? JudgingBox::tr("Playout number")
           : field == library::useField      ? JudgingBox::tr("Used in")
           : field == library::bookmarkField ? JudgingBox::tr("Bookmarks")
                                             : qs(field);
}

QString keptText(const std::string& field, const std::vector<std::string>& values) {
    if (field == library::ratingField && !values.empty())
        return starsText(values.front());
    if (field == library::bookmarkField) {
        QStringList marks;
        for (const library::Bookmark& b : library::bookmarksFrom(values))
            marks << shownLength(b.seconds) + " " + qs(b.text);
        return marks.join("; ");
    }
    if (field != library::useField)
        return qs(tags::shownValues(values));
    QStringList lines;
    for (const library::Use& use : library::usesFrom(values))
        lines << useLine(use);
    return lines.join("; ");
}

QString starsText(const std::string& rating) {
    const int n = rating.size() == 1 ? std::clamp(rating[0] - '0', 0, 5) : 0;
    return n == 0 ? QString() : QString(n, QChar(0x2605)) + QString(5 - n, QChar(0x2606));
}

RatingBar::RatingBar(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
    setRating(0);
}

void RatingBar::setRating(int rating) {
    rating_ = std::clamp(rating, 0, 5);
    setAccessibleName(rating_ == 0 ? tr("Rating: none") : tr("Rating: %1 of 5").arg(rating_));
    setToolTip(rating_ == 0 ? tr("Click to rate")
                            : tr("%1 of 5; click it again to take it away").arg(rating_));
    update();
}

int RatingBar::starAt(const QPoint& at) const {
    return std::clamp(QStyle::visualPos(layoutDirection(), rect(), at).x() / side + 1, 1, 5);
}

void RatingBar::give(int rating) {
    setRating(rating);
    emit rated(rating_);
}

void RatingBar::mousePressEvent(QMouseEvent* event) {
    const int star = starAt(event->pos());
    give(star == rating_ ? 0 : star);
}

void RatingBar::mouseMoveEvent(QMouseEvent* event) {
    hovered_ = starAt(event->pos());
    update();
}

void RatingBar::leaveEvent(QEvent*) {
    hovered_ = 0;
    update();
}

void RatingBar::keyPressEvent(QKeyEvent* event) {
    const int key = event->key();
    const int more = isRightToLeft() ? Qt::Key_Left : Qt::Key_Right,
              less = isRightToLeft() ? Qt::Key_Right : Qt::Key_Left;
    if (key == more || key == Qt::Key_Up)
        give(std::min(5, rating_ + 1));
    else if (key == less || key == Qt::Key_Down)
        give(std::max(0, rating_ - 1));
    else if (key >= Qt::Key_0 && key <= Qt::Key_5)
        give(key - Qt::Key_0);
    else
        QWidget::keyPressEvent(event);
}

void RatingBar::paintEvent(QPaintEvent*) {
    const auto& c = theme::colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    for (int i = 0; i < 5; ++i) {
        const double left = side * i + 10;
        const QPointF middle(isRightToLeft() ? width() - left : left, height() / 2.0);
        QPainterPath star;
        for (int k = 0; k < 10; ++k) {
            const double radius = k % 2 == 0 ? 8.5 : 3.7, angle = -M_PI / 2 + k * M_PI / 5;
            const QPointF at = middle + QPointF(std::cos(angle), std::sin(angle)) * radius;
            k == 0 ? star.moveTo(at) : star.lineTo(at);
        }
        star.closeSubpath();
        const bool full = i < rating_, near = i < hovered_;
        p.setPen(QPen(full ? c.heather : near ? c.heather : c.third, 1.2));
        p.setBrush(full ? QBrush(c.heather) : near ? QBrush(c.heatherBack) : Qt::NoBrush);
        p.drawPath(star);
    }
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(c.fjord);
        p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
    }
}

JudgingBox::JudgingBox(RecordingsController& recordings, std::function<QStringList()> known, QWidget* parent)
    : QWidget(parent), recordings_(recordings), known_(std::move(known)) {
    rating_ = new RatingBar;
    note_ = new QPlainTextEdit;
    note_->setPlaceholderText(tr("Note"));
    note_->setAccessibleName(tr("Note"));
    note_->setTabChangesFocus(true);
    note_->setObjectName("threeLines"); // the style sheet knows how high it is
    note_->setFixedHeight(58);
    playout_ = new QLineEdit;
    playout_->setPlaceholderText(tr("Playout number"));
    playout_->setAccessibleName(tr("Playout number"));
    uses_ = new QVBoxLayout;
    uses_->setSpacing(4);
    use_ = button(tr("Note a use\u2026"));
    use_->setToolTip(tr("Where it was used: a film, a broadcast, a delivery"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 2, 0, 0);
    layout->setSpacing(6);
    layout->addWidget(rating_, 0, Qt::AlignLeft);
    layout->addWidget(note_);
    layout->addWidget(playout_);
    layout->addLayout(uses_);
    layout->addWidget(use_, 0, Qt::AlignLeft);
    connect(rating_, &RatingBar::rated, this, [this](int rating) { recordings_.rate({file_}, rating); });
    connect(playout_, &QLineEdit::editingFinished, this, &JudgingBox::keepTyped);
    connect(use_, &QPushButton::clicked, this, &JudgingBox::askForUse);
    note_->installEventFilter(this);
}

bool JudgingBox::eventFilter(QObject* watched, QEvent* event) {
    if (watched == note_ && event->type() == QEvent::FocusOut)
        keepTyped();
    return QWidget::eventFilter(watched, event);
}

void JudgingBox::keepTyped() {
    if (file_ == 0)
        return;
    if (const QString now = note_->toPlainText().trimmed(); now != keptNote_) {
        keptNote_ = now;
        recordings_.note({file_}, now);
    }
    if (const QString now = playout_->text().simplified(); now != keptPlayout_) {
        keptPlayout_ = now;
        recordings_.setPlayout({file_}, now);
    }
}

void JudgingBox::leave() {
    keepTyped();
    file_ = 0;
    setEnabled(false);
}

void JudgingBox::show(const library::RecordingView& view, FileId file) {
    const bool same = file == file_;
    if (!same)
        keepTyped();
    file_ = file;
    setEnabled(true);
    auto kept = [&view](const char* field) {
        const auto it = view.kept.find(field);
        return it == view.kept.end() || it->second.empty() ? QString() : qs(it->second.front());
    };
    rating_->setRating(kept(library::ratingField).toInt());
    // What is being typed belongs to the hands that type.
    if (const QString now = kept(library::noteField); !same || !note_->hasFocus()) {
        keptNote_ = now;
        if (note_->toPlainText() != now)
            note_->setPlainText(now);
    }
    if (const QString now = kept(library::playoutField); !same || !playout_->hasFocus()) {
        keptPlayout_ = now;
        if (playout_->text() != now)
            playout_->setText(now);
    }
    const auto uses = view.kept.find(library::useField);
    showUses(uses == view.kept.end() ? std::vector<library::Use>() : library::usesFrom(uses->second));
}

void JudgingBox::showUses(const std::vector<library::Use>& uses) {
    while (QLayoutItem* item = uses_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    for (const library::Use& use : uses) {
        auto* row = new QWidget;
        auto* line = new QHBoxLayout(row);
        line->setContentsMargins(0, 0, 0, 0);
        auto* told = label(useLine(use) + (use.note.empty() ? QString() : "\n" + qs(use.note)), "");
        told->setWordWrap(true);
        told->setTextFormat(Qt::PlainText);
        auto* remove = iconButton("close", tr("It was not used there"));
        connect(remove, &QToolButton::clicked, this, [this, use] { recordings_.removeUse({file_}, use); });
        line->addWidget(told, 1);
        line->addWidget(remove, 0, Qt::AlignTop);
        uses_->addWidget(row);
    }
}

void JudgingBox::askForUse() {
    const FileId file = file_;
    if (const auto use = app::askForUse(this, known_()))
        recordings_.addUse({file}, *use);
}

QString JudgingBox::text() const {
    QStringList all{rating_->accessibleName(), note_->toPlainText(), playout_->text()};
    for (const QLabel* l : findChildren<QLabel*>())
        all << l->text();
    return all.join("\n");
}

std::optional<library::Use> askForUse(QWidget* parent, const QStringList& known) {
    QDialog dialog(parent);
    dialog.setWindowTitle(QObject::tr("Note a use"));
    dialog.setMinimumWidth(380);
    auto line = [](const QString& text, const char* name) {
        auto* edit = new QLineEdit(text);
        edit->setObjectName(name);
        return edit;
    };
    auto *what = line({}, "what"), *where = line({}, "where"),
         *date = line(QDate::currentDate().toString(Qt::ISODate), "date"), *note = line({}, "note");
    for (QLineEdit* edit : {what, where}) {
        auto* completer = new QCompleter(known, edit);
        completer->setCaseSensitivity(Qt::CaseInsensitive);
        completer->setFilterMode(Qt::MatchContains);
        edit->setCompleter(completer);
    }
    what->setPlaceholderText(QObject::tr("film, programme, delivery"));
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(QObject::tr("Note it"));
    auto* form = new QFormLayout(&dialog);
    form->addRow(QObject::tr("Used in"), what);
    form->addRow(QObject::tr("Where"), where);
    form->addRow(QObject::tr("When"), date);
    form->addRow(QObject::tr("Note"), note);
    auto* why = label({}, "attention");
    why->setWordWrap(true);
    form->addRow(why);
    form->addRow(buttons);
    auto now = [&] {
        return library::Use{ss(date->text().trimmed()), ss(what->text().trimmed()),
                            ss(where->text().trimmed()), ss(note->text().trimmed())};
    };
    auto check = [&] {
        const std::string wrong = library::whyNotKept(library::useField, {library::useText(now())});
        buttons->button(QDialogButtonBox::Ok)->setEnabled(wrong.empty());
        why->setText(what->text().trimmed().isEmpty() ? QString() : qs(wrong));
    };
    for (QLineEdit* edit : {what, where, date, note})
        QObject::connect(edit, &QLineEdit::textChanged, &dialog, check);
    check();
    QObject::connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    QObject::connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    return dialog.exec() == QDialog::Accepted ? std::optional(now()) : std::nullopt;
}

} // namespace moorfrost::app
