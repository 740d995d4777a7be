// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/discs/rip_panel.h"

#include <algorithm>

#include <QCheckBox>
#include <QFileDialog>
#include <QInputDialog>
#include <QScrollArea>
#include <QVBoxLayout>

#include "app/bench/discs/disc_pictures_strip.h"
#include "app/control/plans.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/audio/encode.h"

namespace moorfrost::app {

namespace {

constexpr qlonglong anotherFolder = -2; // in the list of places

/// What stands against the places, each thing once.
QStringList whyNot(const std::vector<placing::Placement>& places) {
    QStringList out;
    for (const placing::Placement& p : places)
        for (const placing::Mark& m : p.marks)
            if (placing::isWrong(m.kind) && !out.contains("\u00D7 " + spoken(m.text)))
                out << "\u00D7 " + spoken(m.text);
    return out;
}

/// The tree below the place: each folder once, its files under it, with what stands against them.
QStringList treeOf(const std::vector<placing::Placement>& places) {
    QStringList out;
    std::vector<std::string> at;
    for (const placing::Placement& p : places) {
        const std::vector<std::string>& parts = p.parts;
        size_t same = 0;
        while (same + 1 < parts.size() && same < at.size() && at[same] == parts[same])
            ++same;
        for (size_t i = same; i + 1 < parts.size(); ++i)
            out << QString(static_cast<int>(i) * 2, ' ') + shownName(Path(parts[i])) + "/";
        at.assign(parts.begin(), parts.empty() ? parts.begin() : parts.end() - 1);
        const QString indent(static_cast<int>(at.size()) * 2, ' ');
        out << indent + (p.blocked() ? "\u00D7 " : "") +
                   (parts.empty() ? RipPanel::tr("track %1").arg(p.id - 1) : shownName(Path(parts.back())));
    }
    return out;
}

} // namespace

RipPanel::RipPanel(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("drawer");
    setMinimumWidth(240);
    auto* inside = new QWidget;
    auto* area = new QScrollArea;
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setWidget(inside);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    outer->addWidget(area);
    auto* layout = new QVBoxLayout(inside);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(6);
    auto* title = label(tr("Rip to files"), "");
    title->setFont(theme::uiFont(14, QFont::DemiBold));
    layout->addWidget(title);
    const RipSettings kept = rememberedRip();
    auto choice = [](const QString& name) {
        auto* box = new Choice;
        box->setAccessibleName(name);
        box->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        return box;
    };
    format_ = choice(tr("Format"));
    for (const audio::EncodeFormat& f : audio::encodeFormats())
        format_->addItem(f.lossless ? tr("%1, every sample").arg(qs(f.label)) : qs(f.label), qs(f.name));
    format_->setCurrentIndex(std::max(0, format_->findData(qs(kept.format))));
    bitrate_ = choice(tr("Bit rate"));
    layout->addWidget(label(tr("Format"), "caption"));
    layout->addWidget(format_);
    layout->addWidget(bitrate_);
    folder_ = kept.folder;
    shelf_ = kept.shelf;
    place_ = choice(tr("Shelf"));
    plan_ = choice(tr("Plan"));
    layout->addWidget(label(tr("Shelf and plan"), "caption"));
    layout->addWidget(place_);
    layout->addWidget(plan_);
    layout->addWidget(label(tr("Where it will be"), "caption"));
    preview_ = label({}, "mono");
    preview_->setTextFormat(Qt::PlainText);
    preview_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    layout->addWidget(preview_);
    picturesCaption_ = label(tr("Pictures for the files"), "caption");
    strip_ = new DiscPicturesStrip(use_.pictures);
    layout->addWidget(picturesCaption_);
    layout->addWidget(strip_);
    layout->addWidget(label(tr("Reading"), "caption"));
    auto check = [layout](const QString& text, const QString& tip, bool on) {
        auto* box = new QCheckBox(text);
        box->setToolTip(tip);
        box->setChecked(on);
        layout->addWidget(box);
        return box;
    };
    verify_ = check(tr("until two readings agree"),
                    tr("Each sector is read twice at least; what never reads the same twice is named"),
                    kept.verify);
    listen_ =
        check(tr("check by sound afterwards"),
              tr("The files are listened to, and compared with the release that was chosen"), kept.listen);
    eject_ = check(tr("eject at the end"), tr("When all that was asked for is ripped"), kept.eject);
    offset_ = label({}, "quiet");
    offset_->setWordWrap(true);
    offset_->setToolTip(tr("Drives give their samples some too late or too early, always by the same number. "
                           "Corrected, a disc reads the same in every drive."));
    layout->addWidget(offset_);
    find_ = button(tr("Find it by this disc"));
    auto* enter = button(tr("Enter it\u2026"));
    for (QPushButton* b : {find_, enter})
        b->setAutoDefault(false);
    layout->addWidget(flowing({find_, enter}, 6));
    layout->addStretch();
    fillRates(kept.bitrate);
    fillPlaces();
    fillPlans();
    setPlan(qs(kept.plan));
    connect(format_, &QComboBox::currentIndexChanged, this, [this] {
        fillRates(rememberedRip().bitrate);
        showPlan();
    });
    connect(place_, &QComboBox::activated, this, [this](int at) {
        const qlonglong chosen = place_->itemData(at).toLongLong();
        if (chosen == anotherFolder) {
            chooseFolder();
            return;
        }
        shelf_ = chosen;
        showPlan();
    });
    connect(plan_, &QComboBox::currentIndexChanged, this, [this] {
        if (!filling_)
            showPlan();
    });
    connect(find_, &QPushButton::clicked, this, [this] { use_.offsets.find(disc_); });
    connect(enter, &QPushButton::clicked, this, &RipPanel::enterOffset);
    connect(&use_.shelves, &ShelvesController::changed, this, [this] {
        fillPlaces();
        showPlan();
    });
    connect(&use_.settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::plans))
            fillPlans();
    });
    connect(&use_.offsets, &DriveOffsets::changed, this, [this] {
        showPlan();
        showOffset();
    });
    connect(&use_.pictures, &DiscPictures::changed, this, [this](int disc) {
        if (disc == disc_)
            showOffset();
    });
}

