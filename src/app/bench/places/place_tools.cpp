// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/place_tools.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QFileDialog>
#include <QInputDialog>
#include <QLineEdit>
#include <QLocale>
#include <QMenu>
#include <QVBoxLayout>

#include "app/bench/places/shelf_rules_dialog.h"
#include "app/control/plans.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "app/widgets/line_icons.h"
#include "core/files/file_system.h"

namespace moorfrost::app {

namespace {

/// Of the captions that stand above each other.
int captionWidth() {
    const QFontMetrics metrics(theme::uiFont(11, QFont::DemiBold));
    constexpr int least = 48, more = 6;
    return std::max({least, metrics.horizontalAdvance(PlaceTools::tr("Shelf")) + more,
                     metrics.horizontalAdvance(PlaceTools::tr("Names")) + more});
}

QString kindText(placing::AlongKind kind) {
    const char* names[] = {QT_TR_NOOP("Pictures"),  QT_TR_NOOP("Booklets"), QT_TR_NOOP("Cue sheets"),
                           QT_TR_NOOP("Logs"),      QT_TR_NOOP("Texts"),    QT_TR_NOOP("Playlists"),
                           QT_TR_NOOP("All others")};
    return PlaceTools::tr(names[static_cast<int>(kind)]);
}

} // namespace

PlaceTools::PlaceTools(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* rows = new QVBoxLayout;
    rows->addWidget(shelfLine());
    rows->addWidget(namesLine());
    error_ = label({}, "wrong");
    error_->setWordWrap(true);
    error_->setContentsMargins(captionWidth() + 8, 0, 0, 0);
    error_->hide();
    rows->addWidget(error_);
    rows->addWidget(optionsLine());
    QWidget* toolBar = bar("tools", rows);
    toolBar->layout()->setContentsMargins(12, 8, 12, 8);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(toolBar);
    editor_->setText(usualPlanText());
    move_->setChecked(true);
    connectAll();
}

QWidget* PlaceTools::shelfLine() {
    shelf_ = new Choice;
    shelf_->setMinimumWidth(110);
    shelf_->setAccessibleName(tr("Shelf"));
    room_ = new ShortLabel;
    room_->setObjectName("quiet");
    room_->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
    rules_ = button(tr("Rules\u2026"), "flat");
    rules_->setToolTip(tr("What names on this shelf must suit, what goes along, where replaced files go"));
    plan_ = new Choice;
    plan_->setMinimumWidth(110);
    plan_->setAccessibleName(tr("Plan"));
    save_ = button(tr("Keep plan\u2026"), "flat");
    move_ = button(tr("Move"), "left");
    copy_ = button(tr("Copy"), "middle");
    rename_ = button(tr("Rename"), "right");
    rename_->setToolTip(tr("Only the names change: each file stays in its folder"));
    auto* group = new QButtonGroup(this);
    auto* modes = new QWidget;
    auto* segment = new QHBoxLayout(modes);
    segment->setContentsMargins(0, 0, 0, 0);
    segment->setSpacing(0);
    for (QPushButton* b : {move_, copy_, rename_}) {
        b->setCheckable(true);
        group->addButton(b);
        segment->addWidget(b);
    }
    QWidget* shelfBox = captioned(tr("Shelf"), {shelf_, room_, rules_});
    static_cast<QBoxLayout*>(shelfBox->layout())->itemAt(0)->widget()->setFixedWidth(captionWidth());
    return flowing({shelfBox, captioned(tr("Plan"), {plan_, save_}), modes}, 8);
}

QWidget* PlaceTools::namesLine() {
    editor_ = new ChipEditor;
    auto* caption = label(tr("Names"), "caption");
    caption->setFixedWidth(captionWidth());
    caption->setContentsMargins(0, 8, 0, 0);
    auto* line = new QWidget;
    auto* layout = new QHBoxLayout(line);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(caption, 0, Qt::AlignTop);
    layout->addWidget(editor_, 1);
    return line;
}

QWidget* PlaceTools::optionsLine() {
    along_ = new QCheckBox(tr("pictures, notes and logs go along"));
    which_ = button(tr("Which\u2026"), "flat");
    kinds_ = new QMenu(this);
    which_->setMenu(kinds_);
    tidy_ = new QCheckBox(tr("remove folders that become empty"));
    along_->setChecked(true);
    tidy_->setChecked(true);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search these files"));
    search_->setAccessibleName(tr("Search these files"));
    addClearButton(search_);
    search_->setMinimumWidth(150);
    search_->setMaximumWidth(240);
    auto* line = new QWidget;
    auto* layout = new QHBoxLayout(line);
    layout->setContentsMargins(captionWidth() + 8, 0, 0, 0);
    layout->addWidget(flowing({along_, which_, tidy_}, 10), 1);
    layout->addWidget(search_, 0, Qt::AlignTop);
    return line;
}

void PlaceTools::connectAll() {
    connect(editor_, &ChipEditor::changed, this, &PlaceTools::planTyped);
    connect(shelf_, &QComboBox::activated, this, &PlaceTools::shelfChosen);
    connect(plan_, &QComboBox::activated, this,
            [this](int i) { editor_->setText(plan_->itemData(i).toString()); });
    connect(save_, &QPushButton::clicked, this, &PlaceTools::savePlan);
    connect(rules_, &QPushButton::clicked, this, &PlaceTools::changeRules);
    connect(move_, &QPushButton::clicked, this, [this] { chooseMode("move"); });
    connect(copy_, &QPushButton::clicked, this, [this] { chooseMode("copy"); });
    connect(rename_, &QPushButton::clicked, this, [this] { chooseMode("rename"); });
    connect(along_, &QCheckBox::toggled, this, &PlaceTools::changed);
    connect(tidy_, &QCheckBox::toggled, this, &PlaceTools::changed);
    connect(search_, &QLineEdit::textChanged, this, &PlaceTools::searched);
    connect(kinds_, &QMenu::aboutToShow, this, &PlaceTools::fillAlong);
    connect(&use_.shelves, &ShelvesController::changed, this, &PlaceTools::refreshShelves);
    connect(&use_.settings, &LibrarySettings::loaded, this, &PlaceTools::load);
    connect(&use_.settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::names) ||
            LibrarySettings::is(key, library::settings::shelfPlans))
            emit affected();
    });
}

