// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bench_page.h"

#include <QActionGroup>
#include <QButtonGroup>
#include <QDate>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QPainter>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/bench/batch_dialog.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/drawer.h"
#include "app/bench/folder_panel.h"
#include "app/bench/identify_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/sleeve_tools.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"
#include "app/widgets/sheet.h"
#include "app/widgets/sleeve_list.h"

namespace moorfrost::app {

StepButton::StepButton(const QString& name, bool last, QWidget* parent)
    : QAbstractButton(parent), last_(last) {
    setText(name);
    setAccessibleName(name);
    setCheckable(true);
    setFocusPolicy(Qt::TabFocus);
    setCursor(Qt::PointingHandCursor);
}

void StepButton::setCount(const QString& text, bool toDo) {
    count_ = text;
    toDo_ = toDo;
    setAccessibleDescription(text);
    updateGeometry();
    update();
}

QSize StepButton::sizeHint() const {
    int width = QFontMetrics(theme::uiFont(13, QFont::DemiBold)).horizontalAdvance(text()) + 14;
    if (!count_.isEmpty())
        width += paint::pillWidth(count_) + 8;
    return {width + (last_ ? 6 : 24), 46};
}

void StepButton::paintEvent(QPaintEvent*) {
    QPainter p(this);
    const auto& c = theme::colours();
    int arrow = last_ ? 0 : 18;
    p.setFont(theme::uiFont(13, isChecked() ? QFont::DemiBold : QFont::Medium));
    p.setPen(isChecked() || underMouse() ? c.ink : c.second);
    int textWidth = p.fontMetrics().horizontalAdvance(text());
    const paint::Mirror side(p, rect());
    p.drawText(side(QRect(7, 0, textWidth + 2, height())), Qt::AlignVCenter | Qt::AlignLeft, text());
    if (!count_.isEmpty())
        paint::pill(p, 7 + textWidth + 8 + paint::pillWidth(count_), rect(), count_,
                    isChecked() ? paint::Tone::Draft
                    : toDo_     ? paint::Tone::Neutral
                                : paint::Tone::Good);
    if (isChecked())
        p.fillRect(side(QRect(0, height() - 2, width() - arrow, 2)), c.heather);
    if (!last_)
        p.drawPixmap(side(QRect(width() - 17, height() / 2 - 8, 16, 16)),
                     theme::pixmap("next", c.line, 16, devicePixelRatioF())
                         .transformed(QTransform::fromScale(side.isOn() ? -1 : 1, 1)));
    if (hasFocus()) {
        p.setPen(c.fjord);
        p.drawRect(side(QRect(1, 6, width() - arrow - 3, height() - 14)));
    }
}

BenchPage::BenchPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* line = new QHBoxLayout;
    auto* group = new QButtonGroup(this);
    const QString names[] = {tr("Bring in"), tr("Identify"), tr("Describe"), tr("Put away")};
    for (int i = 0; i < 4; ++i) {
        auto* step = new StepButton(names[i], i == 3);
        group->addButton(step, i);
        steps_.push_back(step);
        line->addWidget(step);
        connect(step, &QAbstractButton::clicked, this, [this, i] { showStep(static_cast<Step>(i)); });
    }
    line->addStretch(1);
    line->addWidget(label(tr("Batch"), "quiet"));
    line->addSpacing(6);
    batch_ = new Choice;
    batch_->setAccessibleName(tr("Batch"));
    batch_->setMinimumWidth(110);
    batch_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    batch_->setMaximumWidth(280);
    line->addWidget(batch_);
    QWidget* head = bar("head", line, 46);
    line->setContentsMargins(10, 0, 12, 0);
    line->setSpacing(2);

