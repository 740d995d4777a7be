// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/fixity_view.h"
#include "app/widgets/keep_wide.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLocale>
#include <QMessageBox>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

QString sizeText(uint64_t bytes) {
    return QLocale().formattedDataSize(static_cast<qint64>(bytes), 1, QLocale::DataSizeSIFormat);
}

} // namespace

void FixityDayModel::show(std::vector<library::FixityDue> files) {
    beginResetModel();
    files_ = std::move(files);
    endResetModel();
}

int FixityDayModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(files_.size());
}

int FixityDayModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : Columns;
}

QVariant FixityDayModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    const QString names[] = {tr("File"), tr("Found"), tr("Compared"), tr("Size")};
    return section >= 0 && section < Columns ? names[section] : QVariant();
}

QVariant FixityDayModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || static_cast<size_t>(index.row()) >= files_.size())
        return {};
    const library::FixityDue& file = files_[static_cast<size_t>(index.row())];
    if (role == Qt::ForegroundRole && index.column() == Found)
        return file.trouble.empty() ? theme::colours().second : theme::colours().rowan;
    if (role == Qt::TextAlignmentRole && index.column() == Size)
        return int(Qt::AlignRight | Qt::AlignVCenter);
    if (role == Qt::ToolTipRole)
        return qs(file.path.native());
    if (role != Qt::DisplayRole)
        return {};
    switch (index.column()) {
    case Name:
        return shownName(file.path);
    case Found:
        return file.trouble.empty()        ? tr("as it was kept")
               : file.trouble == "changed" ? tr("the sound is another one")
               : file.trouble == "missing" ? tr("it was not there")
                                           : tr("it could not be read");
    case When:
        return QLocale().toString(QDateTime::fromSecsSinceEpoch(file.verified).time(), QLocale::ShortFormat);
    case Size:
        return sizeText(file.bytes);
    default:
        return {};
    }
}

FixityView::FixityView(FixityController& fixity, QWidget* parent) : QWidget(parent), fixity_(fixity) {
    auto* columns = new QHBoxLayout(this);
    columns->setContentsMargins(0, 0, 0, 0);
    columns->setSpacing(0);
    columns->addWidget(planBox());
    columns->addWidget(dayBox(), 1);
    connect(&fixity_, &FixityController::changed, this, &FixityView::refresh);
    connect(calendar_, &FixityCalendar::chosen, this, &FixityView::showDay);
    refresh();
}

QWidget* FixityView::planBox() {
    every_ = new QCheckBox(tr("Compare some every night"));
    every_->setToolTip(tr("While Moorfrost is open. On the command line \"verify --oldest\" does the same."));
    amount_ = new QDoubleSpinBox;
    amount_->setRange(0.1, 100000);
    amount_->setDecimals(1);
    amount_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    amount_->setSuffix(tr(" GB a night"));
    amount_->setAccessibleName(tr("How much a night"));
    from_ = new QSpinBox;
    to_ = new QSpinBox;
    for (QSpinBox* hour : {from_, to_}) {
        hour->setRange(0, 23);
        hour->setSuffix(tr(":00"));
        hour->setWrapping(true);
        hour->setButtonSymbols(QAbstractSpinBox::NoButtons);
    }
    from_->setAccessibleName(tr("From"));
    to_->setAccessibleName(tr("To"));
    takeNew_ = new QCheckBox(tr("Files without fixity get one"));
    standing_ = label({}, "quiet");
    pace_ = label({}, "quiet");
    for (QLabel* text : {standing_, pace_})
        text->setWordWrap(true);
    verify_ = button(tr("Compare now"), "accent");
    connect(verify_, &QPushButton::clicked, this,
            [this] { fixity_.isVerifying() ? fixity_.stop() : fixity_.verifyNow(); });
    connect(every_, &QCheckBox::toggled, this, &FixityView::change);
    connect(takeNew_, &QCheckBox::toggled, this, &FixityView::change);
    connect(amount_, &QDoubleSpinBox::valueChanged, this, &FixityView::change);
    connect(from_, &QSpinBox::valueChanged, this, &FixityView::change);
    connect(to_, &QSpinBox::valueChanged, this, &FixityView::change);
    auto* hours = new QHBoxLayout;
    hours->setSpacing(8);
    hours->addWidget(new QLabel(tr("from")));
    hours->addWidget(from_);
    hours->addWidget(new QLabel(tr("to")));
    hours->addWidget(to_);
    hours->addStretch(1);
    auto* box = new QFrame;
    box->setObjectName("panel");
    keepWide(box, 292);
    box->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(16, 14, 16, 14);
    rows->setSpacing(8);
    rows->addWidget(label(tr("Every night"), "strong"));
    rows->addWidget(every_);
    rows->addWidget(amount_);
    rows->addLayout(hours);
    rows->addWidget(takeNew_);
    rows->addWidget(pace_);
    rows->addSpacing(12);
    rows->addWidget(label(tr("How it stands"), "strong"));
    rows->addWidget(standing_);
    rows->addSpacing(6);
    rows->addWidget(verify_);
    rows->addStretch(1);
    return box;
}

