// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/codes/own_codes_dialog.h"

#include <QDate>
#include <QFileDialog>
#include <QFormLayout>
#include <QLineEdit>
#include <QRadioButton>
#include <QSettings>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

constexpr const char* prefixKey = "codes/prefix";

} // namespace

OwnCodesDialog::OwnCodesDialog(CodesController& codes, const std::vector<library::CodeGap>& chosen,
                               const std::vector<library::CodeGap>& unknown, QWidget* parent)
    : QDialog(parent), codes_(codes), chosen_(chosen), unknown_(unknown) {
    setWindowTitle(tr("Own codes"));
    prefix_ = new QLineEdit(QSettings().value(prefixKey).toString());
    prefix_->setMaxLength(5);
    prefix_->setPlaceholderText("ZZFSR");
    prefix_->setAccessibleName(tr("Prefix of country and registrant"));
    year_ = new QSpinBox;
    year_->setRange(1986, 2085);
    year_->setValue(QDate::currentDate().year());
    year_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    year_->setAccessibleName(tr("Year in which they are given"));
    one_ = new QRadioButton(tr("The chosen recording(s): %n", "", static_cast<int>(chosen_.size())));
    all_ = new QRadioButton(tr("All that nobody knows a code of: %n", "", static_cast<int>(unknown_.size())));
    one_->setEnabled(!chosen_.empty());
    all_->setEnabled(!unknown_.empty());
    (chosen_.empty() ? all_ : one_)->setChecked(true);
    next_ = label({}, "quiet");
    next_->setWordWrap(true);
    auto* says =
        label(tr("An ISRC is given once: it stands in the register from now on, and is never given again, "
                 "whether it is written or not."),
              "quiet");
    says->setWordWrap(true);
    QPushButton* list = button(tr("Save the register as CSV\u2026"));
    connect(list, &QPushButton::clicked, this, &OwnCodesDialog::saveRegister);
    auto* form = new QFormLayout;
    form->addRow(label(tr("Prefix"), "quiet"), prefix_);
    form->addRow(label(tr("Year"), "quiet"), year_);
    auto* rows = new QVBoxLayout;
    rows->setContentsMargins(20, 16, 20, 16);
    rows->setSpacing(10);
    rows->addLayout(form);
    rows->addWidget(one_);
    rows->addWidget(all_);
    rows->addWidget(next_);
    rows->addWidget(says);
    rows->addWidget(flowing({list}));
    rows->addStretch();
    bar_ = takeBar(this, tr("Give codes"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(rows);
    layout->addWidget(bar_.widget);
    connect(bar_.take, &QPushButton::clicked, this, &QDialog::accept);
    connect(prefix_, &QLineEdit::textChanged, this, &OwnCodesDialog::look);
    connect(year_, &QSpinBox::valueChanged, this, &OwnCodesDialog::look);
    connect(one_, &QRadioButton::toggled, this, &OwnCodesDialog::look);
    connect(this, &QDialog::accepted, this, [this] { QSettings().setValue(prefixKey, prefix_->text()); });
    look();
    resize(460, sizeHint().height());
}

library::IsrcSeries OwnCodesDialog::series() const {
    return {ss(prefix_->text().trimmed()), year_->value()};
}

const std::vector<library::CodeGap>& OwnCodesDialog::gaps() const {
    return all_->isChecked() ? unknown_ : chosen_;
}

QString OwnCodesDialog::told() const {
    return next_->text();
}

void OwnCodesDialog::look() {
    const int run = ++run_;
    bar_.take->setEnabled(false);
    bar_.summary->setText({});
    if (prefix_->text().trimmed().isEmpty()) {
        next_->setText(
            tr("The prefix that you were given: two letters of the country, three of the registrant."));
        return;
    }
    codes_.withNext(this, series(), [this, run](const QString& code, const QString& why) {
        if (run != run_)
            return;
        next_->setText(code.isEmpty() ? why : tr("The next one that is free is %1.").arg(code));
        bar_.take->setEnabled(!code.isEmpty() && !gaps().empty());
        bar_.summary->setText(
            code.isEmpty() ? QString() : tr("As drafts: %n code(s).", "", static_cast<int>(gaps().size())));
    });
}

void OwnCodesDialog::saveRegister() {
    codes_.withRegister(this, [this](const std::string& csv) {
        const QString file = QFileDialog::getSaveFileName(this, tr("Save the register"),
                                                          deliverFolder() + "/isrc-register.csv",
                                                          tr("CSV (*.csv);;All files (*)"));
        if (file.isEmpty())
            return;
        rememberDeliverFolder(file);
        if (const Status written = files::writeWhole(Path(ss(file)), csv); !written)
            next_->setText(spoken(written.error().message));
    });
}

} // namespace moorfrost::app
