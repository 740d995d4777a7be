// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/page_view.h"

#include <QCheckBox>
#include <QDesktopServices>
#include <QFileDialog>
#include <QFormLayout>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPointer>
#include <QUrl>
#include <QVBoxLayout>

#include "app/deliver/column_editor.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/page_preview.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_picker.h"
#include "core/audio/encode.h"

namespace moorfrost::app {

PageView::PageView(PagesController& pages, Delivering& delivering, LibraryIndex& index, Messages& messages,
                   QWidget* parent)
    : DeliverView(parent), pages_(pages), delivering_(delivering), index_(index), messages_(messages) {
    layouts_ = new LayoutBar(pages_.layouts(), messages_, this);
    layouts_->hide();
    QWidget* split = panes(left(), right(), "deliver/page panes");
    fillWith(split);
    connect(&pages_, &PagesController::changed, this, &PageView::showSubject);
    connect(&pages_.layouts(), &Layouts::changed, this, &PageView::showLayout);
    connect(&delivering_, &Delivering::changed, this, [this] {
        if (delivering_.isAnother())
            title_->clear();
        made_.clear();
        showSubject();
    });
    showLayout();
    showSubject();
}

QWidget* PageView::headPart() {
    return layouts_;
}

void PageView::takeKeyboard() {
    if (delivering_.of().isEmpty())
        emit tracksWanted();
    else
        title_->setFocus();
}

void PageView::change(const std::function<void(deliver::PageLayout&)>& how) {
    if (showing_)
        return;
    deliver::PageLayout layout = pages_.layout();
    how(layout);
    pages_.layouts().change(std::move(layout));
}

QWidget* PageView::left() {
    auto line = [](const QString& name, const QString& placeholder) {
        auto* out = new QLineEdit;
        out->setAccessibleName(name);
        out->setPlaceholderText(placeholder);
        return out;
    };
    title_ = line(tr("Title of the page"), tr("as the tracks"));
    forWhom_ = line(tr("For whom the page is"), tr("who will listen"));
    from_ = line(tr("From whom the page is"), tr("who sends it"));
    words_ = new QPlainTextEdit;
    words_->setAccessibleName(tr("Words above the tracks"));
    words_->setPlaceholderText(tr("A few words above the tracks"));
    words_->setTabChangesFocus(true);
    words_->setObjectName("threeLines"); // the style sheet knows how high it is
    words_->setFixedHeight(58);
    facts_ = new FieldPicker(true);
    facts_->setLabels(columnName);
    facts_->setNothing(tr("none"));
    facts_->setAccessibleName(tr("Facts of each track"));
    artists_ = new QCheckBox(tr("Artists of tracks"));
    versions_ = new QCheckBox(tr("Versions below their lead"));
    stems_ = new QCheckBox(tr("Stems, too"));
    lyrics_ = new QCheckBox(tr("Lyrics"));
    marks_ = new QCheckBox(tr("Places that we marked"));
    takeAll_ = new QCheckBox(tr("All of it in one file (zip)"));
    notes_ = new QCheckBox(tr("Who listens can comment and rate"));
    listen_ = new Choice;
    for (const std::string& name : deliver::listenFormats())
        if (const audio::EncodeFormat* format = audio::encodeFormat(name))
            for (const int rate : format->bitrates)
                listen_->addItem(tr("%1, %2 kbit/s").arg(qs(format->label)).arg(rate / 1000),
                                 QVariant::fromValue(std::pair(qs(name), rate)));
    listen_->setAccessibleName(tr("What is heard"));
    take_ = new Choice;
    take_->addItem(tr("nothing"), "nothing");
    take_->addItem(tr("what is heard"), "listen");
    take_->addItem(tr("originals with all their tags"), "original");
    for (const char* name : {"flac", "wav", "mp3"})
        take_->addItem(qs(audio::encodeFormat(name)->label), name);
    take_->setAccessibleName(tr("What can be downloaded"));
    oneSheet_ = new Choice;
    oneSheet_->setAccessibleName(tr("One-sheet that goes with it"));
    for (Choice* choice : {listen_, take_, oneSheet_}) // their longest entry is no reason to be wide
        choice->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    connect(title_, &QLineEdit::textEdited, this,
            [this](const QString& t) { pages_.setTitle(ss(t.trimmed())); });
    connect(forWhom_, &QLineEdit::textEdited, this,
            [this](const QString& t) { pages_.setForWhom(ss(t.trimmed())); });
    connect(from_, &QLineEdit::textEdited, this,
            [this](const QString& t) { change([&](deliver::PageLayout& l) { l.from = ss(t.trimmed()); }); });
    connect(words_, &QPlainTextEdit::textChanged, this, [this] {
        change([this](deliver::PageLayout& l) { l.words = ss(words_->toPlainText().trimmed()); });
    });
    connect(facts_, &FieldPicker::changed, this,
            [this] { change([this](deliver::PageLayout& l) { l.facts = facts_->chosen(); }); });
    auto ticks = [this](QCheckBox* box, bool deliver::PageLayout::*what) {
        connect(box, &QCheckBox::clicked, this,
                [this, what](bool on) { change([what, on](deliver::PageLayout& l) { l.*what = on; }); });
    };
    ticks(artists_, &deliver::PageLayout::artists);
    ticks(versions_, &deliver::PageLayout::versions);
    ticks(stems_, &deliver::PageLayout::stems);
    ticks(lyrics_, &deliver::PageLayout::lyrics);
    ticks(marks_, &deliver::PageLayout::marks);
    ticks(takeAll_, &deliver::PageLayout::takeAll);
    ticks(notes_, &deliver::PageLayout::notes);
    connect(listen_, &QComboBox::activated, this, [this](int at) {
        const auto [name, rate] = listen_->itemData(at).value<std::pair<QString, int>>();
        change([&](deliver::PageLayout& l) {
            l.listen = ss(name);
            l.bitrate = rate;
        });
    });
    connect(take_, &QComboBox::activated, this, [this](int at) {
        change([&](deliver::PageLayout& l) { l.take = ss(take_->itemData(at).toString()); });
    });
    connect(oneSheet_, &QComboBox::activated, this, [this](int at) {
        change([&](deliver::PageLayout& l) { l.oneSheet = ss(oneSheet_->itemData(at).toString()); });
    });
    auto caption = [](const QString& text) {
        auto* out = label(text, "caption");
        out->setContentsMargins(0, 10, 0, 2);
        return out;
    };
    auto* who = new QFormLayout;
    who->addRow(label(tr("Title"), "quiet"), title_);
    who->addRow(label(tr("For"), "quiet"), forWhom_);
    who->addRow(label(tr("From"), "quiet"), from_);
    auto* hears = new QFormLayout;
    hears->addRow(label(tr("Heard as"), "quiet"), listen_);
    hears->addRow(label(tr("To take"), "quiet"), take_);
    hears->addRow(label(tr("One-sheet"), "quiet"), oneSheet_);
    auto* facts = new QFormLayout;
    facts->addRow(label(tr("Facts"), "quiet"), facts_);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(14, 4, 14, 12);
    layout->setSpacing(6);
    layout->addWidget(caption(tr("The page")));
    layout->addLayout(who);
    layout->addWidget(words_);
    layout->addWidget(caption(tr("On it")));
    layout->addLayout(facts);
    for (QCheckBox* box : {artists_, versions_, stems_, lyrics_, marks_})
        layout->addWidget(box);
    layout->addWidget(caption(tr("To hear and to take")));
    layout->addLayout(hears);
    layout->addWidget(takeAll_);
    layout->addWidget(notes_);
    layout->addStretch();
    return scrolling(content);
}

QWidget* PageView::right() {
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    takeNotes_ = button(tr("Take in comments\u2026"));
    open_ = button(tr("Open the page"));
    make_ = button(tr("Make the page\u2026"), "accent");
    connect(takeNotes_, &QPushButton::clicked, this, &PageView::takeNotes);
    connect(open_, &QPushButton::clicked, this,
            [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(qs(made_.native()))); });
    connect(make_, &QPushButton::clicked, this, &PageView::make);
    preview_ = new PagePreview;
    page_ = ground(toldBeside(told_, {takeNotes_, open_, make_}), preview_);
    empty_ = new EmptyHint(
        "deliver", tr("Nothing is to be heard yet"),
        tr("A share page is a folder with one page: tracks with versions and stems, to be heard, "
           "commented and taken, in any browser, from a disk or a web server. Add tracks on the "
           "left, or choose them in the Library and press Ctrl+Alt+H."),
        tr("Search for a track"));
    connect(empty_->button(), &QPushButton::clicked, this, &PageView::tracksWanted);
    return groundOrHint(page_, empty_);
}

