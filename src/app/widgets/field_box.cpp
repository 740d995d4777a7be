// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/field_box.h"

#include <algorithm>

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>
#include <QStyle>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"
#include "app/widgets/sheet.h"
#include "app/widgets/value_completer.h"

namespace moorfrost::app {

void beginValue(QLineEdit* edit) {
    if (edit->isReadOnly())
        return;
    edit->setFocus();
    edit->deselect();
    edit->end(false);
    edit->insert(" " + qs(std::string(tags::valueBreak)) + " ");
}

FieldBox::FieldBox(const Uses& use, const std::string& key, QWidget* parent)
    : QLineEdit(parent), use_(use), key_(key) {
    setAccessibleName(fieldLabel(key));
    setObjectName("field");
    connect(&use_.drafts, &DraftsController::changed, this, &FieldBox::refresh);
    connect(&use_.drafts, &DraftsController::diskShown, this, &FieldBox::refresh);
    portions_.setInterval(0);
    connect(&portions_, &QTimer::timeout, this, &FieldBox::countOn);
}

void FieldBox::setFiles(const std::vector<FileId>& files) {
    if (files != files_ && hasFocus() && isModified()) {
        next_ = files; // when the hands that type are done: it is meant for the files that it was begun for
        return;
    }
    next_.reset();
    if (files != files_) {
        takeTyped(); // for the files that it was typed for
        files_ = files;
        setModified(false);
        counts_.clear(); // of others
        shown_.clear();
    }
    refresh();
}

void FieldBox::setValues(ValueBooks& values) {
    if (ValueBooks::isOffered(key_))
        new ValueCompleter(this, values, key_);
}

void FieldBox::showNext() {
    if (next_ && !isModified())
        setFiles(*std::exchange(next_, std::nullopt));
}

void FieldBox::takeTyped() {
    if (isModified() && !files_.empty())
        commit();
}

size_t FieldBox::ByText::operator()(const std::vector<std::string>& values) const {
    size_t out = values.size();
    for (const std::string& v : values)
        out = out * 31 + std::hash<std::string>()(v);
    return out;
}

void FieldBox::refresh() {
    counting_.clear();
    origins_.clear();
    counted_ = 0;
    draftFound_ = false;
    constexpr size_t atOnce = 4000;
    if (files_.size() <= atOnce) {
        portions_.stop();
        countOn();
    } else {
        portions_.start();
        if (counts_.empty() && !isModified()) {
            setText({}); // clear() would be an edit
            setPlaceholderText(tr("counting\u2026"));
        }
    }
}

void FieldBox::countOn() {
    constexpr size_t portion = 4000;
    const size_t end = std::min(files_.size(), counted_ + portion);
    for (; counted_ < end; ++counted_) {
        const FileId id = files_[counted_];
        ++counting_[use_.drafts.valuesShown(id, key_)];
        if (const library::Draft* d = use_.drafts.session().find(id, key_); d && !use_.drafts.showsDisk()) {
            draftFound_ = true;
            origins_.insert(d->origin);
        }
    }
    if (counted_ < files_.size())
        return;
    portions_.stop();
    counts_.assign(counting_.begin(), counting_.end());
    counting_.clear();
    std::ranges::sort(counts_, [](const auto& a, const auto& b) {
        return a.second != b.second ? a.second > b.second : a.first < b.first;
    });
    drafted_ = draftFound_;
    showCounts();
}

void FieldBox::showCounts() {
    const std::set<std::string>& origins = origins_;
    const bool writable = !files_.empty();
    bool several = counts_.size() > 1;
    shown_ = several || counts_.empty() ? QString() : qs(tags::shownValues(counts_.front().first));
    note_.clear();
    if (several) {
        QString first = qs(tags::shownValues(counts_.front().first));
        if (first.size() > 14)
            first = first.left(13) + QChar(0x2026);
        note_ =
            counts_.front().second > 1
                ? tr("%1 \u00D7 %2").arg(counts_.front().second).arg(first.isEmpty() ? tr("blank") : first)
                : QString();
    } else if (drafted_) {
        note_ = origins.size() == 1 ? spoken(*origins.begin()) : tr("several origins");
    }
    setReadOnly(!writable || use_.drafts.showsDisk());
    setPlaceholderText(several    ? tr("%n value(s)", "", static_cast<int>(counts_.size()))
                       : drafted_ ? tr("will be blank")
                                  : QString());
    const int room = several ? 16 : 0; // of the arrow
    setTextMargins(isRightToLeft() ? room : 0, 0, isRightToLeft() ? 0 : room, 0);
    if (!isModified()) { // else it belongs to the hands that type
        setText(shown_);
        setCursorPosition(0);
        setModified(false);
    }
    QStringList tip;
    if (const tags::FieldDef* def = tags::fieldByKey(key_); !def || def->several)
        tip << tr("Ctrl+, begins another value");
    for (size_t i = 0; i < counts_.size() && i < 12; ++i) {
        QString v = qs(tags::shownValues(counts_[i].first));
        tip << tr("%1 \u00D7 %2").arg(counts_[i].second).arg(v.isEmpty() ? tr("blank") : v);
    }
    if (drafted_)
        tip << tr("Draft: %1")
                   .arg(QStringList(QStringList::fromVector([&] {
                            QList<QString> l;
                            for (const std::string& o : origins)
                                l << qs(o);
                            return l;
                        }()))
                            .join(", "));
    setToolTip(tip.join('\n'));
    update();
}

void FieldBox::propose(const std::vector<std::string>& values, const QString& action) {
    if (std::string why = tags::whyNotValid(key_, values); !why.empty()) {
        emit refused(spoken(why));
        setModified(false);
        refresh();
        showNext();
        return;
    }
    std::vector<library::DraftSession::Wish> wishes;
    for (FileId id : files_)
        if (FilePtr f = use_.files.file(id); f && f->mayHaveDrafts())
            wishes.push_back({id, key_, values});
    setModified(false);
    const std::vector<FileId> files = files_; // others may be shown then
    use_.drafts.session().propose(ss(action), wishes, ss(tr("typed")));
    refresh();
    showNext();
    emit typed(files, key_, values);
}

void FieldBox::commit() {
    if (!isModified())
        return;
    if (text() == shown_ && !portions_.isActive()) { // else it is not known yet what they say
        setModified(false);
        showNext();
        return;
    }
    propose(tags::valuesFromText(key_, ss(text())),
            tr("Edit %1 of %2").arg(fieldLabel(key_), tr("%n file(s)", "", static_cast<int>(files_.size()))));
}

QMenu* FieldBox::makeMenu() {
    auto* menu = new QMenu(this);
    for (size_t i = 0; i < counts_.size() && i < 20; ++i) {
        QString v = qs(tags::shownValues(counts_[i].first)), shownValue = v;
        if (shownValue.size() > 60)
            shownValue = shownValue.left(59) + QChar(0x2026);
        shownValue.replace('&', "&&");
        menu->addAction(
            tr("%1 \u00D7 %2").arg(counts_[i].second).arg(v.isEmpty() ? tr("blank") : shownValue),
            [this, values = counts_[i].first] { propose(values, tr("Same %1").arg(fieldLabel(key_))); });
    }
    menu->addSeparator();
    if (!isReadOnly())
        for (const std::string& choice : ValueBooks::listOf(key_)) {
            QAction* action = menu->addAction(qs(choice).replace('&', "&&"), [this, choice] {
                propose({choice}, tr("Same %1").arg(fieldLabel(key_)));
            });
            action->setCheckable(true);
            action->setChecked(counts_.size() == 1 &&
                               counts_.front().first == std::vector<std::string>{choice});
        }
    menu->addSeparator();
    if (const tags::FieldDef* def = tags::fieldByKey(key_); (!def || def->several) && !isReadOnly())
        menu->addAction(tr("Another value\tCtrl+,"), [this] { beginValue(this); });
    menu->addAction(tr("Keep as they are"), [this] {
        setModified(false);
        refresh();
    });
    menu->addAction(tr("Blank in all"), [this] { propose({}, tr("Blank %1").arg(fieldLabel(key_))); });
    QAction* drop = menu->addAction(tr("Drop drafts"), [this] {
        std::vector<std::pair<FileId, std::string>> which;
        for (FileId id : files_)
            which.emplace_back(id, key_);
        use_.drafts.session().drop(ss(tr("Drop drafts")), which);
    });
    drop->setEnabled(drafted_);
    return menu;
}

bool FieldBox::event(QEvent* event) {
    // Undo and redo are about drafts, unless there is typing in the box itself.
    if (event->type() == QEvent::ShortcutOverride && !isModified()) {
        auto* key = static_cast<QKeyEvent*>(event);
        if (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo))
            return QWidget::event(event);
    }
    return QLineEdit::event(event);
}

