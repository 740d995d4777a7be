// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/releases_page.h"

#include <QMenu>
#include <QSettings>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <utility>

#include "app/releases/release_facts.h"
#include "app/releases/release_lines.h"
#include "app/releases/release_pictures_box.h"
#include "app/releases/release_side.h"
#include "app/releases/release_tracks.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/fact_table.h"
#include "app/widgets/paint.h"
#include "app/widgets/three_panes.h"
#include "core/library/releases/label_numbers.h"
#include "core/library/releases/release_pictures.h"

namespace moorfrost::app {

namespace {

constexpr int coverSide = 128, narrowest = 1000;
constexpr double leastAlike = 0.5;

} // namespace

ReleasesPage::ReleasesPage(const Uses& use, QWidget* parts, QWidget* parent) : QWidget(parent), use_(use) {
    lines_ = new ReleaseLines;
    lines_->setCovers([this](const library::ReleaseEntry& entry) {
        if (entry.picture.hash != 0)
            return Covers::instance().picture(entry.picture, use_.pictures.folder(), {}, 38);
        const auto searcher = use_.index.searcher();
        const auto row = entry.cover != 0 && searcher ? searcher->rowOf(entry.cover) : std::nullopt;
        return row ? Covers::instance().cover(searcher->pathOf(*row), 38) : QPixmap();
    });
    order_ = new Choice;
    order_->addItems({tr("by title"), tr("by artist"), tr("by date"), tr("by label")});
    order_->setAccessibleName(tr("Order of the releases"));
    order_->setCurrentIndex(QSettings().value("releases/order", 0).toInt());
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 6, 8, 4);
    caption->addWidget(label(tr("All releases"), "caption"));
    caption->addSpacing(8);
    caption->addStretch();
    caption->addWidget(order_);
    pictures_ = new ReleasePicturesBox({use_.files, use_.pictures, use_.releases});
    side_ = new ReleaseSide(pictures_);
    connect(side_, &ReleaseSide::agreementWanted, &use_.agreements, &AgreementsController::wantShown);
    empty_ = new EmptyHint("release", {}, {}, tr("New release\u2026"));
    const ThreePanes panes =
        threePanes(caption, lines_, sheet(), empty_, side_, {252, 690, 262}, "releases/panes");
    stack_ = panes.stack;
    scroll_ = panes.sheet;
    sideBox_ = panes.side;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head(parts));
    layout->addWidget(panes.widget, 1);

    connect(search_, &QLineEdit::textChanged, this, &ReleasesPage::refresh);
    connect(search_, &QLineEdit::returnPressed, lines_, [this] { lines_->setFocus(); });
    connect(order_, &QComboBox::activated, this, [this](int order) {
        QSettings().setValue("releases/order", order);
        refresh();
    });
    connect(lines_, &ReleaseLines::chosenChanged, this, &ReleasesPage::read);
    connect(lines_, &ReleaseLines::menuWanted, this, &ReleasesPage::showMenu);
    connect(lines_, &QListView::doubleClicked, this, [this] { facts_->setFocus(); });
    connect(&use_.releases, &ReleasesController::changed, this, &ReleasesPage::refresh);
    connect(&Covers::instance(), &Covers::ready, this, [this] {
        if (shows_ && isVisible())
            showHead();
    });
    connect(facts_, &FactTable::typed, this, &ReleasesPage::setFact);
    connect(facts_, &FactTable::noneWanted, this,
            [this](const std::string& key) { use_.releases.setFact(shown_.view.ref, key, {}, true); });
    connect(facts_, &FactTable::dropWanted, this,
            [this](const std::string& key) { use_.releases.dropFact(shown_.view.ref, key); });
    connect(side_, &ReleaseSide::sameSetWanted, this, [this](const library::ReleaseRef& other) {
        use_.releases.joinSet({shown_.view.ref, other});
    });
    connect(side_, &ReleaseSide::notSameWanted, this, [this](const library::ReleaseRef& other) {
        use_.releases.keepApart({shown_.view.ref, other});
    });
    connect(side_, &ReleaseSide::typed, this,
            [this](const std::string& key, const std::vector<std::string>& values) {
                use_.releases.setFact(shown_.view.ref, key, values);
            });
    connect(tracks_, &ReleaseTracks::mediaWanted, this,
            [this](const std::vector<library::MediumToKeep>& media, const QString& title) {
                ++run_; // what is being read is older than this
                use_.releases.setMedia(shown_.view.ref, media, title);
            });
    auto showNext = [this] {
        if (next_ && !facts_->isEditing() && !tracks_->isEditing())
            show(std::move(*std::exchange(next_, std::nullopt)));
    };
    connect(facts_, &FactTable::editorClosed, this, showNext);
    connect(tracks_, &ReleaseTracks::editorClosed, this, showNext);
    connect(tracks_, &ReleaseTracks::playRequested, this, &ReleasesPage::playRequested);
    connect(tracks_, &ReleaseTracks::libraryWanted, this, &ReleasesPage::libraryWanted);
    connect(tracks_, &ReleaseTracks::releaseWanted, this, [this](size_t entry) {
        if (const auto list = use_.releases.list(); list && entry < list->entries().size())
            showRelease(list->entries()[entry].ref);
    });
    connect(empty_->button(), &QPushButton::clicked, this, &ReleasesPage::newRelease);
    refresh();
}