void RipPanel::fillRates(int wanted) {
    const audio::EncodeFormat* format = audio::encodeFormat(ss(format_->currentData().toString()));
    bitrate_->clear();
    if (format)
        for (const int rate : format->bitrates)
            bitrate_->addItem(tr("%1 kbit/s").arg(rate / 1000), rate);
    const int at = bitrate_->findData(wanted);
    bitrate_->setCurrentIndex(
        at >= 0 ? at : bitrate_->findData(format && !format->bitrates.empty() ? format->usual : 0));
    bitrate_->setVisible(bitrate_->count() > 0);
}

void RipPanel::fillPlaces() {
    const QSignalBlocker quiet(place_);
    place_->clear();
    for (const library::Shelf& s : use_.shelves.all()) {
        place_->addItem(qs(s.name), static_cast<qlonglong>(s.id));
        place_->setItemData(place_->count() - 1, shownPath(s.path), Qt::ToolTipRole);
    }
    place_->addItem(tr("Folder %1").arg(shownName(folder_)), 0);
    place_->setItemData(place_->count() - 1, shownPath(folder_), Qt::ToolTipRole);
    place_->addItem(tr("Another folder\u2026"), anotherFolder);
    if (shelf_ > 0 && place_->findData(static_cast<qlonglong>(shelf_)) < 0)
        shelf_ = -1; // it is none any more
    place_->setCurrentIndex(shelf_ < 0 ? 0 : place_->findData(static_cast<qlonglong>(shelf_)));
}

void RipPanel::fillPlans() {
    const QVariant before = plan_->currentData();
    filling_ = true;
    plan_->clear();
    for (const auto& [name, text] : plansOf(use_.settings)) {
        plan_->addItem(name, text);
        plan_->setItemData(plan_->count() - 1, text, Qt::ToolTipRole);
    }
    filling_ = false;
    if (before.isValid())
        setPlan(before.toString());
}

void RipPanel::setPlan(const QString& text) {
    int at = plan_->findData(text);
    if (at < 0 && !text.isEmpty()) {
        plan_->addItem(tr("own plan"), text);
        at = plan_->count() - 1;
    }
    plan_->setCurrentIndex(std::max(0, at));
}

void RipPanel::chooseFolder() {
    const QString dir =
        QFileDialog::getExistingDirectory(this, tr("Where ripped discs go"), shownPath(folder_));
    if (dir.isEmpty())
        fillPlaces();
    else
        setFolder(Path(ss(dir)));
}

QString RipPanel::preview() const {
    return preview_->toolTip();
}

QString RipPanel::offset() const {
    return offset_->text();
}

