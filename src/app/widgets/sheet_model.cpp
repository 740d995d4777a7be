// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstdlib>
#include <unordered_map>
#include <unordered_set>

#include <QDateTime>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/sheet.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::app {

SheetModel::SheetModel(const Uses& use, QObject* parent)
    : FileTable(parent), use_(use), norms_([this](FileId id, const std::string& key) {
          if (!tags::isPictureKey(key))
              return tags::shownValues(use_.drafts.session().effective(id, key));
          for (const tags::PictureInfo& p : use_.drafts.session().pictures(id))
              if (tags::pictureKey(p.type) == key)
                  return tags::pictureText(p);
          return std::string();
      }) {
    auto readSleeves = [this] {
        size_t told = 0; // which files are in which sleeve, as a number
        for (const SleeveView& s : use_.sleeves.all())
            told = told * 31 + std::hash<std::string>()(s.key) + s.version;
        if (told == sleevesTold_)
            return;
        sleevesTold_ = told;
        std::vector<std::vector<FileId>> sleeves;
        for (const SleeveView& s : use_.sleeves.all())
            if (!s.isStrays())
                sleeves.push_back(s.files);
        norms_.setSleeves(sleeves);
        refresh();
    };
    connect(&use_.sleeves, &SleeveViews::changed, this, readSleeves);
    connect(&use_.drafts, &DraftsController::changed, this, &SheetModel::refresh);
    connect(&use_.drafts, &DraftsController::diskShown, this, &SheetModel::refresh);
    readSleeves();
}

void SheetModel::refresh() {
    norms_.forget();
    if (!files_.empty() && columnCount() > 0)
        emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
}

void SheetModel::setFiles(std::vector<FileId> files) {
    constexpr size_t few = 20'000; // of more, moving rows one by one takes longer than all anew
    if (files != files_ && (files.size() > few || !changeRows(files))) {
        beginResetModel();
        files_ = std::move(files);
        endResetModel();
    } else {
        refresh();
    }
}

namespace {

struct Run {
    size_t from, to; // the last one included
};

/// The runs of rows that `isOther` holds for.
std::vector<Run> runsOf(const std::vector<FileId>& files, const auto& isOther) {
    std::vector<Run> out;
    for (size_t i = 0; i < files.size(); ++i) {
        if (!isOther(files[i]))
            continue;
        if (!out.empty() && out.back().to + 1 == i)
            out.back().to = i;
        else
            out.push_back({i, i});
    }
    return out;
}

} // namespace

bool SheetModel::changeRows(const std::vector<FileId>& files) {
    constexpr size_t mostRuns = 64;
    const std::unordered_set<FileId> wanted(files.begin(), files.end()), held(files_.begin(), files_.end());
    const auto going = runsOf(files_, [&](FileId id) { return !wanted.contains(id); });
    const auto coming = runsOf(files, [&](FileId id) { return !held.contains(id); });
    if (going.size() > mostRuns || coming.size() > mostRuns || held.size() != files_.size() ||
        wanted.size() != files.size() ||
        std::none_of(files_.begin(), files_.end(), [&](FileId id) { return wanted.contains(id); }))
        return false;
    for (auto run = going.rbegin(); run != going.rend(); ++run) {
        beginRemoveRows({}, static_cast<int>(run->from), static_cast<int>(run->to));
        files_.erase(files_.begin() + static_cast<std::ptrdiff_t>(run->from),
                     files_.begin() + static_cast<std::ptrdiff_t>(run->to) + 1);
        endRemoveRows();
    }
    std::vector<FileId> order; // of those that stay
    for (FileId id : files)
        if (held.contains(id))
            order.push_back(id);
    if (order != files_) {
        std::unordered_map<FileId, int> now;
        for (size_t i = 0; i < order.size(); ++i)
            now[order[i]] = static_cast<int>(i);
        emit layoutAboutToBeChanged();
        const QModelIndexList before = persistentIndexList();
        QModelIndexList after;
        for (const QModelIndex& i : before)
            after << index(now.at(files_[static_cast<size_t>(i.row())]), i.column());
        files_ = std::move(order);
        changePersistentIndexList(before, after);
        emit layoutChanged();
    }
    for (const Run& run : coming) {
        beginInsertRows({}, static_cast<int>(run.from), static_cast<int>(run.to));
        files_.insert(files_.begin() + static_cast<std::ptrdiff_t>(run.from),
                      files.begin() + static_cast<std::ptrdiff_t>(run.from),
                      files.begin() + static_cast<std::ptrdiff_t>(run.to) + 1);
        endInsertRows();
    }
    return true;
}

std::vector<std::string> SheetModel::ownColumns() const {
    return {sizeColumn, rateColumn, bitsColumn, channelsColumn, bitrateColumn, changedColumn, picturesColumn};
}

bool SheetModel::hasDraft(FileId id) const {
    return !use_.drafts.session().of(id).empty();
}

