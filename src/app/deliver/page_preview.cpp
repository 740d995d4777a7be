// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/page_preview.h"

#include <QPainter>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int margin = 28, cover = 96, trackHeight = 52, versionHeight = 36, most = 60;

} // namespace

class PagePaper : public QWidget {
public:
    PagePaper() {
        setMinimumWidth(320);
        connect(&Covers::instance(), &Covers::ready, this, [this] { update(); });
    }
    void show(const deliver::PageSubject* subject, const deliver::PageLayout& layout) {
        subject_ = subject ? *subject : deliver::PageSubject();
        layout_ = layout;
        setMinimumHeight(heightOf());
        update();
    }
    QString text() const {
        QStringList out{qs(subject_.title), qs(subject_.artist), sum()};
        for (const auto& track : subject_.tracks) {
            out << qs(track.lead.name) << facts(track.lead);
            for (const auto& version : track.versions)
                out << qs(version.name);
        }
        return out.join('\n');
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        const auto& c = theme::colours();
        p.fillRect(rect(), c.sunk);
        if (subject_.tracks.empty())
            return;
        const int wide = std::min(width() - 2 * margin, 760), left = (width() - wide) / 2;
        int y = margin;
        const QRect picture(left, y, cover, cover);
        const QPixmap shown =
            subject_.picture.empty() ? QPixmap() : Covers::instance().cover(subject_.picture, cover);
        if (shown.isNull())
            paint::blankCover(p, picture, "sleeve");
        else
            p.drawPixmap(picture, shown);
        const QRect about(left + cover + 16, y, wide - cover - 16, cover);
        auto line = [&](int at, int height, const QString& text, const QFont& font, const QColor& colour) {
            p.setFont(font);
            p.setPen(colour);
            const QRect r(about.left(), about.top() + at, about.width(), height);
            p.drawText(r, Qt::AlignLeft | Qt::AlignVCenter,
                       p.fontMetrics().elidedText(text, Qt::ElideRight, r.width()));
        };
        line(6, 16, head(), theme::uiFont(11, QFont::DemiBold), c.second);
        line(24, 30, qs(subject_.title), theme::uiFont(22, QFont::DemiBold), c.ink);
        line(54, 18, qs(subject_.artist), theme::uiFont(14), c.ink);
        line(74, 18, sum(), theme::uiFont(12), c.second);
        y += cover + 14;
        if (!subject_.words.empty()) {
            p.setFont(theme::uiFont(13));
            p.setPen(c.ink);
            const QRect r = wordsRect(left, y, wide);
            p.drawText(r, Qt::AlignLeft | Qt::TextWordWrap, qs(subject_.words));
            y += r.height() + 12;
        }
        const QRect box(left, y, wide, boxHeight());
        p.setPen(c.line);
        p.setBrush(c.panel);
        p.drawRoundedRect(box, 4, 4);
        size_t number = 0;
        for (const auto& track : subject_.tracks) {
            if (++number > most)
                break;
            row(p, QRect(box.left() + 14, y, box.width() - 28, trackHeight), track.lead,
                QString::number(number), 0);
            y += trackHeight;
            for (const auto& version : track.versions) {
                row(p, QRect(box.left() + 14, y, box.width() - 28, versionHeight), version, {}, 46);
                y += versionHeight;
            }
            if (number < subject_.tracks.size()) {
                p.setPen(c.faint);
                p.drawLine(box.left() + 14, y, box.right() - 14, y);
            }
        }
        if (subject_.tracks.size() > most) {
            p.setFont(theme::uiFont(12));
            p.setPen(c.second);
            p.drawText(
                QRect(left, y + 4, wide, 24), Qt::AlignCenter,
                PagePreview::tr("and %n more track(s)", "", static_cast<int>(subject_.tracks.size() - most)));
        }
    }

private:
    QString head() const {
        QStringList parts;
        if (!subject_.forWhom.empty())
            parts << PagePreview::tr("For %1").arg(qs(subject_.forWhom));
        parts << QLocale().toString(QDate::fromString(qs(subject_.date), Qt::ISODate), QLocale::LongFormat);
        return parts.join(" \u00B7 ");
    }
    QString sum() const {
        QStringList parts{PagePreview::tr("%n track(s)", "", static_cast<int>(subject_.tracks.size()))};
        if (subject_.versions() > 0)
            parts << PagePreview::tr("%n version(s)", "", static_cast<int>(subject_.versions()));
        parts << shownLength(subject_.seconds());
        if (!subject_.from.empty())
            parts << PagePreview::tr("from %1").arg(qs(subject_.from));
        return parts.join(" \u00B7 ");
    }
    QString facts(const deliver::PageSound& sound) const {
        QStringList out;
        if (!sound.artist.empty() && sound.artist != subject_.artist)
            out << qs(sound.artist);
        for (const std::string& fact : sound.facts)
            out << qs(fact);
        return out.join(" \u00B7 ");
    }
    QRect wordsRect(int left, int y, int wide) const {
        return QFontMetrics(theme::uiFont(13))
            .boundingRect(QRect(left, y, wide, 400), Qt::TextWordWrap, qs(subject_.words));
    }
    int boxHeight() const {
        int out = 0;
        for (size_t i = 0; i < subject_.tracks.size() && i < most; ++i)
            out += trackHeight + versionHeight * static_cast<int>(subject_.tracks[i].versions.size());
        return out;
    }
    int heightOf() const {
        const int words = subject_.words.empty() ? 0 : wordsRect(0, 0, 400).height() + 12;
        return 2 * margin + cover + 14 + words + boxHeight() + 34;
    }
    void row(QPainter& p, const QRect& r, const deliver::PageSound& sound, const QString& number,
             int indent) {
        const auto& c = theme::colours();
        const int button = indent == 0 ? 28 : 22;
        const QRectF circle(r.left() + indent, r.center().y() - button / 2.0, button, button);
        p.setPen(c.line);
        p.setBrush(Qt::NoBrush);
        p.drawEllipse(circle);
        p.setBrush(c.ink);
        p.setPen(Qt::NoPen);
        const QPointF m = circle.center();
        const double s = button / 6.0;
        const QPointF play[] = {
            {m.x() - s * 0.8, m.y() - s}, {m.x() - s * 0.8, m.y() + s}, {m.x() + s, m.y()}};
        p.drawPolygon(play, 3);
        int x = r.left() + indent + button + 10;
        if (!number.isEmpty()) {
            p.setFont(theme::uiFont(12));
            p.setPen(c.second);
            p.drawText(QRect(x, r.top(), 20, r.height()), Qt::AlignRight | Qt::AlignVCenter, number);
            x += 30;
        }
        const bool takes = layout_.take != "nothing";
        const int right = r.right() - (takes ? 36 : 0);
        const int names = std::min(200, (right - x) / 2);
        const QString told = facts(sound);
        p.setFont(theme::uiFont(13, indent == 0 ? QFont::DemiBold : QFont::Medium));
        p.setPen(c.ink);
        const QRect name(x, told.isEmpty() ? r.top() : r.center().y() - 18, names,
                         told.isEmpty() ? r.height() : 18);
        p.drawText(name, Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(qs(sound.name), Qt::ElideRight, names));
        if (!told.isEmpty()) {
            p.setFont(theme::uiFont(12));
            p.setPen(c.second);
            p.drawText(QRect(x, r.center().y() + 1, names, 17), Qt::AlignLeft | Qt::AlignVCenter,
                       p.fontMetrics().elidedText(told, Qt::ElideRight, names));
        }
        // Where the shape of the sound will be: it is drawn when the page is made.
        p.setPen(Qt::NoPen);
        p.setBrush(c.line);
        const int from = x + names + 14, to = right - 54;
        for (int at = from; at < to; at += 4)
            p.drawRect(QRectF(at, r.center().y() - 1, 2.6, 3));
        p.setFont(theme::uiFont(12));
        p.setPen(c.second);
        p.drawText(QRect(right - 50, r.top(), 50, r.height()), Qt::AlignRight | Qt::AlignVCenter,
                   shownLength(sound.seconds));
        if (takes) {
            const QRectF box(r.right() - 26, r.center().y() - 12, 26, 24);
            p.setPen(c.line);
            p.setBrush(c.panel);
            p.drawRoundedRect(box, 4, 4);
            p.setPen(c.ink);
            p.drawText(box, Qt::AlignCenter, "\u2193");
        }
    }

    deliver::PageSubject subject_;
    deliver::PageLayout layout_;
};

PagePreview::PagePreview(QWidget* parent) : QScrollArea(parent) {
    paper_ = new PagePaper;
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setWidget(paper_);
    setAccessibleName(tr("The page, about as it will be"));
}

void PagePreview::show(const deliver::PageSubject* subject, const deliver::PageLayout& layout) {
    paper_->show(subject, layout);
    paper_->setAccessibleDescription(text());
}

QString PagePreview::text() const {
    return paper_->text();
}

} // namespace moorfrost::app