QWidget* FixityView::dayBox() {
    calendar_ = new FixityCalendar;
    dayTold_ = label({}, "strong");
    dayTold_->setWordWrap(true);
    model_ = new FixityDayModel(this);
    table_ = new QTreeView;
    table_->setModel(model_);
    table_->setRootIsDecorated(false);
    table_->setUniformRowHeights(true);
    table_->setFrameShape(QFrame::NoFrame);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->setAccessibleName(tr("Files that were compared"));
    table_->header()->setStretchLastSection(false);
    table_->header()->setSectionResizeMode(FixityDayModel::Name, QHeaderView::Stretch);
    table_->header()->resizeSection(FixityDayModel::Found, 170);
    table_->header()->resizeSection(FixityDayModel::When, 90);
    table_->header()->resizeSection(FixityDayModel::Size, 90);
    take_ = button(tr("Keep as it is now\u2026"));
    take_->setToolTip(
        tr("Where the sound was changed on purpose: from now on this is the one that is compared with."));
    connect(take_, &QPushButton::clicked, this, &FixityView::takeAsTheyAre);
    connect(table_->selectionModel(), &QItemSelectionModel::selectionChanged, this,
            [this] { take_->setEnabled(!chosenTroubles().empty()); });
    connect(table_, &QTreeView::activated, this, [this](const QModelIndex& index) {
        emit libraryWanted(model_->files()[static_cast<size_t>(index.row())].file);
    });
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    auto* head = new QVBoxLayout;
    head->setContentsMargins(18, 14, 18, 8);
    head->setSpacing(6);
    head->addWidget(label(tr("What was compared when"), "strong"));
    head->addWidget(calendar_);
    head->addWidget(dayTold_);
    rows->addLayout(head);
    rows->addWidget(table_, 1);
    rows->addWidget(bar("foot", toldBeside(new ShortLabel, {take_})));
    return box;
}

void FixityView::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    fixity_.refresh(); // files may have come and gone
}

void FixityView::change() {
    if (showing_)
        return;
    library::FixityPlan plan = fixity_.plan();
    plan.on = every_->isChecked();
    plan.gigabytes = amount_->value();
    plan.from = from_->value();
    plan.to = to_->value();
    plan.takeNew = takeNew_->isChecked();
    fixity_.setPlan(plan);
}

void FixityView::refresh() {
    showing_ = true;
    const library::FixityPlan& plan = fixity_.plan();
    every_->setChecked(plan.on);
    amount_->setValue(plan.gigabytes);
    from_->setValue(plan.from);
    to_->setValue(plan.to);
    takeNew_->setChecked(plan.takeNew);
    showing_ = false;
    showStanding();
    verify_->setText(fixity_.isVerifying() ? tr("Stop") : tr("Compare now"));
    calendar_->show(fixity_.rounds());
    showDay();
}

void FixityView::showStanding() {
    const auto& standing = fixity_.standing();
    if (!standing) {
        standing_->clear();
        pace_->clear();
        return;
    }
    QStringList lines;
    lines << tr("%L1 of %n file(s) have a fixity (%2 of %3).", "", static_cast<int>(standing->files))
                 .arg(standing->withFixity)
                 .arg(sizeText(standing->withBytes), sizeText(standing->bytes));
    if (standing->oldest > 0)
        lines << tr("Compared longest ago: %1.")
                     .arg(QLocale().toString(QDateTime::fromSecsSinceEpoch(standing->oldest).date(),
                                             QLocale::LongFormat));
    if (standing->trouble > 0)
        lines << tr("%n file(s) are not as they were kept: see \"Fixity that changed\" among the findings.",
                    "", static_cast<int>(standing->trouble));
    standing_->setText(lines.join("\n\n"));
    const library::FixityPlan& plan = fixity_.plan();
    const uint64_t nights = plan.nightsFor(plan.takeNew ? standing->bytes : standing->withBytes);
    pace_->setText(!plan.on ? tr("Nothing is compared by itself.")
                            : tr("All of it is read once in %n night(s), those first that waited longest.",
                                 "", static_cast<int>(nights)));
}

void FixityView::showDay() {
    const int run = ++run_;
    dayTold_->setText(calendar_->told(calendar_->day()));
    fixity_.withDay(this, calendar_->day(), [this, run](std::vector<library::FixityDue> files) {
        if (run != run_)
            return;
        model_->show(std::move(files));
        take_->setEnabled(false);
    });
}

std::vector<Path> FixityView::chosenTroubles() const {
    std::vector<Path> out;
    for (const QModelIndex& index : table_->selectionModel()->selectedRows())
        if (const auto& file = model_->files()[static_cast<size_t>(index.row())]; file.trouble == "changed")
            out.push_back(file.path);
    return out;
}

void FixityView::takeAsTheyAre() {
    const std::vector<Path> files = chosenTroubles();
    if (files.empty())
        return;
    const auto answer = QMessageBox::question(this, tr("Keep as it is now"),
                                              tr("The sound that %n file(s) have now becomes the one that is "
                                                 "compared with. What it was before is not "
                                                 "known any more then.",
                                                 "", static_cast<int>(files.size())),
                                              QMessageBox::Ok | QMessageBox::Cancel);
    if (answer == QMessageBox::Ok)
        fixity_.takeAsTheyAre(files);
}

} // namespace moorfrost::app
