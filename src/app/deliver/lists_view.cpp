// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/lists_view.h"
#include "app/widgets/keep_wide.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

using Form = deliver::ListForm;
using Kind = exchange::PlaceStyle::Kind;

ListsView::ListsView(ListsOutController& lists, Delivering& delivering, Messages& messages, QWidget* parent)
    : DeliverView(parent), lists_(lists), delivering_(delivering) {
    layouts_ = new LayoutBar(lists_.layouts(), messages, this);
    layouts_->hide();
    form_ = new Choice;
    for (const QString& name : {tr("M3U8, for nearly every player"), tr("XSPF"), tr("Cue sheet")})
        form_->addItem(name);
    form_->setAccessibleName(tr("Form of the list"));
    places_ = new Choice;
    for (const QString& name :
         {tr("from the folder of the list"), tr("from the top of this machine"), tr("as on another machine")})
        places_->addItem(name);
    places_->setAccessibleName(tr("How places are told"));
    for (Choice* choice : {form_, places_})
        choice->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    auto line = [](const QString& name, const QString& placeholder) {
        auto* out = new QLineEdit;
        out->setAccessibleName(name);
        out->setPlaceholderText(placeholder);
        return out;
    };
    title_ = line(tr("Title of the list"), tr("as the tracks"));
    from_ = line(tr("Paths here begin with"), "/srv/music");
    to_ = line(tr("and there with"), "M:\\music");
    fromLabel_ = label(tr("Paths here"), "quiet");
    toLabel_ = label(tr("become there"), "quiet");
    for (QComboBox* box : {form_, places_})
        connect(box, &QComboBox::activated, this, &ListsView::change);
    for (QLineEdit* edit : {from_, to_})
        connect(edit, &QLineEdit::textEdited, this, &ListsView::change);
    connect(title_, &QLineEdit::textEdited, this,
            [this](const QString& title) { lists_.setTitle(ss(title.trimmed())); });
    library_ = button(tr("The whole library as JSON Lines\u2026"));
    connect(library_, &QPushButton::clicked, this, &ListsView::saveLibrary);
    auto* form = new QFormLayout;
    form->addRow(label(tr("Form"), "quiet"), form_);
    form->addRow(label(tr("Title"), "quiet"), title_);
    form->addRow(label(tr("Places"), "quiet"), places_);
    form->addRow(fromLabel_, from_);
    form->addRow(toLabel_, to_);
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* rows = new QVBoxLayout(left);
    rows->setContentsMargins(14, 10, 14, 12);
    rows->setSpacing(8);
    rows->addWidget(label(tr("The list"), "caption"));
    rows->addLayout(form);
    rows->addSpacing(12);
    rows->addWidget(label(tr("Everything"), "caption"));
    auto* says =
        label(tr("All tracks of the library with all their fields and facts, for other programs."), "quiet");
    says->setWordWrap(true);
    rows->addWidget(says);
    rows->addWidget(library_);
    rows->addStretch();
    keepWide(left, 280);
    preview_ = new QPlainTextEdit;
    preview_->setReadOnly(true);
    preview_->setFrameShape(QFrame::NoFrame);
    preview_->setLineWrapMode(QPlainTextEdit::NoWrap);
    preview_->setFont(theme::monoFont());
    preview_->setAccessibleName(tr("The list as it will be"));
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    save_ = button(tr("Save as\u2026"), "accent");
    connect(save_, &QPushButton::clicked, this, &ListsView::save);
    fillWith(panes(left, ground(toldBeside(told_, {save_}), preview_), "deliver/list panes"));
    connect(&lists_, &ListsOutController::changed, this, &ListsView::showPreview);
    connect(&lists_.layouts(), &Layouts::changed, this, &ListsView::showLayout);
    connect(&delivering_, &Delivering::changed, this, [this] {
        if (delivering_.isAnother())
            title_->clear();
    });
    lists_.setFolder(Path(ss(deliverFolder())));
    showLayout();
    showPreview();
}

QWidget* ListsView::headPart() {
    return layouts_;
}

void ListsView::takeKeyboard() {
    if (delivering_.of().isEmpty())
        emit tracksWanted();
    else
        title_->setFocus();
}

void ListsView::change() {
    deliver::ListLayout layout = lists_.layout();
    layout.form = static_cast<Form>(form_->currentIndex());
    layout.places.kind = static_cast<Kind>(places_->currentIndex());
    layout.places.from = ss(from_->text());
    layout.places.to = ss(to_->text());
    lists_.layouts().change(std::move(layout));
}

void ListsView::showLayout() {
    const deliver::ListLayout& layout = lists_.layout();
    form_->setCurrentIndex(static_cast<int>(layout.form));
    places_->setCurrentIndex(static_cast<int>(layout.places.kind));
    showText(from_, layout.places.from);
    showText(to_, layout.places.to);
    for (QWidget* w : std::initializer_list<QWidget*>{from_, to_, fromLabel_, toLabel_})
        w->setVisible(layout.places.kind == Kind::Rewritten);
}

void ListsView::showPreview() {
    preview_->setPlainText(qs(lists_.preview()));
    const bool any = lists_.tracks() > 0;
    save_->setEnabled(any);
    told_->setText(any ? tr("As it will be \u00B7 %n track(s)", "", static_cast<int>(lists_.tracks()))
                       : tr("Add tracks on the left, or send them from the Library with Ctrl+Alt+H."));
}

void ListsView::save() {
    const Path path = askWhereToSave(tr("Save the list"), lists_.proposedName(), lists_.layout().ending());
    if (path.empty())
        return;
    lists_.setFolder(path.parent_path());
    lists_.save(path);
}

void ListsView::saveLibrary() {
    const QString file =
        QFileDialog::getSaveFileName(this, tr("Save the whole library"), deliverFolder() + "/library.jsonl",
                                     tr("JSON Lines (*.jsonl);;All files (*)"));
    if (file.isEmpty())
        return;
    rememberDeliverFolder(file);
    lists_.saveLibrary(Path(ss(file)));
}

} // namespace moorfrost::app