void FieldBox::keyPressEvent(QKeyEvent* event) {
    if (ValueCompleter* values = ValueCompleter::of(this); values && values->takesKey(event))
        return;
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        // Blanking needs no text: a box that shows several values is blanked from the menu.
        commit();
        focusNextChild();
    } else if (event->key() == Qt::Key_Escape && isModified()) {
        setModified(false);
        refresh();
        showNext();
    } else if (event->key() == Qt::Key_Down) {
        std::unique_ptr<QMenu> menu(makeMenu());
        menu->exec(mapToGlobal(QPoint(0, height())));
    } else {
        QLineEdit::keyPressEvent(event);
    }
}

void FieldBox::focusOutEvent(QFocusEvent* event) {
    QLineEdit::focusOutEvent(event);
    if (event->reason() != Qt::PopupFocusReason)
        commit();
}

void FieldBox::mousePressEvent(QMouseEvent* event) {
    if (counts_.size() > 1 &&
        QStyle::visualPos(layoutDirection(), rect(), event->position().toPoint()).x() > width() - 22) {
        std::unique_ptr<QMenu> menu(makeMenu());
        menu->exec(mapToGlobal(QPoint(0, height())));
        return;
    }
    QLineEdit::mousePressEvent(event);
}

void FieldBox::contextMenuEvent(QContextMenuEvent* event) {
    std::unique_ptr<QMenu> menu(makeMenu());
    menu->exec(event->globalPos());
}

