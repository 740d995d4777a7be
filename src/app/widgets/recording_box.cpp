// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/recording_box.h"

#include <algorithm>

#include <QDateTime>
#include <QMessageBox>
#include <QVBoxLayout>

#include "app/control/content_kinds.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/judging_box.h"

namespace moorfrost::app {

QString soundText(const library::FileRecord& file) {
    const tags::Facts& f = file.tags.facts;
    QStringList parts{qs(audio::formatName(file.tags.format))};
    if (f.bitDepth > 0)
        parts << RecordingBox::tr("%1 bit").arg(f.bitDepth);
    if (f.sampleRate > 0)
        parts << RecordingBox::tr("%L1 kHz").arg(f.sampleRate / 1000.0);
    if (f.bitDepth == 0 && f.bitrate > 0)
        parts << RecordingBox::tr("%1 kbit/s").arg(f.bitrate / 1000);
    return parts.join(", ");
}

RecordingBox::RecordingBox(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    rows_ = new QVBoxLayout;
    rows_->setSpacing(8);
    best_ = button({});
    part_ = button(tr("Part from the others"));
    part_->setToolTip(
        tr("This file becomes a recording of its own. What is kept of the recording is kept of both."));
    forget_ = button(tr("Forget\u2026"));
    forget_->setToolTip(
        tr("The library knows nothing of this file any more. It can be taken back from the journal."));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 2, 0, 0);
    layout->setSpacing(10);
    layout->addLayout(rows_);
    layout->addWidget(flowing({best_, part_, forget_}));
    connect(best_, &QPushButton::clicked, this, [this] { use_.recordings.chooseBest(shown_, !chosen_); });
    connect(part_, &QPushButton::clicked, this, [this] { use_.recordings.part({shown_}); });
    connect(forget_, &QPushButton::clicked, this, &RecordingBox::askToForget);
}

void RecordingBox::askToForget() {
    const auto answer = QMessageBox::question(
        this, tr("Forget this file?"),
        tr("The file is not where it was. The library will know nothing of it any more, and of its recording "
           "nothing if this is the last of its files. The journal can bring it back."),
        QMessageBox::Yes | QMessageBox::Cancel, QMessageBox::Cancel);
    if (answer == QMessageBox::Yes)
        use_.recordings.forgetAbsent({shown_});
}

void RecordingBox::addFile(const library::FileRecord& file, const library::RecordingView& view) {
    auto* row = new QWidget;
    auto* lines = new QVBoxLayout(row);
    lines->setContentsMargins(0, 0, 0, 0);
    lines->setSpacing(1);
    QStringList marks;
    if (view.files.size() > 1 && file.id == view.best)
        marks << (view.chosen ? tr("best, chosen by hand") : tr("best"));
    if (file.id == shown_)
        marks << tr("this file");
    QString head = soundText(file);
    if (!marks.isEmpty())
        head += QString(" \u00B7 %1").arg(marks.join(", "));
    auto* sound = label(head, "");
    sound->setWordWrap(true);
    lines->addWidget(sound);
    if (file.absent > 0) {
        auto* absent = label(tr("Absent since %1")
                                 .arg(QLocale().toString(QDateTime::fromSecsSinceEpoch(file.absent).date(),
                                                         QLocale::ShortFormat)),
                             "attention");
        lines->addWidget(absent);
    }
    rows_->addWidget(row);
    if (file.id == shown_) // it stands above
        return;
    auto* place = label(breakable(use_.shelves.placeText(file.path)), "quietMono");
    place->setWordWrap(true);
    place->setTextFormat(Qt::PlainText);
    place->setToolTip(shownPath(file.path));
    place->setTextInteractionFlags(Qt::TextSelectableByMouse);
    lines->addWidget(place);
}

void RecordingBox::show(const library::RecordingView& view, FileId shown) {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    shown_ = shown;
    chosen_ = view.chosen && view.best == shown;
    const auto here = std::ranges::find(view.files, shown, &library::FileRecord::id);
    const bool absent = here != view.files.end() && here->absent > 0;
    const bool several = view.files.size() > 1;
    setVisible(several || absent ||
               std::ranges::any_of(view.kept, [](const auto& kept) { return !isJudging(kept.first); }));
    for (const auto& [field, values] : view.kept) {
        if (isJudging(field))
            continue; // they stand in a box of their own
        const auto kind = field == library::kindField ? matching::kindByName(values.front()) : std::nullopt;
        rows_->addWidget(kind ? label(tr("Kind: %1").arg(kindText(*kind)), "")
                              : label(tr("%1: %2").arg(qs(field), qs(tags::shownValues(values))), ""));
    }
    if (several || absent)
        for (const library::FileRecord& file : view.files)
            addFile(file, view);
    best_->setText(chosen_ ? tr("Let the best be found") : tr("Choose as the best"));
    best_->setToolTip(chosen_ ? tr("By what the files are: undamaged, lossless, more bits, a higher rate")
                              : tr("Whatever the others are, this is the one to be used"));
    best_->setVisible(several && (chosen_ || view.best != shown));
    part_->setVisible(several);
    forget_->setVisible(absent);
}

QString RecordingBox::text() const {
    QStringList all;
    for (const QLabel* l : findChildren<QLabel*>())
        all << l->text().remove(QChar(0x200B));
    return all.join("\n");
}

} // namespace moorfrost::app
