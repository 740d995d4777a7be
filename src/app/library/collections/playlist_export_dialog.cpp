// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/playlist_export_dialog.h"

#include <QButtonGroup>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QRadioButton>
#include <QSettings>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/files/safe_name.h"

namespace moorfrost::app {

using exchange::PlaceStyle;

PlaylistExportDialog::PlaylistExportDialog(const QString& name, size_t count, const Path& example,
                                           QWidget* parent)
    : QDialog(parent), example_(example) {
    setWindowTitle(tr("Export playlist"));
    const QSettings settings;
    format_ = new Choice;
    format_->addItems({tr("M3U8: opens in nearly every player"),
                       tr("XSPF: with titles, lengths and the sound of each track")});
    format_->setCurrentIndex(std::clamp(settings.value("playlists/format", 0).toInt(), 0, 1));
    // Where the last one went, else beside the music: there its places stay true wherever both are carried.
    QString folder = settings.value("playlists/folder").toString();
    if (folder.isEmpty() || !QFileInfo(folder).isDir())
        folder = qs(example.parent_path().parent_path().native());
    const QString safe = qs(files::safeName(ss(name), files::NameProfile::Portable));
    file_ = new QLineEdit(folder + "/" + safe + (format_->currentIndex() == 0 ? ".m3u8" : ".xspf"));
    file_->setFont(theme::monoFont());
    auto* look = button(tr("Choose\u2026"));
    styles_ = new QButtonGroup(this);
    const QStringList labels = {tr("From the folder of the playlist: it can be moved with the music"),
                                tr("From the top of this computer"),
                                tr("As on another computer: a folder by another name")};
    auto* places = new QVBoxLayout;
    places->setSpacing(8);
    for (int i = 0; i < 3; ++i) {
        auto* radio = new QRadioButton(labels[i]);
        styles_->addButton(radio, i);
        places->addWidget(radio);
    }
    styles_->button(std::clamp(settings.value("playlists/places", 0).toInt(), 0, 2))->setChecked(true);
    from_ = new QLineEdit(
        settings.value("playlists/from", qs(example.parent_path().parent_path().native())).toString());
    to_ = new QLineEdit(settings.value("playlists/to").toString());
    to_->setPlaceholderText(tr("/media/music or M:\\Music"));
    for (QLineEdit* line : {from_, to_})
        line->setFont(theme::monoFont());
    from_->setAccessibleName(tr("The folder here"));
    to_->setAccessibleName(tr("The folder there"));
    auto* other = new QHBoxLayout;
    other->setContentsMargins(24, 0, 0, 0);
    other->addWidget(from_, 1);
    other->addWidget(label(tr("there is"), "quiet"));
    other->addWidget(to_, 1);
    places->addLayout(other);
    shown_ = label({}, "quiet");
    shown_->setFont(theme::monoFont());
    shown_->setWordWrap(true);
    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    auto* line = new QHBoxLayout;
    line->addWidget(file_, 1);
    line->addWidget(look);
    auto* form = new QFormLayout;
    form->setVerticalSpacing(14);
    form->setHorizontalSpacing(16);
    form->addRow(tr("File"), line);
    form->addRow(tr("Kind"), format_);
    form->addRow(tr("Places"), places);
    form->addRow(tr("The first will be"), shown_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    export_ = buttons->addButton(tr("Export %n track(s)", "", static_cast<int>(count)),
                                 QDialogButtonBox::AcceptRole);
    export_->setObjectName("accent");
    connect(buttons, &QDialogButtonBox::accepted, this, [this] {
        QSettings keep;
        keep.setValue("playlists/format", format_->currentIndex());
        keep.setValue("playlists/folder", QFileInfo(file_->text()).path());
        keep.setValue("playlists/places", styles_->checkedId());
        keep.setValue("playlists/from", from_->text());
        keep.setValue("playlists/to", to_->text());
        accept();
    });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(14);
    layout->addLayout(form);
    layout->addWidget(trouble_);
    layout->addStretch();
    layout->addWidget(buttons);
    resize(640, 0);
    connect(look, &QPushButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getSaveFileName(this, tr("Export playlist"), file_->text(), {},
                                                            nullptr, QFileDialog::DontConfirmOverwrite);
        if (!chosen.isEmpty())
            file_->setText(chosen);
    });
    connect(format_, &QComboBox::currentIndexChanged, this, [this](int format) {
        const QFileInfo now(file_->text());
        file_->setText(now.path() + "/" + now.completeBaseName() + (format == 0 ? ".m3u8" : ".xspf"));
    });
    connect(styles_, &QButtonGroup::idClicked, this, &PlaylistExportDialog::show);
    for (QLineEdit* edit : {file_, from_, to_})
        connect(edit, &QLineEdit::textChanged, this, &PlaylistExportDialog::show);
    show();
}

Path PlaylistExportDialog::file() const {
    return Path(ss(file_->text()));
}

PlaceStyle PlaylistExportDialog::style() const {
    return {static_cast<PlaceStyle::Kind>(styles_->checkedId()), ss(from_->text()), ss(to_->text())};
}

QString PlaylistExportDialog::exampleText() const {
    return shown_->text();
}

void PlaylistExportDialog::show() {
    const bool rewritten = style().kind == PlaceStyle::Kind::Rewritten;
    from_->setEnabled(rewritten);
    to_->setEnabled(rewritten);
    const Path target = file();
    shown_->setText(shownPath(Path(exchange::placeFor(example_, target.parent_path(), style()))));
    std::error_code error;
    const std::string ending = target.extension().native();
    QString why;
    if (!target.is_absolute() || target.filename().empty())
        why = tr("Say where it is to be, from the top of this computer.");
    else if (!std::filesystem::is_directory(target.parent_path(), error))
        why = tr("There is no folder %1.").arg(shownPath(target.parent_path()));
    else if (ending != ".m3u8" && ending != ".xspf" && ending != ".m3u")
        why = tr("The name of a playlist ends with .m3u8 or .xspf.");
    else if (rewritten && to_->text().trimmed().isEmpty())
        why = tr("Say what the folder is called there.");
    else if (rewritten && !example_.native().starts_with(style().from))
        why = tr("The first track is not in %1.").arg(from_->text());
    trouble_->setText(!why.isEmpty() ? why
                      : std::filesystem::exists(target, error)
                          ? tr("There is a file of this name: it will be replaced.")
                          : QString());
    trouble_->setHidden(trouble_->text().isEmpty());
    export_->setEnabled(why.isEmpty());
}

} // namespace moorfrost::app
