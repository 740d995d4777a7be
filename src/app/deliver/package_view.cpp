// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/package_view.h"
#include "app/widgets/keep_wide.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QHeaderView>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

constexpr int mostShown = 2000;

} // namespace

PackageView::PackageView(PackagesController& packages, Delivering& delivering, Messages& messages,
                         QWidget* parent)
    : DeliverView(parent), packages_(packages), delivering_(delivering) {
    layouts_ = new LayoutBar(packages_.layouts(), messages, this);
    layouts_->hide();
    QWidget* split = panes(left(), right(), "deliver/package panes");
    fillWith(split);
    connect(&packages_, &PackagesController::changed, this, &PackageView::show);
    connect(&packages_.layouts(), &Layouts::changed, this, &PackageView::showLayout);
    connect(&delivering_, &Delivering::changed, this, [this] {
        if (delivering_.isAnother())
            title_->clear();
        show();
    });
    showLayout();
    show();
}

QWidget* PackageView::headPart() {
    return layouts_;
}

QWidget* PackageView::left() {
    auto line = [](const QString& name, const QString& placeholder) {
        auto* out = new QLineEdit;
        out->setAccessibleName(name);
        out->setPlaceholderText(placeholder);
        return out;
    };
    title_ = line(tr("Title of the package"), tr("as the tracks"));
    forWhom_ = line(tr("For whom the package is"), tr("the archive that gets it"));
    organisation_ = line(tr("Organisation"), tr("who hands it over"));
    contact_ = line(tr("Contact"), tr("a name"));
    mail_ = line(tr("Mail of the contact"), tr("name@example.org"));
    number_ = line(tr("Number of the package"), tr("of yours, or of theirs"));
    description_ = new QPlainTextEdit;
    description_->setAccessibleName(tr("Description of the package"));
    description_->setPlaceholderText(tr("What is in it, and why"));
    description_->setTabChangesFocus(true);
    description_->setFixedHeight(72);
    connect(title_, &QLineEdit::textEdited, this,
            [this](const QString& t) { packages_.setTitle(ss(t.trimmed())); });
    for (QLineEdit* edit : {forWhom_, organisation_, contact_, mail_})
        connect(edit, &QLineEdit::textEdited, this, &PackageView::change);
    connect(description_, &QPlainTextEdit::textChanged, this, &PackageView::change);
    auto* form = new QFormLayout;
    form->addRow(label(tr("Title"), "quiet"), title_);
    form->addRow(label(tr("For"), "quiet"), forWhom_);
    form->addRow(label(tr("From"), "quiet"), organisation_);
    form->addRow(label(tr("Contact"), "quiet"), contact_);
    form->addRow(label(tr("Mail"), "quiet"), mail_);
    form->addRow(label(tr("Number"), "quiet"), number_);
    auto* says = label(
        tr("The files as they are, with sums of each (SHA-256 and SHA-512), and what the library knows: "
           "fields, releases, people and shares, what was written to them, their fixity. As BagIt "
           "(RFC 8493) has it."),
        "quiet");
    says->setWordWrap(true);
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(14, 10, 14, 12);
    layout->setSpacing(8);
    layout->addWidget(label(tr("The package"), "caption"));
    layout->addLayout(form);
    layout->addWidget(description_);
    layout->addWidget(says);
    layout->addStretch();
    keepWide(box, 280);
    return box;
}

QWidget* PackageView::right() {
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    make_ = button(tr("Make the package\u2026"), "accent");
    connect(make_, &QPushButton::clicked, this, &PackageView::make);
    content_ = new QTreeWidget;
    prepareTree(content_, {tr("In the package"), tr("Size"), tr("From")});
    content_->setRootIsDecorated(false);
    content_->setFrameShape(QFrame::NoFrame);
    content_->setAccessibleName(tr("What will be in the package"));
    content_->setColumnWidth(0, 330);
    content_->setColumnWidth(1, 90);
    verdict_ = label({}, "strong");
    verdict_->setWordWrap(true);
    verify_ = button(tr("Verify a package\u2026"));
    takeIn_ = button(tr("Take it in"));
    connect(verify_, &QPushButton::clicked, this, &PackageView::verify);
    connect(takeIn_, &QPushButton::clicked, &packages_, &PackagesController::takeIn);
    findings_ = new QTreeWidget;
    prepareTree(findings_, {tr("File"), tr("What is wrong")});
    findings_->setRootIsDecorated(false);
    findings_->setFrameShape(QFrame::NoFrame);
    findings_->setAccessibleName(tr("What stands against the package"));
    findings_->setColumnWidth(0, 300);
    QWidget* making = ground(toldBeside(told_, {make_}), content_);
    auto* foot = new QVBoxLayout;
    foot->setContentsMargins(20, 10, 20, 10);
    foot->setSpacing(8);
    foot->addWidget(flowing({verify_, takeIn_}));
    foot->addWidget(verdict_);
    auto* verifying = new QFrame;
    verifying->setObjectName("panel");
    auto* v = new QVBoxLayout(verifying);
    v->setContentsMargins(0, 0, 0, 0);
    v->setSpacing(0);
    v->addLayout(foot);
    v->addWidget(findings_, 100);
    v->addStretch(1); // while there is nothing to list
    auto* split = new QSplitter(Qt::Vertical);
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(making);
    split->addWidget(verifying);
    split->setStretchFactor(0, 1);
    split->setSizes({420, 220});
    split->setMinimumWidth(320);
    remember(split, "deliver/package rows");
    return split;
}