void PlaceTools::load() {
    const QString last = qs(use_.settings.get(library::settings::lastPlan));
    refreshPlans();
    editor_->setText(last.isEmpty() ? usualPlanText() : last);
    const std::string mode = use_.settings.get(library::settings::putAwayMode);
    (mode == "copy" ? copy_ : mode == "rename" ? rename_ : move_)->setChecked(true);
    showMode();
    refreshShelves();
}

library::PlacingRule PlaceTools::rule() const {
    const auto rules = library::placingRulesFrom(use_.settings.get(library::settings::shelfPlans));
    const auto at = rules.find(shelf_->currentData().toLongLong());
    return at == rules.end() ? library::PlacingRule() : at->second;
}

void PlaceTools::setRule(const library::PlacingRule& rule) {
    auto rules = library::placingRulesFrom(use_.settings.get(library::settings::shelfPlans));
    rules[shelf_->currentData().toLongLong()] = rule;
    use_.settings.set(library::settings::shelfPlans, library::toLines(rules));
    emit changed();
}

library::PlaceWish PlaceTools::wish() const {
    using Mode = library::PlaceWish::Mode;
    library::PlaceWish w;
    w.mode = copy_->isChecked() ? Mode::Copy : rename_->isChecked() ? Mode::Rename : Mode::Move;
    w.shelf = w.mode == Mode::Rename ? 0 : shelf_->currentData().toLongLong();
    w.plan = ss(editor_->text());
    w.along = along_->isChecked() ? rule().along : placing::AlongRule::none();
    w.removeEmptied = tidy_->isChecked();
    return w;
}

int64_t PlaceTools::shelf() const {
    return shelf_->currentData().toLongLong();
}

QString PlaceTools::shelfName() const {
    return renames() ? tr("Where they are") : shelf_->currentText();
}

QString PlaceTools::planName() const {
    return plan_->currentText().isEmpty() ? editor_->text() : plan_->currentText();
}

QString PlaceTools::roomText() const {
    return room_->text();
}

void PlaceTools::chooseMode(const char* key) {
    use_.settings.set(library::settings::putAwayMode, std::string(key));
    showMode();
    emit changed();
}

void PlaceTools::showMode() {
    for (QWidget* one : std::initializer_list<QWidget*>{rules_, along_, which_, tidy_})
        one->setEnabled(!rename_->isChecked());
}

void PlaceTools::setShelf(int64_t shelf) {
    if (const int at = shelf_->findData(static_cast<qlonglong>(shelf)); at >= 0) {
        shelf_->setCurrentIndex(at);
        shelfChosen(at);
    }
}

void PlaceTools::shelfChosen(int index) {
    if (shelf_->itemData(index).toLongLong() == 0)
        return addShelf();
    use_.settings.set(library::settings::lastShelf, shelf_->itemData(index).toLongLong());
    if (const std::string plan = rule().plan; !plan.empty())
        editor_->setText(qs(plan)); // its own
    lookAtRoom();
    emit changed();
}

