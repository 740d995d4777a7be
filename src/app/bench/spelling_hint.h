// SPDX-License-Identifier: GPL-3.0-or-later
// A quiet line below the tools: what was typed is nearly a value that is used often. It never stands in the
// way.
#pragma once

#include <QFrame>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/value_books.h"

class QLabel;
class QPushButton;

namespace moorfrost::app {

class SpellingHint : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        ValueBooks& values;
    };

    explicit SpellingHint(const Uses& use, QWidget* parent = nullptr);
    /// These values were typed for these files.
    void look(const std::vector<FileId>& files, const std::string& key,
              const std::vector<std::string>& values);
    /// Puts the usual spelling in the place of what was typed, where it still stands.
    void use();
    void leave();
    QString text() const;

private:
    struct Near {
        std::vector<FileId> files;
        std::string key, typed, usual;
    };

    Uses use_;
    std::optional<Near> near_;
    QLabel* says_;
    QPushButton *take_, *keep_;
    std::set<std::pair<std::string, std::string>> left_; // field and text: meant as they are
};

} // namespace moorfrost::app
