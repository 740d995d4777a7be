// SPDX-License-Identifier: GPL-3.0-or-later
// Small controls and helpers that all pages use.
#pragma once

#include <QAbstractItemView>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QToolButton>
#include <QTreeWidget>
#include <QWidget>

#include "app/widgets/paint.h"

class QBoxLayout;
class QDialog;
class QLineEdit;
class QListWidget;

namespace moorfrost::app {

/// A box that shows its arrow in the colours of the theme.
class Choice : public QComboBox {
public:
    explicit Choice(QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent*) override;
};

/// A label that shortens its text with an ellipsis rather than growing.
class ShortLabel : public QLabel {
public:
    explicit ShortLabel(const QString& text = {}, QWidget* parent = nullptr);
    void setText(const QString& text);
    QSize minimumSizeHint() const override { return {20, QLabel::minimumSizeHint().height()}; }

protected:
    void paintEvent(QPaintEvent*) override;
};

/// How sure something is: a length and a number.
class EvidenceBar : public QWidget {
public:
    explicit EvidenceBar(QWidget* parent = nullptr);
    void setValue(double sure); // 0 to 1
    QSize sizeHint() const override { return {160, 20}; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    double sure_ = 0;
};

/// What an empty screen says: what to do next, with a button that does it.
class EmptyHint : public QWidget {
    Q_OBJECT
public:
    EmptyHint(const QString& icon, const QString& title, const QString& text, const QString& button = {},
              QWidget* parent = nullptr);
    void setTexts(const QString& title, const QString& text);
    QPushButton* button() { return button_; }
    /// Another one, below.
    QPushButton* addButton(const QString& text);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString icon_;
    QLabel *title_, *text_;
    QPushButton* button_ = nullptr;
};

QLabel* label(const QString& text, const char* name, QWidget* parent = nullptr);
QPushButton* button(const QString& text, const char* name = "button");
QToolButton* iconButton(const QString& icon, const QString& tip);
QWidget* bar(const char* name, QBoxLayout* layout, int height = 0);
/// Widgets one after the other that go on to a new line where there is no room.
QWidget* flowing(const std::vector<QWidget*>& widgets, int gap = 8);
/// What is told, as far as there is room, and controls on the right of it, which go on to a new line where
/// they have none.
QBoxLayout* toldBeside(QWidget* told, const std::vector<QWidget*>& controls, int gap = 8);
/// A caption with its control, kept together.
QWidget* captioned(const QString& caption, const std::vector<QWidget*>& controls);
/// The foot of a dialog whose results become drafts: a sentence, Cancel, and the button that takes them.
struct TakeBar {
    QWidget* widget;
    QLabel* summary;
    QPushButton* take;
};
/// `take`: what the button says, if not "Take as drafts".
TakeBar takeBar(QDialog* dialog, const QString& take = {});
/// A dialog of two parts beside each other, with such a foot; how wide each is, is remembered under `name`.
TakeBar twoParts(QDialog* dialog, QWidget* left, QWidget* right, const QList<int>& widths,
                 const QString& name);
/// Tables and trees of text: fixed rows, no focus frame, columns that can be moved.
void prepareTree(QTreeWidget* tree, const QStringList& headers);
void prepareTree(QTreeView* tree);
/// Shows a text, unless it is there already (around which a person may be typing spaces).
void showText(QLineEdit* line, const std::string& text);
/// Up and Down in the line go through the list.
void stepThrough(QLineEdit* line, QListWidget* list);
/// Remembers and restores the state of headers and splitters by name.
void remember(QObject* headerOrSplitter, const QString& name);

} // namespace moorfrost::app
