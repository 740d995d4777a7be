// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/spelling_hint.h"

#include <algorithm>

#include <QHBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

SpellingHint::SpellingHint(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("troubleBar");
    says_ = new ShortLabel;
    says_->setTextFormat(Qt::PlainText);
    take_ = button({});
    keep_ = button(tr("Leave it"), "flat");
    auto* line = new QHBoxLayout(this);
    line->setContentsMargins(12, 4, 12, 4);
    line->addWidget(says_, 1);
    line->addWidget(take_);
    line->addWidget(keep_);
    connect(take_, &QPushButton::clicked, this, &SpellingHint::use);
    connect(keep_, &QPushButton::clicked, this, [this] {
        if (near_)
            left_.emplace(near_->key, near_->typed);
        leave();
    });
    connect(&use_.drafts, &DraftsController::changed, this, [this] { // undone, or typed otherwise
        if (!near_)
            return;
        const bool stands = std::ranges::any_of(near_->files, [&](FileId id) {
            const auto values = use_.drafts.session().effective(id, near_->key);
            return std::ranges::find(values, near_->typed) != values.end();
        });
        if (!stands)
            leave();
    });
    hide();
}

void SpellingHint::look(const std::vector<FileId>& files, const std::string& key,
                        const std::vector<std::string>& values) {
    for (const std::string& value : values) {
        if (left_.contains({key, value}))
            continue;
        const auto usual = use_.values.meant(key, value);
        if (!usual)
            continue;
        near_ = Near{files, key, value, usual->text};
        says_->setText(tr("%1: \u201C%2\u201D is nearly \u201C%3\u201D, which is used %n time(s).", "",
                          static_cast<int>(usual->count))
                           .arg(fieldLabel(key), qs(value), qs(usual->text)));
        says_->setToolTip(says_->text()); // where there is no room for all of it
        QString name = qs(usual->text);
        if (name.size() > 30)
            name = name.left(29) + QChar(0x2026);
        take_->setText(tr("Use \u201C%1\u201D").arg(name.replace('&', "&&")));
        take_->setToolTip(tr("Ctrl+U"));
        show();
        return;
    }
    // Nothing to say of these: what was said before stays, because hands that type fast are further on by
    // then.
}

void SpellingHint::use() {
    if (!near_)
        return;
    const Near n = *std::exchange(near_, std::nullopt);
    hide();
    edits::Proposals out;
    for (FileId id : n.files) {
        std::vector<std::string> values = use_.drafts.session().effective(id, n.key);
        if (std::ranges::find(values, n.typed) == values.end())
            continue;
        std::ranges::replace(values, n.typed, n.usual);
        out.push_back({id, n.key, values, ss(tr("usual spelling"))});
    }
    use_.drafts.propose(tr("Usual spelling of %1").arg(fieldLabel(n.key)), out);
}

void SpellingHint::leave() {
    near_.reset();
    hide();
}

QString SpellingHint::text() const {
    return near_ ? says_->text() : QString();
}

} // namespace moorfrost::app