void PlaceTools::refreshShelves() {
    qlonglong wanted = shelf_->currentData().toLongLong();
    if (wanted == 0)
        wanted = use_.settings.get(library::settings::lastShelf);
    shelf_->clear();
    for (const library::Shelf& s : use_.shelves.all()) {
        shelf_->addItem(qs(s.name), static_cast<qlonglong>(s.id));
        shelf_->setItemData(shelf_->count() - 1, shownPath(s.path), Qt::ToolTipRole);
    }
    shelf_->addItem(tr("Add a shelf\u2026"), 0);
    shelf_->setCurrentIndex(wanted > 0 ? std::max(0, shelf_->findData(wanted)) : 0);
    rules_->setVisible(!use_.shelves.all().empty());
    lookAtRoom();
    emit affected();
}

void PlaceTools::lookAtRoom() {
    const int run = ++run_;
    Path folder;
    for (const library::Shelf& s : use_.shelves.all())
        if (s.id == shelf_->currentData().toLongLong())
            folder = s.path;
    room_->clear();
    if (folder.empty())
        return;
    if (use_.shelves.notThere().contains(shelf_->currentData().toLongLong()))
        return room_->setText(tr("is not there"));
    use_.jobs.start(
        this, {ss(tr("Looking at the disk of the shelf")), work::Priority::Background},
        [folder](std::stop_token, work::Progress&) -> Result<files::FileSystem> {
            return files::fileSystemOf(folder);
        },
        [this, run](const Result<files::FileSystem>& disk) {
            if (run != run_ || !disk)
                return;
            const QString free =
                QLocale().formattedDataSize(static_cast<qint64>(disk->free), 1, QLocale::DataSizeSIFormat);
            room_->setText(tr("%1 free").arg(free));
            room_->setToolTip(disk->name.empty() ? QString()
                              : disk->holds == files::NameProfile::Linux
                                  ? tr("%1: can hold all names").arg(qs(disk->name))
                                  : tr("%1: holds only portable names").arg(qs(disk->name)));
        });
}

void PlaceTools::refreshPlans() {
    plan_->clear();
    for (const auto& [name, text] : plansOf(use_.settings))
        plan_->addItem(name, text);
    plan_->setPlaceholderText(tr("own plan"));
    plan_->setCurrentIndex(plan_->findData(editor_->text()));
}

void PlaceTools::planTyped() {
    plan_->setCurrentIndex(plan_->findData(editor_->text()));
    error_->setText(editor_->error());
    error_->setVisible(!editor_->error().isEmpty());
    if (editor_->plan())
        use_.settings.set(library::settings::lastPlan, ss(editor_->text()));
    emit changed();
}

void PlaceTools::savePlan() {
    if (!editor_->plan())
        return;
    QString name = QInputDialog::getText(this, tr("Keep this plan"), tr("Name of the plan:")).simplified();
    if (name.isEmpty())
        return;
    std::vector<std::string> lines = use_.settings.get(library::settings::plans);
    lines.push_back(ss(name + "\t" + editor_->text()));
    use_.settings.set(library::settings::plans, lines);
    refreshPlans();
}

void PlaceTools::addShelf() {
    QString dir = QFileDialog::getExistingDirectory(this, tr("A folder for the shelf"));
    if (dir.isEmpty()) {
        refreshShelves();
        return;
    }
    QString name = QInputDialog::getText(this, tr("Add a shelf"), tr("Name of the shelf:"), QLineEdit::Normal,
                                         QDir(dir).dirName());
    use_.shelves.add(name.isEmpty() ? QDir(dir).dirName() : name, Path(ss(dir)));
}

void PlaceTools::fillAlong() {
    kinds_->clear();
    for (int i = 0; i < placing::alongKinds; ++i) {
        const auto kind = static_cast<placing::AlongKind>(i);
        QAction* action = kinds_->addAction(kindText(kind));
        action->setCheckable(true);
        action->setChecked(rule().along.takes(kind));
        connect(action, &QAction::toggled, this, [this, kind](bool on) {
            library::PlacingRule now = rule();
            now.along.set(kind, on);
            setRule(now);
        });
    }
    kinds_->addSeparator();
    connect(kinds_->addAction(tr("What they are called\u2026")), &QAction::triggered, this,
            &PlaceTools::changeRules);
}

void PlaceTools::changeRules() {
    const auto all = use_.shelves.all();
    const auto shelf = std::ranges::find(all, shelf_->currentData().toLongLong(), &library::Shelf::id);
    if (shelf == all.end())
        return;
    ShelfRulesDialog dialog(*shelf, rule(), use_.settings.get(library::settings::asideFolder),
                            use_.settings.get(library::settings::names), use_.customFields.keys(), this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    use_.settings.set(library::settings::asideFolder, dialog.asideFolder());
    setRule(dialog.rule());
}

void PlaceTools::refreshFields() {
    editor_->setCustomFields(use_.customFields.keys());
}

} // namespace moorfrost::app
