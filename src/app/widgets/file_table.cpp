// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/file_table.h"

#include <algorithm>

#include "core/tags/fields.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::app {

QString columnLabel(const std::string& key) {
    if (key == nameColumn)
        return FileTable::tr("File");
    if (key == lengthColumn)
        return FileTable::tr("Length");
    if (key == formatColumn)
        return FileTable::tr("Format");
    if (key == placeColumn)
        return FileTable::tr("Folder");
    if (key == kindColumn)
        return FileTable::tr("Kind");
    if (key == ratingColumn)
        return FileTable::tr("Rating");
    if (key == noteColumn)
        return FileTable::tr("Note");
    if (key == playoutColumn)
        return FileTable::tr("Playout number");
    if (key == usedColumn)
        return FileTable::tr("Used in");
    if (key == lastUsedColumn)
        return FileTable::tr("Last used");
    if (key == readyColumn)
        return FileTable::tr("Readiness");
    if (key == sizeColumn)
        return FileTable::tr("Size");
    if (key == rateColumn)
        return FileTable::tr("Sample rate");
    if (key == bitsColumn)
        return FileTable::tr("Bits");
    if (key == channelsColumn)
        return FileTable::tr("Channels");
    if (key == bitrateColumn)
        return FileTable::tr("Bit rate");
    if (key == changedColumn)
        return FileTable::tr("Changed");
    if (key == picturesColumn)
        return FileTable::tr("Pictures");
    return key == "track" ? FileTable::tr("No.") : fieldLabel(key);
}

QString pictureTypeLabel(const std::string& type) {
    static const char* const labels[] = {QT_TRANSLATE_NOOP("FileTable", "Other picture"),
                                         QT_TRANSLATE_NOOP("FileTable", "File icon"),
                                         QT_TRANSLATE_NOOP("FileTable", "Other file icon"),
                                         QT_TRANSLATE_NOOP("FileTable", "Front cover"),
                                         QT_TRANSLATE_NOOP("FileTable", "Back cover"),
                                         QT_TRANSLATE_NOOP("FileTable", "Booklet page"),
                                         QT_TRANSLATE_NOOP("FileTable", "Medium"),
                                         QT_TRANSLATE_NOOP("FileTable", "Lead artist"),
                                         QT_TRANSLATE_NOOP("FileTable", "Artist picture"),
                                         QT_TRANSLATE_NOOP("FileTable", "Conductor picture"),
                                         QT_TRANSLATE_NOOP("FileTable", "Band"),
                                         QT_TRANSLATE_NOOP("FileTable", "Composer picture"),
                                         QT_TRANSLATE_NOOP("FileTable", "Lyricist picture"),
                                         QT_TRANSLATE_NOOP("FileTable", "Recording place"),
                                         QT_TRANSLATE_NOOP("FileTable", "Recording"),
                                         QT_TRANSLATE_NOOP("FileTable", "Performance"),
                                         QT_TRANSLATE_NOOP("FileTable", "Screen capture"),
                                         QT_TRANSLATE_NOOP("FileTable", "Fish"),
                                         QT_TRANSLATE_NOOP("FileTable", "Illustration"),
                                         QT_TRANSLATE_NOOP("FileTable", "Artist logo"),
                                         QT_TRANSLATE_NOOP("FileTable", "Publisher logo")};
    const int number = tags::pictureTypeNumber(type);
    return FileTable::tr(labels[number < 0 ? 0 : number]);
}

QString fieldLabel(const std::string& key) {
    if (tags::isPictureKey(key))
        return pictureTypeLabel(tags::pictureTypeOf(key));
    return FileTable::tr(tags::labelOf(key).c_str());
}

std::vector<std::string> inTableOrder(std::vector<std::string> keys) {
    auto rank = [](const std::string& key) {
        const tags::FieldDef* def = tags::fieldByKey(key);
        return def && tags::isStandard(key) ? def - tags::fieldTable().data() : std::ptrdiff_t{1000};
    };
    std::stable_sort(keys.begin(), keys.end(),
                     [&](const std::string& a, const std::string& b) { return rank(a) < rank(b); });
    return keys;
}

void FileTable::setColumns(std::vector<std::string> columns) {
    beginResetModel();
    columns_ = std::move(columns);
    endResetModel();
}

std::unique_ptr<QMimeData> FileTable::dragged(const std::vector<std::pair<int, int>>&) const {
    return nullptr;
}

QVariant FileTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || section < 0 || section >= columnCount())
        return {};
    if (role == Qt::DisplayRole)
        return columnLabel(keyAt(section));
    if (role == Qt::TextAlignmentRole)
        return QVariant(Qt::AlignVCenter | Qt::AlignLeft);
    return {};
}

Qt::Alignment FileTable::alignmentOf(const std::string& key) {
    const tags::FieldDef* def = tags::fieldByKey(key);
    bool number = key == lengthColumn || key == sizeColumn || key == rateColumn || key == bitsColumn ||
                  key == channelsColumn || key == bitrateColumn || tags::isNumber(def);
    return Qt::AlignVCenter | (number ? Qt::AlignRight : Qt::AlignLeft);
}

} // namespace moorfrost::app