    sleeves_ = new SleeveList({use_.files, use_.batch, use_.sleeves});
    auto* sideHead = new QHBoxLayout;
    sleeveCount_ = new ShortLabel(tr("Sleeves"));
    sleeveCount_->setObjectName("caption");
    auto* all = button(tr("show all"), "flat");
    sideHead->setContentsMargins(12, 4, 6, 4);
    sideHead->addWidget(sleeveCount_, 1);
    sideHead->addWidget(all);
    side_ = new QFrame;
    side_->setObjectName("panel");
    side_->setMinimumWidth(180);
    side_->hide(); // until there is a sleeve
    auto* sideLayout = new QVBoxLayout(side_);
    sideLayout->setContentsMargins(0, 0, 0, 0);
    sideLayout->setSpacing(0);
    sideLayout->addLayout(sideHead);
    standard_ = button({}, "flat");
    standard_->setMenu(new QMenu(standard_));
    standard_->setAccessibleName(tr("Standard of the batch"));
    standard_->setToolTip(tr("The standard that the tallies are about"));
    order_ = button({}, "flat");
    order_->setMenu(new QMenu(order_));
    order_->setAccessibleName(tr("Order of the sleeves"));
    auto* held = flowing({standard_, order_}, 0);
    held->setContentsMargins(4, 0, 4, 4);
    sideLayout->addWidget(held);
    sideLayout->addWidget(sleeves_, 1);

