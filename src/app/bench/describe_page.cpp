// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/describe_page.h"

#include <algorithm>
#include <set>

#include <QApplication>
#include <QHeaderView>
#include <QMenu>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/drawer.h"
#include "app/bench/filter_bar.h"
#include "app/bench/mend_text_dialog.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/sheet_columns.h"
#include "app/bench/spelling_hint.h"
#include "app/bench/steps_dialog.h"
#include "app/codes/fill_codes_dialog.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/frozen_column.h"
#include "app/widgets/sort_header.h"

namespace moorfrost::app {

DescribePage::DescribePage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* tools = new QHBoxLayout;
    auto* names = button(tr("Read from names\u2026"));
    auto* casing = button(tr("Casing \u25BE"));
    auto* cases = new QMenu(casing);
    const std::pair<QString, edits::Casing> casings[] = {{tr("Title Case"), edits::Casing::Title},
                                                         {tr("Sentence case"), edits::Casing::Sentence},
                                                         {tr("lower case"), edits::Casing::Lower},
                                                         {tr("UPPER CASE"), edits::Casing::Upper}};
    for (const auto& [name, how] : casings)
        cases->addAction(name, [this, how = how] { changeCase(how); });
    casing->setMenu(cases);
    auto* number = button(tr("Number tracks"));
    number->setToolTip(tr("Gives the selected files the numbers 1, 2, 3 ... in the order shown"));
    auto* steps = button(tr("Change \u25BE"));
    steps->setToolTip(tr("Find and replace, split, swap, tidy and more; and your chains of them"));
    steps->setMenu(new QMenu(steps));
    connect(steps->menu(), &QMenu::aboutToShow, this, [this, steps] { fillSteps(steps->menu()); });
    auto* columns = button(tr("Columns \u25BE"));
    columns->setMenu(new QMenu(columns));
    auto* undo = iconButton("undo", tr("Undo (Ctrl+Z)"));
    auto* redo = iconButton("redo", tr("Redo (Ctrl+Shift+Z)"));
    diskNote_ = label(tr("This is what is on disk"), "attention");
    diskNote_->hide();
    tools->addWidget(flowing({names, steps, casing, number, columns, diskNote_}, 6), 1);
    auto* back = new QHBoxLayout; // beside each other, however narrow it is
    back->setSpacing(0);
    for (QToolButton* b : {undo, redo})
        back->addWidget(b, 0, Qt::AlignTop);
    tools->addLayout(back);

    model_ = new SheetModel({use_.files, use_.drafts, use_.kinds, use_.sleeves}, this);
    view_ = new SheetView({use_.drafts, use_.customFields}, model_);
    view_->setAccessibleName(tr("Sheet of files and fields"));
    view_->setValues(&use_.values);
    header_ = new SortHeader(view_);
    view_->setHorizontalHeader(header_);
    columns_ = new SheetColumns(model_, view_, use_.customFields);
    new FrozenColumn(view_, model_, nameColumn);
    filter_ = new FilterBar;
    spelling_ = new SpellingHint({use_.files, use_.drafts, use_.values});
    drawer_ = new Drawer({use_.files, use_.drafts, use_.customFields, use_.pictures, use_.values});
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(view_);
    nothing_ = new EmptyHint("file", {}, {}, tr("Folder by folder\u2026"));
    connect(nothing_->button(), &QPushButton::clicked, this, &DescribePage::foldersWanted);
    stack_->addWidget(nothing_);
    auto* none =
        new EmptyHint("search", tr("No file is like this"),
                      tr("The line above lets none of these files through."), tr("Show all of them"));
    connect(none->button(), &QPushButton::clicked, filter_, &FilterBar::clear);
    stack_->addWidget(none);

    auto* left = new QWidget;
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addWidget(bar("tools", tools));
    leftLayout->addWidget(filter_);
    leftLayout->addWidget(spelling_);
    leftLayout->addWidget(stack_, 1);
    splitter_ = new QSplitter;
    splitter_->addWidget(left);
    splitter_->addWidget(drawer_);
    splitter_->setStretchFactor(0, 1);
    splitter_->setCollapsible(0, false);
    splitter_->setSizes({660, 300});
    remember(splitter_, "describe");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(splitter_);

