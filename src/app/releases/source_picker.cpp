// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/source_picker.h"

#include <QFile>
#include <QFileDialog>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/releases/release_lines.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

SourcePicker::SourcePicker(const Uses& use, const QString& words, QWidget* parent)
    : QWidget(parent), use_(use) {
    kind_ = new Choice;
    kind_->addItems({tr("An edition of a reference"), tr("A list of tracks, pasted or in a file"),
                     tr("A sleeve of the bench"), tr("Another release of the library")});
    kind_->setAccessibleName(tr("Fill from"));
    pages_ = new QStackedWidget;
    words_ = new QLineEdit(words);
    pages_->addWidget(referencePage());
    pages_->addWidget(textPage());
    pages_->addWidget(sleevePage());
    pages_->addWidget(releasePage());
    connect(kind_, &QComboBox::currentIndexChanged, pages_, &QStackedWidget::setCurrentIndex);
    connect(kind_, &QComboBox::activated, this, [this] { // what was picked on the page before holds no more
        emit picked({}, {});
        if (kind_->currentIndex() == Text)
            readText();
    });
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 12, 12);
    layout->setSpacing(8);
    layout->addWidget(label(tr("Fill from"), "caption"));
    layout->addWidget(kind_);
    layout->addWidget(pages_, 1);
}

void SourcePicker::choose(Kind kind) {
    kind_->setCurrentIndex(kind);
}

QWidget* SourcePicker::referencePage() {
    words_->setPlaceholderText(tr("Title, artist, number, barcode \u2026"));
    words_->setAccessibleName(tr("Words to look up"));
    auto* ask = button(tr("Look up"));
    results_ = new QListWidget;
    results_->setAccessibleName(tr("Editions that were found"));
    results_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, results_));
    asking_ = new ShortLabel(tr("Enter looks it up."));
    asking_->setObjectName("quiet");
    auto* row = new QHBoxLayout;
    row->addWidget(words_, 1);
    row->addWidget(ask);
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(row);
    layout->addWidget(asking_);
    layout->addWidget(results_, 1);
    connect(ask, &QPushButton::clicked, this, &SourcePicker::lookUp);
    connect(words_, &QLineEdit::returnPressed, this, &SourcePicker::lookUp);
    connect(results_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row < 0 || row >= static_cast<int>(found_.size()))
            return;
        use_.sources.fetch(this, found_[static_cast<size_t>(row)], [this, row](const FoundRelease& release) {
            if (results_->currentRow() != row || kind_->currentIndex() != Reference)
                return; // another was chosen since
            library::ReleaseSource source;
            source.what = ss(use_.sources.nameOf(release));
            if (!release.release.links.empty())
                source.link = release.release.links.front();
            emit picked(release.release, source);
        });
    });
    stepThrough(words_, results_);
    return page;
}

void SourcePicker::lookUp() {
    const QString words = words_->text().trimmed();
    if (words.isEmpty())
        return;
    asking_->setText(tr("Asking \u2026"));
    use_.sources.find(this, words, [this](std::vector<FoundRelease> found) {
        found_ = std::move(found);
        results_->clear();
        for (const FoundRelease& f : found_) {
            const reference::Release& r = f.release;
            QStringList second;
            for (const std::string& part :
                 {r.carrier(), r.date(), r.country(),
                  r.labels.empty() ? std::string() : r.labels[0].catalogueNumber, r.edition})
                if (!part.empty())
                    second << qs(part);
            auto* item = new QListWidgetItem(qs(r.title + " \u00B7 " + r.credit.text()), results_);
            item->setData(TwoLineDelegate::SecondRole, second.join(" \u00B7 "));
            item->setData(Qt::AccessibleTextRole, item->text() + ", " + second.join(", "));
        }
        asking_->setText(found_.empty() ? tr("Nothing was found.")
                                        : tr("%n edition(s)", "", static_cast<int>(found_.size())));
    });
}

QWidget* SourcePicker::textPage() {
    text_ = new QPlainTextEdit;
    text_->setAccessibleName(tr("List of tracks"));
    text_->setPlaceholderText(
        tr("Paste a list of tracks: with numbers or places on sides, lengths, artists, in any of "
           "the usual ways. Half a web page will do.\n\nA1  Night Post  3:41\nA2  Cold Slip  2:55\n"
           "B1  Ferryman\u2019s Reel  4:08"));
    text_->setTabChangesFocus(true);
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    auto* open = button(tr("Open a file\u2026"));
    auto* row = new QHBoxLayout;
    row->addWidget(told_, 1);
    row->addWidget(open);
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(text_, 1);
    layout->addLayout(row);
    connect(text_, &QPlainTextEdit::textChanged, this, &SourcePicker::readText);
    connect(open, &QPushButton::clicked, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(this, tr("List of tracks"), {},
                                         tr("Texts and sheets (*.txt *.csv *.tsv *.htm *.html);;All "
                                            "files (*)"));
        if (!file.isEmpty())
            openFile(Path(QFile::encodeName(file).toStdString()));
    });
    return page;
}

