// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/deliver_page.h"

#include <QCheckBox>
#include <QClipboard>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QGuiApplication>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QPointer>
#include <QScrollArea>
#include <QSettings>
#include <QVBoxLayout>

#include "app/deliver/section_list.h"
#include "app/deliver/sheet_preview.h"
#include "app/deliver/sheet_songs.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"
#include "core/audit/codes.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

constexpr int narrowest = 900; // pixels, with the songs beside the sections
constexpr const char* folderKey = "deliver/folder";

QString folder() {
    return QSettings().value(folderKey, QDir::homePath()).toString();
}

} // namespace

void SheetGaps::show(const std::vector<deliver::SheetGap>& gaps) {
    const auto& c = theme::colours();
    clear();
    caption(gaps.empty() ? tr("Complete") : tr("Not yet complete"));
    if (gaps.empty())
        line(coloured(tr("Nothing is missing of the sections that are on."), c.second));
    for (const deliver::SheetGap& one : gaps)
        gap(qs(one.sentence), one.isHard, [this, one] { emit chosen(one); });
    end();
}

DeliverPage::DeliverPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    setObjectName("page");
    left_ = kinds();
    auto* split = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(left_);
    split->addWidget(middle());
    split->addWidget(right());
    split->setStretchFactor(2, 1);
    split->setSizes({210, 330, 660});
    remember(split, "deliver/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head());
    layout->addWidget(split, 1);
    connect(&use_.sheet, &SheetController::changed, this, &DeliverPage::showSheet);
    connect(&use_.sheet, &SheetController::ofChanged, this, &DeliverPage::showSheet);
    connect(&use_.sheet, &SheetController::layoutChanged, this, &DeliverPage::showLayout);
    connect(&use_.sheet, &SheetController::layoutsChanged, this, &DeliverPage::fillLayouts);
    connect(songs_, &SheetSongs::changed, this, [this](const std::vector<FileId>& songs) {
        use_.sheet.setOf({songs, {}});
    });
    connect(songs_, &SheetSongs::added, &use_.sheet, &SheetController::addSongs);
    connect(sections_, &SectionList::changed, this, [this] {
        deliver::SheetLayout layout = use_.sheet.layout();
        layout.places = sections_->places();
        use_.sheet.change(std::move(layout));
    });
    connect(gaps_, &SheetGaps::chosen, this, &DeliverPage::goTo);
    connect(preview_, &SheetPreview::pageChanged, this, &DeliverPage::showPage);
    fillLayouts();
    showSheet();
}

QWidget* DeliverPage::head() {
    subject_ = new ShortLabel;
    subject_->setObjectName("strong");
    layouts_ = new Choice;
    layouts_->setMinimumWidth(180);
    layouts_->setAccessibleName(tr("Layout"));
    keep_ = button(tr("Keep layout\u2026"), "flat");
    connect(layouts_, &QComboBox::activated, this,
            [this](int at) { use_.sheet.choose(ss(layouts_->itemData(at).toString())); });
    connect(keep_, &QPushButton::clicked, this, &DeliverPage::showLayoutMenu);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(8);
    row->addWidget(label(tr("Deliver"), "title"));
    row->addSpacing(6);
    row->addWidget(subject_, 1);
    row->addWidget(label(tr("Layout"), "quiet"));
    row->addWidget(layouts_);
    row->addWidget(keep_);
    return bar("head", row, 46);
}

QWidget* DeliverPage::kinds() {
    auto* oneSheet = new QFrame;
    oneSheet->setObjectName("panel");
    auto* says = new QVBoxLayout(oneSheet);
    says->setContentsMargins(14, 10, 10, 8);
    says->setSpacing(2);
    says->addWidget(label(tr("One-sheet"), "strong"));
    says->addWidget(label(tr("facts, people, lyrics"), "quiet"));
    songs_ = new SheetSongs(use_.index);
    auto* box = new QFrame;
    box->setObjectName("side");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(oneSheet);
    layout->addWidget(songs_, 1);
    box->setMinimumWidth(180);
    return box;
}

