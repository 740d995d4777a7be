// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_tracks.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QInputDialog>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>
#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using Model = ReleaseTrackModel;
constexpr int lineHeight = 28, numberWidth = 46, lengthWidth = 62, recordingWidth = 196, filesWidth = 110;

class TrackDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool head = index.data(Model::HeadRole).toBool();
        p->save();
        p->fillRect(r, option.state & QStyle::State_Selected ? c.fjordBack : head ? c.window : c.panel);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        const paint::Mirror side(*p, r);
        QRect text = r.adjusted(8, 0, -8, 0);
        const bool small = index.column() >= ReleaseTracks::Recording;
        p->setFont(theme::uiFont(small ? 12 : 13, head ? QFont::DemiBold : QFont::Normal));
        p->setPen(head || small ? c.second : c.ink);
        if (index.data(Model::MissingRole).toBool())
            p->setPen(small ? c.lichen : c.third);
        const QString words = index.data().toString();
        const auto align = static_cast<Qt::Alignment>(index.data(Qt::TextAlignmentRole).toInt());
        const QString second = index.data(Model::SecondRole).toString();
        const QString shown = p->fontMetrics().elidedText(words, Qt::ElideRight, text.width());
        p->drawText(side(text), align, shown);
        if (!second.isEmpty()) {
            const int width = p->fontMetrics().horizontalAdvance(shown) + 10;
            p->setPen(c.second);
            p->setFont(theme::uiFont(12));
            text.setLeft(text.left() + width);
            if (text.width() > 30)
                p->drawText(side(text), align,
                            p->fontMetrics().elidedText(second, Qt::ElideRight, text.width()));
        }
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(c.fjord);
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

ReleaseTracks::ReleaseTracks(QWidget* parent) : QTableView(parent), model_(new Model(this)) {
    setModel(model_);
    setItemDelegate(new TrackDelegate(this));
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(lineHeight);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setHighlightSections(false);
    setShowGrid(false);
    setFrameShape(NoFrame);
    setSelectionBehavior(SelectRows);
    setSelectionMode(ExtendedSelection);
    setTabKeyNavigation(false);
    setEditTriggers(EditKeyPressed | AnyKeyPressed);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setAccessibleName(tr("Tracks of the release"));
    connect(model_, &Model::changed, this, [this](const auto& media, const QString& title) {
        pending_.reset(); // older than this
        fit();
        emit mediaWanted(media, title);
    });
    connect(this, &QTableView::doubleClicked, this, [this](const QModelIndex& index) {
        if (index.column() == Files || index.column() == Recording) {
            if (const auto* t = model_->track(index.row()); t && !t->files.empty())
                emit playRequested(t->files.front());
        } else if (index.flags() & Qt::ItemIsEditable) {
            edit(index);
        }
    });
}

void ReleaseTracks::show(const ShownRelease& release, ReleasesController::List list) {
    if (state() == EditingState) { // nobody's editor is closed under the hands
        pending_ = Pending{release, std::move(list)};
        return;
    }
    pending_.reset();
    const QModelIndex had = currentIndex();
    const library::ReleaseRef &was = model_->release().view.ref, &is = release.view.ref;
    const bool same = (is.id != 0 && is.id == was.id) || (!is.files.empty() && is.files == was.files);
    model_->show(release, std::move(list));
    if (same && had.isValid() && model_->rowCount() > 0)
        setCurrentIndex(model_->index(std::min(had.row(), model_->rowCount() - 1), had.column()));
    fit();
}

void ReleaseTracks::closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) {
    QTableView::closeEditor(editor, hint);
    if (pending_ && state() != EditingState) {
        const Pending now = std::move(*pending_);
        show(now.release, now.list);
    }
    if (state() != EditingState)
        QMetaObject::invokeMethod(this, &ReleaseTracks::editorClosed, Qt::QueuedConnection);
}

QString ReleaseTracks::textOf(size_t track, Column column) const {
    size_t n = 0;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->track(row) && n++ == track)
            return model_->index(row, column).data().toString();
    return {};
}

