// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/chip_editor.h"

#include <algorithm>

#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QMenu>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/flow_layout.h"
#include "app/widgets/sheet.h"
#include "core/tags/fields.h"

namespace moorfrost::app {

using naming::Modifier;
using naming::Piece;

namespace {
/// Delete removes a chip, the arrow keys go from chip to chip.
class Chip : public QToolButton {
public:
    std::function<void()> remove;
    std::function<void(int)> go;
    std::function<void(int)> move;

    QSize sizeHint() const override {
        return {fontMetrics().horizontalAdvance(text()) + (objectName() == "chip" ? 18 : 8), 24};
    }

protected:
    void keyPressEvent(QKeyEvent* event) override {
        int step = event->key() == Qt::Key_Left ? -1 : event->key() == Qt::Key_Right ? 1 : 0;
        if (isRightToLeft())
            step = -step;
        if (event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace)
            remove();
        else if (step != 0 && event->modifiers() & Qt::ControlModifier)
            move(step);
        else if (step != 0)
            go(step);
        else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
            showMenu();
        else
            QToolButton::keyPressEvent(event);
    }
};
} // namespace

ChipEditor::ChipEditor(QWidget* parent) : QWidget(parent) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    stack_ = new QStackedWidget;
    auto* frame = new QFrame;
    frame->setObjectName("chipBox");
    auto* inside = new QVBoxLayout(frame);
    inside->setContentsMargins(6, 4, 6, 4);
    chips_ = new QWidget;
    inside->addWidget(chips_);
    edit_ = new QLineEdit;
    edit_->setObjectName("plan");
    edit_->setAccessibleName(tr("Plan as text"));
    stack_->addWidget(frame);
    stack_->addWidget(edit_);
    stack_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Maximum);
    stack_->setMinimumWidth(140); // enough of it to be read
    toggle_ = new QToolButton;
    toggle_->setObjectName("flat");
    layout->addWidget(stack_, 1);
    layout->addWidget(toggle_);
    connect(toggle_, &QToolButton::clicked, this, [this] { showText(!isTextShown()); });
    connect(edit_, &QLineEdit::textEdited, this, &ChipEditor::textEdited);
    showText(false);
}

bool ChipEditor::isTextShown() const {
    return stack_->currentIndex() == 1;
}

void ChipEditor::showText(bool on) {
    if (!on && !error_.isEmpty())
        return; // a plan with an error has no chips: it is mended as text
    stack_->setCurrentIndex(on ? 1 : 0);
    toggle_->setText(on ? tr("edit as chips") : tr("edit as text"));
    if (on)
        edit_->setFocus();
}

void ChipEditor::setText(const QString& plan) {
    edit_->setText(plan);
    textEdited();
}

QString ChipEditor::text() const {
    return edit_->text();
}

void ChipEditor::setCustomFields(std::vector<std::string> keys) {
    if (keys == custom_)
        return;
    custom_ = std::move(keys);
    textEdited();
}

std::optional<naming::Plan> ChipEditor::plan() const {
    auto parsed = naming::parsePlan(ss(edit_->text()), custom_);
    if (auto* plan = std::get_if<naming::Plan>(&parsed))
        return *plan;
    return std::nullopt;
}

void ChipEditor::textEdited() {
    auto parsed = naming::parsePlan(ss(edit_->text()), custom_);
    auto* wrong = std::get_if<naming::PlanError>(&parsed);
    error_.clear();
    if (wrong) {
        // The place is counted in characters, as a person would.
        auto character = QString::fromStdString(ss(edit_->text()).substr(0, wrong->offset)).size() + 1;
        error_ = tr("At character %1: %2").arg(character).arg(spoken(wrong->message));
        if (!isTextShown())
            showText(true);
    } else {
        pieces_ = std::get<naming::Plan>(parsed).pieces;
        rebuildChips();
    }
    edit_->setProperty("wrong", wrong != nullptr);
    edit_->setToolTip(error_);
    edit_->style()->unpolish(edit_);
    edit_->style()->polish(edit_);
    emit changed();
}

void ChipEditor::setPieces(const std::vector<Piece>& pieces, int focus) {
    if (pieces.empty())
        return;
    edit_->setText(qs(naming::planText(pieces)));
    textEdited();
    auto buttons = chips_->findChildren<QToolButton*>(QString(), Qt::FindDirectChildrenOnly);
    if (focus >= 0 && focus < buttons.size())
        buttons[focus]->setFocus();
}

void ChipEditor::editLiteral(size_t index) {
    bool ok = false;
    QString was = qs(pieces_[index].literal);
    QString now =
        QInputDialog::getText(this, tr("Text between fields"), tr("Text:"), QLineEdit::Normal, was, &ok);
    if (!ok)
        return;
    auto pieces = pieces_;
    if (now.isEmpty())
        pieces.erase(pieces.begin() + static_cast<std::ptrdiff_t>(index));
    else
        pieces[index].literal = ss(now);
    setPieces(pieces, static_cast<int>(index));
}

