// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/device_view.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QHeaderView>
#include <QInputDialog>
#include <QLineEdit>
#include <QMenu>
#include <QProgressBar>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "core/audio/encode.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

using Kind = deliver::DeviceStep::Kind;

constexpr int mostShown = 5000;

QString nameOf(Kind kind) {
    switch (kind) {
    case Kind::Come:
        return DeviceView::tr("Comes");
    case Kind::Change:
        return DeviceView::tr("Changes");
    case Kind::Go:
        return DeviceView::tr("Goes");
    case Kind::Refuse:
        return DeviceView::tr("Cannot come");
    case Kind::Same:
        return DeviceView::tr("Is there");
    }
    return {};
}

/// What moves first, then what cannot, then what stays.
int orderOf(Kind kind) {
    return kind == Kind::Refuse   ? 0
           : kind == Kind::Come   ? 1
           : kind == Kind::Change ? 2
           : kind == Kind::Go     ? 3
                                  : 4;
}

} // namespace

DeviceView::DeviceView(DevicesController& devices, Delivering& delivering, Messages& messages,
                       QWidget* parent)
    : DeliverView(parent), devices_(devices), delivering_(delivering), messages_(messages) {
    QWidget* split = panes(left(), right(), "deliver/device panes");
    empty_ = new EmptyHint(
        "deliver", tr("No device yet"),
        tr("A player, a telephone, a memory stick or a plain folder is kept in step with tracks of "
           "the library: what comes, changes and goes is shown before. Two simulated devices ship "
           "with the application, to try it."),
        tr("Add a device\u2026"));
    connect(empty_->button(), &QPushButton::clicked, this, &DeviceView::showAddMenu);
    stack_ = new QStackedWidget;
    stack_->addWidget(empty_);
    stack_->addWidget(split);
    fillWith(stack_);
    connect(&devices_, &DevicesController::changed, this, &DeviceView::show);
    connect(&delivering_, &Delivering::changed, this, &DeviceView::show);
    show();
}

void DeviceView::takeKeyboard() {
    if (devices_.all().empty())
        empty_->button()->setFocus();
    else
        steps_->setFocus();
}

void DeviceView::change(const std::function<void(deliver::Device&)>& how) {
    const auto* device = devices_.chosen();
    if (showing_ || !device)
        return;
    deliver::Device changed = *device;
    how(changed);
    devices_.change(changed);
}

