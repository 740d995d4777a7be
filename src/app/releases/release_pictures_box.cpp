// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_pictures_box.h"

#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QDialog>
#include <QDropEvent>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QPushButton>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/bench/picture_dialog.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/paint.h"
#include "app/widgets/picture_cells.h"
#include "app/widgets/picture_mat.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::app {

namespace {
constexpr int side = 44;
}

ReleasePicturesBox::ReleasePicturesBox(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setAcceptDrops(true);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Maximum);
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Pictures of the release"));
    list_->setIconSize(QSize(side, side));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setWordWrap(true);
    list_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setContextMenuPolicy(Qt::CustomContextMenu);
    list_->setSpacing(1);
    add_ = button(tr("Add\u2026"), "flat");
    add_->setAccessibleName(tr("Add pictures to the release"));
    add_->setToolTip(tr("Picture files; they can be dropped here or pasted, too"));
    auto* head = new QHBoxLayout;
    head->addWidget(label(tr("Pictures"), "strong"));
    head->addStretch();
    head->addWidget(add_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 6);
    layout->setSpacing(4);
    layout->addLayout(head);
    layout->addWidget(list_);
    connect(add_, &QPushButton::clicked, this, &ReleasePicturesBox::chooseFiles);
    connect(list_, &QListWidget::itemActivated, this, &ReleasePicturesBox::look);
    connect(list_, &QWidget::customContextMenuRequested, this, &ReleasePicturesBox::showMenu);
    auto key = [this](const QKeySequence& keys, auto slot) {
        auto* shortcut = new QShortcut(keys, this, nullptr, nullptr, Qt::WidgetWithChildrenShortcut);
        connect(shortcut, &QShortcut::activated, this, slot);
    };
    key(QKeySequence::Paste, &ReleasePicturesBox::paste);
    key(QKeySequence(Qt::Key_Delete), &ReleasePicturesBox::removeCurrent);
    connect(&Covers::instance(), &Covers::ready, this, [this] {
        if (isVisible())
            showIcons();
    });
}

void ReleasePicturesBox::show(const ShownRelease& release) {
    const int at = list_->currentRow();
    const bool same = shown_.view.ref == release.view.ref;
    shown_ = release;
    list_->clear();
    for (const library::ReleasePicture& p : shown_.view.pictures) {
        auto* item = new QListWidgetItem(tr("%1\n%2").arg(spoken(p.info.type), pictureFacts(p.info)) +
                                         (p.holder == 0 ? tr(", added") : QString()));
        item->setSizeHint(QSize(0, side + 10));
        item->setToolTip(p.holder == 0 ? tr("Added to the release by hand") : tr("In its files"));
        list_->addItem(item);
    }
    if (same && at >= 0 && at < list_->count())
        list_->setCurrentRow(at);
    list_->setVisible(list_->count() > 0);
    showIcons();
    fit();
}

/// As high as its lines: what is beside a release is rolled as a whole.
void ReleasePicturesBox::fit() {
    list_->setFixedHeight(std::max(1, list_->count() * (side + 10 + 2 * list_->spacing()) + 2));
}

Path ReleasePicturesBox::holderOf(const library::ReleasePicture& picture) const {
    const auto file = shown_.files.find(picture.holder);
    return file == shown_.files.end() ? Path() : file->second.path;
}

void ReleasePicturesBox::showIcons() {
    for (int i = 0; i < list_->count(); ++i) {
        const library::ReleasePicture& p = shown_.view.pictures[static_cast<size_t>(i)];
        QPixmap picture = Covers::instance().picture(p.info, use_.pictures.folder(), holderOf(p), side);
        if (picture.isNull()) {
            picture = QPixmap(QSize(side, side) * devicePixelRatioF());
            picture.setDevicePixelRatio(devicePixelRatioF());
            picture.fill(Qt::transparent);
            QPainter painter(&picture);
            paint::blankCover(painter, QRect(0, 0, side, side), "release");
        }
        list_->item(i)->setIcon(QIcon(picture));
    }
}

const library::ReleasePicture* ReleasePicturesBox::current() const {
    const int row = list_->currentRow();
    return row < 0 ? nullptr : &shown_.view.pictures[static_cast<size_t>(row)];
}

