// SPDX-License-Identifier: GPL-3.0-or-later
// Searches that are kept under a name, in the settings of the library.
#include <algorithm>

#include <QInputDialog>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>

#include "app/library/library_page.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

std::vector<SavedSearch> LibraryPage::savedSearches() const {
    std::vector<SavedSearch> out;
    const QJsonArray list =
        QJsonDocument::fromJson(QByteArray::fromStdString(use_.settings.get(library::settings::searches)))
            .array();
    for (const QJsonValue& v : list)
        out.push_back({ss(v[QLatin1String("name")].toString()), ss(v[QLatin1String("query")].toString()), 0});
    return out;
}

void LibraryPage::keepSearches(const std::vector<SavedSearch>& searches) {
    QJsonArray list;
    for (const SavedSearch& s : searches)
        list.append(QJsonObject{{"name", qs(s.name)}, {"query", qs(s.query)}});
    use_.settings.set(library::settings::searches,
                      QJsonDocument(list).toJson(QJsonDocument::Compact).toStdString());
    search();
}

void LibraryPage::askForName() {
    bool ok = false;
    QString name = QInputDialog::getText(this, tr("Save search"), tr("Name of the search"), QLineEdit::Normal,
                                         bar_->box()->text(), &ok);
    if (ok && !name.trimmed().isEmpty())
        saveSearch(name.trimmed());
}

void LibraryPage::saveSearch(const QString& name) {
    auto all = savedSearches();
    std::erase_if(all, [&](const SavedSearch& s) { return s.name == ss(name); });
    all.push_back({ss(name), bar_->text(), 0});
    keepSearches(all);
}

} // namespace moorfrost::app
