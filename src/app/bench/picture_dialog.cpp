// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/picture_dialog.h"

#include <QFileDialog>
#include <QLabel>
#include <QPushButton>
#include <QSettings>
#include <QShortcut>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/picture_cells.h"
#include "app/widgets/picture_mat.h"

namespace moorfrost::app {

namespace {

QSpinBox* number(int from, int to, int value, int step, const QString& unit) {
    auto* box = new QSpinBox;
    box->setRange(from, to);
    box->setSingleStep(step);
    box->setValue(value);
    box->setSuffix(unit.isEmpty() ? QString() : " " + unit);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    return box;
}

} // namespace

PictureDialog::PictureDialog(PicturesController& pictures, std::vector<Shown> all, size_t first,
                             std::vector<FileId> files, QWidget* parent)
    : QDialog(parent), pictures_(pictures), all_(std::move(all)), files_(std::move(files)) {
    setWindowTitle(tr("Picture"));
    resize(980, 640);
    const QSettings settings;
    title_ = label({}, "title");
    before_ = button(tr("Previous"));
    next_ = button(tr("Next"));
    auto* head = new QHBoxLayout;
    head->addWidget(title_, 1);
    head->addWidget(before_);
    head->addWidget(next_);

    now_ = new PictureMat(tr("As it is"));
    then_ = new PictureMat(tr("As it would be"));
    auto* mats = new QHBoxLayout;
    mats->setContentsMargins(16, 12, 16, 4);
    mats->setSpacing(20);
    mats->addWidget(now_, 1);
    mats->addWidget(then_, 1);

    side_ = number(100, 4096, settings.value("pictures/side", 1200).toInt(), 100, tr("pixels"));
    side_->setAccessibleName(tr("The longer side has at most"));
    bytes_ = number(10, 20000, settings.value("pictures/kilobytes", 500).toInt(), 50, tr("kB"));
    bytes_->setAccessibleName(tr("It has at most"));
    quality_ = number(40, 98, settings.value("pictures/quality", 85).toInt(), 5, {});
    quality_->setAccessibleName(tr("Quality of JPEG"));
    fit_ = button(tr("Make it fit"));
    fitAll_ = button({});
    auto* rule = flowing(
        {captioned(tr("At most"), {side_, bytes_}), captioned(tr("Quality"), {quality_}), fit_, fitAll_}, 12);
    rule->setContentsMargins(16, 4, 16, 10);

    auto* replace = button(tr("Replace\u2026"));
    auto* save = button(tr("Save as a file\u2026"));
    same_ = button({});
    TakeBar foot = takeBar(this, tr("Use what fits"));
    take_ = foot.take;
    summary_ = foot.summary;
    auto* actions = flowing({replace, save, same_}, 6);
    actions->setContentsMargins(16, 0, 16, 10);
    for (QPushButton* b : {before_, next_, fit_, fitAll_, replace, save, same_})
        b->setAutoDefault(false);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 48));
    layout->addLayout(mats, 1);
    layout->addWidget(actions);
    layout->addWidget(rule);
    layout->addWidget(foot.widget);

    connect(before_, &QPushButton::clicked, this, [this] { showNumber(at_ - 1); });
    connect(next_, &QPushButton::clicked, this, [this] { showNumber(at_ + 1); });
    connect(fit_, &QPushButton::clicked, this, &PictureDialog::makeFit);
    connect(fitAll_, &QPushButton::clicked, this, &PictureDialog::makeAllFit);
    connect(take_, &QPushButton::clicked, this, &PictureDialog::take);
    connect(replace, &QPushButton::clicked, this, &PictureDialog::replace);
    connect(save, &QPushButton::clicked, this,
            [this] { askToSave(pictures_, current().picture, current().having, this); });
    connect(same_, &QPushButton::clicked, this, [this] {
        pictures_.sameInAll(current().picture, files_);
        accept();
    });
    for (QSpinBox* box : {side_, bytes_, quality_})
        connect(box, &QSpinBox::valueChanged, this, &PictureDialog::forgetFitted);
    connect(new QShortcut(QKeySequence("Alt+Left"), this), &QShortcut::activated, before_,
            &QPushButton::click);
    connect(new QShortcut(QKeySequence("Alt+Right"), this), &QShortcut::activated, next_,
            &QPushButton::click);
    forgetFitted();
    showNumber(std::min(first, all_.size() - 1));
}

QString PictureDialog::summary() const {
    return summary_->text();
}

