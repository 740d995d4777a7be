// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/one_sheet_view.h"

#include <QCheckBox>
#include <QClipboard>
#include <QFileDialog>
#include <QGuiApplication>
#include <QInputDialog>
#include <QMenu>
#include <QPointer>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/deliver/section_list.h"
#include "app/deliver/sheet_preview.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"
#include "core/audit/codes.h"

namespace moorfrost::app {

void SheetGaps::show(const std::vector<deliver::SheetGap>& gaps) {
    const auto& c = theme::colours();
    clear();
    caption(gaps.empty() ? tr("Complete") : tr("Not yet complete"));
    if (gaps.empty())
        line(coloured(tr("Nothing is missing of the sections that are on."), c.second));
    for (const deliver::SheetGap& one : gaps)
        gap(spoken(one.sentence), one.isHard, [this, one] { emit chosen(one); });
    end();
}

OneSheetView::OneSheetView(const Uses& use, QWidget* parent) : DeliverView(parent), use_(use) {
    layouts_ = new LayoutBar(use_.sheet.layouts(), use_.messages, this);
    layouts_->hide(); // until the page has it in its head
    QWidget* split = panes(middle(), right(), "deliver/one-sheet panes");
    fillWith(split);
    connect(&use_.sheet, &SheetController::changed, this, &OneSheetView::showSheet);
    connect(&use_.delivering, &Delivering::changed, this, &OneSheetView::showSheet);
    connect(&use_.sheet.layouts(), &Layouts::changed, this, &OneSheetView::showLayout);
    connect(sections_, &SectionList::changed, this, [this] {
        deliver::SheetLayout layout = use_.sheet.layout();
        layout.places = sections_->places();
        use_.sheet.layouts().change(std::move(layout));
    });
    connect(gaps_, &SheetGaps::chosen, this, &OneSheetView::goTo);
    connect(preview_, &SheetPreview::pageChanged, this, &OneSheetView::showPage);
    showSheet();
}

QWidget* OneSheetView::headPart() {
    return layouts_;
}

QWidget* OneSheetView::middle() {
    sections_ = new SectionList;
    sections_->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    ownPages_ = new QCheckBox(tr("Every song begins a page"));
    showsMissing_ = new QCheckBox(tr("Say on the sheet what is to follow"));
    auto change = [this](bool deliver::SheetLayout::*what, bool on) {
        deliver::SheetLayout layout = use_.sheet.layout();
        layout.*what = on;
        use_.sheet.layouts().change(std::move(layout));
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
    return scrolling(content, 260);
}

QWidget* OneSheetView::right() {
    page_ = new ShortLabel;
    page_->setObjectName("quiet");
    copy_ = button(tr("Copy as text"));
    save_ = button(tr("Save as\u2026"));
    auto* ways = new QMenu(save_);
    ways->addAction(tr("A page (HTML)\u2026"), this, [this] { saveAs(".html"); });
    ways->addAction(tr("Text\u2026"), this, [this] { saveAs(".txt"); });
    ways->addAction(tr("JSON, for other programs\u2026"), this, [this] { saveAs(".json"); });
    save_->setMenu(ways);
    pdf_ = button(tr("Save as PDF\u2026"), "accent");
    connect(copy_, &QPushButton::clicked, this, &OneSheetView::copyText);
    connect(pdf_, &QPushButton::clicked, this, [this] { saveAs(".pdf"); });
    preview_ = new SheetPreview;
    sheet_ = ground(toldBeside(page_, {copy_, save_, pdf_}), preview_);
    empty_ = new EmptyHint("deliver", {}, {}, tr("Search for a song"));
    connect(empty_->button(), &QPushButton::clicked, this, &OneSheetView::tracksWanted);
    return groundOrHint(sheet_, empty_);
}

void OneSheetView::takeKeyboard() {
    if (use_.delivering.of().isEmpty())
        emit tracksWanted();
    else
        sections_->setFocus();
}

void OneSheetView::showLayout() {
    const deliver::SheetLayout& layout = use_.sheet.layout();
    ownPages_->setChecked(layout.ownPages);
    showsMissing_->setChecked(layout.showsMissing);
    const auto* shown = use_.sheet.shown();
    sections_->show(layout, shown ? shown->gaps : std::vector<deliver::SheetGap>());
}

void OneSheetView::showSheet() {
    const bool isEmpty = use_.delivering.of().isEmpty();
    const auto* shown = use_.sheet.shown();
    sheet_->setVisible(!isEmpty);
    empty_->setVisible(isEmpty);
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

void OneSheetView::showPage() {
    const size_t count = preview_->count();
    page_->setText(
        count == 0   ? tr("Laying out \u2026")
        : count == 1 ? tr("As it will be")
                     : tr("As it will be \u00B7 page %1 of %2").arg(preview_->pageInSight() + 1).arg(count));
}

void OneSheetView::goTo(const deliver::SheetGap& gap) {
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
        if (const auto* shown = use_.sheet.shown(); shown && shown->subject.isRelease)
            use_.releases.wantShown(shown->subject.ref);
        break;
    }
}

void OneSheetView::askField(FileId file, const std::string& field) {
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
        return use_.messages.say(spoken(why), true);
    if (const std::string odd = audit::whyNotCode(field, values.front()); !odd.empty())
        use_.messages.say(tr("%1: %2. It is proposed as it was typed.").arg(fieldLabel(field), spoken(odd)),
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

void OneSheetView::copyText() {
    use_.sheet.withText([self = QPointer(this)](const QString& text) {
        if (!self || text.isEmpty())
            return;
        QGuiApplication::clipboard()->setText(text);
        self->use_.messages.say(tr("The sheet is copied as text."));
    });
}

void OneSheetView::saveAs(const char* ending) {
    if (!use_.sheet.shown())
        return;
    const QString kind = QString(ending).mid(1).toUpper();
    const QString file = QFileDialog::getSaveFileName(
        this, tr("Save the sheet"), deliverFolder() + "/" + qs(use_.sheet.proposedName(ending).native()),
        tr("%1 (*%2)").arg(kind, QString(ending)));
    if (file.isEmpty())
        return;
    rememberDeliverFolder(file);
    // What was typed without an ending gets that of the kind.
    const Path path(ss(file));
    use_.sheet.save(deliver::sheetFileOf(path) ? path : Path(ss(file) + ending));
}

} // namespace moorfrost::app
