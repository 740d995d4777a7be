// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/controls.h"

#include <QBoxLayout>
#include <QDialog>
#include <QFrame>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QSettings>
#include <QSplitter>
#include <QStyle>
#include <QStyleOptionComboBox>
#include <QStylePainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/flow_layout.h"
#include "app/widgets/paint.h"
#include "app/widgets/picture_cells.h"

namespace moorfrost::app {

Choice::Choice(QWidget* parent) : QComboBox(parent) {
    setSizeAdjustPolicy(QComboBox::AdjustToContents);
}

void Choice::paintEvent(QPaintEvent*) {
    QStylePainter painter(this);
    QStyleOptionComboBox option;
    initStyleOption(&option);
    painter.drawComplexControl(QStyle::CC_ComboBox, option);
    constexpr int around = 34; // margins and the arrow
    option.currentText = fontMetrics().elidedText(option.currentText, Qt::ElideRight, width() - around);
    painter.drawControl(QStyle::CE_ComboBoxLabel, option);
    painter.drawPixmap(paint::Mirror(painter, rect())(QRect(width() - 20, height() / 2 - 7, 14, 14)),
                       theme::pixmap("chevron", theme::colours().second, 14, devicePixelRatioF()));
}

EvidenceBar::EvidenceBar(QWidget* parent) : QWidget(parent) {
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
}

void EvidenceBar::setValue(double sure) {
    sure_ = sure;
    setAccessibleName(tr("Sure: %1").arg(QLocale().toString(sure, 'f', 2)));
    update();
}

void EvidenceBar::paintEvent(QPaintEvent*) {
    const auto& c = theme::colours();
    QPainter p(this);
    const paint::Mirror side(p, rect());
    const QRect track(0, height() / 2 - 3, std::min(110, width() - 46), 7);
    p.fillRect(side(track), c.sunk);
    p.fillRect(
        side(QRect(track.topLeft(), QSize(static_cast<int>(track.width() * std::clamp(sure_, 0.0, 1.0)), 7))),
        sure_ >= 0.9 ? c.moss : c.lichen);
    p.setFont(theme::uiFont(13, QFont::DemiBold));
    p.setPen(c.ink);
    p.drawText(side(QRect(track.right() + 9, 0, 40, height())), Qt::AlignVCenter,
               QLocale().toString(sure_, 'f', 2));
}

ShortLabel::ShortLabel(const QString& text, QWidget* parent) : QLabel(text, parent) {
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    setTextFormat(Qt::PlainText);
    setToolTip(text);
}

void ShortLabel::setText(const QString& text) {
    QLabel::setText(text);
    setToolTip(text);
}

void ShortLabel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setPen(palette().color(foregroundRole()));
    painter.drawText(contentsRect(), static_cast<int>(alignment()) | Qt::TextSingleLine,
                     fontMetrics().elidedText(text(),
                                              objectName() == "mono" ? Qt::ElideMiddle : Qt::ElideRight,
                                              contentsRect().width()));
}

namespace {
/// Lines of a hint are as wide as there is room, up to what reads well.
class HintWidth : public QObject {
public:
    HintWidth(QWidget* hint, std::vector<QLabel*> lines)
        : QObject(hint), hint_(hint), lines_(std::move(lines)) {
        hint->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        constexpr int narrowest = 120, widest = 460, margin = 20;
        if (event->type() == QEvent::Resize || event->type() == QEvent::LayoutRequest)
            for (QLabel* line : lines_) {
                line->setFixedWidth(std::clamp(hint_->width() - 2 * margin, narrowest, widest));
                line->setMinimumHeight(std::max(0, line->heightForWidth(line->width())));
            }
        return false;
    }

private:
    QWidget* hint_;
    std::vector<QLabel*> lines_;
};
} // namespace

EmptyHint::EmptyHint(const QString& icon, const QString& title, const QString& text,
                     const QString& buttonText, QWidget* parent)
    : QWidget(parent), icon_(icon), title_(label(title, "title")), text_(label(text, "quiet")) {
    auto* layout = new QVBoxLayout(this);
    layout->setAlignment(Qt::AlignCenter);
    layout->setSpacing(8);
    layout->addSpacing(56);
    for (QLabel* l : {title_, text_}) {
        l->setAlignment(Qt::AlignCenter);
        l->setWordWrap(true);
        layout->addWidget(l, 0, Qt::AlignHCenter);
    }
    new HintWidth(this, {title_, text_});
    if (!buttonText.isEmpty()) {
        button_ = new QPushButton(buttonText);
        layout->addSpacing(8);
        layout->addWidget(button_, 0, Qt::AlignHCenter);
    }
}