QString PictureDialog::facts() const {
    return now_->told();
}

QString PictureDialog::fittedFacts() const {
    return then_->told();
}

void PictureDialog::showNumber(size_t number) {
    if (number >= all_.size())
        return;
    at_ = number;
    const uint64_t turn = ++turn_;
    const tags::PictureInfo picture = current().picture;
    title_->setText(
        all_.size() > 1
            ? tr("%1 (%2 of %3)").arg(pictureTypeLabel(picture.type)).arg(at_ + 1).arg(all_.size())
            : pictureTypeLabel(picture.type));
    before_->setVisible(all_.size() > 1);
    next_->setVisible(all_.size() > 1);
    before_->setEnabled(at_ > 0);
    next_->setEnabled(at_ + 1 < all_.size());
    same_->setText(tr("The same in all %n file(s)", "", static_cast<int>(files_.size())));
    same_->setVisible(current().having.size() < files_.size());
    const QString facts = pictureFacts(picture);
    now_->show({}, facts, tr("looking\u2026"));
    showFitted();
    showSummary();
    ++waiting_;
    pictures_.look(this, picture, current().having.front(),
                   [this, turn, facts, picture](const Result<PicturesController::Looked>& looked) {
                       --waiting_;
                       if (turn != turn_)
                           return;
                       if (!looked) {
                           now_->show({}, facts, spoken(looked.error().message));
                           return;
                       }
                       QStringList lines{facts};
                       lines << (looked->colours.isEmpty() ? tr("No colour profile")
                                                           : tr("Colours: %1").arg(looked->colours));
                       if (const QString detail = detailText(looked->detail, picture); !detail.isEmpty())
                           lines << detail;
                       now_->show(looked->image, lines.join('\n'));
                   });
}

pictures::FitRule PictureDialog::rule() const {
    return {side_->value(), static_cast<uint64_t>(bytes_->value()) * 1000, quality_->value()};
}

bool PictureDialog::isTooLarge(const tags::PictureInfo& picture) const {
    return std::max(picture.width, picture.height) > rule().side || picture.bytes > rule().bytes;
}

void PictureDialog::forgetFitted() {
    ++ruleTurn_;
    made_.clear();
    toMake_.clear();
    makes_ = failed_ = 0;
    const auto large = std::ranges::count_if(all_, [this](const Shown& s) { return isTooLarge(s.picture); });
    fitAll_->setText(tr("Make all %n fit that are too large", "", static_cast<int>(large)));
    fitAll_->setVisible(large > 1);
    fitAll_->setEnabled(true);
    showFitted();
    showSummary();
}

void PictureDialog::showFitted() {
    const auto made = made_.find(at_);
    if (made == made_.end()) {
        then_->show({}, {}, tr("\u201CMake it fit\u201D shows what it would be."));
        return;
    }
    const pictures::Fitted& fitted = made->second;
    const QString facts =
        tr("%1 \u00D7 %2 JPEG, %3").arg(fitted.width).arg(fitted.height).arg(shownSize(fitted.jpeg.size()));
    then_->show(QImage::fromData(QByteArray::fromStdString(fitted.jpeg), "JPEG"),
                facts + "\n" + tr("Quality %1").arg(fitted.quality));
}

void PictureDialog::showSummary() {
    take_->setEnabled(!made_.empty() && toMake_.empty());
    if (!toMake_.empty()) {
        summary_->setText(tr("%1 of %2\u2026").arg(makes_ - toMake_.size()).arg(makes_));
        return;
    }
    uint64_t before = 0, after = 0;
    for (const auto& [number, fitted] : made_) {
        before += all_[number].picture.bytes;
        after += fitted.jpeg.size();
    }
    if (made_.size() > 1 || failed_ > 0) {
        QString text = tr("%n picture(s): %1 instead of %2", "", static_cast<int>(made_.size()))
                           .arg(shownSize(after), shownSize(before));
        if (failed_ > 0)
            text += "; " + tr("%n stay(s) as they are", "", static_cast<int>(failed_));
        summary_->setText(text);
    } else if (made_.size() == 1) {
        summary_->setText(after < before
                              ? tr("%1 % of its bytes").arg(after * 100 / std::max<uint64_t>(1, before))
                              : tr("It would have more bytes than now."));
    } else {
        summary_->setText(isTooLarge(current().picture) ? tr("It is larger than the rule allows.")
                                                        : tr("It fits as it is."));
    }
}

