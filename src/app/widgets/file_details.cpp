// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/file_details.h"

#include <algorithm>

#include <QDateTime>
#include <QEvent>
#include <QGridLayout>
#include <QPointer>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/keep_wide.h"
#include "app/widgets/paint.h"
#include "app/widgets/places_box.h"
#include "app/widgets/sheet.h"
#include "core/text/encodings.h"

namespace moorfrost::app {

namespace {

constexpr int coverSide = 220;

/// As high as its lines need at the width that it has: a scroll area asks for that before it knows the width.
class Tall : public QWidget {
protected:
    bool event(QEvent* event) override {
        const bool done = QWidget::event(event);
        if (event->type() == QEvent::LayoutRequest || event->type() == QEvent::Resize)
            if (const int height = layout()->heightForWidth(width()); height != minimumHeight())
                setMinimumHeight(height);
        return done;
    }
};

} // namespace

FileDetails::FileDetails(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("drawer");
    setMinimumWidth(230);
    auto* side = new QVBoxLayout;
    side->setContentsMargins(14, 14, 14, 8);
    side->setSpacing(4);
    cover_ = new QLabel;
    cover_->setFixedSize(coverSide, coverSide);
    title_ = label({}, "title");
    subtitle_ = label({}, "quiet");
    for (QLabel* l : {title_, subtitle_})
        l->setWordWrap(true);
    side->addWidget(cover_);
    side->addSpacing(8);
    side->addWidget(title_);
    side->addWidget(subtitle_);
    side->addSpacing(8);
    mend_ = button(tr("Mend the text\u2026"));
    mend_->setParent(this);
    mend_->setToolTip(tr("Shows what the text would be in that encoding. Only drafts are made."));
    mend_->hide();
    placesPart_ = new QWidget(this);
    auto* places = new QVBoxLayout(placesPart_);
    places->setContentsMargins(0, 8, 0, 0);
    places->setSpacing(4);
    places_ = new PlacesBox(use_.releases);
    places->addWidget(label(tr("Stands on"), "caption"));
    places->addWidget(places_);
    recordingPart_ = new QWidget(this);
    auto* recording = new QVBoxLayout(recordingPart_);
    recording->setContentsMargins(0, 8, 0, 0);
    recording->setSpacing(4);
    recordingCaption_ = label({}, "caption");
    recording_ = new RecordingBox({use_.shelves, use_.recordings});
    recording->addWidget(recordingCaption_);
    recording->addWidget(recording_);
    judgingPart_ = new QWidget(this);
    auto* judging = new QVBoxLayout(judgingPart_);
    judging->setContentsMargins(0, 0, 0, 4);
    judging->setSpacing(2);
    judging_ = new JudgingBox(use_.recordings, [this] {
        QStringList known;
        if (const auto searcher = use_.index.searcher())
            for (const library::FacetValue& v : searcher->facet(searcher->find({}), "used", 200))
                known << qs(v.value);
        return known;
    });
    judging->addWidget(judging_);
    judgingPart_->hide();
    grid_ = new QGridLayout;
    grid_->setColumnStretch(1, 1);
    grid_->setHorizontalSpacing(10);
    grid_->setVerticalSpacing(4);
    side_ = side;
    side->addWidget(judgingPart_);
    side->addLayout(grid_);
    side->addStretch();
    auto* content = new Tall;
    content->setLayout(side);
    content_ = content;
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName(tr("Details"));
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(content);
    constexpr int widest = 340; // a single long word is no reason to be wider
    keepWide(scroll, 0, widest);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(scroll);
    connect(mend_, &QPushButton::clicked, this, [this] {
        if (file_)
            emit mendTextWanted(file_->id);
    });
    connect(&Covers::instance(), &Covers::ready, this, &FileDetails::showCover);
    connect(&use_.recordings, &RecordingsController::changed, this, [this](const std::vector<FileId>& files) {
        if (file_ && std::ranges::find(files, file_->id) != files.end())
            use_.recordings.read(this, file_->id, [this, file = file_](const library::RecordingView& view) {
                if (file_ == file && grid_->indexOf(recordingPart_) >= 0)
                    showRecording(view);
            });
    });
    connect(&use_.releases, &ReleasesController::changed, this, [this] {
        if (file_)
            use_.releases.readPlaces(this, file_->id,
                                     [this, file = file_](const std::vector<library::ReleasePlace>& places) {
                                         if (file_ == file && grid_->indexOf(placesPart_) >= 0)
                                             showPlaces(places);
                                     });
    });
    showFile(nullptr);
}

void FileDetails::addBelowTitle(QWidget* widget) {
    side_->insertWidget(side_->indexOf(judgingPart_), widget);
}

void FileDetails::fit() {
    QCoreApplication::postEvent(content_, new QEvent(QEvent::LayoutRequest));
}

void FileDetails::showCover() {
    QPixmap picture = file_ ? Covers::instance().cover(*file_, coverSide) : QPixmap();
    cover_->setVisible(!picture.isNull()); // without one there is more room for the rest
    if (!picture.isNull())
        cover_->setPixmap(picture);
}

void FileDetails::showFile(FilePtr file, int more) {
    file_ = std::move(file);
    if (!file_ || file_->id != judging_->file()) // its recording is read first
        judging_->leave();
    for (QWidget* own : std::initializer_list<QWidget*>{mend_, recordingPart_, placesPart_}) {
        grid_->removeWidget(own);
        own->hide();
    }
    while (QLayoutItem* item = grid_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    row_ = 0;
    showCover();
    if (!file_) {
        judgingPart_->hide();
        title_->setText(tr("Nothing chosen"));
        subtitle_->clear();
        return;
    }
    const tags::Fields& fields = file_->tags.fields;
    std::string title = tags::firstValue(fields, "title");
    title_->setText(title.empty() ? shownName(file_->path) : qs(title));
    QStringList under;
    for (const char* key : {"artist", "album", "date"})
        if (QString v = qs(tags::shownValue(fields, key)); !v.isEmpty())
            under << v;
    QStringList lines;
    if (!under.isEmpty())
        lines << under.join(" \u00B7 ");
    if (more > 0)
        lines << tr("and %n more", "", more);
    subtitle_->setText(lines.join("\n"));
    showTags();
    showFields();
    showReadiness();
    if (file_->readable())
        showSound();
    showPlace();
    const int atRecording = row_++; // it comes when it was read; the history behind it
    const int atPlaces = row_++;
    askForRecording(atRecording);
    askForPlaces(atPlaces);
    askForHistory();
}

void FileDetails::askForRecording(int row) {
    use_.recordings.read(this, file_->id,
                         [this, row, asked = asked_ + 1](const library::RecordingView& view) {
                             if (!file_ || asked_ != asked)
                                 return;
                             grid_->addWidget(recordingPart_, row, 0, 1, 2);
                             showRecording(view);
                         });
}

void FileDetails::askForPlaces(int row) {
    use_.releases.readPlaces(
        this, file_->id, [this, row, asked = asked_ + 1](const std::vector<library::ReleasePlace>& places) {
            if (!file_ || asked_ != asked)
                return;
            placesRow_ = row;
            showPlaces(places);
        });
}

void FileDetails::showPlaces(const std::vector<library::ReleasePlace>& places) {
    places_->show(places);
    grid_->removeWidget(placesPart_);
    grid_->addWidget(placesPart_, placesRow_, 0, 1, 2);
    placesPart_->setVisible(!places.empty());
}

void FileDetails::showRecording(const library::RecordingView& view) {
    recording_->show(view, file_->id);
    judging_->show(view, file_->id);
    judgingPart_->show();
    recordingCaption_->setText(
        view.files.size() > 1 ? tr("%n file(s) of this recording", "", static_cast<int>(view.files.size()))
                              : tr("Recording"));
    recordingPart_->setVisible(!recording_->isHidden());
}

void FileDetails::caption(const QString& text) {
    auto* l = label(text, "caption");
    l->setContentsMargins(0, row_ ? 8 : 0, 0, 0);
    grid_->addWidget(l, row_++, 0, 1, 2);
}

void FileDetails::line(const QString& name, const QString& value) {
    auto* n = label(name, "quiet");
    n->setAlignment(Qt::AlignTop);
    auto* v = label(value, "");
    v->setWordWrap(true);
    v->setTextFormat(Qt::PlainText);
    v->setTextInteractionFlags(Qt::TextSelectableByMouse);
    grid_->addWidget(n, row_, 0);
    grid_->addWidget(v, row_++, 1);
}

void FileDetails::wide(const QString& text, const char* style) {
    auto* l = label(text, style);
    l->setWordWrap(true);
    l->setTextFormat(Qt::PlainText);
    l->setTextInteractionFlags(Qt::TextSelectableByMouse);
    grid_->addWidget(l, row_++, 0, 1, 2);
}

void FileDetails::showTags() {
    const tags::TagFile& t = file_->tags;
    std::string encoding = tags::likelyEncoding(t.fields);
    QStringList wrong, odd;
    if (!file_->readable())
        wrong << qs(file_->error);
    for (const std::string& note : t.notes)
        (t.damaged ? wrong : odd) << spoken(note);
    if (!t.readOnly.empty())
        odd << spoken(t.readOnly);
    if (!wrong.isEmpty() || !odd.isEmpty() || !encoding.empty() || !t.differences.empty() ||
        !t.unknown.empty())
        caption(tr("To look at"));
    for (const QString& s : wrong)
        wide(s, "wrong");
    for (const QString& s : odd)
        wide(s, "attention");
    if (!encoding.empty()) {
        tags::Fields again = tags::readAgain(t.fields, encoding);
        if (!again.empty()) {
            const auto& [key, values] = *again.begin();
            wide(
                tr("The text seems to be %1 that was read as Latin-1: \u201C%2\u201D may be \u201C%3\u201D.")
                    .arg(qs(encoding), qs(tags::shownValue(t.fields, key)), qs(tags::shownValue(again, key))),
                "attention");
            grid_->addWidget(mend_, row_++, 0, 1, 2, Qt::AlignLeft);
            mend_->show();
        }
    }
    for (const tags::Difference& d : t.differences)
        wide(tr("%1 in the %2 tag: \u201C%3\u201D")
                 .arg(fieldLabel(d.key), qs(d.tag), qs(tags::shownValues(d.values))),
             "attention");
    if (!t.unknown.empty()) {
        std::map<std::string, int> counts;
        for (const std::string& u : t.unknown)
            ++counts[u];
        QStringList names;
        for (const auto& [name, n] : counts)
            names << (n > 1 ? tr("%1 (%2 times)").arg(qs(name)).arg(n) : qs(name));
        wide(tr("%n part(s) of the tags were not understood and are kept: %1", "",
                static_cast<int>(t.unknown.size()))
                 .arg(names.join(", ")),
             "quiet");
    }
}

void FileDetails::showFields() {
    const tags::Fields& fields = file_->tags.fields;
    bool inHead =
        file_->tags.pictures.empty() && std::all_of(fields.begin(), fields.end(), [](const auto& f) {
            return f.first == "title" || f.first == "artist" || f.first == "album" || f.first == "date";
        });
    if (inHead) // there is nothing more to tell
        return;
    caption(tr("Fields"));
    for (const tags::FieldDef& def : tags::fieldTable())
        if (def.key != "title" && def.key != "artist" && def.key != "album" && def.key != "date" &&
            fields.contains(def.key))
            line(fieldLabel(def.key), qs(tags::shownValue(fields, def.key)));
    for (const auto& [key, values] : fields)
        if (!tags::isStandard(key))
            line(fieldLabel(key), qs(tags::shownValue(fields, key)));
    for (const tags::PictureInfo& p : file_->tags.pictures)
        line(tr("Picture"),
             QString("%1%2%3, %4")
                 .arg(spoken(p.type),
                      p.description.empty() ? QString() : QString(" \u201C%1\u201D").arg(qs(p.description)),
                      p.width > 0 ? QString(", %1 \u00D7 %2").arg(p.width).arg(p.height) : QString(),
                      shownSize(p.bytes)));
}

void FileDetails::showReadiness() {
    const auto searcher = use_.index.searcher();
    const library::ReadyRows* ready = searcher ? searcher->readyRows() : nullptr;
    const auto row = ready ? searcher->rowOf(file_->id) : std::nullopt;
    const library::Marks* marks = row ? ready->marksOf(*row) : nullptr;
    if (!marks)
        return;
    caption(tr("Readiness"));
    const QString standard = qs(use_.standards.byDefault().name);
    if (library::unmetOf(*marks) == 0) {
        wide(tr("Its release is ready by the standard \u201C%1\u201D.").arg(standard), "");
        return;
    }
    wide(tr("Of the standard \u201C%1\u201D, its release meets %2.")
             .arg(standard, spoken(library::readinessText(*marks))),
         "");
    std::vector<std::string> rules;
    library::Marks unmet;
    for (size_t i = 0; i < marks->size(); ++i)
        if (library::isUnmet((*marks)[i])) {
            rules.push_back(ready->table().rules[i]);
            unmet.push_back((*marks)[i]);
        }
    wide(paint::marksText(rules, unmet), "quiet");
}

void FileDetails::showSound() {
    const tags::Facts& f = file_->tags.facts;
    caption(tr("Sound"));
    line(tr("Length"), shownLength(f.duration));
    QString format = qs(audio::formatName(file_->tags.format));
    if (!f.codec.empty() && qs(f.codec) != format && f.codec != "Vorbis")
        format += ", " + qs(f.codec);
    line(tr("Format"), format + (f.bitDepth ? tr(", %1 bit").arg(f.bitDepth) : QString()));
    QString rate =
        tr("%L1 Hz, %n channel(s), %2 kbit/s", "", f.channels).arg(f.sampleRate).arg(f.bitrate / 1000);
    bool lossy = f.bitDepth == 0;
    if (lossy && f.rateKind == tags::RateKind::Variable)
        rate += tr(", variable");
    else if (lossy && f.rateKind == tags::RateKind::Constant)
        rate += tr(", constant");
    line(tr("Rate"), rate);
    if (!f.encoder.empty())
        line(tr("Encoder"), qs(f.encoder));
    if (f.gapless.known)
        line(tr("Gapless"), tr("%L1 samples ahead, %L2 behind").arg(f.gapless.delay).arg(f.gapless.padding));
    line(tr("Size"), shownSize(file_->state.size));
    if (!file_->tags.tags.empty()) {
        QStringList names;
        for (const std::string& t : file_->tags.tags)
            names << qs(t);
        line(tr("Tags"), names.join(", "));
    }
    if (!f.remarks.empty())
        caption(tr("Written by the recorder"));
    for (const auto& [name, value] : f.remarks)
        line(qs(name), qs(value));
}

void FileDetails::showPlace() {
    caption(tr("Where it is"));
    if (file_->absent > 0)
        wide(tr("It is not there: absent since %1. What the library keeps of it stays.")
                 .arg(QLocale().toString(QDateTime::fromSecsSinceEpoch(file_->absent), QLocale::ShortFormat)),
             "attention");
    wide(breakable(use_.shelves.placeText(file_->path)), "mono");
    grid_->itemAtPosition(row_ - 1, 0)->widget()->setToolTip(shownPath(file_->path));
    line(tr("Added"), QLocale().toString(QDateTime::fromSecsSinceEpoch(file_->added), QLocale::ShortFormat));
}

void FileDetails::askForHistory() {
    use_.journal.readHistory(
        this, file_->id,
        [self = QPointer(this), asked = ++asked_](const std::vector<library::Event>& events) {
            if (self && self->file_ && self->asked_ == asked && !events.empty())
                self->showHistory(events);
        });
}

void FileDetails::showHistory(const std::vector<library::Event>& events) {
    caption(tr("What happened to it"));
    for (const library::Event& e : events) {
        QStringList what;
        QStringList fields;
        for (const std::string& key : e.fields)
            fields << fieldLabel(key);
        if (!fields.isEmpty())
            what << tr("Changed: %1").arg(fields.join(", "));
        if (!e.to.empty() && e.to != e.from)
            what << tr("Came from %1").arg(breakable(use_.shelves.placeText(e.from)));
        if (what.isEmpty())
            what << qs(e.title);
        if (e.takenBack)
            what << tr("taken back");
        wide(QLocale().toString(QDateTime::fromSecsSinceEpoch(e.when), QLocale::ShortFormat), "quiet");
        wide(what.join(". "), "");
    }
}

QString FileDetails::text() const {
    QStringList all{title_->text(), subtitle_->text()};
    for (int i = 0; i < grid_->count(); ++i)
        if (auto* l = qobject_cast<QLabel*>(grid_->itemAt(i)->widget()))
            all << l->text().remove(QChar(0x200B));
    if (!recordingPart_->isHidden())
        all << recordingCaption_->text() << recording_->text();
    if (!placesPart_->isHidden())
        all << places_->text();
    return all.join("\n");
}

} // namespace moorfrost::app