QWidget* DeliverPage::middle() {
    sections_ = new SectionList;
    sections_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    ownPages_ = new QCheckBox(tr("Every song begins a page"));
    showsMissing_ = new QCheckBox(tr("Say on the sheet what is to follow"));
    auto change = [this](bool deliver::SheetLayout::*what, bool on) {
        deliver::SheetLayout layout = use_.sheet.layout();
        layout.*what = on;
        use_.sheet.change(std::move(layout));
    };
    connect(ownPages_, &QCheckBox::clicked, this,
            [change](bool on) { change(&deliver::SheetLayout::ownPages, on); });
    connect(showsMissing_, &QCheckBox::clicked, this,
            [change](bool on) { change(&deliver::SheetLayout::showsMissing, on); });
    gaps_ = new SheetGaps;
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* ways = new QVBoxLayout;
    ways->setContentsMargins(14, 10, 14, 8);
    ways->setSpacing(8);
    ways->addWidget(showsMissing_);
    ways->addWidget(ownPages_);
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(14, 10, 12, 6);
    caption->addWidget(label(tr("Sections: drag to put in order"), "caption"));
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(caption);
    layout->addWidget(sections_);
    layout->addWidget(gaps_);
    layout->addLayout(ways);
    layout->addStretch();
    auto* area = new QScrollArea;
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setWidget(content);
    area->setMinimumWidth(260);
    return area;
}

QWidget* DeliverPage::right() {
    page_ = label({}, "quiet");
    copy_ = button(tr("Copy as text"));
    save_ = button(tr("Save as\u2026"));
    auto* ways = new QMenu(save_);
    ways->addAction(tr("A page (HTML)\u2026"), this, [this] { saveAs(".html"); });
    ways->addAction(tr("Text\u2026"), this, [this] { saveAs(".txt"); });
    ways->addAction(tr("JSON, for other programs\u2026"), this, [this] { saveAs(".json"); });
    save_->setMenu(ways);
    pdf_ = button(tr("Save as PDF\u2026"), "accent");
    connect(copy_, &QPushButton::clicked, this, &DeliverPage::copyText);
    connect(pdf_, &QPushButton::clicked, this, [this] { saveAs(".pdf"); });
    preview_ = new SheetPreview;
    auto* row = new QHBoxLayout;
    row->setContentsMargins(20, 12, 20, 0);
    row->setSpacing(8);
    row->addWidget(page_, 1);
    row->addWidget(copy_);
    row->addWidget(save_);
    row->addWidget(pdf_);
    sheet_ = new QFrame;
    sheet_->setObjectName("paperGround");
    auto* sheet = new QVBoxLayout(sheet_);
    sheet->setContentsMargins(0, 0, 0, 0);
    sheet->setSpacing(0);
    sheet->addLayout(row);
    sheet->addWidget(preview_, 1);
    empty_ = new EmptyHint("deliver", {}, {}, tr("Search for a song"));
    connect(empty_->button(), &QPushButton::clicked, this, [this] { songs_->searchBox()->setFocus(); });
    auto* both = new QFrame;
    both->setObjectName("paperGround");
    auto* layout = new QVBoxLayout(both);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(sheet_);
    layout->addWidget(empty_);
    both->setMinimumWidth(300);
    return both;
}

void DeliverPage::takeKeyboard() {
    if (use_.sheet.of().isEmpty())
        songs_->searchBox()->setFocus();
    else
        sections_->setFocus();
}

void DeliverPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    use_.sheet.setInSight(true);
}

void DeliverPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    use_.sheet.setInSight(false);
}

void DeliverPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // Where there is no room the songs give way, unless there are none yet.
    left_->setVisible(width() >= narrowest || use_.sheet.of().isEmpty());
}

void DeliverPage::fillLayouts() {
    layouts_->clear();
    for (const deliver::SheetLayout& layout : use_.sheet.layouts())
        layouts_->addItem(use_.sheet.isKept(layout.name) ? qs(layout.name) : tr(layout.name.c_str()),
                          qs(layout.name));
    showLayout();
}