void SourcePicker::openFile(const Path& path) {
    QFile file(QFile::decodeName(QByteArray::fromStdString(path.native())));
    if (!file.open(QIODevice::ReadOnly)) {
        told_->setText(tr("%1 cannot be read: %2").arg(shownName(path), file.errorString()));
        return;
    }
    constexpr qint64 most = 4 << 20;
    const QByteArray bytes = file.read(most);
    file_ = shownName(path);
    // UTF-16 tells itself by its mark; what is no UTF-8 is taken for Western European.
    const std::string plain = bytes.toStdString();
    const bool cut = bytes.size() == most; // maybe in the middle of a letter
    const bool wide = bytes.startsWith("\xFF\xFE") || bytes.startsWith("\xFE\xFF");
    text_->setPlainText(
        wide ? QString::fromUtf16(reinterpret_cast<const char16_t*>(bytes.constData()), bytes.size() / 2)
        : cut || text::isUtf8(plain) ? QString::fromUtf8(bytes)
                                     : QString::fromLatin1(bytes));
}

void SourcePicker::readText() {
    const exchange::TrackListText read = exchange::readTrackList(ss(text_->toPlainText()));
    const auto tracks = static_cast<int>(read.tracks());
    const auto left = static_cast<int>(std::ranges::count(read.lines, exchange::TrackListLine::Kind::LeftOut,
                                                          &exchange::TrackListLine::kind));
    QString told = tracks == 0 ? QString() : tr("%n track(s) read", "", tracks);
    if (left > 0 && tracks > 0)
        told += ", " + tr("%n line(s) left out", "", left);
    if (!read.trouble.empty())
        told = qs(read.trouble);
    else if (tracks == 0 && !text_->toPlainText().trimmed().isEmpty())
        told = tr("No track is seen in it.");
    told_->setText(told);
    reference::Release release;
    release.media = read.media;
    library::ReleaseSource source;
    source.what = ss(file_.isEmpty() ? tr("a list that was pasted") : tr("the file %1").arg(file_));
    emit picked(tracks == 0 ? reference::Release() : release, source);
}

QWidget* SourcePicker::sleevePage() {
    sleeves_ = new QListWidget;
    sleeves_->setAccessibleName(tr("Sleeves of the bench"));
    sleeves_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, sleeves_));
    for (const SleeveView& view : use_.sleeves.all()) {
        if (view.isStrays())
            continue;
        auto* item = new QListWidgetItem(view.title, sleeves_);
        item->setData(TwoLineDelegate::SecondRole, view.line());
        item->setData(Qt::UserRole, QString::fromStdString(view.key));
    }
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    if (sleeves_->count() == 0)
        layout->addWidget(label(tr("Nothing lies on the bench."), "quiet"));
    layout->addWidget(sleeves_, 1);
    connect(sleeves_, &QListWidget::currentRowChanged, this, &SourcePicker::pickSleeve);
    return page;
}

void SourcePicker::pickSleeve() {
    const QListWidgetItem* item = sleeves_->currentItem();
    const SleeveView* view = item ? use_.sleeves.find(ss(item->data(Qt::UserRole).toString())) : nullptr;
    if (!view)
        return;
    std::vector<library::FileOfRelease> files;
    for (const FileId id : view->files)
        if (const FilePtr file = use_.files.file(id))
            files.push_back({id, 0, use_.drafts.shownFields(id), file->tags.facts.duration});
    library::ToldByFiles told = library::toldByFiles(files);
    for (const library::MediumView& m : told.media) {
        reference::Medium& medium = told.release.media.emplace_back();
        medium.carrier = m.carrier;
        for (const library::TrackView& t : m.tracks)
            medium.tracks.push_back(t.printed);
    }
    library::ReleaseSource source;
    source.what = ss(tr("the sleeve %1 of the bench").arg(view->title));
    emit picked(told.release, source);
}

QWidget* SourcePicker::releasePage() {
    releaseWords_ = new QLineEdit;
    releaseWords_->setPlaceholderText(tr("Search the releases"));
    releaseWords_->setAccessibleName(tr("Search the releases"));
    lines_ = new ReleaseLines;
    lines_->setCovers([](const library::ReleaseEntry&) { return QPixmap(); });
    lines_->setSelectionMode(QAbstractItemView::SingleSelection);
    auto show = [this] {
        lines_->show(use_.releases.list(), releaseWords_->text(), library::ReleaseOrder::Title);
    };
    show();
    connect(releaseWords_, &QLineEdit::textChanged, this, show);
    connect(lines_, &ReleaseLines::chosenChanged, this, [this] {
        const auto list = use_.releases.list();
        const size_t entry = lines_->chosen();
        if (!list || entry == SIZE_MAX || kind_->currentIndex() != OtherRelease)
            return;
        use_.releases.read(this, list->entries()[entry].ref, [this](const ShownRelease& other) {
            reference::Release release = other.view.release;
            for (reference::Medium& m : release.media)
                for (reference::Track& t : m.tracks)
                    t.recording.clear();
            library::ReleaseSource source;
            source.what = ss(tr("another edition of the library"));
            source.taken = release.title;
            emit picked(release, source);
        });
    });
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(releaseWords_);
    layout->addWidget(lines_, 1);
    return page;
}

} // namespace moorfrost::app
