// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/take_rules_dialog.h"

#include <QHeaderView>
#include <QLineEdit>
#include <QStyledItemDelegate>
#include <QTableWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

/// Text stands under the heads.
class Indented : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem o = option;
        o.rect = paint::Mirror(*p, o.rect)(o.rect.adjusted(5, 0, 0, 0));
        QStyledItemDelegate::paint(p, o, index);
    }
};

QTableWidget* table(const QStringList& heads, const QString& name) {
    auto* t = new QTableWidget(0, static_cast<int>(heads.size()));
    t->setHorizontalHeaderLabels(heads);
    t->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    t->verticalHeader()->hide();
    t->verticalHeader()->setDefaultSectionSize(30);
    t->setShowGrid(false);
    t->setFrameShape(QFrame::NoFrame);
    t->setSelectionMode(QAbstractItemView::NoSelection);
    t->setFocusPolicy(Qt::NoFocus); // its boxes have it
    t->setItemDelegate(new Indented(t));
    t->setAccessibleName(name);
    t->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    return t;
}

QTableWidgetItem* fixed(const QString& text) {
    auto* item = new QTableWidgetItem(text);
    item->setFlags(Qt::ItemIsEnabled);
    return item;
}

} // namespace

TakeRulesDialog::TakeRulesDialog(IdentifyController& identify, const std::vector<std::string>& genres,
                                 QWidget* parent)
    : QDialog(parent), identify_(identify) {
    setWindowTitle(tr("What is taken from references"));
    resize(760, 560);
    fields_ = table({tr("Field"), tr("Is taken")}, tr("Fields and when they are taken"));
    for (const std::string& field : bench::takenFields()) {
        const int row = fields_->rowCount();
        fields_->insertRow(row);
        fields_->setItem(row, 0, fixed(fieldLabel(field)));
        fields_->item(row, 0)->setData(Qt::UserRole, qs(field));
        auto* rule = new Choice;
        rule->addItems({tr("always"), tr("when blank"), tr("never")});
        rule->setCurrentIndex(static_cast<int>(identify.rules().of(field)));
        rule->setAccessibleName(fieldLabel(field));
        rule->setFocusPolicy(Qt::StrongFocus);
        fields_->setCellWidget(row, 1, rule);
    }
    fields_->setColumnWidth(1, 150);
    genres_ = table({tr("Genre of the reference"), tr("Is called here")},
                    tr("Genres and what they are called here"));
    std::map<std::string, std::string> all; // folded to what is shown
    for (const auto& [from, to] : identify.rules().genres)
        all[from] = from;
    for (const std::string& g : genres)
        all[text::fold(g)] = g;
    QStringList own;
    for (const std::string& g : identify.genres().all())
        own << qs(g);
    own.sort(Qt::CaseInsensitive);
    for (const auto& [folded, shown] : all) {
        const int row = genres_->rowCount();
        genres_->insertRow(row);
        genres_->setItem(row, 0, fixed(qs(shown)));
        const QString called = qs(bench::genreFor(shown, identify.rules(), identify.genres()));
        auto* choice = new Choice;
        choice->setEditable(true); // one that is new is typed
        choice->setInsertPolicy(QComboBox::NoInsert);
        choice->lineEdit()->setPlaceholderText(tr("left out"));
        choice->setAccessibleName(tr("What %1 is called here").arg(qs(shown)));
        choice->addItem(QString());
        choice->addItems(own);
        if (!own.contains(called) && !called.isEmpty())
            choice->insertItem(1, called);
        choice->setCurrentText(called);
        choice->setFocusPolicy(Qt::StrongFocus);
        genres_->setCellWidget(row, 1, choice);
    }
    genres_->setColumnWidth(1, 190);
    auto* body = new QHBoxLayout;
    body->addWidget(fields_, 1);
    body->addWidget(genres_, 1);
    TakeBar foot = takeBar(this, tr("Keep these rules"));
    foot.summary->setText(tr("A genre that is called nothing here is left out."));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    connect(foot.take, &QPushButton::clicked, this, &TakeRulesDialog::accept);
}

void TakeRulesDialog::accept() {
    bench::TakeRules rules;
    for (int row = 0; row < fields_->rowCount(); ++row) {
        const auto rule =
            static_cast<bench::TakeRule>(static_cast<Choice*>(fields_->cellWidget(row, 1))->currentIndex());
        if (rule != bench::TakeRule::Always)
            rules.fields[ss(fields_->item(row, 0)->data(Qt::UserRole).toString())] = rule;
    }
    for (int row = 0; row < genres_->rowCount(); ++row) {
        const std::string from = ss(genres_->item(row, 0)->text()),
                          to = ss(static_cast<Choice*>(genres_->cellWidget(row, 1))->currentText().trimmed());
        if (to != identify_.genres().spelled(from)) // else it is called so anyway
            rules.genres[text::fold(from)] = to;
    }
    identify_.setRules(rules);
    QDialog::accept();
}

} // namespace moorfrost::app
