// SPDX-License-Identifier: GPL-3.0-or-later
// One field of several files together: one value, or how many different ones; its draft and where that comes
// from.
#pragma once

#include <QLineEdit>
#include <QTimer>

#include <optional>
#include <set>
#include <unordered_map>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"

namespace moorfrost::app {

class ValueBooks;

/// Begins another value at the end of what is typed.
void beginValue(QLineEdit* edit);

class FieldBox : public QLineEdit {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
    };

    FieldBox(const Uses& use, const std::string& key, QWidget* parent = nullptr);
    const std::string& key() const { return key_; }
    /// What is typed is taken for the files that it was typed for.
    void setFiles(const std::vector<FileId>& files);
    void takeTyped();
    /// Values are offered while one types.
    void setValues(ValueBooks& values);

signals:
    void refused(const QString& sentence);
    /// What is proposed for these files now.
    void typed(const std::vector<moorfrost::app::FileId>& files, const std::string& key,
               const std::vector<std::string>& values);

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    void refresh();
    /// Of very many files some at a time, so that nobody waits for it.
    void countOn();
    void showCounts();
    void showNext();
    void commit();
    void propose(const std::vector<std::string>& values, const QString& action);
    QMenu* makeMenu();

    Uses use_;
    std::string key_;
    std::vector<FileId> files_;
    std::optional<std::vector<FileId>> next_;                      // are shown when what is typed is done
    std::vector<std::pair<std::vector<std::string>, int>> counts_; // most frequent first
    struct ByText {
        size_t operator()(const std::vector<std::string>& values) const;
    };
    std::unordered_map<std::vector<std::string>, int, ByText> counting_;
    std::set<std::string> origins_;
    size_t counted_ = 0; // of files_
    bool draftFound_ = false;
    QTimer portions_{this};
    QString shown_, note_;
    bool drafted_ = false;
};

} // namespace moorfrost::app