QWidget* ReleasesPage::head(QWidget* parts) {
    new_ = button(tr("New release"));
    auto* ways = new QMenu(new_);
    ways->addAction(tr("By hand, or from a source\u2026"), this, &ReleasesPage::newRelease);
    ways->addAction(tr("Another edition of this one\u2026"), this, &ReleasesPage::newEdition);
    new_->setMenu(ways);
    proposals_ = button(tr("Proposals"));
    proposals_->setToolTip(tr("Releases that may be editions of one and the same"));
    connect(proposals_, &QPushButton::clicked, this, &ReleasesPage::showProposals);
    connect(&use_.releases, &ReleasesController::proposalsChanged, this, [this] {
        const auto count = use_.releases.proposals().size();
        proposals_->setText(count == 0 ? tr("Proposals") : tr("Proposals (%1)").arg(count));
    });
    const SearchHead head = searchHead(tr("Releases"), tr("Search: title, number, barcode, artist \u2026"),
                                       tr("Search the releases"), {parts, proposals_, new_});
    search_ = head.search;
    count_ = head.count;
    return head.widget;
}

QWidget* ReleasesPage::sheet() {
    cover_ = new QLabel;
    cover_->setFixedSize(coverSide, coverSide);
    title_ = label({}, "title");
    title_->setWordWrap(true);
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    state_ = label({}, "quiet");
    state_->setWordWrap(true);
    fill_ = button(tr("Fill from a source\u2026"));
    connect(fill_, &QPushButton::clicked, this, &ReleasesPage::fillShown);
    compare_ = button(tr("Compare\u2026"));
    compare_->setToolTip(tr("With another edition: what they differ in, which recordings they share"));
    connect(compare_, &QPushButton::clicked, this, &ReleasesPage::compareShown);
    write_ = button(tr("Write to the files"));
    write_->setToolTip(tr("Makes drafts of what the release says, by the rules in Settings, Mirroring"));
    connect(write_, &QPushButton::clicked, this, &ReleasesPage::writeToFiles);
    play_ = button(tr("Play"));
    connect(play_, &QPushButton::clicked, this, [this] {
        if (const auto files = tracks_->files(); !files.empty())
            emit playRequested(files.front());
    });
    auto* oneSheet = button(tr("One-sheet"));
    oneSheet->setToolTip(tr("A sheet of this release (Ctrl+Alt+S)"));
    connect(oneSheet, &QPushButton::clicked, this, &ReleasesPage::wantSheet);
    auto* texts = new QVBoxLayout;
    texts->setSpacing(5);
    texts->addWidget(title_);
    texts->addWidget(line_);
    texts->addWidget(state_);
    texts->addStretch();
    texts->addWidget(flowing({fill_, compare_, write_, play_, oneSheet}));
    auto* top = new QHBoxLayout;
    top->setSpacing(16);
    top->addWidget(cover_, 0, Qt::AlignTop);
    top->addLayout(texts, 1);
    facts_ = new FactTable;
    more_ = button({}, "flat");
    connect(more_, &QPushButton::clicked, this, [this] {
        facts_->setShowsAll(!facts_->showsAll());
        showHead();
    });
    tracks_ = new ReleaseTracks;
    addTrack_ = button(tr("Add a track"), "flat");
    connect(addTrack_, &QPushButton::clicked, tracks_, &ReleaseTracks::addTrack);
    auto* below = new QHBoxLayout;
    below->addWidget(addTrack_);
    below->addStretch();
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(18, 16, 18, 16);
    layout->setSpacing(0);
    layout->addLayout(top);
    layout->addSpacing(14);
    layout->addWidget(facts_);
    layout->addWidget(more_, 0, Qt::AlignLeft);
    layout->addSpacing(10);
    layout->addWidget(tracks_);
    layout->addLayout(below);
    layout->addStretch();
    return content;
}

void ReleasesPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    use_.releases.want();
    refresh();
}

void ReleasesPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    sideBox_->setVisible(width() >= narrowest);
}

void ReleasesPage::refresh() {
    const auto list = use_.releases.list();
    lines_->show(list, search_->text(), static_cast<library::ReleaseOrder>(order_->currentIndex()));
    if (wanted_ && list) {
        const size_t entry = list->find(*wanted_);
        if (entry == SIZE_MAX && use_.releases.isTrue()) {
            wanted_.reset(); // it is no more
        } else if (entry != SIZE_MAX) {
            if (!lines_->choose(entry)) { // what is searched hides it
                search_->clear();
                lines_->choose(entry);
            }
            wanted_.reset();
        }
    }
    const size_t all = list ? list->entries().size() : 0;
    QString count;
    if (list)
        count =
            search_->text().trimmed().isEmpty()
                ? tr("%n release(s)", "", static_cast<int>(all)) +
                      (list->sets() > 0 ? tr(", %n set(s) of editions", "", static_cast<int>(list->sets()))
                                        : QString())
                : tr("%1 of %2").arg(lines_->releases()).arg(all);
    count_->setText(count);
    if (lines_->chosen() == SIZE_MAX && list && !list->entries().empty() && lines_->releases() > 0) {
        lines_->setCurrentIndex(lines_->model()->index(0, 0));
        return; // read() follows
    }
    if (!list || list->entries().empty() || lines_->chosen() == SIZE_MAX) {
        shows_ = false;
        empty_->setTexts(!list      ? tr("Reading \u2026")
                         : all == 0 ? tr("No releases yet")
                                    : tr("Nothing is found"),
                         !list ? QString()
                         : all == 0
                             ? tr("What is put away on a shelf is here as a release, made of its tags. One "
                                  "that you have no files of can be entered, too.")
                             : tr("No release has all of these words. A new one can be entered."));
        empty_->button()->setVisible(list != nullptr);
        stack_->setCurrentWidget(empty_);
        side_->setVisible(false);
    }
}

void ReleasesPage::read() {
    const auto list = use_.releases.list();
    const size_t entry = lines_->chosen();
    if (!list || entry == SIZE_MAX)
        return;
    // Only the answer to the last question is shown.
    reading_ = true;
    use_.releases.read(this, list->entries()[entry].ref, [this, run = ++run_](ShownRelease release) {
        if (run != run_)
            return;
        reading_ = false;
        show(std::move(release));
    });
}

void ReleasesPage::show(ShownRelease release) {
    const library::ReleaseRef &was = shown_.view.ref, &is = release.view.ref;
    const bool other =
        !shows_ || !((is.id != 0 && is.id == was.id) || (!is.files.empty() && is.files == was.files));
    if (other && (facts_->isEditing() || tracks_->isEditing())) { // what is typed is not of this one
        next_ = std::move(release);
        return;
    }
    next_.reset();
    shown_ = std::move(release);
    shows_ = true;
    std::string odd;
    if (const auto list = use_.releases.list())
        if (const size_t entry = list->find(shown_.view.ref); entry != SIZE_MAX)
            odd = library::whyOddNumber(*list, list->entries()[entry]);
    facts_->show(releaseFactRows(shown_, odd));
    tracks_->show(shown_, use_.releases.list());
    side_->show(shown_);
    use_.agreements.readOfRelease(
        this, shown_.view,
        [this, ref = shown_.view.ref](const std::vector<library::AgreementLine>& agreements) {
            if (shows_ && shown_.view.ref == ref)
                side_->showAgreements(agreements);
        });
    pictures_->show(shown_);
    side_->setVisible(true);
    showHead();
    showAlike();
    stack_->setCurrentWidget(scroll_);
    if (other)
        scroll_->ensureVisible(0, 0);
}