void ReleasePicturesBox::add(const std::vector<Path>& files) {
    if (files.empty())
        return;
    use_.pictures.readFiles(this, files,
                            [this, ref = shown_.view.ref](const std::vector<tags::PictureInfo>& pictures) {
                                use_.releases.addPictures(ref, pictures);
                            });
}

void ReleasePicturesBox::chooseFiles() {
    add(askForPictures(this, tr("Add pictures to the release")));
}

void ReleasePicturesBox::paste() {
    const QMimeData* data = QApplication::clipboard()->mimeData();
    if (!data)
        return;
    if (const std::vector<Path> files = drag::pathsOf(data); !files.empty())
        return add(files);
    const QImage image = qvariant_cast<QImage>(data->imageData());
    if (image.isNull())
        return;
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    use_.pictures.readBytes(this, bytes, tr("clipboard"),
                            [this, ref = shown_.view.ref](const std::vector<tags::PictureInfo>& pictures) {
                                use_.releases.addPictures(ref, pictures);
                            });
}

void ReleasePicturesBox::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() && !event->mimeData()->hasFormat(drag::mimeType))
        event->acceptProposedAction();
}

void ReleasePicturesBox::dropEvent(QDropEvent* event) {
    if (const std::vector<Path> files = drag::pathsOf(event->mimeData()); !files.empty()) {
        event->acceptProposedAction();
        add(files);
    }
}

void ReleasePicturesBox::removeCurrent() {
    const library::ReleasePicture* picture = current();
    if (picture && picture->holder == 0)
        use_.releases.removePicture(shown_.view.ref, picture->info);
}

void ReleasePicturesBox::setType(const std::string& type) {
    const library::ReleasePicture* picture = current();
    if (picture && picture->holder == 0 && picture->info.type != type)
        use_.releases.setPictureType(shown_.view.ref, picture->info, type);
}

void ReleasePicturesBox::putIntoFiles() {
    std::vector<tags::PictureInfo> added;
    for (const library::ReleasePicture& p : shown_.view.pictures)
        if (p.holder == 0)
            added.push_back(p.info);
    const std::vector<FileId> files = shown_.view.ref.files;
    if (!added.empty() && !files.empty())
        use_.files.takeUp(this, files,
                          [this, added, files] { use_.pictures.takeKept(added, tr("the release"), files); });
}

void ReleasePicturesBox::look() {
    const library::ReleasePicture* picture = current();
    if (!picture)
        return;
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Picture of \u201C%1\u201D").arg(qs(shown_.view.release.title)));
    auto* mat = new PictureMat(spoken(picture->info.type));
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(mat);
    mat->show({}, {}, tr("Reading \u2026"));
    use_.pictures.look(&dialog, picture->info, holderOf(*picture),
                       [mat, info = picture->info](Result<PicturesController::Looked> looked) {
                           if (!looked)
                               return mat->show({}, {}, spoken(looked.error().message));
                           QStringList told{pictureFacts(info)};
                           if (!looked->colours.isEmpty())
                               told << looked->colours;
                           if (const QString detail = detailText(looked->detail, info); !detail.isEmpty())
                               told << detail;
                           mat->show(looked->image, told.join("\n"));
                       });
    dialog.resize(560, 620);
    dialog.exec();
}

void ReleasePicturesBox::showMenu(const QPoint& at) {
    const library::ReleasePicture* picture = current();
    if (!picture)
        return;
    QMenu menu(this);
    menu.addAction(tr("Look at it\tReturn"), this, &ReleasePicturesBox::look);
    if (picture->holder == 0) {
        QMenu* types = menu.addMenu(tr("Type"));
        for (const std::string& type : tags::pictureTypes()) {
            QAction* action = types->addAction(qs(type), this, [this, type] { setType(type); });
            action->setCheckable(true);
            action->setChecked(type == picture->info.type);
        }
        if (!shown_.view.ref.files.empty())
            menu.addAction(tr("Put added pictures into the files (drafts)"), this,
                           &ReleasePicturesBox::putIntoFiles);
        menu.addAction(tr("Remove\tDel"), this, &ReleasePicturesBox::removeCurrent);
    }
    menu.exec(list_->viewport()->mapToGlobal(at));
}

} // namespace moorfrost::app