    connect(names, &QPushButton::clicked, this, &DescribePage::readFromNames);
    connect(number, &QPushButton::clicked, this, &DescribePage::numberTracks);
    connect(columns->menu(), &QMenu::aboutToShow, this,
            [this, columns] { columns_->fillMenu(columns->menu(), this); });
    connect(columns_, &SheetColumns::changed, this, &DescribePage::showSorting);
    connect(header_, &QHeaderView::sectionClicked, this,
            [this](int section) { sortBy(section, QApplication::keyboardModifiers() & Qt::ShiftModifier); });
    connect(header_, &QWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        QMenu menu(this);
        columns_->fillMenu(&menu, this);
        menu.addSeparator();
        menu.addAction(tr("As they were given"), this, [this] {
            sorting_.clear();
            showSorting();
            arrange();
        });
        menu.exec(header_->mapToGlobal(at));
    });
    connect(filter_, &FilterBar::changed, this, &DescribePage::arrange);
    connect(filter_, &FilterBar::left, view_, qOverload<>(&QWidget::setFocus));
    auto typed = [this](const std::vector<FileId>& files, const std::string& key,
                        const std::vector<std::string>& values) {
        spelling_->look(files, key, values);
        use_.values.note(key, values);
    };
    connect(model_, &SheetModel::typed, this, typed);
    connect(drawer_, &Drawer::typed, this, typed);
    connect(undo, &QToolButton::clicked, this, [this] { use_.undo.undo(); });
    connect(redo, &QToolButton::clicked, this, [this] { use_.undo.redo(); });
    connect(view_->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this](const QModelIndex& now) {
                if (now.isValid())
                    lastColumn_ = model_->keyAt(now.column());
            });
    connect(view_, &SheetView::chosenChanged, this, [this] { drawer_->setFiles(target()); });
    connect(view_, &SheetView::playRequested, this, &DescribePage::playRequested);
    connect(view_, &SheetView::menuRequested, this, &DescribePage::showMenu);
    connect(model_, &SheetModel::refused, this, [this](const QString& s) { use_.messages.say(s, true); });
    connect(drawer_, &Drawer::refused, this, [this](const QString& s) { use_.messages.say(s, true); });
    connect(view_, &SheetView::editingEnded, this, [this] {
        if (next_ && !view_->openEditor())
            setFiles(*std::exchange(next_, std::nullopt));
    });
    connect(&use_.drafts, &DraftsController::diskShown, this, &DescribePage::showDiskNote);
    auto showUndo = [this, undo, redo] {
        undo->setEnabled(use_.undo.canUndo());
        redo->setEnabled(use_.undo.canRedo());
        undo->setToolTip(tr("Undo %1 (Ctrl+Z)").arg(use_.undo.undoName()));
        redo->setToolTip(tr("Redo %1 (Ctrl+Shift+Z)").arg(use_.undo.redoName()));
    };
    connect(&use_.undo, &UndoHistory::changed, this, showUndo);
    showUndo();
}

void DescribePage::setFiles(std::vector<FileId> files) {
    next_.reset();
    if (view_->openEditor() && files != given_) {
        next_ = std::move(files); // when the hands that type are done
        return;
    }
    if (files == given_) {
        model_->setFiles(model_->files()); // what is told of them may be otherwise
        return;                            // the drawer follows the drafts by itself
    }
    given_ = std::move(files);
    arrange();
}

void DescribePage::setNothing(const QString& title, const QString& text) {
    nothing_->setTexts(title, text);
}

void DescribePage::arrange() {
    view_->finishEditing();
    std::vector<FileId> files = arrangeRows(*model_, given_, filter_->filter(), sorting_);
    filter_->setCount(files.size(), given_.size());
    filter_->setVisible(!given_.empty());
    const int shown = given_.empty() ? 1 : files.empty() ? 2 : 0;
    const bool had = shown == 1 && view_->hasFocus();
    stack_->setCurrentIndex(shown);
    if (had)
        instead_ = QApplication::focusWidget();
    else if (shown == 0 && instead_ && QApplication::focusWidget() == std::exchange(instead_, nullptr))
        view_->setFocus(); // it was out of sight for a moment
    const bool same = files == model_->files();
    model_->setFiles(std::move(files));
    if (same)
        return;
    if (model_->rowCount() > 0 && !view_->currentIndex().isValid())
        view_->selectionModel()->setCurrentIndex(model_->index(0, column()), QItemSelectionModel::NoUpdate);
    drawer_->setFiles(target());
}

/// Where the hands were last.
int DescribePage::column() const {
    const auto at = std::ranges::find(model_->columns(), lastColumn_);
    return at != model_->columns().end() ? static_cast<int>(at - model_->columns().begin())
                                         : std::min(2, model_->columnCount() - 1);
}

