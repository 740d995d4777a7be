// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/field_picker.h"

#include <algorithm>

#include <QFrame>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QScreen>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

namespace {

/// The list that comes up: typing narrows it, Enter takes what is current, Escape closes.
class FieldPopup : public QFrame {
public:
    FieldPopup(FieldPicker* picker, const std::vector<std::string>& keys, bool several,
               std::function<void(const std::string&)> take)
        : QFrame(picker, Qt::Popup), several_(several), take_(std::move(take)) {
        setObjectName("panel");
        setAttribute(Qt::WA_DeleteOnClose);
        setFrameShape(QFrame::StyledPanel);
        search_ = new QLineEdit;
        search_->setPlaceholderText(FieldPicker::tr("Name of a field"));
        search_->setAccessibleName(FieldPicker::tr("Narrow the list of fields"));
        list_ = new QListWidget;
        list_->setObjectName("fieldList");
        list_->setAccessibleName(FieldPicker::tr("Fields"));
        list_->setUniformItemSizes(true);
        list_->setFocusPolicy(Qt::NoFocus);
        for (const std::string& key : keys) {
            auto* item = new QListWidgetItem(picker->labelOf(key), list_);
            item->setData(Qt::UserRole, qs(key));
            if (several) {
                const auto& chosen = picker->chosen();
                item->setCheckState(std::ranges::find(chosen, key) != chosen.end() ? Qt::Checked
                                                                                   : Qt::Unchecked);
                item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable); // ticked here, not by the view
            }
        }
        auto* layout = new QVBoxLayout(this);
        layout->setContentsMargins(6, 6, 6, 6);
        layout->addWidget(search_);
        layout->addWidget(list_);
        resize(std::max(picker->width(), 220), 320);
        setFocusProxy(search_);
        stepThrough(search_, list_);
        connect(search_, &QLineEdit::textChanged, this, &FieldPopup::narrow);
        connect(search_, &QLineEdit::returnPressed, this, [this] { takeItem(list_->currentItem()); });
        connect(list_, &QListWidget::itemClicked, this, &FieldPopup::takeItem);
        narrow();
    }

protected:
    void showEvent(QShowEvent* event) override {
        QFrame::showEvent(event);
        search_->setFocus();
    }

private:
    void narrow() {
        const std::string typed = text::fold(ss(search_->text().trimmed()));
        QListWidgetItem* first = nullptr;
        for (int i = 0; i < list_->count(); ++i) {
            QListWidgetItem* item = list_->item(i);
            const bool fits = text::fold(ss(item->text())).find(typed) != std::string::npos;
            item->setHidden(!fits);
            if (fits && !first)
                first = item;
        }
        list_->setCurrentItem(first);
    }
    void takeItem(QListWidgetItem* item) {
        if (!item || item->isHidden())
            return;
        take_(ss(item->data(Qt::UserRole).toString()));
        if (!several_) {
            close();
            return;
        }
        item->setCheckState(item->checkState() == Qt::Checked ? Qt::Unchecked : Qt::Checked);
        search_->selectAll();
    }

    bool several_;
    std::function<void(const std::string&)> take_;
    QLineEdit* search_;
    QListWidget* list_;
};

} // namespace

FieldPicker::FieldPicker(bool several, QWidget* parent)
    : QPushButton(parent), several_(several), nothing_(tr("choose\u2026")) {
    setObjectName("picker");
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    setMinimumWidth(80);
    setAutoDefault(false); // Enter is for the dialog
    connect(this, &QPushButton::clicked, this, &FieldPicker::pick);
    showChosen();
}

void FieldPicker::setChosen(std::vector<std::string> keys) {
    chosen_ = std::move(keys);
    showChosen();
}

void FieldPicker::setLabels(std::function<QString(const std::string&)> labels) {
    labels_ = std::move(labels);
    showChosen();
}

QString FieldPicker::labelOf(const std::string& key) const {
    return labels_ ? labels_(key) : fieldLabel(key);
}

void FieldPicker::setNothing(const QString& text) {
    nothing_ = text;
    showChosen();
}

void FieldPicker::pick() {
    std::vector<std::string> keys = keys_;
    for (const std::string& key : chosen_) // of a chain from elsewhere
        if (std::ranges::find(keys, key) == keys.end())
            keys.push_back(key);
    auto* popup = new FieldPopup(this, keys, several_, [this](const std::string& key) {
        if (!several_)
            chosen_ = {key};
        else if (std::erase(chosen_, key) == 0)
            chosen_.push_back(key);
        showChosen();
        emit changed();
    });
    QPoint at = mapToGlobal(QPoint(0, height() + 2));
    if (const QScreen* s = screen(); s && at.y() + popup->height() > s->availableGeometry().bottom())
        at.setY(std::max(0, mapToGlobal(QPoint(0, -2)).y() - popup->height()));
    popup->move(at);
    popup->show();
}

void FieldPicker::showChosen() {
    QStringList names;
    for (const std::string& key : chosen_)
        names << labelOf(key);
    const QString all = names.isEmpty() ? nothing_ : names.join(", ");
    setText(QString(all).replace('&', "&&"));
    setToolTip(names.size() > 1 ? names.join('\n') : QString());
    setAccessibleDescription(all);
}

} // namespace moorfrost::app