void PageView::showLayout() {
    const deliver::PageLayout& l = pages_.layout();
    showing_ = true;
    showText(from_, l.from);
    if (words_->toPlainText().trimmed() != qs(l.words))
        words_->setPlainText(qs(l.words));
    facts_->setKeys(columnKeys(index_));
    facts_->setChosen(l.facts);
    const std::pair<QCheckBox*, bool> ticks[] = {
        {artists_, l.artists}, {versions_, l.versions}, {stems_, l.stems}, {lyrics_, l.lyrics},
        {marks_, l.marks},     {takeAll_, l.takeAll},   {notes_, l.notes}};
    for (const auto& [box, on] : ticks)
        box->setChecked(on);
    takeAll_->setEnabled(l.take != "nothing");
    for (int i = 0; i < listen_->count(); ++i)
        if (listen_->itemData(i).value<std::pair<QString, int>>() == std::pair(qs(l.listen), l.bitrate))
            listen_->setCurrentIndex(i);
    if (take_->findData(qs(l.take)) < 0)
        take_->addItem(qs(l.take), qs(l.take));
    take_->setCurrentIndex(take_->findData(qs(l.take)));
    oneSheet_->clear();
    oneSheet_->addItem(tr("none"), QString());
    for (const std::string& name : pages_.sheetLayouts())
        oneSheet_->addItem(qs(name), qs(name));
    oneSheet_->setCurrentIndex(std::max(0, oneSheet_->findData(qs(l.oneSheet))));
    showing_ = false;
    preview_->show(pages_.subject(), l);
}