    bringIn_ = new BringInPage(
        {use_.messages,     use_.jobs,       use_.library,      use_.files,      use_.drafts,   use_.index,
         use_.standards,    use_.shelves,    use_.journal,      use_.batch,      use_.kinds,    use_.sleeves,
         use_.along,        use_.duplicates, use_.bringIn,      use_.recordings, use_.releases, use_.discs,
         use_.discPictures, use_.rips,       use_.driveOffsets, use_.worse,      use_.settings});
    identify_ = new IdentifyPage({use_.files, use_.drafts, use_.sleeves, use_.references, use_.identify,
                                  use_.strays, use_.releasePictures});
    describe_ =
        new DescribePage({use_.messages, use_.jobs, use_.settings, use_.files, use_.drafts, use_.index,
                          use_.batch, use_.kinds, use_.customFields, use_.sleeves, use_.undo, use_.pictures,
                          use_.chains, use_.values, use_.identify, use_.codes});
    putAway_ = new PutAwayPage({use_.jobs, use_.settings, use_.files, use_.drafts, use_.shelves,
                                use_.customFields, use_.places, use_.batch.batch()});
    stack_ = new QStackedWidget;
    for (QWidget* page : std::initializer_list<QWidget*>{bringIn_, identify_, describe_, putAway_})
        stack_->addWidget(page);
    folders_ = new FolderPanel({use_.folders, use_.bringIn});
    folders_->hide();
    auto* sides = new QWidget; // one of them is shown
    auto* sidesLayout = new QVBoxLayout(sides);
    sidesLayout->setContentsMargins(0, 0, 0, 0);
    sidesLayout->addWidget(side_);
    sidesLayout->addWidget(folders_);
    auto* splitter = new QSplitter;
    splitter->addWidget(sides);
    splitter->addWidget(stack_);
    splitter->setStretchFactor(1, 1);
    splitter->setCollapsible(1, false);
    splitter->setSizes({208, 996});
    remember(splitter, "bench");
    // A page that needs more room for a while takes it from the sleeves; the next step gives it back.
    auto wanted = std::make_shared<int>(0); // how wide a person made them
    connect(splitter, &QSplitter::splitterMoved, splitter,
            [splitter, wanted] { *wanted = splitter->sizes()[0]; });
    connect(stack_, &QStackedWidget::currentChanged, splitter, [splitter, wanted] {
        const QList<int> sizes = splitter->sizes();
        if (sizes[0] > 0 && *wanted == 0)
            *wanted = sizes[0];
        if (sizes[0] > 0 && sizes[0] != *wanted)
            splitter->setSizes({*wanted, sizes[0] + sizes[1] - *wanted});
    });

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head);
    layout->addWidget(splitter, 1);

    connect(all, &QPushButton::clicked, sleeves_, &QAbstractItemView::clearSelection);
    connect(sleeves_, &SleeveList::chosenChanged, this, &BenchPage::passFiles);
    connect(standard_->menu(), &QMenu::aboutToShow, this, &BenchPage::fillStandards);
    connect(order_->menu(), &QMenu::aboutToShow, this, &BenchPage::fillOrders);
    connect(&use_.sleeves, &SleeveViews::changed, this, &BenchPage::refreshCounts);
    connect(&use_.places, &PlacesController::changed, this, &BenchPage::refreshCounts);
    connect(&use_.kinds, &ContentKinds::changed, this, &BenchPage::refreshCounts);
    connect(&use_.batch, &BatchController::changed, this, &BenchPage::refreshBatches);
    for (auto* page : {bringIn_})
        connect(page, &BringInPage::playRequested, this, &BenchPage::playRequested);
    connect(describe_, &DescribePage::playRequested, this, &BenchPage::playRequested);
    connect(describe_, &DescribePage::foldersWanted, this, &BenchPage::lookThrough);
    connect(identify_, &IdentifyPage::playRequested, this, &BenchPage::playRequested);
    connect(putAway_, &PutAwayPage::describeWanted, this,
            [this](const std::string& key, const std::vector<FileId>& files) {
                showStep(Describe);
                describe_->chooseCells(key, files);
            });
    connect(describe_->drawer(), &Drawer::referencePicturesWanted, this, [this] {
        showStep(Identify);
        identify_->goToPictures();
    });
    connect(identify_, &IdentifyPage::sleeveWanted, sleeves_,
            [this](const std::string& key) { sleeves_->choose(key); });
    connect(identify_, &IdentifyPage::filesWanted, this, [this] { showStep(BringIn); });
    connect(&use_.folders, &FolderWalk::changed, this, [this, on = false]() mutable {
        const bool was = std::exchange(on, use_.folders.isOn());
        if (was == on) {
            showSide();
            return;
        }
        if (on)
            showStep(Describe);
        showSide();
        passFiles();
    });
    connect(&use_.folders, &FolderWalk::filesChanged, this, [this] {
        if (stack_->currentWidget() == describe_)
            passFiles();
    });
    connect(&use_.identify, &IdentifyController::changed, this, &BenchPage::refreshCounts);
    connect(batch_, &QComboBox::activated, this, [this](int i) {
        qlonglong id = batch_->itemData(i).toLongLong();
        if (id > 0)
            use_.batch.choose(id);
        else if (id == -1)
            newBatch();
        else if (id == -2)
            describeBatch();
        else if (id == -3)
            forgetBatch();
        refreshBatches();
    });
    tools_ = new SleeveTools({use_.batch, use_.sleeves}, sleeves_, [this] {
        return stack_->currentWidget() == bringIn_    ? bringIn_->chosen()
               : stack_->currentWidget() == describe_ ? describe_->sheet()->chosenFiles()
                                                      : std::vector<FileId>();
    });
    connect(bringIn_, &BringInPage::menuOpens, tools_, &SleeveTools::addFileActions);
    auto addVersions = [this](QMenu& menu) {
        if (const std::vector<FileId> files = chosenFiles(); !files.empty())
            menu.addAction(tr("Versions\u2026"), QKeySequence("Ctrl+Alt+V"), this,
                           [this, files] { emit versionsWanted(files); });
    };
    connect(bringIn_, &BringInPage::menuOpens, this, addVersions);
    connect(describe_, &DescribePage::menuOpens, this, addVersions);
    showStep(BringIn);
    refreshBatches();
}

std::vector<FileId> BenchPage::filesInSight() const {
    const QWidget* page = stack_->currentWidget();
    if (page == bringIn_)
        return bringIn_->filesInSight();
    if (page != describe_)
        return {};
    std::vector<FileId> out;
    const auto* model = static_cast<FileTable*>(describe_->sheet()->model());
    for (int row = 0; row < model->rowCount(); ++row)
        out.push_back(model->fileAt(row));
    return out;
}

std::vector<FileId> BenchPage::chosenFiles() const {
    const QWidget* page = stack_->currentWidget();
    std::vector<FileId> out = page == bringIn_    ? bringIn_->chosen()
                              : page == describe_ ? describe_->sheet()->chosenFiles()
                                                  : std::vector<FileId>();
    return out.size() < 2 ? filesInSight() : out; // one is where the hand is
}

