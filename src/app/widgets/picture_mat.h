// SPDX-License-Identifier: GPL-3.0-or-later
// A picture with its name above and what is told of it below.
#pragma once

#include <QImage>
#include <QWidget>

namespace moorfrost::app {

class PictureMat : public QWidget {
    Q_OBJECT
public:
    explicit PictureMat(const QString& name, QWidget* parent = nullptr);
    const QImage& image() const { return image_; }
    const QString& told() const { return told_; }
    /// `told`: up to four lines. `none`: what stands where there is no picture.
    void show(const QImage& image, const QString& told, const QString& none = {});

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString name_, told_, none_;
    QImage image_;
};

} // namespace moorfrost::app
