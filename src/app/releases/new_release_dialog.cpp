// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/new_release_dialog.h"

#include <QCompleter>
#include <QFormLayout>
#include <QVBoxLayout>

#include "app/releases/fill_dialog.h"
#include "app/releases/release_lines.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/two_lines.h"
#include "core/audit/codes.h"
#include "core/library/releases/edition_sets.h"

namespace moorfrost::app {

namespace {

constexpr double tells = 0.75; // how sure a likeness is to be pointed at

} // namespace

NewReleaseDialog::NewReleaseDialog(const SourcePicker::Uses& use, const library::ReleaseView* edition,
                                   QWidget* parent)
    : QDialog(parent), use_(use) {
    setWindowTitle(edition ? tr("Another edition of \u201C%1\u201D").arg(qs(edition->release.title))
                           : tr("New release"));
    auto* form = new QFormLayout;
    form->setContentsMargins(0, 0, 0, 0);
    form->setHorizontalSpacing(12);
    form->setVerticalSpacing(8);
    const std::tuple<const char*, QString, QString> rows[] = {
        {"title", tr("Title"), {}},
        {"credit", tr("Artist"), tr("Name [ & ] Name: what joins them in brackets")},
        {library::mediaFact, tr("Carrier"), tr("CD, Vinyl, Cassette, File \u2026")},
        {"labels", tr("Label"), tr("Label = number")},
        {"dates", tr("Released"), tr("1998-10-05 GB")},
        {"barcode", tr("Barcode"), {}},
        {"edition", tr("Edition"), tr("what tells it from others: 2011 remaster")}};
    for (const auto& [key, caption, hint] : rows) {
        auto* box = new QLineEdit;
        box->setPlaceholderText(hint);
        box->setAccessibleName(caption);
        boxes_[key] = box;
        form->addRow(label(caption, "quiet"), box);
        connect(box, &QLineEdit::textChanged, this, [this] {
            check();
            later_.start();
        });
    }
    boxes_.at(library::mediaFact)
        ->setCompleter(new QCompleter({"CD", "CD single", "Vinyl LP", "Vinyl EP", "Vinyl 7\"", "Cassette",
                                       "File", "Tape", "DVD", "SACD"},
                                      this));
    boxes_.at(library::mediaFact)->completer()->setCaseSensitivity(Qt::CaseInsensitive);
    tracks_ = label({}, "quiet");
    tracks_->setWordWrap(true);
    fill_ = button(tr("Fill from a source\u2026"));
    fill_->setAutoDefault(false);
    fill_->setToolTip(
        tr("An edition of a reference, a list of tracks that you paste, a sleeve of the bench"));
    trouble_ = label({}, "quiet");
    trouble_->setWordWrap(true);
    auto* left = new QWidget;
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(16, 14, 12, 12);
    leftLayout->setSpacing(10);
    leftLayout->addLayout(form);
    leftLayout->addWidget(tracks_);
    leftLayout->addWidget(fill_, 0, Qt::AlignLeft);
    leftLayout->addStretch();
    leftLayout->addWidget(trouble_);
    alike_ = new QListWidget;
    alike_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, alike_));
    alike_->setAccessibleName(tr("Is it already there?"));
    auto* right = new QFrame;
    right->setObjectName("panel");
    auto* rightLayout = new QVBoxLayout(right);
    rightLayout->setContentsMargins(12, 14, 16, 12);
    rightLayout->setSpacing(6);
    rightLayout->addWidget(label(tr("Is it already there?"), "caption"));
    rightLayout->addWidget(alike_, 1);
    const TakeBar foot = twoParts(this, left, right, {430, 390}, "releases/new");
    enter_ = foot.take;
    enter_->setText(tr("Enter the release"));
    later_.setSingleShot(true);
    later_.setInterval(120);
    connect(&later_, &QTimer::timeout, this, &NewReleaseDialog::lookAlike);
    connect(fill_, &QPushButton::clicked, this, &NewReleaseDialog::takeSource);
    connect(enter_, &QPushButton::clicked, this, [this] {
        lookAlike(); // of what was typed last
        if (enter_->isEnabled())
            accept();
    });
    if (edition) {
        edition_ = edition->ref;
        boxes_.at("title")->setText(qs(edition->release.title));
        boxes_.at("credit")->setText(
            qs(library::typingLine("credit", library::factOf(edition->release, "credit"))));
        media_ = library::mediaOf(*edition);
        for (library::MediumToKeep& m : media_) {
            m.carrier.clear(); // asked
            m.discTable.clear();
        }
        for (const char* key : {"language", "script", "genres", "first_date"})
            if (auto values = library::factOf(edition->release, key); !values.empty())
                others_[key] = std::move(values);
        source_.what = ss(tr("another edition of the library"));
        source_.taken = ss(tr("%n track(s)", "", static_cast<int>(edition->release.trackCount())));
        boxes_.at(library::mediaFact)->setFocus();
    } else {
        boxes_.at("title")->setFocus();
    }
    resize(840, 460);
    lookAlike();
    check();
}