std::vector<int> ReleaseTracks::chosenRows() const {
    std::set<int> rows;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        rows.insert(index.row());
    return {rows.begin(), rows.end()};
}

void ReleaseTracks::addTrack() {
    std::vector<library::MediumToKeep> media = model_->media();
    if (media.empty())
        media.emplace_back();
    const auto rows = chosenRows();
    size_t medium = media.size() - 1, at = media.back().tracks.size();
    if (!rows.empty()) {
        const Model::Row& row = model_->rows()[static_cast<size_t>(rows.back())];
        medium = row.medium;
        at = row.track == SIZE_MAX ? 0 : row.track + 1;
    }
    auto& tracks = media[medium].tracks;
    reference::Track track;
    track.position = std::to_string(at + 1);
    tracks.insert(tracks.begin() + static_cast<std::ptrdiff_t>(at), {track, 0});
    model_->change(std::move(media), tr("Add a track"));
    for (int row = 0; row < model_->rowCount(); ++row)
        if (const Model::Row& r = model_->rows()[static_cast<size_t>(row)];
            r.medium == medium && r.track == at)
            choose(row, row);
}

void ReleaseTracks::addMedium() {
    std::vector<library::MediumToKeep> media = model_->media();
    media.push_back({media.empty() ? std::string() : media.back().carrier, {}, {}, {}});
    model_->change(std::move(media), tr("Add a medium"));
}

void ReleaseTracks::removeChosen() {
    std::vector<library::MediumToKeep> media = model_->media();
    auto rows = chosenRows();
    if (rows.empty())
        return;
    std::ranges::reverse(rows);
    for (const int r : rows) {
        const Model::Row& row = model_->rows()[static_cast<size_t>(r)];
        if (row.track != SIZE_MAX)
            media[row.medium].tracks.erase(media[row.medium].tracks.begin() +
                                           static_cast<std::ptrdiff_t>(row.track));
        else
            media.erase(media.begin() + static_cast<std::ptrdiff_t>(row.medium));
    }
    model_->change(std::move(media), tr("Remove tracks"));
    choose(rows.back(), rows.back()); // the first of them: what stands there now
}

void ReleaseTracks::choose(int first, int last) {
    const int end = model_->rowCount() - 1;
    if (end < 0)
        return;
    first = std::clamp(first, 0, end);
    last = std::clamp(last, first, end);
    setCurrentIndex(model_->index(first, Title));
    selectionModel()->select({model_->index(first, 0), model_->index(last, ColumnCount - 1)},
                             QItemSelectionModel::ClearAndSelect);
}

void ReleaseTracks::moveChosen(int by) {
    const auto rows = chosenRows();
    if (rows.empty())
        return;
    std::vector<library::MediumToKeep> media = model_->media();
    const size_t medium = model_->rows()[static_cast<size_t>(rows.front())].medium;
    auto& tracks = media[medium].tracks;
    std::vector<size_t> chosen;
    for (const int r : rows) {
        const Model::Row& row = model_->rows()[static_cast<size_t>(r)];
        if (row.track == SIZE_MAX || row.medium != medium)
            return;
        chosen.push_back(row.track);
    }
    if ((by < 0 && chosen.front() == 0) || (by > 0 && chosen.back() + 1 >= tracks.size()))
        return;
    if (by > 0)
        std::ranges::reverse(chosen);
    // Places stay where they are printed; what stands there moves.
    for (const size_t at : chosen) {
        const size_t to = by < 0 ? at - 1 : at + 1;
        std::swap(tracks[at], tracks[to]);
        std::swap(tracks[at].first.position, tracks[to].first.position);
    }
    model_->change(std::move(media), tr("Move tracks"));
    choose(rows.front() + by, rows.back() + by);
}

