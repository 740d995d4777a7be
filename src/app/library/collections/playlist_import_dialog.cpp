// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/playlist_import_dialog.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLineEdit>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTableView>

#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/cell_delegate.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using Evidence = library::PlaylistMatch::Evidence;

namespace {

/// Text that stands in line with the heads of the columns.
class BelowHeads : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem o(option);
        initStyleOption(&o, index);
        const QString text = std::exchange(o.text, QString());
        o.widget->style()->drawControl(QStyle::CE_ItemViewItem, &o, p, o.widget);
        const QRect room = o.rect.adjusted(8, 0, -8, 0);
        p->setFont(o.font);
        p->setPen(o.palette.color(QPalette::Text));
        p->drawText(room, static_cast<int>(o.displayAlignment),
                    o.fontMetrics.elidedText(text, Qt::ElideRight, room.width()));
    }
};

} // namespace

void PlaylistMatchModel::choose(int row, FileId file) {
    library::PlaylistMatch& m = matches_[static_cast<size_t>(row)];
    m.file = file;
    m.evidence = Evidence::None;
    m.told = file == 0 ? ss(tr("Left out.")) : ss(tr("Chosen by hand."));
    emit dataChanged(index(row, 0), index(row, Columns - 1));
    emit chosen();
}

QString PlaylistMatchModel::nameOf(FileId file) const {
    const auto it = names_.find(file);
    return it == names_.end() ? QString() : it->second;
}

QVariant PlaylistMatchModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return QAbstractTableModel::headerData(section, orientation, role);
    const QStringList names = {tr("No."), tr("In the playlist"), tr("In the library"), tr("Why")};
    return names.value(section);
}

QVariant PlaylistMatchModel::data(const QModelIndex& index, int role) const {
    const library::PlaylistMatch& m = matches_[static_cast<size_t>(index.row())];
    const auto& c = theme::colours();
    if (role == Qt::ForegroundRole)
        return index.column() == Number  ? c.second
               : index.column() == Entry ? c.ink
               : m.file != 0             ? (index.column() == Why ? c.second : c.ink)
               : m.candidates.empty()    ? c.rowan
                                         : c.lichen;
    if (role == Qt::TextAlignmentRole && index.column() == Number)
        return QVariant(Qt::AlignRight | Qt::AlignVCenter);
    if (role != Qt::DisplayRole && role != Qt::ToolTipRole)
        return {};
    switch (index.column()) {
    case Number:
        return index.row() + 1;
    case Entry: {
        const QString title = qs(m.entry.title), artist = qs(m.entry.artist);
        if (role == Qt::ToolTipRole || title.isEmpty())
            return qs(text::forDisplay(m.entry.place));
        return artist.isEmpty() ? title : tr("%1 \u00B7 %2").arg(title, artist);
    }
    case File:
        return m.file != 0 ? nameOf(m.file) : m.candidates.empty() ? tr("not found") : tr("to be chosen");
    case Why:
        return qs(m.told);
    default:
        return {};
    }
}

