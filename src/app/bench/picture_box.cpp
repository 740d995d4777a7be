// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/picture_box.h"

#include <algorithm>
#include <map>

#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QImage>
#include <QInputDialog>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QSettings>
#include <QShortcut>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/bench/picture_dialog.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/file_table.h"
#include "app/widgets/picture_cells.h"

namespace moorfrost::app {

namespace {

constexpr int largeSide = 72, smallSide = 40;
constexpr size_t mostRows = 5;

/// A square with the notch of drafts; struck where the picture goes.
QPixmap framed(const QPixmap& picture, int side, bool drafted, bool removed, qreal ratio) {
    QPixmap out(QSize(side, side) * ratio);
    out.setDevicePixelRatio(ratio);
    out.fill(Qt::transparent);
    QPainter p(&out);
    p.setLayoutDirection(QGuiApplication::layoutDirection());
    if (picture.isNull())
        paint::blankCover(p, QRect(0, 0, side, side), "sleeve");
    else
        p.drawPixmap(QRect(0, 0, side, side), picture);
    if (removed) {
        QColor veil = theme::colours().panel;
        veil.setAlpha(170);
        p.fillRect(QRect(0, 0, side, side), veil);
    }
    if (drafted)
        paint::notch(p, QRect(0, 0, side, side));
    return out;
}

} // namespace

PictureBox::PictureBox(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setAcceptDrops(true);
    setAccessibleName(tr("Pictures of the chosen files"));
    list_ = new QVBoxLayout;
    list_->setSpacing(8);
    add_ = button(tr("Add picture \u25BE"));
    hint_ = new ShortLabel(tr("or drop or paste one"));
    hint_->setObjectName("quiet");
    auto* foot = new QHBoxLayout;
    foot->addWidget(add_);
    foot->addWidget(hint_, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 12, 14, 0);
    layout->setSpacing(8);
    layout->addLayout(list_);
    layout->addLayout(foot);
    add_->setMenu(new QMenu(add_));
    connect(add_->menu(), &QMenu::aboutToShow, this, [this] { fillAdd(add_->menu()); });
    auto* keys = new QShortcut(QKeySequence::Paste, this, nullptr, nullptr, Qt::WidgetWithChildrenShortcut);
    connect(keys, &QShortcut::activated, this, &PictureBox::paste);
    connect(&use_.drafts, &DraftsController::changed, this, &PictureBox::refresh);
    connect(&use_.drafts, &DraftsController::diskShown, this, &PictureBox::refresh);
    connect(&use_.files, &FilesController::changed, this, [this](const std::set<FileId>& files) {
        if (std::ranges::any_of(files_, [&](FileId id) { return files.contains(id); }))
            refresh();
    });
    connect(&Covers::instance(), &Covers::ready, this, [this] {
        for (size_t i = 0; i < covers_.size(); ++i) {
            const Row& row = shown_[i];
            const FilePtr holder = use_.files.file(row.having.front());
            const int side = covers_[i]->width();
            const QPixmap p = Covers::instance().picture(row.picture, use_.pictures.folder(),
                                                         holder ? holder->path : Path(), side);
            if (!p.isNull())
                covers_[i]->setPixmap(framed(p, side, row.drafted, row.removed, devicePixelRatioF()));
        }
    });
    measuring_.setSingleShot(true);
    measuring_.setInterval(300);
    connect(&measuring_, &QTimer::timeout, this, &PictureBox::measure);
    refresh();
}

void PictureBox::setFiles(const std::vector<FileId>& files) {
    files_ = files;
    refresh();
}

std::vector<PictureBox::Row> PictureBox::rows() const {
    std::vector<Row> out;
    std::map<std::string, size_t> known;
    auto add = [&](FileId file, const tags::PictureInfo& p, bool drafted, bool removed) {
        const auto [it, isNew] =
            known.try_emplace(p.type + '\n' + tags::pictureText(p) + (removed ? "\n-" : ""), out.size());
        if (isNew)
            out.push_back({p, {}, drafted, removed});
        Row& row = out[it->second];
        row.drafted = row.drafted || drafted;
        if (row.having.empty() || row.having.back() != file)
            row.having.push_back(file);
    };
    for (FileId id : files_) {
        const FilePtr f = use_.files.file(id);
        if (!f)
            continue;
        if (f->tags.pictures.empty() && use_.drafts.session().of(id).empty())
            continue; // most of very many
        const std::vector<tags::PictureInfo> now = use_.pictures.of(id);
        for (const tags::PictureInfo& p : now)
            add(id, p, use_.pictures.hasDraft(id, p.type), false);
        for (const tags::PictureInfo& p : f->tags.pictures) // what goes with the next write
            if (use_.pictures.hasDraft(id, p.type) &&
                std::ranges::none_of(now, [&](const tags::PictureInfo& n) {
                    return n.type == p.type && n.hash == p.hash && n.bytes == p.bytes;
                }))
                add(id, p, true, true);
    }
    std::ranges::stable_sort(out, [](const Row& a, const Row& b) {
        auto rank = [](const Row& r) {
            return std::tuple(r.removed, r.picture.type != "front cover", -static_cast<int>(r.having.size()));
        };
        return rank(a) < rank(b);
    });
    return out;
}

QString PictureBox::countText(const Row& row, size_t ofType) const {
    const auto n = static_cast<int>(row.having.size()), all = static_cast<int>(files_.size());
    if (row.removed)
        return all == 1 ? tr("goes with the next write")
                        : tr("goes from %n file(s) with the next write", "", n);
    if (all == 1)
        return row.drafted ? tr("not written yet") : QString();
    const QString count =
        n == all ? tr("the same in all %n file(s)", "", all) : tr("in %1 of %2 files").arg(n).arg(all);
    return ofType > 1 && n < all ? tr("%1; others differ").arg(count) : count;
}

void PictureBox::refresh() {
    while (QLayoutItem* item = list_->takeAt(0)) {
        if (item->widget()) {
            item->widget()->hide();
            item->widget()->deleteLater(); // its menu may be what asked for this
        }
        delete item;
    }
    covers_.clear();
    details_.clear();
    shown_ = rows();
    const size_t all = shown_.size();
    if (all > mostRows)
        shown_.resize(mostRows);
    for (size_t i = 0; i < shown_.size(); ++i)
        list_->addWidget(rowWidget(shown_[i], i == 0));
    QWidget* before = this; // Tab goes through the rows, then to what adds one
    for (int row = 0; row < list_->count(); ++row)
        if (QWidget* b = menuButton(row)) {
            setTabOrder(before, b);
            before = b;
        }
    setTabOrder(before, add_);
    if (all > mostRows)
        list_->addWidget(label(tr("and %n more", "", static_cast<int>(all - mostRows)), "quiet"));
    if (all == 0) {
        auto* row = new QWidget;
        auto* line = new QHBoxLayout(row);
        line->setContentsMargins(0, 0, 0, 0);
        line->setSpacing(12);
        auto* blank = new QLabel;
        blank->setFixedSize(largeSide, largeSide);
        blank->setPixmap(framed({}, largeSide, false, false, devicePixelRatioF()));
        auto* none =
            label(files_.empty() ? tr("No picture")
                                 : tr("No picture in %n file(s)", "", static_cast<int>(files_.size())),
                  "quiet");
        none->setWordWrap(true);
        line->addWidget(blank);
        line->addWidget(none, 1);
        list_->addWidget(row);
    }
    measuring_.start();
    add_->setEnabled(!files_.empty() && !use_.drafts.showsDisk());
    hint_->setVisible(!files_.empty());
}

void PictureBox::measure() {
    for (size_t i = 0; i < shown_.size(); ++i) {
        const tags::PictureInfo& picture = shown_[i].picture;
        auto show = [this, hash = picture.hash] {
            for (size_t k = 0; k < shown_.size(); ++k)
                if (const auto detail = use_.pictures.knownDetail(shown_[k].picture);
                    detail && shown_[k].picture.hash == hash && !shown_[k].removed) {
                    const QString text = detail->side <= 0 ? QString()
                                         : detail->enlarged
                                             ? tr("Enlarged: real detail %1 px").arg(detail->side)
                                             : tr("Real detail %1 px").arg(detail->side);
                    details_[k]->setToolTip(detailText(*detail, shown_[k].picture));
                    details_[k]->setObjectName(detail->enlarged ? "attention" : "quiet");
                    details_[k]->style()->polish(details_[k]);
                    details_[k]->setText(text);
                    details_[k]->setVisible(!text.isEmpty());
                }
        };
        if (!shown_[i].removed)
            use_.pictures.measure(this, picture, shown_[i].having.front(), show);
        if (use_.pictures.knownDetail(picture))
            show();
    }
}

QWidget* PictureBox::rowWidget(const Row& row, bool large) {
    const int side = large ? largeSide : smallSide;
    auto* widget = new QWidget;
    auto* line = new QHBoxLayout(widget);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(12);
    auto* cover = new QLabel;
    cover->setFixedSize(side, side);
    const FilePtr holder = use_.files.file(row.having.front());
    cover->setPixmap(framed(
        Covers::instance().picture(row.picture, use_.pictures.folder(), holder ? holder->path : Path(), side),
        side, row.drafted, row.removed, devicePixelRatioF()));
    covers_.push_back(cover);
    auto* texts = new QVBoxLayout;
    texts->setSpacing(2);
    auto* title = label(pictureTypeLabel(row.picture.type), "");
    title->setFont(theme::uiFont(13, QFont::DemiBold));
    const auto ofType = static_cast<size_t>(std::ranges::count_if(
        shown_, [&](const Row& r) { return !r.removed && r.picture.type == row.picture.type; }));
    // Two short lines rather than one that loses its end in a narrow drawer.
    const QString all = pictureFacts(row.picture);
    auto* facts = new ShortLabel(all.section(", ", 0, 0));
    auto* more = new ShortLabel(all.section(", ", 1));
    for (ShortLabel* l : {facts, more}) {
        l->setObjectName("quiet");
        l->setToolTip(all);
    }
    auto* detail = label({}, "quiet");
    detail->setWordWrap(true);
    details_.push_back(detail);
    auto* count = label(countText(row, ofType), row.drafted ? "draft" : "quiet");
    count->setWordWrap(true);
    for (QLabel* l : std::initializer_list<QLabel*>{title, facts, more, detail, count}) {
        l->setTextFormat(Qt::PlainText);
        if (l->text().isEmpty()) // showing it before it has a parent would make a window of it
            l->hide();
        texts->addWidget(l);
    }
    texts->addStretch();
    auto* actions = iconButton("more", tr("What can be done with this picture"));
    actions->setAccessibleName(tr("%1: what can be done").arg(title->text()));
    actions->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(actions);
    actions->setMenu(menu);
    connect(menu, &QMenu::aboutToShow, this, [this, menu, row] { fillMenu(menu, row); });
    actions->setEnabled(!use_.drafts.showsDisk());
    line->addWidget(cover, 0, Qt::AlignTop);
    line->addLayout(texts, 1);
    line->addWidget(actions, 0, Qt::AlignTop);
    return widget;
}

void PictureBox::fillMenu(QMenu* menu, const Row& row) {
    menu->clear();
    const tags::PictureInfo picture = row.picture;
    const std::vector<FileId> files = files_, having = row.having;
    PicturesController& pictures = use_.pictures;
    if (!row.removed) {
        menu->addAction(tr("Show it large, make it fit\u2026"), this, [this, picture] {
            for (size_t i = 0; i < shown_.size(); ++i)
                if (!shown_[i].removed && shown_[i].picture.hash == picture.hash &&
                    shown_[i].picture.type == picture.type)
                    return showLarge(i);
        });
        menu->addAction(tr("Replace\u2026"), this, [this, &pictures, picture, having] {
            askToReplace(pictures, picture, having, this);
        });
        menu->addAction(tr("Save as a file\u2026"), this,
                        [this, &pictures, picture, having] { askToSave(pictures, picture, having, this); });
        menu->addSeparator();
        if (having.size() < files.size())
            menu->addAction(tr("The same in all %n file(s)", "", static_cast<int>(files.size())), &pictures,
                            [&pictures, picture, files] { pictures.sameInAll(picture, files); });
        menu->addAction(tr("Remove"), &pictures,
                        [&pictures, picture, having] { pictures.remove(picture, having); });
        QMenu* types = menu->addMenu(tr("Change type"));
        for (const std::string& type : tags::pictureTypes()) {
            QAction* action =
                types->addAction(pictureTypeLabel(type), &pictures, [&pictures, picture, type, having] {
                    pictures.changeType(picture, type, having);
                });
            action->setCheckable(true);
            action->setChecked(type == picture.type);
            action->setEnabled(type != picture.type);
        }
        menu->addAction(tr("Description\u2026"), this, [this, &pictures, picture, having] {
            bool ok = false;
            const QString text =
                QInputDialog::getText(this, tr("Description of the picture"), tr("Description:"),
                                      QLineEdit::Normal, qs(picture.description), &ok);
            if (ok)
                pictures.describe(picture, text, having);
        });
    }
    if (row.drafted) {
        menu->addSeparator();
        menu->addAction(tr("Drop the draft"), &pictures,
                        [&pictures, picture, files] { pictures.dropDrafts(picture.type, files); });
    }
}

void PictureBox::showLarge(size_t row) {
    if (row >= shown_.size())
        return;
    const Row wanted = shown_[row];
    std::vector<PictureDialog::Shown> all; // those that have no room in the drawer, too
    size_t first = 0;
    for (const Row& r : rows()) {
        if (r.removed)
            continue;
        if (r.picture.hash == wanted.picture.hash && r.picture.type == wanted.picture.type)
            first = all.size();
        all.push_back({r.picture, r.having});
    }
    if (!all.empty())
        PictureDialog(use_.pictures, all, first, files_, this).exec();
}

void PictureBox::rememberFolder(const QString& folder) {
    QSettings().setValue("pictures/folder", folder);
}

void PictureBox::fillAdd(QMenu* menu) {
    menu->clear();
    menu->addAction(tr("A file\u2026"), this, &PictureBox::addFromFiles);
    menu->addAction(tr("Paste\tCtrl+V"), this, &PictureBox::paste);
    menu->addAction(tr("From the references\u2026"), this, &PictureBox::referenceWanted);
    // Where the sound lies is where its pictures are.
    std::set<Path> near;
    for (FileId id : files_)
        if (const FilePtr f = use_.files.file(id); f && near.size() < 3)
            near.insert(f->path.parent_path());
    std::vector<Path> folders(near.begin(), near.end());
    const QString kept = QSettings().value("pictures/folder").toString();
    if (const Path folder = QFile::encodeName(kept).toStdString(); !kept.isEmpty() && !near.contains(folder))
        folders.push_back(folder);
    std::vector<QAction*> places; // what is found goes before these
    for (const Path& folder : folders) {
        menu->addSection(shownName(folder));
        places.push_back(menu->addAction(tr("looking\u2026")));
        places.back()->setEnabled(false);
    }
    menu->addSeparator();
    menu->addAction(tr("A folder of pictures to choose from\u2026"), this, [this, kept] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("A folder of pictures"), kept);
        if (!folder.isEmpty())
            rememberFolder(folder);
    });
    const uint64_t turn = ++listing_;
    use_.pictures.listFolders(menu, folders, 24,
                              [this, menu, places, turn](const std::vector<std::vector<Path>>& found) {
                                  if (turn == listing_) // else the menu was filled anew
                                      for (size_t i = 0; i < places.size(); ++i)
                                          offer(menu, places[i], found[i]);
                              });
}

