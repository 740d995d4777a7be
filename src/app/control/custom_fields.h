// SPDX-License-Identifier: GPL-3.0-or-later
// The fields beside the standard ones: those that were described (kept with the library), and those that are
// only found in files.
#pragma once

#include <QObject>

#include "app/control/drafts_controller.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "core/tags/custom_fields.h"

namespace moorfrost::app {

class Messages;

class CustomFields : public QObject {
    Q_OBJECT
public:
    CustomFields(LibrarySettings& settings, const FilesController& files, const DraftsController& drafts,
                 const LibraryIndex& index, Messages& messages);

    /// The described ones, then others of the library, of what is worked on, and of drafts.
    std::vector<std::string> keys() const;
    const std::vector<tags::CustomField>& described() const { return described_; }
    /// nullptr if it was not.
    const tags::CustomField* find(const std::string& key) const;
    /// Why it cannot be so; "" if it can. `was`: the key of the one that it is to replace, or "".
    QString whyNot(const tags::CustomField& field, const std::string& was) const;
    /// In the place of the one with the key `was`, if there is one. Only what whyNot says nothing against.
    void describe(const tags::CustomField& field, const std::string& was);
    /// What is in files stays: it is text under its own name then.
    void forget(const std::string& key);

signals:
    void changed();

private:
    void load();
    void keep(std::vector<tags::CustomField> fields);

    LibrarySettings& settings_;
    const FilesController& files_;
    const DraftsController& drafts_;
    const LibraryIndex& index_;
    Messages& messages_;
    std::vector<tags::CustomField> described_;
};

} // namespace moorfrost::app
