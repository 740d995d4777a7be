// SPDX-License-Identifier: GPL-3.0-or-later
// A share page about as listeners will see it: drawn here, not by a browser.
#pragma once

#include <QScrollArea>

#include "core/deliver/page/page_subject.h"

namespace moorfrost::app {

class PagePaper;

class PagePreview : public QScrollArea {
    Q_OBJECT
public:
    explicit PagePreview(QWidget* parent = nullptr);
    void show(const deliver::PageSubject* subject, const deliver::PageLayout& layout);
    /// All that it tells, for tests.
    QString text() const;

private:
    PagePaper* paper_;
};

} // namespace moorfrost::app