void EmptyHint::setTexts(const QString& title, const QString& text) {
    title_->setText(title);
    text_->setText(text);
}

QPushButton* EmptyHint::addButton(const QString& text) {
    auto* added = new QPushButton(text);
    layout()->addWidget(added);
    layout()->setAlignment(added, Qt::AlignHCenter);
    return added;
}

void EmptyHint::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.drawPixmap(width() / 2 - 22, title_->y() - 56,
                       theme::pixmap(icon_, theme::colours().third, 44, devicePixelRatioF()));
}

QLabel* label(const QString& text, const char* name, QWidget* parent) {
    auto* l = new QLabel(text, parent);
    l->setObjectName(name);
    l->setTextFormat(Qt::PlainText);
    return l;
}

QPushButton* button(const QString& text, const char* name) {
    auto* b = new QPushButton(text);
    b->setObjectName(name);
    b->setAutoDefault(false);
    return b;
}

QToolButton* iconButton(const QString& icon, const QString& tip) {
    auto* b = new QToolButton;
    b->setObjectName("flat");
    b->setIcon(theme::icon(icon));
    b->setIconSize({18, 18});
    b->setToolTip(tip);
    b->setAccessibleName(tip);
    b->setProperty("icon", icon);
    return b;
}

QWidget* bar(const char* name, QBoxLayout* layout, int height) {
    auto* w = new QFrame;
    w->setObjectName(name);
    w->setLayout(layout);
    layout->setContentsMargins(12, 6, 12, 6);
    layout->setSpacing(8);
    if (height > 0)
        w->setMinimumHeight(height);
    return w;
}

QWidget* flowing(const std::vector<QWidget*>& widgets, int gap) {
    auto* box = new QWidget;
    auto* flow = new FlowLayout(box, gap);
    for (QWidget* w : widgets)
        flow->addWidget(w);
    QSizePolicy policy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    policy.setHeightForWidth(true);
    box->setSizePolicy(policy);
    return box;
}

QBoxLayout* toldBeside(QWidget* told, const std::vector<QWidget*>& controls, int gap) {
    auto* box = new QWidget;
    auto* flow = new FlowLayout(box, gap, true);
    for (QWidget* w : controls)
        flow->addWidget(w);
    QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Preferred);
    policy.setHeightForWidth(true);
    box->setSizePolicy(policy);
    QSizePolicy rest = told->sizePolicy();
    rest.setHorizontalPolicy(QSizePolicy::Ignored);
    told->setSizePolicy(rest);
    auto* layout = new QHBoxLayout;
    layout->setSpacing(8);
    layout->addWidget(told, 1);
    layout->addWidget(box);
    return layout;
}

QWidget* captioned(const QString& caption, const std::vector<QWidget*>& controls) {
    auto* box = new QWidget;
    auto* layout = new QHBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    layout->addWidget(label(caption, "caption"));
    for (QWidget* w : controls)
        layout->addWidget(w);
    return box;
}

namespace {
/// Rows of 28 pixels. Names lose their middle when they are too long, sentences their end.
class RowDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void initStyleOption(QStyleOptionViewItem* option, const QModelIndex& index) const override {
        QStyledItemDelegate::initStyleOption(option, index);
        option->textElideMode =
            option->font.family() == theme::monoFont().family() ? Qt::ElideMiddle : Qt::ElideRight;
        if (option->displayAlignment & Qt::AlignRight)
            option->text += QString(3, QChar(0x2009)); // room to what stands on the right
    }
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        return {QStyledItemDelegate::sizeHint(option, index).width() + gapOf(option, index), 28};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const paint::Mirror side(*p, option.rect);
        const int gap = gapOf(option, index);
        if (gap > 0 && option.state & QStyle::State_Selected)
            p->fillRect(side(QRect(option.rect.left(), option.rect.top(), gap, option.rect.height())),
                        theme::colours().fjordBack);
        const QVariant pictures = index.data(picturesRole);
        if (!pictures.isValid()) {
            QStyledItemDelegate::paint(p, shifted(option, gap), index);
            return;
        }
        const auto cell = pictures.value<PictureCell>();
        const int width = static_cast<int>(std::min<size_t>(4, cell.pictures.size())) * 28;
        if (option.state & QStyle::State_Selected)
            p->fillRect(side(QRect(option.rect.left(), option.rect.top(), width, option.rect.height())),
                        theme::colours().fjordBack);
        QStyledItemDelegate::paint(p, shifted(option, gap + width), index);
        paintPictures(p, shifted(option, gap).rect, cell);
    }
    bool editorEvent(QEvent* event, QAbstractItemModel* model, const QStyleOptionViewItem& option,
                     const QModelIndex& index) override {
        return QStyledItemDelegate::editorEvent(event, model, shifted(option, gapOf(option, index)), index);
    }