QWidget* DeviceView::left() {
    choice_ = new Choice;
    choice_->setAccessibleName(tr("Device"));
    choice_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    add_ = button(tr("Add\u2026"));
    forget_ = button(tr("Forget"), "flat");
    profile_ = button(tr("Profile\u2026"), "flat");
    about_ = label({}, "quiet");
    about_->setWordWrap(true);
    used_ = new QProgressBar;
    used_->setTextVisible(false);
    used_->setFixedHeight(6);
    used_->setAccessibleName(tr("How full the device is"));
    room_ = label({}, "quiet");
    wanted_ = label({}, "");
    wanted_->setWordWrap(true);
    want_ = button({});
    format_ = new Choice;
    for (const audio::EncodeFormat& format : audio::encodeFormats())
        format_->addItem(qs(format.label), qs(format.name));
    format_->setAccessibleName(tr("What it does not play becomes"));
    loudness_ = new QCheckBox(tr("As loud as the track gain says"));
    use_ = new QLineEdit;
    use_->setPlaceholderText(tr("nothing is noted"));
    use_->setAccessibleName(tr("Use that is noted of the tracks"));
    plan_ = new ChipEditor;
    plan_->setCustomFields({"place"});
    plan_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    format_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    room_->setWordWrap(true);
    connect(choice_, &QComboBox::activated, this,
            [this](int at) { devices_.choose(choice_->itemData(at).toLongLong()); });
    connect(add_, &QPushButton::clicked, this, &DeviceView::showAddMenu);
    connect(forget_, &QPushButton::clicked, this, [this] {
        if (const auto* device = devices_.chosen())
            devices_.forget(device->id);
    });
    connect(profile_, &QPushButton::clicked, this, [this] {
        const auto* device = devices_.chosen();
        if (!device)
            return;
        QMenu menu(this);
        menu.addAction(tr("Hand on as a file\u2026"), this, [this, name = device->profile.name] {
            const QString file = QFileDialog::getSaveFileName(
                this, tr("Hand on the profile"), deliverFolder() + "/" + qs(name).replace('/', '-') + ".json",
                tr("Profiles (*.json)"));
            if (!file.isEmpty())
                handOn(Path(ss(file)));
        });
        menu.addAction(tr("Take in from a file\u2026"), this, [this] {
            const QString file = QFileDialog::getOpenFileName(this, tr("Take in a profile"), deliverFolder(),
                                                              tr("Profiles (*.json)"));
            if (!file.isEmpty())
                takeIn(Path(ss(file)));
        });
        menu.exec(profile_->mapToGlobal(QPoint(0, profile_->height())));
    });
    connect(want_, &QPushButton::clicked, &devices_, &DevicesController::wantTracks);
    connect(format_, &QComboBox::activated, this, [this](int at) {
        change([&](deliver::Device& d) {
            d.profile.format = ss(format_->itemData(at).toString());
            if (const audio::EncodeFormat* format = audio::encodeFormat(d.profile.format);
                format && !format->lossless)
                d.profile.bitrate = format->usual;
        });
    });
    connect(loudness_, &QCheckBox::clicked, this,
            [this](bool on) { change([on](deliver::Device& d) { d.profile.loudness = on; }); });
    connect(use_, &QLineEdit::editingFinished, this, [this] {
        const auto* device = devices_.chosen();
        if (device && qs(device->use) != use_->text().trimmed())
            change([this](deliver::Device& d) { d.use = ss(use_->text().trimmed()); });
    });
    connect(plan_, &ChipEditor::changed, this, [this] {
        const auto* device = devices_.chosen();
        if (device && plan_->plan() && qs(device->profile.plan) != plan_->text())
            change([this](deliver::Device& d) { d.profile.plan = ss(plan_->text()); });
    });
    auto caption = [](const QString& text) {
        auto* out = label(text, "caption");
        out->setContentsMargins(0, 10, 0, 2);
        return out;
    };
    auto* top = new QHBoxLayout;
    top->addWidget(choice_, 1);
    top->addWidget(add_);
    auto* form = new QFormLayout;
    form->addRow(label(tr("Others become"), "quiet"), format_);
    form->addRow(label(tr("Note the use"), "quiet"), use_);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(14, 10, 14, 12);
    layout->setSpacing(6);
    layout->addLayout(top);
    layout->addWidget(about_);
    layout->addWidget(used_);
    layout->addWidget(room_);
    layout->addWidget(caption(tr("To be on it")));
    layout->addWidget(wanted_);
    layout->addWidget(want_);
    layout->addWidget(caption(tr("Names on it")));
    layout->addWidget(plan_);
    layout->addWidget(caption(tr("How")));
    layout->addLayout(form);
    layout->addWidget(loudness_);
    layout->addStretch();
    auto* foot = new QHBoxLayout;
    foot->addWidget(profile_);
    foot->addStretch();
    foot->addWidget(forget_);
    layout->addLayout(foot);
    return scrolling(content);
}

QWidget* DeviceView::right() {
    told_ = label({}, "quiet");
    told_->setWordWrap(true);
    look_ = button(tr("Look again"));
    sync_ = button(tr("Bring into step"), "accent");
    connect(look_, &QPushButton::clicked, &devices_, &DevicesController::look);
    connect(sync_, &QPushButton::clicked, &devices_, &DevicesController::sync);
    steps_ = new QTreeWidget;
    prepareTree(steps_, {tr("What"), tr("On the device"), tr("Size"), tr("Why")});
    steps_->setRootIsDecorated(false);
    steps_->setFrameShape(QFrame::NoFrame);
    steps_->setAccessibleName(tr("What comes to the device, changes and goes"));
    steps_->setColumnWidth(0, 110);
    steps_->setColumnWidth(1, 330);
    steps_->setColumnWidth(2, 80);
    return ground(toldBeside(told_, {look_, sync_}), steps_, 320);
}