void ReleasesPage::showHead() {
    const library::ReleaseView& view = shown_.view;
    title_->setText(view.release.title.empty() ? tr("without a title") : qs(view.release.title));
    QStringList line;
    if (!view.release.credit.names.empty())
        line << qs(view.release.credit.text());
    if (const QString carrier = qs(view.release.carrier()); !carrier.isEmpty())
        line << carrier;
    line << tr("%n track(s)", "", static_cast<int>(view.release.trackCount()));
    if (const int64_t ms = view.release.lengthMs(); ms > 0)
        line << shownLength(static_cast<double>(ms) / 1000);
    line_->setText(line.join(" \u00B7 "));
    QStringList state;
    const auto missing = static_cast<int>(view.missing());
    const auto all = static_cast<int>(view.release.trackCount());
    if (all > 0)
        state << (missing == 0     ? tr("a file of every track is here")
                  : missing == all ? tr("no file of it is here")
                                   : tr("%n track(s) without a file", "", missing));
    if (view.set != 0)
        if (const auto list = use_.releases.list())
            if (const size_t entry = list->find(view.ref); entry != SIZE_MAX)
                state << tr("one of %n edition(s)", "", static_cast<int>(list->editionsOf(entry).size()));
    state_->setText(state.join(" \u00B7 "));
    QPixmap cover;
    if (const library::ReleasePicture* front = library::coverOf(view.pictures); front && front->holder == 0)
        cover = Covers::instance().picture(front->info, use_.pictures.folder(), {}, coverSide);
    for (const auto& medium : view.media)
        for (const auto& track : medium.tracks)
            for (const FileId id : track.files)
                if (const auto file = shown_.files.find(id);
                    cover.isNull() && file != shown_.files.end() && !file->second.tags.pictures.empty())
                    cover = Covers::instance().cover(file->second, coverSide);
    if (cover.isNull()) {
        const qreal ratio = devicePixelRatioF();
        cover = QPixmap(QSize(coverSide, coverSide) * ratio);
        cover.setDevicePixelRatio(ratio);
        cover.fill(Qt::transparent);
        QPainter painter(&cover);
        paint::blankCover(painter, QRect(0, 0, coverSide, coverSide), "release");
    }
    cover_->setPixmap(cover);
    play_->setEnabled(!tracks_->files().empty());
    write_->setEnabled(!view.ref.files.empty());
    const int hidden = facts_->hidden();
    more_->setVisible(hidden > 0 || facts_->showsAll());
    more_->setText(facts_->showsAll() ? tr("Hide what is not known")
                                      : tr("%n more fact(s), not known", "", hidden));
}

void ReleasesPage::showAlike() {
    std::vector<std::pair<library::ReleaseEntry, library::EditionEvidence>> alike;
    if (const auto list = use_.releases.list())
        if (const size_t own = list->find(shown_.view.ref); own != SIZE_MAX) {
            const library::ReleaseEntry& e = list->entries()[own];
            for (const library::LikeRelease& like :
                 library::likeReleases(*list, {e.title, e.artist, e.number, e.barcode, e.titles}, 8)) {
                const library::ReleaseEntry& other = list->entries()[like.entry];
                const bool apart = std::ranges::find(e.apart, other.ref.id) != e.apart.end() ||
                                   std::ranges::find(other.apart, e.ref.id) != other.apart.end();
                if (like.entry != own && !(e.set != 0 && e.set == other.set) &&
                    like.evidence.sure >= leastAlike && !(apart && e.ref.id != 0 && other.ref.id != 0))
                    alike.emplace_back(other, like.evidence);
            }
        }
    side_->showAlike(alike);
}

void ReleasesPage::setFact(const std::string& key, const QString& line) {
    if (key == library::mediaFact) {
        std::vector<library::MediumToKeep> media = library::mediaOf(shown_.view);
        if (media.empty())
            media.emplace_back();
        media.front().carrier = text::trim(ss(line));
        use_.releases.setMedia(shown_.view.ref, media, tr("Carrier of a release"));
        return;
    }
    use_.releases.setFact(shown_.view.ref, key, library::factFromTyping(key, ss(line)));
}

void ReleasesPage::showRelease(const library::ReleaseRef& ref) {
    use_.releases.want();
    wanted_ = ref;
    refresh();
}

std::vector<FileId> ReleasesPage::filesInSight() const {
    return tracks_->files();
}

} // namespace moorfrost::app
