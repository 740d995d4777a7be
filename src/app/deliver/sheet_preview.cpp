// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/sheet_preview.h"

#include <QPaintEvent>
#include <QPainter>
#include <QScrollBar>

#include <algorithm>
#include <map>

#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {
constexpr int around = 24, between = 18, widest = 620; // pixels
constexpr double finer = 2; // than the screen: letters are set by less than its pixels
} // namespace

/// Draws the pages that are in sight, each once for a size.
class SheetPaper : public QWidget {
public:
    void show(std::shared_ptr<const deliver::SheetPages> pages) {
        pages_ = std::move(pages);
        drawn_.clear();
        update();
    }
    size_t count() const { return pages_ ? pages_->count() : 0; }
    void fit(int room) {
        const int width = std::clamp(room - 2 * around, 120, widest);
        if (width != width_ || ratio_ != devicePixelRatioF())
            drawn_.clear();
        width_ = width;
        ratio_ = devicePixelRatioF();
        const int all = static_cast<int>(count());
        resize(std::max(room, width + 2 * around),
               all == 0 ? 10 : 2 * around + all * pageHeight() + (all - 1) * between);
        update();
    }
    int pageHeight() const {
        return pages_ ? static_cast<int>(width_ * pages_->size().height / pages_->size().width) : 0;
    }
    QRect rectOf(size_t page) const {
        return {(width() - width_) / 2, around + static_cast<int>(page) * (pageHeight() + between), width_,
                pageHeight()};
    }

protected:
    void paintEvent(QPaintEvent* event) override {
        QPainter p(this);
        const auto& c = theme::colours();
        p.fillRect(event->rect(), c.sunk);
        for (size_t i = 0; i < count(); ++i) {
            const QRect r = rectOf(i);
            if (!r.intersects(event->rect()))
                continue;
            p.setRenderHint(QPainter::SmoothPixmapTransform);
            p.drawImage(r, image(i));
            p.setPen(c.line);
            p.drawRect(r.adjusted(-1, -1, 0, 0));
        }
    }

private:
    const QImage& image(size_t page) {
        const auto [at, isNew] = drawn_.try_emplace(page);
        if (isNew) {
            if (drawn_.size() > 6) { // of 500 songs not all pages are kept
                drawn_.clear();
                return image(page);
            }
            const auto picture =
                pages_->page(page, (ratio_ < 1.5 ? finer : 1) * width_ * ratio_ / pages_->size().width);
            at->second = QImage(reinterpret_cast<const uchar*>(picture.pixels.data()), picture.width,
                                picture.height, picture.width * 4, QImage::Format_RGB32)
                             .copy();
        }
        return at->second;
    }

    std::shared_ptr<const deliver::SheetPages> pages_;
    std::map<size_t, QImage> drawn_;
    int width_ = widest;
    qreal ratio_ = 1;
};

SheetPreview::SheetPreview(QWidget* parent) : QScrollArea(parent), paper_(new SheetPaper) {
    setFrameShape(NoFrame);
    setWidget(paper_);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("The sheet as it will be"));
    viewport()->setObjectName("sunk");
    connect(verticalScrollBar(), &QScrollBar::valueChanged, this, &SheetPreview::pageChanged);
}

void SheetPreview::show(std::shared_ptr<const deliver::SheetPages> pages) {
    const int at = verticalScrollBar()->value();
    paper_->show(std::move(pages));
    fit();
    verticalScrollBar()->setValue(at);
    emit pageChanged();
}

size_t SheetPreview::count() const {
    return paper_->count();
}

size_t SheetPreview::pageInSight() const {
    const int middle = verticalScrollBar()->value() + viewport()->height() / 2;
    size_t page = 0;
    while (page + 1 < count() && paper_->rectOf(page + 1).top() <= middle)
        ++page;
    return page;
}

void SheetPreview::resizeEvent(QResizeEvent* event) {
    QScrollArea::resizeEvent(event);
    fit();
}

void SheetPreview::changeEvent(QEvent* event) {
    QScrollArea::changeEvent(event);
    if (event->type() == QEvent::PaletteChange)
        paper_->update();
}

void SheetPreview::fit() {
    paper_->fit(viewport()->width());
    verticalScrollBar()->setSingleStep(40);
}

} // namespace moorfrost::app
