// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/places_box.h"

#include <QLabel>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

PlacesBox::PlacesBox(ReleasesController& releases, QWidget* parent) : QWidget(parent), releases_(releases) {
    rows_ = new QVBoxLayout(this);
    rows_->setContentsMargins(0, 2, 0, 0);
    rows_->setSpacing(6);
}

void PlacesBox::show(const std::vector<library::ReleasePlace>& places) {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    for (const library::ReleasePlace& place : places) {
        QStringList below;
        if (!place.position.empty())
            below << tr("track %1").arg(qs(place.position));
        for (const std::string& part : {place.carrier, place.edition})
            if (!part.empty())
                below << qs(part);
        if (!place.hasFile)
            below << tr("no file of it");
        const theme::Colours& colours = theme::colours();
        auto* row = new QLabel(
            QString("<a href='release' style='color:%1; text-decoration:none'>%2</a><br>"
                    "<span style='color:%3'>%4</span>")
                .arg(colours.fjord.name(),
                     (place.title.empty() ? tr("without a title") : qs(place.title)).toHtmlEscaped(),
                     colours.second.name(), below.join(" \u00B7 ").toHtmlEscaped()));
        row->setTextFormat(Qt::RichText);
        row->setWordWrap(true);
        row->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
        row->setToolTip(tr("Show the release"));
        connect(row, &QLabel::linkActivated, this, [this, ref = place.ref] { releases_.wantShown(ref); });
        rows_->addWidget(row);
    }
    setVisible(!places.empty());
}

QString PlacesBox::text() const {
    QStringList out;
    for (const QLabel* row : findChildren<QLabel*>())
        out << QString(row->text()).replace("<br>", ", ").remove(QRegularExpression("<[^>]*>"));
    return out.join("\n");
}

} // namespace moorfrost::app