QLineEdit* NewReleaseDialog::box(const std::string& key) const {
    const auto it = boxes_.find(key);
    return it == boxes_.end() ? nullptr : it->second;
}

std::vector<std::string> NewReleaseDialog::valuesOf(const std::string& key) const {
    return library::factFromTyping(key, ss(boxes_.at(key)->text()));
}

void NewReleaseDialog::takeSource() {
    library::ReleaseView now;
    for (const auto& [key, box] : boxes_)
        if (key != library::mediaFact)
            library::putFact(now.release, key, valuesOf(key));
    for (const auto& [key, values] : others_)
        library::putFact(now.release, key, values);
    for (const library::MediumToKeep& m : media_) {
        library::MediumView& view = now.media.emplace_back();
        view.carrier = m.carrier;
        view.title = m.title;
        reference::Medium& plain =
            now.release.media.emplace_back(reference::Medium{m.carrier, m.title, {}, {}, {}});
        for (const auto& [track, recording] : m.tracks) {
            library::TrackView& t = view.tracks.emplace_back();
            t.printed = track;
            t.recording = recording;
            plain.tracks.push_back(track);
        }
    }
    FillDialog dialog(use_, now, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    const library::ReleaseFilling taken = dialog.filling();
    for (const auto& [key, values] : taken.facts) {
        if (QLineEdit* line = box(key))
            line->setText(qs(library::typingLine(key, values)));
        else
            others_[key] = values;
    }
    if (taken.media) {
        media_ = *taken.media;
        if (boxes_.at(library::mediaFact)->text().isEmpty() && !media_.empty())
            boxes_.at(library::mediaFact)->setText(qs(media_.front().carrier));
    }
    source_ = taken.source;
    lookAlike();
    check();
}

void NewReleaseDialog::lookAlike() {
    later_.stop();
    const library::ReleaseRef chosen = set();
    alike_->clear();
    alikeRefs_.clear();
    auto* own = new QListWidgetItem(tr("A release of its own"), alike_);
    own->setData(TwoLineDelegate::SecondRole, tr("no edition of anything that is here"));
    const auto list = use_.releases.list();
    int row = 0;
    auto add = [&](const library::ReleaseRef& ref, const library::ReleaseEntry& e, const QString& why) {
        alikeRefs_.push_back(ref);
        auto* item = new QListWidgetItem(tr("Edition of \u201C%1\u201D").arg(qs(e.title)), alike_);
        const QString second =
            qs(e.artist) + " \u00B7 " + editionLine(e) + (why.isEmpty() ? QString() : "\n" + why);
        item->setData(TwoLineDelegate::SecondRole, QString(second).replace("\n", " \u00B7 "));
        item->setToolTip(item->text() + "\n" + second);
        item->setData(Qt::AccessibleTextRole, item->text() + ", " + second);
        if (ref == chosen)
            row = alike_->count() - 1;
    };
    QString warning;
    if (list) {
        if (edition_)
            if (const size_t entry = list->find(*edition_); entry != SIZE_MAX) {
                add(*edition_, list->entries()[entry], tr("its tracks were taken"));
                if (chosen == *edition_ || (chosen.id == 0 && chosen.files.empty() && !asked_))
                    row = 1;
            }
        library::ReleaseClue clue;
        clue.title = ss(boxes_.at("title")->text().trimmed());
        clue.artist = ss(boxes_.at("credit")->text().trimmed());
        reference::Release r;
        library::putFact(r, "labels", valuesOf("labels"));
        clue.number = r.labels.empty() ? std::string() : r.labels.front().catalogueNumber;
        clue.barcode = ss(boxes_.at("barcode")->text().trimmed());
        for (const library::MediumToKeep& m : media_)
            for (const auto& [track, recording] : m.tracks)
                clue.titles.emplace_back(track.title, track.lengthMs);
        for (const library::LikeRelease& like : library::likeReleases(*list, clue)) {
            const library::ReleaseEntry& e = list->entries()[like.entry];
            if (warning.isEmpty() && like.evidence.barcode)
                warning = tr("\u201C%1\u201D has this barcode: it may be here already.").arg(qs(e.title));
            else if (warning.isEmpty() && like.evidence.number && like.evidence.sure >= tells)
                warning = tr("\u201C%1\u201D has this number: it may be here already.").arg(qs(e.title));
            if (!edition_ || list->find(*edition_) != like.entry)
                add(e.ref, e, spoken(like.evidence.words()));
        }
    }
    asked_ = true;
    alike_->setCurrentRow(row);
    warning_ = warning;
    check();
}

void NewReleaseDialog::check() {
    size_t tracks = 0, recordings = 0;
    for (const library::MediumToKeep& m : media_)
        for (const auto& [track, recording] : m.tracks) {
            ++tracks;
            recordings += recording != 0;
        }
    tracks_->setText(tracks == 0 ? tr("No tracks yet: they can be typed later, or taken from a source now.")
                     : recordings > 0
                         ? tr("%n track(s), with the recordings that are here", "", static_cast<int>(tracks))
                         : tr("%n track(s)", "", static_cast<int>(tracks)));
    std::string why;
    for (const auto& [key, box] : boxes_)
        if (key != library::mediaFact && (!box->text().trimmed().isEmpty() || key == "title"))
            if (why = library::whyNotFact(key, valuesOf(key)); !why.empty())
                break;
    enter_->setEnabled(why.empty());
    QString told = spoken(why);
    if (told.isEmpty())
        told = warning_;
    if (told.isEmpty() && !boxes_.at("barcode")->text().trimmed().isEmpty())
        told = spoken(audit::whyNotCode("barcode", ss(boxes_.at("barcode")->text().trimmed())));
    if (!told.isEmpty())
        told[0] = told[0].toUpper();
    trouble_->setText(told);
}

library::ReleaseFilling NewReleaseDialog::filling() const {
    library::ReleaseFilling out;
    for (const auto& [key, values] : others_)
        out.facts[key] = values;
    for (const auto& [key, box] : boxes_)
        if (key != library::mediaFact)
            if (auto values = valuesOf(key); !values.empty())
                out.facts[key] = std::move(values);
    std::vector<library::MediumToKeep> media = media_;
    const std::string carrier = text::trim(ss(boxes_.at(library::mediaFact)->text()));
    if (media.empty() && !carrier.empty())
        media.emplace_back();
    for (library::MediumToKeep& m : media)
        if (m.carrier.empty() || media.size() == 1)
            m.carrier = carrier.empty() ? m.carrier : carrier;
    if (!media.empty())
        out.media = media;
    out.source = source_;
    return out;
}

library::ReleaseRef NewReleaseDialog::set() const {
    const int row = alike_->currentRow() - 1;
    return row >= 0 && row < static_cast<int>(alikeRefs_.size()) ? alikeRefs_[static_cast<size_t>(row)]
                                                                 : library::ReleaseRef{};
}

} // namespace moorfrost::app