namespace {

/// "Front cover 900 \u00D7 900; Back cover".
QString picturesText(const std::vector<tags::PictureInfo>& pictures) {
    QStringList out;
    for (const tags::PictureInfo& p : pictures)
        out << pictureTypeLabel(p.type) +
                   (p.width > 0 ? QString(" %1 \u00D7 %2").arg(p.width).arg(p.height) : QString());
    return out.join("; ");
}

QString factText(const library::FileRecord& f, const std::string& key) {
    const tags::Facts& facts = f.tags.facts;
    const QLocale locale;
    if (key == sizeColumn)
        return shownSize(f.state.size);
    if (key == rateColumn)
        return facts.sampleRate > 0 ? SheetModel::tr("%1 kHz").arg(locale.toString(facts.sampleRate / 1000.0))
                                    : QString();
    if (key == bitsColumn)
        return facts.bitDepth > 0 ? locale.toString(facts.bitDepth) : QString();
    if (key == channelsColumn)
        return facts.channels > 0 ? locale.toString(facts.channels) : QString();
    if (key == bitrateColumn)
        return facts.bitrate > 0
                   ? SheetModel::tr("%1 kbit/s").arg(locale.toString((facts.bitrate + 500) / 1000))
                   : QString();
    if (key == changedColumn)
        return locale.toString(QDateTime::fromSecsSinceEpoch(f.state.modifiedNs / 1'000'000'000),
                               QLocale::ShortFormat);
    return {};
}

} // namespace

QString SheetModel::cellText(FileId id, const std::string& key) const {
    FilePtr f = use_.files.file(id);
    if (!f)
        return {};
    if (key == nameColumn)
        return shownName(f->path);
    if (key == placeColumn)
        return shownPath(f->path.parent_path());
    if (key == lengthColumn)
        return shownLength(f->tags.facts.duration);
    if (key == formatColumn)
        return f->tags.facts.codec.empty()
                   ? QString()
                   : qs(f->tags.facts.codec == "PCM" ? audio::formatName(f->tags.format)
                                                     : f->tags.facts.codec);
    if (key == kindColumn)
        return kindText(use_.kinds.of(id));
    if (key[0] == '@')
        return key == picturesColumn ? picturesText(use_.drafts.session().pictures(id)) : factText(*f, key);
    return qs(tags::shownValues(use_.drafts.shownValues(id, key)));
}

std::optional<double> SheetModel::sortNumber(FileId id, const std::string& key) const {
    const FilePtr f = use_.files.file(id);
    if (!f)
        return std::nullopt;
    const tags::Facts& facts = f->tags.facts;
    const std::pair<const char*, double> known[] = {
        {lengthColumn, facts.duration},
        {sizeColumn, static_cast<double>(f->state.size)},
        {rateColumn, facts.sampleRate},
        {bitsColumn, facts.bitDepth},
        {channelsColumn, facts.channels},
        {bitrateColumn, facts.bitrate},
        {changedColumn, static_cast<double>(f->state.modifiedNs)}};
    for (const auto& [column, value] : known)
        if (key == column)
            return value > 0 ? std::optional(value) : std::nullopt;
    const tags::FieldDef* def = tags::fieldByKey(key);
    if (!tags::isNumber(def))
        return std::nullopt;
    const std::vector<std::string> values = use_.drafts.shownValues(id, key);
    return values.empty() ? std::nullopt : std::optional(std::atof(values.front().c_str()));
}

QVariant SheetModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid())
        return {};
    FileId id = fileAt(index.row());
    const std::string& key = keyAt(index.column());
    const library::Draft* draft = isField(index.column()) ? use_.drafts.session().find(id, key) : nullptr;
    switch (role) {
    case Qt::DisplayRole:
        return cellText(id, key).replace('\n', QChar(0x21B5));
    case Qt::EditRole:
        return cellText(id, key);
    case DraftRole:
        return draft != nullptr && !use_.drafts.showsDisk();
    case OddRole:
        return !use_.drafts.showsDisk() && isField(index.column()) && norms_.otherwise(id, key) != nullptr;
    case KeyRole:
        return qs(key);
    case Qt::ToolTipRole: {
        FilePtr f = use_.files.file(id);
        if (!f)
            return {};
        if (key == nameColumn || key == placeColumn)
            return shownPath(f->path);
        QStringList lines;
        if (QString t = cellText(id, key); !t.isEmpty())
            lines << t;
        if (draft) {
            lines << tr("Draft: %1").arg(spoken(draft->origin));
            QString disk = qs(tags::shownValue(f->tags.fields, key));
            lines << (disk.isEmpty() ? tr("On disk: blank") : tr("On disk: %1").arg(disk));
        }
        if (const std::string* most = norms_.otherwise(id, key); most && !use_.drafts.showsDisk())
            lines << tr("Most files of the sleeve say: %1").arg(most->empty() ? tr("nothing") : qs(*most));
        return lines.join('\n');
    }
    case Qt::TextAlignmentRole:
        return QVariant(alignmentOf(key));
    default:
        return {};
    }
}

Qt::ItemFlags SheetModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    FilePtr file = index.isValid() ? use_.files.file(fileAt(index.row())) : nullptr;
    if (file && file->mayHaveDrafts() && isField(index.column()) && !use_.drafts.showsDisk())
        f |= Qt::ItemIsEditable;
    return f;
}

bool SheetModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid() || !isField(index.column()))
        return false;
    const std::string& key = keyAt(index.column());
    std::vector<std::string> values = tags::valuesFromText(key, ss(value.toString()));
    if (std::string why = tags::whyNotValid(key, values); !why.empty()) {
        emit refused(spoken(why));
        return false;
    }
    use_.drafts.session().propose(ss(tr("Edit %1").arg(columnLabel(key))),
                                  {{fileAt(index.row()), key, values}}, ss(tr("typed")));
    emit typed({fileAt(index.row())}, key, values);
    return true;
}

} // namespace moorfrost::app
