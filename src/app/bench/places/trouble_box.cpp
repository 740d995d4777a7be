// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/trouble_box.h"

#include <QLocale>

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/field_box.h"

namespace moorfrost::app {

namespace {

using placing::MarkKind;
using placing::OnClash;

constexpr size_t mostValues = 5;

bool isOfClash(MarkKind kind) {
    return kind == MarkKind::Clash || kind == MarkKind::Taken || kind == MarkKind::Replaces ||
           kind == MarkKind::LeftOut || kind == MarkKind::Suffixed || kind == MarkKind::Beside;
}

bool isWorthSaying(MarkKind kind) {
    return kind != MarkKind::InPlace && kind != MarkKind::GoesAlong;
}

QString soundText(const placing::FilePair::Side& side) {
    if (!side.error.empty())
        return spoken(side.error);
    QStringList parts{qs(audio::formatName(side.format))};
    const QLocale locale;
    if (side.facts.bitDepth > 0)
        parts << TroubleBox::tr("%1 bit").arg(side.facts.bitDepth);
    if (side.facts.sampleRate > 0)
        parts << TroubleBox::tr("%1 kHz").arg(locale.toString(side.facts.sampleRate / 1000.0, 'g', 4));
    if (side.facts.bitDepth == 0 && side.facts.bitrate > 0)
        parts << TroubleBox::tr("%1 kbit/s").arg(side.facts.bitrate / 1000);
    return parts.join(' ');
}

QString lengthText(double seconds) {
    const auto tenths = static_cast<long>(seconds * 10 + 0.5);
    return QString("%1:%2.%3").arg(tenths / 600).arg(tenths / 10 % 60, 2, 10, QChar('0')).arg(tenths % 10);
}

} // namespace

TroubleBox::TroubleBox(const Uses& use, QWidget* parent) : SideLines(parent), use_(use) {
    setAccessibleName(tr("What stands against it"));
    setMinimumWidth(230);
}

std::string TroubleBox::signatureOf(const PlacedFiles& placed, const std::vector<size_t>& chosen) {
    std::string out;
    for (const size_t i : chosen)
        for (const placing::Mark& mark : placed.at(i).marks)
            out += placed.at(i).from.native() + "\t" + placed.at(i).to.native() + "\t" + mark.text + "\t" +
                   mark.other.native() + "\n";
    return out;
}

void TroubleBox::tell(const PlacedFiles& placed, const std::vector<size_t>& chosen) {
    std::string signature = signatureOf(placed, chosen);
    if (signature == signature_)
        return;
    signature_ = std::move(signature);
    ++run_;
    clear();
    pair_ = nullptr;
    Troubles troubles;
    for (const size_t i : chosen) {
        const placing::Placement& p = placed.at(i);
        if (p.id > 0)
            troubles.files.push_back(p.id);
        for (const placing::Mark& mark : p.marks) {
            if (!mark.key.empty() && p.id > 0) {
                troubles.fields[mark.key].push_back(&mark);
                troubles.filesOf[mark.key].insert(p.id);
            } else if (isOfClash(mark.kind) && p.id > 0) {
                troubles.clashing.push_back(p.id);
                troubles.others.push_back(&mark);
                troubles.beside = troubles.beside || mark.kind == MarkKind::Beside;
                troubles.taken =
                    troubles.taken || mark.kind == MarkKind::Taken || mark.kind == MarkKind::Beside;
                troubles.chosen =
                    troubles.chosen || (!placing::isWrong(mark.kind) && mark.kind != MarkKind::Beside);
            } else if (isWorthSaying(mark.kind)) {
                troubles.others.push_back(&mark);
            }
        }
    }
    saysSomething_ = !troubles.fields.empty() || !troubles.others.empty();
    if (!saysSomething_)
        return end();
    const auto& c = theme::colours();
    if (chosen.size() == 1) {
        const placing::Placement& p = placed.at(chosen.front());
        caption(shownName(p.to.empty() ? p.from : p.to));
        line(coloured(tr("now %1").arg(shownPath(p.from.lexically_relative(placed.common()))), c.second));
    } else {
        caption(tr("%n file(s) chosen", "", static_cast<int>(chosen.size())));
    }
    std::map<std::string, std::pair<size_t, bool>> said; // how often, and whether it is wrong
    for (const placing::Mark* mark : troubles.others) {
        ++said[mark->text].first;
        said[mark->text].second = placing::isWrong(mark->kind);
    }
    size_t lines = 0;
    for (const auto& [text, what] : said)
        if (++lines <= mostValues)
            line(coloured(spoken(text) + (what.first > 1 ? QString(" (%1)").arg(what.first) : QString()),
                          what.second ? c.rowan : c.ink));
    for (const auto& [key, marks] : troubles.fields)
        sayField(key, troubles, placed);
    if (!troubles.clashing.empty())
        sayClash(troubles);
    if (chosen.size() == 1)
        for (const placing::Mark* mark : troubles.others)
            if (!mark->other.empty()) {
                compare(placed.at(chosen.front()).from, mark->other);
                break;
            }
    end();
}

void TroubleBox::sayField(const std::string& key, const Troubles& troubles, const PlacedFiles& placed) {
    const auto& c = theme::colours();
    const std::vector<const placing::Mark*>& marks = troubles.fields.at(key);
    std::set<FileId> files = troubles.filesOf.at(key);
    const bool splits = std::ranges::any_of(marks, [](auto* m) { return m->kind == MarkKind::Split; });
    if (splits)
        for (const FileId file : troubles.filesOf.at(key))
            for (const FileId other : placed.sleeveOf(file))
                files.insert(other);
    const std::vector<FileId> all(files.begin(), files.end());
    caption(spoken(tags::labelOf(key)));
    line(coloured(spoken(marks.front()->text), placing::isWrong(marks.front()->kind) ? c.rowan : c.lichen));
    auto* box = new FieldBox({use_.files, use_.drafts}, key);
    box->setFiles(all);
    box->setAccessibleName(spoken(tags::labelOf(key)));
    add(box);
    line(coloured(splits ? tr("for the whole release: %n file(s)", "", static_cast<int>(all.size()))
                         : tr("for %n file(s)", "", static_cast<int>(all.size())),
                  c.second));
    if (splits)
        values(key, all);
    link(tr("Show it in Describe"), [this, key, all] { emit describeWanted(key, all); });
}

void TroubleBox::values(const std::string& key, const std::vector<FileId>& files) {
    std::map<std::vector<std::string>, int> counts;
    for (const FileId file : files)
        ++counts[use_.drafts.shownValues(file, key)];
    std::vector<std::pair<std::vector<std::string>, int>> most(counts.begin(), counts.end());
    std::ranges::sort(most, std::ranges::greater(), [](const auto& one) { return one.second; });
    most.resize(std::min(most.size(), mostValues));
    for (const auto& [some, count] : most)
        if (!some.empty())
            link(tr("\u201C%1\u201D for all (%2 have it)").arg(qs(tags::shownValues(some))).arg(count),
                 [this, key, files, some = some] {
                     std::vector<library::DraftSession::Wish> wishes;
                     for (const FileId file : files)
                         wishes.push_back({file, key, some});
                     use_.drafts.session().propose(ss(tr("Set %1").arg(spoken(tags::labelOf(key)))), wishes,
                                                   ss(tr("put away")));
                 });
}

void TroubleBox::sayClash(const Troubles& troubles) {
    caption(tr("What to do"));
    const std::vector<FileId> files = troubles.clashing;
    auto offer = [&](const QString& text, OnClash choice) {
        link(text, [this, files, choice] { emit choiceWanted(choice, files); });
    };
    if (!troubles.beside)
        offer(tr("Keep both: this one gets a number"), OnClash::Suffix);
    offer(tr("Leave this one where it is"), OnClash::Skip);
    offer(tr("Keep the better one"), OnClash::KeepBetter);
    if (troubles.taken)
        offer(tr("Replace the one that is there"), OnClash::Replace);
    if (troubles.chosen)
        offer(tr("Decide later"), OnClash::Ask);
}

void TroubleBox::compare(const Path& one, const Path& other) {
    caption(tr("Side by side"));
    pair_ = line(coloured(tr("comparing \u2026"), theme::colours().second));
    use_.jobs.start(
        this, {ss(tr("Comparing two files"))},
        [one, other](std::stop_token stop, work::Progress&) -> Result<placing::FilePair> {
            return placing::pairOf(one, other, stop);
        },
        [this, run = run_](const Result<placing::FilePair>& pair) {
            if (run == run_ && pair_ && pair)
                tellPair(*pair);
        });
}

void TroubleBox::tellPair(const placing::FilePair& pair) {
    const auto& c = theme::colours();
    const QLocale locale;
    QString rows;
    auto row = [&](const QString& name, const QString& one, const QString& other) {
        const QColor ink = one == other || name.isEmpty() ? c.second : c.ink;
        rows += QString("<tr><td style='color:%1'>%2&nbsp;</td>"
                        "<td style='color:%5'>%3&nbsp;&nbsp;</td><td style='color:%5'>%4</td></tr>")
                    .arg(c.second.name(), name, one.toHtmlEscaped(), other.toHtmlEscaped(), ink.name());
    };
    row({}, tr("this one"), tr("the other"));
    row(tr("Length"), lengthText(pair.one.facts.duration), lengthText(pair.other.facts.duration));
    row(tr("Sound"), soundText(pair.one), soundText(pair.other));
    row(tr("Size"),
        locale.formattedDataSize(static_cast<qint64>(pair.one.size), 1, QLocale::DataSizeSIFormat),
        locale.formattedDataSize(static_cast<qint64>(pair.other.size), 1, QLocale::DataSizeSIFormat));
    pair_->setText(tableOf(rows) + coloured(spoken(sentenceOf(pair.sound)), c.ink));
    pair_->setToolTip(shownPath(pair.other.path));
}

} // namespace moorfrost::app
