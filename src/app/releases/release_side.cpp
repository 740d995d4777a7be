// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_side.h"

#include <QDateTime>
#include <QDialog>
#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QPlainTextEdit>
#include <QVBoxLayout>

#include <map>
#include <set>

#include "app/people/agreement_link.h"
#include "app/releases/release_lines.h"
#include "app/shell/core_sentences.h"
#include "app/shell/language.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/library/releases/facts.h"

namespace moorfrost::app {

namespace {

QString html(const QString& text) {
    return text.toHtmlEscaped();
}

QString day(int64_t when) {
    return QLocale().toString(QDateTime::fromSecsSinceEpoch(when), "d MMM yyyy, HH:mm");
}

/// Of a page: nothing else is opened by a click.
bool isAddress(const std::string& link) {
    return link.starts_with("https://") || link.starts_with("http://");
}

QLabel* wrapped() {
    auto* out = new QLabel;
    out->setWordWrap(true);
    out->setTextFormat(Qt::RichText);
    out->setTextInteractionFlags(Qt::TextBrowserInteraction);
    out->setOpenExternalLinks(true);
    out->setFocusPolicy(Qt::ClickFocus);
    return out;
}

} // namespace

ReleaseSide::ReleaseSide(QWidget* pictures, QWidget* parent) : QFrame(parent) {
    setObjectName("side");
    origins_ = wrapped();
    notes_ = wrapped();
    links_ = wrapped();
    agreements_ = wrapped();
    agreements_->setOpenExternalLinks(false);
    connect(agreements_, &QLabel::linkActivated, this,
            [this](const QString& number) { emit agreementWanted(number.toLongLong()); });
    agreementsBox_ = new QWidget;
    auto* agreed = new QVBoxLayout(agreementsBox_);
    agreed->setContentsMargins(0, 0, 0, 10);
    agreed->setSpacing(6);
    agreed->addWidget(label(tr("Agreements"), "strong"));
    agreed->addWidget(agreements_);
    agreementsBox_->hide();
    notesButton_ = button(tr("Change\u2026"), "flat");
    notesButton_->setAccessibleName(tr("Change notes and links"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(6);
    layout->addWidget(label(tr("Where it came from"), "strong"));
    layout->addWidget(origins_);
    layout->addSpacing(10);
    alikeBox_ = new QWidget;
    alike_ = label({}, "strong");
    alike_->setWordWrap(true);
    alikeWhy_ = label({}, "quiet");
    alikeWhy_->setWordWrap(true);
    alikeBar_ = new EvidenceBar;
    sameSet_ = button(tr("Same set"));
    sameSet_->setToolTip(tr("They are editions of one release"));
    notSame_ = button(tr("Not the same"));
    auto* answers = new QHBoxLayout;
    answers->addWidget(sameSet_);
    answers->addWidget(notSame_);
    answers->addStretch();
    auto* alikeLayout = new QVBoxLayout(alikeBox_);
    alikeLayout->setContentsMargins(0, 0, 0, 10);
    alikeLayout->setSpacing(5);
    alikeLayout->addWidget(label(tr("Like this one"), "caption"));
    alikeLayout->addWidget(alike_);
    alikeLayout->addWidget(alikeWhy_);
    alikeLayout->addWidget(alikeBar_);
    alikeLayout->addLayout(answers);
    layout->addWidget(alikeBox_);
    alikeBox_->hide();
    connect(sameSet_, &QPushButton::clicked, this, [this] { emit sameSetWanted(other_); });
    connect(notSame_, &QPushButton::clicked, this, [this] { emit notSameWanted(other_); });
    layout->addWidget(agreementsBox_);
    layout->addWidget(pictures);
    auto* head = new QHBoxLayout;
    head->addWidget(label(tr("Notes and links"), "strong"));
    head->addStretch();
    head->addWidget(notesButton_);
    layout->addLayout(head);
    layout->addWidget(notes_);
    layout->addWidget(links_);
    layout->addStretch();
    connect(notesButton_, &QPushButton::clicked, this, &ReleaseSide::changeNotes);
}

void ReleaseSide::showAgreements(const std::vector<library::AgreementLine>& agreements) {
    QStringList lines;
    for (const library::AgreementLine& a : agreements)
        lines << QString("<a href='%1' style='color:%2; text-decoration:none'>%3</a><br>%4")
                     .arg(a.id)
                     .arg(theme::colours().fjord.name(), html(qs(a.title)),
                          SideLines::coloured(spoken(a.says), inkOf(a.holding)));
    agreements_->setText(lines.join("<br>"));
    agreementsBox_->setVisible(!lines.isEmpty());
}

void ReleaseSide::showAlike(
    const std::vector<std::pair<library::ReleaseEntry, library::EditionEvidence>>& alike) {
    alikeBox_->setVisible(!alike.empty());
    if (alike.empty()) {
        alike_->setText({});
        return;
    }
    const auto& [entry, evidence] = alike.front();
    other_ = entry.ref;
    alike_->setText(qs(entry.title) + " \u00B7 " + editionLine(entry));
    alikeWhy_->setText(spoken(evidence.words()));
    alikeBar_->setValue(evidence.sure);
}

void ReleaseSide::show(const ShownRelease& shown) {
    const library::ReleaseView& view = shown.view;
    release_ = view.release;
    const QString quiet = theme::colours().second.name();
    QStringList blocks;
    for (const library::ReleaseSource& s : view.sources) {
        QString block =
            QString("<span style='color:%1'>%2</span><br>%3").arg(quiet, html(day(s.when)), html(qs(s.what)));
        if (isAddress(s.link))
            block += QString("<br><a href='%1' style='color:%2'>%3</a>")
                         .arg(html(qs(s.link)), theme::colours().fjord.name(), html(qs(s.link)));
        if (!s.taken.empty())
            block += QString("<br><span style='color:%1'>%2</span>").arg(quiet, html(qs(s.taken)));
        blocks << block;
    }
    // What was typed, by the minute at which it was.
    std::map<std::pair<int64_t, std::string>, QStringList, std::greater<>> typed;
    QStringList read;
    std::set<std::string> sources;
    for (const auto& s : view.sources)
        sources.insert(s.what);
    for (const auto& [key, fact] : view.facts) {
        const library::FactDef* def = library::factByKey(key);
        const QString name = def                         ? language::inSentence(tr(def->label))
                             : key == library::mediaFact ? tr("carrier")
                                                         : QString();
        if (name.isEmpty())
            continue;
        if (fact.origin == library::readFromFiles)
            read << name;
        else if (!sources.contains(fact.origin))
            typed[{fact.when / 60, fact.origin}] << name;
    }
    for (const auto& [when, names] : typed)
        blocks << QString("<span style='color:%1'>%2</span><br>%3<br><span style='color:%1'>%4</span>")
                      .arg(quiet, html(day(when.first * 60)),
                           when.second == library::typedOrigin ? tr("typed") : html(qs(when.second)),
                           html(names.join(", ")));
    if (!read.isEmpty())
        blocks << QString("%2<br><span style='color:%1'>%3</span>")
                      .arg(quiet, tr("read from the files"), html(read.join(", ")));
    origins_->setText(blocks.isEmpty() ? QString()
                                       : "<p style='margin:0 0 8px 0'>" +
                                             blocks.join("</p><p style='margin:0 0 8px 0'>") + "</p>");
    notes_->setText(view.release.notes.empty()
                        ? QString("<span style='color:%1'>%2</span>").arg(quiet, tr("No notes"))
                        : html(qs(view.release.notes)).replace("\n", "<br>"));
    QStringList links;
    for (const std::string& link : view.release.links) {
        const QString shown = html(breakable(qs(link)));
        links << (isAddress(link) ? QString("<a href='%1' style='color:%2'>%3</a>")
                                        .arg(html(qs(link)), theme::colours().fjord.name(), shown)
                                  : shown);
    }
    links_->setText(links.join("<br>"));
    links_->setVisible(!links.isEmpty());
}

QString ReleaseSide::originsText() const {
    return QString(origins_->text()).replace(QRegularExpression("<[^>]*>"), " ").simplified();
}

void ReleaseSide::changeNotes() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Notes and links"));
    auto* notes = new QPlainTextEdit(qs(release_.notes));
    notes->setAccessibleName(tr("Notes"));
    notes->setTabChangesFocus(true);
    notes->setMinimumHeight(160);
    QStringList lines;
    for (const std::string& link : release_.links)
        lines << qs(link);
    auto* links = new QPlainTextEdit(lines.join("\n"));
    links->setAccessibleName(tr("Links"));
    links->setTabChangesFocus(true);
    links->setPlaceholderText(tr("one a line"));
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep"));
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    auto* layout = new QVBoxLayout(&dialog);
    layout->setSpacing(8);
    layout->addWidget(label(tr("Notes"), "caption"));
    layout->addWidget(notes, 2);
    layout->addWidget(label(tr("Links"), "caption"));
    layout->addWidget(links, 1);
    layout->addWidget(buttons);
    dialog.resize(520, 420);
    if (dialog.exec() != QDialog::Accepted)
        return;
    if (const std::string text = ss(notes->toPlainText().trimmed()); text != release_.notes)
        emit typed("notes", text.empty() ? std::vector<std::string>() : std::vector<std::string>{text});
    std::vector<std::string> all;
    for (const QString& line : links->toPlainText().split('\n', Qt::SkipEmptyParts))
        if (!line.trimmed().isEmpty())
            all.push_back(ss(line.trimmed()));
    if (all != release_.links)
        emit typed("links", all);
}

} // namespace moorfrost::app