void PageView::showSubject() {
    const bool isEmpty = delivering_.of().isEmpty();
    const auto* subject = isEmpty ? nullptr : pages_.subject();
    if (!forWhom_->hasFocus())
        forWhom_->setText(qs(pages_.forWhom()));
    page_->setVisible(!isEmpty);
    empty_->setVisible(isEmpty);
    preview_->show(subject, pages_.layout());
    make_->setEnabled(subject && !subject->tracks.empty());
    open_->setVisible(!made_.empty());
    QString told = tr("About as it will be");
    if (subject && !subject->unknown.empty())
        told = tr("Left out, without a file that is there: %n track(s)", "",
                  static_cast<int>(subject->unknown.size()));
    told_->setText(told);
}

void PageView::make() {
    if (!pages_.subject())
        return;
    const QString folder =
        QFileDialog::getSaveFileName(this, tr("Name of the folder of the page"),
                                     deliverFolder() + "/" + qs(pages_.proposedName().native()));
    if (folder.isEmpty())
        return;
    rememberDeliverFolder(folder);
    make_->setEnabled(false);
    pages_.make(Path(ss(folder)), [self = QPointer(this)](const Path& page) {
        if (!self)
            return;
        self->made_ = page;
        self->showSubject();
    });
}

void PageView::takeNotes() {
    const QString file = QFileDialog::getOpenFileName(this, tr("Take in comments"), deliverFolder(),
                                                      tr("Comments (*.json);;All files (*)"));
    if (file.isEmpty())
        return;
    rememberDeliverFolder(file);
    pages_.takeNotes(Path(ss(file)));
}

} // namespace moorfrost::app
