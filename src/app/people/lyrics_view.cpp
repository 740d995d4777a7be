// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/lyrics_view.h"

#include <QDialogButtonBox>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/library/people/lyrics.h"

namespace moorfrost::app {

QString lyricsHtml(const std::string& lyrics) {
    using Kind = library::LyricsLine::Kind;
    const auto verses = library::versesOf(lyrics);
    const bool chords = library::hasChords(verses);
    const auto& c = theme::colours();
    QStringList out;
    for (const library::Verse& verse : verses) {
        QStringList lines;
        for (const library::LyricsLine& line : verse) {
            QString text = qs(line.text).toHtmlEscaped();
            if (chords)
                text.replace(' ', QStringLiteral("&nbsp;")); // chords stand above what is sung to them
            if (line.kind == Kind::Chords)
                text = QString("<span style='color:%1'>%2</span>").arg(c.fjord.name(), text);
            else if (line.kind == Kind::Label)
                text = QString("<span style='color:%1'>%2</span>").arg(c.second.name(), text);
            lines << text;
        }
        out << QString("<p style='margin:0 0 9px 0;%1'>%2</p>")
                   .arg(chords ? "font-family:\"JetBrains Mono\";font-size:12px" : "", lines.join("<br>"));
    }
    return out.join(QString());
}

LyricsDialog::LyricsDialog(const QString& title, const std::string& lyrics, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Lyrics of \u201C%1\u201D").arg(title));
    text_ = new QPlainTextEdit(qs(lyrics));
    text_->setAccessibleName(tr("Lyrics"));
    text_->setTabChangesFocus(true);
    text_->setLineWrapMode(QPlainTextEdit::NoWrap); // a line is a line; chords above it stay where they are
    text_->setFont(theme::monoFont());
    count_ = label({}, "quiet");
    auto tell = [this] {
        const auto verses = library::versesOf(ss(text_->toPlainText()));
        size_t lines = 0;
        for (const library::Verse& verse : verses)
            lines += verse.size();
        count_->setText(lines == 0 ? tr("Verses are parted by blank lines. Chords stay as they are typed.")
                        : library::hasChords(verses)
                            ? tr("%1 verses, %2 lines, with chords").arg(verses.size()).arg(lines)
                            : tr("%1 verses, %2 lines").arg(verses.size()).arg(lines));
    };
    connect(text_, &QPlainTextEdit::textChanged, this, tell);
    tell();
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep"));
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(text_);
    layout->addWidget(count_);
    layout->addWidget(buttons);
    resize(560, 520);
}

std::string LyricsDialog::lyrics() const {
    static const QRegularExpression around("^(\\s*\\n)+|\\s+$");
    return ss(text_->toPlainText().remove(around));
}

} // namespace moorfrost::app
