// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/sleeve_grid.h"

#include <QAbstractListModel>
#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QPainter>
#include <QPointer>
#include <QStyledItemDelegate>

#include <unordered_set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

/// Headings and sleeves in one list.
class SleeveGridModel : public QAbstractListModel {
public:
    SleeveGridModel(const SleeveGrid::Uses& use, QObject* parent) : QAbstractListModel(parent), use_(use) {
        askTimer_.setSingleShot(true);
        connect(&askTimer_, &QTimer::timeout, this, &SleeveGridModel::askForTallies);
        connect(&use_.standards, &Standards::changed, this, [this] {
            forgetTallies();
            if (rowCount() > 0)
                emit dataChanged(index(0), index(rowCount() - 1));
        });
    }

    struct Entry {
        int sleeve = -1; // -1: a heading, of the sleeve behind it
        int heading = 0;
    };
    void set(std::vector<library::LibrarySleeve> sleeves, std::shared_ptr<const library::Searcher> searcher) {
        beginResetModel();
        sleeves_ = std::move(sleeves);
        searcher_ = std::move(searcher);
        forgetTallies();
        entries_.clear();
        bool grouped =
            std::any_of(sleeves_.begin(), sleeves_.end(), [](const auto& s) { return !s.group.empty(); });
        for (size_t i = 0; i < sleeves_.size(); ++i) {
            if (grouped && (i == 0 || sleeves_[i].group != sleeves_[i - 1].group))
                entries_.push_back({-1, static_cast<int>(i)});
            entries_.push_back({static_cast<int>(i), 0});
        }
        endResetModel();
    }
    const library::LibrarySleeve* sleeveAt(const QModelIndex& index) const {
        if (!index.isValid() || entries_[static_cast<size_t>(index.row())].sleeve < 0)
            return nullptr;
        return &sleeves_[static_cast<size_t>(entries_[static_cast<size_t>(index.row())].sleeve)];
    }
    QString headingAt(const QModelIndex& index) const {
        const Entry& e = entries_[static_cast<size_t>(index.row())];
        if (e.sleeve >= 0)
            return {};
        const std::string& group = sleeves_[static_cast<size_t>(e.heading)].group;
        if (group.empty())
            return SleeveGrid::tr("Not told");
        return group.size() == 4 && text::isDigits(group) ? SleeveGrid::tr("%1s").arg(qs(group)) : qs(group);
    }
    QString titleOf(const library::LibrarySleeve& s) const {
        if (!s.album.empty())
            return qs(s.album);
        return shownName(searcher_->pathOf(s.rows.front()).parent_path());
    }
    QString subtitleOf(const library::LibrarySleeve& s) const {
        QStringList parts{s.artist.empty() ? SleeveGrid::tr("Several artists") : qs(s.artist)};
        if (s.year > 0)
            parts << QString::number(s.year);
        return parts.join(" \u00B7 ");
    }
    std::vector<FileId> filesOf(const library::LibrarySleeve& s) const {
        std::vector<FileId> out;
        for (library::Row r : s.rows)
            out.push_back(searcher_->idOf(r));
        return out;
    }
    /// Asked for when it is first seen; until the answer is there it is as it was, or empty.
    const std::vector<audit::ReadinessPart>& tallyOf(const QModelIndex& index) const {
        static const std::vector<audit::ReadinessPart> none;
        const library::LibrarySleeve* s = sleeveAt(index);
        if (!s)
            return none;
        Tally& tally = tallies_[searcher_->idOf(s->rows.front())];
        if (!std::exchange(tally.asked, true)) {
            wanted_.push_back(index.row());
            askTimer_.start(0);
        }
        return tally.readiness.parts;
    }
    /// A file that has a picture; "" if none has.
    Path coverFile(const library::LibrarySleeve& s) const {
        for (library::Row r : s.rows)
            if (searcher_->has(r, library::HasPicture))
                return searcher_->pathOf(r);
        return {};
    }
    const std::vector<library::LibrarySleeve>& sleeves() const { return sleeves_; }
    const library::Searcher& searcher() const { return *searcher_; }

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(entries_.size()); }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        return sleeveAt(index) ? Qt::ItemIsEnabled | Qt::ItemIsSelectable : Qt::ItemIsEnabled;
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (role == TileView::HeadingRole)
            return entries_[static_cast<size_t>(index.row())].sleeve < 0;
        const library::LibrarySleeve* s = sleeveAt(index);
        if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole)
            return s ? titleOf(*s) + ", " + subtitleOf(*s) : headingAt(index);
        if (role == Qt::ToolTipRole && s)
            return titleOf(*s) + "\n" + subtitleOf(*s) + "\n" +
                   SleeveGrid::tr("%n track(s)", "", static_cast<int>(s->rows.size())) + "\n\n" +
                   paint::tallyText(tallyOf(index));
        return {};
    }