void ReleaseTracks::changeCredit() {
    const auto rows = chosenRows();
    const library::TrackView* first = rows.empty() ? nullptr : model_->track(rows.front());
    if (!first)
        return;
    reference::Release r;
    r.credit = first->printed.credit;
    bool ok = false;
    const QString line = QInputDialog::getText(
        this, tr("Artist as printed"), tr("Names; what joins them stands in brackets: Kestrel [ & ] Rook"),
        QLineEdit::Normal, qs(library::typingLine("credit", library::factOf(r, "credit"))), &ok);
    if (!ok)
        return;
    library::putFact(r, "credit", library::factFromTyping("credit", ss(line)));
    std::vector<library::MediumToKeep> media = model_->media();
    for (const int row : rows)
        if (model_->track(row)) {
            const Model::Row& at = model_->rows()[static_cast<size_t>(row)];
            media[at.medium].tracks[at.track].first.credit = r.credit;
        }
    model_->change(std::move(media), tr("Artist of tracks"));
}

std::vector<FileId> ReleaseTracks::files() const {
    std::vector<FileId> out;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (const auto* t = model_->track(row); t && !t->files.empty())
            out.push_back(t->files.front());
    return out;
}

QSize ReleaseTracks::sizeHint() const {
    return {400, horizontalHeader()->sizeHint().height() + model_->rowCount() * lineHeight + 1};
}

void ReleaseTracks::fit() {
    const int width = viewport()->width();
    const bool narrow = width < 560;
    const int recording = narrow ? 0 : recordingWidth;
    setColumnHidden(Recording, narrow);
    setColumnWidth(Number, numberWidth);
    setColumnWidth(Length, lengthWidth);
    if (!narrow)
        setColumnWidth(Recording, recordingWidth);
    setColumnWidth(Files, filesWidth);
    setColumnWidth(Title, std::max(120, width - numberWidth - lengthWidth - recording - filesWidth));
    setFixedHeight(sizeHint().height());
}

void ReleaseTracks::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void ReleaseTracks::keyPressEvent(QKeyEvent* event) {
    const bool editing = state() == EditingState;
    if (!editing && event->key() == Qt::Key_Space && event->modifiers() == Qt::NoModifier) {
        if (const auto* t = model_->track(currentIndex().row()); t && !t->files.empty())
            emit playRequested(t->files.front());
        return;
    }
    if (!editing && event->key() == Qt::Key_Delete)
        return removeChosen();
    if (!editing && event->key() == Qt::Key_Insert)
        return addTrack();
    if (!editing && event->modifiers() == Qt::AltModifier &&
        (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down))
        return moveChosen(event->key() == Qt::Key_Up ? -1 : 1);
    if (!editing && (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)) {
        if (const QModelIndex index = currentIndex(); index.isValid())
            edit(index.flags() & Qt::ItemIsEditable ? index : index.siblingAtColumn(Title));
        return;
    }
    QTableView::keyPressEvent(event);
}

void ReleaseTracks::contextMenuEvent(QContextMenuEvent* event) {
    const bool mouse = event->reason() == QContextMenuEvent::Mouse;
    const QModelIndex at = mouse ? indexAt(event->pos()) : currentIndex();
    QMenu menu(this);
    const library::TrackView* t = model_->track(at.row());
    if (t && !t->files.empty()) {
        const FileId file = t->files.front();
        menu.addAction(tr("Play"), this, [this, file] { emit playRequested(file); });
        menu.addAction(tr("Show in the library"), this, [this, file] { emit libraryWanted(file); });
    }
    if (t && model_->standsOn(*t).size() > 1) {
        auto* on = menu.addMenu(tr("The recording stands on"));
        for (const size_t entry : model_->standsOn(*t))
            on->addAction(model_->entryText(entry), this, [this, entry] { emit releaseWanted(entry); });
    }
    if (t) {
        menu.addSeparator();
        menu.addAction(tr("Artist as printed\u2026"), this, [this] { changeCredit(); });
    }
    menu.addAction(tr("Add a track"), QKeySequence(Qt::Key_Insert), this, [this] { addTrack(); });
    menu.addAction(tr("Add a medium"), this, [this] { addMedium(); });
    if (!chosenRows().empty())
        menu.addAction(tr("Remove"), QKeySequence(Qt::Key_Delete), this, [this] { removeChosen(); });
    menu.exec(mouse ? event->globalPos() : viewport()->mapToGlobal(visualRect(at).bottomLeft()));
}

} // namespace moorfrost::app
