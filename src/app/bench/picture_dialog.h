// SPDX-License-Identifier: GPL-3.0-or-later
// One picture of the chosen files, large: what it is, what it would be if it were made to fit, and what can
// be done with it.
#pragma once

#include <QDialog>

#include <map>
#include <vector>

#include "app/control/pictures_controller.h"

class QLabel;
class QPushButton;
class QSpinBox;

namespace moorfrost::app {

class PictureMat;

/// In words; "" where nothing can be told.
QString detailText(const PicturesController::Detail& detail, const tags::PictureInfo& picture);
/// Asks for picture files; none if it was not to be done after all. `from`: the folder to begin with.
std::vector<Path> askForPictures(QWidget* parent, const QString& title, const QString& from = {});
/// Asks for a picture that takes the place of this one in the files that have it; false if none was chosen.
bool askToReplace(PicturesController& pictures, const tags::PictureInfo& picture,
                  const std::vector<FileId>& having, QWidget* parent);
/// Asks for a place, and saves the picture of these files there.
void askToSave(PicturesController& pictures, const tags::PictureInfo& picture,
               const std::vector<FileId>& having, QWidget* parent);

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
    /// All that are larger than the rule allows; hidden where there are not several.
    QPushButton* fitAllButton() { return fitAll_; }
    QString summary() const;
    QPushButton* takeButton() { return take_; }
    QSpinBox* side() { return side_; }
    QString facts() const;
    QString fittedFacts() const;
    /// Nothing is being looked at or made.
    bool isIdle() const { return waiting_ == 0; }

private:
    void showNumber(size_t number);
    pictures::FitRule rule() const;
    bool isTooLarge(const tags::PictureInfo& picture) const;
    void rememberRule();
    void makeFit();
    void makeAllFit();
    void makeNextFit();
    /// What was made of the current one, if it was.
    void showFitted();
    void showSummary();
    void take();
    void replace();
    /// The rule is another.
    void forgetFitted();
    const Shown& current() const { return all_[at_]; }

    PicturesController& pictures_;
    std::vector<Shown> all_;
    std::vector<FileId> files_;
    size_t at_ = 0;
    int waiting_ = 0;
    uint64_t turn_ = 0;                       // of looking: an answer to an older one is nobody's
    std::map<size_t, pictures::Fitted> made_; // of which pictures, by the rule as it stands
    std::vector<size_t> toMake_;              // the next one last
    size_t makes_ = 0, failed_ = 0;           // how many were to be made, and could not be
    uint64_t ruleTurn_ = 0;
    PictureMat *now_, *then_;
    QLabel *nowFacts_, *thenFacts_, *title_, *summary_;
    QSpinBox *side_, *bytes_, *quality_;
    QPushButton *fit_, *fitAll_, *take_, *same_, *before_, *next_;
};

} // namespace moorfrost::app