void BenchPage::showStep(Step step) {
    StepButton* to = steps_[static_cast<size_t>(step)];
    to->setChecked(true);
    if (std::any_of(steps_.begin(), steps_.end(), [](StepButton* b) { return b->hasFocus(); }))
        to->setFocus();
    stack_->setCurrentIndex(step);
    showSide();
    passFiles();
}

BenchPage::Step BenchPage::step() const {
    return static_cast<Step>(stack_->currentIndex());
}

void BenchPage::passFiles() {
    // Only the page in sight; the others get theirs when they come up.
    if (stack_->currentWidget() == bringIn_) {
        bringIn_->setSleeves(sleeves_->chosen());
    } else if (stack_->currentWidget() == identify_) {
        identify_->setSleeves(sleeves_->chosenKeys());
    } else if (stack_->currentWidget() == describe_) {
        describeFiles();
    } else {
        putAway_->setFiles(sleeves_->chosenFiles());
    }
}

void BenchPage::refreshCounts() {
    size_t files = 0, trouble = 0, unread = 0;
    for (const SleeveView& s : use_.sleeves.all()) {
        files += s.files.size();
        trouble += s.unwritable;
        unread += s.unread;
    }
    auto gaps = static_cast<int>(use_.sleeves.gaps());
    auto notMoved =
        static_cast<int>(files - trouble - std::min(files - trouble, use_.places.places().moving()));
    bool any = files > 0;
    const auto& sleeves = use_.sleeves.all();
    const auto n = static_cast<int>(sleeves.size());
    const bool strays = !sleeves.empty() && sleeves.back().isStrays();
    const auto toSort = static_cast<int>(use_.sleeves.straysToSort());
    const auto kinds = static_cast<int>(use_.kinds.proposals().size());
    steps_[BringIn]->setCount(!any                 ? QString()
                              : toSort + kinds > 0 ? tr("%n left", "", toSort + kinds)
                                                   : tr("sorted"),
                              toSort + kinds > 0);
    QStringList left;
    if (toSort > 0)
        left << tr("%n stray(s)", "", toSort);
    if (unread > 0)
        left << tr("of them cannot be read: %1").arg(unread);
    if (kinds > 0)
        left << tr("%n kind(s) to confirm", "", kinds);
    steps_[BringIn]->setToolTip(left.join('\n'));
    const auto toIdentify = static_cast<int>(use_.identify.left());
    steps_[Identify]->setCount(!any || n == (strays ? 1 : 0) ? QString()
                               : toIdentify > 0              ? tr("%n left", "", toIdentify)
                                                             : tr("all known"),
                               toIdentify > 0);
    steps_[Describe]->setCount(!any       ? QString()
                               : gaps > 0 ? tr("%n gap(s)", "", gaps)
                                          : tr("complete"),
                               gaps > 0);
    steps_[PutAway]->setCount(!any           ? QString()
                              : notMoved > 0 ? tr("%n left", "", notMoved)
                                             : tr("all drafted"),
                              notMoved > 0);
    sleeveCount_->setText(n == 0 ? tr("Sleeves")
                                 : tr("%n sleeve(s)", "", strays ? n - 1 : n) +
                                       (strays ? tr(" and strays") : QString()));
    standard_->setText(tr("%1 \u25BE").arg(qs(use_.standards.ofBatch().name)));
    order_->setText(tr("%1 \u25BE").arg(orderName(use_.sleeves.order())));
    showSide();
}

void BenchPage::describeFiles() {
    const bool folders = showsFolders();
    if (folders && (use_.folders.isReading() || use_.folders.current() < 0))
        describe_->setNothing(tr("Reading\u2026"), tr("The files of the folder come in a moment."));
    else if (folders)
        describe_->setNothing(tr("No file of this folder could be read"),
                              tr("Go on to the next one with F8, or choose another on the left."));
    else
        describe_->setNothing(tr("There is nothing to describe here"),
                              tr("Bring in a folder first, or choose another sleeve on the left. Or look "
                                 "through folders one by "
                                 "one, without bringing them in."));
    describe_->setFiles(folders ? use_.folders.files() : sleeves_->chosenFiles());
}