QMenu* ChipEditor::addMenu(size_t before, QWidget* parent) {
    auto* menu = new QMenu(parent);
    auto insert = [this, before](Piece piece) {
        auto pieces = pieces_;
        pieces.insert(pieces.begin() + static_cast<std::ptrdiff_t>(before), std::move(piece));
        setPieces(pieces, static_cast<int>(before));
    };
    auto field = [insert](const std::string& key) {
        Piece p;
        p.kind = Piece::Kind::Field;
        p.sources.push_back({key, {}});
        if (key == "track")
            p.modifiers.push_back({Modifier::Kind::Digits, 2, {}, {}});
        insert(p);
    };
    for (const char* key : {"title", "artist", "album", "album_artist", "track", "disc", "date", "genre",
                            "label", "catalogue_number"})
        menu->addAction(fieldLabel(key), [field, key] { field(key); });
    QMenu* more = menu->addMenu(tr("More fields"));
    for (const tags::FieldDef& def : tags::fieldTable())
        more->addAction(fieldLabel(def.key), [field, key = def.key] { field(key); });
    for (const std::string& key : custom_)
        more->addAction(fieldLabel(key), [field, key] { field(key); });
    for (const std::string& fact : naming::factNames())
        more->addAction(qs(fact), [field, fact] { field(fact); });
    menu->addSeparator();
    menu->addAction(tr("Folder ( / )"), [insert] { insert({Piece::Kind::Folder, "/", {}, {}, 0, 0}); });
    menu->addAction(tr("Space"), [insert] { insert({Piece::Kind::Literal, " ", {}, {}, 0, 0}); });
    menu->addAction(tr("Dash ( - )"), [insert] { insert({Piece::Kind::Literal, " - ", {}, {}, 0, 0}); });
    menu->addAction(tr("Skip any text"), [insert] { insert({Piece::Kind::Skip, {}, {}, {}, 0, 0}); });
    return menu;
}

QMenu* ChipEditor::chipMenu(size_t index, QWidget* parent) {
    const Piece& piece = pieces_[index];
    auto* menu = new QMenu(parent);
    auto replace = [this, index](const Piece& p) {
        auto pieces = pieces_;
        pieces[index] = p;
        setPieces(pieces, static_cast<int>(index));
    };
    if (piece.kind == Piece::Kind::Literal)
        menu->addAction(tr("Edit text\u2026"), [this, index] { editLiteral(index); });
    if (piece.kind == Piece::Kind::Field) {
        auto toggle = [&](const Modifier& m, const QString& label) {
            auto has = std::find_if(piece.modifiers.begin(), piece.modifiers.end(),
                                    [&](const Modifier& x) { return x.kind == m.kind; });
            bool on = has != piece.modifiers.end() && (has->number == m.number);
            QAction* action = menu->addAction(label, [replace, piece, m, on] {
                Piece p = piece;
                std::erase_if(p.modifiers, [&](const Modifier& x) { return x.kind == m.kind; });
                if (!on)
                    p.modifiers.push_back(m);
                replace(p);
            });
            action->setCheckable(true);
            action->setChecked(on);
        };
        const tags::FieldDef* def = tags::fieldByKey(piece.sources.front().key);
        using Kind = Modifier::Kind;
        if (def && def->kind == tags::FieldKind::Number) {
            toggle({Kind::Digits, 2, {}, {}}, tr("2 digits"));
            toggle({Kind::Digits, 3, {}, {}}, tr("3 digits"));
            toggle({Kind::IfSeveral, 0, {}, {}}, tr("only if several"));
        } else if (def && def->kind == tags::FieldKind::Date) {
            toggle({Kind::Year, 0, {}, {}}, tr("year only"));
        } else {
            toggle({Kind::SortForm, 0, {}, {}}, tr("sort form (Ferry, The)"));
            toggle({Kind::TitleCase, 0, {}, {}}, tr("title case"));
            toggle({Kind::SentenceCase, 0, {}, {}}, tr("sentence case"));
            toggle({Kind::Lower, 0, {}, {}}, tr("lower"));
            toggle({Kind::Upper, 0, {}, {}}, tr("upper"));
            toggle({Kind::PlainLetters, 0, {}, {}}, tr("plain letters"));
            toggle({Kind::FirstValue, 0, {}, {}}, tr("first value only"));
            toggle({Kind::First, 1, {}, {}}, tr("first letter only"));
            toggle({Kind::AtMost, 40, {}, {}}, tr("at most 40 characters"));
        }
        QMenu* otherwise = menu->addMenu(tr("If blank, else"));
        for (const char* key :
             {"artist", "album_artist", "album", "title", "date", "original_date", "label", "genre"})
            otherwise->addAction(fieldLabel(key), [replace, piece, key] {
                Piece p = piece;
                p.sources.push_back({key, {}});
                replace(p);
            });
        otherwise->addAction(tr("\"Unknown\""), [replace, piece] {
            Piece p = piece;
            p.sources.push_back({{}, "Unknown"});
            replace(p);
        });
        if (piece.sources.size() > 1)
            menu->addAction(tr("Without \"else\""), [replace, piece] {
                Piece p = piece;
                p.sources.resize(1);
                replace(p);
            });
    }
    menu->addSeparator();
    auto swap = [this, index](int step) {
        auto other = static_cast<std::ptrdiff_t>(index) + step;
        if (other < 0 || other >= static_cast<std::ptrdiff_t>(pieces_.size()))
            return;
        auto pieces = pieces_;
        std::swap(pieces[index], pieces[static_cast<size_t>(other)]);
        setPieces(pieces, static_cast<int>(other));
    };
    menu->addAction(tr("Move left\tCtrl+Left"), [swap] { swap(-1); });
    menu->addAction(tr("Move right\tCtrl+Right"), [swap] { swap(1); });
    QMenu* add = addMenu(index, menu);
    add->setTitle(tr("Add before"));
    menu->addMenu(add);
    menu->addAction(tr("Remove\tDelete"), [this, index] {
        auto pieces = pieces_;
        pieces.erase(pieces.begin() + static_cast<std::ptrdiff_t>(index));
        setPieces(pieces, static_cast<int>(index));
    });
    return menu;
}