private:
    struct Tally {
        audit::Readiness readiness;
        bool asked = false;
    };

    void forgetTallies() {
        constexpr size_t most = 20000; // of sleeves that were seen
        ++run_;
        wanted_.clear();
        if (tallies_.size() > most)
            tallies_.clear();
        for (auto& [first, tally] : tallies_)
            tally.asked = false;
    }
    void askForTallies() {
        std::vector<FileId> files; // one of each: readiness is that of the whole sleeve, whatever was found
        const std::vector<int> rows = std::exchange(wanted_, {});
        for (int row : rows)
            files.push_back(searcher_->idOf(sleeveAt(index(row))->rows.front()));
        use_.index.readReadiness(this, files, [self = QPointer(this), rows, files, run = run_](auto answers) {
            if (!self || self->run_ != run)
                return;
            for (size_t i = 0; i < rows.size(); ++i) {
                self->tallies_[files[i]].readiness = std::move(answers[i]);
                const QModelIndex at = self->index(rows[i]);
                emit self->dataChanged(at, at);
            }
        });
    }

    SleeveGrid::Uses use_;
    std::vector<library::LibrarySleeve> sleeves_;
    std::shared_ptr<const library::Searcher> searcher_;
    std::vector<Entry> entries_;
    mutable std::unordered_map<FileId, Tally> tallies_; // by the first file
    mutable std::vector<int> wanted_;
    mutable QTimer askTimer_{this};
    int run_ = 0; // answers to older questions are not taken
};

namespace {

class GridDelegate : public QStyledItemDelegate {
public:
    GridDelegate(SleeveGrid* grid, const SleeveGridModel* model)
        : QStyledItemDelegate(grid), grid_(grid), model_(model) {}

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const library::LibrarySleeve* s = model_->sleeveAt(index);
        const QRect r = option.rect;
        const paint::Mirror side(*p, r);
        p->save();
        if (!s) {
            p->setFont(theme::uiFont(11, QFont::DemiBold));
            p->setPen(c.second);
            p->drawText(side(r.adjusted(8, 0, 0, -7)), Qt::AlignLeft | Qt::AlignBottom,
                        model_->headingAt(index));
            p->fillRect(side(QRect(r.left() + 8, r.bottom() - 2, r.width() - 8, 1)), c.faint);
            p->restore();
            return;
        }
        if (option.state & QStyle::State_Selected)
            p->fillRect(r, c.fjordBack);
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(QPen(c.fjord, 1));
            p->drawRect(r.adjusted(0, 0, -1, -1));
        }
        const int wide = grid_->coverSize();
        const QRect cover = side(QRect(r.left() + 8, r.top() + 8, wide, wide));
        QPixmap picture;
        if (Path file = model_->coverFile(*s); !file.empty())
            picture = Covers::instance().cover(file, wide);
        if (picture.isNull())
            paint::blankCover(*p, cover, "sleeve");
        else
            p->drawPixmap(cover, picture);
        auto line = [&](int y, const QString& text) {
            p->drawText(QRect(cover.left(), cover.bottom() + y, wide, 18), Qt::AlignLeft | Qt::AlignVCenter,
                        p->fontMetrics().elidedText(text, Qt::ElideRight, wide));
        };
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        line(6, model_->titleOf(*s));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        line(24, model_->subtitleOf(*s));
        paint::tally(*p, cover, {cover.left(), cover.bottom() + 47}, model_->tallyOf(index), wide);
        p->restore();
    }

private:
    SleeveGrid* grid_;
    const SleeveGridModel* model_;
};

} // namespace

SleeveGrid::SleeveGrid(const Uses& use, QWidget* parent)
    : TileView(parent), model_(new SleeveGridModel(use, this)) {
    setAccessibleName(tr("Sleeves"));
    setModel(model_);
    setItemDelegate(new GridDelegate(this, model_));
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setCoverSize(side_);
    connect(&Covers::instance(), &Covers::ready, viewport(), qOverload<>(&QWidget::update));
    connect(this, &QAbstractItemView::doubleClicked, this, &SleeveGrid::open);
}

