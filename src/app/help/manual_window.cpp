// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/manual_window.h"

#include <QDesktopServices>
#include <QImage>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QScrollBar>
#include <QShortcut>
#include <QSplitter>
#include <QTextBlock>
#include <QTextTable>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/line_icons.h"

namespace moorfrost::app {

namespace {
constexpr int keyRole = Qt::UserRole, headingRole = Qt::UserRole + 1, lineRole = Qt::UserRole + 2;
constexpr int margin = 28; // around the text, pixels

/// At the end of a word.
QString shortened(const QString& line, qsizetype most) {
    if (line.size() <= most)
        return line;
    const qsizetype space = line.lastIndexOf(' ', most);
    return line.left(space > 0 ? space : most) + QString::fromUtf8("\xE2\x80\xA6");
}
} // namespace

ManualText::ManualText(QWidget* parent) : QTextBrowser(parent) {
    setOpenLinks(false);
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // its coming and going would change the room
    setHorizontalScrollBarPolicy(Qt::ScrollBarAsNeeded);
    document()->setDocumentMargin(margin);
    refit_.setSingleShot(true);
    refit_.setInterval(80);
    connect(&refit_, &QTimer::timeout, this, &ManualText::refit);
}

void ManualText::show(const ManualPage& page, const Path& folder) {
    folder_ = folder;
    setMarkdownOf(page.text);
    goTo({});
}

void ManualText::setMarkdownOf(const QString& text) {
    shown_ = text;
    width_ = viewport()->width();
    document()->setMarkdown(text, QTextDocument::MarkdownDialectGitHub);
    const theme::Colours& colours = theme::colours();
    QTextCursor cursor(document());
    cursor.beginEditBlock();
    struct Piece {
        int from, to;
        QTextCharFormat format;
    };
    std::vector<Piece> pieces; // formats change what fragments there are: they are gathered first
    for (QTextBlock block = document()->begin(); block.isValid(); block = block.next()) {
        QTextBlockFormat format = block.blockFormat();
        const int level = format.headingLevel();
        format.setTopMargin(level == 1 ? 4 : level > 1 ? 22 : 5);
        format.setBottomMargin(level > 0 ? 8 : 5);
        if (!block.text().contains(QChar::ObjectReplacementCharacter)) // a picture needs no more room
            format.setLineHeight(128, QTextBlockFormat::ProportionalHeight);
        cursor.setPosition(block.position());
        cursor.setBlockFormat(format);
        for (auto it = block.begin(); !it.atEnd(); ++it) {
            Piece piece{it.fragment().position(), it.fragment().position() + it.fragment().length(), {}};
            if (it.fragment().charFormat().fontWeight() > QFont::DemiBold)
                piece.format.setFontWeight(QFont::DemiBold); // our fonts have no bolder one
            if (it.fragment().charFormat().isAnchor())
                piece.format.setForeground(colours.accent);
            if (!piece.format.properties().isEmpty())
                pieces.push_back(piece);
        }
    }
    for (const Piece& piece : pieces) {
        cursor.setPosition(piece.from);
        cursor.setPosition(piece.to, QTextCursor::KeepAnchor);
        cursor.mergeCharFormat(piece.format);
    }
    for (QTextFrame* frame : document()->rootFrame()->childFrames())
        if (auto* table = qobject_cast<QTextTable*>(frame)) {
            QTextTableFormat format = table->format();
            format.setBorderCollapse(true);
            format.setBorder(1);
            format.setBorderBrush(colours.line);
            format.setBorderStyle(QTextFrameFormat::BorderStyle_Solid);
            format.setCellPadding(5);
            format.setCellSpacing(0);
            format.setTopMargin(8);
            format.setBottomMargin(12);
            table->setFormat(format);
        }
    cursor.endEditBlock();
}

QVariant ManualText::loadResource(int type, const QUrl& name) {
    if (type != QTextDocument::ImageResource || !name.isRelative())
        return {};
    const QImage picture(qs((folder_ / ss(name.path())).lexically_normal().native()));
    if (picture.isNull())
        return {};
    const double scale = devicePixelRatioF();
    const int room = std::max(200, viewport()->width() - 2 * margin - 4);
    const int wide = std::min(room, picture.width());
    QImage out = picture.scaledToWidth(static_cast<int>(std::lround(wide * scale)), Qt::SmoothTransformation);
    out = out.convertToFormat(QImage::Format_RGB32);
    QPainter painter(&out); // a frame: its ground is often that of the page
    painter.setPen(theme::colours().line);
    painter.drawRect(0, 0, out.width() - 1, out.height() - 1);
    painter.end();
    out.setDevicePixelRatio(scale);
    return out;
}

void ManualText::resizeEvent(QResizeEvent* event) {
    QTextBrowser::resizeEvent(event);
    if (viewport()->width() != width_ && !shown_.isEmpty())
        refit_.start(); // not at once: it may be resized again and again
}

void ManualText::refit() {
    const bool isMoved = verticalScrollBar()->value() != gone_; // by hand, since a part was gone to
    const int top = cursorForPosition(QPoint(0, 0)).position();
    setMarkdownOf(shown_);
    if (!isMoved)
        return goTo(heading_);
    QTextCursor cursor(document());
    cursor.setPosition(top);
    setTextCursor(cursor);
    verticalScrollBar()->setValue(verticalScrollBar()->value() + cursorRect().top());
}

QTextBlock ManualText::blockOf(const QString& heading) const {
    for (QTextBlock block = document()->begin(); block.isValid(); block = block.next())
        if (block.blockFormat().headingLevel() > 0 && block.text().compare(heading, Qt::CaseInsensitive) == 0)
            return block;
    return {};
}

void ManualText::goTo(const QString& heading) {
    heading_ = heading;
    const QTextBlock block = heading.isEmpty() ? QTextBlock() : blockOf(heading);
    setTextCursor(QTextCursor(block.isValid() ? block : document()->begin()));
    verticalScrollBar()->setValue(block.isValid() ? verticalScrollBar()->value() + cursorRect().top() - 12
                                                  : 0);
    gone_ = verticalScrollBar()->value();
}

bool ManualText::shows(const QString& heading) const {
    const QTextBlock block = blockOf(heading);
    if (!block.isValid())
        return false;
    const int top = cursorRect(QTextCursor(block)).top();
    return top >= 0 && top < viewport()->height();
}

void ManualText::mark(const QString& line, const QString& words) {
    const QStringList all = words.simplified().split(' ', Qt::SkipEmptyParts);
    QList<QTextEdit::ExtraSelection> marks;
    QTextCharFormat format;
    format.setBackground(theme::colours().heatherBack);
    for (const QString& word : all)
        for (QTextCursor at = document()->find(word); !at.isNull(); at = document()->find(word, at))
            marks << QTextEdit::ExtraSelection{at, format};
    // The line itself: signs of Markdown are not in what is shown, so by its first words.
    const QString begin = line.section(QString::fromUtf8(" \xC2\xB7 "), 0, 0);
    QTextCursor at = document()->find(begin.left(60));
    if (at.isNull() && !all.isEmpty())
        at = document()->find(all.front());
    setExtraSelections(marks);
    if (at.isNull())
        return;
    at.clearSelection();
    setTextCursor(at);
    verticalScrollBar()->setValue(verticalScrollBar()->value() + cursorRect().top() -
                                  viewport()->height() / 3);
}

ManualWindow::ManualWindow(Manual manual, QWidget* parent) : QDialog(parent), manual_(std::move(manual)) {
    setWindowTitle(tr("Manual"));
    setWindowFlags(Qt::Window);
    resize(1000, 720);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search the manual (Ctrl+F)"));
    search_->setAccessibleName(tr("Search the manual"));
    addClearButton(search_);
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Pages"));
    list_->setWordWrap(true);
    list_->setFrameShape(QFrame::NoFrame);
    list_->setObjectName("pages");
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    text_ = new ManualText;
    text_->setAccessibleName(tr("Page of the manual"));
    auto* top = new QHBoxLayout;
    top->addWidget(search_);
    auto* left = new QWidget;
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(bar("tools", top));
    column->addWidget(list_, 1);
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(text_);
    splitter->setStretchFactor(1, 1);
    splitter->setCollapsible(0, false);
    splitter->setCollapsible(1, false);
    splitter->setSizes({250, 750});
    remember(splitter, "manual");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(splitter);
    listPages();
    connect(search_, &QLineEdit::textChanged, this, [this](const QString& words) {
        if (words.trimmed().isEmpty())
            listPages();
        else
            listFound();
    });
    stepThrough(search_, list_);
    connect(search_, &QLineEdit::returnPressed, this, [this] { take(list_->currentItem()); });
    connect(list_, &QListWidget::itemClicked, this, &ManualWindow::take);
    connect(list_, &QListWidget::itemActivated, this, &ManualWindow::take);
    connect(text_, &QTextBrowser::anchorClicked, this, &ManualWindow::follow);
    connect(new QShortcut(QKeySequence::Find, this), &QShortcut::activated, search_, [this] {
        search_->setFocus();
        search_->selectAll();
    });
    connect(new QShortcut(QKeySequence::Back, this), &QShortcut::activated, this, &ManualWindow::back);
}

void ManualWindow::listPages() {
    list_->clear();
    for (const ManualPage& page : manual_.pages()) {
        auto* item = new QListWidgetItem(page.title, list_);
        item->setData(keyRole, page.key);
        if (page.key == page_)
            list_->setCurrentItem(item);
    }
}

void ManualWindow::listFound() {
    list_->clear();
    for (const ManualPlace& place : manual_.find(search_->text())) {
        const ManualPage* page = manual_.page(place.page);
        const QString where = place.heading.isEmpty() ? page->title : page->title + ": " + place.heading;
        auto* item = new QListWidgetItem(where + "\n" + shortened(place.line, 120), list_);
        item->setToolTip(place.line);
        item->setData(keyRole, place.page);
        item->setData(headingRole, place.heading);
        item->setData(lineRole, place.line);
    }
    if (list_->count() == 0) {
        auto* none = new QListWidgetItem(tr("The manual has no line with these words."), list_);
        none->setFlags(Qt::NoItemFlags);
    } else {
        list_->setCurrentRow(0);
    }
}

void ManualWindow::open(const QString& place) {
    const QString key = place.section('#', 0, 0), heading = place.section('#', 1);
    const ManualPage* page = manual_.page(key);
    if (!page && !manual_.pages().empty())
        page = &manual_.pages().front();
    if (!page) {
        text_->show({{}, {}, tr("The manual is not there. Install Moorfrost again.")}, {});
        return;
    }
    if (page->key != page_) {
        if (!page_.isEmpty())
            before_.push_back(page_);
        page_ = page->key;
        text_->show(*page, manual_.folder());
    }
    text_->setExtraSelections({});
    text_->goTo(page->heading(heading));
    setWindowTitle(tr("Manual: %1").arg(page->title));
    if (search_->text().trimmed().isEmpty())
        listPages();
}

void ManualWindow::take(QListWidgetItem* item) {
    if (!item || item->data(keyRole).isNull())
        return;
    const QString line = item->data(lineRole).toString();
    open(item->data(keyRole).toString());
    if (!line.isEmpty())
        text_->mark(line, search_->text());
}

/// "other.md#heading": spaces of the heading are dashes, as pages on the web have it.
void ManualWindow::follow(const QUrl& link) {
    if (!link.isRelative()) {
        QDesktopServices::openUrl(link);
        return;
    }
    const QString key = link.path().isEmpty() ? page_ : link.path().section('/', -1).section('.', 0, 0);
    open(key + "#" + link.fragment().replace('-', ' '));
}

void ManualWindow::back() {
    if (before_.empty())
        return;
    const QString to = before_.back();
    before_.pop_back();
    page_.clear(); // not noted as where one came from
    open(to);
}

} // namespace moorfrost::app
