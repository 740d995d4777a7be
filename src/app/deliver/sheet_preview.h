// SPDX-License-Identifier: GPL-3.0-or-later
// The pages of a sheet, one below the other, as they will be.
#pragma once

#include <QImage>
#include <QScrollArea>

#include <memory>

#include "core/deliver/sheet_pages.h"

namespace moorfrost::app {

class SheetPaper;

class SheetPreview : public QScrollArea {
    Q_OBJECT
public:
    explicit SheetPreview(QWidget* parent = nullptr);
    /// nullptr: none.
    void show(std::shared_ptr<const deliver::SheetPages> pages);
    size_t count() const;
    /// The page in the middle of what is seen, counted from 0.
    size_t pageInSight() const;

signals:
    void pageChanged();

protected:
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    void fit();

    SheetPaper* paper_;
};

} // namespace moorfrost::app