void SleeveGrid::setSleeves(std::vector<library::LibrarySleeve> sleeves,
                            std::shared_ptr<const library::Searcher> searcher) {
    // What was chosen stays chosen, where any of its files still is.
    std::unordered_set<FileId> chosen, current;
    if (model_->rowCount() > 0) {
        for (FileId id : chosenFiles())
            chosen.insert(id);
        if (const library::LibrarySleeve* s = model_->sleeveAt(currentIndex()))
            for (FileId id : model_->filesOf(*s))
                current.insert(id);
    }
    model_->set(std::move(sleeves), std::move(searcher));
    QItemSelection again;
    QModelIndex first, now;
    for (int row = 0; row < model_->rowCount(); ++row) {
        const QModelIndex index = model_->index(row);
        const library::LibrarySleeve* s = model_->sleeveAt(index);
        if (!s)
            continue;
        if (!first.isValid())
            first = index;
        if (chosen.empty())
            break;
        auto isIn = [&](const std::unordered_set<FileId>& files) {
            return std::any_of(s->rows.begin(), s->rows.end(),
                               [&](library::Row r) { return files.contains(model_->searcher().idOf(r)); });
        };
        if (isIn(chosen))
            again.append(QItemSelectionRange(index));
        if (!now.isValid() && isIn(current))
            now = index;
    }
    if (again.isEmpty()) {
        if (first.isValid())
            setCurrentIndex(first);
    } else {
        selectionModel()->setCurrentIndex(now.isValid() ? now : QModelIndex(again.front().topLeft()),
                                          QItemSelectionModel::NoUpdate);
        selectionModel()->select(again, QItemSelectionModel::ClearAndSelect);
        scrollTo(currentIndex());
    }
    emit chosenChanged();
}

const std::vector<library::LibrarySleeve>& SleeveGrid::sleeves() const {
    return model_->sleeves();
}

void SleeveGrid::setCoverSize(int side) {
    side_ = side;
    setTileSize({side + 16, side + 70});
}

std::vector<int> SleeveGrid::chosenRows() const {
    std::vector<int> out;
    for (const QItemSelectionRange& range : selectionModel()->selection())
        for (int row = range.top(); row <= range.bottom(); ++row)
            out.push_back(row);
    if (out.empty() && currentIndex().isValid())
        out.push_back(currentIndex().row());
    std::sort(out.begin(), out.end());
    out.erase(std::unique(out.begin(), out.end()), out.end());
    std::erase_if(out, [this](int row) { return !model_->sleeveAt(model_->index(row)); });
    return out;
}

std::vector<FileId> SleeveGrid::chosenFiles() const {
    std::vector<FileId> out;
    for (int row : chosenRows())
        for (library::Row r : model_->sleeveAt(model_->index(row))->rows)
            out.push_back(model_->searcher().idOf(r));
    return out;
}

size_t SleeveGrid::chosenCount() const {
    size_t n = 0;
    for (int row : chosenRows())
        n += model_->sleeveAt(model_->index(row))->rows.size();
    return n;
}

FileId SleeveGrid::firstChosen() const {
    auto rows = chosenRows();
    return rows.empty()
               ? 0
               : model_->searcher().idOf(model_->sleeveAt(model_->index(rows.front()))->rows.front());
}

void SleeveGrid::open(const QModelIndex& index) {
    const library::LibrarySleeve* s = model_->sleeveAt(index);
    if (!s)
        return;
    const library::Searcher& c = model_->searcher();
    std::string query;
    // As library::sleevesOf() tells sleeves apart.
    const library::Row first = s->rows.front();
    const std::string artist = c.text(first, "album_artist");
    if (!s->album.empty())
        query = library::withChosen("", "album", s->album);
    if (!s->album.empty() && !artist.empty())
        query = library::withChosen(query, "album_artist", artist);
    else if (!s->album.empty() && c.text(first, "compilation") == "1")
        query = library::withChosen(query, "compilation", "1");
    else
        query = library::withChosen(query, "folder", c.text(first, library::folderColumn));
    emit opened(query);
}

void SleeveGrid::keyPressEvent(QKeyEvent* event) {
    const library::LibrarySleeve* s = model_->sleeveAt(currentIndex());
    if (event->key() == Qt::Key_Space && s)
        emit playRequested(model_->filesOf(*s).front());
    else if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        open(currentIndex());
    else
        QAbstractItemView::keyPressEvent(event);
}

void SleeveGrid::contextMenuEvent(QContextMenuEvent* event) {
    emit menuRequested(event->globalPos());
}

void SleeveGrid::selectionChanged(const QItemSelection& a, const QItemSelection& b) {
    QAbstractItemView::selectionChanged(a, b);
    emit chosenChanged();
}

} // namespace moorfrost::app