bool BenchPage::showsFolders() const {
    return use_.folders.isOn() && stack_->currentWidget() == describe_;
}

void BenchPage::showSide() {
    const bool folders = showsFolders(), any = !use_.sleeves.all().empty();
    side_->setVisible(any && !folders);
    folders_->setVisible(folders);
    side_->parentWidget()->setVisible(any || folders);
}

void BenchPage::lookThrough() {
    folders_->ask();
}

QString BenchPage::orderName(library::SleeveOrder order) {
    return order == library::SleeveOrder::LeastReady  ? tr("least ready first")
           : order == library::SleeveOrder::MostFiles ? tr("most files first")
                                                      : tr("by title");
}

void BenchPage::fillStandards() {
    QMenu* menu = standard_->menu();
    menu->clear();
    const std::string chosen = use_.standards.ofBatch().name;
    auto* group = new QActionGroup(menu);
    for (const audit::Standard& s : use_.standards.all()) {
        QAction* action =
            menu->addAction(qs(s.name), this, [this, name = s.name] { use_.standards.setOfBatch(name); });
        action->setCheckable(true);
        action->setChecked(s.name == chosen);
        group->addAction(action);
    }
    menu->addSeparator();
    menu->addAction(tr("Edit the standards\u2026"), this, &BenchPage::standardsWanted);
}

void BenchPage::fillOrders() {
    QMenu* menu = order_->menu();
    menu->clear();
    auto* group = new QActionGroup(menu);
    for (library::SleeveOrder order :
         {library::SleeveOrder::Title, library::SleeveOrder::LeastReady, library::SleeveOrder::MostFiles}) {
        QAction* action =
            menu->addAction(orderName(order), this, [this, order] { use_.sleeves.setOrder(order); });
        action->setCheckable(true);
        action->setChecked(order == use_.sleeves.order());
        group->addAction(action);
    }
}

void BenchPage::refreshBatches() {
    batch_->clear();
    for (const library::Batch& b : use_.batch.all())
        batch_->addItem(QString::fromStdString(b.name), static_cast<qlonglong>(b.id));
    batch_->setToolTip(use_.batch.note());
    if (batch_->count() == 0)
        batch_->addItem(tr("none yet"), 0);
    batch_->setCurrentIndex(std::max(0, batch_->findData(static_cast<qlonglong>(use_.batch.id()))));
    batch_->insertSeparator(batch_->count());
    batch_->addItem(tr("New batch\u2026"), -1);
    if (use_.batch.id() > 0) {
        batch_->addItem(tr("About this batch\u2026"), -2);
        batch_->addItem(tr("Clear this batch off the bench\u2026"), -3);
    }
}

void BenchPage::newBatch() {
    QString name =
        QInputDialog::getText(this, tr("New batch"), tr("Name:"), QLineEdit::Normal,
                              tr("Batch of %1").arg(QLocale().toString(QDate::currentDate(), "d MMM")));
    if (!name.trimmed().isEmpty())
        use_.batch.create(name.trimmed());
}

void BenchPage::describeBatch() {
    if (use_.batch.id() > 0)
        BatchDialog({use_.batch}, this).exec();
}

void BenchPage::forgetBatch() {
    auto drafts = static_cast<int>(use_.drafts.session().fieldDrafts());
    QString text =
        tr("\"%1\" goes off the bench. No file is touched, and what was put away stays in the library.")
            .arg(use_.batch.name());
    if (drafts > 0)
        text += " " + tr("%n draft(s) that are not written are lost.", "", drafts);
    if (QMessageBox::question(this, tr("Clear the batch"), text, QMessageBox::Ok | QMessageBox::Cancel) ==
        QMessageBox::Ok)
        use_.batch.forget();
}

} // namespace moorfrost::app
