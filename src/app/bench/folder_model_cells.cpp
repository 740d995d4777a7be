// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the model of folders that says what its cells show.
#include <QIcon>
#include <QLocale>

#include "app/bench/folder_model.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/tags/tag_io.h"

namespace moorfrost::app {

FolderModel::Finding FolderModel::find(const FilePtr& file) {
    const library::FileRecord& f = *file;
    if (!f.readable())
        return {paint::Tone::Wrong, spoken(f.error)};
    if (f.tags.damaged)
        return {paint::Tone::Wrong,
                tr("%1 It can be read, but will not be written to.").arg(qs(text::join(f.tags.notes, " ")))};
    QStringList odd;
    for (const std::string& note : f.tags.notes)
        odd << spoken(note);
    if (!f.tags.readOnly.empty())
        odd << spoken(f.tags.readOnly);
    if (std::string encoding = tags::likelyEncoding(f.tags.fields); !encoding.empty())
        odd << tr("The text seems to be %1 that was read as Latin-1.").arg(qs(encoding));
    if (!f.tags.differences.empty())
        odd << tr("Its tags differ in %n field(s).", "", static_cast<int>(f.tags.differences.size()));
    if (!odd.isEmpty())
        return {paint::Tone::Attention, odd.join(" ")};
    if (f.tags.fields.empty())
        return {paint::Tone::Neutral, tr("no tags")};
    if (!f.tags.fields.contains("title") || !f.tags.fields.contains("artist"))
        return {paint::Tone::Neutral,
                tr("half tagged: no %1").arg(f.tags.fields.contains("title") ? tr("artist") : tr("title"))};
    return {paint::Tone::Good, {}};
}

/// "Tone"; "Tone?" while it waits to be confirmed; "" for music.
QString FolderModel::kindOf(const library::FileRecord& file) const {
    if (const matching::KindProposal* p = use_.kinds.proposalFor(file.id))
        return tr("%1?").arg(kindText(p->kind));
    const matching::ContentKind kind = use_.kinds.of(file.id);
    return kind == matching::ContentKind::Music ? QString() : kindText(kind);
}

QVariant FolderModel::data(const QModelIndex& i, int role) const {
    if (!i.isValid())
        return {};
    const bool right = i.column() == Length || i.column() == Size;
    if (role == Qt::TextAlignmentRole)
        return QVariant::fromValue(
            Qt::Alignment((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter));
    if (FilePtr file = fileAt(i))
        return fileData(*file, i.column(), role);
    if (auto* in = static_cast<Folder*>(i.internalPointer()))
        return otherData(in->others[static_cast<size_t>(i.row()) - in->files.size()], i.column(), role);
    const Folder& f = *folders_[static_cast<size_t>(i.row())];
    switch (role) {
    case Qt::DisplayRole:
        return i.column() == Name ? f.shown : i.column() == Note ? f.note : QString();
    case Qt::ToolTipRole:
        return i.column() == Name ? shownPath(f.path) : QString();
    case Qt::DecorationRole:
        return i.column() == Name ? QVariant(theme::icon("folder")) : QVariant();
    case Qt::FontRole:
        return i.column() == Name ? QVariant(theme::uiFont(13, QFont::DemiBold)) : QVariant();
    case Qt::ForegroundRole:
        return i.column() == Note ? QVariant(theme::colours().second) : QVariant();
    default:
        return {};
    }
}

QVariant FolderModel::otherData(const files::OtherFile& f, int column, int role) {
    switch (role) {
    case Qt::DisplayRole:
        return column == Name   ? shownName(f.path)
               : column == Kind ? QString(shownPath(f.path.extension())).remove('.').toUpper()
               : column == Size ? shownSize(f.size)
               : column == Note ? tr("goes along")
                                : QString();
    case Qt::FontRole:
        return column == Name ? QVariant(theme::monoFont()) : QVariant();
    case Qt::ForegroundRole:
        return theme::colours().third;
    case Qt::ToolTipRole:
        return column == Note
                   ? tr("It is not sound. When the music of its folder is put away, it moves along.")
                   : QString();
    default:
        return {};
    }
}

QString FolderModel::noteOf(const library::FileRecord& f, const Finding& finding) const {
    QStringList parts;
    if (const QString kind = kindOf(f); !kind.isEmpty())
        parts << kind;
    if (const Duplicates::Other* copy = use_.duplicates.of(f.id)) {
        const QString name = shownName(copy->path);
        parts << (copy->inLibrary ? tr("in the library as %1").arg(name) : tr("same sound as %1").arg(name));
    }
    if (!f.readable() || !finding.text.isEmpty())
        parts << finding.text;
    else if (parts.isEmpty() || f.tags.fields.contains("title"))
        parts << tr("%1 \u2013 %2")
                     .arg(qs(tags::shownValue(f.tags.fields, "artist")),
                          qs(tags::shownValue(f.tags.fields, "title")));
    return parts.join(" \u00B7 ");
}

QVariant FolderModel::fileData(const library::FileRecord& f, int column, int role) const {
    const auto known = known_.find(&f);
    const Finding finding = known == known_.end() ? Finding() : known->second.finding;
    switch (role) {
    case Qt::DisplayRole:
        switch (column) {
        case Name:
            return shownName(f.path);
        case Length:
            return f.readable() ? shownLength(f.tags.facts.duration) : QString();
        case Kind: {
            if (!f.readable())
                return {};
            QString kind = qs(audio::formatName(f.tags.format));
            if (f.tags.facts.bitDepth > 0)
                kind += tr(" %1/%2")
                            .arg(f.tags.facts.bitDepth)
                            .arg(QLocale::c().toString(f.tags.facts.sampleRate / 1000.0, 'g', 4));
            else if (f.tags.facts.bitrate > 0)
                kind += tr(" %1 kbit/s").arg(f.tags.facts.bitrate / 1000);
            return kind;
        }
        case Size:
            return shownSize(f.state.size);
        default:
            return noteOf(f, finding);
        }
    case Qt::ToolTipRole:
        if (column != Note)
            return {};
        if (const Duplicates::Other* copy = use_.duplicates.of(f.id))
            return tr("%1\nThe same sound, byte for byte: %2")
                .arg(noteOf(f, finding), use_.shelves.placeText(copy->path));
        return noteOf(f, finding);
    case Qt::FontRole:
        return column == Name ? QVariant(theme::monoFont()) : QVariant();
    case Qt::ForegroundRole:
        if (column == Name)
            return {};
        return column == Note && finding.tone != paint::Tone::Good ? paint::ink(finding.tone)
                                                                   : theme::colours().second;
    case Qt::DecorationRole:
        return column == Note &&
                       (finding.tone == paint::Tone::Wrong || finding.tone == paint::Tone::Attention)
                   ? QVariant(theme::icon("attention", paint::ink(finding.tone)))
                   : QVariant();
    default:
        return {};
    }
}

QVariant FolderModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal)
        return {};
    if (role == Qt::TextAlignmentRole)
        return QVariant::fromValue(Qt::Alignment(
            (section == Length || section == Size ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter));
    const QString names[] = {tr("Folder and file"), tr("Length"), tr("Format"), tr("Size"),
                             tr("What was found")};
    return role == Qt::DisplayRole ? QVariant(names[section]) : QVariant();
}

} // namespace moorfrost::app