void PictureBox::offer(QMenu* menu, QAction* place, const std::vector<Path>& found) {
    for (const Path& file : found) {
        auto* action = new QAction(shownName(file).replace('&', "&&"), menu);
        connect(action, &QAction::triggered, this, [this, file] { use_.pictures.addFiles({file}, files_); });
        menu->insertAction(place, action);
    }
    place->setText(tr("no pictures here"));
    place->setVisible(found.empty());
}

void PictureBox::addFromFiles() {
    // Where the sound lies is where its pictures are.
    const FilePtr first = files_.empty() ? nullptr : use_.files.file(files_.front());
    const QString from = first ? QString::fromStdString(first->path.parent_path().native()) : QString();
    use_.pictures.addFiles(askForPictures(this, tr("Add pictures"), from), files_);
}

bool PictureBox::take(const QMimeData* data, const QString& from) {
    if (!data || files_.empty() || use_.drafts.showsDisk())
        return false;
    std::vector<Path> files;
    for (const QUrl& url : data->urls())
        if (url.isLocalFile())
            files.emplace_back(QFile::encodeName(url.toLocalFile()).toStdString());
    if (!files.empty()) {
        use_.pictures.addFiles(files, files_);
        return true;
    }
    // As another program gave it, where it did.
    for (const char* kind : {"image/jpeg", "image/png", "image/webp", "image/gif", "image/bmp"})
        if (const QByteArray bytes = data->data(kind); !bytes.isEmpty()) {
            use_.pictures.addBytes(bytes, from, files_);
            return true;
        }
    if (!data->hasImage())
        return false;
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    if (!qvariant_cast<QImage>(data->imageData()).save(&buffer, "PNG"))
        return false;
    use_.pictures.addBytes(bytes, from, files_);
    return true;
}

void PictureBox::paste() {
    take(QApplication::clipboard()->mimeData(), tr("pasted"));
}

void PictureBox::dragEnterEvent(QDragEnterEvent* event) {
    const QMimeData* data = event->mimeData();
    if (!files_.empty() && !use_.drafts.showsDisk() && (data->hasUrls() || data->hasImage()))
        event->acceptProposedAction();
}

void PictureBox::dropEvent(QDropEvent* event) {
    if (take(event->mimeData(), tr("dropped")))
        event->acceptProposedAction();
}

QStringList PictureBox::texts() const {
    QStringList out;
    for (int i = 0; i < list_->count(); ++i) {
        QStringList row;
        if (QWidget* w = list_->itemAt(i)->widget()) {
            if (auto* single = qobject_cast<QLabel*>(w))
                row << single->text();
            for (const QLabel* l : w->findChildren<QLabel*>())
                if (!l->text().isEmpty())
                    row << l->text();
        }
        out << row.join(" | ");
    }
    return out;
}

QToolButton* PictureBox::menuButton(int row) const {
    QLayoutItem* item = list_->itemAt(row);
    return item && item->widget() ? item->widget()->findChild<QToolButton*>() : nullptr;
}

} // namespace moorfrost::app
