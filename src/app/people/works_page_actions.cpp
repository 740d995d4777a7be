// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with the work that is shown, or with those that are chosen.
#include <QDateTime>
#include <QDialogButtonBox>
#include <QInputDialog>
#include <QLocale>
#include <QMenu>
#include <QPointer>
#include <QTextBrowser>
#include <QVBoxLayout>

#include <algorithm>

#include "app/people/copy_shares_dialog.h"
#include "app/people/keywords_dialog.h"
#include "app/people/lyrics_view.h"
#include "app/people/works_page.h"
#include "app/shell/core_sentences.h"
#include "app/shell/language.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/library/people/share_template.h"

namespace moorfrost::app {

using library::CardId;
using library::CardKind;
using library::Side;
namespace settings = library::settings;

void WorksPage::showHistory(Side side) {
    if (side == Side::Owners)
        return use_.messages.say(tr("The journal tells how the owners came about."));
    use_.people.readHistory(
        this, shown_.id, library::sideKey(side),
        [this, side](const std::vector<library::FactHistory>& history) {
            const auto list = use_.people.list();
            auto nameOf = [&](CardId id) { return list ? list->nameOf(id) : std::string(); };
            QStringList blocks;
            for (const library::FactHistory& h : history) {
                QStringList shares;
                if (h.fact)
                    for (const library::Share& s : library::sharesFrom(h.fact->values))
                        shares << QString("%1 %2").arg(qs(library::shownParty(s, nameOf)),
                                                       s.part ? qs(s.part->percent()) : tr("not known"));
                blocks << QString("<p><span style='color:%1'>%2, %3</span><br>%4</p>")
                              .arg(theme::colours().second.name(),
                                   QLocale()
                                       .toString(QDateTime::fromSecsSinceEpoch(h.when), "d MMM yyyy, HH:mm")
                                       .toHtmlEscaped(),
                                   (h.fact && h.fact->origin != library::typedOrigin ? spoken(h.fact->origin)
                                                                                     : tr("typed"))
                                       .toHtmlEscaped(),
                                   (shares.isEmpty() ? tr("nobody") : shares.join(", ")).toHtmlEscaped());
            }
            QDialog dialog(this);
            dialog.setWindowTitle(
                tr("%1 of \u201C%2\u201D: how it came about").arg(sideName(side), title_->text()));
            auto* text = new QTextBrowser;
            text->setHtml(blocks.join(QString()));
            auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
            connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
            auto* layout = new QVBoxLayout(&dialog);
            layout->addWidget(text);
            layout->addWidget(buttons);
            dialog.resize(520, 400);
            dialog.exec();
        });
}

void WorksPage::enterNames() {
    for (const Side side : {Side::Writers, Side::Publishers}) {
        const auto shares = shown_.shares(side);
        if (std::ranges::any_of(shares,
                                [](const library::Share& s) { return s.party == 0 && !s.name.empty(); }))
            setShares(side, shares, tr("Enter the %1").arg(language::inSentence(sideName(side))));
    }
    use_.messages.say(tr("They are known under People now: their numbers can be typed."));
}

void WorksPage::showMenu(const QPoint& at) {
    const std::vector<CardId> chosen = lines_->allChosen();
    if (chosen.empty())
        return;
    QMenu menu(this);
    fillShareMenu(*menu.addMenu(tr("Shares from")));
    if (chosen.size() == 1) {
        menu.addAction(tr("Lyrics\u2026"), this, &WorksPage::showLyrics);
        if (!shown_.recordings.empty()) {
            const FileId file = shown_.recordings.front().file;
            menu.addAction(tr("Play"), this, [this, file] { emit playRequested(file); });
            menu.addAction(tr("Show in the library"), this, [this, file] { emit libraryWanted(file); });
        }
        menu.addSeparator();
        menu.addAction(tr("Remove\tDel"), this, [this] { removeShown(); });
    }
    menu.exec(at);
}

void WorksPage::newWork() {
    bool ok = false;
    const QString title = QInputDialog::getText(this, tr("New work"), tr("What is the song called?"),
                                                QLineEdit::Normal, {}, &ok)
                              .trimmed();
    if (ok && !title.isEmpty())
        use_.people.make(CardKind::Work, {{"title", {ss(title)}}}, [self = QPointer(this)](CardId id) {
            if (self)
                self->showCard(id);
        });
}

void WorksPage::makeAll() {
    const auto searcher = use_.index.searcher();
    if (!searcher)
        return;
    std::vector<FileId> files;
    searcher->all().each([&](library::Row row) { files.push_back(searcher->idOf(row)); });
    use_.people.makeWorksOf(files, [this](size_t made) {
        use_.messages.say(made == 0
                              ? tr("All recordings have their works already.")
                              : tr("%n new work(s). Ctrl+Z takes them back.", "", static_cast<int>(made)));
    });
}

void WorksPage::copyShares() {
    if (shown_.id == 0)
        return;
    std::vector<CardId> works = lines_->allChosen();
    if (works.empty())
        works = {shown_.id};
    CopySharesDialog dialog(use_.people, works, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    for (const Side side : {Side::Writers, Side::Publishers})
        if (const auto shares = dialog.shares(side))
            use_.people.setShares(works, side, *shares, tr("%1 as of another song").arg(sideName(side)));
}

void WorksPage::fillShareMenu(QMenu& menu) {
    menu.addAction(tr("Another song\u2026"), this, &WorksPage::copyShares);
    menu.addSeparator();
    const auto kept = library::templatesFrom(use_.settings.get(settings::shareTemplates));
    for (const library::ShareTemplate& one : kept)
        menu.addAction(qs(one.name), this, [this, one] { takeTemplate(one); });
    menu.addSeparator();
    menu.addAction(tr("Keep these by name\u2026"), this, &WorksPage::keepTemplate)->setEnabled(hasShares());
    if (!kept.empty()) {
        QMenu* forget = menu.addMenu(tr("Forget"));
        for (const library::ShareTemplate& one : kept)
            forget->addAction(qs(one.name), this, [this, name = one.name] {
                use_.settings.set(
                    settings::shareTemplates,
                    library::withoutTemplate(use_.settings.get(settings::shareTemplates), name));
            });
    }
}

bool WorksPage::hasShares() const {
    return std::ranges::any_of(library::allSides, [this](Side side) { return !shown_.shares(side).empty(); });
}

void WorksPage::takeTemplate(const library::ShareTemplate& shares) {
    std::vector<CardId> works = lines_->allChosen();
    if (works.empty() && shown_.id != 0)
        works = {shown_.id};
    for (const Side side : library::allSides) {
        const auto& some = shares.sides[static_cast<size_t>(side)];
        if (some.empty())
            continue;
        const QString title = tr("%1: %2").arg(sideName(side), qs(shares.name));
        if (side != Side::Owners)
            use_.people.setShares(works, side, some, title);
        else if (works.size() == 1) // the master is of a recording: of the one that is shown
            use_.people.setOwners(filesOf(shown_), some, title);
        else
            use_.messages.say(tr("The owners are of the recording: they are given to one song at a time."));
    }
}

void WorksPage::keepTemplate() {
    library::ShareTemplate shares;
    QStringList who;
    const auto list = use_.people.list();
    auto nameOf = [&](CardId id) { return list ? list->nameOf(id) : std::string(); };
    for (const Side side : library::allSides) {
        shares.sides[static_cast<size_t>(side)] = shown_.shares(side);
        for (const library::Share& s : shown_.shares(side))
            if (const QString name = qs(library::shownParty(s, nameOf)); side == Side::Writers)
                who << name;
    }
    bool ok = false;
    const QString name = QInputDialog::getText(this, tr("Keep shares by name"), tr("What they are called:"),
                                               QLineEdit::Normal, who.join(tr(" and ")), &ok)
                             .simplified();
    if (!ok)
        return;
    if (name.isEmpty())
        return use_.messages.say(tr("They need a name."), true);
    shares.name = ss(name);
    use_.settings.set(settings::shareTemplates,
                      library::withTemplate(use_.settings.get(settings::shareTemplates), shares));
    use_.messages.say(tr("Kept: \u201C%1\u201D is offered under Shares from.").arg(name));
}

void WorksPage::showLyrics() {
    const CardId work = shown_.id;
    if (work == 0)
        return;
    const std::string before = library::firstFact(shown_.facts, "lyrics");
    LyricsDialog dialog(title_->text(), before, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    const std::string lyrics = dialog.lyrics();
    if (lyrics != before)
        use_.people.setFact(work, CardKind::Work, "lyrics",
                            lyrics.empty() ? std::vector<std::string>() : std::vector<std::string>{lyrics});
}

void WorksPage::chooseKeywords() {
    const auto list = use_.people.list();
    const CardId work = shown_.id;
    if (work == 0 || !list)
        return;
    std::vector<KeywordsDialog::Keyword> used;
    for (const auto& [word, songs] : list->keywords())
        used.push_back({word, songs});
    const std::vector<std::string> before = library::factValues(shown_.facts, "keywords");
    KeywordsDialog dialog(title_->text(), used, use_.settings.get(settings::keywords), before, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    use_.settings.set(settings::keywords, dialog.own());
    if (dialog.chosen() != before)
        use_.people.setFact(work, CardKind::Work, "keywords", dialog.chosen());
}

void WorksPage::wantSheet() {
    const auto list = use_.people.list();
    std::vector<FileId> files;
    for (const CardId work : lines_->allChosen())
        if (const size_t at = list ? list->work(work) : SIZE_MAX;
            at != SIZE_MAX && list->works()[at].lead != 0)
            files.push_back(list->works()[at].lead);
    if (files.empty())
        return use_.messages.say(tr("There is no recording of this song yet, so nothing to put on a sheet."),
                                 true);
    emit sheetWanted(files);
}

void WorksPage::newAgreement() {
    if (shown_.id == 0)
        return;
    // Who has a share in it is a party of it until somebody says otherwise.
    std::vector<CardId> parties;
    for (const Side side : library::allSides)
        for (const library::Share& s : shown_.shares(side))
            if (s.party != 0 && std::ranges::find(parties, s.party) == parties.end())
                parties.push_back(s.party);
    const std::vector<CardId> works = lines_->allChosen();
    use_.agreements.make(tr("Agreement about \u201C%1\u201D").arg(title_->text()), parties,
                         works.size() > 1 ? works : std::vector<CardId>{shown_.id}, 0, {},
                         [self = QPointer(this)](CardId id) {
                             if (self)
                                 self->use_.agreements.wantShown(id);
                         });
}

} // namespace moorfrost::app