void PackageView::takeKeyboard() {
    if (delivering_.of().isEmpty())
        emit tracksWanted();
    else
        title_->setFocus();
}

QString PackageView::number() const {
    return number_->text().trimmed();
}

void PackageView::change() {
    deliver::PackageLayout layout = packages_.layout();
    layout.forWhom = ss(forWhom_->text().trimmed());
    layout.organisation = ss(organisation_->text().trimmed());
    layout.contact = ss(contact_->text().trimmed());
    layout.mail = ss(mail_->text().trimmed());
    layout.description = ss(description_->toPlainText().trimmed());
    packages_.layouts().change(std::move(layout));
}

void PackageView::showLayout() {
    const deliver::PackageLayout& layout = packages_.layout();
    showText(forWhom_, layout.forWhom);
    showText(organisation_, layout.organisation);
    showText(contact_, layout.contact);
    showText(mail_, layout.mail);
    if (ss(description_->toPlainText().trimmed()) != layout.description) {
        const QSignalBlocker quiet(description_);
        description_->setPlainText(qs(layout.description));
    }
}

void PackageView::show() {
    const auto* subject = delivering_.of().isEmpty() ? nullptr : packages_.subject();
    content_->clear();
    make_->setEnabled(subject && !subject->files.empty());
    if (!subject) {
        told_->setText(tr("Add tracks on the left, or send them from the Library with Ctrl+Alt+H."));
    } else {
        QString told = tr("%n file(s)", "", static_cast<int>(subject->files.size())) + " \u00B7 " +
                       shownSize(subject->bytes());
        if (!subject->unknown.empty())
            told += " \u00B7 " + tr("left out, without a file that is there: %n", "",
                                    static_cast<int>(subject->unknown.size()));
        told_->setText(told);
        QList<QTreeWidgetItem*> rows;
        for (const deliver::PackageFile& file : subject->files) {
            if (rows.size() >= mostShown)
                break;
            rows << new QTreeWidgetItem(
                {qs("data/" + file.name), shownSize(file.bytes), shownPath(file.path)});
        }
        for (const auto& [name, content] : subject->metadata)
            rows << new QTreeWidgetItem(
                {qs("data/" + name), shownSize(content.size()), tr("what the library knows")});
        for (QTreeWidgetItem* row : rows)
            row->setTextAlignment(1, Qt::AlignRight | Qt::AlignVCenter);
        content_->addTopLevelItems(rows);
    }
    findings_->clear();
    findings_->hide();
    const auto* check = packages_.check();
    takeIn_->setEnabled(check && check->isWhole());
    const QString name = shownName(packages_.verified());
    if (packages_.isVerifying()) {
        verdict_->setText(tr("Verifying %1 \u2026").arg(name));
    } else if (check && check->isWhole()) {
        verdict_->setText(
            tr("%1 is whole: %n file(s), %2, every sum is right.", "", static_cast<int>(check->files))
                .arg(name, shownSize(check->bytes)));
    } else if (check) {
        verdict_->setText(
            tr("%1 is not whole: %n finding(s).", "", static_cast<int>(check->findings.size())).arg(name));
        findings_->show();
        for (const deliver::PackageFinding& finding : check->findings)
            findings_->addTopLevelItem(
                new QTreeWidgetItem({finding.name.empty() ? tr("the package") : shownPath(finding.name),
                                     spoken(finding.sentence)}));
    } else {
        verdict_->setText(packages_.why().isEmpty()
                              ? tr("A package that came in is verified before it is taken in.")
                              : tr("%1: %2").arg(name, packages_.why()));
    }
}

void PackageView::make() {
    const QString folder =
        QFileDialog::getSaveFileName(this, tr("Name of the folder of the package"),
                                     deliverFolder() + "/" + qs(packages_.proposedName().native()));
    if (folder.isEmpty())
        return;
    rememberDeliverFolder(folder);
    packages_.make(Path(ss(folder)), ss(number()));
}

void PackageView::verify() {
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Verify a package"), deliverFolder());
    if (!folder.isEmpty())
        packages_.verify(Path(ss(folder)));
}

} // namespace moorfrost::app