PlaylistImportDialog::PlaylistImportDialog(const CollectionsController::Import& import,
                                           std::map<FileId, QString> names, const QString& name,
                                           QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Import playlist"));
    model_ = new PlaylistMatchModel(import.matches, std::move(names), this);
    table_ = new QTableView;
    table_->setModel(model_);
    table_->setVerticalHeader(new RowHeights);
    table_->setShowGrid(false);
    table_->setWordWrap(false);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setItemDelegate(new BelowHeads(table_));
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->horizontalHeader()->setFixedHeight(30);
    table_->setColumnWidth(PlaylistMatchModel::Number, 48);
    table_->setColumnWidth(PlaylistMatchModel::Entry, 240);
    table_->setColumnWidth(PlaylistMatchModel::File, 250);
    table_->setContextMenuPolicy(Qt::CustomContextMenu);
    table_->setAccessibleName(tr("Entries of the playlist"));
    name_ = new QLineEdit(name);
    name_->setMinimumWidth(260);
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    auto* top = new QHBoxLayout;
    top->addWidget(label(tr("New list"), ""));
    top->addWidget(name_, 1);
    top->addSpacing(12);
    top->addWidget(told_, 2);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    take_ = buttons->addButton(QString(), QDialogButtonBox::AcceptRole);
    take_->setObjectName("accent");
    auto* choose = buttons->addButton(tr("Choose the file\u2026"), QDialogButtonBox::ActionRole);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 16, 14);
    layout->setSpacing(12);
    layout->addLayout(top);
    layout->addWidget(table_, 1);
    for (const std::string& note : import.playlist.notes) {
        auto* line = label(spoken(note), "attention");
        line->setWordWrap(true);
        layout->addWidget(line);
    }
    layout->addWidget(buttons);
    resize(900, 560);
    auto menuFor = [this](const QModelIndex& at) {
        if (at.isValid())
            showMenu(table_->viewport()->mapToGlobal(table_->visualRect(at).bottomLeft()));
    };
    connect(choose, &QPushButton::clicked, this, [this, menuFor] { menuFor(table_->currentIndex()); });
    connect(table_, &QTableView::activated, this, menuFor);
    connect(table_, &QWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { showMenu(table_->viewport()->mapToGlobal(at)); });
    auto choosable = [this, choose](const QModelIndex& at) {
        choose->setEnabled(at.isValid() &&
                           (model_->matches()[static_cast<size_t>(at.row())].file != 0 ||
                            !model_->matches()[static_cast<size_t>(at.row())].candidates.empty()));
    };
    connect(table_->selectionModel(), &QItemSelectionModel::currentChanged, this, choosable);
    choosable({});
    connect(model_, &PlaylistMatchModel::chosen, this, &PlaylistImportDialog::tell);
    connect(name_, &QLineEdit::textChanged, this, &PlaylistImportDialog::tell);
    tell();
    for (int row = 0; row < model_->rowCount(); ++row) // what needs a person comes in sight
        if (model_->matches()[static_cast<size_t>(row)].file == 0) {
            table_->setCurrentIndex(model_->index(row, PlaylistMatchModel::Entry));
            break;
        }
}

void PlaylistImportDialog::showMenu(const QPoint& at) {
    const QModelIndex current = table_->currentIndex();
    if (!current.isValid())
        return;
    const library::PlaylistMatch& m = model_->matches()[static_cast<size_t>(current.row())];
    QMenu menu(this);
    for (const FileId id : m.candidates)
        menu.addAction(model_->nameOf(id), this,
                       [this, row = current.row(), id] { model_->choose(row, id); });
    if (m.file != 0)
        menu.addAction(tr("Leave it out"), this, [this, row = current.row()] { model_->choose(row, 0); });
    if (!menu.isEmpty())
        menu.exec(at);
}

void PlaylistImportDialog::tell() {
    size_t there = 0, repaired = 0, open = 0;
    for (const library::PlaylistMatch& m : model_->matches()) {
        there += m.file != 0 ? 1 : 0;
        repaired += m.file != 0 && m.evidence != Evidence::SamePlace && m.evidence != Evidence::None ? 1 : 0;
        open += m.file == 0 ? 1 : 0;
    }
    QStringList parts{tr("%n track(s) found", "", static_cast<int>(there))};
    if (repaired > 0)
        parts << tr("%n of them at another place", "", static_cast<int>(repaired));
    if (open > 0)
        parts << tr("%n left out", "", static_cast<int>(open));
    told_->setText(parts.join(" \u00B7 "));
    take_->setText(tr("Make a list of %n track(s)", "", static_cast<int>(there)));
    take_->setEnabled(there > 0 && library::whyNotNamed(ss(name())).empty());
}

std::vector<FileId> PlaylistImportDialog::files() const {
    std::vector<FileId> out;
    for (const library::PlaylistMatch& m : model_->matches())
        if (m.file != 0)
            out.push_back(m.file);
    return out;
}

QString PlaylistImportDialog::name() const {
    return name_->text().trimmed();
}

QString PlaylistImportDialog::told() const {
    return told_->text();
}

} // namespace moorfrost::app
