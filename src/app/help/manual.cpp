// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/manual.h"

#include <QFile>
#include <QRegularExpression>
#include <QStringList>

#include <algorithm>

#include "app/shell/language.h"
#include "app/shell/text_utils.h"
#include "core/base/helper_program.h"

namespace moorfrost::app {

namespace {

/// Of a line of Markdown, what a person reads.
QString asRead(QString line) {
    static const QRegularExpression picture("!\\[[^\\]]*\\]\\([^)]*\\)"), link("\\[([^\\]]*)\\]\\([^)]*\\)"),
        signs("[*`]|^[#>\\s|-]+|\\|\\s*$");
    line.remove(picture).replace(link, "\\1").remove(signs);
    return line.replace('|', QString::fromUtf8(" \xC2\xB7 ")).simplified();
}

QStringList headings(const QString& text) {
    QStringList out;
    for (const QString& line : text.split('\n'))
        if (line.startsWith('#'))
            out << asRead(line);
    return out;
}

ManualPage readPage(const Path& file) {
    ManualPage out;
    out.key = qs(file.stem().native());
    QFile in(qs(file.native()));
    if (in.open(QIODevice::ReadOnly))
        out.text = QString::fromUtf8(in.readAll());
    out.title = asRead(out.text.section('\n', 0, 0));
    return out;
}

} // namespace

Manual Manual::read(const Path& folder) {
    Manual out;
    out.folder_ = folder;
    std::error_code error;
    if (folder.empty() || !std::filesystem::exists(folder / "index.md", error))
        return out;
    out.pages_.push_back(readPage(folder / "index.md"));
    static const QRegularExpression named("\\]\\(([a-z0-9-]+)\\.md\\)");
    auto all = named.globalMatch(out.pages_.front().text);
    while (all.hasNext()) {
        const QString key = all.next().captured(1);
        const Path file = folder / ss(key + ".md");
        if (!out.page(key) && std::filesystem::exists(file, error))
            out.pages_.push_back(readPage(file));
    }
    return out;
}

Manual Manual::read(const Path& folder, const QString& language) {
    Manual out = read(folder / ss(language));
    if (language.isEmpty() || out.pages_.empty())
        return read(folder);
    for (ManualPage& page : out.pages_)
        page.anchors = headings(readPage(folder / ss(page.key + ".md")).text);
    return out;
}

Manual Manual::shipped() {
    const QString spoken = language::inUse();
    return read(sharedFolder("manual"), spoken == "en" ? QString() : spoken);
}

QString ManualPage::heading(const QString& named) const {
    const QString wanted = QString(named).replace('-', ' ');
    const QStringList here = headings(text);
    for (qsizetype i = 0; i < std::min(anchors.size(), here.size()); ++i)
        if (anchors[i].compare(wanted, Qt::CaseInsensitive) == 0)
            return here[i];
    return named;
}

void Manual::add(ManualPage page) {
    std::erase_if(pages_, [&](const ManualPage& one) { return one.key == page.key; });
    pages_.push_back(std::move(page));
}

const ManualPage* Manual::page(const QString& key) const {
    const auto at = std::ranges::find(pages_, key, &ManualPage::key);
    return at == pages_.end() ? nullptr : &*at;
}

std::vector<ManualPlace> Manual::find(const QString& words, size_t most) const {
    const QStringList all = words.simplified().split(' ', Qt::SkipEmptyParts);
    std::vector<ManualPlace> inHeadings, inText;
    if (all.isEmpty())
        return {};
    for (const ManualPage& page : pages_) {
        QString heading;
        for (const QString& raw : page.text.split('\n')) {
            const QString line = asRead(raw);
            const bool isHeading = raw.startsWith('#');
            if (isHeading && !raw.startsWith("# "))
                heading = line;
            const bool hasAll = std::ranges::all_of(
                all, [&](const QString& word) { return line.contains(word, Qt::CaseInsensitive); });
            if (hasAll && !line.isEmpty())
                (isHeading ? inHeadings : inText).push_back({page.key, heading, line});
        }
    }
    inHeadings.insert(inHeadings.end(), inText.begin(), inText.end());
    if (inHeadings.size() > most)
        inHeadings.resize(most);
    return inHeadings;
}

} // namespace moorfrost::app