RipSettings RipPanel::settings() const {
    RipSettings out;
    out.format = ss(format_->currentData().toString());
    out.bitrate = bitrate_->count() > 0 ? bitrate_->currentData().toInt() : 0;
    out.shelf = std::max<int64_t>(0, place_->currentData().toLongLong());
    out.folder = folder_;
    out.plan = ss(plan_->currentData().toString());
    out.verify = verify_->isChecked();
    out.listen = listen_->isChecked();
    out.eject = eject_->isChecked();
    return out;
}

void RipPanel::setFolder(const Path& folder) {
    folder_ = folder;
    shelf_ = 0;
    fillPlaces();
    showPlan();
}

void RipPanel::setDisc(int number) {
    disc_ = number;
    strip_->setDisc(number);
    showPlan();
    showOffset();
}

void RipPanel::resizeEvent(QResizeEvent* event) {
    QFrame::resizeEvent(event);
    showLines();
}

void RipPanel::showOffset() {
    const DiscsController::Disc* d = use_.discs.find(disc_);
    const auto known = d ? DriveOffsets::of(*d) : std::nullopt;
    offset_->setText(
        !known ? tr("The offset of this drive is not known.")
        : known->from.isEmpty()
            ? tr("Offset of this drive: %1 samples, entered by hand")
                  .arg((known->samples > 0 ? "+" : "") + QString::number(known->samples))
            : tr("Offset of this drive: %1 samples, found with %2")
                  .arg((known->samples > 0 ? "+" : "") + QString::number(known->samples), known->from));
    find_->setVisible(use_.offsets.canFind(disc_));
    const bool pictures = use_.pictures.of(disc_) || use_.pictures.isFetching(disc_);
    picturesCaption_->setVisible(pictures);
    picturesCaption_->setText(use_.pictures.isFetching(disc_) ? tr("Pictures for the files: fetching\u2026")
                                                              : tr("Pictures for the files"));
    strip_->setVisible(use_.pictures.of(disc_) != nullptr);
}

void RipPanel::enterOffset() {
    const DiscsController::Disc* d = use_.discs.find(disc_);
    if (!d)
        return;
    const auto known = DriveOffsets::of(*d);
    bool ok = false;
    const int samples =
        QInputDialog::getInt(this, tr("Offset of %1").arg(d->name),
                             tr("By how many samples is what it reads too late on the disc?"),
                             known ? known->samples : 0, -disc::mostOffset, disc::mostOffset, 1, &ok);
    if (ok)
        use_.offsets.remember(*d, {samples, {}});
}

void RipPanel::showPlan() {
    const DiscsController::Disc* d = use_.discs.find(disc_);
    if (d && d->busy)
        return; // it is as it was when the rip began
    if (!d) {
        preview_->clear();
        emit planned(0);
        return;
    }
    const RipController::Planned planned_ = use_.rips.planOf(*d, settings());
    QStringList lines = treeOf(planned_.places);
    constexpr int most = 16;
    const int more = static_cast<int>(lines.size()) - most;
    if (more > 0)
        lines = lines.mid(0, most) << "  " + tr("and %n more", "", more);
    if (!planned_.plan.tracks.empty())
        lines << QString(static_cast<int>(planned_.places.front().parts.size() - 1) * 2, ' ') +
                     "disc report.txt, disc.cue";
    preview_->setWordWrap(!planned_.problem.isEmpty());
    if (!planned_.problem.isEmpty()) {
        lines_.clear();
        preview_->setText(planned_.problem);
        preview_->setToolTip(planned_.problem);
        emit planned(0);
        return;
    }
    lines << whyNot(planned_.places);
    preview_->setToolTip(lines.join('\n'));
    const auto& tracks = use_.rips.of(disc_).tracks;
    const bool ripped =
        std::ranges::count(tracks, RipController::Track::State::Ripped, &RipController::Track::state) > 0;
    lines_ = !lines.isEmpty() ? lines : QStringList{ripped ? tr("all of it is ripped") : tr("nothing")};
    showLines();
    emit planned(d->out ? 0 : static_cast<int>(planned_.plan.tracks.size()));
}

/// As long as there is room.
void RipPanel::showLines() {
    QStringList shown;
    for (const QString& line : lines_)
        shown << preview_->fontMetrics().elidedText(line, Qt::ElideMiddle, std::max(120, preview_->width()));
    if (!lines_.isEmpty())
        preview_->setText(shown.join('\n'));
}

} // namespace moorfrost::app