private:
    /// In lists without folders, so that what stands on the left begins below its heading.
    static int gapOf(const QStyleOptionViewItem& option, const QModelIndex& index) {
        const auto* tree = qobject_cast<const QTreeView*>(option.widget);
        const bool right = index.data(Qt::TextAlignmentRole).toInt() & Qt::AlignRight;
        return tree && !tree->rootIsDecorated() && !right ? 5 : 0;
    }
    static QStyleOptionViewItem shifted(const QStyleOptionViewItem& option, int gap) {
        QStyleOptionViewItem out(option);
        out.rect = QStyle::visualRect(option.direction, option.rect, option.rect.adjusted(gap, 0, 0, 0));
        return out;
    }
};
} // namespace

TakeBar takeBar(QDialog* dialog, const QString& take) {
    auto* layout = new QHBoxLayout;
    TakeBar out{nullptr, label({}, "quiet"),
                button(take.isEmpty() ? QDialog::tr("Take as drafts") : take, "accent")};
    auto* cancel = button(QDialog::tr("Cancel"));
    out.take->setDefault(true);
    layout->addWidget(out.summary);
    layout->addStretch();
    layout->addWidget(cancel);
    layout->addWidget(out.take);
    QObject::connect(cancel, &QPushButton::clicked, dialog, &QDialog::reject);
    out.widget = bar("bottom", layout, 48);
    return out;
}

TakeBar twoParts(QDialog* dialog, QWidget* left, QWidget* right, const QList<int>& widths,
                 const QString& name) {
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(right);
    splitter->setStretchFactor(1, 1);
    splitter->setChildrenCollapsible(false);
    splitter->setSizes(widths);
    remember(splitter, name);
    const TakeBar foot = takeBar(dialog);
    auto* layout = new QVBoxLayout(dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(splitter, 1);
    layout->addWidget(foot.widget);
    return foot;
}

void prepareTree(QTreeWidget* tree, const QStringList& headers) {
    tree->setHeaderLabels(headers);
    prepareTree(tree);
}

void prepareTree(QTreeView* tree) {
    tree->setUniformRowHeights(true);
    tree->setItemDelegate(new RowDelegate(tree));
    tree->setTextElideMode(Qt::ElideMiddle);
    tree->setSelectionMode(QAbstractItemView::ExtendedSelection);
    tree->setAllColumnsShowFocus(true);
    tree->header()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    tree->header()->setHighlightSections(false);
    tree->header()->setStretchLastSection(true);
}

namespace {
class StepKeys : public QObject {
public:
    StepKeys(QLineEdit* line, QListWidget* list) : QObject(line), list_(list) {}
    bool eventFilter(QObject*, QEvent* event) override {
        const int key = event->type() == QEvent::KeyPress ? static_cast<QKeyEvent*>(event)->key() : 0;
        if (key != Qt::Key_Down && key != Qt::Key_Up)
            return false;
        const int row = list_->currentRow() + (key == Qt::Key_Down ? 1 : -1);
        list_->setCurrentRow(std::clamp(row, 0, std::max(0, list_->count() - 1)));
        return true;
    }

private:
    QListWidget* list_;
};
} // namespace

void showText(QLineEdit* line, const std::string& text) {
    if (line->text().trimmed() != qs(text).trimmed())
        line->setText(qs(text));
}

void stepThrough(QLineEdit* line, QListWidget* list) {
    line->installEventFilter(new StepKeys(line, list));
}

void remember(QObject* object, const QString& name) {
    QSettings settings;
    QByteArray state = settings.value("state/" + name).toByteArray();
    if (auto* header = qobject_cast<QHeaderView*>(object)) {
        if (!state.isEmpty())
            header->restoreState(state);
        auto save = [header, name] { QSettings().setValue("state/" + name, header->saveState()); };
        QObject::connect(header, &QHeaderView::sectionResized, header, save);
        QObject::connect(header, &QHeaderView::sectionMoved, header, save);
        QObject::connect(header, &QHeaderView::sortIndicatorChanged, header, save);
    } else if (auto* splitter = qobject_cast<QSplitter*>(object)) {
        if (!state.isEmpty())
            splitter->restoreState(state);
        QObject::connect(splitter, &QSplitter::splitterMoved, splitter,
                         [splitter, name] { QSettings().setValue("state/" + name, splitter->saveState()); });
    }
}

} // namespace moorfrost::app
