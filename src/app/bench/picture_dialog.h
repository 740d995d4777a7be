// SPDX-License-Identifier: GPL-3.0-or-later
// One picture of the chosen files, large: what it is, what it would be if it were made to fit, and what can
// be done with it.
#pragma once

#include <QDialog>

#include "app/control/pictures_controller.h"

class QLabel;
class QPushButton;
class QSpinBox;

namespace moorfrost::app {

class PictureMat;

class PictureDialog : public QDialog {
    Q_OBJECT
public:
    struct Shown {
        tags::PictureInfo picture;
        std::vector<FileId> having;
    };
    /// `all`: the pictures to go through; `files`: those that are chosen.
    PictureDialog(PicturesController& pictures, std::vector<Shown> all, size_t first,
                  std::vector<FileId> files, QWidget* parent = nullptr);

    QPushButton* fitButton() { return fit_; }
    QPushButton* takeButton() { return take_; }
    QSpinBox* side() { return side_; }
    QString facts() const;
    QString fittedFacts() const;
    /// Nothing is being looked at or made.
    bool isIdle() const { return waiting_ == 0; }

private:
    void showNumber(size_t number);
    void makeFit();
    void take();
    void replace();
    void save();
    void forgetFitted();
    const Shown& current() const { return all_[at_]; }

    PicturesController& pictures_;
    std::vector<Shown> all_;
    std::vector<FileId> files_;
    size_t at_ = 0;
    int waiting_ = 0;
    uint64_t turn_ = 0; // of looking: an answer to an older one is nobody's
    std::optional<pictures::Fitted> fitted_;
    PictureMat *now_, *then_;
    QLabel *nowFacts_, *thenFacts_, *title_, *summary_;
    QSpinBox *side_, *bytes_, *quality_;
    QPushButton *fit_, *take_, *same_, *before_, *next_;
};

} // namespace moorfrost::app
