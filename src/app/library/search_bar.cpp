// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/search_bar.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QStandardItemModel>
#include <QStyledItemDelegate>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/flow_layout.h"
#include "app/widgets/line_icons.h"

namespace moorfrost::app {

namespace {

QToolButton* quietButton(const char* name) {
    auto* b = new QToolButton;
    b->setObjectName(name);
    b->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
    b->setCursor(Qt::PointingHandCursor);
    return b;
}

} // namespace

SearchBar::SearchBar(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    box_ = new QLineEdit;
    box_->setPlaceholderText(tr("Search: words, artist:varnholt, year:1970-1989, missing:isrc \u2026"));
    box_->setAccessibleName(tr("Search the library"));
    box_->addAction(theme::icon("search"), QLineEdit::LeadingPosition);
    nameLineIcon(box_, tr("Search"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(box_);

    understood_ = new QWidget;
    understood_->setObjectName("understood");
    understood_->setAttribute(Qt::WA_StyledBackground);
    chipArea_ = new QWidget;
    flow_ = new FlowLayout(chipArea_, 6);
    auto* around = new QVBoxLayout(understood_);
    around->setContentsMargins(12, 5, 12, 5);
    around->addWidget(chipArea_);
    trouble_ = quietButton("searchTrouble");
    trouble_->setIcon(theme::icon("attention"));
    understood_->hide();

    suggestionModel_ = new QStandardItemModel(this);
    completer_ = new QCompleter(suggestionModel_, this);
    completer_->setWidget(box_);
    completer_->setCompletionMode(QCompleter::UnfilteredPopupCompletion);
    completer_->setMaxVisibleItems(10);
    completer_->popup()->setObjectName("suggestions");
    completer_->popup()->setItemDelegate(new QStyledItemDelegate(this));
    connect(completer_, qOverload<const QModelIndex&>(&QCompleter::activated), this,
            [this](const QModelIndex& index) { takeSuggestion(index.row()); });
    connect(box_, &QLineEdit::textChanged, this, &SearchBar::parse);
    connect(box_, &QLineEdit::textEdited, this, &SearchBar::askForSuggestions);
    connect(trouble_, &QToolButton::clicked, this, [this] {
        if (!parsed_.error)
            return;
        auto length = [&](size_t bytes) {
            return static_cast<int>(QString::fromUtf8(text().substr(0, bytes)).size());
        };
        box_->setFocus();
        box_->setSelection(length(parsed_.error->from),
                           length(parsed_.error->to) - length(parsed_.error->from));
    });
}

std::string SearchBar::text() const {
    return ss(box_->text());
}

void SearchBar::setText(const std::string& text) {
    box_->setText(qs(text));
}

void SearchBar::setSearcher(std::shared_ptr<const library::Searcher> searcher) {
    searcher_ = std::move(searcher);
    parse();
}

QString SearchBar::trouble() const {
    return parsed_.error ? trouble_->text() : QString();
}

bool SearchBar::findsBeginnings() const {
    return use_.settings.get(library::settings::words) == library::WordPlaces::Beginnings;
}

void SearchBar::parse() {
    parsed_ = library::parseQuery(text(), searcher_ ? searcher_->customFields() : std::vector<std::string>());
    if (findsBeginnings())
        parsed_.query = library::withBeginnings(std::move(parsed_.query));
    showUnderstood();
    emit changed();
}

void SearchBar::showUnderstood() {
    for (QToolButton* chip : chips_) {
        flow_->removeWidget(chip);
        chip->deleteLater();
        chip->hide();
    }
    chips_.clear();
    flow_->removeWidget(trouble_);
    trouble_->setVisible(parsed_.error.has_value());
    if (parsed_.error) {
        std::string part = text().substr(parsed_.error->from, parsed_.error->to - parsed_.error->from);
        trouble_->setText(QString("\u201C%1\u201D: %2").arg(qs(part), spoken(parsed_.error->sentence)));
        trouble_->setToolTip(tr("Shows the place"));
        trouble_->setParent(chipArea_);
        flow_->addWidget(trouble_);
        trouble_->show();
    }
    for (const library::Chip& chip : library::chipsOf(parsed_.query)) {
        QToolButton* b = quietButton("searchChip");
        b->setText(qs(chip.text));
        b->setIcon(theme::icon("close"));
        b->setIconSize({10, 10});
        b->setLayoutDirection(Qt::RightToLeft); // what takes it away stands behind it
        b->setToolTip(tr("Take this question out"));
        b->setAccessibleName(tr("Take out: %1").arg(qs(chip.text)));
        connect(b, &QToolButton::clicked, this, [this, chip] {
            std::string rest =
                text::trim(text().substr(0, chip.from)) + " " + text::trim(text().substr(chip.to));
            setText(text::trim(rest));
            box_->setFocus();
        });
        b->setParent(chipArea_);
        flow_->addWidget(b);
        b->show();
        chips_.push_back(b);
    }
    understood_->setVisible(!chips_.empty() || parsed_.error);
    understood_->updateGeometry();
}

void SearchBar::askForSuggestions() {
    int run = ++run_;
    if (!searcher_)
        return;
    std::string query = text();
    auto cursor = static_cast<size_t>(box_->text().left(box_->cursorPosition()).toUtf8().size());
    use_.jobs.start(
        this, {ss(tr("Looking for what may follow"))},
        [searcher = searcher_, query, cursor](std::stop_token,
                                              work::Progress&) -> Result<std::vector<library::Suggestion>> {
            return library::suggest(*searcher, query, cursor);
        },
        [this, run](Result<std::vector<library::Suggestion>> found) {
            if (run != run_ || !found)
                return;
            suggestions_ = std::move(*found);
            suggestionModel_->clear();
            for (const library::Suggestion& s : suggestions_)
                suggestionModel_->appendRow(new QStandardItem(
                    s.count > 0 ? tr("%1   %L2").arg(qs(s.shown)).arg(s.count) : qs(s.shown)));
            if (suggestions_.empty() || !box_->hasFocus())
                completer_->popup()->hide();
            else
                completer_->complete();
        });
}

QStringList SearchBar::suggestions() const {
    QStringList out;
    for (const library::Suggestion& s : suggestions_)
        out << qs(s.shown);
    return out;
}

void SearchBar::takeSuggestion(int row) {
    if (row < 0 || static_cast<size_t>(row) >= suggestions_.size())
        return;
    const library::Suggestion s = suggestions_[static_cast<size_t>(row)];
    std::string now = text();
    if (s.to > now.size())
        return;
    std::string before = now.substr(0, s.from) + s.text;
    if (s.text.back() != ':')
        before += ' ';
    setText(before + now.substr(s.to));
    box_->setCursorPosition(static_cast<int>(qs(before).size()));
    if (s.text.back() == ':')
        askForSuggestions();
}

} // namespace moorfrost::app
