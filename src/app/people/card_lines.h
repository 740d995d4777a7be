// SPDX-License-Identifier: GPL-3.0-or-later
// A list of works or parties: a name, and below it how it stands with it, as words or as a mark.
#pragma once

#include <QListView>

#include "app/widgets/paint.h"
#include "core/library/store/card_table.h"

namespace moorfrost::app {

struct CardLine {
    library::CardId id = 0;
    QString title, second;
    QString mark; // instead of `second`: in a pill
    paint::Tone tone = paint::Tone::Neutral;
    bool operator==(const CardLine&) const = default;
};

class CardLineModel;

class CardLines : public QListView {
    Q_OBJECT
public:
    explicit CardLines(QWidget* parent = nullptr);
    /// What was chosen stays chosen where it is still there; else the first one is.
    void show(std::vector<CardLine> lines);
    const std::vector<CardLine>& lines() const;
    /// 0: none.
    library::CardId chosen() const;
    std::vector<library::CardId> allChosen() const;
    /// False where it is not in sight.
    bool choose(library::CardId id);

signals:
    void chosenChanged();
    void menuWanted(const QPoint& at);
    void removeWanted();

protected:
    void selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    CardLineModel* model_;
    bool showing_ = false;
};

} // namespace moorfrost::app
