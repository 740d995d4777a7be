// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/sound_group_list.h"

#include <QPainter>
#include <QSignalBlocker>
#include <QStyledItemDelegate>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using library::SoundGroup;
using library::SoundGroupKind;

enum Role { LineRole = Qt::UserRole + 1, PillRole, ToneRole };

QString kindText(SoundGroupKind kind) {
    switch (kind) {
    case SoundGroupKind::SameRecording:
        return SoundGroupList::tr("same recording");
    case SoundGroupKind::OtherVersion:
        return SoundGroupList::tr("another version?");
    case SoundGroupKind::CodesDisagree:
        return SoundGroupList::tr("codes disagree");
    case SoundGroupKind::SameCode:
        return SoundGroupList::tr("one code, two sounds");
    }
    return {};
}

paint::Tone toneOf(SoundGroupKind kind) {
    return kind == SoundGroupKind::SameRecording  ? paint::Tone::Good
           : kind == SoundGroupKind::OtherVersion ? paint::Tone::Attention
                                                  : paint::Tone::Wrong;
}

/// A group in three lines.
class GroupDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, 74}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const paint::Mirror side(*p, r);
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, chosen ? c.fjordBack : c.panel);
        if (chosen)
            p->fillRect(side(QRect(r.left(), r.top(), 3, r.height())), c.heather);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        const QRect text = r.adjusted(14, 8, -8, 0);
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(side(QRect(text.left(), text.top(), text.width(), 18)), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, text.width()));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(
            side(QRect(text.left(), text.top() + 18, text.width(), 18)), Qt::AlignVCenter,
            p->fontMetrics().elidedText(index.data(LineRole).toString(), Qt::ElideRight, text.width()));
        const QString pill = index.data(PillRole).toString();
        paint::pill(*p, text.left() + paint::pillWidth(pill), QRect(r.left(), text.top() + 37, r.width(), 20),
                    pill, static_cast<paint::Tone>(index.data(ToneRole).toInt()));
    }
};

} // namespace

SoundGroupList::SoundGroupList(QWidget* parent) : QListWidget(parent) {
    setItemDelegate(new GroupDelegate(this));
    setFrameShape(QFrame::NoFrame);
    setAccessibleName(tr("Groups of one sound"));
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
}

void SoundGroupList::show(const std::vector<SoundGroup>& groups, const library::Searcher* searcher,
                          const std::vector<library::FileId>& chosen) {
    const QSignalBlocker quiet(this);
    const int row = std::max(0, currentRow());
    int found = -1;
    clear();
    for (size_t i = 0; i < groups.size(); ++i) {
        const SoundGroup& g = groups[i];
        auto* item = new QListWidgetItem(this);
        const auto first = searcher ? searcher->rowOf(g.files[0]) : std::nullopt;
        QString title = first ? qs(searcher->text(*first, "title")) : QString();
        if (title.isEmpty() && first)
            title = shownName(searcher->pathOf(*first));
        QStringList formats;
        for (library::FileId id : g.files)
            if (const auto r = searcher ? searcher->rowOf(id) : std::nullopt)
                if (const QString f = qs(searcher->text(*r, library::formatNameColumn)); !formats.contains(f))
                    formats << f;
        item->setText(title);
        item->setData(LineRole, tr("%n file(s)", "", static_cast<int>(g.files.size())) + " \u00B7 " +
                                    formats.join(", "));
        item->setData(PillRole, kindText(g.kind));
        item->setData(ToneRole, static_cast<int>(toneOf(g.kind)));
        item->setData(Qt::AccessibleTextRole, title + ", " + kindText(g.kind));
        if (g.files == chosen)
            found = static_cast<int>(i);
    }
    setCurrentRow(found >= 0 ? found : std::min(row, count() - 1));
}

} // namespace moorfrost::app
