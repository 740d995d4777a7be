// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/copy_fields_dialog.h"

#include <QHeaderView>
#include <QVBoxLayout>

#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

namespace {

enum Column { What, After, Before };
constexpr int keyRole = Qt::UserRole, fileRole = Qt::UserRole + 1;

/// What tells one version from another is not ticked at first.
bool isItsOwn(const std::string& key) {
    static const std::set<std::string> own = {"title",
                                              "title_sort",
                                              "track",
                                              "isrc",
                                              "comment",
                                              "lyrics",
                                              "tempo",
                                              "replaygain_track_gain",
                                              "replaygain_track_peak",
                                              "encoded_by"};
    return own.contains(key);
}

} // namespace

CopyFieldsDialog::CopyFieldsDialog(DraftsController& drafts, FilesController& files, FileId from,
                                   const std::vector<FileId>& to, QWidget* parent)
    : QDialog(parent) {
    auto nameOf = [&](FileId id) {
        const auto title = drafts.shownValues(id, "title");
        const FilePtr file = files.file(id);
        return !title.empty() ? qs(title.front()) : file ? shownName(file->path) : QString();
    };
    setWindowTitle(tr("Copy fields from \u201C%1\u201D").arg(nameOf(from)));
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Field"), tr("Will be"), tr("Is now")});
    tree_->setAccessibleName(tr("Fields that are copied"));
    tree_->setColumnWidth(What, 260);
    tree_->setColumnWidth(After, 260);
    const TakeBar foot = takeBar(this);
    take_ = foot.take;
    summary_ = foot.summary;
    std::vector<std::string> keys;
    for (const auto& [key, values] : drafts.shownFields(from))
        if (!values.empty() && key.front() != '@') {
            values_[key] = values;
            keys.push_back(key);
        }
    for (const std::string& key : inTableOrder(keys)) {
        auto* field = new QTreeWidgetItem(tree_, {fieldLabel(key), qs(tags::shownValues(values_[key])), {}});
        field->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsAutoTristate);
        field->setData(What, keyRole, QString::fromStdString(key));
        for (const FileId id : to) {
            const auto now = drafts.shownValues(id, key);
            if (now == values_[key])
                continue;
            auto* line = new QTreeWidgetItem(
                field, {nameOf(id), qs(tags::shownValues(values_[key])), qs(tags::shownValues(now))});
            line->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable);
            line->setData(What, fileRole, QVariant::fromValue<qlonglong>(id));
            line->setCheckState(What, isItsOwn(key) ? Qt::Unchecked : Qt::Checked);
            line->setForeground(After, theme::colours().heather);
            line->setForeground(Before, theme::colours().second);
            for (int column : {What, After, Before})
                line->setToolTip(column, line->text(column));
        }
        if (field->childCount() == 0)
            delete field; // all have it
    }
    auto* body = new QVBoxLayout;
    body->setContentsMargins(16, 14, 16, 10);
    body->addWidget(tree_, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    connect(tree_, &QTreeWidget::itemChanged, this, &CopyFieldsDialog::tell);
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    resize(900, 520);
    tell();
}

std::vector<library::DraftSession::Wish> CopyFieldsDialog::wishes() const {
    std::vector<library::DraftSession::Wish> out;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i) {
        const QTreeWidgetItem* field = tree_->topLevelItem(i);
        const std::string key = ss(field->data(What, keyRole).toString());
        for (int k = 0; k < field->childCount(); ++k)
            if (field->child(k)->checkState(What) == Qt::Checked)
                out.push_back({field->child(k)->data(What, fileRole).toLongLong(), key, values_.at(key)});
    }
    return out;
}

void CopyFieldsDialog::tell() {
    const auto count = static_cast<int>(wishes().size());
    summary_->setText(tree_->topLevelItemCount() == 0 ? tr("The others have all of its fields already.")
                                                      : tr("%n value(s)", "", count));
    take_->setEnabled(count > 0);
}

} // namespace moorfrost::app