void DeviceView::showAddMenu() {
    QMenu menu(this);
    menu.addAction(tr("A folder or a mounted device\u2026"), this, &DeviceView::addFolder);
    menu.addSeparator();
    menu.addAction(tr("A small player of 64 MB (simulated)"), this,
                   [this] { devices_.addSimulated("Small player"); });
    menu.addAction(tr("A telephone (simulated)"), this, [this] { devices_.addSimulated("Telephone"); });
    QPushButton* at = stack_->currentIndex() == 0 ? empty_->button() : add_;
    menu.exec(at->mapToGlobal(QPoint(0, at->height())));
}

void DeviceView::addFolder() {
    const QString folder =
        QFileDialog::getExistingDirectory(this, tr("The folder of the device"), deliverFolder());
    if (folder.isEmpty())
        return;
    rememberDeliverFolder(folder);
    QStringList names;
    for (const deliver::DeviceProfile& profile : deliver::shippedDeviceProfiles())
        names << tr(profile.name.c_str());
    bool ok = false;
    const QString name =
        QInputDialog::getItem(this, tr("Add a device"), tr("What it is like:"), names, 0, false, &ok);
    const auto at = names.indexOf(name);
    if (ok && at >= 0)
        devices_.add(ss(shownName(Path(ss(folder)))), Path(ss(folder)),
                     deliver::shippedDeviceProfiles()[static_cast<size_t>(at)]);
}

void DeviceView::handOn(const Path& file) {
    const auto* device = devices_.chosen();
    if (!device)
        return;
    if (const Status done = files::writeWhole(file, deliver::deviceProfileJson(device->profile)); !done)
        messages_.say(done.error());
}

void DeviceView::takeIn(const Path& file) {
    const auto text = smallFile(file);
    if (!text)
        return messages_.say(text.error());
    auto profile = deliver::deviceProfileFromJson(*text);
    if (!profile)
        return messages_.say(profile.error());
    change([&](deliver::Device& d) { d.profile = std::move(*profile); });
}

void DeviceView::show() {
    const auto* device = devices_.chosen();
    stack_->setCurrentIndex(device ? 1 : 0);
    if (!device)
        return;
    showing_ = true;
    choice_->clear();
    for (const deliver::Device& one : devices_.all())
        choice_->addItem(qs(one.name), QVariant::fromValue<qlonglong>(one.id));
    choice_->setCurrentIndex(choice_->findData(QVariant::fromValue<qlonglong>(device->id)));
    const deliver::DeviceProfile& profile = device->profile;
    QStringList about{tr(profile.name.c_str())};
    if (!profile.plays.empty()) {
        QStringList plays;
        for (const std::string& ending : profile.plays)
            plays << qs(ending).mid(1).toUpper();
        about << tr("plays %1").arg(plays.join(", "));
    }
    if (profile.highestRate > 0)
        about << tr("up to %1 kHz").arg(profile.highestRate / 1000);
    if (profile.pictureSide > 0)
        about << tr("pictures of %1 px").arg(profile.pictureSide);
    about << breakable(shownPath(device->folder));
    about_->setText(about.join(" \u00B7 "));
    wanted_->setText(
        device->wanted.empty() ? tr("Nothing yet.")
        : device->wantedName.empty()
            ? tr("%n track(s)", "", static_cast<int>(device->wanted.size()))
            : tr("%1: %n track(s)", "", static_cast<int>(device->wanted.size())).arg(qs(device->wantedName)));
    const bool any = !delivering_.of().isEmpty();
    want_->setText(any ? tr("What goes out is to be on it") : tr("Choose tracks on the left"));
    want_->setEnabled(any);
    format_->setCurrentIndex(format_->findData(qs(profile.format)));
    loudness_->setChecked(profile.loudness);
    if (shown_ != device->id || !use_->hasFocus())
        use_->setText(qs(device->use));
    if (plan_->text() != qs(profile.plan) && (shown_ != device->id || !plan_->edit()->hasFocus()))
        plan_->setText(qs(profile.plan));
    shown_ = device->id;
    showing_ = false;
    showSteps();
}

