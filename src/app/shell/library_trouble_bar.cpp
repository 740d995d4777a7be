// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/library_trouble_bar.h"

#include <QHBoxLayout>
#include <QMessageBox>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

LibraryTroubleBar::LibraryTroubleBar(LibraryAccess& library, QWidget* parent)
    : QFrame(parent), library_(library) {
    setObjectName("troubleBar");
    setAccessibleName(tr("Trouble with the library"));
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(16, 6, 14, 6);
    layout->setSpacing(16);
    text_ = label({}, "");
    text_->setWordWrap(true);
    retry_ = button(tr("Try again"));
    layout->addWidget(text_, 1);
    layout->addWidget(retry_);
    connect(retry_, &QPushButton::clicked, this, [this] { library_.retry(); });
    connect(&library_, &LibraryAccess::troubleChanged, this, &LibraryTroubleBar::refresh);
    refresh();
}

void LibraryTroubleBar::refresh() {
    const auto trouble = library_.trouble();
    setVisible(trouble.has_value());
    if (trouble)
        text_->setText(tr("%1 %n change(s) wait to be saved. Nothing is lost: they are saved as soon as that "
                          "is possible, as long as Moorfrost stays open.",
                          "", static_cast<int>(trouble->unsaved))
                           .arg(spoken(trouble->sentence)));
}

bool LibraryTroubleBar::mayEnd(QWidget* window) const {
    const auto trouble = library_.trouble();
    if (!trouble)
        return true;
    QMessageBox box(
        QMessageBox::Warning, tr("Not everything is saved"),
        tr("%n change(s) could not be written to the library.", "", static_cast<int>(trouble->unsaved)),
        QMessageBox::NoButton, window);
    box.setInformativeText(tr("%1 If you quit now, they are tried once more; what fails then is lost.")
                               .arg(spoken(trouble->sentence)));
    auto* quit = box.addButton(tr("Quit anyway"), QMessageBox::DestructiveRole);
    box.setDefaultButton(box.addButton(tr("Stay"), QMessageBox::RejectRole));
    box.exec();
    return box.clickedButton() == quit;
}

} // namespace moorfrost::app