void DeliverPage::showLayout() {
    const deliver::SheetLayout& layout = use_.sheet.layout();
    layouts_->setCurrentIndex(layouts_->findData(qs(layout.name)));
    keep_->setText(use_.sheet.isChanged() ? tr("Keep layout\u2026") : tr("Layouts\u2026"));
    ownPages_->setChecked(layout.ownPages);
    showsMissing_->setChecked(layout.showsMissing);
    const auto* shown = use_.sheet.shown();
    sections_->show(layout, shown ? shown->gaps : std::vector<deliver::SheetGap>());
}

void DeliverPage::showLayoutMenu() {
    QMenu menu(this);
    const std::string name = use_.sheet.layout().name;
    if (use_.sheet.isChanged() && use_.sheet.isKept(name))
        menu.addAction(tr("Keep as \u201C%1\u201D").arg(qs(name)), this,
                       [this, name] { use_.sheet.keep(name); });
    menu.addAction(tr("Keep under another name\u2026"), this, &DeliverPage::keepLayout);
    if (use_.sheet.isChanged())
        menu.addAction(tr("Back to how it is kept"), this, [this, name] { use_.sheet.choose(name); });
    menu.addSeparator();
    menu.addAction(tr("Hand on as a file\u2026"), this, [this, name] {
        const QString file = QFileDialog::getSaveFileName(
            this, tr("Hand on the layout"), folder() + "/" + qs(name).replace('/', '-') + ".json",
            tr("Layouts (*.json)"));
        if (file.isEmpty())
            return;
        if (const Status done = files::writeWhole(Path(ss(file)), deliver::layoutJson(use_.sheet.layout()));
            !done)
            use_.messages.say(done.error());
    });
    menu.addAction(tr("Take in from a file\u2026"), this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("Take in a layout"), folder(), tr("Layouts (*.json)"));
        if (!file.isEmpty())
            use_.sheet.takeIn(Path(ss(file)));
    });
    if (use_.sheet.isKept(name))
        menu.addAction(tr("Forget \u201C%1\u201D").arg(qs(name)), this,
                       [this, name] { use_.sheet.forget(name); });
    menu.exec(keep_->mapToGlobal(QPoint(0, keep_->height())));
}

void DeliverPage::keepLayout() {
    bool ok = false;
    const QString name = QInputDialog::getText(this, tr("Keep layout"), tr("Name of the layout:"),
                                               QLineEdit::Normal, qs(use_.sheet.layout().name), &ok)
                             .simplified();
    if (!ok)
        return;
    if (name.isEmpty())
        return use_.messages.say(tr("A layout needs a name."), true);
    const std::string& now = use_.sheet.layout().name;
    if (text::fold(ss(name)) != text::fold(now) && use_.sheet.isKept(ss(name)) &&
        QMessageBox::question(
            this, tr("Keep layout"),
            tr("There is a layout \u201C%1\u201D already. Shall this one take its place?").arg(name),
            QMessageBox::Yes | QMessageBox::Cancel) != QMessageBox::Yes)
        return;
    use_.sheet.keep(ss(name));
}

void DeliverPage::showSheet() {
    const deliver::SheetOf& of = use_.sheet.of();
    const auto* shown = use_.sheet.shown();
    songs_->show(of, shown ? &shown->subject : nullptr);
    left_->setVisible(width() >= narrowest || of.isEmpty());
    if (!shown) {
        subject_->setText({});
    } else {
        const deliver::SheetSubject& subject = shown->subject;
        QStringList parts{qs(subject.title)};
        if (subject.songs.size() == 1 && !subject.isRelease)
            parts << qs(subject.songs.front().artist);
        else if (subject.isRelease)
            parts << qs(subject.artist) << tr("%n track(s)", "", static_cast<int>(subject.songs.size()));
        parts.removeAll(QString());
        subject_->setText(tr("for %1").arg(parts.join(" \u00B7 ")));
    }
    sheet_->setVisible(!of.isEmpty());
    empty_->setVisible(of.isEmpty());
    empty_->setTexts(tr("Nothing is to go out yet"),
                     tr("A one-sheet says on a page what somebody who is to judge or license a song wants to "
                        "know. Add a song on the left, or choose tracks in the Library, an edition or a work "
                        "in Releases, and press Ctrl+Alt+S."));
    for (QWidget* w : std::initializer_list<QWidget*>{copy_, save_, pdf_})
        w->setEnabled(shown != nullptr);
    preview_->show(shown ? shown->pages : nullptr);
    gaps_->setVisible(shown != nullptr);
    if (shown)
        gaps_->show(shown->gaps);
    showLayout();
}

