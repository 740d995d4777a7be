// SPDX-License-Identifier: GPL-3.0-or-later
// A workspace in the rail at the left.
#pragma once

#include <QAbstractButton>

namespace moorfrost::app {

class RailButton : public QAbstractButton {
    Q_OBJECT
public:
    RailButton(const QString& icon, const QString& name, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {76, 58}; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString icon_;
};

} // namespace moorfrost::app
