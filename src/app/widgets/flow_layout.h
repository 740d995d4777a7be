// SPDX-License-Identifier: GPL-3.0-or-later
// A layout that sets its widgets one after the other and starts new lines as needed.
#pragma once

#include <utility>

#include <QLayout>
#include <QStyle>
#include <QWidget>

namespace moorfrost::app {

class FlowLayout : public QLayout {
public:
    /// `oneLine`: it would like all of them on one line, and starts new ones only where there is no room.
    explicit FlowLayout(QWidget* parent, int gap, bool oneLine = false)
        : QLayout(parent), gap_(gap), oneLine_(oneLine) {
        setContentsMargins(0, 0, 0, 0);
    }
    ~FlowLayout() override {
        while (QLayoutItem* item = takeAt(0))
            delete item;
    }
    void addItem(QLayoutItem* item) override { items_.append(item); }
    int count() const override { return static_cast<int>(items_.size()); }
    QLayoutItem* itemAt(int i) const override { return items_.value(i); }
    QLayoutItem* takeAt(int i) override { return i >= 0 && i < items_.size() ? items_.takeAt(i) : nullptr; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override { return arrange(QRect(0, 0, width, 0), false); }
    QSize sizeHint() const override { return oneLine_ ? sizes().first : QSize(200, 30); }
    QSize minimumSize() const override { return oneLine_ ? sizes().second : QSize(60, 26); }
    void setGeometry(const QRect& rect) override {
        QLayout::setGeometry(rect);
        arrange(rect, true);
    }

private:
    /// Of all on one line, and of the largest.
    std::pair<QSize, QSize> sizes() const {
        QSize all(0, 0), largest(0, 0);
        for (const QLayoutItem* item : items_) {
            if (item->isEmpty())
                continue;
            const QSize size = item->sizeHint();
            all = {all.width() + size.width() + (all.width() > 0 ? gap_ : 0),
                   std::max(all.height(), size.height())};
            largest = largest.expandedTo(size);
        }
        return {all, largest};
    }
    int arrange(const QRect& rect, bool move) const {
        int y = rect.y();
        for (qsizetype first = 0; first < items_.size();) {
            // What fits on this line, at least one.
            int x = rect.x(), height = 0;
            qsizetype last = first;
            for (; last < items_.size(); ++last) {
                QSize size = items_[last]->sizeHint();
                if (items_[last]->isEmpty())
                    continue;
                if (x + size.width() > rect.right() + 1 && x > rect.x())
                    break;
                x += size.width() + gap_;
                height = std::max(height, size.height());
            }
            x = rect.x();
            for (qsizetype i = first; i < last; ++i) {
                QSize size = items_[i]->sizeHint();
                if (items_[i]->isEmpty())
                    continue;
                if (move)
                    items_[i]->setGeometry(
                        QStyle::visualRect(parentWidget()->layoutDirection(), rect,
                                           QRect(QPoint(x, y + (height - size.height()) / 2), size)));
                x += size.width() + gap_;
            }
            y += height + gap_;
            first = last;
        }
        return std::max(0, y - gap_ - rect.y());
    }

    QList<QLayoutItem*> items_;
    int gap_;
    bool oneLine_;
};

} // namespace moorfrost::app