void DeliverPage::showPage() {
    const size_t count = preview_->count();
    page_->setText(
        count == 0   ? tr("Laying out \u2026")
        : count == 1 ? tr("As it will be")
                     : tr("As it will be \u00B7 page %1 of %2").arg(preview_->pageInSight() + 1).arg(count));
}

void DeliverPage::goTo(const deliver::SheetGap& gap) {
    using Where = deliver::SheetGap::Where;
    switch (gap.where) {
    case Where::File:
        if (gap.field == "work" || gap.field == "master") // there is nowhere to enter it yet
            use_.people.makeWorksOf(
                {gap.id}, [people = &use_.people, file = gap.id](size_t) { people->showWorkOf(file); });
        else if (tags::isStandard(gap.field))
            askField(gap.id, gap.field);
        else
            emit libraryWanted(gap.id);
        break;
    case Where::Party:
        use_.people.wantShown(gap.id, library::CardKind::Party, gap.field);
        break;
    case Where::Work:
        use_.people.wantShown(gap.id, library::CardKind::Work, gap.field);
        break;
    case Where::Release:
        if (const auto* shown = use_.sheet.shown())
            use_.releases.wantShown(shown->subject.ref);
        break;
    }
}

void DeliverPage::askField(FileId file, const std::string& field) {
    const auto* shown = use_.sheet.shown();
    QString title;
    for (const deliver::SheetSong& song : shown ? shown->subject.songs : std::vector<deliver::SheetSong>())
        if (song.file == file)
            title = qs(song.title);
    bool ok = false;
    const QString typed = QInputDialog::getText(
        this, fieldLabel(field),
        tr("%1 of \u201C%2\u201D: a draft until it is written to the file.").arg(fieldLabel(field), title),
        QLineEdit::Normal, {}, &ok);
    const std::vector<std::string> values = tags::valuesFromText(field, ss(typed));
    if (!ok || values.empty())
        return;
    if (const std::string why = tags::whyNotValid(field, values); !why.empty())
        return use_.messages.say(qs(why), true);
    if (const std::string odd = audit::whyNotCode(field, values.front()); !odd.empty())
        use_.messages.say(tr("%1: %2. It is proposed as it was typed.").arg(fieldLabel(field), qs(odd)),
                          true);
    use_.files.takeUp(this, {file}, [self = QPointer(this), file, field, values] {
        if (!self)
            return;
        if (const FilePtr known = self->use_.files.file(file); !known || !known->mayHaveDrafts())
            self->use_.messages.say(tr("This file cannot be written to, so it can have no drafts."), true);
        else
            self->use_.drafts.session().propose(ss(fieldLabel(field)), {{file, field, values}},
                                                ss(tr("typed")));
    });
}

void DeliverPage::copyText() {
    use_.sheet.withText([self = QPointer(this)](const QString& text) {
        if (!self || text.isEmpty())
            return;
        QGuiApplication::clipboard()->setText(text);
        self->use_.messages.say(tr("The sheet is copied as text."));
    });
}

void DeliverPage::saveAs(const char* ending) {
    if (!use_.sheet.shown())
        return;
    const QString kind = QString(ending).mid(1).toUpper();
    const QString file = QFileDialog::getSaveFileName(
        this, tr("Save the sheet"), folder() + "/" + qs(use_.sheet.proposedName(ending).native()),
        tr("%1 (*%2)").arg(kind, QString(ending)));
    if (file.isEmpty())
        return;
    QSettings().setValue(folderKey, QFileInfo(file).absolutePath());
    // What was typed without an ending gets that of the kind.
    const Path path(ss(file));
    use_.sheet.save(deliver::sheetFileOf(path) ? path : Path(ss(file) + ending));
}

} // namespace moorfrost::app
