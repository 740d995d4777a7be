// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/picture_dialog.h"

#include <QFileDialog>
#include <QLabel>
#include <QPushButton>
#include <QSettings>
#include <QShortcut>
#include <QSpinBox>
#include <QVBoxLayout>

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
    auto* rule =
        flowing({captioned(tr("At most"), {side_, bytes_}), captioned(tr("Quality"), {quality_}), fit_}, 12);
    rule->setContentsMargins(16, 4, 16, 10);

    auto* replace = button(tr("Replace\u2026"));
    auto* save = button(tr("Save as a file\u2026"));
    same_ = button({});
    TakeBar foot = takeBar(this, tr("Use what fits"));
    take_ = foot.take;
    summary_ = foot.summary;
    auto* actions = flowing({replace, save, same_}, 6);
    actions->setContentsMargins(16, 0, 16, 10);
    for (QPushButton* b : {before_, next_, fit_, replace, save, same_})
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
    connect(take_, &QPushButton::clicked, this, &PictureDialog::take);
    connect(replace, &QPushButton::clicked, this, &PictureDialog::replace);
    connect(save, &QPushButton::clicked, this, &PictureDialog::save);
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
    showNumber(std::min(first, all_.size() - 1));
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
    forgetFitted();
    ++waiting_;
    pictures_.look(
        this, picture, current().having.front(),
        [this, turn, facts, picture](const Result<PicturesController::Looked>& looked) {
            --waiting_;
            if (turn != turn_)
                return;
            if (!looked) {
                now_->show({}, facts, qs(looked.error().message));
                return;
            }
            QStringList lines{facts};
            lines << (looked->colours.isEmpty() ? tr("No colour profile")
                                                : tr("Colours: %1").arg(looked->colours));
            const int shorter = std::min(picture.width, picture.height);
            if (looked->detail > 0)
                lines << (looked->enlarged
                              ? tr("Enlarged: its real detail is about %1 pixels").arg(looked->detail)
                              : tr("Real detail: about %1 of %2 pixels").arg(looked->detail).arg(shorter));
            now_->show(looked->image, lines.join('\n'));
        });
}

void PictureDialog::forgetFitted() {
    fitted_.reset();
    then_->show({}, {}, tr("\u201CMake it fit\u201D shows what it would be."));
    take_->setEnabled(false);
    const bool fits =
        static_cast<int>(std::max(current().picture.width, current().picture.height)) <= side_->value() &&
        current().picture.bytes <= static_cast<uint64_t>(bytes_->value()) * 1000;
    summary_->setText(fits ? tr("It fits as it is.") : tr("It is larger than the rule allows."));
}

void PictureDialog::makeFit() {
    QSettings settings;
    settings.setValue("pictures/side", side_->value());
    settings.setValue("pictures/kilobytes", bytes_->value());
    settings.setValue("pictures/quality", quality_->value());
    const uint64_t turn = turn_;
    const pictures::FitRule rule{side_->value(), static_cast<uint64_t>(bytes_->value()) * 1000,
                                 quality_->value()};
    then_->show({}, {}, tr("working\u2026"));
    fit_->setEnabled(false);
    ++waiting_;
    pictures_.fit(
        this, current().picture, current().having.front(), rule,
        [this, turn, rule](Result<PicturesController::FitLooked> made) {
            --waiting_;
            fit_->setEnabled(true);
            const pictures::FitRule now{side_->value(), static_cast<uint64_t>(bytes_->value()) * 1000,
                                        quality_->value()};
            if (turn != turn_ || now != rule)
                return;
            if (!made) {
                then_->show({}, {}, qs(made.error().message));
                return;
            }
            const uint64_t before = current().picture.bytes, after = made->fitted.jpeg.size();
            const QString facts = tr("%1 \u00D7 %2 JPEG, %3")
                                      .arg(made->fitted.width)
                                      .arg(made->fitted.height)
                                      .arg(shownSize(after));
            then_->show(made->image, facts + "\n" + tr("Quality %1").arg(made->fitted.quality));
            fitted_ = std::move(made->fitted);
            take_->setEnabled(true);
            summary_->setText(after < before
                                  ? tr("%1 % of its bytes").arg(after * 100 / std::max<uint64_t>(1, before))
                                  : tr("It would have more bytes than now."));
        });
}

void PictureDialog::take() {
    if (fitted_)
        pictures_.takeFitted(current().picture, *fitted_, current().having);
    accept();
}

void PictureDialog::replace() {
    const QString name =
        QFileDialog::getOpenFileName(this, tr("Replace the picture"), {},
                                     tr("Pictures (*.jpg *.jpeg *.png *.gif *.bmp *.webp);;All files (*)"));
    if (name.isEmpty())
        return;
    pictures_.replaceWith(current().picture, QFile::encodeName(name).toStdString(), current().having);
    accept();
}

void PictureDialog::save() {
    const QString ending = qs(current().picture.mime).section('/', 1).replace("jpeg", "jpg");
    const QString name =
        QFileDialog::getSaveFileName(this, tr("Save the picture"), qs(current().picture.type) + "." + ending);
    if (!name.isEmpty())
        pictures_.saveAs(current().picture, current().having.front(), name);
}

} // namespace moorfrost::app