void ChipEditor::rebuildChips() {
    for (QToolButton* old : chips_->findChildren<QToolButton*>(QString(), Qt::FindDirectChildrenOnly)) {
        old->setParent(nullptr);
        old->deleteLater();
    }
    delete chips_->layout();
    auto* flow = new FlowLayout(chips_, 3);
    for (size_t i = 0; i < pieces_.size(); ++i) {
        const Piece& piece = pieces_[i];
        auto* chip = new Chip;
        bool field = piece.kind == Piece::Kind::Field || piece.kind == Piece::Kind::Skip;
        chip->setObjectName(field ? "chip" : "literal");
        QString text = spoken(naming::pieceLabel(piece));
        chip->setText(field ? text : text.trimmed().isEmpty() ? QString(QChar(0x2423)) : text);
        chip->setAccessibleName(piece.kind == Piece::Kind::Folder ? tr("folder")
                                : text.trimmed().isEmpty()        ? tr("space")
                                                                  : text);
        chip->setPopupMode(QToolButton::InstantPopup);
        // The menu is made when it is wanted.
        auto* menu = new QMenu(chip);
        connect(menu, &QMenu::aboutToShow, this, [this, menu, i] {
            menu->clear();
            QMenu* real = chipMenu(i, menu);
            for (QAction* action : real->actions())
                menu->addAction(action);
        });
        chip->setMenu(menu);
        chip->setFocusPolicy(Qt::StrongFocus);
        chip->remove = [this, i] {
            auto pieces = pieces_;
            pieces.erase(pieces.begin() + static_cast<std::ptrdiff_t>(i));
            setPieces(pieces, static_cast<int>(i));
        };
        chip->go = [this, i](int step) {
            auto buttons = chips_->findChildren<QToolButton*>(QString(), Qt::FindDirectChildrenOnly);
            auto to = static_cast<int>(i) + step;
            if (to >= 0 && to < buttons.size())
                buttons[to]->setFocus();
        };
        chip->move = [this, i](int step) {
            auto other = static_cast<std::ptrdiff_t>(i) + step;
            if (other < 0 || other >= static_cast<std::ptrdiff_t>(pieces_.size()))
                return;
            auto pieces = pieces_;
            std::swap(pieces[i], pieces[static_cast<size_t>(other)]);
            setPieces(pieces, static_cast<int>(other));
        };
        flow->addWidget(chip);
    }
    auto* add = new QToolButton;
    add->setObjectName("literal");
    add->setIcon(theme::icon("plus"));
    add->setIconSize({14, 14});
    add->setToolTip(tr("Add a field"));
    add->setAccessibleName(tr("Add a field"));
    add->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(add);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] {
        menu->clear();
        for (QAction* action : addMenu(pieces_.size(), menu)->actions())
            menu->addAction(action);
    });
    add->setMenu(menu);
    flow->addWidget(add);
    for (QWidget* w : chips_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly))
        w->show();
    chips_->updateGeometry();
}

} // namespace moorfrost::app