void PictureDialog::rememberRule() {
    QSettings settings;
    settings.setValue("pictures/side", side_->value());
    settings.setValue("pictures/kilobytes", bytes_->value());
    settings.setValue("pictures/quality", quality_->value());
}

void PictureDialog::makeFit() {
    rememberRule();
    then_->show({}, {}, tr("working\u2026"));
    fit_->setEnabled(false);
    ++waiting_;
    pictures_.fit(this, current().picture, current().having.front(), rule(),
                  [this, number = at_, turn = ruleTurn_](Result<PicturesController::FitLooked> made) {
                      --waiting_;
                      fit_->setEnabled(true);
                      if (turn != ruleTurn_)
                          return showFitted();
                      if (made)
                          made_[number] = std::move(made->fitted);
                      if (number == at_ && made)
                          showFitted();
                      else if (number == at_)
                          then_->show({}, {}, spoken(made.error().message));
                      showSummary();
                  });
}

void PictureDialog::makeAllFit() {
    rememberRule();
    forgetFitted();
    for (size_t i = all_.size(); i-- > 0;)
        if (isTooLarge(all_[i].picture))
            toMake_.push_back(i);
    makes_ = toMake_.size();
    fitAll_->setEnabled(false);
    makeNextFit();
}

/// One after the other; a change of the rule ends it.
void PictureDialog::makeNextFit() {
    showSummary();
    if (toMake_.empty()) {
        fitAll_->setEnabled(true);
        return;
    }
    const size_t number = toMake_.back();
    ++waiting_;
    pictures_.fit(this, all_[number].picture, all_[number].having.front(), rule(),
                  [this, number, turn = ruleTurn_](Result<PicturesController::FitLooked> made) {
                      --waiting_;
                      if (turn != ruleTurn_)
                          return;
                      toMake_.pop_back();
                      const tags::PictureInfo& old = all_[number].picture;
                      const bool better = made && (made->fitted.jpeg.size() < old.bytes ||
                                                   std::max(old.width, old.height) > rule().side);
                      if (better)
                          made_[number] = std::move(made->fitted);
                      else
                          ++failed_;
                      if (number == at_)
                          showFitted();
                      makeNextFit();
                  });
}

void PictureDialog::take() {
    for (const auto& [number, fitted] : made_)
        pictures_.takeFitted(all_[number].picture, fitted, all_[number].having);
    accept();
}

void PictureDialog::replace() {
    if (askToReplace(pictures_, current().picture, current().having, this))
        accept();
}

QString detailText(const PicturesController::Detail& detail, const tags::PictureInfo& picture) {
    if (detail.side <= 0)
        return {};
    return detail.enlarged
               ? PictureDialog::tr("Enlarged: its real detail is about %1 pixels").arg(detail.side)
               : PictureDialog::tr("Real detail: about %1 of %2 pixels")
                     .arg(detail.side)
                     .arg(std::min(picture.width, picture.height));
}

std::vector<Path> askForPictures(QWidget* parent, const QString& title, const QString& from) {
    const QStringList chosen = QFileDialog::getOpenFileNames(
        parent, title, from,
        PictureDialog::tr("Pictures (*.jpg *.jpeg *.png *.gif *.bmp *.webp);;All files (*)"));
    std::vector<Path> files;
    for (const QString& name : chosen)
        files.emplace_back(QFile::encodeName(name).toStdString());
    return files;
}

bool askToReplace(PicturesController& pictures, const tags::PictureInfo& picture,
                  const std::vector<FileId>& having, QWidget* parent) {
    const QString name = QFileDialog::getOpenFileName(
        parent, PictureDialog::tr("Replace the picture"), {},
        PictureDialog::tr("Pictures (*.jpg *.jpeg *.png *.gif *.bmp *.webp);;All files (*)"));
    if (name.isEmpty())
        return false;
    pictures.replaceWith(picture, QFile::encodeName(name).toStdString(), having);
    return true;
}

void askToSave(PicturesController& pictures, const tags::PictureInfo& picture,
               const std::vector<FileId>& having, QWidget* parent) {
    const QString ending = qs(picture.mime).section('/', 1).replace("jpeg", "jpg");
    const QString name = QFileDialog::getSaveFileName(parent, PictureDialog::tr("Save the picture"),
                                                      qs(picture.type) + "." + ending);
    if (!name.isEmpty())
        pictures.saveAs(picture, having.front(), name);
}

} // namespace moorfrost::app
