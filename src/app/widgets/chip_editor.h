// SPDX-License-Identifier: GPL-3.0-or-later
// A plan as chips: fields that can be added, changed, moved and removed, with text between them; and the same
// as text. Both edit one plan.
#pragma once

#include <QLineEdit>
#include <QStackedWidget>
#include <QToolButton>
#include <QWidget>

#include "core/naming/plan.h"

namespace moorfrost::app {

class ChipEditor : public QWidget {
    Q_OBJECT
public:
    explicit ChipEditor(QWidget* parent = nullptr);

    void setText(const QString& plan);
    QString text() const;
    void setCustomFields(std::vector<std::string> keys);
    bool isTextShown() const;
    void showText(bool on);
    /// The plan, if it is one.
    std::optional<naming::Plan> plan() const;
    QString error() const { return error_; }
    QLineEdit* edit() { return edit_; }

signals:
    void changed();

private:
    void textEdited();
    void rebuildChips();
    void setPieces(const std::vector<naming::Piece>& pieces, int focus);
    QMenu* chipMenu(size_t index, QWidget* parent);
    QMenu* addMenu(size_t before, QWidget* parent);
    void editLiteral(size_t index);

    QStackedWidget* stack_;
    QWidget* chips_;
    QLineEdit* edit_;
    QToolButton* toggle_;
    std::vector<naming::Piece> pieces_;
    std::vector<std::string> custom_;
    QString error_;
};

} // namespace moorfrost::app