void DeviceView::showSteps() {
    const auto& c = theme::colours();
    const auto* plan = devices_.plan();
    steps_->clear();
    used_->setVisible(plan != nullptr);
    if (!plan) {
        sync_->setEnabled(false);
        room_->setText({});
        told_->setText(devices_.why().isEmpty() ? tr("Looking at the device \u2026") : devices_.why());
        return;
    }
    const uint64_t used = [&] {
        uint64_t out = 0;
        for (const deliver::OnDevice& entry : plan->there)
            out += entry.size;
        return out;
    }();
    const uint64_t after = used + plan->comes > plan->goes ? used + plan->comes - plan->goes : 0;
    used_->setMaximum(1000);
    used_->setValue(static_cast<int>(1000 * after / std::max<uint64_t>(1, used + plan->room)));
    room_->setText(tr("%1 of ours then, %2 more would have room")
                       .arg(shownSize(after), shownSize(plan->room + plan->goes > plan->comes
                                                            ? plan->room + plan->goes - plan->comes
                                                            : 0)));
    std::vector<const deliver::DeviceStep*> steps;
    for (const deliver::DeviceStep& step : plan->steps)
        steps.push_back(&step);
    std::ranges::stable_sort(steps, {}, [](const deliver::DeviceStep* s) { return orderOf(s->kind); });
    QList<QTreeWidgetItem*> rows;
    for (const deliver::DeviceStep* step : steps) {
        if (rows.size() >= mostShown)
            break;
        QString why = spoken(step->why);
        if (step->anew && (step->kind == Kind::Come || step->kind == Kind::Change))
            why += (why.isEmpty() ? QString() : " ") + tr("Made anew for it.");
        auto* row = new QTreeWidgetItem(
            {nameOf(step->kind),
             step->path.empty() ? shownPath(step->source.filename()) : shownPath(step->path),
             step->bytes > 0 ? shownSize(step->bytes) : QString(), why});
        row->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
        row->setForeground(0, step->kind == Kind::Refuse ? c.lichen
                              : step->kind == Kind::Same ? c.second
                              : step->kind == Kind::Go   ? c.rowan
                                                         : c.heather);
        rows << row;
    }
    steps_->addTopLevelItems(rows);
    QStringList parts;
    auto count = [&](Kind kind, const QString& text) {
        if (const size_t n = plan->count(kind); n > 0)
            parts << text.arg(n);
    };
    count(Kind::Come, tr("%1 come"));
    count(Kind::Change, tr("%1 change"));
    count(Kind::Go, tr("%1 go"));
    count(Kind::Same, tr("%1 there"));
    count(Kind::Refuse, tr("%1 cannot come"));
    if (!plan->foreign.empty())
        parts << tr("%1 changed there by others, left alone").arg(plan->foreign.size());
    if (devices_.isSyncing())
        told_->setText(tr("Being brought into step \u2026"));
    else
        told_->setText(parts.isEmpty()    ? tr("Nothing is to be on it yet.")
                       : plan->isInStep() ? tr("In step \u00B7 %1").arg(parts.join(" \u00B7 "))
                                          : parts.join(" \u00B7 "));
    sync_->setEnabled(!plan->isInStep() && !devices_.isSyncing());
}

} // namespace moorfrost::app