void DescribePage::sortBy(int section, bool within) {
    const std::string& column = model_->keyAt(section);
    const auto held = std::ranges::find(sorting_, column, &SheetSort::column);
    if (within && held != sorting_.end())
        held->ascending = !held->ascending;
    else if (within)
        sorting_.push_back({column, true});
    else
        sorting_ = {{column, held != sorting_.begin() || held == sorting_.end() || !held->ascending}};
    showSorting();
    arrange();
}

void DescribePage::showSorting() {
    std::vector<std::pair<int, bool>> sections;
    for (const SheetSort& s : sorting_)
        if (const auto it = std::ranges::find(model_->columns(), s.column); it != model_->columns().end())
            sections.emplace_back(static_cast<int>(it - model_->columns().begin()), s.ascending);
    header_->setSorting(std::move(sections));
}

void DescribePage::narrow() {
    filter_->search()->setFocus();
    filter_->search()->selectAll();
}

std::vector<FileId> DescribePage::target() const {
    bool any = view_->selectionModel()->hasSelection();
    return any ? view_->chosenFiles() : model_->files();
}

void DescribePage::showDiskNote(bool on) {
    diskNote_->setVisible(on);
}

void DescribePage::mendText() {
    MendTextDialog({use_.files, use_.drafts}, target(), this).exec();
}

void DescribePage::fillCodes() {
    const std::vector<FileId> files = target();
    const std::set<FileId> wanted(files.begin(), files.end());
    library::ReleaseFiles releases;
    for (const SleeveView& sleeve : use_.sleeves.all()) {
        if (std::ranges::none_of(sleeve.files, [&](FileId file) { return wanted.contains(file); }))
            continue;
        if (!sleeve.isStrays())
            releases.push_back(sleeve.files); // all of it tells which release it is
        else
            for (const FileId file : sleeve.files)
                if (wanted.contains(file))
                    releases.push_back({file});
    }
    if (!releases.empty())
        FillCodesDialog(use_.codes, std::move(releases), this).exec();
}

void DescribePage::fillSteps(QMenu* menu) {
    menu->clear();
    menu->setToolTipsVisible(true);
    for (const edits::StepKind& kind : edits::stepKinds()) {
        const QString text = spoken(kind.label);
        if (kind.name == "fill") {
            menu->addAction(tr("Copy fields to others\u2026"), this, &DescribePage::copyToOthers);
            continue;
        }
        if (kind.name == "mend-text") {
            menu->addAction(tr("Mend the text\u2026"), this, &DescribePage::mendText);
            continue;
        }
        QAction* action = menu->addAction(tr("%1\u2026").arg(text), this, [this, name = kind.name] {
            change({{}, {{name, {}}}});
        });
        action->setToolTip(spoken(kind.does));
    }
    menu->addSeparator();
    menu->addAction(tr("Look up codes that are missing\u2026"), this, &DescribePage::fillCodes);
    if (!use_.chains.all().empty())
        menu->addSection(tr("Chains"));
    for (const edits::Chain& chain : use_.chains.all())
        menu->addAction(QString(qs(chain.name)).replace('&', "&&"), this, [this, chain] { change(chain); });
}

void DescribePage::openSteps(const std::vector<FileId>& files, edits::Chain chain) {
    StepsDialog({use_.jobs, use_.files, use_.drafts, use_.customFields, use_.chains}, files, std::move(chain),
                this)
        .exec();
}

void DescribePage::change(edits::Chain chain) {
    // The columns of the chosen cells are what is meant.
    std::vector<std::string> fields;
    for (const QModelIndex& cell : view_->selectionModel()->selectedIndexes())
        if (const std::string& key = model_->keyAt(cell.column());
            model_->isField(cell.column()) && std::ranges::find(fields, key) == fields.end())
            fields.push_back(key);
    const bool some = !fields.empty() && fields.size() < 4; // not whole rows
    for (edits::Step& step : chain.steps)
        if (const edits::StepKind* kind = edits::stepKind(step.kind); kind && chain.name.empty() && some)
            for (const edits::OptionDef& def : kind->options)
                if (def.name == "fields" && !step.options.contains("fields"))
                    step.options["fields"] = fields;
    openSteps(target(), std::move(chain));
}

void DescribePage::copyToOthers() {
    const QModelIndex current = view_->currentIndex();
    if (!current.isValid())
        return;
    const FileId source = model_->fileAt(current.row());
    std::vector<FileId> files = target();
    if (files.size() < 2)
        files = model_->files();
    std::erase(files, source);
    files.insert(files.begin(), source);
    openSteps(files, {{}, {{"fill", {}}}});
}

