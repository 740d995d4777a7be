// SPDX-License-Identifier: GPL-3.0-or-later
// The manual to be read: its pages on the left, what is searched for in all of them, and the page.
#pragma once

#include <QDialog>
#include <QTextBrowser>
#include <QTimer>

#include "app/help/manual.h"

class QLineEdit;
class QListWidget;
class QListWidgetItem;

namespace moorfrost::app {

/// A page, with its pictures as wide as there is room.
class ManualText : public QTextBrowser {
    Q_OBJECT
public:
    explicit ManualText(QWidget* parent = nullptr);
    void show(const ManualPage& page, const Path& folder);
    /// To the part with that heading; to the top where there is none.
    void goTo(const QString& heading);
    /// Whether that part is in sight.
    bool shows(const QString& heading) const;
    /// What is searched for is marked, and gone to.
    void mark(const QString& line, const QString& words);

protected:
    QVariant loadResource(int type, const QUrl& name) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void setMarkdownOf(const QString& text);
    void refit();
    QTextBlock blockOf(const QString& heading) const;
    Path folder_;
    QString shown_;
    int width_ = 0;   // for which pictures were made
    QString heading_; // that was gone to
    int gone_ = 0;    // where the bar was then
    QTimer refit_;
};

class ManualWindow : public QDialog {
    Q_OBJECT
public:
    explicit ManualWindow(Manual manual, QWidget* parent = nullptr);

    /// `place`: the key of a page, maybe with "#heading".
    void open(const QString& place);
    QString page() const { return page_; }
    ManualText* text() { return text_; }
    QLineEdit* search() { return search_; }
    QListWidget* list() { return list_; }

private:
    void listPages();
    void listFound();
    void take(QListWidgetItem* item);
    void follow(const QUrl& link);
    void back();

    Manual manual_;
    QString page_;
    std::vector<QString> before_; // pages that one came from
    QLineEdit* search_;
    QListWidget* list_;
    ManualText* text_;
};

} // namespace moorfrost::app