void FieldBox::paintEvent(QPaintEvent* event) {
    QLineEdit::paintEvent(event);
    const auto& c = theme::colours();
    QPainter p(this);
    const QRect inside = rect().adjusted(1, 1, -1, -1);
    const paint::Mirror side(p, rect());
    if (drafted_) {
        if (!hasFocus()) {
            p.setPen(c.heather);
            p.setRenderHint(QPainter::Antialiasing);
            p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 4, 4);
            p.setRenderHint(QPainter::Antialiasing, false);
        }
        paint::notch(p, inside);
    }
    QRect room = inside.adjusted(8, 0, -8, 0);
    if (counts_.size() > 1) {
        p.drawPixmap(side(QRect(inside.right() - 18, inside.center().y() - 6, 14, 14)),
                     theme::pixmap("chevron", c.second, 14, devicePixelRatioF()));
        room.setRight(room.right() - 16);
    }
    if (!note_.isEmpty() && !hasFocus()) {
        p.setFont(theme::uiFont(11));
        const int width = p.fontMetrics().horizontalAdvance(note_);
        const QString shown = text().isEmpty() ? placeholderText() : text();
        if (QFontMetrics(font()).horizontalAdvance(shown) + 12 + width < room.width()) {
            p.setPen(c.third);
            // What is typed begins where its own language begins; the note is at the other side.
            p.drawText(side(room),
                       Qt::AlignVCenter | Qt::AlignAbsolute |
                           (shown.isRightToLeft() ? Qt::AlignLeft : Qt::AlignRight),
                       note_);
        }
    }
}

} // namespace moorfrost::app