void DescribePage::readFromNames() {
    ReadNamesDialog dialog(
        {use_.jobs, use_.settings, use_.files, use_.drafts, use_.index, use_.customFields, use_.sleeves},
        target(), this, artistsOfCandidates());
    dialog.exec();
}

std::vector<std::string> DescribePage::artistsOfCandidates() const {
    std::vector<std::string> out;
    for (const SleeveView& sleeve : use_.sleeves.all())
        if (const SleeveAnswer* answer = use_.identify.answer(sleeve.key))
            for (const matching::Candidate& c : answer->candidates)
                if (std::string name = c.release.credit.text(); !name.empty())
                    out.push_back(std::move(name));
    return out;
}

void DescribePage::changeCase(edits::Casing casing) {
    std::map<FileId, std::vector<std::string>> chosen;
    const QModelIndexList cells = view_->selectionModel()->selectedIndexes();
    for (const QModelIndex& cell : cells)
        if (model_->isField(cell.column()))
            chosen[model_->fileAt(cell.row())].push_back(model_->keyAt(cell.column()));
    if (cells.isEmpty()) // titles, of all
        for (FileId id : model_->files())
            chosen[id] = {"title"};
    std::vector<edits::Subject> files;
    for (const auto& [id, fields] : chosen)
        files.push_back(use_.drafts.subject(id, fields));
    use_.drafts.propose(tr("Casing"), edits::changeCase(files, casing));
}

void DescribePage::numberTracks() {
    use_.drafts.propose(tr("Number tracks"), edits::number(use_.drafts.subjects(target())));
}

void DescribePage::chooseColumns() {
    columns_->choose(this);
}

void DescribePage::showMenu(const QPoint& at) {
    QMenu menu(this);
    menu.addAction(tr("Fill down\tCtrl+D"), view_, &SheetView::fillDown);
    menu.addAction(tr("Fill a series\tCtrl+Shift+D"), view_, &SheetView::fillSeries);
    menu.addAction(tr("Copy fields to others\u2026"), this, &DescribePage::copyToOthers);
    menu.addAction(tr("Copy\tCtrl+C"), view_, &SheetView::copy);
    menu.addAction(tr("Paste\tCtrl+V"), view_, &SheetView::paste);
    menu.addSeparator();
    menu.addAction(tr("Blank\tDelete"), view_, &SheetView::blank);
    menu.addAction(tr("Drop drafts\tCtrl+Backspace"), view_, &SheetView::dropDrafts);
    menu.addSeparator();
    if (view_->currentIndex().isValid())
        menu.addAction(tr("Play\tSpace"),
                       [this] { emit playRequested(model_->fileAt(view_->currentIndex().row())); });
    emit menuOpens(menu);
    std::vector<FileId> inBatch = target(); // what is looked at in its folder may be in none
    std::erase_if(inBatch, [this](FileId id) { return !use_.batch.batch().places().contains(id); });
    if (!inBatch.empty())
        menu.addAction(tr("Remove from the batch (the files stay as they are)"),
                       [this, inBatch] { use_.batch.removeFiles(inBatch); });
    menu.exec(at);
}

void DescribePage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // In a narrow window the drawer goes below the sheet, which would have no room beside it.
    const auto wanted = width() < 640 ? Qt::Vertical : Qt::Horizontal;
    if (splitter_->orientation() == wanted)
        return;
    splitter_->setOrientation(wanted);
    splitter_->setSizes(wanted == Qt::Vertical ? QList{360, 240} : QList{660, 300});
}

void DescribePage::chooseCells(const std::string& key, const std::vector<FileId>& files) {
    auto column = [&] {
        const auto& all = model_->columns();
        return static_cast<int>(std::ranges::find(all, key) - all.begin());
    };
    if (column() == model_->columnCount()) {
        std::vector<std::string> more = model_->columns();
        more.push_back(key);
        columns_->show(more);
    }
    const std::set<FileId> wanted(files.begin(), files.end());
    QItemSelection cells;
    QModelIndex first;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (wanted.contains(model_->fileAt(row))) {
            const QModelIndex cell = model_->index(row, column());
            cells.select(cell, cell);
            first = first.isValid() ? first : cell;
        }
    if (!first.isValid())
        return;
    view_->selectionModel()->setCurrentIndex(first, QItemSelectionModel::NoUpdate);
    view_->selectionModel()->select(cells, QItemSelectionModel::ClearAndSelect);
    view_->scrollTo(first);
    view_->setFocus();
}

} // namespace moorfrost::app
