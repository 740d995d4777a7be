// SPDX-License-Identifier: GPL-3.0-or-later
// The manual: pages of Markdown that ship with the application. Values; any thread.
#pragma once

#include <QString>
#include <QStringList>

#include <vector>

#include "core/base/result.h"

namespace moorfrost::app {

struct ManualPage {
    QString key; // the name of its file without the ending
    QString title;
    QString text; // Markdown
    /// Of a translated page: its headings in English, in order. Places in the manual are named by these.
    QStringList anchors = {};
    /// The heading that is meant by one in English, or by itself.
    QString heading(const QString& named) const;
};

/// A line of the manual.
struct ManualPlace {
    QString page;    // its key
    QString heading; // of its part; empty above the first
    QString line;    // as it is read, without signs of Markdown
};

class Manual {
public:
    /// Of the folder, in the order in which its page "index" names them. Empty where there is none.
    static Manual read(const Path& folder);
    /// Of a folder in it that is called like a language ("de"), where there is one.
    static Manual read(const Path& folder, const QString& language);
    /// That of this program, in the language of the window.
    static Manual shipped();

    /// After the others. Takes the place of one with that key.
    void add(ManualPage page);
    const std::vector<ManualPage>& pages() const { return pages_; }
    const ManualPage* page(const QString& key) const;
    /// Lines that have all the words, whatever their case; those in headings first, no more than `most`.
    std::vector<ManualPlace> find(const QString& words, size_t most = 200) const;
    /// Where its pictures lie.
    const Path& folder() const { return folder_; }

private:
    Path folder_;
    std::vector<ManualPage> pages_;
};

} // namespace moorfrost::app
