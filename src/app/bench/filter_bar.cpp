// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/filter_bar.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QToolButton>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

FilterBar::FilterBar(QWidget* parent) : QFrame(parent) {
    setObjectName("tools");
    search_ = new QLineEdit;
    search_->setObjectName("filter");
    search_->setPlaceholderText(tr("Narrow these files: words of any column"));
    search_->setAccessibleName(tr("Narrow the sheet by words"));
    search_->setClearButtonEnabled(false);
    search_->installEventFilter(this);
    which_ = new QToolButton;
    which_->setObjectName("button");
    which_->setPopupMode(QToolButton::InstantPopup);
    which_->setMenu(new QMenu(which_));
    which_->setAccessibleName(tr("Which files are shown"));
    clear_ = iconButton("close", tr("Show all of them"));
    count_ = label({}, "quiet");
    auto* line = new QHBoxLayout(this);
    line->setContentsMargins(12, 5, 12, 5);
    line->setSpacing(6);
    line->addWidget(search_, 1);
    line->addWidget(which_);
    line->addWidget(count_);
    line->addWidget(clear_);
    soon_.setSingleShot(true);
    soon_.setInterval(120);
    connect(search_, &QLineEdit::textChanged, this, [this](const QString& text) {
        filter_.text = text;
        clear_->setEnabled(!filter_.isEmpty());
        soon_.start();
    });
    connect(&soon_, &QTimer::timeout, this, &FilterBar::changed);
    connect(which_->menu(), &QMenu::aboutToShow, this, &FilterBar::fillMenu);
    connect(clear_, &QToolButton::clicked, this, &FilterBar::clear);
    show({});
}

void FilterBar::setFilter(const SheetFilter& filter) {
    show(filter);
    soon_.stop();
    emit changed();
}

void FilterBar::show(const SheetFilter& filter) {
    filter_ = filter;
    {
        const QSignalBlocker quiet(search_);
        if (search_->text() != filter_.text)
            search_->setText(filter_.text);
    }
    QStringList which;
    if (filter_.drafted)
        which << tr("with a draft");
    if (filter_.undrafted)
        which << tr("without a draft");
    if (filter_.differs)
        which << tr("differs in its sleeve");
    if (!filter_.lacks.empty())
        which << tr("lacks %1").arg(fieldLabel(filter_.lacks));
    if (filter_.kind)
        which << kindText(*filter_.kind);
    which_->setText(tr("%1 \u25BE").arg(which.isEmpty() ? tr("All files") : which.join(", ")));
    clear_->setEnabled(!filter_.isEmpty());
}

void FilterBar::setCount(size_t shown, size_t all) {
    count_->setText(shown == all ? tr("%n file(s)", "", static_cast<int>(all))
                                 : tr("%1 of %2")
                                       .arg(QLocale().toString(static_cast<qulonglong>(shown)),
                                            QLocale().toString(static_cast<qulonglong>(all))));
}

void FilterBar::fillMenu() {
    QMenu* menu = which_->menu();
    menu->clear();
    auto add = [&](QMenu* to, const QString& text, bool on, auto change) {
        QAction* action = to->addAction(text, this, [this, change] {
            SheetFilter next = filter_;
            change(next);
            setFilter(next);
        });
        action->setCheckable(true);
        action->setChecked(on);
    };
    add(menu, tr("With a draft"), filter_.drafted, [](SheetFilter& f) {
        f.drafted = !f.drafted;
        f.undrafted = false;
    });
    add(menu, tr("Without a draft"), filter_.undrafted, [](SheetFilter& f) {
        f.undrafted = !f.undrafted;
        f.drafted = false;
    });
    add(menu, tr("Differs from most of its sleeve"), filter_.differs,
        [](SheetFilter& f) { f.differs = !f.differs; });
    QMenu* lacks = menu->addMenu(tr("Lacks"));
    add(lacks, tr("Whatever they lack"), filter_.lacks.empty(), [](SheetFilter& f) { f.lacks.clear(); });
    for (const char* key :
         {"title", "artist", "album", "album_artist", "track", "disc", "date", "genre", "composer", "label",
          "catalogue_number", "barcode", "isrc", "language", "carrier"})
        add(lacks, fieldLabel(key), filter_.lacks == key, [key](SheetFilter& f) { f.lacks = key; });
    QMenu* kinds = menu->addMenu(tr("Kind"));
    add(kinds, tr("Any kind"), !filter_.kind, [](SheetFilter& f) { f.kind.reset(); });
    for (matching::ContentKind kind : matching::allKinds())
        add(kinds, kindText(kind), filter_.kind == kind, [kind](SheetFilter& f) { f.kind = kind; });
}

bool FilterBar::eventFilter(QObject*, QEvent* event) {
    if (event->type() != QEvent::KeyPress)
        return false;
    auto* key = static_cast<QKeyEvent*>(event);
    if (key->key() == Qt::Key_Escape && !filter_.isEmpty()) {
        clear();
        return true;
    }
    if (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter || key->key() == Qt::Key_Down) {
        if (soon_.isActive()) {
            soon_.stop();
            emit changed();
        }
        emit left();
        return true;
    }
    return false;
}

} // namespace moorfrost::app
